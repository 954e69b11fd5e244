import type { EntityManager } from 'typeorm';

export interface FitRow {
  /** Monday of the week it is for, YYYY-MM-DD. */
  readonly week: string;
  readonly shiftLogits: Readonly<Record<string, number>>;
}

/** The fit that numbers of a week rest on: the latest that was made for it or an earlier one; null before the first. */
export async function fitFor(manager: EntityManager, week: string): Promise<FitRow | null> {
  const rows: FitRow[] = await manager.query(
    `SELECT week::text, shift_logits AS "shiftLogits" FROM studio_fit WHERE week <= $1::date ORDER BY week DESC LIMIT 1`,
    [week],
  );
  return rows[0] ?? null;
}

export async function isFitMade(manager: EntityManager, week: string): Promise<boolean> {
  const rows: unknown[] = await manager.query('SELECT 1 FROM studio_fit WHERE week = $1::date', [week]);
  return rows.length > 0;
}

/** Kept once; whoever comes second leaves it as it is. */
export async function keepFit(
  manager: EntityManager,
  studioId: string,
  { week, shiftLogits }: FitRow,
  at: Date,
): Promise<void> {
  await manager.query(
    `INSERT INTO studio_fit (studio_id, week, shift_logits, made_at) VALUES ($1, $2, $3, $4) ON CONFLICT DO NOTHING`,
    [studioId, week, JSON.stringify(shiftLogits), at],
  );
}
