/** A teacher's marks over real HTTP and PostgreSQL: each write goes over the version its writer saw. */
import type TestAgent from 'supertest/lib/agent';
import { makeTestWorld, type TestWorld } from '../test/world';

let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const SUBJECT = '40-45-50-55-59-64 x-3-2-0-1-0';
const FINGERS = [null, 3, 2, 0, 1, 0];
const pin = (version: number, fingers: readonly (number | null)[] | null = FINGERS) =>
  teacher.put(`/api/students/${world.here.studentId}/pins`).send({ subject: SUBJECT, fingers, version });
const hook = (version: number, nickname: string) =>
  teacher.put('/api/hooks').send({ subject: SUBJECT, nickname, picture: null, version });
const marks = async () => {
  const { body } = await teacher.get(`/api/schools?student=${world.here.studentId}`).expect(200);
  return body.marks as { pins: { fingers: unknown; version: number }[]; hooks: { nickname: string }[] };
};

test('a pin is written over the version seen; a second writer who saw an older one is refused and nothing changes', async () => {
  expect((await pin(0).expect(200)).body).toEqual({ version: 1 });
  expect((await pin(1, [null, 4, 2, 0, 1, 0]).expect(200)).body).toEqual({ version: 2 });
  for (const stale of [0, 1, 3]) {
    const refused = await pin(stale).expect(409);
    expect(refused.body).toMatchObject({ code: 'write.stale', at: 'version' });
  }
  expect((await marks()).pins).toEqual([
    expect.objectContaining({ fingers: [null, 4, 2, 0, 1, 0], version: 2 }),
  ]);
});

test('taken away it is gone, a late write is still stale, and it can be made again', async () => {
  await pin(2, null).expect(200);
  expect((await marks()).pins).toEqual([]);
  await pin(2).expect(409);
  await pin(0).expect(200);
  expect((await marks()).pins).toHaveLength(1);
});

test('a hook is the same: over the version seen, and an empty nickname takes it away', async () => {
  await hook(0, 'the ladder').expect(200);
  await hook(0, 'the claw').expect(409);
  await hook(1, 'the claw').expect(200);
  await hook(1, 'the ladder').expect(409);
  expect((await marks()).hooks.map((one) => one.nickname)).toEqual(['the claw']);
  await hook(2, '').expect(200);
  expect((await marks()).hooks).toEqual([]);
});

test('a hook of a player who is their own teacher is theirs: the studio’s stays, and nobody else sees it', async () => {
  const self = await world.sit(world.here.selfTaughtId);
  const nicknames = async (agent: TestAgent, studentId: string) =>
    (await agent.get(`/api/schools?student=${studentId}`).expect(200)).body.marks.hooks.map(
      (one: { nickname: string }) => one.nickname,
    );
  const keep = (version: number, nickname: string) =>
    self.put('/api/hooks').send({ subject: SUBJECT, nickname, picture: null, version });
  await hook(0, 'the ladder').expect(200);
  const { selfTaughtStudentId, studentId } = world.here;
  // Begun over the studio's, whatever its version is.
  expect((await keep(4, 'my claw').expect(200)).body).toEqual({ version: 1 });
  await keep(0, 'my paw').expect(409);
  await keep(1, 'my paw').expect(200);
  expect(await nicknames(self, selfTaughtStudentId)).toEqual(['my paw']);
  expect(await nicknames(teacher, studentId)).toEqual(['the ladder']);
  await keep(2, '').expect(200);
  expect(await nicknames(self, selfTaughtStudentId)).toEqual(['the ladder']);
});
