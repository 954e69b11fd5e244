/**
 * Every route by every role, for a student of one's own, for another of the studio and for one of another studio, against a
 * table written by hand. A route that stands in no row fails, and so does a right that is skipped or given away.
 */
import { EVENT_KINDS, routes, type Role } from '@finch/contract';
import { ringCheck } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import type { EventKind } from '@finch/core/mastery';
import { firstSyllabus } from '@finch/core/syllabus';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { block, C, LETTER as A_LETTER, SUBJECT, type RouteName } from '../test/requests';
import { inStudio } from '../platform/database';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

let world: TestWorld;
let agents: Readonly<Record<Role, TestAgent>>;
let nobody: TestAgent;
/** By student. */
const lessons = new Map<string, string>();

/** Nothing is at this version: whoever may write is told so, and nothing is changed. */
const STALE = 99;
const later = new Date(NOW + 3_600_000).toISOString();
const NOON = new Date(NOW).toISOString();
const take = (source: string) => ({
  recipe: ringCheck(C),
  items: [{ kind: 'key', key: 'C major' }],
  startedAt: NOON,
  timeZone: 'UTC',
  durationSeconds: 10,
  tempoBpm: null,
  steps: [],
  result: 'clean',
  feel: null,
  source,
});
const attempt = (source: string) => ({ kind: 'attempt' as const, take: take(source) });
const event = (studentId: string, body: object) => ({
  events: [
    {
      schemaVersion: 1,
      id: uuid(),
      studentId,
      deviceId: uuid(),
      deviceSeq: 1,
      sentAt: NOON,
      ...body,
    },
  ],
});

