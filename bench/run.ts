/**
 * npm run bench: a table of what, median and aim. Times are medians on the machine it runs on, one process;
 * aims are goals, never asserted. `--json` prints the rows as JSON, `--screen` adds what is measured in the browser, `--slow`
 * the same at a quarter of the speed, `--playback` two minutes of clicks, `--misses`
 * lists the usual grips that come late or are fingered otherwise. Proofs on simulated students stand below.
 */
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { gradeGrip } from '@finch/core/effort';
import { findKeys, harmonizeMelody, scaleMelody } from '@finch/core/harmony';
import { drawKeySheet, keysFor } from '@finch/core/paper';
import { gradeChange, heldStates, packedChanges, pathMemory, planPath } from '@finch/core/changes';
import { parseFrets } from '@finch/core/grips';
import { median, must, seededRandom } from '@finch/core/kernel';
import { checkSheet, findShapes, scoreUsualGrips, trueSigns } from '@finch/core/shapes';
import { makeKey, parseChord, QUALITIES } from '@finch/core/theory';
import { forecastProof } from './forecast';
import { paceProof } from './pace';
import { predictionProof } from './prediction';

interface Row {
  readonly what: string;
  readonly median: string;
  readonly aim: string;
}

const ROOTS = 'C Db D Eb E F Gb G Ab A Bb B'.split(' ');
const chords = ROOTS.flatMap((root) => QUALITIES.map((quality) => must(parseChord(root + quality.suffix))));

const SIXTY_FOUR = Array.from({ length: 64 }, (_, i) =>
  must(parseChord('C A7 Dm7 G7 Em7 Am F Fm'.split(' ')[i % 8])),
);

const AB = must(makeKey('Ab major'));
const TWO_OCTAVES = {
  melody: scaleMelody(AB, 1, 2, { instrument: standardGuitar }),
  key: AB,
  by: 'degree',
  string: 1,
  outside: 'pass over',
  bass: false,
  hand: averageHand,
  instrument: standardGuitar,
  maxEffort: 70,
} as const;
const FIFTEEN = keysFor('major', 15).map((key) => key.name);
const KEY_SHEET = {
  title: 'Keys',
  foot: '',
  sevenths: true,
  blank: false,
  school: 'by degree',
  names: {},
  signs: trueSigns,
} as const;

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

function each(what: string, aim: string, work: () => void, batch: number, runs = 40): Row {
  for (let i = 0; i < 3; i++) work();
  const us =
    (median(
      times(() => {
        for (let i = 0; i < batch; i++) work();
      }, runs),
    ) /
      batch) *
    1000;
  return { what, median: us < 10_000 ? `${us.toFixed(1)} us` : `${(us / 1000).toFixed(0)} ms`, aim };
}

/** 100,000 random strings, half of them from the alphabet of chord symbols: the slowest thousandth is what counts. */
function parseRows(): Row[] {
  const random = seededRandom(60);
  const alphabet = 'ABCDEFGHabmjinoduslt#b+-°øΔ♭♯−0123456789()/,. ';
  const texts = Array.from({ length: 100_000 }, (_, i) =>
    Array.from({ length: random.int(0, i % 2 ? 12 : 40) }, () =>
      i % 2
        ? [...alphabet][random.int(0, alphabet.length - 1)]
        : String.fromCodePoint(random.int(32, 0x2fff)),
    ).join(''),
  );
  const took = times((i) => void parseChord(texts[i]), texts.length).sort((a, b) => a - b);
  const at = (share: number) => took[Math.floor(took.length * share)];
  return [
    {
      what: 'a chord symbol read, 100,000 random strings, median and 99.9th percentile',
      median: `${(at(0.5) * 1000).toFixed(1)} us, ${at(0.999).toFixed(2)} ms`,
      aim: '1 ms at 99.9',
    },
  ];
}

const SHEET = Array.from({ length: 250 }, (_, i) => {
  const symbol = chords[(i * 7) % chords.length].symbol;
  return `${symbol} x32010\nAm x02220\nC#: C# F G#\n${symbol} 133211`;
}).join('\n');

function usualRows(): Row[] {
  const score = scoreUsualGrips();
  if (process.argv.includes('--misses')) console.log(score.misses.join('\n'));
  const share = (n: number, of: number) => `${((100 * n) / of).toFixed(1)} %`;
  return [
    { what: `usual grips found, of ${score.grips}`, median: share(score.found, score.grips), aim: '99 %' },
    { what: '  in the first 40', median: share(score.inFirst40, score.grips), aim: '95 %' },
    { what: '  in the first six', median: share(score.inFirst6, score.grips), aim: '85 %' },
    {
      what: `  a usual one first, of ${score.chords} chords`,
      median: share(score.firstUsual, score.chords),
      aim: '75 %',
    },
    {
      what: `  one a teacher shows first, of ${score.everyday} everyday chords`,
      median: share(score.everydayFirst, score.everyday),
      aim: '90 %',
    },
    {
      what: '  fingering equal or tied',
      median: share(score.fingered, score.grips),
      aim: '90 %',
    },
  ];
}

