/** The log as it is read: what is new of it, how far it goes, and what was read before. Asked on a thread's own connection too. */
import type { LogEvent } from '@finch/core/mastery';
import type { Asks } from '../platform/database';
import type { LogEventRow } from '../platform/entities';

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

/**
 * Questions of a student and their answers, with those of doubles and with what of them was taken back; of everybody where nobody
 * is named. Told of whom a double was merged into.
 */
export async function askedOf(asks: Asks, studentId: string | null): Promise<LogEvent[]> {
  const rows = await asks.query<RawEvent>(
    `WITH asked AS (
       SELECT e.*, coalesce(s.merged_into, e.student_id) AS of FROM log_event e
       JOIN student s ON s.studio_id = e.studio_id AND s.id = e.student_id
       WHERE e.kind IN ('question', 'answer') AND ($1::uuid IS NULL OR e.student_id = $1 OR s.merged_into = $1)
     )
     SELECT ${EVENT.replace('student_id AS', 'of AS')} FROM asked
     UNION ALL
     SELECT ${EVENT} FROM log_event WHERE kind = 'void' AND body ->> 'voids' IN (SELECT id::text FROM asked)`,
    [studentId],
  );
  return rows.map(asEvent);
}

/** Check-ups of a student and of doubles with the takes they name, and what of all that was taken back. */
export async function checkUpsIn(asks: Asks, studentId: string): Promise<LogEvent[]> {
  const rows = await asks.query<RawEvent>(
    `WITH own AS (SELECT id FROM student WHERE id = $1 OR merged_into = $1),
     said AS (SELECT * FROM log_event WHERE kind = 'check-up' AND student_id IN (SELECT id FROM own)),
     named AS (SELECT (one ->> 'takeId')::uuid AS id FROM said, jsonb_array_elements(body -> 'takes') AS one),
     heard AS (
       SELECT * FROM said UNION ALL
       SELECT * FROM log_event WHERE kind = 'attempt' AND id IN (SELECT id FROM named) AND student_id IN (SELECT id FROM own)
     )
     SELECT ${EVENT} FROM heard UNION ALL
     SELECT ${EVENT} FROM log_event WHERE kind = 'void' AND body ->> 'voids' IN (SELECT id::text FROM heard)`,
    [studentId],
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

function asEvent({ sentAt, receivedAt, body, ...row }: RawEvent): LogEvent {
  // Bodies were parsed by the contract before they were stored; upcasters there bring old ones forward.
  const said = body as object;
  return { ...row, ...said, sentAt: sentAt.toISOString(), receivedAt: receivedAt.toISOString() } as LogEvent;
}
