/** One path and one tempo for the same bars and the same hand, wherever they are asked for. */
import { gradeChange } from '@finch/core/changes';
import { makeDrill, pieceSection } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { DEFAULT_LIMITS, NOTHING_ON_RECORD, playedBy, taughtHand } from '@finch/core/hands';
import { must } from '@finch/core/kernel';
import { stagePace } from '@finch/core/pace';
import { partsOf, pieceDemand, readChart } from '@finch/core/score';
import { ref, shallowRef } from 'vue';
import { emptyHouse, enter, house, leave, settle } from './test-house';
import type { Listed } from './places/pieces/listed';
import { useDemand } from './places/pieces/use-demand';
import { usePathBench } from './places/changes/use-path-bench';

jest.mock('vue-router', () => jest.requireActual('./test-house').modules.router);
jest.mock('./session/address', () => jest.requireActual('./test-house').modules.address);
jest.mock('./session/bench', () => jest.requireActual('./test-house').modules.bench);
jest.mock('./session/taught', () => jest.requireActual('./test-house').modules.taught);
jest.mock('./session/hand-out', () => jest.requireActual('./test-house').modules.handOut);
jest.mock('./workers/piece-player', () => jest.requireActual('./test-house').modules.piecePlayer);
jest.mock('./workers/bench', () => jest.requireActual('./test-house').modules.worker);
afterEach(leave);

const taught = {
  ...taughtHand(NOTHING_ON_RECORD, 0),
  pace: stagePace('some years'),
  limits: { ...DEFAULT_LIMITS, gripEffort: 58 },
};
const BARS = ['F#m7 | F#m7 | B7 | E', 'Eb | Gm | Ab | Bb7', 'Bb Eb | F7 | Gm | Bb', 'C | G/B | Am | F'];

test.each(BARS)('%s: Changes, Pieces, its full part and its drill agree on grips and tempi', async (bars) => {
  emptyHouse({ chords: bars });
  house.drilling.value = taught;
  const { piece } = readChart(`| ${bars} |`);
  const bench = enter(usePathBench);
  await settle();
  const path = bench.work.path.value;
  const grips = path?.steps.map((step) => step.grip?.frets.join());

  const asked = enter(() =>
    useDemand(shallowRef({ piece, body: { locks: {} } } as unknown as Listed), ref(taught)),
  );
  await settle();
  const demand = asked.demand.value;
  expect(demand?.chords.map((one) => one.step.grip?.frets.join())).toEqual(grips);
  for (const change of demand?.changes ?? []) {
    if (change.to !== change.from + 1) continue;
    expect(change.grade.tempoBpm).toBeCloseTo(path?.changes[change.from]?.tempoBpm ?? 0, 9);
  }

  const [full] = partsOf(piece, playedBy(taught));
  expect(full.grips.map((frets) => frets?.join())).toEqual(grips);
  expect(full.tempoShare).toBe(pieceDemand(piece, playedBy(taught)).tempoShare);

  const drill = must(
    makeDrill(
      pieceSection({
        pieceId: 'p',
        title: 'Bars',
        fromBar: 1,
        toBar: 4,
        chart: `| ${bars} |`,
        grips: full.grips,
        part: 'one stroke',
      }),
      taught,
    ),
  );
  // Round and round the drill also goes from the last chord back to the first.
  const [first, last] = [path?.steps[0].grip, path?.steps.at(-1)?.grip];
  const back = must(
    gradeChange(last?.frets ?? [], first?.frets ?? [], taught.hand, taught.instrument, {
      pace: taught.pace,
    }),
  );
  const slowest = Math.min(
    back.tempoBpm,
    ...(path?.changes ?? []).flatMap((one) => (one ? [one.tempoBpm] : [])),
  );
  expect((drill.predictedBpm ?? 0) / slowest).toBeCloseTo(1, 6);
  expect(drill.steps.map((step) => step.grip?.frets.join())).toEqual(grips);
});

test('a chord that is repeated keeps its grip, and its staying is no change', async () => {
  emptyHouse({ chords: 'F#m7 | F#m7 | B7 | B7' });
  house.drilling.value = { hand: averageHand, instrument: standardGuitar };
  const bench = enter(usePathBench);
  await settle();
  const path = bench.work.path.value;
  const frets = path?.steps.map((step) => step.grip?.frets.join()) ?? [];
  expect([frets[0], frets[2]]).toEqual([frets[1], frets[3]]);
  expect(path?.changes.map((one) => one !== null)).toEqual([false, true, false]);
});
