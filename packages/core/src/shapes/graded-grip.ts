/** A grip of a chord with everything a teacher would ask about it. Arrays run from the thickest string to string 1. */
import type { Barre } from '../grips/barre';
import type { FingerLabel, Frets } from '../grips/grip';
import type { Degree } from '../theory/degree';
import type { Form, Layout } from './form';

export interface GradedGrip {
  readonly frets: Frets;
  readonly fingers: readonly FingerLabel[];
  readonly barre: Barre | null;
  /** Note names as the chord spells them; null where muted. */
  readonly notes: readonly (string | null)[];
  readonly degrees: readonly (Degree | null)[];
  readonly form: Form | null;
  /** Of an open grip: the form it is when a barre closes it, by which a limit to that form finds it. */
  readonly closes: Form | null;
  readonly layout: Layout['kind'] | null;
  /** String number of the lowest sounding root, or null in a rootless grip. */
  readonly rootString: number | null;
  /** Degree of the lowest sounding pitch, e.g. `1`, `3`, `5`. */
  readonly inversion: Degree;
  readonly omitted: readonly Degree[];
  /** Grade 0 to 100 and points; `gradeGrip` gives the parts with their reasons. */
  readonly effort: { readonly total: number; readonly points: number };
  /** Nats; lower is more useful. */
  readonly usefulness: number;
  /** Whether the lowest note is the one a slash asked for. */
  readonly slashBass: boolean;
  /** What of its place in the list came from a named layout, from the use and from the style asked, in nats. */
  readonly because: readonly OrderReason[];
  /** Index in the same list of the grip this one is less a string of. */
  readonly foldsInto?: number;
}

export interface OrderReason {
  readonly from: 'layout' | 'use' | 'style' | 'school';
  /** Negative raises the grip. */
  readonly nats: number;
}

export interface ShapeLimits {
  /** Highest fret, counted from the capo. Default 15. */
  readonly maxFret: number;
  readonly minFret: number;
  readonly bass: 'root' | 'root or 5' | 'any';
  readonly allowRootless: boolean;
  readonly allowOpen: boolean;
  readonly minStrings: number;
  readonly maxInnerMutes: number;
  /** Grade 0 to 100; grips above it are left out. */
  readonly maxEffort: number;
  /** By string number: that string must sound, or must stay silent. */
  readonly mustSound: readonly number[];
  readonly mustMute: readonly number[];
  readonly maxStrings: number;
  /** At least one open string. */
  readonly wantOpen: boolean;
  readonly allowBarre: boolean;
  /** String number of the lowest root. */
  readonly rootString: number | null;
  readonly form: Form | null;
  /** Fret under the index finger, as `positionOf` counts it. */
  readonly position: number | null;
  /** Degree of the lowest note, and of the thinnest sounding string. */
  readonly inversion: Degree | null;
  readonly top: Degree | null;
}

export const DEFAULT_LIMITS: ShapeLimits = {
  maxFret: 15,
  minFret: 0,
  bass: 'root',
  allowRootless: false,
  allowOpen: true,
  minStrings: 3,
  maxInnerMutes: 2,
  maxEffort: 100,
  mustSound: [],
  mustMute: [],
  maxStrings: 8,
  wantOpen: false,
  allowBarre: true,
  rootString: null,
  form: null,
  position: null,
  inversion: null,
  top: null,
};
