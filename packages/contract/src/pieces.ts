/** A piece of the studio's repertoire as it travels and is stored: its chart as text, and what was settled about it. */
import { CHART_LIMITS, PART_KINDS, readChart, readChordPlace } from '@finch/core/score';
import * as v from 'valibot';
import { birthDaySchema, idSchema, personNameSchema, seenVersionSchema } from './basics';
import { fretsSchema } from './drills';

/** A chart without a fault, under a title; the first fault is said with its place. */
export const chartSchema = v.pipe(
  v.string('a chart as text'),
  v.maxLength(CHART_LIMITS.characters, `a chart of at most ${CHART_LIMITS.characters} characters`),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const { piece, problems } = readChart(dataset.value);
    const [first] = problems;
    if (first) addIssue({ message: `line ${first.line}, column ${first.column}: ${first.detail}` });
    else if (piece.title === '') addIssue({ message: 'a title, as in title: Tin Heron' });
  }),
);

const fingersSchema = v.array(v.nullable(v.picklist([0, 1, 2, 3, 4, 'T'])));

/** A grip a teacher locked, by the place of its chord as `chordPlace` writes it. */
const lockSchema = v.object({ frets: fretsSchema, fingers: v.optional(fingersSchema) });
const locksSchema = v.pipe(
  v.record(
    v.pipe(
      v.string(),
      v.check((place) => readChordPlace(place) !== null, 'section.bar.beat'),
      v.transform((place) => readChordPlace(place) ?? place),
    ),
    lockSchema,
  ),
  v.check((locks) => Object.keys(locks).length <= 400, 'at most 400 locked grips'),
);

const concertSchema = v.object({ name: personNameSchema, day: birthDaySchema });

/** What a writer settles; the server adds nothing to it but the version. */
export const pieceContentSchema = v.object({
  chart: chartSchema,
  concert: v.nullable(concertSchema),
  locks: locksSchema,
  /** Which part a student was given by hand; the rest is solved around it. */
  parts: v.pipe(
    v.record(idSchema, v.picklist(PART_KINDS)),
    v.check((parts) => Object.keys(parts).length <= 100, 'parts for at most 100 students'),
  ),
});
export type PieceContent = v.InferOutput<typeof pieceContentSchema>;

export const pieceSchema = v.object({
  id: idSchema,
  version: seenVersionSchema,
  /** Whether the one who reads it may write it: the studio's is a teacher's, one's own is one's own. */
  mayChange: v.boolean(),
  ...pieceContentSchema.entries,
});
export type PieceBody = v.InferOutput<typeof pieceSchema>;

/** Stored content, of whatever schema version it was written under; null for what cannot be read. */
export function readPieceContent(stored: unknown): PieceContent | null {
  const read = v.safeParse(pieceContentSchema, stored);
  return read.success ? read.output : null;
}
