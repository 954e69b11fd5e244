import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { changeLoop, isQuiet, makeDrill, ringCheck, type Recipe, type Take } from '@finch/core/drills';
import { must } from '@finch/core/kernel';
import { Client } from 'pg';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { inStudio } from './platform/database';
import { makeTestWorld, NOW, type TestWorld } from './test/world';

let world: TestWorld;
beforeAll(async () => {
  world = await makeTestWorld();
});
afterAll(() => world.end());

const drill = must(
  makeDrill(ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }), {
    hand: averageHand,
    instrument: standardGuitar,
  }),
);
const loop = must(
  makeDrill(
    changeLoop({
      grips: [
        { chord: 'E', frets: [0, 2, 2, 1, 0, 0] },
        { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] },
      ],
      beatsEach: 4,
      tempoBpm: 70,
    }),
    {
      hand: averageHand,
      instrument: standardGuitar,
    },
  ),
);
const deviceId = uuid();
let seq = 0;
const iso = (ms: number) => new Date(ms).toISOString();
const attempt = (studentId: string, change: Partial<Take> = {}, more: object = {}, made = drill) => ({
  schemaVersion: 1,
  kind: 'attempt',
  id: uuid({ msecs: NOW - 60_000 }),
  studentId,
  deviceId,
  deviceSeq: ++seq,
  sentAt: iso(NOW),
  take: {
    recipe: made.recipe,
    items: made.items,
    startedAt: iso(NOW - 60_000),
    timeZone: 'Atlantic/Faroe',
    durationSeconds: 30,
    tempoBpm: made.tempoBpm,
    steps: [],
    result: 'clean',
    feel: { hand: 'easy' },
    source: 'self',
    ...change,
  },
  ...more,
});
const blankPlan = (minutes = 30) => ({
  schemaVersion: 1,
  minutes,
  blocks: [],
  leftOut: [],
  modelVersion: 'plan-1',
});

describe('sitting down', () => {
  test('nobody sits at first, and nothing is read', async () => {
    const nobody = await world.sit(null);
    expect((await nobody.get('/api/session').expect(200)).body.seat).toBeNull();
    const refused = await nobody.get('/api/board').expect(401);
    expect(refused.body).toMatchObject({ code: 'seat.none', at: 'session' });
  });

  test('the cookie is for the server alone', async () => {
    const agent = await world.sit(null);
    const answer = await agent.post('/api/session').send({ membershipId: world.here.teacherId });
    expect(answer.headers['set-cookie'][0]).toMatch(/HttpOnly/);
    expect(answer.headers['set-cookie'][0]).toMatch(/SameSite=Strict/);
  });

  test('a seat of another studio is not to be had', async () => {
    const agent = await world.sit(null);
    await agent.post('/api/session').send({ membershipId: world.elsewhere.teacherId }).expect(404);
  });

  test('a forged Origin and a strange Host are refused before anything is read', async () => {
    const agent = await world.sit(world.here.teacherId);
    const forged = await agent
      .post('/api/events')
      .set('Origin', 'http://elsewhere.example')
      .send({ events: [] })
      .expect(403);
    expect(forged.body.code).toBe('request.origin');
    expect((await agent.get('/api/session').set('Host', 'elsewhere.example').expect(403)).body.code).toBe(
      'request.host',
    );
  });
});

test('what is long travels compressed', async () => {
  const teacher = await world.sit(world.here.teacherId);
  const answer = await teacher.get('/api/board').set('Accept-Encoding', 'gzip').expect(200);
  expect(answer.headers['content-encoding']).toBe('gzip');
  expect(answer.body.students.length).toBeGreaterThan(0);
});

