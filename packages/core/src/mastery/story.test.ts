/** The story by strands, played through on paper. */
import { strandStories } from './story';

const DAY = 86_400_000;
const at = (day: number, hour = 16) => Date.UTC(2026, 3, 1 + day, hour);
const sure = (mean: number) => ({ mean, low: mean - 0.1, high: mean + 0.1 });
const point = (when: number, mean: number) => ({ at: when, ...sure(mean), clean: mean > 0.5 });
const strandOf = new Map([
  ['em', 'grips'],
  ['am', 'grips'],
  ['thirds', 'ear'],
  ['waltz', 'style'],
]);
const skills = [
  {
    skillId: 'em',
    chance: sure(0.7),
    history: [point(at(0), 0.4), point(at(0, 18), 0.5), point(at(3), 0.8)],
  },
  { skillId: 'am', chance: sure(0.3), history: [point(at(2), 0.2), point(at(3, 9), 0.2)] },
  { skillId: 'thirds', chance: null, history: [] },
  { skillId: 'waltz', chance: sure(0.9), history: [] },
];
const stories = strandStories(skills, ['ear', 'grips', 'style'], strandOf, at(5));

test('strands in their order, without those of which nothing was met', () => {
  expect(stories.map(({ strandId, met }) => [strandId, met])).toEqual([
    ['grips', 2],
    ['style', 1],
  ]);
});

test('one point a day, of the last take of it: the mean over what was met by then', () => {
  expect(stories[0].points.map((one) => [one.at, Math.round(100 * one.mean)])).toEqual([
    [at(0, 18), 50],
    [at(2), 35],
    [at(3), 50],
    [at(5), 50],
  ]);
  expect(stories[0].points[1].low).toBeCloseTo(0.25, 12);
  expect(stories[0].points[1].high).toBeCloseTo(0.45, 12);
});

test('now is what each skill says now; nothing after it', () => {
  expect(stories[1].points).toEqual([{ at: at(5), ...sure(0.9) }]);
  const early = strandStories(skills, ['grips'], strandOf, at(2) - DAY);
  expect(early[0].points.map((one) => one.at)).toEqual([at(0, 18), at(1)]);
});
