/**
 * Somebody who plays a drill in time, with human slips: as events and as a microphone hears them. A stand-in for a room with a player
 * in it. All numbers are our assumptions.
 */
import type { Instrument } from '../fretboard/instrument';
import { seededRandom } from '../kernel/random';
import type { Score } from '../score/score';
import { mixSounds } from '../sound/mix';
import { soundSchedule, type PluckSound } from '../sound/schedule';

/** Seconds: how far strokes scatter, how late all of them are heard, how late a late one comes, the room behind it. */
const HUMAN = { scatter: 0.012, lag: 0.06, late: 0.15, slips: 0.25, room: 0.001 } as const;
/** Seconds a stroke needs after it to be one that can come late, and to have another put behind it; that one from the bar line. */
const FREE = { late: 0.32, extra: 0.42, bar: 0.15 } as const;
const ONE_STROKE_SECONDS = 0.02;

export type DrillSlip = 'late' | 'left out' | 'one too many';
export interface PlayedDrill {
  /** What is struck, seconds from the start of the count-in, in order. */
  readonly strokes: readonly { readonly atSeconds: number; readonly sounds: readonly PluckSound[] }[];
  /** What went wrong, by bar from 0. */
  readonly slips: ReadonlyMap<number, DrillSlip>;
}

interface Stroke {
  atSeconds: number;
  readonly sounds: readonly PluckSound[];
  readonly bar: number;
}

/** The first part of a score as somebody plays it: about every fourth bar has a slip. */
export function playDrill(score: Score, instrument: Instrument, bpm: number, seed: number): PlayedDrill {
  const random = seededRandom(seed);
  const sounds = soundSchedule({ ...score, parts: score.parts.slice(0, 1) }, instrument, bpm);
  const begins = sounds.flatMap((one) => (one.kind === 'click' && one.beat === 0 ? [one.atSeconds] : []));
  const strokes: Stroke[] = [];
  let last = Number.NEGATIVE_INFINITY;
  for (const one of sounds) {
    if (one.kind !== 'pluck') continue;
    const bar = begins.findLastIndex((from) => from <= one.atSeconds + 1e-6);
    const open = strokes.at(-1);
    if (open && one.atSeconds - last <= ONE_STROKE_SECONDS)
      strokes[strokes.length - 1] = { ...open, sounds: [...open.sounds, one] };
    else strokes.push({ atSeconds: one.atSeconds, sounds: [one], bar });
    last = one.atSeconds;
  }
  const written = strokes.map(({ atSeconds }) => atSeconds);
  const free = (i: number) => (written[i + 1] ?? Number.POSITIVE_INFINITY) - written[i];
  const extraAt = (i: number) => written[i] + Math.min(free(i) / 2, FREE.extra);
  const slips = new Map<number, DrillSlip>();
  const left = new Set<Stroke>();
  const extra: Stroke[] = [];
  for (const stroke of strokes)
    stroke.atSeconds += HUMAN.lag + Math.min(0.03, Math.max(-0.03, random.normal(0, HUMAN.scatter)));
  for (let bar = 0; bar < begins.length; bar++) {
    if (random.unit() >= HUMAN.slips) continue;
    const kind = random.pick<DrillSlip>(['late', 'left out', 'one too many']);
    const own = strokes.flatMap((stroke, i) => (stroke.bar === bar ? [{ stroke, i }] : []));
    const ends = begins[bar + 1] ?? Number.POSITIVE_INFINITY;
    const able = own.filter(({ i }) => {
      if (kind === 'left out') return own.length > 1;
      // One too many stays in the bar it is counted in.
      return kind === 'late' ? free(i) > FREE.late : free(i) > FREE.extra && extraAt(i) < ends - FREE.bar;
    });
    if (able.length === 0) continue;
    const { stroke, i } = random.pick(able);
    slips.set(bar, kind);
    if (kind === 'late') stroke.atSeconds += HUMAN.late;
    else if (kind === 'left out') left.add(stroke);
    else extra.push({ ...stroke, atSeconds: HUMAN.lag + extraAt(i) });
  }
  return {
    strokes: [...strokes.filter((stroke) => !left.has(stroke)), ...extra]
      .toSorted((a, b) => a.atSeconds - b.atSeconds)
      .map(({ atSeconds, sounds: own }) => ({
        atSeconds,
        sounds: own.map((one) => ({ ...one, atSeconds: atSeconds + one.atSeconds - own[0].atSeconds })),
      })),
    slips,
  };
}

export interface DrillPlayer {
  /** What sounds from an instant on, seconds from the start of the count-in, written into the samples. */
  readonly samplesAt: (seconds: number, into: Float32Array) => void;
}

/** What was played as it is heard in a quiet room. */
export function makeDrillPlayer(
  played: PlayedDrill,
  instrument: Instrument,
  sampleRate: number,
): DrillPlayer {
  const sounds = mixSounds(
    played.strokes.flatMap((stroke) => stroke.sounds),
    { instrument, sampleRate },
  );
  const random = seededRandom(1);
  const noise = Float32Array.from({ length: sampleRate }, () => HUMAN.room * (2 * random.unit() - 1));
  return {
    samplesAt: (seconds, into) => {
      const first = Math.round(seconds * sampleRate);
      for (let i = 0; i < into.length; i++)
        into[i] = (sounds[first + i] ?? 0) + noise[(first + i) % noise.length];
    },
  };
}
