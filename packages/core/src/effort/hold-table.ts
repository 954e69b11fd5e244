/**
 * The fingering shown for a pattern at a place and its points, worked out once and kept for one hand on one
 * instrument: searches over the chords of a lesson ask the same eighty thousand relative patterns
 * again and again. Only what won is kept, in typed arrays by pattern number and fret, so that the many
 * fingerings that lost can be forgotten.
 */
import { relativeKey } from '../grips/fingerings';
import { shownFingering } from './custom-fingering';
import { holdPoints, PART_COUNT, type HoldModel } from './hold';
import { preparedFingerings, type PreparedFingering } from './prepared';

export interface HoldTable {
  /**
   * The fingering shown, custom's or else the easiest, with the pattern's lowest fret at `lowestFret`, or null when the hand can hold none.
   * Its points are then in `points`, until the next call.
   */
  readonly shown: (pattern: Int8Array, lowestFret: number) => PreparedFingering | null;
  readonly points: () => number;
}

/** Places kept, frets 0 to 15; a pattern higher up is worked out anew. */
const PLACES = 16;
const CHUNK = 2048;
const MOST_PATTERNS = 100_000;
const UNKNOWN = -2;
const NONE = -1;

interface Slot {
  readonly model: HoldModel;
  readonly table: HoldTable;
  /** How often the table was taken up. */
  uses: number;
}

/** Uses after which a hand on an instrument is no passing question any more. */
const USES_TO_STAY = 12;
let main: Slot | null = null;
let passing: Slot | null = null;

/**
 * The table of a hand on an instrument. Two are kept: that of the hand in front of us, and one for passing
 * questions (the same hand with its thumb over, a capo tried at seven frets), which must not cost the first.
 */
export function holdTable(model: HoldModel): HoldTable {
  if (main?.model === model) {
    main.uses++;
    return main.table;
  }
  if (passing?.model !== model) passing = { model, table: makeTable(model), uses: 0 };
  passing.uses++;
  if (!main || passing.uses >= USES_TO_STAY) [main, passing] = [passing, main];
  return main.model === model ? main.table : (passing as Slot).table;
}

function makeTable(model: HoldModel): HoldTable {
  const numbers = new Map<number, number>();
  /** By pattern number: the fingerings that are shown somewhere. */
  const winners: PreparedFingering[][] = [];
  const pointChunks: Float64Array[] = [];
  const bestChunks: Int8Array[] = [];
  const parts = new Float64Array(PART_COUNT);
  let found = 0;

  const search = (pattern: Int8Array, lowestFret: number): PreparedFingering | null => {
    const all = preparedFingerings(pattern, model.hand.thumbOver);
    const fingering = shownFingering(model, pattern, all, lowestFret, parts);
    if (fingering) found = holdPoints(model, fingering, lowestFret, parts);
    return fingering;
  };
  const numberOf = (pattern: Int8Array): number => {
    const key = relativeKey(pattern);
    const known = numbers.get(key);
    if (known !== undefined) return known;
    if (winners.length >= MOST_PATTERNS) {
      numbers.clear();
      winners.length = 0;
      for (const chunk of bestChunks) chunk.fill(UNKNOWN);
    }
    const number = winners.length;
    numbers.set(key, number);
    winners.push([]);
    if (number % CHUNK === 0 && !pointChunks[number / CHUNK]) {
      pointChunks.push(new Float64Array(CHUNK * PLACES));
      bestChunks.push(new Int8Array(CHUNK * PLACES).fill(UNKNOWN));
    }
    return number;
  };

  return {
    points: () => found,
    shown: (pattern, lowestFret) => {
      if (lowestFret >= PLACES) return search(pattern, lowestFret);
      const number = numberOf(pattern);
      const place = (number % CHUNK) * PLACES + lowestFret;
      const best = bestChunks[(number / CHUNK) | 0];
      const points = pointChunks[(number / CHUNK) | 0];
      const index = best[place];
      if (index >= 0) {
        found = points[place];
        return winners[number][index];
      }
      if (index === NONE) return null;
      const fingering = search(pattern, lowestFret);
      if (!fingering) {
        best[place] = NONE;
        return null;
      }
      // Lists are made anew once forgotten, so a winner is known by what it is, not by its identity.
      const kept = winners[number];
      let at = kept.findIndex((one) => one.assigned === fingering.assigned && one.fret === fingering.fret);
      if (at < 0) at = kept.push(fingering) - 1;
      best[place] = at;
      points[place] = found;
      return kept[at];
    },
  };
}
