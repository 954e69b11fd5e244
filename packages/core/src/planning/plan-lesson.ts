/**
 * Proposes one student's lesson: opens with three easy minutes, keeps what is locked, fills the rest exactly
 * with the blocks of most worth under the limits of the hand, puts them in an order a hand can stand, and
 * says why each is there and why the best one left out is not. After reported pain nothing is played, see `quiet-plan.ts`.
 */
import { fail, ok, type Result } from '../kernel/result';
import { makeDrill } from '../drills/make-drill';
import { warmUp } from '../drills/recipe';
import type { Reason } from '../effort/explain';
import type { StudentState } from '../mastery/replay';
import { lessonCandidates, useOf, type Candidate, type CandidateContext } from './candidates';
import { peakLoad } from './load';
import {
  PLAN_MODEL_VERSION,
  planMinutes,
  type BlockKind,
  type LeftOut,
  type LessonPlan,
  type PlanBlock,
} from './plan';
import { quietPlan } from './quiet-plan';
import { barreShare, solveLesson, type Chosen, type Solution, type SolveLimits } from './solve';

export interface LessonConstraints extends Omit<CandidateContext, 'allowBarre' | 'syllabus'> {
  readonly minutes: number;
  /** New skills allowed; 2 unless the teacher sets another number. */
  readonly newSkills?: number;
  /** Blocks the teacher locked, in their order; kept as they are. */
  readonly locked?: readonly PlanBlock[];
}

export const PLAN = {
  warmUpMinutes: 3,
  takeHomeMinutes: 3,
  restMinutes: 3,
  newSkills: 2,
  shortest: 10,
  longest: 180,
} as const;

/** Candidates of each kind that the solver sees, best first: enough for any lesson, few enough to be quick. */
const TRIED: Readonly<Partial<Record<BlockKind, number>>> = { new: 6, repair: 6, review: 5, apply: 4 };

/** Half-held things taken up again in one lesson: more would be a tour, not work (our judgement). */
const REPAIRS = 3;

function bestOfEachKind(all: readonly Candidate[]): Candidate[] {
  return Object.entries(TRIED).flatMap(([kind, most]) =>
    all.filter((candidate) => candidate.kind === kind).slice(0, most),
  );
}

/**
 * A lesson of `minutes` (10 to 180). Problems: `plan.minutes`, `plan.locked` when locked blocks leave no room.
 */
export function planLesson(
  state: StudentState,
  syllabus: CandidateContext['syllabus'],
  constraints: LessonConstraints,
): Result<LessonPlan> {
  const { minutes } = constraints;
  if (!(Number.isInteger(minutes) && minutes >= PLAN.shortest && minutes <= PLAN.longest)) {
    return fail('plan.minutes', 'minutes', `${PLAN.shortest} to ${PLAN.longest} whole minutes`);
  }
  const locked = constraints.locked ?? [];
  if (planMinutes(locked) > minutes)
    return fail('plan.locked', 'locked', `locked blocks of ${minutes} minutes at most`);
  if (state.pain.status === 'stopped today' || state.pain.status === 'locked')
    return ok(quietPlan(state, syllabus, constraints, locked));
  return ok(playingPlan(state, syllabus, constraints, locked));
}

function playingPlan(
  state: StudentState,
  syllabus: CandidateContext['syllabus'],
  constraints: LessonConstraints,
  locked: readonly PlanBlock[],
): LessonPlan {
  const { minutes } = constraints;
  const { limits } = constraints.taught;
  const returning = state.pain.status === 'returning';
  const context: CandidateContext = {
    ...constraints,
    syllabus,
    allowBarre: limits.barreMinutes > 0 && !returning,
  };
  const taken = new Set(locked.flatMap((block) => block.skillId ?? []));
  const all = lessonCandidates(state, context).filter((candidate) => !taken.has(candidate.skill.id));
  const opening = locked.some((block) => block.kind === 'warm up') ? [] : [warmUpBlock(context)];
  const closing = locked.some((block) => block.kind === 'take home') || minutes < 20 ? [] : [takeHomeBlock()];
  const free = minutes - planMinutes(locked) - planMinutes(opening) - planMinutes(closing);
  const lockedNew = locked.filter((block) => block.kind === 'new').length;
  const lockedBarre = locked.reduce((sum, block) => sum + block.barreMinutes, 0);
  const solveLimits: SolveLimits = {
    minutes: free,
    newSkills: Math.max(0, (constraints.newSkills ?? PLAN.newSkills) - lockedNew),
    barreMinutes: Math.max(0, (limits.barreMinutes * minutes) / 30 - lockedBarre),
    reviewMinutes: minutes / 2,
    blocks: Math.max(1, Math.ceil(free / 7)),
    repairs: REPAIRS,
    restMinutes: PLAN.restMinutes,
    mustRest: false,
  };
  const withUses = addUses(bestOfEachKind(all), state, context);
  const lay = (within: SolveLimits): { readonly solution: Solution; readonly blocks: PlanBlock[] } => {
    const solution = free > 0 ? bestSolution(withUses, within) : { chosen: [], restMinutes: 0, value: 0 };
    const chosen = returning ? halved(solution.chosen) : solution.chosen;
    return { solution, blocks: arrange(chosen, solution.restMinutes, locked, opening, closing, free) };
  };
  let laid = lay(solveLimits);
  // A hand that would be loaded past its limit rests longer, up to a third of the lesson.
  for (
    let rest: number = PLAN.restMinutes;
    peakLoad(laid.blocks).load > limits.load && rest <= minutes / 3;
    rest += 3
  ) {
    laid = lay({ ...solveLimits, restMinutes: rest, mustRest: true });
  }
  const { solution, blocks } = laid;
  return {
    schemaVersion: 1,
    minutes,
    blocks,
    leftOut: leftOut(all, solution, solveLimits),
    modelVersion: PLAN_MODEL_VERSION,
  };
}

