/**
 * What could be done in a lesson: the skills that are worth most to this student now, each as a block with a drill made for this
 * hand. What it is worth is asked of all, a drill is made only of those that may come in.
 */
import { setsTempo, withTempo } from '../drills/fields';
import { easier, gripsOf, makeDrill } from '../drills/make-drill';
import { overLimit, type TaughtHand } from '../hands/taught-hand';
import { changeLoop, type Drill, type NamedGrip, type Recipe } from '../drills/recipe';
import type { Reason } from '../effort/explain';
import { isQuiet } from '../drills/evidence';
import { cleanChance, forgettingLoad } from '../mastery/ability';
import { DAY_MS, MASTERY } from '../mastery/constants';
import { FIRST_STABILITY_DAYS, forgottenAfter, stabilityAfter } from '../mastery/memory';
import { targetLoad } from '../mastery/targets';
import { stageOf } from '../mastery/experience';
import { difficultyLogits, makeGrader, tempoLoadOf, type ItemGrader } from '../mastery/difficulty';
import type { StudentState } from '../mastery/replay';
import { skillShift } from '../mastery/studio-fit';
import type { SkillState } from '../mastery/skill-state';
import { skillsOf } from '../syllabus/skills-of';
import { isUse, ownDrills, type Skill, type Syllabus } from '../syllabus/skill';
import type { Choice } from './choose';
import type { BlockKind } from './plan';
import { waitingFor, worthOf, type Clock, type Prospect } from './worth';

const WORTH = {
  /** Drills are set where about so many come clean: of tempo and notch, not of what is worth practising. */
  bestChance: 0.8,
  near: 0.12,
  /** A goal without a day, and what leads to it a step before. */
  goal: 1.6,
  goalPerStep: 0.7,
  /** A use is worth this share of the new thing it uses. */
  useOfNew: 0.6,
  held: 0.85,
} as const;

/** What e times the takes and the days add, logits, and the takes after which that begins to tell: voice one of the estimator. */
const PRACTICE = { perRows: 1.2, perDays: 0.62, rowScale: 12 } as const;

/** Candidates of each kind, the most worth first: enough for any lesson, few enough to be quick. */
const TRIED = { met: 18, new: 6, use: 8, trouble: 4 } as const;

/** Minutes a block may have. One that is held is short, what is mended is not; only music is long. */
const LENGTHS = {
  held: [3, 4],
  heldUse: [3, 4, 5],
  work: [3, 4, 5, 6, 7],
  mended: [5, 6, 7],
  new: [4, 5, 6, 7],
  use: [3, 4, 5, 6, 8],
} as const;

export interface Candidate extends Choice {
  readonly skill: Skill;
  readonly state: SkillState;
  readonly recipe: Recipe;
  readonly drill: Drill;
  /** Chance that the drill comes clean now, 0 to 1. */
  readonly chance: number;
  readonly because: Reason;
}

export interface CandidateContext {
  readonly taught: TaughtHand;
  readonly syllabus: Syllabus;
  readonly goals: readonly string[];
  /** Skills a teacher waived for this hand. */
  readonly waived: readonly string[];
  readonly allowBarre: boolean;
}

export const ONCE_CLEAN = (state: SkillState) =>
  state.everClean || state.state === 'clean' || state.state === 'settled';

/** Whether the needs of a skill were once clean and have not slipped since. */
export function isOpen(
  skill: Skill,
  states: ReadonlyMap<string, SkillState>,
  waived: readonly string[],
): boolean {
  return skill.needs.every((group) =>
    group.some((id) => {
      const state = states.get(id);
      return waived.includes(id) || (state !== undefined && ONCE_CLEAN(state) && !state.marks.slipping);
    }),
  );
}

/** A skill that might come in, before a drill is made of it. */
export interface Ranked {
  readonly skill: Skill;
  readonly state: SkillState;
  readonly kind: BlockKind;
  readonly worth: number;
  readonly unlocks: number;
}

