/** Schools, pins and hooks over real HTTP and PostgreSQL: layers, rights, stale writes, other studios. */
import { rootCall, ringCheck } from '@finch/core/drills';
import { gripMark } from '@finch/core/grips';
import { v7 as uuid } from 'uuid';
import { inStudio } from '../platform/database';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

let world: TestWorld;
beforeAll(async () => {
  world = await makeTestWorld();
});
afterAll(() => world.end());

const STANDARD = [40, 45, 50, 55, 59, 64];
const A = [null, 0, 2, 2, 2, 0];
const teacher = () => world.sit(world.here.teacherId);

/** Writes a layer over whatever is there now. */
async function say(who: string, scope: string, subjectId: string, says: object, expected = 200) {
  const agent = await world.sit(who);
  const student = scope === 'student' ? `?student=${subjectId}` : '';
  const before = await agent.get(`/api/schools${student}`);
  const version = before.body[scope]?.version ?? 0;
  return agent.put(`/api/schools/${scope}/${subjectId}`).send({ version, says }).expect(expected);
}

describe('schools', () => {
  test('hold in layers: studio, then the student’s teacher, then the student', async () => {
    const { here } = world;
    const agent = await teacher();
    await agent
      .post('/api/lessons')
      .send({ id: uuid(), studentId: here.studentId, startsAt: new Date(NOW).toISOString(), minutes: 30 })
      .expect(200);
    await say(here.ownerId, 'studio', here.studioId, { thumb: 'behind the neck', formNames: 'numbers' });
    await say(here.teacherId, 'teacher', here.teacherId, { formNames: 'root strings' });
    await say(here.teacherId, 'student', here.studentId, { chordNames: 'family' });
    const taught = (await agent.get(`/api/schools?student=${here.studentId}`).expect(200)).body;
    expect(taught.holds).toMatchObject({
      thumb: 'behind the neck',
      formNames: 'root strings',
      chordNames: 'family',
      root: 'in the bass',
    });
    const other = (await agent.get(`/api/schools?student=${here.otherStudentId}`).expect(200)).body;
    expect(other.teacher).toBeNull();
    expect(other.holds).toMatchObject({ formNames: 'numbers', chordNames: 'exact' });
    // Drills and plans of each are made under the same layers.
    const taughtBy = async (id: string) =>
      (await agent.get(`/api/students/${id}`).expect(200)).body.taught.school;
    expect(await taughtBy(here.studentId)).toEqual(taught.holds);
    expect(await taughtBy(here.otherStudentId)).toEqual(other.holds);
    const alone = (await agent.get('/api/schools').expect(200)).body;
    expect(alone).toMatchObject({ student: null, holds: { formNames: 'root strings', chordNames: 'exact' } });
  });

  test('reach the practice room and the student page, and leave the records as they were', async () => {
    const { here } = world;
    await say(here.teacherId, 'student', here.studentId, { thumb: 'over the top' });
    const pupil = await world.sit(here.studentSeatId);
    const room = (await pupil.get(`/api/students/${here.studentId}/practice`).expect(200)).body;
    expect(room.taught.school.thumb).toBe('over the top');
    expect(room.taught.hand.thumbOver).toBe(true);
    const page = (await (await teacher()).get(`/api/students/${here.studentId}`).expect(200)).body;
    expect(page.taught.school.thumb).toBe('over the top');
    expect(page.taught.hand.thumbOver).toBe(true);
    expect(page.hand.value.thumbOver).toBe(false);
  });

  test.each([
    ['studentSeatId', 'student', 'studentId', 403],
    ['guardianId', 'student', 'studentId', 403],
    ['teacherId', 'studio', 'studioId', 403],
    ['teacherId', 'teacher', 'ownerId', 403],
    ['ownerId', 'teacher', 'teacherId', 200],
    ['selfTaughtId', 'student', 'selfTaughtStudentId', 200],
    ['selfTaughtId', 'student', 'studentId', 403],
  ] as const)('%s may write the layer %s of %s: %i', async (who, scope, subject, status) => {
    const { here } = world;
    const agent = await world.sit(here[who]);
    const before = await (
      await world.sit(here.ownerId)
    ).get(`/api/schools${scope === 'student' ? `?student=${here[subject]}` : ''}`);
    // An owner looking alone sees the owner's own layer; another teacher's version is asked of that teacher.
    const version =
      scope === 'teacher'
        ? (await (await teacher()).get('/api/schools')).body.teacher.version
        : (before.body[scope]?.version ?? 0);
    await agent
      .put(`/api/schools/${scope}/${here[subject]}`)
      .send({ version, says: { root: 'left to the bass' } })
      .expect(status);
  });

  test('a stale write is refused and changes nothing', async () => {
    const { here } = world;
    const agent = await teacher();
    const url = `/api/schools/student/${here.otherStudentId}`;
    await agent
      .put(url)
      .send({ version: 0, says: { fretDown: 'to the body' } })
      .expect(200);
    const stale = await agent
      .put(url)
      .send({ version: 0, says: { fretDown: 'to the nut' } })
      .expect(409);
    expect(stale.body.code).toBe('write.stale');
    const now = (await agent.get(`/api/schools?student=${here.otherStudentId}`)).body;
    expect(now.student).toMatchObject({ version: 1, says: { fretDown: 'to the body' } });
  });

  test.each([
    [{ thumb: 'sideways' }, 'says.thumb'],
    [{ colour: 'red' }, 'says.colour'],
    [{ firstForm: 'H' }, 'says.firstForm'],
  ])('%j is refused at %s', async (says, at) => {
    const refused = await say(world.here.teacherId, 'student', world.here.studentId, says, 422);
    expect(refused.body.at).toBe(at);
  });

  test('another studio is neither read nor written', async () => {
    const agent = await teacher();
    await agent.get(`/api/schools?student=${world.elsewhere.studentId}`).expect(404);
    await agent
      .put(`/api/schools/student/${world.elsewhere.studentId}`)
      .send({ version: 0, says: {} })
      .expect(404);
    const owner = await world.sit(world.here.ownerId);
    await owner
      .put(`/api/schools/studio/${world.elsewhere.studioId}`)
      .send({ version: 0, says: {} })
      .expect(404);
  });
});

