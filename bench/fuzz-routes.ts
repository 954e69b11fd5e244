/**
 * npm run fuzz: every route of the contract from six seats, 500 bent requests each (`--each N`), against a server of its own:
 * values bent, left out and put in, addresses and packings that are none, texts no database keeps. Whatever is asked, no answer
 * may be 500. Then oddities that are allowed are written and read back. Seeded: the same requests every time.
 */
import { request } from 'node:http';
import { gzipSync } from 'node:zlib';
import { routes, type Role } from '@finch/contract';
import { seededRandom, type Random } from '@finch/core/kernel';
import { v7 as uuid } from 'uuid';
import {
  addressOf,
  CHART,
  sampleRequests,
  type Here,
  type RouteName,
} from '../packages/server/src/test/requests';
import { FIXED_NOW, makeWorld } from '../scripts/lib/test-world.mjs';
import { Seat, seatsAt } from './seat';

const EACH = Number(process.argv[process.argv.indexOf('--each') + 1] || 0) || 500;
const ROLES: readonly Role[] = ['owner', 'teacher', 'student', 'guardian', 'self-taught'];
/** Routes after which nobody sits there any more, or a student is gone: asked last and least. */
const ENDS: readonly RouteName[] = ['standUp', 'sitDown', 'eraseStudent', 'mergeStudent'];

const ODD: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  0.1,
  1e308,
  2 ** 31,
  2 ** 31 - 1,
  -(2 ** 31) - 1,
  2 ** 53,
  '',
  ' ',
  '0',
  'x'.repeat(5000),
  'a\0b',
  '\ud83c',
  '\udfb8 half',
  'Łódź ♭ 🎸',
  '‮backwards',
  "'; DROP TABLE student; --",
  '../../etc/passwd',
  '%s%n',
  '2026-02-31',
  '2026-02-31T10:00:00.000Z',
  '0000-01-01',
  '275760-09-13T00:00:00.001Z',
  '9999-12-31T23:59:60Z',
  'Nowhere/Zone',
  '00000000-0000-0000-0000-000000000000',
  'ffffffff-ffff-7fff-bfff-ffffffffffff',
  [],
  {},
  [[[[[[[[]]]]]]]],
  { __proto__: null, constructor: 1 },
  Array.from({ length: 400 }, (_, i) => i),
  ['a', null, 3],
];

/** The same value with one to three of its parts bent. */
function bent(value: unknown, random: Random): unknown {
  let copy: unknown = structuredClone(value);
  for (let n = random.int(1, 3); n > 0; n--) copy = bentOnce(copy, random);
  return copy;
}

function bentOnce(value: unknown, random: Random): unknown {
  const odd = () => structuredClone(ODD[random.int(0, ODD.length - 1)]);
  if (typeof value !== 'object' || value === null || random.int(0, 9) === 0) return odd();
  const keys = Object.keys(value);
  if (keys.length === 0) return odd();
  const key = keys[random.int(0, keys.length - 1)];
  const of = value as Record<string, unknown>;
  const what = random.int(0, 9);
  if (what < 6) of[key] = bentOnce(of[key], random);
  else if (what === 6) of[key] = odd();
  else if (what === 7 && !Array.isArray(value)) delete of[key];
  else if (what === 8) of[`${key}x`] = odd();
  else if (Array.isArray(value)) value.push(...Array.from({ length: random.int(1, 300) }, () => of[key]));
  else of[key] = [of[key], of[key]];
  return value;
}

