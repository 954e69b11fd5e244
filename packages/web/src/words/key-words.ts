/** The key of some chords in words: its numbers, what is foreign and by which notes, ties and a change of key. */
import { findKeys, keysThrough, type KeyFound } from '@finch/core/harmony';
import { noteText, type Chord } from '@finch/core/theory';
import { chordText, listed, nameChord } from './names';

/** More chords than this have no line of numbers, and their change of key is not looked for. */
const MOST_NUMBERS = 16;
const MOST_FOR_TWO = 24;
const MOST = 64;

const figures = (all: readonly string[]): string => all.map(chordText).join(' ');

/** `A7 has C♯`; by chord, each once. */
function foreignWords(found: KeyFound, chords: readonly Chord[]): string {
  const said = new Map<string, string>();
  found.chords.forEach((one, i) => {
    const notes = one.foreign.map((note) => chordText(noteText(note)));
    if (notes.length > 0) said.set(chords[i].symbol, `${nameChord(chords[i].symbol)} has ${listed(notes)}`);
  });
  return [...said.values()].join(', ');
}

/** Empty where there are no chords, or too many to say it of. */
export function keyWords(all: readonly Chord[]): string {
  const chords = all.filter((one) => one.tones.length > 0);
  if (chords.length < 2 || chords.length > MOST) return '';
  const two = chords.length <= MOST_FOR_TWO ? keysThrough(chords) : [];
  if (two.length > 1) {
    const parts = two.map(({ key, numerals }) => `${chordText(key.name)}: ${figures(numerals)}`);
    const { pivot } = two[1];
    const both = pivot === null ? '' : `; ${nameChord(chords[pivot].symbol)} belongs to both`;
    return `From ${parts[0]}, to ${parts[1]}${both}.`;
  }
  const found = findKeys(chords);
  const best = found.filter((one) => one.points === found[0].points);
  const names = best.slice(0, 3).map((one) => chordText(one.key.name));
  if (best.length > 1) return `It may be in ${names.join(' or ')}: nothing here decides.`;
  const numbers = chords.length <= MOST_NUMBERS ? `: ${figures(found[0].numerals)}` : '';
  const foreign = foreignWords(found[0], chords);
  const close = found[0].lead === 'close' ? `, or nearly as well ${chordText(found[1].key.name)}` : '';
  return `In ${names[0]}${numbers}${foreign ? `; ${foreign}` : ''}${close}.`;
}
