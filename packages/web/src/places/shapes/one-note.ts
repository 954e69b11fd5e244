/** Which of the changes is looked at, and whether the hand can take it as it moved. */
import type { OneNoteChange } from '@finch/core/shapes';

const TAKEN: readonly string[] = ['move.plays', 'move.weak', 'move.no-root'];

/** Whether the grip after the literal move can be played, though it may be weak. */
export const takesIt = (change: OneNoteChange): boolean => TAKEN.includes(change.verdict.code);

/** The change to the quality asked for; without one, or from a grip that is of it already, the first that plays. */
export const pickedChange = (changes: readonly OneNoteChange[], quality: string): OneNoteChange | null =>
  changes.find((one) => one.chord.quality === quality) ??
  changes.find((one) => one.verdict.code === 'move.plays') ??
  changes[0] ??
  null;
