/** A month without a scale or without a key named is noticed, of those who have met some of both worlds. */
import type { SkillState, StudentState } from '../mastery';
import { firstSyllabus } from '../syllabus';
import { unseenStrands } from './unseen';
import { nothingPlayed } from './nothing-played';

const NOW = Date.UTC(2026, 2, 2, 16);
const DAY = 86_400_000;
const nothing = nothingPlayed(NOW);
const strandOf = new Map(firstSyllabus.skills.map(({ id, strand }) => [id, strand]));
/** So many days ago every skill of a strand was played; of the others never. */
const state = (days: Readonly<Record<string, number>>): StudentState => ({
  ...nothing,
  skills: nothing.skills.map((one): SkillState => {
    const ago = days[strandOf.get(one.skillId) ?? ''];
    return ago === undefined ? one : { ...one, attempts: 1, lastAt: NOW - ago * DAY };
  }),
});
const unseen = (days: Readonly<Record<string, number>>) => unseenStrands(state(days), firstSyllabus);

test('four weeks and no day more are fine; after that the day it was last played is said', () => {
  expect(unseen({ open: 1, scales: 28, harmony: 3 })).toEqual([]);
  expect(unseen({ open: 1, scales: 29, harmony: 3 })).toEqual([{ strand: 'scales', lastAt: NOW - 29 * DAY }]);
  // No other strand comes round by itself.
  expect(unseen({ open: 90, scales: 1, harmony: 3, ear: 90 })).toEqual([]);
});

test('what was never played counts once enough else was', () => {
  expect(unseen({ open: 1, changes: 1, scales: 1 })).toEqual([{ strand: 'harmony', lastAt: null }]);
  expect(unseenStrands(nothing, firstSyllabus)).toEqual([]);
});
