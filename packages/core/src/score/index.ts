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
export { tabColumns, tabText, type TabColumn } from './tab';
