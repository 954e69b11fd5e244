/**
 * Practice logs as CSV (RFC 4180): `student,skill,item,day,minute,tempoBpm,tries,clean`, sorted by time; rows are taken in the
 * order of the file.
 */
import type { PracticeRow } from '@finch/core/estimates';
import { parse } from 'csv-parse/sync';

const COLUMNS = ['student', 'skill', 'item', 'day', 'minute', 'tempoBpm', 'tries', 'clean'] as const;

/** Throws an error that names the line and what is wanted there. */
export function readPracticeCsv(text: string): PracticeRow[] {
  const lines: Record<string, string>[] = parse(text, {
    columns: true,
    bom: true,
    skip_empty_lines: true,
    trim: true,
  });
  if (lines.length === 0) throw new Error('line 2: no row is there');
  const missing = COLUMNS.filter((column) => !(column in lines[0]));
  if (missing.length)
    throw new Error(`line 1: columns ${COLUMNS.join(',')} are wanted; not there: ${missing.join(', ')}`);
  return lines.map((line, i) => {
    const wrong = (what: string) => new Error(`line ${i + 2}: ${what}`);
    const number = (column: (typeof COLUMNS)[number], least: number) => {
      const value = Number(line[column]);
      if (line[column] === '' || !Number.isFinite(value) || value < least)
        throw wrong(`${column} is a number of at least ${least}, not “${line[column]}”`);
      return value;
    };
    const tempoBpm = line.tempoBpm === '' ? null : number('tempoBpm', 0.001);
    const row: PracticeRow = {
      student: line.student,
      skill: line.skill,
      item: line.item,
      day: Math.floor(number('day', 0)),
      minute: number('minute', 0),
      tempoBpm,
      tries: number('tries', 0),
      clean: number('clean', 0),
    };
    if (row.clean > row.tries) throw wrong(`clean is at most tries, not ${row.clean} of ${row.tries}`);
    return row;
  });
}
