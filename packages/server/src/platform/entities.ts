/**
 * Rows as plain records, described to TypeORM without decorators (docs/decisions/0004). Every column names
 * its type. Repositories alone use these; services see the records.
 */
import type { EventKind } from '@finch/core/mastery';
import type { KeptGoal, PlanStanding } from '@finch/contract';
import { EntitySchema } from 'typeorm';

export interface PersonRow {
  studioId: string;
  id: string;
  name: string;
  bornOn: string | null;
  version: number;
}
export interface MembershipRow {
  studioId: string;
  id: string;
  accountId: string | null;
  personId: string;
  roles: string[];
}
export interface StudentRow {
  studioId: string;
  id: string;
  personId: string;
  membershipId: string | null;
  timeZone: string;
  note: string;
  goals: KeptGoal[];
  waived: string[];
  practiceMinutes: number;
  /** 1 Monday to 7 Sunday. */
  practiceDays: number[];
  version: number;
  createdAt: Date;
}
export interface DatedRow {
  studioId: string;
  id: string;
  studentId: string;
  fromInstant: Date;
  value: unknown;
}
export interface LessonRow {
  studioId: string;
  id: string;
  studentId: string;
  teacherId: string;
  startsAt: Date;
  timeZone: string;
  minutes: number;
  state: 'booked' | 'running' | 'taught' | 'written' | 'cancelled';
  plan: unknown;
  planStanding: PlanStanding;
  done: unknown;
  note: string;
  /** Lessons booked together for many weeks. */
  seriesId: string | null;
  version: number;
}
export interface HomeCardRow {
  studioId: string;
  id: string;
  studentId: string;
  skillId: string | null;
  title: string;
  recipe: unknown;
  since: Date;
  endedAt: Date | null;
  version: number;
}
export interface LogEventRow {
  studioId: string;
  id: string;
  studentId: string;
  actorId: string;
  deviceId: string;
  deviceSeq: number;
  kind: EventKind;
  body: unknown;
  happenedAt: Date;
  sentAt: Date;
  receivedAt: Date;
}

const keys = {
  studioId: { type: 'uuid', name: 'studio_id', primary: true },
  id: { type: 'uuid', primary: true },
} as const;
const version = { type: 'integer', default: 1 } as const;

export const PersonEntity = new EntitySchema<PersonRow>({
  name: 'person',
  columns: {
    ...keys,
    name: { type: 'text' },
    bornOn: { type: 'date', name: 'born_on', nullable: true },
    version,
  },
});

export const MembershipEntity = new EntitySchema<MembershipRow>({
  name: 'membership',
  columns: {
    ...keys,
    accountId: { type: 'uuid', name: 'account_id', nullable: true },
    personId: { type: 'uuid', name: 'person_id' },
    roles: { type: 'text', array: true },
  },
});

export const StudentEntity = new EntitySchema<StudentRow>({
  name: 'student',
  columns: {
    ...keys,
    personId: { type: 'uuid', name: 'person_id' },
    membershipId: { type: 'uuid', name: 'membership_id', nullable: true },
    timeZone: { type: 'text', name: 'time_zone' },
    note: { type: 'text' },
    goals: { type: 'jsonb' },
    waived: { type: 'jsonb' },
    practiceMinutes: { type: 'integer', name: 'practice_minutes' },
    practiceDays: { type: 'smallint', array: true, name: 'practice_days' },
    version,
    createdAt: { type: 'timestamptz', name: 'created_at' },
  },
});

const dated = (name: string) =>
  new EntitySchema<DatedRow>({
    name,
    columns: {
      ...keys,
      studentId: { type: 'uuid', name: 'student_id' },
      fromInstant: { type: 'timestamptz', name: 'from_instant' },
      value: { type: 'jsonb' },
    },
  });
export const HandEntity = dated('hand_record');
export const InstrumentEntity = dated('instrument_record');
export const LimitsEntity = dated('limits_record');
export const PlayedEntity = dated('played_record');

export const LessonEntity = new EntitySchema<LessonRow>({
  name: 'lesson',
  columns: {
    ...keys,
    studentId: { type: 'uuid', name: 'student_id' },
    teacherId: { type: 'uuid', name: 'teacher_id' },
    startsAt: { type: 'timestamptz', name: 'starts_at' },
    timeZone: { type: 'text', name: 'time_zone' },
    minutes: { type: 'integer' },
    state: { type: 'text' },
    plan: { type: 'jsonb', nullable: true },
    planStanding: { type: 'text', name: 'plan_standing' },
    done: { type: 'jsonb', nullable: true },
    note: { type: 'text' },
    seriesId: { type: 'uuid', name: 'series_id', nullable: true },
    version,
  },
});

export const HomeCardEntity = new EntitySchema<HomeCardRow>({
  name: 'home_card',
  columns: {
    ...keys,
    studentId: { type: 'uuid', name: 'student_id' },
    skillId: { type: 'text', name: 'skill_id', nullable: true },
    title: { type: 'text' },
    recipe: { type: 'jsonb' },
    since: { type: 'timestamptz' },
    endedAt: { type: 'timestamptz', name: 'ended_at', nullable: true },
    version,
  },
});

export const LogEventEntity = new EntitySchema<LogEventRow>({
  name: 'log_event',
  columns: {
    ...keys,
    studentId: { type: 'uuid', name: 'student_id' },
    actorId: { type: 'uuid', name: 'actor_id' },
    deviceId: { type: 'uuid', name: 'device_id' },
    deviceSeq: { type: 'integer', name: 'device_seq' },
    kind: { type: 'text' },
    body: { type: 'jsonb' },
    happenedAt: { type: 'timestamptz', name: 'happened_at' },
    sentAt: { type: 'timestamptz', name: 'sent_at' },
    receivedAt: { type: 'timestamptz', name: 'received_at' },
  },
});

export const entities = [
  PersonEntity,
  MembershipEntity,
  StudentEntity,
  HandEntity,
  InstrumentEntity,
  LimitsEntity,
  PlayedEntity,
  LessonEntity,
  HomeCardEntity,
  LogEventEntity,
];
