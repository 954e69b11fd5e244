import fc from 'fast-check';
import { averageHand, pitchAt, standardGuitar, type Instrument } from '../fretboard';
import { must } from '../kernel';
import { stagePace } from '../pace';
import {
  majorKeys,
  mod12,
  noteText,
  parseChord,
  parseScale,
  pitchClassOf,
  rootNamed,
  scaleKinds,
  scaleOn,
} from '../theory';
import {
  acrossStrings,
  alongString,
  arpeggioOf,
  inGroups,
  inPosition,
  lineEffort,
  pentatonicBoxes,
  scaleForms,
  scalePairs,
  unstretchedPositions,
  wholeNeck,
  type PlacedNote,
} from '.';

const scale = (name: string) => must(parseScale(name));
const arpeggio = (symbol: string) => arpeggioOf(must(parseChord(symbol)));
const byString = <Note extends PlacedNote>(notes: readonly Note[], say: (note: Note) => string | number) =>
  [6, 5, 4, 3, 2, 1]
    .map(
      (string) =>
        [
          string,
          notes
            .filter((one) => 6 - one.stringIndex === string)
            .map(say)
            .join(' '),
        ] as const,
    )
    .filter(([, text]) => text)
    .map(([string, text]) => `${string}: ${text}`)
    .join(' | ');
const frets = (notes: readonly PlacedNote[]) => byString(notes, (one) => one.fret);
const ukulele: Instrument = { ...standardGuitar, openPitches: [67, 60, 64, 69], frets: 15 };
const fifths: Instrument = { ...standardGuitar, openPitches: [36, 43, 50, 57] };

describe('in one position', () => {
  test.each([
    ['Ab major', 3, '6: 3 4 6 | 5: 3 4 6 | 4: 3 5 6 | 3: 3 5 6 | 2: 4 6 | 1: 3 4 6'],
    ['Eb major', 10, '6: 10 11 13 | 5: 10 11 13 | 4: 10 12 13 | 3: 10 12 13 | 2: 11 13 | 1: 10 11 13'],
    // The open position: nothing is fretted where the next string has it open.
    ['C major', 0, '6: 0 1 3 | 5: 0 2 3 | 4: 0 2 3 | 3: 0 2 | 2: 0 1 3 | 1: 0 1 3'],
    // A# lies between two strings: the index goes back for it, and C# is then the third finger's.
    ['B harmonic minor', 2, '6: 2 3 | 5: 1 2 4 5 | 4: 2 4 5 | 3: 3 4 | 2: 2 3 5 | 1: 2 3'],
  ])('%s in position %d', (name, position, expected) => {
    expect(frets(inPosition(scale(name), position, standardGuitar).notes)).toBe(expected);
  });

  test('an arpeggio is laid as a scale is', () => {
    expect(frets(inPosition(arpeggio('Ebmaj7'), 5, standardGuitar).notes)).toBe(
      '6: 6 | 5: 5 6 | 4: 5 8 | 3: 7 8 | 2: 8 | 1: 6',
    );
  });

  test('fingers are a fret each, and a stretch is the index back or the little finger up', () => {
    const back = inPosition(scale('Ab major'), 5, standardGuitar);
    expect([back.stretched, back.missing]).toEqual([2, 0]);
    expect(byString(back.notes, (one) => `${one.fret}/${one.finger}`)).toBe(
      '6: 6/2 8/4 | 5: 4/1 6/2 8/4 | 4: 5/1 6/2 8/4 | 3: 5/1 6/2 8/4 | 2: 6/2 8/4 | 1: 4/1 6/2 8/4',
    );
    const up = inPosition(scale('Ab major'), 5, standardGuitar, 'little finger up');
    expect(byString(up.notes, (one) => `${one.fret}/${one.finger}`)).toBe(
      '6: 6/2 8/3 9/4 | 5: 6/2 8/4 | 4: 5/1 6/2 8/4 | 3: 5/1 6/2 8/4 | 2: 6/2 8/3 9/4 | 1: 6/2 8/4',
    );
  });

  test('two positions of every major key need no stretch: a fret under the E form’s root, and five frets above that', () => {
    for (const key of majorKeys()) {
      const root = mod12(pitchClassOf(key.tonic) - standardGuitar.openPitches[0]);
      const under = root - 1 < 1 ? root + 11 : root - 1;
      const free = unstretchedPositions(scaleOn(key.tonic, 'major'), standardGuitar).map(mod12);
      expect([key.name, free.includes(mod12(under)), free.includes(mod12(under + 5))]).toEqual([
        key.name,
        true,
        true,
      ]);
    }
  });

  test('every tone of every scale between its lowest and highest note, once, and no finger twice on a string', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...scaleKinds),
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: 1, max: 17 }),
        fc.constantFrom('index back' as const, 'little finger up' as const),
        (kind, pitchClass, position, school) => {
          const tones = scaleOn(rootNamed(pitchClass), kind);
          const { notes, missing } = inPosition(tones, position, standardGuitar, school);
          const pitches = notes.map((one) => one.pitch);
          expect([...pitches].sort((a, b) => a - b)).toEqual(pitches);
          expect(new Set(pitches).size).toBe(pitches.length);
          const sounds = new Set(tones.notes.map(pitchClassOf));
          const wanted = Array.from(
            { length: pitches[pitches.length - 1] - pitches[0] + 1 },
            (_, i) => pitches[0] + i,
          );
          expect(wanted.filter((one) => sounds.has(mod12(one))).length).toBe(pitches.length + missing);
          for (const string of [0, 1, 2, 3, 4, 5]) {
            const fingers = notes
              .filter((one) => one.stringIndex === string && one.fret > 0)
              .map((one) => one.finger);
            if (fingers.length <= 4) expect(new Set(fingers).size).toBe(fingers.length);
            expect([...fingers].sort((a, b) => a - b)).toEqual(fingers);
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  test('on strings a fifth apart it says how many tones nothing reaches, and where strings lie close none comes twice', () => {
    expect(inPosition(scale('C major'), 5, fifths).missing).toBeGreaterThan(0);
    const close = inPosition(scale('C major'), 2, { ...ukulele, openPitches: [60, 62, 64, 69] }).notes;
    expect(new Set(close.map((one) => one.pitch)).size).toBe(close.length);
  });

  test('a position the neck has not is refused', () => {
    expect(() => inPosition(scale('C major'), 20, standardGuitar)).toThrow(RangeError);
    expect(() => inPosition(scale('C major'), -1, standardGuitar)).toThrow(RangeError);
  });
});

