/**
 * Parts of a piece by hand: all notes, the same behind a capo, or two notes of each chord, each graded for the hand that
 * is to play it; and who of a group plays which, the fullest part inside each hand's limit, with the whole harmony in
 * somebody's hands.
 */
import { gradeChange, type PathMemory, type PathOptions } from '../changes';
import { gradeGrip } from '../effort/grade-grip';
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { overLimit, playedBy, type TaughtHand } from '../hands/taught-hand';
import type { Frets } from '../grips/grip';
import { mean } from '../kernel/number';
import { mod12 } from '../theory/note';
import type { Chord } from '../theory/chord';
import { degreeParts } from '../theory/degree';
import { chordOf, gapBeatsOf, pieceDemand, readiness, type Readiness, type TimedChange } from './piece-path';
import { writtenChords, type Piece } from './piece';
import { capoPoints } from './rekey-piece';

export const PART_KINDS = ['full', 'capo', 'two notes'] as const;
export type PartKind = (typeof PART_KINDS)[number];

export interface PartGrade extends Readiness {
  readonly kind: PartKind;
  /** Fret of the capo it is played with, 0 for none. */
  readonly capo: number;
  /** By written chord; null where nothing is played. */
  readonly grips: readonly (Frets | null)[];
  readonly heaviest: number;
  readonly meanEffort: number;
}

const MOST_CAPO = 7;

/**
 * The three parts of a piece for one hand, the full one with the chart's own capo and with the very grips its chart shows;
 * without the capo part where no capo makes it easier than none.
 */
export function partsOf(piece: Piece, options: PathOptions): PartGrade[] {
  const full = gripped(piece, 'full', options);
  const best = behindCapo(piece, options);
  const two = twoNotes(piece, options);
  return [full, ...(best.meanEffort < full.meanEffort - 1 ? [best] : []), ...(two ? [two] : [])];
}

/** One part of a piece for one hand, whether or not it is the easiest; two notes null on fewer than four strings. */
export function partOf(piece: Piece, kind: 'full', options: PathOptions): PartGrade;
export function partOf(piece: Piece, kind: PartKind, options: PathOptions): PartGrade | null;
export function partOf(piece: Piece, kind: PartKind, options: PathOptions): PartGrade | null {
  if (kind === 'full') return gripped(piece, 'full', options);
  return kind === 'capo' ? behindCapo(piece, options) : twoNotes(piece, options);
}

function behindCapo(piece: Piece, options: PathOptions): PartGrade {
  const free = { ...options, locked: [], candidates: options.candidates ?? CAPO_CANDIDATES };
  const capos = Array.from({ length: MOST_CAPO }, (_, i) => gripped({ ...piece, capo: i + 1 }, 'capo', free));
  return capos.reduce((least, one) =>
    one.meanEffort + capoPoints(one.capo) < least.meanEffort + capoPoints(least.capo) ? one : least,
  );
}

/** Grips looked at for each chord behind a capo: a part is compared by its mean, which more would hardly move. */
const CAPO_CANDIDATES = 16;

function gripped(piece: Piece, kind: PartKind, options: PathOptions, memory?: PathMemory): PartGrade {
  const demand = pieceDemand(piece, options, memory);
  const efforts = demand.chords.flatMap(({ step }) => (step.grip ? [step.grip.effort.total] : []));
  const { tempoShare, cleanShare, readyShare } = demand;
  return {
    kind,
    capo: piece.capo,
    grips: demand.chords.map(({ step }) => step.grip?.frets ?? null),
    heaviest: Math.max(0, ...efforts),
    meanEffort: efforts.length ? mean(efforts) : 0,
    tempoShare,
    cleanShare,
    readyShare,
  };
}

/** The two tones that tell a chord: its third (or what stands for it) and its seventh or sixth, else its root or fifth. */
export function tellingTones(chord: Chord): [number, number] | null {
  const tone = (numbers: readonly number[]) => {
    for (const number of numbers) {
      const found = chord.tones.find((one) => degreeParts(one.degree).number === number);
      if (found) return found.pitchClass;
    }
    return null;
  };
  const third = tone([3, 4, 11, 2, 9]) ?? tone([5]);
  const other = tone([7, 6, 13]) ?? tone([1]);
  return third === null || other === null || third === other ? null : [third, other];
}

const HIGHEST_TWO = 12;

/** Two notes of every chord on strings 4 and 3 without a capo, moving as little as they can; null on fewer strings. */
function twoNotes(piece: Piece, asked: PathOptions): PartGrade | null {
  const options = { ...asked, instrument: { ...asked.instrument, capo: 0 } };
  const { hand, instrument } = options;
  const count = instrument.openPitches.length;
  if (count < 4) return null;
  const low = count - 4;
  const written = writtenChords(piece);
  const choices = written.map((one) => {
    const tones = tellingTones(chordOf(one.chord));
    return tones ? pairsOf(tones, low, instrument, hand) : [];
  });
  const frets = nearestPairs(
    choices.map((all) => all.map((one) => one.frets)),
    low,
  );
  const points = frets.map((grip, i) => choices[i].find((one) => one.frets === grip)?.effort ?? null);
  const efforts = points.filter((one): one is number => one !== null);
  if (efforts.length === 0) return null;
  return {
    kind: 'two notes',
    capo: 0,
    grips: frets,
    heaviest: Math.max(...efforts),
    meanEffort: mean(efforts),
    ...pairTiming(
      frets,
      written.map((one) => gapBeatsOf(one.ticks)),
      piece.tempoBpm,
      options,
    ),
  };
}

