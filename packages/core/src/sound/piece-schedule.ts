/**
 * What sounds when in a piece: its bars in the order played, a count-in, the strokes or plucks of each section's
 * pattern on the grips of its chords, and the melody on top. Times are absolute seconds, so nothing adds up rounding.
 * A pattern goes round over the bars of a section; without one each chord is struck once and rings.
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import {
  playedBars,
  playedChords,
  SWING_AT,
  type Piece,
  type PlayedBar,
  type PlayedChord,
  type Pluck,
  type Stroke,
  type StrokePattern,
} from '../score/piece';
import { pluckedStrings, strummedStrings } from '../score/struck-strings';
import { TICKS_A_BEAT } from '../score/ticks';
import { midiOf } from '../theory/pitch';
import { STRUM_SPREAD_SECONDS, type PluckSound, type Sound } from './schedule';
import { PLAIN_LEVEL, SHORT_SECONDS, STRUCK } from './struck';

export interface PiecePlayback {
  /** By written chord; null where nothing is gripped. */
  readonly grips: readonly (Frets | null)[];
  /** With the piece's capo on it. */
  readonly instrument: Instrument;
  /** Indexes of the played bars to begin and to end with; all where left out. */
  readonly fromBar?: number;
  readonly toBar?: number;
  /** Times the written tempo, .2 to 2; the pitch stays. */
  readonly tempoShare?: number;
  /** Bars counted in first. Default 1. */
  readonly countInBars?: number;
  readonly melody?: boolean;
}

/** A bar as it sounds: when it begins, for whoever follows on the chart. */
export interface SoundingBar {
  readonly played: PlayedBar;
  readonly atSeconds: number;
}

export interface PieceSounds {
  readonly sounds: readonly Sound[];
  readonly bars: readonly SoundingBar[];
  readonly seconds: number;
}

/** A melody is heard over its chords. */
const MELODY_LEVEL = 0.95;

export function pieceSounds(piece: Piece, playback: PiecePlayback): PieceSounds {
  const all = playedBars(piece);
  const from = Math.max(0, playback.fromBar ?? 0);
  const to = Math.min(all.length - 1, playback.toBar ?? all.length - 1);
  const chosen = all.slice(from, to + 1);
  if (chosen.length === 0) return { sounds: [], bars: [], seconds: 0 };
  const share = Math.min(2, Math.max(0.2, playback.tempoShare ?? 1));
  const beatOf = (bar: PlayedBar) => 60 / (bar.tempoBpm * share);
  const sounds: Sound[] = [];
  let at = 0;
  for (let bar = 0; bar < (playback.countInBars ?? 1); bar++) {
    const { beats } = chosen[0].time;
    for (let beat = 0; beat < beats; beat++) {
      sounds.push({ kind: 'click', atSeconds: at, accent: beat === 0, beat: beat - beats });
      at += beatOf(chosen[0]);
    }
  }
  const bars: SoundingBar[] = [];
  for (const played of chosen) {
    bars.push({ played, atSeconds: at });
    for (let beat = 0; beat < played.time.beats; beat++)
      sounds.push({ kind: 'click', atSeconds: at + beat * beatOf(played), accent: beat === 0, beat });
    at += played.time.beats * beatOf(played);
  }
  const clock = tickClock(chosen, bars, beatOf, SWING_AT[piece.swing]);
  const end = endOf(chosen[chosen.length - 1]);
  const begin = chosen[0].startTick;
  const starts = roundStarts(all);
  // A chord that began before the loop is struck where the loop begins.
  for (const chord of playedChords(piece)) {
    const first = Math.max(begin, chord.startTick);
    const last = Math.min(end, chord.startTick + chord.ticks);
    if (last <= first) continue;
    const grip = playback.grips[chord.written] ?? null;
    const start = starts.get(chord.played.startTick) ?? 0;
    if (grip) sounds.push(...chordSounds(piece, chord, grip, first, last, start, clock, playback.instrument));
  }
  if (playback.melody !== false) sounds.push(...melodySounds(piece, chosen, clock, playback.instrument));
  sounds.sort((a, b) => a.atSeconds - b.atSeconds);
  return { sounds, bars, seconds: at };
}

/** Where the pattern of each played bar begins: with its round of the section. By the start of the bar. */
function roundStarts(all: readonly PlayedBar[]): Map<number, number> {
  const starts = new Map<number, number>();
  let start = 0;
  all.forEach((bar, i) => {
    const before = all[i - 1];
    if (!before || before.section !== bar.section || before.round !== bar.round || bar.bar <= before.bar)
      start = bar.startTick;
    starts.set(bar.startTick, start);
  });
  return starts;
}

const endOf = (bar: PlayedBar): number => bar.startTick + bar.time.beats * TICKS_A_BEAT;

/** Seconds of a tick of the whole piece, swung within its beat. */
type TickClock = (tick: number) => number;

