/**
 * Why a number is what it is: the takes that made it, what each moved, and one sentence about what matters most: a fall within a
 * day, what slips, what is stuck, what days away took. Told by reading the log again, so that it says what the state says.
 */
import { EVIDENCE_KINDS, type EvidenceKind } from '../drills/family';
import type { Counted } from './evidence-apart';
import type { StepOutcome, TakeResult, TakeSource } from '../drills/take';
import type { DrillFamily } from '../drills/recipe';
import type { Reason } from '../effort/explain';
import { median } from '../kernel/number';
import type { Skill, Syllabus } from '../syllabus/skill';
import { cleanChance } from './ability';
import { DAY_MS, STATES } from './constants';
import { dayReader } from './days';
import { upTo, type LogEvent } from './log';
import { painAt } from './pain';
import { makeReplayer, startOf, type ReplayContext, type SkillsSoFar } from './replay';
import { skillStateAt, type SkillState } from './skill-state';

/** A take of the skill, and what it moved: the chance of a clean one after the take before, and after it, 0 to 1; days away aside. */
export interface ToldTake {
  readonly id: string;
  /** ms since 1970, and the student's day of it. */
  readonly at: number;
  readonly day: string;
  readonly family: DrillFamily;
  readonly source: TakeSource;
  readonly tempoBpm: number | null;
  readonly result: TakeResult;
  /** Steps that came clean, of how many; null where only the result was logged. */
  readonly steps: { readonly clean: number; readonly all: number } | null;
  /** What went wrong most often in it. */
  readonly fault: StepOutcome | null;
  readonly before: number;
  readonly after: number;
}

export interface Why {
  readonly skillId: string;
  /** Chance of a clean take now, 0 to 1; null until it was met. */
  readonly now: number | null;
  /** What the number is made of, in the same unit: they add up to it. */
  readonly parts: { readonly start: number; readonly takes: number; readonly away: number };
  readonly story: Reason;
  /** What to try; null where nothing is wrong. */
  readonly advice: Reason | null;
  /** The newest first, as many as are told of; `counted` is how many there were. */
  readonly takes: readonly ToldTake[];
  readonly counted: number;
  /** Takes of other kinds of evidence, the commonest first: they count for themselves, not for the number. */
  readonly apart: readonly ({ readonly kind: EvidenceKind } & Counted)[];
}

/** Points of a fall within a day, and of days away, that are worth a sentence; takes told of. */
const WHY = {
  fall: 0.2,
  stillDown: 0.1,
  fallDays: 42,
  away: 0.05,
  recent: 5,
  recentClean: 0.8,
  stuck: 8,
  told: 40,
  over: 1.1,
  slower: 0.85,
} as const;

/** Why a skill's number is what it is at an instant, ms since 1970. Null where the syllabus has no such skill. */
export function whyOf(
  events: readonly LogEvent[],
  context: ReplayContext,
  skillId: string,
  now: number,
): Why | null {
  const skill = context.syllabus.skills.find(({ id }) => id === skillId);
  if (!skill) return null;
  // What it needs is where it starts; the rest of the syllabus does not touch it.
  const replayer = makeReplayer({ ...context, syllabus: restingOn(skill, context.syllabus) });
  const dayOf = dayReader(context.timeZone);
  const sofar = replayer.begin(now);
  const told: ToldTake[] = [];
  const target = replayer.targetOf(sofar, skill);
  let start = startsAt(skill, sofar, target, now);
  for (const { event, at } of upTo(events, now).live) {
    if (event.kind !== 'attempt') {
      replayer.follow(sofar, event, at);
      continue;
    }
    const known = sofar.skills.get(skillId) ?? null;
    if (!known) start = startsAt(skill, sofar, target, at);
    replayer.follow(sofar, event, at);
    if (sofar.skills.get(skillId) === known || !sofar.skills.has(skillId)) continue;
    const { take } = event;
    told.push({
      id: event.id,
      at,
      day: dayOf(at),
      family: take.recipe.family,
      source: take.source,
      tempoBpm: take.tempoBpm,
      result: take.result,
      steps: take.steps.length
        ? { clean: take.steps.filter((step) => step === 'clean').length, all: take.steps.length }
        : null,
      fault: mostOften(take.steps.filter((step) => step !== 'clean')),
      before: told.at(-1)?.after ?? start,
      after: movedTo(skill, sofar, target, at),
    });
  }
  const state = stateNow(skill, sofar, target, now);
  const last = told.at(-1);
  const chance = state.chance?.mean ?? null;
  const said = sentence(skill, state, told, now);
  const pain = painAt(sofar.pain, now, dayOf).status;
  const mayPlay = pain !== 'locked' && pain !== 'stopped today';
  return {
    skillId,
    now: chance,
    parts:
      last && chance !== null
        ? { start, takes: last.after - start, away: chance - last.after }
        : { start, takes: 0, away: 0 },
    ...(mayPlay ? said : { ...said, advice: { code: 'advice.pain', values: {} } }),
    takes: told.slice(-WHY.told).reverse(),
    counted: told.length,
    apart: EVIDENCE_KINDS.flatMap((kind) => {
      const counted = state.apart[kind];
      return counted ? [{ kind, ...counted }] : [];
    }).sort((a, b) => b.takes - a.takes),
  };
}

