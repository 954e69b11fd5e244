/** The studio's fit: first takes alone, worked by hand; what it moves, and that reading in any split tells the same. */
import { changeLoop, makeDrill } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { PRIOR_FIT, type DifficultyFit } from '../hands';
import { must, seededRandom } from '../kernel';
import { firstSyllabus } from '../syllabus';
import type { LogEvent } from './log';
import { makeLogReader } from './log-so-far';
import { replay, type ReplayContext } from './replay';
import { skillShift, studioFit, withFirst, type FirstTakes } from './studio-fit';

const NOBODY = { mean: 0, variance: 1.6 };
const KAPPA = 1 / Math.sqrt(1 + (Math.PI * 1.6) / 8);
const firsts = (results: string, load = 0, start = NOBODY): FirstTakes => {
  let all: FirstTakes | undefined;
  for (const result of results) all = withFirst(all, start, load, result === '+');
  if (!all) throw new Error('no take');
  return all;
};
const students = (...of: string[]) => of.map((results) => new Map([['open.em', firsts(results)]]));

test('the first three takes count, held against what was believed before any of them', () => {
  expect(firsts('+--')).toEqual({
    start: NOBODY,
    takes: 3,
    over: 1 - 1.5,
    information: expect.closeTo(0.75 * KAPPA, 12),
  });
  expect(firsts('+--+++++')).toEqual(firsts('+--'));
  // The belief that a later take begins with is not what was said before any.
  const later = withFirst(firsts('+'), { mean: 9, variance: 0.2 }, 0, true);
  expect(later).toEqual(firsts('++'));
  expect(firsts('+', 2).over).toBeCloseTo(1 - 1 / (1 + Math.exp(2 * KAPPA)), 12);
});

test('one Newton step toward none: harder where less came clean than said, by hand', () => {
  const { shiftLogits, version } = studioFit(students('---', '--+', '---'), 'w');
  expect(version).toBe('w');
  // 1 clean of 9 where 4.5 were said; the belief around none has a spread of .8.
  expect(skillShift({ version, shiftLogits }, 'open.em')).toBeCloseTo(
    3.5 / (9 * 0.25 * KAPPA + 1 / 0.64),
    12,
  );
  expect(skillShift(studioFit(students('+++', '+++', '+-+'), 'w'), 'open.em')).toBeLessThan(-0.5);
  expect(skillShift(studioFit(students('+--', '-++', '-+-'), 'w'), 'open.em')).toBeCloseTo(
    0.5 / (9 * 0.25 * KAPPA + 1 / 0.64),
    12,
  );
});

test('two students tell nothing yet; one shifts by so much at most; what nobody met is as it was', () => {
  expect(studioFit(students('---', '---'), 'w').shiftLogits).toEqual({});
  const many = students(...Array.from({ length: 200 }, () => '---'));
  expect(skillShift(studioFit(many, 'w'), 'open.em')).toBe(1.5);
  expect(skillShift(studioFit(many, 'w'), 'open.am')).toBe(0);
  expect(skillShift(PRIOR_FIT, 'open.em')).toBe(0);
});

describe('in the states', () => {
  const drill = must(
    makeDrill(
      changeLoop({
        grips: [
          { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
          { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
        ],
        beatsEach: 4,
        tempoBpm: 50,
      }),
      { hand: averageHand, instrument: standardGuitar },
    ),
  );
  const from = '2026-01-01T00:00:00Z';
  const context = (difficultyFit: DifficultyFit): ReplayContext => ({
    syllabus: firstSyllabus,
    hands: [{ from, value: averageHand }],
    instruments: [{ from, value: standardGuitar }],
    difficultyFit,
    timeZone: 'UTC',
    playedFor: [],
  });
  const random = seededRandom(3);
  const at = (i: number) => new Date(Date.UTC(2026, 2, 1, 12) + i * 40_000_000).toISOString();
  const events = Array.from({ length: 12 }, (_, i): LogEvent => ({
    schemaVersion: 1,
    kind: 'attempt',
    id: `00000000-0000-7000-8000-${String(i).padStart(12, '0')}`,
    studentId: 's',
    actorId: 'a',
    deviceId: 'd',
    deviceSeq: i,
    sentAt: at(i),
    receivedAt: at(i),
    take: {
      recipe: drill.recipe,
      items: drill.items,
      startedAt: at(i),
      timeZone: 'UTC',
      durationSeconds: 60,
      tempoBpm: 50,
      steps: [],
      result: random.unit() < 0.5 ? 'clean' : 'not yet',
      feel: null,
      source: 'self',
    },
  }));
  const now = Date.parse(at(12));
  const harder: DifficultyFit = { version: 'w', shiftLogits: { 'skill near.c-g': 1 } };
  const chance = (fit: DifficultyFit, id: string, some = events) =>
    replay(some, context(fit), now).skills.find(({ skillId }) => skillId === id)?.chance?.mean ?? null;

  test('a skill that was found harder is said less likely after few takes, and others stay as they are', () => {
    const few = events.slice(0, 1);
    expect(chance(harder, 'near.c-g', few)).toBeLessThan((chance(PRIOR_FIT, 'near.c-g', few) ?? 0) - 0.05);
    expect(chance(harder, 'open.c', few)).toBe(chance(PRIOR_FIT, 'open.c', few));
    expect(replay([], context(harder), now).skills.every((one) => one.chance === null)).toBe(true);
  });

  test('a take of it was harder too: one that came clean says more of whoever played it', () => {
    const belief = (fit: DifficultyFit) =>
      replay(events.slice(0, 1), context(fit), now).skills.find(({ skillId }) => skillId === 'near.c-g')
        ?.belief.mean ?? 0;
    expect(belief(harder)).toBeGreaterThan(belief(PRIOR_FIT) + 0.05);
  });

  test('first takes are told without the fit itself, and the same however the log is split', () => {
    const told = (fit: DifficultyFit) => replay(events, context(fit), now).firsts;
    // What is built on it starts from what is believed of it, which the fit moved.
    expect(told(harder).get('near.c-g')).toEqual(told(PRIOR_FIT).get('near.c-g'));
    expect(told(PRIOR_FIT).get('near.c-g')?.takes).toBe(3);
    for (const cut of [1, 2, 5, 11]) {
      const reader = makeLogReader(context(harder));
      const begun = reader.read(events.slice(0, cut), Date.parse(at(cut)) - 1);
      const whole = makeLogReader(context(harder)).add(begun, events.slice(cut), now);
      expect(whole?.skills.firsts).toEqual(told(harder));
    }
  });
});
