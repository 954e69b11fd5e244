/** A week at home changed by hand. What changes nothing gives back its own input. */
import { WEEK } from './week-offers';
import type { HomeWeek } from './home-week';

/** With so many minutes more or less in a row on a day; none below none, none above what a day may have. */
export function cellLengthened(week: HomeWeek, row: number, at: number, by: number): HomeWeek {
  const now = week.rows[row]?.minutes[at];
  if (now === undefined) return week;
  const minutes = Math.max(0, Math.min(WEEK.mostMinutes, now + by));
  return minutes === now
    ? week
    : {
        ...week,
        rows: week.rows.map((one, i) =>
          i === row
            ? { ...one, minutes: one.minutes.map((lasts, day) => (day === at ? minutes : lasts)) }
            : one,
        ),
      };
}

/** Without a row. */
export const rowTakenOut = (week: HomeWeek, row: number): HomeWeek =>
  week.rows[row] ? { ...week, rows: week.rows.filter((_, i) => i !== row) } : week;
