import { differenceInYears, parseISO } from 'date-fns';

/** Whole years on a day, or null when the birthday is not known. */
export function ageOn(bornOn: string | null, now: number): number | null {
  return bornOn === null ? null : differenceInYears(new Date(now), parseISO(bornOn));
}
