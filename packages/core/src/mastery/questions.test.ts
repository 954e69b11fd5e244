/** Questions and answers by the log: order of arrival, what was taken back, what is old, which card it was asked from. */
import { ringCheck, warmUp } from '../drills';
import type { EventSaid, LogEvent } from './log';
import { isAbout, questionsOf } from './questions';

const DAY = 86_400_000;
const START = Date.UTC(2026, 5, 1, 10);
const iso = (day: number) => new Date(START + day * DAY).toISOString();
const EM = { title: 'Em', recipe: ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }) };
const event = (id: string, day: number, said: EventSaid): LogEvent =>
  ({
    schemaVersion: 1,
    id,
    studentId: 's',
    actorId: 'a',
    deviceId: 'd',
    deviceSeq: 1,
    sentAt: iso(day),
    receivedAt: iso(day),
    ...said,
  }) as LogEvent;
const asked = (id: string, day: number, text = id) =>
  event(id, day, { kind: 'question', about: EM, text, at: iso(day) });
const answered = (id: string, day: number, to: string) =>
  event(id, day, { kind: 'answer', to, text: `to ${to}`, at: iso(day) });
const at = (events: LogEvent[], day: number) =>
  questionsOf(events, START + day * DAY).map(({ id, answer }) => [id, answer?.text ?? null]);

test('whoever waited longest comes first, in whatever order they came; the last answer counts', () => {
  const events = [answered('x', 3, 'q2'), asked('q2', 2), asked('q1', 1), answered('y', 4, 'q2')];
  expect(at(events, 5)).toEqual([
    ['q1', null],
    ['q2', 'to q2'],
  ]);
  expect(questionsOf(events, START + 5 * DAY)[1].answer?.id).toBe('y');
  expect(questionsOf(events, START + 5 * DAY)[0]).toEqual({
    id: 'q1',
    studentId: 's',
    about: EM,
    text: 'q1',
    at: START + DAY,
    answer: null,
  });
  // An answer that came before its question was read is found all the same; one of nothing answers nothing.
  expect(at([answered('x', 3, 'q1')], 5)).toEqual([]);
});

test('what was taken back is not there: a question, or the answer alone', () => {
  const back = (id: string, voids: string) => event(id, 4, { kind: 'void', voids, at: iso(4) });
  expect(at([asked('q1', 1), back('v', 'q1')], 5)).toEqual([]);
  expect(at([asked('q1', 1), answered('x', 2, 'q1'), back('v', 'x')], 5)).toEqual([['q1', null]]);
});

test('an open question stays however old; an answer goes after four weeks', () => {
  expect(at([asked('q1', 0)], 300)).toEqual([['q1', null]]);
  const events = [asked('q1', 0), answered('x', 1, 'q1')];
  expect(at(events, 29)).toHaveLength(1);
  expect(at(events, 30)).toEqual([]);
});

test('it belongs to the card of that name and kind, whatever its tempo; tuning up is a card of its own', () => {
  const tuning = { title: 'Tuning up', recipe: null };
  const [question] = questionsOf([asked('q1', 1)], START + 2 * DAY);
  expect(isAbout(question, { ...EM, recipe: ringCheck({ chord: 'Em7', frets: [0, 2, 0, 0, 0, 0] }) })).toBe(
    true,
  );
  expect(isAbout(question, { ...EM, title: 'Am' })).toBe(false);
  expect(isAbout(question, { ...EM, recipe: warmUp(2) })).toBe(false);
  expect([
    isAbout(question, tuning),
    isAbout({ about: tuning }, EM),
    isAbout({ about: tuning }, tuning),
  ]).toEqual([false, false, true]);
});
