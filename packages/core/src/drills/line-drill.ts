/**
 * Single notes, and two at once, in time: what two a string, scale in the shape and their like have in common. Each phrase
 * begins a bar and its last note is held to the bar's end. Graded by `scales/line-effort.ts` and by how near the tempo lies
 * to the rate this hand goes at.
 */
import type { Reason } from '../effort/explain';
import { gradeOf } from '../effort/hold';
import { gripLimit, type DrillContext } from '../hands/taught-hand';
import { fail, ok, type Result } from '../kernel/result';
import { stagePace } from '../pace/stages';
import { lineEffort } from '../scales/line-effort';
import type { FingeredNote } from '../scales/tones';
import type { Bar, ScoreEvent } from '../score/score';
import { TICKS_A_BEAT, ticksOf } from '../score/ticks';
import { noteText } from '../theory/note';
import { TEMPO_POINTS, type DrillOf, type DrillStep } from './drill';
import type { Item } from './items';
import type { AnyRecipe } from './parameters';
import { unique } from './sequence';
import { checkTempo, startingTempo } from './tempo';

/** What sounds at once: a note or two; null is a rest of the same length. */
type LineTone = readonly FingeredNote[] | null;

export interface Phrase {
  readonly tones: readonly LineTone[];
  /** The chord it is played over, written above its first note. */
  readonly chord?: string;
  readonly ask: Reason;
}

/** A bar beside the line that is no part of it: the chord it is played around. */
export interface StruckBar {
  readonly bar: Bar;
  readonly item: Item;
  readonly ask: Reason;
  readonly points: number;
}

export interface LinePlan {
  readonly phrases: readonly Phrase[];
  readonly perBeat: number;
  readonly beats?: number;
  readonly tempoBpm?: number;
  /** Struck before the line and after it. */
  readonly around?: StruckBar;
  readonly moreItems?: readonly Item[];
  readonly leftOut?: readonly Reason[];
}

/** A line item holds so many notes at most. */
const MOST_NOTES = 256;
const BEATS = 4;

/** The drill of a plan. Problems: `drill.line` for no notes, `drill.tempo`. */
export function lineDrill<R extends AnyRecipe>(
  recipe: R,
  plan: LinePlan,
  context: DrillContext,
): Result<DrillOf<R>> {
  const { phrases, perBeat, around, beats = BEATS } = plan;
  const { instrument, hand } = context;
  const notes = phrases.flatMap((phrase) => phrase.tones.flatMap((tone) => tone ?? []));
  if (notes.length === 0) return fail('drill.line', 'parameters', 'a place with notes of it on this neck');
  const { points, notesPerSecond } = lineEffort(notes, {
    hand,
    instrument,
    limit: Number.POSITIVE_INFINITY,
    pace: context.pace ?? stagePace(null),
  });
  const predictedBpm = Math.round(((notesPerSecond ?? 0) * 60) / perBeat);
  const tempo = checkTempo(plan.tempoBpm ?? startingTempo(predictedBpm));
  if (!tempo.ok) return tempo;
  const strings = instrument.openPitches.length;
  const line: Item = {
    kind: 'line',
    notes: notes.slice(0, MOST_NOTES).map(({ stringIndex, fret, finger }) => ({
      string: strings - stringIndex,
      fret,
      finger,
    })),
  };
  const bars: Bar[] = [];
  const steps: DrillStep[] = [];
  const put = (bar: Bar, item: Item, ask: Reason) => {
    steps.push({ startTick: ticksOf(bars.length * beats), ticks: ticksOf(beats), item, ask });
    bars.push(bar);
  };
  if (around) put(around.bar, around.item, around.ask);
  for (const phrase of phrases) for (const bar of barsOf(phrase, beats, perBeat)) put(bar, line, phrase.ask);
  if (around) put(around.bar, around.item, around.ask);
  const grade = gradeOf(Math.max(points, around?.points ?? 0));
  return ok({
    recipe,
    items: unique([...(around ? [around.item] : []), line, ...(plan.moreItems ?? [])]),
    steps,
    score: {
      schemaVersion: 1,
      strings,
      tempoBpm: tempo.value,
      countInBeats: beats,
      parts: [{ name: 'guitar', bars }],
    },
    effort: gradeOf(Math.max(points, around?.points ?? 0) + (TEMPO_POINTS * tempo.value) / predictedBpm),
    heaviestGrip: gradeOf(around?.points ?? 0),
    tempoBpm: tempo.value,
    predictedBpm,
    hasBarre: false,
    overLimit: grade > gripLimit(context),
    bursts: { count: 1, workSeconds: 60, restSeconds: 0 },
    question: { code: 'question.bars', values: { of: 10, clean: 9, bpm: tempo.value } },
    judged: 'changes',
    prelude: [],
    leftOut: plan.leftOut ?? [],
  });
}

function barsOf({ tones, chord }: Phrase, beats: number, perBeat: number): Bar[] {
  const each = TICKS_A_BEAT / perBeat;
  const slots = beats * perBeat;
  return Array.from({ length: Math.ceil(tones.length / slots) }, (_, b): Bar => {
    const part = tones.slice(b * slots, (b + 1) * slots);
    const events = part.flatMap((tone, slot): ScoreEvent[] => {
      if (!tone) return [];
      const last = b * slots + slot === tones.length - 1;
      return [
        {
          tick: slot * each,
          ticks: last ? (slots - slot) * each : each,
          notes: tone.map(({ stringIndex, fret, finger, note }) => ({
            stringIndex,
            fret,
            finger: finger as 0 | 1 | 2 | 3 | 4,
            name: noteText(note),
          })),
          stroke: 'pick',
          ...(chord && b === 0 && slot === 0 ? { chord } : {}),
        },
      ];
    });
    return { beats, events };
  });
}
