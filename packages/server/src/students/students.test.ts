/** Students over real HTTP and PostgreSQL: renamed, put away, found twice, erased; who may read what of them. */
import { makeDrill, ringCheck } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import type { GoalBody, KeptGoal } from '@finch/contract';
import { minutesToward, type LessonPlan } from '@finch/core/planning';
import { firstSyllabus } from '@finch/core/syllabus';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { inStudio } from '../platform/database';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

let world: TestWorld;
let teacher: TestAgent;
let owner: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
  owner = await world.sit(world.here.ownerId);
});
afterAll(() => world.end());

const add = (name: string, more: object = {}) =>
  teacher.post('/api/students').send({ id: uuid(), name, bornOn: null, ...more });
const page = async (id: string) => (await teacher.get(`/api/students/${id}`).expect(200)).body;
const added = async (name: string, more: object = {}): Promise<string> =>
  (await add(name, more).expect(200)).body.id;
const keep = async (id: string, change: object) => {
  const { name, bornOn, version, archived } = await page(id);
  return teacher.put(`/api/students/${id}`).send({ name, bornOn, version, archived, ...change });
};
let seq = 0;
const drill = must(
  makeDrill(ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }), {
    hand: averageHand,
    instrument: standardGuitar,
  }),
);
const take = (studentId: string) => ({
  schemaVersion: 1,
  kind: 'attempt',
  id: uuid({ msecs: NOW - 60_000 }),
  studentId,
  deviceId: uuid(),
  deviceSeq: ++seq,
  sentAt: new Date(NOW).toISOString(),
  take: {
    recipe: drill.recipe,
    items: drill.items,
    startedAt: new Date(NOW - 60_000).toISOString(),
    timeZone: 'UTC',
    durationSeconds: 30,
    tempoBpm: null,
    steps: [],
    result: 'clean',
    feel: null,
    source: 'teacher',
  },
});
const log = (studentId: string) =>
  teacher
    .post('/api/events')
    .send({ events: [take(studentId)] })
    .expect(200);

test('the next lesson is the earliest that is not over, not written up and not cancelled', async () => {
  const id = await added('Marl Quent');
  const MINUTE = 60_000;
  const book = async (fromNow: number, minutes = 30) =>
    (
      await teacher
        .post('/api/lessons')
        .send({
          id: uuid(),
          studentId: id,
          startsAt: new Date(NOW + fromNow * MINUTE).toISOString(),
          minutes,
        })
        .expect(200)
    ).body as { id: string; version: number; startsAt: string };
  const next = async () => (await page(id)).nextLesson?.id ?? null;
  expect(await next()).toBeNull();
  const later = await book(3 * 24 * 60);
  expect(await next()).toBe(later.id);
  const sooner = await book(24 * 60);
  expect(await next()).toBe(sooner.id);
  // One that is going on is the next; one that ended a minute ago is not.
  await book(-31);
  expect(await next()).toBe(sooner.id);
  const running = await book(-29);
  expect(await next()).toBe(running.id);
  const cancel = async (lesson: { id: string; version: number; startsAt: string }) =>
    teacher
      .put(`/api/lessons/${lesson.id}`)
      .send({
        version: lesson.version,
        startsAt: lesson.startsAt,
        minutes: 30,
        cancelled: true,
        following: false,
      })
      .expect(200);
  await cancel(running);
  await cancel(sooner);
  expect(await next()).toBe(later.id);
  expect((await page(id)).lessons.map((one: { id: string }) => one.id)).toHaveLength(4);
});

