/** The practice room without a browser: which card is on the stand, the drill for this hand, what counts as played, the way out. */
import type { PracticeBody } from '@finch/contract';
import { changeLoop, earPairs, ringCheck } from '@finch/core/drills';
import { DEFAULT_LIMITS, NOTHING_ON_RECORD, taughtHand } from '@finch/core/hands';
import { DEFAULT_SCHOOLS } from '@finch/core/shapes';
import { ref, shallowRef } from 'vue';
import { emptyHouse, enter, house, leave, settle } from '../../test-house';
import { school } from '../../words/school';
import { usePracticeRoom } from './use-practice-room';

const desk = {
  body: shallowRef<PracticeBody | undefined>(),
  teaches: false,
  stood: 0,
  cleared: 0,
  seatOf: 'ode' as string | null,
};
jest.mock('vue-router', () => jest.requireActual('../../test-house').modules.router);
jest.mock('../../session/queries', () => ({
  usePractice: () => ({ data: desk.body, error: ref(null), refetch: jest.fn() }),
}));
jest.mock('../../session/bench', () => ({ useBench: () => ({ clear: () => desk.cleared++ }) }));
jest.mock('../../session/seat', () => ({
  useSeat: () => ({
    seat: { studentId: desk.seatOf },
    now: () => 0,
    teaches: desk.teaches,
    standUp: async () => desk.stood++,
  }),
}));
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const card = (recipe: PracticeBody['cards'][number]['recipe'], minutes: number) => ({
  skillId: null,
  title: 'card',
  recipe,
  minutes,
  because: { code: 'because.given', values: {} },
});
const bodyOf = (more: Partial<PracticeBody> = {}): PracticeBody => ({
  student: { id: 'ode', name: 'Ode Pettibrand' },
  taught: {
    ...taughtHand(NOTHING_ON_RECORD, 0),
    limits: { ...DEFAULT_LIMITS, gripEffort: 50 },
    school: { ...DEFAULT_SCHOOLS, formNames: 'numbers' },
  },
  pain: { status: 'free' },
  minutes: 12,
  marks: { pins: [], hooks: [] },
  day: '1970-01-01',
  timeZone: 'UTC',
  tomorrow: [],
  cards: [
    card(changeLoop({ grips: [C, AM], beatsEach: 4 }), 4),
    card(ringCheck(F), 3),
    card(ringCheck(C), 2),
  ],
  ...more,
});
beforeEach(() => {
  emptyHouse();
  Object.assign(globalThis, { window: { scrollTo: () => undefined } });
  Object.assign(desk, { teaches: false, stood: 0, cleared: 0, seatOf: 'ode' });
  desk.body.value = bodyOf();
});
afterEach(leave);
afterEach(() => Reflect.deleteProperty(globalThis, 'window'));

test('the first card stands with the drill it makes for this hand, under the school of this student', () => {
  const room = enter(usePracticeRoom);
  expect([room.card.value?.minutes, room.drill.value?.judged]).toEqual([4, 'changes']);
  expect(school().formNames).toBe('numbers');
  room.go(1);
  expect([room.drill.value?.overLimit, room.drill.value?.hasBarre]).toEqual([true, true]);
});

test('what this device kept of yesterday lays out the day after; of today it lays out today', () => {
  const tomorrow = [card(ringCheck(AM), 3)];
  desk.body.value = bodyOf({ day: '1969-12-31', tomorrow });
  expect(enter(usePracticeRoom).cards.value.map(({ recipe }) => recipe)).toEqual([ringCheck(AM)]);
  // By the student's own clock: on the first hour of 1970 in UTC it is still the day before further west.
  desk.body.value = bodyOf({ day: '1969-12-31', tomorrow, timeZone: 'America/Lima' });
  expect(enter(usePracticeRoom).cards.value).toHaveLength(3);
});

test('cards are gone through to the end and no further; after the last there is none', () => {
  const room = enter(usePracticeRoom);
  room.go(9);
  expect([room.at.value, room.card.value, room.drill.value]).toEqual([3, null, null]);
  room.go(-1);
  expect(room.at.value).toBe(0);
});

test('a card that was skipped was not played: minutes are those of cards with a take, each once', () => {
  const room = enter(usePracticeRoom);
  room.wasPlayed();
  room.wasPlayed();
  room.go(2);
  room.wasPlayed();
  expect([room.minutesSoFar.value, room.playedCards.value]).toEqual([6, 2]);
});

test.each([
  ['free', false],
  ['returning', false],
  ['stopped today', true],
  ['locked', true],
] as const)('pain that is %s stops playing: %s', (status, stops) => {
  desk.body.value = bodyOf({ pain: { status } });
  expect(enter(usePracticeRoom).painStops.value).toBe(stops);
});

test('pain leaves what is heard or named: no hand plays in it, and counting begins anew', async () => {
  const heard = earPairs({ what: 'triads', choices: 2, count: 20, hearings: 2, root: 'C', roving: false, sounded: 'one by one' }); // prettier-ignore
  desk.body.value = bodyOf({ cards: [...bodyOf().cards, card(heard, 4)] });
  const room = enter(usePracticeRoom);
  expect(room.cards.value).toHaveLength(4);
  room.wasPlayed();
  room.go(2);
  room.stopPlaying();
  expect([room.painStops.value, room.cards.value.map(({ recipe }) => recipe.family)]).toEqual([
    true,
    ['ear pairs'],
  ]);
  expect([room.at.value, room.minutesSoFar.value, room.card.value?.minutes]).toEqual([0, 0, 4]);
  // The same where it was reported before.
  desk.body.value = bodyOf({ pain: { status: 'locked' }, cards: [card(heard, 4), ...bodyOf().cards] });
  expect(enter(usePracticeRoom).cards.value).toHaveLength(1);
});

test('before the cards are read nothing is claimed', () => {
  desk.body.value = undefined;
  const room = enter(usePracticeRoom);
  expect([room.cards.value, room.card.value, room.context.value, room.painStops.value]).toEqual([
    [],
    null,
    null,
    false,
  ]);
});

test('a drill this hand cannot hold is none, and the card stays', () => {
  desk.body.value = bodyOf({ cards: [card(ringCheck({ chord: 'C', frets: [20, 1, 3, 3, 3, 1] }), 3)] });
  const room = enter(usePracticeRoom);
  expect([room.card.value?.minutes, room.drill.value]).toEqual([3, null]);
});

test('a student stands up and leaves the bench empty; whoever teaches themselves goes back to their page', async () => {
  await enter(usePracticeRoom).leave();
  expect([desk.stood, desk.cleared, house.went]).toEqual([1, 1, [{ name: 'sit' }]]);
  desk.teaches = true;
  await enter(usePracticeRoom).leave();
  await settle();
  expect([desk.stood, house.went.at(-1)]).toEqual([1, { name: 'student', params: { studentId: 'ode' } }]);
});
