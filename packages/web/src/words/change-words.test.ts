import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { stagePace } from '@finch/core/pace';
import { pieceDemand, readChart } from '@finch/core/score';
import { bandWords, readyWords, tempoWords } from './change-words';

test('a tempo is said as a teacher says it: what is clean now, what is wanted', () => {
  expect(tempoWords(71.6, 84)).toBe('clean at 72 now, 84 wanted');
  expect(tempoWords(83.6, 84)).toBe('clean at 84, 84 wanted');
  expect(tempoWords(96.2, 84)).toBe('clean at 96, 84 wanted');
  expect(bandWords({ lowBpm: 64.6, highBpm: 80.2 })).toBe('65 to 80');
});

const asked = (chart: string, stage: Parameters<typeof stagePace>[0]) => {
  const { piece } = readChart(chart);
  const demand = pieceDemand(piece, {
    hand: averageHand,
    instrument: standardGuitar,
    pace: stagePace(stage),
  });
  return { demand, words: readyWords(demand, piece.tempoBpm) };
};
const TUNE = 'tempo: 96\n| Em | Am | F | C | G7 | C | Bm | E7 |';

test('a piece says how many of its changes are ready at its tempo, and into which bars not', () => {
  const beginner = asked(TUNE, 'first month');
  expect(beginner.words).toMatch(
    /^\d of 7 changes (is|are) ready at 96; not yet: into bars? [\d, and more]+\.$/,
  );
  expect(beginner.demand.readyShare).toBeLessThan(0.5);
  expect(asked(TUNE, 'stage player').words).toBe('All 7 changes are ready at 96.');
  const counted = Number(/^\d+/.exec(beginner.words)?.[0]);
  expect(counted).toBe(beginner.demand.changes.filter((one) => one.grade.tempoBpm >= 95.5).length);
  expect(beginner.demand.barsNotReady.every((bar) => bar >= 2 && bar <= 8)).toBe(true);
});
