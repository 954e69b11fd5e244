/** What a number is made of, and what a take moved, in whole points that add up as they are shown. */
import type { WhyBody } from '@finch/contract';
import { plural, whole } from '../../words';

const signed = (points: number): string => (points > 0 ? `+${points}` : points < 0 ? `−${-points}` : '±0');

export interface ShownPart {
  readonly points: string;
  readonly text: string;
}

/** Rounded so that they add up to the number shown: what rounding leaves over stands with the takes. */
export function partsOf({ now, parts, takes }: Pick<WhyBody, 'now' | 'parts' | 'takes'>): ShownPart[] {
  if (now === null) return [];
  const start = whole(parts.start);
  const away = whole(parts.away);
  const moved = whole(now) - start - away;
  return [
    { points: String(start), text: 'to start from, by what it needs' },
    { points: signed(moved), text: `by ${takes.length === 1 ? 'its take' : 'its takes'}` },
    ...(away === 0 ? [] : [{ points: signed(away), text: 'by the days since' }]),
  ];
}

const APART: Readonly<Record<WhyBody['apart'][number]['kind'], string>> = {
  play: 'Played',
  hear: 'Told apart by ear',
  name: 'Named or found by name',
  predict: 'Said before it was played',
  'over a root': 'Played over another root',
};
/** "Told apart by ear: 3 of 5 takes clean": what else there is of a skill, which is no part of its number. */
export const apartText = ({ kind, clean, takes }: WhyBody['apart'][number]): string =>
  `${APART[kind]}: ${clean} of ${plural(takes, 'take')} clean`;

type Take = WhyBody['takes'][number];

/** "nearly, 6 of 8, mostly late". */
export const resultText = ({ result, steps, fault }: Pick<Take, 'result' | 'steps' | 'fault'>): string =>
  [result, steps && `${steps.clean} of ${plural(steps.all, 'step')}`, fault && `mostly ${fault}`]
    .filter(Boolean)
    .join(', ');

/** "74 to 81". */
export const movedText = ({ before, after }: Pick<Take, 'before' | 'after'>): string =>
  `${whole(before)} to ${whole(after)}`;

/** Where a take comes from, where that is not whoever played it. */
export const SOURCE_TEXT: Readonly<Partial<Record<WhyBody['takes'][number]['source'], string>>> = {
  teacher: 'in a lesson',
  listener: 'heard by somebody else',
  quiz: 'a quiz',
  paper: 'typed back from paper',
};
