import fc from 'fast-check';
import { changeLoop, makeDrill, pieceSection, type Take } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { must } from '../kernel';
import { gradeChange } from '../changes';
import { changeKey, stagePace } from '../pace';
import { paceOf, studioShift, type LogEvent, type PaceRecords } from '.';
import { laidWhereExpected } from './pace';

const frets = (text: string) => must(parseFrets(text));
const GRIPS: Record<string, string> = {
  C: 'x32010',
  G: '320003',
  Am: 'x02210',
  F: '133211',
  E: '022100',
};
const loop = (...chords: string[]) =>
  changeLoop({
    grips: chords.map((chord) => ({ chord, frets: frets(GRIPS[chord]) })),
    beatsEach: 4,
    tempoBpm: 60,
  });
const context = { hand: averageHand, instrument: standardGuitar };
const records: PaceRecords = {
  hands: [],
  instruments: [],
  playedFor: [{ from: '2026-06-01T00:00:00.000Z', value: { months: 12 } }],
  timeZone: 'UTC',
};
let made = 0;
function attempt(day: number, what: Partial<Take>, chords: readonly string[] = ['C', 'G']): LogEvent {
  const drill = must(makeDrill(loop(...chords), context));
  const startedAt = new Date(Date.UTC(2026, 5, 1 + day, 10, made % 60)).toISOString();
  return {
    schemaVersion: 1,
    kind: 'attempt',
    id: String(made++).padStart(6, '0'),
    sentAt: startedAt,
    receivedAt: startedAt,
    take: {
      recipe: drill.recipe,
      items: drill.items,
      startedAt,
      timeZone: 'UTC',
      durationSeconds: 60,
      tempoBpm: null,
      steps: [],
      result: 'clean',
      feel: null,
      source: 'teacher',
      ...what,
    },
  } as unknown as LogEvent;
}
const steps = (clean: number, of: number): Take['steps'] =>
  Array.from({ length: of }, (_, i) => (i < clean ? 'clean' : 'late'));
const at = (day: number) => Date.UTC(2026, 5, 1 + day, 23);
const bpm = (read: ReturnType<typeof paceOf>, from: string, to: string) =>
  must(gradeChange(frets(GRIPS[from]), frets(GRIPS[to]), averageHand, standardGuitar, { pace: read.pace }))
    .tempoBpm;

test('without a take the stage stands; nobody asked is taken for somewhere between', () => {
  const none = paceOf([], records, Date.parse(records.playedFor[0].from));
  expect(none.pace).toEqual(stagePace('first year'));
  expect([Math.round(none.months ?? 0), none.takes]).toEqual([12, 0]);
  const unknown = paceOf([], { ...records, playedFor: [] }, at(0));
  expect([unknown.months, unknown.pace]).toEqual([null, stagePace(null)]);
});

test('months run on from the day they were said, and the latest word speaks of the past too', () => {
  expect(paceOf([], records, at(365)).months).toBeCloseTo(24, 0);
  const later = {
    ...records,
    playedFor: [...records.playedFor, { from: '2026-08-01T00:00:00.000Z', value: { months: 62 } }],
  };
  const events = [attempt(0, { tempoBpm: 60, steps: steps(5, 10) })];
  expect(paceOf(events, later, at(70)).priorLogFactor).toBeCloseTo(Math.log(0.25), 2);
  const taken = {
    ...records,
    playedFor: [...records.playedFor, { from: '2026-08-01T00:00:00.000Z', value: { months: null } }],
  };
  expect(paceOf(events, taken, at(70)).months).toBeNull();
});

test('takes at a tempo move it up and down, a counted minute too; voided ones and ones without a change do not', () => {
  const before = bpm(paceOf([], records, at(0)), 'C', 'G');
  const quick = Array.from({ length: 3 }, () => attempt(0, { tempoBpm: 140, steps: steps(10, 10) }));
  const slow = Array.from({ length: 3 }, () => attempt(0, { tempoBpm: 40, steps: steps(3, 10) }));
  const counted = attempt(0, { count: { clean: 70, seconds: 60 } });
  expect(bpm(paceOf(quick, records, at(0)), 'C', 'G')).toBeGreaterThan(1.15 * before);
  expect(bpm(paceOf(slow, records, at(0)), 'C', 'G')).toBeLessThan(0.85 * before);
  expect(bpm(paceOf([counted], records, at(0)), 'C', 'G')).toBeGreaterThan(1.1 * before);
  // What was learned of one change says something of every other.
  expect(bpm(paceOf(quick, records, at(0)), 'E', 'Am')).toBeGreaterThan(
    bpm(paceOf([], records, at(0)), 'E', 'Am'),
  );
  const away = {
    schemaVersion: 1,
    kind: 'void',
    id: 'zz',
    voids: quick[0].id,
    at: new Date(at(0)).toISOString(),
  };
  const rest = { ...away, sentAt: away.at, receivedAt: away.at } as unknown as LogEvent;
  expect(paceOf([quick[0], rest], records, at(0)).takes).toBe(0);
  expect(paceOf([attempt(0, { steps: steps(10, 10) })], records, at(0)).takes).toBe(0);
  expect(paceOf([attempt(3, { tempoBpm: 60 })], records, at(2)).takes).toBe(0);
});

test('of several changes the harder one is blamed for what was missed', () => {
  // One of three is a barre: with eight of twelve clean, an easy one is believed as if all of it had been clean.
  const missed = attempt(0, { tempoBpm: 60, steps: steps(8, 12) }, ['E', 'Am', 'F']);
  const own = (events: readonly LogEvent[]) => {
    const { pace } = paceOf(events, records, at(0));
    return pace.changes[changeKey(frets(GRIPS.E), frets(GRIPS.Am))].logFactor - pace.logFactor;
  };
  const easy = attempt(0, { tempoBpm: 60, steps: steps(4, 6) }, ['E', 'Am']);
  expect(own([missed])).toBeLessThan(0);
  expect(own([easy])).toBeGreaterThan(0);
});

