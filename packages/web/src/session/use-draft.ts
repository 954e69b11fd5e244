/**
 * A form whose typing survives a reload, Escape, Back and another place: what differs from what is kept is held as a draft
 * under its key, comes back when the form is opened, and goes when it is kept or dropped.
 */
import { readonly, ref, watch, type Ref } from 'vue';
import { useDrafts, type Drafts } from './drafts';
import { plain } from './plain';

interface Drafted<T> {
  readonly key: () => string;
  /** What the form holds; plain data. */
  readonly value: Ref<T>;
  /** What the form begins with when nothing was typed. */
  readonly kept: () => T;
  /** While it says no, nothing is drafted; a form opened again begins anew. */
  readonly open?: () => boolean;
}
export interface Draft {
  /** When the typing that came back was typed, ms; null where the form is as it was kept. */
  readonly typedAt: Readonly<Ref<number | null>>;
  /** The form as it was kept; what was typed goes. */
  readonly drop: () => void;
  /** What is typed is what is kept now. */
  readonly done: () => void;
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

export function useDraft<T>(
  { key, value, kept, open = () => true }: Drafted<T>,
  drafts: Drafts = useDrafts(),
): Draft {
  const typedAt = ref<number | null>(null);
  watch(
    () => [open(), key(), JSON.stringify(kept())] as const,
    ([shown, name, now], before) => {
      // What is kept has become what was typed: it was kept just now.
      if (before?.[1] === name && before[2] !== now && same(value.value, kept())) drafts.drop(name);
      if (!shown) return;
      const found = drafts.read<T>(key());
      const typed = found && !same(found.value, kept()) ? found : null;
      typedAt.value = typed?.at ?? null;
      value.value = plain(typed ? typed.value : kept());
    },
    { immediate: true },
  );
  // At once, so that what was typed last is written under the key it was typed for.
  watch(
    value,
    (now) => {
      if (!open()) return;
      if (same(now, kept())) drafts.drop(key());
      else drafts.write(key(), now);
    },
    { deep: true, flush: 'sync' },
  );
  return {
    typedAt: readonly(typedAt),
    drop: () => {
      drafts.drop(key());
      typedAt.value = null;
      value.value = plain(kept());
    },
    done: () => {
      drafts.drop(key());
      typedAt.value = null;
    },
  };
}
