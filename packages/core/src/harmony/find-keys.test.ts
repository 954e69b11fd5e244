import fc from 'fast-check';
import { must } from '../kernel';
import {
  chordOfNumeral,
  majorKeys,
  minorKeys,
  noteAtDegree,
  noteText,
  parseChord,
  pitchClassOf,
  transposeChord,
} from '../theory';
import { findKeys, keysThrough, MOST_CHORDS } from '.';

const chords = (text: string) => text.split(' ').map((one) => must(parseChord(one)));
const first = (text: string) => findKeys(chords(text))[0];
const said = (text: string) => {
  const { key, numerals, foreign } = first(text);
  return `${key.name}: ${numerals.join(' ')}; ${foreign.join(' ') || 'none'}`;
};

test.each([
  // Worked examples.
  ['Bbm7 Eb7 Abmaj7', 'Ab major: ii7 V7 Imaj7; none'],
  ['Gb Ebm Cb Db', 'Gb major: I vi IV V; none'],
  ['Bb Bdim7 Cm7 F7 Bb', 'Bb major: I viio7/ii ii7 V7 I; Bdim7'],
  // The same by any of the names of its diminished chord.
  ['Bb Ddim7 Cm7 F7 Bb', 'Bb major: I viio7/ii ii7 V7 I; Ddim7'],
  ['C A7 Dm G7 C', 'C major: I V7/ii ii V7 I; A7'],
  // A minor seventh on its own root only delays it.
  ['C D7 Dm7 G7 C', 'C major: I V7/V ii7 V7 I; D7'],
  ['C A7 Dm7 G7', 'C major: I V7/ii ii7 V7; A7'],
  // A round leads from its last chord to its first.
  ['Dm7 G7 C A7', 'C major: ii7 V7 I V7/ii; A7'],
  ['F D7 Gm A7 Dm', 'D minor: bIII V7/iv iv V7 i; D7 A7'],
  ['C Bm7b5 E7 Am Dm G7 C', 'C major: I viim7b5 V7/vi vi ii V7 I; E7'],
  ['G Gm7 C7 F G C G', 'C major: V ii7/IV V7/IV IV V I V; Gm7 C7'],
  ['C Fm C G7 C', 'C major: I iv I V7 I; Fm'],
  ['C Ab Bb G C', 'C major: I bVI bVII V I; Ab Bb'],
  ['Dm7 Db7 Cmaj7', 'C major: ii7 subV7/I Imaj7; Db7'],
  ['Am Dm E7 Am', 'A minor: i iv V7 i; E7'],
  ['F#m D A E F#m', 'F# minor: i bVI bIII bVII i; none'],
  ['Cm Fdim7 G7 Cm', 'C minor: i ivo7 V7 i; Fdim7 G7'],
  ['A7 D7 A7 E7 D7 A7', 'A major: I7 IV7 I7 V7 IV7 I7; A7 D7'],
  ['D7 G7 C', 'C major: V7/V V7 I; D7'],
] as const)('%s is in %s', (text, expected) => expect(said(text)).toBe(expected));

test('one chord is a tie of its three major keys, and stays one', () => {
  const found = findKeys(chords('Gb'));
  const best = found.filter((one) => one.points === found[0].points);
  expect(found[0].lead).toBe('tie');
  expect(best.map((one) => `${one.key.name} = ${one.numerals.join(' ')}`).sort()).toEqual([
    'Cb major = V',
    'Db major = IV',
    'Gb major = I',
  ]);
});

test('a lead of one or two points is close, three are clear', () => {
  expect(first('Bbm7 Eb7 Abmaj7').lead).toBe('clear');
  const close = findKeys(chords('Am F C G'));
  expect(close[0].lead).not.toBe('clear');
  expect(
    close
      .slice(0, 2)
      .map((one) => one.key.name)
      .sort(),
  ).toEqual(['A minor', 'C major']);
});

test('a vamp rests in its mode', () => {
  const names = (text: string) => {
    const found = findKeys(chords(text));
    return found.filter((one) => one.points === found[0].points).map((one) => one.key.name);
  };
  expect(names('Dm7 G7 Dm7 G7 Dm7')).toContain('D dorian');
  expect(names('G F G F G')).toContain('G mixolydian');
  expect(names('C D C D C')).toContain('C lydian');
  // With the parent's cadence in it, it is the parent's.
  expect(names('Dm7 G7 C Dm7')).toEqual(['C major']);
  expect(findKeys(chords('Dm7 G7 C Dm7')).map((one) => one.key.name)).not.toContain('D dorian');
});

