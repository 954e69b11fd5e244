/** A teacher's own marks: a fingering pinned for a student, a nickname or picture on a grip or change. */
import * as v from 'valibot';
import { seenVersionSchema } from './basics';

const PICTURE_LENGTH = 120_000;

/** The text a mark hangs on, as the core's `gripMark` or `changeMark` writes it. */
const markSubjectSchema = v.pipe(
  v.string('what the mark is on'),
  v.regex(/^\d+(-\d+){3,7} [0-9x-]+( > [0-9x-]+)?$/, 'a grip or a change with its tuning'),
  v.maxLength(120),
);

export const fingersSchema = v.pipe(
  v.array(v.nullable(v.picklist([0, 1, 2, 3, 4, 'T']))),
  v.minLength(4, 'a finger for each string'),
  v.maxLength(8, 'a finger for each string'),
);
export const pinSchema = v.object({
  subject: markSubjectSchema,
  fingers: fingersSchema,
  version: seenVersionSchema,
});
export type Pin = v.InferOutput<typeof pinSchema>;

export const hookSchema = v.object({
  subject: markSubjectSchema,
  nickname: v.pipe(v.string('a nickname'), v.trim(), v.maxLength(60, 'a nickname of at most 60 characters')),
  /** A small picture as a data address; null for none. */
  picture: v.nullable(
    v.pipe(
      v.string(),
      v.regex(/^data:image\/(png|jpeg|webp);base64,[A-Za-z0-9+/=]+$/, 'a PNG, JPEG or WebP picture'),
      v.maxLength(PICTURE_LENGTH, 'a picture of at most 90 kB'),
    ),
  ),
  version: seenVersionSchema,
});
export type Hook = v.InferOutput<typeof hookSchema>;

export const marksSchema = v.object({ pins: v.array(pinSchema), hooks: v.array(hookSchema) });
export type Marks = v.InferOutput<typeof marksSchema>;
