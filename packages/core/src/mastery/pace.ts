/**
 * What a log says of a student's pace: every take at a tempo and every counted minute as rows of the pace filter, in the
 * order they were played. A take of several changes says how many came clean, not which: what was missed is laid where it was
 * most expected, and the time of a count is shared as the changes are now believed to take.
 */
import { plainChangeSeconds } from '../changes/grade-change';
import { gripsOf } from '../drills/make-drill';
import type { Item } from '../drills/items';
import type { Take, TakeResult } from '../drills/take';
import { indexAt, type Dated } from '../hands/dated';
import { recordedHand, type HandRecords } from '../hands/taught-hand';
import { clamp, mean } from '../kernel/number';
import {
  changeKey,
  copyOfPace,
  kindOfChange,
  newPaceMemory,
  paceFilterOn,
  stageFactor,
  type Pace,
  type PaceFilter,
  type PaceMemory,
} from '../pace';
import type { Frets } from '../grips/grip';
import { dayReader } from './days';
import { experienceOf, monthsOf, type PlayedFor } from './experience';
import { upTo, type LogEvent } from './log';

export interface PaceRecords extends Pick<HandRecords, 'hands' | 'instruments'> {
  readonly playedFor: readonly Dated<PlayedFor>[];
  readonly timeZone: string;
}

export interface PaceRead {
  readonly pace: Pace;
  /** Months of playing now; null where nobody said. */
  readonly months: number | null;
  /** What was believed before any take, in log factors. */
  readonly priorLogFactor: number;
  /** Takes that said something of it. */
  readonly takes: number;
}

/** Tries that a take without steps is worth, and the clean ones among ten of them (assumed). */
const UNCOUNTED = { tries: 4, of: 10, clean: { clean: 9.5, nearly: 8, 'not yet': 5 } } as const;
/** A count under this says nothing of a hand. */
const COUNT_LEAST = { clean: 2, seconds: 10 } as const;
const DAY_MS = 86_400_000;

interface AskedChange {
  readonly change: string;
  readonly forms: string | null;
  readonly refSeconds: number;
  readonly gapBeats: number;
}

/** One answer at a tempo: how many of how many were clean, and how many tries that is worth. */
interface Answered {
  readonly bpm: number;
  readonly tries: number;
  readonly clean: number;
  readonly take: { readonly tries: number; readonly clean: number };
}

/** Follows a student's takes one after the other: what is expected of each, and what is believed after it. */
export interface PaceFollower {
  /** Share of steps that is expected to come clean; null for a take that has no tempo or no change. */
  readonly expects: (take: Take, at: number) => number | null;
  /** Takes it in; false where it says nothing of pace. Takes come in order. */
  readonly follow: (take: Take, at: number) => boolean;
  /** What is believed at an instant after all of them. */
  readonly pace: (now: number) => Pace;
}

/** What is worked out once for a student's records, however many takes are followed. */
export interface PaceReader {
  /** @param memory what is known before the next take; it is gone on with */
  readonly on: (memory: PaceMemory) => PaceFollower;
}

/** @param months of playing before the first take */
export const paceFollower = (records: PaceRecords, months: number | null): PaceFollower =>
  makePaceReader(records).on(newPaceMemory(months));

export function makePaceReader(records: PaceRecords): PaceReader {
  const dayOf = dayReader(records.timeZone);
  const dayAt = (ms: number) => Math.round(Date.parse(dayOf(ms)) / DAY_MS);
  const seconds = secondsReader(records);
  const on = (filter: PaceFilter): PaceFollower => ({
    expects: (take, at) => {
      filter.advance(dayAt(at));
      const changes = changesOf(take, at, seconds);
      return take.tempoBpm === null || changes.length === 0
        ? null
        : 1 - mean(changes.map((change) => missing(filter, change, take.tempoBpm ?? 0)));
    },
    follow: (take, at) => {
      const day = dayAt(at);
      filter.advance(day);
      let said = false;
      const changes = changesOf(take, at, seconds);
      for (const answer of answersOf(take)) said = absorbAnswer(filter, day, changes, answer) || said;
      if (take.count)
        said = absorbCounted(filter, day, countedChanges(take, at, seconds), take.count) || said;
      return said;
    },
    pace: (now) => {
      filter.advance(dayAt(now));
      return filter.pace();
    },
  });
  return { on: (memory) => on(paceFilterOn(memory)) };
}

/** What the takes told of pace so far, as plain data: it can be stored, gone on from and read at any later instant. */
export interface PaceSoFar {
  /** Null before the first take that can say anything. */
  readonly begun: { readonly months: number | null; readonly memory: PaceMemory } | null;
  /** Takes that said something. */
  readonly takes: number;
  /** Those takes while they are too few to stand alone; null from then on. */
  readonly few: readonly { readonly take: Take; readonly at: number }[] | null;
}

