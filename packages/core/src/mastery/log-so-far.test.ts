import fc from 'fast-check';
import { changeLoop, makeDrill, ringCheck, type Take, type TakeResult } from '../drills';
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { PRIOR_FIT } from '../hands';
import { must } from '../kernel';
import { firstSyllabus } from '../syllabus';
import {
  historyPoints,
  isDated,
  makeLogReader,
  paceAt,
  paceOf,
  replay,
  stateAt,
  STATES,
  type EventSaid,
  type LogContext,
  type LogEvent,
} from '.';

const DAY = 86_400_000;
const START = Date.UTC(2026, 2, 2, 16);
const NOW = START + 40 * DAY;
const iso = (ms: number) => new Date(ms).toISOString();
const context: LogContext = {
  syllabus: firstSyllabus,
  hands: [
    { from: iso(START - DAY), value: averageHand },
    { from: iso(START + 20 * DAY), value: must(makeHand({ ...averageHand, sizeFactor: 0.9 })) },
  ],
  instruments: [{ from: iso(START - DAY), value: standardGuitar }],
  difficultyFit: PRIOR_FIT,
  timeZone: 'Europe/Vienna',
  playedFor: [{ from: iso(START), value: { months: 12 } }],
};
const drill = { hand: averageHand, instrument: standardGuitar };
const grips = [
  { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
  { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
];
const MADE = [
  must(makeDrill(changeLoop({ grips, beatsEach: 4, tempoBpm: 50 }), drill)),
  must(makeDrill(ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }), drill)),
];

let count = 0;
function logged(at: number, said: EventSaid, late = 0): LogEvent {
  const id = `00000000-0000-7000-8000-${String(count++).padStart(12, '0')}`;
  const by = { studentId: 's', actorId: 'a', deviceId: 'd', deviceSeq: count };
  return {
    schemaVersion: 1,
    id,
    ...by,
    sentAt: iso(at + late),
    receivedAt: iso(at + late),
    ...said,
  } as LogEvent;
}
function take(at: number, result: TakeResult, more: Partial<Take> = {}, which = 0): LogEvent {
  const { recipe, items, tempoBpm } = MADE[which];
  const played = { recipe, items, startedAt: iso(at), timeZone: 'UTC', durationSeconds: 60, tempoBpm };
  const said = { steps: [], result, feel: null, source: 'self' as const, ...more };
  return logged(at, { kind: 'attempt', take: { ...played, ...said } as Take });
}

const results: TakeResult[] = ['clean', 'nearly', 'not yet'];
/** A log of everything that can be in one but a take taken back, in the order it happened. */
const logs = fc
  .array(
    fc.record({
      hours: fc.integer({ min: 0, max: 70 }),
      result: fc.constantFrom(...results),
      what: fc.integer({ min: 0, max: 9 }),
    }),
    { minLength: 1, maxLength: 25 },
  )
  .map((steps) => {
    let at = START;
    return steps.map(({ hours, result, what }) => {
      at += hours * 3_600_000;
      if (what === 0) return logged(at, { kind: 'override', skillId: 'open.c', state: 'clean', at: iso(at) });
      if (what === 1) return logged(at, { kind: 'clearance', at: iso(at) });
      const hurt = { feel: { hand: 'pain', where: 'wrist', side: 'left' } } as Partial<Take>;
      return take(at, result, what === 2 ? hurt : { tempoBpm: what > 6 ? 50 + 2 * what : null }, what % 2);
    });
  });

const reader = makeLogReader(context);
/** What a log read in parts says of skills and pace; `null` in the middle of it reads the whole again. */
const inParts = (parts: readonly (readonly LogEvent[])[], now: number) => {
  let sofar = reader.read([], now);
  let before: LogEvent[] = [];
  for (const part of parts) {
    before = [...before, ...part];
    sofar = reader.add(sofar, part, now) ?? reader.read(before, now);
  }
  return sofar;
};

test('added to in any split and any order it is what the whole log says', () => {
  fc.assert(
    fc.property(logs, fc.array(fc.nat(25), { maxLength: 6 }), fc.boolean(), (events, cuts, mixed) => {
      const order = mixed ? events.toReversed() : events;
      const ends = [...cuts, order.length].sort((a, b) => a - b);
      const parts = ends.map((end, i) => order.slice(i === 0 ? 0 : ends[i - 1], end));
      const sofar = inParts(parts, NOW);
      expect(sofar).toEqual(reader.read(events, NOW));
      expect(stateAt(sofar.skills, context, NOW)).toEqual(replay(events, context, NOW));
      expect(paceAt(sofar.pace, context, NOW)).toEqual(paceOf(events, context, NOW));
    }),
    { numRuns: 60 },
  );
});

