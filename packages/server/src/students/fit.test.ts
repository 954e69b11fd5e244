/** The studio's fit over real HTTP and PostgreSQL: made once a week, in force from the next Monday, of this studio alone. */
import type { StudentBody } from '@finch/contract';
import { changeLoop, makeDrill } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { inStudio } from '../platform/database';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

const DAY = 86_400_000;
/** NOW is a Tuesday: the Monday after it. */
const MONDAY = NOW + 6 * DAY;
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
let seq = 0;
const log = async (studentId: string, result: string, times = 3) => {
  const events = Array.from({ length: times }, (_, i) => {
    const at = world.clock.at - (times - i) * 60_000;
    return {
      schemaVersion: 1,
      id: uuid({ msecs: at }),
      studentId,
      deviceId: studentId,
      deviceSeq: ++seq,
      sentAt: new Date(world.clock.at).toISOString(),
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
        feel: null,
        source: 'teacher',
      },
    };
  });
  const { body } = await teacher.post('/api/events').send({ events }).expect(200);
  expect(body.refused).toEqual([]);
};
const chance = async (id: string): Promise<number | null> => {
  const { body } = await teacher.get(`/api/students/${id}`).expect(200);
  return (body as StudentBody).skills.find(({ skillId }) => skillId === 'near.c-g')?.chance?.mean ?? null;
};
const fits = (studioId: string): Promise<{ week: string; shift: Record<string, number> }[]> =>
  inStudio(world.owner, studioId, (manager) =>
    manager.query('SELECT week::text, shift_logits AS shift FROM studio_fit ORDER BY week'),
  );

test('what others played moves nobody within a week; from Monday on a skill that all missed is harder for all', async () => {
  const { studentId, otherStudentId, selfTaughtStudentId } = world.here;
  const added = uuid();
  await teacher.post('/api/students').send({ id: added, name: 'Late Comer', bornOn: null }).expect(200);
  for (const id of [studentId, otherStudentId, selfTaughtStudentId]) await log(id, 'not yet');
  await log(added, 'clean', 1);
  const before = await chance(added);
  await teacher.get('/api/board').expect(200);
  expect(await fits(world.here.studioId)).toEqual([
    { week: '2026-06-15', shift: expect.objectContaining({ 'skill near.c-g': expect.any(Number) }) },
  ]);
  await teacher.get('/api/board').expect(200);
  expect(await fits(world.here.studioId)).toHaveLength(1);
  expect(await fits(world.elsewhere.studioId)).toEqual([]);
  expect(await chance(added)).toBe(before);
  // The evening before it is still the old week.
  world.clock.at = MONDAY - 16 * 3_600_000;
  const sunday = await chance(added);
  world.clock.at = MONDAY;
  const monday = await chance(added);
  // A night took next to nothing; what the others found took the rest.
  expect((sunday ?? 0) - (monday ?? 0)).toBeGreaterThan(0.05);
  await teacher.get('/api/board').expect(200);
  expect((await fits(world.here.studioId)).map(({ week }) => week)).toEqual(['2026-06-15', '2026-06-22']);
  const why = await teacher.get(`/api/students/${added}/skills/near.c-g/why`).expect(200);
  expect(why.body.now).toBe(await chance(added));
  world.clock.at = NOW;
});
