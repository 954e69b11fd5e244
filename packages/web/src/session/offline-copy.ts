/**
 * What the server said last, kept on this device for when nobody answers: who sits, and what is practised today and tomorrow. A
 * copy belongs to who sat, is written over by the next answer, and goes when they get up; a store that is full keeps none.
 */
import { Unanswered } from './api';

export interface Copies {
  /** What is asked for; where nobody answers, the copy of the last answer. */
  readonly through: <T>(name: string, ask: () => Promise<T>) => Promise<T>;
  readonly write: (name: string, value: unknown) => void;
  /** Null where there is none or it cannot be read. */
  readonly read: <T>(name: string) => T | null;
  /** Takes every copy away. */
  readonly clear: () => void;
}

const PREFIX = 'finch-copy:';

export function makeCopies(storage: Storage): Copies {
  const write = (name: string, value: unknown): void => {
    try {
      storage.setItem(PREFIX + name, JSON.stringify(value));
    } catch {
      // Full: an older copy is worth less than none.
      storage.removeItem(PREFIX + name);
    }
  };
  const read = <T>(name: string): T | null => {
    try {
      return JSON.parse(storage.getItem(PREFIX + name) ?? 'null') as T | null;
    } catch {
      return null;
    }
  };
  return {
    write,
    read,
    through: async (name, ask) => {
      try {
        const answer = await ask();
        write(name, answer);
        return answer;
      } catch (error) {
        const copy = error instanceof Unanswered ? read<Awaited<ReturnType<typeof ask>>>(name) : null;
        if (copy === null) throw error;
        return copy;
      }
    },
    clear: () => {
      for (const name of Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? ''))
        if (name.startsWith(PREFIX)) storage.removeItem(name);
    },
  };
}

export const copies = makeCopies(globalThis.localStorage);
