/**
 * What is played with the notes of a place: straight, in groups, in pairs, aiming at tones of chords, in phrases with rests,
 * against the other seventh, through the modes. Lines that are drawn keep to steps and small skips; the same seed draws the
 * same line.
 */
import type { Random } from '../../../kernel/random';
import { inGroups, type FingeredNote } from '../../../scales/tones';
import { degreeParts } from '../../../theory/degree';
import { pitchClassOf } from '../../../theory/note';
import type { Chord } from '../../../theory/chord';

type Notes = readonly FingeredNote[];
type Line = readonly (FingeredNote | null)[];

/** Index of the lowest root, or of the lowest note where there is none. */
export const lowestRoot = (notes: Notes): number =>
  Math.max(
    0,
    notes.findIndex((one) => one.degree === '1'),
  );
const down = (notes: Notes): FingeredNote[] => [...notes].reverse();

/** From the lowest root up to the highest note, down to the lowest and home to the root. */
export function straight(notes: Notes): FingeredNote[] {
  const root = lowestRoot(notes);
  return [...notes.slice(root), ...down(notes).slice(1), ...notes.slice(1, root + 1)];
}

/** Places joined: up one and down the next, by turns, ending on the nearest root. */
export function joined(places: readonly Notes[]): FingeredNote[] {
  const line = places.flatMap((notes, i) =>
    i % 2 ? down(notes) : i ? notes : notes.slice(lowestRoot(notes)),
  );
  const last = places[places.length - 1];
  const end = line[line.length - 1];
  const roots = last.filter((one) => one.degree === '1');
  if (!end || roots.length === 0 || end.degree === '1') return line;
  const off = (one: FingeredNote) => Math.abs(one.pitch - end.pitch);
  const home = roots.reduce((best, one) => (off(one) < off(best) ? one : best));
  const [from, to] = [last.indexOf(end), last.indexOf(home)];
  return [...line, ...(from < to ? last.slice(from + 1, to + 1) : down(last.slice(to, from)))];
}

/** Groups of so many, each a note higher than the one before, up from the root; down again the same way; home. */
export function grouped(notes: Notes, size: number): FingeredNote[] {
  const up = notes.slice(lowestRoot(notes));
  return [...inGroups(up, size).flat(), ...inGroups(down(up), size).flat(), up[0]];
}

/** 1 3 2 4 3 5 up, and the same way down; home. */
export function inPairs(notes: Notes, steps: number): FingeredNote[] {
  const up = notes.slice(lowestRoot(notes));
  const pairs = (row: Notes) =>
    row.slice(0, Math.max(0, row.length - steps)).flatMap((one, i) => [one, row[i + steps]]);
  return [...pairs(up), ...pairs(down(up)), up[0]];
}

/** The root against the 7 and the b7 under it, twice each and then by turns: heard, then told apart. */
export function sevenths(notes: Notes): FingeredNote[] {
  const roots = notes.flatMap((one, i) => (one.degree === '1' && i > 1 ? [i] : []));
  const root = roots[roots.length - 1];
  if (root === undefined) return [];
  const [seventh, flat] = [notes[root - 1], notes[root - 2]];
  const one = (under: FingeredNote) => [notes[root], under, notes[root]];
  return [seventh, seventh, flat, flat, seventh, flat].flatMap(one);
}

/** One octave from a note of the place up and back, as a mode; empty where the place ends before. */
export function octaveFrom(notes: Notes, at: number): FingeredNote[] {
  const end = notes.findIndex((one, i) => i > at && one.pitch === notes[at].pitch + 12);
  if (end < 0) return [];
  const up = notes.slice(at, end + 1);
  return [...up, ...down(up).slice(1)];
}

const STEP = { skip: 1, turn: 0.25, noise: 0.3 } as const;

/** Of a walk: which notes its first and last may be, how long it is, and the note before it. */
interface Stretch {
  readonly begins: readonly number[];
  readonly ends: readonly number[];
  readonly length: number;
  /** Reached from the note before by a step. */
  readonly from: number | null;
}

/** The cheapest walk along the notes by steps and small skips; null where there is none. */
function walk(count: number, { begins, ends, length, from }: Stretch, random: Random): number[] | null {
  interface Way {
    readonly cost: number;
    readonly path: readonly number[];
  }
  const noise = Array.from({ length: length * count }, () => STEP.noise * random.unit());
  const start = begins.filter((at) => from === null || Math.abs(at - from) === 1);
  let ways = new Map<number, Way>(start.map((at) => [at, { cost: noise[at], path: [at] }]));
  for (let i = 1; i < length; i++) {
    const next = new Map<number, Way>();
    for (const [at, way] of ways)
      for (const by of [1, -1, 2, -2]) {
        const to = at + by;
        if (to < 0 || to >= count) continue;
        const before = way.path[i - 2];
        const turned = before !== undefined && Math.sign(at - before) !== Math.sign(by);
        const cost =
          way.cost + (Math.abs(by) > 1 ? STEP.skip : 0) + (turned ? STEP.turn : 0) + noise[i * count + to];
        if (cost < (next.get(to)?.cost ?? Number.POSITIVE_INFINITY))
          next.set(to, { cost, path: [...way.path, to] });
      }
    ways = next;
  }
  const ended = ends.flatMap((at) => ways.get(at) ?? []);
  return ended.length ? [...ended.reduce((a, b) => (b.cost < a.cost ? b : a)).path] : null;
}

const indices = (notes: Notes, holds: (one: FingeredNote) => boolean): number[] =>
  notes.flatMap((one, i) => (holds(one) ? [i] : []));
const isTone = (chord: Chord, numbers: readonly number[]) => (one: FingeredNote) =>
  chord.tones.some(
    (tone) => tone.pitchClass === pitchClassOf(one.note) && numbers.includes(degreeParts(tone.degree).number),
  );

/**
 * A bar for each chord, its first note the 3 or the 7 of that chord, reached from the bar before by a step. Null where the
 * place has no such line.
 */
export function targets(
  notes: Notes,
  chords: readonly Chord[],
  slots: number,
  random: Random,
): FingeredNote[][] | null {
  const aims = chords.map((chord) => indices(notes, isTone(chord, [3, 7])));
  const near = (aim: readonly number[]) =>
    notes.flatMap((_, i) => (aim.some((one) => Math.abs(one - i) === 1) ? [i] : []));
  const bars: FingeredNote[][] = [];
  let from: number | null = null;
  for (const [i, begins] of aims.entries()) {
    const ends = i + 1 < aims.length ? near(aims[i + 1]) : indices(notes, isTone(chords[i], [1, 3, 5]));
    const path = walk(notes.length, { begins, ends, length: slots, from }, random);
    if (!path) return null;
    bars.push(path.map((at) => notes[at]));
    from = path[path.length - 1];
  }
  return bars;
}

/** Four phrases of two bars, the last quarter of each a rest: two that ask, ending on the 3 or 5, each answered on the root. */
export function phrases(notes: Notes, slots: number, random: Random): Line[] | null {
  const length = Math.round(1.5 * slots);
  const rest: Line = Array.from({ length: 2 * slots - length }, () => null);
  const roots = indices(notes, (one) => one.degree === '1');
  const asks = indices(notes, (one) => [3, 5].includes(degreeParts(one.degree).number));
  const anywhere = notes.map((_, i) => i);
  const all = [asks, roots, asks, roots].map((ends) =>
    walk(notes.length, { begins: anywhere, ends, length, from: null }, random),
  );
  return all.every((path) => path !== null)
    ? all.map((path) => [...path.map((at) => notes[at]), ...rest])
    : null;
}
