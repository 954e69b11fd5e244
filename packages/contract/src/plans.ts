/** Lesson plans as they travel and are stored, with the upcaster that old ones pass through. */
import {
  BLOCK_KINDS,
  GOAL_WEIGHTS,
  LEANS,
  LIFTED_IN_TURN,
  LONGEST_DONE_MINUTES,
  type LessonPlan,
  type LessonShare,
  type PlanBlock,
} from '@finch/core/planning';
import * as v from 'valibot';
import { PRACTICE_STEPS } from '@finch/core/syllabus';
import { idSchema, noteTextSchema, reasonSchema } from './basics';
import { recipeSchema } from './drills';

/** The most blocks a plan holds. */
export const MOST_BLOCKS = 40;

const walkPartSchema = v.object({
  step: v.picklist(PRACTICE_STEPS),
  minutes: v.pipe(v.number(), v.integer('whole minutes'), v.minValue(1), v.maxValue(180)),
  recipe: recipeSchema,
});
const MOST_PARTS = 8;

const blockFields = v.object({
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
  walk: v.optional(v.pipe(v.array(walkPartSchema), v.maxLength(MOST_PARTS, 'at most 8 drills in a block'))),
  effort: v.pipe(v.number(), v.minValue(0), v.maxValue(100)),
  barreMinutes: v.pipe(v.number(), v.minValue(0), v.maxValue(180)),
  locked: v.boolean(),
});
/** A block whose parts are together as long as it is. */
export const blockSchema: v.GenericSchema<unknown, PlanBlock> = v.pipe(
  blockFields,
  v.forward(
    v.check(
      ({ walk, minutes }) => !walk || walk.reduce((sum, part) => sum + part.minutes, 0) === minutes,
      'parts that are together as long as their block',
    ),
    ['walk'],
  ),
);

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
    v.array(
      v.object({
        title: reasonSchema,
        skillId: v.string(),
        because: reasonSchema,
        brings: v.optional(reasonSchema),
      }),
    ),
    v.maxLength(20),
  ),
  unseen: v.optional(
    v.pipe(
      v.array(
        v.object({
          strand: v.pipe(v.string(), v.maxLength(80)),
          lastAt: v.nullable(v.pipe(v.number(), v.minValue(0), v.maxValue(4_102_444_800_000))),
          there: v.boolean(),
        }),
      ),
      v.maxLength(40),
    ),
  ),
  toward: v.optional(
    v.pipe(
      v.array(
        v.object({
          id: v.pipe(v.string(), v.maxLength(80)),
          name: v.pipe(v.string(), v.maxLength(200)),
          weight: v.picklist(GOAL_WEIGHTS),
          on: v.nullable(v.pipe(v.string(), v.isoDate())),
          needs: v.pipe(v.array(v.pipe(v.string(), v.maxLength(80))), v.maxLength(2000)),
          held: v.pipe(v.number(), v.minValue(0), v.maxValue(2000)),
          of: v.pipe(v.number(), v.minValue(0), v.maxValue(2000)),
        }),
      ),
      v.maxLength(600),
    ),
  ),
  gap: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(1000))),
  lean: v.optional(v.picklist(LEANS)),
  lifted: v.optional(v.pipe(v.array(v.picklist(LIFTED_IN_TURN)), v.maxLength(LIFTED_IN_TURN.length))),
  modelVersion: v.pipe(v.string(), v.maxLength(40)),
});

/**
 * How the plan of a lesson stands: none yet (the planner's proposal is shown), begun (something was put in or a lesson began
 * with the proposal, and nobody kept it), kept by the teacher, or changed from elsewhere since it was kept.
 */
const PLAN_STANDINGS = ['none', 'begun', 'kept', 'changed'] as const;
export const planStandingSchema = v.picklist(PLAN_STANDINGS);
export type PlanStanding = v.InferOutput<typeof planStandingSchema>;

const namedBlock = {
  blockId: v.pipe(v.string(), v.maxLength(80)),
  title: reasonSchema,
  kind: v.picklist(BLOCK_KINDS),
  takes: v.object({ clean: v.number(), nearly: v.number(), notYet: v.number() }),
  /** Not in the plan: the student brought it. */
  brought: v.boolean(),
};
const doneBlockSchema = v.object({
  ...namedBlock,
  minutes: v.pipe(v.number(), v.minValue(0), v.maxValue(LONGEST_DONE_MINUTES)),
});
const MOST_ROWS = 60;
/** The most blocks, planned and brought on every screen, that one lesson is made of. */
export const MOST_DONE = 240;
const msSchema = v.pipe(v.number(), v.minValue(0), v.maxValue(4_102_444_800_000));

/** One screen's share of a lesson, as it is sent again and again while the lesson runs. */
export const shareSchema: v.GenericSchema<unknown, LessonShare> = v.object({
  id: idSchema,
  at: v.nullable(v.pipe(v.string(), v.maxLength(80))),
  movedAt: msSchema,
  note: noteTextSchema,
  blocks: v.pipe(
    v.array(
      v.object({ ...namedBlock, spans: v.pipe(v.array(v.tuple([msSchema, msSchema])), v.maxLength(400)) }),
    ),
    v.maxLength(MOST_ROWS, `at most ${MOST_ROWS} blocks`),
  ),
});

/** What was done in a lesson, block by block; while it runs, also what each screen did and what was there before. */
export const doneSchema = v.object({
  schemaVersion: v.literal(1),
  blocks: v.pipe(v.array(doneBlockSchema), v.maxLength(MOST_DONE)),
  before: v.optional(v.array(doneBlockSchema)),
  shares: v.optional(v.array(shareSchema)),
});
export type DoneBody = v.InferOutput<typeof doneSchema>;

/** Brings a stored plan of any earlier version up to the present one; null when it is none. */
export function upcastPlan(stored: unknown): LessonPlan | null {
  const parsed = v.safeParse(planSchema, stored);
  return parsed.success ? parsed.output : null;
}
