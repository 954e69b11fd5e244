/** For tests of the planner: somebody who never played, and what somebody wishes for. */
import { PRIOR_FIT } from '../hands/taught-hand';
import { replay, type StudentState } from '../mastery/replay';
import { firstSyllabus } from '../syllabus/first-syllabus';
import type { Goal } from './goals';

/** @param now ms since 1970 */
export const nothingPlayed = (now: number): StudentState =>
  replay(
    [],
    {
      syllabus: firstSyllabus,
      hands: [],
      instruments: [],
      difficultyFit: PRIOR_FIT,
      playedFor: [],
      timeZone: 'UTC',
    },
    now,
  );

/** A goal of some skills, that weighs as most do. */
export const wishFor = (skills: readonly string[], more: Partial<Goal> = {}): Goal => ({
  id: skills[0],
  name: 'Tin Heron',
  skills,
  weight: 'more',
  day: null,
  ...more,
});
