import fc from 'fast-check';
import { changeLoop, earPairs, makeDrill, ringCheck, type Feel, type Take, type TakeResult } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { PRIOR_FIT } from '../hands';
import { must } from '../kernel';
import { firstSyllabus } from '../syllabus';
import { cleanChance, learnFrom, shareOver } from './ability';
import { replay, type ReplayContext } from './replay';
import type { EventOf, LogEvent } from './log';

const ids = { studentId: 's', actorId: 'a', deviceId: 'd' };
const context: ReplayContext = {
  syllabus: firstSyllabus,
  hands: [{ from: '2026-01-01T00:00:00Z', value: averageHand }],
  instruments: [{ from: '2026-01-01T00:00:00Z', value: standardGuitar }],
  difficultyFit: PRIOR_FIT,
  playedFor: [],
  timeZone: 'Europe/Vienna',
};
const drill = { hand: averageHand, instrument: standardGuitar };
const C_TO_G = must(
  makeDrill(
    changeLoop({
      grips: [
        { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
        { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
      ],
      beatsEach: 4,
      tempoBpm: 50,
    }),
    drill,
  ),
);
const EM = must(makeDrill(ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }), drill));
const at = (day: number, minute = 0) =>
  new Date(Date.UTC(2026, 2, 2, 16, minute) + day * 86_400_000).toISOString();
let count = 0;
const attempt = (
  when: string,
  result: TakeResult,
  more: Partial<Take> = {},
  made = C_TO_G,
): EventOf<'attempt'> => ({
  schemaVersion: 1,
  kind: 'attempt',
  id: `00000000-0000-7000-8000-${String(count++).padStart(12, '0')}`,
  ...ids,
  deviceSeq: count,
  sentAt: when,
  receivedAt: when,
  take: {
    recipe: made.recipe,
    items: made.items,
    startedAt: when,
    timeZone: 'Europe/Vienna',
    durationSeconds: 60,
    tempoBpm: made.tempoBpm,
    steps: [],
    result,
    feel: { hand: 'easy' },
    source: 'self',
    ...more,
  },
});
const skill = (events: LogEvent[], id: string, now = at(40)) => {
  const found = replay(events, context, Date.parse(now)).skills.find((one) => one.skillId === id);
  if (!found) throw new Error(id);
  return found;
};
const series = (results: TakeResult[], everyDays = 1) =>
  results.map((result, i) => attempt(at(i * everyDays), result));