/** The skill and all it rests on, however far back. */
function restingOn(skill: Skill, syllabus: Syllabus): Syllabus {
  const wanted = new Set([skill.id]);
  for (const id of wanted)
    for (const need of syllabus.skills.find((one) => one.id === id)?.needs.flat() ?? []) wanted.add(need);
  return { ...syllabus, skills: syllabus.skills.filter(({ id }) => wanted.has(id)) };
}

const stateNow = (skill: Skill, sofar: SkillsSoFar, target: number, at: number): SkillState =>
  skillStateAt(skill, sofar.skills.get(skill.id) ?? null, startOf(skill, sofar, at), target, at, {
    override: null,
    apart: sofar.apart.get(skill.id) ?? {},
    hardThird: null,
  });
/** What the takes alone came to: what days away took, brought back or not, stands apart. */
function movedTo(skill: Skill, sofar: SkillsSoFar, target: number, at: number): number {
  const known = sofar.skills.get(skill.id);
  return known ? cleanChance(known.belief, target).mean : startsAt(skill, sofar, target, at);
}
const startsAt = (skill: Skill, sofar: SkillsSoFar, target: number, at: number): number =>
  cleanChance(startOf(skill, sofar, at), target).mean;

/** The one that comes most often, the first of equals; null of none. */
function mostOften<T>(list: readonly T[]): T | null {
  const counts = new Map<T, number>();
  for (const one of list) counts.set(one, (counts.get(one) ?? 0) + 1);
  return [...counts].reduce<[T | null, number]>((best, one) => (one[1] > best[1] ? one : best), [null, 0])[0];
}

type Sentence = Pick<Why, 'story' | 'advice'>;

