import { averageHand, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { must } from '../kernel';
import { gradeChange } from './grade-change';
import { practiseFor } from './practise';

const steps = (from: string, to: string) => {
  const [a, b] = [must(parseFrets(from)), must(parseFrets(to))];
  return practiseFor(must(gradeChange(a, b, averageHand, standardGuitar)));
};

test('C to Am: two fingers stay as the pivot, one crosses over', () => {
  const found = steps('x32010', 'x02210');
  expect(found.map((step) => step.kind)).toEqual(['pivot', 'loop']);
  expect(found[0].what.values.fingers).toBe('1 2');
});

test('C to G: nothing stays, so the hand lands as one in the air, the slowest finger first by itself', () => {
  const found = steps('x32010', '320003');
  expect(found.map((step) => step.kind)).toEqual(['one finger', 'air', 'loop']);
  expect(found[0].what.code).toMatch(/^practise\.one/);
});

test('a barre carried along is a slide, never an air change', () => {
  expect(steps('133211', '355433').map((step) => step.kind)).toEqual(['slide', 'loop']);
});

test('the loop begins under the clean tempo and never below a slow walk; nothing changes, nothing to practise', () => {
  const [a, b] = [must(parseFrets('x02210')), must(parseFrets('022100'))];
  const change = must(gradeChange(a, b, averageHand, standardGuitar));
  const loop = practiseFor(change).at(-1);
  expect(loop?.tempoBpm ?? 999).toBeLessThan(Math.max(41, change.tempoBpm));
  expect(loop?.tempoBpm ?? 0).toBeGreaterThanOrEqual(40);
  expect(steps('x02210', 'x02210')).toEqual([]);
});
