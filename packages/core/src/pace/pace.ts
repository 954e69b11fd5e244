/**
 * What is believed of a hand's seconds, as plain data that can be kept, sent and asked: one factor for every change, and
 * what takes and counts said of single ones. Made by the filter; asked by every page that says a tempo, so that none can say
 * another than the next.
 */
import { fretsText, type Frets } from '../grips/grip';
import { BAND, PACE } from './constants';
import { NODE_WEIGHTS, NODES, normalBelow } from './normal';

type Three = readonly [number, number, number];

/** What is believed of one change. */
export interface ChangePace {
  /** Log of the factor on the reference hand's seconds, practice of this change in it, and its log spread. */
  readonly logFactor: number;
  readonly logSpread: number;
  /** Least gap, in seconds, that nine of ten were clean at in the last four weeks; null where none was. */
  readonly cleanGap: number | null;
}

export interface Pace {
  /** Log factor on the reference hand's seconds of a change nobody played yet, and its log spread. */
  readonly logFactor: number;
  readonly logSpread: number;
  /** Weights of three kinds of hands: see `PACE.hands`. */
  readonly hands: Three;
  /** Seconds of a strum between two changes of a count. */
  readonly strumSeconds: number;
  /** Takes and counts it rests on. */
  readonly rows: number;
  /** By `changeKey`: changes that were played. */
  readonly changes: Readonly<Record<string, ChangePace>>;
  /** By `kindOfChange`: log seconds that practice of the same forms elsewhere takes off a change nobody played yet. */
  readonly kinds: Readonly<Record<string, number>>;
}

/** The reference hand itself: what the change law says, with nothing unknown. */
export const REFERENCE_PACE: Pace = {
  logFactor: 0,
  logSpread: 0,
  hands: [PACE.hands[0].weight, PACE.hands[1].weight, PACE.hands[2].weight],
  strumSeconds: PACE.strum.seconds,
  rows: 0,
  changes: {},
  kinds: {},
};

/** Names a change by its two grips. */
export const changeKey = (from: Frets, to: Frets): string => `${fretsText(from)}>${fretsText(to)}`;

/** Names the same forms anywhere on the neck; null where an open string ties one of them to its place. */
export function kindOfChange(from: Frets, to: Frets): string | null {
  const all = [...from, ...to].filter((fret): fret is number => fret !== null);
  if (all.length === 0 || all.includes(0)) return null;
  const lowest = Math.min(...all);
  const moved = (frets: Frets) => frets.map((fret) => (fret === null ? null : fret - lowest + 1));
  return changeKey(moved(from), moved(to));
}

/** Log seconds of one change as they are expected. */
export interface ExpectedSeconds {
  readonly logMean: number;
  readonly logSpread: number;
  readonly cleanGap: number | null;
  readonly hands: Three;
}

/** What is expected of a change that takes the reference hand so many seconds. */
export function expectedSeconds(pace: Pace, from: Frets, to: Frets, refSeconds: number): ExpectedSeconds {
  const { hands, changes, kinds } = pace;
  const log = Math.log(refSeconds);
  const known = changes[changeKey(from, to)];
  if (known) {
    const { logFactor, logSpread, cleanGap } = known;
    return { logMean: log + logFactor, logSpread, cleanGap, hands };
  }
  const kind = kindOfChange(from, to);
  const practised = (kind !== null && kinds[kind]) || 0;
  return { logMean: log + pace.logFactor - practised, logSpread: pace.logSpread, cleanGap: null, hands };
}

export interface PaceSaid {
  /** Median seconds and the 80 % band. */
  readonly seconds: number;
  readonly lowSeconds: number;
  readonly highSeconds: number;
  /** Gap in seconds at which nine of ten come clean, and at either end of the band. */
  readonly gapSeconds: number;
  readonly lowGap: number;
  readonly highGap: number;
}

/** Log seconds that the mean lies above what was played clean lately; those are taken off. */
const lowered = ({ logMean, cleanGap }: ExpectedSeconds): number =>
  cleanGap === null ? 0 : Math.max(0, logMean - Math.log(PACE.guard.over * cleanGap));

/** What is said of a change to a teacher: never slower than by a tenth than what came nine of ten clean lately. */
export function sayPace(of: ExpectedSeconds): PaceSaid {
  const told = of.logMean - lowered(of);
  const least = of.cleanGap === null ? Number.POSITIVE_INFINITY : PACE.guard.over * of.cleanGap;
  const margin = saidMargin(of.hands);
  const seconds = (log: number) => Math.max(PACE.floorSeconds, Math.exp(log));
  const gap = (log: number) => Math.min(least, Math.exp(log + margin));
  const by = BAND * of.logSpread;
  return {
    seconds: seconds(told),
    lowSeconds: seconds(told - by),
    highSeconds: seconds(told + by),
    gapSeconds: gap(told),
    lowGap: gap(told - by),
    highGap: gap(told + by),
  };
}

/** Chance that one change comes clean in a gap, seconds, over all that is not known of it. */
export function chanceWithin(of: ExpectedSeconds, gapSeconds: number): number {
  return chanceOver(of.hands, of.logMean - lowered(of), of.logSpread ** 2, Math.log(gapSeconds));
}

const LOG_FLOOR = Math.log(PACE.floorSeconds);

/** Chance that one change comes clean in a gap, for a kind of hand, at given log seconds. */
export function cleanIn(logGap: number, logSeconds: number, hand: (typeof PACE.hands)[number]): number {
  const within = normalBelow((logGap - Math.max(LOG_FLOOR, logSeconds)) / hand.scatter);
  return PACE.lapse + (1 - PACE.lapse - hand.slip) * within;
}

/** Chance of one clean change at a log gap, over log seconds of this mean and variance, one take's noise and the kind of hand. */
export function chanceOver(hands: Three, logMean: number, variance: number, logGap: number): number {
  const spread = Math.sqrt(variance + PACE.takeSpread ** 2);
  let chance = 0;
  NODES.forEach((e, i) => {
    const u = logMean + e * spread;
    PACE.hands.forEach((hand, j) => {
      chance += hands[j] * NODE_WEIGHTS[i] * cleanIn(logGap, u, hand);
    });
  });
  return chance;
}

const margins = new WeakMap<Three, number>();

/** Log of the gap at which nine of ten come clean over the median seconds, for these weights of hands. */
function saidMargin(hands: Three): number {
  const known = margins.get(hands);
  if (known !== undefined) return known;
  const chance = (log: number) =>
    PACE.hands.reduce((sum, hand, j) => {
      const spread = Math.sqrt(hand.scatter ** 2 + PACE.takeSpread ** 2);
      return sum + hands[j] * (PACE.lapse + (1 - PACE.lapse - hand.slip) * normalBelow(log / spread));
    }, 0);
  let [low, high] = [-3, 3];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (chance(middle) < PACE.said) low = middle;
    else high = middle;
  }
  margins.set(hands, high);
  return high;
}
