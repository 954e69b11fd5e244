import { must } from '../kernel';
import { makeInstrument, pitchAt, standardGuitar } from '../fretboard';
import { degreeChords, majorKeys, noteText, parseChord, pitchClassOf } from '../theory';
import { guideNeck, guideTones } from '.';

const chords = (text: string) => text.split(' ').map((symbol) => must(parseChord(symbol)));
const laid = (text: string, strings: readonly [number, number]) =>
  guideNeck(chords(text), strings, standardGuitar).map(
    ({ low, high }) => `${noteText(low.note)}=${low.degree}@${low.fret} ${noteText(high.note)}=${high.degree}@${high.fret}`,
  ); // prettier-ignore

test.each([
  // On paper: one finger stays while the other falls a fret, and then they take turns.
  ['Ebm7 Ab7 Dbmaj7', [4, 3], ['Gb=b3@4 Db=b7@6', 'Gb=b7@4 C=3@5', 'F=3@3 C=7@5']],
  ['Dm7 G7 Cmaj7', [4, 3], ['F=b3@3 C=b7@5', 'F=b7@3 B=3@4', 'E=3@2 B=7@4']],
  ['Dm7b5 G7 Cm6', [3, 2], ['C=b7@5 F=b3@6', 'B=3@4 F=b7@6', 'A=6@2 Eb=b3@4']],
  // A triad has its root for the seventh; sus its 4 for the third; silence is passed over.
  ['C', [4, 3], ['E=3@2 C=1@5']],
  ['G7sus4 NC G7', [3, 2], ['C=4@5 F=b7@6', 'B=3@4 F=b7@6']],
] as const)('%s on strings %s', (text, strings, expected) => expect(laid(text, strings)).toEqual(expected));

test('in every key and on every two neighbours: the two notes are the guide tones, and no other way is shorter', () => {
  for (const key of majorKeys())
    for (const upper of [1, 2, 3, 4, 5]) {
      const [, two, , , five, , ] = degreeChords(key, { sevenths: true }).map(({ chord }) => chord); // prettier-ignore
      const [home] = degreeChords(key, { sevenths: true }).map(({ chord }) => chord);
      const all = [two, five, home];
      const pairs = guideNeck(all, [upper + 1, upper], standardGuitar);
      pairs.forEach(({ low, high, chord }, i) => {
        for (const one of [low, high]) {
          expect(one.pitch).toBe(pitchAt(standardGuitar, one.stringIndex, one.fret));
          expect(one.pitch % 12).toBe(pitchClassOf(one.note));
          expect(chord.tones.find((tone) => tone.degree === one.degree)?.pitchClass).toBe(one.pitch % 12);
        }
        expect([low.note, high.note].map(noteText).sort()).toEqual(
          guideTones(all)[i].tones.map(noteText).sort(),
        );
      });
      // Diatonic ii V I in any key: a half step or nothing, and one voice at a time.
      const way = pairs
        .slice(1)
        .map(({ low, high }, i) => [
          Math.abs(low.fret - pairs[i].low.fret),
          Math.abs(high.fret - pairs[i].high.fret),
        ]);
      expect(way.every(([a, b]) => Math.min(a, b) === 0 && a + b <= 2)).toBe(true);
    }
});

test('nothing to lay, a string too short, a second string that is not the thinner', () => {
  expect(guideNeck([], [4, 3], standardGuitar)).toEqual([]);
  const capo = must(makeInstrument({ frets: 12, capo: 11 }));
  expect(guideNeck(chords('Abmaj7 Dm7'), [4, 3], capo)).toEqual([]);
  expect(() => guideNeck(chords('Dm7'), [3, 4], standardGuitar)).toThrow(RangeError);
  expect(() => guideNeck(chords('Dm7'), [7, 6], standardGuitar)).toThrow(RangeError);
});
