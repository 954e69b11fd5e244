/**
 * npm run bench:replay: what reading a studio's logs from the first take takes, and how much memory. The logs of simulated
 * students are lived again year after year until there are so many takes (`--takes N`, 1,000,000), 5,000 a student; one
 * thread, as one of the server's. Figures are printed, never asserted.
 */
import { median } from '@finch/core/kernel';
import { makeLogReader, type LogEvent } from '@finch/core/mastery';
import { DAYS, simulatedStudent } from './students';

const DAY_MS = 86_400_000;
const EACH = 5_000;
const argument = process.argv.indexOf('--takes');
const TAKES = argument < 0 ? 1_000_000 : Number(process.argv[argument + 1]);
/** Students that are simulated; the others live the same again with other ids, since simulating them is no part of it. */
const LIVED = 20;

const lives = Array.from({ length: Math.min(LIVED, Math.ceil(TAKES / EACH)) }, (_, i) =>
  simulatedStudent(300 + i),
);

/** A log of so many takes: the same weeks again and again, each a term after the last. */
function longLog(index: number): LogEvent[] {
  const { events } = lives[index % lives.length];
  return Array.from({ length: EACH }, (_, i) => {
    const event = events[i % events.length];
    const later = Math.floor(i / events.length) * DAYS * DAY_MS;
    const startedAt = new Date(Date.parse(event.take.startedAt) + later).toISOString();
    return {
      ...event,
      id: String(i).padStart(8, '0'),
      sentAt: startedAt,
      receivedAt: startedAt,
      take: { ...event.take, startedAt },
    };
  });
}

const now = Date.UTC(2040, 0, 1);
const each: number[] = [];
const one: number[] = [];
let most = 0;
let done = 0;
const began = performance.now();
for (let student = 0; done < TAKES; student++) {
  const { context } = lives[student % lives.length];
  const log = longLog(student);
  const start = performance.now();
  const reader = makeLogReader(context);
  const before = reader.read(log.slice(0, -1), now);
  each.push(performance.now() - start);
  const last = performance.now();
  if (!reader.add(before, log.slice(-1), now)) throw new Error('one more take was not added');
  one.push(performance.now() - last);
  done += log.length;
  most = Math.max(most, process.memoryUsage.rss());
}
const reading = each.reduce((sum, ms) => sum + ms, 0);
console.log(
  [
    `${done} takes of ${each.length} students read from the first one on: ${(reading / 1000).toFixed(1)} s, ${((reading / done) * 1000).toFixed(0)} us a take`,
    `the first student ${each[0].toFixed(0)} ms, then ${median(each.slice(1)).toFixed(0)} ms a student of ${EACH}`,
    `one more take: ${median(one).toFixed(2)} ms`,
    `at most ${(most / 2 ** 20).toFixed(0)} MB; ${((performance.now() - began) / 1000).toFixed(1)} s with the making of the logs`,
  ].join('\n'),
);
