/** Hands, instruments and limits as dated records. Ranges are those of the core, checked again by it. */
import type { Hand, Instrument } from '@finch/core/fretboard';
import type { HandLimits, TaughtHand } from '@finch/core/hands';
import type { Pace } from '@finch/core/pace';
import * as v from 'valibot';
import { fingersSchema } from './marks';
import { schoolsSchema } from './schools';

export const handSchema: v.GenericSchema<unknown, Hand> = v.object({
  schemaVersion: v.literal(1),
  sizeFactor: v.pipe(
    v.number(),
    v.minValue(0.6, 'a hand factor of 0.6 or more'),
    v.maxValue(1.25, 'a hand factor of 1.25 or less'),
  ),
  thumbOver: v.boolean(),
  reachMm: v.optional(
    v.pipe(
      v.number('reach in mm'),
      v.minValue(70, 'a reach of 70 to 180 mm'),
      v.maxValue(180, 'a reach of 70 to 180 mm'),
    ),
  ),
});

export const instrumentSchema: v.GenericSchema<unknown, Instrument> = v.object({
  schemaVersion: v.literal(1),
  openPitches: v.pipe(
    v.array(v.pipe(v.number(), v.integer(), v.minValue(20), v.maxValue(90))),
    v.minLength(4),
    v.maxLength(8),
  ),
  scaleLengthMm: v.pipe(
    v.number(),
    v.minValue(480, 'a scale of 480 to 700 mm'),
    v.maxValue(700, 'a scale of 480 to 700 mm'),
  ),
  frets: v.pipe(v.number(), v.integer(), v.minValue(12), v.maxValue(24)),
  capo: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(11)),
  leftHanded: v.boolean(),
  setup: v.optional(
    v.object({
      strings: v.picklist(['nylon', 'steel', 'nickel'], 'nylon, steel or nickel'),
      gaugeMm: v.pipe(
        v.number('a gauge in mm'),
        v.minValue(0.15, 'a gauge of 0.15 to 0.8 mm on string 1'),
        v.maxValue(0.8, 'a gauge of 0.15 to 0.8 mm on string 1'),
      ),
      actionMm: v.pipe(
        v.number('an action in mm'),
        v.minValue(0.5, 'an action of 0.5 to 6 mm at fret 12'),
        v.maxValue(6, 'an action of 0.5 to 6 mm at fret 12'),
      ),
    }),
  ),
});

export const limitsSchema: v.GenericSchema<unknown, HandLimits> = v.object({
  schemaVersion: v.literal(1),
  gripEffort: v.pipe(
    v.number(),
    v.minValue(10, 'a grip limit of 10 to 100'),
    v.maxValue(100, 'a grip limit of 10 to 100'),
  ),
  barreMinutes: v.pipe(v.number(), v.minValue(0), v.maxValue(20, 'barre minutes of 0 to 20')),
  load: v.pipe(v.number(), v.minValue(1), v.maxValue(12)),
  assumed: v.boolean(),
});

const changePaceSchema = v.object({
  logFactor: v.number(),
  logSpread: v.number(),
  cleanGap: v.nullable(v.number()),
});
const paceSchema: v.GenericSchema<unknown, Pace> = v.object({
  logFactor: v.number(),
  logSpread: v.number(),
  hands: v.tuple([v.number(), v.number(), v.number()]),
  strumSeconds: v.number(),
  rows: v.number(),
  changes: v.record(v.string(), changePaceSchema),
  kinds: v.record(v.string(), v.number()),
});

/** Months of playing; null where nobody said. */
export const playedMonthsSchema = v.nullable(
  v.pipe(
    v.number('months of playing'),
    v.minValue(0, 'months of playing, 0 or more'),
    v.maxValue(1200, 'at most a hundred years of playing'),
  ),
);

/** A student's hand as it is taught now, whole: what every question about a student takes. */
export const taughtHandSchema: v.GenericSchema<unknown, TaughtHand> = v.object({
  hand: handSchema,
  instrument: instrumentSchema,
  limits: limitsSchema,
  pins: v.record(v.string(), fingersSchema),
  pace: paceSchema,
  school: schoolsSchema,
  difficultyFit: v.object({ version: v.string(), shiftLogits: v.record(v.string(), v.number()) }),
});
