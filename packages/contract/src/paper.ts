/** What is asked of the printer: shape cards with their names, as a page of them or each alone. */
import * as v from 'valibot';
import { fretsSchema } from './drills';

const shortText = v.pipe(v.string(), v.maxLength(80, 'at most 80 characters'));
const perString = v.pipe(v.array(v.nullable(v.pipe(v.string(), v.maxLength(8)))), v.maxLength(8));

const paperCardSchema = v.object({
  frets: fretsSchema,
  fingers: v.pipe(v.array(v.nullable(v.picklist([0, 1, 2, 3, 4, 'T']))), v.minLength(4), v.maxLength(8)),
  degrees: v.optional(perString),
  notes: v.optional(perString),
  /** As they are to be printed. */
  name: shortText,
  under: v.pipe(v.string(), v.maxLength(120, 'at most 120 characters')),
});
export type PaperCardBody = v.InferOutput<typeof paperCardSchema>;

export const paperSchema = v.object({
  layout: v.picklist(['page', 'single'], 'a page of cards or each card alone'),
  title: shortText,
  foot: v.pipe(v.string(), v.maxLength(160)),
  show: v.picklist(['fingers', 'degrees', 'notes']),
  leftHanded: v.boolean(),
  cards: v.pipe(
    v.array(paperCardSchema),
    v.minLength(1, 'at least one card'),
    v.maxLength(120, 'at most 120 cards at once'),
  ),
});
