/**
 * How hard the studio's students find each skill, week by week. A fit is made from what was logged when somebody first looks in a
 * week, and holds from the next Monday on: within a week nobody's take moves another's number, and logs are read anew once.
 */
import { PRIOR_FIT, type DifficultyFit } from '@finch/core/hands';
import { studioFit, type FirstTakes } from '@finch/core/mastery';
import { TZDate } from '@date-fns/tz';
import { addDays, formatISO, startOfISOWeek } from 'date-fns';
import type { EntityManager } from 'typeorm';
import { studioOf } from '../accounts/accounts.service';
import { fitFor, isFitMade, keepFit } from './fit.repository';

/** Monday of the week of an instant, by the studio's clock. */
const weekOf = (now: number, timeZone: string): Date => startOfISOWeek(new TZDate(now, timeZone));
const dayText = (day: Date): string => formatISO(day, { representation: 'date' });

const zoneOf = async (manager: EntityManager): Promise<string> =>
  (await studioOf(manager))?.timeZone ?? 'UTC';

/** The fit that holds now. */
export async function currentFit(manager: EntityManager, now: number): Promise<DifficultyFit> {
  const row = await fitFor(manager, dayText(weekOf(now, await zoneOf(manager))));
  return row ? { version: `week ${row.week}`, shiftLogits: row.shiftLogits } : PRIOR_FIT;
}

/** Makes the fit of the next week, unless it is made. */
export async function renewFit(
  manager: EntityManager,
  studioId: string,
  students: readonly ReadonlyMap<string, FirstTakes>[],
  now: number,
): Promise<void> {
  const week = dayText(addDays(weekOf(now, await zoneOf(manager)), 7));
  if (await isFitMade(manager, week)) return;
  await keepFit(manager, studioId, { week, ...studioFit(students, week) }, new Date(now));
}