type Letters = string;
interface Row {
  readonly route: RouteName;
  /** Tells rows of one route apart. */
  readonly of?: string;
  /** Who may for a student of their own, and for any of the studio: Owner, Teacher, Student, Guardian, selF-taught. */
  readonly own?: Letters;
  readonly any: Letters;
  readonly params?: (studentId: string) => Readonly<Record<string, string>>;
  readonly query?: (studentId: string) => Readonly<Record<string, string>>;
  readonly body?: (studentId: string) => object;
}
const ofStudent = (studentId: string) => ({ studentId });
const ofLesson = (studentId: string) => ({ lessonId: lessons.get(studentId) ?? uuid() });
const TEACHES = { own: 'F', any: 'OT' };
const ROWS: readonly Row[] = [
  { route: 'nameStudio', any: 'O', body: () => ({ name: 'Here', teacher: 'Owner', timeZone: 'UTC' }) },
  {
    route: 'nameSeat',
    of: 'of somebody else',
    any: 'O',
    params: () => ({ membershipId: uuid() }),
    body: () => ({ name: 'Another' }),
  },
  { route: 'board', any: 'OT' },
  { route: 'class', any: 'OT' },
  { route: 'progress', any: 'OT' },
  { route: 'letters', any: 'OT' },
  { route: 'sendLetter', any: 'OT', params: ofStudent, body: () => ({ id: uuid(), content: A_LETTER }) },
  {
    route: 'changeLetter',
    any: 'OT',
    params: () => ({ letterId: uuid() }),
    body: () => ({ version: STALE, state: 'taken back', content: A_LETTER }),
  },
  { route: 'syllabus', any: 'OTSF' },
  { route: 'keepSyllabus', any: 'OT', body: () => ({ version: uuid(), content: firstSyllabus }) },
  { route: 'syllabusVersions', any: 'OT' },
  { route: 'syllabusVersion', any: 'OTSF', params: () => ({ versionId: uuid() }) },
  { route: 'addStudent', any: 'OT', body: () => ({ id: uuid(), name: `New ${uuid()}`, bornOn: null }) },
  {
    route: 'keepStudent',
    ...TEACHES,
    params: ofStudent,
    body: () => ({ version: STALE, name: 'Another', bornOn: null, archived: false }),
  },
  {
    route: 'mergeStudent',
    any: 'OT',
    params: ofStudent,
    body: () => ({ version: STALE, double: uuid() }),
  },
  { route: 'eraseStudent', any: 'O', params: ofStudent, body: () => ({ name: 'Nobody of this name' }) },
  { route: 'student', own: 'F', any: 'OT', params: ofStudent },
  { route: 'report', own: 'G', any: 'OT', params: ofStudent },
  { route: 'why', own: 'F', any: 'OT', params: (studentId) => ({ studentId, skillId: 'open.em' }) },
  {
    route: 'keepHand',
    ...TEACHES,
    params: ofStudent,
    body: () => ({
      version: STALE,
      hand: averageHand,
      instrument: standardGuitar,
      limits: { schemaVersion: 1, gripEffort: 60, load: 6, barreMinutes: 4, assumed: false },
    }),
  },
  { route: 'keepGoals', ...TEACHES, params: ofStudent, body: () => ({ version: STALE, goals: [] }) },
  { route: 'keepNote', ...TEACHES, params: ofStudent, body: () => ({ version: STALE, note: 'x' }) },
  {
    route: 'keepPractice',
    ...TEACHES,
    params: ofStudent,
    body: () => ({ version: STALE, days: [1], minutes: 10 }),
  },
  { route: 'homework', own: 'SF', any: 'OT', params: ofStudent },
  { route: 'proposeWeek', ...TEACHES, params: ofStudent, body: () => ({}) },
  { route: 'keepWeek', ...TEACHES, params: ofStudent, body: () => ({ version: STALE, week: null }) },
  { route: 'propose', ...TEACHES, params: ofStudent, body: () => ({ minutes: 30, locked: [] }) },
  { route: 'practice', own: 'SF', any: 'OT', params: ofStudent },
  { route: 'questions', own: 'SF', any: 'OT', params: ofStudent },
  { route: 'checkUp', own: '', any: 'OT', params: ofStudent },
  {
    route: 'bookLesson',
    ...TEACHES,
    body: (studentId) => ({ id: uuid(), studentId, startsAt: later, minutes: 30 }),
  },
  {
    route: 'moveLesson',
    ...TEACHES,
    params: ofLesson,
    body: () => ({ version: STALE, startsAt: later, minutes: 30, cancelled: false }),
  },
  { route: 'lesson', ...TEACHES, params: ofLesson },
  { route: 'keepPlan', ...TEACHES, params: ofLesson, body: () => ({ version: STALE, plan: null }) },
  { route: 'putInPlan', ...TEACHES, params: ofLesson, body: () => ({ block: block() }) },
  {
    route: 'keepShare',
    ...TEACHES,
    params: ofLesson,
    body: () => ({ share: { id: uuid(), at: null, movedAt: NOW, note: '', blocks: [] }, state: 'running' }),
  },
  {
    route: 'keepWriteUp',
    ...TEACHES,
    params: ofLesson,
    body: () => ({ version: STALE, done: { schemaVersion: 1, blocks: [] }, note: '' }),
  },
  {
    route: 'assignHome',
    ...TEACHES,
    params: ofStudent,
    body: () => ({ id: uuid(), recipe: ringCheck(C), skillId: null, title: 'C' }),
  },
  {
    route: 'endHome',
    ...TEACHES,
    params: (studentId) => ({ studentId, cardId: uuid() }),
    body: () => ({ ended: true }),
  },
  { route: 'schools', of: 'of a student', own: 'SGF', any: 'OT', query: (student) => ({ student }) },
  {
    route: 'keepSchools',
    of: 'of a student',
    ...TEACHES,
    params: (subjectId) => ({ scope: 'student', subjectId }),
    body: () => ({ version: STALE, says: {} }),
  },
  {
    route: 'keepSchools',
    of: 'of the studio',
    any: 'O',
    params: () => ({ scope: 'studio', subjectId: world.here.studioId }),
    body: () => ({ version: STALE, says: {} }),
  },
  {
    route: 'keepSchools',
    of: 'of another teacher',
    any: 'O',
    params: () => ({ scope: 'teacher', subjectId: uuid() }),
    body: () => ({ version: STALE, says: {} }),
  },
  {
    route: 'keepPin',
    ...TEACHES,
    params: ofStudent,
    body: () => ({ subject: SUBJECT, fingers: [null, 3, 2, 0, 1, 0], version: STALE }),
  },
  {
    route: 'keepHook',
    any: 'OTF',
    body: () => ({ subject: SUBJECT, nickname: 'x', picture: null, version: STALE }),
  },
  { route: 'pieces', any: 'OTF' },
  {
    route: 'keepPiece',
    any: 'OTF',
    params: () => ({ pieceId: uuid() }),
    body: () => ({
      version: STALE,
      chart: 'title: T\n\n[A]\n| C |',
      concert: null,
      locks: {},
      parts: {},
    }),
  },
  { route: 'removePiece', any: 'OTF', params: () => ({ pieceId: uuid() }), query: () => ({ version: '1' }) },
];
/** Rows of the log: each event is judged for itself and the answer is a list. */
const EVENTS: readonly {
  of: string;
  own: Letters;
  any: Letters;
  body: (studentId: string) => { kind: EventKind } & object;
}[] = [
  { of: 'a take of one’s own', own: 'SF', any: 'OT', body: () => attempt('self') },
  { of: 'a take that was heard', own: '', any: 'OT', body: () => attempt('teacher') },
  {
    of: 'a state set by hand',
    ...TEACHES,
    body: () => ({ kind: 'override', skillId: 'x', state: null, at: NOON }),
  },
  {
    of: 'a question',
    own: 'S',
    any: '',
    body: () => ({ kind: 'question', about: { title: 'Em', recipe: null }, text: 'Which finger?', at: NOON }),
  },
  {
    of: 'an answer',
    own: '',
    any: 'OT',
    body: (studentId) => ({
      kind: 'answer',
      to: asked.get(studentId) ?? uuid(),
      text: 'The second.',
      at: NOON,
    }),
  },
  {
    of: 'a check-up',
    own: '',
    any: 'OT',
    body: (studentId) => ({
      kind: 'check-up',
      takes: [{ skillId: 'open.em', takeId: heard.get(studentId) ?? uuid() }],
      at: NOON,
    }),
  },
  { of: 'a pain cleared', ...TEACHES, body: () => ({ kind: 'clearance', at: NOON }) },
  {
    of: 'a take that was heard, taken back',
    ...TEACHES,
    body: (studentId) => ({ kind: 'void', voids: heard.get(studentId) ?? uuid(), at: NOON }),
  },
];
/** A question of each student that is in the log already. */
const asked = new Map<string, string>();
/** A take of each student that is in the log already. */
const heard = new Map<string, string>();
/** Open to whoever asks, or answered for whoever sits; said here so that no route is forgotten. */
const OPEN: readonly RouteName[] = ['health', 'seats', 'session', 'sitDown', 'standUp'];
const SITS: readonly RouteName[] = ['lessons', 'paper', 'sendEvents'];

