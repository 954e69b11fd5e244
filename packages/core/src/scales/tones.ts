/** What is laid on a neck: the notes of a scale, or of a chord as an arpeggio, each with its degree; and one note in its place. */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { Chord } from '../theory/chord';
import type { Degree } from '../theory/degree';
import { mod12, pitchClassOf, type NoteName } from '../theory/note';

export interface Tones {
  readonly name: string;
  readonly tonic: NoteName;
  readonly degrees: readonly Degree[];
  /** One for each degree, rising within an octave. */
  readonly notes: readonly NoteName[];
}

/** The tones of a chord in the order of their sound, for an arpeggio; its bass, where it has another, is left out. */
export function arpeggioOf(chord: Chord): Tones {
  const root = pitchClassOf(chord.root);
  const above = (pitchClass: number) => mod12(pitchClass - root);
  const tones = [...chord.tones].sort((a, b) => above(a.pitchClass) - above(b.pitchClass));
  return {
    name: chord.symbol,
    tonic: chord.root,
    degrees: tones.map((tone) => tone.degree),
    notes: tones.map((tone) => tone.note),
  };
}

export interface Spot {
  /** 0 is the thickest string. */
  readonly stringIndex: number;
  /** Counted from the capo. */
  readonly fret: number;
}

export interface PlacedNote extends Spot {
  readonly note: NoteName;
  readonly degree: Degree;
  /** Sounding MIDI pitch. */
  readonly pitch: number;
}

export interface FingeredNote extends PlacedNote {
  /** 0 open, 1 index to 4 little. */
  readonly finger: number;
}

/** The highest fret there is above the capo. */
export const lastFret = ({ frets, capo }: Instrument): number => frets - capo;

/** The tone that sounds at a spot, or null. */
export function toneAt(tones: Tones, spot: Spot, instrument: Instrument): PlacedNote | null {
  const pitch = pitchAt(instrument, spot.stringIndex, spot.fret);
  const at = tones.notes.findIndex((note) => pitchClassOf(note) === mod12(pitch));
  return at < 0 ? null : { ...spot, note: tones.notes[at], degree: tones.degrees[at], pitch };
}

/** The tones on one string between two frets, both included. */
export function onString(
  tones: Tones,
  stringIndex: number,
  from: number,
  to: number,
  instrument: Instrument,
): PlacedNote[] {
  const first = Math.max(0, from);
  const last = Math.min(lastFret(instrument), to);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => first + i).flatMap(
    (fret) => toneAt(tones, { stringIndex, fret }, instrument) ?? [],
  );
}

/** Every place of every tone up to a fret, thickest string first. */
export const wholeNeck = (
  tones: Tones,
  instrument: Instrument,
  maxFret = lastFret(instrument),
): PlacedNote[] => instrument.openPitches.flatMap((_, s) => onString(tones, s, 0, maxFret, instrument));

/** A line in groups of so many notes, each group beginning a note above the one before: 1 2 3 4, 2 3 4 5 and so on. */
export const inGroups = <Note>(notes: readonly Note[], size: number): Note[][] =>
  Array.from({ length: Math.max(0, notes.length - size + 1) }, (_, i) => notes.slice(i, i + size));
