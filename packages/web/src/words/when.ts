/** Days and times as the studio says them: its own zone, twenty-four hours, the day before the month. */
const said = (at: string | number, timeZone: string, options: Intl.DateTimeFormatOptions): string =>
  new Date(at).toLocaleString('en-GB', { timeZone, ...options });

/** "15:52". */
export const timeText = (at: string | number, timeZone: string): string =>
  said(at, timeZone, { hour: '2-digit', minute: '2-digit' });

/** "Tue, 9 Jun, 15:52". */
export const whenText = (at: string | number, timeZone: string): string =>
  said(at, timeZone, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

/** "Tuesday 9 June". */
export const dayText = (at: string | number, timeZone: string): string =>
  said(at, timeZone, { weekday: 'long', day: 'numeric', month: 'long' }).replace(',', '');

const DAY_MS = 86_400_000;

/** "9 Jun". */
export const shortDate = (ms: number | string): string =>
  new Date(Number(ms)).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });

export const daysAgo = (ms: number | string): number =>
  Math.max(0, Math.round((Date.now() - Number(ms)) / DAY_MS));
