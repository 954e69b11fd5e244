/** Lessons over real HTTP and PostgreSQL: what is put into a plan keeps what was kept. */
import { recipeSchema } from '@finch/contract';
import { changeLoop } from '@finch/core/drills';
import { planMinutes, type LessonPlan, type PlanBlock } from '@finch/core/planning';
import type TestAgent from 'supertest/lib/agent';
import * as v from 'valibot';
import { v7 as uuid } from 'uuid';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const block = (minutes = 6, tempoBpm = 70): PlanBlock => ({
  id: uuid(),
  kind: 'new',
  minutes,
  title: { code: 'title.loop', values: { from: 'Am', to: 'F' } },
  because: { code: 'because.chosen', values: {} },
  skillId: null,
  recipe: v.parse(
    recipeSchema,
    changeLoop({
      grips: [
        { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] },
        { chord: 'F', frets: [1, 3, 3, 2, 1, 1] },
      ],
      beatsEach: 4,
      tempoBpm,
    }),
  ),
  effort: 40,
  barreMinutes: 2,
  locked: true,
});
const song: PlanBlock = {
  ...block(),
  kind: 'apply',
  title: { code: 'title.blank', values: { text: 'Her own song, verse' } },
  recipe: null,
};
const home: PlanBlock = { ...song, id: uuid(), kind: 'take home', minutes: 3 };

async function booked(studentId = world.here.studentId) {
  const { body } = await teacher
    .post('/api/lessons')
    .send({ id: uuid(), studentId, startsAt: new Date(NOW + 3_600_000).toISOString(), minutes: 45 })
    .expect(200);
  return body as { id: string; version: number };
}
const planOf = (blocks: PlanBlock[]): LessonPlan => ({
  schemaVersion: 1,
  minutes: 45,
  blocks,
  leftOut: [],
  modelVersion: 'plan-1',
});
const put = (id: string, one: PlanBlock, more: object = {}) =>
  teacher.post(`/api/lessons/${id}/plan/blocks`).send({ block: one, ...more });
const ids = (plan: LessonPlan) => plan.blocks.map((one) => one.id);