describe('a fingering pinned for a student', () => {
  const subject = gripMark(A, STANDARD);
  const fingers = [null, 0, 2, 1, 3, 0];

  test('is kept, shown to that student alone, and taken away again', async () => {
    const { here } = world;
    const agent = await teacher();
    const url = `/api/students/${here.studentId}/pins`;
    const kept = await agent.put(url).send({ subject, fingers, version: 0 }).expect(200);
    expect(kept.body.version).toBe(1);
    const room = (await agent.get(`/api/students/${here.studentId}/practice`)).body;
    expect(room.marks.pins).toEqual([{ subject, fingers, version: 1 }]);
    const other = (await agent.get(`/api/students/${here.otherStudentId}`)).body;
    expect(other.marks.pins).toEqual([]);
    await agent.put(url).send({ subject, fingers, version: 0 }).expect(409);
    expect((await agent.put(url).send({ subject, fingers: null, version: 1 }).expect(200)).body.version).toBe(
      2,
    );
    expect((await agent.get(`/api/students/${here.studentId}`)).body.marks.pins).toEqual([]);
    // Pinned anew by someone who saw nothing there.
    expect((await agent.put(url).send({ subject, fingers, version: 0 }).expect(200)).body.version).toBe(3);
  });

  test('is what the student page, the room and the planner grade with', async () => {
    const { here } = world;
    const agent = await teacher();
    await agent
      .post(`/api/students/${here.studentId}/home`)
      .send({ id: uuid(), recipe: ringCheck({ chord: 'A', frets: A }), skillId: null, title: 'A' })
      .expect(200);
    const room = (await agent.get(`/api/students/${here.studentId}/practice`).expect(200)).body;
    expect(room.cards.some((card: { title: string }) => card.title === 'A')).toBe(true);
    expect(room.marks.pins[0].fingers).toEqual(fingers);
  });

  test.each(['studentSeatId', 'guardianId'] as const)('%s may not pin', async (who) => {
    const agent = await world.sit(world.here[who]);
    await agent
      .put(`/api/students/${world.here.studentId}/pins`)
      .send({ subject, fingers, version: 0 })
      .expect(403);
  });

  test('a subject that is no grip and fingers of no hand are refused by place', async () => {
    const agent = await teacher();
    const url = `/api/students/${world.here.studentId}/pins`;
    const bad = await agent.put(url).send({ subject: 'A major', fingers, version: 0 }).expect(422);
    expect(bad.body.at).toBe('subject');
    const six = await agent
      .put(url)
      .send({ subject, fingers: [null, 0, 2, 6, 3, 0], version: 0 })
      .expect(422);
    expect(six.body.at).toBe('fingers.3');
  });
});

