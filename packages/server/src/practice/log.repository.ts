import type { EntityManager } from 'typeorm';
import { LogEventEntity, type LogEventRow } from '../platform/entities';

/** Adds one event; false when its id is stored already. The application may do nothing else with the log. */
export async function addEvent(manager: EntityManager, row: LogEventRow): Promise<boolean> {
  const result: unknown[] = await manager.query(
    `INSERT INTO log_event (studio_id, id, student_id, actor_id, device_id, device_seq, kind, body, happened_at, sent_at, received_at)
     VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11) ON CONFLICT DO NOTHING RETURNING id`,
    [
      row.studioId,
      row.id,
      row.studentId,
      row.actorId,
      row.deviceId,
      row.deviceSeq,
      row.kind,
      JSON.stringify(row.body),
      row.happenedAt,
      row.sentAt,
      row.receivedAt,
    ],
  );
  return result.length === 1;
}

/** Adds many rows of a made history at once. */
export async function addEvents(manager: EntityManager, rows: readonly LogEventRow[]): Promise<void> {
  for (let i = 0; i < rows.length; i += 400) {
    await manager
      .createQueryBuilder()
      .insert()
      .into(LogEventEntity)
      .values(rows.slice(i, i + 400).map((row) => ({ ...row, body: row.body as object })))
      .execute();
  }
}

/** Whose an event is and what it is; `of`: its student and whom that one is merged into. Null where it is not stored here. */
export async function eventHead(
  manager: EntityManager,
  id: string,
): Promise<{ studentId: string; of: string[]; kind: string; actorId: string } | null> {
  const rows: { student_id: string; merged_into: string | null; kind: string; actor_id: string }[] =
    await manager.query(
      `SELECT e.student_id, s.merged_into, e.kind, e.actor_id FROM log_event e
       JOIN student s ON s.studio_id = e.studio_id AND s.id = e.student_id WHERE e.id = $1`,
      [id],
    );
  const [row] = rows;
  if (!row) return null;
  const { student_id: studentId, merged_into: into, kind, actor_id: actorId } = row;
  return { studentId, of: [studentId, ...(into ? [into] : [])], kind, actorId };
}

/**
 * Whether an event is stored as it is sent: of the same student and kind, saying the same. One side may say more: a later program
 * may read more out of what was sent before.
 */
export async function isStored(manager: EntityManager, row: LogEventRow): Promise<boolean> {
  const rows: unknown[] = await manager.query(
    'SELECT 1 FROM log_event WHERE id = $1 AND student_id = $2 AND kind = $3 AND (body @> $4::jsonb OR body <@ $4::jsonb)',
    [row.id, row.studentId, row.kind, JSON.stringify(row.body)],
  );
  return rows.length === 1;
}

export interface Played {
  /** ms since 1970. */
  readonly at: number;
  readonly seconds: number;
}

/** Takes of a student and of every double since an instant, without those that were taken back. */
export async function playedTimes(
  manager: EntityManager,
  studentId: string,
  since: number,
): Promise<Played[]> {
  const rows: { at: Date; seconds: number }[] = await manager.query(
    `SELECT e.happened_at AS at, (e.body -> 'take' ->> 'durationSeconds')::float8 AS seconds FROM log_event e
     WHERE (e.student_id = $1 OR e.student_id IN (SELECT id FROM student WHERE merged_into = $1))
       AND e.kind = 'attempt' AND e.happened_at >= $2
       AND NOT EXISTS (SELECT 1 FROM log_event v WHERE v.kind = 'void' AND v.student_id = e.student_id
         AND v.body ->> 'voids' = e.id::text)`,
    [studentId, new Date(since)],
  );
  return rows.map(({ at, seconds }) => ({ at: at.getTime(), seconds }));
}
