import { effectScope, ref } from 'vue';
import { answered, backForward, forwardBack, useKeys } from './keys';

const none = () => undefined;
const places = () => answered().map((one) => one.place);

test('a place answers its keys while it stands, and none after', () => {
  const house = effectScope();
  house.run(() => useKeys('house', { all: none, lamp: none, undo: none, chord: none, back: none }));
  const week = effectScope();
  week.run(() => useKeys('week', { week: none, now: none, book: none }));
  // The innermost is asked first, so it stands last.
  expect(places()).toEqual(['house', 'week']);
  week.stop();
  expect(places()).toEqual(['house']);
  house.stop();
  expect(places()).toEqual([]);
});

test('a place that has nothing to answer for says no keys, and says them when it has', () => {
  const lessons = ref(0);
  const board = effectScope();
  board.run(() =>
    useKeys(
      'board',
      { lesson: none, student: none, plan: none, start: none, writeUp: none },
      () => lessons.value > 0,
    ),
  );
  expect(places()).toEqual([]);
  lessons.value = 3;
  expect(places()).toEqual(['board']);
  lessons.value = 0;
  expect(places()).toEqual([]);
  board.stop();
});

test('each entry of the table comes with what it does, and with the key that was pressed', () => {
  const pressed: number[] = [];
  const sit = effectScope();
  sit.run(() => useKeys('sit', { sit: (at) => pressed.push(at) }));
  const [{ hints }] = answered();
  expect(hints.map(({ keys, does }) => [keys.length, does])).toEqual([[5, 'sit down as']]);
  hints[0].run(3);
  expect(pressed).toEqual([3]);
  sit.stop();
});

test.each([
  [forwardBack, [1, -1]],
  [backForward, [-1, 1]],
] as const)('two keys of a pair step in two directions', (pair, expected) => {
  const steps: number[] = [];
  const press = pair((by) => steps.push(by));
  press(0);
  press(1);
  expect(steps).toEqual(expected);
});