describe('roles', () => {
  test.each([
    ['teacherId', 200, 200, 200],
    ['ownerId', 200, 200, 200],
    ['studentSeatId', 403, 403, 200],
    ['guardianId', 403, 403, 403],
    ['selfTaughtId', 403, 403, 403],
  ] as const)(
    '%s: board %i, student page %i, practice room %i of that student',
    async (who, board, page, room) => {
      const agent = await world.sit(world.here[who]);
      await agent.get('/api/board').expect(board);
      await agent.get(`/api/students/${world.here.studentId}`).expect(page);
      await agent.get(`/api/students/${world.here.studentId}/practice`).expect(room);
    },
  );

  test('a student reads and logs for nobody else', async () => {
    const pupil = await world.sit(world.here.studentSeatId);
    await pupil.get(`/api/students/${world.here.otherStudentId}/practice`).expect(403);
    const answer = await pupil
      .post('/api/events')
      .send({ events: [attempt(world.here.otherStudentId)] })
      .expect(200);
    expect(answer.body.refused[0].problem.code).toBe('take.student');
  });

  test('a guardian writes nothing', async () => {
    const guardian = await world.sit(world.here.guardianId);
    const answer = await guardian
      .post('/api/events')
      .send({ events: [attempt(world.here.studentId)] })
      .expect(200);
    expect(answer.body.stored).toEqual([]);
    await guardian
      .put(`/api/students/${world.here.studentId}/note`)
      .send({ version: 1, note: 'x' })
      .expect(403);
  });

  test('only a teacher logs a take as heard, and only a teacher clears pain', async () => {
    const pupil = await world.sit(world.here.studentSeatId);
    const clearance = {
      schemaVersion: 1,
      kind: 'clearance',
      id: uuid(),
      studentId: world.here.studentId,
      deviceId,
      deviceSeq: ++seq,
      sentAt: iso(NOW),
      at: iso(NOW),
    };
    const answer = await pupil
      .post('/api/events')
      .send({ events: [attempt(world.here.studentId, { source: 'teacher' }), clearance] })
      .expect(200);
    expect(answer.body.refused.map((one: { problem: { code: string } }) => one.problem.code)).toEqual([
      'take.heard',
      'take.student',
    ]);
  });
});

describe('the log', () => {
  test('an event sent twice is stored once, and a bad one keeps no good one back', async () => {
    const pupil = await world.sit(world.here.studentSeatId);
    const good = attempt(world.here.studentId);
    const bad = attempt(world.here.studentId, { tempoBpm: -5 });
    const first = await pupil
      .post('/api/events')
      .send({ events: [good, bad] })
      .expect(200);
    expect(first.body.stored).toEqual([good.id]);
    expect(first.body.refused[0]).toMatchObject({
      id: bad.id,
      problem: { code: 'take.invalid', at: 'take.tempoBpm' },
    });
    const again = await pupil
      .post('/api/events')
      .send({ events: [good] })
      .expect(200);
    expect(again.body).toEqual({ stored: [], known: [good.id], refused: [] });
  });

  test.each([
    ['a student of another studio', () => attempt(world.elsewhere.studentId), 'take.student', 'studentId'],
    [
      'a date in 1850',
      () => attempt(world.here.studentId, { startedAt: '1850-01-01T00:00:00.000Z' }),
      'take.invalid',
      'take.startedAt',
    ],
    ['an id that is no id', () => attempt(world.here.studentId, {}, { id: 'seven' }), 'take.invalid', 'id'],
    [
      'a take from next week',
      () => attempt(world.here.studentId, { startedAt: iso(NOW + 7 * 86_400_000) }),
      'take.ahead',
      'take.startedAt',
    ],
    [
      'pain without a place',
      () => attempt(world.here.studentId, { feel: { hand: 'pain' } as never }),
      'take.invalid',
      'take.feel.where',
    ],
    ['a take of no items', () => attempt(world.here.studentId, { items: [] }), 'take.invalid', 'take.items'],
    [
      'a made-up source',
      () => attempt(world.here.studentId, { source: 'simulated' }),
      'take.source',
      'take.source',
    ],
  ] as const)('%s is refused with its place', async (_, make, code, at) => {
    const teacher = await world.sit(world.here.teacherId);
    const answer = await teacher
      .post('/api/events')
      .send({ events: [make()] })
      .expect(200);
    expect(answer.body.stored).toEqual([]);
    expect(answer.body.refused[0].problem).toMatchObject({ code, at });
  });

  test('the application may add to the log and read it, and nothing else', async () => {
    const forbidden = [
      "UPDATE log_event SET kind = 'void'",
      'DELETE FROM log_event',
      'TRUNCATE log_event',
      'UPDATE syllabus_version SET created_at = now()',
    ];
    for (const sql of forbidden)
      await expect(inStudio(world.database, world.here.studioId, (m) => m.query(sql))).rejects.toThrow(
        /permission denied/,
      );
  });

  test('events land in a partition of their year and none strays', async () => {
    const rows = await world.owner.transaction(async (manager) => {
      await manager.query("SELECT set_config('finch.studio', $1, true)", [world.here.studioId]);
      return manager.query('SELECT DISTINCT tableoid::regclass::text AS part FROM log_event');
    });
    expect(rows).toEqual([{ part: 'log_event_2026' }]);
    const nobody = await world.sit(null);
    await nobody.get('/health').expect(307).expect('Location', '/api/health');
    expect((await nobody.get('/api/health').expect(200)).body).toMatchObject({
      ok: true,
      database: true,
      strayEvents: 0,
    });
  });
});

