import type { StudentHead } from '@finch/contract';
import { inOrder, needOf } from './row-order';

const student = (name: string, more: Partial<StudentHead> = {}): StudentHead => ({
  id: name,
  name,
  age: null,
  groups: [],
  leftHanded: false,
  reachMm: null,
  takes: 0,
  lastTakeAt: null,
  pain: { status: 'free' },
  strands: [],
  next: null,
  ...more,
});
const strand = (marks: Partial<StudentHead['strands'][number]['marks']>) => ({
  strandId: 'a',
  chance: null,
  met: 1,
  of: 1,
  marks: { due: false, slipping: false, stuck: false, ...marks },
});
const all = [
  student('Cato', { strands: [strand({ due: true })], next: '2026-06-10T10:00:00.000Z' }),
  student('Ada', { strands: [strand({ stuck: true })] }),
  student('Bram', { pain: { status: 'locked' }, next: '2026-06-09T10:00:00.000Z' }),
  student('Dot', { strands: [strand({ slipping: true })], next: '2026-06-09T10:00:00.000Z' }),
];
const names = (order: Parameters<typeof inOrder>[1]) => inOrder(all, order).map((one) => one.name);

test('who needs the teacher first: pain, slipping, stuck, due', () => {
  expect(names('needs')).toEqual(['Bram', 'Dot', 'Ada', 'Cato']);
  expect(needOf(all[2])).toBeGreaterThan(needOf(all[3]));
});

test('by name, and by next lesson with nobody booked last; names break ties', () => {
  expect(names('name')).toEqual(['Ada', 'Bram', 'Cato', 'Dot']);
  expect(names('lesson')).toEqual(['Bram', 'Dot', 'Cato', 'Ada']);
});
