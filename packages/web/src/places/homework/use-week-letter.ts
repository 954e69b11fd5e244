/** Puts the week in the outbox as a letter to those at home, with the way back; pressed twice it is one letter. */
import { routes, type LetterBody } from '@finch/contract';
import type { HomeWeek } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { v7 as uuid } from 'uuid';
import { call } from '../../session/api';
import { useNotices } from '../../session/notices';
import { readAnew } from '../../session/queries';
import { sayError } from '../../words';
import { typedLetter } from '../../words/report-words';
import { weekLetter } from './week-words';

export function useWeekLetter() {
  const client = useQueryClient();
  const notices = useNotices();
  let sending: Promise<void> | null = null;
  /** A press after an answer that was lost sends the same letter. */
  let id = uuid();

  async function put(student: { readonly id: string; readonly name: string }, week: HomeWeek): Promise<void> {
    const params = { studentId: student.id };
    try {
      const { guardians } = await call(routes.report, { params });
      const to = guardians.length ? guardians : [student.name];
      const content = typedLetter(weekLetter(week, student.name, to));
      const sent = await call(routes.sendLetter, { params, body: { id, content } });
      id = uuid();
      await readAnew(client, 'letters', 'progress');
      notices.tell(`In the outbox: ${content.subject}, to ${to.join(', ')}.`, [
        { label: 'Take it back', undo: true, run: () => takeBack(sent) },
      ]);
    } catch (problem) {
      notices.trouble(`Not in the outbox: ${sayError(problem)}`);
    }
  }
  async function takeBack(sent: LetterBody): Promise<void> {
    try {
      await call(routes.changeLetter, {
        params: { letterId: sent.id },
        body: { version: sent.version, state: 'taken back', content: sent.content },
      });
      await readAnew(client, 'letters', 'progress');
      notices.tell('Taken back: the week is not in the outbox.');
    } catch (problem) {
      notices.trouble(sayError(problem));
    }
  }
  return {
    send: (student: { readonly id: string; readonly name: string }, week: HomeWeek): Promise<void> =>
      (sending ??= put(student, week).finally(() => (sending = null))),
  };
}
