/** How long somebody has played, in words, and the choices a form offers for it. */
import { stageOf, STAGES, type Stage } from '@finch/core/pace';

const YEAR = 12;

/** `about 5 years`; null where nobody said. */
export function playedWords(months: number | null): string {
  if (months === null) return 'not said';
  if (months < 1.5) return 'a month or less';
  if (months < 11) return `about ${Math.round(months)} months`;
  const halves = Math.round((2 * months) / YEAR);
  if (halves <= 2) return 'about a year';
  // Half a year tells nothing any more of somebody who has played for five.
  const years = halves < 10 ? Math.floor(halves / 2) : Math.round(months / YEAR);
  return `about ${years}${halves < 10 && halves % 2 ? '½' : ''} years`;
}

/** A hand of which only the stage is known. */
export const stageWords: Readonly<Record<Stage, string>> = {
  'first month': 'a hand of the first month',
  'first year': 'a hand of the first year',
  'some years': 'a hand of some years',
  'stage player': 'a stage player’s hand',
};
const stageTexts: Readonly<Record<Stage, string>> = {
  'first month': 'the first month',
  'first year': 'the first year',
  'some years': 'some years',
  'stage player': 'a stage player',
};
export const stageChoices = STAGES.map((stage) => ({ value: stage, text: stageTexts[stage] }));

const OFFERED: readonly (readonly [months: number, text: string])[] = [
  [1, 'a month or less'],
  [3, 'three months'],
  [6, 'half a year'],
  [12, 'a year'],
  [24, 'two years'],
  [36, 'three years'],
  [60, 'five years'],
  [120, 'ten years'],
  [200, 'longer, plays on stage'],
];

export interface PlayedChoice {
  /** Months as text; empty where nobody said. */
  readonly value: string;
  readonly text: string;
}

/** What a form offers; `now` stands among it in its own words where it is none of the round ones. */
export function playedChoices(now: number | null = null): PlayedChoice[] {
  const all = OFFERED.map(([months, text]) => ({ value: String(months), text }));
  const own = now === null ? null : { value: playedValue(now), text: playedWords(now) };
  return [
    { value: '', text: 'not said' },
    ...(own && !all.some((one) => one.value === own.value) ? [own] : []),
    ...all,
  ];
}

/** Months as the form holds them. */
export const playedValue = (months: number | null): string =>
  months === null ? '' : String(Math.round(months));
export const playedMonths = (value: string): number | null => (value === '' ? null : Number(value));

/** `some years (about 6 years)`; what is believed of who said nothing. */
export const stageOfWords = (months: number | null): string =>
  months === null ? 'not said how long' : `${stageOf(months)} (${playedWords(months)})`;
