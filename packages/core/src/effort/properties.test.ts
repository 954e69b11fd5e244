import fc from 'fast-check';
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { parseFrets, type FingerLabel } from '../grips';
import { must } from '../kernel';
import { plainChangeSeconds } from '../changes';
import { findShapes } from '../shapes';
import { parseChord } from '../theory';
import { gradeGrip, type EffortPartName } from '.';

const USUAL = [
  'x32010',
  '320003',
  'xx0232',
  '022100',
  '133211',
  'x24432',
  'x13331',
  '131211',
  'x35453',
  '4x45xx',
  'xx3211',
];
const frets = (text: string) => must(parseFrets(text));
const part = (
  text: string,
  name: EffortPartName,
  hand = averageHand,
  instrument = standardGuitar,
  pinned?: readonly FingerLabel[],
) => {
  const graded = gradeGrip(frets(text), hand, instrument, { pinned });
  return graded.ok
    ? (graded.value.parts.find((one) => one.name === name)?.points ?? Number.NaN)
    : Number.POSITIVE_INFINITY;
};
const fingersOf = (text: string) =>
  must(gradeGrip(frets(text), averageHand, standardGuitar)).fingering.fingers;

describe('for one fixed fingering', () => {
  test.each(USUAL)('%s: a longer reach never raises the reach part', (text) => {
    const pinned = fingersOf(text);
    const reaches = [90, 105, 120, 140, 160, 180].map((reachMm) =>
      part(text, 'reach', must(makeHand({ reachMm })), standardGuitar, pinned),
    );
    for (let i = 1; i < reaches.length; i++) expect(reaches[i]).toBeLessThanOrEqual(reaches[i - 1]);
  });

  test.each(USUAL)('%s: a shorter scale never raises the reach part', (text) => {
    const pinned = fingersOf(text);
    const scales = [690, 650, 628, 580, 520].map((scaleLengthMm) =>
      part(text, 'reach', averageHand, { ...standardGuitar, scaleLengthMm }, pinned),
    );
    for (let i = 1; i < scales.length; i++) expect(scales[i]).toBeLessThanOrEqual(scales[i - 1] + 1e-9);
  });

  test('the same barre one fret lower never lowers its own part below fret 5', () => {
    const barre = (fret: number) =>
      part(
        [fret, fret + 2, fret + 2, fret + 1, fret, fret].join('-'),
        'barre',
        averageHand,
        standardGuitar,
        [1, 3, 4, 2, 1, 1],
      );
    for (let fret = 2; fret <= 5; fret++) expect(barre(fret - 1)).toBeGreaterThanOrEqual(barre(fret));
  });

  test('three single fingers in one fret crowd more the higher they stand', () => {
    const crowd = (fret: number) =>
      part(`x-0-${fret}-${fret}-${fret}-0`, 'crowding', averageHand, standardGuitar, [null, 0, 1, 2, 3, 0]);
    for (let fret = 3; fret <= 12; fret++) expect(crowd(fret)).toBeGreaterThan(crowd(fret - 1));
  });

  test('muting an inner string never lowers the mutes part', () => {
    for (const [full, less] of [
      ['133211', '1x3211'],
      ['x24432', 'x2x432'],
      ['320003', '3x0003'],
    ]) {
      expect(part(less, 'mutes')).toBeGreaterThanOrEqual(part(full, 'mutes'));
    }
  });

  test('one more finger never lowers the fingers part', () => {
    const ladder = ['000000', '020000', '022000', '022100'].map((text) => part(text, 'fingers'));
    for (let i = 1; i < ladder.length; i++) expect(ladder[i]).toBeGreaterThan(ladder[i - 1]);
  });
});

test('left-handed changes nothing but the drawing', () => {
  const chord = must(parseChord('F#m7'));
  const find = (leftHanded: boolean) =>
    findShapes({ chord, hand: averageHand, instrument: { ...standardGuitar, leftHanded } });
  expect(find(true)).toEqual(find(false));
});

test('no change into a grip is faster than staying on it', () => {
  const grip = fc.constantFrom(...USUAL);
  fc.assert(
    fc.property(grip, grip, (from, to) => {
      const seconds = (a: string) => plainChangeSeconds(frets(a), frets(to), averageHand, standardGuitar);
      expect(seconds(from)).toBeGreaterThanOrEqual(seconds(to) - 1e-9);
    }),
    { numRuns: 120 },
  );
});
