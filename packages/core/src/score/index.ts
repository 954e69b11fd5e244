export {
  checkScore,
  gripNotes,
  neckFrames,
  scoreBeats,
  type Bar,
  type NeckFrame,
  type Score,
  type ScoreEvent,
  type ScoreNote,
} from './score';
export { staffBars, type StaffBar, type StaffEvent, type StaffNote } from './staff';
export { tabColumns, tabText, type TabColumn } from './tab';