/** Takes of a student before which the studio's others speak of the stage. */
export const SHIFT_TAKES = 10;

export const NO_PACE_YET: PaceSoFar = { begun: null, takes: 0, few: [] };

/** After one more take, none earlier than the last; what was known before is gone on with. */
export function paceAfter(
  before: PaceSoFar,
  { take, at }: { readonly take: Take; readonly at: number },
  reader: PaceReader,
  monthsOn: (ms: number) => number | null,
): PaceSoFar {
  if (!speaks(take)) return before;
  const months = before.begun ? before.begun.months : monthsOn(at);
  const begun = before.begun ?? { months, memory: newPaceMemory(months) };
  if (!reader.on(begun.memory).follow(take, at)) return { ...before, begun };
  const takes = before.takes + 1;
  return { begun, takes, few: before.few && takes < SHIFT_TAKES ? [...before.few, { take, at }] : null };
}

/**
 * The pace that was told, read at an instant after it.
 * @param shift what the studio's other students taught of the months said, in logs; it counts while takes are few
 */
export function paceAt(sofar: PaceSoFar, records: PaceRecords, now: number, shift = 0): PaceRead {
  const monthsOn = monthsReader(records.playedFor, now);
  const reader = makePaceReader(records);
  const began = sofar.begun ? sofar.begun.months : monthsOn(now);
  const shifted = shift !== 0 && sofar.few !== null;
  const memory = sofar.begun && !shifted ? copyOfPace(sofar.begun.memory) : newPaceMemory(began, shift);
  const follower = reader.on(memory);
  if (shifted) for (const { take, at } of sofar.few) follower.follow(take, at);
  return {
    pace: follower.pace(now),
    months: monthsOn(now),
    priorLogFactor: stageFactor(began) + (shifted ? shift : 0),
    takes: sofar.takes,
  };
}

/**
 * The pace a log says at an instant (ms since 1970), events after it left out.
 * @param shift what the studio's other students taught of the months said, in logs; it counts while takes are few
 */
export function paceOf(events: readonly LogEvent[], records: PaceRecords, now: number, shift = 0): PaceRead {
  const reader = makePaceReader(records);
  const monthsOn = monthsReader(records.playedFor, now);
  let sofar = NO_PACE_YET;
  for (const { event, at } of upTo(events, now).live)
    if (event.kind === 'attempt') sofar = paceAfter(sofar, { take: event.take, at }, reader, monthsOn);
  return paceAt(sofar, records, now, shift);
}

/** Whether a take can say anything of pace: one at a tempo, or one that was counted. */
const speaks = (take: Take): boolean => take.tempoBpm !== null || take.count !== undefined;

/** Months of playing at an instant by what is on record now: the latest word speaks of the past as well. */
export function monthsReader(
  playedFor: PaceRecords['playedFor'],
  now: number,
): (ms: number) => number | null {
  const experience = experienceOf(playedFor, now);
  return (ms) => monthsOf(experience, ms);
}

type SecondsReader = (
  from: Frets,
  to: Frets,
  at: number,
  on: { openPitches: readonly number[]; capo: number } | null,
) => number;

/** Seconds of the hand as it was when a take was played, each change worked out once for a hand. */
function secondsReader(records: PaceRecords): SecondsReader {
  const known = new Map<string, number>();
  return (from, to, at, on) => {
    const key = `${indexAt(records.hands, at)} ${indexAt(records.instruments, at)} ${on ? `${on.openPitches.join()} ${on.capo}` : ''} ${changeKey(from, to)}`;
    let seconds = known.get(key);
    if (seconds === undefined) {
      const { hand, instrument } = recordedHand(records, at);
      seconds = plainChangeSeconds(from, to, hand, { ...instrument, ...on });
      known.set(key, seconds);
    }
    return seconds;
  };
}

const named = (from: Frets, to: Frets, refSeconds: number, gapBeats: number): AskedChange[] =>
  Number.isFinite(refSeconds)
    ? [{ change: changeKey(from, to), forms: kindOfChange(from, to), refSeconds, gapBeats }]
    : [];

type ChangeItem = Extract<Item, { kind: 'change' }>;

function changesOf(take: Take, at: number, seconds: SecondsReader): AskedChange[] {
  const changes = take.items.filter((item): item is ChangeItem => item.kind === 'change');
  return changes.flatMap(({ from, to, gapBeats = 1 }) =>
    named(
      from.frets,
      to.frets,
      seconds(from.frets, to.frets, at, { openPitches: from.tuning, capo: from.capo }),
      gapBeats,
    ),
  );
}

