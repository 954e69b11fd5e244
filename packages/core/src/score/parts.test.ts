import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { DEFAULT_LIMITS, NOTHING_ON_RECORD, playedBy, taughtHand } from '../hands';
import { must } from '../kernel';
import { parseChord } from '../theory';
import { assignParts, partsOf, pieceDemand, readChart, tellingTones, writtenChords, type Player } from '.';

const { piece } = readChart('key: Db\ntempo: 80\n| Db | Bbm7 | Gbmaj7 | Ab7 | N.C. | Db |');
const options = { hand: averageHand, instrument: standardGuitar, candidates: 10 };
const parts = partsOf(piece, options);
const player = (id: string, gripEffort: number, size = 1): Player => ({
  id,
  taught: {
    ...taughtHand(NOTHING_ON_RECORD, 0),
    hand: must(makeHand({ sizeFactor: size })),
    limits: { ...DEFAULT_LIMITS, gripEffort },
  },
});

test.each([
  ['Db', 5, 1], // F and Db
  ['Bbm7', 1, 8], // Db and Ab
  ['Gbmaj7', 10, 5], // Bb and F
  ['G7sus4', 0, 5], // C and F
  ['C6', 4, 9], // E and A
] as const)('%s is told by two notes', (symbol, third, other) => {
  expect(tellingTones(must(parseChord(symbol)))).toEqual([third, other]);
});

test('each lighter part is lighter: full, behind a capo, two notes', () => {
  expect(parts.map((part) => part.kind)).toEqual(['full', 'capo', 'two notes']);
  const [full, capo, two] = parts;
  expect(capo.meanEffort).toBeLessThan(full.meanEffort);
  expect(two.heaviest).toBeLessThan(full.heaviest);
  expect(capo.capo).toBeGreaterThan(0);
});

test('the two notes are the telling ones, on strings 4 and 3, and move little', () => {
  const two = parts[2];
  const chords = writtenChords(piece);
  let last: readonly (number | null)[] | null = null;
  two.grips.forEach((grip, i) => {
    const tones = tellingTones(must(parseChord(chords[i].chord)));
    expect(grip === null).toBe(tones === null);
    if (!grip || !tones) return;
    expect(grip.flatMap((fret, s) => (fret === null ? [] : [s]))).toEqual([2, 3]);
    const sounding = [50 + (grip[2] ?? 0), 55 + (grip[3] ?? 0)].map((pitch) => pitch % 12);
    expect([...sounding].sort()).toEqual([...tones].sort());
    if (last) expect(Math.abs((grip[2] ?? 0) - (last[2] ?? 0))).toBeLessThanOrEqual(4);
    last = grip;
  });
});

describe('who plays what', () => {
  test('each the fullest part inside the limit, on grips inside it', () => {
    const found = assignParts(piece, [player('strong', 100), player('careful', 45), player('light', 20)]);
    expect(found.players.map((one) => [one.part.kind, one.why])).toEqual([
      ['full', 'fullest'],
      ['full', 'fullest'],
      ['capo', 'fullest'],
    ]);
    const [strong, careful, light] = found.players.map((one) => one.part);
    expect(strong.heaviest).toBeGreaterThan(45);
    expect(careful.heaviest).toBeLessThanOrEqual(45);
    expect(light.heaviest).toBeLessThanOrEqual(20);
    expect(found.covered).toBe(true);
  });

  test('somebody plays all notes even where it is over the limit, and it is said', () => {
    const heavy = readChart('| C#dim7 | F#7#9 |').piece;
    const found = assignParts(heavy, [player('a', 10), player('b', 10)]);
    expect(found.covered).toBe(true);
    expect(found.players.map((one) => [one.part.kind, one.why, one.overLimit])).toEqual([
      ['full', 'harmony', true],
      ['two notes', 'lightest', true],
    ]);
  });

  test('the full part has the very grips and the tempo its chart shows', () => {
    const { taught } = player('a', 60);
    const of = { ...playedBy(taught), locked: [{ frets: must(parseFrets('x43121')) }] };
    const demand = pieceDemand(piece, of);
    const [full] = partsOf(piece, of);
    expect(full.grips).toEqual(demand.chords.map((one) => one.step.grip?.frets ?? null));
    const { tempoShare, cleanShare, readyShare } = demand;
    expect(full).toMatchObject({ tempoShare, cleanShare, readyShare });
  });

  test('what is locked stays, and the rest is solved around it', () => {
    const short = readChart('| Db | Bbm7 |').piece;
    const found = assignParts(short, [player('a', 100), player('b', 100)], { a: 'two notes' });
    expect(found.players.map((one) => [one.part.kind, one.why])).toEqual([
      ['two notes', 'locked'],
      ['full', 'fullest'],
    ]);
    const both = assignParts(short, [player('a', 100)], { a: 'two notes' });
    expect(both.covered).toBe(false);
  });
});
