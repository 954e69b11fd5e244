// npm run chaos [-- FAULTS]: kills the server, the database and its connections hard and at random while twenty clients log takes,
// and counts what was acknowledged, lost and stored twice; the database keeps every promise here, as in npm start. Thirty faults
// run in npm test; a thousand take about an hour. Seeded by --seed N.
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ensureBuild } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { ensureNodePackages, ensureSystemPackages, postgresBin } from './lib/packages.mjs';
import { dataFolder } from './lib/paths.mjs';
import { anyFreePort } from './lib/ports.mjs';
import { startServer } from './lib/server.mjs';
import { serveWatched } from './lib/serving.mjs';
import { cleanUp, cleanUpOnSignals, onExit } from './lib/signals.mjs';
import { fail, Stop } from './lib/stages.mjs';

const CLIENTS = 20;
const BETWEEN_MS = [600, 2600];
/** Nothing may take longer than this to be well again. */
const WELL_AGAIN_MS = 60_000;
const faults = Number(process.argv[2]) || 30;
const seed = Number(process.argv[process.argv.indexOf('--seed') + 1]) || 16;

/** Mulberry32, so that a run can be had again. */
function randomFrom(state) {
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

function sql(cluster, text) {
  const asked = spawnSync(
    join(postgresBin(), 'psql'),
    ['-h', '127.0.0.1', '-p', String(cluster.port), '-U', 'postgres', '-d', 'finch_demo', '-Atc', text],
    { encoding: 'utf8', maxBuffer: 1e9, env: { ...process.env, PGPASSWORD: cluster.access.superuser } },
  );
  if (asked.status !== 0) throw new Stop(asked.stderr);
  return asked.stdout.trim().split('\n').filter(Boolean);
}

/** A UUID of version 7 for now. */
function newId() {
  const ms = Date.now().toString(16).padStart(12, '0');
  return `${ms.slice(0, 8)}-${ms.slice(8)}-7${randomUUID().slice(15)}`;
}

/** A take as another was played before, now. */
function takeOf(studentId, like) {
  const at = new Date().toISOString();
  const head = { schemaVersion: 1, id: newId(), studentId, deviceId: newId(), deviceSeq: 1, sentAt: at };
  return { ...head, kind: 'attempt', take: { ...like, startedAt: at, feel: null, source: 'teacher' } };
}

/** Logs takes one after the other; a take is sent again, as it is, until it is acknowledged. */
async function client(url, seat, students, like, random, state) {
  let cookie = '';
  const ask = async (path, init = {}) => {
    const headers = { 'content-type': 'application/json', origin: url, cookie };
    const answer = await fetch(`${url}${path}`, { ...init, headers, signal: AbortSignal.timeout(15_000) });
    const given = answer.headers.get('set-cookie');
    if (given) cookie = given.split(';')[0];
    return answer;
  };
  while (!state.over) {
    const event = takeOf(students[Math.floor(random() * students.length)], like);
    while (!state.over || state.settling) {
      try {
        if (!cookie)
          await ask('/api/session', { method: 'POST', body: JSON.stringify({ membershipId: seat }) });
        const answer = await ask('/api/events', {
          method: 'POST',
          body: JSON.stringify({ events: [event] }),
        });
        state.answers[answer.status] = (state.answers[answer.status] ?? 0) + 1;
        if (answer.status === 401) cookie = '';
        if (answer.status === 200) {
          const { stored, known, refused } = await answer.json();
          if (refused.length) state.refused.push(refused[0].problem);
          if (stored.length || known.length) state.acknowledged.push(event.id);
          if (known.length) state.known++;
          break;
        }
        await answer.arrayBuffer();
      } catch {
        state.hungUp++;
      }
      if (state.over) break;
      await sleep(50 + 200 * random());
    }
    await sleep(20 * random());
  }
}

async function isWell(url) {
  try {
    const answer = await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(3000) });
    const health = await answer.json();
    return answer.status === 200 && health.ok && health.database;
  } catch {
    return false;
  }
}

const KINDS = ['server', 'database', 'connection'];
function kill(kind, cluster, serving, random) {
  if (kind === 'server') return process.kill(serving.pid, 'SIGKILL');
  if (kind === 'database') return process.kill(cluster.pid, 'SIGKILL');
  const pids = sql(cluster, "SELECT pid FROM pg_stat_activity WHERE usename = 'finch_app'");
  if (pids.length) process.kill(Number(pids[Math.floor(random() * pids.length)]), 'SIGKILL');
}