describe('a name and a birthday', () => {
  test('are given at once or later, and corrected', async () => {
    const id = await added('Wren Tallow');
    expect((await keep(id, { name: 'Wren Tallowby', bornOn: '2015-02-03' })).status).toBe(200);
    expect(await page(id)).toMatchObject({ name: 'Wren Tallowby', bornOn: '2015-02-03', age: 11 });
    const stale = await teacher
      .put(`/api/students/${id}`)
      .send({ name: 'Late', bornOn: null, version: 1, archived: false });
    expect([stale.status, stale.body.code]).toEqual([409, 'write.stale']);
    expect((await page(id)).name).toBe('Wren Tallowby');
  });

  test.each(['2030-01-01', '2024-06-01', '1900-05-05'])(
    'a birthday of %s is refused in words',
    async (bornOn) => {
      const refused = await add('Nobody Yet', { bornOn }).expect(422);
      expect(refused.body).toMatchObject({ code: 'born.age', at: 'bornOn' });
      const id = await added(`Somebody ${bornOn}`);
      expect((await keep(id, { bornOn })).body.code).toBe('born.age');
    },
  );

  test('the same name twice is asked about, and taken where it is another person', async () => {
    await added('Ada Quill');
    const asked = await add('  ada   quill ').expect(409);
    expect(asked.body).toMatchObject({ code: 'student.twice', detail: 'Ada Quill' });
    await add('Ada Quill', { another: true }).expect(200);
    const third = await added('Ida Quill');
    expect((await keep(third, { name: 'Ada Quill' })).body.code).toBe('student.twice');
    expect((await keep(third, { name: 'Ada Quill', another: true })).status).toBe(200);
  });
});

describe('away and back', () => {
  test('an archived student is on no Board and in no day, and comes back with everything', async () => {
    const id = await added('Orrin Vale');
    await log(id);
    await teacher
      .post('/api/lessons')
      .send({ id: uuid(), studentId: id, startsAt: new Date(NOW + 3_600_000).toISOString(), minutes: 30 })
      .expect(200);
    expect((await keep(id, { archived: true })).status).toBe(200);
    const board = (await teacher.get('/api/board').expect(200)).body;
    const ids = (list: { id?: string; studentId?: string }[]) => list.map((one) => one.studentId ?? one.id);
    expect(ids(board.students)).not.toContain(id);
    expect(ids(board.lessons)).not.toContain(id);
    expect(board.archived).toContainEqual({ id, name: 'Orrin Vale' });
    expect((await page(id)).archived).toBe(true);
    await keep(id, { archived: false });
    const back = (await teacher.get('/api/board').expect(200)).body;
    expect(ids(back.students)).toContain(id);
    expect(ids(back.lessons)).toContain(id);
    expect((await page(id)).takes).toBe(1);
  });
});

test('why: the number of the page, the takes that made it; a skill that is not there is said', async () => {
  const id = await added('Merle Ostrin');
  const why = (skillId: string) => teacher.get(`/api/students/${id}/skills/${skillId}/why`);
  expect((await why('open.em').expect(200)).body).toMatchObject({
    now: null,
    story: { code: 'why.none' },
    takes: [],
  });
  await log(id);
  await log(id);
  const { body } = await why('open.em').expect(200);
  const shown = (await page(id)).skills.find((one: { skillId: string }) => one.skillId === 'open.em');
  expect(body.now).toBe(shown.chance.mean);
  expect(body.takes).toHaveLength(2);
  expect(body.takes[0]).toMatchObject({ family: 'ring check', result: 'clean', source: 'teacher' });
  expect((await why('no.such').expect(404)).body.at).toBe('skillId');
});

