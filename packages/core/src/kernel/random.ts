/**
 * Seeded randomness: every draw comes from a generator made from a seed, so that the same seed gives the
 * same studio, drill or student on every machine. The generator is xoroshiro128+ from `pure-rand`.
 */
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

export interface Random {
  /** Uniform in [0, 1). */
  readonly unit: () => number;
  /** Whole number, both ends included. */
  readonly int: (low: number, high: number) => number;
  /** Normal deviate (Box and Muller 1958). */
  readonly normal: (mean: number, sd: number) => number;
  readonly pick: <T>(list: readonly T[]) => T;
  /** An independent generator for a named part, so that adding draws in one part leaves others as they were. */
  readonly fork: (name: string) => Random;
}

/** Makes a generator from a whole-number seed. */
export function seededRandom(seed: number): Random {
  const generator = xoroshiro128plus(seed | 0);
  const unit = () => (generator.next() >>> 0) / 4294967296;
  return {
    unit,
    int: (low, high) => low + Math.floor(unit() * (high - low + 1)),
    normal: (mean, sd) => {
      const radius = Math.sqrt(-2 * Math.log(1 - unit()));
      return mean + sd * radius * Math.cos(2 * Math.PI * unit());
    },
    pick: (list) => {
      if (list.length === 0) throw new RangeError('cannot pick from an empty list');
      return list[Math.floor(unit() * list.length)];
    },
    fork: (name) => seededRandom(seed ^ hashText(name)),
  };
}

/** Draws this generator needs before seeds that lie near each other have parted. */
const WARM_UP = 24;

/** A generator for a text, such as `piece 7 chords`: texts that are nearly alike give draws that share nothing. */
export function randomOf(text: string): Random {
  const random = seededRandom(hashText(text));
  for (let i = 0; i < WARM_UP; i++) random.unit();
  return random;
}

/** FNV-1a hash of a text as a signed 32-bit integer (Fowler, Noll, Vo 1991). */
export function hashText(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) {
    hash ^= text.charCodeAt(i);
    hash = Math.imul(hash, 0x01000193);
  }
  return hash | 0;
}
