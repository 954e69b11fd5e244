/** Who sits where, kept in the database: pruned when over, and written again an hour after the last time at the earliest. */
import connectPgSimple from 'connect-pg-simple';
import session from 'express-session';
import type { Pool } from 'pg';

export const SEATED_MS = 7 * 86_400_000;
const HOUR_MS = 3_600_000;

export function sessionStore(pool: Pool): session.Store & { close: () => Promise<void> | void } {
  const PostgresStore = connectPgSimple(session);
  const touched = new Map<string, number>();
  class Store extends PostgresStore {
    /** A week from the last hour somebody was here, not from the last click: each click would be a write. */
    override touch(id: string, data: session.SessionData, done?: () => void): void {
      const now = Date.now();
      if (now - (touched.get(id) ?? 0) < HOUR_MS) return done?.();
      for (const [other, at] of touched) if (now - at >= HOUR_MS) touched.delete(other);
      touched.set(id, now);
      super.touch(id, data, done);
    }
  }
  return new Store({
    pool,
    tableName: 'web_session',
    createTableIfMissing: false,
    pruneSessionInterval: HOUR_MS / 1000,
  });
}
