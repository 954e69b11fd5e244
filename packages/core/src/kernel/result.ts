/**
 * A result is either a value or a problem that a person can act on. Strangers' input is answered with a
 * result; a programmer's mistake throws RangeError. Problems are data: a vocabulary layer words them.
 */
export interface Problem {
  /** Stable dotted name of what is wrong, e.g. `chord.quality`. */
  readonly code: string;
  /** Where: a character index, a field path, or an element index as text. */
  readonly at: string;
  /** What would be right, or the nearest reading, as short plain text. */
  readonly detail: string;
}

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

export function ok<T>(value: T): Result<T> {
  return { ok: true, value };
}

export function fail(
  code: string,
  at: string | number,
  detail: string,
): { readonly ok: false; readonly problem: Problem } {
  return { ok: false, problem: { code, at: String(at), detail } };
}

/** The value of a result that the caller knows to be good. Throws RangeError naming the problem otherwise. */
export function must<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  const { code, at, detail } = result.problem;
  throw new RangeError(`${code} at ${at}: ${detail}`);
}
