import type { ReportBody } from '@finch/contract';
import {
  lessonWhen,
  letterText,
  painText,
  paragraphsOf,
  reportLetter,
  titlesOf,
  typedLetter,
  weekText,
} from './report-words';

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

describe('letters', () => {
  const report: ReportBody = {
    student: { id: 's', name: 'Odo Merle', timeZone: 'Atlantic/Faroe' },
    week: { minutes: 42, days: 3, aim: 12 },
    home: [
      { id: 'a', title: 'Em, ring check', since: '2026-06-01T10:00:00Z' },
      { id: 'b', title: 'Tin Heron, bars 1 to 4', since: '2026-06-01T10:00:00Z' },
    ],
    last: {
      startsAt: '2026-06-05T14:30:00Z',
      did: [{ code: 'title.blank', values: { text: 'Clap and count' } }],
    },
    next: {
      startsAt: '2026-06-12T14:30:00Z',
      minutes: 30,
      brings: [{ code: 'title.blank', values: { text: 'The second voice' } }],
    },
    guardians: ['Ines Merle'],
    progress: { code: 'report.held', values: { held: 4, begun: 9 } },
    pain: { status: 'free' },
  };
  const NOW = Date.UTC(2026, 5, 9, 14, 52);

  test('the week as a letter: to who is in charge, every sentence of the page, nothing about what there is not', () => {
    const letter = reportLetter(report, NOW);
    expect(letter.to).toEqual(['Ines Merle']);
    expect(letter.subject).toBe('Odo’s week up to Tuesday 9 June');
    expect(letter.paragraphs).toEqual([
      'Of 9 things begun, 4 are held.',
      'Odo played on 3 of 7 days, 42 minutes in all. The aim is 12 minutes a day.',
      'To practise at home: Em, ring check; Tin Heron, bars 1 to 4.',
      expect.stringMatching(/^In the last lesson, on .*5 June.*: Clap and count\.$/),
      expect.stringMatching(
        /^The next lesson is on .*12 June at 15:30, 30 minutes\. It brings: The second voice\.$/,
      ),
    ]);
    const bare = reportLetter(
      { ...report, home: [], last: null, next: null, guardians: [], pain: { status: 'returning' } },
      NOW,
    );
    expect(bare.to).toEqual(['Odo Merle']);
    expect(bare.paragraphs).toHaveLength(3);
    expect(bare.paragraphs[1]).toMatch(/^Playing comes back/);
  });

  test('typed as text and cut at empty lines; nothing typed is lost on the way', () => {
    for (const text of ['', 'One.', 'One.\nstill one.\n\nTwo.', 'One.\n\n', '\n\nOne.\n\n\n\nTwo. '])
      expect(paragraphsOf(text).join('\n\n')).toBe(text);
    expect(paragraphsOf('One.\n \t\nTwo.')).toEqual(['One.', 'Two.']);
    expect(
      typedLetter({ to: [' Ines ', ''], subject: ' The week ', paragraphs: ['One. ', ' ', ''] }),
    ).toEqual({
      to: ['Ines'],
      subject: 'The week',
      paragraphs: ['One.'],
    });
  });

  test('what the house wrote is put into words, what somebody wrote stays', () => {
    const values = { name: 'Odo Merle', first: 'Odo', day: '2026-06-07', where: 'wrist', side: 'left' };
    const text = letterText({
      to: [],
      subject: { code: 'letter.pain-subject', values },
      paragraphs: [{ code: 'letter.pain-happened', values }, 'Please call me.'],
    });
    expect(text.subject).toMatch(/^Odo’s hand hurt on .*7 June/);
    expect(text.paragraphs[0]).toMatch(/^Odo Merle said on .*7 June.* that it hurts: wrist, left hand\.$/);
    expect(text.paragraphs[1]).toBe('Please call me.');
  });
});
