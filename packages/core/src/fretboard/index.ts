export {
  makeInstrument,
  pitchAt,
  standardGuitar,
  stringNumber,
  type Instrument,
  type InstrumentSetup,
} from './instrument';
export { fretPositionMm, neckGeometry, type NeckGeometry } from './geometry';
export { averageHand, makeHand, REFERENCE_REACH_MM, spanFactor, type Hand } from './hand';
export { namedTunings, parseTuning, tuningName, writeTuning, type NamedTuning } from './tuning';
