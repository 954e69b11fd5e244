/** The tempo ladder of a drill in time: where it starts, how far it goes and how big a notch is (our conventions). */
import { clamp } from '../kernel/number';
import { fail, ok, type Result } from '../kernel/result';

export const LOOP_TEMPO = {
  lowest: 30,
  highest: 208,
  easierFactor: 0.92,
  harderFactor: 1.06,
  startShare: 0.85,
  /** Nobody starts a new drill faster than this. */
  highestStart: 120,
} as const;

/** A little under what the slowest change allows. */
export const startingTempo = (predictedBpm: number): number =>
  Math.round(clamp(predictedBpm * LOOP_TEMPO.startShare, LOOP_TEMPO.lowest, LOOP_TEMPO.highestStart));

export function checkTempo(tempoBpm: number): Result<number> {
  return tempoBpm >= LOOP_TEMPO.lowest && tempoBpm <= LOOP_TEMPO.highest
    ? ok(tempoBpm)
    : fail('drill.tempo', 'tempoBpm', `${LOOP_TEMPO.lowest} to ${LOOP_TEMPO.highest} beats a minute`);
}

/** One notch slower; `drill.easiest` at the bottom. */
export function slower(tempoBpm: number): Result<number> {
  const next = Math.round(Math.max(LOOP_TEMPO.lowest, tempoBpm * LOOP_TEMPO.easierFactor));
  return next < tempoBpm ? ok(next) : fail('drill.easiest', 'tempoBpm', 'this is the slowest it goes');
}

/** One notch faster; `drill.hardest` at the top. */
export function faster(tempoBpm: number): Result<number> {
  if (tempoBpm >= LOOP_TEMPO.highest) return fail('drill.hardest', 'tempoBpm', 'this is the fastest it goes');
  const next = Math.max(tempoBpm + 1, Math.round(tempoBpm * LOOP_TEMPO.harderFactor));
  return ok(Math.min(LOOP_TEMPO.highest, next));
}