describe('row security', () => {
  test('a studio sees and writes its own rows alone, whatever is asked', async () => {
    const count = (studioId: string) =>
      inStudio(world.database, studioId, async (m) =>
        Number((await m.query('SELECT count(*) AS n FROM student'))[0].n),
      );
    expect(await count(world.here.studioId)).toBe(3);
    expect(await count(world.elsewhere.studioId)).toBe(3);
    const reach = inStudio(world.database, world.here.studioId, (m) =>
      m.query('SELECT 1 FROM person WHERE studio_id = $1', [world.elsewhere.studioId]),
    );
    expect(await reach).toEqual([]);
    const plant = inStudio(world.database, world.here.studioId, (m) =>
      m.query('INSERT INTO person (studio_id, id, name) VALUES ($1, $2, $3)', [
        world.elsewhere.studioId,
        uuid(),
        'planted',
      ]),
    );
    await expect(plant).rejects.toThrow(/row-level security/);
  });

  test('without a studio set there are no rows, for the owner too', async () => {
    for (const table of [
      'studio',
      'person',
      'membership',
      'student',
      'lesson',
      'log_event',
      'home_card',
      'hand_record',
      'account',
    ]) {
      expect([table, (await world.database.query(`SELECT count(*) AS n FROM ${table}`))[0].n]).toEqual([
        table,
        '0',
      ]);
      expect([table, (await world.owner.query(`SELECT count(*) AS n FROM ${table}`))[0].n]).toEqual([
        table,
        '0',
      ]);
    }
  });

  test('every table with a studio has row security forced', async () => {
    const rows = await world.owner.query(
      `SELECT c.relname FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid AND a.attname = 'studio_id' AND NOT a.attisdropped
       WHERE c.relkind IN ('r', 'p') AND NOT c.relispartition AND NOT (c.relrowsecurity AND c.relforcerowsecurity)`,
    );
    expect(rows).toEqual([]);
  });

  test('the partitions themselves are closed to the application', async () => {
    for (const partition of ['log_event_2026', 'log_event_stray'])
      await expect(
        inStudio(world.database, world.here.studioId, (m) => m.query(`SELECT 1 FROM ${partition}`)),
      ).rejects.toThrow(/permission denied/);
  });
});