function tickClock(
  chosen: readonly PlayedBar[],
  bars: readonly SoundingBar[],
  beatOf: (bar: PlayedBar) => number,
  swingAt: number,
): TickClock {
  return (tick) => {
    let i = chosen.findIndex((bar) => tick < endOf(bar));
    if (i < 0) i = chosen.length - 1;
    const into = tick - chosen[i].startTick;
    const whole = Math.floor(into / TICKS_A_BEAT);
    const part = into / TICKS_A_BEAT - whole;
    const swung = part < 0.5 ? part * 2 * swingAt : swingAt + (part - 0.5) * 2 * (1 - swingAt);
    return bars[i].atSeconds + (whole + swung) * beatOf(chosen[i]);
  };
}

interface Struck {
  readonly tick: number;
  readonly stroke: StrokePattern['strokes'][number];
}

/** The steps of the section's pattern that fall on a chord; one plain stroke where there is no pattern. */
function stepsOn(
  piece: Piece,
  chord: PlayedChord,
  first: number,
  last: number,
  sectionStart: number,
): Struck[] {
  const section = piece.sections[chord.played.section];
  const pattern = piece.patterns.find((one) => one.name === section.pattern);
  if (!pattern) return [{ tick: first, stroke: 'down' }];
  const steps: Struck[] = [];
  const stepTicks = TICKS_A_BEAT / pattern.perBeat;
  const firstStep = Math.ceil((first - sectionStart) / stepTicks);
  for (let step = firstStep; sectionStart + step * stepTicks < last; step++) {
    const size = pattern.strokes.length;
    const stroke = pattern.strokes[((step % size) + size) % size];
    steps.push({ tick: sectionStart + step * stepTicks, stroke });
  }
  // A new chord is always heard: where the pattern passes over it, it is struck plainly.
  if (!steps.some(({ stroke }) => stroke !== 'rest' && stroke !== 'tie'))
    steps.unshift({ tick: first, stroke: 'down' });
  return steps;
}

function chordSounds(
  piece: Piece,
  chord: PlayedChord,
  grip: Frets,
  first: number,
  last: number,
  sectionStart: number,
  clock: TickClock,
  instrument: Instrument,
): PluckSound[] {
  const sounding = grip.flatMap((fret, stringIndex) => (fret === null ? [] : [{ fret, stringIndex }]));
  const steps = stepsOn(piece, chord, first, last, sectionStart).filter(
    ({ stroke }) => stroke !== 'rest' && stroke !== 'tie',
  );
  const struck = steps.map(({ stroke }) => stringsOf(stroke, sounding));
  return steps.flatMap(({ tick, stroke }, i) => {
    if (stroke === 'stop' || stroke === 'rest' || stroke === 'tie') return [];
    const atSeconds = clock(tick);
    const plucked = typeof stroke !== 'string';
    const { level, touch } = plucked ? PLUCKED : STRUCK[stroke];
    return struck[i].map(({ fret, stringIndex }, order): PluckSound => {
      // A plucked string rings on under the others, until it is struck again or stopped.
      const ends = (j: number) =>
        j > i &&
        (!plucked || steps[j].stroke === 'stop' || struck[j].some((one) => one.stringIndex === stringIndex));
      const until = steps.find((_, j) => ends(j))?.tick ?? last;
      const seconds = Math.max(0.1, clock(until) - atSeconds);
      return {
        kind: 'pluck',
        atSeconds: atSeconds + (plucked ? 0 : order * STRUM_SPREAD_SECONDS),
        seconds: touch === 'ring' ? seconds : Math.min(seconds, SHORT_SECONDS),
        midiPitch: pitchAt(instrument, stringIndex, fret),
        stringIndex,
        fret,
        touch,
        level,
      };
    });
  });
}

const PLUCKED = { level: PLAIN_LEVEL, touch: 'ring' } as const;

function stringsOf<T>(stroke: Stroke | Pluck, sounding: readonly T[]): readonly T[] {
  if (stroke === 'stop' || stroke === 'rest' || stroke === 'tie') return [];
  return typeof stroke === 'string' ? strummedStrings(stroke, sounding) : pluckedStrings(stroke, sounding);
}

/** A note tied on, over a bar line too, is struck once and lasts through all it is tied to. */
function melodySounds(
  piece: Piece,
  bars: readonly PlayedBar[],
  clock: TickClock,
  instrument: Instrument,
): PluckSound[] {
  const thinnest = instrument.openPitches.length - 1;
  const sounds: PluckSound[] = [];
  let tied = false;
  for (const played of bars) {
    const notes = piece.sections[played.section].bars[played.bar].melody ?? [];
    if (notes.length === 0) tied = false;
    for (const note of notes) {
      const goesOn = tied;
      tied = note.tied === true;
      if (!note.pitch) continue;
      const midiPitch = midiOf(note.pitch);
      const open = goesOn && sounds[sounds.length - 1]?.midiPitch === midiPitch ? sounds.pop() : undefined;
      const from = played.startTick + note.tick;
      const atSeconds = open?.atSeconds ?? clock(from);
      sounds.push({
        kind: 'pluck',
        atSeconds,
        seconds: clock(from + note.ticks) - atSeconds,
        midiPitch,
        stringIndex: thinnest,
        fret: Math.max(0, midiPitch - pitchAt(instrument, thinnest, 0)),
        touch: 'ring',
        level: MELODY_LEVEL,
      });
    }
  }
  return sounds;
}
