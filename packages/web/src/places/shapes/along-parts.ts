/** The answers of "Along the neck", one shown at a time so that each stands whole. */
import type { AlongNeck } from '../../workers/bench-jobs';

const ALONG_PARTS = [
  { id: 'forms', name: 'Five forms' },
  { id: 'threes', name: 'On fewer strings' },
  { id: 'family', name: 'The family' },
] as const;
export type AlongPart = (typeof ALONG_PARTS)[number]['id'];

/** The parts that have something to say of this grip; the forms always do, if only why there are none. */
export function partsOf(along: AlongNeck): { readonly id: AlongPart; readonly name: string }[] {
  const has: Readonly<Record<AlongPart, boolean>> = {
    forms: true,
    threes: !!along.halves.low || !!along.halves.high || along.inversions.length > 0,
    family: along.ladder.length > 1,
  };
  return ALONG_PARTS.filter((part) => has[part.id]);
}
