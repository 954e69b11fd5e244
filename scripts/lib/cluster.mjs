// A PostgreSQL cluster of this checkout alone: made once, started on loopback, stopped with us. As root the
// server runs as the system user postgres; where that user cannot reach the checkout, the cluster lies in a
// private folder under /var/tmp instead.
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { endLeftOver, runAlone, whenEnded } from './child.mjs';
import { postgresBin } from './packages.mjs';
import { checkoutHash, dataDir, dataFolder } from './paths.mjs';
import { anyFreePort } from './ports.mjs';
import { Stop } from './stages.mjs';

function postgresUser() {
  if (process.getuid?.() !== 0) return {};
  const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  const [uid, gid] = [id('-u'), id('-g')];
  if (!uid) throw new Stop('The system user postgres is missing; reinstall the package postgresql-15.');
  return { uid, gid };
}

function canReach(folder, user) {
  if (user.uid === undefined) return true;
  return spawnSync('test', ['-x', folder], { ...user, cwd: '/' }).status === 0;
}

/** Folder for a cluster's files, owned by who runs it. */
function clusterFolder(name, user) {
  dataFolder();
  // The cluster's user must be able to walk through .data; the files in it stay private by their own modes.
  if (user.uid !== undefined) chmodSync(dataDir, 0o711);
  const inside = join(dataDir, name);
  if (canReach(dataDir, user)) return inside;
  const outside = join('/var/tmp', `zealous-finch-${checkoutHash}`);
  mkdirSync(outside, { recursive: true, mode: 0o711 });
  return join(outside, name);
}

function own(path, user) {
  if (user.uid !== undefined) chownSync(path, user.uid, user.gid);
}

/** Secrets of the real cluster: random, made once, readable by the owner alone. */
function secrets(name) {
  const file = join(dataFolder(), `${name}-secrets.json`);
  if (!existsSync(file)) {
    const word = () => randomBytes(24).toString('base64url');
    const made = { superuser: word(), owner: word(), application: word(), cookie: word() };
    writeFileSync(`${file}.new`, JSON.stringify(made), { mode: 0o600 });
    renameSync(`${file}.new`, file);
  }
  return JSON.parse(readFileSync(file, 'utf8'));
}

async function makeCluster(name, folder, user, words, trust) {
  const mark = createHash('sha256').update(words.superuser).digest('hex');
  if (existsSync(join(folder, 'PG_VERSION')) && existsSync(join(folder, '.finch-made'))) {
    const made = readFileSync(join(folder, '.finch-made'), 'utf8');
    if (!trust && made !== '' && made !== mark)
      throw new Stop(
        `The database in ${folder} was made with passwords that are no longer in .data. Put the old .data back, or move that folder away to begin with a new database.`,
      );
    return false;
  }
  // Half made, by a stage that was killed: nothing of value is in it yet.
  await endLeftOver(`initdb-${name}`);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  own(folder, user);
  const passwordFile = join(mkdtempSync(join(tmpdir(), 'finch-pw-')), 'pw');
  writeFileSync(passwordFile, words.superuser, { mode: 0o600 });
  own(passwordFile, user);
  chmodSync(join(passwordFile, '..'), 0o711);
  const auth = trust ? ['-A', 'trust'] : ['-A', 'scram-sha-256', `--pwfile=${passwordFile}`];
  const result = await runAlone(
    `initdb-${name}`,
    join(postgresBin(), 'initdb'),
    ['-D', folder, '-U', 'postgres', '-E', 'UTF8', '--locale=C.UTF-8', ...auth],
    { ...user, cwd: '/', env: { ...process.env, LC_ALL: 'C.UTF-8' } },
  );
  if (result.status !== 0) throw new Stop(`initdb did not work:\n${result.said.slice(-1500)}`);
  rmSync(join(passwordFile, '..'), { recursive: true, force: true });
  writeFileSync(join(folder, '.finch-made'), mark);
  own(join(folder, '.finch-made'), user);
  return true;
}

function alive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/** Pid of a postgres running on exactly this folder, or null. */
function runningOn(folder) {
  const file = join(folder, 'postmaster.pid');
  if (!existsSync(file)) return null;
  const [pidText, dirText] = readFileSync(file, 'utf8').split('\n');
  const pid = Number(pidText);
  if (dirText?.trim() !== folder || !alive(pid)) return null;
  const command = existsSync(`/proc/${pid}/cmdline`)
    ? readFileSync(`/proc/${pid}/cmdline`, 'utf8')
    : 'postgres';
  return command.includes('postgres') ? pid : null;
}

/** What `pg_isready` ends with while a server is there and takes nobody in yet. */
const STARTING_UP = 1;

