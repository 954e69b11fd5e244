/**
 * A chord by its number in a key: `ii7`, `V7`, `viio`, `bVII`, `IVmaj7`. Case says major or minor; what follows
 * the numeral is a chord suffix. A bare numeral is the triad it says, which need not be the key's own (`II` in C is D).
 */
import { fail, ok, type Result } from '../kernel/result';
import { parseChord, type Chord } from './chord';
import { makeKey } from './key';
import { noteText } from './note';

const NUMERALS = ['i', 'ii', 'iii', 'iv', 'v', 'vi', 'vii'];

/** Problems: those of `makeKey`, `numeral.degree` (detail: one that is read), and those of `parseChord`. */
export function chordOfNumeral(numeral: string, keyName: string): Result<Chord> {
  const key = makeKey(keyName);
  if (!key.ok) return key;
  const typed = numeral.replaceAll('♭', 'b').replaceAll('♯', '#');
  const found = /^([b#]?)(vii|vi|v|iv|iii|ii|i|VII|VI|V|IV|III|II|I)(?![ivIV])(.*)$/.exec(typed);
  if (!found) return fail('numeral.degree', 0, 'ii7');
  const [, sign, degree, suffix] = found;
  const small = degree === degree.toLowerCase();
  const note = key.value.scale[NUMERALS.indexOf(degree.toLowerCase())];
  const root = { ...note, accidental: note.accidental + (sign === 'b' ? -1 : sign === '#' ? 1 : 0) };
  const says = /^(?:m|-|o|°|ø|dim)/.test(suffix) && !suffix.startsWith('maj');
  const chord = parseChord(noteText(root) + (small && !says ? 'm' : '') + suffix);
  return chord.ok ? ok(chord.value) : chord;
}
