/** What a student holds, as the server says it. */
import { EVIDENCE_KINDS, type DrillFamily } from '@finch/core/drills';
import { MASTERY_STATES } from '@finch/core/mastery';
import * as v from 'valibot';
import { reasonSchema } from './basics';
import { outcomeSchema, resultSchema, sourceSchema } from './drills';

export const chanceSchema = v.object({ mean: v.number(), low: v.number(), high: v.number() });
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
  /** The hand that may play alone while playing is locked. */
  oneHand: v.optional(v.picklist(['left', 'right'])),
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

/** Why a skill's number is what it is: the takes that made it, the newest first, and one sentence. */
export const whySchema = v.object({
  skillId: v.string(),
  now: v.nullable(v.number()),
  parts: v.object({ start: v.number(), takes: v.number(), away: v.number() }),
  story: reasonSchema,
  advice: v.nullable(reasonSchema),
  takes: v.array(
    v.object({
      id: v.string(),
      at: v.number(),
      day: v.string(),
      family: v.custom<DrillFamily>((family) => typeof family === 'string'),
      source: sourceSchema,
      tempoBpm: v.nullable(v.number()),
      result: resultSchema,
      steps: v.nullable(v.object({ clean: v.number(), all: v.number() })),
      fault: v.nullable(outcomeSchema),
      before: v.number(),
      after: v.number(),
    }),
  ),
  counted: v.number(),
  apart: v.array(
    v.object({ kind: v.picklist(EVIDENCE_KINDS), takes: v.number(), clean: v.number(), lastAt: v.number() }),
  ),
});
export type WhyBody = v.InferOutput<typeof whySchema>;

/** Bits of the marks of a skill in a class. */
export const MARK_BITS = { due: 1, slipping: 2, stuck: 4 } as const;

/** All skills by all students: of each student three lists in the order of `skills`. */
export const classSchema = v.object({
  version: v.string(),
  skills: v.array(v.string()),
  students: v.array(
    v.object({
      id: v.string(),
      name: v.string(),
      /** Chance of a clean take at target tempo, null until met. */
      chances: v.array(v.nullable(v.number())),
      /** Places in the list of states. */
      states: v.array(v.number()),
      /** Sums of `MARK_BITS`. */
      marks: v.array(v.number()),
    }),
  ),
});
export type ClassBody = v.InferOutput<typeof classSchema>;
