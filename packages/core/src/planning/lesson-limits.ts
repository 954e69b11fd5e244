/** What the choice of blocks is held to for one lesson of one student: a careful teacher's rules in numbers. */
import { isQuiet } from '../drills/evidence';
import { fallOf, inTrouble, type Candidate, type CandidateContext } from './candidates';
import type { ChooseLimits } from './choose';
import { LEANING } from './lean';
import { planMinutes, type Lean, type PlanBlock } from './plan';
import type { Unseen } from './unseen';

export interface LessonConstraints extends Omit<CandidateContext, 'allowBarre' | 'syllabus'> {
  readonly minutes: number;
  /** New skills allowed; 2 unless the teacher sets another number. */
  readonly newSkills?: number;
  /** Even unless the teacher asks for another. */
  readonly lean?: Lean;
  /** Blocks the teacher locked, in their order; kept as they are. */
  readonly locked?: readonly PlanBlock[];
}

export const PLAN = {
  warmUpMinutes: 3,
  takeHomeMinutes: 3,
  takeHomeFrom: 20,
  newSkills: 2,
  shortest: 10,
  longest: 180,
  /** Skills in trouble from which nothing new comes, and up to which something does, in lessons from so many minutes. */
  trouble: 4,
  calm: 1,
  /** Skills mended in a lesson from so many minutes where so many are in trouble. */
  mended: 2,
  somethingNewFrom: 30,
  strands: 3,
  strandsFrom: 45,
  /** Minutes that a block lasts on the whole. */
  block: 5,
  /** Sets of blocks tried for an order, and seconds for all of it. */
  sets: 6,
  seconds: 2,
} as const;

/** Why nothing new may come in at all: four things in trouble, or a proposal that leans elsewhere. */
type NoNew = 'trouble' | 'lean' | null;

export interface LessonLimits extends ChooseLimits {
  readonly noNew: NoNew;
}

/** What the choice is held to, with what stands in the lesson already. */
export function limitsOf(
  all: readonly Candidate[],
  there: readonly PlanBlock[],
  free: number,
  { minutes, newSkills, taught, lean = 'even', promised = [] }: LessonConstraints,
  unseen: readonly Unseen[],
): LessonLimits {
  const leaning = LEANING[lean];
  const pressed = there.reduce((total, block) => total + block.barreMinutes, 0);
  const barreMinutes = Math.max(0, (taught.limits.barreMinutes * minutes) / 30 - pressed);
  // What the barre minutes of today have no room for is not asked for today.
  const trouble = all.filter(
    (one) => inTrouble(one.state) && one.lengths[0] * one.barreShare <= barreMinutes + 1e-9,
  );
  const worst = trouble
    .filter(({ state: { marks } }) => marks.slipping)
    .toSorted((a, b) => fallOf(b.state) - fallOf(a.state))
    .at(0);
  const stuck = trouble.filter(({ state: { marks } }) => marks.stuck);
  const ids = (of: readonly Candidate[]) => of.map(({ skillId }) => skillId);
  const sum = (which: (block: PlanBlock) => boolean) => planMinutes(there.filter(which));
  const news = there.filter(({ kind }) => kind === 'new').length;
  // Music that a lock brought counts.
  const played = there.some(({ kind }) => kind === 'apply');
  const many = trouble.length >= PLAN.trouble;
  const goesOn = leaning.news === 'one at least';
  const noNew: NoNew = leaning.news === 'none' ? 'lean' : many && !goesOn ? 'trouble' : null;
  const mostNew = noNew ? 0 : Math.max(0, (newSkills ?? PLAN.newSkills) - news);
  const long = minutes >= PLAN.somethingNewFrom;
  const canBeNew = all.some(({ kind }) => kind === 'new');
  return {
    minutes: free,
    lessonMinutes: minutes,
    mostNew,
    leastNew:
      mostNew > 0 && canBeNew && (goesOn || (trouble.length <= PLAN.calm && long)) && news === 0 ? 1 : 0,
    barreMinutes,
    mostBlocks: Math.max(2, Math.ceil(free / PLAN.block)),
    mended: [
      {
        skillIds: ids(trouble),
        least: Math.min(
          trouble.length,
          goesOn || !long ? 1 : Math.max(leaning.mended, many ? PLAN.mended : 1),
        ),
      },
      // What a student works at in vain is never left to itself.
      { skillIds: ids(stuck), least: long ? Math.min(1, stuck.length) : 0 },
    ],
    promised: all.filter(({ skillId }) => promised.includes(skillId)).map(({ skillId }) => skillId),
    first: ids(worst ? [worst] : stuck.length > 0 ? stuck : trouble),
    strands: minutes >= PLAN.strandsFrom ? PLAN.strands : 0,
    unseen: minutes >= PLAN.strandsFrom ? unseen.map(({ strand }) => strand) : [],
    knownMusic: long && !played ? Math.min(leaning.knownMusic, all.filter(({ known }) => known).length) : 0,
    music: leaning.music,
    noNew,
    there: {
      strands: [],
      playingMinutes: sum(({ recipe }) => recipe !== null && !isQuiet(recipe)),
      useMinutes: sum(({ kind }) => kind === 'apply'),
      reviewMinutes: sum(({ kind }) => kind === 'review'),
      barreBlocks: there.filter(({ barreMinutes }) => barreMinutes > 0).length,
      // The opener parts no two.
      otherBlocks: there.filter(({ barreMinutes, kind }) => barreMinutes === 0 && kind !== 'warm up').length,
    },
    rest: { minutes: [3, 4, 5], must: false },
  };
}
