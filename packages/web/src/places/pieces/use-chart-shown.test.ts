import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { partsOf, pieceDemand, readChart, type PartGrade, type Piece } from '@finch/core/score';
import { effectScope, nextTick, ref, shallowRef } from 'vue';
import { useChartShown } from './use-chart-shown';

const heard: unknown[][] = [];
const playing = ref(false);
const stop = jest.fn(() => (playing.value = false));
jest.mock('../../workers/piece-player', () => ({
  usePiecePlayer: () => ({
    playing,
    soundingBar: ref(null),
    stop,
    play: async (...given: unknown[]) => {
      heard.push(given);
      playing.value = true;
    },
  }),
}));

const { piece } = readChart('title: T\nkey: Db major\n[A]\n| Db | Bbm7 | Gb | Ab7 |\n');
const options = { hand: averageHand, instrument: standardGuitar };
const demand = pieceDemand(piece, options);
const parts = partsOf(piece, options);

function chart(now: Piece = piece, graded: readonly PartGrade[] = parts) {
  const held = shallowRef<Piece | null>(now);
  const made = effectScope().run(() =>
    useChartShown({
      piece: held,
      demand: shallowRef(demand),
      parts: shallowRef(graded),
      instrument: shallowRef(standardGuitar),
    }),
  )!;
  return { ...made, held };
}
beforeEach(() => {
  heard.length = 0;
  playing.value = false;
  stop.mockClear();
});

test('each bar weighs what its heaviest grip weighs, and the weakest change marks two bars', () => {
  const { efforts, weak, part } = chart();
  for (const { step, number } of demand.chords)
    expect(efforts.value.get(number)).toBeGreaterThanOrEqual(step.grip?.effort.total ?? 0);
  expect([...efforts.value.keys()]).toEqual([1, 2, 3, 4]);
  const change = demand.changes[demand.weakest ?? 0];
  expect(weak.value).toEqual([demand.chords[change.from].number, demand.chords[change.to].number]);
  // Of another part nothing was graded bar by bar.
  part.value = 'two notes';
  expect([efforts.value.size, weak.value]).toEqual([0, []]);
});

test('a part has its own grips, and the capo its own chart', () => {
  const { part, grips, asPart } = chart();
  const full = grips.value;
  part.value = 'two notes';
  expect(grips.value).toEqual(parts.find((one) => one.kind === 'two notes')?.grips);
  expect(grips.value).not.toEqual(full);
  part.value = 'capo';
  const capo = parts.find((one) => one.kind === 'capo');
  expect(asPart.value?.capo).toBe(capo?.capo);
  expect(piece.capo).toBe(0);
});

test('bars picked are heard round and round; all of them once; a second press stops', async () => {
  const { hear, pick, slow } = chart();
  slow.value = 70;
  await hear();
  expect(heard[0][1]).toMatchObject({ fromBar: 0, toBar: 3, tempoShare: 0.7 });
  expect(heard[0][2]).toBe(false);
  await hear();
  expect([stop.mock.calls.length, heard.length]).toEqual([1, 1]);
  pick(2);
  pick(3);
  await hear();
  expect(heard[1][1]).toMatchObject({ fromBar: 1, toBar: 2 });
  expect(heard[1][2]).toBe(true);
});

test('another piece lets the picked bars go and stops; the same piece read anew does not stop', async () => {
  const { pick, picked, held } = chart();
  pick(2);
  stop.mockClear();
  held.value = JSON.parse(JSON.stringify(piece)) as Piece;
  await nextTick();
  expect(stop).not.toHaveBeenCalled();
  held.value = readChart('title: U\n[A]\n| C | G |\n').piece;
  await nextTick();
  expect(stop).toHaveBeenCalled();
  expect(picked.value).toEqual([]);
});
