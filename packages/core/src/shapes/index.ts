export { findShapes, type ShapeRequest } from './find-shapes';
export { DEFAULT_LIMITS, type GradedGrip, type ShapeLimits } from './graded-grip';
export { easierStandIns, type StandIn, type StandInKind } from './easier';
export { layoutOfGrip, type Form, type Layout } from './form';
export { USEFULNESS } from './usefulness';
