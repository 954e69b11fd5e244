/**
 * Strum reading: bars of strokes to be read, each another one, over a loop of grips. Six levels from quarters and
 * silences to sixteenths; every bar after the first has something of its level in it. The hand goes down on the beat
 * and up between, whatever is struck.
 */
import { STRIKE, strikePoints } from '../../../effort/strike';
import { fail, ok, type Result } from '../../../kernel/result';
import { randomOf, type Random } from '../../../kernel/random';
import { patternText } from '../../../score/pattern';
import type { Stroke } from '../../../score/piece';
import type { DrillContext } from '../../../hands/taught-hand';
import { evenSteps } from '../../../score/pattern-bars';
import type { DrillOf } from '../../drill';
import { atTempo, sequenceDrill, unique } from '../../sequence';
import { struckBars } from '../../struck-bars';
import { faster, slower } from '../../tempo';
import type { FamilyDefinition } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { STRUM_LEVELS, parameters } from './parameters';
import { chordRoot, movedTogether } from '../../moving';

export type StrumReadingRecipe = RecipeOf<'strum reading', ParametersOf<typeof parameters>>;
export const strumReading = recipeOf<StrumReadingRecipe>('strum reading');
const SHEETS = 20;

/**
 * A chop or mute, a tie and an accent off the beat count as in any pattern; strokes off the beat and sixteenths that are
 * to be read at sight count beside (assumed).
 */
const LEVEL_POINTS = [
  0,
  1,
  STRIKE.offBeat,
  2 * STRIKE.offBeat,
  2 * STRIKE.offBeat + STRIKE.muffled,
  3 * STRIKE.offBeat + STRIKE.muffled,
] as const;

/** One beat of strokes: two steps, or four on the last level. */
type Cell = readonly Stroke[];

/** What each level brings; `start` may open a piece, where nothing sounds on from before. */
interface Level {
  readonly perBeat: 2 | 4;
  readonly own: readonly Cell[];
}
const LEVELS: readonly Level[] = [
  { perBeat: 2, own: [['stop', 'stop']] },
  { perBeat: 2, own: [['down', 'up']] },
  {
    perBeat: 2,
    own: [
      ['stop', 'up'],
      ['rest', 'up'],
    ],
  },
  {
    perBeat: 2,
    own: [
      ['tie', 'up'],
      ['down accent', 'up'],
      ['down', 'up accent'],
    ],
  },
  {
    perBeat: 2,
    own: [
      ['chop', 'rest'],
      ['chop', 'up'],
      ['mute', 'up'],
    ],
  },
  {
    perBeat: 4,
    own: [
      ['down', 'rest', 'down', 'up'],
      ['down', 'up', 'down', 'up'],
      ['down', 'rest', 'rest', 'up'],
      ['stop', 'rest', 'down', 'up'],
      ['chop', 'rest', 'down', 'up'],
    ],
  },
];
const PLAIN: Cell = ['down', 'rest'];
const soundsOn = (cell: Cell): boolean => cell[0] === 'tie' || cell[0] === 'rest';
/** In sixteenths the hand goes down on the half of the beat too. */
const widened = (cell: Cell, perBeat: 2 | 4): Cell =>
  perBeat === 2 || cell.length === 4 ? cell : [cell[0], 'rest', downward(cell[1]), 'rest'];
const downward = (stroke: Stroke): Stroke =>
  stroke === 'up' ? 'down' : stroke === 'up accent' ? 'down accent' : stroke;
const isSilent = (cell: Cell): boolean => cell.every((stroke) => stroke === 'stop');

/** Steps to a beat of a level from 1. */
export const stepsAt = (level: number): 2 | 4 => LEVELS[level - 1].perBeat;

/**
 * The strokes of `bars` bars; the first stroke is always struck, and nothing sounds on out of a chop or a silence, nor
 * over a bar line where `tiesOver` is false, since another grip begins there.
 */
export function strumBars(
  level: number,
  beats: number,
  bars: number,
  random: Random,
  tiesOver = true,
): Stroke[][] {
  const { perBeat, own } = LEVELS[level - 1];
  const known = LEVELS.slice(0, level).flatMap((one) => one.own);
  let ringing = false;
  let silent = false;
  return Array.from({ length: bars }, (_, bar) => {
    const special = random.int(bar === 0 ? Math.min(1, beats - 1) : 0, beats - 1);
    return Array.from({ length: beats }, (_, beat): Cell => {
      const from = beat === special ? own : random.unit() < 0.45 ? known : [PLAIN];
      const fits = from.filter(
        (cell) =>
          ((ringing && (tiesOver || beat > 0)) || !soundsOn(cell)) &&
          !(silent && isSilent(cell)) &&
          (bar > 0 || beat > 0 || cell[0] === 'down'),
      );
      const cell = fits.length ? random.pick(fits) : PLAIN;
      const last = cell.findLast((stroke) => stroke !== 'rest' && stroke !== 'tie');
      ringing = last === undefined ? ringing : !['stop', 'chop', 'mute'].includes(last);
      silent = isSilent(cell);
      return widened(cell, perBeat);
    }).flat();
  });
}