describe('lessons', () => {
  const book = async (minutes = 30) => {
    const teacher = await world.sit(world.here.teacherId);
    const id = uuid();
    await teacher
      .post('/api/lessons')
      .send({ id, studentId: world.here.studentId, startsAt: iso(NOW + 3_600_000), minutes })
      .expect(200);
    return { teacher, id };
  };

  test.each([0, 600])('a lesson of %i minutes is refused in words', async (minutes) => {
    const teacher = await world.sit(world.here.teacherId);
    const answer = await teacher
      .post('/api/lessons')
      .send({ id: uuid(), studentId: world.here.studentId, startsAt: iso(NOW), minutes })
      .expect(422);
    expect(answer.body).toMatchObject({
      code: 'request.body',
      at: 'minutes',
      detail: 'a lesson of 10 to 180 minutes',
    });
  });

  test('a stale write is refused and loses nothing', async () => {
    const { teacher, id } = await book();
    const mine = { version: 1, plan: { ...blankPlan(), modelVersion: 'mine' } };
    expect((await teacher.put(`/api/lessons/${id}/plan`).send(mine).expect(200)).body.version).toBe(2);
    const stale = await teacher
      .put(`/api/lessons/${id}/plan`)
      .send({ version: 1, plan: { ...blankPlan(), modelVersion: 'theirs' } })
      .expect(409);
    expect(stale.body).toMatchObject({ code: 'write.stale', at: 'version' });
    expect((await teacher.get(`/api/lessons/${id}`)).body.plan.modelVersion).toBe('mine');
  });

  test('a proposal is kept, taught and written up', async () => {
    const { teacher, id } = await book(45);
    const plan = (
      await teacher
        .post(`/api/students/${world.here.studentId}/proposal`)
        .send({ minutes: 45, locked: [] })
        .expect(200)
    ).body;
    expect(plan.blocks.reduce((sum: number, block: { minutes: number }) => sum + block.minutes, 0)).toBe(45);
    const kept = (await teacher.put(`/api/lessons/${id}/plan`).send({ version: 1, plan }).expect(200)).body;
    const done = {
      schemaVersion: 1,
      blocks: [
        {
          blockId: plan.blocks[0].id,
          title: plan.blocks[0].title,
          kind: 'warm up',
          minutes: 3.5,
          takes: { clean: 1, nearly: 0, notYet: 0 },
          brought: false,
        },
      ],
    };
    const share = {
      id: uuid(),
      at: plan.blocks[0].id,
      movedAt: NOW,
      note: '',
      blocks: [
        {
          blockId: plan.blocks[0].id,
          title: plan.blocks[0].title,
          kind: 'warm up',
          spans: [[NOW, NOW + 210_000]],
          takes: { clean: 1, nearly: 0, notYet: 0 },
          brought: false,
        },
      ],
    };
    expect(kept.planStanding).toBe('kept');
    const taught = (await teacher.put(`/api/lessons/${id}/done`).send({ share, state: 'taught' }).expect(200))
      .body;
    expect(taught.done.blocks).toEqual(done.blocks);
    expect((await teacher.get('/api/board')).body.writeUpsOwed).toBe(1);
    await teacher
      .put(`/api/lessons/${id}/write-up`)
      .send({ version: taught.version, done, note: 'Elbow in helps.' })
      .expect(200);
    expect((await teacher.get(`/api/lessons/${id}`)).body).toMatchObject({
      state: 'written',
      note: 'Elbow in helps.',
    });
    expect((await teacher.get('/api/board')).body.writeUpsOwed).toBe(0);
  });

  test('takes move the estimate, and the next proposal moves with it', async () => {
    const teacher = await world.sit(world.here.teacherId);
    const pupil = world.here.otherStudentId;
    const before = (await teacher.post(`/api/students/${pupil}/proposal`).send({ minutes: 30, locked: [] }))
      .body;
    const chosen = before.blocks.find((block: { kind: string }) => block.kind === 'new');
    const made = must(makeDrill(chosen.recipe, { hand: averageHand, instrument: standardGuitar }));
    const takes = Array.from({ length: 12 }, (_, day) => {
      const at = NOW - (13 - day) * 86_400_000;
      return {
        ...attempt(pupil, { startedAt: iso(at), source: 'teacher' }, {}, made),
        id: uuid({ msecs: at }),
      };
    });
    await teacher.post('/api/events').send({ events: takes }).expect(200);
    const page = (await teacher.get(`/api/students/${pupil}`)).body;
    const moved = page.skills.find((skill: { skillId: string }) => skill.skillId === chosen.skillId);
    expect(moved.attempts).toBe(12);
    expect(moved.chance.mean).toBeGreaterThan(0.75);
    const after = (await teacher.post(`/api/students/${pupil}/proposal`).send({ minutes: 30, locked: [] }))
      .body;
    expect(after.blocks.map((block: { id: string }) => block.id)).not.toEqual(
      before.blocks.map((block: { id: string }) => block.id),
    );
  });

  test('pain ends playing: no hand plays in the room or in the plan until cleared', async () => {
    const self = await world.sit(world.here.selfTaughtId);
    const me = world.here.selfTaughtStudentId;
    const hurt = attempt(
      me,
      { feel: { hand: 'pain', where: 'wrist', side: 'left' }, result: 'not yet' },
      {},
      loop,
    );
    expect((await self.post('/api/events').send({ events: [hurt] })).body.stored).toEqual([hurt.id]);
    const room = (await self.get(`/api/students/${me}/practice`).expect(200)).body;
    expect(room.pain.status).toBe('stopped today');
    expect(room.cards.length).toBeGreaterThan(0);
    expect(room.cards.every((card: { recipe: Recipe }) => isQuiet(card.recipe))).toBe(true);
    const plan = (await self.post(`/api/students/${me}/proposal`).send({ minutes: 30, locked: [] })).body;
    expect(plan.blocks.every((block: { effort: number }) => block.effort === 0)).toBe(true);
  });

  test('homework is on the student’s list', async () => {
    const teacher = await world.sit(world.here.teacherId);
    await teacher
      .post(`/api/students/${world.here.studentId}/home`)
      .send({ id: uuid(), recipe: loop.recipe, skillId: 'near.e-am', title: 'E to Am' })
      .expect(200);
    const pupil = await world.sit(world.here.studentSeatId);
    const cards = (await pupil.get(`/api/students/${world.here.studentId}/practice`)).body.cards;
    expect(cards[0].recipe.family).toBe('warm up');
    expect(cards[1]).toMatchObject({ title: 'E to Am', recipe: loop.recipe });
  });
});

