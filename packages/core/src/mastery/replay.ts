/**
 * From the log to what a student holds: a pure function of events, dated hands and instruments, syllabus,
 * difficulty fit and now. Events are sorted by when they happened, then id, so that any batch split and any
 * order of arrival give the same state.
 */
import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';
import { itemKey, type Item } from '../drills/items';
import { makeDrill } from '../drills/make-drill';
import type { Take } from '../drills/take';
import { indexAt } from '../hands/dated';
import { recordedHand, type HandRecords } from '../hands/taught-hand';
import type { Skill, Syllabus } from '../syllabus/skill';
import { skillsOf } from '../syllabus/skills-of';
import {
  afterDays,
  cleanChance,
  forgettingLoad,
  learnFrom,
  takeWeight,
  type Belief,
  type CleanChance,
} from './ability';
import { MASTERY, STATES } from './constants';
import { difficultyLogits, makeGrader, takeLoad, tempoLoad, type ItemGrader } from './difficulty';
import { happenedAt, type LogEvent, type MasteryState } from './log';
import { dueAt, recallAt, remember, type Memory } from './memory';
import { painState, type PainState } from './pain';
import { judgeState, type Marks } from './states';

/** Hands and instruments as they were on record when each take was played; a school changes no record. */
export interface ReplayContext extends Pick<HandRecords, 'hands' | 'instruments' | 'difficultyFit'> {
  readonly syllabus: Syllabus;
  readonly timeZone: string;
}

export interface HistoryPoint {
  /** ms since 1970. */
  readonly at: number;
  readonly mean: number;
  readonly low: number;
  readonly high: number;
  readonly clean: boolean;
}

export interface SkillState {
  readonly skillId: string;
  readonly state: MasteryState;
  /** Set when a teacher said otherwise; `computed` is what the takes say. */
  readonly overridden: boolean;
  readonly computed: MasteryState;
  readonly attempts: number;
  /** P(clean at target tempo) now, with its 80 % interval; null until met. */
  readonly chance: CleanChance | null;
  /** The mean after 14 more days without a take. */
  readonly outlook: number | null;
  /** Difficulty and tempo load at the target, logits. */
  readonly targetLoad: number;
  readonly belief: Belief;
  readonly recall: number | null;
  readonly dueAt: number | null;
  readonly lastAt: number | null;
  readonly lastClean: boolean;
  readonly everClean: boolean;
  /** Best mean reached and when. */
  readonly peak: { readonly mean: number; readonly at: number } | null;
  readonly marks: Marks;
  readonly history: readonly HistoryPoint[];
  /** Last tempo played, for the next one. */
  readonly lastBpm: number | null;
}

export interface StudentState {
  readonly now: number;
  readonly today: string;
  /** In syllabus order. */
  readonly skills: readonly SkillState[];
  readonly pain: PainState;
  readonly takes: number;
  readonly lastTakeAt: number | null;
  readonly feels: {
    readonly easy: number;
    readonly tense: number;
    readonly pain: number;
    readonly unanswered: number;
  };
}

interface Running {
  belief: Belief;
  memory: Memory | null;
  attempts: number;
  lastAt: number;
  lastClean: boolean;
  everClean: boolean;
  days: Set<string>;
  contexts: Set<string>;
  heardAtTarget: boolean;
  peak: { mean: number; at: number } | null;
  history: HistoryPoint[];
  trail: { at: number; belief: Belief }[];
  lastBpm: number | null;
}

const DAY_MS = 86_400_000;
/** Load of a skill whose first drill this hand cannot hold. */
const BEYOND_REACH_LOGITS = 4;

