/**
 * Who may do what, in one table. A right may hold for every student of the studio, for one's own student
 * alone, or not at all. A guardian reads; a self-taught player is teacher and student in one person.
 */
import type { Role } from '@finch/contract';
import { Refusal } from '../platform/problems';

export type Right =
  | 'board.read'
  | 'student.read'
  | 'report.read'
  | 'student.add'
  | 'student.write'
  | 'student.merge'
  | 'student.erase'
  | 'hand.write'
  | 'note.read'
  | 'note.write'
  | 'plan.propose'
  | 'lesson.read'
  | 'lesson.write'
  | 'home.assign'
  | 'homework.read'
  | 'practice.read'
  | 'take.log'
  | 'take.log-heard'
  | 'mastery.override'
  | 'pain.clear'
  | 'question.ask'
  | 'question.answer'
  | 'studio.name'
  | 'school.read'
  | 'school.studio'
  | 'school.teacher'
  | 'school.student'
  | 'mark.write'
  | 'hook.write'
  | 'piece.read'
  | 'piece.write'
  | 'syllabus.read'
  | 'syllabus.write'
  | 'letter.read'
  | 'letter.write';

type Reach = 'all' | 'own';

const TEACHER: Partial<Record<Right, Reach>> = {
  'board.read': 'all',
  'student.read': 'all',
  'report.read': 'all',
  'student.add': 'all',
  'student.write': 'all',
  'student.merge': 'all',
  'note.read': 'all',
  'hand.write': 'all',
  'note.write': 'all',
  'plan.propose': 'all',
  'lesson.read': 'all',
  'lesson.write': 'all',
  'home.assign': 'all',
  'homework.read': 'all',
  'practice.read': 'all',
  'take.log': 'all',
  'take.log-heard': 'all',
  'mastery.override': 'all',
  'pain.clear': 'all',
  'question.answer': 'all',
  'school.read': 'all',
  'school.teacher': 'all',
  'school.student': 'all',
  'mark.write': 'all',
  'hook.write': 'all',
  'piece.read': 'all',
  'piece.write': 'all',
  'syllabus.read': 'all',
  'syllabus.write': 'all',
  'letter.read': 'all',
  'letter.write': 'all',
};

const RIGHTS: Readonly<Record<Role, Partial<Record<Right, Reach>>>> = {
  owner: { ...TEACHER, 'studio.name': 'all', 'student.erase': 'all', 'school.studio': 'all' },
  teacher: TEACHER,
  student: {
    'practice.read': 'own',
    'homework.read': 'own',
    'take.log': 'own',
    'question.ask': 'own',
    'school.read': 'own',
    'syllabus.read': 'all',
  },
  // What a parent asks; numbers, bands and the measures of a hand are for who teaches.
  guardian: { 'report.read': 'own', 'school.read': 'own' },
  'self-taught': {
    'student.read': 'own',
    'hand.write': 'own',
    'note.read': 'own',
    'note.write': 'own',
    'student.write': 'own',
    'plan.propose': 'own',
    'lesson.read': 'own',
    'lesson.write': 'own',
    'home.assign': 'own',
    'homework.read': 'own',
    'practice.read': 'own',
    'take.log': 'own',
    'mastery.override': 'own',
    'pain.clear': 'own',
    'school.read': 'own',
    'school.student': 'own',
    'mark.write': 'own',
    // Of the studio's they see all; they change what is their own.
    'hook.write': 'own',
    'piece.read': 'all',
    'piece.write': 'own',
    'syllabus.read': 'all',
  },
};

/** Who sits: what every service is told about the person before it. */
export interface Who {
  readonly studioId: string;
  readonly membershipId: string;
  readonly roles: readonly Role[];
  /** Students that are this person, or in this person's care. */
  readonly ownStudents: readonly string[];
}

export function may(who: Who, right: Right, studentId?: string): boolean {
  return who.roles.some((role) => {
    const reach = RIGHTS[role][right];
    return (
      reach === 'all' || (reach === 'own' && studentId !== undefined && who.ownStudents.includes(studentId))
    );
  });
}

/**
 * Whose a thing is that somebody makes: the studio's where they may change what is the studio's, else their own. Refuses with 403
 * who may make none.
 */
export function makerOf(who: Who, right: Right): string | null {
  if (may(who, right)) return null;
  const [own] = who.ownStudents;
  need(who, right, own);
  return own;
}

/** Refuses with 403 unless the right holds for that student. */
export function need(who: Who, right: Right, studentId?: string): void {
  if (!may(who, right, studentId))
    throw new Refusal('right.missing', right, 'someone whose role allows this; sit down as a teacher');
}
