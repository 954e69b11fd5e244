import { makeHand, makeInstrument } from '@finch/core/fretboard';
import { makeLimits } from '@finch/core/hands';
import { firstSyllabus } from '@finch/core/syllabus';
import { CAST, GUARDIAN, LEVELS } from './cast';

test('the cast is 24 people from 8 to 71 on three days of the week, in two groups', () => {
  expect(CAST).toHaveLength(24);
  expect(new Set(CAST.map((one) => one.name)).size).toBe(24);
  expect([Math.min(...CAST.map((one) => one.age)), Math.max(...CAST.map((one) => one.age))]).toEqual([8, 71]);
  expect(new Set(CAST.map((one) => one.lessonDay)).size).toBe(3);
  expect(new Set(CAST.flatMap((one) => one.group ?? [])).size).toBe(2);
});

test('it looks like a life: one hurts, one is stuck, one is new, some fade, one is left-handed', () => {
  const fates = CAST.map((one) => one.fate);
  expect(['pain', 'stuck', 'new'].map((fate) => fates.filter((one) => one === fate).length)).toEqual([
    1, 1, 1,
  ]);
  expect(fates.filter((one) => one === 'fades').length).toBeGreaterThan(1);
  expect(CAST.some((one) => one.leftHanded)).toBe(true);
  expect(CAST.some((one) => one.name === GUARDIAN.of && one.age < 18)).toBe(true);
});

test('hands, guitars and limits are ones the core accepts, and no two lessons meet', () => {
  for (const one of CAST) {
    expect(makeHand({ sizeFactor: one.size, reachMm: one.reachMm }).ok).toBe(true);
    expect(makeInstrument({ scaleLengthMm: one.scaleMm }).ok).toBe(true);
    expect(makeLimits({ gripEffort: one.limit }).ok).toBe(true);
  }
  for (const day of [0, 1, 2]) {
    const starts = CAST.filter((one) => one.lessonDay === day)
      .map((one) => ({
        at: Number(one.lessonAt.slice(0, 2)) * 60 + Number(one.lessonAt.slice(3)),
        minutes: one.minutes,
      }))
      .sort((a, b) => a.at - b.at);
    for (let i = 1; i < starts.length; i++)
      expect(starts[i].at).toBeGreaterThanOrEqual(starts[i - 1].at + starts[i - 1].minutes);
  }
});

test('every level holds skills of the syllabus, each level more than the one before', () => {
  const ids = new Set(firstSyllabus.skills.map((skill) => skill.id));
  LEVELS.forEach((level, i) => {
    expect(level.filter((id) => !ids.has(id))).toEqual([]);
    if (i > 0) expect(level.length).toBeGreaterThan(LEVELS[i - 1].length);
  });
});
