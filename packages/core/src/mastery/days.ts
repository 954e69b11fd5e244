/** Calendar days of a student. */
import { TZDate } from '@date-fns/tz';
import { endOfDay, format, startOfDay } from 'date-fns';

/** Reads the calendar day, YYYY-MM-DD, of an instant in a zone; the days it was asked about are remembered from end to end. */
export function dayReader(timeZone: string): (ms: number) => string {
  interface Known {
    readonly day: string;
    readonly from: number;
    readonly to: number;
  }
  const byDate = new Map<number, Known[]>();
  let last: Known = { day: '', from: 0, to: 0 };
  return (ms) => {
    if (ms >= last.from && ms < last.to) return last.day;
    const date = Math.floor(ms / 86_400_000);
    let near = byDate.get(date);
    if (!near) byDate.set(date, (near = []));
    let found = near.find(({ from, to }) => ms >= from && ms < to);
    if (!found) {
      const at = new TZDate(ms, timeZone);
      const [from, to] = [startOfDay(at).getTime(), endOfDay(at).getTime() + 1];
      near.push((found = { day: format(at, 'yyyy-MM-dd'), from, to }));
    }
    last = found;
    return found.day;
  };
}

/** A calendar day, YYYY-MM-DD, some days later. */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}
