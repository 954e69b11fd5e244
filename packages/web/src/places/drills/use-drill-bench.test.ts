/** The drill bench without a browser: what it begins with, what a key does before the worker answered, and whose hand it is made for. */
import { changeLoop, ringCheck } from '@finch/core/drills';
import { DEFAULT_LIMITS } from '@finch/core/hands';
import { emptyHouse, enter, house, leave, settle } from '../../test-house';
import { useDrillBench } from './use-drill-bench';

jest.mock('../../session/address', () => jest.requireActual('../../test-house').modules.address);
jest.mock('../../session/bench', () => jest.requireActual('../../test-house').modules.bench);
jest.mock('../../session/notices', () => jest.requireActual('../../test-house').modules.notices);
jest.mock('../../session/taught', () => jest.requireActual('../../test-house').modules.taught);
jest.mock('../../session/hand-out', () => jest.requireActual('../../test-house').modules.handOut);
jest.mock('../../session/queries', () => ({ useSyllabus: () => ({ data: { value: undefined } }) }));
jest.mock('../../workers/player', () => jest.requireActual('../../test-house').modules.player);
jest.mock('../../workers/bench', () => jest.requireActual('../../test-house').modules.worker);

const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const B_FLAT = { chord: 'Bb', frets: [null, 1, 3, 3, 3, 1] };
afterEach(leave);
beforeEach(() => emptyHouse());
async function begin(address: Record<string, string> = {}) {
  emptyHouse(address);
  const bench = enter(useDrillBench);
  await settle();
  return bench;
}

test('begins with the grip in the address, else with a drill of the family named, else with five forms', async () => {
  expect((await begin()).recipe.value.family).toBe('five forms');
  expect((await begin({ family: 'degrees' })).recipe.value.family).toBe('degrees');
  expect((await begin({ family: 'no such' })).recipe.value.family).toBe('five forms');
  const ring = await begin({ chord: 'Bb', frets: 'x13331' });
  expect(ring.recipe.value).toMatchObject({ family: 'ring check', parameters: { grip: { chord: 'Bb' } } });
});

test('the drill in an address is read; one that cannot be read says so and another is open', async () => {
  const kept = changeLoop({ grips: [F, B_FLAT], beatsEach: 4, tempoBpm: 72 });
  const read = await begin({ recipe: JSON.stringify(kept) });
  expect([read.recipe.value, read.unread]).toEqual([kept, false]);
  for (const broken of ['{', '{"family":"no such"}', JSON.stringify({ ...kept, seed: 'x' })]) {
    const other = await begin({ recipe: broken });
    expect([other.recipe.value.family, other.unread]).toEqual(['five forms', true]);
  }
});

test('the address holds the drill whatever changes it, and what plays stops', async () => {
  const bench = await begin({ recipe: JSON.stringify(ringCheck(F)) });
  const before = house.stopped;
  bench.open('change loop');
  await settle();
  expect(JSON.parse(house.held.at(-1)?.recipe ?? '{}')).toEqual(bench.recipe.value);
  expect(house.stopped).toBe(before + 1);
});

test('a key pressed before the worker answered does what it says', async () => {
  const bench = await begin({
    recipe: JSON.stringify(changeLoop({ grips: [F, B_FLAT], beatsEach: 4, tempoBpm: 60 })),
  });
  let open = () => {};
  house.gate = new Promise((resolve) => (open = resolve));
  bench.step('harder');
  bench.step('harder');
  expect(bench.recipe.value.family === 'change loop' && bench.recipe.value.parameters.tempoBpm).toBe(68);
  bench.toKey({ letter: 'G', accidental: 0 });
  expect(bench.rootNow.value).toBe(7);
  await bench.put();
  await bench.home();
  expect(house.out.map(([where, recipe]) => [where, recipe === bench.recipe.value])).toEqual([
    ['plan', true],
    ['home', true],
  ]);
  open();
  await settle();
  expect(bench.drill.value?.recipe).toEqual(bench.recipe.value);
});

