/**
 * Proposes one student's lesson: opens with three easy minutes, keeps what is locked, fills the rest with the blocks of most worth
 * under the rules of a careful teacher, in an order a hand can stand, and says why each is there and why the best left out is not.
 * After reported pain nothing is played, see `quiet-plan.ts`.
 */
import { fail, ok, type Result } from '../kernel/result';
import { makeDrill } from '../drills/make-drill';
import type { Drill, Recipe } from '../drills/recipe';
import { overLimit } from '../hands/taught-hand';
import { makeGrader } from '../mastery/difficulty';
import { stageOf } from '../mastery/experience';
import type { StudentState } from '../mastery/replay';
import { skillsOf } from '../syllabus/skills-of';
import { isReady, lessonCandidates, useOfNew, type Candidate, type CandidateContext } from './candidates';
import { madeFor, type Made } from './fitted-drill';
import { towardGoals } from './goals';
import { Chooser, type Chosen, type ChooseLimits } from './choose';
import { leftOutOf, promisesMoved, wishThatWaits } from './left-out';
import { limitsOf, PLAN, type LessonConstraints } from './lesson-limits';
import { orderOf, type Placed } from './order';
import { LEANING } from './lean';
import { PLAN_MODEL_VERSION, planMinutes, type LessonPlan, type LiftedRule, type PlanBlock } from './plan';
import { quietPlan } from './quiet-plan';
import { restBlock, takeHomeBlock, warmUpBlock } from './standing-blocks';
import { unseenStrands } from './unseen';
import { walkOf } from './walk';

/**
 * A lesson of `minutes` (10 to 180). Problems: `plan.minutes`, `plan.locked` when locked blocks leave no room.
 * @param clock ms since any moment: after two seconds the best seen is taken; without one all of it is searched
 */
export async function planLesson(
  state: StudentState,
  syllabus: CandidateContext['syllabus'],
  constraints: LessonConstraints,
  clock: () => number = () => 0,
): Promise<Result<LessonPlan>> {
  const { minutes } = constraints;
  if (!(Number.isInteger(minutes) && minutes >= PLAN.shortest && minutes <= PLAN.longest)) {
    return fail('plan.minutes', 'minutes', `${PLAN.shortest} to ${PLAN.longest} whole minutes`);
  }
  const locked = constraints.locked ?? [];
  if (planMinutes(locked) > minutes)
    return fail('plan.locked', 'locked', `locked blocks of ${minutes} minutes at most`);
  if (state.pain.status === 'stopped today' || state.pain.status === 'locked')
    return ok(quietPlan(state, syllabus, constraints, locked));
  return ok(await playingPlan(state, syllabus, constraints, locked, clock));
}

async function playingPlan(
  state: StudentState,
  syllabus: CandidateContext['syllabus'],
  constraints: LessonConstraints,
  locked: readonly PlanBlock[],
  clock: () => number,
): Promise<LessonPlan> {
  const { minutes } = constraints;
  const { limits } = constraints.taught;
  const returning = state.pain.status === 'returning';
  const context: CandidateContext = {
    ...constraints,
    syllabus,
    allowBarre: limits.barreMinutes > 0 && !returning,
  };
  const taken = new Set(locked.flatMap((block) => block.skillId ?? []));
  const lean = constraints.lean ?? 'even';
  const { worth } = LEANING[lean];
  const all = lessonCandidates(state, context)
    .filter(({ skillId }) => !taken.has(skillId))
    .map((one) => ({ ...one, worth: one.worth * (worth[one.kind] ?? 1) }));
  const opening = locked.some((block) => block.kind === 'warm up') ? [] : [warmUpBlock(context)];
  const closing =
    locked.some((block) => block.kind === 'take home') || minutes < PLAN.takeHomeFrom
      ? []
      : [takeHomeBlock()];
  const free = minutes - planMinutes(locked) - planMinutes(opening) - planMinutes(closing);
  const choices = withUses(all, context);
  const unseen = unseenStrands(state, syllabus);
  const asked = limitsOf(all, [...opening, ...locked], free, constraints, unseen);
  const until = clock() + PLAN.seconds * 1000;
  const laid = await lay(choices, asked, {
    opening: opening.map((block) => placed(block, context)),
    locked: locked.map((block) => placed(block, context)),
    closing: closing.map((block) => placed(block, context)),
    mostLoad: limits.load,
    halves: returning,
    made: maker(state, context),
    drill: drillMaker(context),
    clock,
    until,
  });
  const leftOut = await leftOutOf(all, laid.chosen, asked, async (more) => {
    const left = (until - clock()) / 1000;
    if (left <= 0) return new Set();
    const found = await new Chooser(choices, { ...asked, ...more }).best(left);
    return new Set(found?.chosen.map(({ choice }) => choice.skillId));
  });
  return {
    schemaVersion: 1,
    minutes,
    blocks: laid.row.map(({ block }) => block),
    leftOut: [...promisesMoved(laid.chosen, context), ...wishThatWaits(state, context), ...leftOut],
    ...(laid.lifted.length > 0 ? { lifted: laid.lifted } : {}),
    ...(unseen.length > 0
      ? {
          unseen: unseen.map((one) => ({
            ...one,
            there: laid.chosen.some(({ choice }) => choice.strand === one.strand),
          })),
        }
      : {}),
    ...(laid.gap > 0 ? { gap: laid.gap } : {}),
    ...towardOf(state, context),
    ...(lean === 'even' ? {} : { lean }),
    modelVersion: PLAN_MODEL_VERSION,
  };
}

