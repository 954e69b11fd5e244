/**
 * What a hand may be asked in one lesson. Dated fields that the teacher sets; the defaults are our assumption
 * (no published dose for guitarists is known to us) and are said to be so wherever they are shown.
 */
import { differenceInYears, parseISO } from 'date-fns';
import { fail, ok, type Result } from '../kernel/result';

export interface HandLimits {
  readonly schemaVersion: 1;
  /** Grade of one grip, 0 to 100, that this hand should not pass. */
  readonly gripEffort: number;
  /** Minutes with a barre pressed in a lesson of thirty. */
  readonly barreMinutes: number;
  /** Hand load, in effort-minutes, that a lesson should stay under. */
  readonly load: number;
  /** Whether the teacher set them; defaults are assumptions. */
  readonly assumed: boolean;
}

export const DEFAULT_LIMITS: HandLimits = {
  schemaVersion: 1,
  gripEffort: 70,
  barreMinutes: 6,
  load: 5,
  assumed: true,
};

/** Half of the barre minutes and load, and a lower grip limit, for hands under sixteen (assumption). */
export const CHILD_LIMITS: HandLimits = {
  schemaVersion: 1,
  gripEffort: 58,
  barreMinutes: 3,
  load: 3.5,
  assumed: true,
};

/** Checks limits; problems name the field. */
export function makeLimits(parts: Partial<HandLimits>): Result<HandLimits> {
  const made = { ...DEFAULT_LIMITS, ...parts };
  if (!(made.gripEffort >= 10 && made.gripEffort <= 100))
    return fail('limits.grip', 'gripEffort', '10 to 100');
  if (!(made.barreMinutes >= 0 && made.barreMinutes <= 20))
    return fail('limits.barre', 'barreMinutes', '0 to 20 minutes');
  if (!(made.load >= 1 && made.load <= 12)) return fail('limits.load', 'load', '1 to 12');
  return ok(made);
}

/** Age, in whole years, from which a hand is asked what a grown one is (assumption). */
const GROWN_AGE = 16;

/** Whole years at an instant (ms since 1970) since a day YYYY-MM-DD, or null when the birthday is not known. */
export function ageAt(bornOn: string | null, ms: number): number | null {
  return bornOn === null ? null : differenceInYears(new Date(ms), parseISO(bornOn));
}

/** The limits assumed of somebody for whom no teacher set any. */
export function assumedLimits(bornOn: string | null, ms: number): HandLimits {
  const age = ageAt(bornOn, ms);
  return age !== null && age < GROWN_AGE ? CHILD_LIMITS : DEFAULT_LIMITS;
}
