/**
 * npm run bench: a table of what, median and aim. Times are medians on the machine it runs on, one process;
 * aims are goals, never asserted. `--json` prints the rows as JSON, `--screen` adds what is measured in the browser. Proofs on simulated students stand below.
 */
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { gradeGrip } from '@finch/core/effort';
import { gradeChange } from '@finch/core/changes';
import { parseFrets } from '@finch/core/grips';
import { median, must } from '@finch/core/kernel';
import { findShapes } from '@finch/core/shapes';
import { parseChord, QUALITIES } from '@finch/core/theory';
import { predictionProof } from './prediction';

interface Row {
  readonly what: string;
  readonly median: string;
  readonly aim: string;
}

const ROOTS = 'C Db D Eb E F Gb G Ab A Bb B'.split(' ');
const chords = ROOTS.flatMap((root) => QUALITIES.map((quality) => must(parseChord(root + quality.suffix))));

function times(work: (i: number) => void, count: number): number[] {
  return Array.from({ length: count }, (_, i) => {
    const start = performance.now();
    work(i);
    return performance.now() - start;
  });
}

function searchRow(bass: 'root' | 'any', aim: string): Row {
  const one = (i: number) =>
    findShapes({ chord: chords[i], instrument: standardGuitar, hand: averageHand, limits: { bass } });
  for (let i = 0; i < chords.length; i++) one(i);
  const ms = median(times(one, chords.length));
  return {
    what: `all grips of a chord, ${bass === 'root' ? 'root in the bass' : 'any bass'}`,
    median: `${ms.toFixed(2)} ms`,
    aim,
  };
}

function each(what: string, aim: string, work: () => void, batch: number): Row {
  for (let i = 0; i < 3; i++) work();
  const us =
    (median(
      times(() => {
        for (let i = 0; i < batch; i++) work();
      }, 40),
    ) /
      batch) *
    1000;
  return { what, median: `${us.toFixed(1)} us`, aim };
}

function rows(): Row[] {
  const frets = (text: string) => must(parseFrets(text));
  const [c, g, f] = [frets('x32010'), frets('320003'), frets('133211')];
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  const searches = [searchRow('root', '5 ms'), searchRow('any', '8 ms (step 2)')];
  globalThis.gc?.();
  const caches = (process.memoryUsage().heapUsed - before) / 1e6;
  return [
    ...searches,
    {
      what: 'memory kept by caches after all chords',
      median: `${caches.toFixed(0)} MB`,
      aim: '60 MB (step 2)',
    },
    each(
      'one grip graded and explained (F barre)',
      '',
      () => void gradeGrip(f, averageHand, standardGuitar),
      200,
    ),
    each(
      'one change graded and explained (C to G)',
      '50 us (step 3)',
      () => void gradeChange(c, g, averageHand, standardGuitar),
      100,
    ),
    ...predictionProof(),
  ];
}

const made = rows();
if (process.argv.includes('--screen')) made.push(...(await (await import('./screen')).screenRows()));
if (process.argv.includes('--json')) console.log(JSON.stringify(made, null, 2));
else {
  const width = Math.max(...made.map((row) => row.what.length));
  console.log(`${'what'.padEnd(width)}  ${'median'.padStart(16)}  aim`);
  for (const row of made) console.log(`${row.what.padEnd(width)}  ${row.median.padStart(16)}  ${row.aim}`);
}
