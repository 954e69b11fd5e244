/** A hand as it is taught: made of dated records and a moment; what it is asked no more than; what difficulty is measured on. */
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { stagePace } from '../pace';
import { DEFAULT_SCHOOLS } from '../shapes';
import {
  ageAt,
  assumedLimits,
  CHILD_LIMITS,
  datedAt,
  DEFAULT_LIMITS,
  gripLimit,
  makeLimits,
  NOTHING_ON_RECORD,
  overLimit,
  playedBy,
  PRIOR_FIT,
  taughtHand,
  type DrillContext,
  type HandRecords,
} from '.';
import { recordedHand, searched } from './taught-hand';

const at = (day: string) => Date.parse(`${day}T12:00:00Z`);
const small = must(makeHand({ sizeFactor: 0.8 }));
const grown = must(makeHand({ sizeFactor: 0.95 }));
const strict = must(makeLimits({ gripEffort: 44 }));
const records: HandRecords = {
  hands: [
    { from: '2026-03-01T00:00:00Z', value: grown },
    { from: '2026-01-01T00:00:00Z', value: small },
  ],
  instruments: [{ from: '2026-02-01T00:00:00Z', value: { ...standardGuitar, scaleLengthMm: 580 } }],
  limits: [{ from: '2026-02-01T00:00:00Z', value: strict }],
  bornOn: '2014-06-10',
  school: { ...DEFAULT_SCHOOLS, thumb: 'over the top' },
  pins: { 'a mark': [1, 2, 3] },
  pace: stagePace('some years'),
  difficultyFit: { version: 'tried', shiftLogits: { grip: 0.2 } },
};

test('of each record the latest that holds is taken, whatever order they are in; before any, the first', () => {
  expect(taughtHand(records, at('2026-02-15')).hand.sizeFactor).toBe(0.8);
  expect(taughtHand(records, at('2026-03-02')).hand.sizeFactor).toBe(0.95);
  expect(taughtHand(records, at('2025-01-01')).instrument.scaleLengthMm).toBe(580);
  expect(datedAt(records.hands, Date.parse('2026-03-01T00:00:00Z'), averageHand)).toBe(grown);
  expect(datedAt([], 0, averageHand)).toBe(averageHand);
});

test('the hand plays as its school asks; its record does not', () => {
  expect(taughtHand(records, at('2026-02-15')).hand.thumbOver).toBe(true);
  expect(recordedHand(records, at('2026-02-15')).hand).toBe(small);
  const behind = { ...records, school: { ...DEFAULT_SCHOOLS, thumb: 'behind the neck' as const } };
  expect(taughtHand(behind, 0).hand.thumbOver).toBe(false);
});

test('pins, pace, school and what studio evidence moved come through as they are', () => {
  const { pins, pace, school, difficultyFit } = records;
  expect(taughtHand(records, 0)).toMatchObject({ pins, pace, school, difficultyFit });
});

test('somebody nothing is known of is a middle hand on a usual guitar with the limits of a grown hand', () => {
  expect(taughtHand(NOTHING_ON_RECORD, 0)).toEqual({
    hand: averageHand,
    instrument: standardGuitar,
    limits: DEFAULT_LIMITS,
    pins: {},
    pace: stagePace(null),
    school: DEFAULT_SCHOOLS,
    difficultyFit: PRIOR_FIT,
  });
});

test('limits nobody set are a child’s until the sixteenth birthday; limits that were set hold at any age', () => {
  expect(ageAt('2010-06-10', at('2026-06-09'))).toBe(15);
  expect(ageAt('2010-06-10', at('2026-06-10'))).toBe(16);
  expect(ageAt(null, 0)).toBeNull();
  expect(assumedLimits('2010-06-10', at('2026-06-09'))).toBe(CHILD_LIMITS);
  expect(assumedLimits('2010-06-10', at('2026-06-10'))).toBe(DEFAULT_LIMITS);
  expect(assumedLimits(null, at('2026-06-10'))).toBe(DEFAULT_LIMITS);
  expect(taughtHand({ ...records, limits: [] }, at('2026-06-10')).limits).toBe(CHILD_LIMITS);
  expect(taughtHand(records, at('2026-06-10')).limits).toBe(strict);
});

test('a grip over the limit is over by as many points; at it, or where nobody’s limits are asked about, by none', () => {
  const taught = taughtHand(records, at('2026-03-02'));
  expect([gripLimit(taught), overLimit(44, taught), overLimit(44.5, taught)]).toEqual([44, 0, 0.5]);
  const nobody: DrillContext = { hand: averageHand, instrument: standardGuitar };
  expect([gripLimit(nobody), overLimit(99.9, nobody)]).toEqual([100, 0]);
  expect(searched(taught)).toEqual({ hand: taught.hand, instrument: taught.instrument, maxEffort: 44 });
});

test('a path is played with the hand, its pace, its pins, its school, and inside its limit', () => {
  const taught = taughtHand(records, 0);
  const { limits, difficultyFit, ...rest } = taught;
  expect([limits, difficultyFit]).toEqual([strict, records.difficultyFit]);
  expect(playedBy(taught)).toEqual({ ...rest, limits: { maxEffort: 44 } });
  const { hand, instrument } = taught;
  expect(playedBy({ hand, instrument })).toEqual({ hand, instrument, limits: { maxEffort: 100 } });
});

test.each([
  [{ gripEffort: 9 }, 'gripEffort'],
  [{ gripEffort: 101 }, 'gripEffort'],
  [{ barreMinutes: -1 }, 'barreMinutes'],
  [{ barreMinutes: 21 }, 'barreMinutes'],
  [{ load: 0.5 }, 'load'],
  [{ load: 13 }, 'load'],
])('limits of %o are refused by name', (parts, field) => {
  const made = makeLimits(parts);
  expect(!made.ok && made.problem.at).toBe(field);
});
