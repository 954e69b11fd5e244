/** A check-up as it goes: each item once, kept take by take, one event at the end; a reload, a slip, a hand that hurts, a full disk. */
import type { CheckUpBody } from '@finch/contract';
import { ringCheck } from '@finch/core/drills';
import { NOTHING_ON_RECORD, taughtHand } from '@finch/core/hands';
import type { EventSaid } from '@finch/core/mastery';
import { effectScope, shallowRef, type EffectScope } from 'vue';
import { makeDrafts } from '../../session/drafts';
import { EASY_MS, useCheckUp, type CheckUpRun } from './use-check-up';

const item = (skillId: string, frets: (number | null)[]) => ({
  skillId,
  name: skillId,
  recipe: ringCheck({ chord: skillId, frets }),
});
const EM = item('Em', [0, 2, 2, 0, 0, 0]);
const AM = item('Am', [null, 0, 2, 2, 1, 0]);
const bodyOf = (items: CheckUpBody['items']): CheckUpBody => ({
  student: { id: 'ode', name: 'Ode Pettibrand' },
  taught: taughtHand(NOTHING_ON_RECORD, 0),
  pain: { status: 'free' },
  handSince: null,
  grows: false,
  items,
  before: [],
});
const body = shallowRef<CheckUpBody | undefined>();
const kept: [EventSaid, string][] = [];
const back: string[] = [];
let fails = false;
let now = 0;
let storage: Storage;
let scope: EffectScope;
let run: CheckUpRun;
const memory = (): Storage => {
  const store = new Map<string, string>();
  return {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
    removeItem: (key: string) => void store.delete(key),
  } as unknown as Storage;
};
const enter = () => {
  scope = effectScope();
  const seat = {
    now: () => now,
    keep: async (_: string, event: EventSaid, label: string) => {
      if (fails) throw new Error('full');
      kept.push([event, label]);
      return `take ${kept.length}`;
    },
    takeBack: async (_: string, id: string) => void back.push(id),
  };
  const drafts = makeDrafts(storage, () => 'tamsin', () => 0); // prettier-ignore
  run = scope.run(() =>
    useCheckUp(
      () => body.value,
      seat,
      drafts,
      () => 'UTC',
    ),
  ) as CheckUpRun;
};
beforeEach(() => {
  [kept.length, back.length, fails, now] = [0, 0, false, Date.UTC(2026, 5, 9, 16)];
  storage = memory();
  body.value = bodyOf([EM, AM]);
  enter();
});
afterEach(() => scope.stop());
const events = () => kept.map(([event]) => event.kind);

test('easy minutes run down; each item once, then one event that names the takes', async () => {
  run.warmUp();
  expect(run.easyLeft(now + 60_000)).toBe(EASY_MS - 60_000);
  expect(run.easyLeft(now + 9 * 60_000)).toBe(0);
  expect(run.item.value).toBeNull();
  run.toItems();
  expect([run.item.value?.skillId, run.drill.value?.judged]).toEqual(['Em', 'strings']);
  await run.hear('clean');
  expect(run.item.value?.skillId).toBe('Am');
  await run.hear('nearly');
  expect([events(), run.going.value.phase, run.item.value]).toEqual([
    ['attempt', 'attempt', 'check-up'],
    'done',
    null,
  ]);
  expect(kept[0]).toMatchObject([
    { take: { result: 'clean', source: 'teacher', recipe: EM.recipe, timeZone: 'UTC' } },
    'Check-up: Em: clean',
  ]);
  expect(kept[2][0]).toEqual({
    kind: 'check-up',
    takes: [
      { skillId: 'Em', takeId: 'take 1' },
      { skillId: 'Am', takeId: 'take 2' },
    ],
    at: '2026-06-09T16:00:00.000Z',
  });
});

test('a reload goes on where it stood, with the items as they came; another day begins anew', async () => {
  run.toItems();
  await run.hear('clean');
  scope.stop();
  body.value = bodyOf([AM, EM, item('C', [null, 3, 2, 0, 1, 0])]);
  enter();
  expect([run.item.value?.skillId, run.items.value.length]).toEqual(['Am', 2]);
  await run.hear('clean');
  expect(events()).toEqual(['attempt', 'attempt', 'check-up']);
  scope.stop();
  now += 86_400_000;
  enter();
  expect([run.going.value.phase, run.items.value.length]).toEqual(['ready', 3]);
});

test('two presses are one answer; a slip is heard again', async () => {
  run.toItems();
  await Promise.all([run.hear('clean'), run.hear('clean')]);
  expect(events()).toEqual(['attempt']);
  await run.back();
  expect([back, run.item.value?.skillId]).toEqual([['take 1'], 'Em']);
  await run.back();
  expect(back).toHaveLength(1);
});

test('a hand that hurts ends it: the take carries it, what was heard is kept; skin of a fingertip does not', async () => {
  run.toItems();
  await run.hear('not yet', { hand: 'pain', where: 'fingertip skin', side: 'left' });
  expect([run.hurts.value, run.going.value.phase]).toEqual([null, 'items']);
  await run.hear('not yet', { hand: 'pain', where: 'wrist', side: 'left' });
  expect([run.hurts.value?.hand, run.going.value.phase, events().at(-1)]).toEqual([
    'pain',
    'done',
    'check-up',
  ]);
});

test('what cannot be kept is said and the item stays', async () => {
  run.toItems();
  fails = true;
  await run.hear('clean');
  expect([run.item.value?.skillId, run.going.value.heard]).toEqual(['Em', []]);
  expect(run.trouble.value).toMatch(/full.*press again/);
});
