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
  changeLoop,
  closeTriads,
  familyLadder,
  fiveForms,
  formula,
  noteReading,
  ringCheck,
  ROOT_ANSWERS,
  rootCall,
  stringWalk,
  warmUp,
  type ChangeLoopParameters,
  type ChangeLoopRecipe,
  type DrillFamily,
  type NamedGrip,
  type Recipe,
  type RootAnswer,
  type RootCallParameters,
  type RootCallRecipe,
  type RootCell,
} from './recipe';
export { LOOP_TEMPO } from './tempo';
export { easier, harder, makeDrill, nearestRecipe } from './make-drill';
export { checkFirst, type StringAnswer } from './ring-check';
export { calledCells } from './root-call';
export { withWeakCells, type PastCalls } from './root-grid';
export { nearestTriad } from './close-triads';
export type { Answer, Drill, DrillContext, DrillStep, Place, Prelude } from './drill';
export { gripsInOrder } from './in-order';
export { changeIn, gradeIn } from './in-context';
export { rekey, rootOf } from './rekey';
export { drillTitle } from './title';
export { gripItem } from './grip-item';
