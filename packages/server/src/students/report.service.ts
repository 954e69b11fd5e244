/** The page of a parent: read by guardians of the student and by who teaches; it holds no measure of the hand, no band and no note. */
import { upcastPlan, type DoneBody, type ReportBody } from '@finch/contract';
import { dayReader, progressOf } from '@finch/core/mastery';
import type { DataSource } from 'typeorm';
import { guardiansOf } from '../accounts/accounts.service';
import { need, type Who } from '../accounts/rights';
import { lessonsOfStudent } from '../lessons/diary.service';
import type { Clock } from '../platform/clock';
import { inStudio } from '../platform/database';
import type { LessonRow } from '../platform/entities';
import { playedSince } from '../practice/log.service';
import { givenHome } from '../practice/room.service';
import type { States } from './states.service';

const WEEK_DAYS = 7;
const DAY_MS = 86_400_000;

export interface Reports {
  readonly read: (who: Who, studentId: string) => Promise<ReportBody>;
}

export function makeReports(database: DataSource, clock: Clock, states: States): Reports {
  return {
    read: (who, studentId) => {
      need(who, 'report.read', studentId);
      return inStudio(database, who.studioId, async (manager) => {
        const now = clock.now();
        const { record, state, syllabus } = await states.view(manager, who.studioId, studentId, now);
        const lessons = await lessonsOfStudent(manager, who.studioId, studentId);
        const dayOf = dayReader(record.timeZone);
        const days = new Set(Array.from({ length: WEEK_DAYS }, (_, ago) => dayOf(now - ago * DAY_MS)));
        const takes = (await playedSince(manager, studentId, now - (WEEK_DAYS + 1) * DAY_MS)).filter(
          ({ at }) => at <= now && days.has(dayOf(at)),
        );
        const last = lessons.find((lesson) => isTaught(lesson) && lesson.startsAt.getTime() <= now);
        const next = lessons.findLast((lesson) => lesson.state === 'booked' && endOf(lesson) > now);
        const names = new Map(syllabus.content.skills.map(({ id, name }) => [id, name]));
        return {
          student: { id: studentId, name: record.name, timeZone: record.timeZone },
          week: {
            minutes: Math.round(takes.reduce((sum, { seconds }) => sum + seconds, 0) / 60),
            days: new Set(takes.map(({ at }) => dayOf(at))).size,
            aim: record.practiceMinutes,
          },
          home: (await givenHome(manager, who.studioId, studentId)).map(({ id, title, since }) => ({
            id,
            title,
            since: since.toISOString(),
          })),
          last: last ? { startsAt: last.startsAt.toISOString(), did: didIn(last) } : null,
          next: next
            ? { startsAt: next.startsAt.toISOString(), minutes: next.minutes, brings: broughtBy(next) }
            : null,
          guardians: [...(await guardiansOf(manager, studentId))],
          progress: progressOf(state.skills, names, now),
          pain: state.pain,
        };
      });
    },
  };
}

const isTaught = ({ state }: LessonRow): boolean => state === 'taught' || state === 'written';
const endOf = ({ startsAt, minutes }: LessonRow): number => startsAt.getTime() + minutes * 60_000;
const didIn = ({ done }: LessonRow): NonNullable<ReportBody['last']>['did'] =>
  ((done as DoneBody | null)?.blocks ?? []).map(({ title }) => title);
const broughtBy = ({ plan }: LessonRow): NonNullable<ReportBody['next']>['brings'] =>
  (upcastPlan(plan)?.blocks ?? []).map(({ title }) => ({ ...title, values: { ...title.values } }));
