/** What a parent asks: the week, what is home for practice, the last lesson and the next, one sentence of progress, pain. */
import * as v from 'valibot';
import { reasonSchema } from './basics';
import { painSchema } from './mastery';

export const reportSchema = v.object({
  student: v.object({ id: v.string(), name: v.string(), timeZone: v.string() }),
  /** The seven days up to today, by the student's clock; minutes are whole. */
  week: v.object({ minutes: v.number(), days: v.number(), aim: v.number() }),
  home: v.array(v.object({ id: v.string(), title: v.string(), since: v.string() })),
  /** The last lesson that was taught: what was done in it. */
  last: v.nullable(v.object({ startsAt: v.string(), did: v.array(reasonSchema) })),
  /** The next one, and what is planned for it; nothing is named where no plan was kept. */
  next: v.nullable(v.object({ startsAt: v.string(), minutes: v.number(), brings: v.array(reasonSchema) })),
  /** Who is in charge of the student, by name. */
  guardians: v.array(v.string()),
  progress: reasonSchema,
  pain: painSchema,
});
export type ReportBody = v.InferOutput<typeof reportSchema>;