/** Exact first; where nothing fits exactly, lengths give way, then the rule that new things be used at once. */
function bestSolution(candidates: readonly Candidate[], limits: SolveLimits): Solution {
  const stretched = candidates.map((candidate) => ({
    ...candidate,
    shortest: 3,
    longest: Math.max(candidate.longest, 20),
  }));
  return (
    solveLesson(candidates, limits, true) ??
    solveLesson(stretched, limits, true) ??
    solveLesson(
      stretched,
      { ...limits, blocks: limits.blocks + 4, repairs: limits.repairs + 4, reviewMinutes: limits.minutes },
      false,
    ) ?? { chosen: [], restMinutes: 0, value: 0 }
  );
}

/** Adds a use for each new skill that no candidate progression exercises. */
function addUses(tried: readonly Candidate[], state: StudentState, context: CandidateContext): Candidate[] {
  const list = [...tried];
  for (const candidate of tried) {
    if (
      candidate.kind !== 'new' ||
      list.some((other) => other.kind === 'apply' && other.exercises.includes(candidate.skill.id))
    )
      continue;
    const use = useOf(candidate, state, context);
    // A change or a root call is its own use: played again, slower, from the other end.
    const made = use ?? { recipe: candidate.recipe, drill: candidate.drill };
    list.push({
      ...candidate,
      id: `apply:${candidate.skill.id}`,
      kind: 'apply',
      recipe: made.recipe,
      drill: made.drill,
      worth: candidate.worth * 0.6,
      because: { code: 'because.uses-new', values: { skill: candidate.skill.id } },
      shortest: 4,
      longest: 9,
      exercises: [candidate.skill.id],
      onlyWith: candidate.skill.id,
    });
  }
  return list;
}

/** After pain: half the minutes are played, the other half rests. */
function halved(chosen: readonly Chosen[]): Chosen[] {
  return chosen.map((one) => ({ ...one, minutes: Math.max(1, Math.floor(one.minutes / 2)) }));
}

const ORDER = ['review', 'repair', 'new', 'rest', 'apply', 'take home'];

/** Warm up first; then review, repair, new, use; a rest between barre blocks or before the use; home last. */
function arrange(
  chosen: readonly Chosen[],
  restMinutes: number,
  locked: readonly PlanBlock[],
  opening: readonly PlanBlock[],
  closing: readonly PlanBlock[],
  free: number,
): PlanBlock[] {
  const made = chosen
    .map((one) => blockOf(one))
    .sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind));
  const short = free - restMinutes - planMinutes(made);
  const rest = restMinutes + Math.max(0, short);
  const blocks: PlanBlock[] = [...opening, ...made];
  if (rest > 0) {
    const firstBarre = blocks.findIndex((block) => block.barreMinutes > 0);
    const firstUse = blocks.findIndex((block) => block.kind === 'apply');
    const before = firstBarre >= 0 ? firstBarre + 1 : firstUse >= 0 ? firstUse : blocks.length;
    // Where the load stands highest after half of the lesson is played, the rest does most.
    const at = Math.max(before, Math.ceil(blocks.length / 2));
    blocks.splice(at, 0, restBlock('rest', rest, chosen[0]?.candidate.skill.id ?? null));
  }
  const withLocked = placeLocked(blocks, locked);
  return spreadBarres([...withLocked, ...closing]);
}

