/** Grips and changes graded as this student is taught them: with the fingering a teacher pinned, where one is. */
import { gradeChange, type ChangeGrade } from '../changes/grade-change';
import { gradeGrip, type Effort } from '../effort/grade-grip';
import { gripMark } from '../grips/mark';
import type { FingerLabel, Frets } from '../grips/grip';
import type { Result } from '../kernel/result';
import type { DrillContext } from '../hands/taught-hand';

const pinFor = (frets: Frets, { pins, instrument }: DrillContext): readonly FingerLabel[] | undefined =>
  pins?.[gripMark(frets, instrument.openPitches)];

/** The fingering asked for or pinned where this hand can hold it, else the one shown. Problems as `gradeGrip`. */
export function gradeIn(
  frets: Frets,
  context: DrillContext,
  fingers?: readonly FingerLabel[],
): Result<Effort> {
  const pinned = fingers ?? pinFor(frets, context);
  if (pinned) {
    const graded = gradeGrip(frets, context.hand, context.instrument, { pinned });
    if (graded.ok) return graded;
  }
  return gradeGrip(frets, context.hand, context.instrument);
}

/** A change with the fingerings asked for or pinned at either end where they can be held. Problems as `gradeChange`. */
export function changeIn(
  from: Frets,
  to: Frets,
  context: DrillContext,
  gapBeats?: number,
  fingers: { readonly from?: readonly FingerLabel[]; readonly to?: readonly FingerLabel[] } = {},
): Result<ChangeGrade> {
  const { hand, instrument } = context;
  const given = { pace: context.pace, ...(gapBeats === undefined ? {} : { gapBeats }) };
  const pinned = {
    from: fingers.from ?? pinFor(from, context),
    to: fingers.to ?? pinFor(to, context),
  };
  if (pinned.from || pinned.to) {
    const graded = gradeChange(from, to, hand, instrument, { ...given, pinned });
    if (graded.ok) return graded;
  }
  return gradeChange(from, to, hand, instrument, given);
}
