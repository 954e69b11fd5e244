/** The repertoire over real HTTP and PostgreSQL: made, changed, taken away and brought back; rights, stale writes, other studios. */
import { v7 as uuid } from 'uuid';
import { inStudio } from '../platform/database';
import { makeTestWorld, type TestWorld } from '../test/world';
import { writePiece } from './pieces.repository';

let world: TestWorld;
beforeAll(async () => {
  world = await makeTestWorld();
});
afterAll(() => world.end());

const CHART = 'title: Oar Song\nkey: Eb\n| Eb | Ab | Bb7 | Eb |';
const content = { chart: CHART, concert: null, locks: {}, parts: {} };
const teacher = () => world.sit(world.here.teacherId);

test('a piece is made, changed over its version, taken away and brought back', async () => {
  const agent = await teacher();
  const id = uuid();
  const made = (
    await agent
      .put(`/api/pieces/${id}`)
      .send({ version: 0, ...content })
      .expect(200)
  ).body;
  expect(made).toEqual({ id, version: 1, mayChange: true, ...content });
  const concert = { name: 'The Net Loft', day: '2026-07-04' };
  const locks = { '0.1.0': { frets: [4, 6, 6, 5, 4, 4] } };
  await agent
    .put(`/api/pieces/${id}`)
    .send({ version: 1, ...content, concert, locks })
    .expect(200);
  const listed = (await agent.get('/api/pieces').expect(200)).body.pieces;
  expect(listed).toEqual([{ id, version: 2, mayChange: true, ...content, concert, locks }]);
  await agent.delete(`/api/pieces/${id}?version=2`).expect(200, { version: 3 });
  expect((await agent.get('/api/pieces').expect(200)).body.pieces).toEqual([]);
  await agent
    .put(`/api/pieces/${id}`)
    .send({ version: 3, ...content, concert, locks })
    .expect(200);
  expect((await agent.get('/api/pieces').expect(200)).body.pieces).toHaveLength(1);
});

test('a write over an older version is refused and changes nothing', async () => {
  const agent = await teacher();
  const id = uuid();
  await agent
    .put(`/api/pieces/${id}`)
    .send({ version: 0, ...content })
    .expect(200);
  await agent
    .put(`/api/pieces/${id}`)
    .send({ version: 1, ...content })
    .expect(200);
  for (const version of [0, 1, 7]) {
    const refused = await agent
      .put(`/api/pieces/${id}`)
      .send({ version, ...content })
      .expect(409);
    expect(refused.body.code).toBe('write.stale');
  }
  await agent.delete(`/api/pieces/${id}?version=1`).expect(409);
  await agent.delete(`/api/pieces/${uuid()}?version=1`).expect(404);
});

test('a chart with a fault is refused with its place, and so is one without a title', async () => {
  const agent = await teacher();
  const send = async (chart: unknown) =>
    (
      await agent
        .put(`/api/pieces/${uuid()}`)
        .send({ version: 0, ...content, chart })
        .expect(422)
    ).body;
  expect((await send('title: X\n| C | Hmm |')).detail).toContain('line 2, column 7');
  expect((await send('| C |')).detail).toContain('title');
  await send('x'.repeat(300_000));
  await send(7);
  await agent
    .put(`/api/pieces/${uuid()}`)
    .send({ version: 0, ...content, locks: { here: { frets: [0] } } })
    .expect(422);
});

test('who does not teach neither reads nor writes; a self-taught player does both; other studios see nothing', async () => {
  const { here, elsewhere } = world;
  for (const seat of [here.studentSeatId, here.guardianId]) {
    const agent = await world.sit(seat);
    await agent.get('/api/pieces').expect(403);
    await agent
      .put(`/api/pieces/${uuid()}`)
      .send({ version: 0, ...content })
      .expect(403);
    await agent.delete(`/api/pieces/${uuid()}?version=1`).expect(403);
  }
  await (await world.sit(null)).get('/api/pieces').expect(401);
  const own = await world.sit(here.selfTaughtId);
  const id = uuid();
  await own
    .put(`/api/pieces/${id}`)
    .send({ version: 0, ...content })
    .expect(200);
  // A piece of another studio is not there: neither listed, nor changed, nor taken away.
  const foreign = uuid();
  await inStudio(world.database, elsewhere.studioId, (manager) =>
    writePiece(
      manager,
      { studioId: elsewhere.studioId, id: foreign, content, at: new Date(), studentId: null },
      0,
    ),
  );
  const listed: { id: string }[] = (await own.get('/api/pieces').expect(200)).body.pieces;
  expect(listed.map((one) => one.id)).toContain(id);
  expect(listed.map((one) => one.id)).not.toContain(foreign);
  await own
    .put(`/api/pieces/${foreign}`)
    .send({ version: 1, ...content })
    .expect(404);
  await own.delete(`/api/pieces/${foreign}?version=1`).expect(404);
});

test('a player who is their own teacher changes pieces of their own alone; a teacher any', async () => {
  const [agent, self] = [await teacher(), await world.sit(world.here.selfTaughtId)];
  const [studios, own] = [uuid(), uuid()];
  await agent
    .put(`/api/pieces/${studios}`)
    .send({ version: 0, ...content })
    .expect(200);
  await self
    .put(`/api/pieces/${own}`)
    .send({ version: 0, ...content })
    .expect(200);
  for (const refused of [
    self.put(`/api/pieces/${studios}`).send({ version: 1, ...content }),
    self.delete(`/api/pieces/${studios}?version=1`),
  ])
    expect((await refused.expect(403)).body.code).toBe('piece.not-own');
  const seen = (await self.get('/api/pieces').expect(200)).body.pieces as {
    id: string;
    mayChange: boolean;
  }[];
  expect([studios, own].map((id) => seen.find((one) => one.id === id)?.mayChange)).toEqual([false, true]);
  await self
    .put(`/api/pieces/${own}`)
    .send({ version: 1, ...content })
    .expect(200);
  await agent
    .put(`/api/pieces/${own}`)
    .send({ version: 2, ...content })
    .expect(200);
  expect((await self.delete(`/api/pieces/${own}?version=3`).expect(200)).body.version).toBe(4);
});
