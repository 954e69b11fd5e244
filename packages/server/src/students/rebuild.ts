/** npm run rebuild: reads every log of a studio anew, and says where what was stored told otherwise. */
import type { DataSource } from 'typeorm';
import { inStudio } from '../platform/database';
import type { Work } from '../work/work';
import type { States } from './states.service';

/** Students read in one task. */
const CHUNK = 8;

const number = (chance: number | null): string =>
  chance === null ? 'not met' : String(Math.round(100 * chance));

/** In words, a line a difference and one that sums up; and whether anything was otherwise. @param now ms since 1970 */
export async function rebuildStudio(
  database: DataSource,
  studioId: string,
  states: States,
  work: Work,
  now: number,
): Promise<{ readonly lines: readonly string[]; readonly differs: boolean }> {
  const start = Date.now();
  const { syllabus, fit, students } = await inStudio(database, studioId, (manager) =>
    states.logs(manager, now),
  );
  const lines: string[] = [];
  const counts = { same: 0, otherwise: 0, nothing: 0 };
  let events = 0;
  for (let i = 0; i < students.length; i += CHUNK) {
    const some = students.slice(i, i + CHUNK);
    const asked = {
      studioId,
      syllabus: syllabus.content,
      difficultyFit: fit,
      students: some.map(({ log }) => log),
      now,
    };
    for (const one of await work.run('rebuildLogs', asked)) {
      counts[one.stored]++;
      events += one.events;
      if (one.stored !== 'otherwise') continue;
      const name = some.find(({ log }) => log.studentId === one.studentId)?.name ?? one.studentId;
      const skills = one.skills.map(
        ({ skillId, stored, anew }) => `${skillId} ${number(stored)}, anew ${number(anew)}`,
      );
      lines.push(`${name}: ${skills.join('; ') || 'otherwise in what no number shows'}`);
    }
  }
  const seconds = ((Date.now() - start) / 1000).toFixed(1);
  lines.push(
    `${students.length} students, ${events} events read anew in ${seconds} s: ${counts.same} as stored, ${counts.otherwise} otherwise, ${counts.nothing} with nothing to compare. What was read anew is stored.`,
  );
  return { lines, differs: counts.otherwise > 0 };
}
