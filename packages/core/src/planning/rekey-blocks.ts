/**
 * A lesson in another key, or for another hand: each block with a drill moved as far as the key is, on grips the hand holds;
 * what cannot follow is given the nearest that can be made, or stays as it was, and says why.
 */
import {
  drillTitle,
  forHand,
  gripsOf,
  makeDrill,
  nearestRecipe,
  rekey,
  rekeyForHand,
  rootOf,
  type Recipe,
} from '../drills';
import type { DrillContext } from '../hands/taught-hand';
import type { Problem } from '../kernel/result';
import { movedRoot } from '../drills/moving';
import { parseChord } from '../theory/chord';
import { keysOn } from '../theory/key';
import { noteText, pitchClassOf, type NoteName } from '../theory/note';
import type { PlanBlock, WalkPart } from './plan';

/** How a block followed: as it was, on other grips, as the nearest that can be made, without a key of its own, or not at all. */
export type Followed = 'moved' | 'other grips' | 'nearest' | 'keyless' | 'stays';

export interface RekeyedBlock {
  readonly was: PlanBlock;
  readonly block: PlanBlock;
  readonly followed: Followed;
  /** Why it did not simply move. */
  readonly why: Problem | null;
}

/** The root most drills of a lesson stand on; null where none stands on one. */
export function rootOfBlocks(blocks: readonly PlanBlock[]): NoteName | null {
  const counts = new Map<string, { readonly root: NoteName; count: number }>();
  for (const { recipe } of blocks) {
    const root = recipe && rootOf(recipe);
    if (!root) continue;
    const seen = counts.get(noteText(root));
    if (seen) seen.count += 1;
    else counts.set(noteText(root), { root, count: 1 });
  }
  return [...counts.values()].reduce<{ root: NoteName; count: number } | null>((best, one) => (best && best.count >= one.count ? best : one), null)?.root ?? null; // prettier-ignore
}

/** A root as keys on it are usually written: with six signs at most, major or minor as its first chord is. */
function usual(root: NoteName, recipe: Recipe): NoteName {
  const first = parseChord(gripsOf(recipe)[0]?.chord ?? '');
  const kind = first.ok && first.value.quality.startsWith('minor') ? 'minor' : 'major';
  const keys = keysOn(pitchClassOf(root), kind);
  const own = keys.find((key) => noteText(key.tonic) === noteText(root));
  if (own && Math.abs(own.fifths) <= MOST_SIGNS) return root;
  const [plainest] = [...keys].sort((a, b) => Math.abs(a.fifths) - Math.abs(b.fifths));
  return plainest?.tonic ?? root;
}
const MOST_SIGNS = 6;

interface Followup {
  readonly recipe: Recipe;
  readonly followed: Followed;
  readonly why: Problem | null;
}

function followed(
  recipe: Recipe,
  from: NoteName | null,
  to: NoteName | null,
  context: DrillContext,
): Followup {
  const own = forHand(recipe, context);
  const root = rootOf(own);
  const fits = (one: Recipe) => {
    const made = makeDrill(one, context);
    return made.ok && !made.value.overLimit ? null : made.ok ? LIMIT : made.problem;
  };
  const orNearest = (one: Recipe, why: Problem): Followup => {
    const near = nearestRecipe(one, context);
    return near && !fits(near)
      ? { recipe: near, followed: 'nearest', why }
      : { recipe, followed: 'stays', why };
  };
  if (!root || !from || !to || pitchClassOf(from) === pitchClassOf(to)) {
    const why = fits(own);
    if (why) return orNearest(own, why);
    return {
      recipe: own,
      followed: root ? (own === recipe ? 'moved' : 'other grips') : 'keyless',
      why: null,
    };
  }
  const there = usual(movedRoot(root, { from, to }), own);
  const plain = rekey(own, there, context.instrument);
  const moved = rekeyForHand(own, there, context);
  if (!moved.ok) return { recipe: own, followed: 'stays', why: moved.problem };
  const why = fits(moved.value);
  if (why) return orNearest(moved.value, why);
  const asIs = own === recipe && plain.ok && JSON.stringify(plain.value) === JSON.stringify(moved.value);
  return { recipe: moved.value, followed: asIs ? 'moved' : 'other grips', why: null };
}

const LIMIT: Problem = { code: 'drill.over-limit', at: 'grips', detail: 'an easier grip or another key' };

/**
 * Blocks with a drill as this hand plays them, as far up as `to` lies over `from`; blocks without one as they are. With no
 * roots only the hand is another. Minutes stay; effort and barre minutes are those of the new drill.
 */
export function rekeyBlocks(
  blocks: readonly PlanBlock[],
  from: NoteName | null,
  to: NoteName | null,
  context: DrillContext,
): RekeyedBlock[] {
  return blocks.flatMap((was): RekeyedBlock[] => {
    if (!was.recipe) return [];
    const { recipe, followed: how, why } = followed(was.recipe, from, to, context);
    const made = makeDrill(recipe, context);
    const bursts = made.ok && made.value.hasBarre ? made.value.bursts : null;
    const same = JSON.stringify(recipe) === JSON.stringify(was.recipe);
    const block: PlanBlock = {
      ...was,
      recipe,
      title: same ? was.title : drillTitle(recipe),
      effort: made.ok ? made.value.effort : was.effort,
      ...(was.walk
        ? { walk: walkInKey(was.walk, was.recipe, recipe, (one) => followed(one, from, to, context).recipe) }
        : {}),
      barreMinutes: bursts
        ? (was.minutes * bursts.workSeconds) / (bursts.workSeconds + bursts.restSeconds)
        : 0,
    };
    return [{ was, block, followed: how, why }];
  });
}

/** The parts of a walk moved as its own drill was. */
const walkInKey = (
  walk: readonly WalkPart[],
  was: Recipe,
  own: Recipe,
  move: (recipe: Recipe) => Recipe,
): readonly WalkPart[] =>
  walk.map((part) => ({
    ...part,
    recipe: JSON.stringify(part.recipe) === JSON.stringify(was) ? own : move(part.recipe),
  }));
