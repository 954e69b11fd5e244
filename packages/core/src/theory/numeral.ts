/**
 * A chord by its number in a key: `ii7`, `V7`, `viio`, `bVII`, `IVmaj7`; over a slash the key it is borrowed for (`V7/V`), a
 * step of the key as bass (`I/3`) or a note (`I/E`). Case says major or minor; what follows the numeral is a chord suffix. A
 * bare numeral is the triad it says, which need not be the key's own (`II` in C is D). Digits are read too (`number.ts`).
 *
 * In minor keys (our conventions, as most teachers write them): III, VI and VII stand on the natural minor's steps, as bIII,
 * bVI and bVII do; a diminished chord on 6 or 7 stands on the raised step, so that `viio7` in A minor is on G#; `#` raises 6
 * or 7 once; a bare `vi` or `vii` could mean either and is asked back.
 */
import { fail, ok, type Result } from '../kernel/result';
import { makeChord, parseChord, type Chord } from './chord';
import { noteAtDegree } from './degree';
import { makeKey, type Key } from './key';
import { isNumber, numberedChord } from './number';
import { noteText, readNote, spelledSimply, type NoteName } from './note';

const NUMERALS = ['i', 'ii', 'iii', 'iv', 'v', 'vi', 'vii'];

type Tonality = Pick<Key, 'tonic' | 'mode'>;

const DIMINISHED = /^(?:o|°|ø|dim|m7b5|m7\(b5\)|-7b5)/;

/** The root a numeral names. Problem `numeral.minor` for a bare vi or vii of a minor key; its detail is both readings. */
function rootOf(
  sign: string,
  number: number,
  suffix: string,
  small: boolean,
  key: Tonality,
): Result<NoteName> {
  const degree = String(number);
  const flat = key.mode === 'minor' && [3, 6, 7].includes(number);
  if (!flat) return ok(noteAtDegree(key.tonic, sign + degree));
  if (sign === '#') return ok(noteAtDegree(key.tonic, degree));
  const raised = number !== 3 && small && sign === '' && DIMINISHED.test(suffix);
  if (raised) return ok(noteAtDegree(key.tonic, degree));
  if (small && sign === '' && number !== 3)
    return fail('numeral.minor', 0, `b${NUMERALS[number - 1].toUpperCase()} or #${NUMERALS[number - 1]}`);
  return ok(noteAtDegree(key.tonic, `b${degree}`));
}

const PLAIN = /^([b#]?)(vii|vi|v|iv|iii|ii|i|VII|VI|V|IV|III|II|I)(?![ivIV])(.*)$/;

function plainChord(numeral: string, key: Tonality): Result<Chord> {
  if (isNumber(numeral)) return numberedChord(numeral, key);
  const found = PLAIN.exec(numeral);
  if (!found) return fail('numeral.degree', 0, 'ii7');
  const [, sign, degree, suffix] = found;
  const small = degree === degree.toLowerCase();
  const root = rootOf(sign, NUMERALS.indexOf(degree.toLowerCase()) + 1, suffix, small, key);
  if (!root.ok) return root;
  const says = /^(?:m|-|o|°|ø|dim)/.test(suffix) && !suffix.startsWith('maj');
  return parseChord(noteText(spelledSimply(root.value)) + (small && !says ? 'm' : '') + suffix);
}

/** Where a slash divides a numeral: before a numeral, a step of the key, or a note; -1 where there is none (`I6/9`). */
const slashAt = (numeral: string): number => {
  const found = /\/(?=[b#]?[ivIV]+[^/]*$|[b#]?[1-7]$|[A-G](?:b|#)?$)/.exec(numeral);
  return found && !numeral.endsWith('6/9') ? found.index : -1;
};

/** Problems: those of the key (`makeKey`), `numeral.degree` (detail: one that is read), `numeral.minor` and `numeral.two` (both readings), and those of `parseChord`. */
export function chordOfNumeral(numeral: string, keyName: string): Result<Chord> {
  const key = makeKey(keyName);
  if (!key.ok) return key;
  return chordIn(numeral.trim().replaceAll('♭', 'b').replaceAll('♯', '#'), key.value);
}

function chordIn(typed: string, key: Tonality): Result<Chord> {
  const at = slashAt(typed);
  if (at < 0) return plainChord(typed, key);
  const [head, over] = [typed.slice(0, at), typed.slice(at + 1)];
  const note = readNote(over);
  if (note && /^[A-G]/.test(over)) return withBass(plainChord(head, key), note.note);
  if (/^[b#]?[1-7]$/.test(over)) return withBass(plainChord(head, key), stepOf(over, key));
  // Borrowed for another chord of the key: read as in the key of that chord, major or minor as it is.
  const target = chordIn(over, key);
  if (!target.ok) return target;
  const third = target.value.tones.some((tone) => tone.degree === 'b3');
  return chordIn(head, { tonic: target.value.root, mode: third ? 'minor' : 'major' });
}

/** A step of the key: of a minor key the natural one, unless a sign says otherwise. */
function stepOf(step: string, key: Tonality): NoteName {
  const flat = key.mode === 'minor' && /[367]$/.test(step);
  if (!flat) return noteAtDegree(key.tonic, step);
  // A sharp raises the natural step once, to that of the major key; a flat is what it has already.
  return noteAtDegree(key.tonic, step.startsWith('#') ? step.slice(1) : `b${step.replace('b', '')}`);
}

function withBass(chord: Result<Chord>, bass: NoteName): Result<Chord> {
  return chord.ok ? ok(makeChord(chord.value.root, chord.value.quality, bass)) : chord;
}
