/** A student's week at home as it travels and is stored, and what its place shows. */
import { BLOCK_KINDS, WEEK, type HomeWeek } from '@finch/core/planning';
import * as v from 'valibot';
import { birthDaySchema, reasonSchema } from './basics';
import { recipeSchema } from './drills';
import { painSchema } from './mastery';

const wholeMinutes = v.pipe(
  v.number('minutes'),
  v.integer('whole minutes'),
  v.minValue(0, `0 to ${WEEK.mostMinutes} minutes`),
  v.maxValue(WEEK.mostMinutes, `0 to ${WEEK.mostMinutes} minutes`),
);
export const weekDaysSchema = v.pipe(
  v.array(v.object({ day: birthDaySchema, minutes: wholeMinutes })),
  v.minLength(1, 'a day or more'),
  v.maxLength(WEEK.mostDays, `at most ${WEEK.mostDays} days`),
  v.check((days) => days.every(({ day }, i) => i === 0 || days[i - 1].day < day), 'days one after the other'),
);

const shortId = v.pipe(v.string(), v.maxLength(120));
const rowSchema = v.object({
  id: shortId,
  kind: v.picklist(BLOCK_KINDS),
  title: reasonSchema,
  because: reasonSchema,
  skillId: v.nullable(v.pipe(v.string(), v.maxLength(80))),
  recipe: recipeSchema,
  effort: v.pipe(v.number(), v.minValue(0), v.maxValue(100)),
  barreShare: v.pipe(v.number(), v.minValue(0), v.maxValue(1)),
  minutes: v.pipe(v.array(wholeMinutes), v.maxLength(WEEK.mostDays)),
  aimBpm: v.nullable(v.pipe(v.number(), v.minValue(1), v.maxValue(400))),
});

/** A week whose rows have minutes for each of its days. */
export const homeWeekSchema: v.GenericSchema<unknown, HomeWeek> = v.pipe(
  v.object({
    schemaVersion: v.literal(1),
    days: weekDaysSchema,
    rows: v.pipe(
      v.array(rowSchema),
      v.maxLength(30, 'at most 30 rows'),
      v.check((rows) => new Set(rows.map(({ id }) => id)).size === rows.length, 'each row once'),
    ),
    leftOut: v.pipe(
      v.array(v.object({ title: reasonSchema, skillId: shortId, because: reasonSchema })),
      v.maxLength(20),
    ),
    modelVersion: v.pipe(v.string(), v.maxLength(40)),
  }),
  v.forward(
    v.check(
      ({ days, rows }) => rows.every(({ minutes }) => minutes.length === days.length),
      'minutes for each of the days',
    ),
    ['rows'],
  ),
);

/** Days of the week on which somebody practises, 1 Monday to 7 Sunday. */
export const practiceDaysSchema = v.pipe(
  v.array(v.pipe(v.number(), v.integer('1 Monday to 7 Sunday'), v.minValue(1), v.maxValue(7))),
  v.maxLength(7),
  v.check((days) => new Set(days).size === days.length, 'each day once'),
);
export const practiceMinutesSchema = v.pipe(
  v.number('minutes'),
  v.integer('whole minutes'),
  v.minValue(5, '5 to 180 minutes a day'),
  v.maxValue(WEEK.mostMinutes, '5 to 180 minutes a day'),
);

export const homeworkSchema = v.object({
  student: v.object({ id: v.string(), name: v.string(), version: v.number() }),
  practice: v.object({ days: practiceDaysSchema, minutes: v.number() }),
  /** The student's day, YYYY-MM-DD, by the student's clock. */
  today: v.string(),
  timeZone: v.string(),
  pain: painSchema,
  /** The hand's limits that a day is held to. */
  limits: v.object({ load: v.number(), barreMinutes: v.number() }),
  /** Of the week kept last; 0 where none was. */
  version: v.number(),
  week: v.nullable(homeWeekSchema),
  keptAt: v.nullable(v.string()),
  /** Days on which a skill of that week was played since it began, by skill. */
  played: v.record(v.string(), v.array(v.string())),
  /** When the student comes next after today; null where nothing is booked. */
  nextLessonAt: v.nullable(v.string()),
});
export type HomeworkBody = v.InferOutput<typeof homeworkSchema>;

/** A stored week of any earlier version; null when it is none. */
export function upcastWeek(stored: unknown): HomeWeek | null {
  const parsed = v.safeParse(homeWeekSchema, stored);
  return parsed.success ? parsed.output : null;
}
