import type { PlanBlock } from '@finch/core/planning';
import fc from 'fast-check';
import { added, lengthened, lockTurned, moved, swapped, without } from './plan-edits';
import { usePlanDesk } from './plan-desk';

const block = (id: string, minutes: number, more: Partial<PlanBlock> = {}): PlanBlock => ({
  id,
  kind: 'review',
  minutes,
  title: { code: 'title.skill', values: { skill: id } },
  because: { code: 'because.chosen', values: {} },
  skillId: null,
  recipe: null,
  effort: 0,
  barreMinutes: 0,
  locked: false,
  ...more,
});
const three = [block('a', 3, { kind: 'warm up' }), block('b', 10, { barreMinutes: 4 }), block('c', 5)];
const ids = (blocks: readonly PlanBlock[]) => blocks.map((one) => one.id).join('');

describe('changes by hand', () => {
  test('a longer block keeps the share of its barre minutes', () => {
    expect(lengthened(three, 1, 5)[1]).toMatchObject({ minutes: 15, barreMinutes: 6 });
    expect(lengthened(three, 1, -5)[1]).toMatchObject({ minutes: 5, barreMinutes: 2 });
  });

  test('no block gets shorter than a minute or longer than an hour', () => {
    expect(lengthened(three, 0, -3)).toBe(three);
    expect(lengthened(three, 1, 51)).toBe(three);
    expect(lengthened(three, 7, 1)).toBe(three);
  });

  test('blocks move, and not out of the plan', () => {
    expect(ids(moved(three, 0, 1))).toBe('bac');
    expect(ids(moved(three, 2, -2))).toBe('cab');
    expect(moved(three, 2, 1)).toBe(three);
    expect(moved(three, 9, -1)).toBe(three);
  });

  test('a lock turns and turns back', () => {
    const once = lockTurned(three, 1);
    expect(once[1].locked).toBe(true);
    expect(lockTurned(once, 1)).toEqual(three);
  });

  test('a new block comes before what goes home', () => {
    const home = [...three, block('h', 3, { kind: 'take home' })];
    expect(ids(added(home, block('n', 4)).blocks)).toBe('abcnh');
    expect(added(three, block('n', 4))).toMatchObject({ at: 3 });
  });

  test('a swapped block takes place and minutes of the old one', () => {
    const next = swapped(three, 1, block('n', 4, { barreMinutes: 1 }));
    expect(ids(next)).toBe('anc');
    expect(next[1]).toMatchObject({ minutes: 10, barreMinutes: 2.5 });
    expect(swapped(three, 5, block('n', 4))).toBe(three);
  });

  test('moving there and back changes nothing, and no block is ever lost', () => {
    fc.assert(
      fc.property(fc.nat(2), fc.integer({ min: -3, max: 3 }), (at, by) => {
        const there = moved(three, at, by);
        expect([...ids(there)].sort().join('')).toBe('abc');
        if (there !== three) expect(moved(there, at + by, -by)).toEqual(three);
      }),
    );
  });

  test('taken out is gone, the rest stays in order', () => {
    expect(ids(without(three, 1))).toBe('ac');
  });
});

describe('the plan on the bench', () => {
  const plan = (blocks: readonly PlanBlock[]) => ({
    schemaVersion: 1 as const,
    minutes: 30,
    blocks,
    leftOut: [],
    modelVersion: 'plan-1',
  });

  test('what is laid out is not a change by hand; what is changed can be undone, step by step', () => {
    const desk = usePlanDesk();
    desk.lay(plan(three));
    expect(desk.dirty.value).toBe(false);
    expect(desk.canUndo.value).toBe(false);
    desk.change((blocks) => moved(blocks, 0, 1));
    desk.change((blocks) => without(blocks, 2));
    expect(ids(desk.blocks.value)).toBe('ba');
    expect(desk.dirty.value).toBe(true);
    desk.undo();
    expect(ids(desk.blocks.value)).toBe('bac');
    desk.undo();
    expect(ids(desk.blocks.value)).toBe('abc');
    desk.undo();
    expect(ids(desk.blocks.value)).toBe('abc');
  });

  test('an edit that changes nothing leaves no step to undo', () => {
    const desk = usePlanDesk();
    desk.lay(plan(three));
    desk.change((blocks) => moved(blocks, 2, 1));
    expect(desk.dirty.value).toBe(false);
    expect(desk.canUndo.value).toBe(false);
  });

  test('a proposal replaces the plan as one step that can be undone', () => {
    const desk = usePlanDesk();
    desk.lay(plan(three));
    desk.replace(plan(three.slice(0, 1)));
    expect(ids(desk.blocks.value)).toBe('a');
    desk.undo();
    expect(ids(desk.blocks.value)).toBe('abc');
  });

  test('the picked block stays inside the plan', () => {
    const desk = usePlanDesk();
    desk.lay(plan(three));
    desk.pick(99);
    expect(desk.picked.value).toBe(2);
    desk.change((blocks) => without(blocks, 2));
    expect(desk.picked.value).toBe(1);
    desk.pick(-4);
    expect(desk.picked.value).toBe(0);
  });
});