describe('putting a block into a plan', () => {
  test('a kept plan keeps all that is in it, over its minutes or not, and says that it changed since', async () => {
    const lesson = await booked();
    const long = { ...song, minutes: 42 };
    const kept = await teacher
      .put(`/api/lessons/${lesson.id}/plan`)
      .send({ version: lesson.version, plan: planOf([long, home]) })
      .expect(200);
    expect(kept.body.planStanding).toBe('kept');
    const mine = block();
    const { body } = await put(lesson.id, mine).expect(200);
    expect(body.added).toBe(true);
    expect(ids(body.lesson.plan)).toEqual([long.id, mine.id, home.id]);
    expect(planMinutes(body.lesson.plan.blocks)).toBe(51);
    expect(body.lesson).toMatchObject({ planStanding: 'changed', version: kept.body.version + 1 });
    const board = await teacher.get('/api/board').expect(200);
    const shown = board.body.lessons.find((one: { id: string }) => one.id === lesson.id);
    expect(shown).toMatchObject({ planStanding: 'changed', planMinutes: 51 });
    // The way back.
    const back = await teacher
      .put(`/api/lessons/${lesson.id}/plan`)
      .send({ version: body.lesson.version, plan: body.before.plan, standing: body.before.standing })
      .expect(200);
    expect(ids(back.body.plan)).toEqual([long.id, home.id]);
    expect(back.body.planStanding).toBe('kept');
  });

  test('the same drill is not put in twice, unless asked for', async () => {
    const lesson = await booked();
    const first = await put(lesson.id, block()).expect(200);
    const twice = await put(lesson.id, block()).expect(200);
    expect(twice.body.added).toBe(false);
    expect(twice.body.lesson.version).toBe(first.body.lesson.version);
    const again = await put(lesson.id, block(), { again: true }).expect(200);
    expect(again.body.added).toBe(true);
    const other = await put(lesson.id, block(6, 72)).expect(200);
    expect(other.body.added).toBe(true);
    const loops = (plan: LessonPlan) => plan.blocks.filter((one) => one.title.code === 'title.loop').length;
    expect(loops(other.body.lesson.plan)).toBe(3);
  });

  test('without a plan the rest is proposed around it, and undo leaves no plan', async () => {
    const lesson = await booked();
    const mine = block();
    const { body } = await put(lesson.id, mine).expect(200);
    expect(ids(body.lesson.plan)).toContain(mine.id);
    expect(planMinutes(body.lesson.plan.blocks)).toBeLessThanOrEqual(45);
    expect(body.lesson.planStanding).toBe('begun');
    expect(body.before).toEqual({ plan: null, standing: 'none' });
    const back = await teacher
      .put(`/api/lessons/${lesson.id}/plan`)
      .send({ version: body.lesson.version, plan: null, standing: 'none' })
      .expect(200);
    expect(back.body).toMatchObject({ plan: null, planStanding: 'none' });
  });

  test('ten who put in at once lose none of it', async () => {
    const lesson = await booked();
    await put(lesson.id, block(6, 60)).expect(200);
    const many = Array.from({ length: 10 }, (_, i) => block(1, 80 + i));
    await Promise.all(many.map((one) => put(lesson.id, one).expect(200)));
    const { body } = await teacher.get(`/api/lessons/${lesson.id}`).expect(200);
    expect(ids(body.plan)).toEqual(expect.arrayContaining(many.map((one) => one.id)));
  });

  test('a full plan and a written lesson refuse, and lose nothing', async () => {
    const lesson = await booked();
    const full = planOf(Array.from({ length: 40 }, () => ({ ...song, id: uuid(), minutes: 1 })));
    const kept = await teacher
      .put(`/api/lessons/${lesson.id}/plan`)
      .send({ version: 1, plan: full })
      .expect(200);
    expect((await put(lesson.id, block()).expect(422)).body.code).toBe('plan.full');
    const done = { schemaVersion: 1, blocks: [] };
    await teacher
      .put(`/api/lessons/${lesson.id}/write-up`)
      .send({ version: kept.body.version, done, note: '', nothingTaught: true })
      .expect(200);
    expect((await put(lesson.id, block(), { again: true }).expect(422)).body.code).toBe('lesson.written');
    const { body } = await teacher.get(`/api/lessons/${lesson.id}`).expect(200);
    expect(body.plan.blocks).toHaveLength(40);
  });

  test('only who may write lessons puts anything in', async () => {
    const lesson = await booked();
    for (const seat of ['studentSeatId', 'guardianId', 'selfTaughtId'] as const) {
      const agent = await world.sit(world.here[seat]);
      const refused = await agent
        .post(`/api/lessons/${lesson.id}/plan/blocks`)
        .send({ block: block() })
        .expect(403);
      expect(refused.body.code).toBe('right.missing');
    }
    await put(uuid(), block()).expect(404);
  });
});

