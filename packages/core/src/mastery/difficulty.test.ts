/** How hard the skills of the syllabus are for a hand: a number for each, and the same however it is worked out. */
import { evidenceOf, makeDrill, triadPairs } from '../drills';
import { gripItem } from '../drills/grip-item';
import type { Item } from '../drills/items';
import { gradeOf } from '../effort/hold';
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { PRIOR_FIT } from '../hands';
import { must } from '../kernel';
import { firstSyllabus, ownDrills, skillsOf } from '../syllabus';
import { TICKS_A_BEAT } from '../score/ticks';
import { difficultyLogits, makeGrader, notesABeat } from './difficulty';
import { PLAIN_STAGE } from './experience';
import { targetLoad } from './targets';

const taught = { hand: averageHand, instrument: standardGuitar };
const grader = makeGrader(taught, PLAIN_STAGE);
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

test('of what is heavy a hand of years feels a share, of what is light all, by hand', () => {
  const years = makeGrader(taught, { slowness: 1, heavyShare: 0.5 });
  const grip = (chord: string, frets: readonly (number | null)[]) =>
    gripItem(frets, [], chord, standardGuitar);
  const [em, f] = [grip('Em', [0, 2, 2, 0, 0, 0]), grip('F', [1, 3, 3, 2, 1, 1])];
  expect(grader.effort(em)).toBeLessThan(35);
  expect(grader.logits(em)).toBeCloseTo((grader.effort(em) - 50) / 12, 12);
  expect(years.logits(em)).toBe(grader.logits(em));
  expect(grader.effort(f)).toBeGreaterThan(60);
  expect(years.logits(f)).toBeCloseTo((35 + (grader.effort(f) - 35) / 2 - 50) / 12, 12);
});

describe('a line', () => {
  const line = (...notes: [string: number, fret: number, finger: number][]): Item => ({
    kind: 'line',
    notes: notes.map(([string, fret, finger]) => ({ string, fret, finger })),
  });
  const grip = (chord: string, frets: readonly (number | null)[]) =>
    gripItem(frets, [], chord, standardGuitar);
  const logits = (items: readonly Item[], hand = averageHand) =>
    difficultyLogits(items, items, makeGrader({ hand, instrument: standardGuitar }, PLAIN_STAGE), PRIOR_FIT);
  const near = line([6, 5, 1], [6, 8, 4], [5, 5, 1], [5, 7, 3]);
  const F = grip('F', [1, 3, 3, 2, 1, 1]);
  const EM = grip('Em', [0, 2, 2, 0, 0, 0]);

  test('is as hard as the reach, the crossings and the moves in it: graded by hand', () => {
    // Base 3, one crossing in four notes 1.5; two fingers a fret apart up the neck ask for no reach.
    expect(logits([line([6, 12, 1], [6, 13, 2], [5, 12, 1], [5, 13, 2])])).toBeCloseTo(
      (gradeOf(4.5) - 50) / 12,
      9,
    );
    expect(logits([line([6, 1, 1], [6, 5, 4])])).toBeGreaterThan(logits([line([6, 9, 1], [6, 13, 4])]) + 0.3);
    const moves = line([6, 1, 1], [6, 3, 3], [6, 8, 1], [6, 10, 3]);
    expect(logits([moves])).toBeGreaterThan(logits([line([6, 1, 1], [6, 3, 3], [6, 1, 1], [6, 3, 3])]));
  });

  test('the chord struck around it is heard, not judged; chords it leads to and from are', () => {
    expect(logits([F, near])).toBe(logits([near]));
    const change: Item = { kind: 'change', from: EM, to: F };
    expect(logits([EM, F, change, near])).toBe(logits([EM, F, change]));
    expect(logits([F])).toBeGreaterThan(logits([near]) + 2);
  });

  test('a small hand has it harder, and hands a tenth apart have every scale about as hard', () => {
    const hands = [0.8, 0.9, 1, 1.1].map((sizeFactor) => must(makeHand({ sizeFactor })));
    const far = line([6, 1, 1], [6, 4, 4]);
    const [small, , average] = hands.map((hand) => logits([far], hand));
    expect(small).toBeGreaterThan(average);
    const scales = firstSyllabus.skills.filter(({ strand }) => strand === 'scales');
    expect(scales.length).toBeGreaterThan(12);
    for (const skill of scales) {
      const targets = hands.map((value) => {
        const from = '2026-01-01T00:00:00Z';
        const records = {
          hands: [{ from, value }],
          instruments: [{ from, value: standardGuitar }],
          difficultyFit: PRIOR_FIT,
        };
        return targetLoad(
          skill,
          records,
          makeGrader({ hand: value, instrument: standardGuitar }, PLAIN_STAGE),
          Date.now(),
        );
      });
      for (const [i, target] of targets.entries())
        expect([skill.id, i === 0 || Math.abs(target - targets[i - 1]) < 1.5]).toEqual([skill.id, true]);
    }
  });

  test('a tempo is measured on what the hand plays by itself, so many notes a beat', () => {
    const grader = makeGrader({ hand: averageHand, instrument: standardGuitar }, PLAIN_STAGE);
    // Two plain notes a second: 60 a minute at two a beat, 30 at four. The slowest line counts, and a change before any line.
    const plain = line([6, 12, 1], [6, 13, 2], [5, 12, 1], [5, 13, 2]);
    expect(grader.predictedBpm([plain], 2)).toBeCloseTo(60, 9);
    expect(grader.predictedBpm([plain], 4)).toBeCloseTo(30, 9);
    const wide = line([6, 1, 1], [6, 5, 4]);
    expect(grader.predictedBpm([plain, wide], 2)).toBeLessThan(60);
    const change: Item = { kind: 'change', from: EM, to: F };
    expect(grader.predictedBpm([plain, change], 2)).toBe(grader.predictedBpm([change], 4));
    expect(grader.predictedBpm([F], 2)).toBeNull();
  });

  test('notes a beat are what the drill plays: asked of every line the house makes', () => {
    const drills = firstSyllabus.skills
      .flatMap(({ practice }) => practice.map(({ recipe }) => recipe))
      .filter(({ family }) => ['scale in the shape', 'two a string', 'triad pairs'].includes(family))
      .concat(
        triadPairs({
          root: 'C',
          pair: 'stacked',
          sound: 'maj7',
          strings: [3, 2, 1],
          played: 'lines',
          roots: 1,
          drone: true,
        }),
      )
      .map((recipe) => must(makeDrill(recipe, taught)))
      .filter(({ items }) => items.some(({ kind }) => kind === 'line'));
    expect(drills.length).toBeGreaterThan(20);
    expect(new Set(drills.map(({ recipe }) => recipe.family)).size).toBe(3);
    for (const drill of drills) {
      const { recipe } = drill;
      const ticks = drill.score.parts[0].bars.flatMap(({ events }) =>
        events.filter(({ notes }) => notes.length).map(({ ticks }) => ticks),
      );
      expect([recipe.family, TICKS_A_BEAT / Math.min(...ticks)]).toEqual([recipe.family, notesABeat(recipe)]);
    }
  });
});
