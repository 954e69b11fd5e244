/** What a piece needs of a student's hand, worked out once for each hand on each thread. */
import { playedBy, type TaughtHand } from '@finch/core/hands';
import type { Goal } from '@finch/core/planning';
import { chordPlace, readChart, writtenChords } from '@finch/core/score';
import { pieceSkills, type Syllabus } from '@finch/core/syllabus';
import type { PieceGoal } from '../students/goals.service';

const MOST = 400;
const known = new Map<string, readonly string[]>();

/** Pieces as goals of one student, in their order. */
export const pieceGoals = (
  pieces: readonly PieceGoal[],
  taught: TaughtHand,
  of: { readonly syllabus: Syllabus; readonly version: string },
): Goal[] =>
  pieces.map(({ chart, locks, part, ...goal }) => {
    // Neither how quick nor how far a student is changes which grips a chart is played with.
    const { hand, instrument, limits, pins, school } = taught;
    const key = JSON.stringify([
      chart,
      locks,
      part,
      hand,
      instrument,
      limits.gripEffort,
      pins,
      school,
      of.version,
    ]);
    let skills = known.get(key);
    if (!skills) {
      const { piece } = readChart(chart);
      const locked = writtenChords(piece).map((one) => locks[chordPlace(one)] ?? null);
      skills = pieceSkills(piece, part, { ...playedBy(taught), locked }, of.syllabus);
      if (known.size >= MOST) known.delete(known.keys().next().value ?? '');
      known.set(key, skills);
    }
    return { ...goal, skills };
  });
