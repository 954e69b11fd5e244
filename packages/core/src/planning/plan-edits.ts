/**
 * Changes by hand to the blocks of a plan, as functions from blocks to blocks. Minutes stay whole and within
 * what one block may last; barre minutes keep their share of a block when it grows or shrinks; what goes home
 * is said and played last, wherever else blocks go. Ids name blocks, indexes name places.
 */
import { planMinutes, type PlanBlock } from './plan';
import { walkIn } from './walk';

type Blocks = readonly PlanBlock[];

const BLOCK_MINUTES = { least: 1, most: 60 } as const;
/** A block is not fitted below this: under three minutes nothing is learned (our assumption). */
const FIT_LEAST = 3;

/** A block at another length. */
function ofMinutes(block: PlanBlock, minutes: number): PlanBlock {
  const share = block.minutes > 0 ? block.barreMinutes / block.minutes : 0;
  const { walk: _walk, ...rest } = block;
  const walk = block.walk && walkIn(block.walk, minutes, block.recipe);
  return { ...rest, minutes, barreMinutes: share * minutes, ...(walk ? { walk } : {}) };
}

const replaced = (blocks: Blocks, at: number, block: PlanBlock): Blocks =>
  blocks.map((one, i) => (i === at ? block : one));

/** The block at an index longer by whole minutes (shorter when negative); unchanged where that is no block's length. */
export function lengthened(blocks: Blocks, at: number, byMinutes: number): Blocks {
  const block = blocks[at];
  const minutes = block ? block.minutes + byMinutes : 0;
  if (minutes < BLOCK_MINUTES.least || minutes > BLOCK_MINUTES.most) return blocks;
  return replaced(blocks, at, ofMinutes(block, minutes));
}

/** The same blocks in this order, with what goes home at the end; unchanged where they stand so already. */
export function inOrder(blocks: Blocks, order: Blocks): Blocks {
  const home = (block: PlanBlock) => block.kind === 'take home';
  const next = [...order.filter((block) => !home(block)), ...order.filter(home)];
  return next.every((block, i) => block === blocks[i]) ? blocks : next;
}

/** The block at an index moved by so many places; unchanged where that leads out of the plan or past what goes home. */
export function moved(blocks: Blocks, at: number, by: number): Blocks {
  const to = at + by;
  if (!blocks[at] || to < 0 || to >= blocks.length) return blocks;
  const next = [...blocks];
  next.splice(to, 0, ...next.splice(at, 1));
  return inOrder(blocks, next);
}

export function lockTurned(blocks: Blocks, at: number): Blocks {
  return blocks[at] ? replaced(blocks, at, { ...blocks[at], locked: !blocks[at].locked }) : blocks;
}

export function without(blocks: Blocks, at: number): Blocks {
  return blocks[at] ? blocks.filter((_, i) => i !== at) : blocks;
}

/** Adds a block where it belongs: before what goes home, else at the end. Returns where it came to stand. */
export function added(blocks: Blocks, block: PlanBlock): { readonly blocks: Blocks; readonly at: number } {
  const home = blocks.findIndex((one) => one.kind === 'take home');
  const at = home < 0 ? blocks.length : home;
  return { blocks: [...blocks.slice(0, at), block, ...blocks.slice(at)], at };
}

/** Another block in the place and the minutes of the one at an index. */
export function swapped(blocks: Blocks, at: number, block: PlanBlock): Blocks {
  return blocks[at] ? replaced(blocks, at, ofMinutes(block, blocks[at].minutes)) : blocks;
}

/** The block that asks for the same already: the same drill, or the same words where there is none; null when none does. */
export function alikeIn(blocks: Blocks, block: PlanBlock): PlanBlock | null {
  const ask = (one: PlanBlock) =>
    one.recipe ? JSON.stringify(one.recipe) : JSON.stringify([one.title, one.skillId]);
  return blocks.find((one) => one.id === block.id || ask(one) === ask(block)) ?? null;
}

/** What a re-plan leaves as it is: what is locked, and whatever was put in by hand. */
export const byHand = (block: PlanBlock): boolean => block.locked || block.because.code === 'because.chosen';

/**
 * Blocks shortened to fit into so many minutes: a minute at a time from the longest that is neither locked nor in `keep`,
 * the last of equals first, none below three minutes. What cannot be fitted stays too long; nothing is ever taken out.
 */
export function fitted(blocks: Blocks, minutes: number, keep: readonly string[] = []): Blocks {
  let next = blocks;
  for (let over = planMinutes(blocks) - minutes; over > 0; over--) {
    let at = -1;
    next.forEach((block, i) => {
      if (block.locked || keep.includes(block.id) || block.minutes <= FIT_LEAST) return;
      if (at < 0 || block.minutes >= next[at].minutes) at = i;
    });
    if (at < 0) return next;
    next = lengthened(next, at, -1);
  }
  return next;
}
