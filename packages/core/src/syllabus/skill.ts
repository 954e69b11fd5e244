/**
 * A syllabus: skills, what each needs first, how its items are recognised and which recipe trains it. All
 * data, so that a version can be stored, compared and edited. Skill ids are stable for ever; a changed
 * syllabus is a new version.
 */
import type { DrillFamily, Recipe } from '../drills/recipe';

/** How a grip item is recognised; every field given must fit. */
export interface GripMatch {
  readonly kind: 'grip';
  /** Quality ids. */
  readonly qualities?: readonly string[];
  /** Exact grips, as `x32010`. */
  readonly grips?: readonly string[];
  readonly layouts?: readonly ('open' | 'movable' | 'shell')[];
  readonly forms?: readonly string[];
  readonly rootString?: number;
  /** Lowest and highest fret of the lowest fretted note. */
  readonly position?: readonly [number, number];
  /** Only strings 3, 2 and 1 sound. */
  readonly topThree?: true;
  /** At least this many strings sound. */
  readonly strings?: number;
}

/** How a drill is recognised, whatever it was about: by its family and by some of its parameters. */
export interface DrillMatch {
  readonly kind: 'drill';
  readonly family: DrillFamily;
  /** By name of parameter: any of these values, or a number from and to; a parameter that is not named may be anything. */
  readonly where: Readonly<
    Record<string, readonly (string | number | boolean)[] | { readonly from: number; readonly to: number }>
  >;
}

export type SkillMatch =
  | GripMatch
  | DrillMatch
  | {
      readonly kind: 'change';
      readonly from: GripMatch;
      readonly to: GripMatch;
      /** Frets the lowest fretted fret moves, at least and at most. */
      readonly moves?: readonly [number, number];
    }
  | { readonly kind: 'note'; readonly string: number }
  | { readonly kind: 'progression'; readonly numerals: readonly string[] };

export interface Skill {
  readonly id: string;
  readonly name: string;
  /** What can be done once it is held, in one sentence. */
  readonly sentence: string;
  readonly strand: string;
  /** Each group must be met by any one of its skills. */
  readonly needs: readonly (readonly string[])[];
  readonly matches: readonly SkillMatch[];
  /** Recipes that train it, lightest first; the first is proposed. */
  readonly practice: readonly Recipe[];
  /** Null for a skill in free time. */
  readonly targetBpm: number | null;
  readonly barre: boolean;
  /** Whether it is a use of other skills (a progression), not a single thing. */
  readonly use: boolean;
}

export interface Syllabus {
  readonly schemaVersion: 1;
  readonly name: string;
  readonly strands: readonly { readonly id: string; readonly name: string }[];
  readonly skills: readonly Skill[];
}
