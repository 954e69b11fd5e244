/**
 * The log: immutable events about one student. Corrections are new events that void old ones. Everything the
 * product believes about a student is a pure replay of this log.
 */
import type { Recipe } from '../drills/recipe';
import type { Take } from '../drills/take';

interface EventBase {
  readonly schemaVersion: 1;
  /** UUIDv7 made by the client before the first send. */
  readonly id: string;
  readonly studentId: string;
  /** Membership that logged it. */
  readonly actorId: string;
  readonly deviceId: string;
  /** Counts up on one device. */
  readonly deviceSeq: number;
  /** Device clock when this was sent, and server clock when it came; their difference corrects the device. */
  readonly sentAt: string;
  readonly receivedAt: string;
}

/** What each kind of event says beyond who and when it was sent; the one place that names the kinds. */
export interface EventBodies {
  readonly attempt: { readonly take: Take };
  readonly void: { readonly voids: string; readonly at: string };
  readonly override: {
    readonly skillId: string;
    /** Null takes an earlier override back. */
    readonly state: MasteryState | null;
    readonly at: string;
  };
  /** Playing may begin again; with `oneHand`, that hand alone may play while the other one rests, or none any more. */
  readonly clearance: { readonly at: string; readonly oneHand?: 'left' | 'right' | 'none' };
  /** Asked from a card of the practice room; it waits for who teaches. */
  readonly question: { readonly about: AskedAbout; readonly text: string; readonly at: string };
  /** What was played once, unrehearsed, in a check-up: skills, and the take of each by the id of its event. */
  readonly 'check-up': {
    readonly takes: readonly { readonly skillId: string; readonly takeId: string }[];
    readonly at: string;
  };
  /** Answers a question, by the id of its event. */
  readonly answer: { readonly to: string; readonly text: string; readonly at: string };
}

/** A card as it stood when something was asked of it. */
export interface AskedAbout {
  readonly title: string;
  /** Null: tuning up, before the first card. */
  readonly recipe: Recipe | null;
}
export type EventKind = keyof EventBodies;
export type EventOf<K extends EventKind> = EventBase & { readonly kind: K } & EventBodies[K];
/** What is said of an event before it is sent. */
export type EventSaid = { [K in EventKind]: { readonly kind: K } & EventBodies[K] }[EventKind];
export type LogEvent = { [K in EventKind]: EventOf<K> }[EventKind];

/** When it happened by the clock of the device, ISO 8601: a take when it began, all else when it was said. */
export const eventTime = (event: EventSaid): string =>
  event.kind === 'attempt' ? event.take.startedAt : event.at;

export const MASTERY_STATES = ['not met', 'rough', 'workable', 'clean', 'settled'] as const;
export type MasteryState = (typeof MASTERY_STATES)[number];

/** A device clock further off than this is corrected by what the server saw. */
const TRUSTED_SKEW_MS = 90_000;

/** When it happened, in ms since 1970, with a wrong device clock put right. */
export function happenedAt(event: LogEvent): number {
  const said = Date.parse(eventTime(event));
  const skew = Date.parse(event.receivedAt) - Date.parse(event.sentAt);
  return Math.abs(skew) > TRUSTED_SKEW_MS ? said + skew : said;
}

/** An event and when it happened, ms since 1970. */
export interface TimedEvent {
  readonly event: LogEvent;
  readonly at: number;
}

/** Which of two events comes first: by when they happened, then id. */
export const byTime = (a: TimedEvent, b: TimedEvent): number =>
  a.at - b.at || (a.event.id < b.event.id ? -1 : a.event.id > b.event.id ? 1 : 0);

/** Events in the order they happened. */
const inOrder = (events: readonly LogEvent[]): TimedEvent[] =>
  events.map((event) => ({ event, at: happenedAt(event) })).sort(byTime);

/** What happened up to an instant, in order; `live` without what was taken back; and what is dated after it. */
export function upTo(
  events: readonly LogEvent[],
  now: number,
): {
  readonly all: readonly TimedEvent[];
  readonly live: readonly TimedEvent[];
  readonly ahead: readonly LogEvent[];
} {
  const sorted = inOrder(events);
  const all = sorted.filter(({ at }) => at <= now);
  const voided = new Set(all.flatMap(({ event }) => (event.kind === 'void' ? [event.voids] : [])));
  return {
    all,
    live: all.filter(({ event }) => !voided.has(event.id)),
    ahead: sorted.flatMap(({ event, at }) => (at > now ? [event] : [])),
  };
}
