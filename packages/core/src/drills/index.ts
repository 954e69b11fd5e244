export { evidenceOf, isQuiet } from './evidence';
export { quietForm } from './quiet-form';
export { handAlone, openStrokes, type OneHand } from './one-hand';
export { IN_TIME, timeHeard, type BarHeard, type TimeHeard } from './in-time';
export { lighterInstead } from './instead';
export { EVIDENCE_KINDS, type EvidenceKind } from './family';
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
  type CallTaken,
  type Take,
  type TakeResult,
  type TakeSource,
} from './take';
export {
  bassWalk,
  calledCells,
  CHANGE_PIECES,
  changeLoop,
  checkFirst,
  closeTriads,
  degrees,
  FAMILIES,
  familyLadder,
  fiveForms,
  formula,
  nearestTriad,
  noteReading,
  pickingPattern,
  pieceSection,
  ringCheck,
  ROOT_ANSWERS,
  rootCall,
  SECTION_LIMITS,
  SECTION_PARTS,
  scaleInTheShape,
  stringWalk,
  STRUM_LEVELS,
  strumReading,
  twoAString,
  approach,
  colourSwap,
  melodyOnTop,
  numberCalls,
  triadPairs,
  keyDetective,
  spellIt,
  singIt,
  tapIt,
  earPairs,
  embellish,
  openTask,
  ownSmallPiece,
  warmUp,
  writeItOut,
  type BassWalkRecipe,
  type ChangeLoopRecipe,
  type ChangePiece,
  type Drill,
  type DrillFamily,
  type NamedGrip,
  type PieceSectionRecipe,
  type Recipe,
  type RootAnswer,
  type RootCallParameters,
  type RootCallRecipe,
  type RootCell,
  type StringAnswer,
} from './recipe';
export { FAMILY_SPECS } from './specs';
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
export {
  drawsAnew,
  drillTitle,
  easier,
  familyNamed,
  firstRecipe,
  gripsOf,
  harder,
  makeDrill,
  nearestRecipe,
  redrawn,
  rekey,
  rootOf,
} from './make-drill';
export { withWeakCells, type PastCalls } from './families/root-call/grid';
export { HEARD, heardChoices, heardScore, type Heard } from './backing';
export { calledAt, type Call, type CalledNow } from './called';
export { instrumentFor, SLIPS } from './drill';
export { isWritten, slipOf } from './slips';
export { staffFifths } from './staff-key';
export { needsNoNeck, onPaper, readsRhythm, readsStaff, type PaperWords } from './on-paper';
export type { Answer, DrillStep, Place, Prelude, Slip } from './drill';
export { FAMILY_GROUPS, type FamilyGroup, type StartingPoint } from './family';
export {
  fieldsOf,
  namedGrips,
  takesGrips,
  tempoOf,
  togglesOf,
  withTempo,
  type Field,
  type NamedGrips,
  type Toggle,
} from './fields';
export type { Spec, Specs } from './parameters';
export { gripsInOrder } from './in-order';
export { changeIn, gradeIn } from './in-context';
export { gripItem } from './grip-item';
export { heldGrip } from './held-grip';
export { forHand, rekeyForHand } from './held-grips';
