/** Chords that last so many beats, strummed on every beat but the one left for the change, in bars of four. */
import { gripNotes, type Bar, type ScoreEvent } from '../score/score';
import { TICKS_A_BEAT, ticksOf } from '../score/ticks';
import type { Chord } from '../theory/chord';
import { parseChord } from '../theory/chord';
import { fail, ok, type Result } from '../kernel/result';
import { planPath } from '../changes/plan-path';
import { playedBy, type DrillContext } from '../hands/taught-hand';
import type { GradedGrip } from '../shapes/graded-grip';
import type { GripItem } from './items';
import type { Stop } from './sequence';

export type Span = Omit<Stop, 'at' | 'gapBeats'> & { readonly beats: number };

const BAR = 4;

interface Spanned {
  readonly stops: readonly Stop[];
  readonly bars: (grips: readonly GripItem[]) => readonly Bar[];
}

/** The stops and bars of chords one after the other; whoever makes them sees that none goes over a bar line. */
export function spanned(spans: readonly Span[]): Spanned {
  let beat = 0;
  const placed = spans.map((span) => {
    const from = beat;
    beat += span.beats;
    return { ...span, from };
  });
  return {
    stops: placed.map(({ from, beats, ...stop }) => ({
      ...stop,
      at: { startTick: ticksOf(from), ticks: ticksOf(beats) },
      gapBeats: 1,
    })),
    bars: (grips) =>
      Array.from({ length: Math.ceil(beat / BAR) }, (_, bar): Bar => ({
        beats: BAR,
        events: placed.flatMap(({ from, beats }, i): ScoreEvent[] => {
          if (Math.floor(from / BAR) !== bar) return [];
          const notes = gripNotes(grips[i].frets, grips[i].fingers);
          // A chord of one beat is struck once; a longer one leaves its last beat for the change.
          return Array.from({ length: Math.max(1, beats - 1) }, (_, b) => ({
            tick: ticksOf((from % BAR) + b),
            ticks: TICKS_A_BEAT,
            notes,
            stroke: 'strum' as const,
            ...(b === 0 ? { chord: grips[i].chord } : {}),
          }));
        }),
      })),
  };
}

/** Chords typed after one another. Problems: `drill.chords` for too many or none, those of the chords. */
export function typedChords(text: string, at: string, most: number): Result<Chord[]> {
  const words = text.trim().split(/[\s|,]+/).filter(Boolean); // prettier-ignore
  if (words.length === 0 || words.length > most) return fail('drill.chords', at, `1 to ${most} chords`);
  const chords: Chord[] = [];
  for (const word of words) {
    const read = parseChord(word);
    if (!read.ok) return fail(read.problem.code, word, read.problem.detail);
    if (read.value.tones.length === 0) return fail('drill.chords', word, 'a chord, like Dm7');
    chords.push(read.value);
  }
  return ok(chords);
}

/** Grips looked at for each chord of a drill, the most useful first: it is made while somebody waits. */
const CANDIDATES = 12;

/**
 * Grips of chords one after the other for this hand, chosen together, none of whose limits gave way. Problem `drill.number`
 * names the chord that has none, `wanted` what to take.
 */
export function heldRow(
  chords: readonly Chord[],
  context: DrillContext,
  wanted: string,
): Result<GradedGrip[]> {
  const path = planPath(chords, { ...playedBy(context), candidates: CANDIDATES });
  const grips: GradedGrip[] = [];
  for (const { grip, gaveWay, chord } of path.steps) {
    if (!grip || gaveWay.length) return fail('drill.number', chord.symbol, wanted);
    grips.push(grip);
  }
  return ok(grips);
}
