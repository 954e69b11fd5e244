/** How the skills of a strand are written down: short, and every drill of theirs recognised as theirs. */
import { changeLoop, ringCheck, type Recipe } from '../../drills/recipe';
import { parseFrets } from '../../grips/grip';
import { must } from '../../kernel/result';
import type { DrillMatch, GripMatch, Skill, SkillMatch } from '../skill';

/** What may be left out of a skill that is written down. */
export type Draft = Pick<Skill, 'id' | 'name' | 'sentence'> &
  Partial<Pick<Skill, 'needs' | 'matches' | 'practice' | 'targetBpm' | 'barre' | 'use'>> & {
    /** Drills that train it, each recognised by the parameters named. */
    readonly drills?: readonly Trained[];
  };
export interface Trained {
  readonly recipe: Recipe;
  readonly match: DrillMatch;
}

/** A drill that trains a skill, and is recognised by its family and those of its parameters that are named. */
export function by(recipe: Recipe, ...names: string[]): Trained {
  const given = recipe.parameters as unknown as Readonly<Record<string, string | number | boolean>>;
  return {
    recipe,
    match: {
      kind: 'drill',
      family: recipe.family,
      where: Object.fromEntries(names.map((name) => [name, [given[name]]])),
    },
  };
}
/** The same, where a parameter may be any of some values or anything between two numbers. */
export const also = ({ recipe, match }: Trained, where: DrillMatch['where']): Trained => ({
  recipe,
  match: { ...match, where: { ...match.where, ...where } },
});

export const strandOf = (strand: string, drafts: readonly Draft[]): readonly Skill[] =>
  drafts.map(({ drills = [], matches = [], practice = [], ...draft }) => ({
    needs: [],
    targetBpm: null,
    barre: false,
    use: false,
    ...draft,
    strand,
    matches: [...matches, ...drills.map(({ match }) => match)],
    practice: [...practice, ...drills.map(({ recipe }) => recipe)],
  }));

/** "C x32010". */
const named = (text: string) => {
  const [chord, frets] = text.split(' ');
  return { chord, frets: must(parseFrets(frets)) };
};
export const grip = named;
export const ring = (...grips: string[]): Recipe[] => grips.map((one) => ringCheck(named(one)));
export const loop = (
  grips: readonly string[],
  progression?: { readonly key: string; readonly numerals: readonly string[] },
): Recipe => changeLoop({ grips: grips.map(named), beatsEach: 4, ...(progression ? { progression } : {}) });
export const exactly = (...grips: string[]): GripMatch => ({
  kind: 'grip',
  grips: grips.map((one) => one.split(' ').at(-1) ?? one),
});
/** Grips that ring: matched as they stand, each ring-checked. */
export const held = (...grips: string[]): Pick<Draft, 'matches' | 'practice'> => ({
  matches: [exactly(...grips)],
  practice: ring(...grips),
});
export const between = (from: GripMatch, to: GripMatch, moves?: readonly [number, number]): SkillMatch => ({
  kind: 'change',
  from,
  to,
  ...(moves ? { moves } : {}),
});
/** Two grips changed between, either way. */
export const change = (a: string, b: string): Pick<Draft, 'matches' | 'practice'> => ({
  matches: [between(exactly(a), exactly(b))],
  practice: [loop([a, b])],
});
export const needs = (...groups: string[]): readonly (readonly string[])[] =>
  groups.map((group) => group.split('|'));
