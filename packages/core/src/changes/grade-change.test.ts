import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { parseFrets, type Frets } from '../grips';
import { must } from '../kernel';
import changePairs from '../reference/change-pairs.json';
import { gradeChange } from './grade-change';

const open: Record<string, string> = {
  Am: 'x02210',
  Am7: 'x02010',
  E: '022100',
  C: 'x32010',
  G: '320003',
  D: 'xx0232',
  F: '133211',
  Bm: 'x24432',
  Gb: '244322',
  Gbarre: '355433',
  C8: '8-10-10-9-8-8',
};
const frets = (text: string) => must(parseFrets(text));
const change = (a: string, b: string, options = {}) =>
  must(gradeChange(frets(open[a]), frets(open[b]), averageHand, standardGuitar, options));

describe('gradeChange', () => {
  test.each([
    ['Am', 'Am7', 88],
    ['E', 'Am', 69],
    ['Am', 'C', 50],
    ['G', 'D', 41],
    ['C', 'G', 35],
    ['G', 'Bm', 26],
    ['C', 'F', 24],
    ['F', 'Gb', 35],
    ['F', 'Gbarre', 34],
    ['F', 'C8', 26],
  ])('%s to %s makes about %i a minute', (a, b, anchor) => {
    const rate = change(a, b).changesPerMinute;
    expect(Math.abs(rate / anchor - 1)).toBeLessThan(0.15);
  });

  test('every pair of changes that teachers agree on is in order', () => {
    type Side = (typeof changePairs)[number]['easier'];
    const sizes: Record<string, number> = { small: 0.85, medium: 1, large: 1.12 };
    const seconds = (side: Side) => {
      const thumbOver = side.from.thumb || side.to.thumb;
      const hand = must(makeHand({ sizeFactor: sizes[side.hand], thumbOver }));
      const graded = gradeChange(side.from.frets as Frets, side.to.frets as Frets, hand, {
        ...standardGuitar,
        scaleLengthMm: side.scale,
      });
      return graded.ok ? graded.value.seconds : Number.POSITIVE_INFINITY;
    };
    const wrong = changePairs.filter((pair) => !(seconds(pair.easier) < seconds(pair.harder)));
    expect(
      wrong.map(
        (pair) =>
          `${pair.easier.from.name}-${pair.easier.to.name} < ${pair.harder.from.name}-${pair.harder.to.name}`,
      ),
    ).toEqual([]);
    expect(changePairs.length).toBe(49);
  });

  test('Am to C keeps index and middle and carries the ring over', () => {
    const does = Object.fromEntries(change('Am', 'C').fingers.map((move) => [move.finger, move.does]));
    expect(does).toEqual({ 1: 'stays', 2: 'stays', 3: 'lifts over' });
  });

  test('E to Am moves three fingers one string across without a shift along the neck', () => {
    const graded = change('E', 'Am');
    expect(graded.shiftFrets).toBe(0);
    expect(graded.fingers.map((move) => move.does)).toEqual(['lifts over', 'lifts over', 'lifts over']);
  });

  test('a barre carried up two frets guides every finger', () => {
    const graded = change('F', 'Gbarre');
    expect(graded.fingers.every((move) => move.does === 'slides')).toBe(true);
    expect(graded.shiftFrets).toBe(2);
  });

  test('parts sum to the seconds, and the tempo leaves them a beat nine times in ten', () => {
    const graded = change('C', 'G');
    const sum = graded.parts.reduce((total, part) => total + part.seconds, 0);
    expect(sum).toBeCloseTo(graded.seconds, 9);
    const gapSeconds = 60 / graded.tempoBpm;
    expect(change('C', 'G', { gapSeconds }).cleanProbability).toBeCloseTo(0.9, 4);
    expect(graded.band.lowBpm).toBeLessThan(graded.tempoBpm);
  });

  test('a slower pace lengthens every part alike', () => {
    const slow = change('C', 'G', { pace: { factor: 1.5, logSpread: 0.1 } });
    const plain = change('C', 'G');
    slow.parts.forEach((part, i) => expect(part.seconds).toBeCloseTo(1.5 * plain.parts[i].seconds, 9));
  });

  test('a bad grip is named by its end', () => {
    const graded = gradeChange(frets('x32010'), [1, 2, 3], averageHand, standardGuitar);
    expect(graded.ok ? '' : graded.problem.at).toContain('to');
  });
});
