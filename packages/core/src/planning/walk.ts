/**
 * How a block goes through the drills of its skill: found, held, changed to, used, heard, as far as the student is with it. Its own
 * drill has the most minutes; the others lead to it or out of it.
 */
import { barreShare } from '../drills/drill';
import { isQuiet } from '../drills/evidence';
import type { Drill, Recipe } from '../drills/recipe';
import type { SkillState } from '../mastery/skill-state';
import { PRACTICE_STEPS, type PracticeStep, type Skill } from '../syllabus/skill';
import type { WalkPart } from './plan';

/** What belongs to a block, the most needed first, by how far the student is (our assumption, after how teachers do it). */
const WANTED: Readonly<Record<'unmet' | 'rough' | 'workable' | 'held', readonly PracticeStep[]>> = {
  unmet: ['change', 'find', 'use', 'hold'],
  rough: ['change', 'hold', 'hear'],
  workable: ['use', 'change'],
  held: ['use', 'hear'],
};
const WALK = { rough: 0.5, held: 0.85, least: 3, longest: 3, companion: 2 } as const;

interface Walked {
  readonly walk: readonly WalkPart[];
  /** Mean grade of its minutes, and the minutes in which a barre is pressed. */
  readonly effort: number;
  readonly barreMinutes: number;
}

interface Own {
  readonly recipe: Recipe;
  readonly drill: Drill;
}

/**
 * The walk through a block of so many minutes; null where its own drill is all there is.
 * @param made a drill as this hand plays it, null where it cannot
 */
export function walkOf(
  skill: Skill,
  state: SkillState,
  minutes: number,
  own: Own,
  made: (recipe: Recipe) => Drill | null,
): Walked | null {
  const main = skill.practice[0].step;
  const others: { readonly step: PracticeStep; readonly recipe: Recipe; readonly drill: Drill }[] = [];
  const most = minutes < WALK.least ? 0 : Math.floor((minutes - 1) / 2);
  const wanted = WANTED[stageOf(state)];
  for (const step of [...wanted, ...PRACTICE_STEPS.filter((one) => !wanted.includes(one))]) {
    // What is not wanted now is better than one drill alone.
    if (others.length >= most || (others.length > 0 && !wanted.includes(step))) break;
    if (step === main) continue;
    for (const { recipe } of skill.practice.filter((one) => one.step === step)) {
      const drill = made(recipe);
      // A block that presses no barre goes on without one.
      if (!drill || (drill.hasBarre && !own.drill.hasBarre)) continue;
      others.push({ step, recipe, drill });
      break;
    }
  }
  if (others.length === 0) return null;
  const each = others.map(() => 1);
  let left = minutes - others.length;
  // The first goes on for two minutes once its own drill has three; what is left over is the block's own.
  for (let i = 0; i < others.length && left > WALK.longest; i++)
    while (each[i] < WALK.companion && left > WALK.longest) {
      each[i]++;
      left--;
    }
  const parts = [
    { step: main, minutes: left, ...own },
    ...others.map((one, i) => ({ ...one, minutes: each[i] })),
  ].sort((a, b) => PRACTICE_STEPS.indexOf(a.step) - PRACTICE_STEPS.indexOf(b.step));
  const sum = (of: (part: (typeof parts)[number]) => number) =>
    parts.reduce((all, part) => all + part.minutes * of(part), 0);
  return {
    walk: parts.map(({ step, minutes: lasts, recipe }) => ({ step, minutes: lasts, recipe })),
    effort: sum(({ recipe, drill }) => (isQuiet(recipe) ? 0 : drill.effort)) / minutes,
    barreMinutes: sum(({ drill }) => barreShare(drill)),
  };
}

function stageOf({ attempts, chance }: SkillState): keyof typeof WANTED {
  if (attempts === 0) return 'unmet';
  const mean = chance?.mean ?? 0;
  return mean < WALK.rough ? 'rough' : mean > WALK.held ? 'held' : 'workable';
}

/**
 * A walk in other minutes: what is added or taken is its longest part's; where each has a minute left, the last but the block's own
 * goes. Undefined where one drill is left.
 */
export function walkIn(
  walk: readonly WalkPart[],
  minutes: number,
  own: Recipe | null,
): readonly WalkPart[] | undefined {
  let parts = [...walk];
  const total = () => parts.reduce((sum, part) => sum + part.minutes, 0);
  const isOwn = ({ recipe }: WalkPart) => JSON.stringify(recipe) === JSON.stringify(own);
  /** Of two as long the one that is not its own. */
  const longest = () =>
    parts.reduce((at, part, i) => {
      const more = part.minutes - parts[at].minutes;
      return more > 0 || (more === 0 && isOwn(parts[at])) ? i : at;
    }, 0);
  const give = (at: number, by: number) => {
    parts = parts.map((part, i) => (i === at ? { ...part, minutes: part.minutes + by } : part));
  };
  while (total() < minutes) give(longest(), 1);
  while (total() > minutes) {
    const at = longest();
    if (parts[at].minutes > 1) give(at, -1);
    else {
      const last = parts.findLastIndex((part) => !isOwn(part));
      parts.splice(Math.max(0, last), 1);
    }
  }
  return parts.length > 1 ? parts : undefined;
}
