/**
 * What a student plays toward: a piece and the day it is played on, a style, a way in, a single skill. A goal weighs as a teacher
 * says; what it needs that is not held yet weighs with it. All weights are assumptions: with a day, wished for first is what our
 * trials of a wish found best (`docs/models/planning.md`); in a lesson every rule of a careful teacher holds all the same.
 */
import type { Syllabus } from '../syllabus/skill';
import type { GoalWeight, TowardGoal } from './plan';

export interface Goal {
  /** Of a skill, a course or a piece. */
  readonly id: string;
  readonly name: string;
  /** What is held once the goal is reached. */
  readonly skills: readonly string[];
  readonly weight: GoalWeight;
  /** The day it is played on, YYYY-MM-DD, and whole days until then (0 today, never less); null without one. */
  readonly day: { readonly on: string; readonly ahead: number } | null;
}

/**
 * Times by which the worth of a visit counts: of a goal itself without a day, and of all that a goal with a day needs, whose worth
 * on that day is 1.4 (met) to 1.7 (new) times the usual one by itself (demo's students, any day to 84).
 */
const TIMES: Readonly<Record<GoalWeight, { readonly free: number; readonly dated: number }>> = {
  'not now': { free: 1, dated: 1 },
  'a little': { free: 1.25, dated: 0.8 },
  more: { free: 1.6, dated: 4 },
  first: { free: 4, dated: 101 },
};
const BY_DAY = 1.4;
/** What leads to a goal without a day counts less, the more steps it is away. */
const PER_STEP = 0.7;

/** How a skill is wished for. */
export interface Wished {
  readonly goal: Goal;
  readonly times: number;
}

/**
 * Each skill that a goal needs and how much it is wished for; of several goals the one that counts most.
 * @param isReady whether a skill is held well enough for what needs it
 */
export function wishedFor(
  goals: readonly Goal[],
  syllabus: Pick<Syllabus, 'skills'>,
  isReady: (id: string) => boolean,
): Map<string, Wished> {
  const wished = new Map<string, Wished>();
  for (const goal of goals) {
    if (goal.weight === 'not now') continue;
    const { free, dated } = TIMES[goal.weight];
    for (const [id, steps] of leadingTo(goal.skills, syllabus, isReady)) {
      const times = goal.day ? dated : 1 + (free - 1) * PER_STEP ** steps;
      const known = wished.get(id);
      if (!known || counts(known) < counts({ goal, times })) wished.set(id, { goal, times });
    }
  }
  return wished;
}

const counts = ({ goal, times }: Wished): number => (goal.day ? BY_DAY : 1) * times;

/** Skills and the steps each is away from them: themselves, then what they still wait for. Of needs of which any one will do, the first. */
function leadingTo(
  skills: readonly string[],
  syllabus: Pick<Syllabus, 'skills'>,
  isReady: (id: string) => boolean,
): Map<string, number> {
  const needs = new Map(syllabus.skills.map((skill) => [skill.id, skill.needs]));
  const found = new Map<string, number>();
  let edge = skills.filter((id) => needs.has(id));
  for (let steps = 0; edge.length > 0; steps++) {
    for (const id of edge) found.set(id, steps);
    const waitsFor = edge.flatMap((id) =>
      (needs.get(id) ?? []).flatMap((group) =>
        group.some((need) => isReady(need) || found.has(need)) ? [] : group.slice(0, 1),
      ),
    );
    edge = [...new Set(waitsFor)].filter((id) => needs.has(id) && !found.has(id));
  }
  return found;
}

/** What of a lesson goes toward each goal, in their order. */
export const towardGoals = (
  goals: readonly Goal[],
  syllabus: Pick<Syllabus, 'skills'>,
  isReady: (id: string) => boolean,
  isHeld: (id: string) => boolean,
): TowardGoal[] =>
  goals.map(({ id, name, skills, weight, day }) => ({
    id,
    name,
    weight,
    on: day?.on ?? null,
    needs: [...leadingTo(skills, syllabus, isReady).keys()],
    held: skills.filter(isHeld).length,
    of: skills.length,
  }));
