import { moved, without, type PlanBlock } from '@finch/core/planning';
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
