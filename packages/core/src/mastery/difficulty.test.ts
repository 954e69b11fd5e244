/** How hard the skills of the syllabus are for a hand: a number for each, and the same however it is worked out. */
import { evidenceOf, makeDrill } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { PRIOR_FIT } from '../hands';
import { must } from '../kernel';
import { firstSyllabus, ownDrills, skillsOf } from '../syllabus';
import { difficultyLogits, makeGrader } from './difficulty';

const taught = { hand: averageHand, instrument: standardGuitar };
const grader = makeGrader(taught);
const logitsOf = (skillId: string, nth = 0) => {
  const skill = firstSyllabus.skills.find(({ id }) => id === skillId);
  if (!skill) throw new Error(skillId);
  const { items, recipe } = must(makeDrill(ownDrills(skill)[nth], taught));
  const own = skillsOf({ items, recipe }, { ...firstSyllabus, skills: [skill] })[0].items;
  return difficultyLogits(own, items, grader, PRIOR_FIT);
};

test('every skill is of some difficulty; what is heard or named is as hard whatever is drawn', () => {
  for (const { id, practice } of firstSyllabus.skills) {
    const logits = logitsOf(id);
    expect([id, Number.isFinite(logits) && logits > -4 && logits < 4]).toEqual([id, true]);
    if (['hear', 'name'].includes(evidenceOf(practice[0].recipe))) expect([id, logits]).toEqual([id, -1.25]);
  }
});

test('a full barre is harder than an open chord, and the F harder than the G of its own skill', () => {
  expect(logitsOf('low.e-major')).toBeGreaterThan(logitsOf('open.em') + 2);
  expect(logitsOf('low.e-major', 2)).toBeGreaterThan(logitsOf('low.e-major', 0));
});
