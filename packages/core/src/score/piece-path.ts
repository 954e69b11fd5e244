/**
 * What a piece asks of a hand: a grip for every chord of its chart, the changes as they are played, which of them
 * chokes first, and the tempo at which this student would get through. Grips are chosen over the chart as written, so
 * that a bar is gripped alike each time round; changes are judged in the order played, repeats and endings included.
 */
import {
  gradeChange,
  planPath,
  type ChangeGrade,
  type PathMemory,
  type PathOptions,
  type PathStep,
} from '../changes';
import { noChord, parseChord, type Chord } from '../theory/chord';
import { playedChords, writtenChords, type Piece, type WrittenChord } from './piece';

export interface PieceChord extends WrittenChord {
  readonly step: PathStep;
}

/** Going from one written chord to another, as often as the piece does. */
export interface PieceChange {
  /** Indexes of `chords`. */
  readonly from: number;
  readonly to: number;
  readonly times: number;
  /** Beats the music leaves: see `gapBeatsOf`. */
  readonly gapBeats: number;
  /** Beats a minute the piece wants there. */
  readonly wantedBpm: number;
  readonly grade: ChangeGrade;
  /** Chance that it comes clean at that tempo. */
  readonly cleanProbability: number;
}

export interface PieceDemand {
  readonly chords: readonly PieceChord[];
  readonly changes: readonly PieceChange[];
  /** Index in `changes` of the one furthest from the tempo wanted there; null without changes. */
  readonly weakest: number | null;
  /** Share of the written tempo at which the weakest change comes clean nine times in ten; null without changes. */
  readonly tempoShare: number | null;
  /** Beats a minute of the piece's own tempo at which this student would get through. */
  readonly tempoBpm: number | null;
  /** Expected share of changes that come clean at the written tempo, each as often as it is played. */
  readonly cleanShare: number | null;
  /** Indexes of `chords`: the heaviest grips, each grip once. */
  readonly heaviest: readonly number[];
}

/**
 * Beats the hand has: one before the next chord; where a chord lasts little more, all but the quarter of a beat in
 * which it is struck, and never less than half of it (assumed).
 */
export const gapBeatsOf = (beats: number): number => Math.min(1, Math.max(beats / 2, beats - 0.25));

export const chordOf = (symbol: string): Chord => {
  const read = parseChord(symbol);
  return read.ok ? read.value : noChord;
};

/** `options.instrument` is the student's own; the piece's capo is put on it. Locks are by written chord. */
export function pieceDemand(piece: Piece, options: PathOptions, memory?: PathMemory): PieceDemand {
  const written = writtenChords(piece);
  const here: PathOptions = { ...options, instrument: { ...options.instrument, capo: piece.capo } };
  const path = planPath(
    written.map((one) => chordOf(one.chord)),
    { ...here, gapBeats: written.map((one) => gapBeatsOf(one.beats)) },
    memory,
  );
  const chords = written.map((one, i): PieceChord => ({ ...one, step: path.steps[i] }));
  const changes = changesPlayed(piece, chords, here);
  const shares = changes.map((change) => change.grade.tempoBpm / change.wantedBpm);
  const weakest = shares.length ? shares.indexOf(Math.min(...shares)) : null;
  const tempoShare = weakest === null ? null : shares[weakest];
  const played = changes.reduce((sum, change) => sum + change.times, 0);
  return {
    chords,
    changes,
    weakest,
    tempoShare,
    tempoBpm: tempoShare === null ? null : piece.tempoBpm * tempoShare,
    cleanShare: played
      ? changes.reduce((sum, change) => sum + change.times * change.cleanProbability, 0) / played
      : null,
    heaviest: heaviestOf(chords),
  };
}

function changesPlayed(piece: Piece, chords: readonly PieceChord[], options: PathOptions): PieceChange[] {
  const found = new Map<string, { from: number; to: number; times: number; gapBeats: number; bpm: number }>();
  const played = playedChords(piece);
  for (let i = 0; i + 1 < played.length; i++) {
    const [a, b] = [played[i], played[i + 1]];
    const [from, to] = [chords[a.written].step.grip, chords[b.written].step.grip];
    if (!from || !to || from.frets.join() === to.frets.join()) continue;
    const key = `${a.written}>${b.written}`;
    const known = found.get(key);
    const gapBeats = gapBeatsOf(a.beats);
    const bpm = b.played.tempoBpm;
    if (!known) found.set(key, { from: a.written, to: b.written, times: 1, gapBeats, bpm });
    else {
      known.times++;
      known.gapBeats = Math.min(known.gapBeats, gapBeats);
      known.bpm = Math.max(known.bpm, bpm);
    }
  }
  return [...found.values()].flatMap(({ from, to, times, gapBeats, bpm }): PieceChange[] => {
    const [a, b] = [chords[from].step.grip, chords[to].step.grip];
    if (!a || !b) return [];
    const graded = gradeChange(a.frets, b.frets, options.hand, options.instrument, {
      pace: options.pace,
      gapBeats,
      gapSeconds: (60 * gapBeats) / bpm,
      pinned: { from: a.fingers, to: b.fingers },
    });
    if (!graded.ok) return [];
    return [
      {
        from,
        to,
        times,
        gapBeats,
        wantedBpm: bpm,
        grade: graded.value,
        cleanProbability: graded.value.cleanProbability ?? 0,
      },
    ];
  });
}

const MOST_HEAVY = 3;

function heaviestOf(chords: readonly PieceChord[]): number[] {
  const points = (i: number) => chords[i].step.grip?.effort.points ?? -1;
  const seen = new Set<string>();
  return [...chords.keys()]
    .filter((i) => points(i) >= 0)
    .sort((a, b) => points(b) - points(a))
    .filter((i) => {
      const grip = chords[i].step.grip?.frets.join() ?? '';
      return !seen.has(grip) && seen.add(grip);
    })
    .slice(0, MOST_HEAVY);
}
