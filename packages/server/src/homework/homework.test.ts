/** The week at home over HTTP: proposed until they come again, kept over the version seen, followed by the Practice room, promised. */
import { changeLoop } from '@finch/core/drills';
import type { HomeworkBody, PracticeBody } from '@finch/contract';
import { dayMinutes, type HomeWeek, type LessonPlan } from '@finch/core/planning';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { block, C, sampleEvent, weekRow } from '../test/requests';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

const DAY = 86_400_000;
let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const added = async (name: string): Promise<string> =>
  (await teacher.post('/api/students').send({ id: uuid(), name, bornOn: null }).expect(200)).body.id;
const read = async (id: string): Promise<HomeworkBody> =>
  (await teacher.get(`/api/students/${id}/homework`).expect(200)).body;
const proposed = async (id: string, body: object = {}): Promise<HomeWeek> =>
  (await teacher.post(`/api/students/${id}/homework/proposal`).send(body).expect(200)).body;
const keep = (id: string, version: number, week: unknown) =>
  teacher.put(`/api/students/${id}/homework`).send({ version, week });
const dayOf = (ahead: number) => new Date(NOW + ahead * DAY).toISOString().slice(0, 10);
const book = (studentId: string, ahead: number) =>
  teacher
    .post('/api/lessons')
    .send({ id: uuid(), studentId, startsAt: new Date(NOW + ahead * DAY).toISOString(), minutes: 30 })
    .expect(200);
const practice = async (id: string): Promise<PracticeBody> =>
  (await teacher.get(`/api/students/${id}/practice`).expect(200)).body;
const ofDays = (...days: readonly number[]) => ({
  schemaVersion: 1,
  days: days.map((ahead) => ({ day: dayOf(ahead), minutes: 10 })),
  rows: [{ ...weekRow(), minutes: days.map(() => 5) }],
  leftOut: [],
  modelVersion: 'week-1',
});

test('a week goes from tomorrow to the day before they come again, on the days they practise', async () => {
  const id = await added('Hanne Quist');
  expect((await proposed(id)).days.map(({ day }) => day)).toEqual([1, 2, 3, 4, 5, 6, 7].map(dayOf));
  await book(id, 4);
  const { practice: before, nextLessonAt } = await read(id);
  expect(nextLessonAt).toBe(new Date(NOW + 4 * DAY).toISOString());
  expect(before).toEqual({ days: [1, 2, 3, 4, 5, 6, 7], minutes: 12 });
  const weekday = ((new Date(NOW + 2 * DAY).getUTCDay() + 6) % 7) + 1;
  const days = [7, 6, 5, 4, 3, 2, 1].filter((day) => day !== weekday);
  await teacher.put(`/api/students/${id}/practice`).send({ version: 1, days, minutes: 20 }).expect(200);
  expect((await read(id)).practice).toEqual({ days: days.toReversed(), minutes: 20 });
  expect((await proposed(id)).days).toEqual([
    { day: dayOf(1), minutes: 20 },
    { day: dayOf(2), minutes: 0 },
    { day: dayOf(3), minutes: 20 },
  ]);
  // Or on the days that are asked for.
  const asked = [
    { day: dayOf(1), minutes: 5 },
    { day: dayOf(2), minutes: 0 },
  ];
  expect((await proposed(id, { days: asked })).days).toEqual(asked);
});

test('somebody who comes tomorrow has the day before them, and not none', async () => {
  const id = await added('Ragna Holt');
  await book(id, 1);
  expect((await proposed(id)).days).toHaveLength(1);
});

test('a week is kept over the version seen, read back, replaced and taken back; a stale one changes nothing', async () => {
  const id = await added('Sverre Bask');
  expect(await read(id)).toMatchObject({ version: 0, week: null, keptAt: null, played: {} });
  const week = ofDays(1, 2);
  expect((await keep(id, 0, week).expect(200)).body).toEqual({ version: 1 });
  expect(await read(id)).toMatchObject({ version: 1, week, keptAt: new Date(NOW).toISOString() });
  expect((await keep(id, 0, ofDays(1)).expect(409)).body.code).toBe('write.stale');
  expect((await read(id)).week).toEqual(week);
  expect((await keep(id, 1, null).expect(200)).body).toEqual({ version: 2 });
  expect(await read(id)).toMatchObject({ version: 2, week: null, keptAt: null });
});

