/**
 * The best path through a progression: grips and fingerings of all chords chosen together, exactly. Further paths
 * must grip a quarter of the chords otherwise (at most four of them) than each path before, where a grip less a string
 * is the same grip. The smallest area is the least width of frets in which every chord can be gripped; the path is
 * solved in each window of that width.
 */
import { holdModel } from '../effort/hold';
import { changeMemory, pathCosts, type ChangeMemory } from './path-costs';
import { GIVING_WAY, PATH_WEIGHTS, type Path, type PathFound, type PathLock, type PathOptions } from './path';
import { solve, type Solved } from './path-solve';
import { choiceMaker, type ChoiceMaker, type PathChoice } from './path-states';
import { asPath } from './path-summary';
import type { Chord } from '../theory/chord';

/** What one bench keeps between two questions about the same hand and neck: grips of chords and times of changes. */
export interface PathMemory {
  key: string;
  maker: ChoiceMaker | null;
  readonly changes: ChangeMemory;
  nextId: number;
}
export const pathMemory = (): PathMemory => ({ key: '', maker: null, changes: changeMemory(), nextId: 0 });

/**
 * The best path and, where asked, others that really differ. Always answers: a chord nothing can be played for has a
 * step without a grip, and one whose limits gave way says which did. `memory` makes a second question about the same
 * hand, neck and limits quick.
 */
export function planPath(
  chords: readonly Chord[],
  options: PathOptions,
  memory: PathMemory = pathMemory(),
): PathFound {
  const maker = makerFor(options, memory);
  const model = holdModel(options.hand, options.instrument);
  const costs = pathCosts(model, PATH_WEIGHTS[options.objective ?? 'easiest'], memory.changes);
  const locks = chords.map((_, i) => options.locked?.[i] ?? null);
  const wanted = 1 + Math.max(0, Math.min(2, options.others ?? 0));
  const found: Solved[] = [];
  const rows =
    options.objective === 'smallest area'
      ? smallestArea(chords, locks, maker)
      : [chords.map((chord, i) => maker.choose(chord, locks[i]))];
  while (found.length < wanted) {
    const solved = rows
      .map((choices) => solve(choices, costs, found))
      .reduce<Solved | null>((best, one) => (one && (!best || one.cost < best.cost) ? one : best), null);
    if (!solved) break;
    found.push(solved);
  }
  const [best, ...rest] = found.map((one) => asPath(chords, one, options));
  const outruns = (other: Path) =>
    other.seconds < best.seconds && (other.tempoBpm ?? 0) > (best.tempoBpm ?? 0);
  return {
    ...best,
    others: rest.filter((one) => !outruns(one)),
    quicker: rest.find(outruns) ?? null,
  };
}

/** The chooser kept in `memory`, or a new one where hand, neck or limits are others. */
export function makerFor(options: PathOptions, memory: PathMemory): ChoiceMaker {
  const { hand, instrument, limits, pins, school, candidates } = options;
  const key = JSON.stringify([hand, instrument, limits, pins, school, candidates]);
  if (memory.maker && memory.key === key) return memory.maker;
  memory.key = key;
  memory.changes.tables.clear();
  memory.changes.cells = 0;
  memory.maker = choiceMaker(options, GIVING_WAY, () => memory.nextId++);
  return memory.maker;
}

/** Rows of choices for every window of the least width in which each chord can be gripped. */
function smallestArea(
  chords: readonly Chord[],
  locks: readonly (PathLock | null)[],
  maker: ChoiceMaker,
): PathChoice[][] {
  const spans = chords.map((chord, i) => maker.spans(chord, locks[i]));
  const played = [...new Set(spans.filter((list) => list.length > 0))];
  const highest = Math.max(0, ...played.flatMap((list) => list.map((span) => span.highFret)));
  for (let width = 0; width <= highest; width++) {
    const lows: number[] = [];
    for (let low = 1; low + width <= Math.max(highest, 1 + width); low++) {
      const fits = (list: (typeof spans)[number]) =>
        list.some((span) => span.lowFret >= low && span.highFret <= low + width);
      if (played.every(fits)) lows.push(low);
    }
    if (lows.length > 0)
      return lows.map((low) => chords.map((chord, i) => maker.inWindow(chord, locks[i], low, low + width)));
  }
  return [chords.map((chord, i) => maker.choose(chord, locks[i]))];
}
