/**
 * What could be done in a lesson: each skill that is due, slipping, stuck, half held, or open to this student,
 * as a block with a worth a minute. The worth is expected gain toward the goals times the chance that it
 * succeeds, best near .8 (our assumption): what cannot fail and what cannot work both teach little.
 */
import { setsTempo, withTempo } from '../drills/fields';
import { easier, gripsOf, makeDrill } from '../drills/make-drill';
import { overLimit, type TaughtHand } from '../hands/taught-hand';
import { changeLoop, type Drill, type NamedGrip, type Recipe } from '../drills/recipe';
import type { Reason } from '../effort/explain';
import { clamp } from '../kernel/number';
import { cleanChance, forgettingLoad } from '../mastery/ability';
import { stageOf } from '../mastery/experience';
import { difficultyLogits, makeGrader, tempoLoadOf, type ItemGrader } from '../mastery/difficulty';
import type { StudentState } from '../mastery/replay';
import { skillShift } from '../mastery/studio-fit';
import type { SkillState } from '../mastery/skill-state';
import { skillsOf } from '../syllabus/skills-of';
import { isUse, ownDrills, type Skill, type Syllabus } from '../syllabus/skill';
import type { BlockKind } from './plan';

export const WORTH = {
  bestChance: 0.8,
  chanceWidth: 0.35,
  new: 1,
  perUnlocked: 0.12,
  repair: 0.95,
  review: 0.8,
  /** Share of a review's worth that a skill just come due has. */
  leastFading: 0.35,
  use: 0.75,
  goal: 1.6,
  /** Minutes after which 63 % of a block's worth is reached. */
  minutesScale: 6,
} as const;

export interface Candidate {
  readonly id: string;
  readonly kind: BlockKind;
  readonly skill: Skill;
  readonly state: SkillState;
  readonly recipe: Recipe;
  readonly drill: Drill;
  readonly worth: number;
  readonly because: Reason;
  readonly shortest: number;
  readonly longest: number;
  /** For a use: ids of the skills its items exercise. */
  readonly exercises: readonly string[];
  /** Set on a use made for one new skill: it makes sense only beside that skill's own block. */
  readonly onlyWith?: string;
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

/** All candidates, most worth first; what this hand cannot be asked is left out. */
export function lessonCandidates(state: StudentState, context: CandidateContext): Candidate[] {
  const states = new Map(state.skills.map((one) => [one.skillId, one]));
  const grader = makeGrader(context.taught, stageOf(state.experience));
  const candidates = context.syllabus.skills.flatMap((skill) => {
    const own = states.get(skill.id);
    if (!own || context.waived.includes(skill.id) || (skill.barre && !context.allowBarre)) return [];
    const kind = kindOf(skill, own, states, context.waived);
    if (!kind) return [];
    const fitted = fittedDrill(skill, own, context, grader);
    if (!fitted) return [];
    return [describe(kind, skill, own, fitted, context, states)];
  });
  return candidates.sort((a, b) => b.worth - a.worth || (a.id < b.id ? -1 : 1));
}

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
    if (!best || Math.abs(fitted.chance - WORTH.bestChance) < Math.abs(best.chance - WORTH.bestChance))
      best = fitted;
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
  kind: BlockKind,
  skill: Skill,
  own: SkillState,
  fitted: { recipe: Recipe; drill: Drill; chance: number },
  context: CandidateContext,
  states: ReadonlyMap<string, SkillState>,
): Candidate {
  const unlocks = unlockedBy(skill, context.syllabus, states);
  const fit = Math.exp(-(((fitted.chance - WORTH.bestChance) / WORTH.chanceWidth) ** 2));
  const goal = context.goals.includes(skill.id) ? WORTH.goal : 1;
  const base = {
    new: WORTH.new + WORTH.perUnlocked * unlocks,
    repair: WORTH.repair * (own.marks.stuck ? 0.9 : 1) + WORTH.perUnlocked * unlocks * 0.5,
    review: WORTH.review * clamp(WORTH.leastFading + 2 * (1 - (own.recall ?? 1)), 0, 1),
    apply: WORTH.use,
  }[kind as 'new' | 'repair' | 'review' | 'apply'];
  const lengths = { new: [6, 12], repair: [4, 9], review: [3, 6], apply: [5, 11] }[
    kind as 'new' | 'repair' | 'review' | 'apply'
  ];
  const exercises = skillsOf(fitted.drill, context.syllabus).map((found) => found.skill.id);
  return {
    id: `${kind}:${skill.id}`,
    kind,
    skill,
    state: own,
    recipe: fitted.recipe,
    drill: fitted.drill,
    worth: base * (0.35 + 0.65 * fit) * goal,
    because: reasonOf(kind, own, fitted.chance, unlocks, goal > 1),
    shortest: lengths[0],
    longest: lengths[1],
    exercises,
  };
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

/** How many skills wait for this one alone. */
function unlockedBy(skill: Skill, syllabus: Syllabus, states: ReadonlyMap<string, SkillState>): number {
  return syllabus.skills.filter((other) => {
    const own = states.get(other.id);
    return own?.attempts === 0 && other.needs.some((group) => group.includes(skill.id));
  }).length;
}

/** A loop that uses a skill's grip next to one the student holds best, for when no progression contains it. */
export function useOf(
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