function make(recipe: StrumReadingRecipe, context: DrillContext): Result<DrillOf<StrumReadingRecipe>> {
  const { grips, beats, level, bars, tempoBpm } = recipe.parameters;
  if (grips.length < 1 || grips.length > 4) return fail('drill.grips', 'grips', 'one to four grips');
  if (!(Number.isInteger(level) && level >= 1 && level <= STRUM_LEVELS))
    return fail('drill.level', 'level', `a level from 1 to ${STRUM_LEVELS}`);
  if (!(Number.isInteger(beats) && beats >= 2 && beats <= 7))
    return fail('drill.beats', 'beats', '2 to 7 beats a bar');
  if (!(Number.isInteger(bars) && bars >= 2 && bars <= 16)) return fail('drill.bars', 'bars', '2 to 16 bars');
  const perBeat = stepsAt(level);
  const rhythm = strumBars(level, beats, bars, randomOf(`strum ${recipe.seed}`), grips.length === 1);
  const texts = rhythm.map((strokes) => patternText({ name: '', kind: 'strum', perBeat, strokes }));
  const item = (bar: number) => ({ kind: 'strum' as const, pattern: `${perBeat}: ${texts[bar]}` });
  return sequenceDrill(
    recipe,
    {
      stops: rhythm.map((_, bar) => {
        const grip = grips[bar % grips.length];
        return {
          grip,
          ask: { code: 'ask.strum', values: { chord: grip.chord, bar: bar + 1 } },
          item: item(bar),
        };
      }),
      beatsEach: beats,
      tempoBpm,
      round: true,
      bars: (items) =>
        struckBars(
          rhythm.map((strokes, bar) => ({
            beats,
            steps: evenSteps(strokes, perBeat),
            grips: [{ tick: 0, item: items[bar] }],
          })),
        ),
      // By what the level may hold, not by what this sheet drew: a level down is never harder.
      morePoints: (bpm) =>
        strikePoints({ perBeat, offBeat: 0, muffled: 0, skippedStrings: 0 }, bpm) + LEVEL_POINTS[level - 1],
      moreItems: unique(rhythm.map((_, bar) => item(bar))),
      judged: 'time',
      question: (bpm) => ({ code: 'question.time', values: { of: 10, clean: 9, bpm } }),
    },
    context,
  );
}

export const strumReadingFamily: FamilyDefinition<StrumReadingRecipe> = {
  name: 'strum reading',
  group: 'striking hand',
  draws: () => true,
  parameters,
  gripsOf: ({ parameters }) => parameters.grips,
  withGrips: (recipe, grips) => withParameters(recipe, { grips }),
  root: ({ parameters }) => chordRoot(parameters.grips[0]?.chord ?? ''),
  rekey: (recipe, move) => {
    const moved = movedTogether(recipe.parameters.grips, move);
    return moved.ok ? ok(withParameters(recipe, { grips: moved.value })) : moved;
  },
  regrips: (recipe, grips) => withParameters(recipe, { grips }),
  title: ({ parameters: { level, grips } }) => ({
    code: 'title.strum',
    values: { level, chord: grips[0]?.chord ?? '' },
  }),
  first: ({ grip: now, beside, several }) =>
    strumReading({ grips: several ?? [beside, now], beats: 4, level: 2, bars: 8 }),
  // Another seed is another sheet of the same level.
  fields: (recipe, usual) => [
    ...usual,
    {
      name: 'sheet',
      value: String(recipe.seed),
      choices: Array.from({ length: SHEETS }, (_, i) => String(i + 1)),
      choose: (seed) => ({ ...recipe, seed: Number(seed) }),
    },
  ],
  make,
  /** At the tempo it has now, one level down; on the first level slower. */
  easier: (recipe, context) => {
    const made = make(recipe, context);
    const { level } = recipe.parameters;
    if (level <= 1 || !made.ok) return atTempo(recipe, made, slower);
    return ok(withParameters(recipe, { level: level - 1, tempoBpm: made.value.tempoBpm ?? undefined }));
  },
  harder: (recipe, context) => {
    const made = make(recipe, context);
    const { level } = recipe.parameters;
    if (level >= STRUM_LEVELS || !made.ok) return atTempo(recipe, made, faster);
    return ok(withParameters(recipe, { level: level + 1, tempoBpm: made.value.tempoBpm ?? undefined }));
  },
  fallbacks: (recipe) => [
    withParameters(recipe, { tempoBpm: undefined }),
    withParameters(recipe, { tempoBpm: undefined, grips: recipe.parameters.grips.slice(0, 1) }),
  ],
};
