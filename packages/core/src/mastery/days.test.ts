import fc from 'fast-check';
import { dayReader } from './days';

/** Zones whose clocks change at midnight, that skipped a day, that are half hours off, and plain ones. */
const ZONES = [
  'UTC',
  'Europe/Vienna',
  'America/Havana',
  'Asia/Beirut',
  'Africa/Cairo',
  'Pacific/Apia',
  'Australia/Lord_Howe',
  'Asia/Kathmandu',
  'America/Sao_Paulo',
];

describe('the day of an instant', () => {
  test.each(ZONES)('%s: as the calendar of the zone says, in any order of asking', (timeZone) => {
    const calendar = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    });
    const dayOf = dayReader(timeZone);
    const instant = fc.integer({ min: Date.UTC(2010, 0, 1), max: Date.UTC(2030, 0, 1) });
    fc.assert(
      fc.property(instant, (ms) => {
        // And around it, hour by hour: midnights and changes of the clock are among them.
        for (let hour = 0; hour < 30; hour++) {
          const at = ms + hour * 3_600_000;
          expect(dayOf(at)).toBe(calendar.format(at));
        }
        expect(dayOf(ms)).toBe(calendar.format(ms));
      }),
      { numRuns: 60 },
    );
  });
});
