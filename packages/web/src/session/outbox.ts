/**
 * Sends takes when it can. Ids are made before the first send, so that sending twice stores once; what the
 * server stored or knew is put away, what it refused stays with its reason, what it did not answer waits.
 */
import type { BatchAnswer, SentEvent } from '@finch/contract';
import type { Feel, Take } from '@finch/core/drills';
import type { EventSaid } from '@finch/core/mastery';
import type { Problem } from '@finch/core';
import { nextDeviceSeq, recordsOf, type OutboxDatabase, type OutboxRecord } from './outbox-store';

export interface OutboxParts {
  readonly database: OutboxDatabase;
  readonly makeId: () => string;
  readonly now: () => string;
  /** Rejects when the server did not answer. */
  readonly send: (events: readonly SentEvent[]) => Promise<BatchAnswer>;
  /** Why the server takes none of a batch, where it said so of what was sent; null where it may take it later. */
  readonly refusalOf: (error: unknown) => Problem | null;
}

/**
 * An event told in the time of the house, in the time of this device: that is what `sentAt` is in too, and the server puts
 * both right together by when it received them. Corrected once here and once there it would lie in the future.
 */
export function inDeviceTime(event: EventSaid, skewMs: number): EventSaid {
  const device = (iso: string) => new Date(Date.parse(iso) - skewMs).toISOString();
  return event.kind === 'attempt'
    ? { ...event, take: { ...event.take, startedAt: device(event.take.startedAt) } }
    : { ...event, at: device(event.at) };
}

export interface Outbox {
  /** Keeps an event; `held` waits for `settle`. Returns its id. */
  readonly keep: (
    seat: string,
    studentId: string,
    event: EventSaid,
    label: string,
    held?: boolean,
  ) => Promise<string>;
  /** Adds the hand's answer (null: none was given) to a held take and lets it go. */
  readonly settle: (id: string, feel: Feel | null) => Promise<void>;
  /** Lets everything held by a seat go unanswered; for a tab that was closed in between. */
  readonly settleAll: (seat: string) => Promise<void>;
  /** Sends what waits for this seat. Returns what was stored; rejects when nobody answered. */
  readonly flush: (seat: string) => Promise<number>;
  readonly list: (seat: string) => Promise<OutboxRecord[]>;
  readonly putAway: (id: string) => Promise<void>;
}

const AT_ONCE = 50;

export function makeOutbox({ database, makeId, now, send, refusalOf }: OutboxParts): Outbox {
  /** A batch refused as a whole is sent one by one, so that what is wrong in it is found and the rest goes on behind it. */
  const sendSome = async (records: readonly OutboxRecord[], sentAt: string): Promise<BatchAnswer> => {
    try {
      return await send(records.map((record) => ({ ...record.event, sentAt }) as SentEvent));
    } catch (error) {
      const problem = refusalOf(error);
      if (!problem) throw error;
      const [one, ...more] = records;
      if (more.length === 0) return { stored: [], known: [], refused: [{ id: one.id, problem }] };
      const answers: BatchAnswer[] = [];
      for (const record of records) answers.push(await sendSome([record], sentAt));
      return {
        stored: answers.flatMap((answer) => answer.stored),
        known: answers.flatMap((answer) => answer.known),
        refused: answers.flatMap((answer) => answer.refused),
      };
    }
  };
  const flush = async (seat: string): Promise<number> => {
    let stored = 0;
    for (;;) {
      const waiting = (await recordsOf(database, seat))
        .filter((record) => record.status === 'waiting')
        .slice(0, AT_ONCE);
      if (waiting.length === 0) return stored;
      const answer = await sendSome(waiting, now());
      const done = new Set([...answer.stored, ...answer.known]);
      const transaction = database.transaction('records', 'readwrite');
      let moved = 0;
      for (const record of waiting) {
        const refusal = answer.refused.find((one) => one.id === record.id);
        if (done.has(record.id)) await transaction.store.delete(record.id);
        else if (refusal)
          await transaction.store.put({ ...record, status: 'refused', problem: refusal.problem });
        else continue;
        moved++;
      }
      await transaction.done;
      stored += done.size;
      // An answer that names none of them would otherwise be asked for without end.
      if (moved === 0) return stored;
    }
  };
  const settle = async (id: string, feel: Feel | null): Promise<void> => {
    const record = await database.get('records', id);
    if (record?.status !== 'held') return;
    const event = record.event as OutboxRecord['event'] & { take?: Take };
    const answered = event.take ? { ...event, take: { ...event.take, feel } } : event;
    await database.put('records', { ...record, event: answered, status: 'waiting' });
  };
  return {
    keep: async (seat, studentId, event, label, held = false) => {
      const id = makeId();
      const { deviceId, deviceSeq } = await nextDeviceSeq(database, makeId);
      const full = { schemaVersion: 1 as const, id, studentId, deviceId, deviceSeq, ...event };
      await database.put('records', {
        id,
        seat,
        status: held ? 'held' : 'waiting',
        deviceSeq,
        event: full,
        label,
      });
      return id;
    },
    settle,
    settleAll: async (seat) => {
      for (const record of await recordsOf(database, seat))
        if (record.status === 'held') await settle(record.id, null);
    },
    flush,
    list: (seat) => recordsOf(database, seat),
    putAway: (id) => database.delete('records', id),
  };
}
