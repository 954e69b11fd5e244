/** Letters over real HTTP and PostgreSQL: sent once, changed over the version seen, and written by the house when a hand hurts. */
import type { LetterBody } from '@finch/contract';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { inStudio } from '../platform/database';
import { LETTER, sampleEvent } from '../test/requests';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

const DAY = 86_400_000;
let world: TestWorld;
let teacher: TestAgent;
let owner: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  [teacher, owner] = [await world.sit(world.here.teacherId), await world.sit(world.here.ownerId)];
});
afterAll(() => world.end());

const letters = async (): Promise<LetterBody[]> =>
  (await teacher.get('/api/letters').expect(200)).body.letters;
const of = async (studentId: string) => (await letters()).filter((one) => one.studentId === studentId);
const send = (studentId: string, id: string, content: object = LETTER) =>
  teacher.post(`/api/students/${studentId}/letters`).send({ id, content });
const added = async (name: string, bornOn: string | null = null): Promise<string> => {
  const id = uuid();
  await teacher.post('/api/students').send({ id, name, bornOn }).expect(200);
  return id;
};
const log = async (studentId: string, feel: object | null, at = NOW - 60_000) => {
  const event = sampleEvent(studentId, at);
  const sent = { ...event, take: { ...event.take, feel } };
  const { body } = await teacher
    .post('/api/events')
    .send({ events: [sent] })
    .expect(200);
  expect(body.refused).toEqual([]);
  return sent;
};
const wrist = { hand: 'pain', where: 'wrist', side: 'left' };

describe('a letter that somebody wrote', () => {
  test('waits in the outbox with who wrote it; sent twice it is one; another under its id is refused', async () => {
    const { studentId } = world.here;
    const id = uuid();
    const { body } = await send(studentId, id).expect(200);
    expect(body).toMatchObject({
      id,
      studentId,
      student: 'Pupil',
      kind: 'report',
      state: 'waiting',
      version: 1,
      by: 'Teacher',
      madeAt: new Date(NOW).toISOString(),
      content: LETTER,
    });
    expect((await send(studentId, id).expect(200)).body).toEqual(body);
    expect((await send(studentId, id, { ...LETTER, subject: 'Another' }).expect(409)).body.code).toBe(
      'write.twice',
    );
    expect((await send(world.here.otherStudentId, id).expect(409)).body.code).toBe('write.twice');
    expect(await of(studentId)).toEqual([body]);
    expect((await teacher.get('/api/progress').expect(200)).body.letters).toBe(1);
  });

  test('is handed on, taken back and put right over the version its writer saw; those that wait come first', async () => {
    const { studentId } = world.here;
    const [first, second] = [uuid(), uuid()];
    await send(studentId, first).expect(200);
    world.clock.at = NOW + 1000;
    await send(studentId, second).expect(200);
    const change = (id: string, version: number, state: string, content: object = LETTER) =>
      owner.put(`/api/letters/${id}`).send({ version, state, content });
    const before = (await teacher.get('/api/progress').expect(200)).body.letters;
    expect((await change(second, 1, 'handed on').expect(200)).body).toMatchObject({
      state: 'handed on',
      version: 2,
    });
    expect((await change(second, 1, 'taken back').expect(409)).body).toMatchObject({
      code: 'write.stale',
      at: 'version',
    });
    expect((await teacher.get('/api/progress').expect(200)).body.letters).toBe(before - 1);
    const ids = (await of(studentId)).map((one) => one.id);
    expect(ids.indexOf(first)).toBeLessThan(ids.indexOf(second));
    const better = { ...LETTER, paragraphs: ['Four days of seven.'] };
    const { body } = await change(second, 2, 'waiting', better).expect(200);
    expect(body).toMatchObject({ state: 'waiting', version: 3, content: better, by: 'Teacher' });
    expect((await of(studentId))[0].id).toBe(second);
    await change(uuid(), 1, 'waiting').expect(404);
    world.clock.at = NOW;
  });

  test('without words, to seven people, or of another studio it is none', async () => {
    const { studentId } = world.here;
    const bad = async (content: object) => (await send(studentId, uuid(), content).expect(422)).body.at;
    expect(await bad({ ...LETTER, paragraphs: [] })).toBe('content.paragraphs');
    expect(await bad({ ...LETTER, paragraphs: ['  '] })).toBe('content.paragraphs.0');
    expect(await bad({ ...LETTER, paragraphs: ['x'.repeat(2001)] })).toBe('content.paragraphs.0');
    expect(await bad({ ...LETTER, to: Array.from({ length: 7 }, () => 'Ines') })).toBe('content.to');
    expect(await bad({ ...LETTER, subject: '' })).toBe('content.subject');
    await send(world.elsewhere.studentId, uuid()).expect(404);
    const there = uuid();
    await inStudio(world.owner, world.elsewhere.studioId, (manager) =>
      manager.query(
        `INSERT INTO letter (studio_id, id, student_id, kind, about_day, content, made_at)
         VALUES ($1, $2, $3, 'report', '2026-06-09', $4, $5)`,
        [world.elsewhere.studioId, there, world.elsewhere.studentId, JSON.stringify(LETTER), new Date(NOW)],
      ),
    );
    expect((await letters()).map(({ id }) => id)).not.toContain(there);
    await owner
      .put(`/api/letters/${there}`)
      .send({ version: 1, state: 'taken back', content: LETTER })
      .expect(404);
  });
});

