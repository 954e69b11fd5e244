/** The check-up of a term: what is asked, and what earlier ones heard. */
import * as v from 'valibot';
import { recipeSchema, resultSchema } from './drills';
import { taughtHandSchema } from './hands';
import { painSchema } from './mastery';

export const checkUpSchema = v.object({
  student: v.object({ id: v.string(), name: v.string() }),
  taught: taughtHandSchema,
  pain: painSchema,
  /** Since when the hand on record is measured, ISO 8601; null where it never was. */
  handSince: v.nullable(v.string()),
  /** Still growing: the hand is measured again each term. */
  grows: v.boolean(),
  items: v.array(v.object({ skillId: v.string(), name: v.string(), recipe: recipeSchema })),
  /** Term by term, the first first. */
  before: v.array(
    v.object({
      id: v.string(),
      /** ms since 1970. */
      at: v.number(),
      heard: v.array(
        v.object({
          skillId: v.string(),
          name: v.string(),
          recipe: recipeSchema,
          result: resultSchema,
          tempoBpm: v.nullable(v.number()),
        }),
      ),
    }),
  ),
});
export type CheckUpBody = v.InferOutput<typeof checkUpSchema>;
