/**
 * The school that holds on this screen: one for the page, set when somebody sits down or comes onto the bench. The
 * vocabulary reads it, so that every word follows at once and no record has to change.
 */
import { DEFAULT_SCHOOLS, type Schools } from '@finch/core/shapes';
import { shallowRef } from 'vue';

const held = shallowRef<Schools>(DEFAULT_SCHOOLS);

/** Reactive where it is read while drawing. */
export const school = (): Schools => held.value;

export function holdSchool(schools: Schools): void {
  held.value = schools;
}

/** Words as everyone would write them, for what is stored: a title kept today must read right under any school. */
export function inPlainSchool<T>(work: () => T): T {
  const now = held.value;
  held.value = DEFAULT_SCHOOLS;
  try {
    return work();
  } finally {
    held.value = now;
  }
}