describe('what is wished for', () => {
  const wish = (id: string, version: number, goals: readonly (string | KeptGoal)[]) =>
    teacher.put(`/api/students/${id}/goals`).send({
      version,
      goals: goals.map((goal) => (typeof goal === 'string' ? { id: goal, weight: 'more' } : goal)),
    });
  const goalsOf = async (id: string): Promise<GoalBody[]> => (await page(id)).goals;
  const ids = async (id: string) => (await goalsOf(id)).map((goal) => goal.id);
  const plan = async (id: string): Promise<LessonPlan> =>
    (await teacher.post(`/api/students/${id}/proposal`).send({ minutes: 30, locked: [] }).expect(200)).body;
  /** A tune with a concert so many days ahead. */
  const piece = async (
    days: number,
    parts: Readonly<Record<string, string>> = {},
    chords = '| Am | C | G | Am |',
  ) => {
    const id = uuid();
    const day = new Date(NOW + days * 86_400_000).toISOString().slice(0, 10);
    const chart = `title: Wet Lantern\ntempo: 70\n\n${chords}\n`;
    await teacher
      .put(`/api/pieces/${id}`)
      .send({ version: 0, chart, concert: { name: 'Sprat Harbour', day }, locks: {}, parts })
      .expect(200);
    return { id, day };
  };

  test('a way in, a style, a skill: kept, read back with their weights, and the plan leans toward them', async () => {
    const id = await added('Ilse Varrow');
    const toward = async () =>
      (await plan(id)).blocks.flatMap((one) => (one.because.code === 'because.goal' ? [one.skillId] : []));
    expect(await goalsOf(id)).toEqual([]);
    await wish(id, 1, ['way.roots', { id: 'open.c', weight: 'first' }]).expect(200);
    expect(await goalsOf(id)).toMatchObject([
      { id: 'way.roots', kind: 'way in', weight: 'more', on: null, given: false },
      { id: 'open.c', kind: 'skill', weight: 'first', on: null, given: false },
    ]);
    const wishes = new Set((await plan(id)).toward?.flatMap(({ needs }) => needs));
    for (const skill of [
      'open.c',
      ...(firstSyllabus.courses.find((one) => one.id === 'way.roots')?.skills ?? []),
    ])
      expect(wishes).toContain(skill);
    const planned = await toward();
    expect(planned.length).toBeGreaterThan(0);
    for (const skill of planned) expect(wishes).toContain(skill);
    await wish(id, 2, []).expect(200);
    expect(await goalsOf(id)).toEqual([]);
    expect(await toward()).toEqual([]);
    expect((await plan(id)).toward).toBeUndefined();
  });

  test('what there is not is refused by its place, twice the same and an older version too; nothing is half kept', async () => {
    const id = await added('Corin Vael');
    const refused = await wish(id, 1, ['open.c', 'no.such']).expect(422);
    expect(refused.body).toMatchObject({ code: 'goal.unknown', at: 'goals.1' });
    await wish(id, 1, ['open.c', uuid()]).expect(422);
    await wish(id, 1, ['open.c', 'open.c']).expect(422);
    await wish(id, 1, ['open.c']).expect(200);
    expect((await wish(id, 1, ['open.g']).expect(409)).body.code).toBe('write.stale');
    expect(await ids(id)).toEqual(['open.c']);
  });

  test('of a double the wishes come along, each once, with the weight it has where it stays', async () => {
    const [stays, double] = [await added('Tove Harl'), await added('Tove Harle')];
    await wish(stays, 1, ['style.swing', { id: 'open.c', weight: 'first' }]).expect(200);
    await wish(double, 1, ['open.c', 'way.pairs']).expect(200);
    await teacher.post(`/api/students/${stays}/double`).send({ version: 2, double }).expect(200);
    expect((await goalsOf(stays)).map((goal) => [goal.id, goal.weight])).toEqual([
      ['style.swing', 'more'],
      ['open.c', 'first'],
      ['way.pairs', 'more'],
    ]);
  });

  test('a piece with its concert is a goal: its day, what it needs of this hand, how much of that is held', async () => {
    const id = await added('Perrin Soule');
    const { id: tune, day } = await piece(20);
    await wish(id, 1, [{ id: tune, weight: 'first' }]).expect(200);
    expect(await goalsOf(id)).toMatchObject([
      { id: tune, kind: 'piece', name: 'Wet Lantern', on: day, given: false, weight: 'first' },
    ]);
    const [toward] = (await plan(id)).toward ?? [];
    expect(toward).toMatchObject({ id: tune, on: day, held: 0 });
    expect(toward.needs).toEqual(expect.arrayContaining(['open.am', 'open.c', 'open.g']));
    expect(minutesToward(toward, (await plan(id)).blocks)).toBeGreaterThan(0);
    // Taken away, it is nobody's goal; brought back, it is.
    await teacher.delete(`/api/pieces/${tune}?version=1`).expect(200);
    expect(await goalsOf(id)).toEqual([]);
  });

  test('a part given in a piece with a concert ahead is a goal unasked; a concert of yesterday is none', async () => {
    const id = await added('Elske Monk');
    const other = await added('Jorin Falk');
    const ahead = await piece(9, { [id]: 'full' });
    await piece(-1, { [id]: 'full' });
    expect(await goalsOf(id)).toMatchObject([{ id: ahead.id, given: true, weight: 'more', on: ahead.day }]);
    expect(await goalsOf(other)).toEqual([]);
    await wish(id, 1, [{ id: ahead.id, weight: 'not now' }]).expect(200);
    expect(await goalsOf(id)).toMatchObject([{ id: ahead.id, given: false, weight: 'not now' }]);
    const past = await piece(-3);
    await wish(other, 1, [past.id]).expect(200);
    expect(await goalsOf(other)).toMatchObject([{ id: past.id, on: null }]);
  });

  test('a part of two notes needs what it is gripped with, not the full chords', async () => {
    const id = await added('Wim Darrow');
    const tune = await piece(9, { [id]: 'two notes' });
    const [toward] = (await plan(id)).toward ?? [];
    expect(toward.id).toBe(tune.id);
    expect(toward.needs).not.toContain('open.am');
  });
});