/** Every skill that may be asked of this student now, the most worth first. */
export function rankedSkills(state: StudentState, context: CandidateContext): Ranked[] {
  const { syllabus, waived, taught, goals } = context;
  const states = new Map(state.skills.map((one) => [one.skillId, one]));
  const grader = makeGrader(taught, stageOf(state.experience));
  const met = state.skills.filter(({ attempts }) => attempts > 0);
  const total = (of: (one: SkillState) => number) => met.reduce((sum, one) => sum + of(one), 0);
  const clock: Clock = {
    rowsAVisit: (total(({ attempts }) => attempts) + 1) / (total(({ days }) => days) + 1),
    rowScale: PRACTICE.rowScale,
    forgotten: forgottenAfter,
    grown: stabilityAfter,
  };
  const graph = syllabus.skills.map(({ id, needs }) => ({ id, needs: needs.flat() }));
  const isLocked = (id: string) => {
    const skill = syllabus.skills.find((one) => one.id === id);
    return skill !== undefined && states.get(id)?.attempts === 0 && !isOpen(skill, states, waived);
  };
  const wished = wishedFor(goals, syllabus);
  const ranked = syllabus.skills.flatMap((skill): Ranked[] => {
    const own = states.get(skill.id);
    if (!own || waived.includes(skill.id) || (skill.barre && !context.allowBarre)) return [];
    const kind = kindOf(skill, own, states, waived);
    if (!kind) return [];
    const waiting = waitingFor(skill.id, graph, isLocked);
    const prospect = prospectOf(own, targetOf(skill, own, context, grader, state.now), state.now);
    return [
      {
        skill,
        state: own,
        kind,
        worth: worthOf(prospect, clock, waiting) * (wished.get(skill.id) ?? 1),
        unlocks: waiting.filter(({ step, locked }) => step === 1 && locked).length,
      },
    ];
  });
  return ranked.sort((a, b) => b.worth - a.worth || (a.skill.id < b.skill.id ? -1 : 1));
}

/** What goals make of skills: a goal itself most, what leads to it less the more steps it is away. */
function wishedFor(goals: readonly string[], { skills }: Syllabus): Map<string, number> {
  const wished = new Map(goals.map((id) => [id, WORTH.goal as number]));
  let edge = [...goals];
  let more = WORTH.goal - 1;
  while (edge.length > 0) {
    more *= WORTH.goalPerStep;
    const next = edge.flatMap((id) => skills.find((one) => one.id === id)?.needs.flat() ?? []);
    edge = next.filter((id) => !wished.has(id));
    for (const id of edge) wished.set(id, 1 + more);
  }
  return wished;
}

/** Load at the target, logits: as its takes were read, or as it would be asked of somebody new to it. */
function targetOf(
  skill: Skill,
  own: SkillState,
  { taught }: CandidateContext,
  grader: ItemGrader,
  now: number,
): number {
  if (own.attempts > 0) return own.target;
  const from = new Date(now).toISOString();
  const records = {
    hands: [{ from, value: taught.hand }],
    instruments: [{ from, value: taught.instrument }],
    difficultyFit: taught.difficultyFit,
  };
  return targetLoad(skill, records, grader, now) + skillShift(taught.difficultyFit, skill.id);
}

/** What is known of a skill, as the worth of a visit asks for it. */
function prospectOf(own: SkillState, target: number, now: number): Prospect {
  const { perRows, perDays, rowScale } = PRACTICE;
  const away = own.lastAt === null ? 0 : Math.max(0, (now - own.lastAt) / DAY_MS);
  return {
    base:
      own.belief.mean -
      target -
      perRows * Math.log(1 + own.attempts / rowScale) -
      perDays * Math.log(1 + own.days),
    variance: own.belief.variance,
    rows: own.attempts,
    days: own.days,
    away,
    playedToday: own.lastAt !== null && away < 0.4,
    stabilityDays: own.stabilityDays ?? FIRST_STABILITY_DAYS,
    perRows,
    perDays,
    forgetting: -MASTERY.forgetting,
  };
}

/** Candidates for a lesson, the most worth first; what this hand cannot be asked is left out. */
export function lessonCandidates(state: StudentState, context: CandidateContext): Candidate[] {
  const grader = makeGrader(context.taught, stageOf(state.experience));
  const ranked = rankedSkills(state, context);
  const made = (list: readonly Ranked[], most: number): Candidate[] => {
    const found: Candidate[] = [];
    for (const one of list) {
      if (found.length >= most) break;
      const fitted = fittedDrill(one.skill, one.state, context, grader);
      if (fitted) found.push(describe(one, fitted, context));
    }
    return found;
  };
  const of = (which: (one: Ranked) => boolean) => ranked.filter(which);
  const inTrouble = of(({ state: { marks } }) => marks.slipping || marks.stuck).sort(
    (a, b) =>
      Number(b.state.marks.slipping) - Number(a.state.marks.slipping) || fallOf(b.state) - fallOf(a.state),
  );
  const mended = made(inTrouble, TRIED.trouble);
  const known = new Set(mended.map(({ id }) => id));
  const rest = (kinds: readonly BlockKind[]) =>
    of(({ kind, skill }) => kinds.includes(kind) && !known.has(`${kind}:${skill.id}`));
  return [
    ...mended,
    ...made(rest(['review', 'repair']), TRIED.met),
    ...made(rest(['new']), TRIED.new),
    ...made(rest(['apply']), TRIED.use),
  ].sort((a, b) => b.worth - a.worth || (a.id < b.id ? -1 : 1));
}

