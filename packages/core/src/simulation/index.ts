export { makePlayer, PLAYER, type PlayedTake, type Player, type PlayerTraits } from './player';
export { liveThrough, type Life, type LivedTake } from './history';
export { countChanges, type TrueFactors } from './counting';
export {
  PRACTICE_WORLDS,
  practiceItems,
  practiceLog,
  practiceStudent,
  type PracticeItem,
  type PracticeWorld,
  type TrueRow,
} from './practice-worlds';
export { makeCounter } from './counter';
export { makeStringsPlayer, type StringsPlayer } from './strings-player';
export {
  makeDrillPlayer,
  playDrill,
  type DrillPlayer,
  type DrillSlip,
  type PlayedDrill,
} from './drill-player';
