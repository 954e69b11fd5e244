import { LessonEntity, type LessonRow } from '../platform/entities';
import type { EntityManager } from 'typeorm';

const HELD = "state <> 'cancelled'";
const TAUGHT = 'student_id NOT IN (SELECT id FROM student WHERE archived_at IS NOT NULL)';

export async function addLesson(manager: EntityManager, row: LessonRow): Promise<void> {
  await manager
    .getRepository(LessonEntity)
    .insert({ ...row, plan: row.plan as object, done: row.done as object });
}

export async function lessonById(
  manager: EntityManager,
  studioId: string,
  id: string,
): Promise<LessonRow | null> {
  return manager.getRepository(LessonEntity).findOneBy({ studioId, id });
}

/** The same, held until the transaction ends, so that two who add to it come one after the other. */
export async function lessonHeld(
  manager: EntityManager,
  studioId: string,
  id: string,
): Promise<LessonRow | null> {
  return manager
    .getRepository(LessonEntity)
    .findOne({ where: { studioId, id }, lock: { mode: 'pessimistic_write' } });
}

export async function lessonsOf(
  manager: EntityManager,
  studioId: string,
  studentId: string,
): Promise<LessonRow[]> {
  return manager
    .getRepository(LessonEntity)
    .find({ where: { studioId, studentId }, order: { startsAt: 'DESC' } });
}

/** Of students who are taught; cancelled ones are among them only where that is asked for. */
export async function lessonsBetween(
  manager: EntityManager,
  from: Date,
  to: Date,
  cancelledToo = false,
): Promise<LessonRow[]> {
  return manager
    .getRepository(LessonEntity)
    .createQueryBuilder('lesson')
    .where('starts_at >= :from AND starts_at < :to', { from, to })
    .andWhere(cancelledToo ? TAUGHT : `${TAUGHT} AND ${HELD}`)
    .orderBy('starts_at')
    .getMany();
}

/** The last lesson each of these students had by then. */
export async function lastLessons(
  manager: EntityManager,
  studentIds: readonly string[],
  at: Date,
): Promise<Map<string, Pick<LessonRow, 'startsAt' | 'plan' | 'done'>>> {
  const rows: (Pick<LessonRow, 'startsAt' | 'plan' | 'done'> & { studentId: string })[] = await manager.query(
    `SELECT DISTINCT ON (student_id) student_id AS "studentId", starts_at AS "startsAt", plan, done FROM lesson
       WHERE student_id = ANY($1) AND starts_at <= $2 AND state IN ('taught', 'written')
       ORDER BY student_id, starts_at DESC, id DESC`,
    [studentIds, at],
  );
  return new Map(rows.map((row) => [row.studentId, row]));
}

export async function nextLessonAfter(manager: EntityManager, at: Date): Promise<Date | null> {
  const rows: { starts_at: Date }[] = await manager.query(
    `SELECT starts_at FROM lesson WHERE starts_at >= $1 AND ${HELD} AND ${TAUGHT} ORDER BY starts_at LIMIT 1`,
    [at],
  );
  return rows[0]?.starts_at ?? null;
}

export async function nextLessons(manager: EntityManager, at: Date): Promise<Map<string, Date>> {
  const rows: { student_id: string; starts_at: Date }[] = await manager.query(
    `SELECT student_id, min(starts_at) AS starts_at FROM lesson WHERE starts_at >= $1 AND ${HELD} GROUP BY student_id`,
    [at],
  );
  return new Map(rows.map((row) => [row.student_id, row.starts_at]));
}

/** Each student's teacher: who gives, or last gave, a lesson. */
export async function teachersBy(manager: EntityManager): Promise<Map<string, string>> {
  const rows: { studentId: string; teacherId: string }[] = await manager.query(
    `SELECT s.id AS "studentId", l.teacher_id AS "teacherId" FROM student s, LATERAL (
       SELECT teacher_id FROM lesson WHERE studio_id = s.studio_id AND student_id = s.id ORDER BY starts_at DESC, id DESC LIMIT 1) l`,
  );
  return new Map(rows.map((row) => [row.studentId, row.teacherId]));
}

export async function writeUpsOwed(manager: EntityManager): Promise<number> {
  const rows: { count: string }[] = await manager.query(
    `SELECT count(*) AS count FROM lesson WHERE state = 'taught' AND ${TAUGHT}`,
  );
  return Number(rows[0].count);
}

type Change = Partial<
  Pick<LessonRow, 'plan' | 'planStanding' | 'done' | 'note' | 'state' | 'startsAt' | 'minutes'>
>;

/** Changes a lesson when its version still is the one the writer saw; false when someone else wrote first. */
export async function changeLesson(
  manager: EntityManager,
  studioId: string,
  id: string,
  version: number,
  change: Change,
): Promise<boolean> {
  const result = await manager
    .getRepository(LessonEntity)
    .update(
      { studioId, id, version },
      { ...change, plan: change.plan as object, done: change.done as object, version: version + 1 },
    );
  return result.affected === 1;
}

/** Booked or cancelled lessons of a series from an instant on. */
export async function seriesFrom(manager: EntityManager, seriesId: string, from: Date): Promise<LessonRow[]> {
  return manager
    .getRepository(LessonEntity)
    .createQueryBuilder('lesson')
    .where("series_id = :seriesId AND starts_at >= :from AND state IN ('booked', 'cancelled')", {
      seriesId,
      from,
    })
    .orderBy('starts_at')
    .setLock('pessimistic_write')
    .getMany();
}