const LETTER: Readonly<Record<Role, string>> = {
  owner: 'O',
  teacher: 'T',
  student: 'S',
  guardian: 'G',
  'self-taught': 'F',
};
const ROLES = Object.keys(LETTER) as Role[];

beforeAll(async () => {
  world = await makeTestWorld();
  const { here, elsewhere } = world;
  agents = {
    owner: await world.sit(here.ownerId),
    teacher: await world.sit(here.teacherId),
    student: await world.sit(here.studentSeatId),
    guardian: await world.sit(here.guardianId),
    'self-taught': await world.sit(here.selfTaughtId),
  };
  nobody = await world.sit(null);
  const book = async (agent: TestAgent, studentId: string) => {
    const { body } = await agent
      .post('/api/lessons')
      .send({ id: uuid(), studentId, startsAt: later, minutes: 30 })
      .expect(200);
    lessons.set(studentId, (body as { id: string }).id);
  };
  for (const studentId of [here.studentId, here.otherStudentId, here.selfTaughtStudentId]) {
    await book(agents.teacher, studentId);
    const sent = event(studentId, attempt('teacher'));
    await agents.teacher.post('/api/events').send(sent).expect(200);
    heard.set(studentId, sent.events[0].id);
    // Of students without a seat of their own too: put there as what was heard is.
    const [question] = await inStudio(world.owner, here.studioId, (manager) =>
      manager.query<{ id: string }[]>(
        `INSERT INTO log_event (studio_id, id, student_id, actor_id, device_id, device_seq, kind, body, happened_at, sent_at, received_at)
       SELECT studio_id, $2, student_id, actor_id, device_id, device_seq, 'question', '{}', happened_at, sent_at, received_at
       FROM log_event WHERE id = $1 RETURNING id`,
        [sent.events[0].id, uuid()],
      ),
    );
    asked.set(studentId, question.id);
  }
  // The server serves one studio; for a moment it is the other.
  const serve = (studio: string) =>
    world.owner.query("UPDATE meta SET value = $1 WHERE key = 'studio'", [studio]);
  await serve(elsewhere.studioId);
  await book(await world.sit(elsewhere.teacherId), elsewhere.studentId);
  await serve(here.studioId);
}, 60_000);
afterAll(() => world.end());

