import fc from 'fast-check';
import { Key as TonalKey } from 'tonal';
import { must } from '../kernel';
import {
  chordOfNumeral,
  degreeOver,
  degreeChords,
  figureOf,
  keyOn,
  keysOn,
  majorKeys,
  makeKey,
  minorKeys,
  noteText,
  parentOf,
  parseChord,
  parseScale,
  pitchClassOf,
  QUALITIES,
  readNote,
  scaleKinds,
  type Chord,
  type FigureSchool,
  type Tension,
} from '.';

const sound = (chord: Chord) => chord.tones.map((tone) => tone.pitchClass).join();
const key = (name: string) => must(makeKey(name));
const note = (text: string) => readNote(text)?.note ?? { letter: 'C' as const, accidental: 0 };
const symbols = (name: string, sevenths = true) =>
  degreeChords(key(name), { sevenths })
    .map((one) => one.chord.symbol)
    .join(' ');
const figures = (name: string, sevenths = true, school?: FigureSchool) =>
  degreeChords(key(name), { sevenths, school })
    .map((one) => one.figure)
    .join(' ');
/** `13!(tritone of V7 with b3)` where care is asked for. */
const tensions = (list: readonly Tension[]) =>
  list.map(({ degree, against }) => (against ? `${degree}!(${against.degree})` : degree)).join(' ');

describe('keys', () => {
  test('fifteen major and fifteen minor keys, each with the signature another library gives it', () => {
    expect(majorKeys().map((one) => one.fifths)).toEqual(Array.from({ length: 15 }, (_, i) => i - 7));
    expect(minorKeys().map((one) => one.fifths)).toEqual(Array.from({ length: 15 }, (_, i) => i - 7));
    for (const one of majorKeys()) {
      const theirs = TonalKey.majorKey(noteText(one.tonic));
      expect([theirs.alteration, [...theirs.scale]]).toEqual([one.fifths, one.scale.map(noteText)]);
    }
    for (const one of minorKeys())
      expect([...TonalKey.minorKey(noteText(one.tonic)).natural.scale]).toEqual(one.scale.map(noteText));
  });

  test.each([
    ['F# major', 'F# G# A# B C# D# E#', 6],
    ['Cb', 'Cb Db Eb Fb Gb Ab Bb', -7],
    ['Bb minor', 'Bb C Db Eb F Gb Ab', -5],
    ['BbM', 'Bb C D Eb F G A', -2],
    ['G#m', 'G# A# B C# D# E F#', 5],
    ['F# phrygian dominant', 'F# G A# B C# D E', 2],
    ['Db dorian', 'Db Eb Fb Gb Ab Bb Cb', -7],
    ['Eb lydian dominant', 'Eb F G A Bb C Db', -5],
    ['A# harmonic minor', 'A# B# C# D# E# F# G##', 7],
  ])('%s is %s with %d signs', (name, scale, fifths) => {
    expect([key(name).scale.map(noteText).join(' '), key(name).fifths]).toEqual([scale, fifths]);
  });

  test.each([
    ['G# major', 'key.signature', 'Ab major'],
    ['D# major', 'key.signature', 'Eb major'],
    ['Gb minor', 'key.signature', 'F# minor'],
    ['Fb lydian', 'ok', ''],
    ['Fb', 'key.signature', 'E major'],
    ['B# locrian', 'ok', ''],
    ['Cb dorian', 'key.signature', 'B dorian'],
    ['H major', 'key.tonic', 'C major'],
    ['C strange', 'key.mode', 'C major'],
    ['C blues', 'key.mode', 'C major'],
  ])('%s: %s %s', (name, code, detail) => {
    const made = makeKey(name);
    expect(made.ok ? ['ok', ''] : [made.problem.code, made.problem.detail]).toEqual([code, detail]);
  });

  test.each([
    ['D# major', 'scale.signature', 'Eb major'],
    ['G# lydian dominant', 'ok', ''],
    ['Fb major', 'scale.signature', 'E major'],
    ['Db blues', 'ok', ''],
  ])('a scale is refused as its key is: %s', (name, code, detail) => {
    const made = parseScale(name);
    expect(made.ok ? ['ok', ''] : [made.problem.code, made.problem.detail]).toEqual([code, detail]);
  });

  test('every kind has a key on every pitch, and its notes are those of its parent', () => {
    for (const kind of scaleKinds)
      for (let pc = 0; pc < 12; pc++) {
        if (!parentOf(note('C'), kind)) continue;
        const one = keyOn(pc, kind);
        const parent = parentOf(one.tonic, kind);
        if (!parent) throw new Error(kind);
        expect(keysOn(pc, kind).map((other) => pitchClassOf(other.tonic))).toContain(pc);
        const notes = key(`${noteText(parent.tonic)} ${parent.kind}`)
          .scale.map(noteText)
          .sort();
        expect(one.scale.map(noteText).sort()).toEqual(notes);
      }
    expect(parentOf(note('F#'), 'mixolydian')).toMatchObject({ tonic: note('B'), kind: 'major', degree: 5 });
  });
});

