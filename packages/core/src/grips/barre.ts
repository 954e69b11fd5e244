/** What a fingering looks like from outside: a label per string and the barres it contains. */
import type { FingerLabel, Frets } from './grip';
import { nibble, THUMB, type FingeringStructure } from './fingerings';

export interface Barre {
  readonly finger: 1 | 2 | 3 | 4;
  readonly fret: number;
  /** String indices, thickest first; both ends pressed. */
  readonly fromIndex: number;
  readonly toIndex: number;
  /** Indices that the barre itself must press; others inside are stopped higher. */
  readonly presses: readonly number[];
}

export function fingerLabels(frets: Frets, structure: FingeringStructure): FingerLabel[] {
  return frets.map((fret, s) => {
    if (fret === null) return null;
    if (fret === 0) return 0;
    const finger = nibble(structure.assigned, s);
    return finger === THUMB ? 'T' : (finger as 1 | 2 | 3 | 4);
  });
}

/** Barres of labelled fingers, index first. Runs for every grip of a search, hence the plain loops. */
export function barresOf(frets: Frets, fingers: readonly FingerLabel[]): Barre[] {
  const barres: Barre[] = [];
  for (const finger of [1, 2, 3, 4] as const) {
    const from = fingers.indexOf(finger);
    const to = fingers.lastIndexOf(finger);
    if (from === to) continue;
    const presses: number[] = [];
    for (let s = from; s <= to; s++) if (fingers[s] === finger) presses.push(s);
    barres.push({ finger, fret: frets[from] ?? 0, fromIndex: from, toIndex: to, presses });
  }
  return barres;
}

const stringsUnder = (barre: Barre): number => barre.toIndex - barre.fromIndex;

/** The barre over most strings, the first of equals; null for none. */
export function widestBarre(barres: readonly Barre[]): Barre | null {
  let best: Barre | null = null;
  for (const barre of barres) if (!best || stringsUnder(barre) > stringsUnder(best)) best = barre;
  return best;
}

/**
 * Whether a barre counts against a hand's barre minutes: the index over four strings and more, or another
 * finger over three and more (our assumption; two- and three-string index barres are light enough to leave out).
 */
export function isFullBarre(barre: Barre): boolean {
  return barre.toIndex - barre.fromIndex + 1 >= (barre.finger === 1 ? 4 : 3);
}
