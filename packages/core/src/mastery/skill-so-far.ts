/**
 * What the takes of one skill said so far, one after the other: ability, memory, and what the rules for its states ask about.
 * Plain data of a bounded size, however many takes there were; days and lapse of time are read from it later.
 */
import { mean } from '../kernel/number';
import type { Take } from '../drills/take';
import type { Skill } from '../syllabus/skill';
import {
  afterDays,
  cleanChance,
  forgettingLoad,
  learnFrom,
  shareOver,
  takeWeight,
  type Belief,
} from './ability';
import { DAY_MS, MASTERY, STATES } from './constants';
import { NO_HISTORY, withPoint, type PackedHistory } from './history';
import { recallAt, remember, type Memory } from './memory';

export interface SkillSoFar {
  readonly belief: Belief;
  readonly memory: Memory;
  readonly attempts: number;
  readonly firstAt: number;
  readonly lastAt: number;
  readonly lastClean: boolean;
  readonly everClean: boolean;
  /** Days with takes: how many, the first and the last, YYYY-MM-DD. */
  readonly days: { readonly count: number; readonly first: string; readonly last: string };
  /** Surroundings in which it came clean; no more than any state asks for. */
  readonly contexts: readonly string[];
  readonly heardAtTarget: boolean;
  /** Difficulty of the hardest drill in which it came clean, logits; null before. */
  readonly hardest: number | null;
  /** Logits that time away had taken when a take did not bring them back; 0 once one came clean. */
  readonly notBack: number;
  /** Best mean reached and when. */
  readonly peak: { readonly mean: number; readonly at: number };
  /** Takes of the last weeks before the last one, `STATES.historyDays`. */
  readonly history: PackedHistory;
  /** The last takes, as many as "stuck" looks back on. */
  readonly trail: readonly { readonly at: number; readonly belief: Belief }[];
  /** Last tempo played, for the next one. */
  readonly lastBpm: number | null;
}

/** A new skill starts from what it needs, not from zero. @param prior where nothing is known of what it needs, logits */
export function startingBelief(skill: Skill, others: ReadonlyMap<string, SkillSoFar>, prior: number): Belief {
  const needs = skill.needs.flat().flatMap((id) => others.get(id)?.belief.mean ?? []);
  const toward = needs.length ? mean(needs) - prior : 0;
  return { mean: prior + MASTERY.fromNeeds * toward, variance: MASTERY.priorVariance };
}

/** A take of a skill as it was played. */
export interface SkillTake {
  readonly take: Take;
  /** ms since 1970. */
  readonly at: number;
  /** The student's day of it. */
  readonly day: string;
  /** Difficulty and tempo of the take, logits. */
  readonly load: number;
  /** The same at the skill's target. */
  readonly target: number;
  /** Difficulty of the drill, whatever of it the skill is, logits. */
  readonly surroundings: number;
  /** Tempo load over the tempo asked, logits. */
  readonly over: number;
}

/** How a skill stands when a take of it begins: what is believed, and the load of the take with what days away took, logits. */
export function standsBefore(
  before: SkillSoFar | null,
  start: Belief,
  at: number,
  load: number,
): { readonly rested: Belief; readonly load: number } {
  if (!before) return { rested: start, load };
  return {
    rested: afterDays(before.belief, (at - before.lastAt) / DAY_MS),
    load: load + awayLoad(before, at),
  };
}

/** What is known after one more take, which is no earlier than the last. */
export function afterTake(
  skill: Skill,
  before: SkillSoFar | null,
  start: Belief,
  { take, at, day, load, target, surroundings, over }: SkillTake,
): SkillSoFar {
  const clean = take.result === 'clean';
  const stands = standsBefore(before, start, at, load);
  const weight = takeWeight(take.steps.length) * shareOver(over, clean);
  const learned = learnFrom(stands.rested, clean, stands.load, weight);
  const belief = { mean: learned.mean + MASTERY.gainPerTake, variance: learned.variance };
  const notBack = clean ? 0 : stands.load - load;
  const chance = cleanChance(belief, target + notBack);
  const days = withDay(before?.days ?? null, day);
  const attempts = (before?.attempts ?? 0) + 1;
  const reachedClean =
    attempts >= STATES.leastTakes &&
    chance.mean >= STATES.clean &&
    chance.low >= STATES.cleanLower &&
    days.count >= STATES.cleanDays;
  const atTarget = skill.targetBpm === null || (take.tempoBpm ?? 0) >= skill.targetBpm;
  return {
    belief,
    memory: remember(before?.memory ?? null, take.result, at),
    attempts,
    firstAt: before?.firstAt ?? at,
    lastAt: at,
    lastClean: clean,
    everClean: (before?.everClean ?? false) || reachedClean,
    days,
    contexts: clean ? withContext(before?.contexts ?? [], contextOf(take)) : (before?.contexts ?? []),
    heardAtTarget:
      (before?.heardAtTarget ?? false) ||
      (clean && atTarget && (take.source === 'teacher' || take.source === 'listener')),
    peak: !before || chance.mean > before.peak.mean ? { mean: chance.mean, at } : before.peak,
    history: withPoint(before?.history ?? NO_HISTORY, {
      at,
      mean: chance.mean,
      low: chance.low,
      high: chance.high,
      clean,
    }),
    trail: [...(before?.trail ?? []), { at, belief }].slice(-STATES.stuck.takes),
    lastBpm: take.tempoBpm ?? before?.lastBpm ?? null,
    hardest: clean ? Math.max(surroundings, before?.hardest ?? surroundings) : (before?.hardest ?? null),
    notBack,
  };
}

/** Logits that time away takes at an instant: what recall lost since the last take, or what that one did not bring back. */
export const awayLoad = ({ memory, notBack }: Pick<SkillSoFar, 'memory' | 'notBack'>, at: number): number =>
  Math.max(notBack, forgettingLoad(recallAt(memory, at)));

/** Takes come in order, so that a new day is a later one. */
function withDay(days: SkillSoFar['days'] | null, day: string): SkillSoFar['days'] {
  if (!days) return { count: 1, first: day, last: day };
  return days.last === day ? days : { ...days, count: days.count + 1, last: day };
}

function withContext(contexts: readonly string[], one: string): readonly string[] {
  return contexts.length >= STATES.settledContexts || contexts.includes(one) ? contexts : [...contexts, one];
}

/** What surrounded the skill in a take: the other chords, the key, the drill. */
function contextOf(take: Take): string {
  const grips = take.items.flatMap((item) => (item.kind === 'grip' ? [item.chord + item.frets.join()] : []));
  return `${take.recipe.family} ${grips.join(' ')}`;
}
