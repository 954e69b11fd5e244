/**
 * How lengths are written as notes: plain and dotted values, tied where one value does not reach, and tuplets. A tuplet
 * stands over the stretch of the bar that needs the fewest ties; of several, the shortest. What begins or ends inside
 * one and goes on beyond it is divided where the tuplet ends. How a tuplet is named is common practice (Gould 2011): n
 * notes in the time of the next lower power of two of the same value; over a dotted stretch, of three times one.
 */
import type { TimeSignature } from './piece';
import { gcd, TICKS_A_BEAT } from './ticks';

/** The share of a whole note: 4 is a quarter. */
export type NoteValue = 1 | 2 | 4 | 8 | 16 | 32 | 64 | 128 | 256;
const VALUES: readonly NoteValue[] = [1, 2, 4, 8, 16, 32, 64, 128, 256];

export interface Tuplet {
  /** From the start of its bar. */
  readonly tick: number;
  readonly ticks: number;
  /** So many notes of `value` in the time of `normal`: a triplet of eighths is 3, 2, 8. */
  readonly actual: number;
  readonly normal: number;
  readonly value: NoteValue;
}

export interface Span {
  /** From the start of the bar. */
  readonly tick: number;
  readonly ticks: number;
}

/** One written note or rest. */
export interface WrittenValue {
  /** Index of the span it belongs to; all but the first of a span are tied to the one before. */
  readonly of: number;
  readonly value: NoteValue;
  readonly dots: 0 | 1;
  /** The same object for all notes under one bracket. */
  readonly tuplet: Tuplet | null;
}

/** More notes under one bracket than this nobody reads. */
const MOST_IN_TUPLET = 64;

/**
 * Spans of a bar, in order and without overlap, as written values. What is finer than a bracket of 64 or a 256th is
 * drawn with the nearest shorter value.
 */
export function writtenValues(time: TimeSignature, spans: readonly Span[]): WrittenValue[] {
  const paper = paperOf(time);
  const tuplets = tupletsOf(paper, spans);
  return spans.flatMap((span, of) => {
    const end = span.tick + span.ticks;
    const brackets = tuplets.flatMap((one) => [one.tick, one.tick + one.ticks]);
    const borders = [...brackets, ...beatWithin(span, tuplets, paper)];
    const cuts = [span.tick, ...new Set(borders.filter((at) => at > span.tick && at < end)), end];
    return cuts.slice(0, -1).flatMap((from, i) => {
      const tuplet = tuplets.find((one) => from >= one.tick && from < one.tick + one.ticks) ?? null;
      return asValues(cuts[i + 1] - from, tuplet, paper).map((one): WrittenValue => ({ of, ...one, tuplet }));
    });
  });
}

/** What takes two notes anyway and begins between beats is divided where a beat is, so that the beats are seen (Gould 2011). */
function beatWithin({ tick, ticks }: Span, tuplets: readonly Tuplet[], paper: Paper): number[] {
  const bracketed = tuplets.some((one) => one.tick < tick + ticks && tick < one.tick + one.ticks);
  const between = tick % TICKS_A_BEAT !== 0 && ticks > TICKS_A_BEAT;
  if (bracketed || !between || asValues(ticks, null, paper).length < 2) return [];
  return [TICKS_A_BEAT * Math.ceil(tick / TICKS_A_BEAT)];
}

/** What can be written in a time signature, in ticks. */
interface Paper {
  readonly bar: number;
  readonly whole: number;
  readonly values: readonly NoteValue[];
  /** The shortest value there is a name for. */
  readonly finest: number;
}

function paperOf(time: TimeSignature): Paper {
  const whole = time.unit * TICKS_A_BEAT;
  const values = VALUES.filter((value) => whole % value === 0);
  return { bar: time.beats * TICKS_A_BEAT, whole, values, finest: whole / values[values.length - 1] };
}

/** A length as notes, the longest first; under a bracket they look as long as they would be without it. */
function asValues(
  ticks: number,
  tuplet: Pick<Tuplet, 'actual' | 'normal'> | null,
  { whole, values, finest }: Paper,
): { value: NoteValue; dots: 0 | 1 }[] {
  const made: { value: NoteValue; dots: 0 | 1 }[] = [];
  let left = tuplet ? (ticks * tuplet.actual) / tuplet.normal : ticks;
  for (const value of values) {
    const plain = whole / value;
    for (const [length, dots] of [
      [1.5 * plain, 1],
      [plain, 0],
    ] as const)
      while (length % finest === 0 && left >= length) {
        made.push({ value, dots });
        left -= length;
      }
  }
  return made.length > 0 ? made : [{ value: values[values.length - 1], dots: 0 }];
}