function countedChanges(take: Take, at: number, seconds: SecondsReader): AskedChange[] {
  const grips = gripsOf(take.recipe).map((grip) => grip.frets);
  if (grips.length < 2) return [];
  return grips.flatMap((from, i) => {
    const to = grips[(i + 1) % grips.length];
    return from.join() === to.join() ? [] : named(from, to, seconds(from, to, at, null), 1);
  });
}

/** What a take at a tempo answered: its steps, its ladder round by round, or its bare result. */
function answersOf(take: Take): Answered[] {
  if (take.tempoBpm === null) return [];
  const uncounted = (bpm: number, result: TakeResult): Answered => {
    const clean = UNCOUNTED.clean[result];
    const { tries, of } = UNCOUNTED;
    return { bpm, tries, clean: (clean * tries) / of, take: { tries: of, clean } };
  };
  if (take.ladder?.length)
    return take.ladder.map((round) => uncounted(round.bpm, round.clean ? 'clean' : 'not yet'));
  if (take.steps.length === 0) return [uncounted(take.tempoBpm, take.result)];
  const tries = take.steps.length;
  const clean = take.steps.filter((step) => step === 'clean').length;
  return [{ bpm: take.tempoBpm, tries, clean, take: { tries, clean } }];
}

/** Chance that a change does not come clean at a tempo. */
const missing = (
  filter: PaceFilter,
  { change, refSeconds, gapBeats, forms }: AskedChange,
  bpm: number,
): number => 1 - filter.chance(change, refSeconds, (60 * gapBeats) / bpm, forms);

/** Takes an answer in, shared over the changes it was about; false where it was about none. */
function absorbAnswer(
  filter: PaceFilter,
  day: number,
  changes: readonly AskedChange[],
  answer: Answered,
): boolean {
  if (changes.length === 0) return false;
  const each = answer.tries / changes.length;
  const all = answer.tries - answer.clean;
  // Nothing missed, or one change alone, leaves nothing to ask.
  const missed =
    all > 0 && changes.length > 1
      ? laidWhereExpected(
          all,
          changes.map((change) => each * missing(filter, change, answer.bpm)),
          each,
        )
      : changes.map(() => all / changes.length);
  changes.forEach(({ gapBeats, ...change }, i) =>
    filter.absorb({
      ...change,
      kind: 'tempo',
      day,
      bpm: answer.bpm,
      gapBeats,
      tries: each,
      clean: each - missed[i],
      take: answer.take,
    }),
  );
  return true;
}

/** So many misses laid in proportion to where they were expected, no place taking more than `most`. */
export function laidWhereExpected(
  missed: number,
  expected: readonly number[],
  most: number,
): readonly number[] {
  const laid = expected.map(() => 0);
  let left = clamp(missed, 0, most * expected.length);
  // Each round fills at least one place to the brim or lays all that is left.
  for (let round = 0; round < expected.length && left > 1e-9; round++) {
    const open = expected.map((one, i) => (laid[i] < most - 1e-9 ? one : 0));
    const all = open.reduce((sum, one) => sum + one, 0);
    const share = left;
    open.forEach((one, i) => {
      const more = Math.min(most - laid[i], (share * one) / all);
      laid[i] += more;
      left -= more;
    });
  }
  return laid;
}

/** Takes a count in, its time shared over its changes; false where no hand could mean it. */
function absorbCounted(
  filter: PaceFilter,
  day: number,
  changes: readonly AskedChange[],
  count: { readonly clean: number; readonly seconds: number },
): boolean {
  if (changes.length < 2 || count.clean < COUNT_LEAST.clean || count.seconds < COUNT_LEAST.seconds)
    return false;
  // Seconds of one change with its strum, as believed: the other way round of how many come in a second.
  const took = changes.map(({ change, refSeconds, forms }) => 1 / filter.count(change, refSeconds, 1, forms));
  const whole = took.reduce((sum, one) => sum + one, 0);
  changes.forEach(({ gapBeats: _, ...change }, i) =>
    filter.absorb({
      ...change,
      kind: 'count',
      day,
      clean: count.clean / changes.length,
      seconds: (count.seconds * took[i]) / whole,
    }),
  );
  return true;
}

/** What a studio's students taught of the months said, in logs: the mean of how far they were off, drawn to none. */
export function studioShift(others: readonly PaceRead[]): number {
  const heard = others.filter((one) => one.takes >= SHIFT_TAKES);
  const off = heard.map((one) => one.pace.logFactor - one.priorLogFactor);
  return off.reduce((sum, one) => sum + one, 0) / (heard.length + 4);
}
