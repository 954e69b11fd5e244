/** The Changes bench without a browser: what an address brings, locks, the change looked at, and where the loop goes. */
import { emptyHouse, enter, house, leave, modules, settle } from '../../test-house';
import { usePathBench } from './use-path-bench';

jest.mock('vue-router', () => jest.requireActual('../../test-house').modules.router);
jest.mock('../../session/address', () => jest.requireActual('../../test-house').modules.address);
jest.mock('../../session/bench', () => jest.requireActual('../../test-house').modules.bench);
jest.mock('../../session/taught', () => jest.requireActual('../../test-house').modules.taught);
jest.mock('../../session/hand-out', () => jest.requireActual('../../test-house').modules.handOut);
jest.mock('../../workers/piece-player', () => jest.requireActual('../../test-house').modules.piecePlayer);
jest.mock('../../workers/bench', () => jest.requireActual('../../test-house').modules.worker);

const rest = async () => {
  await settle();
  await new Promise((resolve) => setTimeout(resolve, 180));
  await settle();
};
afterEach(leave);
async function begin(address: Record<string, string> = { chords: 'C | Am | F | G' }) {
  emptyHouse(address);
  const bench = enter(usePathBench);
  await settle();
  return bench;
}
type Bench = Awaited<ReturnType<typeof begin>>;
const chordsOf = (bench: Bench) => bench.work.path.value?.steps.map((step) => step.chord.symbol);
const fretsAt = (bench: Bench, i: number) => bench.work.path.value?.steps[i].grip?.frets.join();

test('an address brings chords, what is asked, tempo, title and capo; wrong ones are left out', async () => {
  const bench = await begin({
    chords: 'C | Am | F',
    ask: JSON.stringify({ objective: 'stay near', barre: false, toFret: 99 }),
    tempo: '88',
    title: 'Her own song',
    capo: '3',
  });
  expect(chordsOf(bench)).toEqual(['C', 'Am', 'F']);
  expect([bench.work.asked.barre, bench.work.asked.toFret, bench.title]).toEqual([false, 15, 'Her own song']);
  expect([bench.wanted.value, bench.work.options.value.instrument.capo]).toEqual([88, 3]);
  for (const [capo, held] of [
    ['99', 11],
    ['-2', 0],
    ['x', 0],
  ] as const)
    expect((await begin({ chords: 'C | G', capo })).work.options.value.instrument.capo).toBe(held);
  const bare = await begin({});
  expect(chordsOf(bare)).toHaveLength(8);
});

test('the tempo typed counts where it is one; else the chart’s own', async () => {
  const bench = await begin({ chords: 'C | G' });
  const own = bench.work.foundFor.value.piece.tempoBpm;
  expect(bench.wanted.value).toBe(own);
  for (const [typed, wanted] of [
    [120, 120],
    [19, own],
    [301, own],
    ['', own],
    [20, 20],
    [300, 300],
  ] as const) {
    bench.tempoGiven.value = typed;
    expect([typed, bench.wanted.value]).toEqual([typed, wanted]);
  }
  expect(bench.wantedBpm.value).toEqual([300, 300]);
});

test('the address holds what was typed and asked a moment later', async () => {
  const bench = await begin();
  bench.work.typed.value = 'Em | D';
  bench.work.asked.open = false;
  bench.tempoGiven.value = 90;
  await rest();
  expect(house.held.at(-1)).toEqual({
    chords: 'Em | D',
    ask: '{"open":false}',
    tempo: '90',
    title: '',
    capo: '',
  });
});

test('the hardest change is looked at first; the arrows go to the next and stop at the ends', async () => {
  const bench = await begin();
  expect(bench.pair.value?.at).toBe(bench.work.path.value?.weakest);
  for (let i = 0; i < 5; i++) bench.step(1);
  expect(bench.pair.value?.at).toBe(2);
  expect([bench.pair.value?.from.chord.symbol, bench.pair.value?.to.chord.symbol]).toEqual(['F', 'G']);
  for (let i = 0; i < 5; i++) bench.step(-1);
  expect(bench.pair.value?.at).toBe(0);
});

test('another grip for the chord gone to is locked there, kept while other things are asked, and dropped with other chords', async () => {
  const bench = await begin();
  bench.work.picked.value = 1;
  await settle();
  expect(chordsOf(bench)?.[2]).toBe('F');
  const before = fretsAt(bench, 2);
  const way = bench.work.ways.value.find((one) => one.step.grip && one.step.grip.frets.join() !== before);
  bench.use(way);
  await settle();
  const locked = way?.step.grip?.frets.join();
  expect([fretsAt(bench, 2), Object.keys(bench.work.locks.value)]).toEqual([locked, ['2']]);
  bench.work.asked.objective = 'easiest';
  bench.work.asked.toFret = 14;
  await settle();
  expect(fretsAt(bench, 2)).toBe(locked);
  bench.work.typed.value = 'C | Am | F | Em';
  await rest();
  expect(bench.work.locks.value).toEqual({});
  bench.use(undefined);
  expect(bench.work.locks.value).toEqual({});
  bench.work.lock(1, { frets: [null, 0, 2, 2, 1, 0], fingers: [null, null, 2, 3, 1, null] });
  bench.work.lock(1, null);
  expect(bench.work.locks.value).toEqual({});
});

