/** A bar of a chart as it is said to somebody who cannot see it. */
import type { PieceBar, TimeSignature } from '@finch/core/score';
import { spokenChord } from '../../words';

export interface BarSaid {
  readonly number: number;
  /** Effort of its heaviest grip. */
  readonly effort?: number;
  readonly limit: number | null;
  /** It holds a chord of the weakest change. */
  readonly weak: boolean;
}

const timeText = (time: TimeSignature): string => `${time.beats}/${time.unit}`;

/** What changes with this bar: time, tempo, key. */
export const barMarks = (bar: PieceBar): string[] => [
  ...(bar.time ? [timeText(bar.time)] : []),
  ...(bar.tempoBpm ? [`${bar.tempoBpm} bpm`] : []),
  ...(bar.key ? [bar.key] : []),
];

export const barWords = (bar: PieceBar): string =>
  (bar.melody ?? []).flatMap((note) => note.word ?? []).join(' ');

/** "bar 5, time 2: B flat minor 7, E flat 7; heaviest grip 62, over the limit; words: row the boat" */
export function spokenBar(bar: PieceBar, { number, effort, limit, weak }: BarSaid): string {
  const ending = bar.ending ? `, time ${bar.ending}` : '';
  const chords = bar.chords.map((one) => spokenChord(one.chord)).join(', ') || 'the chord before sounds on';
  const grade = effort === undefined ? null : Math.round(effort);
  const words = barWords(bar);
  return [
    `bar ${number}${ending}: ${chords}`,
    ...barMarks(bar),
    ...(grade === null
      ? []
      : [`heaviest grip ${grade}${limit !== null && grade > limit ? ', over the limit' : ''}`]),
    ...(weak ? ['weakest change'] : []),
    ...(words ? [`words: ${words}`] : []),
  ].join('; ');
}
