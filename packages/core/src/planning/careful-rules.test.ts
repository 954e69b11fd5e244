/** A sound plan breaks no rule; a plan that breaks one is told which, and no other names it. */
import { changeLoop, ringCheck, type Recipe } from '../drills';
import { DEFAULT_LIMITS, NOTHING_ON_RECORD, taughtHand } from '../hands';
import type { SkillState, StudentState } from '../mastery';
import { firstSyllabus } from '../syllabus';
import { breachesOf, type CarefulRule } from './careful-rules';
import type { LessonPlan, PlanBlock } from './plan';
import type { LessonConstraints } from './lesson-limits';
import { nothingPlayed } from './nothing-played';

const NOW = Date.UTC(2026, 2, 2, 16);
const nothing = nothingPlayed(NOW);
const NO_MARKS = { due: false, slipping: false, stuck: false };
const chance = (mean: number) => ({ mean, low: mean, high: mean });
const met = (mean: number, more: Partial<SkillState> = {}): Partial<SkillState> => ({
  attempts: 9,
  chance: chance(mean),
  everClean: mean >= 0.8,
  ...more,
});
const KNOWN = { 'open.em': met(0.95), 'open.am': met(0.6), 'open.c': met(0.7), 'neck.naturals-6': met(0.5) };
const state = (more: Readonly<Record<string, Partial<SkillState>>> = {}): StudentState => {
  const given: Readonly<Record<string, Partial<SkillState>>> = { ...KNOWN, ...more };
  return { ...nothing, skills: nothing.skills.map((one) => ({ ...one, ...given[one.skillId] })) };
};
const constraints: LessonConstraints = {
  taught: taughtHand(NOTHING_ON_RECORD, NOW),
  minutes: 30,
  goals: [],
  waived: [],
};

const grip = (chord: string, frets: readonly (number | null)[]) => ({ chord, frets: [...frets] });
const EM = grip('Em', [0, 2, 2, 0, 0, 0]);
const AM = grip('Am', [null, 0, 2, 2, 1, 0]);
const C = grip('C', [null, 3, 2, 0, 1, 0]);
const ring = (of: typeof EM): Recipe => ringCheck(of);
const loop = changeLoop({ grips: [AM, C], beatsEach: 4, tempoBpm: 60 });
let n = 0;
const block = (
  kind: PlanBlock['kind'],
  minutes: number,
  skillId: string | null,
  recipe: Recipe | null,
): PlanBlock => ({
  id: `b${n++}`,
  kind,
  minutes,
  title: { code: '', values: {} },
  because: { code: '', values: {} },
  skillId,
  recipe,
  effort: 20,
  barreMinutes: 0,
  locked: false,
});
const naturals = firstSyllabus.skills.find(({ id }) => id === 'neck.naturals-6')?.practice[0].recipe ?? null;
const WARM = block('warm up', 3, null, ring(EM));
/** As it should be from five minutes on: another drill of its skill besides its own. */
const walking = (own: PlanBlock): PlanBlock => ({
  ...own,
  walk: [
    { step: 'hold', minutes: own.minutes - 2, recipe: own.recipe ?? loop },
    { step: 'change', minutes: 2, recipe: loop },
  ],
});
const AMS = walking(block('repair', 6, 'open.am', ring(AM)));
const NAMES = walking(block('repair', 5, 'neck.naturals-6', naturals));
const FRESH = walking(block('new', 5, 'open.d', ring(grip('D', [null, null, 0, 2, 3, 2]))));
const SONG = block('apply', 8, 'open.d', loop);
const HOME = block('take home', 3, null, null);
const plan = (...blocks: PlanBlock[]): LessonPlan => ({
  schemaVersion: 1,
  minutes: blocks.reduce((sum, { minutes }) => sum + minutes, 0),
  blocks,
  leftOut: [],
  modelVersion: 'test',
});
const SOUND = plan(WARM, AMS, NAMES, FRESH, SONG, HOME);
const rules = (
  made: LessonPlan,
  of: StudentState = state(),
  more: Partial<LessonConstraints> = {},
): CarefulRule[] => [
  ...new Set(
    breachesOf(made, { state: of, syllabus: firstSyllabus, constraints: { ...constraints, ...more } }).map(
      ({ rule }) => rule,
    ),
  ),
];