describe('across the strings', () => {
  test.each([
    ['Ab major', 3, '6: 4 6 8 | 5: 4 6 8 | 4: 5 6 8 | 3: 5 6 8 | 2: 6 8 9 | 1: 6 8 9', ''],
    ['F minor pentatonic', 2, '6: 1 4 | 5: 1 3 | 4: 1 3 | 3: 1 3 | 2: 1 4 | 1: 1 4', ''],
  ] as const)('%s, %d a string', (name, each, expected, out) => {
    const { notes, leftOut } = acrossStrings(scale(name), standardGuitar, { each });
    expect([frets(notes), leftOut.join()]).toEqual([expected, out]);
  });

  test.each([
    ['Cm7b5', 22, '6: 8 11 | 5: 9 13 | 4: 10 13 | 3: 11 15 | 2: 13 16 | 1: 14 18', ''],
    ['Dbmaj7', 19, '6: 9 13 | 5: 11 15 | 4: 11 15 | 3: 13 17 | 2: 14 18', '1'],
  ])('%s two a string on %d frets', (symbol, last, expected, out) => {
    const neck = { ...standardGuitar, frets: last };
    const { notes, leftOut } = acrossStrings(arpeggio(symbol), neck, { each: 2 });
    expect([frets(notes), leftOut.join()]).toEqual([expected, out]);
  });

  test('three a string: whole-whole 1 2 4 or 1 3 4 by the school, half-whole 1 2 4, whole-half 1 3 4', () => {
    const by = (wholeSteps?: '1 3 4') =>
      byString(
        acrossStrings(scale('Ab major'), standardGuitar, { each: 3, wholeSteps }).notes,
        (one) => one.finger,
      );
    expect(by()).toBe('6: 1 2 4 | 5: 1 2 4 | 4: 1 2 4 | 3: 1 2 4 | 2: 1 3 4 | 1: 1 3 4');
    expect(by('1 3 4')).toBe('6: 1 3 4 | 5: 1 3 4 | 4: 1 2 4 | 3: 1 2 4 | 2: 1 3 4 | 1: 1 3 4');
  });

  test('from another degree, string and fret', () => {
    const { notes } = acrossStrings(scale('C major'), standardGuitar, {
      each: 3,
      from: 4,
      fromString: 5,
      minFret: 7,
    });
    expect(frets(notes)).toBe('5: 10 12 14 | 4: 10 12 14 | 3: 10 12 14 | 2: 12 13 15 | 1: 12 13 15');
    expect(() => acrossStrings(scale('C major'), standardGuitar, { each: 3, from: 7 })).toThrow(RangeError);
    expect(() => acrossStrings(scale('C major'), standardGuitar, { each: 3, fromString: 7 })).toThrow(
      RangeError,
    );
  });

  test('from the first string beyond the last fret on all are left out', () => {
    const short = { ...standardGuitar, frets: 10 };
    const { notes, leftOut } = acrossStrings(scale('F minor pentatonic'), short, { each: 2, from: 3 });
    expect([notes, leftOut]).toEqual([[], [6, 5, 4, 3, 2, 1]]);
  });

  test('consecutive tones of the scale, in every key', () => {
    for (const key of majorKeys()) {
      const { notes } = acrossStrings(scaleOn(key.tonic, 'major'), standardGuitar, { each: 3 });
      notes.forEach((one, i) => i && expect(one.degree).toBe(String((Number(notes[i - 1].degree) % 7) + 1)));
    }
  });
});

