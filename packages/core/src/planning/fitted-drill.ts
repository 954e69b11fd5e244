/**
 * The drill of a candidate, made for this hand: set where about so many come clean, its tempo the last one's and a little more,
 * easier while its chance is low; and why it stands in the lesson.
 */
import { barreShare } from '../drills/drill';
import { setsTempo, withTempo } from '../drills/fields';
import { easier, gripsOf, makeDrill } from '../drills/make-drill';
import { changeLoop, type Drill, type NamedGrip, type Recipe } from '../drills/recipe';
import type { Reason } from '../effort/explain';
import { overLimit } from '../hands/taught-hand';
import { cleanChance, forgettingLoad } from '../mastery/ability';
import { difficultyLogits, tempoLoadOf, type ItemGrader } from '../mastery/difficulty';
import type { StudentState } from '../mastery/replay';
import type { SkillState } from '../mastery/skill-state';
import { skillShift } from '../mastery/studio-fit';
import { skillsOf } from '../syllabus/skills-of';
import { ownDrills, type Skill } from '../syllabus/skill';
import { inTrouble, type Candidate, type CandidateContext } from './candidates';
import type { Goal } from './goals';
import type { BlockKind } from './plan';

/** Drills are set where so many come clean: of tempo and notch, not of what is worth practising. */
const BEST_CHANCE = 0.8;
/** Near enough to it: the skill's other drills take time to make and teach no more. */
const NEAR = 0.12;

/** A candidate's drill as this hand plays it. */
export interface Made {
  readonly recipe: Recipe;
  readonly drill: Drill;
  /** Chance that it comes clean now, 0 to 1. */
  readonly chance: number;
  readonly barreShare: number;
  readonly because: Reason;
}

/** Null where this hand can play none of its drills. */
export function madeFor(
  one: Candidate,
  state: StudentState,
  context: CandidateContext,
  grader: ItemGrader,
): Made | null {
  const fitted = one.onlyWith
    ? useMade(one, state, context, grader)
    : fittedDrill(one.skill, one.state, context, grader);
  if (!fitted) return null;
  const { kind, state: own, unlocks, goal } = one;
  return {
    ...fitted,
    barreShare: barreShare(fitted.drill),
    because: fitted.because ?? promiseOf(one, context) ?? reasonOf(kind, own, fitted.chance, unlocks, goal),
  };
}

/** That it was promised says more than its number, unless that slips or is stuck. */
const promiseOf = (
  { skill, state: { marks, chance } }: Candidate,
  { promised }: CandidateContext,
): Reason | null =>
  promised?.includes(skill.id) && !marks.slipping && !marks.stuck
    ? { code: 'because.promised', values: { number: Math.round(100 * (chance?.mean ?? 0)) } }
    : null;

interface Fitted {
  readonly recipe: Recipe;
  readonly drill: Drill;
  readonly chance: number;
  /** Set where it stands for another reason than the skill itself. */
  readonly because?: Reason;
}

/** A new thing put to use: its own drill of use, else a loop of its grip with one that is held, else the thing itself once more. */
function useMade(
  one: Candidate,
  state: StudentState,
  context: CandidateContext,
  grader: ItemGrader,
): Fitted | null {
  const fresh = fittedDrill(one.skill, one.state, context, grader);
  if (!fresh) return null;
  const values = { skill: one.skill.id };
  const own = one.skill.practice.find(({ step }) => step === 'use');
  const drill = own ? makeDrill(own.recipe, context.taught) : null;
  if (own && drill?.ok && overLimit(drill.value.heaviestGrip, context.taught) <= 0)
    return {
      recipe: own.recipe,
      drill: drill.value,
      chance: fresh.chance,
      because: { code: 'because.used-at-once', values },
    };
  const loop = loopWithHeld(fresh.recipe, one.skill.id, state, context);
  return {
    ...fresh,
    ...loop,
    because: { code: loop ? 'because.uses-new' : 'because.used-at-once', values },
  };
}

const offBest = (chance: number): number => Math.abs(chance - BEST_CHANCE);

/** The first recipe within this hand's grip limit, made easier while its chance is low. */
function fittedDrill(
  skill: Skill,
  own: SkillState,
  context: CandidateContext,
  grader: ItemGrader,
): Fitted | null {
  let best: Fitted | null = null;
  for (const practice of ownDrills(skill)) {
    const recipe = atLastTempo(practice, own, skill);
    const drill = makeDrill(recipe, context.taught);
    if (!drill.ok || overLimit(drill.value.heaviestGrip, context.taught) > 0) continue;
    const fitted = { recipe, drill: drill.value, chance: chanceOf(drill.value, own, skill, context, grader) };
    if (!best || offBest(fitted.chance) < offBest(best.chance)) best = fitted;
    // Near enough: the others take time to make and teach no more.
    if (offBest(best.chance) < NEAR) break;
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

function reasonOf(
  kind: BlockKind,
  own: SkillState,
  chance: number,
  unlocks: number,
  goal: Goal | null,
): Reason {
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
  // Music in trouble is there to be mended.
  const mended = kind === 'repair' || inTrouble(own);
  if (mended && own.attempts < 5)
    return { code: 'because.guess', values: { number, takes: own.attempts, chance: percent } };
  if (mended) return { code: 'because.half', values: { number, chance: percent } };
  if (kind === 'apply') return { code: 'because.use', values: { number, chance: percent } };
  if (goal)
    return {
      code: 'because.goal',
      values: { goal: goal.name, on: goal.day?.on ?? '', chance: percent },
    };
  return {
    code: unlocks ? 'because.unlocks' : 'because.open',
    values: { unlocks, chance: percent },
  };
}

/** A loop that uses a skill's grip next to one the student holds best, for when no progression contains it. */
function loopWithHeld(
  fresh: Recipe,
  skillId: string,
  state: StudentState,
  context: CandidateContext,
): { recipe: Recipe; drill: Drill } | null {
  const grip = lastGrip(fresh);
  if (!grip) return null;
  const held = [...state.skills]
    .filter((one) => one.chance !== null && one.skillId !== skillId)
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
