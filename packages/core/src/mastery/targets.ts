/**
 * What a skill asks of a hand at its target: the difficulty of its first drill with its tempo, and from where on a drill of
 * it is one of the hardest. Which grips a drill comes to is asked for the nearest of a few hands, how hard they are of the student's own.
 */
import { evidenceOf } from '../drills/evidence';
import { gripItem } from '../drills/grip-item';
import type { Item } from '../drills/items';
import { gripsOf } from '../drills/make-drill';
import { recordedHand, type HandRecords } from '../hands/taught-hand';
import type { Skill } from '../syllabus/skill';
import { skillsOf } from '../syllabus/skills-of';
import { difficultyLogits, tempoLoadOf, type ItemGrader } from './difficulty';
import { sketchOf } from './near-hand';

type Records = Pick<HandRecords, 'hands' | 'instruments' | 'difficultyFit'>;

/** An item that is heard or named. */
const NAMED: Item = { kind: 'key', key: 'C major' };
/** Load of a skill whose first drill a hand of this size cannot hold. */
const BEYOND_REACH_LOGITS = 4;

/** Load of a skill's first drill at its target tempo, logits. @param now ms since 1970, whose hand is meant */
export function targetLoad(skill: Skill, records: Records, grader: ItemGrader, now: number): number {
  const { recipe } = skill.practice[0];
  const kind = evidenceOf(recipe);
  // Of what is heard or named every item is as hard, whatever the drill draws.
  if (kind === 'hear' || kind === 'name')
    return difficultyLogits([NAMED], [NAMED], grader, records.difficultyFit);
  const items = sketchOf(recipe, recordedHand(records, now))?.items;
  if (!items) return BEYOND_REACH_LOGITS;
  const own = skillsOf({ items, recipe }, { skills: [skill] })[0]?.items ?? items;
  const load = difficultyLogits(own, items, grader, records.difficultyFit);
  return load + tempoLoadOf({ items, recipe }, skill.targetBpm, grader);
}

/**
 * Difficulty of the easiest in the hardest third of the drills of a skill that are evidence of what it is about; asked of
 * the grips that they name, since making them all takes seconds. Below everything where none names a grip.
 */
export function hardThirdOf(skill: Skill, records: Records, grader: ItemGrader, now: number): number {
  const kind = evidenceOf(skill.practice[0].recipe);
  const { instrument } = recordedHand(records, now);
  const known = skill.practice.flatMap(({ recipe }) => {
    const grips = evidenceOf(recipe) === kind ? gripsOf(recipe) : [];
    if (!grips.length) return [];
    const items = grips.map(({ chord, frets }) => gripItem(frets, [], chord, instrument));
    return [difficultyLogits(items, items, grader, records.difficultyFit)];
  });
  return known.toSorted((a, b) => a - b).at(-Math.ceil(known.length / 3)) ?? Number.NEGATIVE_INFINITY;
}
