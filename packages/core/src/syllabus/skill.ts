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
  /**
   * By name of parameter: any of these values, or a number from and to; a parameter that is not named may be anything. Grips
   * are one text, as `x02210 x32010`.
   */
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

/** What a drill does for a skill, in the order in which a thing is met: found, held, come to and left, used, heard. */
export const PRACTICE_STEPS = ['find', 'hold', 'change', 'use', 'hear'] as const;
export type PracticeStep = (typeof PRACTICE_STEPS)[number];

export interface Practice {
  readonly step: PracticeStep;
  readonly recipe: Recipe;
}

export interface Skill {
  readonly id: string;
  readonly name: string;
  /** What can be done once it is held, in one sentence. */
  readonly sentence: string;
  readonly strand: string;
  /** Each group must be met by any one of its skills. */
  readonly needs: readonly (readonly string[])[];
  readonly matches: readonly SkillMatch[];
  /** What trains it, lightest first; the first is proposed, and its step is what the skill itself is about. */
  readonly practice: readonly Practice[];
  /** Null for a skill in free time. */
  readonly targetBpm: number | null;
  readonly barre: boolean;
}

/** Skills one after the other, that somebody may wish for: a way in for a beginner, or a style. */
export interface Course {
  readonly id: string;
  readonly kind: 'way in' | 'style';
  readonly name: string;
  readonly sentence: string;
  readonly skills: readonly string[];
}

export interface Syllabus {
  readonly schemaVersion: 1;
  readonly name: string;
  readonly strands: readonly { readonly id: string; readonly name: string }[];
  readonly skills: readonly Skill[];
  readonly courses: readonly Course[];
}

/** Whether it is a use of other skills (a progression, a piece), not a single thing. */
export const isUse = ({ practice }: Pick<Skill, 'practice'>): boolean => practice[0].step === 'use';

/** The drills that are the skill itself, lightest first; the others come to it, use it or hear it. */
export const ownDrills = ({ practice }: Pick<Skill, 'practice'>): readonly Recipe[] =>
  practice.flatMap(({ step, recipe }) => (step === practice[0].step ? [recipe] : []));
