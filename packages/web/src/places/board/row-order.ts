/** In which order students stand on the Board: an order one can name and change. */
import type { StudentHead } from '@finch/contract';

export const ROW_ORDERS = ['needs', 'name', 'lesson'] as const;
export type RowOrder = (typeof ROW_ORDERS)[number];
export const ORDER_WORDS: Readonly<Record<RowOrder, string>> = {
  needs: 'who needs me first',
  name: 'by name',
  lesson: 'by next lesson',
};

/** How much a student needs looking at: pain before slipping before stuck before due (weights are ours). */
export function needOf(student: Pick<StudentHead, 'pain' | 'strands'>): number {
  const marks = student.strands.reduce(
    (sum, { marks: { slipping, stuck, due } }) => sum + (slipping ? 4 : 0) + (stuck ? 3 : 0) + (due ? 1 : 0),
    0,
  );
  return marks + (student.pain.status === 'free' ? 0 : 1000);
}

export function inOrder(students: readonly StudentHead[], order: RowOrder): StudentHead[] {
  const byName = (a: StudentHead, b: StudentHead) => a.name.localeCompare(b.name);
  const next = (student: StudentHead) => (student.next ? Date.parse(student.next) : Number.POSITIVE_INFINITY);
  return [...students].sort((a, b) => {
    if (order === 'needs' && needOf(a) !== needOf(b)) return needOf(b) - needOf(a);
    if (order === 'lesson' && next(a) !== next(b)) return next(a) < next(b) ? -1 : 1;
    return byName(a, b);
  });
}
