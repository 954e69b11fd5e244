/**
 * What a teacher's own mark on a grip or a change hangs on: the frets and the tuning, since the same frets in
 * another tuning are another grip. Texts, so that they can be stored and looked up.
 */
import { fretsText, type Frets } from './grip';

/** `40-45-50-55-59-64 x32010`: open pitches as MIDI, thickest first, then the grip. */
export const gripMark = (frets: Frets, openPitches: readonly number[]): string =>
  `${openPitches.join('-')} ${fretsText(frets)}`;

/** Both ends of a change on one instrument; there and back are two changes. */
export const changeMark = (from: Frets, to: Frets, openPitches: readonly number[]): string =>
  `${gripMark(from, openPitches)} > ${fretsText(to)}`;
