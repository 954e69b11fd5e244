import { doneOf, type PlanBlock } from '@finch/core/planning';
import { broughtBlock, goTo, logged, shareOf, startRun, takenBack } from './lesson-run';

const block = (id: string): PlanBlock => ({
  ...broughtBlock(id, { code: 'title.skill', values: { skill: id } }),
  kind: 'review',
});
const [a, b] = [block('a'), block('b')];
const MIN = 60_000;

test('minutes go to the block that was on, takes to the block they were logged in', () => {
  let run = goTo(startRun('s', null, 0), a, 0);
  run = logged(run, 'a', { id: '1', result: 'clean' });
  run = goTo(run, b, 1.5 * MIN);
  run = logged(logged(run, 'b', { id: '2', result: 'nearly' }), 'b', { id: '3', result: 'not yet' });
  const done = doneOf([shareOf(run, [a, b], 3.5 * MIN)]);
  expect(done.map((row) => [row.blockId, row.minutes, row.takes])).toEqual([
    ['a', 1.5, { clean: 1, nearly: 0, notYet: 0 }],
    ['b', 2, { clean: 0, nearly: 1, notYet: 1 }],
  ]);
});

test('going back adds to the same block, and a share says when its run last moved', () => {
  let run = goTo(startRun('s', 'a', 0), b, MIN);
  run = goTo(run, a, 2 * MIN);
  const share = shareOf(run, [a, b], 5 * MIN);
  expect(share.blocks.find((row) => row.blockId === 'a')?.spans).toEqual([
    [0, MIN],
    [2 * MIN, 5 * MIN],
  ]);
  expect([share.at, share.movedAt]).toEqual(['a', 2 * MIN]);
});

test('a take that is taken back is gone from its block alone', () => {
  let run = logged(startRun('s', 'a', 0), 'a', { id: '1', result: 'clean' });
  run = logged(run, 'b', { id: '2', result: 'clean' });
  run = takenBack(run, '1');
  const share = shareOf(run, [a, b], MIN);
  expect(share.blocks.map((row) => [row.blockId, row.takes.clean])).toEqual([
    ['a', 0],
    ['b', 1],
  ]);
});

test('a block that left the plan keeps what was done in it, under its name', () => {
  const run = goTo(goTo(startRun('s', null, 0), a, 0), b, MIN);
  const share = shareOf(run, [b], 2 * MIN);
  expect(share.blocks.find((row) => row.blockId === 'a')?.title.values.skill).toBe('a');
});

test('nothing is sent of blocks that were never on, and a clock set back takes no time away', () => {
  const run = goTo(startRun('s', 'a', 10 * MIN), b, 4 * MIN);
  const share = shareOf(run, [a, b, block('c')], 5 * MIN);
  expect(share.blocks.map((row) => [row.blockId, row.spans])).toEqual([['b', [[4 * MIN, 5 * MIN]]]]);
});
