/** The list of families, in the order in which people learn; what a recipe is follows from it. */
import type { DrillOf } from './drill';
import type { FamilyDefinition } from './family';
import { bassWalkFamily } from './families/bass-walk';
import { changeLoopFamily } from './families/change-loop';
import { closeTriadsFamily } from './families/close-triads';
import { familyLadderFamily } from './families/family-ladder';
import { fiveFormsFamily } from './families/five-forms';
import { formulaFamily } from './families/formula';
import { noteReadingFamily } from './families/note-reading';
import { pickingPatternFamily } from './families/picking-pattern';
import { pieceSectionFamily } from './families/piece-section';
import { ringCheckFamily } from './families/ring-check';
import { rootCallFamily } from './families/root-call';
import { stringWalkFamily } from './families/string-walk';
import { strumReadingFamily } from './families/strum-reading';
import { warmUpFamily } from './families/warm-up';

/** A new family is a folder and a line here. */
export const FAMILIES = [
  warmUpFamily,
  stringWalkFamily,
  noteReadingFamily,
  rootCallFamily,
  formulaFamily,
  ringCheckFamily,
  familyLadderFamily,
  fiveFormsFamily,
  closeTriadsFamily,
  changeLoopFamily,
  bassWalkFamily,
  strumReadingFamily,
  pickingPatternFamily,
  pieceSectionFamily,
] as const;

type RecipeIn<D> = D extends FamilyDefinition<infer R> ? R : never;
export type Recipe = RecipeIn<(typeof FAMILIES)[number]>;
export type DrillFamily = Recipe['family'];
export type Drill = DrillOf<Recipe>;

export { withParameters, type NamedGrip } from './parameters';
export { bassWalk, type BassWalkRecipe } from './families/bass-walk';
export { CHANGE_PIECES, changeLoop, type ChangeLoopRecipe, type ChangePiece } from './families/change-loop';
export { closeTriads, type CloseTriadsRecipe, nearestTriad } from './families/close-triads';
export { familyLadder, type FamilyLadderRecipe } from './families/family-ladder';
export { fiveForms, type FiveFormsRecipe } from './families/five-forms';
export { formula, type FormulaRecipe } from './families/formula';
export { noteReading, type NoteReadingRecipe } from './families/note-reading';
export { pickingPattern, type PickingPatternRecipe } from './families/picking-pattern';
export {
  pieceSection,
  type PieceSectionRecipe,
  SECTION_LIMITS,
  SECTION_PARTS,
} from './families/piece-section';
export { checkFirst, ringCheck, type RingCheckRecipe, type StringAnswer } from './families/ring-check';
export {
  calledCells,
  ROOT_ANSWERS,
  type RootAnswer,
  rootCall,
  type RootCallParameters,
  type RootCallRecipe,
  type RootCell,
} from './families/root-call';
export { stringWalk, type StringWalkRecipe } from './families/string-walk';
export { STRUM_LEVELS, strumReading, type StrumReadingRecipe } from './families/strum-reading';
export { warmUp, type WarmUpRecipe } from './families/warm-up';
