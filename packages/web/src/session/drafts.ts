/**
 * What is typed and not kept yet, in this browser: one draft for each thing and each person who sits, so that a reload,
 * Escape, Back or another place loses none of it. Dropped when the thing is kept, said when there is one. A store that is
 * full or locked away leaves the typing where it is and keeps no draft.
 */
import type { LessonPlan } from '@finch/core/planning';
import { useSeat } from './seat';

interface Stored<T> {
  readonly at: number;
  readonly value: T;
}

export interface Drafts {
  /** The draft and when it was last typed in, ms; null where there is none or it cannot be read. */
  readonly read: <T>(key: string) => Stored<T> | null;
  readonly write: <T>(key: string, value: T) => void;
  readonly drop: (key: string) => void;
  /** Changes a draft where there is one; whether there was. */
  readonly change: <T>(key: string, edit: (value: T) => T) => boolean;
}

export function makeDrafts(storage: Storage, seat: () => string, now: () => number): Drafts {
  const name = (key: string) => `finch-draft:${seat()}:${key}`;
  const read = <T>(key: string): Stored<T> | null => {
    try {
      const stored = JSON.parse(storage.getItem(name(key)) ?? 'null') as Stored<T> | null;
      return stored && typeof stored.at === 'number' && 'value' in stored ? stored : null;
    } catch {
      return null;
    }
  };
  const write = <T>(key: string, value: T): void => {
    try {
      storage.setItem(name(key), JSON.stringify({ at: now(), value }));
    } catch {
      // No room: what is typed stays on the screen.
    }
  };
  return {
    read,
    write,
    drop: (key) => storage.removeItem(name(key)),
    change: <T>(key: string, edit: (value: T) => T) => {
      const stored = read<T>(key);
      if (stored) write(key, edit(stored.value));
      return stored !== null;
    },
  };
}

export function useDrafts(): Drafts {
  const seat = useSeat();
  return makeDrafts(
    localStorage,
    () => seat.seat?.membershipId ?? 'nobody',
    () => seat.now(),
  );
}

/** A plan being changed by hand. */
export interface PlanDraft {
  /** Version of the lesson the changes began from. */
  readonly from: number;
  readonly plan: LessonPlan;
}
export const planDraft = (lessonId: string): string => `plan:${lessonId}`;