describe('a hook', () => {
  const subject = gripMark([null, 3, 2, 0, 1, 0], STANDARD);
  const picture = 'data:image/png;base64,iVBORw0KGgo=';

  test('is shown to every student of the studio, and nobody elsewhere', async () => {
    const agent = await teacher();
    await agent.put('/api/hooks').send({ subject, nickname: 'the stairs', picture, version: 0 }).expect(200);
    const pupil = await world.sit(world.here.studentSeatId);
    const room = (await pupil.get(`/api/students/${world.here.studentId}/practice`)).body;
    expect(room.marks.hooks).toEqual([{ subject, nickname: 'the stairs', picture, version: 1 }]);
    // Row security shows the row inside its studio alone; the same question elsewhere, or nowhere, finds none.
    const hooksIn = (studioId: string) =>
      inStudio(world.owner, studioId, (manager) =>
        manager.query<{ studio_id: string }[]>("SELECT studio_id FROM grip_mark WHERE kind = 'hook'"),
      );
    expect(await hooksIn(world.here.studioId)).toEqual([{ studio_id: world.here.studioId }]);
    expect(await hooksIn(world.elsewhere.studioId)).toEqual([]);
    expect(await world.owner.query("SELECT studio_id FROM grip_mark WHERE kind = 'hook'")).toEqual([]);
  });

  test('emptied it is gone', async () => {
    const agent = await teacher();
    await agent.put('/api/hooks').send({ subject, nickname: ' ', picture: null, version: 1 }).expect(200);
    expect((await agent.get('/api/schools')).body.marks.hooks).toEqual([]);
  });

  test.each([
    ['data:image/svg+xml;base64,AAAA', 'picture'],
    ['https://elsewhere.example/x.png', 'picture'],
    [`data:image/png;base64,${'A'.repeat(130_000)}`, 'picture'],
  ])('a picture that is none of ours is refused', async (bad, at) => {
    const agent = await teacher();
    const refused = await agent
      .put('/api/hooks')
      .send({ subject, nickname: 'x', picture: bad, version: 0 })
      .expect(422);
    expect(refused.body.at).toBe(at);
  });

  test('a student writes none', async () => {
    const pupil = await world.sit(world.here.studentSeatId);
    await pupil.put('/api/hooks').send({ subject, nickname: 'mine', picture: null, version: 0 }).expect(403);
  });
});

test('root calls over the grid ask again what went wrong in the takes before', async () => {
  const { here } = world;
  const agent = await teacher();
  const recipe = rootCall({
    rootString: 6,
    answer: 'root',
    count: 12,
    secondsPerCall: 5,
    maxFret: 12,
    grid: { rootStrings: [6, 5], answers: ['major', 'minor'], weak: [] },
  });
  await agent
    .post(`/api/students/${here.otherStudentId}/home`)
    .send({ id: uuid(), recipe, skillId: null, title: 'Roots' })
    .expect(200);
  const weak = async () => {
    const room = (await agent.get(`/api/students/${here.otherStudentId}/practice`)).body;
    return room.cards.find((card: { title: string }) => card.title === 'Roots').recipe.parameters.grid.weak;
  };
  expect(await weak()).toEqual([]);
  const event = {
    schemaVersion: 1,
    kind: 'attempt',
    id: uuid({ msecs: NOW - 60_000 }),
    studentId: here.otherStudentId,
    deviceId: uuid(),
    deviceSeq: 1,
    sentAt: new Date(NOW).toISOString(),
    take: {
      recipe,
      items: [{ kind: 'note', string: 6, fret: 3, name: 'G' }],
      startedAt: new Date(NOW - 60_000).toISOString(),
      timeZone: 'UTC',
      durationSeconds: 60,
      tempoBpm: null,
      steps: ['wrong note', 'late', ...new Array(10).fill('clean')],
      result: 'nearly',
      feel: null,
      source: 'self',
    },
  };
  const sent = await agent
    .post('/api/events')
    .send({ events: [event] })
    .expect(200);
  expect(sent.body.stored).toHaveLength(1);
  expect(await weak()).toHaveLength(2);
});
