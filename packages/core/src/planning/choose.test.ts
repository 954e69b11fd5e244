/** Chosen blocks against every choice tried one by one, under rules written again here; and each rule by a case of its own. */
import fc from 'fast-check';
import { must } from '../kernel/result';
import { seededRandom } from '../kernel/random';
import { Chooser, CHOOSE, type Choice, type ChooseLimits } from './choose';

const choice = (id: string, more: Partial<Choice> = {}): Choice => ({
  id,
  kind: 'repair',
  skillId: id,
  strand: `strand ${id}`,
  family: `family ${id}`,
  worth: 0.5,
  held: false,
  use: false,
  unmet: false,
  known: false,
  plays: true,
  barreShare: 0,
  lengths: [3, 5],
  exercises: [],
  ...more,
});
const use = (id: string, more: Partial<Choice> = {}) => choice(id, { kind: 'apply', use: true, ...more });
const fresh = (id: string, more: Partial<Choice> = {}) => choice(id, { kind: 'new', ...more });
const LIMITS: ChooseLimits = {
  minutes: 15,
  lessonMinutes: 21,
  mostNew: 2,
  leastNew: 0,
  barreMinutes: 9,
  mostBlocks: 9,
  first: [],
  promised: [],
  mended: [],
  strands: 0,
  unseen: [],
  knownMusic: 0,
  music: { least: 0.15, most: 0.5 },
  there: {
    strands: [],
    playingMinutes: 3,
    useMinutes: 0,
    reviewMinutes: 0,
    barreBlocks: 0,
    otherBlocks: 1,
  },
  rest: { minutes: [], must: false },
};
const limits = (more: Partial<ChooseLimits>): ChooseLimits => ({ ...LIMITS, ...more });
const best = async (choices: readonly Choice[], more: Partial<ChooseLimits> = {}) => {
  const found = await new Chooser(choices, limits(more)).best(5);
  return found && { ...found, ids: found.chosen.map(({ choice: { id } }) => id).toSorted() };
};

/** Everything a careful teacher asks of a set of blocks, written without the rows of the programme. */
function allowed(
  set: readonly (readonly [Choice, number])[],
  asked: ChooseLimits,
  choices: readonly Choice[],
): boolean {
  const minutes = (which: (one: Choice) => boolean) =>
    set.reduce((sum, [one, length]) => (which(one) ? sum + length : sum), 0);
  const count = (which: (one: Choice) => boolean) => set.filter(([one]) => which(one)).length;
  const all = minutes(() => true);
  const news = count(({ kind }) => kind === 'new');
  const playing = minutes(({ plays }) => plays) + asked.there.playingMinutes;
  const music = minutes((one) => one.use);
  const longestHeld = Math.max(0, ...set.flatMap(([one, length]) => (one.held ? [length] : [])));
  const longestOpen = Math.max(0, ...set.flatMap(([one, length]) => (one.held ? [] : [length])));
  const barres = count(({ barreShare }) => barreShare > 0);
  const families = [...new Set(set.map(([one]) => one.family))];
  return (
    all === asked.minutes &&
    set.length <= asked.mostBlocks &&
    news <= asked.mostNew &&
    news >= asked.leastNew &&
    music >= asked.music.least * playing - 1e-9 &&
    music <= asked.music.most * playing + 1e-9 &&
    minutes(({ kind }) => kind === 'review') <= asked.lessonMinutes / 2 &&
    (longestHeld === 0 || longestHeld < longestOpen) &&
    set.reduce((sum, [one, length]) => sum + length * one.barreShare, 0) <= asked.barreMinutes + 1e-9 &&
    barres <= set.length - barres + asked.there.otherBlocks + 1 &&
    families.every((family) => {
      const own = count((one) => one.family === family);
      return own <= 2 * (set.length - own + 1);
    }) &&
    set.every(
      ([one]) =>
        one.kind !== 'new' || set.some(([other]) => other.use && other.exercises.includes(one.skillId)),
    ) &&
    set.every(
      ([one]) =>
        one.onlyWith === undefined ||
        set.some(([other]) => other.kind === 'new' && other.skillId === one.onlyWith),
    ) &&
    (asked.first.length === 0 || set.some(([one]) => asked.first.includes(one.skillId))) &&
    !set.some(
      ([one]) =>
        one.use &&
        [...asked.promised, ...asked.first].includes(one.skillId) &&
        set.some(([other]) => other.kind === 'new' && one.exercises.includes(other.skillId)),
    ) &&
    asked.unseen.every(
      (strand) => !choices.some((one) => one.strand === strand) || count((one) => one.strand === strand) > 0,
    ) &&
    asked.promised.every((id) => count(({ skillId }) => skillId === id) > 0) &&
    asked.mended.every(
      ({ skillIds, least }) => count(({ skillId }) => skillIds.includes(skillId)) >= least,
    ) &&
    count(({ unmet }) => unmet) <= 1 &&
    (!choices.some(({ known }) => known) ||
      (minutes(({ unmet }) => unmet) <= minutes(({ known }) => known) &&
        count(({ known }) => known) >= asked.knownMusic)) &&
    new Set(set.map(([one]) => one.strand)).size >= asked.strands
  );
}

