/**
 * Databases, roles and connections. Three roles: the superuser makes databases and dumps, `finch_owner` runs
 * migrations, `finch_app` serves and is held by row security to the studio set in its transaction.
 */
import { Client } from 'pg';
import { DataSource, type EntityManager, type Logger } from 'typeorm';
import { entities } from './entities';
import { migrations } from './migrations';
import type { Config, DatabaseAccess } from './config';

const quoteLiteral = (text: string) => `'${text.replaceAll("'", "''")}'`;

/** Names the lock under which roles and databases are made; any number that nothing else takes. */
const ROLES_LOCK = 7_219_034;

/** Makes both roles and the database when missing; sets the passwords to those of the access file. */
export async function ensureDatabase(access: DatabaseAccess, database: string): Promise<void> {
  const client = new Client({
    host: access.host,
    port: access.port,
    user: 'postgres',
    password: access.superuser,
    database: 'postgres',
  });
  await client.connect();
  try {
    const [cluster] = (await client.query<{ cluster_name: string }>('SHOW cluster_name')).rows;
    if (access.mark !== undefined && cluster.cluster_name !== access.mark)
      throw new Error('another database answers at this port than the one this was started for');
    // Two that begin at once would change the same roles: the second waits until the first let go of its connection.
    await client.query('SELECT pg_advisory_lock($1)', [ROLES_LOCK]);
    for (const [role, password] of [
      ['finch_owner', access.owner],
      ['finch_app', access.application],
    ]) {
      const known = await client.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [role]);
      if (known.rowCount === 0)
        await client.query(`CREATE ROLE ${role} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS`);
      await client.query(`ALTER ROLE ${role} PASSWORD ${quoteLiteral(password)}`);
    }
    const there = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [database]);
    if (there.rowCount === 0) await client.query(`CREATE DATABASE ${database} OWNER finch_owner`);
  } finally {
    await client.end();
  }
}

/** Drops a database; only ever the demo or a test one. */
export async function dropDatabase(access: DatabaseAccess, database: string): Promise<void> {
  if (database === 'finch_studio') throw new RangeError('the real studio is never dropped from here');
  const client = new Client({
    host: access.host,
    port: access.port,
    user: 'postgres',
    password: access.superuser,
    database: 'postgres',
  });
  await client.connect();
  await client.query(`DROP DATABASE IF EXISTS ${database} WITH (FORCE)`);
  await client.end();
}

function source(
  access: DatabaseAccess,
  database: string,
  role: 'finch_owner' | 'finch_app',
  logger?: Logger,
): DataSource {
  return new DataSource({
    type: 'postgres',
    host: access.host,
    port: access.port,
    username: role,
    password: role === 'finch_owner' ? access.owner : access.application,
    database,
    entities,
    migrations,
    migrationsTableName: 'migration',
    synchronize: false,
    logging: false,
    logger,
    maxQueryExecutionTime: 400,
    poolSize: role === 'finch_app' ? 12 : 2,
    connectTimeoutMS: 4000,
  });
}

export const ownerSource = (config: Pick<Config, 'access' | 'database'>): DataSource =>
  source(config.access, config.database, 'finch_owner');
export const appSource = (config: Pick<Config, 'access' | 'database'>, logger?: Logger): DataSource =>
  source(config.access, config.database, 'finch_app', logger);

/** Asks the database; a transaction of TypeORM's and a plain connection both can. */
export interface Asks {
  readonly query: <T>(sql: string, parameters?: unknown[]) => Promise<T[]>;
}

/** A transaction that sees and writes one studio's rows alone. */
export async function inStudio<T>(
  database: DataSource,
  studioId: string,
  work: (manager: EntityManager) => Promise<T>,
): Promise<T> {
  return database.transaction(async (manager) => {
    await manager.query("SELECT set_config('finch.studio', $1, true)", [studioId]);
    return work(manager);
  });
}

/** As `inStudio`, and marks that somebody wrote here, so that a demo is not made again over their work. */
export async function writeInStudio<T>(
  database: DataSource,
  studioId: string,
  work: (manager: EntityManager) => Promise<T>,
): Promise<T> {
  return inStudio(database, studioId, async (manager) => {
    const result = await work(manager);
    await manager.query(
      "INSERT INTO meta (key, value) VALUES ('written', 'yes') ON CONFLICT (key) DO NOTHING",
    );
    return result;
  });
}

export async function readMeta(manager: Pick<EntityManager, 'query'>, key: string): Promise<string | null> {
  const rows: { value: string }[] = await manager.query('SELECT value FROM meta WHERE key = $1', [key]);
  return rows[0]?.value ?? null;
}
