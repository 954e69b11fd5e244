/**
 * What a drill family may be given, as data: each parameter with its bounds and the values usually taken. Types of recipes,
 * the contract's schemas and the fields on screen are derived from it, so that a bound is written once.
 */
import type { Frets } from '../grips/grip';

/**
 * A recipe is a drill before it is made: family, version, parameters and seed. The same recipe and context give the same
 * drill on every machine, so recipes are stored and drills are not.
 */
export interface RecipeOf<Name extends string, Parameters> {
  readonly schemaVersion: 1;
  readonly family: Name;
  readonly version: 1;
  readonly parameters: Parameters;
  readonly seed: number;
}
export type AnyRecipe = RecipeOf<string, object>;

/** A chord with the frets it is to be played on. */
export interface NamedGrip {
  readonly chord: string;
  readonly frets: Frets;
}

interface Shown {
  /** Values offered first; any other within the bounds is taken too. */
  readonly offer?: readonly (string | number)[];
  /** Not asked for on screen: set by what is in hand, or by the notches. */
  readonly hidden?: true;
}
interface WholeSpec extends Shown {
  readonly is: 'whole';
  readonly least: number;
  readonly most: number;
}
/** The number of a string, the thinnest 1: bounded by the instrument. */
interface StringSpec extends Shown {
  readonly is: 'string number';
}
/** Seconds or a tempo: any number between the bounds. */
interface NumberSpec extends Shown {
  readonly is: 'number';
  readonly least: number;
  readonly most: number;
}
interface ChoiceSpec<V extends string | number> extends Shown {
  readonly is: 'one of';
  readonly values: readonly V[];
}
interface FlagSpec extends Shown {
  readonly is: 'yes or no';
}
interface TextSpec extends Shown {
  readonly is: 'text';
  /** What is written in it, for the words of a refusal: "a pattern, like p i m a". */
  readonly what: string;
  readonly least: number;
  readonly most: number;
}
/** Texts that something else reads: a chord symbol, a note like Ab, a key like Ab major, the id of a quality. */
interface NamedSpec extends Shown {
  readonly is: 'chord' | 'note' | 'key' | 'quality';
}
interface GripSpec extends Shown {
  readonly is: 'grip';
}
interface FretsSpec extends Shown {
  readonly is: 'frets or none';
}
interface ListSpec<E extends Spec> extends Shown {
  readonly is: 'list';
  readonly of: E;
  readonly least: number;
  readonly most: number;
}
interface ThreeSpec<E extends Spec> extends Shown {
  readonly is: 'three';
  readonly of: E;
}
interface RecordSpec<F extends Specs> extends Shown {
  readonly is: 'record';
  readonly of: F;
}
export type Spec = (
  | WholeSpec
  | StringSpec
  | NumberSpec
  | ChoiceSpec<string | number>
  | FlagSpec
  | TextSpec
  | NamedSpec
  | GripSpec
  | FretsSpec
  | ({ readonly is: 'list'; readonly of: Spec; readonly least: number; readonly most: number } & Shown)
  | ({ readonly is: 'three'; readonly of: Spec } & Shown)
  | ({ readonly is: 'record'; readonly of: Specs } & Shown)
) & { readonly optional?: true };
export interface Specs {
  readonly [name: string]: Spec;
}

type ValueOf<S> = S extends { readonly is: 'whole' | 'number' | 'string number' }
  ? number
  : S extends { readonly is: 'one of'; readonly values: readonly (infer V)[] }
    ? V
    : S extends { readonly is: 'yes or no' }
      ? boolean
      : S extends { readonly is: 'text' | 'chord' | 'note' | 'key' | 'quality' }
        ? string
        : S extends { readonly is: 'grip' }
          ? NamedGrip
          : S extends { readonly is: 'frets or none' }
            ? Frets | null
            : S extends { readonly is: 'list'; readonly of: infer E }
              ? readonly ValueOf<E>[]
              : S extends { readonly is: 'three'; readonly of: infer E }
                ? readonly [ValueOf<E>, ValueOf<E>, ValueOf<E>]
                : S extends { readonly is: 'record'; readonly of: infer F }
                  ? ParametersOf<F>
                  : never;
type OptionalOf<S> = { [K in keyof S]: S[K] extends { readonly optional: true } ? K : never }[keyof S];
type Plain<T> = { readonly [K in keyof T]: T[K] };
/** The parameters a family's data describes. */
export type ParametersOf<S> = Plain<
  { [K in Exclude<keyof S, OptionalOf<S>>]: ValueOf<S[K]> } & { [K in OptionalOf<S>]?: ValueOf<S[K]> }
>;

export const whole = (least: number, most: number, offer?: readonly number[]): WholeSpec => ({
  is: 'whole',
  least,
  most,
  ...(offer ? { offer } : {}),
});
/** @param offer Usual values; left out, every whole number between the bounds. */
const number = (least: number, most: number, offer?: readonly number[]): NumberSpec => ({
  is: 'number',
  least,
  most,
  ...(offer ? { offer } : {}),
});
export const oneOf = <const V extends string | number>(values: readonly V[]): ChoiceSpec<V> => ({
  is: 'one of',
  values,
});
export const yesOrNo: FlagSpec = { is: 'yes or no' };
export const text = (what: string, least: number, most: number, offer?: readonly string[]): TextSpec => ({
  is: 'text',
  what,
  least,
  most,
  ...(offer ? { offer } : {}),
});
export const stringNumber: StringSpec = { is: 'string number' };
export const chord: NamedSpec = { is: 'chord' };
export const note: NamedSpec = { is: 'note' };
export const key: NamedSpec = { is: 'key' };
export const quality = (offer?: readonly string[]): NamedSpec => ({
  is: 'quality',
  ...(offer ? { offer } : {}),
});
export const grip: GripSpec = { is: 'grip' };
export const fretsOrNone: FretsSpec = { is: 'frets or none' };
export const list = <E extends Spec>(of: E, least: number, most: number): ListSpec<E> => ({
  is: 'list',
  of,
  least,
  most,
});
export const three = <E extends Spec>(of: E): ThreeSpec<E> => ({ is: 'three', of });
export const record = <F extends Specs>(of: F): RecordSpec<F> => ({ is: 'record', of });
export const optional = <S extends Spec>(spec: S): S & { readonly optional: true } => ({
  ...spec,
  optional: true,
});
export const hidden = <S extends Spec>(spec: S): S & { readonly hidden: true } => ({ ...spec, hidden: true });

/** Beats a minute; left out, the tempo this hand's slowest change allows. Set by the notches and by a field of its own. */
export const tempo = hidden(optional(number(20, 300)));
/** Seconds a call may take. */
export const seconds = number(2, 20, [2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
/** Some numbers of a key, played after one another. */
export const progression = (most: number) =>
  record({ key: text('a key', 0, 40), numerals: list(text('a number', 0, 40), 0, most) });

/** A recipe of a family in its present version. */
export const recipeOf =
  <R extends AnyRecipe>(family: R['family']) =>
  (parameters: R['parameters'], seed = 1): R =>
    // The five parts are those of the family named.
    ({ schemaVersion: 1, family, version: 1, parameters, seed }) as unknown as R;

/** The recipe with some of its parameters others. */
export function withParameters<R extends AnyRecipe>(recipe: R, change: Partial<R['parameters']>): R {
  return { ...recipe, parameters: { ...recipe.parameters, ...change } };
}
