import type { LogEvent } from '@finch/core/mastery';
import { In, type EntityManager } from 'typeorm';
import { LogEventEntity, type LogEventRow } from '../platform/entities';

/** The log of a student and of every double merged into them: rows keep who they were made for. */
const OF_STUDENT = 'student_id = $1 OR student_id IN (SELECT id FROM student WHERE merged_into = $1)';

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

export async function eventCount(
  manager: EntityManager,
  studentId: string,
): Promise<{ count: number; last: string | null }> {
  const rows: { count: string; last: string | null }[] = await manager.query(
    `SELECT count(*) AS count, max(id::text) AS last FROM log_event WHERE ${OF_STUDENT}`,
    [studentId],
  );
  return { count: Number(rows[0].count), last: rows[0].last };
}

/** Events of a student, optionally only those after an id that sorts before them. */
export async function eventsOf(
  manager: EntityManager,
  studioId: string,
  studentId: string,
): Promise<LogEvent[]> {
  const doubles: { id: string }[] = await manager.query('SELECT id FROM student WHERE merged_into = $1', [
    studentId,
  ]);
  const rows = await manager.getRepository(LogEventEntity).find({
    where: { studioId, studentId: In([studentId, ...doubles.map((row) => row.id)]) },
    order: { id: 'ASC' },
  });
  return rows.map(asEvent);
}

export async function eventIds(
  manager: EntityManager,
  studentId: string,
  ids: readonly string[],
): Promise<Set<string>> {
  const rows: { id: string }[] = await manager.query(
    `SELECT id FROM log_event WHERE (${OF_STUDENT}) AND id = ANY($2::uuid[])`,
    [studentId, ids],
  );
  return new Set(rows.map((row) => row.id));
}

function asEvent(row: LogEventRow): LogEvent {
  const head = {
    schemaVersion: 1 as const,
    id: row.id,
    studentId: row.studentId,
    actorId: row.actorId,
    deviceId: row.deviceId,
    deviceSeq: row.deviceSeq,
    sentAt: row.sentAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
  };
  // Bodies were parsed by the contract before they were stored; upcasters there bring old ones forward.
  return { ...head, kind: row.kind, ...(row.body as object) } as LogEvent;
}
