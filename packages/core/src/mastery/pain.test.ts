/** What reported pain does, day by day: stopped, locked, back at half, free. */
import type { Feel } from '../drills/take';
import type { LogEvent } from './log';
import { upTo } from './log';
import { painAfter, painAt, stopsAfter, type PainSoFar, type PainStop } from './pain';

const DAY = 86_400_000;
const START = Date.UTC(2026, 2, 2, 16);
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const base = (day: number) => ({
  schemaVersion: 1 as const,
  id: `id-${day}`,
  studentId: 's',
  actorId: 'a',
  deviceId: 'd',
  deviceSeq: day,
  sentAt: new Date(START + day * DAY).toISOString(),
  receivedAt: new Date(START + day * DAY).toISOString(),
});
const felt = (day: number, feel: Feel): LogEvent => ({
  ...base(day),
  kind: 'attempt',
  take: {
    recipe: { schemaVersion: 1, family: 'warm up', version: 1, parameters: { minutes: 3 }, seed: 1 },
    items: [],
    startedAt: base(day).sentAt,
    timeZone: 'UTC',
    durationSeconds: 60,
    tempoBpm: null,
    steps: [],
    result: 'clean',
    feel,
    source: 'self',
  },
});
const hurts = (day: number) => felt(day, { hand: 'pain', where: 'wrist', side: 'left' });
const cleared = (day: number): LogEvent => ({ ...base(day), kind: 'clearance', at: base(day).sentAt });
const painState = (events: LogEvent[], now: number) =>
  painAt(
    upTo(events, now).live.reduce<PainSoFar>((before, { event, at }) => painAfter(before, event, at), {
      painMs: null,
      clearedMs: null,
    }),
    now,
    dayOf,
  );
const status = (events: LogEvent[], day: number) => painState(events, START + day * DAY + 1).status;

test('stopped for the day, then locked until it is cleared, however long', () => {
  expect([0, 1, 2, 3, 40].map((day) => status([hurts(0)], day))).toEqual([
    'stopped today',
    'locked',
    'locked',
    'locked',
    'locked',
  ]);
});

test('cleared early it is still locked for two free days, then a week at half, then free', () => {
  const events = [hurts(0), cleared(1)];
  expect([1, 2, 3, 9, 10].map((day) => status(events, day))).toEqual([
    'locked',
    'locked',
    'returning',
    'returning',
    'free',
  ]);
});

test('cleared late, the week at half begins with the clearance', () => {
  const events = [hurts(0), cleared(20)];
  expect([19, 20, 26, 27].map((day) => status(events, day))).toEqual([
    'locked',
    'returning',
    'returning',
    'free',
  ]);
});

test('pain again on the way back locks anew, and an older clearance clears nothing', () => {
  const events = [hurts(0), cleared(1), hurts(5)];
  expect([5, 6, 30].map((day) => status(events, day))).toEqual(['stopped today', 'locked', 'locked']);
  expect(status([...events, cleared(6)], 8)).toBe('returning');
});

test('sore fingertip skin that is whole ends nothing; broken skin does', () => {
  const skin = (skinBroken: boolean) =>
    felt(0, { hand: 'pain', where: 'fingertip skin', side: 'left', skinBroken });
  expect(status([skin(false)], 0)).toBe('free');
  expect(status([skin(true)], 0)).toBe('stopped today');
  expect(status([felt(0, { hand: 'tense' })], 0)).toBe('free');
});

test('where, which side and since when are said, and the first day it may come back', () => {
  expect(painState([hurts(0)], START + DAY)).toMatchObject({
    where: 'wrist',
    side: 'left',
    sinceDay: '2026-03-02',
    earliestDay: '2026-03-05',
    cleared: false,
  });
});

describe('when playing stopped', () => {
  const stops = (...events: LogEvent[]) =>
    upTo(events, START + 60 * DAY).live.reduce<readonly PainStop[]>(
      (before, { event, at }) => stopsAfter(before, event, at),
      [],
    );
  const on = (day: number) => START + day * DAY;

  test('from the pain to the teacher’s word; what hurts meanwhile is the same stop', () => {
    expect(stops(hurts(0))).toEqual([{ from: on(0), to: null }]);
    expect(stops(hurts(0), hurts(1), cleared(3))).toEqual([{ from: on(0), to: on(3) }]);
    expect(stops(hurts(0), cleared(3), cleared(4), hurts(9))).toEqual([
      { from: on(0), to: on(3) },
      { from: on(9), to: null },
    ]);
  });

  test('an unbroken fingertip, a tense hand and a word about nothing stop nothing', () => {
    expect(
      stops(felt(0, { hand: 'pain', where: 'fingertip skin', side: 'left' }), felt(1, { hand: 'tense' })),
    ).toEqual([]);
    expect(stops(cleared(2))).toEqual([]);
  });

  test('the last twelve are told of', () => {
    const many = Array.from({ length: 15 }, (_, i) => [hurts(2 * i), cleared(2 * i + 1)]).flat();
    expect(stops(...many).map(({ from }) => from)).toEqual(
      Array.from({ length: 12 }, (_, i) => on(2 * i + 6)),
    );
  });
});
