/** Lesson plans as they travel and are stored, with the upcaster that old ones pass through. */
import { BLOCK_KINDS, type LessonPlan, type PlanBlock } from '@finch/core/planning';
import * as v from 'valibot';
import { reasonSchema } from './basics';
import { recipeSchema } from './drills';

/** The most blocks a plan holds. */
export const MOST_BLOCKS = 40;

export const blockSchema: v.GenericSchema<unknown, PlanBlock> = v.object({
  id: v.pipe(v.string(), v.maxLength(80)),
  kind: v.picklist(BLOCK_KINDS),
  minutes: v.pipe(
    v.number(),
    v.integer('whole minutes'),
    v.minValue(1, 'a block of a minute or more'),
    v.maxValue(180, 'a block of 180 minutes or less'),
  ),
  title: reasonSchema,
  because: reasonSchema,
  skillId: v.nullable(v.pipe(v.string(), v.maxLength(80))),
  recipe: v.nullable(recipeSchema),
  effort: v.pipe(v.number(), v.minValue(0), v.maxValue(100)),
  barreMinutes: v.pipe(v.number(), v.minValue(0), v.maxValue(180)),
  locked: v.boolean(),
});

export const planSchema: v.GenericSchema<unknown, LessonPlan> = v.object({
  schemaVersion: v.literal(1),
  minutes: v.pipe(
    v.number(),
    v.integer(),
    v.minValue(10, 'a lesson of 10 to 180 minutes'),
    v.maxValue(180, 'a lesson of 10 to 180 minutes'),
  ),
  blocks: v.pipe(v.array(blockSchema), v.maxLength(MOST_BLOCKS, 'at most 40 blocks')),
  leftOut: v.pipe(
    v.array(v.object({ title: reasonSchema, skillId: v.string(), because: reasonSchema })),
    v.maxLength(20),
  ),
  modelVersion: v.pipe(v.string(), v.maxLength(40)),
});

/**
 * How the plan of a lesson stands: none yet (the planner's proposal is shown), begun (something was put in or a lesson began
 * with the proposal, and nobody kept it), kept by the teacher, or changed from elsewhere since it was kept.
 */
const PLAN_STANDINGS = ['none', 'begun', 'kept', 'changed'] as const;
export const planStandingSchema = v.picklist(PLAN_STANDINGS);
export type PlanStanding = v.InferOutput<typeof planStandingSchema>;

/** What was done in a lesson, block by block. */
export const doneSchema = v.object({
  schemaVersion: v.literal(1),
  blocks: v.pipe(
    v.array(
      v.object({
        blockId: v.pipe(v.string(), v.maxLength(80)),
        title: reasonSchema,
        kind: v.picklist(BLOCK_KINDS),
        minutes: v.pipe(v.number(), v.minValue(0), v.maxValue(240)),
        takes: v.object({ clean: v.number(), nearly: v.number(), notYet: v.number() }),
        /** Not in the plan: the student brought it. */
        brought: v.boolean(),
      }),
    ),
    v.maxLength(60),
  ),
});
export type DoneBody = v.InferOutput<typeof doneSchema>;

/** Brings a stored plan of any earlier version up to the present one; null when it is none. */
export function upcastPlan(stored: unknown): LessonPlan | null {
  const parsed = v.safeParse(planSchema, stored);
  return parsed.success ? parsed.output : null;
}
