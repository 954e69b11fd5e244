import { someSchoolsSchema, type SchoolScope, type SomeSchools } from '@finch/contract';
import type { EntityManager } from 'typeorm';
import * as v from 'valibot';

export interface SchoolRow {
  readonly scope: SchoolScope;
  readonly subjectId: string;
  readonly says: SomeSchools;
  readonly version: number;
}

/** Every layer of the studio set in this transaction. What a later version cannot read says nothing. */
export async function schoolRows(manager: EntityManager): Promise<SchoolRow[]> {
  const rows: (Omit<SchoolRow, 'says'> & { says: unknown })[] = await manager.query(
    'SELECT scope, subject_id AS "subjectId", says, version FROM school_choice ORDER BY scope, subject_id',
  );
  return rows.map((row) => {
    const read = v.safeParse(someSchoolsSchema, row.says);
    return { ...row, says: read.success ? read.output : {} };
  });
}

/** Writes a layer over the version the writer saw (0: none yet); false when someone else wrote first. */
export async function writeSchool(
  manager: EntityManager,
  studioId: string,
  row: Omit<SchoolRow, 'version'>,
  seen: number,
): Promise<boolean> {
  const values = [studioId, row.scope, row.subjectId, JSON.stringify(row.says)];
  if (seen === 0) {
    const made: unknown[] = await manager.query(
      `INSERT INTO school_choice (studio_id, scope, subject_id, says) VALUES ($1, $2, $3, $4)
       ON CONFLICT DO NOTHING RETURNING 1`,
      values,
    );
    return made.length === 1;
  }
  const changed: [unknown, number] = await manager.query(
    `UPDATE school_choice SET says = $4, version = version + 1
     WHERE studio_id = $1 AND scope = $2 AND subject_id = $3 AND version = $5`,
    [...values, seen],
  );
  return changed[1] === 1;
}
