/** One hand alone, where the other one hurts: open strings struck, or grips shaped in the air and set down, nothing struck. */
import { gripsOf } from './make-drill';
import { strumReading, type Recipe } from './recipe';

export type OneHand = 'fretting' | 'striking';

const isOpen = (fret: number | null): boolean => fret === null || fret === 0;

/** The only hand a drill needs; null for one that needs both, or none. */
export function handAlone(recipe: Recipe): OneHand | null {
  if (recipe.family === 'change loop') return recipe.parameters.piece === 'air' ? 'fretting' : null;
  if (recipe.family !== 'strum reading' && recipe.family !== 'picking pattern') return null;
  return gripsOf(recipe).every(({ frets }) => frets.every(isOpen)) ? 'striking' : null;
}

/** Strokes on so many open strings, which are no chord. @param level 1 to 6 */
export const openStrokes = (strings: number, level: number): Recipe =>
  strumReading({
    grips: [{ chord: 'N.C.', frets: Array.from({ length: strings }, () => 0) }],
    beats: 4,
    level,
    bars: 8,
  });
