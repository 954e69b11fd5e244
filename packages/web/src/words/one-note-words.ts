/** What moving one note does, in words: short in the list, whole beside the one picked. */
import type { OneNoteChange } from '@finch/core/shapes';
import { degreeText, fretsMoved, plural, say } from './index';

/** Moves beyond which a row says how many notes move instead of which. */
const MOST_TOLD = 2;

/** "5→♭7", "3→♭3, 5→♭7", "3 notes move": what a row has room for. */
export function movesInShort({ moves }: OneNoteChange): string {
  const steps = [...new Set(moves.map((move) => `${degreeText(move.from)}→${degreeText(move.to)}`))];
  return steps.length > MOST_TOLD ? `${plural(moves.length, 'note')} move` : steps.join(', ');
}

const IN_SHORT: Readonly<Record<string, string>> = {
  'move.plays': 'plays',
  'move.weak': 'weak',
  'move.no-root': 'no root',
  'move.unplayable': 'no fingers',
  'move.no-fret': 'no fret',
  'move.no-fret-above': 'no fret',
  'move.missing': 'a note short',
};

/** The verdict in a word or two. */
export const verdictInShort = (change: OneNoteChange): string =>
  IN_SHORT[change.verdict.code] ?? say(change.verdict);

/** "string 3: 5 to ♭7, fret 0 to 3" for each note that moves. */
export function sayMoves(change: OneNoteChange): string {
  return change.moves
    .map((move) => {
      const by = move.toFret - move.fromFret;
      return `string ${move.string}: ${degreeText(move.from)} → ${degreeText(move.to)}, ${fretsMoved(by)}`;
    })
    .join('; ');
}

/** Whether the literal move plays, what is spent and lost, which fingers change. */
export function sayVerdict(change: OneNoteChange): string {
  const parts = [say(change.verdict)];
  const spent = change.moves.filter((move) => move.doubled && move.from !== move.to);
  if (spent.length && change.literal)
    parts.push(`spends a doubled ${[...new Set(spent.map((move) => degreeText(move.from)))].join(', ')}`);
  if (change.lost.length) parts.push(`${change.lost.map(degreeText).join(', ')} is lost`);
  const swaps = change.fingers.filter(
    (one) => one.from !== null && one.to !== null && one.from !== 0 && one.to !== 0,
  );
  if (swaps.length)
    parts.push(`fingers ${swaps.map((one) => `${one.from}→${one.to} on ${one.string}`).join(', ')}`);
  return `${parts.join('; ')}.`;
}
