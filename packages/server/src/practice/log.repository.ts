import type { LogEvent } from '@finch/core/mastery';
import type { EntityManager } from 'typeorm';
import type { Asks } from '../platform/database';
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

/** How far the log of each student goes, by student; nobody who has none. */
export async function logHeads(
  asks: Asks,
  studentIds: readonly string[] | null,
): Promise<ReadonlyMap<string, number>> {
  const rows = await asks.query<{ student_id: string; place: number }>(
    'SELECT student_id, place FROM log_head WHERE $1::uuid[] IS NULL OR student_id = ANY($1)',
    [studentIds],
  );
  return new Map(rows.map((row) => [row.student_id, row.place]));
}

/** Who is a double of whom: the students merged into each, by the one they are. */
export async function doublesBy(asks: Asks): Promise<ReadonlyMap<string, readonly string[]>> {
  const rows = await asks.query<{ into: string; ids: string[] }>(
    `SELECT merged_into AS into, array_agg(id ORDER BY id) AS ids FROM student WHERE merged_into IS NOT NULL GROUP BY 1`,
  );
  return new Map(rows.map((row) => [row.into, row.ids]));
}

type RawEvent = Omit<LogEventRow, 'studioId' | 'happenedAt'>;

const EVENT = `id, student_id AS "studentId", actor_id AS "actorId", device_id AS "deviceId", device_seq AS "deviceSeq", kind, body,
  sent_at AS "sentAt", received_at AS "receivedAt"`;

/** What was logged of a student after a place of that log. */
export async function eventsAfter(asks: Asks, studentId: string, place: number): Promise<LogEvent[]> {
  const rows = await asks.query<RawEvent>(
    `SELECT ${EVENT} FROM log_event WHERE student_id = $1 AND place > $2`,
    [studentId, place],
  );
  return rows.map(asEvent);
}

/** The takes of one drill family, of a student and of the doubles merged into them, in no order. */
export async function takesOfFamily(asks: Asks, studentId: string, family: string): Promise<LogEvent[]> {
  const rows = await asks.query<RawEvent>(
    `SELECT ${EVENT} FROM log_event
     WHERE (student_id = $1 OR student_id IN (SELECT id FROM student WHERE merged_into = $1))
       AND kind = 'attempt' AND body -> 'take' -> 'recipe' ->> 'family' = $2 ORDER BY id`,
    [studentId, family],
  );
  return rows.map(asEvent);
}

export interface SnapshotRow {
  readonly studentId: string;
  readonly ground: string;
  /** How far the log of the student and of each double was read. */
  readonly places: Readonly<Record<string, number>>;
  readonly body: Buffer;
}

export async function snapshotsOf(asks: Asks, studentIds: readonly string[]): Promise<SnapshotRow[]> {
  return asks.query<SnapshotRow>(
    'SELECT student_id AS "studentId", ground, places, body FROM log_snapshot WHERE student_id = ANY($1)',
    [studentIds],
  );
}

export async function keepSnapshot(asks: Asks, studioId: string, row: SnapshotRow): Promise<void> {
  await asks.query(
    `INSERT INTO log_snapshot (studio_id, student_id, ground, places, body) SELECT $1, id, $3, $4, $5 FROM student WHERE id = $2
     ON CONFLICT (studio_id, student_id) DO UPDATE SET ground = excluded.ground, places = excluded.places, body = excluded.body`,
    [studioId, row.studentId, row.ground, JSON.stringify(row.places), row.body],
  );
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

function asEvent({ sentAt, receivedAt, body, ...row }: RawEvent): LogEvent {
  // Bodies were parsed by the contract before they were stored; upcasters there bring old ones forward.
  const said = body as object;
  return { ...row, ...said, sentAt: sentAt.toISOString(), receivedAt: receivedAt.toISOString() } as LogEvent;
}
