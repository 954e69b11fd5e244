/** Tuning up by a microphone that is a script: what is heard, ticked, taken back, refused and let go. */
import { standardGuitar } from '@finch/core/fretboard';
import { pitchToHz } from '@finch/core/sound';
import { effectScope, type EffectScope } from 'vue';
import { MicrophoneRefusal, simulatedMicrophone, type Microphone } from '../../workers/microphone';
import { useTuning, type Tuning } from './use-tuning';

const RATE = 48_000;
let scope: EffectScope;
let tuning: Tuning;
let hz = 0;
let closed = 0;
const microphone: Microphone = {
  open: () =>
    Promise.resolve({
      sampleRate: RATE,
      read: (into) =>
        into.forEach((_, i) => (into[i] = hz ? 0.3 * Math.sin((2 * Math.PI * hz * i) / RATE) : 0)),
      close: () => void closed++,
    }),
};
const A = pitchToHz(45);
const off = (cents: number) => A * 2 ** (cents / 1200);
const tick = (times: number) => jest.advanceTimersByTime(100 * times);

beforeEach(() => {
  jest.useFakeTimers();
  [hz, closed] = [0, 0];
  scope = effectScope();
  tuning = scope.run(() => useTuning(() => standardGuitar)) as Tuning;
});
afterEach(() => {
  scope.stop();
  jest.useRealTimers();
});

test('silence is no string; a string is ticked when it was heard in tune four times running', async () => {
  await tuning.listen(microphone);
  tick(3);
  expect([tuning.listening.value, tuning.now.value]).toEqual([true, null]);
  hz = off(20);
  tick(6);
  expect(tuning.now.value?.stringIndex).toBe(1);
  expect(Math.round(tuning.now.value?.cents ?? 0)).toBe(20);
  expect(tuning.inTune.value).toEqual([]);
  hz = off(2);
  tick(3);
  expect(tuning.inTune.value).toEqual([]);
  tick(1);
  expect(tuning.inTune.value).toEqual([1]);
  // A little off it stays, far off it is turned away again.
  hz = off(8);
  tick(2);
  expect(tuning.inTune.value).toEqual([1]);
  hz = off(12);
  tick(1);
  expect(tuning.inTune.value).toEqual([]);
});

test('another string in between begins the count anew', async () => {
  await tuning.listen(microphone);
  for (const cents of [0, 0, 0]) {
    hz = off(cents);
    tick(1);
  }
  hz = pitchToHz(50);
  tick(1);
  hz = off(0);
  tick(3);
  expect(tuning.inTune.value).toEqual([]);
  tick(1);
  expect(tuning.inTune.value).toEqual([1]);
});

test('a microphone that is refused is said; one that opens after a stop is let go', async () => {
  await tuning.listen({ open: () => Promise.reject(new MicrophoneRefusal('mic.refused')) });
  expect([tuning.trouble.value, tuning.listening.value]).toEqual(['mic.refused', false]);
  await tuning.listen({ open: () => Promise.reject(new Error('odd')) });
  expect(tuning.trouble.value).toBe('mic.busy');
  const late = tuning.listen(microphone);
  expect(tuning.trouble.value).toBeNull();
  tuning.stop();
  await late;
  expect([closed, tuning.listening.value]).toEqual([1, false]);
});

test('leaving closes the microphone, and so does listening anew', async () => {
  await tuning.listen(microphone);
  await tuning.listen(microphone);
  expect(closed).toBe(1);
  scope.stop();
  expect(closed).toBe(2);
  hz = A;
  tick(9);
  expect(tuning.now.value).toBeNull();
});

test('the stand-in plays somebody who tunes: after some rounds every string is in tune', async () => {
  let ms = 0;
  await tuning.listen(simulatedMicrophone(standardGuitar, () => ms));
  for (let i = 0; i < 760 && tuning.inTune.value.length < 6; i++) {
    ms += 100;
    tick(1);
  }
  expect([...tuning.inTune.value].sort()).toEqual([0, 1, 2, 3, 4, 5]);
});