describe('the seven chords', () => {
  test.each([
    ['B major', true, 'Bmaj7 C#m7 D#m7 Emaj7 F#7 G#m7 A#m7b5'],
    ['Cb major', false, 'Cb Dbm Ebm Fb Gb Abm Bbdim'],
    ['Eb major', true, 'Ebmaj7 Fm7 Gm7 Abmaj7 Bb7 Cm7 Dm7b5'],
    ['A harmonic minor', true, 'AmMaj7 Bm7b5 CaugMaj7 Dm7 E7 Fmaj7 G#dim7'],
    ['D dorian', true, 'Dm7 Em7 Fmaj7 G7 Am7 Bm7b5 Cmaj7'],
  ])('of %s', (name, sevenths, expected) => expect(symbols(name, sevenths)).toBe(expected));

  test.each([
    ['Ab major', true, undefined, 'Imaj7 ii7 iii7 IVmaj7 V7 vi7 viim7b5'],
    ['Ab major', false, undefined, 'I ii iii IV V vi viio'],
    ['F minor', false, undefined, 'i iio bIII iv v bVI bVII'],
    ['F minor', true, undefined, 'i7 iim7b5 bIIImaj7 iv7 v7 bVImaj7 bVII7'],
    ['E harmonic minor', true, undefined, 'imMaj7 iim7b5 bIII+maj7 iv7 V7 bVImaj7 viio7'],
    ['E harmonic minor', false, undefined, 'i iio bIII+ iv V bVI viio'],
    ['C# melodic minor', false, undefined, 'i ii bIII+ IV V vio viio'],
    ['C# melodic minor', true, undefined, 'imMaj7 ii7 bIII+maj7 IV7 V7 vim7b5 viim7b5'],
    ['F harmonic minor', false, 'by signature', 'i iio III+ iv V VI viio'],
    ['F minor', false, 'by number', '1m 2o b3M 4m 5m b6M b7M'],
    ['F harmonic minor', false, 'by number', '1m 2o b3+ 4m 5M b6M 7o'],
    ['F major', true, 'by number', '1maj7 2m7 3m7 4maj7 5(7) 6m7 7m7b5'],
  ] as const)('figures of %s', (name, sevenths, school, expected) => {
    expect(figures(name, sevenths, school)).toBe(expected);
  });

  test('the numeral stays that of the triad', () => {
    expect(
      degreeChords(key('C major'), { sevenths: true })
        .map((one) => one.numeral)
        .join(' '),
    ).toBe('I ii iii IV V vi viio');
  });

  test.each([
    ['major', ['9 11!(3) 13', '9 11 13!(b3)', 'b9!(1) 11 b13!(5)', '9 #11 13', '9 11!(3) 13', '9 11 b13!(5)', 'b9!(1) 11 b13']],
    ['minor', ['9 11 b13!(5)', 'b9!(1) 11 b13', '9 11!(3) 13', '9 11 13', 'b9!(1) 11 b13!(5)', '9 #11 13', '9 11!(3) 13']],
    ['harmonic minor', ['9 11 b13!(5)', 'b9!(1) 11 13!(b3)', '9 11!(3) 13!(#5)', '9 #11 13', 'b9 11!(3) b13', '#9 #11 13', 'b9!(1) b11!(b3) b13']],
    ['melodic minor', ['9 11 13', 'b9!(1) 11 13!(b3)', '9 #11 13!(#5)', '9 #11 13', '9 11!(3) b13', '9 11 b13', 'b9!(1) b11!(b3) b13']],
    ['dorian', ['9 11 13', 'b9!(1) 11 b13!(5)', '9 #11 13', '9 11!(3) 13', '9 11 b13!(5)', 'b9!(1) 11 b13', '9 11!(3) 13']],
  ] as const)('tensions in %s, in every key', (kind, rows) => {
    for (let pc = 0; pc < 12; pc++)
      for (const one of keysOn(pc, kind))
        expect(degreeChords(one).map((chord) => tensions(chord.tensions))).toEqual(rows);
  }); // prettier-ignore

  test('care is said in notes, and is a half step or the tritone of V7', () => {
    const [, bm] = degreeChords(key('A major'), { sevenths: true });
    expect(bm.tensions[2]).toEqual({
      degree: '13',
      note: note('G#'),
      care: true,
      against: { degree: 'b3', note: note('D'), as: 'tritone of V7' },
    });
    for (const one of [...majorKeys(), ...minorKeys()])
      for (const { tensions: list } of degreeChords(one))
        for (const { note: own, against } of list) {
          if (!against) continue;
          const up = (pitchClassOf(own) - pitchClassOf(against.note) + 12) % 12;
          expect([against.as, up]).toEqual(
            against.as === 'half step' ? ['half step', 1] : ['tritone of V7', 6],
          );
        }
  });

  test('away from its V7 a 13 on degree 2 is no tritone to spare', () => {
    expect(tensions(degreeChords(key('C ionian #5'))[1].tensions)).toBe('9 #11 13');
  });

  test('a dominant has colours from outside its mode, and no other chord has', () => {
    const colours = (name: string) =>
      degreeChords(key(name)).map((one) => one.colours.map((colour) => colour.degree).join(' '));
    expect(colours('Ab major')).toEqual(['', '', '', '', 'b9 #9 #11 b13', '', '']);
    expect(colours('Ab harmonic minor')[4]).toBe('#9 #11');
    expect(colours('Ab melodic minor')[3]).toBe('b9 #9 b13');
  });

  test('modes and jobs by degree', () => {
    expect(degreeChords(key('Eb major')).map((one) => one.mode)).toEqual(
      'ionian dorian phrygian lydian mixolydian aeolian locrian'.split(' '),
    );
    expect(degreeChords(key('Bb harmonic minor'))[1].mode).toBe('locrian natural 6');
    expect(degreeChords(key('E dorian'))[3].mode).toBe('mixolydian');
    expect(
      degreeChords(key('C major'))
        .map((one) => one.job[0])
        .join(''),
    ).toBe('tstsdtd');
    expect(degreeChords(key('C minor'))[5].job).toBe('subdominant');
  });

  test('any chord in any key: its figure read back is the chord', () => {
    const suffixes = QUALITIES.map((one) => one.suffix);
    const roots = 'C Db D Eb E F F# Gb G Ab A Bb B C#'.split(' ');
    fc.assert(
      fc.property(
        fc.constantFrom(...majorKeys(), ...minorKeys()),
        fc.constantFrom(...roots),
        fc.constantFrom(...suffixes),
        fc.constantFrom('', '/E', '/Bb', '/C#', '/F'),
        (one, root, suffix, bass) => {
          const chord = must(parseChord(root + suffix + bass));
          const figure = figureOf(chord, one);
          // Two signs nobody numbers, nor a minor key's 3, 6 or 7 raised twice: the figure is that of the twin.
          const degree = degreeOver(one.tonic, chord.root);
          const far = /^(bb|##)/.test(degree) || (one.mode === 'minor' && /^#[367]/.test(degree));
          const back = chordOfNumeral(figure, one.name);
          expect([
            one.name,
            figure,
            back.ok ? (far ? sound(back.value) : back.value.symbol) : back.problem,
          ]).toEqual([one.name, figure, far ? sound(chord) : chord.symbol]);
        },
      ),
      { numRuns: 2000 },
    );
  });
});
