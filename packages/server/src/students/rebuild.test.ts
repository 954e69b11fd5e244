/** npm run rebuild over real PostgreSQL: what was stored is compared with the log itself, said where it lies, and put right. */
import { join } from 'node:path';
import { makeDrill, ringCheck } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { inStudio } from '../platform/database';
import { sampleEvent } from '../test/requests';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';
import { makeWork, type Work } from '../work/work';
import { rebuildStudio } from './rebuild';
import { makeStates, type States } from './states.service';

let world: TestWorld;
let work: Work;
let states: States;
beforeAll(async () => {
  world = await makeTestWorld();
  const { access, databaseName } = world;
  work = makeWork(join(__dirname, '../test/worker.mjs'), 1, {
    root: '',
    access: access,
    databaseName,
  });
  states = makeStates(work, 'this program');
  const teacher = await world.sit(world.here.teacherId);
  const events = [40, 30, 20, 10].map((before) => played(before));
  await teacher.post('/api/events').send({ events }).expect(200);
});
afterAll(async () => {
  await work.close();
  await world.end();
});

const drill = must(
  makeDrill(ringCheck({ chord: 'C', frets: [null, 3, 2, 0, 1, 0] }), {
    hand: averageHand,
    instrument: standardGuitar,
  }),
);
function played(minutesBefore: number) {
  const event = sampleEvent(world.here.studentId, NOW - minutesBefore * 60_000);
  return { ...event, take: { ...event.take, recipe: drill.recipe, items: drill.items } };
}
const rebuilt = () => rebuildStudio(world.database, world.here.studioId, states, work, NOW + 86_400_000);
const asOwner = (sql: string, values: unknown[] = []) =>
  inStudio(world.database, world.here.studioId, (manager) => manager.query(sql, values));

test('at first there is nothing to compare; then what was stored is as the log says, as often as it is asked', async () => {
  const first = await rebuilt();
  expect(first.differs).toBe(false);
  expect(first.lines).toHaveLength(1);
  expect(first.lines[0]).toMatch(
    /^3 students, 4 events read anew in .* s: 0 as stored, 0 otherwise, 3 with nothing/,
  );
  expect((await rebuilt()).lines[0]).toMatch(/: 1 as stored, 0 otherwise, 2 with nothing/);
});

test('a snapshot that lies is named by student, skill and both numbers, and put right', async () => {
  await rebuilt();
  const { studentId } = world.here;
  const teacher = await world.sit(world.here.teacherId);
  const [before] = await asOwner('SELECT body, places FROM log_snapshot WHERE student_id = $1', [studentId]);
  await teacher
    .post('/api/events')
    .send({ events: [played(1)] })
    .expect(200);
  await rebuilt();
  // As far as the log goes, and of one take less.
  await asOwner(`UPDATE log_snapshot SET body = $2 WHERE student_id = $1`, [studentId, before.body]);
  const lying = await rebuilt();
  expect(lying.differs).toBe(true);
  expect(lying.lines[0]).toMatch(/^Pupil: open\.c \d+, anew \d+/);
  expect(lying.lines.at(-1)).toContain('0 as stored, 1 otherwise');
  expect((await rebuilt()).differs).toBe(false);
});

test('what another program stored is not compared with', async () => {
  await rebuilt();
  const other = makeStates(work, 'another program');
  const { lines } = await rebuildStudio(world.database, world.here.studioId, other, work, NOW + 86_400_000);
  expect(lines.at(-1)).toContain('0 as stored, 0 otherwise, 3 with nothing');
});
