/** The numbers of a chart: each chord of each bar in the key that holds there, as it is drawn. */
import { readPieceKey, type Piece } from '@finch/core/score';
import { figureOf, parseChord } from '@finch/core/theory';
import { figureText } from '../../words/harmony-words';

/** By bar in the order they are written, then by chord; empty where no key can be read, as for silence. */
export function barFigures(piece: Piece): string[][] {
  let name = piece.key;
  return piece.sections.flatMap((section) =>
    section.bars.map((bar) => {
      name = bar.key ?? name;
      const key = readPieceKey(name);
      return bar.chords.map(({ chord }) => {
        const read = parseChord(chord);
        if (!key.ok || !read.ok || read.value.tones.length === 0) return '';
        return figureText(figureOf(read.value, key.value));
      });
    }),
  );
}