describe('when a hand hurts', () => {
  test('whoever is in charge of the student is told once a day, whatever comes after and however often it is sent', async () => {
    const { studentId } = world.here;
    const before = await of(studentId);
    const sent = await log(studentId, wrist);
    const all = await of(studentId);
    expect(all).toHaveLength(before.length + 1);
    const [letter] = all.filter(({ kind }) => kind === 'pain');
    expect(letter).toMatchObject({ id: sent.id, kind: 'pain', state: 'waiting', by: null });
    expect(letter.content.to).toEqual(['Guardian']);
    const values = { name: 'Pupil', first: 'Pupil', day: '2026-06-09', where: 'wrist', side: 'left' };
    expect(letter.content.subject).toEqual({ code: 'letter.pain-subject', values });
    expect(letter.content.paragraphs.length).toBeGreaterThanOrEqual(3);
    await teacher
      .post('/api/events')
      .send({ events: [sent] })
      .expect(200);
    await log(studentId, wrist, NOW - 30_000);
    expect(await of(studentId)).toHaveLength(before.length + 1);
    await log(studentId, { ...wrist, side: 'right' }, NOW - DAY);
    expect(await of(studentId)).toHaveLength(before.length + 2);
  });

  test('fingertips, a tense hand and an easy one are nobody’s letter', async () => {
    const id = await added('Tam Orrin', '2015-01-01');
    await log(id, { hand: 'pain', where: 'fingertip skin', side: 'left' });
    await log(id, { hand: 'tense' });
    await log(id, null);
    expect(await of(id)).toEqual([]);
  });

  test('of a child without anybody on record it is for the parents; of a grown one without, for nobody', async () => {
    const [child, grown, unsaid] = [
      await added('Bit Orrin', '2008-06-10'),
      await added('Gro Orrin', '2008-06-08'),
      await added('Una Orrin'),
    ];
    for (const id of [child, grown, unsaid]) await log(id, wrist);
    expect((await of(child)).map(({ content }) => content.to)).toEqual([[]]);
    expect([await of(grown), await of(unsaid)]).toEqual([[], []]);
  });

  test('what came for a double is told of the student; letters come along and are erased with them', async () => {
    const [id, double] = [await added('Ola Orrin', '2014-01-01'), await added('Olla Orrin', '2014-01-01')];
    await log(double, wrist, NOW - 2 * DAY);
    await teacher.post(`/api/students/${id}/double`).send({ version: 1, double }).expect(200);
    await log(double, wrist);
    expect((await of(id)).map(({ kind, student }) => [kind, student])).toEqual([
      ['pain', 'Ola Orrin'],
      ['pain', 'Ola Orrin'],
    ]);
    expect(await of(double)).toEqual([]);
    await owner.delete(`/api/students/${id}`).send({ name: 'Ola Orrin' }).expect(200);
    expect(await of(id)).toEqual([]);
  });
});