test('a sound lesson breaks none', () => {
  expect(breachesOf(SOUND, { state: state(), syllabus: firstSyllabus, constraints })).toEqual([]);
});

test.each<[CarefulRule, LessonPlan]>([
  ['minutes', { ...SOUND, minutes: 31 }],
  ['opener', plan(AMS, WARM, NAMES, FRESH, SONG, HOME)],
  ['opener', plan({ ...WARM, minutes: 2 }, AMS, NAMES, FRESH, SONG, HOME)],
  ['opener', plan({ ...WARM, barreMinutes: 1 }, AMS, NAMES, FRESH, SONG, HOME)],
  [
    'few new',
    plan(
      WARM,
      { ...AMS, kind: 'new' },
      { ...NAMES, kind: 'new' },
      FRESH,
      { ...SONG, skillId: 'open.d' },
      HOME,
    ),
  ],
  ['new is used', plan(WARM, AMS, NAMES, FRESH, { ...SONG, skillId: 'open.am' }, HOME)],
  ['held is short', plan(WARM, { ...AMS, skillId: 'open.em', minutes: 5 }, NAMES, FRESH, SONG, HOME)],
  ['longest is not held', plan(WARM, { ...AMS, skillId: 'open.em', minutes: 9 }, NAMES, FRESH, SONG, HOME)],
  ['share of music', plan(WARM, { ...AMS, minutes: 30 }, NAMES, FRESH, { ...SONG, minutes: 3 }, HOME)],
  ['share of music', plan(WARM, AMS, NAMES, FRESH, { ...SONG, minutes: 30 }, HOME)],
  ['reviews', plan(WARM, { ...AMS, kind: 'review', minutes: 20 }, FRESH, { ...SONG, minutes: 5 }, HOME)],
  ['one family', plan(WARM, AMS, { ...NAMES, recipe: ring(C) }, FRESH, SONG, HOME)],
  ['one drill', plan(WARM, { ...AMS, walk: undefined, minutes: 8 }, NAMES, FRESH, SONG, HOME)],
  ['several drills', plan(WARM, { ...AMS, walk: undefined }, NAMES, FRESH, SONG, HOME)],
  [
    'several drills',
    plan(WARM, { ...AMS, walk: [{ step: 'hold', minutes: 6, recipe: ring(AM) }] }, NAMES, FRESH, SONG, HOME),
  ],
  ['strands', plan(WARM, AMS, AMS, NAMES, FRESH, SONG, SONG, SONG, HOME)],
  ['ends well', plan(WARM, AMS, NAMES, SONG, FRESH, HOME)],
  ['barre', plan(WARM, { ...AMS, barreMinutes: 7 }, NAMES, FRESH, SONG, HOME)],
  ['barres apart', plan(WARM, { ...AMS, barreMinutes: 1 }, { ...NAMES, barreMinutes: 1 }, FRESH, SONG, HOME)],
  ['load', plan(WARM, { ...AMS, effort: 100, minutes: 25 }, NAMES, FRESH, { ...SONG, minutes: 15 }, HOME)],
])('%s is noticed', (rule, broken) => {
  expect(rules(broken)).toContain(rule);
});

test('what slipped most comes first, unless this hand may not be asked for it', () => {
  const slipped = state({
    'open.c': met(0.4, {
      peak: { mean: 0.9, at: 0 },
      everClean: true,
      marks: { ...NO_MARKS, slipping: true },
    }),
    'open.am': met(0.6, {
      peak: { mean: 0.7, at: 0 },
      everClean: true,
      marks: { ...NO_MARKS, slipping: true },
    }),
  });
  expect(rules(SOUND, slipped)).toContain('mended first');
  const mended = plan(WARM, { ...AMS, skillId: 'open.c' }, NAMES, FRESH, SONG, HOME);
  expect(rules(mended, slipped)).not.toContain('mended first');
  expect(rules(SOUND, slipped, { waived: ['open.c'] })).not.toContain('mended first');
});

