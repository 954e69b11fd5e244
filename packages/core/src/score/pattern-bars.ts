/** The steps of each played bar: its section's pattern going round, or one stroke where a chord begins. */
import { playedBars, type Piece, type PlayedBar, type Pluck, type Stroke } from './piece';

export interface BarSteps {
  readonly played: PlayedBar;
  /** Steps to a beat. */
  readonly perBeat: number;
  readonly strokes: readonly (Stroke | Pluck)[];
}

/** `plain` leaves the patterns aside. A chord that begins between two steps is struck at the next one. */
export function patternBars(piece: Piece, plain = false): BarSteps[] {
  let into = 0;
  let before: PlayedBar | null = null;
  return playedBars(piece).map((played): BarSteps => {
    const goesOn =
      before?.section === played.section && before.round === played.round && before.bar < played.bar;
    if (!goesOn) into = 0;
    before = played;
    const section = piece.sections[played.section];
    const pattern = plain ? undefined : piece.patterns.find((one) => one.name === section.pattern);
    const start = into;
    into += played.time.beats;
    if (pattern) {
      const { perBeat, strokes: all } = pattern;
      const first = Math.round(start * perBeat);
      const strokes = Array.from(
        { length: played.time.beats * perBeat },
        (_, i) => all[(first + i) % all.length],
      );
      return {
        played,
        perBeat,
        strokes: struckWhereNamed(strokes, perBeat, section.bars[played.bar].chords),
      };
    }
    const beats = section.bars[played.bar].chords.map((one) => one.beat);
    const perBeat = [1, 2, 4].find((one) => beats.every((beat) => Number.isInteger(beat * one))) ?? 4;
    const strokes = new Array<Stroke>(played.time.beats * perBeat).fill('rest');
    for (const beat of beats) strokes[Math.min(strokes.length - 1, Math.round(beat * perBeat))] = 'down';
    return { played, perBeat, strokes };
  });
}

/** A chord whose pattern passes over the whole of it is struck where it begins. */
function struckWhereNamed(
  strokes: readonly (Stroke | Pluck)[],
  perBeat: number,
  chords: readonly { readonly beat: number }[],
): (Stroke | Pluck)[] {
  const out = [...strokes];
  chords.forEach(({ beat }, i) => {
    const from = Math.ceil(beat * perBeat - 1e-9);
    const to = i + 1 < chords.length ? Math.ceil(chords[i + 1].beat * perBeat - 1e-9) : strokes.length;
    const heard = strokes.slice(from, to).some((one) => one !== 'rest' && one !== 'tie' && one !== 'stop');
    if (!heard && from < out.length) out[from] = 'down';
  });
  return out;
}
