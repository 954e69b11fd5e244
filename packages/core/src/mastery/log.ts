/**
 * The log: immutable events about one student. Corrections are new events that void old ones. Everything the
 * product believes about a student is a pure replay of this log.
 */
import type { Take } from '../drills/take';

export interface EventBase {
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

export interface AttemptEvent extends EventBase {
  readonly kind: 'attempt';
  readonly take: Take;
}

export interface VoidEvent extends EventBase {
  readonly kind: 'void';
  readonly voids: string;
  readonly at: string;
}

export interface OverrideEvent extends EventBase {
  readonly kind: 'override';
  readonly skillId: string;
  /** Null takes an earlier override back. */
  readonly state: MasteryState | null;
  readonly at: string;
}

export interface ClearanceEvent extends EventBase {
  readonly kind: 'clearance';
  readonly at: string;
}

export type LogEvent = AttemptEvent | VoidEvent | OverrideEvent | ClearanceEvent;

export const MASTERY_STATES = ['not met', 'rough', 'workable', 'clean', 'settled'] as const;
export type MasteryState = (typeof MASTERY_STATES)[number];

/** A device clock further off than this is corrected by what the server saw. */
const TRUSTED_SKEW_MS = 90_000;

/** When it happened, in ms since 1970, with a wrong device clock put right. */
export function happenedAt(event: LogEvent): number {
  const said = Date.parse(event.kind === 'attempt' ? event.take.startedAt : event.at);
  const skew = Date.parse(event.receivedAt) - Date.parse(event.sentAt);
  return Math.abs(skew) > TRUSTED_SKEW_MS ? said + skew : said;
}
