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

export const CHANGE_PIECES = ['one finger', 'slide', 'pivot', 'air'] as const;
/** The finger that lands last alone; the fingers that slide alone; the rest around a finger that stays; without a sound, then landed. */
export type ChangePiece = (typeof CHANGE_PIECES)[number];

export interface ChangeLoopParameters {
  /** Two to four grips, round and round. */
  readonly grips: readonly NamedGrip[];
  readonly beatsEach: number;
  /** Left out, the tempo this hand's slowest change allows. */
  readonly tempoBpm?: number;
  /** Set when the loop is a number progression of a key. */
  readonly progression?: { readonly key: string; readonly numerals: readonly string[] };
  /** A part of the change between two grips, practised by itself; left out, the whole of it. */
  readonly piece?: ChangePiece;
}

interface RingCheckParameters {
  readonly grip: NamedGrip;
}

interface BassWalkParameters {
  /** The chord the walk leaves and the one it arrives at. */
  readonly from: string;
  readonly to: string;
  /** The scale it steps through, by name. */
  readonly key: string;
  readonly way: 'up' | 'down';
  readonly by: 'scale' | 'half steps';
  /** Whether it walks back to the first chord. */
  readonly back: boolean;
  readonly beatsEach: number;
  readonly tempoBpm?: number;
}

interface StrumReadingParameters {
  /** One to four grips, a bar each, round and round. */
  readonly grips: readonly NamedGrip[];
  /** Quarters of a bar. */
  readonly beats: number;
  /** 1 quarters and silences, 2 eighths, 3 off the beat, 4 ties and accents, 5 chops and mutes, 6 sixteenths. */
  readonly level: number;
  readonly bars: number;
  readonly tempoBpm?: number;
}

interface PickingPatternParameters {
  readonly grips: readonly NamedGrip[];
  /** Steps as `readPattern` reads them: `p i m a`, fingers together `pm`, `-` and `.`. */
  readonly pattern: string;
  /** Steps to a beat. */
  readonly perBeat: number;
  /** Quarters of a bar. */
  readonly beats: number;
  readonly barsEach: number;
  /** The thumb stays on the lowest string, or goes between it and another. */
  readonly bass: 'root' | 'alternating';
  readonly striker: 'fingers' | 'plectrum';
  readonly tempoBpm?: number;
}

export const SECTION_PARTS = ['as written', 'one stroke', 'melody'] as const;

interface PieceSectionParameters {
  readonly pieceId: string;
  readonly title: string;
  /** Bar numbers on the chart of the piece. */
  readonly fromBar: number;
  readonly toBar: number;
  /** Those bars as a chart of their own, so that the drill stays what it was when the piece changes. */
  readonly chart: string;
  /** For every chord of that chart; null where nothing is gripped. */
  readonly grips: readonly (Frets | null)[];
  readonly part: (typeof SECTION_PARTS)[number];
  readonly tempoBpm?: number;
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
export type BassWalkRecipe = RecipeOf<'bass walk', BassWalkParameters>;
export type StrumReadingRecipe = RecipeOf<'strum reading', StrumReadingParameters>;
export type PickingPatternRecipe = RecipeOf<'picking pattern', PickingPatternParameters>;
export type PieceSectionRecipe = RecipeOf<'piece section', PieceSectionParameters>;
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
  | ChangeLoopRecipe
  | BassWalkRecipe
  | StrumReadingRecipe
  | PickingPatternRecipe
  | PieceSectionRecipe;
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

/** The recipe with some of its parameters others. */
export function withParameters<R extends Recipe>(recipe: R, change: Partial<R['parameters']>): R {
  return { ...recipe, parameters: { ...recipe.parameters, ...change } };
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
export const bassWalk = (parameters: BassWalkParameters): BassWalkRecipe =>
  recipeOf('bass walk', parameters, 1);
export const strumReading = (parameters: StrumReadingParameters, seed = 1): StrumReadingRecipe =>
  recipeOf('strum reading', parameters, seed);
export const pickingPattern = (parameters: PickingPatternParameters): PickingPatternRecipe =>
  recipeOf('picking pattern', parameters, 1);
export const pieceSection = (parameters: PieceSectionParameters): PieceSectionRecipe =>
  recipeOf('piece section', parameters, 1);
