/** What a student wishes for, as it is kept and as it is shown. */
import { GOAL_WEIGHTS } from '@finch/core/planning';
import * as v from 'valibot';

const goalFields = {
  /** Of a skill or a course of the syllabus, or of a piece. */
  id: v.pipe(
    v.string('an id as text'),
    v.minLength(1, 'an id'),
    v.maxLength(80, 'an id of a skill, a course or a piece'),
  ),
  weight: v.picklist(GOAL_WEIGHTS, `one of: ${GOAL_WEIGHTS.join(', ')}`),
};
export const keptGoalsSchema = v.pipe(
  v.array(v.object(goalFields)),
  v.maxLength(40, 'no more than 40'),
  v.check((goals) => new Set(goals.map(({ id }) => id)).size === goals.length, 'each goal once'),
);
export type KeptGoal = v.InferOutput<typeof keptGoalsSchema>[number];

export const goalSchema = v.object({
  ...goalFields,
  kind: v.picklist(['skill', 'way in', 'style', 'piece']),
  name: v.string(),
  /** The day it is played on, YYYY-MM-DD, if one is ahead. */
  on: v.nullable(v.string()),
  /** Nobody wished for it: a part of a piece with a concert was given to them. */
  given: v.boolean(),
});
export type GoalBody = v.InferOutput<typeof goalSchema>;
