/** Questions from the practice room over real HTTP and PostgreSQL: who may ask, answer and take back; how they wait and come back. */
import type { BoardBody } from '@finch/contract';
import { ringCheck } from '@finch/core/drills';
import type { EventSaid } from '@finch/core/mastery';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { inStudio } from '../platform/database';
import { C } from '../test/requests';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

let world: TestWorld;
let teacher: TestAgent;
let student: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
  student = await world.sit(world.here.studentSeatId);
});
afterAll(() => world.end());

const about = { title: 'C rings', recipe: ringCheck(C) };
let seq = 0;
const eventOf = (studentId: string, said: EventSaid, id = uuid()) => ({
  schemaVersion: 1,
  id,
  studentId,
  deviceId: world.here.studentSeatId,
  deviceSeq: ++seq,
  sentAt: new Date(NOW).toISOString(),
  ...said,
});
const send = async (agent: TestAgent, event: object) =>
  (
    await agent
      .post('/api/events')
      .send({ events: [event] })
      .expect(200)
  ).body;
const asks = (text: string, at = NOW - 60_000): EventSaid => ({
  kind: 'question',
  about,
  text,
  at: new Date(at).toISOString(),
});
const answers = (to: string, text: string): EventSaid => ({
  kind: 'answer',
  to,
  text,
  at: new Date(NOW).toISOString(),
});
const refusal = async (agent: TestAgent, event: object): Promise<string | undefined> =>
  (await send(agent, event)).refused[0]?.problem.code;
const board = async () => ((await teacher.get('/api/board').expect(200)).body as BoardBody).questions;
const room = async (agent = student) =>
  (await agent.get(`/api/students/${world.here.studentId}/questions`).expect(200)).body.questions;

test('asked once however often it is sent; it waits on the Board until it is answered, and the answer comes back to the card', async () => {
  const { studentId } = world.here;
  const question = eventOf(studentId, asks(' Which finger first? '));
  expect((await send(student, question)).stored).toEqual([question.id]);
  expect((await send(student, question)).known).toEqual([question.id]);
  const [waiting, ...more] = await board();
  expect(more).toEqual([]);
  expect(waiting).toEqual({
    id: question.id,
    studentId,
    name: expect.any(String),
    about,
    text: 'Which finger first?',
    at: NOW - 60_000,
    answer: null,
  });
  const answer = eventOf(studentId, answers(question.id, 'The second.'));
  expect((await send(teacher, answer)).stored).toEqual([answer.id]);
  expect(await board()).toEqual([]);
  expect(await room()).toMatchObject([
    { id: question.id, answer: { id: answer.id, text: 'The second.', at: NOW } },
  ]);
  // The teacher takes the answer back: it waits again.
  const back: EventSaid = { kind: 'void', voids: answer.id, at: new Date(NOW).toISOString() };
  expect((await send(teacher, eventOf(studentId, back))).refused).toEqual([]);
  expect((await board()).map(({ id }) => id)).toEqual([question.id]);
});

test('whoever waited longest comes first; a question is taken back by who asked and by who teaches, an answer by who teaches alone', async () => {
  const { studentId } = world.here;
  const older = eventOf(studentId, asks('Older', NOW - 9_000_000));
  const newer = eventOf(studentId, asks('Newer', NOW - 1000));
  for (const event of [newer, older]) await send(student, event);
  expect((await board()).map(({ text }) => text)).toEqual(['Older', 'Which finger first?', 'Newer']);
  const answer = eventOf(studentId, answers(newer.id, 'Yes.'));
  await send(teacher, answer);
  const back = (voids: string): EventSaid => ({ kind: 'void', voids, at: new Date(NOW).toISOString() });
  expect(await refusal(student, eventOf(studentId, back(answer.id)))).toBe('take.not-own');
  expect(await refusal(student, eventOf(studentId, back(older.id)))).toBeUndefined();
  expect(await refusal(teacher, eventOf(studentId, back(newer.id)))).toBeUndefined();
  expect((await room()).map(({ text }: { text: string }) => text)).toEqual(['Which finger first?']);
});

test('refused: for another student, by who teaches, by a parent; answers to nothing, to a take, of somebody else; empty words, too many', async () => {
  const { studentId, otherStudentId, guardianId } = world.here;
  const guardian = await world.sit(guardianId);
  expect(await refusal(student, eventOf(otherStudentId, asks('x')))).toBe('take.student');
  expect(await refusal(teacher, eventOf(studentId, asks('x')))).toBe('take.student');
  expect(await refusal(guardian, eventOf(studentId, asks('x')))).toBe('take.student');
  const question = eventOf(studentId, asks('One more'));
  await send(student, question);
  expect(await refusal(student, eventOf(studentId, answers(question.id, 'x')))).toBe('take.student');
  expect(await refusal(teacher, eventOf(studentId, answers(uuid(), 'x')))).toBe('question.unknown');
  expect(await refusal(teacher, eventOf(otherStudentId, answers(question.id, 'x')))).toBe('question.unknown');
  for (const text of ['   ', 'x'.repeat(601)])
    expect(await refusal(student, eventOf(studentId, asks(text)))).toBe('take.invalid');
  await guardian.get(`/api/students/${studentId}/questions`).expect(403);
});

test('of a double it is asked and answered as of whom it is merged into', async () => {
  const { studentId, otherStudentId } = world.here;
  const id = uuid();
  await inStudio(world.owner, world.here.studioId, async (manager) => {
    await manager.query(
      `INSERT INTO log_event (studio_id, id, student_id, actor_id, device_id, device_seq, kind, body, happened_at, sent_at, received_at)
     SELECT studio_id, $2, $3, actor_id, device_id, 77, kind, jsonb_set(body, '{text}', '"By the double"'), happened_at, sent_at, received_at
     FROM log_event WHERE kind = 'question' AND student_id = $1 LIMIT 1`,
      [studentId, id, otherStudentId],
    );
    await manager.query('UPDATE student SET merged_into = $1 WHERE id = $2', [studentId, otherStudentId]);
  });
  const found = (await board()).find((one) => one.id === id);
  expect([found?.studentId, found?.text]).toEqual([studentId, 'By the double']);
  expect((await send(teacher, eventOf(studentId, answers(id, 'Well asked.')))).refused).toEqual([]);
  expect((await room(teacher)).find((one: { id: string }) => one.id === id)?.answer?.text).toBe(
    'Well asked.',
  );
});