async function ask(agent: TestAgent, row: Row, studentId: string): Promise<number> {
  const { method, path } = routes[row.route];
  const params = row.params?.(studentId) ?? {};
  const filled = path.replace(/:(\w+)/g, (_, name: string) => params[name]);
  const query = new URLSearchParams(row.query?.(studentId) ?? {});
  const answer = await agent[method](`${filled}?${query}`).send(row.body?.(studentId));
  const { code } = answer.body as { code?: string };
  // A row that does not pass the schema tests no right.
  if (code?.startsWith('request.')) throw new Error(`${row.route}: ${JSON.stringify(answer.body)}`);
  return answer.status;
}
const ownOf = (role: Role): string =>
  role === 'self-taught' ? world.here.selfTaughtStudentId : world.here.studentId;
const refused = (status: number) => status === 403 || status === 401;

test('every route of the contract stands in a row', () => {
  const named = new Set<string>([...ROWS.map((row) => row.route), ...OPEN, ...SITS]);
  expect([...named].sort()).toEqual(Object.keys(routes).sort());
});

describe.each(ROWS.map((row) => [`${row.route}${row.of ? `, ${row.of}` : ''}`, row] as const))(
  '%s',
  (_, row) => {
    test.each(ROLES)('%s', async (role) => {
      const agent = agents[role];
      const letter = LETTER[role];
      const all = row.any.includes(letter);
      expect(refused(await ask(agent, row, world.here.otherStudentId))).toBe(!all);
      const own = all || (row.own ?? '').includes(letter);
      expect(refused(await ask(agent, row, ownOf(role)))).toBe(!own);
      // A student of another studio is not there, whoever asks.
      if (!row.params?.('').studentId && row.own === undefined) return;
      expect([403, 404]).toContain(await ask(agent, row, world.elsewhere.studentId));
    });

    test('nobody', async () => {
      expect(await ask(nobody, row, world.here.studentId)).toBe(401);
    });
  },
);

describe.each(EVENTS.map((row) => [row.of, row] as const))('sendEvents, %s', (_, row) => {
  const send = async (role: Role, studentId: string) => {
    const { body } = await agents[role]
      .post('/api/events')
      .send(event(studentId, row.body(studentId)))
      .expect(200);
    return (body as { stored: string[] }).stored.length === 1;
  };
  test.each(ROLES)('%s', async (role) => {
    const all = row.any.includes(LETTER[role]);
    expect(await send(role, world.here.otherStudentId)).toBe(all);
    expect(await send(role, ownOf(role))).toBe(all || row.own.includes(LETTER[role]));
    expect(await send(role, world.elsewhere.studentId)).toBe(false);
  });
});

test('every kind of event has a row', () => {
  expect(new Set(EVENTS.map((row) => row.body('').kind))).toEqual(new Set(EVENT_KINDS));
});

test('of the lessons of a day each is shown what they may read', async () => {
  const query = `from=${new Date(NOW).toISOString()}&to=${new Date(NOW + 7_200_000).toISOString()}`;
  const seen = async (agent: TestAgent) => {
    const { body } = await agent.get(`/api/lessons?${query}`).expect(200);
    return new Set((body as { lessons: { studentId: string }[] }).lessons.map((one) => one.studentId));
  };
  const { studentId, otherStudentId, selfTaughtStudentId } = world.here;
  const everyone = new Set([studentId, otherStudentId, selfTaughtStudentId]);
  expect(await seen(agents.owner)).toEqual(everyone);
  expect(await seen(agents.teacher)).toEqual(everyone);
  expect(await seen(agents['self-taught'])).toEqual(new Set([selfTaughtStudentId]));
  expect(await seen(agents.student)).toEqual(new Set());
  expect(await seen(agents.guardian)).toEqual(new Set());
  expect((await nobody.get(`/api/lessons?${query}`)).status).toBe(401);
});

test('without a seat nothing is printed and nothing logged', async () => {
  const sent = event(world.here.studentId, attempt('self'));
  expect((await nobody.post('/api/events').send(sent)).status).toBe(401);
  const page = {
    layout: 'page',
    title: 'T',
    foot: '',
    show: 'fingers',
    leftHanded: false,
    cards: [{ frets: C.frets, fingers: [null, 3, 2, 0, 1, 0], name: 'C', under: '' }],
  };
  expect((await nobody.post('/api/paper').send(page)).status).toBe(401);
  expect((await agents.guardian.post('/api/paper').send(page)).status).toBe(200);
});
