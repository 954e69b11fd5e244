/** Structured logs. Bodies, cookies and names never get here; slow queries and crashes do. */
import { pino, type Logger } from 'pino';
import type { Logger as DatabaseLogger } from 'typeorm';

export function makeLogger(level: string): Logger {
  return pino({ level, redact: ['req.headers.cookie', 'password', '*.password'], base: undefined });
}

/** Slow queries by their text and time, never with their parameters. */
export function slowQueryLogger(log: Logger): DatabaseLogger {
  const silent = () => undefined;
  return {
    logQuerySlow: (time, query) => log.warn({ ms: time, query: query.slice(0, 300) }, 'slow query'),
    logQuery: silent,
    logQueryError: silent,
    logSchemaBuild: silent,
    logMigration: silent,
    log: silent,
  };
}
