/** The one source of now. A fixed start makes pictures and tests repeatable; time still passes from there. */
export interface Clock {
  readonly now: () => number;
}

export function makeClock(from: string | null): Clock {
  if (from === null) return { now: () => Date.now() };
  const offset = Date.parse(from) - Date.now();
  return { now: () => Date.now() + offset };
}