/** Brackets from left to right, each where the first boundary stands that no plain value reaches. */
function tupletsOf(paper: Paper, spans: readonly Span[]): Tuplet[] {
  const { bar, whole, values, finest } = paper;
  const boundaries = [...new Set(spans.flatMap((span) => [span.tick, span.tick + span.ticks]))];
  const odd = boundaries.filter((at) => at % finest !== 0 && at < bar).sort((a, b) => a - b);
  const stretches = values
    .flatMap((value) => [whole / value, (1.5 * whole) / value])
    .filter((length) => length % (2 * finest) === 0 && length <= bar)
    .sort((a, b) => a - b);
  const found: Tuplet[] = [];
  for (const at of odd) {
    const free = found.length > 0 ? found[found.length - 1].tick + found[found.length - 1].ticks : 0;
    if (at < free) continue;
    const over = stretches.flatMap((ticks) => {
      const aligned = at - (at % ticks);
      return [aligned, aligned + ticks / 2, aligned - ticks / 2]
        .filter((tick) => tick >= free && tick < at && tick + ticks > at && tick + ticks <= bar)
        .flatMap((tick) => tupletOver(tick, ticks, paper, spans) ?? []);
    });
    const tidy = over.filter((one) => isTidy(one, odd, spans));
    const best = fewestTies(tidy.length > 0 ? tidy : over, spans, paper);
    if (best) found.push(best);
  }
  return found;
}

/** Whether it leaves no rest of a beat that needs a bracket too, nor, as a part of a beat, cuts what sounds over its ends. */
function isTidy({ tick, ticks }: Tuplet, odd: readonly number[], spans: readonly Span[]): boolean {
  const end = tick + ticks;
  const beatEnd = TICKS_A_BEAT * Math.ceil(end / TICKS_A_BEAT);
  if (odd.some((one) => one > end && one < beatEnd)) return false;
  const isCut = (at: number) => spans.some((span) => span.tick < at && at < span.tick + span.ticks);
  return ticks >= TICKS_A_BEAT || !(isCut(tick) || isCut(end));
}

/** The first of those with the fewest. */
function fewestTies(tuplets: readonly Tuplet[], spans: readonly Span[], paper: Paper): Tuplet | null {
  const ties = tuplets.map((one) => tiesIn(one, spans, paper));
  return tuplets[ties.indexOf(Math.min(...ties))] ?? null;
}

/**
 * The bracket with the fewest notes over a stretch; null where none has all its boundaries. One that divides some of its
 * notes further is called by what it divides: eighths in three, two of them sixteenths, is a triplet; six sixteenths are
 * a sextuplet.
 */
function tupletOver(
  tick: number,
  ticks: number,
  { whole, values }: Paper,
  spans: readonly Span[],
): Tuplet | null {
  const inside = spans
    .flatMap((span) => [span.tick - tick, span.tick + span.ticks - tick])
    .filter((at) => at > 0 && at < ticks);
  let actual = ticks / inside.reduce(gcd, ticks);
  const threes = Number.isInteger(Math.log2(whole / ticks)) ? 1 : 3;
  // Three in a dotted stretch are plain, and nine are three triplets.
  if (actual > MOST_IN_TUPLET || (threes === 3 && actual % 3 === 0)) return null;
  let normal = threes * 2 ** Math.floor(Math.log2(actual / threes));
  if (!values.some((value) => value === (whole * normal) / ticks) || normal === actual) return null;
  const even = new Set(inside).size === actual - 1;
  while (!even && actual % 2 === 0 && normal % 2 === 0) {
    actual /= 2;
    normal /= 2;
  }
  const value = values.find((one) => one === (whole * normal) / ticks);
  return value === undefined ? null : { tick, ticks, actual, normal, value };
}

/** How often a note has to be tied for a bracket: inside it, and over its ends. */
function tiesIn(tuplet: Tuplet, spans: readonly Span[], paper: Paper): number {
  const end = tuplet.tick + tuplet.ticks;
  return spans.reduce((sum, span) => {
    const [from, to] = [Math.max(tuplet.tick, span.tick), Math.min(end, span.tick + span.ticks)];
    if (to <= from) return sum;
    const over = (span.tick < tuplet.tick ? 1 : 0) + (span.tick + span.ticks > end ? 1 : 0);
    return sum + over + asValues(to - from, tuplet, paper).length - 1;
  }, 0);
}
