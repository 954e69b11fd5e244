/** Small schemas that every capability shares. */
import * as v from 'valibot';

/** Any UUID of version 7; ids are made by whoever creates the thing, before the first send. */
export const idSchema = v.pipe(
  v.string('an id as text'),
  v.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/, 'a UUID of version 7'),
);

const EARLIEST = Date.UTC(2000, 0, 1);
const LATEST = Date.UTC(2100, 0, 1);

/** An instant, ISO 8601 in UTC, between 2000 and 2100. */
export const instantSchema = v.pipe(
  v.string('a date and time as text'),
  v.isoTimestamp('a date and time like 2026-06-09T15:00:00.000Z'),
  v.check((text) => isDay(text), 'a day there is'),
  v.check(
    (text) => Date.parse(text) >= EARLIEST && Date.parse(text) < LATEST,
    'a date between 2000 and 2100',
  ),
);

/** Whether a text names a day there is: no 31 February. */
const isDay = (text: string): boolean => {
  const ms = Date.parse(`${text.slice(0, 10)}T00:00:00Z`);
  return Number.isFinite(ms) && new Date(ms).toISOString().slice(0, 10) === text.slice(0, 10);
};

/** A calendar day, YYYY-MM-DD, of a person's birth. */
export const birthDaySchema = v.pipe(
  v.string('a day as text'),
  v.isoDate('a day like 2013-04-30'),
  v.check(isDay, 'a day there is'),
  v.check((text) => text >= '1900-01-01' && text < '2100-01-01', 'a day after 1900'),
);

export const zoneSchema = v.pipe(
  v.string('a time zone as text'),
  v.maxLength(64, 'a time zone name'),
  v.check(isZone, 'a region and its city, such as Europe/Vienna'),
);

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

export const personNameSchema = v.pipe(
  v.string('a name as text'),
  v.trim(),
  v.minLength(1, 'a name'),
  v.maxLength(80, 'a name of at most 80 characters'),
);

export const noteTextSchema = v.pipe(v.string('text'), v.maxLength(2000, 'at most 2000 characters'));

const valuesSchema = v.record(
  v.pipe(v.string(), v.maxLength(40)),
  v.union([v.number(), v.pipe(v.string(), v.maxLength(200))]),
);

/** A reason as data: a code and the values that decided it. */
export const reasonSchema = v.object({ code: v.pipe(v.string(), v.maxLength(60)), values: valuesSchema });

export const problemSchema = v.object({
  code: v.string(),
  at: v.string(),
  detail: v.string(),
  requestId: v.optional(v.string()),
});
export type ProblemBody = v.InferOutput<typeof problemSchema>;

/** The largest whole number a column of the database takes. */
export const LARGEST_WHOLE = 2_147_483_647;
export const versionSchema = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(LARGEST_WHOLE));
/** The version a writer saw; 0 where there was nothing yet. */
export const seenVersionSchema = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(LARGEST_WHOLE));
export const emptySchema = v.object({});
