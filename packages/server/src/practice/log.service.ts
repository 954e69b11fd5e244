/**
 * The door of the log. Every event of a batch is judged for itself: stored, known already, or refused with a
 * reason; one bad take keeps no good one back, and the same event sent twice is stored once.
 */
import { sentEventSchema, type BatchAnswer, type SentEvent } from '@finch/contract';
import { eventTime, type EventKind, type LogEvent } from '@finch/core/mastery';
import type { DataSource, EntityManager } from 'typeorm';
import * as v from 'valibot';
import { may, type Right, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { writeInStudio } from '../platform/database';
import type { LogEventRow } from '../platform/entities';
import { Refusal } from '../platform/problems';
import { isOfStudio } from '../students/roster.service';
import { addEvent, eventCount, eventIds, eventsOf } from './log.repository';

/** What each kind of event may be logged with. */
const RIGHTS: Readonly<Record<EventKind, Right>> = {
  attempt: 'take.log',
  void: 'take.log',
  override: 'mastery.override',
  clearance: 'pain.clear',
};

/** A take from further ahead than a wrong clock explains is no take. */
const MOST_AHEAD_MS = 24 * 3_600_000;

/** How long a student's log is and which event is its last: changes whenever something is added. */
export const logTail = (
  manager: EntityManager,
  studentId: string,
): Promise<{ readonly count: number; readonly last: string | null }> => eventCount(manager, studentId);

/** The whole log of a student, with that of every double merged into them. */
export const logOf = (
  manager: EntityManager,
  studioId: string,
  studentId: string,
): Promise<readonly LogEvent[]> => eventsOf(manager, studioId, studentId);

export interface PracticeLog {
  readonly send: (who: Who, events: readonly unknown[]) => Promise<BatchAnswer>;
}

export function makePracticeLog(database: DataSource, clock: Clock): PracticeLog {
  return {
    send: async (who, events) => {
      const answer = {
        stored: [] as string[],
        known: [] as string[],
        refused: [] as BatchAnswer['refused'][number][],
      };
      for (const input of events) {
        const parsed = v.safeParse(sentEventSchema, input, { abortEarly: true });
        if (!parsed.success) {
          const issue = parsed.issues[0];
          const problem = {
            code: 'take.invalid',
            at: v.getDotPath(issue) ?? 'event',
            detail: issue.message.slice(0, 200),
          };
          answer.refused.push({ id: idOf(input), problem });
          continue;
        }
        try {
          const isNew = await writeInStudio(database, who.studioId, (manager) =>
            store(manager, who, parsed.output, clock.now()),
          );
          (isNew ? answer.stored : answer.known).push(parsed.output.id);
        } catch (error) {
          if (!(error instanceof Refusal)) throw error;
          answer.refused.push({ id: parsed.output.id, problem: error.problem });
        }
      }
      return answer;
    },
  };
}

async function store(manager: EntityManager, who: Who, event: SentEvent, now: number): Promise<boolean> {
  await check(manager, who, event, now);
  const { schemaVersion, id, studentId, deviceId, deviceSeq, sentAt, kind, ...body } = event;
  const row: LogEventRow = {
    studioId: who.studioId,
    id,
    studentId,
    actorId: who.membershipId,
    deviceId,
    deviceSeq,
    kind,
    body: { schemaVersion, ...body },
    happenedAt: new Date(eventTime(event)),
    sentAt: new Date(sentAt),
    receivedAt: new Date(now),
  };
  return addEvent(manager, row);
}

async function check(manager: EntityManager, who: Who, event: SentEvent, now: number): Promise<void> {
  if (!(await isOfStudio(manager, event.studentId)) || !may(who, RIGHTS[event.kind], event.studentId)) {
    throw new Refusal('take.student', 'studentId', 'a student of this studio that you may log for');
  }
  const at = Date.parse(eventTime(event));
  const skew = now - Date.parse(event.sentAt);
  if (at + skew > now + MOST_AHEAD_MS)
    throw new Refusal('take.ahead', 'take.startedAt', 'a take that has been played already');
  if (event.kind === 'void' && !(await eventIds(manager, event.studentId, [event.voids])).has(event.voids)) {
    throw new Refusal('take.void', 'voids', 'a take of this student that is stored here');
  }
  if (event.kind !== 'attempt') return;
  if (event.take.source === 'simulated')
    throw new Refusal('take.source', 'take.source', 'a source other than the simulated player');
  const heard = event.take.source === 'teacher' || event.take.source === 'listener';
  if (heard && !may(who, 'take.log-heard', event.studentId)) {
    throw new Refusal('take.heard', 'take.source', 'self, unless a teacher logs what was heard');
  }
}

function idOf(input: unknown): string | null {
  const id = (input as { id?: unknown } | null)?.id;
  return typeof id === 'string' ? id.slice(0, 64) : null;
}
