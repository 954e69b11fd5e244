/** What stands before the student: two grips of a change, a bar, a call or the neck; its tempo and what sounds. */
import { changeLoop, numberCalls, ringCheck, rootCall, strumReading, type Recipe } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import type { PlanBlock } from '@finch/core/planning';
import { ref, shallowRef } from 'vue';
import { emptyHouse, enter, house, leave, settle } from '../../test-house';
import { useLessonStage } from './use-lesson-stage';

jest.mock('../../workers/player', () => jest.requireActual('../../test-house').modules.player);

const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const blockOf = (recipe: Recipe | null, id = 'one') => ({ id, recipe }) as PlanBlock;
function begin(recipe: Recipe | null) {
  emptyHouse();
  const block = shallowRef<PlanBlock | null>(blockOf(recipe));
  const stage = enter(() =>
    useLessonStage(block, ref({ hand: averageHand, instrument: standardGuitar }), ref(standardGuitar)),
  );
  return { stage, block };
}
const loop = changeLoop({ grips: [C, AM, G], beatsEach: 4, tempoBpm: 60 });
afterEach(leave);

test('a loop shows the change it is at and what the fingers do, round and round', () => {
  const { stage } = begin(loop);
  const names = () => stage.pair.value.map((grip) => grip.chord);
  expect([names(), stage.different.value, stage.tempo.value]).toEqual([['C', 'Am'], 3, 60]);
  const does = (word: string) => stage.moves.value.find((one) => one.does.startsWith(word))?.fingers;
  expect(does('stay')).toBe('1, 2');
  stage.next();
  expect(names()).toEqual(['Am', 'G']);
  stage.next();
  stage.next();
  expect(names()).toEqual(['C', 'Am']);
  expect([stage.bar.value, stage.call.value, stage.neck.value]).toEqual([null, null, null]);
});

test('another block begins at its own tempo and its first change, and what sounded stops', async () => {
  const { stage, block } = begin(loop);
  stage.next();
  stage.faster(20);
  const before = house.stopped;
  block.value = blockOf(changeLoop({ grips: [G, C], beatsEach: 4, tempoBpm: 72 }), 'two');
  await settle();
  expect([stage.tempo.value, stage.pair.value[0].chord, house.stopped]).toEqual([72, 'G', before + 1]);
  block.value = blockOf(null, 'rest');
  await settle();
  expect([stage.drill.value, stage.tempo.value, stage.pair.value]).toEqual([null, 60, []]);
});

test('a block that walks through drills begins with the first, goes on to the next and round, and to any by name', async () => {
  const ring = ringCheck(C);
  const { stage, block } = begin(null);
  expect(stage.parts.value).toEqual([]);
  stage.walk();
  expect(stage.drill.value).toBeNull();
  const walk = [
    { step: 'hold' as const, minutes: 3, recipe: ring },
    { step: 'change' as const, minutes: 2, recipe: loop },
  ];
  block.value = { ...blockOf(ring, 'two'), walk } as PlanBlock;
  await settle();
  expect([stage.part.value, stage.drill.value?.recipe.family]).toEqual([0, 'ring check']);
  stage.walk();
  await settle();
  expect([stage.part.value, stage.drill.value?.recipe.family, stage.tempo.value]).toEqual([
    1,
    'change loop',
    60,
  ]);
  stage.walk();
  expect(stage.part.value).toBe(0);
  stage.walk(1);
  // Another block begins at its own first.
  block.value = { ...blockOf(ring, 'three'), walk } as PlanBlock;
  await settle();
  expect([stage.part.value, stage.drill.value?.recipe.family]).toEqual([0, 'ring check']);
});

test('tempo stays between 30 and 208; while it plays it goes on from the same beat', async () => {
  const { stage } = begin(loop);
  for (let i = 0; i < 60; i++) stage.faster(4);
  expect(stage.tempo.value).toBe(208);
  for (let i = 0; i < 60; i++) stage.faster(-4);
  expect(stage.tempo.value).toBe(30);
  expect(house.played).toHaveLength(0);
  await stage.toggle();
  stage.faster(30);
  expect(house.played).toHaveLength(2);
  stage.toggle();
  expect(stage.player.playing.value).toBe(false);
});

test('one grip stands alone; a strum shows the bar that sounds, turned line by line', () => {
  expect(begin(ringCheck(C)).stage.pair.value.map((grip) => grip.chord)).toEqual(['C']);
  leave();
  const { stage } = begin(strumReading({ grips: [C], beats: 4, level: 1, bars: 8 }));
  expect(stage.bar.value?.lines).toBeGreaterThan(1);
  const first = stage.bar.value?.line;
  stage.turn(1);
  expect(stage.bar.value?.line).not.toBe(first);
  stage.turn(-1);
  expect(stage.bar.value?.line).toBe(first);
});

test('a call hides its place until it is asked for, and hides the next one again', () => {
  const { stage } = begin(
    rootCall({ rootString: 6, answer: 'major', count: 6, secondsPerCall: 6, maxFret: 12 }),
  );
  expect(stage.drill.value?.judged).toBe('calls');
  expect(stage.call.value).not.toBeNull();
  expect(stage.neck.value).toBeNull();
  stage.reveal();
  expect(stage.neck.value).not.toBeNull();
  const before = stage.call.value;
  stage.next();
  expect([stage.neck.value, stage.call.value === before]).toEqual([null, false]);
});

test('a drill this hand cannot hold shows nothing rather than something wrong', () => {
  const { stage } = begin(ringCheck({ chord: 'C', frets: [20, 1, 3, 3, 3, 1] }));
  expect([stage.drill.value, stage.pair.value, stage.neck.value, stage.moves.value]).toEqual([
    null,
    [],
    null,
    [],
  ]);
});

const plucks = (at: number) =>
  (house.played[at][0] as { kind: string }[]).filter((one) => one.kind === 'pluck').length;

test('numbers called stand alone, with the click: no grip, bar or neck says what they are', async () => {
  const { stage } = begin(
    numberCalls({
      key: 'D major',
      pool: '1 4 5',
      keys: 1,
      length: 4,
      lead: 4,
      layout: 'fixed',
      tempoBpm: 60,
    }),
  );
  expect([stage.pair.value, stage.bar.value, stage.neck.value, stage.call.value]).toEqual([
    [],
    null,
    null,
    null,
  ]);
  expect(stage.called.value).toMatchObject({ now: { number: '1', key: 'D major' }, past: [] });
  await stage.toggle();
  expect(plucks(0)).toBe(0);
});

test('another sound is heard at once, from the same beat', async () => {
  const { stage } = begin(loop);
  stage.sound.heard.value = 'click';
  await settle();
  expect(house.played).toHaveLength(0);
  stage.sound.heard.value = 'drill';
  await settle();
  await stage.toggle();
  stage.sound.heard.value = 'together';
  await settle();
  expect(house.played).toHaveLength(2);
  expect(plucks(1)).toBeGreaterThan(plucks(0));
  expect(house.played[1][1]).toMatchObject({ from: 0 });
});
