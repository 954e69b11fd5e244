/**
 * The check-up: once a term, after three easy minutes, a few items played once, unrehearsed and heard by the teacher. The same items
 * come each term, so that what changed is the player; what was never asked fills up what is missing.
 */
import { evidenceOf } from '../drills/evidence';
import { setsTempo, withTempo } from '../drills/fields';
import { makeDrill } from '../drills/make-drill';
import type { Recipe } from '../drills/recipe';
import { overLimit, type TaughtHand } from '../hands/taught-hand';
import type { StudentState } from '../mastery/replay';
import type { SkillState } from '../mastery/skill-state';
import type { Skill, Syllabus } from '../syllabus/skill';

/** Items of five minutes; takes of a skill before it is asked of; the chance at which a change shows most (assumed). */
const CHECK_UP = { items: 6, leastTakes: 3, chance: 0.65 } as const;

export interface CheckUpItem {
  readonly skillId: string;
  readonly recipe: Recipe;
}

interface CheckUpFor {
  readonly syllabus: Syllabus;
  readonly taught: TaughtHand;
  /** Skills a teacher waived for this hand. */
  readonly waived: readonly string[];
}

/** Items of a check-up, the easiest first, the hardest never last. @param before those of the last one */
export function checkUpItems(
  state: StudentState,
  { syllabus, taught, waived }: CheckUpFor,
  before: readonly CheckUpItem[],
): CheckUpItem[] {
  const states = new Map(state.skills.map((one) => [one.skillId, one]));
  const skills = new Map(syllabus.skills.map((skill) => [skill.id, skill]));
  const again = before.filter(({ skillId, recipe }) => skills.has(skillId) && mayBePlayed(recipe, taught));
  const fits = (skill: Skill): CheckUpItem[] => {
    const own = states.get(skill.id);
    if (!own?.chance || own.attempts < CHECK_UP.leastTakes || waived.includes(skill.id)) return [];
    const recipe = atTarget(skill);
    return evidenceOf(recipe) === 'play' && mayBePlayed(recipe, taught)
      ? [{ skillId: skill.id, recipe }]
      : [];
  };
  const chosen = [...again];
  const strandOf = ({ skillId }: CheckUpItem) => skills.get(skillId)?.strand;
  const open = syllabus.skills
    .flatMap(fits)
    .filter(({ skillId }) => !chosen.some((one) => one.skillId === skillId))
    .sort(
      (a, b) =>
        farFrom(states.get(a.skillId)) - farFrom(states.get(b.skillId)) || (a.skillId < b.skillId ? -1 : 1),
    );
  while (chosen.length < CHECK_UP.items && open.length) {
    // A strand nothing is asked of comes first.
    const asked = new Set(chosen.map(strandOf));
    const at = Math.max(
      0,
      open.findIndex((item) => !asked.has(strandOf(item))),
    );
    chosen.push(...open.splice(at, 1));
  }
  return inOrder(chosen.slice(0, CHECK_UP.items), (item) => states.get(item.skillId)?.chance?.mean ?? 0);
}

const farFrom = (state: SkillState | undefined): number =>
  Math.abs((state?.chance?.mean ?? 0) - CHECK_UP.chance);

/** It is played as a whole and heard as a whole: what is answered call by call has no first take that a teacher hears. */
function mayBePlayed(recipe: Recipe, taught: TaughtHand): boolean {
  const drill = makeDrill(recipe, taught);
  return drill.ok && drill.value.judged !== 'calls' && overLimit(drill.value.heaviestGrip, taught) <= 0;
}

/** The first drill of a skill at the tempo the skill asks for. */
function atTarget({ practice, targetBpm }: Skill): Recipe {
  const [{ recipe }] = practice;
  return targetBpm !== null && setsTempo(recipe) ? withTempo(recipe, targetBpm) : recipe;
}

/** Likeliest first; the last is the second likeliest, so that it ends on what comes. */
function inOrder(items: readonly CheckUpItem[], chance: (item: CheckUpItem) => number): CheckUpItem[] {
  const [first, last, ...rest] = items.toSorted((a, b) => chance(b) - chance(a));
  if (!first) return [];
  return last ? [first, ...rest, last] : [first];
}
