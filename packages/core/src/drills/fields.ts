/** What may be chosen of a recipe on a screen, from its family's data: values alone, the words are found by name. */
import { clamp } from '../kernel/number';
import { majorKeys } from '../theory/key';
import { noteText, rootNamed } from '../theory/note';
import type { FieldOf } from './family';
import { familyOf } from './make-drill';
import { withParameters, type NamedGrip, type Spec } from './parameters';
import type { Recipe } from './recipe';
import { LOOP_TEMPO } from './tempo';

export type Field = FieldOf<Recipe>;
/** One of several things that are each in or out. */
export interface Toggle {
  readonly name: string;
  readonly value: string;
  readonly on: boolean;
  readonly flip: () => Recipe;
}

const ROOTS = Array.from({ length: 12 }, (_, i) => noteText(rootNamed(i)));
const KEYS = majorKeys().map((key) => key.name);
const range = (low: number, high: number) => Array.from({ length: high - low + 1 }, (_, i) => low + i);

interface Kind {
  readonly choices: readonly (string | number)[];
  readonly free?: true;
  readonly read: (value: string) => unknown;
}
/** How a parameter is chosen; null for one that is not asked for. */
function kindOf(spec: Spec, strings: number): Kind | null {
  if (spec.hidden) return null;
  switch (spec.is) {
    case 'whole':
      return { choices: spec.offer ?? range(spec.least, spec.most), read: Number };
    case 'number':
      return { choices: spec.offer ?? [], read: Number };
    case 'string number':
      return { choices: range(1, strings), read: Number };
    case 'one of':
      return { choices: spec.values, read: (value) => spec.values.find((one) => String(one) === value) };
    case 'yes or no':
      return { choices: ['no', 'yes'], read: (value) => value === 'yes' };
    case 'note':
      return { choices: ROOTS, read: String };
    case 'key':
      return { choices: KEYS, read: String };
    case 'quality':
      return { choices: spec.offer ?? [], read: String };
    case 'chord':
    case 'text':
      return { choices: spec.offer ?? [], free: true, read: String };
    default:
      return null;
  }
}

const said = (value: unknown): string =>
  value === undefined ? '' : typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value);

/** The fields of a recipe on an instrument of so many strings; a value that is not among the usual ones is offered too. */
export function fieldsOf(recipe: Recipe, strings: number): readonly Field[] {
  const { parameters, fields } = familyOf(recipe);
  const now = new Map<string, unknown>(Object.entries(recipe.parameters));
  const usual = Object.entries(parameters).flatMap(([name, spec]): Field[] => {
    const kind = kindOf(spec, strings);
    if (!kind) return [];
    const choices = [...(spec.optional ? [''] : []), ...kind.choices.map(String)];
    return [
      {
        name,
        value: said(now.get(name)),
        choices,
        ...(kind.free ? { free: true } : {}),
        // Left out is what nothing chosen means where that may be.
        choose: (value) =>
          withParameters(recipe, { [name]: spec.optional && value === '' ? undefined : kind.read(value) }),
      },
    ];
  });
  const shown = fields ? fields(recipe, usual, strings) : usual;
  return shown.map((field) =>
    field.choices.includes(field.value) ? field : { ...field, choices: [field.value, ...field.choices] },
  );
}

/** What goes in and out one by one: lists of things of which some are offered. */
export function togglesOf(recipe: Recipe): readonly Toggle[] {
  const now = new Map<string, unknown>(Object.entries(recipe.parameters));
  return Object.entries(familyOf(recipe).parameters).flatMap(([name, spec]) => {
    const list = now.get(name);
    if (spec.is !== 'list' || !spec.of.offer || !Array.isArray(list)) return [];
    return spec.of.offer.map(String).map((value): Toggle => {
      const on = list.includes(value);
      const next = on ? list.filter((one) => one !== value) : [...list, value];
      return { name, value, on, flip: () => withParameters(recipe, { [name]: next }) };
    });
  });
}

/** The grips of a recipe where others may be named in their place. */
export interface NamedGrips {
  readonly grips: readonly NamedGrip[];
  /** How many the family plays. */
  readonly least: number;
  readonly most: number;
  /** @param grips `least` to `most` of them */
  readonly take: (grips: readonly NamedGrip[]) => Recipe;
}
/** Null for a family that names none, or one alone. */
export function namedGrips(recipe: Recipe): NamedGrips | null {
  const { parameters, gripsOf } = familyOf(recipe);
  const spec = parameters.grips;
  if (spec?.is !== 'list' || spec.of.is !== 'grip') return null;
  const { least, most } = spec;
  return { grips: gripsOf(recipe), least, most, take: (grips) => withParameters(recipe, { grips }) };
}

/** Whether a grip found elsewhere can be what the drill is about. */
export const takesGrips = (recipe: Recipe): boolean =>
  familyOf(recipe).parameters.grip !== undefined || namedGrips(recipe) !== null;

/** Whether drills of this family are played to a tempo of their own. */
export const setsTempo = (recipe: Recipe): boolean => familyOf(recipe).parameters.tempoBpm !== undefined;

/** The tempo a recipe sets; null where it sets none. */
export const tempoOf = (recipe: Recipe): number | null =>
  'tempoBpm' in recipe.parameters ? (recipe.parameters.tempoBpm ?? null) : null;

/** The recipe at another tempo, held inside the ladder. */
export const withTempo = (recipe: Recipe, tempoBpm: number): Recipe =>
  withParameters(recipe, {
    tempoBpm: clamp(Math.round(tempoBpm) || LOOP_TEMPO.lowest, LOOP_TEMPO.lowest, LOOP_TEMPO.highest),
  });