test('the drill before stays on the screen until the new one is there', async () => {
  const bench = await begin({ recipe: JSON.stringify(ringCheck(F)) });
  const shown = bench.drill.value;
  house.gate = new Promise(() => {});
  bench.step('easier');
  await settle();
  expect(bench.drill.value).toBe(shown);
});

test('the next key is the next that can be held, round and round', async () => {
  const bench = await begin({ recipe: JSON.stringify(changeLoop({ grips: [F, B_FLAT], beatsEach: 4 })) });
  const roots: (number | null)[] = [];
  for (let i = 0; i < 13; i++) {
    roots.push(bench.rootNow.value);
    bench.nextKey();
    await settle();
  }
  expect(roots).toEqual([5, 6, 7, 8, 9, 10, 11, 0, 1, 2, 3, 4, 5]);
});

test('a drill that cannot be made says why, names the nearest, and is handed to nobody', async () => {
  const wrong = changeLoop({ grips: [F, { chord: 'Bb', frets: [30, 1, 3, 3, 3, 1] }], beatsEach: 4 });
  const bench = await begin({ recipe: JSON.stringify(ringCheck(F)) });
  bench.recipe.value = wrong;
  await settle();
  expect(bench.drill.value).toBeNull();
  expect(bench.problem.value).not.toBeNull();
  await bench.put();
  expect(house.out).toEqual([]);
});

test('another student on the bench: the grips are made for that hand, and it is said; the same student changes nothing', async () => {
  const bench = await begin({ recipe: JSON.stringify(changeLoop({ grips: [F, B_FLAT], beatsEach: 4 })) });
  const before = bench.recipe.value;
  house.student.value = { id: 's1', name: 'Pell Anstrake' };
  await settle();
  expect([bench.recipe.value === before, house.told]).toEqual([true, []]);
  house.drilling.value = { ...house.drilling.value, limits: { ...DEFAULT_LIMITS, gripEffort: 35 } };
  house.student.value = { id: 's2', name: 'Wick Tarrowby' };
  await settle();
  expect(bench.recipe.value).not.toEqual(before);
  expect(house.told).toHaveLength(1);
  expect(house.told[0]).toMatch(/^Made for the hand of Wick Tarrowby: F .*, B♭ /);
  expect(bench.over.value).toBeLessThanOrEqual(0);
  house.student.value = { id: 's2', name: 'Wick Tarrowby' };
  await settle();
  expect(house.told).toHaveLength(1);
});

test('what is typed is looked up for the hand on the bench; nothing typed shows every family', async () => {
  const bench = await begin({ recipe: JSON.stringify(ringCheck(F)) });
  const all = bench.finder.found.value.families.length;
  bench.finder.text.value = 'F will not ring';
  await settle();
  const [first] = bench.finder.found.value.drills;
  expect(first.recipe).toMatchObject({ family: 'ring check', parameters: { grip: { chord: 'F' } } });
  bench.finder.text.value = '  ';
  await settle();
  expect(bench.finder.found.value).toMatchObject({ drills: [], hurts: false });
  expect(bench.finder.found.value.families).toHaveLength(all);
});

test('another draw is another drill of the same recipe; what draws nothing says so', async () => {
  const bench = await begin({ family: 'spell it' });
  const before = bench.recipe.value;
  expect(bench.draws.value).toBe(true);
  bench.redraw();
  expect(bench.recipe.value.parameters).toEqual(before.parameters);
  expect(bench.recipe.value.seed).not.toBe(before.seed);
  bench.open('ring check');
  await settle();
  expect(bench.draws.value).toBe(false);
  const ring = bench.recipe.value;
  bench.redraw();
  expect([bench.recipe.value, house.told.at(-1)]).toEqual([ring, 'Nothing else can be drawn of this.']);
});
