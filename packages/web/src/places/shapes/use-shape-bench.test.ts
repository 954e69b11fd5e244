/** The Shapes bench without a browser: what an address brings, what follows typing, what the grip in hand becomes. */
import { fretsText } from '@finch/core/grips';
import { DEFAULT_LIMITS } from '@finch/core/hands';
import { changeMark, gripMark } from '@finch/core/grips';
import { standardGuitar } from '@finch/core/fretboard';
import { emptyHouse, enter, house, leave, modules, settle } from '../../test-house';
import { useShapeBench } from './use-shape-bench';

jest.mock('vue-router', () => jest.requireActual('../../test-house').modules.router);
jest.mock('../../session/address', () => jest.requireActual('../../test-house').modules.address);
jest.mock('../../session/bench', () => jest.requireActual('../../test-house').modules.bench);
jest.mock('../../session/seat', () => jest.requireActual('../../test-house').modules.seat);
jest.mock('../../session/taught', () => jest.requireActual('../../test-house').modules.taught);
jest.mock('../../session/hand-out', () => jest.requireActual('../../test-house').modules.handOut);
jest.mock('../../workers/player', () => jest.requireActual('../../test-house').modules.player);
jest.mock('../../workers/bench', () => jest.requireActual('../../test-house').modules.worker);
jest.mock('../../app/stages', () => ({ afterPaint: (run: () => void) => run() }));

/** Longer than typing is waited for, and than the rest of the cards. */
const rest = async () => {
  await settle();
  await new Promise((resolve) => setTimeout(resolve, 230));
  await settle();
};
afterEach(leave);
async function begin(address: Record<string, string> = {}) {
  emptyHouse(address);
  const bench = enter(useShapeBench);
  await settle();
  return bench;
}
const inHand = (bench: Awaited<ReturnType<typeof begin>>) =>
  `${bench.chord.value?.symbol} ${bench.picked.value && fretsText(bench.picked.value.frets)}`;

test('an address brings the chord, the grip, the tab, the dots, what is asked and what is kept', async () => {
  const bench = await begin({
    chord: 'Bbm7',
    frets: 'x13121',
    tab: 'one',
    show: 'notes',
    ask: JSON.stringify({ effortUpTo: 90 }),
    hold: 'F 133211',
  });
  expect(inHand(bench)).toBe('Bbm7 x13121');
  expect([bench.tabs.tab.value, bench.show.value, bench.search.asked.effortUpTo]).toEqual([
    'one',
    'notes',
    90,
  ]);
  expect(bench.actions.held.value?.chord.symbol).toBe('F');
  expect(bench.tabs.changes.value?.length).toBeGreaterThan(10);
});

test('nothing in the address: C, its first grip, why it is hard; what cannot be read of it is nothing', async () => {
  const bare = await begin();
  expect([inHand(bare), bare.tabs.tab.value, bare.show.value]).toEqual(['C x32010', 'why', 'fingers']);
  // Nothing was picked: no grip is asked for by itself.
  expect(house.asked).not.toContain('oneShape');
  const broken = await begin({
    chord: 'Am',
    frets: '99',
    tab: 'x',
    show: 'y',
    ask: '{',
    hold: 'F 13',
  });
  expect([inHand(broken), broken.tabs.tab.value, broken.show.value]).toEqual(['Am x02210', 'why', 'fingers']);
  expect(broken.actions.held.value).toBeNull();
});

test('the address holds the whole bench a moment after typing, and only what differs', async () => {
  const bench = await begin();
  bench.search.typed.value = 'Am';
  bench.tabs.tab.value = 'names';
  await rest();
  expect(house.held.at(-1)).toEqual({ chord: 'Am', frets: '', tab: 'names', ask: '', hold: '', show: '' });
  bench.keep();
  bench.nextShow();
  bench.search.step(1);
  await rest();
  const held = house.held.at(-1);
  expect([held?.tab, held?.show, held?.frets]).toEqual(['compare', 'degrees', inHand(bench).split(' ')[1]]);
  expect(held?.hold).toBe('Am x02210');
  bench.search.typed.value = 'Hm???';
  await rest();
  expect(house.held.at(-1)?.chord).toBe('');
});

test('the cards of before stand until those of the chord typed last are there; one asked before comes too late', async () => {
  const bench = await begin({ chord: 'C' });
  await rest();
  const before = bench.search.list.value;
  let open = () => {};
  house.gate = new Promise((resolve) => (open = resolve));
  bench.search.typed.value = 'F';
  await settle();
  bench.search.typed.value = 'G';
  await settle();
  expect([bench.search.list.value.length, bench.chord.value?.symbol]).toEqual([before.length, 'C']);
  expect(bench.search.searching.value).toBe(true);
  open();
  await rest();
  expect(inHand(bench)).toBe('G 320033');
  expect(bench.search.total.value).toBe(bench.search.list.value.length);
});

test('a grip typed is in hand though it has no card of its own; a picked card stays picked when the rest comes', async () => {
  const bench = await begin();
  bench.search.typed.value = 'x3201x';
  await rest();
  expect(inHand(bench)).toBe('C x3201x');
  bench.search.typed.value = 'Em';
  await settle();
  expect(bench.search.step(2)).toBe(2);
  await settle();
  const picked = inHand(bench);
  expect(picked).toMatch(/^Em /);
  await rest();
  expect([inHand(bench), bench.search.pickedIndex.value]).toEqual([picked, 2]);
  expect(bench.search.step(-9)).toBe(0);
  bench.use('Am', [null, 0, 2, 2, 1, 0]);
  await rest();
  expect(inHand(bench)).toBe('Am x02210');
});

