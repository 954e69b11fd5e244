/**
 * npm run bench -- --load: the Board under 1, 10 and 50 clients, in the demo and in a studio of 200 students with 5,000 takes
 * each; right after a take; the first one after a restart; and what the process weighs. A server, a database and clients of its
 * own on loopback; `--small` makes a tenth of the takes. Bounded: ten seconds a row.
 */
import { readFileSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { changeLoop, makeDrill } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { Client } from 'pg';
import { v7 as uuid } from 'uuid';
import { FIXED_NOW, makeWorld, type World } from '../scripts/lib/test-world.mjs';
import { Seat, teacherAt, within, type Answer } from './seat';

const SECONDS = 10;
const STUDENTS = 200;
const TAKES = process.argv.includes('--small') ? 500 : 5_000;

async function seated(url: string, clients: number): Promise<Seat[]> {
  const teacher = await teacherAt(url);
  return Promise.all(Array.from({ length: clients }, () => new Seat(url).sit(teacher)));
}

const times = (of: readonly Answer[]): string =>
  `median ${within(of, 0.5).toFixed(0)} ms, p95 ${within(of, 0.95).toFixed(0)} ms`;

async function boards(world: World, what: string, clients: number): Promise<void> {
  const seats = await seated(world.url, clients);
  for (let i = 0; i < 3; i++) await seats[0].ask('/api/board');
  const until = performance.now() + SECONDS * 1000;
  const answers: Answer[] = [];
  await Promise.all(
    seats.map(async (seat) => {
      while (performance.now() < until) answers.push(await seat.ask('/api/board', 'GET', undefined, true));
    }),
  );
  const codes = new Map<number, number>();
  for (const one of answers) codes.set(one.status, (codes.get(one.status) ?? 0) + 1);
  const counted = [...codes].map(([code, count]) => `${count} of ${code}`).join(', ');
  const size = `${(answers[0].bytes / 1000).toFixed(0)} kB packed`;
  console.log(
    `${what}, ${clients} clients: ${times(answers)}; ${counted}; ${size}; server ${weight(world)} MB`,
  );
  for (const seat of seats) seat.leave();
}

/** What the server's process holds, MB. */
function weight(world: World): string {
  const status = readFileSync(`/proc/${world.pid}/status`, 'utf8');
  return (Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024).toFixed(0);
}

/** The server stopped and begun again: how long until it says a Board. */
async function firstBoard(world: World, what: string): Promise<void> {
  await world.stop();
  const start = performance.now();
  await world.start();
  const listening = performance.now();
  const [seat] = await seated(world.url, 1);
  let answer = await seat.ask('/api/board');
  for (; answer.status === 503; answer = await seat.ask('/api/board')) await sleep(200);
  const end = performance.now();
  const seconds = (from: number) => `${((end - from) / 1000).toFixed(1)} s`;
  console.log(
    `${what}, first Board: ${seconds(start)} after the start of the process, ${seconds(listening)} after it listens (${answer.status}); server ${weight(world)} MB`,
  );
  seat.leave();
}

/** The Board right after somebody's take, and the page of who took it, in turn. */
async function afterTakes(world: World, what: string): Promise<void> {
  const [seat] = await seated(world.url, 1);
  const students = (await seat.json<{ students: { id: string; takes: number }[] }>('/api/board')).students;
  const answers: Answer[] = [];
  const pages: Answer[] = [];
  for (let i = 0; i < 20; i++) {
    const { id } = students[(i * 7) % students.length];
    const answer = await seat.json<{ stored: string[] }>('/api/events', 'POST', { events: [takeOf(id, i)] });
    if (answer.stored.length !== 1) throw new Error(JSON.stringify(answer));
    const first = i % 2 ? pages : answers;
    first.push(await seat.ask(i % 2 ? `/api/students/${id}` : '/api/board'));
  }
  console.log(
    `${what}, the Board right after a take: ${times(answers)}; the student's page: ${times(pages)}`,
  );
  seat.leave();
}

const LOOP = changeLoop({
  grips: [
    { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
    { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
  ],
  beatsEach: 4,
  tempoBpm: 60,
});
const { items } = must(makeDrill(LOOP, { hand: averageHand, instrument: standardGuitar }));

function takeOf(studentId: string, i: number): object {
  // In the past of a clock that begins anew with its server.
  const at = new Date(Date.parse(FIXED_NOW) - (60 - i) * 1000).toISOString();
  return {
    schemaVersion: 1,
    id: uuid({ msecs: Date.parse(at) }),
    studentId,
    deviceId: uuid(),
    deviceSeq: i + 1,
    sentAt: at,
    kind: 'attempt',
    take: {
      recipe: LOOP,
      items,
      startedAt: at,
      timeZone: 'Europe/Vienna',
      durationSeconds: 60,
      tempoBpm: 60,
      steps: [],
      result: 'clean',
      feel: null,
      source: 'teacher',
    },
  };
}

/**
 * The demo's students again and again until there are enough, each with a hand a little different, and each log again and again,
 * a hundred days earlier each time, until it is long enough. In SQL, past the triggers, for a million rows.
 */
async function grow(world: World): Promise<void> {
  const client = new Client({
    host: '127.0.0.1',
    port: world.cluster.port,
    user: 'postgres',
    database: 'finch_demo',
  });
  await client.connect();
  await client.query(`
    SET session_replication_role = replica;
    CREATE FUNCTION pg_temp.v7() RETURNS uuid LANGUAGE sql VOLATILE AS $$
      SELECT (lpad(to_hex((extract(epoch FROM now()) * 1000)::bigint), 12, '0') || '7' || substr(md5(random()::text), 1, 3) || '8' || substr(md5(random()::text), 1, 15))::uuid $$;
    CREATE TEMP TABLE twin AS SELECT s.studio_id, s.id AS was, n, pg_temp.v7() AS id, pg_temp.v7() AS person
      FROM (SELECT *, row_number() OVER (ORDER BY id) AS place FROM student WHERE archived_at IS NULL AND merged_into IS NULL) s,
        generate_series(1, 100) n
      WHERE (n - 1) * (SELECT count(*) FROM student WHERE archived_at IS NULL AND merged_into IS NULL) + s.place
        <= ${STUDENTS} - (SELECT count(*) FROM student WHERE archived_at IS NULL AND merged_into IS NULL);
    INSERT INTO person SELECT p.studio_id, t.person, p.name || ' ' || t.n, p.born_on, 1 FROM twin t
      JOIN student s ON s.id = t.was JOIN person p ON p.id = s.person_id;
    INSERT INTO student (studio_id, id, person_id, time_zone, note, goals, waived, practice_minutes, version, created_at)
      SELECT s.studio_id, t.id, t.person, s.time_zone, s.note, s.goals, s.waived, s.practice_minutes, 1, s.created_at FROM twin t JOIN student s ON s.id = t.was;
    INSERT INTO hand_record SELECT h.studio_id, pg_temp.v7(), t.id, h.from_instant,
      h.value || jsonb_build_object('sizeFactor', (h.value ->> 'sizeFactor')::float + 0.001 * t.n) FROM twin t JOIN hand_record h ON h.student_id = t.was;
    INSERT INTO instrument_record SELECT i.studio_id, pg_temp.v7(), t.id, i.from_instant, i.value FROM twin t JOIN instrument_record i ON i.student_id = t.was;
    INSERT INTO played_record SELECT i.studio_id, pg_temp.v7(), t.id, i.from_instant, i.value FROM twin t JOIN played_record i ON i.student_id = t.was;
    INSERT INTO lesson (studio_id, id, student_id, teacher_id, starts_at, time_zone, minutes, state, plan, plan_standing, done, note, version)
      SELECT l.studio_id, pg_temp.v7(), t.id, l.teacher_id, l.starts_at, l.time_zone, l.minutes, l.state, l.plan, l.plan_standing, l.done, l.note, 1
      FROM twin t JOIN lesson l ON l.student_id = t.was;
    CREATE TEMP TABLE source AS SELECT e.*, count(*) OVER (PARTITION BY student_id) AS many,
      row_number() OVER (PARTITION BY student_id ORDER BY happened_at DESC) AS nth FROM log_event e WHERE kind = 'attempt';`);
  await client.query(`
    INSERT INTO log_event (studio_id, id, student_id, actor_id, device_id, device_seq, kind, body, happened_at, sent_at, received_at)
    SELECT studio_id,
      (lpad(to_hex((extract(epoch FROM happened) * 1000)::bigint), 12, '0') || '7' || substr(md5(random()::text), 1, 3) || '8' || substr(md5(random()::text), 1, 15))::uuid,
      student, actor_id, device_id, device_seq, kind,
      jsonb_set(body, '{take,startedAt}', to_jsonb(to_char(happened AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))), happened, happened, happened
    FROM (
      SELECT e.*, who.student, e.happened_at - (r * interval '100 days') AS happened,
        row_number() OVER (PARTITION BY who.student ORDER BY r, e.nth) AS place_of, who.had
      FROM (SELECT was, id AS student, 0 AS had FROM twin UNION ALL SELECT DISTINCT student_id, student_id, many FROM source) who
      JOIN source e ON e.student_id = who.was, generate_series(0, 60) r WHERE r > 0 OR who.had = 0
    ) rows WHERE place_of <= ${TAKES} - had;
    UPDATE log_event e SET place = n.place FROM (
      SELECT studio_id, id, row_number() OVER (PARTITION BY student_id ORDER BY received_at, id) AS place FROM log_event) n
      WHERE n.studio_id = e.studio_id AND n.id = e.id AND e.place <> n.place;
    DELETE FROM log_head;
    INSERT INTO log_head SELECT studio_id, student_id, max(place) FROM log_event GROUP BY 1, 2;
    ANALYZE;`);
  const { rows } = await client.query<{ takes: string; students: string }>(
    'SELECT count(*) AS takes, count(DISTINCT student_id) AS students FROM log_event',
  );
  await client.end();
  console.log(`a studio of ${rows[0].students} students with ${rows[0].takes} takes`);
}

/** Until the day's plans and grades that are made beside the Board are there. */
async function settled(world: World, what: string): Promise<void> {
  const [seat] = await seated(world.url, 1);
  const start = performance.now();
  const coming = async () => {
    const { lessons, gradesComing } = await seat.json<{
      lessons: { planComing: boolean }[];
      gradesComing: boolean;
    }>('/api/board');
    return gradesComing || lessons.some((one) => one.planComing);
  };
  while (await coming()) await sleep(250);
  console.log(
    `${what}, all plans of the day made after ${((performance.now() - start) / 1000).toFixed(1)} s`,
  );
  seat.leave();
}

async function all(world: World, what: string): Promise<void> {
  await settled(world, what);
  for (const clients of [1, 10, 50]) await boards(world, what, clients);
  await afterTakes(world, what);
  await firstBoard(world, what);
}

const world = await makeWorld({ name: 'load-cluster' });
try {
  await all(world, 'demo');
  await world.stop();
  const start = performance.now();
  await grow(world);
  console.log(`(made in ${((performance.now() - start) / 1000).toFixed(0)} s)`);
  await world.start();
  await firstBoard(world, 'large, every log read for the first time');
  await all(world, 'large');
} finally {
  await world.end();
}
