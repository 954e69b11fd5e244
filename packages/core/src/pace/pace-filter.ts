/**
 * How quick a student is at each change, from rows in the order they were played: advance to the day, predict, absorb. A
 * student whose months of playing are known begins with two beliefs, since months may be wrong.
 */
import {
  absorbCount,
  absorbTempo,
  chanceOf,
  expected,
  newBelief,
  newDay,
  type Belief,
  type Three,
} from './belief';
import { BAND, PACE } from './constants';
import { normalBelow } from './normal';

interface Change {
  /** Which change it is, there being another for the way back. */
  readonly change: string;
  /** Seconds the reference hand needs. */
  readonly refSeconds: number;
}
export interface TempoRow extends Change {
  readonly kind: 'tempo';
  readonly bpm: number;
  /** Beats the music leaves for the change. */
  readonly gapBeats: number;
  readonly tries: number;
  readonly clean: number;
}
export interface CountRow extends Change {
  readonly kind: 'count';
  readonly seconds: number;
  readonly clean: number;
}
export type PaceRow = (TempoRow | CountRow) & {
  /** Days since any fixed day; rows come in this order. */
  readonly day: number;
};

export interface PaceSaid {
  /** Median seconds and the 80 % band. */
  readonly seconds: number;
  readonly lowSeconds: number;
  readonly highSeconds: number;
  /** Mean and spread of log seconds, before what was played clean lately speaks. */
  readonly logMean: number;
  readonly logSpread: number;
  /** Gap in seconds at which nine of ten come clean. */
  readonly gapSeconds: number;
}

/** Log factor on the reference hand's seconds after so many months of playing; null: not known. */
export function stageFactor(months: number | null): number {
  if (months === null) return Math.log(PACE.unknown.factor);
  const at = Math.log(Math.max(PACE.stages[0].months, months));
  for (let i = 1; i < PACE.stages.length; i++) {
    const [from, to] = [PACE.stages[i - 1], PACE.stages[i]];
    if (months > to.months) continue;
    const share = (at - Math.log(from.months)) / (Math.log(to.months) - Math.log(from.months));
    return Math.log(from.factor) + share * (Math.log(to.factor) - Math.log(from.factor));
  }
  return Math.log(PACE.stages[PACE.stages.length - 1].factor);
}

function beginnings(months: number | null): Belief[] {
  const own = stageFactor(months);
  if (months === null) return [newBelief(1, own, PACE.unknown.spread)];
  const { weight, spread } = PACE.doubted;
  return [
    newBelief(1 - weight, own, PACE.known.spread),
    newBelief(weight, (own + Math.log(PACE.unknown.factor)) / 2, spread),
  ];
}

export interface PaceFilter {
  /** A later day; the same or an earlier one changes nothing. */
  readonly advance: (day: number) => void;
  readonly say: (change: string, refSeconds: number) => PaceSaid;
  /** Chance that one change comes clean at a gap, seconds. */
  readonly chance: (change: string, refSeconds: number, gapSeconds: number) => number;
  /** Clean changes expected in so many seconds. */
  readonly count: (change: string, refSeconds: number, seconds: number) => number;
  /** Takes a row in; the day is advanced to it first. */
  readonly absorb: (row: PaceRow) => void;
  /** What is believed, the heavier first where nothing was played yet; for tests and for whoever keeps it. */
  readonly beliefs: () => readonly Belief[];
}

