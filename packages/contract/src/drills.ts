/** Recipes, items and takes as they travel and are stored. Closed unions: what is not named here is refused. */
import {
  FAMILY_SPECS,
  LADDER_ROUNDS,
  PAIN_PLACES,
  SLIPS,
  type Item,
  type Recipe,
  type Spec,
  type Specs,
  type Take,
} from '@finch/core/drills';
import * as v from 'valibot';
import { instantSchema, zoneSchema } from './basics';

const fretSchema = v.nullable(
  v.pipe(v.number(), v.integer(), v.minValue(0, 'fret 0 or higher'), v.maxValue(24, 'fret 24 or lower')),
);
export const fretsSchema = v.pipe(
  v.array(fretSchema),
  v.minLength(4, 'four strings or more'),
  v.maxLength(8, 'eight strings or fewer'),
);
const fingerSchema = v.nullable(v.picklist([0, 1, 2, 3, 4, 'T']));
const chordTextSchema = v.pipe(
  v.string('a chord symbol'),
  v.minLength(1, 'a chord symbol'),
  v.maxLength(40, 'a chord symbol of at most 40 characters'),
);
const pitchSchema = v.pipe(v.number(), v.integer(), v.minValue(20), v.maxValue(90));
const capoSchema = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(11));
const stringNumberSchema = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(8));
const whole = (low: number, high: number) =>
  v.pipe(v.number(), v.integer(), v.minValue(low), v.maxValue(high));

const gripItemSchema = v.object({
  kind: v.literal('grip'),
  frets: fretsSchema,
  fingers: v.pipe(v.array(fingerSchema), v.maxLength(8)),
  tuning: v.pipe(v.array(pitchSchema), v.minLength(4), v.maxLength(8)),
  capo: capoSchema,
  chord: chordTextSchema,
});
const shortText = v.pipe(v.string(), v.maxLength(40));

const itemSchema: v.GenericSchema<unknown, Item> = v.variant('kind', [
  gripItemSchema,
  v.object({
    kind: v.literal('change'),
    from: gripItemSchema,
    to: gripItemSchema,
    gapBeats: v.optional(v.pipe(v.number('beats'), v.minValue(0.05), v.maxValue(16))),
  }),
  v.object({ kind: v.literal('note'), string: stringNumberSchema, fret: whole(0, 24), name: shortText }),
  v.object({ kind: v.literal('interval'), root: shortText, degree: shortText }),
  v.object({ kind: v.literal('key'), key: shortText }),
  v.object({
    kind: v.literal('progression'),
    key: shortText,
    numerals: v.pipe(v.array(shortText), v.maxLength(64)),
  }),
  v.object({
    kind: v.literal('line'),
    notes: v.pipe(
      v.array(v.object({ string: stringNumberSchema, fret: whole(0, 24), finger: whole(0, 4) })),
      v.maxLength(256),
    ),
  }),
  v.object({ kind: v.literal('strum'), pattern: v.pipe(v.string(), v.maxLength(200)) }),
  v.object({
    kind: v.literal('section'),
    pieceId: shortText,
    fromBar: whole(1, 10_000),
    toBar: whole(1, 10_000),
  }),
]);

