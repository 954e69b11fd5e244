/**
 * npm run bench:estimates: how well the estimator foretells rows it has not seen, in worlds whose truth it never reads, from the
 * fifth week on: mean log loss a try, share of the way from the best of three plain ones to the truth, calibration, and how often
 * the 80 % band holds the true chance. `--csv FILE --out FILE` reads any log of `student,skill,item,day,minute,tempoBpm,tries,clean`
 * sorted by time, and writes a chance a line, each said before its row is seen.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { makeElo, makeEstimator, VOICES, type PracticeRow } from '@finch/core/estimates';
import { clamp, logistic, mean } from '@finch/core/kernel';
import { PRACTICE_WORLDS, practiceLog, type TrueRow } from '@finch/core/simulation';
import { readPracticeCsv } from './practice-csv';

const FROM_DAY = 28;
const DAYS = 98;
const STUDENTS = 30;
const SEEDS = [101, 202, 303];
const BINS = 10;

/** Says a chance of each row before it takes the row in. */
interface Foreteller {
  readonly say: (row: PracticeRow) => number;
  readonly learn: (row: PracticeRow) => void;
}

/** Share of clean tries of this student and skill so far, one of two added. */
function runningMean(most = Number.POSITIVE_INFINITY): Foreteller {
  const seen = new Map<string, { clean: number; tries: number }[]>();
  const key = ({ student, skill }: PracticeRow) => `${student}\n${skill}`;
  return {
    say: (row) => {
      const rows = (seen.get(key(row)) ?? []).slice(-most);
      const sum = (of: 'clean' | 'tries') => rows.reduce((total, one) => total + one[of], 0);
      return (sum('clean') + 1) / (sum('tries') + 2);
    },
    learn: (row) => void seen.set(key(row), [...(seen.get(key(row)) ?? []), row].slice(-Math.min(most, 400))),
  };
}
function ratings(): Foreteller {
  const elo = makeElo();
  return { say: (row) => logistic(elo.say(row)), learn: elo.learn };
}
function estimator(voices = VOICES): Foreteller & { readonly bands: (readonly [number, number])[] } {
  const all = makeEstimator(voices);
  const bands: (readonly [number, number])[] = [];
  return {
    bands,
    say: (row) => {
      const { chance, low, high } = all.say(row);
      bands.push([low, high]);
      return chance;
    },
    learn: all.learn,
  };
}

const foretold = (rows: readonly PracticeRow[], by: Foreteller): number[] =>
  rows.map((row) => {
    const chance = by.say(row);
    by.learn(row);
    return chance;
  });

interface Judged {
  readonly loss: number;
  /** Mean distance of what was said from what came, by tenths. */
  readonly off: number;
}
function judged(
  rows: readonly PracticeRow[],
  chances: readonly number[],
  which: (row: PracticeRow) => boolean,
): Judged {
  const bins = Array.from({ length: BINS }, () => ({ said: 0, clean: 0, tries: 0 }));
  let [loss, tries] = [0, 0];
  rows.forEach((row, i) => {
    if (!which(row)) return;
    const p = clamp(chances[i], 1e-6, 1 - 1e-6);
    loss -= row.clean * Math.log(p) + (row.tries - row.clean) * Math.log(1 - p);
    tries += row.tries;
    const bin = bins[Math.min(BINS - 1, Math.floor(p * BINS))];
    bin.said += p * row.tries;
    bin.clean += row.clean;
    bin.tries += row.tries;
  });
  return {
    loss: loss / tries,
    off: bins.reduce((sum, bin) => sum + Math.abs(bin.said - bin.clean), 0) / tries,
  };
}

function worldRow(name: string, logs: readonly (readonly TrueRow[])[]): Record<string, string | number> {
  const late = (row: PracticeRow) => row.day >= FROM_DAY;
  const over = (of: (rows: readonly TrueRow[]) => number) => mean(logs.map(of));
  const by = (make: () => Foreteller) => {
    const all = logs.map((rows) => judged(rows, foretold(rows, make()), late));
    return { loss: mean(all.map(({ loss }) => loss)), off: mean(all.map(({ off }) => off)) };
  };
  const truth = over(
    (rows) =>
      judged(
        rows,
        rows.map(({ chance }) => chance),
        late,
      ).loss,
  );
  const plain = { running: by(runningMean).loss, five: by(() => runningMean(5)).loss, elo: by(ratings).loss };
  const best = Math.min(...Object.values(plain));
  const ours = by(estimator);
  const one = by(() => estimator(VOICES.slice(0, 1)));
  const gain = (loss: number) => ((best - loss) / (best - truth)).toFixed(2);
  const held = over((rows) => {
    const made = estimator();
    foretold(rows, made);
    const known = rows.flatMap((row, i) =>
      late(row) ? [made.bands[i][0] <= row.chance && row.chance <= made.bands[i][1] ? 1 : 0] : [],
    );
    return mean(known);
  });
  return {
    world: name,
    rows: logs.reduce((sum, rows) => sum + rows.length, 0),
    'running mean': plain.running.toFixed(4),
    'last five': plain.five.toFixed(4),
    ratings: plain.elo.toFixed(4),
    ours: ours.loss.toFixed(4),
    truth: truth.toFixed(4),
    gain: gain(ours.loss),
    'one voice': gain(one.loss),
    'calibration off': ours.off.toFixed(3),
    'band holds': `${Math.round(100 * held)} %`,
  };
}

function main(): void {
  const option = (name: string) => {
    const at = process.argv.indexOf(name);
    return at < 0 ? null : (process.argv[at + 1] ?? '');
  };
  const [csv, out] = [option('--csv'), option('--out')];
  if (csv !== null) {
    if (!csv || !out) throw new Error('Say both files: --csv FILE --out FILE');
    const rows = readPracticeCsv(readFileSync(csv, 'utf8'));
    const start = performance.now();
    const chances = foretold(rows, estimator());
    const seconds = (performance.now() - start) / 1000;
    writeFileSync(out, chances.map((chance) => `${chance.toFixed(6)}\n`).join(''));
    const { loss, off } = judged(rows, chances, ({ tries }) => tries > 0);
    console.log(
      `${rows.length} rows in ${seconds.toFixed(1)} s: log loss a try ${loss.toFixed(4)}, calibration off by ${off.toFixed(3)}`,
    );
    return;
  }
  console.table(
    PRACTICE_WORLDS.map((world) =>
      worldRow(
        world.name,
        SEEDS.map((seed) => practiceLog(world, STUDENTS, DAYS, seed)),
      ),
    ),
  );
  console.table(
    [1, 3, 10].map((students) =>
      worldRow(
        `steady, ${students} of them`,
        SEEDS.map((seed) => practiceLog(PRACTICE_WORLDS[0], students, DAYS, seed)),
      ),
    ),
  );
}

try {
  main();
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
}