describe('a double', () => {
  test('gives takes, lessons and homework to the one who stays, late takes too', async () => {
    const [stays, double] = [await added('Tamlin Roe'), await added('Tamlin Row')];
    await log(stays);
    await log(double);
    await teacher
      .post('/api/lessons')
      .send({ id: uuid(), studentId: double, startsAt: new Date(NOW + 7_200_000).toISOString(), minutes: 30 })
      .expect(200);
    await teacher
      .post(`/api/students/${double}/home`)
      .send({ id: uuid(), recipe: drill.recipe, skillId: null, title: 'Em, ring check' })
      .expect(200);
    const { version } = await page(stays);
    await teacher.post(`/api/students/${stays}/double`).send({ version, double }).expect(200);
    await log(double);
    const merged = await page(stays);
    expect(merged).toMatchObject({ takes: 3, version: version + 1 });
    expect(merged.lessons).toHaveLength(1);
    expect(merged.home).toHaveLength(1);
    const { body: why } = await teacher.get(`/api/students/${stays}/skills/open.em/why`).expect(200);
    expect(why.counted).toBe(3);
    await teacher.get(`/api/students/${double}`).expect(404);
    const again = await teacher
      .post(`/api/students/${stays}/double`)
      .send({ version: version + 1, double: stays })
      .expect(422);
    expect(again.body.code).toBe('student.same');
  });
});

describe('the seats of a double', () => {
  test('a guardian and a student of the double sit down with who stays, and late takes for the double are theirs', async () => {
    const { studioId } = world.here;
    const [stays, double] = [await added('Sorrel Pike'), await added('Sorel Pike')];
    const seat = async (roles: string, link: (seatId: string) => [string, unknown[]]) => {
      const [personId, seatId] = [uuid(), uuid()];
      await inStudio(world.owner, studioId, async (manager) => {
        await manager.query("INSERT INTO person (studio_id, id, name) VALUES ($1, $2, 'P')", [
          studioId,
          personId,
        ]);
        await manager.query(
          'INSERT INTO membership (studio_id, id, account_id, person_id, roles) VALUES ($1, $2, NULL, $3, $4)',
          [studioId, seatId, personId, [roles]],
        );
        await manager.query(...link(seatId));
      });
      return seatId;
    };
    const guardianSeat = await seat('guardian', (id) => [
      'INSERT INTO guardianship (studio_id, membership_id, student_id) VALUES ($1, $2, $3)',
      [studioId, id, double],
    ]);
    const ownSeat = await seat('student', (id) => [
      'UPDATE student SET membership_id = $1 WHERE id = $2',
      [id, double],
    ]);
    await teacher.post(`/api/students/${stays}/double`).send({ version: 1, double }).expect(200);
    const { body } = await teacher.get('/api/seats').expect(200);
    const of = (id: string) =>
      body.seats.find((one: { membershipId: string }) => one.membershipId === id).studentId;
    expect([of(guardianSeat), of(ownSeat)]).toEqual([stays, stays]);
    const guardian = await world.sit(guardianSeat);
    await guardian.get(`/api/students/${stays}/report`).expect(200);
    const student = await world.sit(ownSeat);
    const late = take(double);
    const sent = await student
      .post('/api/events')
      .send({ events: [{ ...late, take: { ...late.take, source: 'self' } }] })
      .expect(200);
    expect(sent.body.stored).toEqual([late.id]);
    expect((await page(stays)).takes).toBe(1);
  });
});

