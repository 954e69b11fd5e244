import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { parseFrets } from '@finch/core/grips';
import { oneNoteChanges } from '@finch/core/shapes';
import { parseChord } from '@finch/core/theory';
import { movesInShort, sayMoves, sayVerdict, verdictInShort } from '../../words/one-note-words';
import { pickedChange, takesIt } from './one-note';

function changesOf(symbol: string, text: string) {
  const [chord, frets] = [parseChord(symbol), parseFrets(text)];
  if (!chord.ok || !frets.ok) throw new Error(`${symbol} ${text}`);
  return oneNoteChanges(frets.value, chord.value, { hand: averageHand, instrument: standardGuitar });
}
const of = (symbol: string, text: string, quality: string) => {
  const found = changesOf(symbol, text).find((one) => one.chord.quality === quality);
  if (!found) throw new Error(quality);
  return found;
};

test.each([
  // E form of F: the third on string 3 goes down a fret; the doubled root on string 4 becomes the seventh.
  ['F', '133211', 'minor', '3→♭3', 'plays', 'string 3: 3 → ♭3, 1 fret down', true],
  ['F', '133211', 'dominant7', '1→♭7', 'plays', 'string 4: 1 → ♭7, 2 frets down', true],
  // Open C: its third lies on an open string too, and nothing is below the nut.
  [
    'C',
    'x32010',
    'minor',
    '3→♭3',
    'no fret',
    'string 4: 3 → ♭3, 1 fret down; string 1: 3 → ♭3, 1 fret down',
    false,
  ],
  ['F', '133211', 'minor9', '3 notes move', 'plays', 'string 3: 3 → ♭3', true],
])('%s %s to %s', (symbol, text, quality, moves, verdict, whole, taken) => {
  const change = of(symbol, text, quality);
  expect([movesInShort(change), verdictInShort(change), takesIt(change)]).toEqual([moves, verdict, taken]);
  expect(sayMoves(change)).toContain(whole);
});

test('the row names each step once, though two strings take it', () => {
  const change = of('C', 'x32010', 'sus4');
  expect(change.moves).toHaveLength(2);
  expect(movesInShort(change)).toBe('3→4');
});

test('what is spent, lost and refingered is said with the verdict', () => {
  expect(sayVerdict(of('F', '133211', 'dominant7'))).toBe(
    'plays as it is; spends a doubled 1; fingers 4→1 on 4.',
  );
  expect(sayVerdict(of('C', 'x32010', 'dominant7'))).toMatch(/^plays as it is; 5 is lost/);
});

test('the quality followed stays picked along the neck; else the first that plays', () => {
  const open = changesOf('C', 'x32010');
  expect(pickedChange(open, 'minor')?.chord.symbol).toBe('Cm');
  expect(pickedChange(open, '')?.chord.symbol).toBe('C7');
  // From a minor grip there is no change to minor.
  expect(pickedChange(changesOf('Am', 'x02210'), 'minor')?.verdict.code).toBe('move.plays');
  const none = open.filter((one) => one.verdict.code !== 'move.plays');
  expect(pickedChange(none, '')).toBe(none[0]);
  expect(pickedChange([], 'minor')).toBeNull();
});
