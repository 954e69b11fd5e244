/** How hard the skills of the syllabus are for a hand: a number for each, and the same however it is worked out. */
import { evidenceOf, makeDrill } from '../drills';
import { gripItem } from '../drills/grip-item';
import type { Item } from '../drills/items';
import { gradeOf } from '../effort/hold';
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { PRIOR_FIT } from '../hands';
import { must } from '../kernel';
import { firstSyllabus, ownDrills, skillsOf } from '../syllabus';
import { difficultyLogits, makeGrader } from './difficulty';
import { targetLoad } from './targets';

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

describe('a line', () => {
  const line = (...notes: [string: number, fret: number, finger: number][]): Item => ({
    kind: 'line',
    notes: notes.map(([string, fret, finger]) => ({ string, fret, finger })),
  });
  const grip = (chord: string, frets: readonly (number | null)[]) =>
    gripItem(frets, [], chord, standardGuitar);
  const logits = (items: readonly Item[], hand = averageHand) =>
    difficultyLogits(items, items, makeGrader({ hand, instrument: standardGuitar }), PRIOR_FIT);
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
          makeGrader({ hand: value, instrument: standardGuitar }),
          Date.now(),
        );
      });
      for (const [i, target] of targets.entries())
        expect([skill.id, i === 0 || Math.abs(target - targets[i - 1]) < 0.9]).toEqual([skill.id, true]);
    }
  });
});
