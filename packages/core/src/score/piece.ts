/**
 * A piece as data: sections of bars with chords on beats, in the order they are played, with what a player needs
 * beside them (key, time, tempo, swing, capo, strokes, melody, words, parts). A beat is the time signature's own unit;
 * places and lengths are whole ticks of it (`ticks.ts`).
 * It says what is written, not how it is gripped; grips are found by a path, or locked by a teacher.
 */
import { fail, type Result } from '../kernel/result';
import { makeKey, type Key } from '../theory/key';
import type { Pitch } from '../theory/pitch';
import { TICKS_A_BEAT } from './ticks';

export interface TimeSignature {
  readonly beats: number;
  /** 2, 4, 8 or 16. */
  readonly unit: number;
}

export interface ChordOnBeat {
  /** From the start of the bar. */
  readonly tick: number;
  /** Canonical symbol, or `N.C.`. */
  readonly chord: string;
}

export interface MelodyNote {
  readonly tick: number;
  readonly ticks: number;
  /** Sounding pitch; null for a rest. */
  readonly pitch: Pitch | null;
  /** Sounds on into the next note of the same pitch. */
  readonly tied?: true;
  /** What is sung on it; a word that goes on ends with `-`. */
  readonly word?: string;
}

export interface PieceBar {
  /** Present where it differs from the bar before. */
  readonly time?: TimeSignature;
  readonly tempoBpm?: number;
  readonly key?: string;
  /** In the order they sound; empty where the chord before sounds on. */
  readonly chords: readonly ChordOnBeat[];
  readonly melody?: readonly MelodyNote[];
  /** Played only in this round of a repeated section: 1 or 2. */
  readonly ending?: 1 | 2;
}

export interface Section {
  readonly name: string;
  /** How often it is played before the next, 1 to 8. */
  readonly times: number;
  /** Name of one of the piece's patterns. */
  readonly pattern?: string;
  readonly bars: readonly PieceBar[];
}

/** One stroke of a pattern: the hand passes the strings on every step, and strikes where it is not a rest. */
export type Stroke =
  | 'down'
  | 'up'
  | 'down accent'
  | 'up accent'
  | 'chop'
  | 'mute'
  /** The hand passes and what sounds goes on sounding. */
  | 'rest'
  /** What sounds is held on, written as a tie. */
  | 'tie'
  /** The strings are stopped: silence. */
  | 'stop';
/** A plucked step: fingers of the plucking hand, or the bass string of the grip. */
export type Pluck = readonly ('p' | 'i' | 'm' | 'a')[];

export interface StrokePattern {
  readonly name: string;
  readonly kind: 'strum' | 'pick';
  /** Steps to a beat: 1, 2, 3 or 4. */
  readonly perBeat: number;
  /** As many as the pattern is long; it is played round and round over the bars. */
  readonly strokes: readonly (Stroke | Pluck)[];
}

export const SWINGS = ['straight', 'light', 'full'] as const;
/** Where the second half of a beat falls: at a half, nearly three fifths or two thirds of it (assumed). */
export const SWING_AT: Readonly<Record<(typeof SWINGS)[number], number>> = {
  straight: 0.5,
  light: 0.58,
  full: 2 / 3,
};

export interface Piece {
  readonly schemaVersion: 1;
  readonly title: string;
  readonly by: string;
  readonly key: string;
  readonly time: TimeSignature;
  readonly tempoBpm: number;
  readonly swing: (typeof SWINGS)[number];
  /** Fret of the capo the chart is meant for, 0 for none; chords are written as they sound. */
  readonly capo: number;
  readonly patterns: readonly StrokePattern[];
  readonly sections: readonly Section[];
  /** Names of sections as they are played; absent where that is as they are written. */
  readonly order?: readonly string[];
}

export const PIECE_LIMITS = {
  bars: 2000,
  playedBars: 4000,
  sections: 60,
  chordsInBar: 32,
  tempo: [20, 300],
  capo: 11,
} as const;

/** Reads `Db`, `Db major`, `F#m`, `F# minor`: the keys a piece is in. Problem: `key.name`, or `key.signature` with its twin. */
export function readPieceKey(text: string): Result<Key> {
  const key = makeKey(text);
  if (!key.ok)
    return key.problem.code === 'key.signature' ? key : fail('key.name', 0, 'C major, or F# minor');
  return ['major', 'minor'].includes(key.value.kind) ? key : fail('key.name', 0, 'C major, or F# minor');
}

