import fc from 'fast-check';
import { drawnSpans } from './drawn-rhythm';
import { writtenValues, type Span, type WrittenValue } from './notation';
import { readTicks, TICKS_A_BEAT } from './ticks';

/** Spans of these lengths one after the other. */
function spans(text: string): Span[] {
  let tick = 0;
  return text.split(' ').map((length) => {
    const ticks = readTicks(length) ?? 0;
    tick += ticks;
    return { tick: tick - ticks, ticks };
  });
}
/** `4.` is a dotted quarter, `~` tied to the one before, `[3:2]` the bracket it stands under. */
const words = (values: readonly WrittenValue[]): string =>
  values
    .map(({ of, value, dots, tuplet }, i) => {
      const tie = values[i - 1]?.of === of ? '~' : '';
      return `${tie}${value}${'.'.repeat(dots)}${tuplet ? `[${tuplet.actual}:${tuplet.normal}]` : ''}`;
    })
    .join(' ');
const written = (beats: number, unit: number, lengths: string) =>
  words(writtenValues({ beats, unit }, spans(lengths)));

test.each([
  [4, 4, '4', '1'],
  [4, 4, '3 1', '2. 4'],
  [4, 4, '3.5 .5', '2. ~8 8'],
  [4, 4, '2.5 1.5', '2 ~8 4.'],
  [4, 4, '1.5 2.5', '4. 8 ~2'],
  [4, 4, '.5 1.5 2', '8 4. 2'],
  [4, 4, '.75 .25 3', '8. 16 2.'],
  [4, 4, '1/16 15/16 3', '64 8. ~32. 2.'],
  [6, 8, '1 2 3', '8 4 4.'],
  [12, 8, '12', '1.'],
  [2, 2, '1 .5 .5', '2 4 4'],
  [16, 16, '1 3 12', '16 8. 2.'],
])('%d/%d: %s is written %s', (beats, unit, lengths, expected) => {
  expect(written(beats, unit, lengths)).toBe(expected);
});

describe('tuplets', () => {
  test.each([
    ['eighths in a quarter', 4, 4, '1/3 1/3 1/3 3', '8[3:2] 8[3:2] 8[3:2] 2.'],
    ['a quarter and an eighth', 4, 4, '2/3 1/3 3', '4[3:2] 8[3:2] 2.'],
    ['quarters in a half, not cut at its middle', 4, 4, '2/3 2/3 2/3 2', '4[3:2] 4[3:2] 4[3:2] 2'],
    ['halves in a whole', 4, 4, '4/3 4/3 4/3', '2[3:2] 2[3:2] 2[3:2]'],
    ['sixteenths in an eighth', 4, 4, '1/6 1/6 1/6 .5 3', '16[3:2] 16[3:2] 16[3:2] 8 2.'],
    ['from the middle of a beat', 4, 4, '.5 1/3 1/3 1/3 2.5', '8 8[3:2] 8[3:2] 8[3:2] 8 ~2'],
    ['quarters from the second beat on', 4, 4, '1 2/3 2/3 2/3 1', '4 4[3:2] 4[3:2] 4[3:2] 4'],
    ['one of three divided', 4, 4, '1/3 1/6 1/6 1/3 3', '8[3:2] 16[3:2] 16[3:2] 8[3:2] 2.'],
    ['a half in three', 4, 4, '2/3 4/3 2', '4[3:2] 2[3:2] 2'],
    ['held over its end', 4, 4, '1/3 5/3 2', '8[3:2] 4[3:2] ~4 2'],
    ['six', 4, 4, '1/6 1/6 1/6 1/6 1/6 1/6 3', '16[6:4] 16[6:4] 16[6:4] 16[6:4] 16[6:4] 16[6:4] 2.'],
    ['five', 4, 4, '1/5 1/5 1/5 1/5 1/5 3', '16[5:4] 16[5:4] 16[5:4] 16[5:4] 16[5:4] 2.'],
    ['five in two beats', 4, 4, '2/5 4/5 4/5 2', '8[5:4] 4[5:4] 4[5:4] 2'],
    ['seven', 2, 4, '1/7 6/7 1', '16[7:4] 4.[7:4] 4'],
    ['nine', 1, 4, '1/9 8/9', '32[9:8] 4[9:8]'],
    ['a triplet beside a quintuplet', 2, 4, '1/3 2/3 1/5 4/5', '8[3:2] 4[3:2] 16[5:4] 4[5:4]'],
    ['four over three is dotted', 3, 4, '.75 .75 .75 .75', '8. 8. 8. 8.'],
    ['five over three', 3, 4, '3/5 3/5 3/5 3/5 3/5', '4[5:3] 4[5:3] 4[5:3] 4[5:3] 4[5:3]'],
    ['a third before a long note', 3, 4, '1/3 8/3', '8[3:2] 4[3:2] ~2'],
    ['two in a dotted beat', 6, 8, '1.5 1.5 3', '8. 8. 4.'],
    ['in halves', 2, 2, '1/3 1/3 1/3 1', '4[3:2] 4[3:2] 4[3:2] 2'],
  ])('%s', (_, beats, unit, lengths, expected) => {
    expect(written(beats, unit, lengths)).toBe(expected);
  });

  test('notes under one bracket share it, and it says where it stands', () => {
    const values = writtenValues({ beats: 2, unit: 4 }, spans('1/3 1/3 1/3 1/3 2/3'));
    expect(new Set(values.map((one) => one.tuplet)).size).toBe(2);
    expect(values[0].tuplet).toBe(values[2].tuplet);
    expect(values[3].tuplet).toMatchObject({ tick: TICKS_A_BEAT, ticks: TICKS_A_BEAT, value: 8 });
  });
});

/** Ticks of a written value, from its printed look alone: what a player would count. */
function counted({ value, dots, tuplet }: WrittenValue, unit: number): number {
  const plain = ((unit * TICKS_A_BEAT) / value) * (dots ? 1.5 : 1);
  return tuplet ? (plain * tuplet.normal) / tuplet.actual : plain;
}

test('whatever is drawn, its notes count up to what was meant, bracket by bracket', () => {
  const drawn = fc
    .record({ beats: fc.integer({ min: 1, max: 9 }), unit: fc.constantFrom(2, 4, 8, 16) })
    .chain((time) => drawnSpans(time.beats).map((list) => ({ time, list })));
  fc.assert(
    fc.property(drawn, ({ time, list }) => {
      const values = writtenValues(time, list);
      list.forEach((span, i) => {
        const sum = values
          .filter((one) => one.of === i)
          .reduce((all, one) => all + counted(one, time.unit), 0);
        expect(sum).toBeCloseTo(span.ticks, 6);
      });
      for (const tuplet of new Set(values.flatMap((one) => one.tuplet ?? []))) {
        const inside = values.filter((one) => one.tuplet === tuplet);
        expect(inside.reduce((all, one) => all + counted(one, time.unit), 0)).toBeCloseTo(tuplet.ticks, 6);
        expect(inside.length).toBeGreaterThan(1);
      }
    }),
    { numRuns: 300 },
  );
});

test('what nobody could write is drawn all the same, and ends', () => {
  const absurd = spans('1/5 1/7 1/9 1/63 4/9');
  expect(writtenValues({ beats: 1, unit: 4 }, absurd).length).toBeGreaterThanOrEqual(absurd.length);
});
