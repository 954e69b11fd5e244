/** The steps of each played bar: its section's pattern going round, or one stroke where a chord begins. */
import { playedBars, type Piece, type PlayedBar, type Pluck, type Stroke, type StrokePattern } from './piece';
import { TICKS_A_BEAT } from './ticks';

export interface Step {
  /** From the start of the bar. */
  readonly tick: number;
  readonly stroke: Stroke | Pluck;
}

export interface BarSteps {
  readonly played: PlayedBar;
  readonly steps: readonly Step[];
}

/** Strokes one after the other from the start of a bar, so many to a beat. */
export const evenSteps = (strokes: readonly (Stroke | Pluck)[], perBeat: number): Step[] =>
  strokes.map((stroke, i) => ({ tick: (i * TICKS_A_BEAT) / perBeat, stroke }));

/** `plain` leaves the patterns aside. Where a chord begins between two steps, there is a step more. */
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
    const chords = section.bars[played.bar].chords.map((one) => one.tick);
    const start = into;
    into += played.time.beats;
    const steps = pattern ? patternSteps(pattern, start, played.time.beats) : [];
    return { played, steps: struckWhereNamed(steps, chords) };
  });
}

/** A bar of a pattern that has gone round for some beats already. */
function patternSteps({ strokes, perBeat }: StrokePattern, from: number, beats: number): Step[] {
  const here = Array.from(
    { length: beats * perBeat },
    (_, i) => strokes[(from * perBeat + i) % strokes.length],
  );
  return evenSteps(here, perBeat);
}

/** With a step where the bar and every chord begins; a chord the pattern passes over whole is struck where it begins. */
function struckWhereNamed(steps: readonly Step[], chords: readonly number[]): Step[] {
  const known = new Set(steps.map((one) => one.tick));
  const more = [...new Set([0, ...chords])].filter((tick) => !known.has(tick));
  const all = [...steps, ...more.map((tick): Step => ({ tick, stroke: 'rest' }))];
  all.sort((a, b) => a.tick - b.tick);
  const silent = chords.filter((from, i) => {
    const to = chords[i + 1] ?? Number.POSITIVE_INFINITY;
    return !all.some(({ tick, stroke }) => tick >= from && tick < to && isHeard(stroke));
  });
  return all.map((one) => (silent.includes(one.tick) ? { ...one, stroke: 'down' } : one));
}

const isHeard = (stroke: Stroke | Pluck): boolean =>
  stroke !== 'rest' && stroke !== 'tie' && stroke !== 'stop';
