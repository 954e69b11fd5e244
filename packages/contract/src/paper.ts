/** What is asked of the printer: shape cards with their names, as a page of them or each alone, or the chart of a piece. */
import * as v from 'valibot';
import { fretsSchema } from './drills';
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
      names: v.pipe(
        v.record(v.pipe(v.string(), v.maxLength(40)), v.pipe(v.string(), v.maxLength(40))),
        v.check((names) => Object.keys(names).length <= 400, 'at most 400 names'),
      ),
      /** For every written chord; none prints no cards. */
      grips: v.pipe(
        v.array(v.nullable(v.object({ frets: fretsSchema, fingers: fingersSchema }))),
        v.maxLength(4000, 'at most 4000 grips'),
      ),
    }),
  ],
  'a page of cards, each card alone, or a chart',
);
export type PaperBody = v.InferOutput<typeof paperSchema>;
