/** What a student holds, as the server says it. */
import { MASTERY_STATES } from '@finch/core/mastery';
import * as v from 'valibot';

const chanceSchema = v.object({ mean: v.number(), low: v.number(), high: v.number() });
export const stateWordSchema = v.picklist(MASTERY_STATES);
const marksSchema = v.object({ due: v.boolean(), slipping: v.boolean(), stuck: v.boolean() });

export const skillStateSchema = v.object({
  skillId: v.string(),
  state: stateWordSchema,
  overridden: v.boolean(),
  computed: stateWordSchema,
  attempts: v.number(),
  chance: v.nullable(chanceSchema),
  outlook: v.nullable(v.number()),
  recall: v.nullable(v.number()),
  dueAt: v.nullable(v.number()),
  lastAt: v.nullable(v.number()),
  lastBpm: v.nullable(v.number()),
  peak: v.nullable(v.object({ mean: v.number(), at: v.number() })),
  marks: marksSchema,
  history: v.array(
    v.object({ at: v.number(), mean: v.number(), low: v.number(), high: v.number(), clean: v.boolean() }),
  ),
});
export type SkillStateBody = v.InferOutput<typeof skillStateSchema>;

export const painSchema = v.object({
  status: v.picklist(['free', 'stopped today', 'locked', 'returning']),
  where: v.optional(v.string()),
  side: v.optional(v.string()),
  sinceDay: v.optional(v.string()),
  cleared: v.optional(v.boolean()),
  earliestDay: v.optional(v.string()),
});
export type PainBody = v.InferOutput<typeof painSchema>;

/** One strand of one student on the Board. */
export const strandCellSchema = v.object({
  strandId: v.string(),
  /** Null until something of it was met. */
  chance: v.nullable(chanceSchema),
  met: v.number(),
  of: v.number(),
  marks: marksSchema,
});
export type StrandCell = v.InferOutput<typeof strandCellSchema>;