test('reading it changes nothing: what is added a week later is what the whole log says', () => {
  const events = [0, 1, 2, 9, 10].map((day) =>
    take(START + day * DAY, day % 2 ? 'nearly' : 'clean', { tempoBpm: 60 }),
  );
  const sofar = reader.read(events.slice(0, 3), START + 3 * DAY);
  for (const day of [3, 5, 8]) {
    paceAt(sofar.pace, context, START + day * DAY);
    paceAt(sofar.pace, context, START + day * DAY, 0.3);
    stateAt(sofar.skills, context, START + day * DAY);
  }
  const later = reader.add(sofar, events.slice(3), START + 12 * DAY);
  expect(later && paceAt(later.pace, context, NOW)).toEqual(paceOf(events, context, NOW));
});

test('what changes the past is not added: an earlier take, one of the same time with an earlier id, one taken back', () => {
  const [early, one, two] = [take(START, 'clean'), take(START + DAY, 'clean'), take(START + DAY, 'nearly')];
  const taken = logged(START + 2 * DAY, { kind: 'void', voids: one.id, at: iso(START + 2 * DAY) });
  expect(reader.add(reader.read([one], NOW), [early], NOW)).toBeNull();
  expect(reader.add(reader.read([two], NOW), [one], NOW)).toBeNull();
  expect(reader.add(reader.read([one], NOW), [two], NOW)).not.toBeNull();
  expect(reader.add(reader.read([early, one], NOW), [taken], NOW)).toBeNull();
});

test('a take of a clock that is ahead waits until its time, and is in order with what comes before it', () => {
  const [one, two, ahead] = [0, 1, 3].map((day) => take(START + day * DAY, 'clean'));
  const then = START + 2 * DAY;
  const sofar = reader.read([one, ahead], then);
  expect([sofar.skills.takes, sofar.ahead]).toEqual([1, [ahead]]);
  const more = reader.add(sofar, [two], then);
  expect(more?.skills.takes).toBe(2);
  const later = START + 4 * DAY;
  expect(more && reader.add(more, [], later)).toEqual(reader.read([one, two, ahead], later));
});

test('another hand from a day on: what was told before is not gone on with, for what a skill asks is another', () => {
  const sofar = reader.read([take(START, 'clean')], START + DAY);
  expect(reader.add(sofar, [], START + 19 * DAY)).not.toBeNull();
  expect(reader.add(sofar, [], START + 21 * DAY)).toBeNull();
});

test('it is out of date once an event dated ahead is due, another hand holds, or the clock went back', () => {
  const [one, ahead] = [take(START, 'clean'), take(START + 3 * DAY, 'clean')];
  const then = START + 2 * DAY;
  const sofar = reader.read([one, ahead], then);
  const out = (now: number) => isDated(sofar, context, now);
  expect([then, START + 3 * DAY - 1, START + 3 * DAY].map(out)).toEqual([false, false, true]);
  expect(isDated(reader.read([one], then), context, START + 21 * DAY)).toBe(true);
  expect([START - 30_000, START - 61_000].map(out)).toEqual([false, true]);
  expect(reader.add(reader.read([one], then), [], START - 61_000)).toBeNull();
});

test('its size does not grow with the years: history of fourteen weeks, a trail, no more surroundings than count', () => {
  const years = Array.from({ length: 900 }, (_, i) =>
    take(START + i * DAY, 'clean', { tempoBpm: 50 + (i % 7) }),
  );
  const now = START + 901 * DAY;
  const sofar = reader.read(years, now);
  const skill = sofar.skills.skills.get('near.c-g');
  expect(skill && historyPoints(skill.history)).toHaveLength(STATES.historyDays + 1);
  expect(skill && historyPoints(skill.history).at(-1)).toMatchObject({ at: START + 899 * DAY, clean: true });
  expect(skill?.trail).toHaveLength(STATES.stuck.takes);
  expect(skill?.days).toMatchObject({ count: 900, first: '2026-03-02' });
  expect(sofar.pace.few).toBeNull();
  expect(JSON.stringify([...sofar.skills.skills.values()]).length).toBeLessThan(60_000);
});
