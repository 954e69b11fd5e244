/** Guide tones: the third and the seventh of each chord of a progression, and how each goes on to the next chord's nearest. */
import type { Chord } from '../theory/chord';
import { degreeParts } from '../theory/degree';
import { mod12, pitchClassOf, type NoteName } from '../theory/note';

interface GuideMove {
  readonly from: NoteName;
  readonly to: NoteName;
  /** Half steps, up positive: -5 to 6; 0 stays. */
  readonly by: number;
}

export interface GuideTones {
  readonly chord: Chord;
  /** Third (or what stands for it) and seventh (or sixth, or root of a triad). */
  readonly tones: readonly [NoteName, NoteName];
  /** To the next chord; empty for the last. */
  readonly moves: readonly GuideMove[];
}

function pairOf(chord: Chord): readonly [NoteName, NoteName] {
  const numbered = (...numbers: readonly number[]): NoteName | undefined =>
    chord.tones.find((tone) => numbers.includes(degreeParts(tone.degree).number))?.note;
  return [numbered(3) ?? numbered(4, 2) ?? chord.root, numbered(7) ?? numbered(6) ?? chord.root];
}

/** The lines through a progression; silence is passed over. */
export function guideTones(all: readonly Chord[]): GuideTones[] {
  const chords = all.filter((chord) => chord.tones.length > 0);
  const pairs = chords.map(pairOf);
  return chords.map((chord, i): GuideTones => {
    const next = pairs[i + 1];
    return { chord, tones: pairs[i], moves: next ? moved(pairs[i], next) : [] };
  });
}

function moved([a, b]: readonly [NoteName, NoteName], [c, d]: readonly [NoteName, NoteName]): GuideMove[] {
  const move = (from: NoteName, to: NoteName): GuideMove => {
    const up = mod12(pitchClassOf(to) - pitchClassOf(from));
    return { from, to, by: up > 6 ? up - 12 : up };
  };
  const straight = [move(a, c), move(b, d)];
  const crossed = [move(a, d), move(b, c)];
  const way = (moves: readonly GuideMove[]) => moves.reduce((sum, one) => sum + Math.abs(one.by), 0);
  return way(crossed) < way(straight) ? crossed : straight;
}
