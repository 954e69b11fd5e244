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
  ringCheck,
  rootCall,
  warmUp,
  type ChangeLoopParameters,
  type ChangeLoopRecipe,
  type DrillFamily,
  type NamedGrip,
  type Recipe,
  type RootCallParameters,
} from './recipe';
export { LOOP_TEMPO } from './change-loop';
export { easier, harder, makeDrill } from './make-drill';
export type { Drill, DrillContext, DrillStep } from './drill';
