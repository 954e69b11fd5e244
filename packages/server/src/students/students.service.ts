/** Students: who they are, what their hands are, what they hold. Hands and limits are dated; nothing is overwritten. */
import type { StudentBody } from '@finch/contract';
import { makeHand, makeInstrument, type Hand, type Instrument } from '@finch/core/fretboard';
import { makeLimits, type HandLimits } from '@finch/core/planning';
import type { DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { need, type Who } from '../accounts/rights';
import { studioRecord } from '../accounts/accounts.repository';
import { lessonsOf } from '../lessons/lessons.repository';
import { lessonHead } from '../lessons/lessons.service';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import { refuse, Refusal } from '../platform/problems';
import { ageOn } from './age';
import type { States } from './states.service';
import { addDated, addPerson, addStudent, studentRecords, touchStudent } from './students.repository';

export interface Students {
  readonly read: (who: Who, studentId: string) => Promise<StudentBody>;
  readonly add: (
    who: Who,
    student: { id: string; name: string; bornOn: string | null },
  ) => Promise<{ id: string }>;
  readonly keepHand: (
    who: Who,
    studentId: string,
    kept: { version: number; hand: Hand; instrument: Instrument; limits: HandLimits },
  ) => Promise<{ version: number }>;
  readonly keepNote: (
    who: Who,
    studentId: string,
    version: number,
    note: string,
  ) => Promise<{ version: number }>;
}

const STALE = 'the newer version; yours is still on your screen';

export function makeStudents(database: DataSource, clock: Clock, states: States): Students {
  return {
    read: async (who, studentId) => {
      need(who, 'student.read', studentId);
      return inStudio(database, who.studioId, async (manager) => {
        const now = clock.now();
        const view = await states.view(manager, who.studioId, studentId, now);
        const { record, state } = view;
        const lessons = await lessonsOf(manager, who.studioId, studentId);
        const next = [...lessons]
          .reverse()
          .find(
            (lesson) =>
              lesson.startsAt.getTime() + lesson.minutes * 60_000 > now && lesson.state !== 'written',
          );
        return {
          id: record.id,
          name: record.name,
          bornOn: record.bornOn,
          age: ageOn(record.bornOn, now),
          version: record.version,
          timeZone: record.timeZone,
          note: record.note,
          groups: [...record.groups],
          practiceMinutes: record.practiceMinutes,
          hand: view.hand,
          instrument: view.instrument,
          limits: view.limits,
          limitsBefore: view.limitsBefore,
          schools: view.schools,
          marks: view.marks,
          pace: view.pace,
          skills: state.skills.map((skill) => ({ ...skill, history: [...skill.history] })),
          pain: state.pain,
          takes: state.takes,
          feels: state.feels,
          lessons: lessons.slice(0, 20).map(lessonHead),
          nextLesson: next ? lessonHead(next) : null,
        };
      });
    },
    add: async (who, student) => {
      need(who, 'student.add');
      return writeInStudio(database, who.studioId, async (manager) => {
        if ((await studentRecords(manager, student.id)).length)
          throw new Refusal('write.twice', 'id', 'a new id; this student is here already');
        const studio = await studioRecord(manager);
        const personId = uuid();
        await addPerson(manager, {
          studioId: who.studioId,
          id: personId,
          name: student.name,
          bornOn: student.bornOn,
        });
        await addStudent(manager, {
          studioId: who.studioId,
          id: student.id,
          personId,
          membershipId: null,
          timeZone: studio?.timeZone ?? 'UTC',
          note: '',
          goals: [],
          waived: [],
          practiceMinutes: 12,
          version: 1,
          createdAt: new Date(clock.now()),
        });
        return { id: student.id };
      });
    },
    keepHand: async (who, studentId, kept) => {
      need(who, 'hand.write', studentId);
      const hand = makeHand(kept.hand);
      const instrument = makeInstrument(kept.instrument);
      const limits = makeLimits(kept.limits);
      for (const made of [hand, instrument, limits]) if (!made.ok) refuse(made.problem);
      return writeInStudio(database, who.studioId, async (manager) => {
        if (!(await touchStudent(manager, studentId, kept.version)))
          throw new Refusal('write.stale', 'version', STALE);
        const row = () => ({
          studioId: who.studioId,
          id: uuid(),
          studentId,
          fromInstant: new Date(clock.now()),
        });
        await addDated(manager, 'hand', { ...row(), value: kept.hand });
        await addDated(manager, 'instrument', { ...row(), value: kept.instrument });
        await addDated(manager, 'limits', { ...row(), value: { ...kept.limits, assumed: false } });
        return { version: kept.version + 1 };
      });
    },
    keepNote: async (who, studentId, version, note) => {
      need(who, 'note.write', studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        if (!(await touchStudent(manager, studentId, version, { note })))
          throw new Refusal('write.stale', 'version', STALE);
        return { version: version + 1 };
      });
    },
  };
}
