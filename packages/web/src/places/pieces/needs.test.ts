import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { pieceDemand, readChart } from '@finch/core/score';
import { needsOf } from './needs';

const demand = pieceDemand(readChart('| Am | C | G | Am |').piece, {
  hand: averageHand,
  instrument: standardGuitar,
});

test('skills are read from grips and changes, with their bars, what is not met first', () => {
  const states = [{ skillId: 'open.am', chance: { mean: 0.9, low: 0.8, high: 0.95 } }] as never[];
  const needs = needsOf(demand, standardGuitar, states, undefined);
  const am = needs.find((one) => one.id === 'open.am');
  expect(am?.bars).toEqual([1, 4]);
  expect(needs.find((one) => one.id === 'near.am-c')?.bars).toEqual([2]);
  expect(needs.at(-1)?.id).toBe('open.am');
});

test('a piece whose grips the syllabus does not know needs nothing of it', () => {
  const odd = pieceDemand(readChart('| Cmaj13#11 |').piece, {
    hand: averageHand,
    instrument: standardGuitar,
  });
  expect(needsOf(odd, standardGuitar, [], undefined)).toEqual([]);
});