/** @param months of playing before the first row, null where nobody said */
export function makePaceFilter(months: number | null): PaceFilter {
  let beliefs = beginnings(months);
  const practice = new Map<string, number>();
  /** Gaps that were played clean, by change. */
  const lately = new Map<string, { readonly day: number; readonly gap: number }[]>();
  let day: number | null = null;
  let playedToday = new Set<string>();
  let rows = 0;

  const logRef = (change: string, refSeconds: number): number =>
    Math.log(refSeconds) -
    PACE.practice.exponent * Math.log(1 + (practice.get(change) ?? 0) / PACE.practice.before);
  const mixture = (change: string, x: number) => {
    const all = beliefs.map((belief) => ({ belief, ...expected(belief, change, x) }));
    const mean = all.reduce((sum, one) => sum + one.belief.weight * one.mu, 0);
    const square = all.reduce((sum, one) => sum + one.belief.weight * (one.variance + one.mu ** 2), 0);
    return { all, mean, spread: Math.sqrt(Math.max(0, square - mean ** 2)) };
  };
  /** Least gap of the change that was played clean lately; null without one. */
  const guardGap = (change: string): number | null => {
    const since = (day ?? 0) - PACE.guard.days;
    const gaps = (lately.get(change) ?? []).filter((one) => one.day >= since).map((one) => one.gap);
    return gaps.length ? Math.min(...gaps) : null;
  };
  const lowered = (change: string, mean: number): number => {
    const gap = guardGap(change);
    return gap === null ? 0 : Math.max(0, mean - Math.log(PACE.guard.over * gap));
  };

  function advance(to: number): void {
    if (day !== null && to > day) {
      for (const belief of beliefs) newDay(belief, to - day, playedToday);
      playedToday = new Set();
    }
    day = day === null ? to : Math.max(day, to);
  }
  function weigh(likelihoods: readonly number[]): void {
    const largest = Math.max(...likelihoods);
    beliefs.forEach((belief, i) => (belief.weight *= Math.exp(likelihoods[i] - largest)));
    const rescale = () => {
      const all = beliefs.reduce((sum, belief) => sum + belief.weight, 0);
      for (const belief of beliefs) belief.weight /= all;
    };
    rescale();
    if (beliefs.length > 1) {
      const heaviest = beliefs.reduce((most, belief) => (belief.weight > most.weight ? belief : most));
      beliefs =
        rows >= PACE.doubted.rows
          ? [heaviest]
          : beliefs.filter((belief) => belief.weight >= PACE.doubted.least);
      rescale();
    }
  }
  function absorb(row: PaceRow): void {
    advance(row.day);
    rows++;
    const x = logRef(row.change, row.refSeconds);
    const gap = row.kind === 'tempo' ? (60 * row.gapBeats) / row.bpm : 0;
    weigh(
      beliefs.map((belief) =>
        row.kind === 'tempo'
          ? absorbTempo(belief, row.change, x, { ...row, logGap: Math.log(gap) })
          : absorbCount(belief, row.change, x, row),
      ),
    );
    const changes = row.kind === 'tempo' ? row.tries : row.clean;
    practice.set(row.change, (practice.get(row.change) ?? 0) + Math.sqrt(changes / 8));
    playedToday.add(row.change);
    const { share, tries } = PACE.guard;
    if (row.kind === 'tempo' && row.tries >= tries && row.clean >= share * row.tries)
      lately.set(row.change, [...(lately.get(row.change) ?? []), { day: row.day, gap }]);
  }
  /** Gap at which nine of ten come clean where log seconds have this mean. */
  function gapAt(mean: number, change: string): number {
    const hands: Three = beliefs[0].hands;
    const chance = (logGap: number) =>
      PACE.hands.reduce((sum, hand, j) => {
        const spread = Math.sqrt(hand.scatter ** 2 + PACE.takeSpread ** 2);
        const within = normalBelow((logGap - mean) / spread);
        return sum + hands[j] * (PACE.lapse + (1 - PACE.lapse - hand.slip) * within);
      }, 0);
    let [low, high] = [mean - 3, mean + 3];
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (chance(middle) < PACE.said) low = middle;
      else high = middle;
    }
    const guard = guardGap(change);
    const gap = Math.exp(high);
    return guard === null ? gap : Math.min(gap, PACE.guard.over * guard);
  }
  return {
    advance,
    absorb,
    say: (change, refSeconds) => {
      const { mean, spread } = mixture(change, logRef(change, refSeconds));
      const told = mean - lowered(change, mean);
      const above = (log: number) => Math.max(PACE.floorSeconds, Math.exp(log));
      return {
        seconds: above(told),
        lowSeconds: above(told - BAND * spread),
        highSeconds: above(told + BAND * spread),
        logMean: mean,
        logSpread: spread,
        gapSeconds: gapAt(told, change),
      };
    },
    chance: (change, refSeconds, gapSeconds) => {
      const { all, mean } = mixture(change, logRef(change, refSeconds));
      const down = lowered(change, mean);
      return all.reduce(
        (sum, { belief, mu, variance }) =>
          sum + belief.weight * chanceOf(belief, mu - down, variance, Math.log(gapSeconds)),
        0,
      );
    },
    count: (change, refSeconds, seconds) => {
      const { all, mean } = mixture(change, logRef(change, refSeconds));
      const down = lowered(change, mean);
      return all.reduce(
        (sum, { belief, mu }) =>
          sum +
          (belief.weight * seconds) /
            (Math.max(PACE.floorSeconds, Math.exp(mu - down)) + Math.exp(belief.g[2])),
        0,
      );
    },
    beliefs: () => beliefs,
  };
}
