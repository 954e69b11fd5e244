/** What those at home read, in whole sentences: the week, when a lesson is, what pain means now; on a page and in a letter. */
import type { LetterContent, PainBody, ReportBody } from '@finch/contract';
import type { Reason } from '@finch/core/effort';
import { say } from './index';
import { plural } from './names';
import { dayText, shortDate, timeText } from './when';

const WEEK_DAYS = 7;

/** "Odo played on 3 of 7 days, 42 minutes in all. The aim is 12 minutes a day." */
export function weekText({ minutes, days, aim }: ReportBody['week'], name: string): string {
  const wish = `The aim is ${plural(aim, 'minute')} a day.`;
  if (days === 0) return `Nothing was played in the last ${WEEK_DAYS} days. ${wish}`;
  return `${name} played on ${days} of ${WEEK_DAYS} days, ${plural(minutes, 'minute')} in all. ${wish}`;
}

/** "Tue 9 June at 15:30, 30 minutes", by the student's clock. */
export const lessonWhen = (
  { startsAt, minutes }: Pick<NonNullable<ReportBody['next']>, 'startsAt' | 'minutes'>,
  timeZone: string,
): string =>
  `${dayText(startsAt, timeZone)} at ${timeText(startsAt, timeZone)}, ${plural(minutes, 'minute')}`;

/** Titles in words, each once. */
export const titlesOf = (titles: readonly Reason[]): string[] => [...new Set(titles.map(say))];

const NOW: Readonly<Record<Exclude<PainBody['status'], 'free'>, string>> = {
  'stopped today': 'Playing is over for today.',
  locked: 'Nothing is played, with either hand, until the teacher says so and two days were free of pain.',
  returning: 'Playing comes back: a week at half the minutes, without a barre.',
};

/** What was reported, what holds now, and to whom it belongs. */
export function painText(pain: PainBody): string {
  if (pain.status === 'free') return '';
  const where = [pain.where, pain.side].filter(Boolean).join(', ');
  const said = pain.sinceDay ? `Pain was reported on ${shortDate(Date.parse(pain.sinceDay))}: ${where}.` : '';
  return `${said} ${NOW[pain.status]} If it stays or comes back, see a doctor or a hand therapist; this is no medical advice.`.trim();
}

/** A letter as it is read: what the house says as data is put into words, what somebody wrote stays as it is. */
export interface LetterText {
  readonly to: readonly string[];
  readonly subject: string;
  readonly paragraphs: readonly string[];
}
type Words = LetterContent['subject'];
const inWords = (words: Words): string => (typeof words === 'string' ? words : say(words));
export const letterText = ({ to, subject, paragraphs }: LetterContent): LetterText => ({
  to,
  subject: inWords(subject),
  paragraphs: paragraphs.map(inWords),
});

/** A text cut into paragraphs where a line is empty. What is being typed stays as it is: one empty paragraph at its end at most. */
export const paragraphsOf = (text: string): string[] => text.split(/\n[^\S\n]*\n/);

/** What is kept of a letter that was typed: trimmed, without empty names and paragraphs. */
export const typedLetter = ({
  to,
  subject,
  paragraphs,
}: LetterText): { to: string[]; subject: string; paragraphs: string[] } => {
  const filled = (lines: readonly string[]) => lines.map((line) => line.trim()).filter((line) => line !== '');
  return { to: filled(to), subject: subject.trim(), paragraphs: filled(paragraphs) };
};

const listed = (titles: readonly string[]): string => titles.join('; ');

/** The week of a student as a letter to begin from: what the page for parents says, in the same sentences. */
export function reportLetter(report: ReportBody, now: number): LetterText {
  const { student, week, home, last, next, progress, pain, guardians } = report;
  const first = student.name.split(' ')[0];
  const did = last ? titlesOf(last.did) : [];
  const brings = next ? titlesOf(next.brings) : [];
  return {
    to: guardians.length ? guardians : [student.name],
    subject: `${first}’s week up to ${dayText(now, student.timeZone)}`,
    paragraphs: [
      say(progress),
      painText(pain),
      weekText(week, first),
      home.length ? `To practise at home: ${listed(home.map(({ title }) => title))}.` : '',
      last && did.length
        ? `In the last lesson, on ${dayText(last.startsAt, student.timeZone)}: ${listed(did)}.`
        : '',
      next
        ? `The next lesson is on ${lessonWhen(next, student.timeZone)}.${brings.length ? ` It brings: ${listed(brings)}.` : ''}`
        : '',
    ].filter((paragraph) => paragraph !== ''),
  };
}