describe('replay', () => {
  test('with no events nothing is met and nothing is numbered', () => {
    const state = replay([], context, Date.parse(at(0)));
    expect(
      state.skills.every((one) => one.state === 'not met' && one.chance === null && !one.marks.due),
    ).toBe(true);
    expect(state.pain.status).toBe('free');
  });

  test('any order and any batch split give the same state', () => {
    const events = series(['clean', 'not yet', 'nearly', 'clean', 'clean', 'not yet', 'clean']);
    const now = Date.parse(at(9));
    const whole = replay(events, context, now);
    fc.assert(
      fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => {
        expect(replay(shuffled, context, now)).toEqual(whole);
      }),
      { numRuns: 15 },
    );
  });

  test('clean takes raise the estimate and narrow its band, missed ones lower it', () => {
    const good = skill(series(Array(8).fill('clean')), 'near.c-g', at(8));
    const bad = skill(series(Array(8).fill('not yet')), 'near.c-g', at(8));
    const one = skill(series(['clean']), 'near.c-g', at(1));
    const width = (s: typeof good) => (s.chance ? s.chance.high - s.chance.low : 0);
    expect(good.chance?.mean).toBeGreaterThan(0.75);
    expect(bad.chance?.mean).toBeLessThan(0.3);
    expect(width(good)).toBeLessThan(width(one));
  });

  test('what is heard or named stays apart: it is counted, and moves neither number nor state of what is played', () => {
    const ear = must(
      makeDrill(
        earPairs({ what: 'triads', choices: 2, count: 20, hearings: 2, root: 'C', roving: false, sounded: 'together' }), // prettier-ignore
        drill,
      ),
    );
    const heard = [attempt(at(0, 1), 'clean', {}, ear), attempt(at(1, 1), 'not yet', {}, ear)];
    const alone = skill(heard, 'open.em', at(2));
    expect([alone.state, alone.chance, alone.attempts]).toEqual(['not met', null, 0]);
    expect(alone.apart).toEqual({ hear: { takes: 2, clean: 1, lastAt: Date.parse(at(1, 1)) } });
    const played = [attempt(at(0), 'clean', {}, EM), attempt(at(1), 'clean', {}, EM)];
    const both = skill([...played, ...heard], 'open.em', at(2));
    expect({ ...both, apart: {} }).toEqual(skill(played, 'open.em', at(2)));
    // Of a skill of the ear it is the number.
    expect(skill(heard, 'ear.third', at(2)).attempts).toBe(2);
    expect(skill(heard, 'ear.third', at(2)).apart).toEqual({});
  });

  test('nearly is not clean', () => {
    expect(skill(series(['nearly', 'nearly', 'nearly']), 'near.c-g', at(3)).chance?.mean).toBeLessThan(0.5);
  });

  test('a loop credits its grips too, and a ring check of Em only Em', () => {
    const state = replay(series(['clean', 'clean']), context, Date.parse(at(2)));
    expect(state.skills.filter((one) => one.attempts > 0).map((one) => one.skillId)).toEqual([
      'open.c',
      'open.g',
      'near.c-g',
    ]);
    const em = replay([attempt(at(0), 'clean', {}, EM)], context, Date.parse(at(1)));
    expect(em.skills.filter((one) => one.attempts > 0).map((one) => one.skillId)).toEqual(['open.em']);
  });

  test('without practice the estimate falls, the band widens and the skill comes due', () => {
    const events = series(Array(8).fill('clean'));
    const soon = skill(events, 'near.c-g', at(7.1));
    const late = skill(events, 'near.c-g', at(60));
    expect(late.chance?.mean).toBeLessThan(soon.chance?.mean ?? 0);
    expect(late.marks.due).toBe(true);
    expect(soon.outlook).toBeLessThan(soon.chance?.mean ?? 0);
  });

  test('states follow their rules', () => {
    expect(skill(series(['clean', 'clean']), 'near.c-g', at(2)).state).toBe('rough');
    const many = series(Array(20).fill('clean'));
    expect(skill(many, 'near.c-g', at(19.1)).state).toBe('clean');
    const sameDay = Array.from({ length: 20 }, (_, i) => attempt(at(0, i), 'clean'));
    expect(skill(sameDay, 'near.c-g', at(0.1)).state).toBe('workable');
  });

  test('once clean and then missed after a gap, it is slipping', () => {
    const events = [...series(Array(14).fill('clean')), attempt(at(70), 'not yet')];
    const after = skill(events, 'near.c-g', at(90));
    expect(after.everClean).toBe(true);
    expect(after.marks.slipping).toBe(true);
  });

  test('many takes over weeks without a rise are stuck', () => {
    const flat = series(
      [
        'nearly',
        'not yet',
        'clean',
        'not yet',
        'nearly',
        'not yet',
        'clean',
        'not yet',
        'nearly',
        'not yet',
        'not yet',
        'nearly',
      ],
      2,
    );
    expect(skill(flat, 'near.c-g', at(24)).marks.stuck).toBe(true);
    const rising = series(
      ['not yet', 'not yet', 'not yet', 'not yet', 'clean', 'clean', 'clean', 'clean', 'clean', 'clean'],
      2,
    );
    expect(skill(rising, 'near.c-g', at(20)).marks.stuck).toBe(false);
  });

  test('a void event takes its attempt back; an override shows beside what the takes say', () => {
    const events: LogEvent[] = series(['clean', 'clean', 'not yet']);
    const base = {
      schemaVersion: 1 as const,
      ...ids,
      deviceSeq: 99,
      sentAt: at(4),
      receivedAt: at(4),
      at: at(4),
    };
    const without = skill(
      [...events, { ...base, kind: 'void', id: 'ff', voids: events[2].id }],
      'near.c-g',
      at(5),
    );
    expect(without.attempts).toBe(2);
    const said = skill(
      [...events, { ...base, kind: 'override', id: 'fe', skillId: 'near.c-g', state: 'clean' }],
      'near.c-g',
      at(5),
    );
    expect([said.state, said.computed, said.overridden]).toEqual(['clean', 'rough', true]);
  });

  test('a wrong device clock is put right by what the server saw', () => {
    const ahead = attempt(at(300), 'clean');
    const fixed: LogEvent = { ...ahead, sentAt: at(300), receivedAt: at(3) };
    expect(skill([fixed], 'near.c-g', at(4)).lastAt).toBe(Date.parse(at(3)));
  });

  test('two devices at once, one a day off, and takes that come a week late end in the same state', () => {
    const DAY = 86_400_000;
    const results: TakeResult[] = ['clean', 'not yet', 'clean', 'nearly', 'clean', 'clean'];
    const right = series(results);
    const now = Date.parse(at(20));
    const moved = (iso: string, by: number) => new Date(Date.parse(iso) + by).toISOString();
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            off: fc.constantFrom(0, DAY, -DAY, 7 * 3_600_000),
            late: fc.constantFrom(0, DAY, 7 * DAY),
            device: fc.constantFrom('phone', 'laptop'),
          }),
          { minLength: 6, maxLength: 6 },
        ),
        (how) => {
          const heard = right.map((event, i) => {
            const { off, late, device } = how[i];
            const sent = moved(event.sentAt, late);
            return {
              ...event,
              deviceId: device,
              // The device's own clock in all it says; the server's in when it came.
              sentAt: moved(sent, off),
              receivedAt: sent,
              take: { ...event.take, startedAt: moved(event.take.startedAt, off) },
            };
          });
          expect(replay(heard, context, now)).toEqual(replay(right, context, now));
        },
      ),
      { numRuns: 20 },
    );
  });

  test('a new skill starts from what it needs', () => {
    const good = replay(series(Array(8).fill('clean')), context, Date.parse(at(8)));
    const start = good.skills.find((one) => one.skillId === 'open.small-f');
    expect(start?.belief.mean).toBeGreaterThan(0);
  });
});

