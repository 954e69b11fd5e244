/** A list walked by keys: which row is picked, marked on the screen and scrolled into sight. */
import { ref, watch, type ComponentPublicInstance, type Ref } from 'vue';

export interface Walk {
  readonly picked: Ref<number>;
  /** Picks the next row or the one before; stays at either end. */
  readonly step: (by: number) => void;
  /** For the `ref` of each row. */
  readonly row: (i: number) => (element: Element | ComponentPublicInstance | null) => void;
}

export function useWalk(count: () => number): Walk {
  const picked = ref(0);
  const rows = new Map<number, Element>();
  const within = (at: number) => Math.min(Math.max(0, at), Math.max(0, count() - 1));
  // A list that became shorter has no row where the mark stood.
  watch(count, () => (picked.value = within(picked.value)));
  return {
    picked,
    step: (by) => {
      picked.value = within(picked.value + by);
      rows.get(picked.value)?.scrollIntoView({ block: 'nearest' });
    },
    row: (i) => (element) => {
      if (element instanceof Element) rows.set(i, element);
      else rows.delete(i);
    },
  };
}