test('what gave way is said with its bar; a barre in the path is known', async () => {
  const open = await begin({ chords: 'C | Am' });
  expect([open.gaveWay.value, open.barres.value]).toEqual([[], false]);
  const barred = await begin({ chords: 'Bbm7 | Ebm7', ask: JSON.stringify({ toFret: 3, open: false }) });
  expect(barred.barres.value).toBe(true);
  const forced = await begin({ chords: 'C | F#m7b5', ask: JSON.stringify({ fromFret: 0, toFret: 0 }) });
  expect(forced.gaveWay.value[0]).toMatch(/^bar [12], /);
});

test('the change looked at is a loop to put in the plan, to drill as a step of its mending, or as the whole path', async () => {
  const bench = await begin();
  bench.work.picked.value = 0;
  bench.put();
  expect(house.out).toMatchObject([
    [
      'plan',
      { family: 'change loop', parameters: { grips: [{ chord: 'C' }, { chord: 'Am' }], beatsEach: 4 } },
    ],
  ]);
  bench.drill({ kind: 'air', what: { code: 'practise.air', values: {} }, tempoBpm: null });
  bench.drillPath();
  const recipes = house.went.map((one) => JSON.parse(one.query?.recipe ?? ''));
  expect(recipes[0].parameters.piece).toBe('air');
  expect(recipes[1].parameters.grips.map((one: { chord: string }) => one.chord)).toEqual([
    'C',
    'Am',
    'F',
    'G',
  ]);
  bench.openShape(2);
  expect(house.went.at(-1)).toMatchObject({ name: 'shapes', query: { chord: 'F' } });
  house.went.length = 0;
  bench.openShape(9);
  expect(house.went).toEqual([]);
});

test('paths are looked at round and round; a new search shows its first', async () => {
  const bench = await begin({ chords: 'C | Am | Dm | G' });
  const count = bench.work.paths.value.length;
  expect(count).toBeGreaterThan(1);
  const seen = Array.from({ length: count + 1 }, () => {
    const now = fretsOf(bench);
    bench.nextPath();
    return now;
  });
  expect(new Set(seen).size).toBe(count);
  expect(seen.at(-1)).toBe(seen[0]);
  bench.work.asked.toFret = 12;
  await settle();
  expect(bench.work.shown.value).toBe(0);
});
const fretsOf = (bench: Bench) =>
  bench.work.path.value?.steps.map((step) => step.grip?.frets.join()).join(' ');

test('a long piece is answered with the best path alone; nothing typed asks nothing', async () => {
  const path = jest.spyOn(modules.worker.benchWork(), 'path');
  const bench = await begin({
    chords: Array.from({ length: 65 }, (_, i) => (i % 2 ? 'C' : 'G')).join(' | '),
  });
  expect(path.mock.calls.at(-1)?.[1]).toMatchObject({ others: 0 });
  bench.work.typed.value = 'C | G';
  await rest();
  expect(path.mock.calls.at(-1)?.[1]).toMatchObject({ others: 2 });
  path.mockClear();
  bench.work.typed.value = ' ';
  await rest();
  expect([path.mock.calls.length, bench.work.path.value, bench.pair.value]).toEqual([0, null, null]);
  path.mockRestore();
});

test('heard at the tempo wanted, with the grips on screen; looped, only the change; pressed again it stops', async () => {
  const bench = await begin();
  bench.tempoGiven.value = 50;
  await bench.heard.hear();
  const own = bench.work.foundFor.value.piece.tempoBpm;
  const [, whole, loops] = house.played[0] as [unknown, Record<string, unknown>, boolean];
  expect([whole.tempoShare, whole.fromBar, loops]).toEqual([50 / own, undefined, false]);
  expect(whole.grips).toEqual(bench.work.path.value?.steps.map((step) => step.grip?.frets));
  await bench.heard.hear();
  expect([house.played.length, bench.heard.playing.value]).toEqual([1, false]);
  bench.work.picked.value = 1;
  bench.heard.looping.value = true;
  await bench.heard.hear();
  expect(house.played[1][1]).toMatchObject({ fromBar: 1, toBar: 2 });
  expect(house.played[1][2]).toBe(true);
  // Another path stops what sounds.
  bench.work.asked.toFret = 13;
  await settle();
  expect(bench.heard.playing.value).toBe(false);
});

test('the sheet is made when it is asked for, in the name of whoever is on the bench', async () => {
  const bench = await begin();
  expect(bench.job.value).toBeNull();
  house.student.value = { id: 's1', name: 'Pell Anstrake' };
  bench.printing.value = true;
  expect(JSON.stringify(bench.job.value)).toContain('Pell Anstrake');
  expect(bench.who.value).toBe('Pell’s');
});
