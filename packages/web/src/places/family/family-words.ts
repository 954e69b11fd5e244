/** What a parent reads, in whole sentences: the week, when a lesson is, what pain means now. */
import type { PainBody, ReportBody } from '@finch/contract';
import type { Reason } from '@finch/core/effort';
import { dayText, plural, say, shortDate, timeText } from '../../words';

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
