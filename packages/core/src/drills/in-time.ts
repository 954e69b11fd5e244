/**
 * A rhythm as it was struck against a rhythm as it is written, bar by bar. What comes evenly too late is the way from the hand to
 * the machine, or a player behind the beat: it is taken off first, and said. All numbers are our assumptions.
 */
import type { Instrument } from '../fretboard/instrument';
import { median } from '../kernel/number';
import type { Score } from '../score/score';
import { soundSchedule } from '../sound/schedule';

/** Seconds: what is in time, how far away a stroke is still the one that was meant, how early or late all of it may come. */
export const IN_TIME = { within: 0.09, reach: 0.22, earliest: -0.15, latest: 0.4 } as const;
/** Strings of one strum follow each other faster than this. */
const ONE_STROKE_SECONDS = 0.02;
/** With fewer of the strokes than this share, nobody played it. */
const LEAST_HEARD = 0.3;

export interface BarHeard {
  readonly how: 'in time' | 'late' | 'early' | 'left out' | 'one too many';
}
export interface TimeHeard {
  readonly bars: readonly BarHeard[];
  /** Seconds everything came later than written; below 0, earlier. */
  readonly lag: number;
}

interface Wanted {
  readonly seconds: number;
  readonly bar: number;
}

/** What is to be struck in the first part, in seconds from the start of the count-in, and where each bar begins. */
function wantedOf(score: Score, instrument: Instrument, bpm: number) {
  const sounds = soundSchedule({ ...score, parts: score.parts.slice(0, 1) }, instrument, bpm);
  const begins = sounds.flatMap((one) => (one.kind === 'click' && one.beat === 0 ? [one.atSeconds] : []));
  const barAt = (seconds: number) => begins.findLastIndex((from) => from <= seconds + 1e-6);
  const wanted: Wanted[] = [];
  let last = Number.NEGATIVE_INFINITY;
  for (const one of sounds) {
    if (one.kind !== 'pluck') continue;
    if (one.atSeconds - last > ONE_STROKE_SECONDS)
      wanted.push({ seconds: one.atSeconds, bar: barAt(one.atSeconds) });
    last = one.atSeconds;
  }
  return { wanted, begins, barAt };
}

/** What leaving a stroke out costs, or one too many, against one as far off as it may be. */
const UNMATCHED = 0.6;

/**
 * What came of each stroke that was wanted, and what belongs to none: the cheapest way through both in their order, as words are
 * aligned (Needleman and Wunsch 1970), so that a late stroke is not taken for the next one.
 */
function matched(wanted: readonly Wanted[], heard: readonly number[], lag: number) {
  const [rows, columns] = [wanted.length + 1, heard.length + 1];
  const cost = new Float64Array(rows * columns);
  const offAt = (i: number, j: number) => heard[j - 1] - lag - wanted[i - 1].seconds;
  const meeting = (i: number, j: number): number => {
    const by = Math.abs(offAt(i, j));
    return by > IN_TIME.reach
      ? Number.POSITIVE_INFINITY
      : cost[(i - 1) * columns + j - 1] + by / IN_TIME.reach;
  };
  for (let i = 0; i < rows; i++)
    for (let j = 0; j < columns; j++) {
      if (i === 0 || j === 0) cost[i * columns + j] = UNMATCHED * (i + j);
      else
        cost[i * columns + j] = Math.min(
          meeting(i, j),
          UNMATCHED + cost[(i - 1) * columns + j],
          UNMATCHED + cost[i * columns + j - 1],
        );
    }
  const off: (number | null)[] = wanted.map(() => null);
  const extra: number[] = [];
  let [i, j] = [rows - 1, columns - 1];
  while (i > 0 || j > 0) {
    if (i > 0 && j > 0 && cost[i * columns + j] === meeting(i, j)) {
      off[i - 1] = offAt(i, j);
      i--;
      j--;
    } else if (j > 0 && (i === 0 || cost[i * columns + j] === UNMATCHED + cost[i * columns + j - 1])) {
      extra.push(heard[j - 1] - lag);
      j--;
    } else i--;
  }
  return { off, extra };
}

/** How late everything came: where most strokes lie near one that was wanted. */
function lagOf(wanted: readonly Wanted[], heard: readonly number[]): number {
  let best = { lag: 0, near: -1 };
  for (let lag = IN_TIME.earliest; lag <= IN_TIME.latest; lag += 0.01) {
    const { off } = matched(wanted, heard, lag);
    const near = off.reduce<number>(
      (sum, by) => sum + (by === null ? 0 : Math.max(0, 1 - Math.abs(by) / IN_TIME.within)),
      0,
    );
    if (near > best.near + 1e-9) best = { lag, near };
  }
  const rest = matched(wanted, heard, best.lag).off.filter((by) => by !== null);
  return best.lag + (rest.length ? median(rest) : 0);
}

/**
 * What came of each bar; null where too little of it was heard to say so.
 * @param heard when each stroke began, seconds from the start of the count-in, in order
 */
export function timeHeard(
  score: Score,
  instrument: Instrument,
  bpm: number,
  heard: readonly number[],
): TimeHeard | null {
  const { wanted, begins, barAt } = wantedOf(score, instrument, bpm);
  // What sounds while it is counted in, but for a first stroke that comes early, belongs to nobody.
  const from = (begins[0] ?? 0) + IN_TIME.earliest;
  const struck = heard.filter((seconds) => seconds >= from);
  const lag = lagOf(wanted, struck);
  const { off, extra } = matched(wanted, struck, lag);
  const came = off.filter((by) => by !== null).length;
  if (came < LEAST_HEARD * wanted.length) return null;
  const bars = begins.map((_, bar): BarHeard => {
    const own = off.filter((__, i) => wanted[i].bar === bar);
    if (own.some((by) => by === null)) return { how: 'left out' };
    if (extra.some((seconds) => Math.max(0, barAt(seconds)) === bar)) return { how: 'one too many' };
    const worst = own.reduce<number>(
      (most, by) => (Math.abs(by ?? 0) > Math.abs(most) ? (by ?? 0) : most),
      0,
    );
    if (Math.abs(worst) <= IN_TIME.within) return { how: 'in time' };
    return { how: worst > 0 ? 'late' : 'early' };
  });
  return { bars, lag };
}
