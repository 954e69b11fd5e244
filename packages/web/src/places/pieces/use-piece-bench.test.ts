/** Pieces without a browser: which piece is shown, whose part is whose, and where its bars go from here. */
import type { PieceBody, PieceContent } from '@finch/contract';
import { readChart } from '@finch/core/score';
import { ref, shallowRef } from 'vue';
import { emptyHouse, enter, house, leave, settle } from '../../test-house';
import type { Listed } from './listed';
import { usePieceBench } from './use-piece-bench';

const desk = {
  pieces: shallowRef<Listed[]>([]),
  members: ref<{ id: string }[]>([]),
  readiness: [] as unknown[][],
  changes: [] as [Partial<PieceContent>, string][],
  back: null as string | null,
};
jest.mock('vue-router', () => ({
  useRouter: () => ({
    push: (to: never) => house.went.push(to),
    replace: (to: never) => house.went.push(to),
  }),
}));
jest.mock('../../session/bench', () => jest.requireActual('../../test-house').modules.bench);
jest.mock('../../session/seat', () => jest.requireActual('../../test-house').modules.seat);
jest.mock('../../session/taught', () => jest.requireActual('../../test-house').modules.taught);
jest.mock('../../session/hand-out', () => jest.requireActual('../../test-house').modules.handOut);
jest.mock('../../session/queries', () => ({
  useSyllabus: () => ({ data: ref({ skills: [], strands: [] }) }),
}));
jest.mock('../../workers/bench', () => jest.requireActual('../../test-house').modules.worker);
jest.mock('../../workers/piece-player', () => jest.requireActual('../../test-house').modules.piecePlayer);
jest.mock('./repertoire', () => ({
  useRepertoire: () => ({ query: {}, pieces: desk.pieces, today: ref('2026-06-09') }),
}));
jest.mock('./use-group', () => ({
  useGroup: () => ({
    members: desk.members,
    names: ref({ ode: { name: 'Ode Pettibrand', limit: 66 } }),
    readiness: (...given: unknown[]) => {
      desk.readiness.push(given);
      return [];
    },
  }),
}));
jest.mock('./use-piece-keeping', () => ({
  usePieceKeeping: () => ({
    versions: { forget: () => undefined },
    trouble: ref(''),
    bringBack: async () => desk.back,
    change: (edit: (on: PieceContent) => Partial<PieceContent>, said: string) => {
      const { parts = {} } = desk.pieces.value[0].body;
      desk.changes.push([edit({ parts } as PieceContent), said]);
    },
  }),
}));

const listed = (id: string, chart: string, more: Partial<PieceBody> = {}): Listed => {
  const body = {
    id,
    chart,
    version: 1,
    concert: null,
    locks: {},
    parts: {},
    ...more,
  } as unknown as PieceBody;
  return { body, piece: readChart(chart).piece };
};
const LANTERN = listed(
  'lantern',
  'title: Lantern Lane\nkey: C major\ntempo: 84\n\n[A] plain\n| C | Am | F | G |\n',
  {
    concert: { day: '2026-06-19', name: 'Fair' } as unknown as PieceBody['concert'],
    parts: { bram: 'capo' },
  },
);
const WALTZ = listed(
  'waltz',
  'title: Puppet Waltz\nkey: G major\ntime: 3/4\ntempo: 96\n\n[A] plain\n| G | D7 | G |\n',
);
const enough = () => settle(40);
async function begin(id?: string) {
  emptyHouse();
  desk.pieces.value = [LANTERN, WALTZ];
  desk.members.value = [{ id: 'ode' }, { id: 'bram' }];
  desk.changes.length = desk.readiness.length = 0;
  const pieceId = ref(id);
  const bench = enter(() => usePieceBench(() => pieceId.value));
  await enough();
  return { bench, pieceId };
}
afterEach(leave);

test('the piece of the address is shown, one nobody has is the first; the keys go to its neighbours and no further', async () => {
  const { bench } = await begin('waltz');
  expect(bench.shown.value?.piece.title).toBe('Puppet Waltz');
  bench.walk(-1);
  bench.walk(1);
  expect(house.went).toEqual([{ name: 'pieces', params: { pieceId: 'lantern' } }]);
  const other = await begin('gone');
  expect(other.bench.shown.value?.piece.title).toBe('Lantern Lane');
});

