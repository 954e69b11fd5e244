/**
 * A recipe is a drill before it is made: family, version, parameters and seed. The same recipe and context
 * give the same drill on every machine, so recipes are stored and drills are not.
 */
import type { Frets } from '../grips/grip';

/** A chord with the frets it is to be played on. */
export interface NamedGrip {
  readonly chord: string;
  readonly frets: Frets;
}

interface WarmUpParameters {
  readonly minutes: number;
  /** Lowest fret of the figure; left out, the lowest one this hand spans comfortably. */
  readonly startFret?: number;
}

export interface RootCallParameters {
  readonly rootString: 5 | 6;
  /** `root` asks for the note alone, otherwise a quality asks for its movable grip. */
  readonly answer: 'root' | 'major' | 'minor' | 'dominant7' | 'minor7';
  readonly count: number;
  readonly secondsPerCall: number;
  readonly maxFret: number;
}

export interface ChangeLoopParameters {
  /** Two to four grips, round and round. */
  readonly grips: readonly NamedGrip[];
  readonly beatsEach: number;
  /** Left out, the tempo this hand's slowest change allows. */
  readonly tempoBpm?: number;
  /** Set when the loop is a number progression of a key. */
  readonly progression?: { readonly key: string; readonly numerals: readonly string[] };
}

interface RingCheckParameters {
  readonly grip: NamedGrip;
}

interface RecipeOf<Family extends string, Parameters> {
  readonly schemaVersion: 1;
  readonly family: Family;
  readonly version: 1;
  readonly parameters: Parameters;
  readonly seed: number;
}

export type WarmUpRecipe = RecipeOf<'warm up', WarmUpParameters>;
export type RootCallRecipe = RecipeOf<'root call', RootCallParameters>;
export type ChangeLoopRecipe = RecipeOf<'change loop', ChangeLoopParameters>;
export type RingCheckRecipe = RecipeOf<'ring check', RingCheckParameters>;
export type Recipe = WarmUpRecipe | RootCallRecipe | ChangeLoopRecipe | RingCheckRecipe;
export type DrillFamily = Recipe['family'];

export const warmUp = (minutes: number): WarmUpRecipe => ({
  schemaVersion: 1,
  family: 'warm up',
  version: 1,
  parameters: { minutes },
  seed: 1,
});

export const changeLoop = (parameters: ChangeLoopParameters): ChangeLoopRecipe => ({
  schemaVersion: 1,
  family: 'change loop',
  version: 1,
  parameters,
  seed: 1,
});

export const ringCheck = (grip: NamedGrip): RingCheckRecipe => ({
  schemaVersion: 1,
  family: 'ring check',
  version: 1,
  parameters: { grip },
  seed: 1,
});

export const rootCall = (parameters: RootCallParameters, seed = 1): RootCallRecipe => ({
  schemaVersion: 1,
  family: 'root call',
  version: 1,
  parameters,
  seed,
});
