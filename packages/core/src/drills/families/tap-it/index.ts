/**
 * Tap it: bars of a rhythm to be read and tapped, by a foot or a palm, with no guitar. The levels are those of strum reading
 * without what only a string can do; each bar after the first has something of its level in it. On the staff it stands as
 * crosses on the middle line.
 */
import { strikePoints } from '../../../effort/strike';
import { gradeOf } from '../../../effort/hold';
import { pitchAt, type Instrument } from '../../../fretboard/instrument';
import type { DrillContext } from '../../../hands/taught-hand';
import { randomOf } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import { patternText } from '../../../score/pattern';
import { evenSteps } from '../../../score/pattern-bars';
import type { Bar } from '../../../score/score';
import { ticksOf } from '../../../score/ticks';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless, keyless } from '../../family';
import { gripItem } from '../../grip-item';
import type { Item } from '../../items';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { atTempo, unique } from '../../sequence';
import { struckBars } from '../../struck-bars';
import { checkTempo, faster, slower } from '../../tempo';
import { stepsAt, strumBars } from '../strum-reading';
import { TAP_LEVELS, parameters } from './parameters';

export type TapItRecipe = RecipeOf<'tap it', ParametersOf<typeof parameters>>;
export const tapIt = recipeOf<TapItRecipe>('tap it');
const SHEETS = 20;
/** The level of strum reading each level takes its bars from: chops and mutes are left to strings. */
const STRUM_LEVEL = [1, 2, 3, 4, 6] as const;
/** Points of what is read at sight (our assumption: a third of what a striking hand is given for it). */
const POINTS_A_LEVEL = 3;
const TAP_BPM = 66;
/** Sounding B3: an octave up, the middle line of the staff. */
const MIDDLE_LINE = 59;

/** The open string nearest the middle line. */
const middleString = (instrument: Instrument): number => {
  const off = instrument.openPitches.map((_, s) => Math.abs(pitchAt(instrument, s, 0) - MIDDLE_LINE));
  return off.indexOf(Math.min(...off));
};

function tappedBars(
  rhythm: ReturnType<typeof strumBars>,
  { beats, level }: TapItRecipe['parameters'],
  instrument: Instrument,
): Bar[] {
  const only = middleString(instrument);
  const frets = instrument.openPitches.map((_, s) => (s === only ? 0 : null));
  const fingers = frets.map((fret) => fret);
  const item = gripItem(frets, fingers, '', instrument);
  const bars = struckBars(
    rhythm.map((strokes) => ({
      beats,
      steps: evenSteps(strokes, stepsAt(STRUM_LEVEL[level - 1])),
      grips: [{ tick: 0, item }],
    })),
  );
  return bars.map((bar) => ({
    ...bar,
    events: bar.events.map(({ tick, ticks, notes }) => ({
      tick,
      ticks,
      notes,
      stroke: 'strum' as const,
      hand: 'chop' as const,
    })),
  }));
}

function make(recipe: TapItRecipe, context: DrillContext): Result<DrillOf<TapItRecipe>> {
  const { level, beats, bars } = recipe.parameters;
  if (!(Number.isInteger(level) && level >= 1 && level <= TAP_LEVELS))
    return fail('drill.level', 'level', `a level from 1 to ${TAP_LEVELS}`);
  if (!(Number.isInteger(beats) && beats >= 2 && beats <= 7))
    return fail('drill.beats', 'beats', '2 to 7 beats a bar');
  if (!(Number.isInteger(bars) && bars >= 2 && bars <= 16)) return fail('drill.bars', 'bars', '2 to 16 bars');
  const tempo = checkTempo(recipe.parameters.tempoBpm ?? TAP_BPM);
  if (!tempo.ok) return tempo;
  const tempoBpm = tempo.value;
  const perBeat = stepsAt(STRUM_LEVEL[level - 1]);
  const rhythm = strumBars(STRUM_LEVEL[level - 1], beats, bars, randomOf(`tap ${recipe.seed}`));
  const items = rhythm.map((strokes): Item => ({
    kind: 'strum',
    pattern: `${perBeat}: ${patternText({ name: '', kind: 'strum', perBeat, strokes })}`,
  }));
  const counts = { perBeat, offBeat: 0, muffled: 0, skippedStrings: 0 };
  return ok({
    recipe,
    items: unique(items),
    steps: items.map((item, bar) => ({
      startTick: ticksOf(bar * beats),
      ticks: ticksOf(beats),
      item,
      ask: { code: 'ask.tap', values: { bar: bar + 1 } },
    })),
    score: {
      schemaVersion: 1,
      strings: context.instrument.openPitches.length,
      tempoBpm,
      countInBeats: beats,
      parts: [{ name: 'taps', bars: tappedBars(rhythm, recipe.parameters, context.instrument) }],
    },
    effort: gradeOf(strikePoints(counts, tempoBpm) + POINTS_A_LEVEL * (level - 1)),
    heaviestGrip: 0,
    tempoBpm,
    predictedBpm: null,
    hasBarre: false,
    overLimit: false,
    bursts: { count: 1, workSeconds: 60, restSeconds: 0 },
    question: { code: 'question.time', values: { of: 10, clean: 9, bpm: tempoBpm } },
    judged: 'time',
    prelude: [],
    leftOut: [],
  });
}

export const tapItFamily: FamilyDefinition<TapItRecipe> = {
  name: 'tap it',
  group: 'by ear and on paper',
  evidence: 'name',
  draws: () => true,
  parameters,
  ...gripless,
  ...keyless,
  title: ({ parameters: { level, beats } }) => ({ code: 'title.tapped', values: { level, beats } }),
  first: () => tapIt({ level: 1, beats: 4, bars: 8 }),
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
    if (level >= TAP_LEVELS || !made.ok) return atTempo(recipe, made, faster);
    return ok(withParameters(recipe, { level: level + 1, tempoBpm: made.value.tempoBpm ?? undefined }));
  },
  fallbacks: (recipe) => [withParameters(recipe, { tempoBpm: undefined })],
};