/** Locked blocks keep their place in the row as far as the row is long enough. */
function placeLocked(blocks: readonly PlanBlock[], locked: readonly PlanBlock[]): PlanBlock[] {
  const row = [...blocks];
  for (const block of locked) {
    if (block.kind === 'warm up') row.unshift(block);
    else {
      const at = row.findIndex((other) => ORDER.indexOf(other.kind) > ORDER.indexOf(block.kind));
      row.splice(at < 0 ? row.length : at, 0, block);
    }
  }
  return row;
}

/** Moves a block without barre between two barre blocks that touch, where there is one. */
export function spreadBarres(blocks: readonly PlanBlock[]): PlanBlock[] {
  const row = [...blocks];
  for (let i = 1; i < row.length; i++) {
    if (!(row[i].barreMinutes > 0 && row[i - 1].barreMinutes > 0)) continue;
    const free = row.findIndex(
      (block, j) => j > i && block.barreMinutes === 0 && block.kind !== 'take home' && !block.locked,
    );
    if (free > 0) row.splice(i, 0, ...row.splice(free, 1));
  }
  return row;
}

function blockOf({ candidate, minutes }: Chosen): PlanBlock {
  return {
    id: candidate.id,
    kind: candidate.kind,
    minutes,
    title: { code: 'title.skill', values: { skill: candidate.skill.name, family: candidate.recipe.family } },
    because: candidate.because,
    skillId: candidate.skill.id,
    recipe: candidate.recipe,
    effort: candidate.drill.effort,
    barreMinutes: minutes * barreShare(candidate),
    locked: false,
  };
}

function warmUpBlock(context: CandidateContext): PlanBlock {
  const recipe = warmUp(PLAN.warmUpMinutes);
  const drill = makeDrill(recipe, context.taught);
  return {
    id: 'warm up',
    kind: 'warm up',
    minutes: PLAN.warmUpMinutes,
    title: { code: 'title.warm-up', values: {} },
    because: {
      code: 'because.cold',
      values: { fret: drill.ok ? Number(drill.value.steps[0].ask.values.fret) : 5 },
    },
    skillId: null,
    recipe,
    effort: drill.ok ? drill.value.effort : 5,
    barreMinutes: 0,
    locked: false,
  };
}

function takeHomeBlock(): PlanBlock {
  return {
    id: 'take home',
    kind: 'take home',
    minutes: PLAN.takeHomeMinutes,
    title: { code: 'title.take-home', values: {} },
    because: { code: 'because.home', values: {} },
    skillId: null,
    recipe: null,
    effort: 0,
    barreMinutes: 0,
    locked: false,
  };
}

function restBlock(id: string, minutes: number, skillId: string | null): PlanBlock {
  return {
    id,
    kind: 'rest',
    minutes,
    title: { code: 'title.listen', values: {} },
    because: { code: 'because.rest', values: {} },
    skillId,
    recipe: null,
    effort: 0,
    barreMinutes: 0,
    locked: false,
  };
}

/** The three of most worth that are not in, each with the limit that kept it out. */
function leftOut(all: readonly Candidate[], solution: Solution, limits: SolveLimits): LeftOut[] {
  const inPlan = new Set(solution.chosen.map((one) => one.candidate.skill.id));
  const news = solution.chosen.filter((one) => one.candidate.kind === 'new');
  const barre = solution.chosen.reduce((sum, one) => sum + one.minutes * barreShare(one.candidate), 0);
  return all
    .filter((candidate) => !inPlan.has(candidate.skill.id))
    .slice(0, 3)
    .map((candidate) => {
      const title = {
        code: 'title.skill',
        values: { skill: candidate.skill.name, family: candidate.recipe.family },
      };
      const share = barreShare(candidate);
      const sameStrand = news.some((one) => one.candidate.skill.strand === candidate.skill.strand);
      const reason = (code: string, values: Reason['values']): Reason => ({ code, values });
      if (share > 0 && barre + candidate.shortest * share > limits.barreMinutes) {
        const cap = Math.round(limits.barreMinutes * 10) / 10;
        return { title, skillId: candidate.skill.id, because: reason('left.barre', { cap }) };
      }
      let because = reason('left.minutes', {
        worth: Math.round(candidate.worth * 100),
        minutes: limits.minutes,
      });
      if (candidate.kind === 'new' && news.length >= limits.newSkills)
        because = reason('left.new', { most: limits.newSkills });
      else if (candidate.kind === 'new' && sameStrand) because = reason('left.alike', {});
      return { title, skillId: candidate.skill.id, because };
    });
}
