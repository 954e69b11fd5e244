/**
 * Sitting down. Nobody signs in yet: on this computer anyone may sit down as anyone of the studio served, and
 * the server holds them to that person's rights. The session cookie is the only thing that says who sits.
 */
import type { Role, Seat, SessionBody } from '@finch/contract';
import { ageAt } from '@finch/core/hands';
import type { Request } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { Clock } from '../platform/clock';
import { inStudio, readMeta, writeInStudio } from '../platform/database';
import { notFound, Refusal } from '../platform/problems';
import * as repository from './accounts.repository';
import { need, type Who } from './rights';

declare module 'express-session' {
  interface SessionData {
    membershipId: string;
  }
}

const SEAT_ORDER: readonly Role[] = ['teacher', 'owner', 'student', 'guardian', 'self-taught'];

/** The studio of this transaction, for other capabilities; null before one was made. */
export const studioOf = (manager: EntityManager) => repository.studioRecord(manager);

/** Who is in charge of a student, by name. */
export const guardiansOf = (manager: EntityManager, studentId: string): Promise<readonly string[]> =>
  repository.guardianNames(manager, studentId);

export interface Accounts {
  /** Who sits; refuses with 401 when nobody does. */
  readonly identify: (request: Request) => Promise<Who>;
  readonly seats: () => Promise<Seat[]>;
  readonly session: (request: Request) => Promise<SessionBody>;
  readonly sitDown: (request: Request, membershipId: string) => Promise<SessionBody>;
  readonly standUp: (request: Request) => Promise<SessionBody>;
  readonly nameStudio: (
    request: Request,
    names: { name: string; teacher: string; timeZone: string },
  ) => Promise<SessionBody>;
  readonly nameSeat: (who: Who, membershipId: string, name: string) => Promise<{ membershipId: string }>;
}

export function makeAccounts(database: DataSource, clock: Clock, demo: boolean): Accounts {
  const studioId = async (): Promise<string> => {
    const id = await readMeta(database, 'studio');
    if (!id) throw notFound('studio');
    return id;
  };
  const seatOf = (record: repository.SeatRecord): Seat => ({
    membershipId: record.membershipId,
    name: record.name,
    roles: record.roles as Role[],
    studentId: record.ownStudents[0] ?? null,
    about: about(record, clock.now()),
  });
  const find = async (studio: string, membershipId: string) =>
    (await inStudio(database, studio, (manager) => repository.seatRecords(manager, membershipId)))[0] ?? null;

  const session = async (request: Request): Promise<SessionBody> => {
    const studio = await studioId();
    const record = request.session.membershipId ? await find(studio, request.session.membershipId) : null;
    const found = await inStudio(database, studio, (manager) => repository.studioRecord(manager));
    return {
      seat: record ? seatOf(record) : null,
      studio: found ? { ...found, demo, madeFor: await readMeta(database, 'made-for') } : null,
      now: new Date(clock.now()).toISOString(),
    };
  };
  const identify = async (request: Request): Promise<Who> => {
    const membershipId = request.session.membershipId;
    if (!membershipId) throw new Refusal('seat.none', 'session', 'somebody who sits down first');
    const studio = await studioId();
    const record = await find(studio, membershipId);
    if (!record) throw new Refusal('seat.none', 'session', 'somebody of this studio');
    return { studioId: studio, membershipId, roles: record.roles as Role[], ownStudents: record.ownStudents };
  };
  return {
    identify,
    session,
    seats: async () => {
      const studio = await studioId();
      const found = (await inStudio(database, studio, (manager) => repository.seatRecords(manager))).map(
        seatOf,
      );
      return found.sort((a, b) => SEAT_ORDER.indexOf(a.roles[0]) - SEAT_ORDER.indexOf(b.roles[0]));
    },
    sitDown: async (request, membershipId) => {
      if (!(await find(await studioId(), membershipId))) throw notFound('membershipId');
      // A new session id for a new person, so that an old cookie never carries over.
      await new Promise<void>((resolve, reject) =>
        request.session.regenerate((error) => (error ? reject(error) : resolve())),
      );
      request.session.membershipId = membershipId;
      return session(request);
    },
    standUp: async (request) => {
      await new Promise<void>((resolve, reject) =>
        request.session.regenerate((error) => (error ? reject(error) : resolve())),
      );
      return session(request);
    },
    nameStudio: async (request, names) => {
      const who = await identify(request);
      need(who, 'studio.name');
      await writeInStudio(database, who.studioId, async (manager) => {
        await repository.nameStudio(manager, names.name, names.timeZone);
        await repository.namePerson(manager, who.studioId, who.membershipId, names.teacher);
      });
      return session(request);
    },
    nameSeat: async (who, membershipId, name) => {
      if (membershipId !== who.membershipId) need(who, 'studio.name');
      if (!(await find(who.studioId, membershipId))) throw notFound('membershipId');
      await writeInStudio(database, who.studioId, (manager) =>
        repository.namePerson(manager, who.studioId, membershipId, name),
      );
      return { membershipId };
    },
  };
}

function about(record: repository.SeatRecord, now: number): string {
  const age = ageAt(record.bornOn, now);
  return [record.roles.join(' and '), age === null ? '' : String(age)].filter(Boolean).join(', ');
}
