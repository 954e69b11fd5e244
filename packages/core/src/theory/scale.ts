/**
 * Scales and modes as degrees against the major scale of their tonic, from which spelling follows. Modes of the
 * major, harmonic minor and melodic minor scales are made by starting the parent on another of its notes, never
 * listed; names follow common usage.
 */
import { fail, ok, type Result } from '../kernel/result';
import { degreeSemitones, noteAtDegree, type Degree } from './degree';
import { mod12, noteText, readNote, type NoteName } from './note';

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
};

const ALIASES: Readonly<Record<string, string>> = {
  '': 'major',
  ionian: 'major',
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

/** Reads `D dorian`, `Bb`, `F# harmonic minor`. Problems: `scale.tonic`, `scale.kind` (detail: a kind near it). */
export function parseScale(text: string): Result<Scale> {
  const typed = text.trim().replaceAll('♭', 'b').replaceAll('♯', '#');
  const read = readNote(typed);
  if (!read) return fail('scale.tonic', 0, 'C major');
  const asked = typed.slice(read.length).trim().toLowerCase().replace(/\s+/g, ' ');
  const kind = ALIASES[asked] ?? asked;
  if (!DEGREES.has(kind)) {
    const near = scaleKinds.find((one) => one.startsWith(kind.slice(0, 3))) ?? 'major';
    return fail('scale.kind', read.length, `${noteText(read.note)} ${near}`);
  }
  return ok(scaleOn(read.note, kind));
}
