import { changeLoop, makeDrill } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { mean, must, seededRandom } from '../kernel';
import { firstSyllabus } from '../syllabus';
import { liveThrough, makePlayer, type Life, type PlayerTraits } from '.';

const traits: PlayerTraits = {
  learning: 0.07,
  keeping: 1,
  shakiness: 1,
  slowness: 1.1,
  limit: 68,
  painChance: 0,
  painPlace: 'wrist',
};
const context = { hand: averageHand, instrument: standardGuitar };
const loop = must(
  makeDrill(
    changeLoop({
      grips: [
        { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
        { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
      ],
      beatsEach: 4,
      tempoBpm: 44,
    }),
    context,
  ),
);
const change = loop.items[2];
const life: Life = {
  seed: 7,
  traits,
  ...context,
  days: 98,
  lessonDays: [0, 7, 14, 21, 28, 35, 42, 49, 56, 63, 70, 77, 84, 91],
  lessonMinute: 960,
  diligence: 0.6,
  startsWith: ['open.em'],
};

describe('a simulated player', () => {
  test('learns with takes and forgets with days, more slowly once practice was spaced', () => {
    const player = makePlayer(traits, averageHand, standardGuitar, seededRandom(1));
    const before = player.trueStepChance(change, 0);
    for (let i = 0; i < 12; i++) player.play(loop, i / 100);
    const after = player.trueStepChance(change, 0.2);
    const massedLoss = after - player.trueStepChance(change, 14.2);
    expect(after).toBeGreaterThan(before + 0.1);
    expect(massedLoss).toBeGreaterThan(0.02);

    const spaced = makePlayer(traits, averageHand, standardGuitar, seededRandom(1));
    for (let i = 0; i < 12; i++) spaced.play(loop, i * 2);
    const spacedLoss = spaced.trueStepChance(change, 22.1) - spaced.trueStepChance(change, 36.1);
    expect(spacedLoss).toBeLessThan(massedLoss);
  });

  test('a hurried loop slips more than a slow one', () => {
    const share = (tempoBpm: number) => {
      const player = makePlayer(traits, averageHand, standardGuitar, seededRandom(3));
      const drill = must(
        makeDrill(
          { ...loop.recipe, parameters: { ...loop.recipe.parameters, tempoBpm } } as typeof loop.recipe,
          context,
        ),
      );
      const steps = Array.from({ length: 30 }, () => player.play(drill, 0).steps).flat();
      return steps.filter((step) => step === 'clean').length / steps.length;
    };
    expect(share(40)).toBeGreaterThan(share(110) + 0.1);
  });

  test('the same life is lived twice alike, and another seed lives another', () => {
    const one = liveThrough(life, firstSyllabus);
    expect(liveThrough(life, firstSyllabus)).toEqual(one);
    expect(liveThrough({ ...life, seed: 8 }, firstSyllabus).map((t) => t.result)).not.toEqual(
      one.map((t) => t.result),
    );
  });

  test('fourteen weeks look like a life: better late than early, lessons heard by the teacher', () => {
    const takes = liveThrough(life, firstSyllabus);
    expect(takes.length).toBeGreaterThan(200);
    // A drill that was played six times or more comes better in its last three takes than in its first three.
    const share = (list: typeof takes) => list.filter((take) => take.result === 'clean').length / list.length;
    const drills = [1, 2, 3].flatMap((seed) => {
      const played = new Map<string, (typeof takes)[number][]>();
      for (const take of liveThrough({ ...life, seed }, firstSyllabus)) {
        const { family, parameters } = take.recipe;
        const key = JSON.stringify([family, { ...parameters, tempoBpm: null }]);
        played.set(key, [...(played.get(key) ?? []), take]);
      }
      return [...played.values()].filter((list) => list.length >= 6);
    });
    expect(drills.length).toBeGreaterThan(20);
    expect(mean(drills.map((list) => share(list.slice(-3))))).toBeGreaterThan(
      mean(drills.map((list) => share(list.slice(0, 3)))) + 0.1,
    );
    expect(
      takes.filter((take) => take.source === 'teacher').every((take) => life.lessonDays.includes(take.day)),
    ).toBe(true);
    expect(takes.some((take) => take.feel === null)).toBe(true);
  });

  test('pain ends the day and rests three more', () => {
    const takes = liveThrough({ ...life, traits: { ...traits, limit: 40, painChance: 0.5 } }, firstSyllabus);
    const hurt = takes.findIndex((take) => take.feel?.hand === 'pain');
    expect(hurt).toBeGreaterThan(-1);
    expect(takes[hurt + 1].day).toBeGreaterThanOrEqual(takes[hurt].day + 4);
  });
});
