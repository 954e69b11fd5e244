/**
 * npm run bench:pace -- --csv FILE --out FILE: reads rows of what students played, in time order, and writes before each row
 * what is expected of it, one number a line: the chance that one change comes clean (kind `tempo`) or the expected count of
 * clean changes (kind `count`). Columns: student,months,day,kind,from,to,bpm,gapBeats,seconds,tries,clean. Fret strings such
 * as `x32010`; `months` may be empty; of a count `bpm`, `gapBeats` and `tries` are.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { gradeChange } from '@finch/core/changes';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { parseFrets } from '@finch/core/grips';
import { makePaceFilter, type PaceFilter, type PaceRow } from '@finch/core/pace';

const COLUMNS = 'student,months,day,kind,from,to,bpm,gapBeats,seconds,tries,clean';
/** Seconds taken for a change that the reference hand has no fingers for (assumed: a hard one). */
const UNHELD_SECONDS = 1.6;

class RowError extends Error {}
const number = (text: string, name: string, least: number): number => {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value) || value < least)
    throw new RowError(`${name} wants a number of ${least} or more, not "${text}"`);
  return value;
};

const known = new Map<string, number>();
/** Seconds of the reference hand, each pair worked out once. */
function refSeconds(from: string, to: string): number {
  const change = `${from}>${to}`;
  const found = known.get(change);
  if (found !== undefined) return found;
  const [a, b] = [parseFrets(from), parseFrets(to)];
  for (const [text, read] of [[from, a] as const, [to, b] as const])
    if (!read.ok || read.value.length !== standardGuitar.openPitches.length)
      throw new RowError(`"${text}" is no grip of six strings`);
  const graded = a.ok && b.ok ? gradeChange(a.value, b.value, averageHand, standardGuitar) : null;
  const seconds = graded?.ok ? graded.value.seconds : UNHELD_SECONDS;
  known.set(change, seconds);
  return seconds;
}

function readRow(
  cells: readonly string[],
): PaceRow & { readonly student: string; readonly months: number | null } {
  const [student, months, day, kind, from, to, bpm, gapBeats, seconds, tries, clean] = cells;
  const head = {
    student,
    months: months.trim() === '' ? null : number(months, 'months', 0),
    day: number(day, 'day', Number.NEGATIVE_INFINITY),
    change: `${from}>${to}`,
    refSeconds: refSeconds(from, to),
    clean: number(clean, 'clean', 0),
  };
  if (kind === 'count') return { ...head, kind, seconds: number(seconds, 'seconds', 1) };
  if (kind !== 'tempo') throw new RowError(`kind wants tempo or count, not "${kind}"`);
  const of = number(tries, 'tries', 1);
  if (head.clean > of) throw new RowError(`${head.clean} clean of ${of} tries`);
  return {
    ...head,
    kind,
    bpm: number(bpm, 'bpm', 1),
    gapBeats: number(gapBeats, 'gapBeats', 0.01),
    tries: of,
  };
}

/** What is expected of a row before it is taken in. */
function expectation(filter: PaceFilter, row: PaceRow): number {
  filter.advance(row.day);
  return row.kind === 'tempo'
    ? filter.chance(row.change, row.refSeconds, (60 * row.gapBeats) / row.bpm)
    : filter.count(row.change, row.refSeconds, row.seconds);
}

function main(): void {
  const { values } = parseArgs({ options: { csv: { type: 'string' }, out: { type: 'string' } } });
  if (!values.csv || !values.out) throw new RowError('npm run bench:pace -- --csv FILE --out FILE');
  const lines = readFileSync(values.csv, 'utf8')
    .replace(/^\uFEFF/, '')
    .split(/\r?\n/);
  if (lines[0]?.trim() !== COLUMNS) throw new RowError(`line 1: the columns are ${COLUMNS}`);
  const started = performance.now();
  const filters = new Map<string, PaceFilter>();
  const said = lines.slice(1).flatMap((line, i) => {
    if (line.trim() === '') return [];
    try {
      const cells = line.split(',');
      if (cells.length !== COLUMNS.split(',').length) throw new RowError(`${cells.length} columns`);
      const row = readRow(cells);
      let filter = filters.get(row.student);
      if (!filter) filters.set(row.student, (filter = makePaceFilter(row.months)));
      const told = expectation(filter, row);
      filter.absorb(row);
      return [told.toFixed(6)];
    } catch (problem) {
      if (problem instanceof RowError) throw new RowError(`line ${i + 2}: ${problem.message}`);
      throw problem;
    }
  });
  writeFileSync(values.out, `${said.join('\n')}\n`);
  console.log(
    `${said.length} rows of ${filters.size} students, ${((performance.now() - started) / 1000).toFixed(1)} s, ${Math.round(process.memoryUsage().rss / 1e6)} MB`,
  );
}

try {
  main();
} catch (problem) {
  if (!(problem instanceof RowError) && !(problem instanceof Error && 'code' in problem)) throw problem;
  console.error(problem.message);
  process.exitCode = 1;
}