function pairsOf(
  [a, b]: [number, number],
  low: number,
  instrument: Instrument,
  hand: PathOptions['hand'],
): { frets: Frets; effort: number }[] {
  const found: { frets: Frets; effort: number }[] = [];
  const places = (s: number, pitchClass: number) =>
    Array.from({ length: HIGHEST_TWO + 1 }, (_, fret) => fret).filter(
      (fret) => mod12(pitchAt(instrument, s, fret)) === pitchClass,
    );
  for (const [one, two] of [
    [a, b],
    [b, a],
  ]) {
    for (const x of places(low, one)) {
      for (const y of places(low + 1, two)) {
        const frets = instrument.openPitches.map((_, s) => (s === low ? x : s === low + 1 ? y : null));
        const graded = gradeGrip(frets, hand, instrument);
        if (graded.ok) found.push({ frets, effort: graded.value.total });
      }
    }
  }
  return found;
}

/** One pair a chord with the fewest frets moved in all; null where there is none. */
function nearestPairs(choices: readonly (readonly Frets[])[], low: number): (Frets | null)[] {
  const moved = (a: Frets, b: Frets) =>
    Math.abs((a[low] ?? 0) - (b[low] ?? 0)) + Math.abs((a[low + 1] ?? 0) - (b[low + 1] ?? 0));
  /** A place in the middle of the neck is where such a part is heard and reached (assumed). */
  const home = (a: Frets) => 0.1 * Math.abs((a[low] ?? 0) - 5);
  let last: readonly Frets[] = [];
  let costs: number[] = [];
  const back: number[][] = [];
  const kept: (readonly Frets[])[] = [];
  for (const now of choices) {
    if (now.length === 0) {
      kept.push(now);
      back.push([]);
      continue;
    }
    const from: number[] = [];
    const next = now.map((grip) => {
      let best = 0;
      let at = -1;
      last.forEach((before, p) => {
        const cost = costs[p] + moved(before, grip);
        if (at < 0 || cost < best) [best, at] = [cost, p];
      });
      from.push(at);
      return best + home(grip);
    });
    last = now;
    costs = next;
    back.push(from);
    kept.push(now);
  }
  const found: (Frets | null)[] = choices.map(() => null);
  let at = costs.length ? costs.indexOf(Math.min(...costs)) : -1;
  for (let i = choices.length - 1; i >= 0; i--) {
    if (kept[i].length === 0 || at < 0) continue;
    found[i] = kept[i][at];
    at = back[i][at];
  }
  return found;
}

function pairTiming(
  grips: readonly (Frets | null)[],
  gaps: readonly number[],
  bpm: number,
  options: PathOptions,
): Readiness {
  const changes = grips.slice(1).flatMap((to, i): TimedChange[] => {
    const from = grips[i];
    if (!from || !to || from.join() === to.join()) return [];
    const gapBeats = gaps[i];
    const graded = gradeChange(from, to, options.hand, options.instrument, {
      pace: options.pace,
      gapBeats,
      gapSeconds: (60 * gapBeats) / bpm,
    });
    return graded.ok ? [{ grade: graded.value, times: 1, wantedBpm: bpm }] : [];
  });
  return readiness(changes);
}

export interface Player {
  readonly id: string;
  readonly taught: TaughtHand;
}

export interface Assigned {
  readonly id: string;
  readonly part: PartGrade;
  readonly overLimit: boolean;
  /** `fullest`: the fullest part inside the limit; `lightest`: none is inside, this is the lightest; `harmony`: somebody must play all notes; `locked`. */
  readonly why: 'fullest' | 'lightest' | 'harmony' | 'locked';
}

export interface Assignment {
  readonly players: readonly Assigned[];
  /** Whether somebody plays every note of the chords. */
  readonly covered: boolean;
}

/**
 * Who plays which part: each the fullest inside the limit, the locked ones as they are. Where that leaves nobody on all
 * notes, the free player whom they press least over the limit takes them.
 */
export function assignParts(
  piece: Piece,
  players: readonly Player[],
  locked: Readonly<Record<string, PartKind>> = {},
): Assignment {
  const graded = players.map((player) => ({ player, parts: partsOf(piece, playedBy(player.taught)) }));
  const over = (part: PartGrade, player: Player) => overLimit(part.heaviest, player.taught);
  const assigned = graded.map(({ player, parts }): Assigned => {
    const make = (part: PartGrade, why: Assigned['why']) => ({
      id: player.id,
      part,
      overLimit: over(part, player) > 0,
      why,
    });
    const held = parts.find((part) => part.kind === locked[player.id]);
    if (held) return make(held, 'locked');
    const inside = parts.find((part) => over(part, player) === 0);
    return inside
      ? make(inside, 'fullest')
      : make(
          parts.reduce((least, part) => (part.heaviest < least.heaviest ? part : least)),
          'lightest',
        );
  });
  const whole = (part: PartGrade) => part.kind !== 'two notes';
  if (!assigned.some(({ part }) => whole(part))) {
    const free = graded.filter(({ player }) => locked[player.id] === undefined);
    const offers = free.flatMap(({ player, parts }) =>
      parts.filter(whole).map((part) => ({ player, part, over: over(part, player) })),
    );
    offers.sort((a, b) => a.over - b.over || a.part.heaviest - b.part.heaviest);
    const [least] = offers;
    if (least) {
      const at = assigned.findIndex((one) => one.id === least.player.id);
      assigned[at] = { id: least.player.id, part: least.part, overLimit: least.over > 0, why: 'harmony' };
    }
  }
  return { players: assigned, covered: assigned.some(({ part }) => whole(part)) };
}
