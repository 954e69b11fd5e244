/**
 * What could be done in a lesson: the skills that are worth most to this student now. What a visit is worth is asked of all; how
 * a drill would lie is asked of a hand near this one, and the drill itself is made only of what is chosen (`fitted-drill.ts`).
 */
import { isQuiet } from '../drills/evidence';
import { gripsOf } from '../drills/make-drill';
import type { Recipe } from '../drills/recipe';
import { overLimit, type TaughtHand } from '../hands/taught-hand';
import { DAY_MS, MASTERY } from '../mastery/constants';
import { makeGrader, type ItemGrader } from '../mastery/difficulty';
import { stageOf } from '../mastery/experience';
import { FIRST_STABILITY_DAYS, forgottenAfter, stabilityAfter } from '../mastery/memory';
import { sketchOf, type DrillSketch } from '../mastery/near-hand';
import type { StudentState } from '../mastery/replay';
import type { SkillState } from '../mastery/skill-state';
import { skillShift } from '../mastery/studio-fit';
import { targetLoad } from '../mastery/targets';
import { skillsOf } from '../syllabus/skills-of';
import { isUse, ownDrills, type Skill, type Syllabus } from '../syllabus/skill';
import type { Choice } from './choose';
import { wishedFor, type Goal } from './goals';
import type { BlockKind } from './plan';
import { waitingFor, worthOf, type Clock, type Prospect } from './worth';

const WORTH = {
  /** A use is worth this share of the new thing it uses. */
  useOfNew: 0.6,
  held: 0.85,
} as const;

/** What e times the takes and the days add, logits, and the takes after which that begins to tell: voice one of the estimator. */
const PRACTICE = { perRows: 1.2, perDays: 0.62, rowScale: 12 } as const;

/** A grip this much over the limit on a hand near this one may be under it on this one, grade points. */
const NEAR_POINTS = 3;

/** Candidates of each kind, the most worth first: enough for any lesson, few enough to be quick. */
const TRIED = { met: 18, new: 6, use: 6, freshUse: 3, trouble: 6 } as const;

/** What is begun and comes clean less often than this is in trouble, however few its takes (our assumption). */
const ROUGH = 0.4;

/** Minutes a block may have. One that is held is short, what is mended is not; only music is long. */
const LENGTHS = {
  held: [3, 4],
  heldUse: [3, 4, 5],
  work: [3, 4, 5, 6, 7],
  mended: [5, 6, 7],
  new: [4, 5, 6, 7],
  use: [3, 4, 5, 6, 8],
} as const;

/** A skill that might come in: what the choice asks about, as a hand near this one plays it. Its own drill is made once it is chosen. */
export interface Candidate extends Choice {
  readonly skill: Skill;
  readonly state: SkillState;
  /** Skills that wait for it alone. */
  readonly unlocks: number;
  /** What it is wished for; null where nothing needs it. */
  readonly goal: Goal | null;
  /** The first drill of it that such a hand can play. */
  readonly recipe: Recipe;
}

export interface CandidateContext {
  readonly taught: TaughtHand;
  readonly syllabus: Syllabus;
  readonly goals: readonly Goal[];
  /** Skills promised last time; worth coming back to whether they are due or not. */
  readonly promised?: readonly string[];
  /** Skills a teacher waived for this hand. */
  readonly waived: readonly string[];
  readonly allowBarre: boolean;
}

export const ONCE_CLEAN = (state: SkillState) =>
  state.everClean || state.state === 'clean' || state.state === 'settled';

/** What slips, is stuck, or is begun and rough: a teacher carries it on before much else is begun. */
export const inTrouble = ({ marks, attempts, chance }: SkillState): boolean =>
  marks.slipping || marks.stuck || (attempts > 0 && chance !== null && chance.mean < ROUGH);

/** Whether the needs of a skill were once clean and have not slipped since. */
export function isOpen(
  skill: Skill,
  states: ReadonlyMap<string, SkillState>,
  waived: readonly string[],
): boolean {
  return skill.needs.every((group) => group.some((id) => isReady(id, states, waived)));
}

/** Whether what needs this skill may begin: it was once clean and does not slip, or is waived. */
export function isReady(
  id: string,
  states: ReadonlyMap<string, SkillState>,
  waived: readonly string[],
): boolean {
  const state = states.get(id);
  return waived.includes(id) || (state !== undefined && ONCE_CLEAN(state) && !state.marks.slipping);
}

