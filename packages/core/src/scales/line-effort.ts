/**
 * What a line of single notes costs a hand: each place the hand takes on its own, the hardest counts, and every move of the
 * hand adds. Points are those of `effort/line.ts`. How fast it goes is our assumption, read from what teachers say: two
 * plain notes a second after a month, four after a year, eight after five, and half as many for every 24 points of effort.
 */
import { holdModel, type HoldModel } from '../effort/hold';
import { LINE, linePoints, type LineNote } from '../effort/line';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import type { Pace } from '../pace/pace';

export interface LineEffort {
  /** At four notes a second and slower; a stretch this hand has not is a move. */
  readonly points: number;
  /** Notes a second it goes at for this hand; null over the limit. */
  readonly notesPerSecond: number | null;
}

/** Points for each move of the hand in a line of eight notes (assumed: two crossings). */
const SHIFT = 3;
/** Notes a second of the reference hand on a plain line, the points such a line has, and the points that halve the rate. */
const RATE = { plain: 2, plainPoints: 8, halvedBy: 24 } as const;

export interface LineHand {
  readonly hand: Hand;
  readonly instrument: Instrument;
  /** Points no line may pass. */
  readonly limit: number;
  readonly pace: Pick<Pace, 'logFactor'>;
}

/** The grade of a line for this hand, and the rate it goes at. */
export function lineEffort(
  notes: readonly LineNote[],
  { hand, instrument, limit, pace }: LineHand,
): LineEffort {
  const points = freeLinePoints(notes, holdModel(hand, instrument));
  const notesPerSecond = lineRate(points) * Math.exp(-pace.logFactor);
  return { points, notesPerSecond: points > limit ? null : notesPerSecond };
}

/** Notes a second at which the reference hand plays a line of so many points. */
export const lineRate = (points: number): number =>
  RATE.plain / 2 ** (Math.max(0, points - RATE.plainPoints) / RATE.halvedBy);

/** Points of a line at four notes a second and slower: the hardest place the hand takes, and every move of the hand. */
export function freeLinePoints(notes: readonly LineNote[], model: HoldModel): number {
  const places = placesOf(notes, model);
  const shifts = (SHIFT * (places.length - 1) * 8) / Math.max(8, notes.length);
  return Math.max(0, ...places.map((place) => linePoints(model, place, LINE.freeRate))) + shifts;
}

const lies = ({ fret, finger }: LineNote): number => fret - finger;

/**
 * Stretches of a line played without moving the hand. It moves where a note lies two frets from the one before, and
 * where it does not span the note beside one it has played in this place.
 */
function placesOf(notes: readonly LineNote[], model: HoldModel): LineNote[][] {
  const places: LineNote[][] = [[]];
  let stopped: LineNote[] = [];
  for (const note of notes) {
    if (note.finger > 0) {
      const last = stopped[stopped.length - 1];
      const moves =
        last !== undefined &&
        (Math.abs(lies(note) - lies(last)) > 1 || stopped.some((one) => !spans(model, one, note)));
      if (moves) {
        places.push([]);
        stopped = [];
      }
      stopped.push(note);
    }
    places[places.length - 1].push(note);
  }
  return places;
}

/** Whether two fingers reach two frets at once; one finger alone always slides. */
function spans({ geometry, maxMm }: HoldModel, a: LineNote, b: LineNote): boolean {
  const [low, high] = a.finger < b.finger ? [a, b] : [b, a];
  const mm = Math.abs(geometry.pressMm[high.fret] - geometry.pressMm[low.fret]);
  return low.finger === high.finger || mm <= maxMm[low.finger * 5 + high.finger];
}
