/** How a call is answered on the neck: which places can be tapped, and whether what was tapped is right. */
import type { Answer, DrillStep, Place, StepOutcome } from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';

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

const same = (a: Place, b: Place) => a.string === b.string && a.fret === b.fret;

/** Whether the tapped places answer a call. */
export function isRight(answer: Answer, tapped: readonly Place[]): boolean {
  if (answer.kind === 'choice') return false;
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
    typeof given === 'string' ? answer.kind === 'choice' && answer.right === given : isRight(answer, given);
  if (!right) return 'wrong note';
  return seconds <= secondsPerCall ? 'clean' : 'late';
}
