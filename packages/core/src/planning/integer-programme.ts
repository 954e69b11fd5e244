/**
 * A small integer programme: yes-or-no variables of some value, rows that bound sums of them. Solved by HiGHS (branch and cut;
 * Huangfu and Hall 2018), which is loaded when it is first asked.
 */
import type { Highs } from 'highs';

export interface Row {
  readonly least?: number;
  readonly most?: number;
}

export interface Solved {
  /** Names of the variables that are taken. */
  readonly taken: ReadonlySet<string>;
  readonly value: number;
  /** No choice is worth more: equal to the value where it was proved, above it where time ran out. */
  readonly bound: number;
}

let loading: Promise<Highs> | null = null;

/** Loaded when it is first asked: whoever only reads plans never fetches it. */
const solver = (): Promise<Highs> => (loading ??= import('highs').then((highs) => highs.default()));

/** Built row by row and variable by variable; `solve` as often as wanted, rows may be added in between. */
export class IntegerProgramme {
  private readonly values = new Map<string, number>();
  private readonly rows = new Map<string, { row: Row; terms: Map<string, number> }>();

  /** A variable of 0 or 1. @param value what it is worth when taken */
  add(name: string, value: number): void {
    this.values.set(name, value);
  }

  has(name: string): boolean {
    return this.values.has(name);
  }

  /** Bounds the sum of weighted variables. A term of a variable that is not there is left out; equal names add up. */
  bound(name: string, row: Row, terms: Iterable<readonly [variable: string, weight: number]>): void {
    const kept = new Map<string, number>();
    for (const [variable, weight] of terms)
      if (this.values.has(variable) && weight !== 0) kept.set(variable, (kept.get(variable) ?? 0) + weight);
    this.rows.set(name, { row, terms: kept });
  }

  /** Null where no choice satisfies every row, or none was found in time. @param seconds at most */
  async solve(seconds: number): Promise<Solved | null> {
    const highs = await solver();
    const names = [...this.values.keys()];
    const column = new Map(names.map((name, i) => [name, i]));
    const all = [...this.rows.values()];
    // Nothing to choose from: each row holds by itself or never.
    if (names.length === 0)
      return all.every(({ row }) => (row.least ?? 0) <= 0 && (row.most ?? 0) >= 0)
        ? { taken: new Set(), value: 0, bound: 0 }
        : null;
    const starts = [0];
    const indices: number[] = [];
    const weights: number[] = [];
    for (const { terms } of all) {
      for (const [name, weight] of terms) {
        indices.push(column.get(name) ?? 0);
        weights.push(weight);
      }
      starts.push(indices.length);
    }
    return highs.withModel(
      {
        numCols: names.length,
        numRows: all.length,
        sense: highs.constants.objectiveSense.maximize,
        colCost: [...this.values.values()],
        colLower: new Float64Array(names.length),
        colUpper: new Float64Array(names.length).fill(1),
        rowLower: all.map(({ row }) => row.least ?? -highs.infinity),
        rowUpper: all.map(({ row }) => row.most ?? highs.infinity),
        matrix: {
          format: 'csr',
          numRows: all.length,
          numCols: names.length,
          starts,
          indices,
          values: weights,
        },
        integrality: new Int32Array(names.length).fill(highs.constants.variableType.integer),
      },
      (model) => {
        model.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: 0 });
        model.run();
        const { colValue } = model.getSolution();
        const feasible = model.info.get('primal_solution_status') === 2;
        if (!feasible || colValue.length === 0) return null;
        return {
          taken: new Set(names.filter((_, i) => colValue[i] > 0.5)),
          value: model.getObjectiveValue(),
          bound: Number(model.info.get('mip_dual_bound')),
        };
      },
    );
  }
}