/** How far the number fell from its best. */
export const fallOf = ({ peak, chance }: SkillState): number => (peak?.mean ?? 0) - (chance?.mean ?? 0);

function kindOf(
  skill: Skill,
  own: SkillState,
  states: ReadonlyMap<string, SkillState>,
  waived: readonly string[],
): BlockKind | null {
  if (own.attempts === 0) {
    if (!isOpen(skill, states, waived)) return null;
    return isUse(skill) ? 'apply' : 'new';
  }
  if (isUse(skill)) return 'apply';
  if (own.marks.stuck || own.marks.slipping) return 'repair';
  if (ONCE_CLEAN(own)) return own.marks.due ? 'review' : null;
  return 'repair';
}

const offBest = (chance: number): number => Math.abs(chance - WORTH.bestChance);

/** The first recipe within this hand's grip limit, made easier while its chance is low. */
function fittedDrill(
  skill: Skill,
  own: SkillState,
  context: CandidateContext,
  grader: ItemGrader,
): { recipe: Recipe; drill: Drill; chance: number } | null {
  let best: { recipe: Recipe; drill: Drill; chance: number } | null = null;
  for (const practice of ownDrills(skill)) {
    const recipe = atLastTempo(practice, own, skill);
    const drill = makeDrill(recipe, context.taught);
    if (!drill.ok || overLimit(drill.value.heaviestGrip, context.taught) > 0) continue;
    const fitted = { recipe, drill: drill.value, chance: chanceOf(drill.value, own, skill, context, grader) };
    if (!best || offBest(fitted.chance) < offBest(best.chance)) best = fitted;
    // Near enough: the others take time to make and teach no more.
    if (offBest(best.chance) < WORTH.near) break;
  }
  for (let notch = 0; best && best.drill.tempoBpm !== null && best.chance < 0.6 && notch < 4; notch++) {
    const lighter = easier(best.recipe, context.taught);
    // Only tempo gives way here; another grip would be another thing to learn.
    if (!lighter.ok || !onlyTempoOf(best.recipe, lighter.value)) break;
    const drill = makeDrill(lighter.value, context.taught);
    if (!drill.ok || !stillTrains(drill.value, skill, context)) break;
    best = {
      recipe: lighter.value,
      drill: drill.value,
      chance: chanceOf(drill.value, own, skill, context, grader),
    };
  }
  return best;
}

/** Whether two recipes are one but for their tempo. */
function onlyTempoOf(a: Recipe, b: Recipe): boolean {
  const rest = ({ family, parameters, seed }: Recipe) =>
    JSON.stringify([family, { ...parameters, tempoBpm: 0 }, seed]);
  return rest(a) === rest(b);
}

function stillTrains(drill: Drill, skill: Skill, context: CandidateContext): boolean {
  return skillsOf(drill, { ...context.syllabus, skills: [skill] }).length > 0;
}

function atLastTempo(recipe: Recipe, own: SkillState, skill: Skill): Recipe {
  if (!setsTempo(recipe) || own.lastBpm === null) return recipe;
  const next = own.lastClean ? Math.min(skill.targetBpm ?? own.lastBpm, own.lastBpm + 3) : own.lastBpm - 2;
  return withTempo(recipe, next);
}

/** P(clean) of a drill now: the skill's belief against the drill's own items, tempo and what recall is lost. */
function chanceOf(
  drill: Drill,
  own: SkillState,
  skill: Skill,
  context: CandidateContext,
  grader: ItemGrader,
): number {
  const items = skillsOf(drill, { ...context.syllabus, skills: [skill] })[0]?.items ?? drill.items;
  const { difficultyFit } = context.taught;
  const difficulty =
    difficultyLogits(items, drill.items, grader, difficultyFit) + skillShift(difficultyFit, skill.id);
  const load = difficulty + tempoLoadOf(drill, drill.tempoBpm, grader);
  return cleanChance(own.belief, load + forgettingLoad(own.recall ?? 1)).mean;
}

function describe(
  { skill, state, kind, worth, unlocks }: Ranked,
  fitted: { recipe: Recipe; drill: Drill; chance: number },
  context: CandidateContext,
): Candidate {
  const use = kind === 'apply';
  const held = (state.chance?.mean ?? 0) > WORTH.held;
  const { recipe, drill, chance } = fitted;
  return {
    id: `${kind}:${skill.id}`,
    kind,
    skillId: skill.id,
    strand: skill.strand,
    family: recipe.family,
    worth,
    held,
    use,
    plays: !isQuiet(recipe),
    barreShare: barreShare(drill),
    lengths: LENGTHS[lengthsOf(kind, held, state)],
    exercises: skillsOf(drill, context.syllabus).map((found) => found.skill.id),
    skill,
    state,
    recipe,
    drill,
    chance,
    because: reasonOf(kind, state, chance, unlocks, context.goals.includes(skill.id)),
  };
}