describe('on one string', () => {
  test('the hand moves at half steps where it can', () => {
    const { notes, shifts } = alongString(scale('Ab major'), 1, 0, 16, standardGuitar);
    expect(notes.map((one) => `${one.fret}/${one.finger}`).join(' ')).toBe(
      '1/1 3/3 4/1 6/3 8/1 9/2 11/4 13/1 15/3 16/4',
    );
    expect(shifts).toEqual([2, 4, 7]);
  });
  test('what a half step spares is worth a move more elsewhere', () => {
    const { notes } = alongString(scale('Ab major'), 5, 0, 15, standardGuitar);
    expect(notes.map((one) => `${one.fret}/${one.finger}`).join(' ')).toBe(
      '1/1 3/3 4/1 6/3 8/1 10/3 11/1 13/3 15/4',
    );
  });
  test('an open string gives the hand time', () => {
    const { notes } = alongString(scale('E minor'), 1, 0, 12, standardGuitar);
    expect(notes[0].finger).toBe(0);
    expect(notes.map((one) => noteText(one.note)).join(' ')).toBe('E F# G A B C D E');
  });
});

describe('places with names', () => {
  test('every box ends where the next begins', () => {
    for (const name of [
      'F minor pentatonic',
      'C# minor pentatonic',
      'Ab major pentatonic',
      'E minor pentatonic',
    ]) {
      const boxes = pentatonicBoxes(scale(name), standardGuitar);
      expect(boxes.map((one) => one.number).sort()).toEqual([1, 2, 3, 4, 5]);
      boxes.forEach(({ number, notes, joins }, i) => {
        const next = boxes[(i + 1) % 5];
        expect(next.number).toBe((number % 5) + 1);
        const octave = i === 4 ? 12 : 0;
        // Every string: its upper note is the lower one of the next box.
        for (const string of [0, 1, 2, 3, 4, 5]) {
          const upper = notes.filter((one) => one.stringIndex === string)[1];
          const lower = next.notes.filter((one) => one.stringIndex === string)[0];
          expect(upper.fret).toBe(lower.fret + octave);
        }
        expect(joins.length).toBe(6);
      });
    }
    expect(frets(pentatonicBoxes(scale('F minor pentatonic'), standardGuitar)[1].notes)).toBe(
      '6: 4 6 | 5: 3 6 | 4: 3 6 | 3: 3 5 | 2: 4 6 | 1: 4 6',
    );
    // A major pentatonic has the boxes of its relative minor.
    expect(frets(pentatonicBoxes(scale('Ab major pentatonic'), standardGuitar)[0].notes)).toBe(
      frets(pentatonicBoxes(scale('F minor pentatonic'), standardGuitar)[0].notes),
    );
    expect(() => pentatonicBoxes(scale('C major'), standardGuitar)).toThrow(RangeError);
  });

  test('a box is fingered by where the hand lies', () => {
    const [, second] = pentatonicBoxes(scale('F minor pentatonic'), standardGuitar);
    expect(byString(second.notes, (one) => one.finger)).toBe(
      '6: 2 4 | 5: 1 4 | 4: 1 4 | 3: 1 3 | 2: 2 4 | 1: 2 4',
    );
  });

  test('five forms, C A G E D, each two or three frets above the one before', () => {
    for (const key of majorKeys()) {
      const forms = scaleForms(scaleOn(key.tonic, 'major'), standardGuitar);
      const round = 'CAGED'.repeat(2);
      expect(round).toContain(forms.map((one) => one.form).join(''));
      forms.forEach((one, i) => i && expect([2, 3]).toContain(one.position - forms[i - 1].position));
      for (const one of forms) expect([key.name, one.form, one.missing]).toEqual([key.name, one.form, 0]);
    }
    expect(scaleForms(scale('Ab major'), standardGuitar).map((one) => `${one.form}${one.position}`)).toEqual([
      'G1', 'E3', 'D5', 'C8', 'A10',
    ]); // prettier-ignore
    // The E form of F minor lies at the nut, not an octave up.
    expect(scaleForms(scale('F minor'), standardGuitar)[0]).toMatchObject({ form: 'E', position: 1 });
    // With a minor third the hand lies a fret higher where that needs fewer stretches.
    expect(scaleForms(scale('F minor'), standardGuitar).map((one) => `${one.form}${one.position}`)).toEqual([
      'E1', 'D3', 'C5', 'A8', 'G10',
    ]); // prettier-ignore
    expect(scaleForms(scale('C major'), ukulele)).toEqual([]);
  });
});

