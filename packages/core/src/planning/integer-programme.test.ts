/** Small programmes against all of their choices, tried one by one. */
import fc from 'fast-check';
import { IntegerProgramme, type Row } from './integer-programme';

interface Small {
  readonly values: readonly number[];
  readonly rows: readonly { readonly row: Row; readonly weights: readonly number[] }[];
}

function bestByTrying({ values, rows }: Small): number | null {
  let best: number | null = null;
  for (let set = 0; set < 2 ** values.length; set++) {
    const sum = (of: readonly number[]) =>
      of.reduce((all, weight, i) => ((set >> i) & 1 ? all + weight : all), 0);
    const fits = rows.every(
      ({ row, weights }) =>
        sum(weights) >= (row.least ?? Number.NEGATIVE_INFINITY) && sum(weights) <= (row.most ?? Infinity),
    );
    if (fits) best = Math.max(best ?? Number.NEGATIVE_INFINITY, sum(values));
  }
  return best;
}

function built({ values, rows }: Small): IntegerProgramme {
  const model = new IntegerProgramme();
  for (const [i, value] of values.entries()) model.add(`x${i}`, value);
  for (const [r, { row, weights }] of rows.entries())
    model.bound(
      `r${r}`,
      row,
      weights.map((weight, i) => [`x${i}`, weight]),
    );
  return model;
}

test('the best of all choices, or none where none fits', async () => {
  const number = fc.integer({ min: -9, max: 9 });
  const small = fc.integer({ min: 1, max: 8 }).chain((size) => {
    const all = fc.array(number, { minLength: size, maxLength: size });
    const row = fc.oneof(
      number.map((most) => ({ most })),
      number.map((least) => ({ least })),
      number.map((both) => ({ least: both, most: both })),
    );
    return fc.record({
      values: all,
      rows: fc.array(fc.record({ row, weights: all }), { maxLength: 4 }),
    });
  });
  await fc.assert(
    fc.asyncProperty(small, async (asked) => {
      const expected = bestByTrying(asked);
      const found = await built(asked).solve(5);
      expect(found === null).toBe(expected === null);
      if (!found || expected === null) return;
      expect(found.value).toBeCloseTo(expected, 6);
      expect(found.bound).toBeCloseTo(expected, 6);
      const taken = asked.values.reduce((sum, value, i) => (found.taken.has(`x${i}`) ? sum + value : sum), 0);
      expect(taken).toBeCloseTo(expected, 6);
    }),
    { numRuns: 150 },
  );
});

test('nothing to choose from fits where no row asks for anything; terms nobody added are left out, equal ones add up', async () => {
  expect(await new IntegerProgramme().solve(1)).toEqual({ taken: new Set(), value: 0, bound: 0 });
  const asking = new IntegerProgramme();
  asking.bound('some', { least: 1 }, []);
  expect(await asking.solve(1)).toBeNull();
  const model = new IntegerProgramme();
  model.add('a', 1);
  model.bound('twice', { most: 1 }, [
    ['a', 1],
    ['a', 1],
    ['nobody', -9],
  ]);
  expect((await model.solve(1))?.taken).toEqual(new Set());
});
