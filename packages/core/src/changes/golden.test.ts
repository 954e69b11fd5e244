/**
 * Thirty grips and thirty changes with the exact parts of their grades, in a table that is committed. It changes only
 * together with the version of its model: `UPDATE_GOLDEN=1 npx jest --selectProjects core --testPathPatterns golden` writes
 * it anew, and refuses where numbers moved and the version did not.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { EFFORT_MODEL_VERSION, gradeGrip } from '../effort';
import { averageHand, makeHand, standardGuitar, type Hand } from '../fretboard';
import { parseFrets } from '../grips';
import { must } from '../kernel';
import { CHANGE_MODEL_VERSION } from './constants';
import { gradeChange } from './grade-change';

const FILE = join(__dirname, 'grades.golden.json');
const DIGITS = 9;
const smallHand = must(makeHand({ sizeFactor: 0.72 }));
const hands: Readonly<Record<string, Hand>> = {
  average: averageHand,
  small: smallHand,
  'thumb over': must(makeHand({ thumbOver: true })),
};

/** Open chords, barres of two forms, sevenths, spread and high ones, three and four strings, thumb, stretches. */
const GRIPS = [
  'x32010',
  '320003',
  'xx0232',
  'x02220',
  '022100',
  'x02210',
  'xx0231',
  '022000',
  '133211',
  'x13331',
  '355333',
  'x24432',
  '577555',
  'x35453',
  '3x443x',
  'x2322x',
  'xx0211',
  'x32030',
  '200002',
  'x0221x',
  '8x788x',
  'x79888',
  'xx2213',
  'x x 10 12 10 10',
  '12 14 14 13 12 12',
  '1x122x',
  'x46654',
  '244222',
  'x5755x',
  '467654',
];
const SMALL = ['133211', 'x32010', '320003', '577555', 'xx2213'];
const CHANGES = [
  ['x32010', '320003'],
  ['320003', 'xx0232'],
  ['x02210', 'x32010'],
  ['022000', 'x32010'],
  ['x02220', 'xx0232'],
  ['022100', 'x02220'],
  ['x32010', '133211'],
  ['133211', 'x02210'],
  ['133211', '355333'],
  ['x13331', 'x35553'],
  ['xx0232', 'x02210'],
  ['xx0231', 'x02210'],
  ['x35453', 'x57565'],
  ['3x443x', 'x2322x'],
  ['x24432', '022100'],
  ['577555', '133211'],
  ['12 14 14 13 12 12', '133211'],
  ['022000', '320003'],
  ['x02210', '133211'],
  ['320003', 'x32010'],
  ['x32010', 'x32030'],
  ['022100', '133211'],
  ['8x788x', 'x79888'],
  ['xx0211', 'x02220'],
  ['244222', 'x24432'],
  ['x5755x', '355333'],
  ['467654', 'x46654'],
  ['200002', 'xx0232'],
  ['1x122x', '3x333x'],
  ['x0221x', 'x02210'],
];
const frets = (text: string) => must(parseFrets(text));
const round = (value: number) => Number(value.toFixed(DIGITS));

const gripRows = [
  ...GRIPS.map((grip) => ['average', grip]),
  ...SMALL.map((grip) => ['small', grip]),
  ['thumb over', '200232'],
  ['thumb over', '133211'],
].map(([hand, grip]) => {
  const { points, parts, fingering, ties } = must(gradeGrip(frets(grip), hands[hand], standardGuitar));
  return {
    grip: `${grip}, ${hand}`,
    points: round(points),
    ties: ties.length,
    fingers: fingering.fingers.map((finger) => finger ?? 'x').join(' '),
    parts: Object.fromEntries(
      parts.filter((part) => part.points !== 0).map((part) => [part.name, round(part.points)]),
    ),
  };
});
const changeRows = CHANGES.map(([from, to]) => {
  const { seconds, tempoBpm, parts } = must(gradeChange(frets(from), frets(to), averageHand, standardGuitar));
  return {
    change: `${from} to ${to}`,
    seconds: round(seconds),
    tempoBpm: round(tempoBpm),
    parts: Object.fromEntries(
      parts.filter((part) => part.seconds !== 0).map((part) => [part.name, round(part.seconds)]),
    ),
  };
});

interface Table {
  readonly effort: { readonly version: string; readonly rows: typeof gripRows };
  readonly change: { readonly version: string; readonly rows: typeof changeRows };
}
const now: Table = {
  effort: { version: EFFORT_MODEL_VERSION, rows: gripRows },
  change: { version: CHANGE_MODEL_VERSION, rows: changeRows },
};
const read = (): Table => JSON.parse(readFileSync(FILE, 'utf8')) as Table;

if (process.env.UPDATE_GOLDEN)
  test('the table is written anew where the version is another', () => {
    for (const model of ['effort', 'change'] as const) {
      const before = read()[model];
      if (before.version === now[model].version) expect(now[model].rows).toEqual(before.rows);
    }
    writeFileSync(FILE, `${JSON.stringify(now, null, 1)}\n`);
  });

test('each part adds up, and there are thirty of both', () => {
  expect(GRIPS).toHaveLength(30);
  expect(CHANGES).toHaveLength(30);
  for (const row of gripRows)
    expect(Object.values(row.parts).reduce((sum, part) => sum + part, 0)).toBeCloseTo(row.points, 6);
  for (const row of changeRows)
    expect(Object.values(row.parts).reduce((sum, part) => sum + part, 0)).toBeCloseTo(row.seconds, 6);
});

test.each(gripRows.map((row, i) => [row.grip, i] as const))('%s is graded as in the table', (_, i) => {
  expect(read().effort.version).toBe(EFFORT_MODEL_VERSION);
  expect(gripRows[i]).toEqual(read().effort.rows[i]);
});

test.each(changeRows.map((row, i) => [row.change, i] as const))('%s is timed as in the table', (_, i) => {
  expect(read().change.version).toBe(CHANGE_MODEL_VERSION);
  expect(changeRows[i]).toEqual(read().change.rows[i]);
});
