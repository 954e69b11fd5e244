/** Calendar days of a student. */
import { TZDate } from '@date-fns/tz';
import { endOfDay, format, startOfDay } from 'date-fns';

interface Known {
  readonly day: string;
  readonly from: number;
  readonly to: number;
}

/** Days of a zone by the UTC date they touch: a studio's students live through the same ones. Thrown away when there are many. */
const daysOf = new Map<string, Map<number, Known[]>>();
const MOST = { zones: 50, dates: 20_000 } as const;

function known(timeZone: string): Map<number, Known[]> {
  let days = daysOf.get(timeZone);
  if (!days) {
    if (daysOf.size >= MOST.zones) daysOf.clear();
    daysOf.set(timeZone, (days = new Map<number, Known[]>()));
  }
  if (days.size >= MOST.dates) days.clear();
  return days;
}

/** Reads the calendar day, YYYY-MM-DD, of an instant in a zone; the days it was asked about are remembered from end to end. */
export function dayReader(timeZone: string): (ms: number) => string {
  const byDate = known(timeZone);
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
