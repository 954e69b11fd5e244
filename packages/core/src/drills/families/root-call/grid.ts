/**
 * The full grid of root calls: qualities by root strings by frets, about a hundred cells, and the order in which
 * they are asked. Neighbouring calls differ in string or lie apart on the neck, so that the hand cannot slide from
 * one answer to the next; a weak cell comes twice, the second time after a good number of others. The spacing is
 * our convention; that spaced retrieval lasts longer than massed is published (Cepeda and others 2006).
 */
import type { Random } from '../../../kernel/random';
import { shuffled } from '../../calls';
import type { RootAnswer, RootCallRecipe, RootCell } from './recipe';

/** Calls on one string lie at least this many frets apart, and a weak cell waits this many calls. */
const APART_FRETS = 3;
const AGAIN_AFTER = 8;
const sameCell = (a: RootCell, b: RootCell) =>
  a.fret === b.fret && a.answer === b.answer && a.rootString === b.rootString;

export function gridCells(
  rootStrings: readonly (5 | 6)[],
  answers: readonly RootAnswer[],
  frets: readonly number[],
): RootCell[] {
  return rootStrings.flatMap((rootString) =>
    answers.flatMap((answer) => frets.map((fret) => ({ rootString, answer, fret }))),
  );
}

const near = (a: RootCell | undefined, b: RootCell) =>
  a !== undefined && a.rootString === b.rootString && Math.abs(a.fret - b.fret) < APART_FRETS;

/** The first `count` cells in spaced order, weak ones first and again; rounds follow each other when it runs out. */
export function spacedOrder(
  cells: readonly RootCell[],
  weak: readonly RootCell[],
  count: number,
  random: Random,
): RootCell[] {
  const order: RootCell[] = [];
  const isWeak = (cell: RootCell) => weak.some((one) => sameCell(one, cell));
  while (order.length < count) {
    const weakNow = shuffled(cells.filter(isWeak), random);
    const rest = shuffled(
      cells.filter((cell) => !isWeak(cell)),
      random,
    );
    // Weak cells are spread over the first half and come again in the second.
    const waiting = interleaved(weakNow, rest);
    const again: { cell: RootCell; from: number }[] = [];
    while (waiting.length > 0 || again.length > 0) {
      const last = order[order.length - 1];
      const due = again.findIndex(
        (one) => (order.length >= one.from || waiting.length === 0) && !near(last, one.cell),
      );
      if (due >= 0) {
        order.push(again.splice(due, 1)[0].cell);
        continue;
      }
      if (waiting.length === 0) {
        // Nothing but neighbours is left.
        order.push(...again.splice(0).map((one) => one.cell));
        continue;
      }
      const at = Math.max(
        0,
        waiting.findIndex((cell) => !near(last, cell)),
      );
      const [cell] = waiting.splice(at, 1);
      order.push(cell);
      if (isWeak(cell)) again.push({ cell, from: order.length + AGAIN_AFTER });
    }
  }
  return order.slice(0, count);
}

/** A weak cell, then one of the rest, and so on. */
function interleaved(weak: readonly RootCell[], rest: readonly RootCell[]): RootCell[] {
  const out: RootCell[] = [];
  for (let i = 0; i < Math.max(weak.length, rest.length); i++) {
    if (i < weak.length) out.push(weak[i]);
    if (i < rest.length) out.push(rest[i]);
  }
  return out;
}

/** What a past take of root calls said about its cells. */
export interface PastCalls {
  readonly cells: readonly RootCell[];
  /** By cell, as a take logs them: `clean` or another word. */
  readonly outcomes: readonly string[];
}

/** Cells whose last answer was not clean, latest take last in `takes`. */
function weakCells(takes: readonly PastCalls[]): RootCell[] {
  const last = new Map<string, { cell: RootCell; clean: boolean }>();
  for (const take of takes)
    take.cells.forEach((cell, i) => {
      const outcome = take.outcomes[i];
      if (outcome)
        last.set(`${cell.rootString} ${cell.answer} ${cell.fret}`, { cell, clean: outcome === 'clean' });
    });
  return [...last.values()].filter((one) => !one.clean).map((one) => one.cell);
}

/** The recipe with the weak cells a student's past takes show; a recipe without a grid stays as it is. */
export function withWeakCells(recipe: RootCallRecipe, takes: readonly PastCalls[]): RootCallRecipe {
  const { grid } = recipe.parameters;
  if (!grid) return recipe;
  const weak = weakCells(takes).filter(
    (cell) => grid.rootStrings.includes(cell.rootString) && grid.answers.includes(cell.answer),
  );
  return { ...recipe, parameters: { ...recipe.parameters, grid: { ...grid, weak } } };
}
