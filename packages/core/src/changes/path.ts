/**
 * A path: one grip and one fingering for every chord of a progression, chosen together. What a player may want of
 * it (the objective), what it must keep to (the limits and the grips locked), and what it is when it is found.
 * Weights are our assumptions, in nats against the usefulness of a grip; model card: docs/models/path.md.
 */
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import type { FingerLabel, Frets } from '../grips/grip';
import type { Pace } from '../pace';
import type { Form } from '../shapes/form';
import type { GradedGrip, ShapeLimits } from '../shapes/graded-grip';
import type { Taste } from '../shapes/schools';
import type { Chord } from '../theory/chord';
import type { ChangeGrade } from './grade-change';

export const OBJECTIVES = [
  'easiest',
  'least movement',
  'smallest area',
  'nearest inversion',
  'top stepwise',
  'top held',
  'bass stepwise',
] as const;
export type PathObjective = (typeof OBJECTIVES)[number];

/** What a grip and a change count under an objective. */
export interface PathWeights {
  /** Nats of usefulness, lower is more useful. */
  readonly useful: number;
  /** A second of the reference hand. */
  readonly second: number;
  /** Ten millimetres the hand moves along the neck. */
  readonly centimetre: number;
  /** A fret moved, mean over the strings that sound in both; a string in only one counts `VOICE_LOST` frets. */
  readonly voice: number;
  /** Leaving the way a line should go: see `lineCost`. */
  readonly top: number;
  readonly bass: number;
  /** A line that should stay where it is, or one that may go by step. */
  readonly line: 'held' | 'stepwise';
}

const PLAIN: PathWeights = {
  useful: 1,
  second: 2.5,
  centimetre: 0,
  voice: 0,
  top: 0,
  bass: 0,
  line: 'stepwise',
};
export const PATH_WEIGHTS: Readonly<Record<PathObjective, PathWeights>> = {
  easiest: PLAIN,
  'least movement': { ...PLAIN, useful: 0.3, second: 0.5, centimetre: 1.5 },
  'smallest area': PLAIN,
  'nearest inversion': { ...PLAIN, useful: 0.3, second: 0.5, voice: 2 },
  'top stepwise': { ...PLAIN, useful: 0.6, second: 1.2, top: 2 },
  'top held': { ...PLAIN, useful: 0.6, second: 1.2, top: 2, line: 'held' },
  'bass stepwise': { ...PLAIN, useful: 0.6, second: 1.2, bass: 2 },
};
export const VOICE_LOST = 2;

/** Semitones a line moves, as cost: a step is free in a stepwise line, a held note less so; a held line pays for each semitone. */
export function lineCost(semitones: number, line: PathWeights['line']): number {
  const size = Math.abs(semitones);
  if (line === 'held') return Math.min(6, size);
  return size === 0 ? 0.4 : size <= 2 ? 0 : Math.min(6, size - 2);
}

export interface PathLimits extends Pick<
  ShapeLimits,
  'minFret' | 'maxFret' | 'bass' | 'allowRootless' | 'allowOpen' | 'allowBarre' | 'maxEffort'
> {
  /** String numbers the lowest root may lie on; null for any. */
  readonly rootStrings: readonly number[] | null;
  /** Strings that may sound, from the thicker to the thinner by number; null for any. */
  readonly strings: readonly [number, number] | null;
  /** Forms this student holds: grips of any other form are left out. Null when it does not matter. */
  readonly forms: readonly Form[] | null;
}

/**
 * In which order limits give way for a chord that has no grip within them. The ban on barres never does: it may
 * protect a hand.
 */
export const GIVING_WAY = [
  'bass',
  'allowRootless',
  'area',
  'rootStrings',
  'strings',
  'forms',
  'allowOpen',
  'maxEffort',
] as const;
export type GivenWay = (typeof GIVING_WAY)[number];

export interface PathLock {
  readonly frets: Frets;
  /** Left out: the fingering that serves both changes best. */
  readonly fingers?: readonly FingerLabel[];
}

export interface PathOptions {
  readonly hand: Hand;
  readonly instrument: Instrument;
  readonly pace?: Pace;
  /** Fingerings pinned for this student, by the mark of their grip. */
  readonly pins?: Readonly<Record<string, readonly FingerLabel[]>>;
  readonly objective?: PathObjective;
  readonly limits?: Partial<PathLimits>;
  /** By chord; null or absent where the path is free to choose. */
  readonly locked?: readonly (PathLock | null)[];
  /** Beats the music leaves for each change; one where absent. */
  readonly gapBeats?: readonly number[];
  /** Grips looked at for each chord, the most useful within the limits. Default 40. */
  readonly candidates?: number;
  /** How many further paths to find that really differ. Default 0. */
  readonly others?: number;
  readonly school?: Taste;
}

export interface PathStep {
  readonly chord: Chord;
  /** With the fingers of this path; null where nothing is played or no grip is left. */
  readonly grip: GradedGrip | null;
  readonly locked: boolean;
  /** Limits this chord had to leave, in the order they gave way; `lock` where the locked grip cannot be held. */
  readonly gaveWay: readonly (GivenWay | 'lock')[];
}

export interface Path {
  readonly steps: readonly PathStep[];
  /** Between each step and the next; null beside a step without a grip, and where the grip stays as it is. */
  readonly changes: readonly (ChangeGrade | null)[];
  /** Nats under the objective; lower is better, and comparable only under the same objective and limits. */
  readonly cost: number;
  /** Lowest and highest fret pressed; null when nothing is. */
  readonly area: { readonly lowFret: number; readonly highFret: number } | null;
  /** Seconds of all changes together at this pace, and the hand's way along the neck. */
  readonly seconds: number;
  readonly shiftMm: number;
  /** Index of the change that chokes first, and the tempo at which nine of ten of those come clean. */
  readonly weakest: number | null;
  readonly tempoBpm: number | null;
}

export interface PathFound extends Path {
  /** The next best that really differ, best first: see `planPath`. */
  readonly others: readonly Path[];
  /** One that is both quicker and slower to choke than the best, of less usual grips; null where none was found. */
  readonly quicker: Path | null;
}
