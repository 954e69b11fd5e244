/** What stands in an answer when something went wrong: the client's fault said so, trouble of the house as trouble that passes. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { answerErrors, asOwnFault, requestId, unkeepableIn } from './http';
import { servePages } from './pages';
import { Refusal } from './problems';

const quiet = pino({ level: 'silent' });
function failing(error: unknown, log = quiet) {
  const app = express();
  app.use(requestId);
  app.get('/fails', () => {
    throw error;
  });
  app.use(answerErrors(log));
  return request(app).get('/fails');
}
const coded = (code: string, message = 'x') => Object.assign(new Error(message), { code });

test.each([
  ['nobody listens', coded('ECONNREFUSED')],
  ['shut down by an operator', coded('57P01')],
  ['crashed under us', coded('57P02')],
  ['starting up', coded('57P03')],
  ['too many connections', coded('53300')],
  ['connection lost', coded('08006')],
  ['wrapped by the mapper', Object.assign(new Error('x'), { driverError: { code: '57P02' } })],
  ['the pool is empty', new Error('timeout exceeded when trying to connect')],
  ['let go of by the mapper', new Error('Query runner already released. Cannot run queries anymore.')],
  ['ended in the middle', new Error('Connection terminated unexpectedly')],
])('%s: 503 in words, with when to try again', async (_, error) => {
  const answer = await failing(error);
  expect([answer.status, answer.body.code]).toEqual([503, 'server.database']);
  expect(Number(answer.headers['retry-after'])).toBeGreaterThan(0);
  expect(answer.body.detail).toContain('try again');
});

test('a server that still reads says so in passing; trouble of the house is an error', async () => {
  const lines: { level: number; code?: string }[] = [];
  const log = pino({}, { write: (line: string) => lines.push(JSON.parse(line)) });
  await failing(new Refusal('server.reading', 'log', '1 of 2 students'), log);
  await failing(coded('57P01'), log);
  await failing(new Refusal('write.stale', 'version', 'the latest'), log);
  expect(lines.map(({ level, code }) => [level, code])).toEqual([
    [30, 'server.reading'],
    [50, 'server.database'],
  ]);
});

test('two who waited for each other: one is asked to come again', async () => {
  const answer = await failing(coded('40P01'));
  expect([answer.status, answer.body.code, answer.headers['retry-after']]).toEqual([503, 'server.busy', '2']);
});

test.each([
  ['a number no column takes', coded('22003'), 422, 'request.value'],
  ['a day there is not', coded('22008'), 422, 'request.value'],
  ['text that is none', coded('22021'), 422, 'request.value'],
  ['a body that is not packed as it says', coded('Z_DATA_ERROR'), 400, 'request.malformed'],
  [
    'an address that cannot be read',
    Object.assign(new URIError('x'), { status: 400 }),
    400,
    'request.malformed',
  ],
  ['the same written a moment before', coded('23505'), 409, 'write.twice'],
  ['what it belongs to is gone', coded('23503'), 409, 'write.gone'],
  ['a refusal of our own', new Refusal('write.stale', 'version', 'the latest'), 409, 'write.stale'],
  ['a fault of ours', new TypeError('x is undefined'), 500, 'server.crash'],
  ['a column that is not there', coded('42703'), 500, 'server.crash'],
])('%s', async (_, error, status, code) => {
  const answer = await failing(error);
  expect([answer.status, answer.body.code, answer.headers['retry-after']]).toEqual([status, code, undefined]);
});

test('of one event among many: what is its own fault is, trouble of the house and our own faults are not', () => {
  expect(asOwnFault(coded('22003'))?.problem.code).toBe('request.value');
  expect(asOwnFault(new Refusal('take.void', 'voids', 'x'))?.problem.code).toBe('take.void');
  expect(asOwnFault(coded('57P02'))).toBeNull();
  expect(asOwnFault(new TypeError('x'))).toBeNull();
});

test('NUL and half of a character are found wherever they stand, whole characters and empty things are none', () => {
  expect(unkeepableIn({ a: [{ b: 'x\0' }] })).toBe('a.0.b');
  expect(unkeepableIn('\ud83c')).toBe('text');
  expect(unkeepableIn({ a: '\udfb8\ud83c' })).toBe('a');
  expect(unkeepableIn({ ok: { 'k\0': 1 } })).toBe('ok');
  expect(unkeepableIn({ a: '\ud83c\udfb8 D♭', b: [null, 1, true, ''] })).toBeNull();
});

test('a place has the page at any address, a file that is not there is 404 and never the page', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'finch-pages-'));
  mkdirSync(join(folder, 'assets'));
  writeFileSync(join(folder, 'index.html'), '<p>the page</p>');
  writeFileSync(join(folder, 'assets', 'there.js'), '1');
  const app = express();
  servePages(app, folder);
  app.use(answerErrors(quiet));
  const page = await request(app).get('/drills?recipe=x.js');
  expect([page.status, page.text, page.headers['cache-control']]).toEqual([
    200,
    '<p>the page</p>',
    'no-cache',
  ]);
  expect((await request(app).get('/students/018f-7.8')).status).toBe(200);
  const there = await request(app).get('/assets/there.js');
  expect([there.status, there.headers['cache-control']]).toEqual([
    200,
    'public, max-age=31536000, immutable',
  ]);
  for (const path of ['/assets/gone.js', '/assets/', '/favicon.ico']) {
    const gone = await request(app).get(path);
    expect([path, gone.status, gone.body.code]).toEqual([path, 404, 'not-found']);
  }
  rmSync(folder, { recursive: true });
});