/** A bar as it is played: where it stands in the chart and what holds for it. */
export interface PlayedBar {
  readonly section: number;
  /** Index within its section. */
  readonly bar: number;
  /** Number on the chart, from 1, counted through the sections as written. */
  readonly number: number;
  /** Which time round its section it is, from 0. */
  readonly round: number;
  readonly time: TimeSignature;
  readonly tempoBpm: number;
  readonly key: string;
  /** In ticks of each bar's own beat, through all that is played. */
  readonly startTick: number;
}

/**
 * Bars in the order they are played: sections by the piece's order, each as often as it says, endings in their own
 * round. Time, key and tempo last until they change, as they are written, whatever the order played.
 */
export function playedBars(piece: Piece): PlayedBar[] {
  const firstNumber: number[] = [];
  let number = 1;
  for (const section of piece.sections) {
    firstNumber.push(number);
    number += section.bars.length;
  }
  const order = piece.order?.map((name) => piece.sections.findIndex((one) => one.name === name)) ?? [
    ...piece.sections.keys(),
  ];
  const played: PlayedBar[] = [];
  let startTick = 0;
  for (const index of order) {
    const section = piece.sections[index];
    if (!section) continue;
    for (let round = 0; round < section.times; round++) {
      let { time, tempoBpm, key } = startOf(piece, index);
      for (const [i, bar] of section.bars.entries()) {
        time = bar.time ?? time;
        tempoBpm = bar.tempoBpm ?? tempoBpm;
        key = bar.key ?? key;
        if (bar.ending !== undefined && bar.ending !== Math.min(2, round + 1)) continue;
        played.push({
          section: index,
          bar: i,
          number: firstNumber[index] + i,
          round,
          time,
          tempoBpm,
          key,
          startTick,
        });
        startTick += time.beats * TICKS_A_BEAT;
        if (played.length > PIECE_LIMITS.playedBars) return played;
      }
    }
  }
  return played;
}

/** What holds where a section begins: what the sections written before it left. */
function startOf(piece: Piece, section: number): { time: TimeSignature; tempoBpm: number; key: string } {
  let { time, tempoBpm, key } = piece;
  for (const before of piece.sections.slice(0, section)) {
    for (const bar of before.bars) {
      time = bar.time ?? time;
      tempoBpm = bar.tempoBpm ?? tempoBpm;
      key = bar.key ?? key;
    }
  }
  return { time, tempoBpm, key };
}

/** A chord where it is written, with the ticks it lasts there before the next one or the end of its section. */
export interface WrittenChord {
  readonly section: number;
  /** Index within its section, and number on the chart from 1. */
  readonly bar: number;
  readonly number: number;
  readonly tick: number;
  readonly ticks: number;
  readonly chord: string;
}

/** Every chord of the chart in the order it is written. */
export function writtenChords(piece: Piece): WrittenChord[] {
  const found: WrittenChord[] = [];
  let number = 1;
  for (const [index, section] of piece.sections.entries()) {
    let { time } = startOf(piece, index);
    const here: { one: Omit<WrittenChord, 'ticks'>; start: number }[] = [];
    let start = 0;
    for (const [bar, { time: newTime, chords }] of section.bars.entries()) {
      time = newTime ?? time;
      for (const { tick, chord } of chords)
        here.push({ one: { section: index, bar, number: number + bar, tick, chord }, start: start + tick });
      start += time.beats * TICKS_A_BEAT;
    }
    number += section.bars.length;
    found.push(
      ...here.map(({ one, start: at }, i) => ({ ...one, ticks: (here[i + 1]?.start ?? start) - at })),
    );
  }
  return found;
}

/** A chord as it is played: which written one it is, and how long it sounds there. */
export interface PlayedChord {
  /** Index in `writtenChords`. */
  readonly written: number;
  readonly chord: string;
  readonly played: PlayedBar;
  readonly tick: number;
  readonly startTick: number;
  readonly ticks: number;
}

/** Chords in playing order; one that sounds on over a bar line is one chord, the same symbol struck again another. */
export function playedChords(piece: Piece): PlayedChord[] {
  const at = new Map(
    writtenChords(piece).map((one, i) => [`${one.section} ${one.bar} ${one.tick}`, i] as const),
  );
  const found: Omit<PlayedChord, 'ticks'>[] = [];
  let end = 0;
  for (const played of playedBars(piece)) {
    const bar = piece.sections[played.section].bars[played.bar];
    for (const { tick, chord } of bar.chords) {
      const written = at.get(`${played.section} ${played.bar} ${tick}`) ?? 0;
      found.push({ written, chord, played, tick, startTick: played.startTick + tick });
    }
    end = played.startTick + played.time.beats * TICKS_A_BEAT;
  }
  return found.map((one, i) => ({ ...one, ticks: (found[i + 1]?.startTick ?? end) - one.startTick }));
}
