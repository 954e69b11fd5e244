// What a dump holds, told by its list of contents alone: nothing of it is run.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { postgresBin } from './packages.mjs';

/** Tables and a function that only a dump of ours has together; a table that merely has a name of ours is somebody else's. */
const OURS = ['TABLE public log_event', 'TABLE public studio', 'TABLE public membership', 'TABLE public student', 'TABLE public migration', 'FUNCTION public erase_student(uuid)']; // prettier-ignore

/** Whether a file is a dump of a studio; false of what is no dump at all. */
export function isStudioDump(file) {
  const list = spawnSync(join(postgresBin(), 'pg_restore'), ['--list', file], { encoding: 'utf8' });
  return list.status === 0 && OURS.every((one) => list.stdout.includes(`${one} finch_owner`));
}
