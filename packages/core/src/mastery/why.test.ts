/** What is told of a number is what made it: the same number, its takes, and one sentence about what matters most. */
import { changeLoop, makeDrill, ringCheck, type StepOutcome, type Take, type TakeResult } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { PRIOR_FIT } from '../hands';
import { must } from '../kernel';
import { firstSyllabus } from '../syllabus';
import { replay, whyOf, type EventSaid, type LogEvent, type ReplayContext } from '.';

const DAY = 86_400_000;
const START = Date.UTC(2026, 2, 2, 16);
const iso = (ms: number) => new Date(ms).toISOString();
const context: ReplayContext = {
  syllabus: firstSyllabus,
  hands: [{ from: iso(START - DAY), value: averageHand }],
  instruments: [{ from: iso(START - DAY), value: standardGuitar }],
  difficultyFit: PRIOR_FIT,
  playedFor: [],
  timeZone: 'Europe/Vienna',
};
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const hand = { hand: averageHand, instrument: standardGuitar };
const LOOP = must(makeDrill(changeLoop({ grips: [C, G], beatsEach: 4, tempoBpm: 36 }), hand));
const RING = must(makeDrill(ringCheck(C), hand));
const CHANGE = 'near.c-g';

let count = 0;
function logged(at: number, said: EventSaid): LogEvent {
  const id = `00000000-0000-7000-8000-${String(++count).padStart(12, '0')}`;
  const by = { schemaVersion: 1, id, studentId: 's', actorId: 'a', deviceId: 'd', deviceSeq: count };
  return { ...by, sentAt: iso(at), receivedAt: iso(at), ...said } as LogEvent;
}
/** A take of the loop on a day, minutes after four in the afternoon. */
function loop(
  day: number,
  result: TakeResult,
  tempoBpm: number | null = 36,
  minute = 0,
  more: Partial<Take> = {},
) {
  const at = START + day * DAY + minute * 60_000;
  const { recipe, items } = LOOP;
  const take: Take = {
    recipe,
    items,
    startedAt: iso(at),
    timeZone: 'UTC',
    durationSeconds: 30,
    tempoBpm,
    steps: [],
    result,
    feel: null,
    source: 'self',
    ...more,
  };
  return logged(at, { kind: 'attempt', take });
}
const ring = (day: number, result: TakeResult, steps: StepOutcome[] = []) =>
  loop(day, result, null, 0, { recipe: RING.recipe, items: RING.items, steps });
const told = (events: readonly LogEvent[], day: number, skillId = CHANGE) => {
  const why = whyOf(events, context, skillId, START + day * DAY);
  if (!why) throw new Error('no such skill');
  return why;
};
const held = Array.from({ length: 14 }, (_, i) => loop(i, 'clean', 36, 0, { source: 'teacher' }));

test('the number told is the number on screen, whatever else was played, and its parts add up to it', () => {
  const events = [
    ...held,
    ring(3, 'not yet'),
    ring(4, 'clean'),
    loop(20, 'not yet'),
    loop(20, 'nearly', 44, 5),
  ];
  const now = START + 24 * DAY;
  const state = replay(events, context, now);
  for (const skillId of [CHANGE, 'open.c', 'open.g']) {
    const why = told(events, 24, skillId);
    expect(why.now).toBe(state.skills.find((one) => one.skillId === skillId)?.chance?.mean);
    expect(why.parts.start + why.parts.takes + why.parts.away).toBeCloseTo(why.now ?? -1, 12);
    expect(why.parts.away).toBeLessThan(0);
  }
  expect(told(events, 24).counted).toBe(16);
  expect(told(events, 24, 'open.c').counted).toBe(18);
});

test('takes are told the newest first, each with what it moved, its steps and what went wrong most', () => {
  const events = [loop(0, 'clean'), ring(1, 'not yet', ['clean', 'buzz', 'dead', 'buzz'])];
  const { takes } = told(events, 2, 'open.c');
  expect(takes.map(({ family, result, tempoBpm }) => [family, result, tempoBpm])).toEqual([
    ['ring check', 'not yet', null],
    ['change loop', 'clean', 36],
  ]);
  expect([takes[0].steps, takes[0].fault, takes[1].steps, takes[1].fault]).toEqual([
    { clean: 1, all: 4 },
    'buzz',
    null,
    null,
  ]);
  expect([takes[1].after > takes[1].before, takes[0].after < takes[0].before]).toEqual([true, true]);
  expect(takes[0].day).toBe('2026-03-03');
});

