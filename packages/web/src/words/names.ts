/** What notes, chords, forms, inversions and ways along the neck are called, in the words of the school that holds. */
import { tuningName, writeTuning, type InstrumentSetup } from '@finch/core/fretboard';
import { familySymbol, formName, fretStep, stringStep, type Form } from '@finch/core/shapes';
import { parseChord, type NoteName } from '@finch/core/theory';
import { school } from './school';

/** Draws the signs of an ASCII note or chord: Abmaj7 becomes A♭△7, Fmaj9 F△9, F#m7b5 F♯m7♭5. */
export function chordText(symbol: string): string {
  return symbol
    .replace(/maj(?=7|9|11|13)/gi, '△')
    .replace(/([A-G])(bb|b)/g, (_, letter: string, flats: string) => letter + '♭'.repeat(flats.length))
    .replace(/#/g, '♯')
    .replace(/b(?=\d)/g, '♭');
}

/** A chord by name in the words of the school: the exact symbol, or only the family of its sound. */
export function nameChord(symbol: string): string {
  if (school().chordNames === 'exact') return chordText(symbol);
  const chord = parseChord(symbol);
  return chord.ok ? chordText(familySymbol(chord.value)) : chordText(symbol);
}

/** "E form", "pattern 4", "root on string 6". */
export function formText(form: Form): string {
  const name = formName(form, school());
  if (name.kind === 'letter') return `${name.form} form`;
  return name.kind === 'number' ? `pattern ${name.number}` : `root on string ${name.string}`;
}

/** Which inversion a close triad is: "♭3 lowest", or in the other school "root on string 2". */
export function triadText(grip: { readonly inversion: string; readonly rootString: number | null }): string {
  if (school().triadNames === 'root string' && grip.rootString !== null)
    return `root on string ${grip.rootString}`;
  return `${grip.inversion === '1' ? 'root' : degreeText(grip.inversion)} lowest`;
}

const plain = (n: number) => `${n} fret${n === 1 ? '' : 's'}`;

/** "2 frets up" in the direction the school gives the word; positive frets go toward the body. */
export function fretsMoved(by: number): string {
  return `${plain(Math.abs(by))} ${fretStep(by < 0, school())}`;
}

/** "2 strings down, to a thinner one": the school gives the direction its word, so the thickness is said beside it. */
export function stringsMoved(from: number, to: number): string {
  const count = Math.abs(to - from);
  return `${count} string${count === 1 ? '' : 's'} ${stringStep(to < from, school())}, to a ${to < from ? 'thinner' : 'thicker'} one`;
}

export function degreeText(degree: string): string {
  return degree.replace(/b/g, '♭').replace(/#/g, '♯');
}

/** A note with true signs: B♭, F♯♯. */
export function noteSigns(note: NoteName): string {
  return note.letter + (note.accidental < 0 ? '♭' : '♯').repeat(Math.abs(note.accidental));
}

/** "drop D", or the notes from the thickest string: "C2 G2 D3 A3 E4 G4". */
export function tuningWords(openPitches: readonly number[]): string {
  return tuningName(openPitches) ?? degreeText(writeTuning(openPitches));
}

export function setupWords(setup: InstrumentSetup | undefined): string {
  return setup ? `${setup.strings}, ${setup.gaugeMm} mm, ${setup.actionMm} mm high` : 'not noted';
}

/** "1 call", "3 calls". */
export const plural = (n: string | number, one: string, many = `${one}s`): string =>
  `${n} ${Number(n) === 1 ? one : many}`;

/** What has not reached the server, by kinds of events: "2 takes", "1 take and 1 question". */
export function waitingText(kinds: readonly string[]): string {
  const questions = kinds.filter((kind) => kind === 'question').length;
  const answers = kinds.filter((kind) => kind === 'answer').length;
  const takes = kinds.length - questions - answers;
  const parts = [
    takes || kinds.length === 0 ? plural(takes, 'take') : null,
    questions ? plural(questions, 'question') : null,
    answers ? plural(answers, 'answer') : null,
  ];
  return parts.filter((part) => part !== null).join(' and ');
}

/** "1", "1 and 3", "1, 2 and 3" of fingers with blanks between. */
export function listed(things: unknown): string {
  const all = Array.isArray(things) ? things.map(String) : String(things).split(' ');
  return all.length < 2 ? all.join('') : `${all.slice(0, -1).join(', ')} and ${all[all.length - 1]}`;
}

const COUNTS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
/** "no lessons", "one lesson", "twelve lessons", "13 lessons". */
export const countText = (n: number, one: string): string => `${COUNTS[n] ?? n} ${one}${n === 1 ? '' : 's'}`;