describe('how long somebody has played', () => {
  const hand = async (id: string, more: object) => {
    const { version, hand: had, instrument, limits } = await page(id);
    const body = { version, hand: had.value, instrument: instrument.value, limits: limits.value, ...more };
    return teacher.put(`/api/students/${id}/hand`).send(body);
  };
  const months = async (id: string) => (await page(id)).pace.months as number | null;

  test('is told with the name or not at all, said anew with the hand, and left as it was otherwise', async () => {
    const [told, silent] = [await added('Fen Harrow', { playedMonths: 60 }), await added('Ivo Larch')];
    expect([Math.round((await months(told)) ?? 0), await months(silent)]).toEqual([60, null]);
    const factor = async (id: string) => (await page(id)).pace.factor as number;
    const [quick, between] = [await factor(told), await factor(silent)];
    expect(quick).toBeLessThan(0.7 * between);
    expect((await page(told)).taught.pace.logFactor).toBeCloseTo(Math.log(quick), 9);
    expect((await hand(told, {})).status).toBe(200);
    expect(Math.round((await months(told)) ?? 0)).toBe(60);
    expect((await hand(told, { playedMonths: 12 })).status).toBe(200);
    expect(Math.round((await months(told)) ?? 0)).toBe(12);
    expect(await factor(told)).toBeGreaterThan(quick);
    expect((await hand(told, { playedMonths: null })).status).toBe(200);
    expect(await months(told)).toBeNull();
  });

  test.each([-1, 1201, '12', 1e308])(
    '%p months are refused by name, and nothing is kept',
    async (playedMonths) => {
      const sent = await add(`Refused ${String(playedMonths)}`, { playedMonths });
      expect([sent.status, sent.body.at]).toEqual([422, 'playedMonths']);
      const id = await added(`Kept ${String(playedMonths)}`, { playedMonths: 24 });
      const { version } = await page(id);
      expect((await hand(id, { playedMonths })).status).toBe(422);
      expect([(await page(id)).version, Math.round((await months(id)) ?? 0)]).toEqual([version, 24]);
    },
  );

  test('comes to the student with a double only where nothing was told before', async () => {
    const [silent, double] = [await added('Odd Penrose'), await added('Od Penrose', { playedMonths: 36 })];
    await teacher.post(`/api/students/${silent}/double`).send({ version: 1, double }).expect(200);
    expect(Math.round((await months(silent)) ?? 0)).toBe(36);
    const [told, other] = [
      await added('Ada Penrose', { playedMonths: 6 }),
      await added('Adda Penrose', { playedMonths: 90 }),
    ];
    await teacher.post(`/api/students/${told}/double`).send({ version: 1, double: other }).expect(200);
    expect(Math.round((await months(told)) ?? 0)).toBe(6);
  });
});

