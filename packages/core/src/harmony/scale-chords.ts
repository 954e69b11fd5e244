/** The chords that live in a scale: on each of its notes every plain quality whose tones are all of the scale. */
import { makeChord, type Chord } from '../theory/chord';
import { pitchClassOf, type NoteName } from '../theory/note';
import type { Scale } from '../theory/scale';

const PLAIN = [
  'major',
  'minor',
  'diminished',
  'augmented',
  'major7',
  'dominant7',
  'minor7',
  'half-diminished',
  'diminished7',
  'minor-major7',
  'augmented-major7',
  'sixth',
  'minor6',
  'sus2',
  'sus4',
];

export interface ChordsOnNote {
  readonly root: NoteName;
  readonly chords: readonly Chord[];
}

export function chordsIn(scale: Scale): ChordsOnNote[] {
  const sounds = new Set(scale.notes.map(pitchClassOf));
  return scale.notes.map((root) => ({
    root,
    chords: PLAIN.map((quality) => makeChord(root, quality)).filter((chord) =>
      chord.tones.every((tone) => sounds.has(tone.pitchClass)),
    ),
  }));
}