test.each([
  ['a row without minutes for each day', { rows: [{ ...weekRow(), minutes: [5, 5, 5] }] }, 'week.rows'],
  [
    'a row twice',
    {
      rows: [
        { ...weekRow(), minutes: [5, 5] },
        { ...weekRow(), minutes: [5, 5] },
      ],
    },
    'week.rows',
  ],
  [
    'days out of order',
    {
      days: [
        { day: dayOf(2), minutes: 5 },
        { day: dayOf(1), minutes: 5 },
      ],
    },
    'week.days',
  ],
  [
    'a day there is not',
    {
      days: [
        { day: '2026-02-30', minutes: 5 },
        { day: dayOf(1), minutes: 5 },
      ],
    },
    'week.days.0.day',
  ],
])('%s is refused by its place', async (_, change, at) => {
  const id = world.here.studentId;
  const refused = await keep(id, 0, { ...ofDays(1, 2), ...change }).expect(422);
  expect(refused.body.at).toContain(at);
});

test('practice days and minutes that are none are refused', async () => {
  const id = await added('Ulf Brenn');
  const set = (body: object) => teacher.put(`/api/students/${id}/practice`).send({ version: 1, ...body });
  await set({ days: [1, 1], minutes: 10 }).expect(422);
  await set({ days: [8], minutes: 10 }).expect(422);
  await set({ days: [1], minutes: 4 }).expect(422);
  await set({ days: [], minutes: 10 }).expect(200);
  expect((await proposed(id)).days.every(({ minutes }) => minutes === 0)).toBe(true);
});

test('the Practice room follows the week that was given, today and tomorrow; where it has no day the planner fills it', async () => {
  const id = await added('Tiril Vang');
  await keep(id, 0, ofDays(0, 1)).expect(200);
  const { cards, tomorrow } = await practice(id);
  for (const list of [cards, tomorrow])
    expect(list).toEqual([
      expect.objectContaining({ title: 'C to F', minutes: 5, skillId: 'open.c', because: weekRow().because }),
    ]);
  await keep(id, 1, ofDays(1)).expect(200);
  const next = await practice(id);
  expect(next.cards.map(({ title }) => title)).not.toContain('C to F');
  expect(next.tomorrow.map(({ title }) => title)).toEqual(['C to F']);
});

test('after pain the week is not followed: nothing is played', async () => {
  const id = await added('Oda Rist');
  await keep(id, 0, ofDays(0, 1)).expect(200);
  const hurt = sampleEvent(id, NOW - 60_000);
  const events = [{ ...hurt, take: { ...hurt.take, feel: { hand: 'pain', where: 'wrist', side: 'left' } } }];
  await teacher.post('/api/events').send({ events }).expect(200);
  expect((await practice(id)).cards.map(({ title }) => title)).not.toContain('C to F');
});

test('what was played of it since it began is said by day', async () => {
  const id = await added('Kari Fonn');
  await keep(id, 0, { ...ofDays(0, 1), rows: [{ ...weekRow(), minutes: [5, 5] }] }).expect(200);
  const played = sampleEvent(id, NOW - 60_000);
  const items = [
    { kind: 'grip', ...C, fingers: [null, 3, 2, 0, 1, 0], tuning: [40, 45, 50, 55, 59, 64], capo: 0 },
  ];
  await teacher
    .post('/api/events')
    .send({ events: [{ ...played, take: { ...played.take, items } }] })
    .expect(200);
  expect((await read(id)).played).toEqual({ 'open.c': [dayOf(0)] });
});

