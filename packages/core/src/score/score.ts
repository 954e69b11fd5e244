/**
 * A score of a drill: parts of bars of events on strings and frets. Ticks (`ticks.ts`) count from 0 within a bar, of the
 * unit of that bar; an event holds its notes for `ticks`. Sounding pitch follows from the instrument; notation writes a guitar
 * an octave higher. Neck, tab and staff draw the first part; others are heard
 * with it. Repeats and words belong to pieces.
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { fail, ok, type Result } from '../kernel/result';
import type { FingerLabel, Frets } from '../grips/grip';
import type { Pluck, Stroke } from './piece';
import { beatsWords, TICKS_A_BEAT } from './ticks';

export interface ScoreNote {
  /** 0 is the thickest string. */
  readonly stringIndex: number;
  readonly fret: number;
  readonly finger: FingerLabel;
  /** Spelled name for the staff (`F#`), where it is not that of the event's chord. */
  readonly name?: string;
  /** Sounds on from the event before. */
  readonly tied?: true;
  /** Come to from the note before on its string, without being struck. */
  readonly by?: Slur;
  /** Half steps the string is bent up while it sounds. */
  readonly bent?: 1 | 2 | 3;
}

export type Slur = 'hammer' | 'pull' | 'slide' | 'bend';

/** The MIDI pitch a note sounds at. */
export const soundingMidi = (
  { stringIndex, fret, bent }: Pick<ScoreNote, 'stringIndex' | 'fret' | 'bent'>,
  instrument: Instrument,
): number => pitchAt(instrument, stringIndex, fret) + (bent ?? 0);

export interface ScoreEvent {
  readonly tick: number;
  readonly ticks: number;
  readonly notes: readonly ScoreNote[];
  readonly chord?: string;
  readonly stroke: 'strum' | 'pick';
  /** What the striking hand does: the stroke of a strum, the plucking fingers; a plain downstroke where left out. */
  readonly hand?: Struck | Pluck;
}

/** A stroke that makes a sound. */
export type Struck = Exclude<Stroke, 'rest' | 'tie' | 'stop'>;

export interface Bar {
  readonly beats: number;
  /** Note value of a beat: 2, 4, 8 or 16; 4 where left out. */
  readonly unit?: number;
  readonly events: readonly ScoreEvent[];
}

export interface Score {
  readonly schemaVersion: 1;
  readonly strings: number;
  readonly tempoBpm: number;
  readonly countInBeats: number;
  /** Where the second half of a beat falls, as a share of it; .5 where left out. */
  readonly swingAt?: number;
  readonly parts: readonly { readonly name: string; readonly bars: readonly Bar[] }[];
}

/** A moment on the neck: which frets and fingers are down from `startTick` (whole score) on. */
export interface NeckFrame {
  readonly startTick: number;
  readonly ticks: number;
  readonly frets: Frets;
  readonly fingers: readonly FingerLabel[];
  readonly chord: string | null;
}

/** Checks that events lie inside their bars, in order, without overlap. Problems name part, bar and event. */
export function checkScore(score: Score): Result<Score> {
  for (const part of score.parts) {
    for (const [b, bar] of part.bars.entries()) {
      let free = 0;
      for (const [e, event] of bar.events.entries()) {
        const at = `${part.name}, bar ${b + 1}, event ${e + 1}`;
        if (!Number.isInteger(event.tick) || !Number.isInteger(event.ticks))
          return fail('score.ticks', at, 'whole ticks');
        if (!(event.ticks > 0)) return fail('score.length', at, 'a length above 0');
        if (event.tick < free)
          return fail('score.overlap', at, `a start ${beatsWords(free)} beats into the bar or later`);
        if (event.tick + event.ticks > bar.beats * TICKS_A_BEAT)
          return fail('score.bar', at, `an end within ${bar.beats} beats`);
        free = event.tick + event.ticks;
      }
    }
  }
  return ok(score);
}

/** The grip as notes of one event. */
export function gripNotes(frets: Frets, fingers: readonly FingerLabel[]): ScoreNote[] {
  return frets.flatMap((fret, stringIndex) =>
    fret === null ? [] : [{ stringIndex, fret, finger: fingers[stringIndex] }],
  );
}

/** Neck frames of the first part, one per event, in time order. */
export function neckFrames(score: Score): NeckFrame[] {
  const frames: NeckFrame[] = [];
  let barStart = 0;
  for (const bar of score.parts[0]?.bars ?? []) {
    for (const event of bar.events) {
      const frets: (number | null)[] = new Array(score.strings).fill(null);
      const fingers: FingerLabel[] = new Array(score.strings).fill(null);
      for (const note of event.notes) {
        frets[note.stringIndex] = note.fret;
        fingers[note.stringIndex] = note.finger;
      }
      frames.push({
        startTick: barStart + event.tick,
        ticks: event.ticks,
        frets,
        fingers,
        chord: event.chord ?? null,
      });
    }
    barStart += bar.beats * TICKS_A_BEAT;
  }
  return frames;
}

/** Beats of the whole first part. */
export function scoreBeats(score: Score): number {
  return (score.parts[0]?.bars ?? []).reduce((sum, bar) => sum + bar.beats, 0);
}