function bestByTrying(choices: readonly Choice[], asked: ChooseLimits): number | null {
  const top = Math.max(...choices.map(({ worth }) => worth));
  let found: number | null = null;
  const visit = (i: number, set: readonly (readonly [Choice, number])[]): void => {
    if (i < choices.length) {
      visit(i + 1, set);
      for (const length of choices[i].lengths) visit(i + 1, [...set, [choices[i], length]]);
      return;
    }
    if (!allowed(set, asked, choices)) return;
    const value = set.reduce(
      (sum, [one, length]) =>
        sum + one.worth * (1 - Math.exp(-length / (one.use ? CHOOSE.useScale : CHOOSE.scale))),
      0,
    );
    const news = set.flatMap(([one]) => (one.kind === 'new' ? [one.strand] : []));
    const alike = news.length - new Set(news).size;
    found = Math.max(found ?? Number.NEGATIVE_INFINITY, value - alike * CHOOSE.alike * top);
  };
  visit(0, []);
  return found;
}

test('eight candidates: worth as much as the best of all choices, none of which the rules forbid', async () => {
  await fc.assert(
    fc.asyncProperty(fc.integer({ min: 1, max: 9999 }), async (seed) => {
      const random = seededRandom(seed);
      const choices = Array.from({ length: 8 }, (_, i) => {
        const kind = random.pick(['new', 'repair', 'review', 'apply', 'apply'] as const);
        return choice(`c${i}`, {
          kind,
          worth: 0.05 + random.unit(),
          held: kind !== 'new' && random.unit() < 0.3,
          use: kind === 'apply',
          ...random.pick([{}, { unmet: kind === 'apply' }, { known: kind === 'apply' }]),
          plays: random.unit() < 0.8,
          barreShare: random.unit() < 0.3 ? 0.5 : 0,
          strand: random.pick(['a', 'b', 'c']),
          family: random.pick(['x', 'y', 'z']),
          exercises: kind === 'apply' ? [`c${random.int(0, 7)}`, `c${random.int(0, 7)}`] : [],
        });
      }).map((one) => (one.kind === 'new' ? { ...one, plays: true } : one));
      const asked = limits({
        minutes: random.int(9, 24),
        mostNew: random.int(0, 2),
        barreMinutes: random.int(0, 5),
        mostBlocks: random.int(3, 6),
        strands: random.int(0, 3),
        unseen: random.unit() < 0.3 ? ['a', 'none has it'] : [],
        knownMusic: random.int(0, 1),
        music: random.pick([LIMITS.music, { least: 0.4, most: 0.8 }]),
        first: random.unit() < 0.3 ? ['c0'] : [],
        promised: random.unit() < 0.3 ? ['c4'] : [],
        mended: random.pick([
          [],
          [{ skillIds: ['c1', 'c2', 'c3'], least: 2 }],
          [
            { skillIds: ['c1', 'c2', 'c3'], least: 1 },
            { skillIds: ['c2'], least: 1 },
          ],
        ]),
      });
      const expected = bestByTrying(choices, asked);
      const found = await new Chooser(choices, asked).best(5);
      if (expected === null) {
        expect(found === null || found.lifted.length > 0).toBe(true);
        return;
      }
      expect(found?.lifted).toEqual([]);
      expect(found?.value).toBeCloseTo(expected, 6);
      const set = must({ ok: true as const, value: found?.chosen ?? [] });
      expect(
        allowed(
          set.map(({ choice: one, minutes }) => [one, minutes] as const),
          asked,
          choices,
        ),
      ).toBe(true);
    }),
    { numRuns: 60 },
  );
});

