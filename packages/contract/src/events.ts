/** The log as it is sent: what the client made before the first send. The server adds receipt and actor. */
import type { EventBodies, EventKind, EventSaid } from '@finch/core/mastery';
import * as v from 'valibot';
import { idSchema, instantSchema, LARGEST_WHOLE } from './basics';
import { recipeSchema, takeSchema } from './drills';
import { stateWordSchema } from './mastery';

const headSchema = v.object({
  schemaVersion: v.literal(1),
  id: idSchema,
  studentId: idSchema,
  deviceId: idSchema,
  deviceSeq: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(LARGEST_WHOLE)),
  sentAt: instantSchema,
});

const askedAboutSchema = v.object({
  title: v.pipe(v.string(), v.minLength(1), v.maxLength(200)),
  recipe: v.nullable(recipeSchema),
});
/** Longest question or answer, in characters. */
export const MOST_SAID = 600;
const saidSchema = v.pipe(v.string(), v.trim(), v.minLength(1, 'some words'), v.maxLength(MOST_SAID));

/** A question as it stands, for the card it was asked from and for the Board. */
export const questionSchema = v.object({
  id: v.string(),
  studentId: v.string(),
  about: askedAboutSchema,
  text: v.string(),
  /** ms since 1970. */
  at: v.number(),
  answer: v.nullable(v.object({ id: v.string(), text: v.string(), at: v.number() })),
});

/** What each kind says, field by field. */
const bodies: {
  readonly [K in EventKind]: {
    readonly [F in keyof EventBodies[K]]: v.GenericSchema<unknown, EventBodies[K][F]>;
  };
} = {
  attempt: { take: takeSchema },
  void: { voids: idSchema, at: instantSchema },
  override: {
    skillId: v.pipe(v.string(), v.maxLength(80)),
    state: v.nullable(stateWordSchema),
    at: instantSchema,
  },
  clearance: { at: instantSchema, oneHand: v.optional(v.picklist(['left', 'right', 'none'])) },
  question: { about: askedAboutSchema, text: saidSchema, at: instantSchema },
  answer: { to: idSchema, text: saidSchema, at: instantSchema },
  'check-up': {
    takes: v.pipe(
      v.array(v.object({ skillId: v.pipe(v.string(), v.maxLength(80)), takeId: idSchema })),
      v.minLength(1, 'one take or more'),
      v.maxLength(12),
    ),
    at: instantSchema,
  },
};
export const EVENT_KINDS = Object.keys(bodies) as [EventKind, ...EventKind[]];

export type SentEvent = v.InferOutput<typeof headSchema> & EventSaid;
export const sentEventSchema = v.variant(
  'kind',
  EVENT_KINDS.map((kind) => v.object({ ...headSchema.entries, kind: v.literal(kind), ...bodies[kind] })),
) as v.GenericSchema<unknown, SentEvent>;

export const eventBatchSchema = v.object({
  events: v.pipe(
    v.array(v.unknown()),
    v.minLength(1, 'at least one event'),
    v.maxLength(200, 'at most 200 events at once'),
  ),
});

/** Every event of a batch is answered for itself: one bad take keeps no good one back. */
export const batchAnswerSchema = v.object({
  stored: v.array(v.string()),
  known: v.array(v.string()),
  refused: v.array(
    v.object({
      id: v.nullable(v.string()),
      problem: v.object({ code: v.string(), at: v.string(), detail: v.string() }),
    }),
  ),
});
export type BatchAnswer = v.InferOutput<typeof batchAnswerSchema>;