describe('hands', () => {
  const body = (hand: object, version = 1) => ({
    version,
    hand: { ...averageHand, ...hand },
    instrument: standardGuitar,
    limits: { schemaVersion: 1, gripEffort: 60, barreMinutes: 4, load: 5, assumed: true },
  });

  test('a reach of 300 mm is refused in words', async () => {
    const teacher = await world.sit(world.here.teacherId);
    const answer = await teacher
      .put(`/api/students/${world.here.studentId}/hand`)
      .send(body({ reachMm: 300 }))
      .expect(422);
    expect(answer.body).toMatchObject({ at: 'hand.reachMm', detail: 'a reach of 70 to 180 mm' });
  });

  test('keeping a hand adds a dated record and raises the version; an older version is refused', async () => {
    const teacher = await world.sit(world.here.teacherId);
    const { version } = (await teacher.get(`/api/students/${world.here.studentId}`)).body;
    await teacher
      .put(`/api/students/${world.here.studentId}/hand`)
      .send(body({ reachMm: 120 }, version))
      .expect(200);
    await teacher
      .put(`/api/students/${world.here.studentId}/hand`)
      .send(body({ reachMm: 90 }, version))
      .expect(409);
    const page = (await teacher.get(`/api/students/${world.here.studentId}`)).body;
    expect([page.hand.value.reachMm, page.limits.value.assumed]).toEqual([120, false]);
  });
});