/** What of it goes toward the goals; nothing where nothing is wished for. */
function towardOf(
  { skills }: StudentState,
  { goals, syllabus, waived }: CandidateContext,
): Pick<LessonPlan, 'toward'> {
  if (goals.length === 0) return {};
  const states = new Map(skills.map((one) => [one.skillId, one]));
  const isHeld = (id: string) => ['clean', 'settled'].includes(states.get(id)?.state ?? '');
  return {
    toward: towardGoals(goals, syllabus, (id) => isReady(id, states, waived), isHeld),
  };
}

/** With a use of each new thing that no candidate uses. */
const withUses = (all: readonly Candidate[], context: CandidateContext): Candidate[] => [
  ...all,
  ...all.flatMap((fresh) => (fresh.kind === 'new' ? (useOfNew(fresh, context) ?? []) : [])),
];

interface Laid {
  readonly row: readonly Placed[];
  readonly chosen: readonly Chosen<Candidate>[];
  readonly lifted: readonly LiftedRule[];
  /** Share of worth that may be missing, 0 to 1. */
  readonly gap: number;
}

interface Around {
  readonly opening: readonly Placed[];
  readonly locked: readonly Placed[];
  readonly closing: readonly Placed[];
  readonly mostLoad: number;
  /** Half of every block is rest: playing comes back after pain. */
  readonly halves: boolean;
  /** The drill of a candidate for this hand; null where it can play none. */
  readonly made: (one: Candidate) => Made | null;
  /** Any drill for this hand; null where it cannot be asked for it. */
  readonly drill: (recipe: Recipe) => Drill | null;
  readonly clock: () => number;
  /** By its clock, when the best seen is taken. */
  readonly until: number;
}

/** Makes each drill once. */
function maker(state: StudentState, context: CandidateContext): Around['made'] {
  const grader = makeGrader(context.taught, stageOf(state.experience));
  const known = new Map<string, Made | null>();
  return (one) => {
    let made = known.get(one.id);
    if (made === undefined) known.set(one.id, (made = madeFor(one, state, context, grader)));
    return made;
  };
}

function drillMaker({ taught }: CandidateContext): Around['drill'] {
  const known = new Map<string, Drill | null>();
  return (recipe) => {
    const key = JSON.stringify(recipe);
    let drill = known.get(key);
    if (drill === undefined) {
      const made = makeDrill(recipe, taught);
      drill = made.ok && overLimit(made.value.heaviestGrip, taught) <= 0 ? made.value : null;
      known.set(key, drill);
    }
    return drill;
  };
}

/** Chooses and orders: a set that has no order is not chosen again; a hand loaded past its limit rests longer. */
async function lay(choices: readonly Candidate[], limits: ChooseLimits, around: Around): Promise<Laid> {
  const { until } = around;
  let bound: number | null = null;
  let spare: { readonly row: readonly Placed[]; readonly found: Laid } | null = null;
  for (const rest of restsOf(limits)) {
    const chooser = new Chooser(choices, { ...limits, rest });
    for (let set = 0; set < PLAN.sets && around.clock() < until;) {
      const found = await chooser.best(Math.max(0.05, (until - around.clock()) / 1000));
      if (!found) break;
      // The first is bound by the fewest rules: nothing that is tried later is worth more.
      bound ??= found.bound;
      const blocks = placedAll(found.chosen, chooser, limits, around);
      // A hand near this one could, this one cannot: chosen again by what is known now.
      if (!blocks) continue;
      set++;
      const resting = limits.minutes - planMinutes(blocks.map(({ block }) => block));
      const open = [
        ...around.locked,
        ...blocks,
        ...(resting > 0 ? [placedRest(resting, found.chosen[0]?.choice.skillId ?? null)] : []),
      ].sort((a, b) => ORDER.indexOf(a.block.kind) - ORDER.indexOf(b.block.kind));
      const row = orderOf(around.opening, open, around.closing, {
        promised: limits.promised,
        first: limits.first,
        mostLoad: around.mostLoad,
      });
      const laid = {
        row: row ?? [...around.opening, ...open, ...around.closing],
        chosen: found.chosen,
        lifted: found.lifted,
        gap: gapOf(bound, found.value),
      };
      if (row) return laid;
      spare ??= { row: laid.row, found: laid };
      chooser.forbid(found.chosen.map(({ choice }) => choice.id));
    }
  }
  if (spare) return spare.found;
  const rest = limits.minutes > 0 ? [placedRest(limits.minutes, null)] : [];
  return {
    row: [...around.opening, ...around.locked, ...rest, ...around.closing],
    chosen: [],
    lifted: [],
    gap: 0,
  };
}

