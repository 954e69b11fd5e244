import { seededRandom } from '@finch/core/kernel';
import { readConfig } from '../platform/config';
import { dropDatabase, ensureDatabase, ownerSource } from '../platform/database';
import { CAST } from './cast';
import { makeDemo } from './make-demo';

const NOW = Date.UTC(2026, 5, 9, 14, 52);

/** Makes the demo in a database of its own and returns, for each table, how many rows and a digest of all. */
async function makeAndDigest(
  now: number,
  cast = CAST,
): Promise<Record<string, { rows: number; digest: string }>> {
  const { access } = readConfig(process.env);
  const name = `finch_demo_test_${seededRandom(process.pid ^ Date.now()).int(1, 1e9)}`;
  await ensureDatabase(access, name);
  const owner = ownerSource({ access, database: name });
  await owner.initialize();
  try {
    await owner.runMigrations({ transaction: 'all' });
    return await owner.transaction(async (manager) => {
      await makeDemo(manager, now, cast);
      const digests: Record<string, { rows: number; digest: string }> = {};
      // The catalogue says which tables there are, so that a new one is compared without anybody's thinking of it.
      const tables: { name: string }[] = await manager.query(
        `SELECT c.relname AS name FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
         WHERE n.nspname = 'public' AND c.relkind IN ('r', 'p') AND NOT c.relispartition
           AND c.relname NOT IN ('migration', 'web_session') ORDER BY 1`,
      );
      for (const { name: table } of tables) {
        const [found] = (await manager.query(
          `SELECT count(*)::int AS rows, coalesce(md5(string_agg(t::text, '|' ORDER BY t::text)), '') AS digest FROM ${table} t`,
        )) as { rows: number; digest: string }[];
        digests[table] = found;
      }
      return digests;
    });
  } finally {
    await owner.destroy();
    await dropDatabase(access, name);
  }
}

test('the same seed and day give the same studio, row for row', async () => {
  const once = await makeAndDigest(NOW);
  expect(await makeAndDigest(NOW)).toEqual(once);
  expect(once.student.rows).toBe(24);
  expect(Object.keys(once).length).toBeGreaterThan(15);
  expect(once.log_event.rows).toBeGreaterThan(5000);
}, 400_000);

// A few students are enough to tell: a studio takes long to make.
test('another day gives another studio of as many students', async () => {
  const few = CAST.slice(0, 3);
  const [once, later] = [await makeAndDigest(NOW, few), await makeAndDigest(NOW + 86_400_000, few)];
  expect([once.student.rows, later.student.rows]).toEqual([3, 3]);
  expect(later.log_event.digest).not.toBe(once.log_event.digest);
}, 200_000);
