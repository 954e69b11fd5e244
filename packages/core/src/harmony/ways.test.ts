import { must } from '../kernel';
import {
  degreeChords,
  majorKeys,
  makeKey,
  noteText,
  parseChord,
  parseScale,
  pitchClassOf,
  readNote,
  type NoteName,
} from '../theory';
import {
  approachesTo,
  bassWalks,
  cadenceOf,
  chordsIn,
  circleOfFifths,
  guideTones,
  heardOver,
  modalColour,
  noteOver,
  overRoot,
  parallelOf,
  relativeOf,
  roundOf,
  scalesOver,
  sidePairs,
  stackedPairs,
} from '.';

const chord = (symbol: string) => must(parseChord(symbol));
const key = (name: string) => must(makeKey(name));
const note = (text: string) => readNote(text)?.note as NoteName;
const notes = (all: readonly NoteName[]) => all.map(noteText).join(' ');
const tones = (symbol: string) => chord(symbol).tones.map((one) => one.note);
const symbols = (all: readonly { symbol: string }[]) => all.map((one) => one.symbol).join(' ');

describe('approaches', () => {
  test('into Ebm7: dim7 a half step below with its other names, dominant, two-five, tritone, neighbours', () => {
    const [dim, five, twoFive, tritone, above, below] = approachesTo(chord('Ebm7'));
    expect([symbols(dim.chords), notes(tones('Ddim7')), notes(dim.alsoNamed ?? [])]).toEqual([
      'Ddim7', 'D F Ab Cb', 'F Ab B',
    ]); // prettier-ignore
    expect([five, twoFive, tritone, above, below].map((one) => symbols(one.chords))).toEqual([
      'Bb7', 'Fm7b5 Bb7', 'Fb7', 'Fbm7', 'Dm7',
    ]); // prettier-ignore
  });
  test('spelling: into F#m7 the dim7 is E#, a major target takes ii7', () => {
    expect(symbols(approachesTo(chord('F#m7'))[0].chords)).toBe('E#dim7');
    expect(symbols(approachesTo(chord('Abmaj7'))[2].chords)).toBe('Bbm7 Eb7');
  });
  test('chromatic: rising in sharps, falling in flats, two to four half steps', () => {
    const chromatic = (from: string, to: string) => {
      const found = approachesTo(chord(to), chord(from)).find((one) => one.kind === 'chromatic');
      return found ? symbols(found.chords) : '';
    };
    expect(chromatic('C', 'Ebm7')).toBe('C#m7 Dm7');
    expect(chromatic('Em7', 'Dm7')).toBe('Ebm7');
    expect(chromatic('C', 'F#m')).toBe('');
    expect(chromatic('C', 'Db')).toBe('');
  });
  test('every approach sounds a half step or a fifth from home, in every key', () => {
    for (const one of majorKeys())
      for (const { chord: target } of degreeChords(one)) {
        const [dim, five] = approachesTo(target);
        expect((pitchClassOf(dim.chords[0].root) + 1) % 12).toBe(pitchClassOf(target.root));
        expect((pitchClassOf(five.chords[0].root) + 5) % 12).toBe(pitchClassOf(target.root));
      }
  });
});

describe('bass walks', () => {
  const walks = (from: string, to: string, of: string) =>
    bassWalks(chord(from), chord(to), key(of)).map((one) =>
      one.steps.map((step) => step.chord.symbol).join(' '),
    );
  test.each([
    ['F', 'Dm', 'F major', ['F C/E Dm', 'F C/G F/A Bb F/C Dm']],
    ['C', 'Am', 'C major', ['C G/B Am', 'C G/D C/E F C/G Am']],
    ['C', 'F', 'C major', ['C G/D C/E F', 'C G/B F/A C/G F']],
    ['C', 'D', 'C major', ['C C#dim7 D', 'C G/B D/A C/G F C/E D']],
    ['Am', 'F', 'C major', ['Am G F', 'Am G/B Am/C G/D Am/E F']],
    ['C', 'C', 'C major', []],
  ])('%s to %s in %s', (from, to, of, expected) => expect(walks(from, to, of)).toEqual(expected));
  test('every step is under a chord that has it, and moves one way', () => {
    const wrong: string[] = [];
    for (const one of majorKeys().filter((_, i) => i % 3 === 0))
      for (const a of degreeChords(one))
        for (const b of degreeChords(one))
          for (const { steps, rises } of bassWalks(a.chord, b.chord, one)) {
            const way = steps.slice(1).map(({ bass }, i) => {
              const up = (pitchClassOf(bass) - pitchClassOf(steps[i].bass) + 12) % 12;
              return rises ? up : 12 - up;
            });
            const under = steps.every(
              ({ bass, chord: over }) => noteText(over.bass ?? over.root) === noteText(bass),
            );
            if (!under || way.some((by) => by > 4) || way.reduce((x, y) => x + y, 0) > 11)
              wrong.push(steps.map((step) => step.chord.symbol).join(' '));
          }
    expect(wrong).toEqual([]);
  });
});

