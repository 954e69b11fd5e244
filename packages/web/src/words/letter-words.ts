/** What the house writes to those at home when a hand hurts. */
import type { Reason } from '@finch/core/effort';
import { dayText } from './when';

type Values = Reason['values'];

const sideText = (side: Values[string]): string => (side === 'both' ? 'both hands' : `${side} hand`);
const dayOf = ({ day }: Values): string => dayText(`${day}T12:00:00Z`, 'UTC');

export const LETTER_WORDS: Readonly<Record<string, (v: Values) => string>> = {
  'letter.pain-subject': (v) => `${v.first}’s hand hurt on ${dayOf(v)}`,
  'letter.pain-happened': (v) =>
    `${v.name} said on ${dayOf(v)} that it hurts: ${v.where}, ${sideText(v.side)}.`,
  'letter.pain-rule': () =>
    'Playing stopped for that day. Nothing is played, with either hand, until the teacher says so and two days were free of pain; then it comes back at half the minutes for a week, without a barre.',
  'letter.pain-instead': () =>
    'Lessons and practice go on without pressing a string: what is heard, named and found on the neck by eye.',
  'letter.pain-doctor': () =>
    'If it stays or comes back, see a doctor or a hand therapist; this is no medical advice.',
};
