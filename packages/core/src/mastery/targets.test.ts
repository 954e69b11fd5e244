import { makeDrill } from '../drills';
import { averageHand, standardGuitar, type Hand } from '../fretboard';
import { PRIOR_FIT } from '../hands';
import { firstSyllabus, skillsOf, type Skill } from '../syllabus';
import { MASTERY } from './constants';
import { difficultyLogits, makeGrader, takeLoad } from './difficulty';
import { PLAIN_STAGE } from './experience';
import { targetLoad } from './targets';

const NOW = Date.UTC(2026, 5, 1);
const onRecord = (hand: Hand) => ({
  hands: [{ from: '2026-01-01T00:00:00Z', value: hand }],
  instruments: [{ from: '2026-01-01T00:00:00Z', value: standardGuitar }],
  difficultyFit: PRIOR_FIT,
});
const skillOf = (id: string): Skill => {
  const found = firstSyllabus.skills.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
};
const loadFor = (skill: Skill, hand: Hand): number =>
  targetLoad(skill, onRecord(hand), makeGrader({ hand, instrument: standardGuitar }, PLAIN_STAGE), NOW);

/** The drill made for the hand itself: what the near one stands in for. */
function ownLoad(skill: Skill, hand: Hand): number | null {
  const drill = makeDrill(skill.practice[0].recipe, { hand, instrument: standardGuitar });
  if (!drill.ok) return null;
  const grader = makeGrader({ hand, instrument: standardGuitar }, PLAIN_STAGE);
  const own = skillsOf(drill.value, { skills: [skill] })[0]?.items ?? drill.value.items;
  return takeLoad({ ...drill.value, tempoBpm: skill.targetBpm }, own, grader, PRIOR_FIT);
}

test.each([0.8, 0.82, 0.97, 1.13])(
  'a hand of %s: targets are those of drills made for the hand itself where drills name their grips, and near them where they search',
  (sizeFactor) => {
    const hand = { ...averageHand, sizeFactor };
    const played = firstSyllabus.skills.filter((one) =>
      [
        'change loop',
        'ring check',
        'five forms',
        'number calls',
        'colour swap',
        'melody on top',
        'family ladder',
        'degrees',
      ].includes(one.practice[0].recipe.family),
    );
    expect(played.length).toBeGreaterThan(60);
    for (const skill of played) {
      const own = ownLoad(skill, hand);
      if (own === null) continue;
      // A hand of just a tenth is its own near one.
      const named =
        sizeFactor === 0.8 || ['change loop', 'ring check'].includes(skill.practice[0].recipe.family);
      expect(Math.abs(loadFor(skill, hand) - own)).toBeLessThan(named ? 1e-9 : 1.5);
    }
  },
);

test('the grade is of the own hand: a barre asks more of a small one, whichever hand chose the grips', () => {
  const barre = skillOf('low.e-major');
  const small = loadFor(barre, { ...averageHand, sizeFactor: 0.8 });
  const smaller = loadFor(barre, { ...averageHand, sizeFactor: 0.77 });
  expect(small).toBeGreaterThan(loadFor(barre, averageHand) + 0.2);
  expect(smaller).toBeGreaterThan(small);
});

test('what is heard or named is as hard for every hand, and no drill of it is made', () => {
  const heard = firstSyllabus.skills.filter((one) => one.practice[0].recipe.family === 'ear pairs');
  expect(heard.length).toBeGreaterThan(3);
  const plain = (MASTERY.noteEffort - MASTERY.effortCentre) / MASTERY.effortPerLogit;
  for (const skill of heard)
    for (const sizeFactor of [0.75, 1.2]) expect(loadFor(skill, { ...averageHand, sizeFactor })).toBe(plain);
});

test('a target tempo over what the hand would play is a load of its own', () => {
  const change = skillOf('near.c-g');
  const fast = { ...change, targetBpm: 200 };
  const grader = makeGrader({ hand: averageHand, instrument: standardGuitar }, PLAIN_STAGE);
  const drill = makeDrill(change.practice[0].recipe, { hand: averageHand, instrument: standardGuitar });
  if (!drill.ok) throw new Error(drill.problem.code);
  const { items } = drill.value;
  const own = skillsOf(drill.value, { skills: [change] })[0].items;
  expect(loadFor(fast, averageHand)).toBeCloseTo(
    difficultyLogits(own, items, grader, PRIOR_FIT) +
      2.4 * Math.log(1 + 200 / (grader.predictedBpm(items, 2) ?? Number.NaN)),
    9,
  );
  expect(loadFor(fast, averageHand)).toBeGreaterThan(
    loadFor({ ...change, targetBpm: null }, averageHand) + 1,
  );
});

test('a drill that no hand of this size can hold is a load as of what is out of reach', () => {
  const far = skillOf('near.c-g');
  const { recipe } = far.practice[0];
  if (recipe.family !== 'change loop') throw new Error(recipe.family);
  const grips = recipe.parameters.grips.map(() => ({ chord: 'C', frets: [1, null, null, null, null, 15] }));
  const beyond = { ...far, practice: [{ step: 'change', recipe: { ...recipe, parameters: { ...recipe.parameters, grips } } }] } as Skill; // prettier-ignore
  expect(loadFor(beyond, averageHand)).toBe(4);
});
