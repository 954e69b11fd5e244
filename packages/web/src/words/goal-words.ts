/** A goal and how far it is, in a few words. */
import type { GoalBody } from '@finch/contract';
import { differenceInCalendarDays } from 'date-fns';
import { plural } from './names';

/** "in 10 days", "today". */
const inDays = (days: number): string => (days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} days`);

const KINDS: Readonly<Record<GoalBody['kind'], string>> = {
  skill: 'a skill',
  'way in': 'a way in',
  style: 'a style',
  piece: 'a piece',
};

/**
 * "Concert in 10 days; 3 of 7 skills held".
 * @param far skills held and needed; null where nothing tells
 * @param today YYYY-MM-DD
 */
export function goalWords(
  { kind, on, given }: Pick<GoalBody, 'kind' | 'on' | 'given'>,
  far: { readonly held: number; readonly of: number } | null,
  today: string,
): string {
  const what =
    on === null
      ? KINDS[kind]
      : `${given ? 'has a part in its concert' : 'concert'} ${inDays(differenceInCalendarDays(on, today))}`;
  const said =
    far === null
      ? what
      : far.of === 0
        ? `${what}; needs no skill of the syllabus`
        : `${what}; ${far.held} of ${plural(far.of, 'skill')} held`;
  return said.charAt(0).toUpperCase() + said.slice(1);
}
