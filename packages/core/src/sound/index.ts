export {
  clickSamples,
  pitchToHz,
  pluckOf,
  pluckSamples,
  type Pluck,
  type StruckString,
  type Touch,
} from './pluck';
export { PLAIN_LEVEL } from './struck';
export { soundSchedule, type ClickSound, type PluckSound, type Sound } from './schedule';
export { pieceSounds, type PiecePlayback, type PieceSounds, type SoundingBar } from './piece-schedule';
export { droneSounds, lineSounds, strumSounds } from './strums';
export { mixSounds, type MixOptions } from './mix';
export { makeOnsetListener, sharpLevelsOf, type OnsetListener } from './onsets';
export { levelsOf, LEVEL_SECONDS, makeCountListener, type CountListener } from './counted';
export { centsOff, stringHeard, toneOf, TUNER, TUNER_SAMPLES, type StringHeard, type Tone } from './tuner';