test('more barre minutes never make the best choice worse', async () => {
  const choices = [
    choice('a', { barreShare: 0.5, worth: 0.9 }),
    choice('b', { barreShare: 0.5, worth: 0.8 }),
    choice('c', { worth: 0.3 }),
    choice('d', { worth: 0.2 }),
    use('u', { worth: 0.3 }),
  ];
  let before = Number.NEGATIVE_INFINITY;
  for (const barreMinutes of [0, 2, 4, 6]) {
    const found = await best(choices, { barreMinutes });
    expect(found?.value ?? Number.NaN).toBeGreaterThanOrEqual(before);
    before = found?.value ?? Number.NaN;
  }
});

test('a new thing brings its use, one that is only heard needs none', async () => {
  const pool = [fresh('n', { worth: 5 }), choice('a'), choice('b'), choice('c'), use('song', { worth: 0.1 })];
  expect((await best(pool))?.ids).not.toContain('n');
  const using = use('n in use', { worth: 0.1, exercises: ['n'], onlyWith: 'n' });
  expect((await best([...pool, using]))?.ids).toEqual(expect.arrayContaining(['n', 'n in use']));
  expect((await best(pool.map((one) => (one.id === 'n' ? { ...one, plays: false } : one))))?.ids).toContain(
    'n',
  );
  // Its use alone makes no sense.
  expect((await best([...pool.slice(1), { ...using, worth: 9 }]))?.ids).not.toContain('n in use');
});

test('nothing is chosen again in the same set, and the next best is', async () => {
  const chooser = new Chooser(
    [
      choice('a', { worth: 0.9 }),
      choice('b', { worth: 0.8 }),
      choice('c'),
      use('u'),
      use('v', { worth: 0.4 }),
    ],
    limits({ minutes: 13 }),
  );
  const first = await chooser.best(5);
  chooser.forbid(first?.chosen.map(({ choice: { id } }) => id) ?? []);
  const second = await chooser.best(5);
  const ids = (found: typeof first) => found?.chosen.map(({ choice: { id } }) => id).toSorted();
  expect(ids(second)).not.toEqual(ids(first));
  expect(second?.value ?? Number.NaN).toBeLessThanOrEqual(first?.value ?? Number.NaN);
});

test('where nothing fits, rules give way in their order and are named; the minutes of the hand never do', async () => {
  const noMusic = [choice('a'), choice('b'), choice('c'), choice('d')];
  // One alone where that is enough.
  expect((await best(noMusic, { minutes: 12 }))?.lifted).toEqual(['music']);
  expect((await best(noMusic, { minutes: 12, strands: 5 }))?.lifted).toEqual(['strands', 'music']);
  const barres = ['a', 'b', 'c', 'd'].map((id) => choice(id, { barreShare: 0.5 }));
  expect(await best(barres, { minutes: 12, barreMinutes: 1 })).toBeNull();
});

test('a rest that must be is there, and one that may be only where it helps', async () => {
  const pool = [choice('a'), choice('b'), use('u')];
  expect(
    (await best(pool, { minutes: 12, rest: { minutes: [3, 4], must: true } }))?.restMinutes,
  ).toBeGreaterThan(2);
  expect((await best(pool, { minutes: 13, rest: { minutes: [3], must: false } }))?.restMinutes).toBe(0);
});
