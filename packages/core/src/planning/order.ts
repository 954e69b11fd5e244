/**
 * In what order the blocks of a lesson come: searched depth first in the order a teacher would try, until one breaks no rule.
 */
import { peakLoad } from './load';
import type { PlanBlock } from './plan';

export interface Placed {
  readonly block: PlanBlock;
  /** Drill family of its longest part; null of a rest. */
  readonly family: string | null;
  /** Skills whose use it is. */
  readonly exercises: readonly string[];
  /** Chance that it comes clean, 0 to 1; null where nothing is judged. */
  readonly chance: number | null;
}

export interface OrderRules {
  /** One of these skills stands before all else; then one of `first`. */
  readonly promised: readonly string[];
  /** One of these skills stands before everything that is not there yet. */
  readonly first: readonly string[];
  /** Load of the hand that no minute may pass. */
  readonly mostLoad: number;
}

/** The most places the search looks at. */
const NODES = 4_000;

/**
 * The blocks in an order that breaks no rule: after what stands already, before what closes; null where there is none, or none
 * was found. The order in which they are given is tried first.
 */
export function orderOf(
  opening: readonly Placed[],
  open: readonly Placed[],
  closing: readonly Placed[],
  rules: OrderRules,
): readonly Placed[] | null {
  let nodes = 0;
  const place = (row: readonly Placed[], left: readonly Placed[]): readonly Placed[] | null => {
    if (++nodes > NODES) return null;
    if (left.length === 0) {
      const whole = [...row, ...closing];
      return endsWell(row, opening.length) && fits(whole, rules) ? whole : null;
    }
    for (const one of left) {
      if (!mayFollow(row, one, left, rules)) continue;
      const rest = left.filter((other) => other !== one);
      const found = place([...row, one], rest);
      if (found) return found;
    }
    return null;
  };
  return place(opening, open);
}

const fits = (row: readonly Placed[], { mostLoad }: OrderRules): boolean =>
  peakLoad(row.map(({ block }) => block)).load <= mostLoad;

function mayFollow(
  row: readonly Placed[],
  one: Placed,
  left: readonly Placed[],
  { promised, first, mostLoad }: OrderRules,
): boolean {
  const last = row.at(-1);
  const { block } = one;
  // What was promised comes first, then what is in trouble is mended.
  for (const skills of [promised, first]) {
    const isOf = (placed: Placed) => skills.includes(placed.block.skillId ?? '');
    if (row.some(isOf) || !left.some(isOf)) continue;
    if (!isOf(one)) return false;
    break;
  }
  if (block.barreMinutes > 0 && (last?.block.barreMinutes ?? 0) > 0) return false;
  const [a, b] = row.slice(-2);
  if (one.family !== null && a?.family === one.family && b?.family === one.family) return false;
  // A thing is learned before it is used.
  const comes = left.some(
    (other) =>
      other !== one && other.block.kind === 'new' && one.exercises.includes(other.block.skillId ?? ''),
  );
  if (block.kind === 'apply' && comes) return false;
  return peakLoad([...row, one].map((placed) => placed.block)).load <= mostLoad;
}

/** The last block is not the least likely one. */
function endsWell(row: readonly Placed[], opening: number): boolean {
  const judged = row.slice(opening).filter(({ chance }) => chance !== null);
  const last = row.at(-1);
  if (judged.length < 2 || last?.chance === null || last === undefined) return true;
  return judged.some((one) => one !== last && (one.chance ?? 1) < (last.chance ?? 1));
}
