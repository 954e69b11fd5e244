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
import { beatsOf } from './ticks';

export interface PieceChord extends WrittenChord {
  readonly step: PathStep;
}

/** A change, how often it is played and at what tempo it is wanted. */
export interface TimedChange {
  readonly grade: ChangeGrade;
  readonly times: number;
  /** Beats a minute the piece wants there. */
  readonly wantedBpm: number;
}

/** Going from one written chord to another, as often as the piece does. */
export interface PieceChange extends TimedChange {
  /** Indexes of `chords`. */
  readonly from: number;
  readonly to: number;
  /** Beats the music leaves: see `gapBeatsOf`. */
  readonly gapBeats: number;
  /** Chance that it comes clean at that tempo. */
  readonly cleanProbability: number;
  /** Whether nine of ten come clean at that tempo. */
  readonly ready: boolean;
}

/** How far a piece, or a part of one, is from the tempo it is wanted at. */
export interface Readiness {
  /** Share of the wanted tempo at which the weakest change comes clean nine times in ten; null without changes. */
  readonly tempoShare: number | null;
  /** Expected share of changes that come clean at the wanted tempo, each as often as it is played. */
  readonly cleanShare: number | null;
  /** Share of changes that are ready for it: nine of ten come clean, each as often as it is played. */
  readonly readyShare: number | null;
}

export interface PieceDemand extends Readiness {
  readonly chords: readonly PieceChord[];
  readonly changes: readonly PieceChange[];
  /** Index in `changes` of the one furthest from the tempo wanted there; null without changes. */
  readonly weakest: number | null;
  /** Beats a minute of the piece's own tempo at which this student would get through, and its 80 % band. */
  readonly tempoBpm: number | null;
  readonly band: ChangeGrade['band'] | null;
  /** Numbers of the bars that are gone into by a change that is not ready, in order, each once. */
  readonly barsNotReady: readonly number[];
  /** Indexes of `chords`: the heaviest grips, each grip once. */
  readonly heaviest: readonly number[];
}

/**
 * Beats the hand has where a chord lasts so many ticks: one before the next chord; where a chord lasts little more, all but the quarter of a beat in
 * which it is struck, and never less than half of it (assumed).
 */
export const gapBeatsOf = (ticks: number): number =>
  Math.min(1, Math.max(beatsOf(ticks) / 2, beatsOf(ticks) - 0.25));

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
    { ...here, gapBeats: written.map((one) => gapBeatsOf(one.ticks)) },
    memory,
  );
  const chords = written.map((one, i): PieceChord => ({ ...one, step: path.steps[i] }));
  const changes = changesPlayed(piece, chords, here);
  const ready = readiness(changes);
  const { tempoShare } = ready;
  const weakest = tempoShare === null ? null : changes.findIndex((change) => shareOf(change) === tempoShare);
  const least = (bpm: (grade: ChangeGrade) => number) =>
    piece.tempoBpm * Math.min(...changes.map((change) => bpm(change.grade) / change.wantedBpm));
  return {
    chords,
    changes,
    weakest,
    ...ready,
    tempoBpm: tempoShare === null ? null : piece.tempoBpm * tempoShare,
    band: changes.length
      ? { lowBpm: least(({ band }) => band.lowBpm), highBpm: least(({ band }) => band.highBpm) }
      : null,
    barsNotReady: [...new Set(changes.flatMap((one) => (one.ready ? [] : [chords[one.to].number])))].toSorted(
      (a, b) => a - b,
    ),
    heaviest: heaviestOf(chords),
  };
}

const shareOf = ({ grade, wantedBpm }: TimedChange): number => grade.tempoBpm / wantedBpm;

/** A change is ready where its tempo is the wanted one to the whole beat a minute. */
const isReady = ({ grade, wantedBpm }: TimedChange): boolean => Math.round(grade.tempoBpm) >= wantedBpm;

/** How far changes are from the tempi they are wanted at; `grade.cleanProbability` is asked for at those. */
export function readiness(changes: readonly TimedChange[]): Readiness {
  const played = changes.reduce((sum, change) => sum + change.times, 0);
  if (played === 0) return { tempoShare: null, cleanShare: null, readyShare: null };
  const share = (of: (change: TimedChange) => number) =>
    changes.reduce((sum, change) => sum + change.times * of(change), 0) / played;
  return {
    tempoShare: Math.min(...changes.map(shareOf)),
    cleanShare: share(({ grade }) => grade.cleanProbability ?? 0),
    readyShare: share((change) => (isReady(change) ? 1 : 0)),
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
    const gapBeats = gapBeatsOf(a.ticks);
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
    const timed: TimedChange = { grade: graded.value, times, wantedBpm: bpm };
    return [
      {
        ...timed,
        from,
        to,
        gapBeats,
        cleanProbability: graded.value.cleanProbability ?? 0,
        ready: isReady(timed),
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
