/**
 * A lesson for somebody whose hand hurts: what is heard, named and found without pressing, so that it is a lesson and no
 * hand plays. Skills of the ear and of names go on as they stand; of what is played already one hears and names the same.
 */
import { evidenceOf, isQuiet } from '../drills/evidence';
import { handAlone, openStrokes, type OneHand } from '../drills/one-hand';
import { makeDrill } from '../drills/make-drill';
import { tapIt, type Recipe } from '../drills/recipe';
import { allowedHand, staysOpen } from '../mastery/pain';
import type { StudentState } from '../mastery/replay';
import type { SkillState } from '../mastery/skill-state';
import type { Skill, Syllabus } from '../syllabus/skill';
import { isOpen, ONCE_CLEAN, type CandidateContext } from './candidates';
import { PLAN_MODEL_VERSION, planMinutes, type BlockKind, type LessonPlan, type PlanBlock } from './plan';

/** Minutes of one block, of the one hand that may play, of the tapping that closes a longer lesson, and how many new things there may be (assumed). */
const QUIET = {
  block: 7,
  longest: 12,
  hand: 5,
  handFrom: 20,
  tap: 5,
  tapFrom: 25,
  newSkills: 2,
  moreFrom: 45,
} as const;

interface Quiet {
  readonly skill: Skill;
  readonly recipe: Recipe;
  readonly kind: BlockKind;
  readonly worth: number;
  /** Why: new, half held, due, or held in the hand already. */
  readonly how: 'new' | 'half' | 'due' | 'played';
  readonly number: number;
}

/** @param locked blocks the teacher locked: those that are played are left out and said to be */
export function quietPlan(
  state: StudentState,
  syllabus: Syllabus,
  constraints: Pick<CandidateContext, 'taught' | 'waived'> & { readonly minutes: number },
  locked: readonly PlanBlock[],
): LessonPlan {
  const { minutes, taught } = constraints;
  const hand = allowedHand(state.pain, taught.instrument.leftHanded);
  const stays = locked.filter(({ recipe }) => recipe === null || staysOpen(recipe, hand));
  const goes = locked.filter((block) => !stays.includes(block));
  const free = minutes - planMinutes(stays);
  const tap = free >= QUIET.tapFrom ? QUIET.tap : 0;
  const alone = hand && free >= QUIET.handFrom ? handBlock(state, syllabus, constraints, hand) : null;
  const heard = free - tap - (alone?.minutes ?? 0);
  const wanted = Math.max(free > 0 ? 1 : 0, Math.round(heard / QUIET.block));
  const taken = new Set(stays.flatMap(({ skillId }) => skillId ?? []));
  const chosen = inTurn(
    quietDrills(state, syllabus, constraints.waived).filter(
      ({ skill, recipe }) => !taken.has(skill.id) && makeDrill(recipe, taught).ok,
    ),
    wanted,
    minutes >= QUIET.moreFrom ? QUIET.newSkills + 1 : QUIET.newSkills,
  );
  const lasting = Math.min(Math.max(0, heard), chosen.length * QUIET.longest);
  const blocks = [
    ...chosen.map((one, i) => blockOf(one, shareOf(lasting, chosen.length, i))),
    ...(alone ? [alone] : []),
  ];
  const left = free - planMinutes(blocks);
  return {
    schemaVersion: 1,
    minutes,
    blocks: [...stays, ...blocks, ...(left > 0 ? [tapBlock(state, syllabus, blocks, left)] : [])],
    leftOut: goes.flatMap(({ title, skillId }) =>
      skillId ? [{ title, skillId, because: { code: 'left.pain', values: {} } }] : [],
    ),
    modelVersion: PLAN_MODEL_VERSION,
  };
}

/** So many whole minutes in equal shares, the first ones longer by what is left. */
const shareOf = (minutes: number, of: number, i: number): number =>
  Math.floor(minutes / of) + (i < minutes % of ? 1 : 0);

/** All that may be done, most worth first: every drill once. */
function quietDrills(state: StudentState, syllabus: Syllabus, waived: readonly string[]): Quiet[] {
  const states = new Map(state.skills.map((one) => [one.skillId, one]));
  const known = new Set<string>();
  return syllabus.skills
    .flatMap((skill): Quiet[] => {
      const own = states.get(skill.id);
      if (!own || waived.includes(skill.id)) return [];
      return isQuiet(skill.practice[0].recipe)
        ? ofTheEar(skill, own, isOpen(skill, states, waived))
        : ofTheHand(skill, own);
    })
    .toSorted((a, b) => b.worth - a.worth)
    .filter(({ recipe }) => {
      const text = JSON.stringify(recipe);
      return known.has(text) ? false : known.add(text);
    });
}

