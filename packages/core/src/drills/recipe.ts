/**
 * A recipe is a drill before it is made: family, version, parameters and seed. The same recipe and context
 * give the same drill on every machine, so recipes are stored and drills are not.
 */
import type { Frets } from '../grips/grip';
import type { Form } from '../shapes/form';

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

export const ROOT_ANSWERS = ['root', 'major', 'minor', 'dominant7', 'minor7'] as const;
/** `root` asks for the note alone, otherwise a quality asks for its movable grip. */
export type RootAnswer = (typeof ROOT_ANSWERS)[number];

/** One cell of the root call grid. */
export interface RootCell {
  readonly rootString: 5 | 6;
  readonly answer: RootAnswer;
  readonly fret: number;
}

export interface RootCallParameters {
  readonly rootString: 5 | 6;
  readonly answer: RootAnswer;
  readonly count: number;
  readonly secondsPerCall: number;
  readonly maxFret: number;
  /** Lowest fret asked; left out, the nut for roots alone and fret 1 for grips. */
  readonly minFret?: number;
  /** The full grid: every quality on every root string at every fret, in place of one string and one answer. */
  readonly grid?: {
    readonly rootStrings: readonly (5 | 6)[];
    readonly answers: readonly RootAnswer[];
    /** Cells that went wrong or late before: asked twice as often. */
    readonly weak: readonly RootCell[];
  };
}

interface StringWalkParameters {
  readonly string: number;
  /** A scale by name; `C major` walks the natural notes. */
  readonly key: string;
  readonly maxFret: number;
  /** Random calls after the walk. */
  readonly calls: number;
  readonly secondsPerCall: number;
}

interface NoteReadingParameters {
  /** Lowest fret of the four the hand covers; 0 adds the open strings. */
  readonly position: number;
  /** Widest range, in strings counted from string 1. */
  readonly strings: number;
  readonly key: string;
  readonly count: number;
  readonly secondsPerNote: number;
}

interface FormulaParameters {
  readonly grip: NamedGrip;
  /** Quality ids to turn the chord into. */
  readonly targets: readonly string[];
  readonly secondsPerCall: number;
}

interface FamilyLadderParameters {
  readonly root: string;
  readonly form: Form;
  /** Lowest fret of the first rung; left out, the lowest place that leads furthest. */
  readonly fret?: number;
  readonly beatsEach: number;
  readonly tempoBpm?: number;
}

interface FiveFormsParameters {
  readonly root: string;
  readonly quality: string;
  readonly order: 'up' | 'up and down';
  readonly barsEach: number;
  /** How many keys, and how the next one follows. */
  readonly keys: number;
  readonly next: 'fourths' | 'fifths' | 'random';
  readonly allowOpen: boolean;
  readonly tempoBpm?: number;
}

interface CloseTriadsParameters {
  readonly root: string;
  /** Three neighbouring string numbers, thick to thin. */
  readonly strings: readonly [number, number, number];
  readonly qualities: readonly ('major' | 'minor' | 'diminished' | 'augmented')[];
  /** Played after the inversions, each chord in the inversion nearest to the last. */
  readonly progression?: { readonly key: string; readonly numerals: readonly string[] };
  readonly beatsEach: number;
  readonly tempoBpm?: number;
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
export type StringWalkRecipe = RecipeOf<'string walk', StringWalkParameters>;
export type NoteReadingRecipe = RecipeOf<'note reading', NoteReadingParameters>;
export type FormulaRecipe = RecipeOf<'formula', FormulaParameters>;
export type FamilyLadderRecipe = RecipeOf<'family ladder', FamilyLadderParameters>;
export type FiveFormsRecipe = RecipeOf<'five forms', FiveFormsParameters>;
export type CloseTriadsRecipe = RecipeOf<'close triads', CloseTriadsParameters>;
export type Recipe =
  | WarmUpRecipe
  | StringWalkRecipe
  | NoteReadingRecipe
  | RootCallRecipe
  | FormulaRecipe
  | RingCheckRecipe
  | FamilyLadderRecipe
  | FiveFormsRecipe
  | CloseTriadsRecipe
  | ChangeLoopRecipe;
export type DrillFamily = Recipe['family'];

type ParametersOf<F extends DrillFamily> = Extract<Recipe, { readonly family: F }>['parameters'];

/** A recipe of a family in its present version. */
function recipeOf<F extends DrillFamily>(
  family: F,
  parameters: ParametersOf<F>,
  seed: number,
): RecipeOf<F, ParametersOf<F>> {
  return { schemaVersion: 1, family, version: 1, parameters, seed };
}

export const warmUp = (minutes: number): WarmUpRecipe => recipeOf('warm up', { minutes }, 1);
export const changeLoop = (parameters: ChangeLoopParameters): ChangeLoopRecipe =>
  recipeOf('change loop', parameters, 1);
export const ringCheck = (grip: NamedGrip): RingCheckRecipe => recipeOf('ring check', { grip }, 1);
export const rootCall = (parameters: RootCallParameters, seed = 1): RootCallRecipe =>
  recipeOf('root call', parameters, seed);
export const stringWalk = (parameters: StringWalkParameters, seed = 1): StringWalkRecipe =>
  recipeOf('string walk', parameters, seed);
export const noteReading = (parameters: NoteReadingParameters, seed = 1): NoteReadingRecipe =>
  recipeOf('note reading', parameters, seed);
export const formula = (parameters: FormulaParameters): FormulaRecipe => recipeOf('formula', parameters, 1);
export const familyLadder = (parameters: FamilyLadderParameters): FamilyLadderRecipe =>
  recipeOf('family ladder', parameters, 1);
export const fiveForms = (parameters: FiveFormsParameters, seed = 1): FiveFormsRecipe =>
  recipeOf('five forms', parameters, seed);
export const closeTriads = (parameters: CloseTriadsParameters): CloseTriadsRecipe =>
  recipeOf('close triads', parameters, 1);
