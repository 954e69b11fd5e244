import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { fingerLabels, parseFrets, type Frets } from '../grips';
import { must } from '../kernel';
import { REFERENCE_PACE, stagePace } from '../pace';
import changePairs from '../reference/change-pairs.json';
import { gradeChange, heldStates, packedChanges } from './grade-change';

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
    expect(Math.abs(rate / anchor - 1)).toBeLessThan(0.1);
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
    const unsure = change('C', 'G', { pace: stagePace('first month') });
    expect(unsure.band.lowBpm).toBeLessThan(unsure.tempoBpm);
    expect(unsure.band.highBpm).toBeGreaterThan(unsure.tempoBpm);
    expect(graded.band).toEqual({ lowBpm: graded.tempoBpm, highBpm: graded.tempoBpm });
  });

  test('a slower pace lengthens every part alike', () => {
    const slow = change('C', 'G', { pace: { ...REFERENCE_PACE, logFactor: Math.log(1.5) } });
    const plain = change('C', 'G');
    slow.parts.forEach((part, i) => expect(part.seconds).toBeCloseTo(1.5 * plain.parts[i].seconds, 9));
  });

  test('a bad grip is named by its end', () => {
    const graded = gradeChange(frets('x32010'), [1, 2, 3], averageHand, standardGuitar);
    expect(graded.ok ? '' : graded.problem.at).toContain('to');
  });
});

test('the finger with the longest way lands last, and a wider gap lifts the tempo in proportion', () => {
  const grade = (gapBeats?: number) =>
    must(gradeChange(frets('x32010'), frets('320003'), averageHand, standardGuitar, { gapBeats }));
  const one = grade();
  const longest = Math.max(...one.fingers.map((finger) => finger.seconds));
  expect(one.fingers.find((finger) => finger.finger === one.landsLast)?.seconds).toBe(longest);
  expect(grade(2).tempoBpm).toBeCloseTo(2 * one.tempoBpm, 9);
  const still = must(gradeChange(frets('x32010'), frets('x32010'), averageHand, standardGuitar));
  expect(still.landsLast).toBeNull();
});

test('the packed and the explained computation agree to the millionth', () => {
  const grips = ['x32010', '320003', '133211', 'xx0232', 'x24432', '022000', '355433'].map((text) =>
    must(parseFrets(text)),
  );
  const seconds = packedChanges(averageHand, standardGuitar);
  for (const from of grips)
    for (const to of grips) {
      const least = Math.min(
        ...heldStates([from], averageHand, standardGuitar).flatMap((a) =>
          heldStates([to], averageHand, standardGuitar).map((b) => seconds(a, b)),
        ),
      );
      const graded = must(gradeChange(from, to, averageHand, standardGuitar));
      const pinned = heldStates([from], averageHand, standardGuitar).flatMap((a) =>
        heldStates([to], averageHand, standardGuitar).flatMap((b) => {
          const same =
            fingerLabels(from, a.fingering).join() === graded.fromFingers.join() &&
            fingerLabels(to, b.fingering).join() === graded.toFingers.join();
          return same ? [seconds(a, b)] : [];
        }),
      );
      expect(Math.round(pinned[0] * 1e6)).toBe(Math.round(graded.seconds * 1e6));
      expect(least).toBeLessThanOrEqual(graded.seconds + 1e-9);
    }
});
