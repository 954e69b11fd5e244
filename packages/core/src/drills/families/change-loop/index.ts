/**
 * Change loop: two to four grips round and round, one bar each. A take asks whether nine of ten changes came
 * clean at the tempo; clean changes in a minute are counted beside it. With a barre the minute is played in
 * three bursts of 15 s with 30 s of rest between. A piece of one change can be practised by itself first.
 */
import { withParameters } from '../../parameters';
import { gradeGrip } from '../../../effort/grade-grip';
import { fail, ok, type Result } from '../../../kernel/result';
import { easierStandIns } from '../../../shapes/easier';
import { findShapes } from '../../../shapes/find-shapes';
import { parseChord } from '../../../theory/chord';
import { changePieceDrill } from './piece';
import { changeLoop, parameters, type ChangeLoopRecipe, type ChangePiece } from './recipe';
import type { DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import { atTempo, sequenceDrill } from '../../sequence';
import { faster, LOOP_TEMPO, slower } from '../../tempo';
import type { FamilyDefinition } from '../../family';
import { chordRoot, movedProgression, movedTogether } from '../../moving';

export { CHANGE_PIECES, changeLoop, type ChangeLoopRecipe, type ChangePiece } from './recipe';

const PIECE_TITLES: Readonly<Record<ChangePiece, string>> = {
  'one finger': 'title.one-finger',
  slide: 'title.slide',
  pivot: 'title.pivot',
  air: 'title.air',
};

const ROUNDS = 2;

function make(recipe: ChangeLoopRecipe, context: DrillContext): Result<DrillOf<ChangeLoopRecipe>> {
  const { grips, beatsEach, progression, tempoBpm, piece } = recipe.parameters;
  if (piece) return changePieceDrill(recipe, piece, context);
  if (grips.length < 2 || grips.length > 4) return fail('drill.grips', 'grips', 'two to four grips');
  if (!(Number.isInteger(beatsEach) && beatsEach >= 2 && beatsEach <= 8)) {
    return fail('drill.beats', 'beatsEach', '2 to 8 beats a grip');
  }
  return sequenceDrill(
    recipe,
    {
      stops: Array.from({ length: grips.length * ROUNDS }, (_, i) => {
        const [grip, next] = [grips[i % grips.length], grips[(i + 1) % grips.length]];
        return { grip, ask: { code: 'ask.change', values: { from: grip.chord, to: next.chord } } };
      }),
      beatsEach,
      tempoBpm,
      round: true,
      moreItems: progression ? [{ kind: 'progression', ...progression }] : [],
    },
    context,
  );
}

function easier(recipe: ChangeLoopRecipe, context: DrillContext): Result<ChangeLoopRecipe> {
  if (recipe.parameters.piece)
    return fail('drill.easiest', 'piece', 'a piece of a change is the lightest form of it');
  const slow = atTempo(recipe, make(recipe, context), slower);
  return slow.ok || slow.problem.code !== 'drill.easiest' ? slow : withLighterGrip(recipe, context);
}

/** At the slowest tempo the heaviest grip gives way to its easiest stand-in. */
function withLighterGrip(recipe: ChangeLoopRecipe, context: DrillContext): Result<ChangeLoopRecipe> {
  const { grips } = recipe.parameters;
  const points = grips.map((grip) => {
    const graded = gradeGrip(grip.frets, context.hand, context.instrument);
    return graded.ok ? graded.value.points : 0;
  });
  const heaviest = points.indexOf(Math.max(...points));
  const chord = parseChord(grips[heaviest].chord);
  if (!chord.ok) return chord;
  const all = findShapes({ chord: chord.value, ...context, limits: { bass: 'any' } });
  const found = all.find((grip) => grip.frets.join() === grips[heaviest].frets.join());
  const standIn = found && easierStandIns(found, { chord: chord.value, ...context })[0];
  if (!standIn) return fail('drill.easiest', 'grips', 'this is the lightest form of this loop');
  const lighter = grips.map((grip, i) =>
    i === heaviest ? { chord: grip.chord, frets: standIn.grip.frets } : grip,
  );
  return ok({ ...recipe, parameters: { ...recipe.parameters, grips: lighter } });
}

/** The whole change, as slowly as it goes. */
function whole(recipe: ChangeLoopRecipe): ChangeLoopRecipe {
  const { piece: _, ...parameters } = recipe.parameters;
  return { ...recipe, parameters: { ...parameters, tempoBpm: LOOP_TEMPO.lowest } };
}

const harder = (recipe: ChangeLoopRecipe, context: DrillContext): Result<ChangeLoopRecipe> =>
  recipe.parameters.piece ? ok(whole(recipe)) : atTempo(recipe, make(recipe, context), faster);

export const changeLoopFamily: FamilyDefinition<ChangeLoopRecipe> = {
  name: 'change loop',
  group: 'move between',
  parameters,
  gripsOf: ({ parameters }) => parameters.grips,
  withGrips: (recipe, grips) => withParameters(recipe, { grips }),
  root: ({ parameters }) => chordRoot(parameters.grips[0]?.chord ?? ''),
  rekey: (recipe, move) => {
    const moved = movedTogether(recipe.parameters.grips, move);
    if (!moved.ok) return moved;
    const { progression: now } = recipe.parameters;
    return ok(withParameters(recipe, { grips: moved.value, ...movedProgression(now, move) }));
  },
  regrips: (recipe, grips, move) =>
    withParameters(recipe, { grips, ...movedProgression(recipe.parameters.progression, move) }),
  title: ({ parameters: { grips, piece } }) => ({
    code: piece ? PIECE_TITLES[piece] : 'title.loop',
    values: {
      from: grips[0]?.chord ?? '',
      to: grips[grips.length - 1]?.chord ?? '',
      ...(grips.length > 2 ? { chords: grips.map((one) => one.chord).join(' ') } : {}),
    },
  }),
  first: ({ grip: now, beside, several }) => changeLoop({ grips: several ?? [beside, now], beatsEach: 4 }),
  // A piece belongs to one change, and has no beat.
  fields: ({ parameters: { grips, piece } }, usual) =>
    usual.filter(({ name }) => (name === 'piece' ? grips.length === 2 : name !== 'beatsEach' || !piece)),
  make,
  easier,
  harder,
  fallbacks: (recipe) => [whole(recipe)],
};
