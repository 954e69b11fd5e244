/**
 * The chord qualities of this version: formula against the major scale of the root, canonical suffix and the
 * spellings people type. A table apart from the parser, so that later steps add rows, not code.
 */
import type { Degree } from './degree';

export interface Quality {
  readonly id: string;
  /** ASCII suffix used in `chord.symbol`. */
  readonly suffix: string;
  readonly formula: readonly Degree[];
  /** Other suffixes read as this quality; compared exactly, after signs became ASCII. */
  readonly spellings: readonly string[];
}

export const QUALITIES: readonly Quality[] = [
  { id: 'major', suffix: '', formula: ['1', '3', '5'], spellings: ['M', 'maj', 'major'] },
  { id: 'minor', suffix: 'm', formula: ['1', 'b3', '5'], spellings: ['min', '-', 'mi', 'minor'] },
  { id: 'dominant7', suffix: '7', formula: ['1', '3', '5', 'b7'], spellings: ['dom7'] },
  {
    id: 'major7',
    suffix: 'maj7',
    formula: ['1', '3', '5', '7'],
    spellings: ['M7', 'ma7', 'Maj7', 'Δ', 'Δ7', 'j7'],
  },
  { id: 'minor7', suffix: 'm7', formula: ['1', 'b3', '5', 'b7'], spellings: ['min7', '-7', 'mi7'] },
  {
    id: 'half-diminished',
    suffix: 'm7b5',
    formula: ['1', 'b3', 'b5', 'b7'],
    spellings: ['ø', 'ø7', '-7b5', 'min7b5', 'm7(b5)', 'mi7b5'],
  },
  { id: 'diminished', suffix: 'dim', formula: ['1', 'b3', 'b5'], spellings: ['o', '°', 'mb5', 'm(b5)'] },
  { id: 'augmented', suffix: 'aug', formula: ['1', '3', '#5'], spellings: ['+', '#5', '(#5)'] },
  { id: 'sus2', suffix: 'sus2', formula: ['1', '2', '5'], spellings: ['2'] },
  { id: 'sus4', suffix: 'sus4', formula: ['1', '4', '5'], spellings: ['sus', '4'] },
  { id: 'sixth', suffix: '6', formula: ['1', '3', '5', '6'], spellings: ['M6', 'maj6'] },
  { id: 'minor6', suffix: 'm6', formula: ['1', 'b3', '5', '6'], spellings: ['min6', '-6', 'mi6'] },
  { id: 'add9', suffix: 'add9', formula: ['1', '3', '5', '9'], spellings: ['(add9)', 'add2'] },
  { id: 'dominant9', suffix: '9', formula: ['1', '3', '5', 'b7', '9'], spellings: ['dom9', '7(9)'] },
];