function sentence(skill: Skill, state: SkillState, told: readonly ToldTake[], now: number): Sentence {
  const last = told.at(-1);
  if (!last || !state.chance) return { story: { code: 'why.none', values: {} }, advice: null };
  const chance = state.chance.mean;
  if (state.marks.slipping && state.peak) {
    const failed = since(told, (take) => take.result === 'clean');
    return {
      story: {
        code: 'why.slipping',
        values: {
          was: points(state.peak.mean),
          on: state.peak.at,
          missed: failed.length,
          ...tempi(failed),
          last: last.at,
        },
      },
      advice: adviceFor(skill, told, failed),
    };
  }
  if (state.marks.stuck) {
    const recent = told.slice(-WHY.stuck);
    const best = recent.reduce((most, { steps }) => Math.max(most, steps ? steps.clean / steps.all : 0), 0);
    return {
      story: {
        code: 'why.stuck',
        values: {
          takes: told.length,
          since: told[0].at,
          recent: recent.length,
          clean: recent.filter(({ result }) => result === 'clean').length,
          best: points(best),
          ...tempi(recent),
        },
      },
      advice: adviceFor(
        skill,
        told,
        recent.filter(({ result }) => result !== 'clean'),
      ),
    };
  }
  const fall = fallOf(told, now);
  if (fall && fall.from - chance >= WHY.stillDown) {
    const missed = fall.takes.filter(({ result }) => result !== 'clean');
    return {
      story: {
        code: 'why.fall',
        values: {
          from: points(fall.from),
          to: points(fall.to),
          on: fall.takes[0].at,
          missed: missed.length,
          of: fall.takes.length,
          ...tempi(missed),
          target: skill.targetBpm ?? 0,
        },
      },
      advice: adviceFor(skill, told, missed),
    };
  }
  const lost = last.after - chance;
  // What was not half held was not lost by days: its takes say more.
  const unclean = since(told, ({ result }) => result === 'clean');
  const isAway = lost >= WHY.away && last.after >= STATES.rough;
  if (isAway && unclean.length)
    return {
      story: {
        code: 'why.not-back',
        values: { lost: points(lost), missed: unclean.length, ...tempi(unclean), last: last.at },
      },
      advice: adviceFor(skill, told, unclean),
    };
  if (isAway)
    return {
      story: {
        code: 'why.away',
        values: { lost: points(lost), days: Math.round((now - last.at) / DAY_MS), last: last.at },
      },
      advice: { code: 'advice.again', values: {} },
    };
  const recent = told.slice(-WHY.recent);
  const clean = recent.filter(({ result }) => result === 'clean').length;
  return {
    story: { code: 'why.recent', values: { takes: recent.length, clean, ...tempi(recent), last: last.at } },
    advice:
      clean >= WHY.recentClean * recent.length
        ? null
        : adviceFor(
            skill,
            told,
            recent.filter(({ result }) => result !== 'clean'),
          ),
  };
}

/** What stands behind the last take for which something holds. */
function since(told: readonly ToldTake[], holds: (take: ToldTake) => boolean): readonly ToldTake[] {
  return told.slice(told.findLastIndex(holds) + 1);
}

/** The deepest fall within a day of the last weeks. */
function fallOf(
  told: readonly ToldTake[],
  now: number,
): { from: number; to: number; takes: readonly ToldTake[] } | null {
  const days = new Map<string, ToldTake[]>();
  for (const take of told)
    if (now - take.at <= WHY.fallDays * DAY_MS) days.set(take.day, [...(days.get(take.day) ?? []), take]);
  const falls = [...days.values()].map((takes) => ({
    from: takes[0].before,
    to: takes[takes.length - 1].after,
    takes,
  }));
  const deepest = falls.sort((a, b) => b.from - b.to - (a.from - a.to))[0];
  return deepest && deepest.from - deepest.to >= WHY.fall ? deepest : null;
}

const points = (share: number): number => Math.round(100 * share);

/** Slowest and fastest tempo of takes; 0 where none had one. */
function tempi(takes: readonly ToldTake[]): { slow: number; fast: number } {
  const all = takes.flatMap(({ tempoBpm }) => tempoBpm ?? []);
  return all.length ? { slow: Math.min(...all), fast: Math.max(...all) } : { slow: 0, fast: 0 };
}

/** What to try after takes that were not clean: the tempo aimed at, a slower one, or what went wrong most. */
function adviceFor(skill: Skill, told: readonly ToldTake[], failed: readonly ToldTake[]): Reason {
  const bpms = failed.flatMap(({ tempoBpm }) => tempoBpm ?? []);
  const usual = bpms.length ? median(bpms) : null;
  if (usual !== null && skill.targetBpm !== null && usual > WHY.over * skill.targetBpm)
    return { code: 'advice.target', values: { bpm: skill.targetBpm } };
  const fault = mostOften(failed.flatMap((take) => take.fault ?? []));
  const isOfTime = fault === null || fault === 'late' || fault === 'early';
  if (usual === null || !isOfTime)
    return fault === null
      ? { code: 'advice.lighter', values: {} }
      : { code: 'advice.fault', values: { fault } };
  const held = told.findLast(
    ({ result, tempoBpm }) => result === 'clean' && tempoBpm !== null && tempoBpm < usual,
  );
  return { code: 'advice.slower', values: { bpm: Math.round(held?.tempoBpm ?? WHY.slower * usual) } };
}
