/** What a wrong answer mixes up: a word for it, so that a teacher sees which confusion it was. */
import { mod12, noteText, pitchClassOf, readNote } from '../theory/note';
import type { Answer, Place, Slip } from './drill';

/** Where the neck itself is uneven: string 2 is tuned a third over string 3 and all others a fourth, so hands go a fret wrong. */
const UNEVEN_STRING = 2;

/** The slip of a wrong answer; null for a right one and for one that is like no usual slip. */
export function slipOf(answer: Answer, given: readonly Place[] | string): Slip | null {
  if (answer.kind === 'choice')
    return typeof given === 'string' && given !== answer.right ? (answer.slips?.[given] ?? null) : null;
  if (answer.kind === 'written') return typeof given === 'string' ? writtenSlip(answer.right, given) : null;
  if (answer.kind === 'sung' || typeof given === 'string') return null;
  const wanted = (place: Place) =>
    answer.places.some((one) => one.string === place.string && one.fret === place.fret);
  const wrong = given.filter((place) => !wanted(place));
  if (answer.kind === 'all places') {
    if (wrong.length === 0) return given.length < answer.places.length ? 'one left out' : null;
    if (given.length > answer.places.length && wrong.length < given.length) return 'one too many';
  }
  const [first] = wrong;
  if (!first) return null;
  if (answer.places.some((one) => one.string === first.string && Math.abs(one.fret - first.fret) === 1))
    return first.string === UNEVEN_STRING ? 'a fret off on string 2' : 'a fret off';
  return answer.places.some((one) => one.fret === first.fret) ? 'another string' : null;
}

/** Notes as somebody types them: `ab, c eb`, `A♭ C E♭`; a word that is no note stays as it is, which is wrong. */
function notesTyped(text: string): string[] {
  const words = text.replaceAll('♭', 'b').replaceAll('♯', '#').split(/[\s,;–-]+/).filter(Boolean); // prettier-ignore
  return words.map((word) => {
    const named = word.charAt(0).toUpperCase() + word.slice(1);
    const read = readNote(named);
    return read && read.length === named.length ? noteText(read.note) : word;
  });
}

/** Whether what was written is right: every note, in order, with its own letter. */
export const isWritten = (right: string, typed: string): boolean => notesTyped(typed).join(' ') === right;

function writtenSlip(right: string, typed: string): Slip | null {
  const [own, wanted] = [notesTyped(typed), right.split(' ')];
  if (own.join(' ') === right) return null;
  const missing = wanted.filter((note) => !own.includes(note));
  const foreign = own.filter((note) => !wanted.includes(note));
  if (foreign.length === 0) return own.length < wanted.length ? 'one left out' : null;
  if (missing.length === 0) return 'one too many';
  const pitch = (name: string) => {
    const read = readNote(name);
    return read && read.length === name.length ? mod12(pitchClassOf(read.note)) : null;
  };
  const at = own.findIndex((note, i) => note !== wanted[i]);
  const [a, b] = [pitch(own[at] ?? ''), pitch(wanted[at] ?? '')];
  if (a === null || b === null) return null;
  if (a === b) return 'respelled';
  if (own[at][0] !== wanted[at][0]) return null;
  return at === 1 && wanted.length <= 4 ? 'third altered' : 'altered';
}
