/** Check-ups by the log: what was heard of each, in order, without what was taken back. */
import { ringCheck } from '../drills';
import { checkUpsOf } from './check-ups';
import type { EventSaid, LogEvent } from './log';

const START = Date.UTC(2026, 5, 1, 10);
const iso = (day: number) => new Date(START + day * 86_400_000).toISOString();
const recipe = ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] });
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
const take = (id: string, day: number, result: 'clean' | 'nearly' = 'clean') =>
  event(id, day, {
    kind: 'attempt',
    take: {
      recipe,
      items: [],
      startedAt: iso(day),
      timeZone: 'UTC',
      durationSeconds: 20,
      tempoBpm: null,
      steps: [],
      result,
      feel: null,
      source: 'teacher',
    },
  });
const check = (id: string, day: number, ...takeIds: string[]) =>
  event(id, day, {
    kind: 'check-up',
    takes: takeIds.map((takeId, i) => ({ skillId: `skill ${i}`, takeId })),
    at: iso(day),
  });
const at = (events: LogEvent[], day = 300) => checkUpsOf(events, START + day * 86_400_000);

test('term by term, in whatever order they came, with what was heard of each', () => {
  const events = [
    check('c2', 100, 't3'),
    take('t3', 100),
    check('c1', 1, 't1', 't2'),
    take('t2', 1, 'nearly'),
    take('t1', 1),
  ];
  expect(at(events)).toEqual([
    {
      id: 'c1',
      at: START + 86_400_000,
      heard: [
        { skillId: 'skill 0', recipe, result: 'clean', tempoBpm: null },
        { skillId: 'skill 1', recipe, result: 'nearly', tempoBpm: null },
      ],
    },
    {
      id: 'c2',
      at: START + 100 * 86_400_000,
      heard: [{ skillId: 'skill 0', recipe, result: 'clean', tempoBpm: null }],
    },
  ]);
  expect(at(events, 50).map(({ id }) => id)).toEqual(['c1']);
});

test('a take that was taken back was not heard; a check-up of none, or taken back itself, is none', () => {
  const back = (voids: string) => event(`v ${voids}`, 2, { kind: 'void', voids, at: iso(2) });
  const events = [take('t1', 1), take('t2', 1), check('c1', 1, 't1', 't2')];
  expect(at([...events, back('t1')])[0].heard.map(({ skillId }) => skillId)).toEqual(['skill 1']);
  expect(at([...events, back('t1'), back('t2')])).toEqual([]);
  expect(at([...events, back('c1')])).toEqual([]);
  expect(at([check('c1', 1, 'elsewhere')])).toEqual([]);
});
