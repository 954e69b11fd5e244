/**
 * How quick a student is at each change, from rows in the order they were played: advance to the day, predict, absorb. A
 * student whose months of playing are known begins with two beliefs, since months may be wrong.
 */
import {
  absorbCount,
  absorbTempo,
  copyOf as copyOfBelief,
  expected,
  newBelief,
  newDay,
  type Belief,
} from './belief';
import { PACE } from './constants';
import { chanceOver, sayPace, type ChangePace, type ExpectedSeconds, type Pace, type PaceSaid } from './pace';

interface Change {
  /** Which change it is, there being another for the way back. */
  readonly change: string;
  /** The same forms anywhere on the neck, where they can be moved: see `kindOfChange`. */
  readonly forms?: string | null;
  /** Seconds the reference hand needs. */
  readonly refSeconds: number;
}
export interface TempoRow extends Change {
  readonly kind: 'tempo';
  readonly bpm: number;
  /** Beats the music leaves for the change. */
  readonly gapBeats: number;
  /** Parts of a try are allowed: what a take of several changes says of one of them. */
  readonly tries: number;
  readonly clean: number;
  /** Tries and clean ones of the whole take, where the row is only its share in one. */
  readonly take?: { readonly tries: number; readonly clean: number };
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

function beginnings(months: number | null, shift: number): Belief[] {
  const own = stageFactor(months) + shift;
  if (months === null) return [newBelief(1, own, PACE.unknown.spread)];
  const { weight, spread } = PACE.doubted;
  return [
    newBelief(1 - weight, own, PACE.known.spread),
    newBelief(weight, (own + Math.log(PACE.unknown.factor)) / 2, spread),
  ];
}

/** All a filter knows, as plain data: it can be copied, stored and gone on from. */
export interface PaceMemory {
  beliefs: Belief[];
  /** Takes of each change, and of all changes of the same forms. */
  readonly practice: Map<string, number>;
  readonly kin: Map<string, number>;
  readonly formsOf: Map<string, string | null>;
  /** Gaps that were played clean lately, by change. */
  readonly lately: Map<string, readonly { readonly day: number; readonly gap: number }[]>;
  day: number | null;
  playedToday: Set<string>;
  rows: number;
}

/**
 * What is known before the first row.
 * @param months of playing before it, null where nobody said
 * @param shift added to the log factor the months stand for: what a studio's other students taught of it
 */
export function newPaceMemory(months: number | null, shift = 0): PaceMemory {
  return {
    beliefs: beginnings(months, shift),
    practice: new Map(),
    kin: new Map(),
    formsOf: new Map(),
    lately: new Map(),
    day: null,
    playedToday: new Set(),
    rows: 0,
  };
}

/** The same again, which goes its own way. */
export function copyOfPace(memory: PaceMemory): PaceMemory {
  return {
    ...memory,
    beliefs: memory.beliefs.map(copyOfBelief),
    practice: new Map(memory.practice),
    kin: new Map(memory.kin),
    formsOf: new Map(memory.formsOf),
    lately: new Map(memory.lately),
    playedToday: new Set(memory.playedToday),
  };
}

export interface PaceFilter {
  /** A later day; the same or an earlier one changes nothing. */
  readonly advance: (day: number) => void;
  readonly say: (change: string, refSeconds: number, forms?: string | null) => PaceSaid & ExpectedSeconds;
  /** Chance that one change comes clean at a gap, seconds. */
  readonly chance: (change: string, refSeconds: number, gapSeconds: number, forms?: string | null) => number;
  /** Clean changes expected in so many seconds. */
  readonly count: (change: string, refSeconds: number, seconds: number, forms?: string | null) => number;
  /** Takes a row in; the day is advanced to it first. */
  readonly absorb: (row: PaceRow) => void;
  /** All that is believed, as data. */
  readonly pace: () => Pace;
  /** What is believed, the heavier first where nothing was played yet; for tests and for whoever keeps it. */
  readonly beliefs: () => readonly Belief[];
}

/** A filter of somebody new; see `newPaceMemory`. */
export const makePaceFilter = (months: number | null, shift = 0): PaceFilter =>
  paceFilterOn(newPaceMemory(months, shift));

/** A filter that goes on from a memory and keeps what it learns there. */
export function paceFilterOn(memory: PaceMemory): PaceFilter {
  const { practice, kin, formsOf, lately } = memory;

  /** Log seconds that so many takes take off, by the power law of practice. */
  const takenOff = (takes: number) => PACE.practice.exponent * Math.log(1 + takes / PACE.practice.before);
  const practised = (change: string, forms: string | null): number => {
    const own = practice.get(change) ?? 0;
    const all = forms === null ? own : (kin.get(forms) ?? own);
    return takenOff(own + PACE.kinShare * (all - own));
  };
  const logRef = (change: string, refSeconds: number, forms: string | null): number =>
    Math.log(refSeconds) - practised(change, forms);
  const mixture = (change: string, x: number) => {
    const all = memory.beliefs.map((belief) => ({ belief, ...expected(belief, change, x) }));
    const mean = all.reduce((sum, one) => sum + one.belief.weight * one.mu, 0);
    const square = all.reduce((sum, one) => sum + one.belief.weight * (one.variance + one.mu ** 2), 0);
    return { all, mean, spread: Math.sqrt(Math.max(0, square - mean ** 2)) };
  };
  /** Least gap of the change that was played clean lately; null without one. */
  const guardGap = (change: string): number | null => {
    const since = (memory.day ?? 0) - PACE.guard.days;
    const gaps = (lately.get(change) ?? []).filter((one) => one.day >= since).map((one) => one.gap);
    return gaps.length ? Math.min(...gaps) : null;
  };
  const lowered = (change: string, mean: number): number => {
    const gap = guardGap(change);
    return gap === null ? 0 : Math.max(0, mean - Math.log(PACE.guard.over * gap));
  };
  const expecting = (change: string, refSeconds: number, forms: string | null): ExpectedSeconds => {
    const { mean, spread } = mixture(change, logRef(change, refSeconds, forms));
    return {
      logMean: mean,
      logSpread: spread,
      cleanGap: guardGap(change),
      hands: [...memory.beliefs[0].hands],
    };
  };

  function advance(to: number): void {
    if (memory.day !== null && to > memory.day) {
      for (const belief of memory.beliefs) newDay(belief, to - memory.day, memory.playedToday);
      memory.playedToday = new Set();
    }
    memory.day = memory.day === null ? to : Math.max(memory.day, to);
  }
  function weigh(likelihoods: readonly number[]): void {
    const largest = Math.max(...likelihoods);
    memory.beliefs.forEach((belief, i) => (belief.weight *= Math.exp(likelihoods[i] - largest)));
    const rescale = () => {
      const all = memory.beliefs.reduce((sum, belief) => sum + belief.weight, 0);
      for (const belief of memory.beliefs) belief.weight /= all;
    };
    rescale();
    if (memory.beliefs.length > 1) {
      const heaviest = memory.beliefs.reduce((most, belief) => (belief.weight > most.weight ? belief : most));
      memory.beliefs =
        memory.rows >= PACE.doubted.rows
          ? [heaviest]
          : memory.beliefs.filter((belief) => belief.weight >= PACE.doubted.least);
      rescale();
    }
  }
  function absorb(row: PaceRow): void {
    advance(row.day);
    memory.rows++;
    const forms = row.forms ?? null;
    const x = logRef(row.change, row.refSeconds, forms);
    const gap = row.kind === 'tempo' ? (60 * row.gapBeats) / row.bpm : 0;
    weigh(
      memory.beliefs.map((belief) =>
        row.kind === 'tempo'
          ? absorbTempo(belief, row.change, x, { ...row, logGap: Math.log(gap) })
          : absorbCount(belief, row.change, x, row),
      ),
    );
    const changes = row.kind === 'tempo' ? row.tries : row.clean;
    const more = Math.sqrt(changes / 8);
    practice.set(row.change, (practice.get(row.change) ?? 0) + more);
    if (forms !== null) kin.set(forms, (kin.get(forms) ?? 0) + more);
    formsOf.set(row.change, forms);
    memory.playedToday.add(row.change);
    if (row.kind !== 'tempo') return;
    const whole = row.take ?? row;
    if (whole.tries >= PACE.guard.tries && whole.clean >= PACE.guard.share * whole.tries)
      lately.set(row.change, [
        // Days only go on, so that what is too old now is asked for never again.
        ...(lately.get(row.change) ?? []).filter((one) => one.day >= row.day - PACE.guard.days),
        { day: row.day, gap },
      ]);
  }
  return {
    advance,
    absorb,
    say: (change, refSeconds, forms = null) => {
      const expected = expecting(change, refSeconds, forms);
      return { ...expected, ...sayPace(expected) };
    },
    chance: (change, refSeconds, gapSeconds, forms = null) => {
      const { all, mean } = mixture(change, logRef(change, refSeconds, forms));
      const down = lowered(change, mean);
      return all.reduce(
        (sum, { belief, mu, variance }) =>
          sum + belief.weight * chanceOver(belief.hands, mu - down, variance, Math.log(gapSeconds)),
        0,
      );
    },
    count: (change, refSeconds, seconds, forms = null) => {
      const { all, mean } = mixture(change, logRef(change, refSeconds, forms));
      const down = lowered(change, mean);
      return all.reduce(
        (sum, { belief, mu }) =>
          sum +
          (belief.weight * seconds) /
            (Math.max(PACE.floorSeconds, Math.exp(mu - down)) + Math.exp(belief.g[2])),
        0,
      );
    },
    pace: () => {
      const { logMean, logSpread, hands } = expecting('', 1, null);
      const changes: Record<string, ChangePace> = {};
      for (const change of practice.keys()) {
        const own = expecting(change, 1, formsOf.get(change) ?? null);
        changes[change] = { logFactor: own.logMean, logSpread: own.logSpread, cleanGap: own.cleanGap };
      }
      return {
        logFactor: logMean,
        logSpread,
        hands,
        strumSeconds: Math.exp(memory.beliefs[0].g[2]),
        rows: memory.rows,
        changes,
        kinds: Object.fromEntries([...kin].map(([forms, takes]) => [forms, takenOff(PACE.kinShare * takes)])),
      };
    },
    beliefs: () => memory.beliefs,
  };
}
