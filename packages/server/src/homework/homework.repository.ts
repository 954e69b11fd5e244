import { upcastWeek } from '@finch/contract';
import type { HomeWeek } from '@finch/core/planning';
import type { EntityManager } from 'typeorm';

export interface KeptWeek {
  readonly studentId: string;
  /** Null where it was taken back. */
  readonly week: HomeWeek | null;
  readonly keptAt: Date;
  readonly version: number;
}

export async function weeksOf(manager: EntityManager, studentIds: readonly string[]): Promise<KeptWeek[]> {
  const rows: (Omit<KeptWeek, 'week'> & { week: unknown })[] = await manager.query(
    'SELECT student_id AS "studentId", week, kept_at AS "keptAt", version FROM home_week WHERE student_id = ANY($1)',
    [studentIds],
  );
  return rows.map((row) => ({ ...row, week: upcastWeek(row.week) }));
}

/** Writes over the version the writer saw (0: none yet); null takes the week back. False when stale. */
export async function writeWeek(
  manager: EntityManager,
  row: { studioId: string; studentId: string; week: HomeWeek | null; at: Date },
  seen: number,
): Promise<boolean> {
  const values = [row.studioId, row.studentId, row.week && JSON.stringify(row.week), row.at];
  if (seen === 0) {
    const made: unknown[] = await manager.query(
      `INSERT INTO home_week (studio_id, student_id, week, kept_at) VALUES ($1, $2, $3, $4)
       ON CONFLICT (studio_id, student_id) DO NOTHING RETURNING 1`,
      values,
    );
    return made.length === 1;
  }
  const changed: [unknown, number] = await manager.query(
    `UPDATE home_week SET week = $3, kept_at = $4, version = version + 1
     WHERE studio_id = $1 AND student_id = $2 AND version = $5`,
    [...values, seen],
  );
  return changed[1] === 1;
}
