/** Harmony without a browser: the key in hand, progressions, swaps with their grips, what the class holds, and the address. */
import { emptyHouse, enter, house, leave, settle } from '../../test-house';
import { approachesTo } from '@finch/core/harmony';
import { must } from '@finch/core';
import { parseChord } from '@finch/core/theory';
import { benchJobs } from '../../workers/bench-jobs';
import { figureText } from '../../words/harmony-words';
import { tonicsOf, useKeyInHand } from './use-key';
import { useHarmonyBench } from './use-harmony-bench';

jest.mock('vue-router', () => jest.requireActual('../../test-house').modules.router);
jest.mock('../../session/address', () => jest.requireActual('../../test-house').modules.address);
jest.mock('../../session/bench', () => jest.requireActual('../../test-house').modules.bench);
jest.mock('../../session/group', () => jest.requireActual('../../test-house').modules.group);
jest.mock('../../session/taught', () => jest.requireActual('../../test-house').modules.taught);
jest.mock('../../session/hand-out', () => jest.requireActual('../../test-house').modules.handOut);
jest.mock('../../workers/player', () => jest.requireActual('../../test-house').modules.player);
jest.mock('../../workers/bench', () => jest.requireActual('../../test-house').modules.worker);

const rest = async (turns = 60) => {
  await settle(turns);
  await new Promise((resolve) => setTimeout(resolve, 180));
  await settle(turns);
};
afterEach(leave);
/** The grips of a dozen swaps take their time: the worker answers where a test asks for them. */
const NO_WORKER = () => (house.gate = new Promise<void>(() => undefined));
const GRIPS = () => undefined;
async function begin(address: Record<string, string> = {}, before: () => unknown = NO_WORKER) {
  emptyHouse(address);
  before();
  const bench = enter(useHarmonyBench);
  await rest();
  return bench;
}
type Bench = Awaited<ReturnType<typeof begin>>;
const numbers = ({ inHand }: Bench) => inHand.degrees.value.map((one) => figureText(one.figure)).join(' ');

describe('the key in hand', () => {
  const begun = (name: string) => enter(() => useKeyInHand({ name, degree: '', triads: '', school: '' }));
  test('an address brings one; one beyond seven signs is refused with its twin, and the twin is in hand', () => {
    expect(begun('E harmonic minor').name.value).toBe('E harmonic minor');
    const twin = begun('G# major');
    expect([twin.name.value, twin.refused.value]).toEqual([
      'Ab major',
      { name: 'G# major', instead: 'Ab major' },
    ]);
    twin.take('Db major');
    expect([twin.name.value, twin.refused.value]).toEqual(['Db major', null]);
    expect(begun('nonsense').refused.value?.instead).toBeTruthy();
    expect(begun('').refused.value).toBeNull();
  });
  test('another kind keeps the tonic, or takes its twin where that has too many signs', () => {
    const key = begun('Db major');
    key.takeKind('dorian');
    expect(key.name.value).toBe('Db dorian');
    key.take('Gb major');
    key.takeKind('minor');
    expect(key.name.value).toBe('F# minor');
  });
  test('fifteen tonics a kind, from the most flats, and the degrees go round', () => {
    expect(tonicsOf('major').map((one) => one.fifths)).toEqual(Array.from({ length: 15 }, (_, i) => i - 7));
    const key = begun('C major');
    expect(key.picked.value).toBe(4);
    key.step(3);
    expect(key.picked.value).toBe(0);
    key.step(-1);
    expect(key.picked.value).toBe(6);
  });
});

test('degrees are drawn with the crossed circle, triads or sevenths, in three schools', async () => {
  const bench = await begin({ key: 'E harmonic minor' });
  expect(numbers(bench)).toBe('im△7 iiø7 ♭III+△7 iv7 V7 ♭VI△7 vii°7');
  bench.inHand.school.value = 'by number';
  expect(bench.inHand.degrees.value[1].figure).toBe('2m7b5');
  bench.inHand.sevenths.value = false;
  expect(bench.inHand.degree.value.chord.symbol).toBe('B');
});

test('what pulls home is heard into home; its swaps get a grip each for this hand', async () => {
  const bench = await begin({ key: 'Ab major' }, GRIPS);
  expect([bench.asked.value?.chord.symbol, bench.asked.value?.next?.symbol]).toEqual(['Eb7', 'Abmaj7']);
  const symbols = bench.swaps.swaps.value.map((one) => one.chord.symbol);
  expect(symbols).toContain('Bbb7');
  for (const symbol of ['Eb7', ...symbols]) expect(bench.swaps.placed.value[symbol]).toBeDefined();
  expect(bench.placed.value?.next).not.toBeNull();
  expect(bench.placed.value?.out?.seconds).toBeGreaterThan(0);
  bench.inHand.picked.value = 0;
  await rest();
  expect([bench.asked.value?.chord.symbol, bench.asked.value?.next]).toEqual(['Abmaj7', null]);
});

