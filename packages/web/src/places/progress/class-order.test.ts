import type { ClassBody } from '@finch/contract';
import { classOrder } from './class-order';

const student = (name: string, chances: (number | null)[], marks: number[]) => ({
  id: name,
  name,
  chances,
  states: chances.map(() => 0),
  marks,
});
/** Marks: 1 due, 2 slipping, 4 stuck. */
const body: ClassBody = {
  version: 'v',
  skills: ['em', 'am', 'f', 'thirds', 'waltz'],
  students: [
    student('Ada', [0.9, 0.8, null, null, 0.5], [0, 1, 0, 0, 0]),
    student('Bo', [0.7, 0.6, 0.4, null, null], [1, 3, 0, 0, 0]),
    student('Cy', [0.9, null, 0.3, null, null], [0, 0, 5, 0, 0]),
  ],
};

test('who needs most comes first, and so does the skill that most are stuck in or losing', () => {
  const { students, rows } = classOrder(body, 'needs');
  expect(students.map(({ name, needs }) => [name, needs])).toEqual([
    ['Cy', 12],
    ['Bo', 7],
    ['Ada', 1],
  ]);
  expect(rows.map(({ skillId, needs, met }) => [skillId, needs, met])).toEqual([
    ['f', 1, 2],
    ['am', 1, 2],
    ['em', 0, 3],
  ]);
});

test('cells stand in the order of the students, the gravest mark of each shown', () => {
  const [f, am] = classOrder(body, 'needs').rows;
  expect(f.cells).toEqual([
    { chance: 0.3, mark: 'stuck' },
    { chance: 0.4, mark: null },
    { chance: null, mark: null },
  ]);
  expect(am.cells.map(({ mark }) => mark)).toEqual([null, 'slipping', 'due']);
});

test('what anybody met, and every skill: those that need nobody come last', () => {
  expect(classOrder(body, 'met').rows.map(({ skillId }) => skillId)).toEqual(['f', 'am', 'em', 'waltz']);
  expect(classOrder(body, 'every').rows.map(({ skillId }) => skillId)).toEqual([
    'f',
    'am',
    'em',
    'waltz',
    'thirds',
  ]);
});

test('a studio without students has rows and no cell', () => {
  const { students, rows } = classOrder({ ...body, students: [] }, 'every');
  expect([students, rows.length, rows[0].cells]).toEqual([[], 5, []]);
  expect(classOrder({ ...body, students: [] }, 'met').rows).toEqual([]);
});