const PATH_TUNE = 'Dbmaj7 Bbm7 Ebm7 Ab7 Fm7 Bb7 Gbmaj7 Abm7 Db7 Gbmaj7 Gbm6 Dbmaj7 Cm7b5 F7 Bbm7 Eb9'.split(
  ' ',
);

/** A progression of sixteen chords, again and again; the first question pays for grips and changes, later ones do not. */
function pathRows(): Row[] {
  const asked = (count: number) =>
    Array.from({ length: count }, (_, i) => must(parseChord(PATH_TUNE[i % PATH_TUNE.length])));
  const [short, long] = [asked(32), asked(128)];
  const options = { hand: averageHand, instrument: standardGuitar, limits: { bass: 'any' as const } };
  const first = times(() => void planPath(short, options), 9);
  const memory = pathMemory();
  planPath(long, options, memory);
  const cached = (chords: typeof short, others = 0) =>
    `${median(times(() => void planPath(chords, { ...options, others }, memory), 15)).toFixed(1)} ms`;
  return [
    {
      what: 'a path over 32 chords, 40 grips each, grips and changes kept',
      median: cached(short),
      aim: '10 ms',
    },
    { what: '  128 chords', median: cached(long), aim: '60 ms' },
    { what: '  32 chords with two more that really differ', median: cached(short, 2), aim: '' },
    { what: '  32 chords, asked for the first time', median: `${median(first).toFixed(0)} ms`, aim: '' },
  ];
}

/** Changes as a path asks for them: between grips met before, without a word of explanation. */
function packedRow(): Row {
  const made = PATH_TUNE.slice(0, 2).map((symbol) =>
    heldStates(
      findShapes({
        chord: must(parseChord(symbol)),
        instrument: standardGuitar,
        hand: averageHand,
        limits: { bass: 'any' },
      })
        .slice(0, 40)
        .map((grip) => grip.frets),
      averageHand,
      standardGuitar,
    ),
  );
  const [from, to] = made;
  const pairs = from.length * to.length;
  const seconds = packedChanges(averageHand, standardGuitar);
  const all = () => {
    for (const a of from) for (const b of to) seconds(a, b);
  };
  all();
  const us = (median(times(all, 15)) * 1000) / pairs;
  return { what: `one change graded, packed (${pairs} pairs)`, median: `${us.toFixed(2)} us`, aim: '3 us' };
}

function rows(): Row[] {
  const frets = (text: string) => must(parseFrets(text));
  const [c, g, f] = [frets('x32010'), frets('320003'), frets('133211')];
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  const searches = [searchRow('root', '2 ms'), searchRow('any', '8 ms')];
  globalThis.gc?.();
  const caches = (process.memoryUsage().heapUsed - before) / 1e6;
  return [
    ...searches,
    {
      what: 'memory kept by caches after all chords',
      median: `${caches.toFixed(0)} MB`,
      aim: '60 MB',
    },
    each(
      'one grip graded and explained (F barre)',
      '',
      () => void gradeGrip(f, averageHand, standardGuitar),
      200,
    ),
    each(
      'one change graded and explained (C to G)',
      '50 us',
      () => void gradeChange(c, g, averageHand, standardGuitar),
      100,
    ),
    packedRow(),
    ...pathRows(),
    ...parseRows(),
    each('a sheet of 1,000 lines checked', '1 s', () => void checkSheet(SHEET), 1),
    each('the keys of 64 chords', '20 ms', () => void findKeys(SIXTY_FOUR), 1),
    each('a melody on top, two octaves up and down', '100 ms', () => void harmonizeMelody(TWO_OCTAVES), 1),
    each('fifteen keys drawn for paper', '2 s', () => void drawKeySheet(FIFTEEN, KEY_SHEET), 1),
    ...usualRows(),
    ...paceProof(),
    ...predictionProof(),
    ...forecastProof(),
  ];
}

async function table(): Promise<void> {
  const made = rows();
  if (process.argv.includes('--screen')) made.push(...(await (await import('./screen')).screenRows()));
  if (process.argv.includes('--slow')) made.push(...(await (await import('./slow')).slowRows()));
  if (process.argv.includes('--playback')) made.push(...(await (await import('./playback')).playbackRows()));
  if (process.argv.includes('--json')) console.log(JSON.stringify(made, null, 2));
  else {
    const width = Math.max(...made.map((row) => row.what.length));
    console.log(`${'what'.padEnd(width)}  ${'median'.padStart(16)}  aim`);
    for (const row of made) console.log(`${row.what.padEnd(width)}  ${row.median.padStart(16)}  ${row.aim}`);
  }
}

// A server of its own, and minutes: apart from the rest.
if (process.argv.includes('--load')) await import('./load');
else await table();
