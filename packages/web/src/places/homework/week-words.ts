/** A week at home in words: its days, when a row is played, what each day is held to. */
import type { HomeworkBody } from '@finch/contract';
import {
  dayBarreMinutes,
  dayBlocks,
  dayMinutes,
  peakLoad,
  type HomeWeek,
  type WeekRow,
} from '@finch/core/planning';
import { plural, say } from '../../words';
import type { LetterText } from '../../words/report-words';

const at = (day: string) => new Date(`${day}T12:00:00Z`);
const said = (day: string, options: Intl.DateTimeFormatOptions) =>
  at(day).toLocaleDateString('en-GB', { timeZone: 'UTC', ...options });

/** "Wed 10". */
export const weekdayText = (day: string): string =>
  said(day, { weekday: 'short', day: 'numeric' }).replace(',', '');
/** "Wednesday 10 June". */
export const wholeDay = (day: string): string =>
  said(day, { weekday: 'long', day: 'numeric', month: 'long' }).replace(',', '');
/** "10 to 15 June", "28 June to 3 July", "10 June". */
export function spanText(days: HomeWeek['days']): string {
  const [first, last] = [days[0].day, days[days.length - 1].day];
  const whole = (day: string) => said(day, { day: 'numeric', month: 'long' });
  if (first === last) return whole(first);
  const sameMonth = first.slice(0, 7) === last.slice(0, 7);
  return `${sameMonth ? said(first, { day: 'numeric' }) : whole(first)} to ${whole(last)}`;
}

/** "every day, 60 → 66 bpm", "Thursday and Sunday", "Saturday". */
export function whenPlayed({ minutes, aimBpm, recipe }: WeekRow, days: HomeWeek['days']): string {
  const on = days.filter((_, i) => minutes[i] > 0);
  const open = days.filter((day) => day.minutes > 0);
  const names = on.map(({ day }) => said(day, { weekday: on.length > 3 ? 'short' : 'long' }));
  const list =
    names.length > 1
      ? `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`
      : (names[0] ?? 'on no day');
  const when = on.length > 1 && on.length === open.length ? 'each practice day' : list;
  const from = 'tempoBpm' in recipe.parameters ? recipe.parameters.tempoBpm : null;
  const tempo =
    aimBpm === null || typeof from !== 'number'
      ? ''
      : from === aimBpm
        ? `, ${aimBpm} bpm`
        : `, ${from} → ${aimBpm} bpm`;
  return `${when}${tempo}`;
}

/** The week as a letter, a day to a paragraph. @param to names of those at home */
export function weekLetter(week: HomeWeek, name: string, to: readonly string[]): LetterText {
  const days = week.days.flatMap(({ day }, at) => {
    const there = week.rows.filter(({ minutes }) => minutes[at] > 0);
    if (there.length === 0) return [];
    const listed = there.map((row) => `${say(row.title)} ${row.minutes[at]}`).join(', ');
    return [`${wholeDay(day)}, ${plural(dayMinutes(week, at), 'minute')}: ${listed}.`];
  });
  return {
    to: [...to],
    subject: `Homework of ${name}, ${spanText(week.days)}`,
    paragraphs: [
      ...days,
      'Where a hand hurts, or tingles, it stops for the day and the teacher hears of it. This is no medical advice; a doctor or a hand therapist gives that.',
    ],
  };
}

export interface WeekCheck {
  readonly ok: boolean;
  readonly text: string;
}

const one = (n: number) => (Math.round(n * 10) / 10).toString();

/** What every day is held to; a day that is not names itself. */
export function weekChecks(week: HomeWeek, limits: HomeworkBody['limits']): WeekCheck[] {
  const days = week.days.map(({ day, minutes }, i) => ({
    day: wholeDay(day),
    most: minutes,
    minutes: dayMinutes(week, i),
    barre: dayBarreMinutes(week, i),
    cap: (limits.barreMinutes * minutes) / 30,
    load: peakLoad(dayBlocks(week, i)).load,
  }));
  const checks: WeekCheck[] = [];
  const full = days.filter(({ minutes, most }) => minutes > most);
  checks.push(
    full.length
      ? {
          ok: false,
          text: full
            .map(
              ({ day, minutes, most }) =>
                `${day}: ${minutes} minutes, ${most ? `at most ${most}` : 'a day off'}.`,
            )
            .join(' '),
        }
      : { ok: true, text: 'No day is over its minutes.' },
  );
  const barred = days.filter(({ barre, cap }) => barre > cap + 1e-9);
  if (days.some(({ barre }) => barre > 0))
    checks.push(
      barred.length
        ? {
            ok: false,
            text: barred
              .map(({ day, barre, cap }) => `${day}: barres pressed ${one(barre)} of ${one(cap)} minutes.`)
              .join(' '),
          }
        : {
            ok: true,
            text: `Barres at most ${one(Math.max(...days.map(({ barre }) => barre)))} minutes a day, under the hand’s cap.`,
          },
    );
  const loaded = days.filter(({ load }) => load > limits.load);
  checks.push(
    loaded.length
      ? {
          ok: false,
          text: loaded
            .map(({ day, load }) => `${day}: the hand’s load reaches ${one(load)} of ${one(limits.load)}.`)
            .join(' '),
        }
      : { ok: true, text: `The hand’s load stays under ${one(limits.load)} on each day.` },
  );
  const off = days.filter(({ most }) => most === 0).length;
  if (off > 0) checks.push({ ok: true, text: `${plural(off, 'day')} off.` });
  return checks;
}
