/** Makes what a database needs before it is served: the demo's studio, or the real one with nothing in it. */
import { isDeepStrictEqual } from 'node:util';
import { dayReader } from '@finch/core/mastery';
import { firstSyllabus, type Syllabus } from '@finch/core/syllabus';
import type { DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import type { Clock } from '../platform/clock';
import type { Config } from '../platform/config';
import { inStudio, ownerSource, readMeta } from '../platform/database';
import { addPerson } from '../students/students.repository';
import { addSyllabus, currentSyllabus, isOwn } from '../syllabus/syllabus.repository';
import { STUDIO } from './cast';
import { makeDemo } from './make-demo';

/**
 * Makes the demo when there is none, and again when it was made on another day and nobody wrote in it.
 * Returns what was done in a few words; `remake` must leave an empty, migrated database.
 */
export async function prepareDemo(
  config: Config,
  clock: Clock,
  remake: () => Promise<void>,
): Promise<string> {
  const now = clock.now();
  const found = await withOwner(config, 'finch_demo', async (owner) => ({
    madeFor: await readMeta(owner, 'made-for'),
    written: (await readMeta(owner, 'written')) !== null,
  }));
  const today = dayReader(STUDIO.timeZone)(now);
  if (found.madeFor === today) return 'as it was';
  if (found.madeFor !== null && found.written)
    return `kept from ${found.madeFor}, since somebody wrote in it; --reset makes it again`;
  if (found.madeFor !== null) await remake();
  const made = await withOwner(config, 'finch_demo', (owner) =>
    owner.transaction((manager) => makeDemo(manager, now)),
  );
  return `made for ${made.day}, ${made.takes} takes`;
}

/** The real studio: unnamed, one teacher who owns it, the first syllabus, nothing else. Made once; a newer first syllabus comes to it. */
export async function prepareStudio(config: Config, clock: Clock): Promise<void> {
  await withOwner(config, 'finch_studio', async (owner) => {
    const known = await readMeta(owner, 'studio');
    if (known) return shipSyllabus(owner, known, clock.now());
    const [studioId, accountId, personId, membershipId] = [uuid(), uuid(), uuid(), uuid()];
    const at = new Date(clock.now());
    await inStudio(owner, studioId, async (manager) => {
      await manager.query('INSERT INTO studio (id, name, time_zone, created_at) VALUES ($1, $2, $3, $4)', [
        studioId,
        '',
        'UTC',
        at,
      ]);
      await manager.query('INSERT INTO account (id, created_at) VALUES ($1, $2)', [accountId, at]);
      await addPerson(manager, { studioId, id: personId, name: 'Teacher', bornOn: null });
      await manager.query(
        'INSERT INTO membership (studio_id, id, account_id, person_id, roles) VALUES ($1, $2, $3, $4, $5)',
        [studioId, membershipId, accountId, personId, ['owner', 'teacher']],
      );
      await addSyllabus(manager, studioId, uuid(), firstSyllabus, at);
      await manager.query("INSERT INTO meta (key, value) VALUES ('studio', $1)", [studioId]);
    });
  });
}

/**
 * A later first syllabus becomes the newest version of a studio that still teaches by an earlier one, unless somebody made
 * the newest their own. Ids of skills stay, so that takes count as before; the versions before are kept.
 */
export async function shipSyllabus(owner: DataSource, studioId: string, now: number): Promise<void> {
  await inStudio(owner, studioId, async (manager) => {
    const { content } = await currentSyllabus(manager);
    if (isDeepStrictEqual(content, plain(firstSyllabus)) || (await isOwn(manager))) return;
    await addSyllabus(manager, studioId, uuid(), firstSyllabus, new Date(now));
  });
}
/** As it comes back from where it is stored. */
const plain = (syllabus: Syllabus): unknown => JSON.parse(JSON.stringify(syllabus));

async function withOwner<T>(
  config: Config,
  database: string,
  work: (owner: ReturnType<typeof ownerSource>) => Promise<T>,
): Promise<T> {
  const owner = ownerSource({ access: config.access, database });
  await owner.initialize();
  try {
    return await work(owner);
  } finally {
    await owner.destroy();
  }
}
