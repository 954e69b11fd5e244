/**
 * A chord by a digit in a key: `1`, `5`, `2m7`, `5(b9)`, `b7`, `7o`. A bare digit is the key's own triad; in minor that of
 * the harmonic minor, but that 3 stands on the natural step (what most songs mean by it) and 7 is diminished. What follows a
 * digit is a chord suffix; one that begins with a digit stands in brackets, `5(7)`: there a seventh is the key's own,
 * and an alteration, `5(b9)`, says a seventh with it. What could mean two chords is asked back with both.
 */
import { fail, ok, type Result } from '../kernel/result';
import { parseChord, type Chord } from './chord';
import { noteAtDegree } from './degree';
import type { Key } from './key';
import { noteText, spelledSimply } from './note';

interface Row {
  /** Degree of the root against the major scale. */
  readonly root: string;
  readonly triad: '' | 'm' | 'dim';
  /** Suffix of the key's own seventh; two where it has two. */
  readonly seventh: string;
}
const row = (root: string, triad: Row['triad'], seventh: string): Row => ({ root, triad, seventh });
const MAJOR: readonly Row[] = [
  row('1', '', 'maj7'),
  row('2', 'm', 'm7'),
  row('3', 'm', 'm7'),
  row('4', '', 'maj7'),
  row('5', '', '7'),
  row('6', 'm', 'm7'),
  row('7', 'dim', 'm7b5'),
];
const MINOR: readonly Row[] = [
  row('1', 'm', 'm7 or mMaj7'),
  row('2', 'dim', 'm7b5'),
  row('b3', '', 'maj7'),
  row('4', 'm', 'm7'),
  row('5', '', '7'),
  row('b6', '', 'maj7'),
  row('7', 'dim', 'dim7'),
];

const NUMBER = /^([b#]?)([1-7])(.*)$/;
export const isNumber = (text: string): boolean => /^[b#]?\d/.test(text);

/** Problems: `numeral.degree` (no such step), `numeral.two` (detail: both readings), those of `parseChord`. */
export function numberedChord(typed: string, key: Pick<Key, 'tonic' | 'mode'>): Result<Chord> {
  const found = NUMBER.exec(typed);
  if (!found) return fail('numeral.degree', 0, '5(7)');
  const [, sign, digit, rest] = found;
  const step = sign + digit;
  if (/^\d/.test(rest)) return fail('numeral.two', 0, `${step}(${rest}) or ${step} ${rest}`);
  const own = (key.mode === 'minor' ? MINOR : MAJOR)[Number(digit) - 1];
  const root = rootDegree(sign, digit, own);
  if (root === null) return fail('numeral.degree', 0, own.root === digit ? digit : `${digit} or ${own.root}`);
  const suffix = suffixOf(rest, root === own.root ? own : null, step);
  if (!suffix.ok) return suffix;
  return parseChord(noteText(spelledSimply(noteAtDegree(key.tonic, root))) + suffix.value);
}

/** `b7` is the flat step whether the key has it or not; `#6` of a minor key the raised one. Null where a step has two signs. */
function rootDegree(sign: string, digit: string, own: Row): string | null {
  if (sign === '') return own.root;
  if (!own.root.startsWith('b')) return sign + digit;
  return sign === '#' ? digit : own.root;
}

/** `own` is null on a step that is not the key's: a bare one is a major triad there, as bII, bIII, bVI and bVII are. */
function suffixOf(rest: string, own: Row | null, step: string): Result<string> {
  if (rest === '') return ok(own?.triad ?? '');
  if (rest === 'M') return ok('');
  const bracket = /^\(([^)]*)\)$/.exec(rest)?.[1];
  if (bracket === undefined) return ok(rest);
  if (/^[b#]/.test(bracket)) return ok(`7${bracket}`);
  if (bracket === '7' && own) {
    const [one, two] = own.seventh.split(' or ');
    return two ? fail('numeral.two', 0, `${step}${one} or ${step}${two}`) : ok(one);
  }
  if (own?.triad === 'm') return ok(`m${bracket}`);
  if (own?.seventh === '7' || bracket === '6' || bracket === '69') return ok(bracket);
  return /^\d/.test(bracket) ? fail('numeral.two', 0, `${step}maj${bracket} or ${step}(b7)`) : ok(bracket);
}
