/** How a call is answered on the neck: which places can be tapped, and whether what was tapped is right. */
import {
  isWritten,
  type Answer,
  type CallTaken,
  type DrillStep,
  type Place,
  type StepOutcome,
} from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import { median } from '@finch/core/kernel';
import { ticksOf, type Score } from '@finch/core/score';
import { plural } from '../words';
import { SLIP_NAMES } from '../words/drill-words';

export interface QuizBoard {
  /** String numbers, thinnest first, as the neck is drawn. */
  readonly strings: readonly number[];
  readonly frets: readonly number[];
}

const WIDEST_FRETS = 12;
/** Frets shown on either side of where the hand is. */
const MARGIN = 2;

const range = (low: number, high: number) =>
  Array.from({ length: Math.max(0, high - low + 1) }, (_, i) => low + i);

/**
 * The part of the neck a call is asked on: one string where the call names it, else every string. A position shows
 * its four frets; a grip shows the frets around it, with open strings where it has some.
 */
export function quizBoard(
  step: DrillStep,
  instrument: Instrument,
  fretsInHand?: readonly (number | null)[],
): QuizBoard {
  const all = range(1, instrument.openPitches.length);
  const end = instrument.frets - instrument.capo;
  const { string, position } = step.ask.values;
  if (typeof string === 'number') return { strings: [string], frets: range(0, Math.min(end, WIDEST_FRETS)) };
  if (typeof position === 'number')
    return { strings: all, frets: range(position, Math.min(end, position + 3)) };
  const held = (fretsInHand ?? []).filter((fret): fret is number => fret !== null && fret > 0);
  const low = held.length ? Math.min(...held) : 1;
  const high = held.length ? Math.max(...held) : 4;
  const open = (fretsInHand ?? []).includes(0) || low <= MARGIN;
  const around = range(Math.max(1, low - MARGIN), Math.min(end, high + MARGIN));
  return { strings: all, frets: open ? range(0, around[around.length - 1]) : around };
}

/** Frets that a thumb can tell apart side by side on a phone. */
const THUMBS_ABREAST = 7;

/** The frets in rows: one string of a whole neck is folded on a narrow screen, so that each place is as wide as a thumb. */
export function quizRows({ strings, frets }: QuizBoard, narrow: boolean): readonly (readonly number[])[] {
  if (!narrow || strings.length > 1 || frets.length <= THUMBS_ABREAST) return [frets];
  const half = Math.ceil(frets.length / 2);
  return [frets.slice(0, half), frets.slice(half)];
}

const same = (a: Place, b: Place) => a.string === b.string && a.fret === b.fret;

/** What is said of a tone that was sung, once it was heard. */
export const SUNG_ANSWERS = ['That was it', 'Not yet'] as const;

/** Whether the tapped places answer a call. */
export function isRight(answer: Answer, tapped: readonly Place[]): boolean {
  if (!('places' in answer)) return false;
  if (answer.kind === 'any place')
    return tapped.length === 1 && answer.places.some((place) => same(place, tapped[0]));
  return (
    tapped.length === answer.places.length &&
    answer.places.every((place) => tapped.some((one) => same(one, place)))
  );
}

/** What a call comes out as: right in time, right too late, or wrong. */
export function outcomeOf(
  answer: Answer,
  given: readonly Place[] | string,
  seconds: number,
  secondsPerCall: number,
): StepOutcome {
  const right =
    typeof given !== 'string'
      ? isRight(answer, given)
      : answer.kind === 'written'
        ? isWritten(answer.right, given)
        : answer.kind === 'sung'
          ? given === SUNG_ANSWERS[0]
          : answer.kind === 'choice' && answer.right === given;
  if (!right) return 'wrong note';
  return seconds <= secondsPerCall ? 'clean' : 'late';
}

/** The one bar that begins there, without a count-in: what a call sounds like. */
export function barAlone(score: Score, startTick: number): Score {
  const [part] = score.parts;
  let from = 0;
  const bar = part.bars.find(({ beats }) => {
    from += ticksOf(beats);
    return from > startTick;
  });
  return { ...score, countInBeats: 0, parts: [{ ...part, bars: bar ? [bar] : [] }] };
}

/** How it went: how many were right, how long one took, and what was mixed up how often, the commonest first. */
export function quizEnd(
  outcomes: readonly StepOutcome[],
  taken: readonly CallTaken[],
): { readonly says: string; readonly slips: readonly string[] } {
  const count = (wanted: StepOutcome) => outcomes.filter((one) => one === wanted).length;
  const late = count('late');
  const seconds = taken.length ? median(taken.map((one) => one.seconds)) : 0;
  const slips = new Map<keyof typeof SLIP_NAMES, number>();
  for (const { slip } of taken) if (slip) slips.set(slip, (slips.get(slip) ?? 0) + 1);
  return {
    says: `${count('clean')} of ${outcomes.length} right${late ? `, ${late} more too late` : ''}; one took ${seconds.toFixed(1)} s`,
    slips: [...slips]
      .sort(([, a], [, b]) => b - a)
      .map(([slip, times]) => `${SLIP_NAMES[slip]}: ${plural(times, 'time')}`),
  };
}