async function stopPid(pid) {
  for (const [signal, waits] of [
    ['SIGINT', 60],
    ['SIGQUIT', 20],
  ]) {
    if (!alive(pid)) return;
    process.kill(pid, signal);
    for (let i = 0; i < waits && alive(pid); i++) await sleep(100);
  }
}

/**
 * Starts the cluster `name` and returns how to reach and stop it. A left-over server of the same folder is
 * stopped first; no other is ever touched. `fast` gives up durability and `fresh` forgets what was there; both
 * are for tests, and `fresh` works on clusters without passwords alone.
 */
export async function startCluster({ name, trust = false, fast = false, fresh = false }) {
  const user = postgresUser();
  const folder = clusterFolder(name, user);
  const words = secrets(name);
  const left = runningOn(folder);
  if (left) await stopPid(left);
  if (fresh && trust) rmSync(folder, { recursive: true, force: true });
  const made = await makeCluster(name, folder, user, words, trust);
  const port = await anyFreePort();
  /** Names this start of it, so that nobody takes another for it. */
  const mark = `finch-${randomBytes(9).toString('hex')}`;
  const sockets = mkdtempSync(join(tmpdir(), 'finch-'));
  own(sockets, user);
  const settings = {
    listen_addresses: '127.0.0.1',
    port,
    unix_socket_directories: sockets,
    cluster_name: mark,
    max_connections: 60,
    log_min_messages: 'warning',
    ...(fast ? { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' } : {}),
  };
  const args = Object.entries(settings).flatMap(([key, value]) => ['-c', `${key}=${value}`]);
  let said = '';
  let server;
  const launch = () => {
    // Whatever the last one that ran here left: its port and its sockets are taken again.
    rmSync(join(folder, 'postmaster.pid'), { force: true });
    server = spawn(join(postgresBin(), 'postgres'), ['-D', folder, ...args], {
      ...user,
      cwd: '/',
      detached: true,
      stdio: ['ignore', 'ignore', 'pipe'],
    });
    server.stderr.on('data', (chunk) => (said = (said + chunk).slice(-4000)));
    server.stderr.unref?.();
    server.unref();
  };
  const stop = async () => {
    await stopPid(server.pid);
    rmSync(sockets, { recursive: true, force: true });
  };
  const asked = () =>
    spawnSync(join(postgresBin(), 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(port)]).status;
  /**
   * Whether it answers before it ends. One that says nothing has 30 s; one that was stopped hard says that it reads its log
   * first: that may take minutes, and it does come back.
   */
  const answers = async () => {
    let told = false;
    for (let i = 0, silent = 0; silent < 300 && i < 6000; i++) {
      const status = asked();
      if (status === 0) return true;
      if (server.exitCode !== null) return false;
      if (status !== STARTING_UP) silent++;
      else if (!told && i > 50) {
        told = true;
        console.log('The database was stopped hard and reads its log first; this may take some minutes.');
      }
      await sleep(i < 20 ? 30 : 100);
    }
    return false;
  };
  launch();
  if (!(await answers())) {
    await stop();
    throw new Stop(`PostgreSQL did not start:\n${said}`);
  }
  const access = { host: '127.0.0.1', port, mark, ...words };
  const accessFile = join(dataFolder(), `${name}-access.json`);
  writeFileSync(accessFile, JSON.stringify(access), { mode: 0o600 });
  return {
    port,
    accessFile,
    access,
    mark,
    stop,
    made,
    user,
    get pid() {
      return server.pid;
    },
    /** Calls back when the server ends, whoever ended it. */
    whenEnded: (call) => whenEnded(server, call),
    /** Starts it again where it was; false when it does not come back. */
    again: async () => {
      // One that was killed hard leaves programs behind that hold its memory until they have noticed.
      for (const until = Date.now() + 10_000; Date.now() < until; await sleep(200)) {
        launch();
        if (await answers()) return true;
      }
      return false;
    },
  };
}

/** Environment for PostgreSQL's own programs, as superuser. */
export function superuserEnvironment(cluster) {
  return {
    ...process.env,
    PGHOST: '127.0.0.1',
    PGPORT: String(cluster.port),
    PGUSER: 'postgres',
    PGPASSWORD: cluster.access.superuser,
  };
}

/** Dumps a database into a file only its owner can read; the file appears whole or not at all. */
export function dump(cluster, database, file) {
  const result = spawnSync(
    join(postgresBin(), 'pg_dump'),
    // Who sat where is nobody's business later: the table stays, its rows do not.
    ['-Fc', '--exclude-table-data=web_session', '-f', `${file}.part`, database],
    { env: superuserEnvironment(cluster), encoding: 'utf8' },
  );
  if (result.status !== 0) throw new Stop(`The dump of ${database} did not work:\n${result.stderr}`);
  chmodSync(`${file}.part`, 0o600);
  renameSync(`${file}.part`, file);
}
