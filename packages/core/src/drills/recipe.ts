/** The list of families, in the order in which people learn; what a recipe is follows from it. */
import type { DrillOf } from './drill';
import type { FamilyDefinition } from './family';
import { bassWalkFamily } from './families/bass-walk';
import { changeLoopFamily } from './families/change-loop';
import { closeTriadsFamily } from './families/close-triads';
import { degreesFamily } from './families/degrees';
import { familyLadderFamily } from './families/family-ladder';
import { fiveFormsFamily } from './families/five-forms';
import { formulaFamily } from './families/formula';
import { noteReadingFamily } from './families/note-reading';
import { pickingPatternFamily } from './families/picking-pattern';
import { ownSmallPieceFamily } from './families/own-small-piece';
import { openTaskFamily } from './families/open-task';
import { pieceSectionFamily } from './families/piece-section';
import { ringCheckFamily } from './families/ring-check';
import { rootCallFamily } from './families/root-call';
import { scaleInTheShapeFamily } from './families/scale-in-the-shape';
import { stringWalkFamily } from './families/string-walk';
import { strumReadingFamily } from './families/strum-reading';
import { embellishFamily } from './families/embellish';
import { twoAStringFamily } from './families/two-a-string';
import { approachFamily } from './families/approach';
import { colourSwapFamily } from './families/colour-swap';
import { melodyOnTopFamily } from './families/melody-on-top';
import { numberCallsFamily } from './families/number-calls';
import { triadPairsFamily } from './families/triad-pairs';
import { keyDetectiveFamily } from './families/key-detective';
import { singItFamily } from './families/sing-it';
import { spellItFamily } from './families/spell-it';
import { tapItFamily } from './families/tap-it';
import { earPairsFamily } from './families/ear-pairs';
import { writeItOutFamily } from './families/write-it-out';
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
  degreesFamily,
  changeLoopFamily,
  bassWalkFamily,
  scaleInTheShapeFamily,
  twoAStringFamily,
  embellishFamily,
  spellItFamily,
  earPairsFamily,
  singItFamily,
  tapItFamily,
  writeItOutFamily,
  numberCallsFamily,
  keyDetectiveFamily,
  approachFamily,
  colourSwapFamily,
  triadPairsFamily,
  melodyOnTopFamily,
  strumReadingFamily,
  pickingPatternFamily,
  pieceSectionFamily,
  ownSmallPieceFamily,
  openTaskFamily,
] as const;

type RecipeIn<D> = D extends FamilyDefinition<infer R> ? R : never;
export type Recipe = RecipeIn<(typeof FAMILIES)[number]>;
export type DrillFamily = Recipe['family'];
export type Drill = DrillOf<Recipe>;

export type { NamedGrip } from './parameters';
export { bassWalk, type BassWalkRecipe } from './families/bass-walk';
export { CHANGE_PIECES, changeLoop, type ChangeLoopRecipe, type ChangePiece } from './families/change-loop';
export { closeTriads, nearestTriad } from './families/close-triads';
export { degrees } from './families/degrees';
export { familyLadder } from './families/family-ladder';
export { fiveForms } from './families/five-forms';
export { formula } from './families/formula';
export { noteReading } from './families/note-reading';
export { pickingPattern } from './families/picking-pattern';
export { pieceSection, type PieceSectionRecipe } from './families/piece-section';
export { SECTION_LIMITS, SECTION_PARTS } from './families/piece-section/parameters';
export { checkFirst, ringCheck, type StringAnswer } from './families/ring-check';
export {
  calledCells,
  ROOT_ANSWERS,
  type RootAnswer,
  rootCall,
  type RootCallParameters,
  type RootCallRecipe,
  type RootCell,
} from './families/root-call';
export { scaleInTheShape } from './families/scale-in-the-shape';
export { stringWalk } from './families/string-walk';
export { strumReading } from './families/strum-reading';
export { STRUM_LEVELS } from './families/strum-reading/parameters';
export { twoAString } from './families/two-a-string';
export { approach } from './families/approach';
export { colourSwap } from './families/colour-swap';
export { melodyOnTop } from './families/melody-on-top';
export { numberCalls } from './families/number-calls';
export { triadPairs } from './families/triad-pairs';
export { keyDetective } from './families/key-detective';
export { singIt } from './families/sing-it';
export { spellIt } from './families/spell-it';
export { tapIt } from './families/tap-it';
export { embellish } from './families/embellish';
export { earPairs } from './families/ear-pairs';
export { openTask } from './families/open-task';
export { ownSmallPiece } from './families/own-small-piece';
export { writeItOut } from './families/write-it-out';
export { warmUp } from './families/warm-up';
