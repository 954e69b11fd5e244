import { pino } from 'pino';
import { slowQueryLogger } from './logging';

test('a slow query is logged by text and time, without what was asked for', () => {
  const lines: string[] = [];
  const logger = slowQueryLogger(pino({ level: 'warn' }, { write: (line: string) => void lines.push(line) }));
  logger.logQuerySlow(812, 'SELECT name FROM person WHERE id = $1', ['secret']);
  logger.logQuery('SELECT 1', ['secret']);
  logger.logQueryError('broken', 'SELECT 2', ['secret']);
  expect(lines).toHaveLength(1);
  expect(JSON.parse(lines[0])).toMatchObject({
    ms: 812,
    query: 'SELECT name FROM person WHERE id = $1',
    msg: 'slow query',
  });
  expect(lines[0]).not.toContain('secret');
});
