/** What reported pain does, day by day: stopped, locked, back at half, free. */
import type { Feel } from '../drills/take';
import type { LogEvent } from './log';
import { upTo } from './log';
import { ringCheck, changeLoop, earPairs, openStrokes, strumReading } from '../drills';
import { allowedHand, painAfter, painAt, staysOpen, stopsAfter, type PainSoFar, type PainStop } from './pain';

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

describe('one hand alone', () => {
  const allows = (day: number, oneHand: 'left' | 'right' | 'none'): LogEvent => ({
    ...base(day),
    kind: 'clearance',
    at: base(day).sentAt,
    oneHand,
  });
  const pain = (events: LogEvent[], day: number) => painState(events, START + day * DAY + 1);

  test('the other hand may play from the day after the pain, until it is taken back, hurts anew, or all is cleared', () => {
    // The left wrist hurt on day 0.
    expect(pain([hurts(0), allows(0.1, 'right')], 0.2)).toMatchObject({ status: 'stopped today' });
    expect(pain([hurts(0), allows(0.1, 'right')], 0.2).oneHand).toBeUndefined();
    expect(pain([hurts(0), allows(1, 'right')], 2)).toMatchObject({
      status: 'locked',
      cleared: false,
      oneHand: 'right',
    });
    expect(pain([hurts(0), allows(1, 'right'), allows(2, 'none')], 2.1).oneHand).toBeUndefined();
    expect(pain([hurts(0), allows(1, 'right'), hurts(2)], 3).oneHand).toBeUndefined();
    expect(pain([hurts(0), allows(1, 'right'), cleared(2)], 6)).toEqual({
      status: 'returning',
      ...{ where: 'wrist', side: 'left', sinceDay: dayOf(START), cleared: true },
      earliestDay: dayOf(START + 3 * DAY),
    });
  });

  test('never the hand that hurts, nor either where both do; it is no clearance of the stop', () => {
    expect(pain([hurts(0), allows(1, 'left')], 2).oneHand).toBeUndefined();
    const both = felt(0, { hand: 'pain', where: 'wrist', side: 'both' });
    expect(pain([both, allows(1, 'right')], 2).oneHand).toBeUndefined();
    const stops = [hurts(0), allows(1, 'right')].reduce<readonly PainStop[]>(
      (before, event) => stopsAfter(before, event, Date.parse(event.sentAt)),
      [],
    );
    expect(stops).toEqual([{ from: START, to: null }]);
  });

  test.each([
    ['left', false, 'fretting'],
    ['left', true, 'striking'],
    ['right', false, 'striking'],
    ['right', true, 'fretting'],
  ] as const)('the %s hand, left-handed %s: %s', (oneHand, leftHanded, wanted) => {
    expect(allowedHand({ status: 'locked', oneHand }, leftHanded)).toBe(wanted);
    expect(allowedHand({ status: 'returning', oneHand }, leftHanded)).toBeNull();
    expect(allowedHand({ status: 'locked' }, leftHanded)).toBeNull();
  });

  test('a drill of the allowed hand stays open, with what is heard, and nothing else', () => {
    const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
    const Am = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
    const air = changeLoop({ grips: [C, Am], beatsEach: 4, piece: 'air' });
    const heard = earPairs({ what: 'triads', choices: 2, count: 20, hearings: 2, root: 'C', roving: false, sounded: 'together' }); // prettier-ignore
    const all = [
      heard,
      air,
      openStrokes(6, 1),
      changeLoop({ grips: [C, Am], beatsEach: 4 }),
      changeLoop({ grips: [C, Am], beatsEach: 4, piece: 'pivot' }),
      strumReading({ grips: [C], beats: 4, level: 1, bars: 4 }),
      ringCheck({ chord: 'N.C.', frets: [0, 0, 0, 0, 0, 0] }),
    ];
    const open = (hand: Parameters<typeof staysOpen>[1]) => all.map((recipe) => staysOpen(recipe, hand));
    expect(open(null)).toEqual([true, false, false, false, false, false, false]);
    expect(open('fretting')).toEqual([true, true, false, false, false, false, false]);
    expect(open('striking')).toEqual([true, false, true, false, false, false, false]);
  });
});
