/**
 * Ring check: the strings of one grip picked one by one, thickest first. A take is clean when every string
 * meant to sound rings clean and every string meant silent stays silent.
 */
import { stringNumber } from '../../../fretboard/instrument';
import { isFullBarre } from '../../../grips/barre';
import { fail, ok, type Result } from '../../../kernel/result';
import { easierStandIns } from '../../../shapes/easier';
import { findShapes } from '../../../shapes/find-shapes';
import type { GradedGrip } from '../../../shapes/graded-grip';
import { parseChord, type Chord } from '../../../theory/chord';
import { overLimit, type DrillContext } from '../../../hands/taught-hand';
import { TICKS_A_BEAT, ticksOf } from '../../../score/ticks';
import type { DrillOf } from '../../drill';
import { gripItem } from '../../grip-item';
import { gradeIn } from '../../in-context';
import type { FamilyDefinition } from '../../family';
import { type NamedGrip, type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { chordRoot, movedTogether } from '../../moving';

export type RingCheckRecipe = RecipeOf<'ring check', ParametersOf<typeof parameters>>;
export const ringCheck = (grip: NamedGrip): RingCheckRecipe =>
  recipeOf<RingCheckRecipe>('ring check')({ grip });

const TEMPO_BPM = 60;

function make(recipe: RingCheckRecipe, context: DrillContext): Result<DrillOf<RingCheckRecipe>> {
  const { grip } = recipe.parameters;
  const { instrument } = context;
  const chord = parseChord(grip.chord);
  if (!chord.ok) return chord;
  const graded = gradeIn(grip.frets, context);
  if (!graded.ok) return graded;
  const { fingering, total } = graded.value;
  const item = gripItem(grip.frets, fingering.fingers, chord.value.symbol, instrument);
  const events = grip.frets.flatMap((fret, stringIndex) =>
    fret === null ? [] : [{ stringIndex, fret, finger: fingering.fingers[stringIndex] }],
  );
  const hasBarre = fingering.barres.some(isFullBarre);
  return ok({
    recipe,
    items: [item],
    steps: grip.frets.map((fret, s) => ({
      startTick: 0,
      ticks: TICKS_A_BEAT,
      item,
      ask: {
        code: fret === null ? 'ask.silent' : 'ask.ring',
        values: { string: stringNumber(instrument, s) },
      },
    })),
    score: {
      schemaVersion: 1,
      strings: instrument.openPitches.length,
      tempoBpm: TEMPO_BPM,
      countInBeats: 2,
      parts: [
        {
          name: 'guitar',
          bars: [
            {
              beats: events.length + 2,
              events: [
                ...events.map((note, i) => ({
                  tick: ticksOf(i),
                  ticks: TICKS_A_BEAT,
                  notes: [note],
                  stroke: 'pick' as const,
                  chord: i ? undefined : item.chord,
                })),
                { tick: ticksOf(events.length), ticks: ticksOf(2), notes: events, stroke: 'strum' as const },
              ],
            },
          ],
        },
      ],
    },
    effort: total,
    heaviestGrip: total,
    tempoBpm: null,
    predictedBpm: null,
    hasBarre,
    overLimit: overLimit(total, context) > 0,
    bursts: hasBarre
      ? { count: 3, workSeconds: 8, restSeconds: 20 }
      : { count: 1, workSeconds: 30, restSeconds: 0 },
    question: {
      code: 'question.ring',
      values: { strings: events.length, silent: grip.frets.length - events.length },
    },
    judged: 'strings',
    prelude: [],
    leftOut: [],
  });
}

/** How one string of a ring check came out. */
export type StringAnswer = 'clean' | 'buzz' | 'dead';

/**
 * What to look at when a string is not as it should be, in the order a teacher checks: the hand first, the guitar
 * last, for that is not the student's fault. Empty for a string that is right.
 */
export function checkFirst(silent: boolean, answer: StringAnswer): string[] {
  if (answer === 'clean') return [];
  if (silent) return ['check.leaning-silent', 'check.wide-strum', 'check.guitar'];
  const press = answer === 'dead' ? ['check.pressure'] : ['check.pressure', 'check.struck-hard'];
  return ['check.behind-wire', 'check.neighbour', 'check.nail', 'check.thumb', ...press, 'check.guitar'];
}

function neighbours(
  recipe: RingCheckRecipe,
  context: DrillContext,
): { chord: Chord; all: GradedGrip[]; at: number } | null {
  const chord = parseChord(recipe.parameters.grip.chord);
  if (!chord.ok) return null;
  const all = findShapes({ chord: chord.value, ...context, limits: { bass: 'any' } });
  const at = all.findIndex((grip) => grip.frets.join() === recipe.parameters.grip.frets.join());
  return at < 0 ? null : { chord: chord.value, all, at };
}

function withGrip(recipe: RingCheckRecipe, grip: GradedGrip): RingCheckRecipe {
  return { ...recipe, parameters: { grip: { chord: recipe.parameters.grip.chord, frets: grip.frets } } };
}

function easier(recipe: RingCheckRecipe, context: DrillContext): Result<RingCheckRecipe> {
  const near = neighbours(recipe, context);
  const standIn = near && easierStandIns(near.all[near.at], { chord: near.chord, ...context })[0];
  if (!standIn) return fail('drill.easiest', 'grip', 'this is the lightest form of this grip');
  return ok(withGrip(recipe, standIn.grip));
}

/** The grip this one is less a string of. */
function harder(recipe: RingCheckRecipe, context: DrillContext): Result<RingCheckRecipe> {
  const near = neighbours(recipe, context);
  const parent = near?.all[near.at].foldsInto;
  const fuller = near && parent !== undefined ? near.all[parent] : undefined;
  if (!fuller || !near || fuller.effort.points <= near.all[near.at].effort.points) {
    return fail('drill.hardest', 'grip', 'this is the fullest form of this grip');
  }
  return ok(withGrip(recipe, fuller));
}

export const ringCheckFamily: FamilyDefinition<RingCheckRecipe> = {
  name: 'ring check',
  group: 'one grip',
  parameters,
  root: ({ parameters }) => chordRoot(parameters.grip.chord),
  rekey: (recipe, move) => {
    const moved = movedTogether([recipe.parameters.grip], move);
    return moved.ok ? ok(withParameters(recipe, { grip: moved.value[0] })) : moved;
  },
  gripsOf: ({ parameters }) => [parameters.grip],
  withGrips: (recipe, [grip = recipe.parameters.grip]) => withParameters(recipe, { grip }),
  title: ({ parameters: { grip } }) => ({ code: 'title.shape', values: { chord: grip.chord } }),
  first: ({ grip }) => ringCheck(grip),
  make,
  easier,
  harder,
};
