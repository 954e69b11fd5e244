/** Structured logs. Bodies, cookies and names never get here; slow queries and crashes do. */
import { pino, type Logger } from 'pino';

export function makeLogger(level: string): Logger {
  return pino({ level, redact: ['req.headers.cookie', 'password', '*.password'], base: undefined });
}
