import { averageHand, pitchAt, standardGuitar } from '../fretboard';
import { fretsText, parseFrets } from '../grips';
import { must } from '../kernel';
import { mod12, parseChord } from '../theory';
import { oneNoteChange, oneNoteChanges } from './one-note';
import { ONE_NOTE_TARGETS } from './one-note-targets';

const context = { hand: averageHand, instrument: standardGuitar };
const change = (grip: string, from: string, to: string) =>
  oneNoteChange(must(parseFrets(grip)), must(parseChord(from)), must(parseChord(to)), context);
const literal = (grip: string, from: string, to: string) => {
  const made = change(grip, from, to).literal;
  return made && fretsText(made);
};

describe('one note moved', () => {
  // Played through on a guitar; each is what a teacher would say.
  test.each([
    ['022100', 'E', 'Em', '022000'],
    ['x02220', 'A', 'Am', 'x02210'],
    ['xx0232', 'D', 'Dm', 'xx0231'],
    ['133211', 'F', 'Fm', '133111'],
    ['133211', 'F', 'Fsus4', '133311'],
    ['022100', 'E', 'E7', '020100'],
    ['x02220', 'A', 'A7', 'x02020'],
    ['x02220', 'A', 'Amaj7', 'x02120'],
    ['xx0232', 'D', 'Dmaj7', 'xx0222'],
    ['xx0232', 'D', 'D7', 'xx0212'],
    ['x32010', 'C', 'Cmaj7', 'x32000'],
    ['xx0232', 'D', 'Dsus4', 'xx0233'],
    ['xx0232', 'D', 'Dsus2', 'xx0230'],
    ['x02220', 'A', 'Asus2', 'x02200'],
    ['022000', 'Em', 'Em7', '020000'],
    ['x02210', 'Am', 'Am7', 'x02010'],
  ])('%s %s becomes %s as %s', (grip, from, to, expected) => expect(literal(grip, from, to)).toBe(expected));

  test('C and G have two thirds, so two notes must move', () => {
    expect(change('x32010', 'C', 'Cm').moves).toHaveLength(2);
    expect(change('320003', 'G', 'Gm').moves).toHaveLength(2);
    expect(change('320033', 'G', 'Gm').moves).toHaveLength(1);
  });

  test('where there is no fret below, that is the verdict and nothing is a grip', () => {
    // Both thirds of the open C would go down; the one on open string 1 cannot.
    const made = change('x32010', 'C', 'Cm');
    expect(made.verdict).toEqual({ code: 'move.no-fret', values: { string: 1, below: 1 } });
    expect(made.literal).toBeNull();
    expect(made.revoiced).not.toBeNull();
  });

  test('a seventh under a root on top is weak, and the better voicing leaves that root out', () => {
    // F maj7 by lowering the root on string 4 leaves the root on string 1 above it.
    const made = change('133211', 'F', 'Fmaj7');
    expect(made.moves).toHaveLength(1);
    if (made.moves[0].string !== 1) expect(made.verdict.code).toBe('move.weak');
  });

  test('what is spent is a doubled note, and it is said', () => {
    const made = change('x02220', 'A', 'A7');
    expect(made.moves).toEqual([{ string: 3, fromFret: 2, toFret: 0, from: '1', to: 'b7', doubled: true }]);
    expect(made.lost).toEqual([]);
    const seventh = change('xx0232', 'D', 'D7');
    expect(seventh.moves[0]).toMatchObject({ string: 2, fromFret: 3, toFret: 1, doubled: true });
  });

  test('fingers that change are named by string', () => {
    const made = change('022100', 'E', 'E7');
    expect(made.fingers.every((finger) => finger.from !== finger.to)).toBe(true);
    expect(made.fingers.map((finger) => finger.string)).toContain(4);
  });

  test('every target is answered, literal notes belong to the new chord, and the voicing is near', () => {
    for (const [grip, symbol] of [
      ['x32010', 'C'],
      ['320003', 'G'],
      ['133211', 'F'],
      ['x13331', 'Bb'],
      ['xx0231', 'Dm'],
      ['x43121', 'Db'],
    ] as const) {
      const chord = must(parseChord(symbol));
      const changes = oneNoteChanges(must(parseFrets(grip)), chord, context);
      expect(changes.length).toBeGreaterThanOrEqual(ONE_NOTE_TARGETS.length - 1);
      for (const made of changes) {
        expect(made.moves.length).toBeGreaterThan(0);
        if (made.literal && made.verdict.code === 'move.plays')
          made.literal.forEach((fret, s) => {
            if (fret === null) return;
            const pitchClass = mod12(pitchAt(standardGuitar, s, fret));
            expect(made.chord.tones.map((tone) => tone.pitchClass)).toContain(pitchClass);
          });
        expect(made.verdict.code).toMatch(/^move\./);
      }
    }
  });
});
