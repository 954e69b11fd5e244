/**
 * Picking pattern: p i m a, or a plectrum, over held grips. i m a take the third, second and first string that sound
 * from the thin side, the thumb the lowest; alternating, it goes between the root's string and another below the
 * fingers, the fifth before any other tone. A plectrum strikes one string at a time, down on the beat and up between.
 */
import { strikePoints } from '../../../effort/strike';
import type { Reason } from '../../../effort/explain';
import { pitchAt } from '../../../fretboard/instrument';
import { fail, ok, type Result } from '../../../kernel/result';
import { readPattern } from '../../../score/pattern';
import { evenSteps } from '../../../score/pattern-bars';
import type { Pluck, Stroke, StrokePattern } from '../../../score/piece';
import type { Bar } from '../../../score/score';
import { pluckedStrings } from '../../../score/struck-strings';
import { beatsOf } from '../../../score/ticks';
import { degreeOfPitchClass, parseChord } from '../../../theory/chord';
import { mod12 } from '../../../theory/note';
import type { DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import type { GripItem } from '../../items';
import { atTempo, sequenceDrill } from '../../sequence';
import { strikeCounts } from '../../strike-counts';
import { struckBars, type StringsOf } from '../../struck-bars';
import { faster, slower } from '../../tempo';
import type { FamilyDefinition } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { chordRoot, movedTogether } from '../../moving';

export type PickingPatternRecipe = RecipeOf<'picking pattern', ParametersOf<typeof parameters>>;
export const pickingPattern = (parameters: PickingPatternRecipe['parameters']): PickingPatternRecipe =>
  recipeOf<PickingPatternRecipe>('picking pattern')(parameters);

/** Strings the fingers take, counted from the thin side. */
const FINGER_STRINGS = 3;

/** The string index the thumb alternates to: the fifth of the chord before other tones; null where no bass string is free. */
export function alternateBass(item: GripItem, context: DrillContext): number | null {
  const chord = parseChord(item.chord);
  const sounding = item.frets.flatMap((fret, s) => (fret === null ? [] : [{ fret, s }]));
  const free = sounding.slice(1, Math.max(1, sounding.length - FINGER_STRINGS));
  const degree = ({ fret, s }: { fret: number; s: number }) =>
    chord.ok ? degreeOfPitchClass(chord.value, mod12(pitchAt(context.instrument, s, fret))) : null;
  const fifth = free.find((one) => degree(one) === '5') ?? free.find((one) => degree(one)?.endsWith('5'));
  return (fifth ?? free.find((one) => degree(one) !== '1') ?? free[0])?.s ?? null;
}

/** Steps of one bar, the pattern going round. */
function barSteps(pattern: StrokePattern, beats: number, bar: number): (Stroke | Pluck)[] {
  const size = beats * pattern.perBeat;
  return Array.from({ length: size }, (_, i) => pattern.strokes[(bar * size + i) % pattern.strokes.length]);
}

const isPluck = (step: Stroke | Pluck): step is Pluck => typeof step !== 'string';

function make(recipe: PickingPatternRecipe, context: DrillContext): Result<DrillOf<PickingPatternRecipe>> {
  const p = recipe.parameters;
  if (p.grips.length < 1 || p.grips.length > 4) return fail('drill.grips', 'grips', 'one to four grips');
  if (!(Number.isInteger(p.beats) && p.beats >= 2 && p.beats <= 7))
    return fail('drill.beats', 'beats', '2 to 7 beats a bar');
  if (!(Number.isInteger(p.barsEach) && p.barsEach >= 1 && p.barsEach <= 4))
    return fail('drill.bars', 'barsEach', '1 to 4 bars a grip');
  const read = readPattern('pick', '', p.perBeat, p.pattern);
  if (!read.ok) return fail(read.problem.code, 'pattern', read.problem.detail);
  const pattern = read.value;
  const plucks = pattern.strokes.filter(isPluck);
  if (plucks.length === 0)
    return fail('drill.picking', 'pattern', 'a pattern with at least one p, i, m or a');
  if (p.striker === 'plectrum' && plucks.some((fingers) => fingers.length > 1))
    return fail('drill.plectrum', 'pattern', 'one string at a time for a plectrum, or the fingers');
  const bars = p.grips.flatMap((grip) => Array.from({ length: p.barsEach }, () => grip));
  const leftOut: Reason[] = [];
  const made = sequenceDrill(
    recipe,
    {
      stops: bars.map((grip) => ({
        grip,
        ask: { code: 'ask.picking', values: { chord: grip.chord, pattern: p.pattern } },
      })),
      beatsEach: p.beats,
      tempoBpm: p.tempoBpm,
      round: true,
      bars: (items) => {
        const asked = new Set<string>();
        return items.flatMap((item, bar) => {
          const other = p.bass === 'alternating' ? alternateBass(item, context) : null;
          if (p.bass === 'alternating' && other === null && !asked.has(item.chord)) {
            asked.add(item.chord);
            leftOut.push({ code: 'left.bass', values: { chord: item.chord } });
          }
          const strokes = barSteps(pattern, p.beats, bar);
          return struckBars(
            [{ beats: p.beats, steps: evenSteps(strokes, p.perBeat), grips: [{ tick: 0, item }] }],
            thumbLed(strokes, other),
          ).map((one) => (p.striker === 'plectrum' ? withPlectrum(one, p.perBeat) : one));
        });
      },
      morePoints: (bpm, played) => strikePoints(strikeCounts(played), bpm),
      moreItems: [{ kind: 'strum', pattern: `${p.perBeat}: ${p.pattern}` }],
      question: (bpm) => ({ code: 'question.bars', values: { of: 10, clean: 9, bpm } }),
    },
    context,
  );
  return made.ok ? ok({ ...made.value, leftOut }) : made;
}

/** The usual strings, but every second stroke of the thumb in a bar goes to `other`. */
function thumbLed(strokes: readonly (Stroke | Pluck)[], other: number | null): StringsOf {
  return (step, notes, index) => {
    if (typeof step === 'string') return [...notes];
    const before = strokes.slice(0, index).filter((one) => isPluck(one) && one.includes('p')).length;
    const strings = pluckedStrings(step, notes);
    const turned =
      other !== null && step.includes('p') && before % 2 === 1
        ? strings.map((note) =>
            note === notes[0] ? (notes.find((one) => one.stringIndex === other) ?? note) : note,
          )
        : strings;
    return turned.sort((a, b) => a.stringIndex - b.stringIndex);
  };
}

/** Down on the beat and up between, in place of fingers. */
const withPlectrum = (bar: Bar, perBeat: number): Bar => ({
  ...bar,
  events: bar.events.map((event) => ({
    ...event,
    hand: ((beatsOf(event.tick) * perBeat) % perBeat) % 2 === 0 ? ('down' as const) : ('up' as const),
  })),
});

export const pickingPatternFamily: FamilyDefinition<PickingPatternRecipe> = {
  name: 'picking pattern',
  group: 'striking hand',
  parameters,
  gripsOf: ({ parameters }) => parameters.grips,
  withGrips: (recipe, grips) => withParameters(recipe, { grips }),
  root: ({ parameters }) => chordRoot(parameters.grips[0]?.chord ?? ''),
  rekey: (recipe, move) => {
    const moved = movedTogether(recipe.parameters.grips, move);
    return moved.ok ? ok(withParameters(recipe, { grips: moved.value })) : moved;
  },
  regrips: (recipe, grips) => withParameters(recipe, { grips }),
  title: ({ parameters: { pattern, grips } }) => ({
    code: 'title.picking',
    values: { pattern, chord: grips[0]?.chord ?? '' },
  }),
  first: ({ grip: now, several }) =>
    pickingPattern({
      grips: several ?? [now],
      pattern: 'p i m a',
      perBeat: 2,
      beats: 4,
      barsEach: 1,
      bass: 'root',
      striker: 'fingers',
    }),
  make,
  easier: (recipe, context) => {
    const slow = atTempo(recipe, make(recipe, context), slower);
    if (slow.ok || slow.problem.code !== 'drill.easiest') return slow;
    if (recipe.parameters.bass === 'root') return slow;
    // A thumb that stays can skip more strings than one that goes between two: only where it is lighter.
    const still = withParameters(recipe, { bass: 'root' });
    const [now, then] = [make(recipe, context), make(still, context)];
    return now.ok && then.ok && then.value.effort <= now.value.effort ? ok(still) : slow;
  },
  harder: (recipe, context) => atTempo(recipe, make(recipe, context), faster),
  fallbacks: (recipe) => {
    const free = withParameters(recipe, { tempoBpm: undefined });
    return [
      free,
      withParameters(free, { striker: 'fingers' }),
      withParameters(free, { pattern: 'p i m a', perBeat: 1, striker: 'fingers' }),
      withParameters(free, { grips: recipe.parameters.grips.slice(0, 1) }),
    ];
  },
};
