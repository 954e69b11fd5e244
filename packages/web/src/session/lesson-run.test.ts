import type { PlanBlock } from '@finch/core/planning';
import { doneOf, goTo, logged, startRun } from './lesson-run';

const block = (id: string): PlanBlock => ({
  id,
  kind: 'review',
  minutes: 5,
  title: { code: 'title.skill', values: { skill: id } },
  because: { code: 'because.chosen', values: {} },
  skillId: null,
  recipe: null,
  effort: 0,
  barreMinutes: 0,
  locked: false,
});
const blocks = [block('a'), block('b')];

test('minutes go to the block that was on, takes to the block they were logged in', () => {
  let run = startRun(0);
  run = logged(run, 'a', 'clean');
  run = goTo(run, blocks, 1, 90_000);
  run = logged(logged(run, 'b', 'nearly'), 'b', 'not yet');
  const done = doneOf(run, blocks, 90_000 + 120_000);
  expect(done.blocks.map((row) => [row.blockId, row.minutes, row.takes])).toEqual([
    ['a', 1.5, { clean: 1, nearly: 0, notYet: 0 }],
    ['b', 2, { clean: 0, nearly: 1, notYet: 1 }],
  ]);
});

test('going back adds to the same block, and never past either end', () => {
  let run = goTo(startRun(0), blocks, 1, 60_000);
  run = goTo(run, blocks, -3, 60_000);
  run = goTo(run, blocks, 9, 120_000);
  expect([run.at, doneOf(run, blocks, 120_000).blocks[0].minutes]).toEqual([1, 2]);
});