/** A skill that might come in, before a drill is made of it. */
export interface Ranked {
  readonly skill: Skill;
  readonly state: SkillState;
  readonly kind: BlockKind;
  readonly worth: number;
  readonly unlocks: number;
  /** What it is wished for; null where nothing needs it. */
  readonly goal: Goal | null;
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
  const wished = wishedFor(goals, syllabus, (id) => isReady(id, states, waived));
  const ranked = syllabus.skills.flatMap((skill): Ranked[] => {
    const own = states.get(skill.id);
    if (!own || waived.includes(skill.id) || (skill.barre && !context.allowBarre)) return [];
    const kind =
      kindOf(skill, own, states, waived) ??
      (own.attempts > 0 && context.promised?.includes(skill.id) ? 'review' : null);
    if (!kind) return [];
    const waiting = waitingFor(skill.id, graph, isLocked);
    const wish = wished.get(skill.id);
    const wanted = wish && { daysToGoal: wish.goal.day?.ahead ?? null, times: wish.times };
    const prospect = prospectOf(own, targetOf(skill, own, context, grader, state.now), state.now);
    return [
      {
        skill,
        state: own,
        kind,
        worth: worthOf(prospect, clock, waiting, wanted) * (wish && !wish.goal.day ? wish.times : 1),
        goal: wish?.goal ?? null,
        unlocks: waiting.filter(({ step, locked }) => step === 1 && locked).length,
      },
    ];
  });
  return ranked.sort((a, b) => b.worth - a.worth || (a.skill.id < b.skill.id ? -1 : 1));
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
  const ranked = rankedSkills(state, context);
  const made = (list: readonly Ranked[], most: number): Candidate[] => {
    const found: Candidate[] = [];
    for (const one of list) {
      if (found.length >= most) break;
      const candidate = sketched(one, context);
      if (candidate) found.push(candidate);
    }
    return found;
  };
  const of = (which: (one: Ranked) => boolean) => ranked.filter(which);
  const trouble = of(({ state: own }) => inTrouble(own)).sort(
    ({ state: a }, { state: b }) =>
      Number(b.marks.slipping) - Number(a.marks.slipping) ||
      Number(b.marks.stuck) - Number(a.marks.stuck) ||
      (a.marks.slipping && b.marks.slipping ? fallOf(b) - fallOf(a) : 0),
  );
  const promised = made(
    of(({ skill }) => context.promised?.includes(skill.id) ?? false),
    TRIED.trouble,
  );
  const mended = made(
    trouble.filter(({ skill }) => !promised.some(({ skillId }) => skillId === skill.id)),
    TRIED.trouble,
  );
  const known = new Set([...promised, ...mended].map(({ id }) => id));
  const rest = (kinds: readonly BlockKind[], which: (own: SkillState) => boolean = () => true) =>
    of(
      ({ kind, skill, state: own }) =>
        kinds.includes(kind) && which(own) && !known.has(`${kind}:${skill.id}`),
    );
  return [
    ...promised,
    ...mended,
    ...made(rest(['review', 'repair']), TRIED.met),
    ...made(rest(['new']), TRIED.new),
    ...made(
      rest(['apply'], ({ attempts }) => attempts > 0),
      TRIED.use,
    ),
    ...made(
      rest(['apply'], ({ attempts }) => attempts === 0),
      TRIED.freshUse,
    ),
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
  if (inTrouble(own)) return 'repair';
  if (ONCE_CLEAN(own)) return own.marks.due ? 'review' : null;
  return 'repair';
}

/** Null where no hand of this size can be asked for any of its drills. */
function sketched(
  { skill, state, kind, worth, unlocks, goal }: Ranked,
  context: CandidateContext,
): Candidate | null {
  for (const recipe of ownDrills(skill)) {
    const sketch = fitting(recipe, context);
    if (!sketch) continue;
    const held = (state.chance?.mean ?? 0) > WORTH.held;
    return {
      id: `${kind}:${skill.id}`,
      kind,
      skillId: skill.id,
      strand: skill.strand,
      family: recipe.family,
      worth,
      held,
      use: kind === 'apply',
      unmet: kind === 'apply' && state.attempts === 0,
      known: kind === 'apply' && state.attempts > 0 && !inTrouble(state),
      plays: !isQuiet(recipe),
      barreShare: sketch.barreShare,
      lengths: LENGTHS[lengthsOf(kind, held, state)],
      exercises:
        kind === 'apply'
          ? skillsOf({ items: sketch.items, recipe }, context.syllabus).map((found) => found.skill.id)
          : [skill.id],
      skill,
      state,
      unlocks,
      goal,
      recipe,
    };
  }
  return null;
}

/** A drill as a hand near this one plays it, where its heaviest grip is not far over what this one is asked. */
function fitting(recipe: Recipe, { taught }: CandidateContext): DrillSketch | null {
  const { hand, instrument, limits } = taught;
  const fits = (sketch: DrillSketch | null) =>
    sketch && overLimit(sketch.heaviestGrip, taught) <= NEAR_POINTS ? sketch : null;
  // Few need lighter grips than a hand without limits is given, and those without are kept for more students.
  return (
    fits(sketchOf(recipe, { hand, instrument })) ??
    fits(sketchOf(recipe, { hand, instrument, gripEffort: limits.gripEffort }))
  );
}

function lengthsOf(kind: BlockKind, held: boolean, own: SkillState): keyof typeof LENGTHS {
  if (kind === 'apply') return held ? 'heldUse' : 'use';
  if (held) return 'held';
  if (kind === 'new') return 'new';
  return inTrouble(own) ? 'mended' : 'work';
}

/**
 * The new thing put to use: its own drill of use, else its grip in a loop or, where a hand plays, the thing itself once more. Null
 * for what is heard or named and has no use of its own.
 */
export function useOfNew(fresh: Candidate, context: CandidateContext): Candidate | null {
  const own = fresh.skill.practice.find(({ step }) => step === 'use');
  const sketch = own ? fitting(own.recipe, context) : null;
  const loops = gripsOf(fresh.recipe).length > 0;
  if (!sketch && !fresh.plays && !loops) return null;
  const recipe = own && sketch ? own.recipe : fresh.recipe;
  return {
    ...fresh,
    id: `apply:${fresh.skill.id}`,
    kind: 'apply',
    use: true,
    unmet: false,
    known: false,
    recipe,
    family: sketch || !loops ? recipe.family : 'change loop',
    barreShare: sketch?.barreShare ?? fresh.barreShare,
    worth: fresh.worth * WORTH.useOfNew,
    lengths: LENGTHS.use,
    onlyWith: fresh.skill.id,
  };
}
