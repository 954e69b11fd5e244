/** A teacher's own marks on grips and changes. A mark taken away leaves its row, so that a late write is still seen as stale. */
import type { Hook, Marks, Pin } from '@finch/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { makerOf, need, type Who } from '../accounts/rights';
import { writeInStudio } from '../platform/database';
import { notFound, Refusal } from '../platform/problems';
import { isOfStudio } from '../students/roster.service';
import { markRows, marksBy, markVersion, writeMark, type MarkRow } from './marks.repository';

const STALE = 'the newer mark; yours is still on your screen';

/** The marks of the studio: one reading for as many students as are asked. */
export interface MarkBook {
  /** The hooks of the studio and the pins of one student; none where there is no student. */
  readonly forStudent: (studentId: string | null) => Marks;
}

export async function markBook(manager: EntityManager): Promise<MarkBook> {
  return { forStudent: marksBy(await markRows(manager)) };
}

export interface MarksService {
  /** Null fingers take the pin away. */
  readonly keepPin: (
    who: Who,
    studentId: string,
    pin: Omit<Pin, 'fingers'> & { fingers: Pin['fingers'] | null },
  ) => Promise<{ version: number }>;
  /** An empty nickname without a picture takes the hook away. */
  readonly keepHook: (who: Who, hook: Hook) => Promise<{ version: number }>;
}

export function makeMarks(database: DataSource): MarksService {
  const keep = (who: Who, row: Omit<MarkRow, 'version'>, seen: number) =>
    writeInStudio(database, who.studioId, async (manager) => {
      if (row.studentId !== null && !(await isOfStudio(manager, row.studentId))) throw notFound('studentId');
      // The first of one's own is begun over the studio's: of that one nothing is changed.
      const first = row.kind === 'hook' && row.studentId !== null && (await markVersion(manager, row)) === 0;
      if (!(await writeMark(manager, who.studioId, row, first ? 0 : seen)))
        throw new Refusal('write.stale', 'version', STALE);
      return { version: await markVersion(manager, row) };
    });
  return {
    keepPin: async (who, studentId, { subject, fingers, version }) => {
      need(who, 'mark.write', studentId);
      return keep(who, { kind: 'pin', subject, studentId, content: fingers && { fingers } }, version);
    },
    keepHook: async (who, { subject, nickname, picture, version }) => {
      const content = nickname === '' && picture === null ? null : { nickname, picture };
      const row = { kind: 'hook' as const, subject, studentId: makerOf(who, 'hook.write'), content };
      return keep(who, row, version);
    },
  };
}