/** Under a hundredth is none: solvers round. */
const gapOf = (bound: number | null, value: number): number => {
  const gap = bound === null || bound <= 0 ? 0 : (bound - value) / bound;
  return gap < 0.01 ? 0 : Math.round(gap * 100) / 100;
};

/** The chosen blocks with their drills; null where making them showed that they are not as they looked, which the chooser is told. */
function placedAll(
  chosen: readonly Chosen<Candidate>[],
  chooser: Chooser<Candidate>,
  limits: ChooseLimits,
  { made, drill: drillOf, halves }: Around,
): readonly Placed[] | null {
  let asLooked = true;
  let barreMinutes = 0;
  const blocks = chosen.flatMap(({ choice, minutes }) => {
    const drill = made(choice);
    if (!drill) {
      chooser.drop(choice.id);
      asLooked = false;
      return [];
    }
    const placed = placedChoice(choice, drill, minutes, halves, drillOf);
    barreMinutes += placed.block.barreMinutes;
    return [placed];
  });
  if (!asLooked || barreMinutes <= limits.barreMinutes + 1e-9) return asLooked ? blocks : null;
  // More of it is pressed than it looked; ever more is thought of it, so that this ends.
  let more = false;
  for (const [i, { choice }] of chosen.entries()) {
    const { block } = blocks[i];
    const barreShare = block.barreMinutes / block.minutes;
    if (barreShare <= choice.barreShare + 1e-9) continue;
    chooser.put({ ...choice, barreShare });
    more = true;
  }
  return more ? null : blocks;
}

/** Rests that are tried: one if it helps, then ever longer ones, up to a third of the lesson. */
function restsOf({ lessonMinutes, minutes, rest }: ChooseLimits): ChooseLimits['rest'][] {
  const longer: ChooseLimits['rest'][] = [];
  for (let least = 3; least <= Math.min(minutes, lessonMinutes / 3); least += 3)
    longer.push({ minutes: [least, least + 1, least + 2], must: true });
  // Where too little is there to fill the minutes, what is there is done and the rest is said to be open.
  const open = Array.from({ length: minutes }, (_, i) => i + 1);
  return [rest, ...longer, { minutes: [1, 2], must: true }, { minutes: open, must: true }];
}

const ORDER = ['warm up', 'repair', 'review', 'new', 'rest', 'apply', 'take home'];

function placed(block: PlanBlock, { taught, syllabus }: CandidateContext): Placed {
  const drill = block.recipe && block.kind === 'apply' ? makeDrill(block.recipe, taught) : null;
  return {
    block,
    family: block.recipe?.family ?? null,
    exercises: drill?.ok ? skillsOf(drill.value, syllabus).map(({ skill }) => skill.id) : [],
    chance: null,
  };
}

/** After pain half of the minutes are played. */
function placedChoice(
  choice: Candidate,
  made: Made,
  minutes: number,
  halves: boolean,
  drillOf: Around['drill'],
): Placed {
  const lasting = halves ? Math.max(1, Math.floor(minutes / 2)) : minutes;
  const walked = choice.use ? null : walkOf(choice.skill, choice.state, lasting, made, drillOf);
  return {
    block: {
      id: choice.id,
      kind: choice.kind,
      minutes: lasting,
      title: { code: 'title.skill', values: { skill: choice.skill.name, family: made.recipe.family } },
      because: made.because,
      skillId: choice.skill.id,
      recipe: made.recipe,
      ...(walked ? { walk: walked.walk } : {}),
      effort: walked?.effort ?? made.drill.effort,
      barreMinutes: walked?.barreMinutes ?? lasting * made.barreShare,
      locked: false,
    },
    family: made.recipe.family,
    exercises: choice.exercises,
    // What is new is never what a lesson ends on, however likely its first try; what is met has the number its teacher knows.
    chance: choice.kind === 'new' ? 0 : (choice.state.chance?.mean ?? made.chance),
  };
}

const placedRest = (minutes: number, skillId: string | null): Placed => ({
  block: restBlock('rest', minutes, skillId),
  family: null,
  exercises: [],
  chance: null,
});
