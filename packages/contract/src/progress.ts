/** What the studio's logs say a teacher should look at: stuck, surprising, tense; and how well predictions held. */
import * as v from 'valibot';
import { chanceSchema, painSchema } from './mastery';

const whoSchema = { studentId: v.string(), name: v.string() };
const ofSkill = { ...whoSchema, skillId: v.string(), skill: v.string() };

const heldSchema = v.object({
  takes: v.number(),
  classes: v.array(
    v.object({
      takes: v.number(),
      said: v.number(),
      came: v.number(),
      low: v.number(),
      high: v.number(),
      off: v.nullable(v.picklist(['hopeful', 'modest'])),
    }),
  ),
  logLoss: v.nullable(v.number()),
  runningMean: v.nullable(v.number()),
});

export const progressSchema = v.object({
  now: v.number(),
  /** The longest without gain first; `more` are not listed. */
  stuck: v.object({
    list: v.array(
      v.object({
        ...ofSkill,
        takes: v.number(),
        now: v.number(),
        /** The last weeks: ms since 1970 and the chance with its band. */
        points: v.array(v.object({ at: v.number(), ...chanceSchema.entries, clean: v.boolean() })),
      }),
    ),
    all: v.number(),
    students: v.number(),
  }),
  /** Of the last week, the most surprising first. */
  surprises: v.array(
    v.object({
      ...ofSkill,
      at: v.number(),
      takes: v.number(),
      clean: v.number(),
      said: v.number(),
      low: v.number(),
      high: v.number(),
      came: v.number(),
    }),
  ),
  /** Hands that were tense twice or more lately in one thing; effort is that of the day, the limit today's. */
  tense: v.array(
    v.object({
      ...ofSkill,
      hard: v.number(),
      of: v.number(),
      pain: v.boolean(),
      chord: v.nullable(v.string()),
      effort: v.nullable(v.number()),
      limit: v.number(),
      at: v.number(),
    }),
  ),
  hurting: v.array(v.object({ ...whoSchema, pain: painSchema })),
  held: v.object({
    all: heldSchema,
    students: v.array(v.object({ ...whoSchema, takes: v.number(), held: heldSchema })),
  }),
  /** Letters that wait in the outbox. */
  letters: v.number(),
});
export type ProgressBody = v.InferOutput<typeof progressSchema>;
export type HeldBody = v.InferOutput<typeof heldSchema>;