test('a take that was taken back is not told of, nor one after the instant, nor a skill that is not there', () => {
  const [first, second] = [loop(0, 'clean'), loop(1, 'not yet')];
  const undone = logged(START + 2 * DAY, { kind: 'void', voids: second.id, at: iso(START + 2 * DAY) });
  expect(told([first, second, undone], 3).takes.map(({ id }) => id)).toEqual([first.id]);
  expect(told([first, second], 0.5).takes.map(({ id }) => id)).toEqual([first.id]);
  expect(whyOf([first], context, 'no.such', START + DAY)).toBeNull();
});

test('nothing played: nothing is said to be wrong', () => {
  const why = told([ring(0, 'clean')], 1);
  expect([why.now, why.story.code, why.advice, why.counted]).toEqual([null, 'why.none', null, 0]);
});

test('a fall within a day names the day, the takes and their tempo, and the tempo aimed at where they were far over it', () => {
  const fell = [
    ...held,
    loop(14, 'not yet', 72),
    loop(14, 'not yet', 80, 5),
    loop(14, 'not yet', 76, 9),
    loop(14, 'clean', 36, 12),
  ];
  const early = held.slice(0, 9);
  const hard = [...early, ...[0, 5, 9, 14, 18].map((minute) => loop(9, 'not yet', 36, minute))];
  const { story, advice } = told(hard, 9.5);
  expect(story.code).toBe('why.fall');
  expect(story.values).toMatchObject({
    missed: 5,
    of: 5,
    slow: 36,
    fast: 36,
    target: 36,
    on: START + 9 * DAY,
  });
  expect(Number(story.values.from) - Number(story.values.to)).toBeGreaterThanOrEqual(20);
  expect(advice).toEqual({ code: 'advice.slower', values: { bpm: 31 } });
  // Far over the tempo aimed at, little is said of the grip itself: no fall.
  expect(told(fell, 14.5).story.code).not.toBe('why.fall');
  expect(
    told([...held.slice(0, 4), ...[0, 5, 9].map((minute) => loop(4, 'not yet', 60, minute))], 4.5).advice,
  ).toEqual({
    code: 'advice.target',
    values: { bpm: 36 },
  });
});

test('a fall that was mended, or is long ago, is not told any more', () => {
  const hard = [...held.slice(0, 9), ...[0, 5, 9, 14, 18].map((minute) => loop(9, 'not yet', 36, minute))];
  const mended = [...hard, ...Array.from({ length: 12 }, (_, i) => loop(10 + i, 'clean'))];
  expect(told(mended, 22).story.code).toBe('why.recent');
  const later = [...hard, loop(60, 'not yet')];
  expect(told(later, 60.5).story.code).not.toBe('why.fall');
});

test('what slips says what it was and which takes since the last clean one were not', () => {
  const events = [...held, loop(60, 'nearly', 38), loop(60, 'not yet', 44, 5)];
  const { story, advice, takes } = told(events, 90);
  expect(story.code).toBe('why.slipping');
  expect(story.values).toMatchObject({ missed: 2, slow: 38, fast: 44, last: takes[0].at });
  expect(Number(story.values.was)).toBeGreaterThan(80);
  // A clean one stands at 36: go on from there.
  expect(advice).toEqual({ code: 'advice.target', values: { bpm: 36 } });
});

test('what is stuck says since when, how the last takes came and at which tempo', () => {
  const steps = (clean: number): StepOutcome[] =>
    Array.from({ length: 8 }, (_, i) => (i < clean ? 'clean' : 'late'));
  const events = Array.from({ length: 16 }, (_, i) =>
    loop(i * 2, 'not yet', 34, 0, { steps: steps(i % 2 ? 5 : 4) }),
  );
  const { story, advice } = told(events, 31);
  expect(story).toEqual({
    code: 'why.stuck',
    values: { takes: 16, since: START, recent: 8, clean: 0, best: 63, slow: 34, fast: 34 },
  });
  expect(advice).toEqual({ code: 'advice.slower', values: { bpm: 29 } });
});

