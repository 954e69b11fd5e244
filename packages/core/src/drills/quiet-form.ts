/**
 * What of a drill is left when no hand may play: a rhythm is tapped, the tune of a piece is heard and sung, a scale is sung. What a
 * hand was to practise goes on in the ear, so that the days after pain are not lost.
 */
import type { DrillContext } from '../hands/taught-hand';
import { readChart } from '../score/chart';
import { makeKey } from '../theory/key';
import { isQuiet } from './evidence';
import { makeDrill } from './make-drill';
import { withParameters } from './parameters';
import { singIt, tapIt, type Recipe } from './recipe';

/** The level of tapping that has the rhythms of each level of strum reading; chops and mutes are no rhythms of their own. */
const TAP_LEVEL = [1, 2, 3, 4, 4, 5] as const;
const TONES_SUNG = 10;

/** The nearest drill in which no hand plays, the very recipe where none does; null where there is none of it. */
export function quietForm(recipe: Recipe, context: DrillContext): Recipe | null {
  if (isQuiet(recipe)) return recipe;
  const form = formOf(recipe);
  return form && makeDrill(form, context).ok ? form : null;
}

function formOf(recipe: Recipe): Recipe | null {
  switch (recipe.family) {
    case 'strum reading': {
      const { level, beats, bars, tempoBpm } = recipe.parameters;
      const tapped = { level: TAP_LEVEL[level - 1], beats, bars };
      return tapIt(tempoBpm === undefined ? tapped : { ...tapped, tempoBpm }, recipe.seed);
    }
    case 'piece section':
      return readChart(recipe.parameters.chart).piece.sections.some(({ bars }) =>
        bars.some((bar) => bar.melody?.length),
      )
        ? withParameters(recipe, { part: 'sung', tempoBpm: undefined })
        : null;
    case 'scale in the shape': {
      const { tonic, kind } = recipe.parameters;
      const [, mode, five] = /^(major|minor)( pentatonic)?$/.exec(kind) ?? [];
      const key = mode ? makeKey(`${tonic} ${mode}`) : null;
      if (!key?.ok) return null;
      const what = five ? 'the five' : 'the scale';
      return singIt({ key: key.value.name, what, voice: 'low', count: TONES_SUNG }, recipe.seed);
    }
    default:
      return null;
  }
}