describe('triads over a root', () => {
  test.each([
    ['Eb', 'F', '9 #11 13'],
    ['F', 'Eb', 'b7 9 11'],
    ['D', 'F#m7b5', '3 5 b7 9'],
    ['C', 'C', '1 3 5'],
    ['C', 'Eb', 'b3 5 b7'],
    ['C', 'E', '3 #5 7'],
    ['C', 'F', '11 13 1'],
    ['C', 'Gb', 'b5 b7 b9'],
    ['C', 'G', '5 7 9'],
    ['C', 'Ab', 'b13 1 b3'],
    ['C', 'A', '13 b9 3'],
    ['C', 'Dbm', 'b9 3 b13'],
    ['C', 'Dm', '9 11 13'],
    ['C', 'Ebm', 'b3 b5 b7'],
    ['C', 'Em', '3 5 7'],
    ['C', 'Gm', '5 b7 9'],
    ['C', 'Am', '13 1 3'],
    ['C', 'Bm', '7 9 #11'],
    ['C', 'Edim', '3 5 b7'],
  ])('over %s: %s = %s', (root, upper, expected) => {
    expect(
      overRoot(tones(upper), note(root))
        .map((one) => one.degree)
        .join(' '),
    ).toBe(expected);
  });
  test('over a chord with a major third a b3 is a #9', () => {
    expect(
      overRoot(tones('Eb'), note('C'), true)
        .map((one) => one.degree)
        .join(' '),
    ).toBe('#9 5 b7');
  });
  test('names and degrees change as the root moves', () => {
    const over = (root: string) => {
      const { notes: there, name } = heardOver(tones('F#m7b5'), note(root));
      return `${there.map((one) => one.degree).join(' ')} ${name?.symbol ?? ''}`;
    };
    expect(over('D')).toBe('3 5 b7 9 D9');
    expect(over('F#')).toBe('1 b3 b5 b7 F#m7b5');
    expect(over('A')).toBe('13 1 b3 5 Am6');
    expect(heardOver([note('C'), note('C#')], note('D')).name).toBeNull();
    // A b3 beside the 3 is a #9.
    expect(heardOver([note('E'), note('Eb')], note('C')).notes.map((one) => one.degree)).toEqual(['3', '#9']);
  });
  test('stacked pairs share two notes, side pairs none', () => {
    const said = stackedPairs(note('B')).map(
      (one) => `${one.lower.symbol} ${one.upper.symbol} = ${one.sound}: ${notes(one.shared)}`,
    );
    expect(said).toContain('B D#m = Bmaj7: D# F#');
    expect(
      stackedPairs(note('Ab')).map((one) => `${one.lower.symbol} + ${one.upper.symbol} = ${one.sound}`),
    ).toContain('Ab + Cdim = Ab7');
    for (const root of ['C', 'Eb', 'F#', 'Bb', 'B']) {
      for (const one of stackedPairs(note(root))) {
        expect([one.sound, one.shared.length]).toEqual([one.sound, 2]);
        // Together they are the chord they are called by, but for a 9 without its root.
        const sound = new Set([...one.lower.tones, ...one.upper.tones].map((tone) => tone.pitchClass));
        const whole = must(parseChord(one.sound)).tones.filter(
          (tone) => !one.sound.endsWith('9') || tone.degree !== '1',
        );
        expect([...sound].sort()).toEqual(whole.map((tone) => tone.pitchClass).sort());
      }
      for (const one of sidePairs(note(root))) expect([one.sound, one.shared.length]).toEqual([one.sound, 0]);
    }
    const [m7] = sidePairs(note('Eb'));
    expect([m7.lower.symbol, m7.upper.symbol, m7.over.map((one) => one.degree).join(' ')]).toEqual([
      'Gb',
      'Ab',
      '11 13 1',
    ]);
  });
});

