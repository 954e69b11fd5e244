/** Listening to a drill in time: what the simulated player slips in is what is heard; stopped, refused and silent rooms. */
import { makeDrill, strumReading, tapIt, timeHeard, type TimeHeard } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { playDrill } from '@finch/core/simulation';
import { effectScope, type EffectScope } from 'vue';
import { MicrophoneRefusal, simulatedDrill, type Microphone } from '../../workers/microphone';
import { useInTime, type InTime, type Running } from './use-in-time';

const context = { hand: averageHand, instrument: standardGuitar };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const tapped = must(makeDrill(tapIt({ level: 2, beats: 4, bars: 4 }, 2), context)).score;
const strummed = must(makeDrill(strumReading({ grips: [C], beats: 4, level: 2, bars: 4 }, 2), context)).score;
const BPM = 72;
const SECONDS = (60 / BPM) * 20 + 0.6;

let scope: EffectScope;
let inTime: InTime;
let score = tapped;
let began: number | null = null;
let closed = 0;
let judged: TimeHeard[] = [];
const at = () => {
  const since = began === null ? null : (Date.now() - began) / 1000;
  return since === null || since > SECONDS ? null : since;
};
const running: Running = {
  start: () => {
    began = Date.now();
    return Promise.resolve({ score, instrument: standardGuitar, bpm: BPM });
  },
  stop: () => (began = null),
  at,
};
const player = (seed: number): Microphone => {
  const played = playDrill(score, standardGuitar, BPM, seed);
  const room = simulatedDrill(played, standardGuitar, () => 1000 * (at() ?? 0));
  return { open: async () => ({ ...(await room.open()), close: () => void closed++ }) };
};
beforeEach(() => {
  jest.useFakeTimers();
  [score, began, closed, judged] = [tapped, null, 0, []];
  scope = effectScope();
  inTime = scope.run(() =>
    useInTime(
      running,
      (heard) => void judged.push(heard),
      () => Date.now(),
    ),
  ) as InTime;
});
afterEach(() => {
  scope.stop();
  jest.useRealTimers();
});
const toTheEnd = () => jest.advanceTimersByTime(1000 * SECONDS + 200);

test.each([
  ['taps', () => tapped, 3],
  ['taps', () => tapped, 8],
  ['strums', () => strummed, 4],
])(
  '%s: what the simulated player slips in is heard, once, and the microphone is let go',
  async (_, which, seed) => {
    score = which();
    await inTime.listen(player(seed));
    expect(inTime.going.value).toBe('listening');
    toTheEnd();
    const { slips } = playDrill(score, standardGuitar, BPM, seed);
    expect(judged).toHaveLength(1);
    expect(judged[0].bars.map(({ how }) => how)).toEqual(
      [0, 1, 2, 3].map((bar) => slips.get(bar) ?? 'in time'),
    );
    expect([inTime.going.value, closed, inTime.heard.value]).toEqual([null, 1, judged[0]]);
    toTheEnd();
    expect(judged).toHaveLength(1);
  },
);

test('a stroke is dated when it sounded, not when it was read; a tap while the microphone listens is none', async () => {
  await inTime.listen(player(3));
  const { strokes } = playDrill(score, standardGuitar, BPM, 3);
  setTimeout(() => {
    inTime.tap();
  }, 6000);
  toTheEnd();
  const exact = timeHeard(
    score,
    standardGuitar,
    BPM,
    strokes.map(({ atSeconds }) => atSeconds),
  );
  expect(judged[0].bars).toEqual(exact?.bars);
  expect(Math.abs(judged[0].lag - (exact?.lag ?? 0))).toBeLessThan(0.012);
});

test('tapped along on the screen: each tap in its place, none while nothing runs', async () => {
  inTime.tap();
  await inTime.tapAlong();
  const { strokes, slips } = playDrill(tapped, standardGuitar, BPM, 3);
  for (const { atSeconds } of strokes)
    setTimeout(() => {
      inTime.tap();
    }, 1000 * atSeconds);
  toTheEnd();
  expect(judged[0]?.bars.map(({ how }) => how)).toEqual(
    [0, 1, 2, 3].map((bar) => slips.get(bar) ?? 'in time'),
  );
  inTime.tap();
  inTime.forget();
  expect(inTime.heard.value).toBeNull();
});

test('a silent room is said and nothing is judged; another try puts the words away', async () => {
  await inTime.tapAlong();
  toTheEnd();
  expect([judged.length, inTime.trouble.value, inTime.going.value]).toEqual([0, 'mic.nothing', null]);
  await inTime.tapAlong();
  expect(inTime.trouble.value).toBeNull();
});

test('stopped or left in the middle nothing is judged, and the microphone is let go', async () => {
  await inTime.listen(player(3));
  jest.advanceTimersByTime(8000);
  inTime.stop();
  expect([began, closed, inTime.going.value]).toEqual([null, 1, null]);
  toTheEnd();
  expect(judged).toEqual([]);
  const asked = inTime.listen(player(3));
  inTime.stop();
  await asked;
  expect([closed, inTime.going.value]).toEqual([2, null]);
  await inTime.listen(player(3));
  scope.stop();
  expect(closed).toBe(3);
});

test('what was heard before is not heard again with the next try', async () => {
  for (const seed of [3, 8]) {
    await inTime.listen(player(seed));
    toTheEnd();
    const { slips } = playDrill(tapped, standardGuitar, BPM, seed);
    expect(judged.at(-1)?.bars.map(({ how }) => how)).toEqual(
      [0, 1, 2, 3].map((bar) => slips.get(bar) ?? 'in time'),
    );
  }
});

test('a microphone that is refused is said by its code, and nothing is counted in', async () => {
  await inTime.listen({ open: () => Promise.reject(new MicrophoneRefusal('mic.refused')) });
  expect([inTime.trouble.value, began, inTime.going.value]).toEqual(['mic.refused', null, null]);
  await inTime.listen({ open: () => Promise.reject(new Error('odd')) });
  expect(inTime.trouble.value).toBe('mic.busy');
});
