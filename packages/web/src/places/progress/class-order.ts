/** All skills by all students, in the order of what needs the teacher: stuck before slipping before due, most of it first. */
import type { ClassBody } from '@finch/contract';
import { MARK_BITS } from '@finch/contract';

export interface ClassCell {
  readonly chance: number | null;
  readonly mark: 'stuck' | 'slipping' | 'due' | null;
}
interface ClassRow {
  readonly skillId: string;
  readonly cells: readonly ClassCell[];
  /** Students who met it, and of them who is stuck in it or losing it. */
  readonly met: number;
  readonly needs: number;
}
export interface ClassOrder {
  /** In the order of the cells of a row. */
  readonly students: readonly { readonly id: string; readonly name: string; readonly needs: number }[];
  readonly rows: readonly ClassRow[];
}

/** One student stuck weighs as much as a dozen who are due (our assumption). */
const WEIGHT = { stuck: 12, slipping: 6, due: 1 } as const;

const markOf = (bits: number): ClassCell['mark'] => {
  if (bits & MARK_BITS.stuck) return 'stuck';
  if (bits & MARK_BITS.slipping) return 'slipping';
  return bits & MARK_BITS.due ? 'due' : null;
};
const weightOf = ({ mark }: ClassCell): number => (mark ? WEIGHT[mark] : 0);
const isUrgent = ({ mark }: ClassCell): boolean => mark === 'stuck' || mark === 'slipping';

/** @param only what needs the teacher, what anybody met, or every skill of the syllabus */
export function classOrder(body: ClassBody, only: 'needs' | 'met' | 'every'): ClassOrder {
  const columns = body.students.map(({ id, name, chances, marks }) => {
    const cells = body.skills.map((_, i): ClassCell => ({ chance: chances[i], mark: markOf(marks[i]) }));
    return { id, name, cells, needs: cells.reduce((sum, cell) => sum + weightOf(cell), 0) };
  });
  columns.sort((a, b) => b.needs - a.needs || a.name.localeCompare(b.name));
  const rows = body.skills.map((skillId, i) => {
    const cells = columns.map((column) => column.cells[i]);
    return {
      skillId,
      cells,
      met: cells.filter(({ chance }) => chance !== null).length,
      needs: cells.filter(isUrgent).length,
      weight: cells.reduce((sum, cell) => sum + weightOf(cell), 0),
    };
  });
  return {
    students: columns.map(({ id, name, needs }) => ({ id, name, needs })),
    rows: rows
      .filter(({ met, weight }) => only === 'every' || (only === 'met' ? met > 0 : weight > 0))
      .sort((a, b) => b.weight - a.weight || b.met - a.met)
      .map(({ weight: _, ...row }) => row),
  };
}
