/**
 * The door of the log. Every event of a batch is judged for itself: stored, known already, or refused with a
 * reason; one bad take keeps no good one back, and the same event sent twice is stored once.
 */
import { sentEventSchema, type BatchAnswer, type SentEvent } from '@finch/contract';
import {
  checkUpsOf,
  eventTime,
  questionsOf,
  type CheckUp,
  type EventKind,
  type LogEvent,
  type Question,
} from '@finch/core/mastery';
import type { DataSource, EntityManager } from 'typeorm';
import * as v from 'valibot';
import { may, type Right, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { writeInStudio } from '../platform/database';
import type { LogEventRow } from '../platform/entities';
import { asOwnFault, KEEPABLE, unkeepableIn } from '../platform/http';
import { Refusal } from '../platform/problems';
import { tellOfPain } from '../letters/letters.service';
import { isOfStudio } from '../students/roster.service';
import type { Places } from './log-reading';
import { askedOf, checkUpsIn, doublesBy, logHeads, takesOfFamily } from './log-reading.repository';
import { addEvent, eventHead, isStored, playedTimes, type Played } from './log.repository';

/** What each kind of event may be logged with. */
const RIGHTS: Readonly<Record<EventKind, Right>> = {
  attempt: 'take.log',
  void: 'take.log',
  override: 'mastery.override',
  clearance: 'pain.clear',
  question: 'question.ask',
  answer: 'question.answer',
  'check-up': 'take.log-heard',
};

/** A take from further ahead than a wrong clock explains is no take, whatever the clock it was made by says of itself. */
const MOST_AHEAD_MS = 24 * 3_600_000;
/** Years whose ids have a partition of their own (`foundations.ts`); what else sorts elsewhere makes health false. */
const ID_YEARS = { first: Date.UTC(2020, 0, 1), last: Date.UTC(2046, 0, 1) } as const;

/** When an id says it was made: the 48 leading bits of a UUID of version 7 are ms since 1970 (RFC 9562). */
const madeAt = (id: string): number => Number.parseInt(id.slice(0, 8) + id.slice(9, 13), 16);

/** The takes of one drill family, with those of every double merged into the student. */
export const takesOf = (manager: EntityManager, studentId: string, family: string): Promise<LogEvent[]> =>
  takesOfFamily(manager, studentId, family);

/** What a student asked and what was answered, whoever waited longest first; what everybody did where nobody is named. */
export const questionsFor = async (
  manager: EntityManager,
  studentId: string | null,
  now: number,
): Promise<Question[]> => questionsOf(await askedOf(manager, studentId), now);

/** What check-ups of a student heard up to an instant, the first first. */
export const checkUpsHeard = async (
  manager: EntityManager,
  studentId: string,
  now: number,
): Promise<CheckUp[]> => checkUpsOf(await checkUpsIn(manager, studentId), now);

/** When a student played since an instant, and for how long; without what was taken back. */
export const playedSince = (
  manager: EntityManager,
  studentId: string,
  since: number,
): Promise<readonly Played[]> => playedTimes(manager, studentId, since);

/** Whose logs make up that of a student, and how far each goes; of all where none is named. */
export async function logsOf(
  manager: EntityManager,
  studentIds: readonly string[] | null,
): Promise<(studentId: string) => { readonly places: Places; readonly doubles: readonly string[] }> {
  const doubled = await doublesBy(manager);
  const heads = await logHeads(
    manager,
    studentIds && studentIds.flatMap((id) => [id, ...(doubled.get(id) ?? [])]),
  );
  return (studentId) => {
    const doubles = doubled.get(studentId) ?? [];
    const places = Object.fromEntries([studentId, ...doubles].map((id) => [id, heads.get(id) ?? 0]));
    return { places, doubles };
  };
}

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
          const unkeepable = unkeepableIn(input);
          if (unkeepable !== null) throw new Refusal('take.invalid', unkeepable.slice(0, 100), KEEPABLE);
          const isNew = await writeInStudio(database, who.studioId, (manager) =>
            store(manager, who, parsed.output, clock.now()),
          );
          (isNew ? answer.stored : answer.known).push(parsed.output.id);
        } catch (error) {
          const own = asOwnFault(error);
          if (!own) throw error;
          answer.refused.push({ id: parsed.output.id, problem: own.problem });
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
  if (await addEvent(manager, row)) {
    if (event.kind === 'attempt') {
      const told = { id, studentId, at: row.happenedAt.getTime(), feel: event.take.feel };
      await tellOfPain(manager, who.studioId, told, now);
    }
    return true;
  }
  if (!(await isStored(manager, row)))
    throw new Refusal('take.conflict', 'id', 'an id of its own: this one is another take’s');
  return false;
}

async function check(manager: EntityManager, who: Who, event: SentEvent, now: number): Promise<void> {
  if (!(await isOfStudio(manager, event.studentId)) || !may(who, RIGHTS[event.kind], event.studentId)) {
    throw new Refusal('take.student', 'studentId', 'a student of this studio that you may log for');
  }
  const at = Date.parse(eventTime(event));
  const skew = now - Date.parse(event.sentAt);
  if (Math.max(at, at + skew) > now + MOST_AHEAD_MS)
    throw new Refusal('take.ahead', 'take.startedAt', 'a take that has been played already');
  const made = madeAt(event.id);
  if (made < ID_YEARS.first || made >= ID_YEARS.last)
    throw new Refusal('take.id', 'id', 'an id made when the take was');
  if (event.kind === 'void') await checkVoid(manager, who, event.studentId, event.voids);
  if (event.kind === 'answer') await checkAnswer(manager, event.studentId, event.to);
  if (event.kind !== 'attempt') return;
  if (event.take.source === 'simulated')
    throw new Refusal('take.source', 'take.source', 'a source other than the simulated player');
  const heard = event.take.source === 'teacher' || event.take.source === 'listener';
  if (heard && !may(who, 'take.log-heard', event.studentId)) {
    throw new Refusal('take.heard', 'take.source', 'self, unless a teacher logs what was heard');
  }
}

/** What a student may take back of what they logged. */
const OWN_TO_TAKE_BACK: readonly string[] = ['attempt', 'question'];

async function checkAnswer(manager: EntityManager, studentId: string, to: string): Promise<void> {
  const known = await eventHead(manager, to);
  if (known?.kind !== 'question' || !known.of.includes(studentId))
    throw new Refusal('question.unknown', 'to', 'a question of this student that is stored here');
}

/** A take of this student; one's own alone, unless one may put right what others logged. */
async function checkVoid(manager: EntityManager, who: Who, studentId: string, voids: string): Promise<void> {
  const known = await eventHead(manager, voids);
  if (!known?.of.includes(studentId))
    throw new Refusal('take.void', 'voids', 'a take of this student that is stored here');
  const own = OWN_TO_TAKE_BACK.includes(known.kind) && known.actorId === who.membershipId;
  if (!own && !may(who, 'mastery.override', studentId))
    throw new Refusal(
      'take.not-own',
      'voids',
      'a take of your own; what a teacher logged a teacher takes back',
    );
}

function idOf(input: unknown): string | null {
  const id = (input as { id?: unknown } | null)?.id;
  return typeof id === 'string' ? id.slice(0, 64) : null;
}