describe('pain', () => {
  const wrist: Feel = { hand: 'pain', where: 'wrist', side: 'left' };
  const status = (events: LogEvent[], now: string) => replay(events, context, Date.parse(now)).pain.status;
  const hurt = attempt(at(0), 'not yet', { feel: wrist });
  const clear = (when: string): LogEvent => ({
    schemaVersion: 1,
    kind: 'clearance',
    id: 'c',
    ...ids,
    deviceSeq: 1,
    sentAt: when,
    receivedAt: when,
    at: when,
  });

  test('stops the day, locks until cleared and two days free, then returns for a week', () => {
    expect(status([hurt], at(0, 30))).toBe('stopped today');
    expect(status([hurt], at(20))).toBe('locked');
    expect(status([hurt, clear(at(1))], at(2))).toBe('locked');
    expect(status([hurt, clear(at(1))], at(3))).toBe('returning');
    expect(status([hurt, clear(at(1))], at(11))).toBe('free');
  });

  test('fingertip skin alone locks nothing', () => {
    const skin = attempt(at(0), 'clean', { feel: { hand: 'pain', where: 'fingertip skin', side: 'left' } });
    expect(status([skin], at(0, 10))).toBe('free');
  });
});

describe('ability', () => {
  test('one clean take at even odds moves the mean by variance times one half', () => {
    const after = learnFrom({ mean: 0, variance: 1 }, true, 0, 1);
    expect(after.variance).toBeCloseTo(1 / (1 + 0.25), 12);
    expect(after.mean).toBeCloseTo(0.5 * 0.8, 12);
  });

  test('an unsure belief says less than a sure one', () => {
    expect(cleanChance({ mean: 2, variance: 1.5 }, 0).mean).toBeLessThan(
      cleanChance({ mean: 2, variance: 0.05 }, 0).mean,
    );
  });
});

