/**
 * What a share of clean changes today may be on a later day: if practice goes on as it has, with a band, and if nothing
 * is played until then. How fast practising students grow and how wide the band is were fitted on simulated students
 * (bench/forecast.ts has others); a student's own slope of the last weeks foretold nothing there (correlation -.1) and
 * is left out on purpose. It is no promise.
 */
import { clamp, logistic, logit, median } from '../kernel/number';
import type { SkillState } from './skill-state';

export const FORECAST = {
  /** Logits a day of who practises, and the days over which growth wears off (assumed). */
  growthPerDay: 0.0085,
  wearsOffDays: 28,
  /** Whoever played within so many days practises. */
  practisesWithinDays: 14,
  /** Half the width of the 80 % band after the days below, in logits; it widens with the root of the days. */
  bandLogits: 0.22,
  bandDays: 14,
  /** The outlook of a skill is for this many days without a take. */
  outlookDays: 14,
} as const;

/** What the forecast reads of a skill; states as the server says them fit. */
type ForecastSkill = Pick<SkillState, 'outlook' | 'lastAt'> & {
  readonly chance: { readonly mean: number } | null;
};

export interface ShareForecast {
  /** If practice goes on as it has; today's share for who has not played lately. */
  readonly going: number;
  /** Ends of its 80 % band. */
  readonly low: number;
  readonly high: number;
  /** If nothing is played until then. */
  readonly untouched: number;
}

const DAY_MS = 86_400_000;
const SURE = 0.995;
const safeLogit = (share: number): number => logit(clamp(share, 1 - SURE, SURE));

/** `today` is a share from 0 to 1; days of 0 or less leave it as it is. `now` in ms since 1970. */
export function forecastShare(
  today: number,
  skills: readonly ForecastSkill[],
  days: number,
  now: number,
): ShareForecast {
  if (days <= 0) return { going: today, low: today, high: today, untouched: today };
  const { growthPerDay, wearsOffDays, practisesWithinDays, bandLogits, bandDays, outlookDays } = FORECAST;
  const practises = skills.some(
    ({ lastAt }) => lastAt !== null && now - lastAt <= practisesWithinDays * DAY_MS,
  );
  const start = safeLogit(today);
  const grown = practises ? growthPerDay * wearsOffDays * (1 - Math.exp(-days / wearsOffDays)) : 0;
  const half = bandLogits * Math.sqrt(days / bandDays);
  const fades = skills.flatMap(({ chance, outlook }) =>
    chance && outlook !== null ? [safeLogit(outlook) - safeLogit(chance.mean)] : [],
  );
  // Forgetting is steep at first: by the logarithm of the days, and never a gain.
  const fade = fades.length ? Math.min(0, median(fades)) : 0;
  return {
    going: logistic(start + grown),
    low: logistic(start + grown - half),
    high: logistic(start + grown + half),
    untouched: logistic(start + (fade * Math.log1p(days)) / Math.log1p(outlookDays)),
  };
}
