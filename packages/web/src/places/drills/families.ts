/** The families a drill can be made of, in the order in which people learn, and the recipe each one begins with. */
import {
  bassWalk,
  changeLoop,
  closeTriads,
  familyLadder,
  fiveForms,
  formula,
  noteReading,
  pickingPattern,
  pieceSection,
  ringCheck,
  ROOT_ANSWERS,
  rootCall,
  stringWalk,
  strumReading,
  warmUp,
  type DrillFamily,
  type NamedGrip,
  type Recipe,
} from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import { ONE_NOTE_TARGETS } from '@finch/core/shapes';
import { noteAtDegree, noteText, parseChord, pitchClassOf, readNote, rootNamed } from '@finch/core/theory';

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
    {
      name: 'Move between',
      families: [
        { family: 'change loop', trains: 'changes a minute, then tempo' },
        { family: 'bass walk', trains: 'the lowest note steps to the next chord' },
      ],
    },
    {
      name: 'The striking hand',
      families: [
        { family: 'strum reading', trains: 'strokes, rests, accents, chops as written' },
        { family: 'picking pattern', trains: 'fingers or plectrum over held grips' },
      ],
    },
    {
      name: 'In a piece',
      families: [{ family: 'piece section', trains: 'bars of a piece, looped and slowed' }],
    },
  ];

/** What the bench already knows when a family is opened. */
export interface StartingPoint {
  readonly grip: NamedGrip;
  /** The grip a loop comes from; null makes a loop with a usual neighbour. */
  readonly from: NamedGrip | null;
  /** Grips of the drill before, two to four, which a family that plays several takes on. */
  readonly grips?: readonly NamedGrip[];
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

/** The grip played beside the one in hand: the one it comes from, or a usual neighbour that is another. */
const besideOf = (grip: NamedGrip, from: NamedGrip | null): NamedGrip =>
  from ?? (grip.frets.join() === A_MINOR.frets.join() ? E_MINOR : A_MINOR);

/** Grips a recipe plays, where it names several: what the next family is opened around. */
export function gripsHeld(recipe: Recipe): readonly NamedGrip[] {
  switch (recipe.family) {
    case 'change loop':
    case 'strum reading':
    case 'picking pattern':
      return recipe.parameters.grips;
    default:
      return [];
  }
}

/** The note a minor third away, by the letter two steps on. */
function third(root: string, halfSteps: 3 | -3): string {
  const read = readNote(root);
  if (!read) return 'A';
  const degree = halfSteps > 0 ? 'b3' : '6';
  const note = noteAtDegree(read.note, degree);
  return Math.abs(note.accidental) > 1 ? noteText(rootNamed(pitchClassOf(note))) : noteText(note);
}

/** A sensible first recipe of a family around what is in hand. */
export function firstRecipe(family: DrillFamily, { grip, from, grips, instrument }: StartingPoint): Recipe {
  const several = grips && grips.length >= 2 ? grips : [besideOf(grip, from), grip];
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
    case 'change loop':
      return changeLoop({ grips: several, beatsEach: 4 });
    case 'bass walk': {
      // Down to the chord a third below, the commonest walk there is: C to Am, G to Em; up a third from a minor one.
      const chord = parseChord(grip.chord);
      const minor = chord.ok && chord.value.tones.some((tone) => tone.degree === 'b3');
      const relative = third(root, minor ? 3 : -3);
      const key = minor ? relative : root;
      return bassWalk({
        from: minor ? `${root}m` : root,
        to: minor ? relative : `${relative}m`,
        key: `${key} major`,
        way: minor ? 'up' : 'down',
        by: 'scale',
        back: true,
        beatsEach: 4,
      });
    }
    case 'strum reading':
      return strumReading({ grips: several, beats: 4, level: 2, bars: 8 });
    case 'picking pattern':
      return pickingPattern({
        grips: grips && grips.length >= 2 ? grips : [grip],
        pattern: 'p i m a',
        perBeat: 2,
        beats: 4,
        barsEach: 1,
        bass: 'root',
        striker: 'fingers',
      });
    case 'piece section': {
      // Until bars of a piece are chosen: two grips as a piece of two bars.
      const other = besideOf(grip, from);
      return pieceSection({
        pieceId: 'none',
        title: 'Two bars of what is held',
        fromBar: 1,
        toBar: 2,
        chart: `key: ${root}\ntempo: 80\nstrum plain 2: D - d u\n\n[A] plain\n| ${other.chord} | ${grip.chord} |\n`,
        grips: [other.frets, grip.frets],
        part: 'as written',
      });
    }
  }
}
