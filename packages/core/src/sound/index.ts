export { clickSamples, pitchToHz, pluckSamples, type Pluck } from './pluck';
export { soundSchedule, type ClickSound, type PluckSound, type Sound } from './schedule';