test('days away are said with what they took; without a tempo the fault that came most is named, or something lighter', () => {
  const away = told(held.slice(0, 4), 60);
  expect(away.story.code).toBe('why.away');
  expect(away.story.values).toMatchObject({ days: 57, last: START + 3 * DAY });
  expect(Number(away.story.values.lost)).toBe(Math.round(-100 * away.parts.away));
  expect(away.advice?.code).toBe('advice.again');
  const buzzing = [ring(0, 'not yet', ['buzz', 'clean', 'dead']), ring(0.01, 'not yet', ['buzz', 'clean'])];
  expect(told(buzzing, 0.02, 'open.c').advice).toEqual({ code: 'advice.fault', values: { fault: 'buzz' } });
  expect(told([ring(0, 'not yet')], 0.02, 'open.c').advice?.code).toBe('advice.lighter');
  expect(told([ring(0, 'clean')], 0.02, 'open.c').advice).toBeNull();
});

test('what buzzes at a fair tempo is not played slower but looked at; what comes late is played where it was held', () => {
  const steps = (fault: StepOutcome): StepOutcome[] => ['clean', fault, fault, 'late'];
  const missed = (fault: StepOutcome) =>
    told([loop(0, 'clean', 28), loop(1, 'not yet', 36, 0, { steps: steps(fault) })], 1.1).advice;
  expect(missed('dead')).toEqual({ code: 'advice.fault', values: { fault: 'dead' } });
  expect(missed('late')).toEqual({ code: 'advice.slower', values: { bpm: 28 } });
  // A little over what is aimed at is not far over it.
  expect(told([loop(0, 'clean', 28), loop(1, 'not yet', 39)], 1.1).advice?.code).toBe('advice.slower');
});

test('what was never half held is not said to be lost by days away, nor brought back by one take', () => {
  const never = told([loop(0, 'not yet'), loop(1, 'not yet'), loop(2, 'nearly'), loop(3, 'not yet')], 30);
  expect(Math.round(-100 * never.parts.away)).toBeGreaterThanOrEqual(5);
  expect(never.story).toMatchObject({ code: 'why.recent', values: { takes: 4, clean: 0 } });
  expect(never.advice?.code).toBe('advice.slower');
});

test('four of five clean are no trouble; three of five are', () => {
  const last = (...results: TakeResult[]) =>
    told(
      results.map((result, i) => loop(i, result)),
      5,
    ).advice;
  expect(last('clean', 'not yet', 'clean', 'clean', 'clean')).toBeNull();
  expect(last('clean', 'not yet', 'clean', 'nearly', 'clean')?.code).toBe('advice.slower');
});

test('while pain stops playing nothing that is played is advised', () => {
  const hurt = loop(5, 'not yet', 36, 0, { feel: { hand: 'pain', where: 'wrist', side: 'left' } });
  const cleared = logged(START + 9 * DAY, { kind: 'clearance', at: iso(START + 9 * DAY) });
  const events = [loop(0, 'clean'), hurt];
  expect(told(events, 5.1).advice?.code).toBe('advice.pain');
  expect(told(events, 8).advice?.code).toBe('advice.pain');
  expect(told([...events, cleared], 9.5).advice?.code).not.toBe('advice.pain');
});

test('a failed take after days away does not count as a rise', () => {
  const { takes } = told([...held.slice(0, 3), loop(40, 'not yet')], 40.1);
  expect([takes[0].before, takes[0].after < takes[0].before]).toEqual([takes[1].after, true]);
});

test('what days away took and a take did not bring back is said as such, and stays with the days, not with the take', () => {
  const gone = told([...held.slice(0, 4), loop(60, 'nearly')], 60.5);
  expect(gone.story.code).toBe('why.not-back');
  expect(gone.story.values).toMatchObject({ missed: 1, last: START + 60 * DAY });
  expect(Number(gone.story.values.lost)).toBe(Math.round(-100 * gone.parts.away));
  expect(gone.parts.away).toBeLessThan(-0.05);
  expect(gone.parts.start + gone.parts.takes + gone.parts.away).toBeCloseTo(gone.now ?? 0, 12);
  // One clean take brings it back.
  expect(told([...held.slice(0, 4), loop(60, 'nearly'), loop(60.1, 'clean')], 60.5).story.code).toBe(
    'why.recent',
  );
});