const ADDRESSES = [
  '%00',
  '%',
  '%E0%A4%A',
  '..%2f..',
  'not-an-id',
  ' ',
  'x'.repeat(3000),
  uuid(),
  '%ED%A0%80',
];
const HEADERS: readonly Record<string, string>[] = [
  { 'content-encoding': 'gzip' },
  { 'content-encoding': 'zebra' },
  { 'content-encoding': 'deflate, gzip' },
  { 'content-type': 'text/plain' },
  { 'content-type': 'application/json; charset=utf-16' },
  { 'content-type': 'application/json; charset=nothing' },
  { cookie: 'finch.seat=s%3Aone.two' },
  { origin: 'http://elsewhere.test' },
  { 'accept-encoding': 'zebra;q=x' },
  { range: 'bytes=5-1' },
  { 'if-none-match': '*' },
];
const RAW: readonly (string | Buffer)[] = [
  '{',
  '[',
  '"',
  '{"a":1e999}',
  '{"__proto__":{"a":1}}',
  '\0',
  Buffer.from([0xff, 0xfe, 0x7b, 0x00]),
  Buffer.from([0x7b, 0x22, 0xc3, 0x28, 0x22, 0x7d]),
  gzipSync('{"a":1}'),
  gzipSync(Buffer.alloc(3_000_000)),
  '['.repeat(20_000),
  `{"note":"${'x'.repeat(1_100_000)}"}`,
];

/** A request as it goes over the wire, whatever is in it; 0 where the server hung up. */
function raw(
  url: string,
  method: string,
  path: string,
  headers: Record<string, string>,
  body: string | Buffer | undefined,
): Promise<{ status: number; text: string }> {
  return new Promise((resolve) => {
    const target = new URL(url);
    const asked = request(
      { host: target.hostname, port: target.port, method: method.toUpperCase(), path, headers },
      (answer) => {
        let text = '';
        answer.on('data', (chunk: Buffer) => (text += chunk.toString('latin1')));
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, text }));
        answer.on('error', () => resolve({ status: 0, text: '' }));
      },
    );
    asked.on('error', () => resolve({ status: 0, text: '' }));
    // Said for a DELETE too, which has none of its own accord: the server would take the rest for another request.
    if (body !== undefined) asked.setHeader('content-length', Buffer.byteLength(body));
    asked.end(body);
  });
}