test('a worker that fails says so and can be asked again', async () => {
  const bench = await begin({}, () => (house.broken = 'placed'));
  expect([bench.swaps.failed.value, bench.grip.value]).toEqual([true, null]);
  house.broken = null;
  await bench.swaps.again();
  expect([bench.swaps.failed.value, bench.grip.value !== null]).toEqual([false, true]);
});

test('the tune is held against every swap; what it rubs against comes last', async () => {
  const bench = await begin({ view: 'progression', chords: 'G | D | Em | C', at: '3', tune: 'B' });
  const held = await begin({ view: 'progression', chords: 'G | D | Em | C', at: '1', tune: 'B' });
  const rubs = held.swaps.swaps.value.map((one) => one.clash !== null);
  expect(rubs).toContain(true);
  expect([...rubs].sort()).toEqual(rubs);
  const all = bench.swaps.swaps.value;
  const firstRub = all.findIndex((one) => one.clash !== null);
  expect(all.slice(firstRub).every((one) => one.clash !== null) || firstRub < 0).toBe(true);
  expect(all.find((one) => one.chord.symbol === 'Cmaj7')).toMatchObject({ melodyIs: '7', clash: null });
  bench.tune.value = 'H7';
  expect([bench.tuneUnread.value, bench.melody.value]).toEqual([true, null]);
});

describe('a progression', () => {
  test('is read in the best key, chord by chord, with what comes before and after', async () => {
    const bench = await begin({ view: 'progression', at: '1' });
    expect([
      bench.asked.value?.chord.symbol,
      bench.asked.value?.before?.symbol,
      bench.asked.value?.next?.symbol,
    ]).toEqual(['G7', 'Dm7', 'Em7']);
    expect(bench.progression.found.value.slice(0, 2).map((one) => [one.key.name, one.foreign])).toEqual([
      ['C major', ['A7']],
      ['D minor', ['G7', 'Em7', 'A7']],
    ]);
    bench.progression.step(9);
    expect(bench.progression.index.value).toBe(3);
    bench.takeKey(bench.progression.found.value[1]);
    expect(bench.inHand.name.value).toBe('D minor');
  });
  test('a swap is taken in its place', async () => {
    const bench = await begin({ view: 'progression', chords: 'Dm7 | G7 | C', at: '1' });
    const sub = bench.swaps.swaps.value.find((one) => one.kind === 'tritone');
    if (sub) bench.progression.take(sub.chord);
    expect(bench.progression.typed.value).toBe('Dm7 | Db7 | C');
  });
  test('of keys as good the key in hand is read, else the one that begins at home', async () => {
    const free = await begin({ view: 'progression', chords: 'F | Dm', key: 'A major' });
    expect(free.progression.reading.value?.key.name).toBe('F major');
    const held = await begin({ view: 'progression', chords: 'F | Dm', key: 'C major' });
    expect(held.progression.reading.value?.numerals).toEqual(['IV', 'ii']);
    const end = await begin({ view: 'progression', chords: 'Dm | F', key: 'A major' });
    expect(['D minor', 'F major']).toContain(end.progression.reading.value?.key.name);
  });
  test('of a shorter progression the first chord is looked at', async () => {
    const bench = await begin({ view: 'progression', chords: 'G | D | Em | C', at: '3' });
    bench.progression.typed.value = 'F | Dm';
    await rest();
    expect([bench.asked.value?.chord.symbol, bench.asked.value?.next?.symbol]).toEqual(['F', 'Dm']);
  });
  test('numbers are read in the key in hand', async () => {
    const bench = await begin({ view: 'progression', chords: 'ii7 V7 Imaj7', key: 'Db major' });
    expect(bench.progression.chords.value.map((one) => one.symbol)).toEqual(['Ebm7', 'Ab7', 'Dbmaj7']);
    expect(bench.progression.guides.value[0].tones.map((one) => one.letter)).toEqual(['G', 'D']);
  });
  test.each([
    ['C | Xm | G', 'Xm', 'chord.root'],
    ['8 9 0', '8', 'numeral.degree'],
    ['1 57', '57', 'numeral.two'],
  ])('%j: %s cannot be read', async (chords, word, code) => {
    const bench = await begin({ view: 'progression', chords });
    expect([
      bench.progression.read.value.unread?.word,
      bench.progression.read.value.unread?.problem.code,
    ]).toEqual([word, code]);
    expect(bench.asked.value).toBeNull();
  });
  test('three hundred chords are too many, and said so', async () => {
    const bench = await begin({ view: 'progression', chords: 'C '.repeat(300) });
    expect([bench.progression.read.value.tooMany, bench.progression.chords.value.length]).toEqual([true, 0]);
  });
});

