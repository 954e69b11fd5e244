/**
 * An answer that takes a while to work out. Whenever the question changes it is asked anew, and an older answer never
 * overtakes a newer question; one that fails says so and can be asked for again.
 */
import { readonly, ref, shallowReadonly, shallowRef, watch, type Ref, type ShallowRef } from 'vue';

export interface Latest<T> {
  /** Null until it is there, where nothing is asked, and where it failed. */
  readonly answer: Readonly<ShallowRef<T | null>>;
  readonly busy: Readonly<Ref<boolean>>;
  readonly failed: Readonly<Ref<boolean>>;
  readonly again: () => Promise<void>;
}

/**
 * @param question read as a watcher reads: null asks nothing
 * @param work works the answer out; may reject
 * @param keeps whether the old answer stays on the screen until the new one is there; never by default
 */
export function useLatest<Q, T>(
  question: () => Q | null,
  work: (now: Q) => Promise<T>,
  keeps: (now: Q, before: Q | null) => boolean = () => false,
): Latest<T> {
  const answer = shallowRef<T | null>(null);
  const busy = ref(false);
  const failed = ref(false);
  let turn = 0;
  async function ask(now: Q | null, before: Q | null = null) {
    const mine = ++turn;
    failed.value = false;
    busy.value = now !== null;
    if (now === null || !keeps(now, before)) answer.value = null;
    if (now === null) return;
    try {
      const found = await work(now);
      if (mine === turn) answer.value = found;
    } catch {
      if (mine !== turn) return;
      answer.value = null;
      failed.value = true;
    } finally {
      if (mine === turn) busy.value = false;
    }
  }
  watch(question, (now, before) => ask(now, before ?? null), { immediate: true });
  return {
    answer: shallowReadonly(answer) as Readonly<ShallowRef<T | null>>,
    busy: readonly(busy),
    failed: readonly(failed),
    again: () => ask(question()),
  };
}
