/**
 * Grips of a drill for the hand it is made for: a grip named for another hand that is out of reach or over the limit here is
 * exchanged for the most useful grip of the same chord that this hand may hold. A chord nothing holds keeps its grip, so
 * that the drill itself says what is wrong.
 */
import { ok, type Result } from '../kernel/result';
import { parseChord, transposeChord } from '../theory/chord';
import { mod12, pitchClassOf, type NoteName } from '../theory/note';
import { movedRoot } from './moving';
import { overLimit, type DrillContext } from '../hands/taught-hand';
import { heldGrip } from './held-grip';
import { gradeIn } from './in-context';
import { familyOf, makeDrill, rekey, rootOf } from './make-drill';
import type { NamedGrip, Recipe } from './recipe';

function holds(grip: NamedGrip, context: DrillContext): boolean {
  const graded = gradeIn(grip.frets, context);
  return graded.ok && overLimit(graded.value.total, context) === 0;
}

const held = (grip: NamedGrip, context: DrillContext): NamedGrip =>
  holds(grip, context) ? grip : (heldGrip(grip.chord, context) ?? grip);

/** The recipe with every grip it names held by this hand; the same recipe where all of them are already. */
export function forHand(recipe: Recipe, context: DrillContext): Recipe {
  const { gripsOf, withGrips, capo } = familyOf(recipe);
  const { instrument } = context;
  const here = capo ? { ...context, instrument: { ...instrument, capo: capo(recipe) } } : context;
  const named = gripsOf(recipe);
  const found = new Map<string, NamedGrip>();
  const own = named.map((grip) => {
    const name = `${grip.chord} ${grip.frets.join()}`;
    const taken = found.get(name) ?? held(grip, here);
    found.set(name, taken);
    return taken;
  });
  return own.every((grip, i) => grip.frets === named[i].frets) ? recipe : withGrips(recipe, own);
}

/**
 * The recipe on another root as this hand can play it: moved as it is where that works, else the same chords of that key on
 * grips this hand holds. Problems are those of moving it as it is.
 */
export function rekeyForHand(recipe: Recipe, root: NoteName, context: DrillContext): Result<Recipe> {
  const moved = rekey(recipe, root, context.instrument);
  const made = moved.ok ? makeDrill(moved.value, context) : moved;
  const from = rootOf(recipe);
  const { regrips, gripsOf } = familyOf(recipe);
  if ((made.ok && !made.value.overLimit) || !regrips || !from) return moved;
  const up = mod12(pitchClassOf(root) - pitchClassOf(from));
  const named = gripsOf(recipe);
  const grips = named.flatMap(({ chord: symbol }) => {
    const chord = parseChord(symbol);
    if (!chord.ok) return [];
    const there = movedRoot(chord.value.root, { from, to: root });
    return heldGrip(transposeChord(chord.value, there).symbol, context) ?? [];
  });
  return grips.length === named.length
    ? ok(regrips(recipe, grips, { from, to: root, up, instrument: context.instrument }))
    : moved;
}