describe('what was done, from every screen', () => {
  const MIN = 60_000;
  const share = (rows: Record<string, [from: number, to: number, clean: number]>, id = uuid(), at = NOW) => ({
    id,
    at: Object.keys(rows).at(-1) ?? null,
    movedAt: at,
    note: '',
    blocks: Object.entries(rows).map(([blockId, [from, to, clean]]) => ({
      blockId,
      title: { code: 'title.blank', values: { text: blockId } },
      kind: 'review' as const,
      spans: [[NOW + from * MIN, NOW + to * MIN]],
      takes: { clean, nearly: 0, notYet: 0 },
      brought: false,
    })),
  });
  const keep = (id: string, one: ReturnType<typeof share>, more: object = {}) =>
    teacher.put(`/api/lessons/${id}/done`).send({ share: one, state: 'running', ...more });
  const counts = (body: {
    done: { blocks: { blockId: string; minutes: number; takes: { clean: number } }[] };
  }) => body.done.blocks.map((one) => [one.blockId, one.minutes, one.takes.clean]);

  test('a second screen adds to a lesson and wipes nothing; the same share sent again counts once', async () => {
    const { id } = await booked();
    const first = share({ a: [0, 3, 1], b: [3, 9, 1], c: [9, 12, 1] });
    await keep(id, first).expect(200);
    const second = share({ c: [13, 14, 0], d: [14, 15, 0] }, uuid(), NOW + 15 * MIN);
    await keep(id, second).expect(200);
    const { body } = await keep(id, first).expect(200);
    expect(counts(body)).toEqual([
      ['a', 3, 1],
      ['b', 6, 1],
      ['c', 4, 1],
      ['d', 1, 0],
    ]);
    expect(body.minutesDone).toBe(14);
  });

  test('twenty shares at once are all there, and more than are kept apart are summed up', async () => {
    const { id } = await booked();
    const many = Array.from({ length: 26 }, (_, i) => share({ [`b${i}`]: [i, i + 1, 1] }));
    await Promise.all(many.map((one) => keep(id, one).expect(200)));
    const { body } = await teacher.get(`/api/lessons/${id}`).expect(200);
    expect(body.done.blocks).toHaveLength(26);
    expect(body.done.shares.length).toBeLessThanOrEqual(20);
    expect(body.minutesDone).toBe(26);
  });

  test('a written lesson is opened again only when that is asked for, and what was written stays in it', async () => {
    const { id } = await booked();
    const { body: taught } = await keep(id, share({ a: [0, 5, 2] }), { state: 'taught' }).expect(200);
    const stillTaught = await keep(id, share({ b: [0, 1, 0] })).expect(200);
    expect(stillTaught.body.state).toBe('taught');
    const done = { schemaVersion: 1, blocks: taught.done.blocks };
    await teacher
      .put(`/api/lessons/${id}/write-up`)
      .send({ version: stillTaught.body.version, done, note: 'kept' })
      .expect(200);
    const late = share({ a: [6, 7, 1] });
    expect((await keep(id, late).expect(422)).body.code).toBe('lesson.written');
    const { body } = await keep(id, late, { again: true }).expect(200);
    expect(body).toMatchObject({ state: 'running', note: 'kept' });
    expect(counts(body)).toEqual([['a', 6, 3]]);
  });

  test('wild shares leave the lesson readable: minutes are bounded, and too many blocks are refused', async () => {
    const { id } = await booked();
    const wild = share({ a: [0, 1, 1] });
    const spans = Array.from({ length: 400 }, (_, i) => [
      NOW + i * 200 * MIN,
      NOW + i * 200 * MIN + 90 * MIN,
    ]);
    await keep(id, { ...wild, blocks: [{ ...wild.blocks[0], spans }] }).expect(200);
    for (let s = 0; s < 3; s++)
      await keep(
        id,
        share(Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`s${s}b${i}`, [0, 1, 0]]))),
      ).expect(200);
    const many = share(Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`last${i}`, [0, 1, 0]])));
    expect((await keep(id, many).expect(422)).body.code).toBe('lesson.full');
    const { body } = await teacher.get(`/api/lessons/${id}`).expect(200);
    expect(body.done.blocks).toHaveLength(181);
    expect(body.done.blocks[0].minutes).toBe(240);
  });

  test('a lesson that never was is not written up by accident', async () => {
    const { id, version } = await booked();
    const nothing = { version, done: { schemaVersion: 1, blocks: [] }, note: '' };
    const refused = await teacher.put(`/api/lessons/${id}/write-up`).send(nothing).expect(422);
    expect(refused.body.code).toBe('write-up.empty');
    const said = await teacher
      .put(`/api/lessons/${id}/write-up`)
      .send({ ...nothing, nothingTaught: true })
      .expect(200);
    expect(said.body).toMatchObject({ state: 'written', minutesDone: 0 });
  });
});

