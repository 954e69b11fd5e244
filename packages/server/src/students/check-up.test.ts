/** Check-ups over real HTTP and PostgreSQL: what is asked, what was heard term by term, whose they are. */
import type { CheckUpBody } from '@finch/contract';
import { makeDrill } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import type { EventSaid } from '@finch/core/mastery';
import { firstSyllabus } from '@finch/core/syllabus';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

const DAY = 86_400_000;
let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const skill = (id: string) => firstSyllabus.skills.find((one) => one.id === id)!;
let seq = 0;
const send = async (studentId: string, said: EventSaid, id = uuid({ msecs: world.clock.at })) => {
  const event = {
    schemaVersion: 1,
    id,
    studentId,
    deviceId: world.here.teacherId,
    deviceSeq: ++seq,
    sentAt: new Date(world.clock.at).toISOString(),
    ...said,
  };
  const { body } = await teacher
    .post('/api/events')
    .send({ events: [event] })
    .expect(200);
  return body.refused[0]?.problem.code ?? id;
};
const play = (studentId: string, skillId: string, result: 'clean' | 'not yet', minutesAgo = 5) => {
  const drill = must(
    makeDrill(skill(skillId).practice[0].recipe, { hand: averageHand, instrument: standardGuitar }),
  );
  return send(studentId, {
    kind: 'attempt',
    take: {
      recipe: drill.recipe,
      items: drill.items,
      startedAt: new Date(world.clock.at - minutesAgo * 60_000).toISOString(),
      timeZone: 'UTC',
      durationSeconds: 30,
      tempoBpm: drill.tempoBpm,
      steps: [],
      result,
      feel: null,
      source: 'teacher',
    },
  });
};
const read = async (studentId = world.here.studentId) =>
  (await teacher.get(`/api/students/${studentId}/check-up`).expect(200)).body as CheckUpBody;
const check = (studentId: string, ...takes: { skillId: string; takeId: string }[]) =>
  send(studentId, { kind: 'check-up', takes, at: new Date(world.clock.at).toISOString() });

test('nobody asked of whom nothing was heard; then what was played three times, and next term the same again', async () => {
  const { studentId } = world.here;
  expect(await read()).toMatchObject({ student: { id: studentId }, items: [], before: [] });
  for (let i = 0; i < 3; i++) await play(studentId, 'open.em', i ? 'clean' : 'not yet', 30 - i);
  const [item] = (await read()).items;
  expect(item).toMatchObject({ skillId: 'open.em', name: skill('open.em').name });
  const takeId = await play(studentId, 'open.em', 'clean');
  await check(studentId, { skillId: 'open.em', takeId });
  world.clock.at = NOW + 100 * DAY;
  const later = await read();
  expect(later.items.map(({ skillId }) => skillId)).toEqual(['open.em']);
  expect(later.before).toMatchObject([
    { at: NOW, heard: [{ skillId: 'open.em', name: skill('open.em').name, result: 'clean' }] },
  ]);
  // The take is taken back: it was not heard, and a check-up of nothing is none.
  await send(studentId, { kind: 'void', voids: takeId, at: new Date(world.clock.at).toISOString() });
  expect((await read()).before).toEqual([]);
  world.clock.at = NOW;
});

test('takes of another student are not heard; an empty check-up and one of thirteen are refused', async () => {
  const { studentId, otherStudentId } = world.here;
  const before = (await read()).before.length;
  const theirs = await play(otherStudentId, 'open.em', 'clean');
  await check(studentId, { skillId: 'open.em', takeId: theirs });
  expect((await read()).before).toHaveLength(before);
  expect((await read(otherStudentId)).before).toEqual([]);
  expect(await check(studentId)).toBe('take.invalid');
  const many = Array.from({ length: 13 }, () => ({ skillId: 'open.em', takeId: uuid() }));
  expect(await check(studentId, ...many)).toBe('take.invalid');
});
