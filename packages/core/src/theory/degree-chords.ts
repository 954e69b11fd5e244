/**
 * The seven chords on the degrees of a key, stacked from its scale in thirds, never listed: each with its number, its job,
 * the mode over it, and the tensions that mode has, with care where one lies a half step (or its octave) above a chord
 * tone. On a dominant b9, #9, #11 and b13 are colours and need none. On degree 2 the 13 needs care where with the third it
 * is the tritone of V7, which the chord is there to prepare; in natural minor nothing is said of it, since its v has none.
 */
import { degreeParts, degreeSemitones, noteAtDegree, type Degree } from './degree';
import { makeChord, type Chord } from './chord';
import { figureOf, triadOf, type FigureSchool } from './figure';
import type { Key } from './key';
import { mod12, noteText, pitchClassOf, type NoteName } from './note';
import { qualityOfFormula } from './qualities';
import { parentOf } from './scale';

export interface Tension {
  readonly degree: Degree;
  readonly note: NoteName;
  /** Use it knowingly. */
  readonly care?: true;
  /** The chord tone it rubs against, and how. */
  readonly against?: {
    readonly degree: Degree;
    readonly note: NoteName;
    readonly as: 'half step' | 'tritone of V7';
  };
}

export type Job = 'tonic' | 'subdominant' | 'dominant';

export interface DegreeChord {
  /** 1 to 7. */
  readonly degree: number;
  /** Of the triad: upper case major, lower case minor, `o` diminished, `+` augmented. */
  readonly numeral: string;
  /** Of the chord as it stands. */
  readonly figure: string;
  readonly chord: Chord;
  readonly mode: string;
  readonly job: Job;
  readonly tensions: readonly Tension[];
  /** Colours of a dominant from outside its mode; with b13 the 5 is left out. */
  readonly colours: readonly Tension[];
}

/** By degree of a key (common practice): 3 and 6 stand for 1, 2 for 4, 7 for 5. */
const JOBS: readonly Job[] = [
  'tonic', 'subdominant', 'tonic', 'subdominant', 'dominant', 'tonic', 'dominant',
]; // prettier-ignore
/** In minor the sixth degree leads on to V as 4 does. */
const jobOf = (key: Key, index: number): Job =>
  key.mode === 'minor' && index === 5 ? 'subdominant' : JOBS[index];

const DOMINANT_COLOURS: readonly Degree[] = ['b9', '#9', '#11', 'b13'];
const MODE_NAMES: Readonly<Record<string, string>> = { major: 'ionian', minor: 'aeolian' };
const isDominant = (formula: readonly Degree[]): boolean => formula.includes('3') && formula.includes('b7');

/** The seven chords of a key in order; with `sevenths` four-note chords. */
export function degreeChords(
  key: Key,
  options: { readonly sevenths?: boolean; readonly school?: FigureSchool } = {},
): DegreeChord[] {
  const parent = parentOf(key.tonic, key.kind);
  if (!parent) throw new RangeError(`no seven degrees in ${key.name}`);
  return key.scale.map((root, index): DegreeChord => {
    const stacked = [0, 2, 4, 6, 8, 10, 12].map((step) => stackedDegree(key, index, step));
    const chord = chordOf(root, stacked.slice(0, options.sevenths ? 4 : 3));
    const mode = parent.modes[(parent.degree - 1 + index) % 7];
    const seventh = stacked.slice(0, 4);
    return {
      degree: index + 1,
      numeral: figureOf(triadOf(chord), key, options.school),
      figure: figureOf(chord, key, options.school),
      chord,
      mode: MODE_NAMES[mode] ?? mode,
      job: jobOf(key, index),
      tensions: stacked
        .slice(4)
        .map((degree) => tension(degree, seventh, root, preparesV7(key, index, stacked))),
      colours: isDominant(seventh)
        ? DOMINANT_COLOURS.filter((degree) => !stacked.includes(degree)).map((degree) => ({
            degree,
            note: noteAtDegree(root, degree),
          }))
        : [],
    };
  });
}

function chordOf(root: NoteName, formula: readonly Degree[]): Chord {
  const quality = qualityOfFormula(formula);
  if (!quality) throw new RangeError(`no quality for ${noteText(root)} ${formula.join(' ')}`);
  return makeChord(root, quality.id);
}

/** The scale note so many steps above a degree, named against the major scale of that degree's note. */
function stackedDegree(key: Key, index: number, step: number): Degree {
  const number = step + 1;
  const semitones = mod12(pitchClassOf(key.scale[(index + step) % 7]) - pitchClassOf(key.scale[index]));
  const off = mod12(semitones - degreeSemitones(String(number)) + 6) - 6;
  return (off < 0 ? 'b'.repeat(-off) : '#'.repeat(off)) + number;
}

/** Whether degree 2's third and 13 are the 7 and 3 of the key's own V7: of major and the minors with a leading tone. */
const preparesV7 = (key: Key, index: number, stacked: readonly Degree[]): boolean =>
  index === 1 &&
  ['major', 'harmonic minor', 'melodic minor'].includes(key.kind) &&
  stacked[1] === 'b3' &&
  stacked[6] === '13';

function tension(degree: Degree, chord: readonly Degree[], root: NoteName, prepares: boolean): Tension {
  const note = noteAtDegree(root, degree);
  const rubbed = (of: Degree, as: 'half step' | 'tritone of V7') => ({
    degree,
    note,
    care: true as const,
    against: { degree: of, note: noteAtDegree(root, of), as },
  });
  if (isDominant(chord) && DOMINANT_COLOURS.includes(degree)) return { degree, note };
  const below = chord.find((tone) => mod12(degreeSemitones(degree) - degreeSemitones(tone)) === 1);
  if (below) return rubbed(below, 'half step');
  if (prepares && degreeParts(degree).number === 13) return rubbed('b3', 'tritone of V7');
  return { degree, note };
}
