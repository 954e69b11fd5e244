/** What a solved row is as a path: its changes with the fingers chosen, its area, its weakest change and its tempo. */
import type { GradedGrip } from '../shapes/graded-grip';
import type { Chord } from '../theory/chord';
import { gradeChange, type ChangeGrade } from './grade-change';
import type { Path, PathOptions, PathStep } from './path';
import { stateAt, type Solved } from './path-solve';

export function asPath(chords: readonly Chord[], solved: Solved, options: PathOptions): Path {
  const steps = chords.map((chord, i): PathStep => {
    const { gaveWay, locked } = solved.choices[i];
    return { chord, grip: stateAt(solved, i)?.grip ?? null, gaveWay, locked };
  });
  const changes = steps.slice(1).map((step, i) => changeBetween(steps[i], step, options, i));
  return { steps, changes, cost: solved.cost, ...pathSummary(steps, changes) };
}

/** The change between two steps with the fingers they have; null beside a step without a grip, and where it stays. */
export function changeBetween(
  from: PathStep,
  to: PathStep,
  options: PathOptions,
  index: number,
): ChangeGrade | null {
  if (!from.grip || !to.grip || sameHold(from.grip, to.grip)) return null;
  const graded = gradeChange(from.grip.frets, to.grip.frets, options.hand, options.instrument, {
    pace: options.pace,
    gapBeats: options.gapBeats?.[index] ?? 1,
    pinned: { from: from.grip.fingers, to: to.grip.fingers },
  });
  return graded.ok ? graded.value : null;
}

const sameHold = (a: GradedGrip, b: GradedGrip) =>
  a.frets.join() === b.frets.join() && a.fingers.join() === b.fingers.join();

export function pathSummary(
  steps: readonly PathStep[],
  changes: readonly (ChangeGrade | null)[],
): Omit<Path, 'steps' | 'changes' | 'cost'> {
  const pressed = steps.flatMap(
    (step) => step.grip?.frets.filter((fret): fret is number => fret !== null && fret > 0) ?? [],
  );
  let weakest: number | null = null;
  changes.forEach((change, i) => {
    if (change && (weakest === null || change.tempoBpm < (changes[weakest]?.tempoBpm ?? 0))) weakest = i;
  });
  return {
    area: pressed.length ? { lowFret: Math.min(...pressed), highFret: Math.max(...pressed) } : null,
    seconds: changes.reduce((sum, change) => sum + (change?.seconds ?? 0), 0),
    shiftMm: changes.reduce((sum, change) => sum + Math.abs(change?.shiftMm ?? 0), 0),
    weakest,
    tempoBpm: weakest === null ? null : (changes[weakest]?.tempoBpm ?? null),
  };
}
