/** Answers on the Board: kept and sent once, not asked about again, taken back; typing survives the dialog. */
import type { BoardBody } from '@finch/contract';
import type { EventSaid } from '@finch/core/mastery';
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue';
import { useAnswering } from './use-answering';

type Waiting = BoardBody['questions'][number];
const desk = {
  records: shallowRef<{ status: string; event: EventSaid & { id: string } }[]>([]),
  kept: [] as [string, EventSaid][],
  back: [] as string[],
  told: [] as string[],
  undo: null as (() => Promise<void>) | null,
  fails: false,
};
jest.mock('../../session/notices', () => ({
  useNotices: () => ({
    tell: (text: string, [act]: { run: () => Promise<void> }[] = []) => {
      desk.told.push(text);
      desk.undo = act?.run ?? null;
    },
  }),
}));
jest.mock('../../session/drafts', () => {
  const kept = new Map<string, unknown>();
  return {
    useDrafts: () => ({
      read: (key: string) => (kept.has(key) ? { at: 1, value: kept.get(key) } : null),
      write: (key: string, value: unknown) => kept.set(key, value),
      drop: (key: string) => kept.delete(key),
    }),
  };
});
jest.mock('../../session/seat', () => ({
  useSeat: () => ({
    get records() {
      return desk.records.value;
    },
    now: () => Date.UTC(2026, 5, 9, 16),
    keep: async (studentId: string, event: EventSaid) => {
      if (desk.fails) throw new Error('full');
      desk.kept.push([studentId, event]);
      return 'answer-id';
    },
    takeBack: async (_: string, id: string) => void desk.back.push(id),
  }),
}));

const asked = (id: string): Waiting => ({
  id,
  studentId: 'ode',
  name: 'Ode Pettibrand',
  about: { title: 'Em', recipe: null },
  text: 'Why?',
  at: 1,
  answer: null,
});
const board = shallowRef<Waiting[]>([]);
let scope: EffectScope;
let bench: ReturnType<typeof useAnswering>;
beforeEach(() => {
  Object.assign(desk, { kept: [], back: [], told: [], undo: null, fails: false });
  desk.records.value = [];
  board.value = [asked('a'), asked('b')];
  scope = effectScope();
  bench = scope.run(() => useAnswering(() => board.value)) as typeof bench;
});
afterEach(() => {
  bench.draft.drop();
  scope.stop();
});
const waiting = () => bench.waiting.value.map(({ id }) => id);

test('an answer goes to its question and student, the question waits no more, and Undo brings it back', async () => {
  bench.begin(board.value[1]);
  await nextTick();
  bench.text.value = ' The second. ';
  await bench.send();
  expect(desk.kept).toEqual([
    ['ode', { kind: 'answer', to: 'b', text: 'The second.', at: '2026-06-09T16:00:00.000Z' }],
  ]);
  expect([bench.open.value, waiting(), desk.told.length]).toEqual([false, ['a'], 1]);
  await desk.undo?.();
  expect([desk.back, waiting()]).toEqual([['answer-id'], ['a', 'b']]);
});

test('two presses are one answer; no words are none; what cannot be kept is said and stays open', async () => {
  bench.begin(board.value[0]);
  await nextTick();
  await bench.send();
  expect(desk.kept).toEqual([]);
  bench.text.value = 'Yes.';
  desk.fails = true;
  await bench.send();
  expect([bench.open.value, bench.text.value]).toEqual([true, 'Yes.']);
  expect(bench.trouble.value).toMatch(/full.*send it again/);
  desk.fails = false;
  await Promise.all([bench.send(), bench.send()]);
  expect(desk.kept).toHaveLength(1);
});

test('an answer that waits on this device counts; one that was refused does not', () => {
  const event = { kind: 'answer' as const, to: 'a', text: 'x', at: '2026-06-09T16:00:00.000Z', id: 'e' };
  desk.records.value = [{ status: 'waiting', event }];
  expect(waiting()).toEqual(['b']);
  desk.records.value = [{ status: 'refused', event }];
  expect(waiting()).toEqual(['a', 'b']);
});

test('typed for one question, it is not the answer to another, and is there when that one is opened again', async () => {
  bench.begin(board.value[0]);
  await nextTick();
  bench.text.value = 'Half an ans';
  bench.open.value = false;
  await nextTick();
  bench.begin(board.value[1]);
  await nextTick();
  expect(bench.text.value).toBe('');
  bench.open.value = false;
  await nextTick();
  bench.begin(board.value[0]);
  await nextTick();
  expect(bench.text.value).toBe('Half an ans');
});
