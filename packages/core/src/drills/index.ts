export { itemKey, type GripItem, type Item } from './items';
export {
  CLEAN_SHARE,
  endsPlaying,
  NEARLY_SHARE,
  PAIN_PLACES,
  resultOf,
  type Feel,
  type PainPlace,
  type StepOutcome,
  type Take,
  type TakeResult,
  type TakeSource,
} from './take';
export {
  bassWalk,
  CHANGE_PIECES,
  changeLoop,
  closeTriads,
  familyLadder,
  fiveForms,
  formula,
  noteReading,
  pickingPattern,
  pieceSection,
  ringCheck,
  ROOT_ANSWERS,
  rootCall,
  SECTION_PARTS,
  stringWalk,
  strumReading,
  warmUp,
  type BassWalkRecipe,
  type ChangeLoopParameters,
  type ChangeLoopRecipe,
  type ChangePiece,
  type DrillFamily,
  type NamedGrip,
  type PieceSectionRecipe,
  type Recipe,
  type RootAnswer,
  type RootCallParameters,
  type RootCallRecipe,
  type RootCell,
} from './recipe';
export { LOOP_TEMPO } from './tempo';
export {
  afterRound,
  highestClean,
  LADDER_ROUNDS,
  ladderRungs,
  startLadder,
  type Ladder,
  type LadderRound,
} from './ladder';
export { easier, harder, makeDrill, nearestRecipe } from './make-drill';
export { checkFirst, type StringAnswer } from './ring-check';
export { SECTION_LIMITS } from './piece-section';
export { STRUM_LEVELS } from './strum-reading';
export { calledCells } from './root-call';
export { withWeakCells, type PastCalls } from './root-grid';
export { nearestTriad } from './close-triads';
export { instrumentFor } from './drill';
export type { Answer, Drill, DrillContext, DrillStep, Place, Prelude } from './drill';
export { gripsInOrder } from './in-order';
export { changeIn, gradeIn } from './in-context';
export { rekey, rootOf } from './rekey';
export { drillTitle } from './title';
export { gripItem } from './grip-item';
export { forHand, heldGrip, rekeyForHand } from './held-grips';
