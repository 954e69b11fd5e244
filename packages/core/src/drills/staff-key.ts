/** The key a drill stands on a staff in. */
import { makeKey } from '../theory/key';
import { noteText } from '../theory/note';
import { parentOf } from '../theory/scale';
import { parseScale } from '../theory/read-scale';
import type { Item } from './items';
import type { AnyRecipe } from './parameters';

/** Sharps of a key, flats below zero; null for what is no key or a mode of one. */
function fifthsOf(name: string): number | null {
  // A scale of five or of blues is written in the key it is taken from.
  const whole = name.replace(/ pentatonic$/, '').replace(/ blues$/, ' minor');
  const key = makeKey(whole);
  if (key.ok) return key.value.fifths;
  const scale = parseScale(whole);
  if (!scale.ok) return null;
  const parent = parentOf(scale.value.tonic, scale.value.kind);
  const own = parent && makeKey(`${noteText(parent.tonic)} ${parent.kind}`);
  return own?.ok ? own.value.fifths : null;
}

/**
 * Sharps of its signature (flats below zero): that of the one key its items or its recipe name. Null where it names none, or
 * several: signs then stand before the notes.
 */
export function staffFifths({
  recipe,
  items,
}: {
  readonly recipe: AnyRecipe;
  readonly items: readonly Item[];
}): number | null {
  const keys = new Set(
    items.flatMap((item) => (item.kind === 'key' || item.kind === 'progression' ? [item.key] : [])),
  );
  if (keys.size > 1) return null;
  const [own] = keys;
  if (own !== undefined) return fifthsOf(own);
  const given = recipe.parameters as {
    readonly key?: unknown;
    readonly tonic?: unknown;
    readonly kind?: unknown;
  };
  if (typeof given.key === 'string') return fifthsOf(given.key);
  if (typeof given.tonic === 'string' && typeof given.kind === 'string')
    return fifthsOf(`${given.tonic} ${given.kind}`);
  return null;
}
