import { planPath } from '@finch/core/changes';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { parseChord } from '@finch/core/theory';
import { loopOfPair, loopOfPath, practised } from './path-loops';
import { pathJob } from './path-paper';

const pathOf = (chords: string) =>
  planPath(
    chords.split(' ').map((symbol) => must(parseChord(symbol))),
    { hand: averageHand, instrument: standardGuitar },
  );
const path = pathOf('C Am F G C Dm E7');

test('a pair goes round and round; without a grip on one side there is no loop', () => {
  const [from, to] = path.steps;
  const loop = loopOfPair(from, to);
  expect(loop?.parameters.grips.map((grip) => grip.chord)).toEqual(['C', 'Am']);
  expect(loop?.parameters.grips[1].frets).toEqual(to.grip?.frets);
  expect(loopOfPair(from, { ...to, grip: null })).toBeNull();
});

test('a step that mends the change is its piece at its tempo; the loop itself stays whole', () => {
  const loop = loopOfPair(path.steps[0], path.steps[1])!;
  const lands = { ...path, kind: 'lift', tempoBpm: 44 } as unknown as Parameters<typeof practised>[1];
  expect(practised(loop, lands).parameters).toMatchObject({ piece: 'lift', tempoBpm: 44 });
  const whole = { kind: 'loop' } as unknown as Parameters<typeof practised>[1];
  expect(practised(loop, whole).parameters).toEqual(loop.parameters);
});

test('the path as a loop takes the first four grips that are another each', () => {
  const loop = loopOfPath(path.steps);
  expect(loop?.parameters.grips).toHaveLength(4);
  const texts = loop?.parameters.grips.map((grip) => grip.frets.join());
  expect(new Set(texts).size).toBe(4);
  expect(loop?.parameters.grips[0].chord).toBe('C');
  expect(loopOfPath(pathOf('C C C').steps)).toBeNull();
  expect(loopOfPath([])).toBeNull();
});

test('on paper every grip is a card with the change that leaves it; the last leaves none', () => {
  const where = path.steps.map((_, i) => `bar ${i + 1}`);
  const job = pathJob(path, where, { title: '', who: 'Bram Tolliwick', leftHanded: true });
  if (job?.layout !== 'page') throw new Error('no page');
  expect(job.cards).toHaveLength(7);
  expect([job.title, job.leftHanded]).toEqual(['A path along the neck', true]);
  expect(job.foot).toMatch(/^7 chords for Bram Tolliwick, all changes nine of ten clean at \d+ bpm$/);
  expect(job.cards[0].under).toMatch(/^bar 1; on at \d+ bpm, (no shift|\d+ frets? (up|down))$/);
  expect(job.cards[6].under).toBe('bar 7');
  expect(
    pathJob({ ...path, steps: path.steps.map((one) => ({ ...one, grip: null })) }, where, {
      title: 'T',
      who: 'x',
      leftHanded: false,
    }),
  ).toBeNull();
});
