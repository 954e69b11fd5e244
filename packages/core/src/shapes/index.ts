export { findShapes, type ShapeRequest } from './find-shapes';
export { DEFAULT_LIMITS, type GradedGrip, type ShapeLimits } from './graded-grip';
export { easierStandIns, type StandIn, type StandInKind } from './easier';
export { FORM_ORDER, layoutOfGrip, type Form, type Layout } from './form';
export { USEFULNESS } from './usefulness';
export { explainLimits, type LimitStep } from './explain-limits';
export { LOOSEST, positionOf, topDegree, type LimitName } from './limits';
export { STYLES, USES, type Style, type Use } from './use';
export { NAMING, nameGrip, nameNotes, type NamedGrip, type NamingContext } from './name-grip';
export { oneNoteChanges, type NoteMove, type OneNoteChange } from './one-note';
export {
  closedForm,
  closeTriads,
  familyLadder,
  formsOf,
  gradedAs,
  halvesOf,
  LADDER,
  lowestOfEach,
  triadInversions,
  type ClosedForm,
  type FormPlace,
  type Halves,
  type Inversion,
  type Rung,
} from './forms';
export { checkSheet, type SheetFinding } from './check-sheet';
export { scoreUsualGrips, type UsualScore } from './usual-grips';
export {
  DEFAULT_SCHOOLS,
  familySymbol,
  formName,
  fretStep,
  handFor,
  SCHOOL_CHOICES,
  schoolLimits,
  schoolsOf,
  stringStep,
  type FormName,
  type Schools,
  type SchoolSwitch,
} from './schools';
export {
  drawCard,
  type CardContent,
  type CardDrawing,
  type CardOptions,
  type CardShow,
  type CardSize,
  type Ink,
  type Mark,
} from './card-drawing';
export { trueSigns } from './signs';
export { ONE_NOTE_TARGETS } from './one-note-targets';
