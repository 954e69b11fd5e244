/**
 * Grips of a drill for the hand it is made for: a grip named for another hand that is out of reach or over the limit here is
 * exchanged for the most useful grip of the same chord that this hand may hold. A chord nothing holds keeps its grip, so
 * that the drill itself says what is wrong.
 */
import { ok, type Result } from '../kernel/result';
import { findShapes } from '../shapes/find-shapes';
import { readChart } from '../score/chart';
import { writtenChords } from '../score/piece';
import { parseChord, transposeChord } from '../theory/chord';
import { mod12, pitchClassOf, rootNamed, type NoteName } from '../theory/note';
import type { DrillContext } from './drill';
import { gradeIn } from './in-context';
import { makeDrill } from './make-drill';
import type { NamedGrip, PieceSectionRecipe, Recipe } from './recipe';
import { rekey, rootOf } from './rekey';

/** The most useful grip of a chord for this hand within its limit; null where there is none or the symbol cannot be read. */
export function heldGrip(symbol: string, context: DrillContext): NamedGrip | null {
  const chord = parseChord(symbol);
  if (!chord.ok) return null;
  const { hand, instrument, effortLimit } = context;
  const [best] = findShapes({
    chord: chord.value,
    instrument,
    hand,
    limits: { bass: 'root', ...(effortLimit === undefined ? {} : { maxEffort: effortLimit }) },
  });
  return best ? { chord: chord.value.symbol, frets: best.frets } : null;
}

function holds(grip: NamedGrip, context: DrillContext): boolean {
  const graded = gradeIn(grip.frets, context);
  return graded.ok && (context.effortLimit === undefined || graded.value.total <= context.effortLimit);
}

const held = (grip: NamedGrip, context: DrillContext): NamedGrip =>
  holds(grip, context) ? grip : (heldGrip(grip.chord, context) ?? grip);

/** Bars of a piece with grips this hand holds, by the chords written over them, under the capo of the chart. */
function sectionForHand(recipe: PieceSectionRecipe, context: DrillContext): Recipe {
  const { chart, grips, part } = recipe.parameters;
  const { piece, problems } = readChart(chart);
  const written = writtenChords(piece);
  if (part === 'melody' || problems.length || written.length !== grips.length) return recipe;
  const here = { ...context, instrument: { ...context.instrument, capo: piece.capo } };
  const found = new Map<string, NamedGrip>();
  const own = grips.map((frets, i) => {
    if (frets === null) return null;
    const { chord } = written[i];
    const name = `${chord} ${frets.join()}`;
    const grip = found.get(name) ?? held({ chord, frets }, here);
    found.set(name, grip);
    return grip.frets;
  });
  return own.every((frets, i) => frets === grips[i])
    ? recipe
    : { ...recipe, parameters: { ...recipe.parameters, grips: own } };
}

/** The recipe with every grip it names held by this hand; the same recipe where all of them are already. */
export function forHand(recipe: Recipe, context: DrillContext): Recipe {
  if (recipe.family === 'piece section') return sectionForHand(recipe, context);
  const { parameters } = recipe;
  if ('grips' in parameters) {
    const grips = parameters.grips.map((grip) => held(grip, context));
    return grips.every((grip, i) => grip === parameters.grips[i])
      ? recipe
      : ({ ...recipe, parameters: { ...parameters, grips } } as Recipe);
  }
  if ('grip' in parameters) {
    const grip = held(parameters.grip, context);
    return grip === parameters.grip ? recipe : ({ ...recipe, parameters: { ...parameters, grip } } as Recipe);
  }
  return recipe;
}

/**
 * The recipe on another root as this hand can play it: moved as it is where that works, else the same chords of that key on
 * grips this hand holds. Problems are those of moving it as it is.
 */
export function rekeyForHand(recipe: Recipe, root: NoteName, context: DrillContext): Result<Recipe> {
  const moved = rekey(recipe, root, context.instrument);
  const made = moved.ok ? makeDrill(moved.value, context) : moved;
  const from = rootOf(recipe);
  if ((made.ok && !made.value.overLimit) || recipe.family === 'piece section' || !from) return moved;
  const { parameters } = recipe;
  if (!('grips' in parameters)) return moved;
  const up = mod12(pitchClassOf(root) - pitchClassOf(from));
  const grips = parameters.grips.flatMap(({ chord: symbol }) => {
    const chord = parseChord(symbol);
    if (!chord.ok) return [];
    const there = rootNamed(pitchClassOf(chord.value.root) + up);
    return heldGrip(transposeChord(chord.value, there).symbol, context) ?? [];
  });
  return grips.length === parameters.grips.length
    ? ok({ ...recipe, parameters: { ...parameters, grips } } as Recipe)
    : moved;
}
