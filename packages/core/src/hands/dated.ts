/** What is on record from a moment on: a hand that grew, an instrument changed, limits set anew. */
export interface Dated<T> {
  /** Instant from which it holds, ISO 8601. */
  readonly from: string;
  readonly value: T;
}

/** Index of the record that held at an instant (ms since 1970); the first one before any held. */
export function indexAt(records: readonly Dated<unknown>[], ms: number): number {
  let found = 0;
  let latest = Number.NEGATIVE_INFINITY;
  records.forEach((record, index) => {
    const from = Date.parse(record.from);
    if (from <= ms && from >= latest) {
      latest = from;
      found = index;
    }
  });
  return found;
}

/** The value that holds at an instant, or a default when none was recorded. */
export function datedAt<T>(records: readonly Dated<T>[], ms: number, fallback: T): T {
  return records.length ? records[indexAt(records, ms)].value : fallback;
}
