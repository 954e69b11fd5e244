import fc from 'fast-check';
import { changeLoop, ringCheck } from '../drills';
import { planMinutes, type PlanBlock } from './plan';
import {
  added,
  alikeIn,
  byHand,
  fitted,
  inOrder,
  lengthened,
  lockTurned,
  moved,
  swapped,
  without,
} from './plan-edits';

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
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const three = [block('a', 3, { kind: 'warm up' }), block('b', 10, { barreMinutes: 4 }), block('c', 5)];
const ids = (blocks: readonly PlanBlock[]) => blocks.map((one) => one.id).join('');

describe('changes by hand', () => {
  test('a longer block keeps the share of its barre minutes', () => {
    expect(lengthened(three, 1, 5)[1]).toMatchObject({ minutes: 15, barreMinutes: 6 });
    expect(lengthened(three, 1, -5)[1]).toMatchObject({ minutes: 5, barreMinutes: 2 });
  });

  test('a block that walks through drills does so in its other minutes; with one left it walks no more', () => {
    const [own, other] = [ringCheck(C), changeLoop({ grips: [C, AM], beatsEach: 4 })];
    const walking = block('b', 5, {
      recipe: own,
      walk: [
        { step: 'hold', minutes: 3, recipe: own },
        { step: 'change', minutes: 2, recipe: other },
      ],
    });
    expect(lengthened([walking], 0, 2)[0].walk?.map(({ minutes }) => minutes)).toEqual([5, 2]);
    expect(lengthened([walking], 0, -3)[0].walk?.map(({ minutes }) => minutes)).toEqual([1, 1]);
    expect(lengthened([walking], 0, -4)[0]).not.toHaveProperty('walk');
    expect(swapped(three, 1, walking)[1].walk?.map(({ minutes }) => minutes)).toEqual([8, 2]);
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

  test('what goes home stays last, whatever is dragged', () => {
    const home = [...three, block('h', 3, { kind: 'take home' })];
    expect(moved(home, 3, -3)).toBe(home);
    expect(moved(home, 2, 1)).toBe(home);
    expect(ids(inOrder(home, [home[3], home[1], home[0], home[2]]))).toBe('bach');
    expect(inOrder(home, [...home])).toBe(home);
  });

  test('the same drill under another id is alike, another key of it is not', () => {
    const drill = (id: string, tempoBpm: number) =>
      block(id, 5, {
        recipe: { family: 'warm up', version: 1, parameters: { minutes: tempoBpm }, seed: 1 } as never,
      });
    const plan = [...three, drill('d', 60)];
    expect(alikeIn(plan, drill('x', 60))?.id).toBe('d');
    expect(alikeIn(plan, drill('x', 62))).toBeNull();
    expect(alikeIn(plan, block('b', 9))?.id).toBe('b');
    expect(alikeIn(plan, block('new', 9))).toBeNull();
  });

  test('a re-plan leaves what is locked and what was put in by hand', () => {
    expect(byHand(block('a', 5))).toBe(true);
    expect(byHand(block('a', 5, { because: { code: 'because.due', values: {} } }))).toBe(false);
    expect(byHand(block('a', 5, { because: { code: 'because.due', values: {} }, locked: true }))).toBe(true);
  });
});

describe('fitting minutes', () => {
  test('the longest gives way first, the locked and the kept never', () => {
    const blocks = [
      block('a', 9),
      block('b', 9, { locked: true }),
      block('c', 8, { barreMinutes: 4 }),
      block('d', 20),
    ];
    const next = fitted(blocks, 40, ['d']);
    expect(next.map((one) => one.minutes)).toEqual([6, 9, 5, 20]);
    expect(next[2].barreMinutes).toBe(2.5);
  });

  test('what fits already is left alone', () => {
    expect(fitted(three, 18)).toBe(three);
    expect(fitted(three, 60)).toBe(three);
  });

  test('never too short, never under three minutes, nothing taken out', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.boolean()), { maxLength: 8 }),
        fc.integer({ min: 10, max: 90 }),
        (drawn, minutes) => {
          const blocks = drawn.map(([length, locked], i) => block(String(i), length, { locked }));
          const next = fitted(blocks, minutes);
          expect(ids(next)).toBe(ids(blocks));
          next.forEach((one, i) => {
            expect(one.minutes).toBeGreaterThanOrEqual(Math.min(3, blocks[i].minutes));
            expect(one.minutes).toBeLessThanOrEqual(blocks[i].minutes);
            if (one.locked) expect(one.minutes).toBe(blocks[i].minutes);
          });
          const sum = planMinutes(next);
          expect(sum).toBeGreaterThanOrEqual(Math.min(minutes, planMinutes(blocks)));
          if (sum > minutes) expect(next.every((one) => one.locked || one.minutes <= 3)).toBe(true);
        },
      ),
    );
  });
});
