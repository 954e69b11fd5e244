import { hookSchema, pinSchema, type Hook, type Marks, type Pin } from '@finch/contract';
import type { EntityManager } from 'typeorm';
import * as v from 'valibot';

export interface MarkRow {
  readonly kind: 'pin' | 'hook';
  readonly subject: string;
  readonly studentId: string | null;
  readonly content: unknown;
  readonly version: number;
}

/** Every mark of the studio set in this transaction, in a fixed order. */
export async function markRows(manager: EntityManager): Promise<MarkRow[]> {
  return (await manager.query(
    `SELECT kind, subject, student_id AS "studentId", content, version FROM grip_mark
     WHERE content <> 'null'::jsonb ORDER BY kind, subject, student_id`,
  )) as MarkRow[];
}

/** The hooks of the studio, a student's own before them, and the pins of each, every row read once; what cannot be read is no mark. */
export function marksBy(rows: readonly MarkRow[]): (studentId: string | null) => Marks {
  const pins = new Map<string | null, Pin[]>();
  const hooks = new Map<string | null, Hook[]>();
  const add = <T>(to: Map<string | null, T[]>, { studentId }: MarkRow, one: T) =>
    to.set(studentId, [...(to.get(studentId) ?? []), one]);
  for (const row of rows) {
    const whole = { ...(row.content as object), subject: row.subject, version: row.version };
    if (row.kind === 'hook') {
      const hook = v.safeParse(hookSchema, whole);
      if (hook.success) add(hooks, row, hook.output);
    } else {
      const pin = v.safeParse(pinSchema, whole);
      if (pin.success) add(pins, row, pin.output);
    }
  }
  const shared = hooks.get(null) ?? [];
  return (studentId) => {
    const own = studentId === null ? [] : (hooks.get(studentId) ?? []);
    const mine = new Set(own.map((hook) => hook.subject));
    return {
      pins: studentId === null ? [] : (pins.get(studentId) ?? []),
      hooks: own.length ? [...shared.filter((hook) => !mine.has(hook.subject)), ...own] : shared,
    };
  };
}

/** Writes a mark over the version the writer saw (0: none yet); null content takes it away. False when stale. */
export async function writeMark(
  manager: EntityManager,
  studioId: string,
  row: Omit<MarkRow, 'version'>,
  seen: number,
): Promise<boolean> {
  const values = [studioId, row.kind, row.subject, row.studentId, JSON.stringify(row.content)];
  if (seen === 0) {
    const made: unknown[] = await manager.query(
      `INSERT INTO grip_mark (studio_id, kind, subject, student_id, content) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (studio_id, kind, subject, student_id) DO UPDATE SET content = excluded.content, version = grip_mark.version + 1
         WHERE grip_mark.content = 'null'::jsonb
       RETURNING 1`,
      values,
    );
    return made.length === 1;
  }
  const changed: [unknown, number] = await manager.query(
    `UPDATE grip_mark SET content = $5, version = version + 1
     WHERE studio_id = $1 AND kind = $2 AND subject = $3 AND student_id IS NOT DISTINCT FROM $4::uuid AND version = $6`,
    [...values, seen],
  );
  return changed[1] === 1;
}

export async function markVersion(
  manager: EntityManager,
  row: Pick<MarkRow, 'kind' | 'subject' | 'studentId'>,
): Promise<number> {
  const found: { version: number }[] = await manager.query(
    'SELECT version FROM grip_mark WHERE kind = $1 AND subject = $2 AND student_id IS NOT DISTINCT FROM $3::uuid',
    [row.kind, row.subject, row.studentId],
  );
  return found[0]?.version ?? 0;
}
