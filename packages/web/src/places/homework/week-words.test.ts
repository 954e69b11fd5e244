/** A week in words: days, tempi and what each day is held to, as a student reads them. */
import { changeLoop, ringCheck } from '@finch/core/drills';
import type { HomeWeek, WeekRow } from '@finch/core/planning';
import { spanText, weekChecks, weekLetter, weekdayText, whenPlayed, wholeDay } from './week-words';

const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const row = (minutes: readonly number[], more: Partial<WeekRow> = {}): WeekRow => ({
  id: `row ${minutes.join()}`,
  kind: 'repair',
  title: { code: 'title.blank', values: { text: 'C to G' } },
  because: { code: 'because.begun', values: {} },
  skillId: null,
  recipe: ringCheck(C),
  effort: 20,
  barreShare: 0,
  minutes,
  aimBpm: null,
  ...more,
});
/** Wednesday to Monday; Friday is off. */
const days = [10, 11, 12, 13, 14, 15].map((date) => ({
  day: `2026-06-${date}`,
  minutes: date === 12 ? 0 : 12,
}));
const week = (...rows: readonly WeekRow[]): HomeWeek => ({
  schemaVersion: 1,
  days,
  rows,
  leftOut: [],
  modelVersion: 'week-1',
});

test('days by their names, whatever zone the browser is in', () => {
  expect(weekdayText('2026-06-10')).toBe('Wed 10');
  expect(wholeDay('2026-06-10')).toBe('Wednesday 10 June');
  expect(spanText(days)).toBe('10 to 15 June');
  expect(spanText(days.slice(0, 1))).toBe('10 June');
  expect(
    spanText([
      { day: '2026-06-28', minutes: 5 },
      { day: '2026-07-03', minutes: 5 },
    ]),
  ).toBe('28 June to 3 July');
});

test('when a row is played: each practice day, some by name, none; and how its tempo grows', () => {
  expect(whenPlayed(row([3, 3, 0, 3, 3, 3]), days)).toBe('each practice day');
  expect(whenPlayed(row([0, 3, 0, 0, 3, 0]), days)).toBe('Thursday and Sunday');
  expect(whenPlayed(row([3, 3, 0, 3, 3, 0]), days)).toBe('Wed, Thu, Sat and Sun');
  expect(whenPlayed(row([0, 0, 0, 3, 0, 0]), days)).toBe('Saturday');
  expect(whenPlayed(row([0, 0, 0, 0, 0, 0]), days)).toBe('on no day');
  const recipe = changeLoop({ grips: [C, G], beatsEach: 4, tempoBpm: 60 });
  expect(whenPlayed(row([0, 0, 0, 3, 0, 0], { recipe, aimBpm: 66 }), days)).toBe('Saturday, 60 → 66 bpm');
  expect(whenPlayed(row([0, 0, 0, 3, 0, 0], { recipe, aimBpm: 60 }), days)).toBe('Saturday, 60 bpm');
});

const limits = { load: 5, barreMinutes: 6 };
const said = (of: HomeWeek, held = limits) =>
  weekChecks(of, held).map(({ ok, text }) => `${ok ? 'yes' : 'no'}: ${text}`);

test('a sound week says what it keeps; without a barre it says nothing of barres', () => {
  expect(said(week(row([3, 3, 0, 3, 3, 3])))).toEqual([
    'yes: No day is over its minutes.',
    'yes: The hand’s load stays under 5 on each day.',
    'yes: 1 day off.',
  ]);
});

test('a day over its minutes, a day off that is played, a barre and a load too much: each names its day', () => {
  const found = said(week(row([13, 0, 2, 0, 0, 0], { barreShare: 0.5, effort: 90 })), {
    load: 1,
    barreMinutes: 6,
  });
  expect(found[0]).toBe(
    'no: Wednesday 10 June: 13 minutes, at most 12. Friday 12 June: 2 minutes, a day off.',
  );
  expect(found[1]).toBe(
    'no: Wednesday 10 June: barres pressed 6.5 of 2.4 minutes. Friday 12 June: barres pressed 1 of 0 minutes.',
  );
  expect(found[2]).toMatch(/^no: Wednesday 10 June: the hand’s load reaches \d\.?\d* of 1\./);
});

test('as a letter it has a paragraph a day that is played, and what to do where a hand hurts', () => {
  const letter = weekLetter(week(row([3, 0, 0, 0, 5, 0]), row([2, 0, 0, 0, 0, 0])), 'Ode Pettibrand', [
    'Ines Quill',
  ]);
  expect(letter.to).toEqual(['Ines Quill']);
  expect(letter.subject).toBe('Homework of Ode Pettibrand, 10 to 15 June');
  expect(letter.paragraphs.slice(0, -1)).toEqual([
    'Wednesday 10 June, 5 minutes: C to G 3, C to G 2.',
    'Sunday 14 June, 5 minutes: C to G 5.',
  ]);
  expect(letter.paragraphs.at(-1)).toMatch(/stops for the day/);
});
