/** Ratings by plain steps (Elo 1978), of students, of a student in a skill, and of items: a judge for others, and one of the voices. */
import { logistic } from '../kernel/number';
import type { PracticeRow } from './row';

const STEP = { pair: 0.6, student: 0.05, item: 0.2 } as const;

export interface Elo {
  /** Logit of a clean try. */
  readonly say: (row: PracticeRow) => number;
  /** A row without tries says nothing. */
  readonly learn: (row: PracticeRow) => void;
}

export function makeElo(): Elo {
  const [pairs, students, items] = [
    new Map<string, number>(),
    new Map<string, number>(),
    new Map<string, number>(),
  ];
  const pairKey = ({ student, skill }: PracticeRow) => `${student}\n${skill}`;
  const own = (row: PracticeRow) => pairs.get(pairKey(row)) ?? students.get(row.student) ?? 0;
  const say = (row: PracticeRow) => own(row) - (items.get(row.item) ?? 0);
  return {
    say,
    learn: (row) => {
      if (row.tries === 0) return;
      const missed = row.clean / row.tries - logistic(say(row));
      pairs.set(pairKey(row), own(row) + STEP.pair * missed);
      students.set(row.student, (students.get(row.student) ?? 0) + STEP.student * missed);
      items.set(row.item, (items.get(row.item) ?? 0) - STEP.item * missed);
    },
  };
}
