/** What was asked from the practice room and what was answered: read from the log, without what was taken back. */
import { DAY_MS } from './constants';
import { upTo, type AskedAbout, type LogEvent } from './log';

export interface Question {
  readonly id: string;
  readonly studentId: string;
  readonly about: AskedAbout;
  readonly text: string;
  /** ms since 1970. */
  readonly at: number;
  /** The latest; null while it waits. */
  readonly answer: { readonly id: string; readonly text: string; readonly at: number } | null;
}

/** An answer stands beside its card for so long. */
const SHOWN_DAYS = 28;

/** Questions as they stand at an instant, ms since 1970, the one that has waited longest first; what was answered long ago is left out. */
export function questionsOf(events: readonly LogEvent[], now: number): Question[] {
  const { live } = upTo(events, now);
  const answers = new Map<string, NonNullable<Question['answer']>>();
  for (const { event, at } of live)
    if (event.kind === 'answer') answers.set(event.to, { id: event.id, text: event.text, at });
  return live.flatMap(({ event, at }): Question[] => {
    if (event.kind !== 'question') return [];
    const { id, studentId, about, text } = event;
    const answer = answers.get(id) ?? null;
    return answer && answer.at < now - SHOWN_DAYS * DAY_MS
      ? []
      : [{ id, studentId, about, text, at, answer }];
  });
}

/** Whether a question was asked from this card: one of the same name and kind, at whatever tempo or in whatever key it is today. */
export const isAbout = ({ about }: Pick<Question, 'about'>, card: AskedAbout): boolean =>
  about.recipe === null || card.recipe === null
    ? about.recipe === card.recipe
    : about.title === card.title && about.recipe.family === card.recipe.family;
