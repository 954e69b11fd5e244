/** What is asked of the printer: shape cards with their names, as a page of them or each alone, or the chart of a piece. */
import * as v from 'valibot';
import { fretsSchema, recipeSchema } from './drills';
import { handSchema, instrumentSchema, limitsSchema } from './hands';
import { chartSchema } from './pieces';

const shortText = v.pipe(v.string(), v.maxLength(80, 'at most 80 characters'));
const perString = v.pipe(v.array(v.nullable(v.pipe(v.string(), v.maxLength(8)))), v.maxLength(8));

const fingersSchema = v.pipe(
  v.array(v.nullable(v.picklist([0, 1, 2, 3, 4, 'T']))),
  v.minLength(4),
  v.maxLength(8),
);

const paperCardSchema = v.object({
  frets: fretsSchema,
  fingers: fingersSchema,
  degrees: v.optional(perString),
  notes: v.optional(perString),
  /** As they are to be printed. */
  name: shortText,
  under: v.pipe(v.string(), v.maxLength(120, 'at most 120 characters')),
});

const look = {
  title: shortText,
  foot: v.pipe(v.string(), v.maxLength(160)),
  show: v.picklist(['fingers', 'degrees', 'notes']),
  leftHanded: v.boolean(),
};
const cards = v.pipe(
  v.array(paperCardSchema),
  v.minLength(1, 'at least one card'),
  v.maxLength(120, 'at most 120 cards at once'),
);

const shown = v.pipe(v.string(), v.maxLength(40));
const line = v.pipe(v.string(), v.maxLength(160, 'at most 160 characters'));
/** Printed names by what they name. */
const named = v.pipe(
  v.record(shown, shown),
  v.check((names) => Object.keys(names).length <= 400, 'at most 400 names'),
);
const boardNoteSchema = v.object({
  stringIndex: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(7)),
  fret: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(24)),
  pitch: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(127)),
  note: v.object({
    letter: v.picklist(['C', 'D', 'E', 'F', 'G', 'A', 'B']),
    accidental: v.pipe(v.number(), v.integer(), v.minValue(-3), v.maxValue(3)),
  }),
  degree: v.pipe(v.string(), v.maxLength(6)),
  finger: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(4))),
  look: v.optional(v.picklist(['filled', 'outlined', 'care'])),
  label: v.optional(v.pipe(v.string(), v.maxLength(6))),
  root: v.optional(v.boolean()),
});

export const paperSchema = v.variant(
  'layout',
  [
    v.object({ layout: v.literal('page'), ...look, cards }),
    v.object({ layout: v.literal('single'), ...look, cards }),
    v.object({
      layout: v.literal('chart'),
      ...look,
      chart: chartSchema,
      /** Under the title, as it is to be printed. */
      facts: v.pipe(v.string(), v.maxLength(160, 'at most 160 characters')),
      /** Printed names by chord symbol. */
      names: named,
      /** For every written chord; none prints no cards. */
      grips: v.pipe(
        v.array(v.nullable(v.object({ frets: fretsSchema, fingers: fingersSchema }))),
        v.maxLength(4000, 'at most 4000 grips'),
      ),
    }),
    v.object({
      layout: v.literal('keys'),
      ...look,
      keys: v.pipe(v.array(shown), v.minLength(1, 'at least one key'), v.maxLength(30, 'at most 30 keys')),
      sevenths: v.boolean(),
      /** Homework: what is to be written is left open. */
      blank: v.boolean(),
      school: v.picklist(['by degree', 'by signature', 'by number']),
      names: named,
    }),
    v.object({
      layout: v.literal('drill'),
      ...look,
      recipe: recipeSchema,
      /** Whose hand it is made for. */
      hand: handSchema,
      instrument: instrumentSchema,
      limits: v.optional(limitsSchema),
      lines: v.pipe(v.array(v.pipe(v.string(), v.maxLength(160))), v.maxLength(4)),
      answers: v.boolean(),
      /** A staff over the tab; a drill that is read has one anyway. */
      staff: v.optional(v.boolean()),
      takes: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(20, 'at most 20 takes')),
      words: v.object({ takes: shown, clean: shown, nearly: shown, notYet: shown, answers: shown }),
      /** What each step asks, as it is to be printed. */
      asks: v.pipe(v.array(v.pipe(v.string(), v.maxLength(160))), v.maxLength(500, 'at most 500 steps')),
      names: named,
    }),
    v.object({
      layout: v.literal('week'),
      ...look,
      head: v.pipe(v.array(line), v.maxLength(3)),
      days: v.pipe(
        v.array(v.object({ name: shown, off: v.boolean() })),
        v.minLength(1, 'a day or more'),
        v.maxLength(14, 'at most 14 days'),
      ),
      rows: v.pipe(
        v.array(
          v.object({
            name: line,
            minutes: v.pipe(
              v.array(v.pipe(v.number(), v.minValue(0), v.maxValue(180))),
              v.maxLength(14, 'at most 14 days'),
            ),
          }),
        ),
        v.maxLength(30, 'at most 30 rows'),
      ),
      hand: handSchema,
      instrument: instrumentSchema,
      limits: v.optional(limitsSchema),
      /** Those that are printed as far as the page has room. */
      drills: v.pipe(
        v.array(
          v.object({
            row: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(29)),
            title: line,
            aside: line,
            line,
            recipe: recipeSchema,
            asks: v.pipe(v.array(line), v.maxLength(500, 'at most 500 steps')),
          }),
        ),
        v.maxLength(8, 'at most 8 drills'),
      ),
      cautions: v.pipe(v.array(line), v.maxLength(4)),
      words: v.object({
        minutes: shown,
        take: shown,
        tempo: shown,
        clean: shown,
        felt: shown,
        feels: v.pipe(v.array(shown), v.maxLength(4)),
        question: shown,
      }),
      names: named,
    }),
    v.object({
      layout: v.literal('necks'),
      ...look,
      instrument: instrumentSchema,
      necks: v.pipe(
        v.array(
          v.object({
            name: shortText,
            under: v.pipe(v.string(), v.maxLength(160)),
            notes: v.pipe(v.array(boardNoteSchema), v.maxLength(200, 'at most 200 notes')),
          }),
        ),
        v.minLength(1, 'at least one neck'),
        v.maxLength(24, 'at most 24 necks'),
      ),
    }),
  ],
  'a page of cards, each card alone, a chart, keys, a drill, a week, or necks',
);
export type PaperBody = v.InferOutput<typeof paperSchema>;
