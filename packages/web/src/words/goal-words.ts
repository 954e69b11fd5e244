/** A goal and how far it is, in a few words. */
import type { GoalBody } from '@finch/contract';
import { differenceInCalendarDays } from 'date-fns';
import { plural } from './names';

interface Far {
  readonly held: number;
  readonly of: number;
}

/** "in 10 days", "today". */
const inDays = (days: number): string => (days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} days`);

const KINDS: Readonly<Record<GoalBody['kind'], string>> = {
  skill: 'a skill',
  'way in': 'a way in',
  style: 'a style',
  piece: 'a piece',
};

function heldWords(kind: GoalBody['kind'], { held, of }: Far): string {
  if (of === 0) return 'needs no skill of the syllabus';
  if (kind === 'skill') return held > 0 ? 'held' : 'not held yet';
  return `${held} of ${plural(of, 'skill')} held`;
}

/**
 * "Concert in 10 days; 3 of 7 skills held".
 * @param far skills held and needed; null where nothing tells
 * @param today YYYY-MM-DD
 */
export function goalWords(
  { kind, on, given }: Pick<GoalBody, 'kind' | 'on' | 'given'>,
  far: Far | null,
  today: string,
): string {
  const what =
    on === null
      ? KINDS[kind]
      : `${given ? 'has a part in its concert' : 'concert'} ${inDays(differenceInCalendarDays(on, today))}`;
  const said = far === null ? what : `${what}; ${heldWords(kind, far)}`;
  return said.charAt(0).toUpperCase() + said.slice(1);
}
