/**
 * Note reading: notes of a scale on the staff, answered on the neck inside one position of four frets. The range
 * grows through the drill, from string 1 downward to the last string asked. A guitar sounds an octave below its
 * staff; the staff drawing alone writes it up.
 */
import { pitchAt } from '../../../fretboard/instrument';
import { clamp } from '../../../kernel/number';
import { fail, ok, type Result } from '../../../kernel/result';
import { seededRandom } from '../../../kernel/random';
import { pitchSpelled, pitchText } from '../../../theory/pitch';
import { readNote } from '../../../theory/note';
import { parseScale } from '../../../theory/read-scale';
import {
  BEATS_A_CALL,
  callsDrill,
  CALL_SECONDS,
  checkCount,
  checkSeconds,
  inRounds,
  otherSeconds,
} from '../../calls';
import type { DrillContext } from '../../../hands/taught-hand';
import { ticksOf } from '../../../score/ticks';
import type { DrillOf } from '../../drill';
import { oneNote, scaleOnString } from '../string-walk';
import { type FamilyDefinition, gripless } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { keyOnRoot, keyRoot, rootText } from '../../moving';

export type NoteReadingRecipe = RecipeOf<'note reading', ParametersOf<typeof parameters>>;
export const noteReading = recipeOf<NoteReadingRecipe>('note reading');

/** A position covers the index fret and three more; position 0 is the open strings and three frets. */
const SPAN = 3;
/** Points for each string read (our assumption). */
const POINTS_A_STRING = 1.5;

function make(recipe: NoteReadingRecipe, context: DrillContext): Result<DrillOf<NoteReadingRecipe>> {
  const { position, strings, key, count, secondsPerNote } = recipe.parameters;
  const { instrument } = context;
  const all = instrument.openPitches.length;
  const highest = instrument.frets - instrument.capo - SPAN;
  if (!(Number.isInteger(position) && position >= 0 && position <= highest))
    return fail('drill.position', 'position', `fret 0 to ${highest}`);
  if (!(Number.isInteger(strings) && strings >= 1 && strings <= all))
    return fail('drill.range', 'strings', `1 to ${all} strings`);
  const scale = parseScale(key);
  if (!scale.ok) return scale;
  const counted = checkCount(count, 48);
  if (!counted.ok) return counted;
  const seconds = checkSeconds(secondsPerNote);
  if (!seconds.ok) return seconds;
  const notesOf = Array.from({ length: strings }, (_, i) =>
    scaleOnString(scale.value, i + 1, position + SPAN, context).filter((one) => one.fret >= position),
  );
  const random = seededRandom(recipe.seed);
  const asked = Array.from({ length: strings }, (_, range) => {
    const share = Math.floor((count * (range + 1)) / strings) - Math.floor((count * range) / strings);
    return inRounds(notesOf.slice(0, range + 1).flat(), share, random);
  }).flat();
  if (asked.length < count)
    return fail('drill.range', 'position', 'a position with notes of the key on these strings');
  const midi = (one: (typeof asked)[number]) => pitchAt(instrument, all - one.string, one.fret);
  const steps = asked.map((item) => ({
    item,
    ask: {
      code: 'ask.read',
      values: { pitch: pitchText(pitchSpelled(midi(item), noteNamed(item.name))), position },
    },
    answer: {
      kind: 'any place' as const,
      places: notesOf
        .flat()
        .filter((one) => midi(one) === midi(item))
        .map(({ string, fret }) => ({ string, fret })),
    },
  }));
  const bars = asked.map((item) => ({
    beats: BEATS_A_CALL,
    events: [
      {
        tick: 0,
        ticks: ticksOf(BEATS_A_CALL),
        notes: [oneNote(item, all, Math.max(1, position))],
        stroke: 'pick' as const,
      },
    ],
  }));
  return ok(
    callsDrill(
      recipe,
      { steps, bars, secondsPerCall: secondsPerNote, morePoints: POINTS_A_STRING * strings },
      context,
    ),
  );
}

function noteNamed(name: string) {
  const read = readNote(name);
  if (!read) throw new RangeError(`no note ${name}`);
  return read.note;
}

export const noteReadingFamily: FamilyDefinition<NoteReadingRecipe> = {
  name: 'note reading',
  group: 'warm and find',
  draws: () => true,
  parameters,
  ...gripless,
  root: ({ parameters }) => keyRoot(parameters.key),
  rekey: (recipe, move) => ok(withParameters(recipe, { key: keyOnRoot(recipe.parameters.key, move) })),
  title: ({ parameters: { key, position } }) => ({ code: 'title.reading', values: { key, position } }),
  first: ({ grip, instrument }) =>
    noteReading({
      position: 0,
      strings: instrument.openPitches.length,
      key: `${rootText(grip)} major`,
      count: 16,
      secondsPerNote: 6,
    }),
  make,
  easier: (recipe) => {
    const { secondsPerNote, strings } = recipe.parameters;
    const seconds = otherSeconds(secondsPerNote, 1);
    if (seconds.ok) return ok(withParameters(recipe, { secondsPerNote: seconds.value }));
    return strings > 1 ? ok(withParameters(recipe, { strings: strings - 1 })) : seconds;
  },
  harder: (recipe, { instrument }) => {
    const { secondsPerNote, strings } = recipe.parameters;
    if (strings < instrument.openPitches.length) return ok(withParameters(recipe, { strings: strings + 1 }));
    const seconds = otherSeconds(secondsPerNote, -1);
    return seconds.ok ? ok(withParameters(recipe, { secondsPerNote: seconds.value })) : seconds;
  },
  fallbacks: (recipe, { instrument }) => {
    const { position, strings, key, count, secondsPerNote } = recipe.parameters;
    return [
      withParameters(recipe, {
        position: clamp(Math.round(position) || 0, 0, instrument.frets - instrument.capo - SPAN),
        strings: clamp(Math.round(strings) || 6, 1, instrument.openPitches.length),
        key: parseScale(key).ok ? key : 'C major',
        count: clamp(Math.round(count) || 12, 1, 48),
        secondsPerNote: clamp(secondsPerNote || 6, CALL_SECONDS.fastest, CALL_SECONDS.slowest),
      }),
    ];
  },
};
