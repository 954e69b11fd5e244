/**
 * Warm up: easy minutes for this hand before anything else. One finger a fret on the thin strings, up and
 * down, light, no barre and no stretch: the figure starts at the lowest fret where fingers 1 and 3 lie within
 * this hand's comfortable span, never below fret 5.
 */
import { gradeOf, holdModel } from '../../../effort/hold';
import { linePoints, type LineNote } from '../../../effort/line';
import { stringNumber } from '../../../fretboard/instrument';
import { fail, ok, type Result } from '../../../kernel/result';
import type { Bar } from '../../../score/score';
import { TICKS_A_BEAT, ticksOf } from '../../../score/ticks';
import type { DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import type { Item } from '../../items';
import { type FamilyDefinition, gripless, keyless } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf } from '../../parameters';
import { parameters } from './parameters';

export type WarmUpRecipe = RecipeOf<'warm up', ParametersOf<typeof parameters>>;
export const warmUp = (minutes: number): WarmUpRecipe => recipeOf<WarmUpRecipe>('warm up')({ minutes });

const TEMPO_BPM = 60;
const FINGERS = [1, 2, 3];
const LOWEST_START = 5;

/** Where the figure starts for a hand: the lowest fret from 5 on whose span of three frets is comfortable. */
function comfortableStart(context: DrillContext): number {
  const model = holdModel(context.hand, context.instrument);
  const highest = context.instrument.frets - context.instrument.capo - FINGERS.length;
  let start = LOWEST_START;
  const span = (fret: number) => model.geometry.pressMm[fret + 2] - model.geometry.pressMm[fret];
  while (start < highest && span(start) > model.comfortMm[1 * 5 + 3]) start++;
  return start;
}

function make(recipe: WarmUpRecipe, context: DrillContext): Result<DrillOf<WarmUpRecipe>> {
  const { minutes } = recipe.parameters;
  if (!(minutes >= 1 && minutes <= 15)) return fail('drill.minutes', 'minutes', '1 to 15 minutes');
  const { instrument } = context;
  const strings = instrument.openPitches.length;
  const start = recipe.parameters.startFret ?? comfortableStart(context);
  const highest = instrument.frets - instrument.capo - FINGERS.length;
  if (!(start >= 1 && start <= highest))
    return fail('drill.fret', 'startFret', `a fret from 1 to ${highest}`);
  const notes: LineNote[] = [];
  for (const stringIndex of [strings - 1, strings - 2, strings - 3]) {
    for (const finger of FINGERS) notes.push({ stringIndex, fret: start + finger - 1, finger });
    notes.push({ stringIndex, fret: start + 1, finger: 2 });
  }
  const points = linePoints(holdModel(context.hand, instrument), notes, TEMPO_BPM / 60);
  if (points === Number.POSITIVE_INFINITY) return fail('drill.reach', 'startFret', 'a higher fret');
  const item: Item = {
    kind: 'line',
    notes: notes.map((note) => ({
      string: stringNumber(instrument, note.stringIndex),
      fret: note.fret,
      finger: note.finger,
    })),
  };
  const bars: Bar[] = [0, 4, 8].map((from) => ({
    beats: 4,
    events: notes.slice(from, from + 4).map((note, beat) => ({
      tick: ticksOf(beat),
      ticks: TICKS_A_BEAT,
      notes: [{ stringIndex: note.stringIndex, fret: note.fret, finger: note.finger as 1 | 2 | 3 }],
      stroke: 'pick' as const,
    })),
  }));
  return ok({
    recipe,
    items: [item],
    steps: [
      {
        startTick: 0,
        ticks: ticksOf(notes.length),
        item,
        ask: { code: 'ask.warm-up', values: { fret: start, minutes } },
      },
    ],
    score: {
      schemaVersion: 1,
      strings,
      tempoBpm: TEMPO_BPM,
      countInBeats: 4,
      parts: [{ name: 'guitar', bars }],
    },
    effort: gradeOf(points),
    heaviestGrip: gradeOf(points),
    tempoBpm: null,
    predictedBpm: null,
    hasBarre: false,
    overLimit: false,
    bursts: { count: 1, workSeconds: minutes * 60, restSeconds: 0 },
    question: { code: 'question.done', values: { minutes } },
    judged: 'done',
    prelude: [],
    leftOut: [],
  });
}

function moved(recipe: WarmUpRecipe, context: DrillContext, step: 1 | -1): Result<WarmUpRecipe> {
  const start = (recipe.parameters.startFret ?? comfortableStart(context)) + step;
  const next = { ...recipe, parameters: { ...recipe.parameters, startFret: start } };
  const made = make(next, context);
  if (made.ok && start >= LOWEST_START) return ok(next);
  return fail(
    step > 0 ? 'drill.easiest' : 'drill.hardest',
    'startFret',
    'a warm up stays between fret 5 and the end of the neck',
  );
}

export const warmUpFamily: FamilyDefinition<WarmUpRecipe> = {
  name: 'warm up',
  group: 'warm and find',
  parameters,
  ...keyless,
  ...gripless,
  title: ({ parameters: { minutes } }) => ({ code: 'title.warm-up', values: { minutes } }),
  first: () => warmUp(3),
  make,
  easier: (recipe, context) => moved(recipe, context, 1),
  harder: (recipe, context) => moved(recipe, context, -1),
};