/** What a student holds at `now` (ms since 1970). Events after `now` are left out. */
export function replay(events: readonly LogEvent[], context: ReplayContext, now: number): StudentState {
  const sorted = inOrder(events).filter((event) => happenedAt(event) <= now);
  const voided = new Set(sorted.flatMap((event) => (event.kind === 'void' ? [event.voids] : [])));
  const live = sorted.filter((event) => !voided.has(event.id));
  const dayOf = dayReader(context.timeZone);
  const graders = datedGraders(context);
  const targets = new Map<string, number>();
  const current = graders(now);
  for (const skill of context.syllabus.skills)
    targets.set(skill.id, targetLoad(skill, context, current, now));

  const exercised = matcher(context.syllabus);
  const running = new Map<string, Running>();
  const overrides = new Map<string, MasteryState | null>();
  const feels = { easy: 0, tense: 0, pain: 0, unanswered: 0 };
  let takes = 0;
  let lastTakeAt: number | null = null;
  for (const event of live) {
    const at = happenedAt(event);
    if (event.kind === 'override') overrides.set(event.skillId, event.state);
    if (event.kind !== 'attempt') continue;
    takes++;
    lastTakeAt = at;
    feels[event.take.feel?.hand ?? 'unanswered']++;
    const grader = graders(at);
    for (const { skill, items } of exercised(event.take.items)) {
      const before = running.get(skill.id) ?? startOf(skill, running);
      const load = takeLoad(event.take, items, grader, context.difficultyFit);
      running.set(
        skill.id,
        afterTake(before, event.take, at, load, targets.get(skill.id) ?? 0, skill, dayOf(at)),
      );
    }
  }
  return {
    now,
    today: dayOf(now),
    skills: context.syllabus.skills.map((skill) => {
      const one = running.get(skill.id) ?? null;
      return describe(
        skill,
        one,
        one?.belief ?? startOf(skill, running).belief,
        targets.get(skill.id) ?? 0,
        now,
        overrides.get(skill.id) ?? null,
      );
    }),
    pain: painState(live, now, dayOf),
    takes,
    lastTakeAt,
    feels,
  };
}

/** Events by when they happened, then id. */
export function inOrder(events: readonly LogEvent[]): LogEvent[] {
  const timed = events.map((event) => ({ event, at: happenedAt(event) }));
  timed.sort((a, b) => a.at - b.at || (a.event.id < b.event.id ? -1 : a.event.id > b.event.id ? 1 : 0));
  return timed.map((one) => one.event);
}

/** Reads the calendar day, YYYY-MM-DD, of an instant in a zone; neighbouring instants are remembered. */
export function dayReader(timeZone: string): (ms: number) => string {
  const known = new Map<number, string>();
  return (ms) => {
    const quarter = Math.floor(ms / 900_000);
    let day = known.get(quarter);
    if (day === undefined) {
      day = format(new TZDate(ms, timeZone), 'yyyy-MM-dd');
      known.set(quarter, day);
    }
    return day;
  };
}

/** `skillsOf`, remembered by the items' keys: a log asks about the same few item lists over and over. */
function matcher(syllabus: Syllabus): (items: readonly Item[]) => ReturnType<typeof skillsOf> {
  const known = new Map<string, ReturnType<typeof skillsOf>>();
  return (items) => {
    const key = items.map(itemKey).join('|');
    let found = known.get(key);
    if (!found) known.set(key, (found = skillsOf(items, syllabus)));
    return found;
  };
}

function datedGraders({ hands, instruments }: ReplayContext): (ms: number) => ItemGrader {
  const made = new Map<string, ItemGrader>();
  return (ms) => {
    const key = `${indexAt(hands, ms)} ${indexAt(instruments, ms)}`;
    let grader = made.get(key);
    if (!grader) made.set(key, (grader = makeGrader(recordedHand({ hands, instruments }, ms))));
    return grader;
  };
}

/** Load of a skill's first recipe at its target tempo for the present hand. */
function targetLoad(skill: Skill, context: ReplayContext, grader: ItemGrader, now: number): number {
  const drill = makeDrill(skill.practice[0], recordedHand(context, now));
  if (!drill.ok) return BEYOND_REACH_LOGITS;
  const all = drill.value.items;
  const own = skillsOf(all, { ...context.syllabus, skills: [skill] })[0]?.items ?? all;
  const load = difficultyLogits(own, all, grader, context.difficultyFit);
  return load + tempoLoad(skill.targetBpm, grader.predictedBpm(all));
}

/** A new skill starts from what it needs, not from zero. */
function startOf(skill: Skill, running: ReadonlyMap<string, Running>): Running {
  const needs = skill.needs.flat().flatMap((id) => running.get(id)?.belief.mean ?? []);
  const mean = needs.length
    ? (MASTERY.fromNeeds * needs.reduce((a, b) => a + b, 0)) / needs.length
    : MASTERY.priorMean;
  return {
    belief: { mean, variance: MASTERY.priorVariance },
    memory: null,
    attempts: 0,
    lastAt: 0,
    lastClean: false,
    everClean: false,
    days: new Set(),
    contexts: new Set(),
    heardAtTarget: false,
    peak: null,
    history: [],
    trail: [],
    lastBpm: null,
  };
}

