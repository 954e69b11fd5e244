/**
 * Fingerings that players agree on: everyday grips with the fingering, or the two, that every teacher shows, whatever a hand
 * might find easier. The list is ours, written from common practice; a form that can be moved is the same everywhere.
 */
import usual from '../reference/usual-grips.json';
import { relativeKey, relativePattern, THUMB } from '../grips/fingerings';
import { parseFrets } from '../grips/grip';
import { must } from '../kernel/result';

/** Finger by string, four bits each, as `FingeringStructure.assigned` has it. */
const packed = (fingers: string): number =>
  [...fingers].reduce((all, label, s) => {
    const finger = label === 'T' ? THUMB : label === 'x' ? 0 : Number(label);
    return all | (finger << (s * 4));
  }, 0);

const TABLE = new Map<number, number[]>();
for (const { frets: text, fingers } of usual) {
  const frets = must(parseFrets(text));
  const pattern = new Int8Array(frets.length);
  relativePattern(frets, pattern);
  const key = relativeKey(pattern);
  TABLE.set(key, [...new Set([...(TABLE.get(key) ?? []), ...fingers.map(packed)])]);
}
const NONE: readonly number[] = [];

/** Fingerings of a relative pattern that custom has, by `assigned`, the first one shown first; empty where players differ. */
export const customOf = (pattern: Int8Array): readonly number[] => TABLE.get(relativeKey(pattern)) ?? NONE;
