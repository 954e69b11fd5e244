/**
 * Triads over a root: what each of its notes is there, which two triads stacked make a seventh chord, and which two side by
 * side make six notes of a sound. Which pairs stand for which sound is common practice; degrees follow from spelling.
 */
import { makeChord, type Chord } from '../theory/chord';
import { noteAtDegree, type Degree } from '../theory/degree';
import { degreeOver } from '../theory/figure';
import { nameNotes } from '../shapes/name-grip';
import { mod12, noteText, pitchClassOf, type NoteName } from '../theory/note';
import { asTension } from './clash';
import { sharedNotes } from './swaps';

export interface OverRoot {
  readonly note: NoteName;
  readonly degree: Degree;
}

/** What notes are over a root, 2 4 6 as 9 11 13; where a major third sounds there too, a b3 is a #9. */
export const overRoot = (notes: readonly NoteName[], root: NoteName, overMajor = false): OverRoot[] =>
  notes.map((note) => ({ note, degree: asTension(degreeOver(root, note), overMajor) }));

export interface HeardOver {
  readonly root: NoteName;
  readonly notes: readonly OverRoot[];
  /** What the whole is called with that root lowest; null where no chord of ours has these notes. */
  readonly name: Chord | null;
}

/** A grip, a triad or any set of notes over a root or a drone: its degrees there, and its name. */
export const heardOver = (notes: readonly NoteName[], root: NoteName): HeardOver => {
  const major = notes.some((note) => mod12(pitchClassOf(note) - pitchClassOf(root)) === 4);
  const names = nameNotes([root, ...notes]).map(({ chord }) => chord);
  // Over a drone the ear counts from the drone: a name on it goes before a likelier one on another root.
  const own = names.find((chord) => pitchClassOf(chord.root) === pitchClassOf(root));
  const name = own ? makeChord(root, own.quality) : (names[0] ?? null);
  return { root, notes: overRoot(notes, root, major), name };
};

export interface TriadPair {
  /** What they sound as together. */
  readonly sound: string;
  readonly lower: Chord;
  readonly upper: Chord;
  readonly shared: readonly NoteName[];
  /** Degrees of the upper one over the root. */
  readonly over: readonly OverRoot[];
}

type Recipe = readonly [sound: string, lower: readonly [Degree, string], upper: readonly [Degree, string]];

const STACKED: readonly Recipe[] = [
  ['maj7', ['1', 'major'], ['3', 'minor']],
  ['7', ['1', 'major'], ['3', 'diminished']],
  ['m7', ['1', 'minor'], ['b3', 'major']],
  ['m7b5', ['1', 'diminished'], ['b3', 'minor']],
  ['mMaj7', ['1', 'minor'], ['b3', 'augmented']],
  ['maj7#5', ['1', 'augmented'], ['3', 'major']],
  ['9', ['3', 'diminished'], ['5', 'minor']],
];

/** Side by side, a step apart, no note shared: over the root they colour. */
const SIDE: readonly Recipe[] = [
  ['m7', ['b3', 'major'], ['4', 'major']],
  ['maj7', ['1', 'major'], ['2', 'major']],
  ['7', ['1', 'major'], ['2', 'major']],
  ['7sus4', ['b7', 'major'], ['1', 'major']],
  ['7alt', ['b5', 'major'], ['b6', 'major']],
];

const pairsOf = (root: NoteName, recipes: readonly Recipe[]): TriadPair[] =>
  recipes.map(([sound, [low, lowQuality], [high, highQuality]]) => {
    const lower = makeChord(noteAtDegree(root, low), lowQuality);
    const upper = makeChord(noteAtDegree(root, high), highQuality);
    return {
      sound: noteText(root) + sound,
      lower,
      upper,
      shared: sharedNotes(lower, upper),
      over: overRoot(
        upper.tones.map((tone) => tone.note),
        root,
        sound === '7alt',
      ),
    };
  });

export const stackedPairs = (root: NoteName): TriadPair[] => pairsOf(root, STACKED);
export const sidePairs = (root: NoteName): TriadPair[] => pairsOf(root, SIDE);
