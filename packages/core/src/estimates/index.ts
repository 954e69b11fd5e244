export { makeVoice, type Voice } from './voice';
export { makeElo, type Elo } from './elo';
export { makeEstimator, type Estimate, type Estimator } from './estimator';
export type { PracticeRow } from './row';
export type { PartName } from './voice';
export { SKILL_VOICES, VOICES, type VoiceConstants } from './voices';
