/** Today's cards of somebody whose hand hurts: what is heard and named, and no card that a hand plays. */
import { earPairs, isQuiet, ringCheck, strumReading, type Recipe } from '@finch/core/drills';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { C, sampleEvent } from '../test/requests';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const cards = async (): Promise<{ title: string; recipe: Recipe; minutes: number }[]> =>
  (await teacher.get(`/api/students/${world.here.studentId}/practice`).expect(200)).body.cards;
const give = (title: string, recipe: Recipe) =>
  teacher
    .post(`/api/students/${world.here.studentId}/home`)
    .send({ id: uuid(), recipe, skillId: null, title })
    .expect(200);
const DAY = 86_400_000;

test('before pain a hand plays, after it none does, and what was given home waits until it may be played again', async () => {
  const { studentId } = world.here;
  await give('C rings', ringCheck(C));
  await give('Strokes', strumReading({ grips: [C], beats: 4, level: 3, bars: 4 }, 5));
  await give('Two triads', earPairs({ what: 'triads', choices: 2, count: 10, hearings: 1, root: 'D', roving: false, sounded: 'together' })); // prettier-ignore
  const before = await cards();
  expect(before.map(({ title }) => title)).toEqual(expect.arrayContaining(['Easy minutes', 'C rings']));

  const event = sampleEvent(studentId, NOW - 60_000);
  const feel = { hand: 'pain', where: 'wrist', side: 'left' };
  await teacher
    .post('/api/events')
    .send({ events: [{ ...event, take: { ...event.take, feel } }] })
    .expect(200);
  const hurt = await cards();
  expect(hurt.map(({ title }) => title)).toContain('Two triads');
  // What a hand was to practise goes on in the ear.
  const strokes = hurt.find(({ title }) => title === 'Strokes');
  expect(strokes).toMatchObject({
    recipe: { family: 'tap it', seed: 5 },
    because: { code: 'because.quiet-form' },
  });
  expect(hurt.map(({ title }) => title)).not.toContain('C rings');
  expect(hurt.length).toBeGreaterThan(1);
  expect(hurt.every(({ recipe }) => isQuiet(recipe))).toBe(true);
  expect(hurt.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(12);

  // The lesson too, on the day and while it is locked.
  for (const later of [0, DAY]) {
    world.clock.at = NOW + later;
    const { body: plan } = await teacher
      .post(`/api/students/${studentId}/proposal`)
      .send({ minutes: 45, locked: [] })
      .expect(200);
    const recipes: Recipe[] = plan.blocks.flatMap(({ recipe }: { recipe: Recipe | null }) => recipe ?? []);
    expect(recipes.length).toBeGreaterThanOrEqual(3);
    expect(recipes.every(isQuiet)).toBe(true);
    expect(recipes.at(-1)?.family).toBe('tap it');
  }

  // While it is locked the hand that does not hurt may play alone, where the teacher says so; the one that hurts never.
  const says = async (oneHand: string) => {
    const said = new Date(world.clock.at).toISOString();
    const word = {
      schemaVersion: 1,
      id: uuid(),
      studentId,
      deviceId: uuid(),
      deviceSeq: 7,
      kind: 'clearance',
    };
    return teacher.post('/api/events').send({ events: [{ ...word, sentAt: said, at: said, oneHand }] });
  };
  world.clock.at = NOW + DAY;
  const titles = async () => (await cards()).map(({ title }) => title);
  expect((await says('both')).body.refused).toHaveLength(1);
  expect((await says('left')).body.refused).toEqual([]);
  expect((await titles()).filter((title) => title.includes('alone'))).toEqual([]);
  world.clock.at += 1000;
  expect((await says('right')).body.refused).toEqual([]);
  expect(await titles()).toContain('The striking hand alone');
  world.clock.at += 1000;
  expect((await says('none')).body.refused).toEqual([]);
  expect((await cards()).every(({ recipe }) => isQuiet(recipe))).toBe(true);

  // Cleared, and two days free of pain: easy minutes come back, at half the minutes.
  const clearance = {
    schemaVersion: 1,
    id: uuid(),
    studentId,
    deviceId: uuid(),
    deviceSeq: 2,
    kind: 'clearance',
  };
  world.clock.at = NOW + DAY;
  const at = new Date(world.clock.at).toISOString();
  await teacher
    .post('/api/events')
    .send({ events: [{ ...clearance, sentAt: at, at }] })
    .expect(200);
  expect((await cards()).every(({ recipe }) => isQuiet(recipe))).toBe(true);
  world.clock.at = NOW + 3 * DAY;
  expect((await cards()).map(({ title }) => title)).toContain('Easy minutes');
});
