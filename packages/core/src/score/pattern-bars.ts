/** The steps of each played bar: its section's pattern going round, or one stroke where a chord begins. */
import { playedBars, type Piece, type PlayedBar, type Pluck, type Stroke } from './piece';

export interface BarSteps {
  readonly played: PlayedBar;
  /** Steps to a beat. */
  readonly perBeat: number;
  readonly strokes: readonly (Stroke | Pluck)[];
}

/** `plain` leaves the patterns aside. Where a chord begins between two steps, the bar is divided more finely. */
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
    const beats = section.bars[played.bar].chords.map((one) => one.beat);
    const start = into;
    into += played.time.beats;
    if (pattern) {
      const { strokes: all } = pattern;
      const finer = stepsFor(beats, pattern.perBeat);
      const first = Math.round(start * pattern.perBeat);
      const strokes = Array.from(
        { length: played.time.beats * pattern.perBeat * finer },
        (_, i): Stroke | Pluck => (i % finer === 0 ? all[(first + i / finer) % all.length] : 'rest'),
      );
      const perBeat = pattern.perBeat * finer;
      return { played, perBeat, strokes: struckWhereNamed(strokes, perBeat, beats) };
    }
    const perBeat = stepsFor(beats, 1);
    const strokes = new Array<Stroke>(played.time.beats * perBeat).fill('rest');
    for (const beat of beats) strokes[Math.min(strokes.length - 1, Math.round(beat * perBeat))] = 'down';
    return { played, perBeat, strokes };
  });
}

/** How many times finer than `perBeat` steps have to be for every chord to begin on one. */
const stepsFor = (beats: readonly number[], perBeat: number): number =>
  [1, 2, 4].find((one) =>
    beats.every((beat) => Math.abs(beat * perBeat * one - Math.round(beat * perBeat * one)) < 1e-6),
  ) ?? 4;

/** A chord whose pattern passes over the whole of it is struck where it begins. */
function struckWhereNamed(
  strokes: readonly (Stroke | Pluck)[],
  perBeat: number,
  beats: readonly number[],
): (Stroke | Pluck)[] {
  const out = [...strokes];
  beats.forEach((beat, i) => {
    const from = Math.ceil(beat * perBeat - 1e-9);
    const to = i + 1 < beats.length ? Math.ceil(beats[i + 1] * perBeat - 1e-9) : strokes.length;
    const heard = strokes.slice(from, to).some((one) => one !== 'rest' && one !== 'tie' && one !== 'stop');
    if (!heard && from < out.length) out[from] = 'down';
  });
  return out;
}
