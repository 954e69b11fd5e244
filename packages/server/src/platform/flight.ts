/**
 * One answer for all who ask the same at the same time. Nobody is given one that was begun before they asked, so that whoever
 * has just written sees what was written: who comes while one is on its way shares the next.
 */
export interface Flight<T> {
  readonly join: () => Promise<T>;
}

export function makeFlight<T>(work: () => Promise<T>): Flight<T> {
  let flying: Promise<unknown> | null = null;
  let next: Promise<T> | null = null;
  const begin = (): Promise<T> => {
    const one = work();
    flying = one;
    const land = () => {
      if (flying === one) flying = null;
    };
    one.then(land, land);
    return one;
  };
  return {
    join: () => {
      if (!flying) return begin();
      next ??= flying
        .catch(() => undefined)
        .then(() => {
          next = null;
          return begin();
        });
      return next;
    },
  };
}
