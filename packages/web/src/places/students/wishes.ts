/** What a student may wish for, and how much of it is held. */
import type { GoalBody, StudentBody, SyllabusBody } from '@finch/contract';

export interface Wish {
  readonly goal: GoalBody;
  /** What it is, in one sentence; empty for a piece and a single skill. */
  readonly sentence: string;
  /** Null for a piece: what it needs is worked out where a lesson is planned. */
  readonly far: Held | null;
}
interface Held {
  readonly held: number;
  readonly of: number;
}

const HELD = ['clean', 'settled'];

/** Held and needed of a skill or a course; null of a piece and of what is no longer there. */
export function heldOf(id: string, skills: StudentBody['skills'], syllabus: SyllabusBody): Held | null {
  const course = syllabus.courses.find((one) => one.id === id);
  const all = course?.skills ?? syllabus.skills.flatMap((one) => (one.id === id ? [id] : []));
  if (all.length === 0) return null;
  const held = all.filter((one) =>
    HELD.includes(skills.find(({ skillId }) => skillId === one)?.state ?? ''),
  ).length;
  return { held, of: all.length };
}

/** All ways in or styles, with what is held of each. */
export const offered = (
  kind: 'way in' | 'style',
  skills: StudentBody['skills'],
  syllabus: SyllabusBody,
): Wish[] =>
  syllabus.courses.flatMap((course) =>
    course.kind === kind
      ? [
          {
            goal: { id: course.id, weight: 'more', kind, name: course.name, on: null, given: false },
            sentence: course.sentence,
            far: heldOf(course.id, skills, syllabus),
          },
        ]
      : [],
  );