const namedGripSchema = v.object({ chord: chordTextSchema, frets: fretsSchema });
const tempoSchema = v.pipe(
  v.number('a tempo in beats a minute'),
  v.minValue(20, 'a tempo of 20 or more'),
  v.maxValue(300, 'a tempo of 300 or less'),
);
const noteNameSchema = v.pipe(v.string('a note'), v.regex(/^[A-G](##|bb|#|b)?$/, 'a note, like Ab'));
const keySchema = v.pipe(v.string('a key'), v.minLength(1, 'a key, like Ab major'), v.maxLength(40));
const qualitySchema = v.pipe(v.string('a quality'), v.minLength(1, 'a quality'), v.maxLength(40));

/** How a parameter of a family is checked as it travels: by the bounds the family gives. */
function schemaOf(spec: Spec): v.GenericSchema {
  const schema = bareSchemaOf(spec);
  return spec.optional ? v.optional(schema) : schema;
}
function bareSchemaOf(spec: Spec): v.GenericSchema {
  switch (spec.is) {
    case 'whole':
      return v.pipe(
        v.number('a number'),
        v.integer('a whole number'),
        v.minValue(spec.least, `${spec.least} or more`),
        v.maxValue(spec.most, `${spec.most} or less`),
      );
    case 'number':
      return v.pipe(
        v.number('a number'),
        v.minValue(spec.least, `${spec.least} or more`),
        v.maxValue(spec.most, `${spec.most} or less`),
      );
    case 'string number':
      return stringNumberSchema;
    case 'one of':
      return v.picklist(spec.values, `one of ${spec.values.join(', ')}`);
    case 'yes or no':
      return v.boolean('yes or no');
    case 'text':
      return v.pipe(
        v.string(spec.what),
        v.minLength(spec.least, spec.what),
        v.maxLength(spec.most, `${spec.what} of at most ${spec.most} characters`),
      );
    case 'chord':
      return chordTextSchema;
    case 'note':
      return noteNameSchema;
    case 'key':
      return keySchema;
    case 'quality':
      return qualitySchema;
    case 'grip':
      return namedGripSchema;
    case 'frets or none':
      return v.nullable(fretsSchema);
    case 'list':
      return v.pipe(
        v.array(schemaOf(spec.of)),
        v.minLength(spec.least, `${spec.least} or more`),
        v.maxLength(spec.most, `at most ${spec.most}`),
      );
    case 'three': {
      const one = schemaOf(spec.of);
      return v.tuple([one, one, one]);
    }
    case 'record':
      return recordSchemaOf(spec.of);
  }
}
const recordSchemaOf = (specs: Specs) =>
  v.object(Object.fromEntries(Object.entries(specs).map(([name, spec]) => [name, schemaOf(spec)])));

/** Of every family in the list, by its own data; what is given beyond that is left out. */
export const recipeSchema = v.variant(
  'family',
  FAMILY_SPECS.map((family) =>
    v.object({
      schemaVersion: v.literal(1),
      version: v.literal(1),
      seed: v.pipe(v.number(), v.integer()),
      family: v.literal(family.name),
      parameters: recordSchemaOf(family.parameters),
    }),
  ),
  // The type of a recipe follows from the same data.
) as v.GenericSchema<unknown, unknown> as v.GenericSchema<unknown, Recipe>;

const feelSchema = v.variant('hand', [
  v.object({ hand: v.literal('easy') }),
  v.object({ hand: v.literal('tense') }),
  v.object({
    hand: v.literal('pain'),
    where: v.picklist(PAIN_PLACES, 'where it hurts'),
    side: v.picklist(['left', 'right', 'both']),
    skinBroken: v.optional(v.boolean()),
  }),
]);

export const resultSchema = v.picklist(['clean', 'nearly', 'not yet'], 'clean, nearly or not yet');
export const sourceSchema = v.picklist([
  'self',
  'teacher',
  'quiz',
  'paper',
  'recording',
  'listener',
  'simulated',
]);
export const outcomeSchema = v.picklist([
  'clean',
  'buzz',
  'dead',
  'stray string',
  'wrong note',
  'late',
  'early',
]);

export const takeSchema: v.GenericSchema<unknown, Take> = v.pipe(
  v.object({
    recipe: recipeSchema,
    items: v.pipe(
      v.array(itemSchema),
      v.minLength(1, 'at least one item'),
      v.maxLength(128, 'at most 128 items'),
    ),
    startedAt: instantSchema,
    timeZone: zoneSchema,
    durationSeconds: v.pipe(v.number(), v.minValue(0), v.maxValue(7200, 'two hours at most')),
    tempoBpm: v.nullable(tempoSchema),
    steps: v.pipe(v.array(outcomeSchema), v.maxLength(500)),
    count: v.optional(
      v.object({
        clean: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(400, 'at most 400 changes')),
        seconds: v.pipe(
          v.number(),
          v.minValue(10, 'ten seconds or more'),
          v.maxValue(600, 'ten minutes at most'),
        ),
      }),
    ),
    ladder: v.optional(
      v.pipe(
        v.array(v.object({ bpm: tempoSchema, clean: v.boolean() })),
        v.minLength(1, 'at least one round'),
        v.maxLength(LADDER_ROUNDS.plain, `at most ${LADDER_ROUNDS.plain} rounds`),
      ),
    ),
    calls: v.optional(
      v.pipe(
        v.array(
          v.object({
            seconds: v.pipe(v.number('seconds'), v.minValue(0), v.maxValue(7200, 'two hours at most')),
            slip: v.optional(v.picklist(SLIPS)),
          }),
        ),
        v.maxLength(500),
      ),
    ),
    note: v.optional(v.pipe(v.string(), v.maxLength(300, 'at most 300 characters'))),
    result: resultSchema,
    feel: v.nullable(feelSchema),
    source: sourceSchema,
  }),
  v.forward(
    v.check(({ calls, steps }) => !calls || calls.length === steps.length, 'one call for each step'),
    ['calls'],
  ),
);
