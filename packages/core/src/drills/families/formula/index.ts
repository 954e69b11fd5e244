/**
 * Formula: given a fingered chord, which note or notes must move, and to where, for another quality on the same
 * root. The answer is the literal move; qualities it does not lead to playably are left out, and it is said why.
 */
import { isFullBarre } from '../../../grips/barre';
import { fail, ok, type Result } from '../../../kernel/result';
import { gripNotes, type Bar } from '../../../score/score';
import { ticksOf } from '../../../score/ticks';
import { literalChange, type LiteralChange } from '../../../shapes/one-note';
import { ONE_NOTE_TARGETS } from '../../../shapes/one-note-targets';
import { chordNotes, makeChord, parseChord } from '../../../theory/chord';
import { noteText } from '../../../theory/note';
import { namedQuality } from '../../../theory/qualities';
import { BEATS_A_CALL, callsDrill, checkSeconds, otherSeconds } from '../../calls';
import { gripLimit, type DrillContext } from '../../../hands/taught-hand';
import type { DrillOf, DrillStep } from '../../drill';
import { gripItem } from '../../grip-item';
import { gradeIn } from '../../in-context';
import type { FamilyDefinition } from '../../family';
import { type ParametersOf, recipeOf, type RecipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { chordRoot, movedTogether } from '../../moving';

export type FormulaRecipe = RecipeOf<'formula', ParametersOf<typeof parameters>>;
export const formula = (parameters: FormulaRecipe['parameters']): FormulaRecipe =>
  recipeOf<FormulaRecipe>('formula')(parameters);

/** Points for each note that must move at once (our assumption). */
const POINTS_A_MOVE = 3;

/** Whether the literal move ends on a grip that plays, well or weakly. */
const plays = (change: LiteralChange) =>
  change.literal !== null &&
  change.moves.length > 0 &&
  (change.verdict.code === 'move.plays' || change.verdict.code === 'move.weak');

function make(recipe: FormulaRecipe, context: DrillContext): Result<DrillOf<FormulaRecipe>> {
  const { grip, targets, secondsPerCall } = recipe.parameters;
  const { instrument } = context;
  const seconds = checkSeconds(secondsPerCall);
  if (!seconds.ok) return seconds;
  const chord = parseChord(grip.chord);
  if (!chord.ok) return chord;
  const start = gradeIn(grip.frets, context);
  if (!start.ok) return start;
  const unknown = targets.find((target) => !namedQuality(target));
  if (unknown !== undefined)
    return fail('drill.target', 'targets', `one of ${ONE_NOTE_TARGETS.slice(0, 4).join(', ')} and so on`);
  const asked = targets
    .filter((target) => target !== chord.value.quality)
    .map((target) => literalChange(grip.frets, chord.value, makeChord(chord.value.root, target), context));
  const heavy = (change: LiteralChange) => {
    const cap = Math.max(gripLimit(context), start.value.total);
    return plays(change) && (change.effort ?? 0) > cap;
  };
  const kept = asked.filter((change) => plays(change) && !heavy(change));
  if (kept.length === 0)
    return fail('drill.formula', 'grip', 'a grip from which at least one of these is a single move');
  const from = gripItem(grip.frets, start.value.fingering.fingers, chord.value.symbol, instrument);
  const steps: Omit<DrillStep, 'startTick' | 'ticks'>[] = [];
  const bars: Bar[] = [];
  let heaviest = start.value.points;
  let hasBarre = start.value.fingering.barres.some(isFullBarre);
  for (const change of kept) {
    const frets = change.literal ?? grip.frets;
    const graded = gradeIn(frets, context);
    if (!graded.ok) return graded;
    heaviest = Math.max(heaviest, graded.value.points);
    hasBarre ||= graded.value.fingering.barres.some(isFullBarre);
    const to = gripItem(frets, graded.value.fingering.fingers, change.chord.symbol, instrument);
    steps.push({
      item: {
        kind: 'interval',
        root: noteText(change.chord.root),
        degree: change.moves.map((move) => move.to).join(' '),
      },
      ask: {
        code: 'ask.formula',
        values: { from: from.chord, to: to.chord, notes: chordNotes(change.chord).join(' ') },
      },
      answer: {
        kind: 'all places',
        places: change.moves.map((move) => ({ string: move.string, fret: move.toFret })),
      },
    });
    // Both in one bar, so that the ear hears what the eye has found.
    bars.push({
      beats: BEATS_A_CALL,
      events: [
        {
          tick: 0,
          ticks: ticksOf(2),
          notes: gripNotes(from.frets, from.fingers),
          stroke: 'strum',
          chord: from.chord,
        },
        {
          tick: ticksOf(2),
          ticks: ticksOf(2),
          notes: gripNotes(to.frets, to.fingers),
          stroke: 'strum',
          chord: to.chord,
        },
      ],
    });
  }
  const made = callsDrill(
    recipe,
    {
      steps,
      bars,
      secondsPerCall,
      heaviest,
      hasBarre,
      morePoints: POINTS_A_MOVE * Math.max(...kept.map((change) => change.moves.length)),
      leftOut: asked
        .filter((change) => !kept.includes(change))
        .map((change) => ({
          code: 'left.target',
          values: {
            to: change.chord.symbol,
            ...change.verdict.values,
            why: heavy(change) ? 'move.heavy' : change.verdict.code,
          },
        })),
    },
    context,
  );
  return ok({
    ...made,
    items: [from, ...made.items],
    steps: made.steps.map((step, i) => ({
      ...step,
      startTick: ticksOf(i * BEATS_A_CALL),
      ticks: ticksOf(BEATS_A_CALL),
    })),
  });
}

export const formulaFamily: FamilyDefinition<FormulaRecipe> = {
  name: 'formula',
  group: 'one grip',
  evidence: 'predict',
  parameters,
  root: ({ parameters }) => chordRoot(parameters.grip.chord),
  rekey: (recipe, move) => {
    const moved = movedTogether([recipe.parameters.grip], move);
    return moved.ok ? ok(withParameters(recipe, { grip: moved.value[0] })) : moved;
  },
  gripsOf: ({ parameters }) => [parameters.grip],
  withGrips: (recipe, [grip = recipe.parameters.grip]) => withParameters(recipe, { grip }),
  title: ({ parameters: { grip } }) => ({ code: 'title.formula', values: { chord: grip.chord } }),
  first: ({ grip }) => formula({ grip, targets: ONE_NOTE_TARGETS, secondsPerCall: 8 }),
  make,
  easier: (recipe, context) => {
    const seconds = otherSeconds(recipe.parameters.secondsPerCall, 1);
    if (seconds.ok) return ok(withParameters(recipe, { secondsPerCall: seconds.value }));
    // At the slowest: the targets that need most moves go first.
    const { targets } = recipe.parameters;
    const single = targets.filter((target) => {
      const one = make(withParameters(recipe, { targets: [target] }), context);
      const answer = one.ok ? one.value.steps[0].answer : undefined;
      return answer?.kind === 'all places' && answer.places.length === 1;
    });
    return single.length > 0 && single.length < targets.length
      ? ok(withParameters(recipe, { targets: single }))
      : seconds;
  },
  harder: (recipe) => {
    const seconds = otherSeconds(recipe.parameters.secondsPerCall, -1);
    return seconds.ok ? ok(withParameters(recipe, { secondsPerCall: seconds.value })) : seconds;
  },
  fallbacks: (recipe) => [withParameters(recipe, { targets: ONE_NOTE_TARGETS, secondsPerCall: 6 })],
};
