import { must } from '../kernel';
import { pitchAt, standardGuitar } from '../fretboard';
import { noteText, pitchClassOf, readNote, rootNamed, type NoteName } from '../theory';
import { readNoteSet, setOver } from '.';

const guitar = standardGuitar;
const note = (text: string) => readNote(text)?.note as NoteName;
const over = (text: string, root: string) => {
  const { notes, name } = setOver(must(readNoteSet(text, guitar)), note(root));
  return [notes.map((one) => noteText(one.note) + '=' + one.degree).join(' '), name?.symbol ?? null];
};

test.each([
  // Notes and chords keep their spelling.
  ['C E G', 'A', 'C=b3 E=5 G=b7', 'Am7'],
  ['Eb G Bb', 'F', 'Eb=b7 G=9 Bb=11', 'F11'],
  ['D F# A C', 'D', 'D=1 F#=3 A=5 C=b7', 'D7'],
  ['Am/C', 'F', 'C=5 A=3 E=7', 'Fmaj7'],
  ['E♭ G', 'C', 'Eb=b3 G=5', 'Cm'],
  // Frets are spelled over each root: the same four sounds are other notes over other roots.
  ['x32010', 'C', 'C=1 E=3 G=5', 'C'],
  ['x32010', 'A', 'C=b3 E=5 G=b7', 'Am7'],
  ['x32010', 'F#', 'C=b5 E=b7 G=b9', 'Cadd#11/F#'],
  ['x32010', 'Db', 'C=7 Fb=b3 Abb=b5', 'DbdimMaj7'],
  ['x02220', 'B', 'A=b7 E=11 C#=9', 'B11'],
  ['xx0232', 'Bb', 'D=3 A=7 F#=#5', 'BbaugMaj7'],
  // Beside a third that is major a lower third is the raised ninth.
  ['x 7 6 7 8 x', 'E', 'E=1 G#=3 D=b7 F##=#9', 'E7#9'],
])('%s over %s', (text, root, degrees, name) => expect(over(text, root)).toEqual([degrees, name]));

test('a drone on any of twelve roots: what is named over it sounds there, by its degree', () => {
  const half: Record<string, number> = { 1: 0, b9: 1, 9: 2, '#9': 3, b3: 3, 3: 4, 11: 5, '#11': 6, b5: 6, 5: 7, b13: 8, '#5': 8, 13: 9, b7: 10, 7: 11 }; // prettier-ignore
  for (const text of ['x32010', '3x0003', 'x-10-9-10-10-x', '022100', 'x02210'])
    for (let root = 0; root < 12; root++) {
      const set = must(readNoteSet(text, guitar));
      const { notes } = setOver(set, rootNamed(root));
      expect(notes.map((one) => pitchClassOf(one.note))).toEqual(set.pitchClasses);
      expect(notes.map((one) => (root + half[one.degree]) % 12)).toEqual(set.pitchClasses);
    }
});

test.each(['C E G', 'E G B D', 'G B D F A', 'Cm7/Bb', 'B C', 'F# C E'])(
  'notes lie one above the other, a string each (%s)',
  (text: string) => {
    const { frets, notes } = must(readNoteSet(text, guitar));
    const sounding = (frets ?? []).flatMap((fret, s) => (fret === null ? [] : [pitchAt(guitar, s, fret)]));
    expect(sounding).toEqual([...sounding].sort((a, b) => a - b));
    expect(sounding.map((pitch) => pitch % 12)).toEqual(notes?.map(pitchClassOf));
  },
);

test.each([
  ['C H G', 'set.note', 'H'],
  ['C E Gm', 'set.note', 'Gm'],
  ['x3201', 'grip.strings', '5'],
  ['xxxxxx', 'grip.silent', '0'],
  ['x-3-2-0-1-99', 'grip.fret', 'string 1'],
])('%s is refused as %s at %s', (text, code, at) => {
  const read = readNoteSet(text, guitar);
  expect(read.ok ? null : [read.problem.code, read.problem.at]).toEqual([code, at]);
});
test('a word that is no chord is refused as one; more notes than strings have no grip but degrees', () => {
  expect(readNoteSet('Hm7', guitar).ok).toBe(false);
  const all = must(readNoteSet('C D E F G A B', guitar));
  expect([
    all.frets,
    setOver(all, note('D'))
      .notes.map((one) => one.degree)
      .join(' '),
  ]).toEqual([null, 'b7 1 9 b3 11 5 13']);
});