function afterTake(
  before: Running,
  take: Take,
  at: number,
  load: number,
  target: number,
  skill: Skill,
  day: string,
): Running {
  const clean = take.result === 'clean';
  const rested = before.memory ? afterDays(before.belief, (at - before.lastAt) / DAY_MS) : before.belief;
  const forgotten = before.memory ? forgettingLoad(recallAt(before.memory, at)) : 0;
  const learned = learnFrom(rested, clean, load + forgotten, takeWeight(take.steps.length));
  const belief = { mean: learned.mean + MASTERY.gainPerTake, variance: learned.variance };
  const chance = cleanChance(belief, target);
  const days = before.days.add(day);
  const contexts = clean ? before.contexts.add(contextOf(take)) : before.contexts;
  const attempts = before.attempts + 1;
  const reachedClean =
    attempts >= STATES.leastTakes &&
    chance.mean >= STATES.clean &&
    chance.low >= STATES.cleanLower &&
    days.size >= STATES.cleanDays;
  const atTarget = skill.targetBpm === null || (take.tempoBpm ?? 0) >= skill.targetBpm;
  return {
    belief,
    memory: remember(before.memory, take.result, at),
    attempts,
    lastAt: at,
    lastClean: clean,
    everClean: before.everClean || reachedClean,
    days,
    contexts,
    heardAtTarget:
      before.heardAtTarget ||
      (clean && atTarget && (take.source === 'teacher' || take.source === 'listener')),
    peak: !before.peak || chance.mean > before.peak.mean ? { mean: chance.mean, at } : before.peak,
    history: [...before.history, { at, mean: chance.mean, low: chance.low, high: chance.high, clean }],
    trail: [...before.trail, { at, belief }],
    lastBpm: take.tempoBpm ?? before.lastBpm,
  };
}

/** What surrounded the skill in a take: the other chords, the key, the drill. */
function contextOf(take: Take): string {
  const grips = take.items.flatMap((item) => (item.kind === 'grip' ? [item.chord + item.frets.join()] : []));
  return `${take.recipe.family} ${grips.join(' ')}`;
}

function describe(
  skill: Skill,
  one: Running | null,
  belief: Belief,
  target: number,
  now: number,
  override: MasteryState | null,
): SkillState {
  if (!one?.memory) {
    return {
      skillId: skill.id,
      state: override ?? 'not met',
      overridden: override !== null,
      computed: 'not met',
      attempts: 0,
      chance: null,
      outlook: null,
      targetLoad: target,
      belief,
      recall: null,
      dueAt: null,
      lastAt: null,
      lastClean: false,
      everClean: false,
      peak: null,
      marks: { due: false, slipping: false, stuck: false },
      history: [],
      lastBpm: null,
    };
  }
  const recall = recallAt(one.memory, now);
  const rested = afterDays(one.belief, (now - one.lastAt) / DAY_MS);
  const later = now + STATES.outlookDays * DAY_MS;
  const outlook = afterDays(one.belief, (later - one.lastAt) / DAY_MS);
  const chance = cleanChance(rested, target + forgettingLoad(recall));
  const { state, marks } = judgeState({
    attempts: one.attempts,
    chance,
    days: [...one.days].sort(),
    contexts: one.contexts.size,
    heardAtTarget: one.heardAtTarget,
    everClean: one.everClean,
    lastClean: one.lastClean,
    recall,
    due: dueAt(one.memory) <= now || recall < STATES.dueRecall,
    trail: one.trail,
    belief: one.belief,
  });
  return {
    skillId: skill.id,
    state: override ?? state,
    overridden: override !== null,
    computed: state,
    attempts: one.attempts,
    chance,
    outlook: cleanChance(outlook, target + forgettingLoad(recallAt(one.memory, later))).mean,
    targetLoad: target,
    belief: rested,
    recall,
    dueAt: dueAt(one.memory),
    lastAt: one.lastAt,
    lastClean: one.lastClean,
    everClean: one.everClean,
    peak: one.peak,
    marks,
    history: one.history,
    lastBpm: one.lastBpm,
  };
}
