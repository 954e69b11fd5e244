/** Each write six times at once, as a press that is doubled by a slow line: one is done, the others are told so or see it done. */
import { routes } from '@finch/contract';
import type TestAgent from 'supertest/lib/agent';
import { addressOf, CHART, sampleRequests, type Here, type RouteName } from './requests';
import { v7 as uuid } from 'uuid';
import { makeTestWorld, NOW, type TestWorld } from './world';

let world: TestWorld;
beforeAll(async () => {
  world = await makeTestWorld();
});
afterAll(() => world.end());

/** A student with a double, a lesson, a card and a piece, made for one test. */
async function there(agent: TestAgent): Promise<Here> {
  const [studentId, double, lessonId, cardId, pieceId, letterId] = Array.from({ length: 6 }, () => uuid());
  const name = `Double ${double}`;
  await agent
    .post('/api/students')
    .send({ id: studentId, name: `One ${studentId}`, bornOn: null })
    .expect(200);
  await agent.post('/api/students').send({ id: double, name, bornOn: null }).expect(200);
  const here: Here = {
    studioId: world.here.studioId,
    membershipId: world.here.ownerId,
    studentId,
    double: { id: double, name },
    lessonId,
    cardId,
    pieceId,
    letterId,
    syllabusId: (await agent.get('/api/syllabus').expect(200)).body.version as string,
    now: NOW,
    versions: { student: 1, lesson: 1, piece: 1, letter: 1, week: 0 },
  };
  const asked = sampleRequests(here);
  const book = { ...asked.bookLesson.body, id: lessonId, weeks: 1 };
  await agent.post('/api/lessons').send(book).expect(200);
  const card = { ...asked.assignHome.body, id: cardId };
  await agent.post(addressOf('assignHome', asked.assignHome)).send(card).expect(200);
  const piece = { version: 0, chart: CHART, concert: null, locks: {}, parts: {} };
  await agent.put(addressOf('keepPiece', asked.keepPiece)).send(piece).expect(200);
  const letter = { ...asked.sendLetter.body, id: letterId };
  await agent.post(addressOf('sendLetter', asked.sendLetter)).send(letter).expect(200);
  return here;
}

/** What writes; `paper` and `propose` make something and keep nothing. */
const WRITES = (Object.keys(routes) as RouteName[]).filter(
  (name) => routes[name].method !== 'get' && !['paper', 'propose', 'standUp', 'sitDown'].includes(name),
);

test.each(WRITES)('%s', async (name) => {
  const owner = await world.sit(world.here.ownerId);
  const asked = sampleRequests(await there(owner))[name];
  const answers = await Promise.all(
    Array.from({ length: 6 }, () => owner[routes[name].method](addressOf(name, asked)).send(asked.body)),
  );
  const statuses = answers.map((one) => one.status);
  // Who asks after the first was done is told that the student, or the double, is not there any more.
  const told = name === 'eraseStudent' || name === 'mergeStudent' ? [200, 409, 404] : [200, 409];
  expect(statuses.filter((status) => !told.includes(status))).toEqual([]);
  expect(statuses).toContain(200);
});

test('a take sent six times at once is stored once', async () => {
  const owner = await world.sit(world.here.ownerId);
  const { body } = sampleRequests(await there(owner)).sendEvents;
  const answers = await Promise.all(
    Array.from({ length: 6 }, () => owner.post('/api/events').send(body).expect(200)),
  );
  expect(answers.map(({ body: said }) => said.stored.length).sort()).toEqual([0, 0, 0, 0, 0, 1]);
  expect(answers.map(({ body: said }) => said.known.length + said.stored.length)).toEqual([1, 1, 1, 1, 1, 1]);
});
