/**
 * Changes by hand to the blocks of a plan, as functions from blocks to blocks. Minutes stay whole and within
 * what one block may last; barre minutes keep their share of a block when it grows or shrinks.
 */
import type { PlanBlock } from '@finch/core/planning';

type Blocks = readonly PlanBlock[];

const BLOCK_MINUTES = { least: 1, most: 60 } as const;

/** A block at another length. */
function ofMinutes(block: PlanBlock, minutes: number): PlanBlock {
  const share = block.minutes > 0 ? block.barreMinutes / block.minutes : 0;
  return { ...block, minutes, barreMinutes: share * minutes };
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

/** The block at an index moved by so many places; unchanged where that leads out of the plan. */
export function moved(blocks: Blocks, at: number, by: number): Blocks {
  const to = at + by;
  if (!blocks[at] || to < 0 || to >= blocks.length) return blocks;
  const next = [...blocks];
  next.splice(to, 0, ...next.splice(at, 1));
  return next;
}

export function lockTurned(blocks: Blocks, at: number): Blocks {
  return blocks[at] ? replaced(blocks, at, { ...blocks[at], locked: !blocks[at].locked }) : blocks;
}

export function without(blocks: Blocks, at: number): Blocks {
  return blocks.filter((_, i) => i !== at);
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