test('a skill goes on from the tempo it was last played at; a take without one changes nothing', () => {
  const bpm = (events: LogEvent[]) =>
    replay(events, context, Date.parse(at(9))).skills.find((one) => one.skillId === 'near.c-g')?.lastBpm;
  const first = attempt(at(0), 'clean', { tempoBpm: 50 });
  expect(bpm([])).toBeNull();
  expect(bpm([first])).toBe(50);
  expect(bpm([first, attempt(at(1), 'not yet', { tempoBpm: 56 })])).toBe(56);
  expect(bpm([first, attempt(at(1), 'clean', { tempoBpm: null })])).toBe(50);
});

test('settled needs one clean take at the target tempo that a teacher heard; slower ones, or one’s own, do not count', () => {
  const grips = [
    { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
    { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
  ];
  const around = [
    [],
    [{ chord: 'Am', frets: [null, 0, 2, 2, 1, 0] }],
    [{ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }],
  ].map((more) =>
    must(makeDrill(changeLoop({ grips: [...grips, ...more], beatsEach: 4, tempoBpm: 40 }), drill)),
  );
  const target = firstSyllabus.skills.find((one) => one.id === 'near.c-g')?.targetBpm ?? 0;
  const taken = (last: Partial<Take>) => [
    ...Array.from({ length: 45 }, (_, day) =>
      attempt(at(day), 'clean', { source: 'teacher', tempoBpm: target - 1 }, around[day % 3]),
    ),
    attempt(at(45), 'clean', last, around[0]),
  ];
  const stateAfter = (last: Partial<Take>) =>
    replay(taken(last), context, Date.parse(at(45, 5))).skills.find((one) => one.skillId === 'near.c-g')
      ?.state;
  expect(stateAfter({ source: 'teacher', tempoBpm: target })).toBe('settled');
  expect(stateAfter({ source: 'listener', tempoBpm: target })).toBe('settled');
  expect(stateAfter({ source: 'self', tempoBpm: target })).toBe('clean');
  expect(stateAfter({ source: 'teacher', tempoBpm: target - 1 })).toBe('clean');
  expect(stateAfter({ source: 'teacher', tempoBpm: null })).toBe('clean');
});

test('settled asks for one of the hardest third: an F chord is not settled before it came clean where the frets are widest', () => {
  const ring = (chord: string, frets: number[]) => must(makeDrill(ringCheck({ chord, frets }), drill));
  const light = [
    ring('G', [3, 5, 5, 4, 3, 3]),
    ring('Ab', [4, 6, 6, 5, 4, 4]),
    ring('F#', [2, 4, 4, 3, 2, 2]),
  ];
  const taken = (last: ReturnType<typeof ring>) => [
    ...Array.from({ length: 45 }, (_, day) =>
      attempt(at(day), 'clean', { source: 'teacher' }, light[day % 3]),
    ),
    attempt(at(45), 'clean', { source: 'teacher' }, last),
  ];
  const state = (last: ReturnType<typeof ring>) => skill(taken(last), 'low.e-major', at(46));
  expect(state(light[0]).state).toBe('clean');
  expect(state(ring('F', [1, 3, 3, 2, 1, 1])).state).toBe('settled');
});

test('a take that is not clean never raises the number: what days away took is not back because one was tried', () => {
  const results = fc.constantFrom<TakeResult>('clean', 'nearly', 'not yet');
  const number = (events: LogEvent[], now: number) =>
    replay(events, context, now).skills.find((one) => one.skillId === 'near.c-g')?.chance?.mean ?? 0;
  fc.assert(
    fc.property(
      fc.array(fc.tuple(results, fc.integer({ min: 1, max: 40 })), { minLength: 1, maxLength: 12 }),
      fc.integer({ min: 0, max: 90 }),
      fc.constantFrom<TakeResult>('nearly', 'not yet'),
      (takes, away, missed) => {
        let day = 0;
        const events = takes.map(([result, later]) => attempt(at((day += later)), result));
        const last = Date.parse(at(day + away, 5));
        const after = [...events, attempt(at(day + away, 5), missed)];
        // A take teaches .08 logits whatever came of it.
        expect(number(after, last)).toBeLessThanOrEqual(number(events, last) + 0.02);
      },
    ),
    { numRuns: 60 },
  );
});

test('years of playing say where a skill begins and what a tempo is measured on; takes say the rest', () => {
  const from = '2026-01-01T00:00:00Z';
  const chance = (months: number | null, events: LogEvent[]) =>
    replay(events, { ...context, playedFor: [{ from, value: { months } }] }, Date.parse(at(40))).skills.find(
      ({ skillId }) => skillId === 'near.c-g',
    );
  const one = [attempt(at(0), 'nearly')];
  const [first, nobody, years] = [1, null, 60].map((months) => chance(months, one)?.chance?.mean ?? 0);
  expect(first).toBeLessThan(nobody - 0.05);
  expect(nobody).toBeLessThan(years - 0.05);
  // Nothing played: where it would begin by then, when somebody of a month has played for four.
  expect(chance(1, [])?.belief.mean).toBeCloseTo(-1.2 + 0.72 * Math.log(1 + (1 + 100.67 / 30.44) / 1.5), 2);
  expect(chance(null, [])?.belief.mean).toBe(0);
});

test('a skill begins six tenths of the way from where nothing is known to what its need is held at', () => {
  const held = Array.from({ length: 8 }, (_, day) => attempt(at(day), 'clean', { tempoBpm: null }, EM));
  const playedFor = [{ from: '2026-01-01T00:00:00Z', value: { months: 60 } }];
  const beliefs = replay(held, { ...context, playedFor }, Date.parse(at(7, 1))).skills;
  const mean = (id: string) => beliefs.find(({ skillId }) => skillId === id)?.belief.mean ?? Number.NaN;
  const unknown = mean('open.c');
  expect(mean('open.em')).toBeGreaterThan(unknown + 0.3);
  expect(mean('open.am')).toBeCloseTo(unknown + 0.6 * (mean('open.em') - unknown), 9);
});

test('a take far over the tempo asked that does not come clean says little; one that does says all', () => {
  const target = firstSyllabus.skills.find((one) => one.id === 'near.c-g')?.targetBpm ?? 0;
  const held = Array.from({ length: 8 }, (_, day) => attempt(at(day), 'clean', { tempoBpm: target }));
  const number = (...more: LogEvent[]) => skill([...held, ...more], 'near.c-g', at(8, 30)).chance?.mean ?? 0;
  const before = number();
  const missedAt = (bpm: number) => before - number(attempt(at(8), 'not yet', { tempoBpm: bpm }));
  expect(missedAt(target)).toBeGreaterThan(0.04);
  expect(missedAt(3 * target)).toBeLessThan(0.25 * missedAt(target));
  expect(number(attempt(at(8), 'clean', { tempoBpm: 3 * target }))).toBeGreaterThan(before);
});

test('what a missed take still weighs: all of it up to 1.4 times the tempo asked, half of it a logit of load further on', () => {
  const overAt = (times: number) => 3 * Math.log(times);
  expect(shareOver(overAt(1), false)).toBe(1);
  expect(shareOver(overAt(1.39), false)).toBe(1);
  expect(shareOver(2, false)).toBeCloseTo(1 / 2, 12);
  expect(shareOver(4, false)).toBeCloseTo(1 / 10, 12);
  expect(shareOver(4, true)).toBe(1);
});

test('a hand that was measured anew is graded anew: takes after it count by it, whatever was played before', () => {
  const F = must(makeDrill(ringCheck({ chord: 'F', frets: [1, 3, 3, 2, 1, 1] }), drill));
  const [small, large] = [0.75, 1.2].map((sizeFactor) => ({ ...averageHand, sizeFactor }));
  const before = attempt(at(0), 'clean', {}, F);
  const after = Array.from({ length: 30 }, (_, i) => attempt(at(10 + i), i % 4 ? 'clean' : 'nearly', {}, F));
  const number = (first: typeof small) => {
    const hands = [
      { from: at(-10), value: first },
      { from: at(5), value: large },
    ];
    const state = replay([before, ...after], { ...context, hands }, Date.parse(at(41)));
    return state.skills.find(({ skillId }) => skillId === 'low.e-major')?.chance?.mean ?? 0;
  };
  expect(Math.abs(number(small) - number(large))).toBeLessThan(0.02);
});
