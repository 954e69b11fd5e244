/**
 * A log read so far: what it told of skills, pain and pace up to its last event, so that what is new can be added to it
 * instead of reading all of it again. Plain data of a bounded size, a cache that may always be thrown away: added to in any
 * split it is what reading the whole log gives.
 */
import { indexAt } from '../hands/dated';
import { byTime, happenedAt, upTo, type LogEvent, type TimedEvent } from './log';
import { makePaceReader, monthsReader, NO_PACE_YET, paceAfter, type PaceSoFar } from './pace';
import { makeReplayer, type ReplayContext, type SkillsSoFar } from './replay';

export type LogContext = ReplayContext;

export interface LogSoFar {
  /** Which records of hand, instrument and years of playing held when it was begun. */
  readonly records: string;
  readonly skills: SkillsSoFar;
  readonly pace: PaceSoFar;
  /** When the last event that was taken in happened, and its id; null before the first. */
  readonly last: { readonly at: number; readonly id: string } | null;
  /** Stored already and dated after the instant: the clock of a device was a little ahead. */
  readonly ahead: readonly LogEvent[];
}

export interface LogReader {
  /** The whole log up to an instant, ms since 1970. */
  readonly read: (events: readonly LogEvent[], now: number) => LogSoFar;
  /**
   * What is known with new events too; null where the whole log must be read: where they change the past (one that happened
   * before the last, or takes one back), and where another hand or instrument holds by now. `sofar` is gone on with: use what is returned, never it again.
   */
  readonly add: (sofar: LogSoFar, events: readonly LogEvent[], now: number) => LogSoFar | null;
}

type Records = Pick<LogContext, 'hands' | 'instruments' | 'playedFor'>;

const recordsAt = ({ hands, instruments, playedFor }: Records, now: number): string =>
  [hands, instruments, playedFor].map((of) => indexAt(of, now)).join();

/** Clocks of two askers may be so far apart without either reading all again. */
const SLACK_MS = 60_000;
const isBehind = ({ last }: LogSoFar, now: number): boolean => last !== null && last.at > now + SLACK_MS;

/**
 * Whether it must be gone on with or read again though nothing was logged: time came to an event that was dated ahead, another
 * hand or instrument holds by now, or the clock went back.
 */
export function isDated(sofar: LogSoFar, records: Records, now: number): boolean {
  const [next] = sofar.ahead;
  const due = next !== undefined && happenedAt(next) <= now;
  return due || sofar.records !== recordsAt(records, now) || isBehind(sofar, now);
}

/** Hands, instruments and what is worked out for them are kept for as long as the reader is. */
export function makeLogReader(context: LogContext): LogReader {
  const replayer = makeReplayer(context);
  const paces = makePaceReader(context);
  const follow = (sofar: LogSoFar, live: readonly TimedEvent[], now: number): PaceSoFar => {
    const monthsOn = monthsReader(context.playedFor, now);
    let { pace } = sofar;
    for (const { event, at } of live) {
      replayer.follow(sofar.skills, event, at);
      if (event.kind === 'attempt') pace = paceAfter(pace, { take: event.take, at }, paces, monthsOn);
    }
    return pace;
  };
  const lastOf = (all: readonly TimedEvent[]): LogSoFar['last'] => {
    const last = all.at(-1);
    return last ? { at: last.at, id: last.event.id } : null;
  };
  return {
    read: (events, now) => {
      const { all, live, ahead } = upTo(events, now);
      const none: LogSoFar = {
        records: recordsAt(context, now),
        skills: replayer.begin(now),
        pace: NO_PACE_YET,
        last: null,
        ahead,
      };
      return { ...none, pace: follow(none, live, now), last: lastOf(all) };
    },
    add: (sofar, events, now) => {
      if (sofar.records !== recordsAt(context, now) || isBehind(sofar, now)) return null;
      const { all, ahead } = upTo([...sofar.ahead, ...events], now);
      if (all.some(({ event }) => event.kind === 'void')) return null;
      const [first] = all;
      if (first && sofar.last && isBefore(first, sofar.last)) return null;
      return { ...sofar, pace: follow(sofar, all, now), last: lastOf(all) ?? sofar.last, ahead };
    },
  };
}

const isBefore = (one: TimedEvent, last: NonNullable<LogSoFar['last']>): boolean =>
  byTime(one, { at: last.at, event: { ...one.event, id: last.id } }) < 0;