test('nothing new while four are in trouble, something new where little is', () => {
  const stuck = (...ids: string[]) =>
    state(Object.fromEntries(ids.map((id) => [id, met(0.5, { marks: { ...NO_MARKS, stuck: true } })])));
  const three = ['open.am', 'open.c', 'open.e'];
  expect(rules(SOUND, stuck(...three, 'open.a'))).toContain('nothing new in trouble');
  expect(rules(SOUND, stuck(...three))).not.toContain('nothing new in trouble');
  const old = plan(WARM, AMS, NAMES, { ...AMS, skillId: 'open.c' }, { ...SONG, skillId: 'open.am' }, HOME);
  expect(rules(old)).toContain('something new');
  expect(rules(old, stuck(...three))).not.toContain('something new');
  expect(rules(old, state(), { newSkills: 0 })).not.toContain('something new');
});

test('what is begun and rough is in trouble: it comes first, and two of four are mended', () => {
  const rough = (...ids: string[]) =>
    state(Object.fromEntries(ids.map((id) => [id, met(0.39, { attempts: 1 })])));
  expect(rules(SOUND, rough('open.c'))).toContain('mended first');
  expect(rules(SOUND, rough('open.am'))).not.toContain('mended first');
  expect(rules(SOUND, state({ 'open.c': met(0.4, { attempts: 1 }) }))).not.toContain('mended first');
  const four = rough('open.am', 'open.c', 'open.e', 'open.a');
  const once = plan(WARM, AMS, NAMES, { ...SONG, minutes: 13, skillId: 'pieces.own' }, HOME);
  expect(rules(once, four)).toContain('mended enough');
  const twice = plan(
    WARM,
    AMS,
    { ...AMS, skillId: 'open.c' },
    NAMES,
    { ...SONG, minutes: 13, skillId: 'pieces.own' },
    HOME,
  );
  expect(rules(twice, four)).not.toContain('mended enough');
  expect(rules(once, rough('open.am', 'open.c', 'open.e'))).not.toContain('mended enough');
  // One that is stuck is in it, and before what is merely rough.
  const stuck = (id: string) =>
    state({ [id]: met(0.6, { marks: { ...NO_MARKS, stuck: true } }), 'open.am': met(0.3) });
  expect(rules(once, stuck('open.c'))).toEqual(expect.arrayContaining(['mended first', 'mended enough']));
  const mended = plan(
    WARM,
    { ...AMS, skillId: 'open.c' },
    AMS,
    NAMES,
    { ...SONG, skillId: 'pieces.own' },
    HOME,
  );
  expect(rules(mended, stuck('open.c'))).not.toContain('mended first');
  expect(rules(mended, stuck('open.c'))).not.toContain('mended enough');
});

test('a drill that only leads to a skill does not make it one this hand may be asked for', () => {
  // Heard it can be always, held it cannot: 1 of 100 is under every grip.
  const taught = { ...constraints.taught, limits: { ...DEFAULT_LIMITS, gripEffort: 1 } };
  const rough = state({ 'open.c': met(0.2) });
  expect(rules(SOUND, rough, { taught })).not.toContain('mended first');
});

