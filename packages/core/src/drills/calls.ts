/**
 * Calls answered one by one, each within a few seconds: what string walk, note reading, root call and formula have
 * in common. A call takes one bar of four beats; a call asked faster is harder, in proportion to the haste.
 */
import type { AnyRecipe } from './parameters';
import type { Reason } from '../effort/explain';
import { gradeOf } from '../effort/hold';
import { fail, ok, type Result } from '../kernel/result';
import type { Random } from '../kernel/random';
import type { Bar } from '../score/score';
import { ticksOf } from '../score/ticks';
import { overLimit, type DrillContext } from '../hands/taught-hand';
import type { DrillOf, DrillStep } from './drill';
import { unique } from './sequence';

/** Points of a call answered within four seconds, in proportion to haste (our assumption). */
const CALL_POINTS = 12;
const EASY_SECONDS = 4;
export const CALL_SECONDS = { fastest: 2, slowest: 12 } as const;
export const BEATS_A_CALL = 4;

export interface CallsPlan {
  /** Where a step begins and how long it lasts is that of its event, unless it says so itself. */
  readonly steps: readonly (Omit<DrillStep, 'startTick' | 'ticks'> & Partial<DrillStep>)[];
  readonly bars: readonly Bar[];
  readonly secondsPerCall: number;
  /** The tempo answers are heard at, where that is not a call's own time; a bar of four beats is a call. */
  readonly heardBpm?: number;
  /** Points of the heaviest grip among them, and of what else makes it hard. */
  readonly heaviest?: number;
  readonly morePoints?: number;
  readonly hasBarre?: boolean;
  readonly leftOut?: readonly Reason[];
}

export function checkSeconds(seconds: number): Result<number> {
  const { fastest, slowest } = CALL_SECONDS;
  return seconds >= fastest && seconds <= slowest
    ? ok(seconds)
    : fail('drill.seconds', 'seconds', `${fastest} to ${slowest} seconds`);
}

export const checkCount = (count: number, most: number): Result<number> =>
  Number.isInteger(count) && count >= 1 && count <= most
    ? ok(count)
    : fail('drill.count', 'count', `1 to ${most}`);

/** One notch of seconds more or fewer. Problems `drill.easiest`, `drill.hardest`. */
export function otherSeconds(seconds: number, by: 1 | -1): Result<number> {
  const next = seconds + by;
  if (next > CALL_SECONDS.slowest)
    return fail('drill.easiest', 'seconds', `${CALL_SECONDS.slowest} seconds is the slowest call`);
  if (next < CALL_SECONDS.fastest)
    return fail('drill.hardest', 'seconds', `${CALL_SECONDS.fastest} seconds is the fastest call`);
  return ok(next);
}

/** The drill of a plan; each step lies in a bar of its own, or shares one where `bars` says so. */
export function callsDrill<R extends AnyRecipe>(
  recipe: R,
  plan: CallsPlan,
  context: DrillContext,
): DrillOf<R> {
  const { steps, bars, secondsPerCall } = plan;
  const heaviest = plan.heaviest ?? 0;
  const grade = gradeOf(heaviest);
  const haste = (CALL_POINTS * EASY_SECONDS) / secondsPerCall;
  const starts = bars.flatMap((bar, b) => {
    const before = bars.slice(0, b).reduce((sum, one) => sum + ticksOf(one.beats), 0);
    return bar.events.map((event) => ({ startTick: before + event.tick, ticks: event.ticks }));
  });
  const calls = steps.filter((step) => step.answer).length;
  return {
    recipe,
    items: unique(steps.map((step) => step.item)),
    steps: steps.map((step, i) => ({ ...starts[i], ...step })),
    score: {
      schemaVersion: 1,
      strings: context.instrument.openPitches.length,
      tempoBpm: plan.heardBpm ?? (60 * BEATS_A_CALL) / secondsPerCall,
      countInBeats: 4,
      parts: [{ name: 'guitar', bars }],
    },
    effort: gradeOf(heaviest + haste + (plan.morePoints ?? 0)),
    heaviestGrip: grade,
    tempoBpm: null,
    predictedBpm: null,
    hasBarre: plan.hasBarre ?? false,
    overLimit: overLimit(grade, context) > 0,
    bursts: { count: 1, workSeconds: Math.max(1, bars.length) * secondsPerCall, restSeconds: 0 },
    question: { code: 'question.calls', values: { of: calls, seconds: secondsPerCall } },
    judged: 'calls',
    prelude: [],
    leftOut: plan.leftOut ?? [],
  };
}

/** The list in a drawn order (Fisher and Yates 1938). */
export function shuffled<T>(list: readonly T[], random: Random): T[] {
  const drawn = [...list];
  for (let i = drawn.length - 1; i > 0; i--) {
    const j = random.int(0, i);
    [drawn[i], drawn[j]] = [drawn[j], drawn[i]];
  }
  return drawn;
}

/** `count` of a list in drawn rounds: everything once before anything comes again, never twice running. */
export function inRounds<T>(list: readonly T[], count: number, random: Random): T[] {
  const asked: T[] = [];
  while (asked.length < count) {
    const round = shuffled(list, random);
    if (round.length > 1 && round[0] === asked[asked.length - 1]) round.push(round.shift() as T);
    asked.push(...round);
  }
  return asked.slice(0, count);
}