function lengthsOf(kind: BlockKind, held: boolean, { marks }: SkillState): keyof typeof LENGTHS {
  if (kind === 'apply') return held ? 'heldUse' : 'use';
  if (held) return 'held';
  if (kind === 'new') return 'new';
  return marks.slipping || marks.stuck ? 'mended' : 'work';
}

/** Share of a block's minutes in which a barre is pressed: work against work and rest of its bursts. */
function barreShare({ hasBarre, bursts }: Drill): number {
  return hasBarre ? bursts.workSeconds / (bursts.workSeconds + bursts.restSeconds) : 0;
}

function reasonOf(kind: BlockKind, own: SkillState, chance: number, unlocks: number, goal: boolean): Reason {
  const percent = Math.round(100 * chance);
  const number = own.chance ? Math.round(100 * own.chance.mean) : 0;
  if (own.marks.stuck) return { code: 'because.stuck', values: { takes: own.attempts, number } };
  if (own.marks.slipping) {
    return {
      code: 'because.slipping',
      values: { number, was: Math.round(100 * (own.peak?.mean ?? 0)), on: own.peak?.at ?? 0 },
    };
  }
  if (kind === 'review')
    return {
      code: 'because.due',
      values: { number, recall: Math.round(100 * (own.recall ?? 0)), on: own.lastAt ?? 0 },
    };
  if (kind === 'repair' && own.attempts < 5)
    return { code: 'because.guess', values: { number, takes: own.attempts, chance: percent } };
  if (kind === 'repair') return { code: 'because.half', values: { number, chance: percent } };
  if (kind === 'apply') return { code: 'because.use', values: { number, chance: percent } };
  return {
    code: goal ? 'because.goal' : unlocks ? 'because.unlocks' : 'because.open',
    values: { unlocks, chance: percent },
  };
}

/**
 * The new thing put to use: its own drill of use, else a loop of its grip with one that is held, else, where a hand plays, the thing
 * itself once more. Null for what is heard or named and has no use of its own.
 */
export function useOfNew(fresh: Candidate, state: StudentState, context: CandidateContext): Candidate | null {
  const own = fresh.skill.practice.find(({ step }) => step === 'use');
  const drill = own ? makeDrill(own.recipe, context.taught) : null;
  const fits = own && drill?.ok && overLimit(drill.value.heaviestGrip, context.taught) <= 0;
  const made = fits ? { recipe: own.recipe, drill: drill.value } : useOf(fresh, state, context);
  if (!made && !fresh.plays) return null;
  const { recipe, drill: used } = made ?? fresh;
  return {
    ...fresh,
    id: `apply:${fresh.skill.id}`,
    kind: 'apply',
    use: true,
    recipe,
    drill: used,
    family: recipe.family,
    barreShare: barreShare(used),
    worth: fresh.worth * WORTH.useOfNew,
    because: {
      code: made && !fits ? 'because.uses-new' : 'because.used-at-once',
      values: { skill: fresh.skill.id },
    },
    lengths: LENGTHS.use,
    exercises: [fresh.skill.id],
    onlyWith: fresh.skill.id,
  };
}

/** A loop that uses a skill's grip next to one the student holds best, for when no progression contains it. */
function useOf(
  candidate: Candidate,
  state: StudentState,
  context: CandidateContext,
): { recipe: Recipe; drill: Drill } | null {
  const grip = lastGrip(candidate.recipe);
  if (!grip) return null;
  const held = [...state.skills]
    .filter((one) => one.chance !== null && one.skillId !== candidate.skill.id)
    .sort((a, b) => (b.chance?.mean ?? 0) - (a.chance?.mean ?? 0));
  for (const one of held) {
    const skill = context.syllabus.skills.find((found) => found.id === one.skillId);
    const partner = skill && !skill.barre ? lastGrip(skill.practice[0].recipe) : null;
    if (!partner || partner.frets.join() === grip.frets.join()) continue;
    const recipe = changeLoop({ grips: [partner, grip], beatsEach: 4 });
    const drill = makeDrill(recipe, context.taught);
    if (drill.ok) return { recipe, drill: drill.value };
  }
  return null;
}

const lastGrip = (recipe: Recipe): NamedGrip | null => gripsOf(recipe).at(-1) ?? null;
