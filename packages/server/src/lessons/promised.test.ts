/** What the last lesson did not reach and what was given home stands first in the next proposal, or is said to have moved. */
import { recipeSchema } from '@finch/contract';
import { ringCheck } from '@finch/core/drills';
import type { LessonPlan, PlanBlock } from '@finch/core/planning';
import type TestAgent from 'supertest/lib/agent';
import * as v from 'valibot';
import { v7 as uuid } from 'uuid';
import { inStudio } from '../platform/database';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';
import { promisedTo } from './promised.service';

let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const said = { code: 'title.blank', values: { text: 'as it was' } };
const recipe = v.parse(recipeSchema, ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }));
const block = (skillId: string): PlanBlock => ({
  id: uuid(),
  kind: 'repair',
  minutes: 10,
  title: said,
  because: said,
  skillId,
  recipe,
  effort: 20,
  barreMinutes: 0,
  locked: false,
});

/** A lesson some days ago, written up: which of its blocks were on, for five minutes each. */
async function taught(daysAgo: number, blocks: readonly PlanBlock[], reached: readonly PlanBlock[]) {
  const startsAt = new Date(NOW - daysAgo * 86_400_000).toISOString();
  const { studentId } = world.here;
  const booked = await teacher
    .post('/api/lessons')
    .send({ id: uuid(), studentId, startsAt, minutes: 45 })
    .expect(200);
  const { id } = booked.body as { id: string };
  const plan: LessonPlan = { schemaVersion: 1, minutes: 45, blocks, leftOut: [], modelVersion: 'plan-2' };
  const kept = await teacher
    .put(`/api/lessons/${id}/plan`)
    .send({ version: booked.body.version, plan })
    .expect(200);
  const done = {
    schemaVersion: 1,
    blocks: reached.map((one) => ({
      blockId: one.id,
      title: one.title,
      kind: one.kind,
      takes: { clean: 0, nearly: 0, notYet: 0 },
      brought: false,
      minutes: 5,
    })),
  };
  await teacher
    .put(`/api/lessons/${id}/write-up`)
    .send({ version: kept.body.version, done, note: '', nothingTaught: reached.length === 0 })
    .expect(200);
}
const promised = async () => {
  const { studioId, studentId } = world.here;
  const all = await inStudio(world.database, studioId, (manager) => promisedTo(manager, [studentId], NOW));
  return all.get(studentId);
};
const home = (skillId: string) =>
  teacher
    .post(`/api/students/${world.here.studentId}/home`)
    .send({ id: uuid(), recipe, skillId, title: skillId })
    .expect(200);

test('the last lesson counts, and what was given home since; both stand in the next proposal or are said', async () => {
  expect(await promised()).toEqual([]);
  const [a, b, c] = ['open.em', 'open.am', 'open.e'].map(block);
  await taught(9, [a, b, c], []);
  await taught(2, [a, b, c], [a, c]);
  expect(await promised()).toEqual(['open.am']);
  await home('near.e-am');
  expect(await promised()).toEqual(['open.am', 'near.e-am']);
  const { body } = await teacher
    .post(`/api/students/${world.here.studentId}/proposal`)
    .send({ minutes: 45, locked: [] })
    .expect(200);
  const plan = body as LessonPlan;
  const there = plan.blocks.map(({ skillId }) => skillId);
  const moved = plan.leftOut
    .filter(({ because }) => because.code === 'left.promised')
    .map(({ skillId }) => skillId);
  for (const id of ['open.am', 'near.e-am']) expect([...there, ...moved]).toContain(id);
});
