import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { DEFAULT_LIMITS } from '@finch/core/hands';
import { must } from '@finch/core/kernel';
import { fieldsOf, recordsOf } from './hand-fields';

const from = '2026-03-03T10:00:00.000Z';
const before = {
  hand: { from, value: averageHand },
  instrument: { from, value: standardGuitar },
  limits: { from, value: DEFAULT_LIMITS },
  pace: { months: 26.4 },
};
const read = (change: Partial<ReturnType<typeof fieldsOf>>) =>
  recordsOf({ ...fieldsOf(before), ...change }, before);

test('fields that nobody touched make the same records', () => {
  expect(must(read({}))).toEqual({
    hand: { ...averageHand, reachMm: undefined },
    instrument: standardGuitar,
    limits: before.limits.value,
  });
});

test('a measured reach says the size too, within what a hand can be', () => {
  expect(must(read({ reach: '119' })).hand).toMatchObject({ reachMm: 119, sizeFactor: 0.85 });
  expect(must(read({ reach: 180 })).hand.sizeFactor).toBe(1.25);
  expect(must(read({ reach: ' ' })).hand.sizeFactor).toBe(1);
});

test('the guitar: tuning by name or notes, frets, strings, gauge, action', () => {
  const { instrument } = must(
    read({ tuning: 'DADGAD', frets: '20', strings: 'steel', gauge: '0.28', action: '2.1', left: true }),
  );
  expect(instrument).toMatchObject({
    openPitches: [38, 45, 50, 55, 57, 62],
    frets: 20,
    leftHanded: true,
    setup: { strings: 'steel', gaugeMm: 0.28, actionMm: 2.1 },
  });
  expect(fieldsOf({ ...before, instrument: { from, value: instrument } })).toMatchObject({
    tuning: 'D modal',
    strings: 'steel',
    action: 2.1,
  });
});

test('strings taken off the record are gone from it', () => {
  const { instrument } = must(read({ strings: 'nylon', gauge: 0.7, action: 3 }));
  const later = { ...before, instrument: { from, value: instrument } };
  expect(must(recordsOf({ ...fieldsOf(later), strings: '' }, later)).instrument).not.toHaveProperty('setup');
});

test.each([
  [{ reach: 300 }, 'hand.reach'],
  [{ scale: 'long' }, 'instrument.scale'],
  [{ frets: 40 }, 'instrument.frets'],
  [{ tuning: 'HADGBE' }, 'tuning.note'],
  [{ tuning: '' }, 'tuning.empty'],
  [{ strings: 'steel' as const, gauge: '' }, 'instrument.gauge'],
  [{ strings: 'steel' as const, gauge: 0.3, action: 60 }, 'instrument.action'],
  [{ limit: 5 }, 'limits.grip'],
])('%j is refused as %s', (change, code) => {
  const made = read(change);
  expect(made.ok ? null : made.problem.code).toBe(code);
});

test('how long somebody has played is kept only where it was said anew', () => {
  expect(fieldsOf(before).played).toBe('26');
  expect(must(read({})).playedMonths).toBeUndefined();
  expect(must(read({ played: '60' })).playedMonths).toBe(60);
  expect(must(read({ played: '' })).playedMonths).toBeNull();
});