test('limits that leave nothing offer the step that fills the list again', async () => {
  const bench = await begin({ chord: 'F' });
  Object.assign(bench.search.asked, { effortUpTo: 3, barre: false });
  await rest();
  expect([bench.search.total.value, bench.picked.value]).toEqual([0, null]);
  const [way] = bench.search.steps.value;
  bench.search.giveWay(way);
  await rest();
  expect(bench.search.total.value).toBeGreaterThan(0);
  bench.search.reset();
  expect([bench.search.asked.effortUpTo, bench.search.asked.barre]).toEqual([100, true]);
});

test('a search that fails says so and can be asked again', async () => {
  emptyHouse({ chord: 'F' });
  house.broken = 'shapes';
  const bench = enter(useShapeBench);
  await settle();
  expect([bench.search.failed.value, bench.picked.value]).toEqual([true, null]);
  house.broken = null;
  await bench.search.again();
  await settle();
  expect([bench.search.failed.value, inHand(bench)]).toEqual([false, 'F 133211']);
});

test('a hand with a limit is told how far over it a grip lies, cautioned of a barre, and led to an easier one', async () => {
  emptyHouse({ chord: 'F', frets: '133211' });
  house.student.value = { id: 's1', name: 'Ode Pettibrand' };
  house.drilling.value = { ...house.drilling.value, limits: { ...DEFAULT_LIMITS, gripEffort: 50 } };
  const bench = enter(useShapeBench);
  await settle();
  const grade = Math.round(bench.effort.value?.total ?? 0);
  expect([bench.over.value, bench.caution.value, bench.who.value]).toEqual([grade - 50, true, 'Ode’s']);
  // Whatever tab is open.
  bench.tabs.tab.value = 'names';
  await bench.useEasier();
  await settle();
  expect(bench.effort.value?.total ?? 99).toBeLessThan(grade);
  expect([bench.caution.value, bench.over.value]).toEqual([
    false,
    Math.round(bench.effort.value?.total ?? 0) - 50,
  ]);
});

test('where nothing is easier it is said, and the grip stays', async () => {
  const bench = await begin({ chord: 'Em' });
  const nothing = jest.spyOn(modules.worker.benchWork(), 'standIns').mockResolvedValue([]);
  await bench.useEasier();
  expect([bench.actions.said.value, inHand(bench)]).toEqual(['Nothing easier does this job.', 'Em 022000']);
  nothing.mockRestore();
});

test('alone a grip goes out as a ring check; beside one kept as the loop of the two, either way round', async () => {
  const bench = await begin({ chord: 'C' });
  bench.actions.put();
  bench.drill();
  expect(house.out).toMatchObject([['plan', { family: 'ring check', parameters: { grip: { chord: 'C' } } }]]);
  expect(house.went.at(-1)).toEqual({ name: 'drills', query: { chord: 'C', frets: 'x32010' } });
  bench.keep();
  bench.actions.put();
  expect([house.out.at(-1)?.[1].family, bench.actions.change.value]).toEqual(['ring check', null]);
  bench.search.typed.value = 'Am';
  await rest();
  expect(bench.actions.change.value?.fingers.find((move) => move.finger === 1)?.does).toBe('stays');
  bench.actions.home();
  expect(house.out.at(-1)).toMatchObject([
    'home',
    { family: 'change loop', parameters: { grips: [{ chord: 'C' }, { chord: 'Am' }], beatsEach: 4 } },
  ]);
  bench.drill();
  expect(house.went.at(-1)?.query).toMatchObject({ family: 'change loop', from: 'C', fromFrets: 'x32010' });
  bench.actions.letGo();
  bench.actions.home();
  expect(house.out.at(-1)?.[1].family).toBe('ring check');
});

test('a hook hangs on the grip, beside one kept on the change', async () => {
  emptyHouse({ chord: 'C' });
  house.hooks.set(',3,2,0,1,0', { nickname: 'the stairs' });
  const bench = enter(useShapeBench);
  await settle();
  const { openPitches } = standardGuitar;
  expect(bench.hookSubject.value).toBe(gripMark([null, 3, 2, 0, 1, 0], openPitches));
  expect([bench.hookWhat.value, bench.hook.value]).toEqual(['this C', { nickname: 'the stairs' }]);
  bench.keep();
  bench.search.typed.value = 'Am';
  await rest();
  expect(bench.hookSubject.value).toBe(changeMark([null, 3, 2, 0, 1, 0], [null, 0, 2, 2, 1, 0], openPitches));
  expect([bench.hookWhat.value, bench.hook.value]).toEqual(['C → Am', null]);
});

test('heard string by string, thickest first, then as a strum; a silent string is not heard', async () => {
  const bench = await begin({ chord: 'C' });
  await bench.actions.hear();
  const [notes] = house.played[0] as [{ midiPitch: number; atSeconds: number }[]];
  const pitches = notes.map((note) => note.midiPitch);
  // C E G C E, string 5 to 1, an octave under what the staff shows.
  expect(pitches).toEqual([48, 52, 55, 60, 64, 48, 52, 55, 60, 64]);
  expect(notes[5].atSeconds).toBeGreaterThan(notes[4].atSeconds);
  expect(notes[9].atSeconds - notes[5].atSeconds).toBeLessThan(notes[1].atSeconds - notes[0].atSeconds);
});

test('a card goes on the page once', async () => {
  const bench = await begin({ chord: 'C' });
  bench.gathered.clear();
  bench.gather();
  bench.gather();
  expect(bench.gathered.cards.value.map((card) => card.name)).toEqual(['C']);
  expect(bench.actions.said.value).toBe('On the page: 1 card. Print it under Paper.');
  expect(bench.foot.value).toBe('The Shed. Light pressure; pain means stop.');
});