describe('booking', () => {
  const week = 7 * 86_400_000;
  const book = (startsAt: string, weeks: number, studentId = world.here.otherStudentId) =>
    teacher.post('/api/lessons').send({ id: uuid(), studentId, startsAt, minutes: 30, weeks }).expect(200);
  const between = async (from: number, to: number) => {
    const query = `from=${new Date(from).toISOString()}&to=${new Date(to).toISOString()}`;
    const { body } = await teacher.get(`/api/lessons?${query}`).expect(200);
    return (
      body.lessons as { id: string; studentId: string; startsAt: string; state: string; version: number }[]
    ).filter((one) => one.studentId === world.here.otherStudentId);
  };
  const move = (one: { id: string; version: number; startsAt: string }, more: object = {}) =>
    teacher
      .put(`/api/lessons/${one.id}`)
      .send({ version: one.version, startsAt: one.startsAt, minutes: 30, cancelled: false, ...more });

  test('sent twice, because the answer was lost, a lesson is booked once; another under its id is refused', async () => {
    const id = uuid();
    const asked = {
      id,
      studentId: world.here.otherStudentId,
      startsAt: new Date(NOW + 9 * 86_400_000).toISOString(),
      minutes: 30,
      weeks: 3,
    };
    await teacher.post('/api/lessons').send(asked).expect(200);
    const again = await teacher.post('/api/lessons').send(asked).expect(200);
    expect(again.body).toMatchObject({ id, version: 1 });
    const span = `from=${asked.startsAt}&to=${new Date(NOW + 40 * 86_400_000).toISOString()}`;
    const { body } = await teacher.get(`/api/lessons?${span}`).expect(200);
    const mine = body.lessons.filter((one: { studentId: string }) => one.studentId === asked.studentId);
    expect(mine).toHaveLength(3);
    for (const other of [
      { minutes: 45 },
      { studentId: world.here.studentId },
      { startsAt: new Date(NOW).toISOString() },
    ]) {
      const refused = await teacher.post('/api/lessons').send({ ...asked, ...other });
      expect(refused.body).toMatchObject({ code: 'write.twice', at: 'id' });
    }
  });

  test('a weekly lesson keeps its time by the clock through the change of summer time', async () => {
    // Faroe leaves summer time on 25 October 2026: 15:00 there is 14:00 UTC before and 15:00 UTC after.
    const start = Date.UTC(2026, 9, 13, 14);
    await book(new Date(start).toISOString(), 4);
    const found = await between(start, start + 5 * week);
    expect(found.map((one) => one.startsAt)).toEqual([
      '2026-10-13T14:00:00.000Z',
      '2026-10-20T14:00:00.000Z',
      '2026-10-27T15:00:00.000Z',
      '2026-11-03T15:00:00.000Z',
    ]);
  });

  test('one lesson of a series moves alone, or with all that follow; the clock time goes with it', async () => {
    const start = Date.UTC(2026, 9, 14, 8);
    await book(new Date(start).toISOString(), 4);
    const [, second] = await between(start, start + 5 * week - 6 * 86_400_000);
    const all = (await between(start, start + 5 * week)).filter((one) => /T0[89]/.test(one.startsAt));
    expect(all).toHaveLength(4);
    const moved = all[1];
    expect(second).toBeDefined();
    await move(moved, { startsAt: '2026-10-22T09:30:00.000Z', following: true }).expect(200);
    const after = (await between(start, start + 5 * week)).filter((one) =>
      all.some((was) => was.id === one.id),
    );
    expect(after.map((one) => one.startsAt).sort()).toEqual([
      '2026-10-14T08:00:00.000Z',
      '2026-10-22T09:30:00.000Z',
      '2026-10-29T10:30:00.000Z',
      '2026-11-05T10:30:00.000Z',
    ]);
  });

  test('a cancelled lesson is in nobody’s day, stays in the week, and comes back', async () => {
    const start = NOW + 5 * 3_600_000;
    const { body } = await book(new Date(start).toISOString(), 1);
    const cancelled = await move(body, { cancelled: true }).expect(200);
    expect(cancelled.body.state).toBe('cancelled');
    const board = await teacher.get('/api/board').expect(200);
    expect(board.body.lessons.map((one: { id: string }) => one.id)).not.toContain(body.id);
    const page = await teacher.get(`/api/students/${world.here.otherStudentId}`).expect(200);
    expect(page.body.nextLesson?.id).not.toBe(body.id);
    expect((await between(start, start + 1)).map((one) => one.state)).toEqual(['cancelled']);
    await move(body).expect(409);
    const back = await move(cancelled.body).expect(200);
    expect(back.body.state).toBe('booked');
  });

  test('what has begun is neither moved nor cancelled', async () => {
    const { body } = await book(new Date(NOW).toISOString(), 1);
    const share = { id: uuid(), at: null, movedAt: NOW, note: '', blocks: [] };
    const begun = await teacher
      .put(`/api/lessons/${body.id}/done`)
      .send({ share, state: 'running' })
      .expect(200);
    expect((await move(begun.body, { cancelled: true }).expect(422)).body.code).toBe('lesson.begun');
  });

  test('a self-taught player sees their own lessons alone; a student none', async () => {
    const query = `from=${new Date(NOW - week).toISOString()}&to=${new Date(NOW + 30 * week).toISOString()}`;
    const self = await world.sit(world.here.selfTaughtId);
    const { body } = await self.get(`/api/lessons?${query}`).expect(200);
    expect(
      body.lessons.every((one: { studentId: string }) => one.studentId === world.here.selfTaughtStudentId),
    ).toBe(true);
    const student = await world.sit(world.here.studentSeatId);
    expect((await student.get(`/api/lessons?${query}`).expect(200)).body.lessons).toEqual([]);
  });
});
