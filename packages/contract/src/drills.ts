/** Recipes, items and takes as they travel and are stored. Closed unions: what is not named here is refused. */
import {
  CHANGE_PIECES,
  LADDER_ROUNDS,
  PAIN_PLACES,
  ROOT_ANSWERS,
  SECTION_LIMITS,
  SECTION_PARTS,
  STRUM_LEVELS,
  type Item,
  type Recipe,
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
  v.object({ kind: v.literal('change'), from: gripItemSchema, to: gripItemSchema }),
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

const FORMS = ['C', 'A', 'G', 'E', 'D'] as const;
const namedGripSchema = v.object({ chord: chordTextSchema, frets: fretsSchema });
const tempoSchema = v.pipe(
  v.number('a tempo in beats a minute'),
  v.minValue(20, 'a tempo of 20 or more'),
  v.maxValue(300, 'a tempo of 300 or less'),
);
const head = { schemaVersion: v.literal(1), version: v.literal(1), seed: v.pipe(v.number(), v.integer()) };

const rootStringSchema = v.picklist([5, 6]);
const rootAnswerSchema = v.picklist(ROOT_ANSWERS);
const secondsSchema = v.pipe(v.number(), v.minValue(2), v.maxValue(20));
const noteNameSchema = v.pipe(v.string('a note'), v.regex(/^[A-G](##|bb|#|b)?$/, 'a note, like Ab'));
const keySchema = v.pipe(v.string('a key'), v.minLength(1, 'a key, like Ab major'), v.maxLength(40));
const qualitySchema = v.pipe(v.string('a quality'), v.minLength(1), v.maxLength(40));
const loopGripsSchema = v.pipe(
  v.array(namedGripSchema),
  v.minLength(1, 'one grip or more'),
  v.maxLength(4, 'four grips or fewer'),
);
const progressionSchema = (most: number) =>
  v.object({ key: shortText, numerals: v.pipe(v.array(shortText), v.maxLength(most)) });

export const recipeSchema: v.GenericSchema<unknown, Recipe> = v.variant('family', [
  v.object({
    ...head,
    family: v.literal('warm up'),
    parameters: v.object({ minutes: whole(1, 15), startFret: v.optional(whole(1, 20)) }),
  }),
  v.object({
    ...head,
    family: v.literal('root call'),
    parameters: v.object({
      rootString: rootStringSchema,
      answer: rootAnswerSchema,
      count: whole(1, 120),
      secondsPerCall: secondsSchema,
      maxFret: whole(3, 20),
      minFret: v.optional(whole(0, 20)),
      grid: v.optional(
        v.object({
          rootStrings: v.pipe(v.array(rootStringSchema), v.minLength(1), v.maxLength(2)),
          answers: v.pipe(v.array(rootAnswerSchema), v.minLength(1), v.maxLength(ROOT_ANSWERS.length)),
          weak: v.pipe(
            v.array(v.object({ rootString: rootStringSchema, answer: rootAnswerSchema, fret: whole(0, 24) })),
            v.maxLength(240),
          ),
        }),
      ),
    }),
  }),
  v.object({
    ...head,
    family: v.literal('string walk'),
    parameters: v.object({
      string: stringNumberSchema,
      key: keySchema,
      maxFret: whole(3, 24),
      calls: whole(1, 48),
      secondsPerCall: secondsSchema,
    }),
  }),
  v.object({
    ...head,
    family: v.literal('note reading'),
    parameters: v.object({
      position: whole(0, 21),
      strings: stringNumberSchema,
      key: keySchema,
      count: whole(1, 48),
      secondsPerNote: secondsSchema,
    }),
  }),
  v.object({
    ...head,
    family: v.literal('formula'),
    parameters: v.object({
      grip: namedGripSchema,
      targets: v.pipe(v.array(qualitySchema), v.minLength(1, 'one quality or more'), v.maxLength(32)),
      secondsPerCall: secondsSchema,
    }),
  }),
  v.object({
    ...head,
    family: v.literal('family ladder'),
    parameters: v.object({
      root: noteNameSchema,
      form: v.picklist(FORMS),
      fret: v.optional(whole(1, 24)),
      beatsEach: whole(2, 16),
      tempoBpm: v.optional(tempoSchema),
    }),
  }),
  v.object({
    ...head,
    family: v.literal('five forms'),
    parameters: v.object({
      root: noteNameSchema,
      quality: qualitySchema,
      order: v.picklist(['up', 'up and down']),
      barsEach: whole(1, 4),
      keys: whole(1, 4),
      next: v.picklist(['fourths', 'fifths', 'random']),
      allowOpen: v.boolean(),
      tempoBpm: v.optional(tempoSchema),
    }),
  }),
  v.object({
    ...head,
    family: v.literal('close triads'),
    parameters: v.object({
      root: noteNameSchema,
      strings: v.tuple([stringNumberSchema, stringNumberSchema, stringNumberSchema]),
      qualities: v.pipe(
        v.array(v.picklist(['major', 'minor', 'diminished', 'augmented'])),
        v.minLength(1, 'one quality or more'),
        v.maxLength(4),
      ),
      progression: v.optional(progressionSchema(16)),
      beatsEach: whole(2, 8),
      tempoBpm: v.optional(tempoSchema),
    }),
  }),
  v.object({
    ...head,
    family: v.literal('change loop'),
    parameters: v.object({
      grips: v.pipe(
        v.array(namedGripSchema),
        v.minLength(2, 'two grips or more'),
        v.maxLength(4, 'four grips or fewer'),
      ),
      beatsEach: whole(2, 8),
      tempoBpm: v.optional(tempoSchema),
      progression: v.optional(progressionSchema(16)),
      piece: v.optional(v.picklist(CHANGE_PIECES)),
    }),
  }),
  v.object({
    ...head,
    family: v.literal('bass walk'),
    parameters: v.object({
      from: chordTextSchema,
      to: chordTextSchema,
      key: keySchema,
      way: v.picklist(['up', 'down']),
      by: v.picklist(['scale', 'half steps']),
      back: v.boolean(),
      beatsEach: whole(2, 8),
      tempoBpm: v.optional(tempoSchema),
    }),
  }),
  v.object({
    ...head,
    family: v.literal('strum reading'),
    parameters: v.object({
      grips: loopGripsSchema,
      beats: whole(2, 7),
      level: whole(1, STRUM_LEVELS),
      bars: whole(2, 16),
      tempoBpm: v.optional(tempoSchema),
    }),
  }),
  v.object({
    ...head,
    family: v.literal('picking pattern'),
    parameters: v.object({
      grips: loopGripsSchema,
      pattern: v.pipe(
        v.string('a pattern'),
        v.minLength(1, 'a pattern, like p i m a'),
        v.maxLength(160, 'a pattern of at most 160 characters'),
      ),
      perBeat: whole(1, 4),
      beats: whole(2, 7),
      barsEach: whole(1, 4),
      bass: v.picklist(['root', 'alternating']),
      striker: v.picklist(['fingers', 'plectrum']),
      tempoBpm: v.optional(tempoSchema),
    }),
  }),
  v.object({
    ...head,
    family: v.literal('piece section'),
    parameters: v.object({
      pieceId: shortText,
      title: v.pipe(v.string('a title'), v.maxLength(120, 'a title of at most 120 characters')),
      fromBar: whole(1, 10_000),
      toBar: whole(1, 10_000),
      chart: v.pipe(
        v.string('bars as a chart'),
        v.minLength(1, 'bars as a chart'),
        v.maxLength(SECTION_LIMITS.characters, `at most ${SECTION_LIMITS.characters} characters`),
      ),
      grips: v.pipe(
        v.array(v.nullable(fretsSchema)),
        v.maxLength(SECTION_LIMITS.chords, `at most ${SECTION_LIMITS.chords} chords`),
      ),
      part: v.picklist(SECTION_PARTS),
      tempoBpm: v.optional(tempoSchema),
    }),
  }),
  v.object({ ...head, family: v.literal('ring check'), parameters: v.object({ grip: namedGripSchema }) }),
]);

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

const resultSchema = v.picklist(['clean', 'nearly', 'not yet'], 'clean, nearly or not yet');
const outcomeSchema = v.picklist(['clean', 'buzz', 'dead', 'stray string', 'wrong note', 'late', 'early']);

export const takeSchema: v.GenericSchema<unknown, Take> = v.object({
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
  result: resultSchema,
  feel: v.nullable(feelSchema),
  source: v.picklist(['self', 'teacher', 'quiz', 'paper', 'recording', 'listener', 'simulated']),
});
