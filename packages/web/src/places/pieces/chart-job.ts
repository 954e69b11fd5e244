/** What goes to paper of a piece: its chart with printed names and facts, and the grips it is played with. */
import type { GradedGrip } from '@finch/core/shapes';
import { asIfWithoutCapo, writtenChords, type Piece } from '@finch/core/score';
import { chordText, nameChord } from '../../words';
import type { ChartJob } from '../../paper/paper-files';

interface Played {
  /** By written chord; empty prints no cards. */
  readonly grips: readonly (GradedGrip | null)[];
  readonly leftHanded: boolean;
  readonly foot: string;
}

export function chartJob(piece: Piece, { grips, leftHanded, foot }: Played): ChartJob {
  const symbols = [piece, ...(piece.capo ? [asIfWithoutCapo(piece)] : [])].flatMap((one) =>
    writtenChords(one).map(({ chord }) => chord),
  );
  const facts = [
    chordText(piece.key),
    `${piece.time.beats}/${piece.time.unit}`,
    `${piece.tempoBpm} bpm`,
    ...(piece.swing === 'straight' ? [] : [`${piece.swing} swing`]),
    ...(piece.capo ? [`capo ${piece.capo}, small names behind it`] : []),
    ...(piece.by ? [piece.by] : []),
  ];
  return {
    layout: 'chart',
    title: piece.title,
    foot,
    show: 'fingers',
    leftHanded,
    piece,
    facts: facts.join(' · '),
    names: Object.fromEntries(symbols.map((symbol) => [symbol, nameChord(symbol)])),
    grips: grips.map((grip) => grip && { frets: grip.frets, fingers: grip.fingers }),
  };
}
