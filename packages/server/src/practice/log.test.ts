/** The door of the log over real HTTP and PostgreSQL: what is stored, what is known already, and what is refused and why. */
import { ringCheck } from '@finch/core/drills';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const iso = (ms: number) => new Date(ms).toISOString();
const head = (studentId: string) => ({
  schemaVersion: 1,
  id: uuid(),
  studentId,
  deviceId: uuid(),
  deviceSeq: 1,
  sentAt: iso(NOW),
});
const take = (studentId: string, startedAt = NOW, source = 'self') => ({
  ...head(studentId),
  kind: 'attempt',
  take: {
    recipe: ringCheck({ chord: 'C', frets: [null, 3, 2, 0, 1, 0] }),
    items: [{ kind: 'key', key: 'C major' }],
    startedAt: iso(startedAt),
    timeZone: 'UTC',
    durationSeconds: 10,
    tempoBpm: null,
    steps: [],
    result: 'clean',
    feel: null,
    source,
  },
});
const back = (studentId: string, voids: string) => ({
  ...head(studentId),
  kind: 'void',
  voids,
  at: iso(NOW),
});
interface Answer {
  readonly stored: string[];
  readonly known: string[];
  readonly refused: { readonly id: string | null; readonly problem: { readonly code: string } }[];
}
const send = async (...events: object[]): Promise<Answer> =>
  (await teacher.post('/api/events').send({ events }).expect(200)).body as Answer;
const codes = ({ refused }: Answer) => refused.map((one) => one.problem.code);

test('a take sent twice is stored once, and one bad event keeps no good one back', async () => {
  const good = take(world.here.studentId);
  const answer = await send({ kind: 'no such' }, good, good);
  expect(answer.stored).toEqual([good.id]);
  expect(answer.known).toEqual([good.id]);
  expect(codes(answer)).toEqual(['take.invalid']);
});

test('only a take that is stored for that student can be taken back', async () => {
  const mine = take(world.here.studentId);
  const theirs = take(world.here.otherStudentId);
  await send(mine, theirs);
  expect(codes(await send(back(world.here.studentId, uuid())))).toEqual(['take.void']);
  expect(codes(await send(back(world.here.studentId, theirs.id)))).toEqual(['take.void']);
  const taken = back(world.here.studentId, mine.id);
  expect((await send(taken)).stored).toEqual([taken.id]);
});

test('a take from further ahead than a wrong clock explains is refused; a little ahead is not', async () => {
  const hour = 3_600_000;
  expect(codes(await send(take(world.here.studentId, NOW + 25 * hour)))).toEqual(['take.ahead']);
  expect((await send(take(world.here.studentId, NOW + hour))).stored).toHaveLength(1);
  expect(codes(await send(take(world.here.studentId, NOW, 'simulated')))).toEqual(['take.source']);
});