describe('pairs', () => {
  const pairs = (
    ...[name, kind, strings, between]: [
      string,
      'thirds' | 'sixths' | 'tenths' | 'octaves',
      [number, number],
      [number, number],
    ]
  ) =>
    scalePairs(scale(name), kind, strings, between, standardGuitar)
      .map(({ low, high }) => `${low.fret}/${high.fret}`)
      .join(' ');
  test.each([
    [['E major', 'thirds', [3, 2], [1, 9]], '1/0 2/2 4/4 6/5 8/7 9/9'],
    [['Ab major', 'sixths', [3, 1], [1, 8]], '1/1 3/3 5/4 6/6 8/8'],
    [['D major', 'tenths', [5, 2], [4, 12]], '4/5 5/7 7/8 9/10 10/12 12/14'],
    [['C major', 'octaves', [5, 3], [0, 5]], '0/2 2/4 3/5 5/7'],
  ] as const)('%j', (asked, expected) => {
    expect(pairs(...(asked as unknown as Parameters<typeof pairs>))).toBe(expected);
  });
  test('fingers: side by side on one fret the thicker string takes the lower', () => {
    const found = scalePairs(scale('E major'), 'thirds', [3, 2], [1, 9], standardGuitar);
    expect(found.map(({ low, high }) => `${low.finger}${high.finger}`)).toEqual([
      '10',
      '23',
      '23',
      '21',
      '21',
      '23',
    ]);
  });
  test('what no hand spans is left out, and strings the wrong way round are refused', () => {
    expect(pairs('C major', 'octaves', [3, 2], [8, 12])).toBe('');
    expect(() => scalePairs(scale('C major'), 'thirds', [2, 3], [0, 9], standardGuitar)).toThrow(RangeError);
  });
});

test('a scale of one note is laid, and refused where it has no boxes or pairs', () => {
  const one = { ...scale('C major'), name: 'one', degrees: ['1'], notes: [scale('C major').notes[0]] };
  expect(frets(inPosition(one, 5, standardGuitar).notes)).toBe('6: 8 | 3: 5 | 1: 8');
  expect(acrossStrings(one, standardGuitar, { each: 2 }).notes.every((each) => each.degree === '1')).toBe(
    true,
  );
  expect(alongString(one, 2, 0, 15, standardGuitar).notes.map((each) => each.fret)).toEqual([1, 13]);
  expect(() => pentatonicBoxes(one, standardGuitar)).toThrow(RangeError);
});

