/** What a student wishes for, and how much of it is held. */
import type { StudentBody, SyllabusBody } from '@finch/contract';

type Course = SyllabusBody['courses'][number];

export interface Wish {
  readonly id: string;
  readonly name: string;
  /** What it is, in one sentence; empty for a single skill. */
  readonly sentence: string;
  readonly held: number;
  readonly of: number;
}

const isHeld = (skills: StudentBody['skills'], id: string): boolean => {
  const state = skills.find(({ skillId }) => skillId === id)?.state;
  return state === 'clean' || state === 'settled';
};

function wishOf(goal: string, skills: StudentBody['skills'], syllabus: SyllabusBody): Wish | null {
  const course = syllabus.courses.find(({ id }) => id === goal);
  const named = course ?? syllabus.skills.find(({ id }) => id === goal);
  if (!named) return null;
  const all = course ? course.skills : [goal];
  const held = all.filter((id) => isHeld(skills, id)).length;
  return { id: goal, name: named.name, sentence: course?.sentence ?? '', held, of: all.length };
}

/** The wishes of a student, in the order they were made. */
export const wishesOf = (
  { goals, skills }: { readonly goals: readonly string[]; readonly skills: StudentBody['skills'] },
  syllabus: SyllabusBody,
): Wish[] => goals.flatMap((goal) => wishOf(goal, skills, syllabus) ?? []);

/** All that may be wished for of a kind, with what is held of each. */
export const offered = (
  kind: Course['kind'],
  skills: StudentBody['skills'],
  syllabus: SyllabusBody,
): Wish[] =>
  syllabus.courses.flatMap((course) =>
    course.kind === kind ? (wishOf(course.id, skills, syllabus) ?? []) : [],
  );

/** With a wish more, or without it. */
export const toggled = (goals: readonly string[], id: string): string[] =>
  goals.includes(id) ? goals.filter((goal) => goal !== id) : [...goals, id];
