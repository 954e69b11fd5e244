/** Letters to those at home: written by a teacher, or by the house when a hand hurts; they wait in the outbox. */
import * as v from 'valibot';
import { personNameSchema, reasonSchema } from './basics';

/** Waiting until somebody handed it on (printed, or saved for the post), or took it back. */
export const LETTER_STATES = ['waiting', 'handed on', 'taken back'] as const;

const sentenceSchema = v.pipe(
  v.string('text'),
  v.trim(),
  v.minLength(1, 'some words'),
  v.maxLength(2000, 'at most 2000 characters'),
);
/** Words as they were written, or what the house says as data: a code and the values that decided it. */
const wordsSchema = v.union([sentenceSchema, reasonSchema], 'words');

export const letterContentSchema = v.object({
  /** Who it is for, by name; nobody where none is known: "the parents of". */
  to: v.pipe(v.array(personNameSchema), v.maxLength(6, 'at most six names')),
  subject: v.union(
    [v.pipe(sentenceSchema, v.maxLength(120, 'at most 120 characters')), reasonSchema],
    'a subject',
  ),
  paragraphs: v.pipe(
    v.array(wordsSchema),
    v.minLength(1, 'at least one paragraph'),
    v.maxLength(40, 'at most forty paragraphs'),
  ),
});
export type LetterContent = v.InferOutput<typeof letterContentSchema>;

export const letterSchema = v.object({
  id: v.string(),
  studentId: v.string(),
  student: v.string(),
  kind: v.picklist(['report', 'pain']),
  state: v.picklist(LETTER_STATES),
  version: v.number(),
  madeAt: v.string(),
  /** Who wrote it; null for the house. */
  by: v.nullable(v.string()),
  content: letterContentSchema,
});
export type LetterBody = v.InferOutput<typeof letterSchema>;
export const lettersSchema = v.object({ letters: v.array(letterSchema) });
