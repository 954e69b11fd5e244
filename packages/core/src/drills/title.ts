/** What a drill is called, as data: the vocabulary words it. */
import type { Reason } from '../effort/explain';
import { makeChord } from '../theory/chord';
import { readNote } from '../theory/note';
import type { ChangePiece, Recipe } from './recipe';

const chordOn = (root: string, quality: string): string => {
  const read = readNote(root);
  return read ? makeChord(read.note, quality).symbol : root;
};

const PIECE_TITLES: Readonly<Record<ChangePiece, string>> = {
  'one finger': 'title.one-finger',
  slide: 'title.slide',
  pivot: 'title.pivot',
  air: 'title.air',
};

export function drillTitle(recipe: Recipe): Reason {
  switch (recipe.family) {
    case 'warm up':
      return { code: 'title.warm-up', values: { minutes: recipe.parameters.minutes } };
    case 'string walk':
      return {
        code: 'title.walk',
        values: { string: recipe.parameters.string, key: recipe.parameters.key },
      };
    case 'note reading':
      return {
        code: 'title.reading',
        values: { key: recipe.parameters.key, position: recipe.parameters.position },
      };
    case 'root call':
      return {
        code: 'title.roots',
        values: { string: recipe.parameters.rootString, grid: recipe.parameters.grid ? 1 : 0 },
      };
    case 'formula':
      return { code: 'title.formula', values: { chord: recipe.parameters.grip.chord } };
    case 'ring check':
      return { code: 'title.shape', values: { chord: recipe.parameters.grip.chord } };
    case 'family ladder':
      return {
        code: 'title.ladder',
        values: { root: recipe.parameters.root, form: recipe.parameters.form },
      };
    case 'five forms':
      return {
        code: 'title.forms',
        values: { chord: chordOn(recipe.parameters.root, recipe.parameters.quality) },
      };
    case 'close triads':
      return {
        code: 'title.triads',
        values: { root: recipe.parameters.root, strings: recipe.parameters.strings.join(' ') },
      };
    case 'change loop': {
      const { grips, piece } = recipe.parameters;
      const values = {
        from: grips[0]?.chord ?? '',
        to: grips[grips.length - 1]?.chord ?? '',
        ...(grips.length > 2 ? { chords: grips.map((grip) => grip.chord).join(' ') } : {}),
      };
      return { code: piece ? PIECE_TITLES[piece] : 'title.loop', values };
    }
    case 'bass walk':
      return {
        code: 'title.bass',
        values: { from: recipe.parameters.from, to: recipe.parameters.to, way: recipe.parameters.way },
      };
    case 'strum reading':
      return {
        code: 'title.strum',
        values: { level: recipe.parameters.level, chord: recipe.parameters.grips[0]?.chord ?? '' },
      };
    case 'picking pattern':
      return {
        code: 'title.picking',
        values: { pattern: recipe.parameters.pattern, chord: recipe.parameters.grips[0]?.chord ?? '' },
      };
    case 'piece section': {
      const { title, fromBar, toBar, part } = recipe.parameters;
      return { code: 'title.section', values: { title, fromBar, toBar, part } };
    }
  }
}
