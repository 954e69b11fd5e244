/** Numbers of a key one after the other, drawn by function: home, setting out, what pulls, home. */
import type { Random } from '../kernel/random';
import type { Chord } from '../theory/chord';
import { degreeChords } from '../theory/degree-chords';
import { makeKey, type Key } from '../theory/key';
import { noteText } from '../theory/note';
import { chordOfNumeral } from '../theory/numeral';
import type { Pool } from './pools';

type Job = 'home' | 'sets out' | 'pulls';
export interface Called {
  /** As it is called: `4`, `b7`, `V7/2`. */
  readonly number: string;
  readonly numeral: string;
  readonly chord: Chord;
  readonly job: Job;
  /** The number it must go to. */
  readonly leads?: string;
}

/** What a number does. */
const JOBS: Readonly<Record<string, Job>> = { 1: 'home', 3: 'home', 6: 'home', 2: 'sets out', 4: 'sets out', b7: 'sets out', 5: 'pulls', 7: 'pulls' }; // prettier-ignore
/** The numbers of a pool in a key. In minor the dominant is major: what pulls home has the raised seventh. */
export function calledIn(of: Key, pool: Pool, sevenths = false): Called[] {
  const harmonic = of.mode === 'minor' ? makeKey(`${noteText(of.tonic)} harmonic minor`) : null;
  const degrees = degreeChords(of, { sevenths });
  const raised = harmonic?.ok ? degreeChords(harmonic.value, { sevenths }) : degrees;
  const numbers = pool.split(' ');
  return numbers.flatMap((number): Called[] => {
    if (number === 'V7/x')
      return ['2', '4', '5', '6'].flatMap((to): Called[] => {
        if (!numbers.includes(to)) return [];
        const target = degrees[Number(to) - 1];
        const numeral = `V7/${target.numeral}`;
        const read = chordOfNumeral(numeral, of.name);
        return read.ok ? [{ number: `V7/${to}`, numeral, chord: read.value, job: 'pulls', leads: to }] : [];
      });
    if (number === 'b7') {
      const numeral = of.mode === 'minor' ? 'VII' : 'bVII';
      const flat = chordOfNumeral(numeral, of.name);
      return flat.ok ? [{ number, numeral, chord: flat.value, job: 'sets out' }] : [];
    }
    const from = number === '5' || number === '7' ? raised : degrees;
    const { chord, numeral, figure } = from[Number(number) - 1];
    return [{ number, numeral: sevenths ? figure : numeral, chord, job: JOBS[number] }];
  });
}

const GOES: Readonly<Record<Job, readonly Job[]>> = {
  home: ['sets out', 'pulls', 'home'],
  'sets out': ['pulls', 'sets out', 'home'],
  pulls: ['home', 'sets out'],
};
/** How much likelier the first of those ways is than each later one. */
const LIKELIER = 3;

/** Numbers by function: from home and back, never the same twice running. */
export function drawn(pool: readonly Called[], length: number, random: Random): Called[] {
  const home = pool[0];
  const line: Called[] = [home];
  while (line.length < length - 1) {
    const last = line[line.length - 1];
    const left = length - 1 - line.length;
    const tied = last.leads ? pool.filter((one) => one.number === last.leads) : [];
    const others = (tied.length ? tied : pool).filter(
      (one) =>
        one.number !== last.number &&
        // Before the end no number that must go elsewhere, and not home itself.
        (left > 1 || (one.leads === undefined && one !== home)),
    );
    const ways = GOES[last.job]
      .map((job) => others.filter((one) => one.job === job))
      .filter((list) => list.length);
    const weighed = ways.flatMap((list, i) =>
      i === 0 ? Array.from({ length: LIKELIER }, () => list) : [list],
    );
    const last1 = left === 1 ? others.filter((one) => one.job === 'pulls') : [];
    line.push(random.pick(last1.length ? last1 : weighed.length ? random.pick(weighed) : others));
  }
  return [...line, home];
}
