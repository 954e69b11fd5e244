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

const health = async () => (await teacher.get('/api/health').expect(200)).body as { ok: boolean };

test.each([
  ['a number of its device that no column takes', { deviceSeq: 2_147_483_648 }, 'take.invalid'],
  ['NUL in its text', { take: { ...take('x').take, timeZone: 'UTC\0' } }, 'take.invalid'],
  ['half a character', { take: { ...take('x').take, timeZone: '\ud83c' } }, 'take.invalid'],
  ['a day there is not', { sentAt: '2026-02-31T10:00:00.000Z' }, 'take.invalid'],
  ['an id of another year than any', { id: 'ffffffff-ffff-7fff-bfff-ffffffffffff' }, 'take.id'],
  ['an id from before there was a log', { id: '00000000-0001-7fff-bfff-ffffffffffff' }, 'take.id'],
])('%s is refused alone: its neighbours are stored, and health stays', async (_, bad, code) => {
  const { studentId } = world.here;
  const [first, last] = [take(studentId), take(studentId)];
  const answer = await send(first, { ...take(studentId), ...bad }, last);
  expect([answer.stored, codes(answer)]).toEqual([[first.id, last.id], [code]]);
  expect((await health()).ok).toBe(true);
});

test('an id known from another student is a conflict, not known', async () => {
  const mine = take(world.here.studentId);
  await send(mine);
  const answer = await send({ ...take(world.here.otherStudentId), id: mine.id });
  expect([answer.known, codes(answer)]).toEqual([[], ['take.conflict']]);
});

test('the same id with another body is a conflict; the same again is known, whenever and by whatever device it is sent', async () => {
  const first = take(world.here.studentId);
  await send(first);
  expect(
    (await send({ ...first, deviceSeq: 77, deviceId: uuid(), sentAt: iso(NOW + 60_000) })).known,
  ).toEqual([first.id]);
  for (const other of [{ result: 'not yet' }, { tempoBpm: 90 }, { startedAt: iso(NOW - 7_200_000) }]) {
    const answer = await send({ ...first, take: { ...first.take, ...other } });
    expect([answer.known, codes(answer)]).toEqual([[], ['take.conflict']]);
  }
  const undone = { ...first, kind: 'void', voids: first.id, at: iso(NOW) };
  expect(codes(await send(undone))).toEqual(['take.conflict']);
});

test('a take dated 2060 is refused, whatever the clock of its device says of itself', async () => {
  const far = Date.UTC(2060, 0, 1);
  const late = { ...take(world.here.studentId, far), sentAt: iso(far) };
  expect(codes(await send(late))).toEqual(['take.ahead']);
});

test('a student takes back an own take alone, a teacher what was logged of a student', async () => {
  const { studentId } = world.here;
  const pupil = await world.sit(world.here.studentSeatId);
  const asPupil = async (...events: object[]) =>
    (await pupil.post('/api/events').send({ events }).expect(200)).body as Answer;
  const [own, heard] = [take(studentId), take(studentId, NOW, 'teacher')];
  const mark = {
    ...head(studentId),
    kind: 'override',
    skillId: 'roots-on-6',
    state: 'settled',
    at: iso(NOW),
  };
  await asPupil(own);
  expect((await send(heard, mark)).stored).toHaveLength(2);
  expect(codes(await asPupil(back(studentId, heard.id), back(studentId, mark.id)))).toEqual([
    'take.not-own',
    'take.not-own',
  ]);
  expect((await asPupil(back(studentId, own.id))).stored).toHaveLength(1);
  expect((await send(back(studentId, heard.id))).stored).toHaveLength(1);
});