test('what the class holds comes from the skills a grip belongs to', async () => {
  const skill = (skillId: string, mean: number) => ({ skillId, chance: { mean, low: 0, high: 1 } });
  const bench = await begin({}, () => {
    house.known.value = [
      { id: 'a', name: 'Yusra One', skills: [skill('open.C', 0.9)] },
      { id: 'b', name: 'Bram Two', skills: [] },
    ];
  });
  expect(bench.held('C', undefined)).toBeNull();
  // A grip no skill is about.
  expect(bench.held('C', [null, null, null, null, null, 20])).toBeNull();
  const held = bench.held('C', [null, 3, 2, 0, 1, 0]);
  expect(held?.map((one) => one.name)).toEqual(['Yusra One', 'Bram Two']);
  expect(held?.[1].mean).toBeNull();
});

test('scales: the key’s own, one asked for, one refused with its twin', async () => {
  const own = await begin({ key: 'Db dorian' });
  expect(own.scale.value.ok && own.scale.value.value.name).toBe('Db dorian');
  own.showScale('F# phrygian dominant');
  expect([own.view.value, own.scale.value.ok && own.scale.value.value.notes.length]).toEqual(['scale', 7]);
  own.showScale('D# major');
  expect([own.scaleUnread.value?.code, own.scale.value.ok && own.scale.value.value.name]).toEqual([
    'scale.signature',
    'Db dorian',
  ]);
  // Another key has its own scale.
  own.inHand.take('G major');
  await rest();
  expect(own.scaleName.value).toBe('');
});

test('the address holds what is shown, and only what is not usual', async () => {
  const bench = await begin({ key: 'C major' });
  bench.inHand.picked.value = 1;
  bench.inHand.sevenths.value = false;
  bench.view.value = 'circle';
  await rest();
  expect(house.held.at(-1)).toMatchObject({
    key: 'C major',
    degree: '2',
    triads: '1',
    view: 'circle',
    numbers: '',
    chords: '',
  });
});

test('from here a chord goes to Shapes with its grip, to Changes with its neighbour, into the plan as their change', async () => {
  const bench = await begin({ key: 'Ab major' }, GRIPS);
  bench.lead('shapes');
  bench.lead('changes');
  bench.path(['F', 'C/E', 'Dm']);
  await bench.put();
  expect(house.went.map((one) => [one.name, one.query?.chord ?? one.query?.chords])).toEqual([
    ['shapes', 'Eb7'],
    ['changes', 'Eb7 | Abmaj7'],
    ['changes', 'F | C/E | Dm'],
  ]);
  expect(house.out[0][1]).toMatchObject({ family: 'change loop' });
  bench.inHand.picked.value = 0;
  await rest();
  await bench.put();
  expect(house.out[1][1]).toMatchObject({ family: 'ring check' });
});

test('a dim7 into a chord is taken by the name whose grip lies nearest', async () => {
  const bench = await begin({ view: 'progression', chords: 'C | Dm7', at: '1' }, GRIPS);
  const [dim, dominant] = approachesTo(must(parseChord('Dm7')));
  await bench.approach(dim);
  await bench.approach(dominant);
  const [first, second] = house.went.map((one) => one.query?.chords ?? '');
  expect(second).toBe('A7 | Dm7');
  const [taken, target] = first.split(' | ');
  expect([target, ['C#dim7', 'Edim7', 'Gdim7', 'Bbdim7'].includes(taken)]).toEqual(['Dm7', true]);
  // No other name is quicker into it.
  const seconds = (symbol: string) =>
    benchJobs.placed(null, must(parseChord(symbol)), must(parseChord('Dm7')), bench.options.value).out
      ?.seconds ?? Infinity;
  expect(Math.min(...['C#dim7', 'Edim7', 'Gdim7', 'Bbdim7'].map(seconds))).toBe(seconds(taken));
});

test('heard: grips, a line over its drone, a grip over another root; a press while it sounds stops it', async () => {
  const { heard, grip } = await begin({}, GRIPS);
  await heard.grips([grip.value?.frets ?? null]);
  expect(heard.playing.value).toBe(true);
  await heard.grips([null]);
  expect([heard.playing.value, house.played.length]).toEqual([false, 1]);
  await heard.line([{ stringIndex: 5, fret: 3 }], 2, 0);
  const [sounds] = house.played[1] as [{ stringIndex: number; midiPitch: number }[]];
  expect(sounds.map((one) => one.stringIndex).sort()).toEqual([0, 5]);
  heard.stop();
  await heard.over([null, 3, 2, 0, 1, 0], 2);
  const [over] = house.played[2] as [{ midiPitch: number }[]];
  expect([over[0].midiPitch % 12, over.length]).toEqual([2, 6]);
});
