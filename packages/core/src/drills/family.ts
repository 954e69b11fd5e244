/** What every drill family is: its parameters as data and all that is asked of it. One folder a family, one list of them. */
import type { Reason } from '../effort/explain';
import type { Instrument } from '../fretboard/instrument';
import { fail, type Result } from '../kernel/result';
import type { NoteName } from '../theory/note';
import type { DrillContext } from '../hands/taught-hand';
import type { DrillOf } from './drill';
import type { AnyRecipe, NamedGrip, Specs } from './parameters';

/** Families by what they are for, in the order in which people learn. */
export const FAMILY_GROUPS = [
  'warm and find',
  'one grip',
  'along the neck',
  'move between',
  'lines',
  'in a key',
  'by ear and on paper',
  'striking hand',
  'in a piece',
] as const;
export type FamilyGroup = (typeof FAMILY_GROUPS)[number];

/** Five kinds of evidence; what is said by one of them says nothing of the others. */
export const EVIDENCE_KINDS = ['play', 'hear', 'name', 'predict', 'over a root'] as const;
export type EvidenceKind = (typeof EVIDENCE_KINDS)[number];

/** What is in hand when a family is opened. */
export interface StartingPoint {
  readonly grip: NamedGrip;
  /** The grip played before it; a usual neighbour where nothing was. */
  readonly beside: NamedGrip;
  /** Grips of the drill before, two to four, which a family that plays several takes on. */
  readonly several: readonly NamedGrip[] | null;
  /** Grips the student holds clean; none where nobody is on the bench or nothing is. */
  readonly held: readonly NamedGrip[];
  readonly instrument: Instrument;
}

/** Half steps up from the root a recipe stands on to the root asked for. */
export interface Move {
  readonly from: NoteName;
  readonly to: NoteName;
  /** 0 to 11. */
  readonly up: number;
  readonly instrument: Instrument;
}

/** One choice on screen: what it is now, what may be chosen, and the recipe a choice makes. */
export interface FieldOf<R> {
  /** Its parameter, or a name of the family's own; the words are found by it. */
  readonly name: string;
  readonly value: string;
  readonly choices: readonly string[];
  /** Anything may be typed. */
  readonly free?: true;
  readonly choose: (value: string) => R;
}

export interface FamilyDefinition<R extends AnyRecipe> {
  readonly name: R['family'];
  readonly group: FamilyGroup;
  /** What a take of it is evidence of; playing, where left out. */
  readonly evidence?: Exclude<EvidenceKind, 'play'>;
  /** The same, where it depends on the recipe. */
  readonly evidenceOf?: (recipe: R) => EvidenceKind;
  readonly parameters: Specs;
  readonly make: (recipe: R, context: DrillContext) => Result<DrillOf<R>>;
  /** One notch; problem `drill.easiest` or `drill.hardest` at the end of the road. */
  readonly easier: (recipe: R, context: DrillContext) => Result<R>;
  readonly harder: (recipe: R, context: DrillContext) => Result<R>;
  /** What to try where a recipe cannot be built, nearest first. */
  readonly fallbacks?: (recipe: R, context: DrillContext) => readonly R[];
  /** The root it stands on; null for one that has none. */
  readonly root: (recipe: R) => NoteName | null;
  /** On another root. Problems: `drill.keyless`, `drill.open-strings`, `drill.past-neck`. */
  readonly rekey: (recipe: R, move: Move) => Result<R>;
  /** What it is called, as data: the vocabulary words it. */
  readonly title: (recipe: R) => Reason;
  /** Grips it names, in the order they are played; none where the drill finds its own. */
  readonly gripsOf: (recipe: R) => readonly NamedGrip[];
  /** The same drill on other grips, as many as `gripsOf` gave; the very recipe where it names none. */
  readonly withGrips: (recipe: R, grips: readonly NamedGrip[]) => R;
  /** In another key its chords may be taken on other grips, where those moved along the neck do not lie in this hand. */
  readonly regrips?: (recipe: R, grips: readonly NamedGrip[], move: Move) => R;
  /** The capo it is played under, where that is not the student's own. */
  readonly capo?: (recipe: R) => number;
  /** Whether something of it is drawn, so that another seed is another drill; left out where nothing is. */
  readonly draws?: (recipe: R) => boolean;
  /** A sensible first recipe around what is in hand. */
  readonly first: (start: StartingPoint) => R;
  /** The fields on screen, where they are not simply those of the parameters. */
  readonly fields?: (recipe: R, usual: readonly FieldOf<R>[], strings: number) => readonly FieldOf<R>[];
}

/** Of a family that stands in no key. */
export const keyless = {
  root: () => null,
  rekey: ({ family }: AnyRecipe) => fail('drill.keyless', family, 'a drill that stands in a key'),
} as const;
/** Of a family that names no grip. */
export const gripless = {
  gripsOf: (): readonly NamedGrip[] => [],
  withGrips: <R>(recipe: R): R => recipe,
} as const;