test('groups of four up a scale', () => {
  const notes = [...scale('Db major').notes, ...scale('Db major').notes].map(noteText);
  const said = (size: number) => inGroups(notes, size).map((group) => group.join(' '));
  expect(said(4).slice(0, 4).join(' | ')).toBe('Db Eb F Gb | Eb F Gb Ab | F Gb Ab Bb | Gb Ab Bb C');
  expect(inGroups(notes.slice(0, 3), 4)).toEqual([]);
});

test('the whole neck is every place of every tone', () => {
  const all = wholeNeck(scale('D dorian'), standardGuitar, 12);
  // Seven a string from fret 0 to 11, and the open ones again at fret 12.
  expect(all.length).toBe(6 * 7 + all.filter((one) => one.fret === 0).length);
  for (const one of all)
    expect(mod12(pitchAt(standardGuitar, one.stringIndex, one.fret))).toBe(pitchClassOf(one.note));
});

describe('effort of a line', () => {
  const line = (name: string, position: number) => inPosition(scale(name), position, standardGuitar).notes;
  const asked = (pace = stagePace('some years'), sizeFactor = 1, limit = 60) => ({
    hand: { ...averageHand, sizeFactor },
    instrument: standardGuitar,
    limit,
    pace,
  });
  test('a stretch costs more than none, a small hand more than a middle one, the first frets more than the tenth', () => {
    const free = lineEffort(line('Ab major', 3), asked()).points;
    expect(lineEffort(line('Ab major', 5), asked()).points).toBeGreaterThan(free);
    expect(lineEffort(line('Ab major', 3), asked(undefined, 0.85)).points).toBeGreaterThan(free);
    expect(lineEffort(line('Eb major', 10), asked()).points).toBeLessThan(free);
  });
  test('how fast follows the hand: two notes a second after a month, about four after a year, eight after five', () => {
    const rate = (stage: Parameters<typeof stagePace>[0]) =>
      lineEffort(line('Eb major', 10), asked(stagePace(stage))).notesPerSecond ?? 0;
    expect(rate('first month')).toBeCloseTo(2, 0);
    expect(rate('first year')).toBeCloseTo(4, 0);
    expect(rate('some years')).toBeCloseTo(8, 0);
  });
  test('where no stretch joins two notes the hand moves: nothing is out of reach', () => {
    const at = (frets: readonly (readonly [string: number, fret: number, finger: number])[]) =>
      frets.map(([string, fret, finger]) => ({
        ...line('Eb major', 10)[0], stringIndex: 6 - string, fret, finger,
      })); // prettier-ignore
    // Index and little finger on two strings, six frets apart.
    expect(lineEffort(at([[6, 1, 1], [5, 7, 4]]), asked()).points).toBeLessThan(40); // prettier-ignore
    // Neither note beside the one in between, but beside the first: the hand has drifted.
    expect(lineEffort(at([[6, 1, 1], [5, 3, 2], [5, 7, 4]]), asked(undefined, 0.7)).points).toBeLessThan(60); // prettier-ignore
  });
  test('a move of the hand costs as two crossings in eight notes', () => {
    const note = (fret: number) => ({ ...line('Ab major', 3)[0], fret, finger: 1 });
    const points = (...frets: readonly number[]) => lineEffort(frets.map(note), asked()).points;
    expect(points(3, 8) - points(3, 3)).toBeCloseTo(3, 6);
    expect(points(3, 8, 3) - points(3, 3, 3)).toBeCloseTo(6, 6);
  });
  test('a move of the hand costs, and over the limit there is no tempo', () => {
    const moved = alongString(scale('Ab major'), 1, 1, 16, standardGuitar).notes;
    const still = line('Ab major', 3);
    expect(lineEffort(moved, asked()).points).toBeGreaterThan(
      lineEffort(still.slice(0, moved.length), asked()).points,
    );
    expect(lineEffort(still, asked(undefined, 1, 1)).notesPerSecond).toBeNull();
  });
});