test('another piece is asked about anew; bars picked in the one before are not picked in it', async () => {
  const { bench, pieceId } = await begin('lantern');
  expect(bench.asks.demand.value?.chords.map((one) => one.step.chord.symbol)).toEqual(['C', 'Am', 'F', 'G']);
  bench.chart.picked.value = [2, 3];
  pieceId.value = 'waltz';
  await enough();
  expect(bench.asks.demand.value?.chords).toHaveLength(3);
  expect(bench.chart.picked.value).toEqual([]);
});

test('a concert is so many days ahead, and the group is asked how ready it is for that day', async () => {
  const { bench } = await begin('lantern');
  expect(bench.concert.value?.days).toBe(10);
  void bench.ready.value;
  expect(desk.readiness.at(-1)?.[0]).toBe(10);
  const { bench: none } = await begin('waltz');
  expect(none.concert.value).toBeNull();
  void none.ready.value;
  expect(desk.readiness.at(-1)?.[0]).toBe(0);
});

test('a part given to one leaves the others theirs; taken away, it is solved anew', async () => {
  const { bench } = await begin('lantern');
  void bench.give('ode', 'two notes');
  void bench.give('bram', null);
  expect(desk.changes[0][0]).toEqual({ parts: { bram: 'capo', ode: 'two notes' } });
  expect(desk.changes[0][1]).toMatch(/^Ode plays /);
  expect(desk.changes[1]).toEqual([{ parts: {} }, 'Parts are solved anew.']);
});

test('picked bars go out as a drill, none as the piece from its beginning', async () => {
  const { bench } = await begin('lantern');
  bench.toDrill();
  bench.chart.picked.value = [2, 3];
  bench.toDrill();
  const [whole, part] = house.went.map((one) => JSON.parse(one.query?.recipe ?? '').parameters);
  expect([whole.fromBar, whole.toBar, whole.pieceId]).toEqual([1, 4, 'lantern']);
  expect([part.fromBar, part.toBar, part.grips.length]).toEqual([2, 3, 2]);
});

test('bars open in Changes with tempo and title; the weakest change is picked first, looped, and put in the plan', async () => {
  const { bench } = await begin('lantern');
  bench.toChanges([1, 2]);
  expect(house.went.at(-1)).toMatchObject({ name: 'changes', query: { tempo: '84' } });
  expect(house.went.at(-1)?.query?.chords).toMatch(/C[\s\S]*Am/);
  bench.loopWeak();
  expect(bench.chart.picked.value).toEqual(bench.chart.weak.value);
  expect(bench.chart.weak.value).toHaveLength(2);
  bench.put();
  expect(house.out).toMatchObject([['plan', { family: 'change loop' }]]);
  bench.openShape(2);
  expect(house.went.at(-1)).toMatchObject({ name: 'shapes', query: { chord: 'F' } });
});

test('the grips of a hand with a limit stay inside it where the chord allows', async () => {
  const { bench } = await begin('lantern');
  const heaviest = () =>
    Math.max(...(bench.asks.demand.value?.chords.map((one) => one.step.grip?.effort.total ?? 0) ?? []));
  const free = heaviest();
  const { limits, ...hand } = house.drilling.value;
  expect(limits).toBeUndefined();
  house.drilling.value = {
    ...hand,
    limits: { schemaVersion: 1, gripEffort: 45, barreMinutes: 6, load: 5, assumed: false },
  };
  await enough();
  expect(free).toBeGreaterThan(45);
  expect(heaviest()).toBeLessThanOrEqual(45);
});

test('paper is made when it is asked for: the grips of whoever is on the bench, or the part shown', async () => {
  const { bench } = await begin('lantern');
  expect(bench.job.value).toBeNull();
  bench.dialogs.is.printing = true;
  expect(JSON.stringify(bench.job.value)).toContain('Grips for a middle hand');
  house.student.value = { id: 'ode', name: 'Ode Pettibrand' };
  expect(JSON.stringify(bench.job.value)).toContain('Grips for Ode');
});

test('the next of the group comes to the bench, round and round; a piece brought back opens', async () => {
  const { bench } = await begin('lantern');
  house.benched.studentId = 'ode';
  bench.otherStudent();
  expect(house.benched.studentId).toBe('bram');
  bench.otherStudent();
  expect(house.benched.studentId).toBe('ode');
  desk.members.value = [];
  bench.otherStudent();
  expect(house.benched.studentId).toBe('ode');
  expect(await bench.bringBack()).toBeNull();
  expect(house.went).toEqual([]);
  desk.back = 'waltz';
  await bench.bringBack();
  expect(house.went.at(-1)).toEqual({ name: 'pieces', params: { pieceId: 'waltz' } });
});
