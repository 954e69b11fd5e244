/** A whole syllabus as it travels, is stored and is written to a file: the published schema is made of this. */
import { FAMILY_SPECS } from '@finch/core/drills';
import { PRACTICE_STEPS, type Syllabus } from '@finch/core/syllabus';
import * as v from 'valibot';
import { recipeSchema } from './drills';

/** Skills of one syllabus at most; a full one has under two hundred. */
export const MOST_SKILLS = 700;

const nameSchema = v.pipe(
  v.string('a name as text'),
  v.trim(),
  v.minLength(1, 'a name'),
  v.maxLength(80, 'a name of at most 80 characters'),
);
const sentenceSchema = v.pipe(
  v.string('a sentence'),
  v.maxLength(300, 'a sentence of at most 300 characters'),
);
const slugSchema = v.pipe(
  v.string('an id as text'),
  v.regex(/^[a-z0-9]+([.-][a-z0-9]+)*$/, 'an id in small letters, like open.c'),
  v.maxLength(80, 'an id of at most 80 characters'),
);
const few = <S extends v.GenericSchema>(schema: S, most: number) =>
  v.pipe(v.array(schema), v.maxLength(most, `at most ${most}`));
const whole = (low: number, high: number) =>
  v.pipe(v.number('a number'), v.integer('a whole number'), v.minValue(low, `${low} or more`), v.maxValue(high, `${high} or less`)); // prettier-ignore
const word = v.pipe(v.string('text'), v.minLength(1, 'text'), v.maxLength(80, 'at most 80 characters'));
const tempoSchema = v.pipe(v.number('a tempo'), v.minValue(20, 'a tempo of 20 or more'), v.maxValue(300, 'a tempo of 300 or less')); // prettier-ignore

const gripMatchSchema = v.object({
  kind: v.literal('grip'),
  qualities: v.optional(few(word, 40)),
  grips: v.optional(few(v.pipe(v.string(), v.regex(/^[0-9x()]{4,24}$/, 'frets, like x32010')), 60)),
  layouts: v.optional(few(v.picklist(['open', 'movable', 'shell']), 3)),
  forms: v.optional(few(word, 20)),
  rootString: v.optional(whole(1, 8)),
  position: v.optional(v.tuple([whole(0, 24), whole(0, 24)])),
  topThree: v.optional(v.literal(true)),
  strings: v.optional(whole(1, 8)),
});
const plainValue = v.union([v.pipe(v.string(), v.maxLength(300)), v.number(), v.boolean()]);
const matchSchema = v.variant('kind', [
  gripMatchSchema,
  v.object({
    kind: v.literal('drill'),
    family: v.picklist(
      FAMILY_SPECS.map(({ name }) => name),
      'a family of drills',
    ),
    where: v.record(word, v.union([few(plainValue, 80), v.object({ from: v.number(), to: v.number() })])),
  }),
  v.object({
    kind: v.literal('change'),
    from: gripMatchSchema,
    to: gripMatchSchema,
    moves: v.optional(v.tuple([whole(0, 24), whole(0, 24)])),
  }),
  v.object({ kind: v.literal('note'), string: whole(1, 8) }),
  v.object({ kind: v.literal('progression'), numerals: few(word, 64) }),
]);

const skillSchema = v.object({
  id: slugSchema,
  name: nameSchema,
  sentence: sentenceSchema,
  strand: slugSchema,
  /** Each group must be met by any one of its skills. */
  needs: few(v.pipe(v.array(slugSchema), v.minLength(1, 'a skill in each group'), v.maxLength(20, 'at most 20')), 20), // prettier-ignore
  matches: v.pipe(v.array(matchSchema), v.minLength(1, 'one way of telling it'), v.maxLength(60, 'at most 60')), // prettier-ignore
  practice: v.pipe(
    v.array(v.object({ step: v.picklist(PRACTICE_STEPS), recipe: recipeSchema })),
    v.minLength(1, 'a drill that trains it'),
    v.maxLength(30, 'at most 30 drills'),
  ),
  targetBpm: v.nullable(tempoSchema),
  barre: v.boolean('true or false'),
});

export const syllabusContentSchema = v.object({
  schemaVersion: v.literal(1, 'a syllabus of schema version 1'),
  name: nameSchema,
  strands: v.pipe(
    v.array(v.object({ id: slugSchema, name: nameSchema })),
    v.minLength(1, 'a strand'),
    v.maxLength(40, 'at most 40 strands'),
  ),
  skills: v.pipe(
    v.array(skillSchema),
    v.minLength(1, 'a skill'),
    v.maxLength(MOST_SKILLS, `at most ${MOST_SKILLS} skills`),
  ),
  courses: few(
    v.object({
      id: slugSchema,
      kind: v.picklist(['way in', 'style']),
      name: nameSchema,
      sentence: sentenceSchema,
      skills: few(slugSchema, MOST_SKILLS),
    }),
    60,
  ),
}) as v.GenericSchema<unknown, unknown> as v.GenericSchema<unknown, Syllabus>;

export const syllabusVersionSchema = v.object({
  version: v.string(),
  at: v.string(),
  content: syllabusContentSchema,
});
export type SyllabusVersionBody = v.InferOutput<typeof syllabusVersionSchema>;

/** The newest first; `by` is null for one that came with the program. */
export const syllabusVersionsSchema = v.object({
  versions: v.array(
    v.object({
      version: v.string(),
      at: v.string(),
      name: v.string(),
      skills: v.number(),
      by: v.nullable(v.string()),
    }),
  ),
});
export type SyllabusVersionsBody = v.InferOutput<typeof syllabusVersionsSchema>;