const world = await makeWorld({ name: 'fuzz-cluster' });
const counts = new Map<number, number>();
const wrong: string[] = [];
try {
  const people = await seatsAt(world.url);
  const now = Date.parse(FIXED_NOW);
  const seatFor = async (role: Role) => {
    const found = people.find((one) => one.roles.includes(role));
    if (!found) return null;
    return { seat: await new Seat(world.url).sit(found.membershipId), membershipId: found.membershipId };
  };
  const owner = await seatFor('owner');
  if (!owner) throw new Error('nobody owns the demo');
  const { studio } = await owner.seat.json<{ studio: { id?: string } }>('/api/session');
  /** Things of its own for each round, so that one bent request does not end the next. */
  const there = async (studentId: string): Promise<Here> => {
    const [double, lessonId, cardId, pieceId, letterId] = Array.from({ length: 5 }, () => uuid());
    const name = `Double ${double}`;
    const { version: syllabusId } = await owner.seat.json<{ version: string }>('/api/syllabus');
    await owner.seat.json('/api/students', 'POST', { id: double, name, bornOn: null });
    const here: Here = {
      studioId: studio.id ?? uuid(),
      membershipId: owner.membershipId,
      studentId,
      double: { id: double, name },
      lessonId,
      cardId,
      pieceId,
      letterId,
      syllabusId,
      now,
      versions: { student: 1, lesson: 1, piece: 1, letter: 1, week: 0 },
    };
    const asked = sampleRequests(here);
    await owner.seat.json('/api/lessons', 'POST', { ...asked.bookLesson.body, id: lessonId, weeks: 1 });
    await owner.seat.json(addressOf('keepPiece', asked.keepPiece), 'PUT', {
      version: 0,
      chart: CHART,
      concert: null,
      locks: {},
      parts: {},
    });
    const letter = { ...asked.sendLetter.body, id: letterId };
    await owner.seat.json(addressOf('sendLetter', asked.sendLetter), 'POST', letter);
    return here;
  };
  const random = seededRandom(16);
  const names = Object.keys(routes) as RouteName[];
  const ordered = [...names.filter((name) => !ENDS.includes(name)), ...ENDS];
  for (const role of [...ROLES, null]) {
    const at = role ? await seatFor(role) : { seat: new Seat(world.url), membershipId: '' };
    if (!at) continue;
    const own = people.find((one) => one.membershipId === at.membershipId)?.studentId;
    const here = await there(own ?? people.find((one) => one.studentId)?.studentId ?? uuid());
    for (const name of ordered) {
      const { method } = routes[name];
      for (let i = 0; i < EACH; i++) {
        const sample = sampleRequests(here)[name];
        const what = random.int(0, 11);
        const params = Object.fromEntries(
          Object.entries(sample.params ?? {}).map(([key, value]) => [key, what === 0 ? 'BENT' : value]),
        );
        const query =
          what === 1 ? { ...sample.query, [`q${i}`]: 'a\0b', from: 'x', version: '1e9' } : sample.query;
        let path = addressOf(name, { params, query });
        if (what === 0) path = path.replace(/BENT/g, ADDRESSES[random.int(0, ADDRESSES.length - 1)]);
        if (what === 2) path += ADDRESSES[random.int(0, 4)];
        const headers: Record<string, string> = {
          'content-type': 'application/json',
          origin: world.url,
          cookie: at.seat.cookie,
          ...(what === 3 ? HEADERS[random.int(0, HEADERS.length - 1)] : {}),
        };
        const body =
          method === 'get'
            ? undefined
            : what === 4
              ? RAW[random.int(0, RAW.length - 1)]
              : JSON.stringify(what === 5 ? sample.body : bent(sample.body ?? {}, random));
        const path8 = path.replace(/[^\x21-\x7e]/g, '');
        const answer = await raw(world.url, method, path8, headers, body);
        counts.set(answer.status, (counts.get(answer.status) ?? 0) + 1);
        const unsaid = answer.status >= 400 && answer.status < 500 && !/"code":"[a-z]/.test(answer.text);
        // A body that is far too large may be cut off before it was all sent.
        const cut = answer.status === 0 && (body?.length ?? 0) > 1_000_000;
        if (answer.status >= 500 || (answer.status === 0 && !cut) || unsaid)
          wrong.push(
            `${answer.status} ${role ?? 'nobody'} ${name} ${method} ${path8.slice(0, 120)} ${String(body).slice(0, 300)} -> ${answer.text.slice(0, 200)}`,
          );
      }
      if (role && name === 'standUp') await at.seat.sit(at.membershipId);
    }
    console.log(`${role ?? 'nobody'}: ${wrong.length} wrong so far`);
  }
  wrong.push(...(await readBack(owner.seat)));
} finally {
  await world.end();
}
const asked = [...counts.values()].reduce((sum, one) => sum + one, 0);
console.log(
  `${asked} requests: ${[...counts]
    .sort(([a], [b]) => a - b)
    .map(([status, count]) => `${count} of ${status}`)
    .join(', ')}`,
);
for (const one of wrong.slice(0, 40)) console.log(one);
console.log(`${wrong.length} wrong`);
process.exitCode = wrong.length ? 1 : 0;

/** Texts that are allowed come back as they were written. */
async function readBack(seat: Seat): Promise<string[]> {
  const odd = [
    'Łódź 🎸 D♭',
    '‮backwards',
    'e\u0301 and \u00e9',
    'O\'Neill \\ "q" %s',
    '  two  spaces  ',
    'ｗｉｄｅ 漢字',
    'a\u200bb',
    '-- ; /* */',
  ];
  const lost: string[] = [];
  for (const text of odd) {
    const id = uuid();
    await seat.json('/api/students', 'POST', {
      id,
      name: `${text} ${id}`,
      bornOn: '2012-02-29',
      another: true,
    });
    await seat.json(`/api/students/${id}/note`, 'PUT', { version: 1, note: text });
    const read = await seat.json<{ name: string; note: string; bornOn: string }>(`/api/students/${id}`);
    if (read.note !== text || read.name !== `${text} ${id}`.trim() || read.bornOn !== '2012-02-29')
      lost.push(`read back otherwise: ${JSON.stringify([text, read.note, read.name])}`);
  }
  return lost;
}
