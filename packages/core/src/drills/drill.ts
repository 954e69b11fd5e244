/** What every family makes of a recipe: steps, items, score, effort and the question one take answers. */
import type { AnyRecipe } from './parameters';
import type { Reason } from '../effort/explain';
import type { Instrument } from '../fretboard/instrument';
import type { PlacedNote } from '../scales/tones';
import type { Score } from '../score/score';
import type { GripItem, Item } from './items';

export interface DrillStep {
  readonly startTick: number;
  readonly ticks: number;
  readonly item: Item;
  /** What is asked, as data. */
  readonly ask: Reason;
  /** The grip held in this step, where it is one. */
  readonly grip?: GripItem;
  /** What answers a call; absent where the step is played and judged by ear. */
  readonly answer?: Answer;
  /** It is heard before it is answered, so many times at most; nothing of it is shown until then. */
  readonly hearings?: number;
  /** It is called by its number in a key, so many beats ahead; what chord that was is said afterwards. */
  readonly called?: { readonly number: string; readonly key: string; readonly lead: number };
}

export interface Place {
  /** String number and fret. */
  readonly string: number;
  readonly fret: number;
}

/** Places on the neck (every one of them, or any one of them), one of several words, or notes written down. */
export type Answer =
  | { readonly kind: 'all places' | 'any place'; readonly places: readonly Place[] }
  | {
      readonly kind: 'choice';
      readonly choices: readonly string[];
      readonly right: string;
      /** What a wrong choice mixes up, where that has a name. */
      readonly slips?: Readonly<Record<string, Slip>>;
    }
  | {
      readonly kind: 'written';
      /** Notes in their order: `Ab C Eb`. */
      readonly right: string;
    }
  | {
      /** Sung, then heard, and said to have been it or not. */
      readonly kind: 'sung';
      /** The note. */
      readonly right: string;
      /** MIDI pitch at which it is heard; sung in any octave. */
      readonly pitch: number;
      /** Where in the score it is heard. */
      readonly heardTick: number;
    };

/**
 * Usual confusions: the same sound by another letter, the third or another tone altered, the key next to it, the relative; on
 * the neck a fret or a string beside; by ear another kind of what was heard.
 */
export const SLIPS = [
  'respelled',
  'third altered',
  'altered',
  'neighbour key',
  'another degree',
  'relative',
  'parallel',
  'twin',
  'a fret off on string 2',
  'a fret off',
  'another string',
  'one left out',
  'one too many',
  'another quality',
  'third lost',
  'another colour',
  'another lowest tone',
  'another cadence',
  'another progression',
] as const;
export type Slip = (typeof SLIPS)[number];

/** A question before a drill is shown. */
export interface Prelude {
  readonly ask: Reason;
  readonly answer: Answer;
}

/** A drill as its family makes it. */
export interface DrillOf<R extends AnyRecipe> {
  readonly recipe: R;
  readonly items: readonly Item[];
  readonly steps: readonly DrillStep[];
  readonly score: Score;
  /** Grade 0 to 100 of steps, changes and tempo together. */
  readonly effort: number;
  /** Grade of the heaviest single grip. */
  readonly heaviestGrip: number;
  /** Null where the drill is in free time. */
  readonly tempoBpm: number | null;
  /** Tempo at which nine of ten changes come clean for this hand; null in free time. */
  readonly predictedBpm: number | null;
  /** Fret of the capo it is played with, where that is not the student's own. */
  readonly capo?: number;
  readonly hasBarre: boolean;
  readonly overLimit: boolean;
  /** How long to play and rest: a barre is pressed, checked, released, in bursts. */
  readonly bursts: { readonly count: number; readonly workSeconds: number; readonly restSeconds: number };
  /** The yes / no question of one take. */
  readonly question: Reason;
  /** How a take is answered: string by string, call by call, by counting clean changes or bars in time, or as done. */
  readonly judged: 'strings' | 'calls' | 'changes' | 'time' | 'done';
  /** Asked before the drill is shown. */
  readonly prelude: readonly Prelude[];
  /** Where on the neck it is played, where that is free: the notes there, lowest and highest fret, thickest and thinnest string. */
  readonly bounds?: {
    readonly notes: readonly PlacedNote[];
    readonly frets: readonly [number, number];
    readonly strings: readonly [number, number];
  };
  /** A sentence about what was found belongs to the take. */
  readonly asksNote?: true;
  /** The chords of a piece as they go on under it, `N.C.` where nothing sounds; left out where the score names its own. */
  readonly harmony?: readonly {
    readonly startTick: number;
    readonly ticks: number;
    readonly chord: string;
  }[];
  /** What was promised and is left out, and why. */
  readonly leftOut: readonly Reason[];
}

/** The student's instrument with the capo a drill asks for: what its sound and its staff are read against. */
export const instrumentFor = (drill: Pick<DrillOf<AnyRecipe>, 'capo'>, instrument: Instrument): Instrument =>
  drill.capo === undefined ? instrument : { ...instrument, capo: drill.capo };

/**
 * Points added for tempo: this many where the tempo equals the predicted one, in proportion below and above
 * (our assumption; it keeps an easier notch from grading higher).
 */
export const TEMPO_POINTS = 12;

/** Share of its minutes in which a barre is pressed, 0 to 1: work against work and rest of its bursts. */
export const barreShare = ({ hasBarre, bursts }: Pick<DrillOf<AnyRecipe>, 'hasBarre' | 'bursts'>): number =>
  hasBarre ? bursts.workSeconds / (bursts.workSeconds + bursts.restSeconds) : 0;
