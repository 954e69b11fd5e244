/** What a scale in the shape may be given. */
import { note, oneOf, optional, tempo, text, whole } from '../../parameters';

/** In the order in which they are learnt. */
export const KINDS = [
  'minor pentatonic',
  'major pentatonic',
  'blues',
  'major',
  'mixolydian',
  'dorian',
  'minor',
  'lydian',
  'phrygian',
  'harmonic minor',
  'phrygian dominant',
  'melodic minor',
  'lydian dominant',
  'altered',
  'bebop dominant',
  'bebop major',
  'whole tone',
  'diminished half-whole',
  'locrian',
] as const;

export const PLACES = [
  'form',
  'box',
  'position',
  'three a string',
  'one string',
  'two joined',
  'whole neck',
] as const;

export const FIGURES = [
  'straight',
  'groups of 4',
  'groups of 3',
  'thirds',
  'sixths',
  'targets',
  'phrase',
  '7 or b7',
  'parallel modes',
  'relative modes',
] as const;

export const parameters = {
  tonic: note,
  kind: oneOf(KINDS),
  place: oneOf(PLACES),
  /** Which form, box, position, degree or string. */
  at: whole(1, 12),
  figure: oneOf(FIGURES),
  /** Chords the line aims at, a bar each; left out, those of a plain cadence. */
  over: optional(text('one to eight chords, like Dm7 G7 Cmaj7', 0, 80)),
  perBeat: whole(1, 4),
  tempoBpm: tempo,
};