describe('the page of a parent', () => {
  test('minutes and days of the week, what is at home, what the last lesson did and the next brings; nothing of hand, band or note', async () => {
    const { studentId, guardianId } = world.here;
    const guardian = await world.sit(guardianId);
    const before = (await guardian.get(`/api/students/${studentId}/report`).expect(200)).body;
    const long = () => {
      const one = take(studentId);
      return { ...one, take: { ...one.take, durationSeconds: 120 } };
    };
    const [first, gone] = [long(), long()];
    await teacher
      .post('/api/events')
      .send({ events: [first, gone] })
      .expect(200);
    const voided = { ...gone, kind: 'void', id: uuid({ msecs: NOW }), deviceSeq: ++seq, voids: gone.id, at: new Date(NOW).toISOString() }; // prettier-ignore
    const { take: _, ...back } = voided;
    await teacher
      .post('/api/events')
      .send({ events: [back] })
      .expect(200);
    const { body } = await guardian.get(`/api/students/${studentId}/report`).expect(200);
    expect(body.week.days).toBe(1);
    // One take of the two was taken back.
    expect(body.week.minutes - before.week.minutes).toBe(2);
    expect(body.guardians).toEqual(['Guardian']);
    expect(Object.keys(body).toSorted()).toEqual([
      'guardians',
      'home',
      'last',
      'next',
      'pain',
      'progress',
      'student',
      'week',
    ]);
    const text = JSON.stringify(body);
    for (const word of ['hand', 'Mm', 'low', 'high', 'note', 'recall', 'belief'])
      expect(text).not.toContain(`"${word}`);
    await guardian.get(`/api/students/${studentId}`).expect(403);
    await guardian.get(`/api/students/${studentId}/skills/open.em/why`).expect(403);
  });

  test('a lesson that is booked says when and how long; a day a week ago is of another week', async () => {
    const id = await added('Bran Orley');
    const report = async () => (await teacher.get(`/api/students/${id}/report`).expect(200)).body;
    expect(await report()).toMatchObject({ last: null, next: null, week: { minutes: 0, days: 0 }, home: [] });
    const startsAt = new Date(NOW + 7_200_000).toISOString();
    await teacher.post('/api/lessons').send({ id: uuid(), studentId: id, startsAt, minutes: 30 }).expect(200);
    await teacher
      .post(`/api/students/${id}/home`)
      .send({ id: uuid(), recipe: drill.recipe, skillId: null, title: 'Em, ring check' })
      .expect(200);
    await log(id);
    const now = await report();
    expect(now.next).toEqual({ startsAt, minutes: 30, brings: [] });
    expect(now.home.map(({ title }: { title: string }) => title)).toEqual(['Em, ring check']);
    expect(now.week.days).toBe(1);
    world.clock.at += 7 * 86_400_000;
    expect((await report()).week).toMatchObject({ minutes: 0, days: 0 });
    world.clock.at = NOW;
  });
});

describe('erasing', () => {
  test('takes everything with it, the double too, and asks for the name first', async () => {
    const [id, double] = [
      await added('Brindle Moss', { playedMonths: 14 }),
      await added('Brindel Moss', { playedMonths: 3 }),
    ];
    await log(id);
    await log(double);
    await teacher
      .post('/api/lessons')
      .send({ id: uuid(), studentId: id, startsAt: new Date(NOW + 7_200_000).toISOString(), minutes: 30 })
      .expect(200);
    await teacher.post(`/api/students/${id}/double`).send({ version: 1, double }).expect(200);
    await teacher.delete(`/api/students/${id}`).send({ name: 'Brindle Moss' }).expect(403);
    const wrong = await owner.delete(`/api/students/${id}`).send({ name: 'Brindle' }).expect(422);
    expect(wrong.body.code).toBe('erase.name');
    await owner.delete(`/api/students/${id}`).send({ name: 'brindle moss' }).expect(200);
    await teacher.get(`/api/students/${id}`).expect(404);
    const left = await inStudio(world.owner, world.here.studioId, async (manager) => ({
      log: await manager.query('SELECT 1 FROM log_event WHERE student_id = ANY($1)', [[id, double]]),
      read: await manager.query(
        'SELECT 1 FROM log_head WHERE student_id = ANY($1) UNION SELECT 1 FROM log_snapshot WHERE student_id = ANY($1)',
        [[id, double]],
      ),
      lessons: await manager.query('SELECT 1 FROM lesson WHERE student_id = ANY($1)', [[id, double]]),
      played: await manager.query('SELECT 1 FROM played_record WHERE student_id = ANY($1)', [[id, double]]),
      people: await manager.query("SELECT name FROM person WHERE name LIKE 'Brind%'"),
      others: await manager.query('SELECT 1 FROM student WHERE id = $1', [world.here.studentId]),
    }));
    expect([left.log, left.read, left.lessons, left.played, left.people].map((rows) => rows.length)).toEqual([
      0, 0, 0, 0, 0,
    ]);
    expect(left.others).toHaveLength(1);
  });

  test('a student of another studio is out of reach', async () => {
    await owner.delete(`/api/students/${world.elsewhere.studentId}`).send({ name: 'Pupil' }).expect(404);
  });

  test('the student’s own seat and a guardian of nobody else go too; the teacher stays', async () => {
    const { studentId, guardianId, teacherId } = world.here;
    await owner.delete(`/api/students/${studentId}`).send({ name: 'Pupil' }).expect(200);
    const { body } = await teacher.get('/api/seats').expect(200);
    const seats = body.seats.map((seat: { membershipId: string }) => seat.membershipId);
    expect(seats).not.toContain(guardianId);
    expect(seats).toContain(teacherId);
  });
});

