/**
 * What a grip is wanted for, as a change of its usefulness in nats: a chop wants three strings and none open, a
 * strum all six. And the style of playing, a taste that holds over many uses. All weights are our assumptions;
 * they reorder a list and never take a grip out of it.
 */
import type { Frets } from '../grips/grip';
import { innerMutes, lowestFretted, soundingCount } from './limits';

export const USES = ['strum', 'chop', 'comp', 'fingerpick', 'solo fill'] as const;
export type Use = (typeof USES)[number];
export const STYLES = ['ringing', 'movable', 'small'] as const;
export type Style = (typeof STYLES)[number];

interface Weights {
  /** Strings wanted, and nats for each one more or fewer. */
  readonly strings?: readonly [wanted: number, each: number];
  /** For each open string. */
  readonly open?: number;
  /** For each of the two thickest strings that sounds. */
  readonly thick?: number;
  /** When string 1 is silent. */
  readonly noTop?: number;
  /** For each inner mute, beside what ease already says. */
  readonly innerMute?: number;
  /** When the lowest note does not lie on one of the three thickest strings. */
  readonly noBass?: number;
  /** For every five frets up the neck. */
  readonly perFiveFrets?: number;
}

const USE_WEIGHTS: Readonly<Record<Use, Weights>> = {
  strum: { strings: [6, 0.7], innerMute: 1.5, open: -0.2 },
  chop: { strings: [3, 0.9], open: 1.6, thick: 1.1, innerMute: 0.5 },
  comp: { strings: [4, 0.8], open: 0.6, innerMute: -1.2 },
  fingerpick: { open: -0.5, innerMute: -1.6, noBass: 2 },
  'solo fill': { strings: [3, 0.9], thick: 1.6, noTop: 1.5, open: 0.4, perFiveFrets: -0.5 },
};

const STYLE_WEIGHTS: Readonly<Record<Style, Weights>> = {
  ringing: { open: -0.9, perFiveFrets: 0.3 },
  movable: { open: 1.8 },
  small: { strings: [3.5, 0.7], thick: 0.3 },
};

function nats(weights: Weights, frets: Frets): number {
  let cost = 0;
  const opens = frets.reduce<number>((count, fret) => count + (fret === 0 ? 1 : 0), 0);
  if (weights.strings) cost += Math.abs(soundingCount(frets) - weights.strings[0]) * weights.strings[1];
  cost += opens * (weights.open ?? 0);
  cost += ((frets[0] !== null ? 1 : 0) + (frets[1] !== null ? 1 : 0)) * (weights.thick ?? 0);
  if (frets[frets.length - 1] === null) cost += weights.noTop ?? 0;
  if (weights.innerMute) cost += innerMutes(frets) * weights.innerMute;
  if (weights.noBass && !frets.slice(0, 3).some((fret) => fret !== null)) cost += weights.noBass;
  cost += (lowestFretted(frets) / 5) * (weights.perFiveFrets ?? 0);
  return cost;
}

export const useNats = (use: Use, frets: Frets): number => nats(USE_WEIGHTS[use], frets);
export const styleNats = (style: Style, frets: Frets): number => nats(STYLE_WEIGHTS[style], frets);
