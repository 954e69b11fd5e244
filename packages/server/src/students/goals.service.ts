/** What a student plays toward: what was wished for, and the pieces with a concert ahead in which a part was given to them. */
import type { GoalBody } from '@finch/contract';
import { dayReader } from '@finch/core/mastery';
import type { Goal } from '@finch/core/planning';
import type { PartKind } from '@finch/core/score';
import type { Syllabus } from '@finch/core/syllabus';
import { differenceInCalendarDays } from 'date-fns';
import type { EntityManager } from 'typeorm';
import { piecesToward, type PieceToward } from '../pieces/pieces.service';
import type { StudentRecord } from './students.repository';

/** A piece somebody plays toward; what it needs of their hand is worked out where they are planned for. */
export interface PieceGoal extends Omit<Goal, 'skills'> {
  readonly chart: string;
  readonly locks: PieceToward['locks'];
  readonly part: PartKind;
}

export interface AskedGoals {
  readonly goals: readonly Goal[];
  readonly pieces: readonly PieceGoal[];
}

type Asked = Pick<StudentRecord, 'id' | 'goals' | 'timeZone'>;

/** The pieces that these students play toward. @param now ms since 1970 */
export function piecesOf(
  manager: EntityManager,
  students: readonly Asked[],
  now: number,
): Promise<PieceToward[]> {
  const ids = students.flatMap(({ goals }) => goals.map(({ id }) => id));
  const days = students.map(({ timeZone }) => dayReader(timeZone)(now));
  return piecesToward(manager, ids, days.toSorted()[0] ?? '9999-12-31');
}

/** Goals in the order they were wished for, then the parts that were given. What is no longer there is left out. */
export function goalsOf(
  { id: studentId, goals, timeZone }: Asked,
  { skills, courses }: Pick<Syllabus, 'skills' | 'courses'>,
  pieces: readonly PieceToward[],
  now: number,
): GoalBody[] {
  const today = dayReader(timeZone)(now);
  const dayOf = (piece: PieceToward) =>
    piece.concert && piece.concert.day >= today ? piece.concert.day : null;
  const wished = goals.flatMap(({ id, weight }): GoalBody[] => {
    const piece = pieces.find((one) => one.id === id);
    if (piece) return [{ id, weight, kind: 'piece', name: piece.title, on: dayOf(piece), given: false }];
    const course = courses.find((one) => one.id === id);
    const named = course ?? skills.find((one) => one.id === id);
    return named
      ? [{ id, weight, kind: course?.kind ?? 'skill', name: named.name, on: null, given: false }]
      : [];
  });
  const given = pieces.flatMap((piece): GoalBody[] => {
    const on = dayOf(piece);
    if (on === null || piece.parts[studentId] === undefined || goals.some(({ id }) => id === piece.id))
      return [];
    return [{ id: piece.id, weight: 'more', kind: 'piece', name: piece.title, on, given: true }];
  });
  return [...wished, ...given];
}

/** The same, as the planner takes them. */
export function askedGoals(
  student: Asked,
  syllabus: Pick<Syllabus, 'skills' | 'courses'>,
  pieces: readonly PieceToward[],
  now: number,
): AskedGoals {
  const today = dayReader(student.timeZone)(now);
  const found = goalsOf(student, syllabus, pieces, now).map(({ id, name, weight, kind, on }) => ({
    kind,
    goal: {
      id,
      name,
      weight,
      day: on === null ? null : { on, ahead: differenceInCalendarDays(on, today) },
    },
  }));
  return {
    goals: found.flatMap(({ kind, goal }) =>
      kind === 'piece'
        ? []
        : [{ ...goal, skills: syllabus.courses.find(({ id }) => id === goal.id)?.skills ?? [goal.id] }],
    ),
    pieces: found.flatMap(({ goal }): PieceGoal[] => {
      const piece = pieces.find(({ id }) => id === goal.id);
      return piece
        ? [{ ...goal, chart: piece.chart, locks: piece.locks, part: piece.parts[student.id] ?? 'full' }]
        : [];
    }),
  };
}
