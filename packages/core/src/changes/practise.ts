/**
 * What to practise for one change, from the smallest piece of it to the whole: the finger that lands last by itself,
 * the fingers that stay as a pivot, all that land together in the air, then both grips round and round, slowly. How far
 * below the clean tempo to begin is our assumption.
 */
import type { Reason } from '../effort/explain';
import { CHANGE } from './constants';
import type { ChangeGrade, FingerMove } from './grade-change';

export type PractiseKind = 'one finger' | 'pivot' | 'air' | 'slide' | 'loop';

export interface PractiseStep {
  readonly kind: PractiseKind;
  readonly what: Reason;
  /** Beats a minute to begin at; null for what is done without a beat. */
  readonly tempoBpm: number | null;
}

const SLOWEST_BPM = 40;

/** Steps in the order they are taken; the loop always comes last. Empty where nothing changes. */
export function practiseFor(change: ChangeGrade): PractiseStep[] {
  const moving = change.fingers.filter((move) => move.does !== 'stays');
  if (moving.length === 0) return [];
  const steps: PractiseStep[] = [];
  const last = change.fingers.find((move) => move.finger === change.landsLast);
  const landing = change.fingers.filter((move) => move.does === 'lands' || move.does === 'lifts over');
  if (last?.to && landing.length > 1)
    steps.push({ kind: 'one finger', what: oneFinger(last), tempoBpm: null });
  const slides = change.fingers.filter((move) => move.does === 'slides');
  if (slides.length > 0)
    steps.push({
      kind: 'slide',
      what: { code: 'practise.slide', values: fingersOf(slides) },
      tempoBpm: null,
    });
  const stays = change.fingers.filter((move) => move.does === 'stays' || move.does === 'adjusts');
  if (stays.length > 0 && landing.length > 0)
    steps.push({ kind: 'pivot', what: { code: 'practise.pivot', values: fingersOf(stays) }, tempoBpm: null });
  else if (landing.length > 1)
    steps.push({ kind: 'air', what: { code: 'practise.air', values: fingersOf(landing) }, tempoBpm: null });
  const tempoBpm = Math.max(SLOWEST_BPM, Math.floor((CHANGE.firstTempo * change.tempoBpm) / 2) * 2);
  steps.push({ kind: 'loop', what: { code: 'practise.loop', values: { bpm: tempoBpm } }, tempoBpm });
  return steps;
}

function oneFinger(move: FingerMove): Reason {
  const { finger, from, to } = move;
  const values = { finger: String(finger), string: to?.string ?? 0, fret: to?.fret ?? 0 };
  return from
    ? { code: 'practise.one-from', values: { ...values, fromString: from.string, fromFret: from.fret } }
    : { code: 'practise.one', values };
}

const fingersOf = (moves: readonly FingerMove[]): Reason['values'] => ({
  fingers: moves.map((move) => String(move.finger)).join(' '),
  count: moves.length,
});