test.each([
  [3, [1, 1, 2], 4, [0.75, 0.75, 1.5]],
  [9, [1, 1, 8], 4, [2.5, 2.5, 4]],
  [12, [1, 2, 3], 4, [4, 4, 4]],
  [20, [1, 2], 4, [4, 4]],
  [-1, [1, 2], 4, [0, 0]],
])('%d misses over %j, at most %d each, are laid as %j', (missed, expected, most, laid) => {
  laidWhereExpected(missed, expected, most).forEach((one, i) => expect(one).toBeCloseTo(laid[i], 9));
});

test('a teacher’s bare word is worth less than ten counted changes, and a ladder counts each of its rounds', () => {
  const word = paceOf([attempt(0, { tempoBpm: 80, result: 'nearly' })], records, at(0));
  const counted = paceOf([attempt(0, { tempoBpm: 80, steps: steps(8, 10) })], records, at(0));
  const spread = (read: typeof word) =>
    read.pace.changes[changeKey(frets(GRIPS.C), frets(GRIPS.G))].logSpread;
  expect(spread(counted)).toBeLessThan(spread(word));
  const rounds = [80, 84, 88].map((rung) => ({ bpm: rung, clean: true }));
  const ladder = paceOf([attempt(0, { tempoBpm: 88, steps: steps(1, 1), ladder: rounds })], records, at(0));
  expect(ladder.pace.rows).toBe(6);
  const words = (['clean', 'nearly', 'not yet'] as const).map((result) =>
    bpm(paceOf([attempt(0, { tempoBpm: 90, result })], records, at(0)), 'C', 'G'),
  );
  expect(words.toSorted((a, b) => b - a)).toEqual(words);
  expect(new Set(words).size).toBe(3);
});

test('a bar of a piece leaves its change the beats it has', () => {
  const section = pieceSection({
    pieceId: 'p',
    title: 'Half bars',
    fromBar: 1,
    toBar: 1,
    chart: '| C:1 G:3 |',
    grips: [frets(GRIPS.C), frets(GRIPS.G)],
    part: 'one stroke',
  });
  const asked = must(makeDrill(section, context)).items.filter((one) => one.kind === 'change');
  expect(asked.map((one) => one.gapBeats)).toEqual([0.75]);
  const item = must(makeDrill(loop('C', 'G'), context)).items.find((one) => one.kind === 'change');
  const quick = item && { ...item, gapBeats: 0.5 };
  const half = paceOf(
    [attempt(0, { tempoBpm: 80, steps: steps(10, 10), items: quick ? [quick] : [] })],
    records,
    at(0),
  );
  const whole = paceOf(
    [attempt(0, { tempoBpm: 80, steps: steps(10, 10), items: item ? [item] : [] })],
    records,
    at(0),
  );
  expect(bpm(half, 'C', 'G')).toBeGreaterThan(bpm(whole, 'C', 'G'));
});

test('events in any order give the same pace', () => {
  const events = [0, 1, 1, 4, 9].map((day, i) =>
    attempt(
      day,
      i % 2 ? { tempoBpm: 60 + i, steps: steps(8, 10) } : { count: { clean: 40 + i, seconds: 60 } },
    ),
  );
  const once = paceOf(events, records, at(20));
  expect(paceOf(events.toReversed(), records, at(20))).toEqual(once);
});

test('what came nine of ten clean at a tempo in four weeks is never said to be slower than by a tenth', () => {
  const take = fc.record({
    day: fc.integer({ min: 0, max: 27 }),
    tempoBpm: fc.integer({ min: 40, max: 200 }),
    clean: fc.integer({ min: 0, max: 10 }),
    worded: fc.boolean(),
    chords: fc.constantFrom(['C', 'G'], ['C', 'G', 'Am', 'F'], ['E', 'Am']),
  });
  fc.assert(
    fc.property(fc.array(take, { minLength: 1, maxLength: 14 }), (all) => {
      const events = all.map(({ day, tempoBpm, clean, worded, chords }) =>
        attempt(
          day,
          worded
            ? { tempoBpm, result: clean >= 9 ? 'clean' : 'not yet' }
            : { tempoBpm, steps: steps(clean, 10), result: clean >= 9 ? 'clean' : 'not yet' },
          chords,
        ),
      );
      const read = paceOf(events, records, at(27));
      for (const { tempoBpm, clean, chords } of all) {
        if (clean < 9) continue;
        chords.forEach((from, i) => {
          const said = bpm(read, from, chords[(i + 1) % chords.length]);
          expect(said).toBeGreaterThanOrEqual(tempoBpm / 1.1 - 1e-6);
        });
      }
    }),
    { numRuns: 60 },
  );
});

test('a studio’s students teach of the next one’s stage, the more the more there are', () => {
  const quick = Array.from({ length: 12 }, (_, i) => attempt(i, { tempoBpm: 150, steps: steps(10, 10) }));
  const one = paceOf(quick, records, at(12));
  const own = one.pace.logFactor - one.priorLogFactor;
  expect(own).toBeLessThan(-0.2);
  expect(studioShift([])).toBe(0);
  expect(studioShift([one])).toBeCloseTo(own / 5, 9);
  expect(studioShift([one, one, one, one])).toBeCloseTo(own / 2, 9);
  expect(studioShift([paceOf(quick.slice(0, 9), records, at(12))])).toBe(0);
  const shifted = paceOf([], records, at(0), studioShift([one, one]));
  expect(shifted.pace.logFactor).toBeCloseTo(Math.log(0.5) + own / 3, 1);
});