/** A skill that is heard or named itself: begun, mended or reviewed as any other. */
function ofTheEar(skill: Skill, own: SkillState, open: boolean): Quiet[] {
  const { recipe } = skill.practice[0];
  const number = Math.round(100 * (own.chance?.mean ?? 0));
  const as = (kind: BlockKind, how: Quiet['how'], worth: number): Quiet[] => [
    { skill, recipe, kind, how, worth, number },
  ];
  if (own.attempts === 0) return open ? as('new', 'new', 0.7) : [];
  if (!ONCE_CLEAN(own)) return as('repair', 'half', 0.95);
  return as('review', 'due', own.marks.due ? 0.9 : 0.3);
}

/** A skill in the hand: what of it is heard or named, the less often it was, the sooner. */
function ofTheHand(skill: Skill, own: SkillState): Quiet[] {
  if (own.attempts === 0) return [];
  return skill.practice.flatMap(({ recipe }): Quiet[] => {
    if (!isQuiet(recipe)) return [];
    const before = own.apart[evidenceOf(recipe)]?.takes ?? 0;
    return [{ skill, recipe, kind: 'apply', how: 'played', worth: 0.8 / (1 + before / 3), number: 0 }];
  });
}

/** So many of them, most worth first, no family twice running while there is another, and few new things. */
function inTurn(all: readonly Quiet[], wanted: number, mostNew: number): Quiet[] {
  const chosen: Quiet[] = [];
  let left = [...all];
  while (chosen.length < wanted && left.length) {
    const news = chosen.filter(({ kind }) => kind === 'new').length;
    const skills = new Set(chosen.map(({ skill }) => skill.id));
    left = left.filter(({ kind, skill }) => !skills.has(skill.id) && (kind !== 'new' || news < mostNew));
    const last = chosen.at(-1)?.recipe.family;
    const next = left.find(({ recipe }) => recipe.family !== last) ?? left[0];
    if (!next) break;
    chosen.push(next);
    left = left.filter((one) => one !== next);
  }
  return chosen;
}

function blockOf({ skill, recipe, kind, how, number }: Quiet, minutes: number): PlanBlock {
  return {
    id: `quiet:${skill.id}:${recipe.family}`,
    kind,
    minutes,
    title: { code: 'title.skill', values: { skill: skill.name, family: recipe.family } },
    because: { code: 'because.quiet', values: { how, number } },
    skillId: skill.id,
    recipe,
    effort: 0,
    barreMinutes: 0,
    locked: false,
  };
}

/** What the hand that may play does alone: open strings struck, or the furthest grips that were begun shaped in the air. */
function handBlock(
  { skills }: StudentState,
  syllabus: Syllabus,
  { taught, waived }: Pick<CandidateContext, 'taught' | 'waived'>,
  hand: OneHand,
): PlanBlock | null {
  const begun = new Set(skills.flatMap(({ skillId, attempts }) => (attempts > 0 ? [skillId] : [])));
  const own = syllabus.skills.flatMap((skill) => {
    const recipe = skill.practice.find((one) => handAlone(one.recipe) === hand)?.recipe;
    if (!recipe || !begun.has(skill.id) || skill.barre || waived.includes(skill.id)) return [];
    const drill = makeDrill(recipe, taught);
    return drill.ok && !drill.value.overLimit ? [{ skillId: skill.id, recipe }] : [];
  });
  const furthest = own.at(-1);
  const recipe =
    hand === 'striking' ? openStrokes(taught.instrument.openPitches.length, 1) : furthest?.recipe;
  if (!recipe) return null;
  return {
    id: `one-hand:${hand}`,
    kind: 'apply',
    minutes: QUIET.hand,
    title: { code: 'title.one-hand', values: { hand } },
    because: { code: 'because.one-hand', values: { hand } },
    skillId: hand === 'fretting' ? (furthest?.skillId ?? null) : null,
    recipe,
    effort: 0,
    barreMinutes: 0,
    locked: false,
  };
}

/** The rhythm that closes it: of the furthest skill that was begun and has one to tap, else the first level; none that a block asks already. */
function tapBlock(
  { pain, skills }: StudentState,
  syllabus: Syllabus,
  before: readonly PlanBlock[],
  minutes: number,
): PlanBlock {
  const begun = new Set(skills.flatMap(({ skillId, attempts }) => (attempts > 0 ? [skillId] : [])));
  const isAsked = (recipe: Recipe) =>
    before.some((block) => JSON.stringify(block.recipe) === JSON.stringify(recipe));
  const tapped = syllabus.skills.flatMap(({ id, practice }) => {
    const recipe = practice.find((one) => one.recipe.family === 'tap it')?.recipe;
    return recipe && begun.has(id) ? [{ id, recipe }] : [];
  });
  const furthest = tapped.at(-1);
  let recipe = furthest?.recipe ?? tapIt({ level: 1, beats: 4, bars: 8 });
  while (isAsked(recipe)) recipe = { ...recipe, seed: recipe.seed + 1 };
  return {
    id: 'title.tap',
    kind: 'apply',
    minutes,
    title: { code: 'title.tap', values: {} },
    because: { code: 'because.pain', values: { where: pain.where ?? 'hand', since: pain.sinceDay ?? '' } },
    skillId: furthest?.id ?? null,
    recipe,
    effort: 0,
    barreMinutes: 0,
    locked: false,
  };
}
