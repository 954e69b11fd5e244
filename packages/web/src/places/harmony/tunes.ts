/** Tunes of the repertoire: the melody of a piece as it is written, a tied note once, rests left out. */
import { readChart, type Piece } from '@finch/core/score';
import { pitchText, type Pitch } from '@finch/core/theory';

export function tuneOf(piece: Piece): Pitch[] {
  const notes = piece.sections.flatMap((section) => section.bars.flatMap((bar) => bar.melody ?? []));
  return notes.flatMap(({ pitch }, i) => (pitch && !notes[i - 1]?.tied ? [pitch] : []));
}

interface Tune {
  readonly title: string;
  /** As it is typed: `Eb4 F4 G4`. */
  readonly text: string;
  readonly key: string;
}

/** Of the charts that have a melody, its first notes. */
export const tunesOf = (charts: readonly string[], most: number): Tune[] =>
  charts.flatMap((chart): Tune[] => {
    const { piece } = readChart(chart);
    const notes = tuneOf(piece).slice(0, most);
    return notes.length ? [{ title: piece.title, text: notes.map(pitchText).join(' '), key: piece.key }] : [];
  });