describe('who reads and writes what', () => {
  test('homework is given, taken back and given again', async () => {
    const id = await added('Home Body');
    const card = uuid();
    await teacher
      .post(`/api/students/${id}/home`)
      .send({ id: card, recipe: drill.recipe, skillId: null, title: 'Em, ring check' })
      .expect(200);
    expect((await page(id)).home).toMatchObject([{ id: card, title: 'Em, ring check' }]);
    await teacher.put(`/api/students/${id}/home/${card}`).send({ ended: true }).expect(200);
    expect((await page(id)).home).toEqual([]);
    await teacher.put(`/api/students/${id}/home/${card}`).send({ ended: false }).expect(200);
    expect((await page(id)).home).toHaveLength(1);
    await teacher
      .put(`/api/students/${world.here.otherStudentId}/home/${card}`)
      .send({ ended: true })
      .expect(404);
  });

  test('a guardian sees no note of a teacher, a self-taught player their own', async () => {
    const { elsewhere: _, here } = world;
    const id = here.selfTaughtStudentId;
    await teacher.put(`/api/students/${id}/note`).send({ version: 1, note: 'private' }).expect(200);
    const self = await world.sit(here.selfTaughtId);
    expect((await self.get(`/api/students/${id}`).expect(200)).body.note).toBe('private');
    const ward = await added('Ward of Guardian');
    await teacher.put(`/api/students/${ward}/note`).send({ version: 1, note: 'private' }).expect(200);
    const [personId, seatId] = [uuid(), uuid()];
    await inStudio(world.owner, here.studioId, async (manager) => {
      await manager.query('INSERT INTO person (studio_id, id, name) VALUES ($1, $2, $3)', [
        here.studioId,
        personId,
        'G',
      ]);
      await manager.query(
        "INSERT INTO membership (studio_id, id, account_id, person_id, roles) VALUES ($1, $2, NULL, $3, '{guardian}')",
        [here.studioId, seatId, personId],
      );
      await manager.query(
        'INSERT INTO guardianship (studio_id, membership_id, student_id) VALUES ($1, $2, $3)',
        [here.studioId, seatId, ward],
      );
    });
    const guardian = await world.sit(seatId);
    const seen = (await guardian.get(`/api/students/${ward}/report`).expect(200)).body;
    expect(JSON.stringify(seen)).not.toContain('private');
    await guardian.get(`/api/students/${ward}`).expect(403);
    for (const [method, path, body] of [
      ['put', `/api/students/${ward}`, { version: 2, name: 'X', bornOn: null, archived: true }],
      ['post', `/api/students/${ward}/double`, { version: 2, double: here.otherStudentId }],
      ['delete', `/api/students/${ward}`, { name: 'Ward of Guardian' }],
      ['put', `/api/seats/${here.teacherId}`, { name: 'X' }],
    ] as const)
      expect([path, (await guardian[method](path).send(body)).status]).toEqual([path, 403]);
  });

  test('a teacher renames their own seat, the owner anybody’s', async () => {
    const { teacherId, ownerId } = world.here;
    await teacher.put(`/api/seats/${teacherId}`).send({ name: 'Tamsin Two' }).expect(200);
    await teacher.put(`/api/seats/${ownerId}`).send({ name: 'Not theirs' }).expect(403);
    await owner.put(`/api/seats/${teacherId}`).send({ name: 'Tamsin Three' }).expect(200);
    const { body } = await teacher.get('/api/seats').expect(200);
    expect(body.seats.map((seat: { name: string }) => seat.name)).toContain('Tamsin Three');
  });
});