test('what was given home is in the week; what the last lesson began too; and the week is promised to the next lesson', async () => {
  const id = await added('Eldrid Moen');
  const recipe = changeLoop({ grips: [C, { chord: 'G', frets: [3, 2, 0, 0, 0, 3] }], beatsEach: 4 });
  await teacher
    .post(`/api/students/${id}/home`)
    .send({ id: uuid(), recipe, skillId: null, title: 'C and G, round' })
    .expect(200);
  const lessonId = uuid();
  const startsAt = new Date(NOW - 3_600_000).toISOString();
  await teacher.post('/api/lessons').send({ id: lessonId, studentId: id, startsAt, minutes: 30 }).expect(200);
  const fresh = { ...block(), kind: 'new', skillId: 'open.d' };
  // One that nobody reached, and one that was no news.
  const unreached = { ...block(), kind: 'new', skillId: 'open.g' };
  const mended = { ...block(), kind: 'repair', skillId: 'open.e' };
  const blocks = [fresh, unreached, mended];
  const plan = { schemaVersion: 1, minutes: 30, blocks, leftOut: [], modelVersion: 'plan-4' };
  await teacher.put(`/api/lessons/${lessonId}/plan`).send({ version: 1, plan }).expect(200);
  const done = {
    schemaVersion: 1,
    blocks: [fresh, mended].map(({ id: blockId, title, kind }) => ({
      blockId,
      title,
      kind,
      takes: { clean: 0, nearly: 0, notYet: 0 },
      brought: false,
      minutes: 9,
    })),
  };
  await teacher.put(`/api/lessons/${lessonId}/write-up`).send({ version: 2, done, note: '' }).expect(200);
  const week = await proposed(id);
  expect(week.rows[1]).toMatchObject({
    title: { values: { text: 'C and G, round' } },
    because: { code: 'because.given' },
  });
  const news = week.rows.flatMap(({ kind, skillId }) => (kind === 'new' ? [skillId] : []));
  expect(news).toEqual(['open.d']);
  expect(
    week.days.map((_, at) => dayMinutes(week, at)).every((minutes, at) => minutes <= week.days[at].minutes),
  ).toBe(true);
  await keep(id, 0, week).expect(200);
  const next: LessonPlan = (
    await teacher.post(`/api/students/${id}/proposal`).send({ minutes: 45, locked: [] }).expect(200)
  ).body;
  const promised = [...next.blocks, ...next.leftOut].filter(({ because }) =>
    because.code.endsWith('.promised'),
  );
  expect(promised.map(({ skillId }) => skillId)).toContain('open.d');
});

test('a student reads their own week and nobody else’s, and changes none; an erased one takes it along', async () => {
  const pupil = await world.sit(world.here.studentSeatId);
  const own = world.here.studentId;
  await pupil.get(`/api/students/${own}/homework`).expect(200);
  await pupil.put(`/api/students/${own}/homework`).send({ version: 0, week: null }).expect(403);
  const other = await added('Geir Lunde');
  await pupil.get(`/api/students/${other}/homework`).expect(403);
  await keep(other, 0, ofDays(1)).expect(200);
  const owner = await world.sit(world.here.ownerId);
  await owner.delete(`/api/students/${other}`).send({ name: 'Geir Lunde' }).expect(200);
  await teacher.get(`/api/students/${other}/homework`).expect(404);
});

test('of a double the week comes along where the other had none', async () => {
  const [stays, double] = [await added('Liv Sand'), await added('Liv Sande')];
  await keep(double, 0, ofDays(1, 2)).expect(200);
  await teacher.post(`/api/students/${stays}/double`).send({ version: 1, double }).expect(200);
  expect((await read(stays)).week).toEqual(ofDays(1, 2));
});

test('of a week only what it began or was given is promised, not what it mends', async () => {
  const promised = async (row: object) => {
    const id = await added(`Signe ${uuid()}`);
    await keep(id, 0, { ...ofDays(1), rows: [{ ...weekRow(), ...row, skillId: 'open.em' }] }).expect(200);
    const { blocks, leftOut }: LessonPlan = (
      await teacher.post(`/api/students/${id}/proposal`).send({ minutes: 30, locked: [] }).expect(200)
    ).body;
    return [...blocks, ...leftOut].some(
      ({ skillId, because }) => skillId === 'open.em' && because.code.endsWith('.promised'),
    );
  };
  expect(await promised({ id: 'given:x', kind: 'repair' })).toBe(true);
  expect(await promised({ id: 'new:open.em', kind: 'new' })).toBe(true);
  expect(await promised({ id: 'repair:open.em', kind: 'repair' })).toBe(false);
});
