/** Calendar days of a student. */
import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';

/** Reads the calendar day, YYYY-MM-DD, of an instant in a zone; neighbouring instants are remembered. */
export function dayReader(timeZone: string): (ms: number) => string {
  const known = new Map<number, string>();
  return (ms) => {
    const quarter = Math.floor(ms / 900_000);
    let day = known.get(quarter);
    if (day === undefined) {
      day = format(new TZDate(ms, timeZone), 'yyyy-MM-dd');
      known.set(quarter, day);
    }
    return day;
  };
}

/** A calendar day, YYYY-MM-DD, some days later. */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}