async function main() {
  cleanUpOnSignals();
  await ensureSystemPackages();
  await ensureNodePackages();
  await ensureBuild();
  dataFolder();
  const cluster = await startCluster({ name: 'chaos-cluster', fresh: true, trust: true });
  onExit(() => cluster.stop());
  const port = await anyFreePort();
  const url = `http://127.0.0.1:${port}`;
  const environment = {
    NODE_ENV: 'production',
    FINCH_ACCESS_FILE: cluster.accessFile,
    FINCH_CLUSTER: cluster.mark,
    FINCH_DATABASE: 'finch_demo',
    FINCH_PORT: String(port),
    FINCH_PG_BIN: postgresBin(),
    FINCH_DEMO: 'yes',
    FINCH_LOG: 'silent',
  };
  await startServer({ command: 'prepare', environment, quiet: true });
  let gaveUp = '';
  const serving = await serveWatched({
    cluster,
    environment,
    quiet: true,
    mostEnds: Number.POSITIVE_INFINITY,
    giveUp: (words) => (gaveUp = words),
    say: () => {},
  });
  onExit(() => serving.stop());
  const { seats } = await (await fetch(`${url}/api/seats`)).json();
  const teacher = seats.find((seat) => seat.roles.includes('teacher')).membershipId;
  const students = sql(cluster, 'SELECT id FROM student');
  const [like] = sql(cluster, "SELECT body -> 'take' FROM log_event WHERE kind = 'attempt' LIMIT 1").map(
    JSON.parse,
  );
  const before = Number(sql(cluster, 'SELECT count(*) FROM log_event')[0]);
  const random = randomFrom(seed);
  const state = {
    over: false,
    settling: false,
    acknowledged: [],
    answers: {},
    refused: [],
    hungUp: 0,
    known: 0,
  };
  const clients = Array.from({ length: CLIENTS }, () => client(url, teacher, students, like, random, state));
  const backAfter = { server: [], database: [], connection: [] };
  const began = Date.now();
  for (let i = 0; i < faults && !gaveUp; i++) {
    await sleep(BETWEEN_MS[0] + random() * (BETWEEN_MS[1] - BETWEEN_MS[0]));
    const kind = KINDS[Math.floor(random() * KINDS.length)];
    const at = Date.now();
    kill(kind, cluster, serving, random);
    while (!(await isWell(url))) {
      if (Date.now() - at > WELL_AGAIN_MS || gaveUp)
        throw new Stop(`not well again after ${kind} was killed. ${gaveUp}`);
      await sleep(50);
    }
    backAfter[kind].push((Date.now() - at) / 1000);
  }
  state.settling = true;
  state.over = true;
  await Promise.all(clients);
  const stored = new Set(sql(cluster, 'SELECT id FROM log_event'));
  const rows = Number(sql(cluster, 'SELECT count(*) FROM log_event')[0]);
  const twice = Number(sql(cluster, 'SELECT count(*) - count(DISTINCT id) FROM log_event')[0]);
  const places = Number(
    sql(
      cluster,
      'SELECT count(*) FROM log_head h WHERE place < (SELECT count(*) FROM log_event e WHERE e.student_id = h.student_id)',
    )[0],
  );
  const lost = state.acknowledged.filter((id) => !stored.has(id)).length;
  const crashes = state.answers[500] ?? 0;
  console.log(
    `${faults} faults in ${((Date.now() - began) / 1000).toFixed(0)} s under ${CLIENTS} clients, seed ${seed}`,
  );
  for (const [kind, times] of Object.entries(backAfter))
    if (times.length) {
      const sorted = times.toSorted((a, b) => a - b);
      console.log(
        `${kind} killed ${times.length} times: well again after ${sorted[Math.floor(sorted.length / 2)].toFixed(1)} s (median), ${sorted.at(-1).toFixed(1)} s at most`,
      );
    }
  console.log(
    `answers ${Object.entries(state.answers)
      .map(([status, count]) => `${count} of ${status}`)
      .join(', ')}, ${state.hungUp} hung up; ${state.known} were sent again and known already`,
  );
  console.log(
    `acknowledged ${state.acknowledged.length}, lost ${lost}, doubled ${twice}, stored without an answer ${rows - before - state.acknowledged.length}, refused ${state.refused.length}, heads behind their log ${places}`,
  );
  if (state.refused.length) console.log('refused as', state.refused[0]);
  const wrong = lost + twice + crashes + state.refused.length + places + (gaveUp ? 1 : 0);
  if (state.acknowledged.length === 0 || wrong > 0)
    throw new Stop(`something was lost, doubled, refused or answered 500. ${gaveUp}`);
}

main()
  .catch(fail)
  .finally(async () => {
    await cleanUp();
    process.exit();
  });
