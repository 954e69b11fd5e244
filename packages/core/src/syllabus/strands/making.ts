/** How the skills of a strand are written down: short, and every drill of theirs recognised as theirs. */
import {
  changeLoop,
  earPairs,
  ownSmallPiece,
  ringCheck,
  singIt,
  spellIt,
  strumReading,
  tapIt,
  type Recipe,
} from '../../drills/recipe';
import { parseFrets } from '../../grips/grip';
import { must } from '../../kernel/result';
import { gripsText } from '../skills-of';
import {
  PRACTICE_STEPS,
  type DrillMatch,
  type GripMatch,
  type PracticeStep,
  type Skill,
  type SkillMatch,
} from '../skill';

/** A drill that trains a skill: one whose items say so, or one recognised by its parameters. */
type Drills = readonly (Recipe | Trained)[];
/** The other drills of a skill, by what each does for it. */
export type Walk = Partial<Record<PracticeStep, Drills>>;

/** What may be left out of a skill that is written down. */
export type Draft = Pick<Skill, 'id' | 'name' | 'sentence'> &
  Partial<Pick<Skill, 'needs' | 'matches' | 'targetBpm' | 'barre'>> &
  Walk & {
    /** The drills that are the skill itself. */
    readonly drills?: Drills;
    /** What those do for it, where that is not what they do in the rest of its strand. */
    readonly step?: PracticeStep;
  };
export interface Trained {
  readonly recipe: Recipe;
  readonly match: DrillMatch;
}

/** A drill that trains a skill, and is recognised by its family and those of its parameters that are named. */
export function by(recipe: Recipe, ...names: string[]): Trained {
  const given = { ...recipe.parameters, grips: gripsText(recipe) } as unknown as Readonly<
    Record<string, string | number | boolean>
  >;
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

/** @param own what the drills do that are the skill itself, where a skill does not say otherwise */
export function strandOf(strand: string, own: PracticeStep, drafts: readonly Draft[]): readonly Skill[] {
  return drafts.map((draft) => {
    const { id, name, sentence, needs = [], matches = [], targetBpm = null, barre = false } = draft;
    const { drills = [], step = own } = draft;
    const all = [
      ...drills.map((drill) => ({ step, drill })),
      ...PRACTICE_STEPS.flatMap((other) => (draft[other] ?? []).map((drill) => ({ step: other, drill }))),
    ];
    return {
      ...{ id, name, sentence, strand, needs, targetBpm, barre },
      matches: [...matches, ...all.flatMap(({ drill }) => ('match' in drill ? [drill.match] : []))],
      practice: all.map(({ step, drill }) => ({ step, recipe: 'match' in drill ? drill.recipe : drill })),
    };
  });
}

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
export const held = (...grips: string[]): Pick<Draft, 'matches' | 'drills'> => ({
  matches: [exactly(...grips)],
  drills: ring(...grips),
});
export const between = (from: GripMatch, to: GripMatch, moves?: readonly [number, number]): SkillMatch => ({
  kind: 'change',
  from,
  to,
  ...(moves ? { moves } : {}),
});
/** Two grips changed between, either way. */
export const change = (a: string, b: string): Pick<Draft, 'matches' | 'drills'> => ({
  matches: [between(exactly(a), exactly(b))],
  drills: [loop([a, b])],
});
export const needs = (...groups: string[]): readonly (readonly string[])[] =>
  groups.map((group) => group.split('|'));

type Piece = 'air' | 'pivot' | 'slide';
/** The way from grip to grip without the beat: shaped in the air, around a finger that stays, along one that slides. */
export const way = (piece: Piece, ...grips: string[]): Recipe =>
  changeLoop({ grips: grips.map(named), beatsEach: 4, piece });
/** Eight bars out of these grips. */
export const small = (key: string, ...grips: string[]): Recipe =>
  ownSmallPiece({ key, bars: 8, metre: '4/4', grips: grips.map(named), uses: 2, melody: false, strum: 'every beat', play: 'chords' }); // prettier-ignore
export const tune = (key: string, ...grips: string[]): Recipe =>
  ownSmallPiece({ key, bars: 8, metre: '4/4', grips: grips.map(named), uses: 2, melody: true, strum: 'every beat', play: 'melody' }); // prettier-ignore
export const strum = (level: 1 | 2 | 3 | 4 | 5 | 6, ...grips: string[]): Recipe =>
  strumReading({ grips: grips.map(named), beats: 4, level, bars: 8 }, level);

type Spelled = Parameters<typeof spellIt>[0]['what'];
/** Said letter by letter, without the guitar. */
export const said = (what: Spelled): Trained =>
  by(spellIt({ what, key: 'C major', keys: 5, count: 10, secondsPerCall: 12 }, 4), 'what');

type Heard = Parameters<typeof earPairs>[0]['what'];
/** Told apart by ear, however many there are to choose from. */
export const heard = (what: Heard): Trained =>
  by(earPairs({ what, choices: 2, count: 20, hearings: 2, root: 'C', roving: false, sounded: 'one by one' }, 2), 'what'); // prettier-ignore
/** Degrees over a drone on the root that the skill stands on. */
export const over = (root: string): Trained =>
  by(earPairs({ what: 'degrees over a drone', choices: 5, count: 20, hearings: 2, root, roving: false, sounded: 'one by one' }, 5), 'what', 'root'); // prettier-ignore

/** Tones of a key sung before they are heard. */
export const sung = (key: string, what: Parameters<typeof singIt>[0]['what']): Trained =>
  by(singIt({ key, what, voice: 'low', count: 10 }, 3), 'what', 'key');
/** A rhythm read and tapped, without the guitar. */
export const tapped = (level: 1 | 2 | 3 | 4 | 5): Trained =>
  by(tapIt({ level, beats: 4, bars: 8 }, level), 'level');

/** A grip found from one that is held, changed to, used in eight bars, and heard. */
export const walk = (from: string, to: string, key: string, sound: Heard, piece: Piece = 'air'): Walk => ({
  find: [way(piece, from, to)],
  change: [loop([from, to])],
  use: [small(key, from, to)],
  hear: [heard(sound)],
});
/** The same for a grip that stands in no small piece: used under a striking hand. */
export const beside = (
  grips: readonly [string, string],
  level: 1 | 2 | 3,
  sound: Heard,
  piece: Piece = 'air',
): Walk => ({
  find: [way(piece, ...grips)],
  change: [loop(grips)],
  use: [strum(level, ...grips)],
  hear: [heard(sound)],
});
/** Two grips changed between: the way without the beat, in eight bars, and under a striking hand. */
export const around = (from: string, to: string, key: string, piece: Piece = 'air'): Walk => ({
  find: [by(way(piece, from, to), 'piece', 'grips')],
  use: [small(key, from, to), strum(2, from, to)],
});
