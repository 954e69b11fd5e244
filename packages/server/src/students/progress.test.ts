/** What the studio should look at, over real HTTP and PostgreSQL: the same as each student's page says, of this studio alone. */
import type { ProgressBody, StudentBody } from '@finch/contract';
import { changeLoop, makeDrill } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

const DAY = 86_400_000;
const MINUTE = 60_000;
let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const drill = must(
  makeDrill(
    changeLoop({
      grips: [
        { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
        { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
      ],
      beatsEach: 4,
      tempoBpm: 50,
    }),
    { hand: averageHand, instrument: standardGuitar },
  ),
);
const RESULTS: Readonly<Record<string, string>> = { '+': 'clean', '?': 'nearly', '-': 'not yet' };
let seq = 0;
const attempt = (studentId: string, at: number, result: string, feel: object | null = null) => ({
  schemaVersion: 1,
  id: uuid({ msecs: at }),
  studentId,
  deviceId: studentId,
  deviceSeq: ++seq,
  sentAt: new Date(NOW).toISOString(),
  kind: 'attempt',
  take: {
    recipe: drill.recipe,
    items: drill.items,
    startedAt: new Date(at).toISOString(),
    timeZone: 'Atlantic/Faroe',
    durationSeconds: 60,
    tempoBpm: 50,
    steps: [],
    result,
    feel,
    source: 'teacher',
  },
});
const log = async (events: readonly object[]) => {
  const { body } = await teacher.post('/api/events').send({ events }).expect(200);
  expect(body.refused).toEqual([]);
};
const progress = async (): Promise<ProgressBody> => (await teacher.get('/api/progress').expect(200)).body;
const page = async (id: string): Promise<StudentBody> =>
  (await teacher.get(`/api/students/${id}`).expect(200)).body;

test('nothing was played: nothing is claimed', async () => {
  const body = await progress();
  expect(body.stuck).toEqual({ list: [], all: 0, students: 0 });
  expect([body.surprises, body.tense, body.hurting]).toEqual([[], [], []]);
  expect(body.held.all).toEqual({ takes: 0, classes: [], logLoss: null, runningMean: null });
  expect(body.held.students.map(({ takes }) => takes)).toEqual([0, 0, 0]);
});

test('one who is stuck, the same number as on the page; a day that went otherwise than said; a hand that was tense', async () => {
  const { studentId, otherStudentId } = world.here;
  // Weeks of misses, one every other day; then a day on which everything came.
  const misses = [...'?-+-?-+-?--?'].map((sign, i) =>
    attempt(studentId, NOW - (26 - 2 * i) * DAY, RESULTS[sign]),
  );
  await log(misses);
  const stuck = (await progress()).stuck;
  const held = (await page(studentId)).skills.filter(({ marks }) => marks.stuck);
  expect(held.length).toBeGreaterThan(0);
  expect([stuck.all, stuck.students]).toEqual([held.length, 1]);
  for (const one of stuck.list) {
    const skill = held.find(({ skillId }) => skillId === one.skillId);
    expect([one.studentId, one.name, one.takes, one.now]).toEqual([
      studentId,
      'Pupil',
      skill?.attempts,
      skill?.chance?.mean,
    ]);
    expect(one.skill).not.toBe(one.skillId);
    expect(one.points.length).toBe(one.takes);
  }

  await log(Array.from({ length: 8 }, (_, i) => attempt(studentId, NOW - (60 - i) * MINUTE, 'clean')));
  const tense = { hand: 'tense' };
  await log([
    attempt(otherStudentId, NOW - 3 * MINUTE, 'clean', tense),
    attempt(otherStudentId, NOW - 2 * MINUTE, 'clean', { hand: 'easy' }),
    attempt(otherStudentId, NOW - MINUTE, 'clean', tense),
  ]);
  const body = await progress();
  const [surprise] = body.surprises;
  expect(surprise).toMatchObject({ studentId, takes: 8, clean: 8, came: 1 });
  expect(surprise.said).toBeLessThan(0.6);
  expect(surprise).not.toHaveProperty('chance');
  expect(body.tense).toEqual([
    expect.objectContaining({ studentId: otherStudentId, hard: 2, of: 3, pain: false, at: NOW - MINUTE }),
  ]);
  expect(['C', 'G']).toContain(body.tense[0].chord);
  expect(body.tense[0].limit).toBe((await page(otherStudentId)).limits.value.gripEffort);

  // Takes of all are those of each.
  const of = new Map(body.held.students.map((one) => [one.studentId, one.held.takes]));
  expect(of.get(studentId)).toBeGreaterThanOrEqual(20);
  expect([...of.values()].reduce((a, b) => a + b, 0)).toBe(body.held.all.takes);
  expect(body.held.all.classes.reduce((sum, { takes }) => sum + takes, 0)).toBe(body.held.all.takes);
  // What was heard a week ago surprises nobody any more.
  world.clock.at = NOW + 8 * DAY;
  expect((await progress()).surprises).toEqual([]);
  world.clock.at = NOW;
});

test('a hand that hurts is named, and the page says when playing stopped and came back', async () => {
  const { otherStudentId } = world.here;
  await log([attempt(otherStudentId, NOW - 30_000, 'clean', { hand: 'pain', where: 'wrist', side: 'left' })]);
  expect((await progress()).hurting).toEqual([
    { studentId: otherStudentId, name: 'Other pupil', pain: (await page(otherStudentId)).pain },
  ]);
  expect((await page(otherStudentId)).stops).toEqual([{ from: NOW - 30_000, to: null }]);
  const { take: _, ...event } = attempt(otherStudentId, NOW, 'clean');
  const at = new Date(NOW).toISOString();
  await log([{ ...event, kind: 'clearance', at }]);
  expect((await page(otherStudentId)).stops).toEqual([{ from: NOW - 30_000, to: NOW }]);
});

test('one’s hand is on record since the days it was measured', async () => {
  const { studentId } = world.here;
  expect((await page(studentId)).measured).toEqual([]);
  const { version, limits } = await page(studentId);
  const hand = { ...averageHand, reachMm: 112 };
  await teacher
    .put(`/api/students/${studentId}/hand`)
    .send({ version, hand, instrument: standardGuitar, limits: limits.value })
    .expect(200);
  expect((await page(studentId)).measured).toEqual([NOW]);
});
