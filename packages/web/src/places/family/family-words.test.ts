import { lessonWhen, painText, titlesOf, weekText } from './family-words';

test('the week in a sentence: days and minutes played, and what is aimed at', () => {
  expect(weekText({ minutes: 42, days: 3, aim: 12 }, 'Odo')).toBe(
    'Odo played on 3 of 7 days, 42 minutes in all. The aim is 12 minutes a day.',
  );
  expect(weekText({ minutes: 1, days: 1, aim: 1 }, 'Odo')).toBe(
    'Odo played on 1 of 7 days, 1 minute in all. The aim is 1 minute a day.',
  );
  expect(weekText({ minutes: 0, days: 0, aim: 12 }, 'Odo')).toBe(
    'Nothing was played in the last 7 days. The aim is 12 minutes a day.',
  );
});

test('a lesson is told by the clock of the student, a title once', () => {
  const next = { startsAt: '2026-06-09T14:30:00Z', minutes: 30 };
  expect(lessonWhen(next, 'Atlantic/Faroe')).toMatch(/9 June at 15:30, 30 minutes$/);
  expect(lessonWhen(next, 'UTC')).toMatch(/9 June at 14:30, 30 minutes$/);
  const title = { code: 'title.blank', values: { text: 'Clap and count' } };
  expect(titlesOf([title, title])).toEqual(['Clap and count']);
});

test('pain says what was reported, what holds now, and that it belongs to a doctor where it stays', () => {
  const locked = painText({ status: 'locked', where: 'wrist', side: 'left', sinceDay: '2026-06-07' });
  expect(locked).toMatch(/^Pain was reported on .*: wrist, left\. Nothing is played, with either hand/);
  expect(locked).toContain('see a doctor or a hand therapist');
  expect(painText({ status: 'returning' })).toMatch(/^Playing comes back: a week at half the minutes/);
  expect(painText({ status: 'free' })).toBe('');
});
