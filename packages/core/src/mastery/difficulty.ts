/**
 * How hard an item is for a hand, in grade points, and what a tempo adds in logits. One grader keeps what it
 * worked out for one hand on one instrument; a replay asks it the same few items over and over.
 */
import { plainChangeSeconds } from '../changes/grade-change';
import { itemKey, type GripItem, type Item } from '../drills/items';
import type { Recipe } from '../drills/recipe';
import type { Take } from '../drills/take';
import { gradeGrip } from '../effort/grade-grip';
import { gradeOf, holdModel } from '../effort/hold';
import type { DifficultyFit, TaughtHand } from '../hands/taught-hand';
import { freeLinePoints, lineRate } from '../scales/line-effort';
import { MASTERY } from './constants';
import type { Stage } from './experience';

export interface ItemGrader {
  /** Grade 0 to 100. */
  readonly effort: (item: Item) => number;
  /** Difficulty, logits: (effort - centre) / points a logit, where a hand of years feels only a share of what is heavy. */
  readonly logits: (item: Item) => number;
  /**
   * Tempo in bpm at which the hand itself would change, over the slowest change among the items; without a change that at which
   * it would play the slowest line, so many notes a beat; null where there is neither.
   */
  readonly predictedBpm: (items: readonly Item[], notesABeat: number) => number | null;
}

/** A grip no hand of this kind can hold counts as the hardest there is. */
const BEYOND = 97;

/**
 * Tempo load is measured on the seconds of the hand and what its years of playing let one expect, whatever its student's own
 * pace: ability is learned from the same takes as pace, and a quick hand would be counted twice.
 */
export function makeGrader(
  taught: Pick<TaughtHand, 'hand' | 'instrument'>,
  { slowness, heavyShare }: Stage,
): ItemGrader {
  const { hand, instrument } = taught;
  const grips = new Map<string, number>();
  const changes = new Map<string, number>();
  const gripEffort = (grip: GripItem): number => {
    const key = itemKey(grip);
    const known = grips.get(key);
    if (known !== undefined) return known;
    const played = { ...instrument, openPitches: grip.tuning, capo: grip.capo };
    const graded = gradeGrip(grip.frets, hand, played);
    const effort = graded.ok ? graded.value.total : BEYOND;
    grips.set(key, effort);
    return effort;
  };
  const changeBpm = (item: Extract<Item, { kind: 'change' }>): number => {
    const key = itemKey(item);
    const known = changes.get(key);
    if (known !== undefined) return known;
    const seconds = slowness * plainChangeSeconds(item.from.frets, item.to.frets, hand, instrument);
    const bpm = Math.max(MASTERY.slowestBpm, 60 / (seconds * MASTERY.tempoMargin));
    changes.set(key, bpm);
    return bpm;
  };
  const lines = new Map<string, number>();
  const linePoints = (item: Extract<Item, { kind: 'line' }>): number => {
    const key = itemKey(item);
    const known = lines.get(key);
    if (known !== undefined) return known;
    const notes = item.notes.map(({ string, fret, finger }) => ({
      stringIndex: instrument.openPitches.length - string,
      fret,
      finger,
    }));
    const points = freeLinePoints(notes, holdModel(hand, instrument));
    lines.set(key, points);
    return points;
  };
  const effort = (item: Item): number => {
    if (item.kind === 'grip') return gripEffort(item);
    if (item.kind === 'change') return Math.max(gripEffort(item.from), gripEffort(item.to));
    return item.kind === 'line' ? Math.min(BEYOND, gradeOf(linePoints(item))) : MASTERY.noteEffort;
  };
  return {
    effort,
    logits: (item) => {
      const points = effort(item);
      const { over } = MASTERY.heavy;
      const felt = points > over ? over + heavyShare * (points - over) : points;
      return (felt - MASTERY.effortCentre) / MASTERY.effortPerLogit;
    },
    predictedBpm: (items, notesABeat) => {
      const slowest = (all: readonly number[]) => (all.length ? Math.min(...all) : null);
      const changing = slowest(items.flatMap((item) => (item.kind === 'change' ? [changeBpm(item)] : [])));
      return (
        changing ??
        slowest(
          items.flatMap((item) =>
            item.kind === 'line' ? [(60 * lineRate(linePoints(item))) / (slowness * notesABeat)] : [],
          ),
        )
      );
    },
  };
}

/** Notes a beat of a line: what the recipe says, else what its family plays. */
export function notesABeat(recipe: Recipe): number {
  const { perBeat } = recipe.parameters as { readonly perBeat?: unknown };
  if (typeof perBeat === 'number') return perBeat;
  return recipe.family === 'triad pairs' ? 3 : 2;
}

/** Difficulty in logits of the items a skill was exercised by, the hardest of them deciding. */
export function difficultyLogits(
  items: readonly Item[],
  all: readonly Item[],
  grader: ItemGrader,
  fit: DifficultyFit,
): number {
  const judged = judgedOf(items, all);
  let hardest = Number.NEGATIVE_INFINITY;
  for (const item of judged) {
    const shift = fit.shiftLogits[itemKey(item)] ?? 0;
    hardest = Math.max(hardest, grader.logits(item) + shift);
  }
  return hardest;
}

/** What of it decides how hard it is. */
function judgedOf(items: readonly Item[], all: readonly Item[]): readonly Item[] {
  // A progression is as hard as the heaviest grip it was played on; one that was named only as any thing that is named.
  if (items.every((item) => item.kind === 'progression')) {
    const grips = all.filter((item) => item.kind === 'grip');
    return grips.length ? grips : items;
  }
  // A line is as hard as itself: the chord it is struck around is what it is heard against. Where the hand goes from chord to
  // chord with a line in between, the chords are played too.
  const lines = items.filter((item) => item.kind === 'line');
  return lines.length && !items.some((item) => item.kind === 'change') ? lines : items;
}

/** How steeply tempo tells on items: a line asks every note in time, changes between grips one stroke in four or so. */
export const slopeOf = (items: readonly Item[]): number =>
  items.some(({ kind }) => kind === 'line') && !items.some(({ kind }) => kind === 'change')
    ? MASTERY.lineSlope
    : MASTERY.tempoSlope;

/** slope x ln(1 + tempo / predicted): slower is easier, and far over what the hand plays it grows as the logarithm; 0 in free time. */
export function tempoLoad(tempoBpm: number | null, predictedBpm: number | null, slope: number): number {
  if (tempoBpm === null || predictedBpm === null) return 0;
  return slope * Math.log(1 + tempoBpm / predictedBpm);
}

/** How far a tempo is over the one asked, as logits of load of changes: 0 up to it. */
export const tempoOver = (tempoBpm: number | null, askedBpm: number | null): number =>
  tempoBpm === null || askedBpm === null ? 0 : Math.max(0, MASTERY.overSlope * Math.log(tempoBpm / askedBpm));

/** Logits that a tempo adds to a drill for a hand. @param bpm null in free time */
export const tempoLoadOf = (
  { items, recipe }: Pick<Take, 'items' | 'recipe'>,
  bpm: number | null,
  grader: ItemGrader,
): number => tempoLoad(bpm, grader.predictedBpm(items, notesABeat(recipe)), slopeOf(items));

/** Load in logits that a take put on a skill: its own items and the tempo it was played at. */
export const takeLoad = (
  take: Pick<Take, 'items' | 'recipe' | 'tempoBpm'>,
  items: readonly Item[],
  grader: ItemGrader,
  fit: DifficultyFit,
): number => difficultyLogits(items, take.items, grader, fit) + tempoLoadOf(take, take.tempoBpm, grader);