describe('scales over chords', () => {
  test.each([
    ['Abmaj7', '3'], ['Bbm7', '9'], ['Cm7', '1'], ['Dbmaj7', '7'], ['Eb7', '13'], ['Fm7', '5'], ['Gm7b5', '11'],
  ])('C over %s is its %s', (symbol, degree) => {
    const own = degreeChords(key('Ab major'), { sevenths: true }).find((one) => one.chord.symbol === symbol);
    const over = noteOver(note('C'), chord(symbol), own?.tensions);
    expect([over.degree, over.does === 'care']).toEqual([degree, false]);
  }); // prettier-ignore
  test('rest, colour and care', () => {
    const does = (text: string, symbol: string) => noteOver(note(text), chord(symbol)).does;
    expect([does('E', 'C'), does('D', 'Cmaj7'), does('F', 'Cmaj7'), does('Ab', 'G7')]).toEqual([
      'rest', 'colour', 'care', 'colour',
    ]); // prettier-ignore
    // Care that a place in a key asks for: the 13 over ii.
    const ii = degreeChords(key('C major'), { sevenths: true })[1];
    expect([noteOver(note('B'), ii.chord).does, noteOver(note('B'), ii.chord, ii.tensions).does]).toEqual([
      'colour',
      'care',
    ]);
  });
  test.each([
    ['G7', { next: 'C' }, 'mixolydian', 'its tones fit'],
    ['G7', { next: 'Cm' }, 'phrygian dominant', 'V7 to minor'],
    ['Db7', { next: 'C' }, 'lydian dominant', 'does not fall a fifth'],
    ['G7alt', { next: 'C' }, 'altered', 'altered tones'],
    ['G13b9', { next: 'C' }, 'diminished half-whole', 'b9 with 13'],
    ['G7#5', {}, 'whole tone', 'raised 5'],
    ['Dm7b5', {}, 'locrian', 'two five in minor'],
    ['Dm7', { key: 'C major' }, 'dorian', 'of the key'],
    ['Em7', { key: 'C major' }, 'phrygian', 'of the key'],
    ['Cdim7', {}, 'diminished whole-half', 'its tones fit'],
    ['CmMaj7', {}, 'melodic minor', 'tonic minor'],
  ] as const)('over %s %j first %s: %s', (symbol, given, kind, why) => {
    const { key: of, next } = given as { key?: string; next?: string };
    const [first] = scalesOver(chord(symbol), {
      ...(of ? { key: key(of) } : {}),
      ...(next ? { next: chord(next) } : {}),
    });
    expect([first.scale.kind, first.why]).toEqual([kind, why]);
  });
  test('no scale lacks a tone its chord needs, and none comes twice', () => {
    for (const symbol of [
      'C',
      'C7',
      'Cm7',
      'Cmaj7#11',
      'C7#9',
      'C7b5',
      'Csus4',
      'C7#5#9',
      'Cm6',
      'C13',
      'Caug',
    ]) {
      const found = scalesOver(chord(symbol));
      expect([symbol, found.length > 0]).toEqual([symbol, true]);
      expect(new Set(found.map((one) => one.scale.kind)).size).toBe(found.length);
      for (const { scale } of found) {
        const sounds = new Set(scale.notes.map(pitchClassOf));
        for (const tone of chord(symbol).tones)
          if (tone.required) expect(sounds.has(tone.pitchClass)).toBe(true);
      }
    }
  });
  test('chords that live in a scale are those another count finds', () => {
    const lydian = chordsIn(must(parseScale('F lydian')));
    expect(symbols(lydian[0].chords)).toBe('F Fmaj7 F6 Fsus2');
    expect(symbols(lydian[6].chords)).toBe('Em Em7 Esus4');
    expect(symbols(chordsIn(must(parseScale('B harmonic minor')))[2].chords)).toBe('Daug DaugMaj7');
    expect(chordsIn(must(parseScale('A minor pentatonic'))).map((one) => symbols(one.chords))).toEqual([
      'Am Am7 Asus4', 'C C6 Csus2', 'Dsus2 Dsus4', '', 'Gsus2 Gsus4',
    ]); // prettier-ignore
  });
});

