/** Days and times as they are typed and read in a zone: "2026-06-09", "15:30", and the week that holds an instant. */
import { TZDate } from '@date-fns/tz';
import { addDays, format, startOfWeek } from 'date-fns';

export interface ClockTime {
  /** YYYY-MM-DD. */
  readonly day: string;
  /** HH:MM, twenty-four hours. */
  readonly time: string;
}

export function clockTime(at: string | number, zone: string): ClockTime {
  const local = new TZDate(new Date(at).getTime(), zone);
  return { day: format(local, 'yyyy-MM-dd'), time: format(local, 'HH:mm') };
}

/** "9:05", "0905", "9.05" and "9" as HH:MM; null where that is no time of a day. */
export function readTime(typed: string): string | null {
  const read = /^\s*(\d{1,2})(?:\s*[:.h]?\s*(\d{2}))?\s*$/.exec(typed);
  if (!read) return null;
  const [hours, minutes] = [Number(read[1]), Number(read[2] ?? 0)];
  if (hours > 23 || minutes > 59) return null;
  return `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}`;
}

/** The instant at which the clocks of a zone show this; null where day or time cannot be read. */
export function instantOf({ day, time }: ClockTime, zone: string): Date | null {
  const read = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day);
  const clock = readTime(time);
  if (!read || !clock) return null;
  const [y, m, d] = read.slice(1).map(Number);
  const [h, min] = clock.split(':').map(Number);
  const at = new TZDate(y, m - 1, d, h, min, 0, 0, zone);
  return Number.isNaN(at.getTime()) || at.getMonth() !== m - 1 ? null : new Date(at.getTime());
}

/** Midnights of the seven days from Monday on, and the one after, of the week `weeks` from an instant's. */
export function weekOf(at: number, zone: string, weeks = 0): Date[] {
  const monday = startOfWeek(addDays(new TZDate(at, zone), weeks * 7), { weekStartsOn: 1 });
  return Array.from({ length: 8 }, (_, i) => new Date(addDays(monday, i).getTime()));
}
