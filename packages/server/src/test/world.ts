/**
 * A server for tests over real HTTP and real PostgreSQL: a database of its own with two studios in it, so
 * that row security has something to hide. The cluster is the one `npm test` started.
 */
import { seededRandom } from '@finch/core/kernel';
import { firstSyllabus } from '@finch/core/syllabus';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent';
import type { DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { makeApp } from '../app';
import { readConfig, type DatabaseAccess } from '../platform/config';
import { appSource, dropDatabase, ensureDatabase, inStudio, ownerSource } from '../platform/database';
import { addPerson, addStudent } from '../students/students.repository';
import { addSyllabus } from '../syllabus/syllabus.repository';

interface TestStudio {
  readonly studioId: string;
  readonly teacherId: string;
  readonly ownerId: string;
  readonly studentSeatId: string;
  readonly guardianId: string;
  readonly selfTaughtId: string;
  readonly studentId: string;
  readonly otherStudentId: string;
  readonly selfTaughtStudentId: string;
}

export interface TestWorld {
  readonly access: DatabaseAccess;
  readonly databaseName: string;
  readonly database: DataSource;
  readonly owner: DataSource;
  readonly here: TestStudio;
  readonly elsewhere: TestStudio;
  /** Now of the server; may be moved. */
  readonly clock: { at: number };
  readonly logged: string[];
  /** An agent with its own cookie, sitting as a membership; null sits nowhere. */
  readonly sit: (membershipId: string | null) => Promise<TestAgent>;
  readonly end: () => Promise<void>;
}

export const NOW = Date.UTC(2026, 5, 9, 14, 52);

async function makeStudio(owner: DataSource, name: string): Promise<TestStudio> {
  const studioId = uuid();
  return inStudio(owner, studioId, async (manager) => {
    const at = new Date(NOW - 100 * 86_400_000);
    await manager.query('INSERT INTO studio (id, name, time_zone, created_at) VALUES ($1, $2, $3, $4)', [
      studioId,
      name,
      'Atlantic/Faroe',
      at,
    ]);
    await addSyllabus(manager, studioId, uuid(), firstSyllabus, at);
    const seat = async (person: string, roles: string[]) => {
      const [personId, membershipId] = [uuid(), uuid()];
      await addPerson(manager, { studioId, id: personId, name: person, bornOn: null });
      await manager.query(
        'INSERT INTO membership (studio_id, id, account_id, person_id, roles) VALUES ($1, $2, NULL, $3, $4)',
        [studioId, membershipId, personId, roles],
      );
      return { personId, membershipId };
    };
    const student = async (personId: string, membershipId: string | null) => {
      const id = uuid();
      await addStudent(manager, {
        studioId,
        id,
        personId,
        membershipId,
        timeZone: 'Atlantic/Faroe',
        note: '',
        goals: [],
        waived: [],
        practiceMinutes: 12,
        practiceDays: [1, 2, 3, 4, 5, 6, 7],
        version: 1,
        createdAt: at,
      });
      return id;
    };
    const teacher = await seat('Teacher', ['teacher']);
    const ownerSeat = await seat('Owner', ['owner']);
    const pupil = await seat('Pupil', ['student']);
    const guardian = await seat('Guardian', ['guardian']);
    const self = await seat('Self', ['self-taught']);
    const otherPerson = uuid();
    await addPerson(manager, { studioId, id: otherPerson, name: 'Other pupil', bornOn: '2014-01-01' });
    const studentId = await student(pupil.personId, pupil.membershipId);
    await manager.query(
      'INSERT INTO guardianship (studio_id, membership_id, student_id) VALUES ($1, $2, $3)',
      [studioId, guardian.membershipId, studentId],
    );
    return {
      studioId,
      teacherId: teacher.membershipId,
      ownerId: ownerSeat.membershipId,
      studentSeatId: pupil.membershipId,
      guardianId: guardian.membershipId,
      selfTaughtId: self.membershipId,
      studentId,
      otherStudentId: await student(otherPerson, null),
      selfTaughtStudentId: await student(self.personId, self.membershipId),
    };
  });
}

export async function makeTestWorld(): Promise<TestWorld> {
  const { access } = readConfig(process.env);
  const databaseName = `finch_test_${seededRandom(process.pid ^ Date.now()).int(1, 1e9)}`;
  await ensureDatabase(access, databaseName);
  const owner = ownerSource({ access, database: databaseName });
  await owner.initialize();
  await owner.runMigrations({ transaction: 'all' });
  const here = await makeStudio(owner, 'Here');
  const elsewhere = await makeStudio(owner, 'Elsewhere');
  await owner.query("INSERT INTO meta (key, value) VALUES ('studio', $1)", [here.studioId]);
  const database = appSource({ access, database: databaseName });
  await database.initialize();
  const logged: string[] = [];
  const clock = { at: NOW };
  const { app, close } = makeApp({
    database,
    databaseName,
    access: { ...access, cookie: 'a cookie secret for tests' },
    clock: { now: () => clock.at },
    log: pino({ level: 'warn' }, { write: (line: string) => void logged.push(line) }),
    demo: false,
    webDist: null,
    threads: 1,
    workerFile: join(__dirname, './worker.mjs'),
    root: join(__dirname, '../../../..'),
  });
  const server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  const origin = `http://127.0.0.1:${port}`;
  return {
    access,
    databaseName,
    database,
    owner,
    here,
    elsewhere,
    clock,
    logged,
    sit: async (membershipId) => {
      const agent = request.agent(origin).set('Origin', origin);
      if (membershipId) await agent.post('/api/session').send({ membershipId }).expect(200);
      return agent;
    },
    end: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await close();
      await database.destroy();
      await owner.destroy();
      await dropDatabase(access, databaseName);
    },
  };
}
