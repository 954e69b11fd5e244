/** Snapshots over real PostgreSQL: a cache, which is believed on its own ground alone and never changes what is said. */
import { serialize } from 'node:v8';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { PRIOR_FIT } from '@finch/core/hands';
import { firstSyllabus } from '@finch/core/syllabus';
import type TestAgent from 'supertest/lib/agent';
import { inStudio } from '../platform/database';
import { sampleEvent } from '../test/requests';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';
import { readLogs, type LogRead } from './log-reading';

let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const from = new Date(NOW - 90 * 86_400_000).toISOString();
async function read(ground = 'one', studentId = world.here.studentId): Promise<LogRead> {
  const student = {
    studentId,
    doubles: [],
    ground,
    hands: [{ from, value: averageHand }],
    instruments: [{ from, value: standardGuitar }],
    playedFor: [],
    timeZone: 'UTC',
  };
  const asked = {
    studioId: world.here.studioId,
    syllabus: firstSyllabus,
    difficultyFit: PRIOR_FIT,
    students: [student],
    now: NOW + 86_400_000,
  };
  const [one] = await inStudio(world.database, world.here.studioId, (manager) => readLogs(manager, asked));
  return one;
}
const log = async (count: number, before: number) => {
  const events = Array.from({ length: count }, (_, i) =>
    sampleEvent(world.here.studentId, NOW - (before - i) * 60_000),
  );
  const { body } = await teacher.post('/api/events').send({ events }).expect(200);
  expect(body.stored).toHaveLength(count);
};
const query = <T>(sql: string): Promise<T[]> =>
  inStudio(world.database, world.here.studioId, (manager) => manager.query(sql, [world.here.studentId]));
const stored = () => query('SELECT ground, places FROM log_snapshot WHERE student_id = $1');

test('stored once enough was read, added to after that, and the same as read anew', async () => {
  await log(30, 100);
  const first = await read();
  expect(first.sofar.skills.takes).toBe(30);
  expect(await stored()).toEqual([{ ground: 'one', places: { [world.here.studentId]: 30 } }]);
  await log(3, 60);
  const added = await read();
  expect(added.places).toEqual({ [world.here.studentId]: 33 });
  expect(await stored()).toEqual([{ ground: 'one', places: { [world.here.studentId]: 30 } }]);
  expect(added.sofar).toEqual((await read('another')).sofar);
});

test('a late take: read anew, and right', async () => {
  await read();
  await log(1, 200);
  const late = await read();
  expect(late.sofar).toEqual((await read('a third')).sofar);
  expect(late.sofar.skills.takes).toBe(34);
});

test('what cannot be read, is of another ground, of other people or of more than there is, is no snapshot', async () => {
  const right = (await read('right')).sofar;
  // One that says nothing was ever played: wherever it is believed, it is seen.
  const lie = serialize((await read('right', world.here.selfTaughtStudentId)).sofar);
  const { studentId } = world.here;
  const spoiled = async (row: { ground?: string; places?: Record<string, number>; body?: Buffer }) => {
    await inStudio(world.database, world.here.studioId, (manager) =>
      manager.query(
        `INSERT INTO log_snapshot (studio_id, student_id, ground, places, body) VALUES ($1, $2, $3, $4, $5)
         ON CONFLICT (studio_id, student_id) DO UPDATE SET ground = $3, places = $4, body = $5`,
        [
          world.here.studioId,
          studentId,
          row.ground ?? 'right',
          JSON.stringify(row.places ?? { [studentId]: 34 }),
          row.body ?? lie,
        ],
      ),
    );
    return (await read('right')).sofar.skills.takes;
  };
  expect(await spoiled({})).toBe(0);
  expect(await spoiled({ body: Buffer.from('no snapshot') })).toBe(right.skills.takes);
  expect(await spoiled({ ground: 'elsewhere' })).toBe(right.skills.takes);
  expect(await spoiled({ places: { [studentId]: 999 } })).toBe(right.skills.takes);
  const double = world.here.otherStudentId;
  expect(await spoiled({ places: { [studentId]: 34, [double]: 0 } })).toBe(right.skills.takes);
});

test('a place is given by the database, one after the other, whatever is sent at once', async () => {
  const { otherStudentId } = world.here;
  await Promise.all(
    Array.from({ length: 12 }, (_, i) =>
      teacher
        .post('/api/events')
        .send({ events: [sampleEvent(otherStudentId, NOW - i * 1000)] })
        .expect(200),
    ),
  );
  const rows: { place: number }[] = await inStudio(world.database, world.here.studioId, (manager) =>
    manager.query('SELECT place FROM log_event WHERE student_id = $1 ORDER BY place', [otherStudentId]),
  );
  expect(rows.map((row) => row.place)).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
});