test.each([
  // Four a chord; then first, last, close and what prepares V, from three chords on.
  ['C F', 'C major', 8],
  ['C Em F', 'C major', 13],
  ['C Dm G7 Am', 'C major', 18],
  ['C F G7 C', 'C major', 21],
  ['Am Dm E7 Am', 'A minor', 21],
  ['C Am F', 'A minor', 12],
  ['C G F', 'A minor', 10],
  ['F# Gb F#', 'F# major', 13],
])('%s in %s has %d points', (text, name, points) => {
  expect(findKeys(chords(text)).find((one) => one.key.name === name)?.points).toBe(points);
});

test('of two keys that sound alike the better spelt stays', () => {
  const names = findKeys(chords('F# B C#7 F#')).map((one) => one.key.name);
  expect(names[0]).toBe('F# major');
  expect(names).not.toContain('Gb major');
  expect(first('Gb Cb Db7 Gb').key.name).toBe('Gb major');
});

test('what is foreign is said in notes', () => {
  const { chords: read } = first('C A7 Dm7 G7');
  expect(read.map((one) => [one.reading, one.foreign.map(noteText).join(' ')])).toEqual([
    ['diatonic', ''],
    ['applied', 'C#'],
    ['diatonic', ''],
    ['diatonic', ''],
  ]);
  // Proof: where these four may live, and what each key lacks.
  const found = findKeys(chords('Dm7 G7 Em7 A7'));
  expect(found.slice(0, 2).map((one) => [one.key.name, one.foreign])).toEqual([
    ['C major', ['A7']],
    ['D minor', ['G7', 'Em7', 'A7']],
  ]);
});

test('a progression of a key is found again in every key, with the numbers it was made of', () => {
  const of = {
    major: ['I vi ii7 V7 I', 'I IV V7 I', 'Imaj7 V7/ii ii7 V7 Imaj7'],
    minor: ['i iv V7 i', 'i iim7b5 V7 i'],
  };
  for (const kind of ['major', 'minor'] as const)
    for (const key of kind === 'major' ? majorKeys() : minorKeys())
      for (const numbers of of[kind]) {
        const made = numbers.split(' ').map((one) => must(chordOfNumeral(one, key.name)));
        const [found] = findKeys(made);
        expect([found.key.name, found.numerals.join(' ')]).toEqual([key.name, numbers]);
      }
});

test('transposed, the ranking is transposed', () => {
  const pool = 'C Dm7 Em F G7 Am Bm7b5 A7 Fm D7 E7 Bb Ebmaj7 F#dim7'.split(' ');
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...pool), { minLength: 1, maxLength: 10 }), (text) => {
      const own = text.map((one) => must(parseChord(one)));
      const up = own.map((one) => transposeChord(one, noteAtDegree(one.root, '5')));
      const [[a], [b]] = [findKeys(own), findKeys(up)];
      expect([b.points, b.lead]).toEqual([a.points, a.lead]);
      const shape = ({ key }: typeof a, by: number) => [(pitchClassOf(key.tonic) + by) % 12, key.kind];
      if (a.lead !== 'tie') expect(shape(b, 0)).toEqual(shape(a, 7));
    }),
    { numRuns: 150 },
  );
});

test('nothing for nothing, silence is passed over, and too many are refused', () => {
  expect(findKeys([])).toEqual([]);
  expect(findKeys(chords('N.C.'))).toEqual([]);
  expect(said('Bbm7 N.C. Eb7 Abmaj7')).toBe('Ab major: ii7 V7 Imaj7; none');
  expect(() => findKeys(chords(Array.from({ length: MOST_CHORDS + 1 }, () => 'C').join(' ')))).toThrow(
    RangeError,
  );
});

describe('two keys in one progression', () => {
  test.each([
    ['C F G7 C Am D7 G C D7 G', 'C major 0-3 | G major 4-9 pivot 4'],
    ['Ab Bbm7 Eb7 Ab Cm7 F7 Bb Eb F7 Bb', 'Ab major 0-3 | Bb major 4-9 pivot 4'],
    ['C Am F G7 C', 'C major 0-4'],
    ['C A7 Dm G7 C', 'C major 0-4'],
  ] as const)('%s: %s', (text, expected) => {
    const stretches = keysThrough(chords(text)).map(
      ({ key, from, to, pivot }) => `${key.name} ${from}-${to}${pivot === null ? '' : ` pivot ${pivot}`}`,
    );
    expect(stretches.join(' | ')).toBe(expected);
  });
});
