/** The families a drill can be made of, in the order in which people learn, and the recipe each one begins with. */
import {
  changeLoop,
  closeTriads,
  familyLadder,
  fiveForms,
  formula,
  noteReading,
  ringCheck,
  ROOT_ANSWERS,
  rootCall,
  stringWalk,
  warmUp,
  type DrillFamily,
  type NamedGrip,
  type Recipe,
} from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import { ONE_NOTE_TARGETS } from '@finch/core/shapes';
import { noteText, parseChord } from '@finch/core/theory';

export interface FamilyEntry {
  readonly family: DrillFamily;
  readonly trains: string;
}

export const FAMILY_GROUPS: readonly { readonly name: string; readonly families: readonly FamilyEntry[] }[] =
  [
    {
      name: 'Warm and find',
      families: [
        { family: 'warm up', trains: 'three easy minutes for a cold hand' },
        { family: 'string walk', trains: 'the notes along one string' },
        { family: 'note reading', trains: 'from the staff to the neck' },
        { family: 'root call', trains: 'where a root lies, and its grip' },
      ],
    },
    {
      name: 'One hand, one grip',
      families: [
        { family: 'formula', trains: 'which note moves, and where to' },
        { family: 'ring check', trains: 'every string answers' },
        { family: 'family ladder', trains: 'one root through its family, a move a rung' },
      ],
    },
    {
      name: 'Along the neck',
      families: [
        { family: 'five forms', trains: 'one chord from its lowest form up' },
        { family: 'close triads', trains: 'inversions on three strings' },
      ],
    },
    { name: 'Move between', families: [{ family: 'change loop', trains: 'changes a minute, then tempo' }] },
  ];

/** What the bench already knows when a family is opened. */
export interface StartingPoint {
  readonly grip: NamedGrip;
  /** The grip a loop comes from; null makes a loop with a usual neighbour. */
  readonly from: NamedGrip | null;
  readonly instrument: Instrument;
}

const rootOf = (symbol: string): string => {
  const chord = parseChord(symbol);
  return chord.ok ? noteText(chord.value.root) : 'C';
};
const qualityOf = (symbol: string): string => {
  const chord = parseChord(symbol);
  return chord.ok ? chord.value.quality : 'major';
};
const A_MINOR: NamedGrip = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const E_MINOR: NamedGrip = { chord: 'Em', frets: [0, 2, 2, 0, 0, 0] };

/** A sensible first recipe of a family around what is in hand. */
export function firstRecipe(family: DrillFamily, { grip, from, instrument }: StartingPoint): Recipe {
  const root = rootOf(grip.chord);
  const strings = instrument.openPitches.length;
  switch (family) {
    case 'warm up':
      return warmUp(3);
    case 'string walk':
      return stringWalk({
        string: Math.min(6, strings),
        key: 'C major',
        maxFret: Math.min(12, instrument.frets - instrument.capo),
        calls: 12,
        secondsPerCall: 5,
      });
    case 'note reading':
      return noteReading({ position: 0, strings, key: `${root} major`, count: 16, secondsPerNote: 6 });
    case 'root call':
      return rootCall({
        rootString: 6,
        answer: 'major',
        count: 24,
        secondsPerCall: 6,
        maxFret: 12,
        grid: { rootStrings: [6, 5], answers: ROOT_ANSWERS.slice(1), weak: [] },
      });
    case 'formula':
      return formula({ grip, targets: ONE_NOTE_TARGETS, secondsPerCall: 8 });
    case 'ring check':
      return ringCheck(grip);
    case 'family ladder':
      return familyLadder({ root, form: 'A', beatsEach: 4 });
    case 'five forms':
      return fiveForms({
        root,
        quality:
          ['major', 'minor', 'dominant7', 'major7', 'minor7'].find((one) => one === qualityOf(grip.chord)) ??
          'major',
        order: 'up and down',
        barsEach: 1,
        keys: 1,
        next: 'fourths',
        allowOpen: false,
      });
    case 'close triads':
      return closeTriads({
        root,
        strings: [3, 2, 1],
        qualities: ['major', 'minor'],
        progression: { key: `${root} major`, numerals: ['I', 'vi', 'IV', 'V'] },
        beatsEach: 4,
      });
    case 'change loop': {
      const other = from ?? (grip.frets.join() === A_MINOR.frets.join() ? E_MINOR : A_MINOR);
      return changeLoop({ grips: [other, grip], beatsEach: 4 });
    }
  }
}