describe('hostile input', () => {
  test('a body of 20 MB, broken JSON and a path that is none', async () => {
    const teacher = await world.sit(world.here.teacherId);
    const big = await teacher
      .post('/api/events')
      .set('Content-Type', 'application/json')
      .send(`{"events":["${'x'.repeat(20_000_000)}"]}`);
    expect([big.status, big.body.code]).toEqual([413, 'request.too-large']);
    const broken = await teacher
      .post('/api/events')
      .set('Content-Type', 'application/json')
      .send('{"events":[');
    expect([broken.status, broken.body.code]).toEqual([400, 'request.json']);
    expect((await teacher.get('/api/students/not-an-id')).body.code).toBe('request.params');
    expect((await teacher.get('/api/nowhere')).status).toBe(404);
  });

  test.each([
    [
      'a body that is not packed as it says',
      (one: TestAgent) =>
        one
          .post('/api/events')
          .set('Content-Encoding', 'gzip')
          .set('Content-Type', 'application/json')
          .send('{}'),
      400,
    ],
    [
      'a packing nobody knows',
      (one: TestAgent) =>
        one
          .post('/api/events')
          .set('Content-Encoding', 'zebra')
          .set('Content-Type', 'application/json')
          .send('{}'),
      400,
    ],
    ['an address that cannot be read', (one: TestAgent) => one.get('/api/students/%E0%A4%A'), 400],
    [
      '31 February',
      (one: TestAgent) =>
        one.post('/api/students').send({ name: 'Wick', bornOn: '2015-02-31', timeZone: 'UTC' }),
      422,
    ],
    [
      'NUL in a name',
      (one: TestAgent) => one.post('/api/students').send({ name: 'Wi\0ck', bornOn: null, timeZone: 'UTC' }),
      422,
    ],
    [
      'half a character',
      (one: TestAgent) =>
        one.put(`/api/students/${world.here.studentId}/note`).send({ version: 1, note: '\ud83c' }),
      422,
    ],
    [
      'a version larger than any',
      (one: TestAgent) =>
        one.put(`/api/students/${world.here.studentId}/note`).send({ version: 2_147_483_648, note: 'x' }),
      422,
    ],
  ])('%s is the client’s fault, said with place and remedy', async (_, ask, status) => {
    const answer = await ask(await world.sit(world.here.teacherId));
    expect([answer.status, answer.body.code.startsWith('request.')]).toEqual([status, true]);
    expect([answer.body.at.length > 0, answer.body.detail.length > 0]).toEqual([true, true]);
  });

  test('a crash is a logged id and a 500 without a stack', async () => {
    const teacher = await world.sit(world.here.teacherId);
    await world.owner.query('ALTER TABLE lesson RENAME COLUMN minutes TO hidden');
    const answer = await teacher.get('/api/board');
    await world.owner.query('ALTER TABLE lesson RENAME COLUMN hidden TO minutes');
    expect([answer.status, answer.body.code]).toEqual([500, 'server.crash']);
    expect(JSON.stringify(answer.body)).not.toMatch(/column|\.ts|at /);
    expect(world.logged.some((line) => line.includes(answer.body.requestId))).toBe(true);
  });

  test('every answer carries a request id, and nothing of a person is logged', async () => {
    const teacher = await world.sit(world.here.teacherId);
    expect((await teacher.get('/api/session')).headers['x-request-id']).toMatch(/-7/);
    expect(world.logged.join()).not.toMatch(/Pupil|finch\.seat/);
  });
});

test('a dump restores into a database that reads the same', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'finch-dump-'));
  const file = join(folder, 'studio.dump');
  const bin = process.env.FINCH_PG_BIN ?? '/usr/lib/postgresql/15/bin';
  const env = {
    ...process.env,
    PGHOST: world.access.host,
    PGPORT: String(world.access.port),
    PGUSER: 'postgres',
    PGPASSWORD: world.access.superuser,
  };
  const run = (program: string, args: string[]) =>
    expect(spawnSync(join(bin, program), args, { env, encoding: 'utf8' })).toMatchObject({ status: 0 });
  const copy = `${world.databaseName}_copy`;
  run('pg_dump', ['-Fc', '-f', file, world.databaseName]);
  run('createdb', ['-O', 'finch_owner', copy]);
  run('pg_restore', ['--exit-on-error', '-d', copy, file]);
  const read = async (database: string) => {
    const client = new Client({
      host: world.access.host,
      port: world.access.port,
      user: 'postgres',
      password: world.access.superuser,
      database,
    });
    await client.connect();
    const rows = (await client.query('SELECT id, kind, body FROM log_event ORDER BY id')).rows;
    await client.end();
    return rows;
  };
  const original = await read(world.databaseName);
  expect(original.length).toBeGreaterThan(10);
  expect(await read(copy)).toEqual(original);
  run('dropdb', [copy]);
  rmSync(folder, { recursive: true });
});
