/**
 * A score as it stands on a staff: spelled pitches, written an octave above what a guitar sounds, in bars with the
 * rests between. A note takes its own name where the score gives one, else that of the chord last named, else the
 * usual name of its pitch class. What it leaves out: beams, stems and layout, which belong to whoever draws it.
 */
import type { Instrument } from '../fretboard/instrument';
import { parseChord, type Chord } from '../theory/chord';
import { mod12, readNote, rootNamed, type NoteName } from '../theory/note';
import { pitchSpelled, writtenPitch, type Pitch } from '../theory/pitch';
import { soundingMidi, type Score, type ScoreEvent, type Slur } from './score';
import { TICKS_A_BEAT } from './ticks';

export interface StaffNote {
  /** Written pitch: an octave above what sounds. */
  readonly written: Pitch;
  /** Sounding MIDI pitch. */
  readonly midi: number;
}

export interface StaffEvent {
  readonly tick: number;
  readonly ticks: number;
  /** Lowest first; empty for a rest. */
  readonly notes: readonly StaffNote[];
  /** Struck on strings that do not ring: a chop or a mute. */
  readonly muffled?: true;
  readonly accented?: true;
  /** Sounds on from the event before. */
  readonly tied?: true;
  /** Come to from the event before without being struck anew. */
  readonly slurred?: Slur;
}

export interface StaffBar {
  readonly beats: number;
  /** Note value of a beat; 4 where left out. */
  readonly unit?: number;
  readonly events: readonly StaffEvent[];
}

function spelled(midi: number, name: string | undefined, chord: Chord | null): NoteName {
  const pitchClass = mod12(midi);
  const own = name === undefined ? null : (readNote(name)?.note ?? null);
  const note = own ?? chord?.tones.find((tone) => tone.pitchClass === pitchClass)?.note;
  return note ?? rootNamed(pitchClass);
}

/** How the notes are come to that are not struck; the first of them says it. */
function slurIn({ notes }: ScoreEvent): Pick<StaffEvent, 'slurred'> {
  const by = notes.find((note) => note.by)?.by;
  return by ? { slurred: by } : {};
}

/** Bars of the first part, without gaps: what is not played is a rest. */
export function staffBars(score: Score, instrument: Instrument): StaffBar[] {
  let chord: Chord | null = null;
  return (score.parts[0]?.bars ?? []).map((bar) => {
    const events: StaffEvent[] = [];
    let free = 0;
    for (const event of bar.events) {
      if (event.chord !== undefined) {
        const parsed = parseChord(event.chord);
        chord = parsed.ok ? parsed.value : null;
      }
      if (event.tick > free) events.push({ tick: free, ticks: event.tick - free, notes: [] });
      const now = chord;
      const notes = event.notes.map((note): StaffNote => {
        const midi = soundingMidi(note, instrument);
        return { written: writtenPitch(pitchSpelled(midi, spelled(midi, note.name, now))), midi };
      });
      notes.sort((a, b) => a.midi - b.midi);
      const { hand } = event;
      events.push({
        tick: event.tick,
        ticks: event.ticks,
        notes,
        ...(hand === 'chop' || hand === 'mute' ? { muffled: true } : {}),
        ...(hand === 'down accent' || hand === 'up accent' ? { accented: true } : {}),
        ...(event.notes.length > 0 && event.notes.every((note) => note.tied) ? { tied: true } : {}),
        ...slurIn(event),
      });
      free = event.tick + event.ticks;
    }
    const end = bar.beats * TICKS_A_BEAT;
    if (free < end) events.push({ tick: free, ticks: end - free, notes: [] });
    return { beats: bar.beats, ...(bar.unit === undefined ? {} : { unit: bar.unit }), events };
  });
}
