import { effectScope, nextTick, ref } from 'vue';
import { useWalk, type Walk } from './walk';

class FakeRow {
  seen = 0;
  scrollIntoView = () => (this.seen += 1);
}
beforeAll(() => Object.assign(globalThis, { Element: FakeRow }));
afterAll(() => Reflect.deleteProperty(globalThis, 'Element'));

const walkOf = (count: () => number): Walk => effectScope().run(() => useWalk(count)) as Walk;
const hold = (walk: Walk, i: number) => {
  const row = new FakeRow();
  walk.row(i)(row as unknown as Element);
  return row;
};

test('walks between the ends, and brings the row picked into sight', () => {
  const walk = walkOf(() => 3);
  const rows = [0, 1, 2].map((i) => hold(walk, i));
  walk.step(-1);
  expect(walk.picked.value).toBe(0);
  for (let i = 0; i < 5; i++) walk.step(1);
  expect(walk.picked.value).toBe(2);
  expect(rows.map((row) => row.seen)).toEqual([1, 1, 4]);
});

test('an empty list is walked without harm, and a shorter one marks its last row', async () => {
  const empty = walkOf(() => 0);
  empty.step(1);
  expect(empty.picked.value).toBe(0);
  const many = ref(5);
  const walk = walkOf(() => many.value);
  walk.step(4);
  many.value = 2;
  await nextTick();
  expect(walk.picked.value).toBe(1);
});

test('a row that went is scrolled to no more', () => {
  const walk = walkOf(() => 2);
  const row = hold(walk, 1);
  walk.row(1)(null);
  walk.step(1);
  expect(row.seen).toBe(0);
});
