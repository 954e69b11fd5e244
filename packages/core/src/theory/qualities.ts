/**
 * The chord qualities that have a name of their own: formula against the major scale of the root and the
 * canonical suffix. A table apart from the reader of symbols (`read-suffix.ts`), which also reads combinations
 * that stand in no table. Suffixes that begin with an accidental are bracketed, since "Cb5" is the power chord
 * of C flat.
 */
import type { Degree } from './degree';

export interface Quality {
  readonly id: string;
  /** ASCII suffix used in `chord.symbol`. */
  readonly suffix: string;
  readonly formula: readonly Degree[];
}

/** id, suffix (`=` where it is the id), formula. */
const ROWS: readonly string[] = [
  'major||1 3 5',
  'minor|m|1 b3 5',
  'augmented|aug|1 3 #5',
  'diminished|dim|1 b3 b5',
  'major-b5|(b5)|1 3 b5',
  'minor-#5|m#5|1 b3 #5',
  'power|5|1 5',
  'sus2|=|1 2 5',
  'sus4|=|1 4 5',
  'sus24|=|1 2 4 5',
  'sixth|6|1 3 5 6',
  'minor6|m6|1 b3 5 6',
  'six-nine|69|1 3 5 6 9',
  'minor-six-nine|m69|1 b3 5 6 9',
  'minor-b6|m(b6)|1 b3 5 b6',
  'add9|=|1 3 5 9',
  'minor-add9|madd9|1 b3 5 9',
  'add11|=|1 3 5 11',
  'minor-add11|madd11|1 b3 5 11',
  'add#11|=|1 3 5 #11',
  'addb9|=|1 3 5 b9',
  'dominant7|7|1 3 5 b7',
  'major7|maj7|1 3 5 7',
  'minor7|m7|1 b3 5 b7',
  'minor-major7|mMaj7|1 b3 5 7',
  'half-diminished|m7b5|1 b3 b5 b7',
  'diminished7|dim7|1 b3 b5 bb7',
  'diminished-major7|dimMaj7|1 b3 b5 7',
  'augmented7|aug7|1 3 #5 b7',
  'augmented-major7|augMaj7|1 3 #5 7',
  '7b5|=|1 3 b5 b7',
  'maj7b5|=|1 3 b5 7',
  'm7#5|=|1 b3 #5 b7',
  '7sus4|=|1 4 5 b7',
  '7sus2|=|1 2 5 b7',
  'maj7sus4|=|1 4 5 7',
  'maj7sus2|=|1 2 5 7',
  'dominant9|9|1 3 5 b7 9',
  'major9|maj9|1 3 5 7 9',
  'minor9|m9|1 b3 5 b7 9',
  'minor-major9|mMaj9|1 b3 5 7 9',
  'half-diminished9|m9b5|1 b3 b5 b7 9',
  '9sus4|=|1 4 5 b7 9',
  '9b5|=|1 3 b5 b7 9',
  'aug9|=|1 3 #5 b7 9',
  'augMaj9|=|1 3 #5 7 9',
  '7b9|=|1 3 5 b7 b9',
  '7#9|=|1 3 5 b7 #9',
  '7b5b9|=|1 3 b5 b7 b9',
  '7b5#9|=|1 3 b5 b7 #9',
  '7#5b9|=|1 3 #5 b7 b9',
  '7#5#9|=|1 3 #5 b7 #9',
  '7b9#9|=|1 3 5 b7 b9 #9',
  '7b9sus4|=|1 4 5 b7 b9',
  '7#11|=|1 3 5 b7 #11',
  'maj7#11|=|1 3 5 7 #11',
  '9#11|=|1 3 5 b7 9 #11',
  'maj9#11|=|1 3 5 7 9 #11',
  '7b9#11|=|1 3 5 b7 b9 #11',
  '7#9#11|=|1 3 5 b7 #9 #11',
  'eleventh|11|1 3 5 b7 9 11',
  'major11|maj11|1 3 5 7 9 11',
  'minor11|m11|1 b3 5 b7 9 11',
  'm7add11|=|1 b3 5 b7 11',
  '11b9|=|1 3 5 b7 b9 11',
  'thirteenth|13|1 3 5 b7 9 11 13',
  'major13|maj13|1 3 5 7 9 11 13',
  'minor13|m13|1 b3 5 b7 9 11 13',
  '13sus4|=|1 4 5 b7 9 13',
  '13#11|=|1 3 5 b7 9 #11 13',
  'maj13#11|=|1 3 5 7 9 #11 13',
  '13b9|=|1 3 5 b7 b9 11 13',
  '13#9|=|1 3 5 b7 #9 11 13',
  '7add13|=|1 3 5 b7 13',
  '7b13|=|1 3 5 b7 b13',
  '9b13|=|1 3 5 b7 9 b13',
  '7b9b13|=|1 3 5 b7 b9 b13',
  '7#9b13|=|1 3 5 b7 #9 b13',
];

export const QUALITIES: readonly Quality[] = ROWS.map((row) => {
  const [id, suffix, formula] = row.split('|');
  return { id, suffix: suffix === '=' ? id : suffix, formula: formula.split(' ') };
});

const BY_ID: ReadonlyMap<string, Quality> = new Map(QUALITIES.map((quality) => [quality.id, quality]));
const BY_FORMULA: ReadonlyMap<string, Quality> = new Map(
  QUALITIES.map((quality) => [quality.formula.join(' '), quality]),
);

export const namedQuality = (id: string): Quality | null => BY_ID.get(id) ?? null;

/** The quality with exactly this formula, in formula order, or null when it has no name of its own. */
export const qualityOfFormula = (formula: readonly Degree[]): Quality | null =>
  BY_FORMULA.get(formula.join(' ')) ?? null;
