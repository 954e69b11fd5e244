/**
 * Scales and modes as degrees against the major scale of their tonic, from which spelling follows. Modes of the
 * major, harmonic minor and melodic minor scales are made by starting the parent on another of its notes, never
 * listed; names follow common usage.
 */
import { degreeSemitones, noteAtDegree, type Degree } from './degree';
import { LETTERS, mod12, noteText, pitchClassOf, type NoteName } from './note';

export interface Scale {
  /** e.g. `D dorian`. */
  readonly name: string;
  readonly tonic: NoteName;
  readonly kind: string;
  readonly degrees: readonly Degree[];
  /** From the tonic up, one octave without the upper tonic. */
  readonly notes: readonly NoteName[];
}

interface Parent {
  readonly degrees: readonly Degree[];
  readonly modes: readonly string[];
}

const PARENTS: readonly Parent[] = [
  {
    degrees: '1 2 3 4 5 6 7'.split(' '),
    modes: ['major', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'minor', 'locrian'],
  },
  {
    degrees: '1 2 b3 4 5 b6 7'.split(' '),
    modes: [
      'harmonic minor',
      'locrian natural 6',
      'ionian #5',
      'dorian #4',
      'phrygian dominant',
      'lydian #2',
      'altered diminished',
    ],
  },
  {
    degrees: '1 2 b3 4 5 6 7'.split(' '),
    modes: [
      'melodic minor',
      'dorian b2',
      'lydian augmented',
      'lydian dominant',
      'mixolydian b6',
      'locrian natural 2',
      'altered',
    ],
  },
];

/** Scales that are no mode of those parents. */
const OTHERS: Readonly<Record<string, string>> = {
  'major pentatonic': '1 2 3 5 6',
  'minor pentatonic': '1 b3 4 5 b7',
  blues: '1 b3 4 b5 5 b7',
  'major blues': '1 2 b3 3 5 6',
  'diminished whole-half': '1 2 b3 4 b5 b6 6 7',
  'diminished half-whole': '1 b2 b3 3 #4 5 6 b7',
  'whole tone': '1 2 3 #4 #5 b7',
  'bebop dominant': '1 2 3 4 5 6 b7 7',
  'bebop major': '1 2 3 4 5 #5 6 7',
  'bebop minor': '1 2 b3 3 4 5 6 b7',
};

const ALIASES: Readonly<Record<string, string>> = {
  '': 'major',
  maj: 'major',
  ionian: 'major',
  m: 'minor',
  min: 'minor',
  aeolian: 'minor',
  'natural minor': 'minor',
  pentatonic: 'major pentatonic',
  'super locrian': 'altered',
  'minor blues': 'blues',
  diminished: 'diminished whole-half',
};

/** The degrees of a parent from its note `index` up, named against the major scale of that note. */
function modeDegrees(parent: Parent, index: number): Degree[] {
  const from = degreeSemitones(parent.degrees[index]);
  return parent.degrees.map((_, step) => {
    const semitones = mod12(degreeSemitones(parent.degrees[(index + step) % 7]) - from);
    const number = step + 1;
    const off = mod12(semitones - degreeSemitones(String(number)) + 6) - 6;
    return (off < 0 ? 'b'.repeat(-off) : '#'.repeat(off)) + number;
  });
}

const DEGREES: ReadonlyMap<string, readonly Degree[]> = new Map([
  ...PARENTS.flatMap((parent) =>
    parent.modes.map((mode, index) => [mode, modeDegrees(parent, index)] as const),
  ),
  ...Object.entries(OTHERS).map(([name, degrees]) => [name, degrees.split(' ')] as const),
]);

export const scaleKinds: readonly string[] = [...DEGREES.keys()];

/** The kind meant by a name, an abbreviation or nothing (major); null where there is none. */
export function kindNamed(name: string): string | null {
  // A capital M is major, a small one minor: the one place where case tells.
  if (name.trim() === 'M') return 'major';
  const asked = name.trim().toLowerCase().replace(/\s+/g, ' ');
  const kind = ALIASES[asked] ?? asked;
  return DEGREES.has(kind) ? kind : null;
}

export interface ParentScale {
  readonly tonic: NoteName;
  readonly kind: 'major' | 'harmonic minor' | 'melodic minor';
  /** Degree of the parent on which the mode stands, 1 to 7. */
  readonly degree: number;
  /** The parent's modes in order; the first is the parent by another name. */
  readonly modes: readonly string[];
}

/** The scale a mode is a mode of, spelled with the same seven notes; null for a kind that is no mode of those parents. */
export function parentOf(tonic: NoteName, kind: string): ParentScale | null {
  const parent = PARENTS.find((one) => one.modes.includes(kind));
  if (!parent) return null;
  const index = parent.modes.indexOf(kind);
  const letter = LETTERS[(LETTERS.indexOf(tonic.letter) + 7 - index) % 7];
  const pitchClass = mod12(pitchClassOf(tonic) - degreeSemitones(parent.degrees[index]));
  const natural = pitchClassOf({ letter, accidental: 0 });
  return {
    tonic: { letter, accidental: mod12(pitchClass - natural + 6) - 6 },
    kind: parent.modes[0] as ParentScale['kind'],
    degree: index + 1,
    modes: parent.modes,
  };
}

/** A scale on a tonic; RangeError for a kind that is not in `scaleKinds`. */
export function scaleOn(tonic: NoteName, kind: string): Scale {
  const degrees = DEGREES.get(kind);
  if (!degrees) throw new RangeError(`no such scale: ${kind}`);
  return {
    name: `${noteText(tonic)} ${kind}`,
    tonic,
    kind,
    degrees,
    notes: degrees.map((degree) => noteAtDegree(tonic, degree)),
  };
}