test('of music one thing was never played, and what is played already has as long and is there', () => {
  const own = { ...SONG, skillId: 'pieces.own' };
  const other = { ...SONG, skillId: 'pieces.as-written' };
  const plays = state({ 'pieces.own': met(0.7) });
  expect(rules(plan(WARM, AMS, NAMES, FRESH, SONG, own, other, HOME))).toContain('one new piece of music');
  expect(rules(plan(WARM, AMS, NAMES, FRESH, SONG, other, HOME), plays)).toContain('known music');
  expect(rules(SOUND, plays)).toContain('known music');
  expect(rules(plan(WARM, AMS, NAMES, FRESH, SONG, own, HOME), plays)).not.toContain('known music');
  const short = { ...own, minutes: 3 };
  expect(rules(plan(WARM, AMS, NAMES, FRESH, SONG, short, other, HOME), plays)).toContain('known music');
  expect(rules(plan(WARM, AMS, NAMES, FRESH, SONG, own, other, HOME), plays)).not.toContain('known music');
});

test('what was promised comes first or is said to have moved, and may stand before what is mended', () => {
  const promised = ['neck.naturals-6'];
  expect(rules(SOUND, state(), { promised })).toContain('promised');
  const first = plan(WARM, NAMES, AMS, FRESH, SONG, HOME);
  expect(rules(first, state(), { promised })).not.toContain('promised');
  expect(rules(SOUND, state(), { promised: ['open.e'] })).toContain('promised');
  const because = { code: 'left.promised', values: {} };
  const moved = { ...SOUND, leftOut: [{ title: because, skillId: 'open.e', because }] };
  expect(rules(moved, state(), { promised: ['open.e'] })).not.toContain('promised');
  const rough = state({ 'open.am': met(0.3) });
  expect(rules(first, rough)).toContain('mended first');
  expect(rules(first, rough, { promised })).not.toContain('mended first');
});

test('a month without a scale and without a key: they come round, or that they do not is said', () => {
  const ago = (days: number) => NOW - days * 86_400_000;
  const many = firstSyllabus.skills.filter(({ strand }) => strand === 'open' || strand === 'changes');
  const old = firstSyllabus.skills.find(({ strand }) => strand === 'scales')?.id ?? '';
  const key = firstSyllabus.skills.find(({ strand }) => strand === 'harmony')?.id ?? '';
  const lived = (scaleDays: number) =>
    state({
      ...Object.fromEntries(many.map(({ id }) => [id, met(0.7, { lastAt: ago(1) })])),
      [old]: met(0.7, { lastAt: ago(scaleDays) }),
      [key]: met(0.7, { lastAt: ago(2) }),
    });
  const long = plan(WARM, AMS, NAMES, FRESH, { ...SONG, minutes: 23 }, HOME);
  expect(rules(long, lived(40))).toContain('comes round');
  expect(rules(long, lived(20))).not.toContain('comes round');
  const said = { ...long, unseen: [{ strand: 'scales', lastAt: ago(40), there: false }] };
  expect(rules(said, lived(40))).not.toContain('comes round');
  const scale = { ...AMS, skillId: old };
  expect(rules(plan(WARM, AMS, scale, FRESH, { ...SONG, minutes: 23 }, HOME), lived(40))).not.toContain(
    'comes round',
  );
});

test('things left out for one reason alone are noticed', () => {
  const out = (...codes: string[]): LessonPlan => ({
    ...SOUND,
    leftOut: codes.map((code) => ({
      title: { code: '', values: {} },
      skillId: 'x',
      because: { code, values: {} },
    })),
  });
  expect(rules(out('left.new', 'left.new'))).toEqual(['left out for its own reason']);
  expect(rules(out('left.new', 'left.barre'))).toEqual([]);
  expect(rules(out('left.new'))).toEqual([]);
});

test('where a hand hurts only the minutes and that nothing is played are asked', () => {
  const hurt: StudentState = { ...state(), pain: { status: 'locked' } };
  expect(rules(SOUND, hurt)).toEqual(['pain']);
  expect(rules(plan(NAMES), hurt)).toEqual([]);
});

test('the limits of the hand are those it has', () => {
  const taught = { ...constraints.taught, limits: { ...DEFAULT_LIMITS, load: 1 } };
  expect(rules(SOUND, state(), { taught })).toEqual(['load']);
});