test('guide tones through a two-five-one, by note and by move', () => {
  const [two, five, one] = guideTones(['Bbm7', 'Eb7', 'N.C.', 'Abmaj7'].map(chord));
  expect([two, five, one].map((each) => each.tones.map(noteText).join('-'))).toEqual([
    'Db-Ab',
    'G-Db',
    'C-G',
  ]);
  const moves = (each: typeof two) =>
    each.moves.map((move) => `${noteText(move.from)} ${move.by} ${noteText(move.to)}`).join(', ');
  expect([moves(two), moves(five), moves(one)]).toEqual(['Db 0 Db, Ab -1 G', 'G 0 G, Db -1 C', '']);
  expect(
    guideTones([chord('C6'), chord('Csus4'), chord('C')]).map((each) => each.tones.map(noteText).join(' ')),
  ).toEqual(['E A', 'F C', 'E C']);
});

describe('the circle, cadences and modes', () => {
  test('twelve places, thirty keys, each with its relative', () => {
    const places = circleOfFifths();
    expect(places.map((one) => one.majors.map((each) => noteText(each.tonic)).join('/')).join(' ')).toBe(
      'C G D A E B/Cb F#/Gb C#/Db Ab Eb Bb F',
    );
    expect(places.flatMap((one) => [...one.majors, ...one.minors]).length).toBe(30);
    for (const { majors, minors } of places)
      majors.forEach((major, i) => {
        expect(minors[i].fifths).toBe(major.fifths);
        expect([relativeOf(major).name, relativeOf(minors[i]).name]).toEqual([minors[i].name, major.name]);
      });
  });
  test('by fourths from A', () => {
    expect(notes(roundOf(note('A'), 'fourths'))).toBe('A D G C F Bb Eb Ab Db Gb Cb');
    expect(notes(roundOf(note('F'), 'fifths'))).toBe('F C G D A E B F# C# G# D# A#');
  });
  test.each([
    ['Ab7', 'Db', 'Db major', 'authentic', 'V7 I'],
    ['B7', 'C#m', 'E major', 'deceptive', 'V7 vi'],
    ['Gb', 'Db', 'Db major', 'plagal', 'IV I'],
    ['Gbm', 'Db', 'Db major', 'borrowed plagal', 'iv I'],
    ['Gb', 'Ab', 'Db major', 'half', 'IV V'],
    ['G#dim', 'Am', 'A minor', 'authentic', 'viio i'],
    ['E7', 'F', 'A minor', 'deceptive', 'V7 bVI'],
    ['Dm', 'Am', 'A minor', 'plagal', 'iv i'],
    ['Em', 'Am', 'A minor', '', ''],
    ['C', 'Am', 'C major', '', ''],
  ])('%s %s in %s: %s', (from, to, of, name, figures) => {
    const found = cadenceOf(chord(from), chord(to), key(of));
    expect([found?.name ?? '', found?.figures.join(' ') ?? '']).toEqual([name, figures]);
  });
  test('what colours a mode, and the chord that has it', () => {
    const lydian = modalColour(key('Gb lydian'));
    expect([lydian?.degree, lydian && noteText(lydian.note), lydian?.figure, lydian?.chord.symbol, lydian?.parent.name]).toEqual([
      '#4', 'C', 'II', 'Ab', 'Db major',
    ]); // prettier-ignore
    expect(modalColour(key('C major'))).toBeNull();
    for (const name of ['D dorian', 'E phrygian', 'G mixolydian', 'A minor', 'B locrian', 'F lydian']) {
      const colour = modalColour(key(name));
      expect(colour?.parent.name).toBe('C major');
      expect(colour?.chord.tones.some((tone) => tone.pitchClass === pitchClassOf(colour.note))).toBe(true);
    }
  });
  test('the parallel of Gb major is spelled as F# minor', () => {
    expect([parallelOf(key('Gb major')).name, parallelOf(key('Ab minor')).name, parallelOf(key('E minor')).name]).toEqual([
      'F# minor', 'Ab major', 'E major',
    ]); // prettier-ignore
  });
});
