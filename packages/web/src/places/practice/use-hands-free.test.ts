/** Going on by a count: the simulated voice is heard once a count, never while the room sounds, and let go; a microphone that is none. */
import { effectScope, nextTick, ref, type EffectScope } from 'vue';
import { MicrophoneRefusal, simulatedVoice, type Microphone } from '../../workers/microphone';
import { useHandsFree, type HandsFree } from './use-hands-free';

const on = ref(true);
jest.mock('@vueuse/core', () => ({ useLocalStorage: () => on }));

let scope: EffectScope;
let hands: HandsFree;
let counts = 0;
let sounding = false;
let closed = 0;
const voice: Microphone = {
  open: async () => {
    const room = await simulatedVoice(() => Date.now()).open();
    return { ...room, close: () => void closed++ };
  },
};
beforeEach(() => {
  jest.useFakeTimers();
  [counts, sounding, closed] = [0, false, 0];
  on.value = true;
  scope = effectScope();
  hands = scope.run(() =>
    useHandsFree(
      () => void counts++,
      () => sounding,
      () => Date.now(),
    ),
  ) as HandsFree;
});
afterEach(() => {
  scope.stop();
  jest.useRealTimers();
});

test('a count of four and a rest goes on once, and the next count again', async () => {
  await hands.listen(voice);
  expect(hands.listening.value).toBe(true);
  jest.advanceTimersByTime(3000);
  expect(counts).toBe(0);
  jest.advanceTimersByTime(1500);
  expect(counts).toBe(1);
  jest.advanceTimersByTime(8000);
  expect(counts).toBe(2);
});

test('ticks that come late lose nothing of what fits the samples', async () => {
  await hands.listen(voice);
  for (let i = 0; i < 70; i++) {
    jest.setSystemTime(Date.now() + 35);
    jest.advanceTimersByTime(40);
  }
  expect(counts).toBe(1);
});

test('while the room sounds nobody is listened to, and half a count is forgotten', async () => {
  await hands.listen(voice);
  jest.advanceTimersByTime(2000);
  sounding = true;
  jest.advanceTimersByTime(300);
  sounding = false;
  jest.advanceTimersByTime(4000);
  expect(counts).toBe(0);
});

test('stopped, switched off or left, the microphone is let go; asked for and stopped at once, it never opens', async () => {
  await hands.listen(voice);
  hands.stop();
  jest.advanceTimersByTime(6000);
  expect([counts, closed, hands.listening.value]).toEqual([0, 1, false]);
  const asked = hands.listen(voice);
  hands.stop();
  await asked;
  expect([closed, hands.listening.value]).toEqual([2, false]);
  await hands.listen(voice);
  on.value = false;
  await nextTick();
  expect([closed, hands.listening.value]).toEqual([3, false]);
  await hands.listen(voice);
  scope.stop();
  expect(closed).toBe(4);
});

test('a microphone that is refused is said by its code, and goes when another is listened to', async () => {
  await hands.listen({ open: () => Promise.reject(new MicrophoneRefusal('mic.refused')) });
  expect([hands.trouble.value, hands.listening.value]).toEqual(['mic.refused', false]);
  await hands.listen({ open: () => Promise.reject(new Error('odd')) });
  expect(hands.trouble.value).toBe('mic.busy');
  await hands.listen(voice);
  expect(hands.trouble.value).toBeNull();
});
