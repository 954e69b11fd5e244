/** What is said of a rhythm that was listened to. */
import type { BarHeard } from '@finch/core/drills';

export const BAR_TEXT: Readonly<Record<BarHeard['how'], string>> = {
  'in time': 'in time',
  late: 'late',
  early: 'early',
  'left out': 'one left out',
  'one too many': 'one too many',
};

/** Below this nobody hears it. */
const HEARD_MS = 30;

/** How late or early all of it came, as the end of a sentence; nothing where it did not. */
export function lagText(lagSeconds: number): string {
  const ms = Math.round((lagSeconds * 1000) / 10) * 10;
  if (Math.abs(ms) < HEARD_MS) return '';
  return `, all of it ${Math.abs(ms)} ms ${ms > 0 ? 'late' : 'early'} and evenly so, which is not counted`;
}
