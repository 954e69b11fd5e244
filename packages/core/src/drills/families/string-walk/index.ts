/**
 * String walk: the notes of a scale (C major: the natural notes) along one string up to a fret and back down,
 * then random calls of the same notes, every one once before any comes again.
 */
import { pitchAt } from '../../../fretboard/instrument';
import { clamp } from '../../../kernel/number';
import { fail, ok, type Result } from '../../../kernel/result';
import { seededRandom } from '../../../kernel/random';
import type { Bar, ScoreNote } from '../../../score/score';
import { TICKS_A_BEAT, ticksOf } from '../../../score/ticks';
import { mod12, noteText, pitchClassOf } from '../../../theory/note';
import { parseScale } from '../../../theory/read-scale';
import type { Scale } from '../../../theory/scale';
import {
  BEATS_A_CALL,
  callsDrill,
  CALL_SECONDS,
  checkCount,
  checkSeconds,
  inRounds,
  otherSeconds,
  type CallsPlan,
} from '../../calls';
import type { DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import type { Item } from '../../items';
import { type FamilyDefinition, gripless } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { keyOnRoot, keyRoot } from '../../moving';

export type StringWalkRecipe = RecipeOf<'string walk', ParametersOf<typeof parameters>>;
export const stringWalk = recipeOf<StringWalkRecipe>('string walk');

type NoteItem = Extract<Item, { kind: 'note' }>;

/** Notes of a scale on one string from the open string up. */
export function scaleOnString(
  scale: Scale,
  string: number,
  maxFret: number,
  context: Pick<DrillContext, 'instrument'>,
): NoteItem[] {
  const index = context.instrument.openPitches.length - string;
  return Array.from({ length: maxFret + 1 }, (_, fret) => fret).flatMap((fret): NoteItem[] => {
    const sounding = mod12(pitchAt(context.instrument, index, fret));
    const note = scale.notes.find((one) => pitchClassOf(one) === sounding);
    return note ? [{ kind: 'note', string, fret, name: noteText(note) }] : [];
  });
}

/** One note as it is struck: open, or with the finger that lies over its fret where the hand stands at `from`. */
export function oneNote(item: NoteItem, strings: number, from = item.fret): ScoreNote {
  const finger = item.fret === 0 ? 0 : (Math.min(4, Math.max(1, item.fret - from + 1)) as 1 | 2 | 3 | 4);
  return { stringIndex: strings - item.string, fret: item.fret, finger, name: item.name };
}

function make(recipe: StringWalkRecipe, context: DrillContext): Result<DrillOf<StringWalkRecipe>> {
  const { string, key, maxFret, calls, secondsPerCall } = recipe.parameters;
  const { instrument } = context;
  const strings = instrument.openPitches.length;
  if (!(string >= 1 && string <= strings))
    return fail('drill.string', 'string', `a string from 1 to ${strings}`);
  const highest = instrument.frets - instrument.capo;
  if (!(maxFret >= 3 && maxFret <= highest)) return fail('drill.fret', 'maxFret', `3 to ${highest}`);
  const scale = parseScale(key);
  if (!scale.ok) return scale;
  const count = checkCount(calls, 48);
  if (!count.ok) return count;
  const seconds = checkSeconds(secondsPerCall);
  if (!seconds.ok) return seconds;
  const up = scaleOnString(scale.value, string, maxFret, context);
  const walk = [...up, ...up.slice(0, -1).reverse()];
  const called = inRounds(up, calls, seededRandom(recipe.seed));
  const bars: Bar[] = [];
  for (let i = 0; i < walk.length; i += BEATS_A_CALL) {
    const part = walk.slice(i, i + BEATS_A_CALL);
    bars.push({
      beats: BEATS_A_CALL,
      events: part.map((item, beat) => ({
        tick: ticksOf(beat),
        ticks: TICKS_A_BEAT,
        notes: [oneNote(item, strings)],
        stroke: 'pick',
      })),
    });
  }
  for (const item of called)
    bars.push({
      beats: BEATS_A_CALL,
      events: [{ tick: 0, ticks: ticksOf(3), notes: [oneNote(item, strings)], stroke: 'pick' }],
    });
  const steps: CallsPlan['steps'] = [
    ...walk.map((item) => ({
      item,
      ask: { code: 'ask.walk', values: { note: item.name, string, fret: item.fret } },
    })),
    ...called.map((item) => ({
      item,
      ask: { code: 'ask.note', values: { note: item.name, string } },
      answer: {
        kind: 'any place' as const,
        // Fret 12 is the open string again: the name is asked, so both are right.
        places: up.filter((one) => one.name === item.name).map((one) => ({ string, fret: one.fret })),
      },
    })),
  ];
  return ok(callsDrill(recipe, { steps, bars, secondsPerCall, morePoints: maxFret / 4 }, context));
}

export const stringWalkFamily: FamilyDefinition<StringWalkRecipe> = {
  name: 'string walk',
  group: 'warm and find',
  evidence: 'name',
  draws: () => true,
  parameters,
  ...gripless,
  root: ({ parameters }) => keyRoot(parameters.key),
  rekey: (recipe, move) => ok(withParameters(recipe, { key: keyOnRoot(recipe.parameters.key, move) })),
  title: ({ parameters: { string, key } }) => ({ code: 'title.walk', values: { string, key } }),
  first: ({ instrument }) =>
    stringWalk({
      string: Math.min(6, instrument.openPitches.length),
      key: 'C major',
      maxFret: Math.min(12, instrument.frets - instrument.capo),
      calls: 12,
      secondsPerCall: 5,
    }),
  make,
  easier: (recipe) => {
    const { secondsPerCall, maxFret } = recipe.parameters;
    const seconds = otherSeconds(secondsPerCall, 1);
    if (seconds.ok) return ok(withParameters(recipe, { secondsPerCall: seconds.value }));
    return maxFret > 5 ? ok(withParameters(recipe, { maxFret: maxFret > 7 ? 7 : 5 })) : seconds;
  },
  harder: (recipe, { instrument }) => {
    const { secondsPerCall, maxFret } = recipe.parameters;
    if (maxFret < 12 && instrument.frets - instrument.capo >= 12)
      return ok(withParameters(recipe, { maxFret: maxFret < 7 ? 7 : 12 }));
    const seconds = otherSeconds(secondsPerCall, -1);
    return seconds.ok ? ok(withParameters(recipe, { secondsPerCall: seconds.value })) : seconds;
  },
  fallbacks: (recipe, { instrument }) => {
    const { string, maxFret, calls, secondsPerCall, key } = recipe.parameters;
    return [
      withParameters(recipe, {
        string: clamp(Math.round(string) || 1, 1, instrument.openPitches.length),
        maxFret: clamp(maxFret || 12, 3, instrument.frets - instrument.capo),
        secondsPerCall: clamp(secondsPerCall || 5, CALL_SECONDS.fastest, CALL_SECONDS.slowest),
        calls: clamp(Math.round(calls) || 12, 1, 48),
        key: parseScale(key).ok ? key : 'C major',
      }),
    ];
  },
};
