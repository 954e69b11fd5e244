/**
 * Where a melody lies on the neck: a string, fret and finger for every note, one finger a fret in positions, chosen
 * together so that the hand moves least and stays low (Viterbi 1967; the weights are our assumptions).
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { LineNote } from '../effort/line';

export interface MelodyPlace extends LineNote {
  /** Fret under the index finger while it is played; that of the note before for an open string. */
  readonly position: number;
}

/** Cost of a fret the hand moves, of a string it crosses and of a fret up the neck. */
const COST = { shift: 1, shiftAtAll: 1.5, crossing: 0.4, height: 0.08 } as const;
const HIGHEST_FRET = 14;
const FINGERS = [1, 2, 3, 4] as const;

/** Null where a pitch lies off the neck. */
export function melodyPlaces(midi: readonly number[], instrument: Instrument): MelodyPlace[] | null {
  const highest = Math.min(HIGHEST_FRET, instrument.frets - instrument.capo);
  interface Way {
    readonly place: MelodyPlace;
    readonly cost: number;
    readonly before: Way | null;
  }
  let layer: Way[] = [];
  for (const [i, pitch] of midi.entries()) {
    const next: Way[] = [];
    for (let s = 0; s < instrument.openPitches.length; s++) {
      const fret = pitch - pitchAt(instrument, s, 0);
      if (fret < 0 || fret > highest) continue;
      const positions =
        fret === 0 ? [null] : FINGERS.map((finger) => fret - finger + 1).filter((one) => one >= 1);
      for (const position of positions) {
        const finger = position === null ? 0 : fret - position + 1;
        const make = (at: number, before: Way | null, cost: number): Way => ({
          place: { stringIndex: s, fret, finger, position: at },
          cost,
          before,
        });
        if (i === 0) {
          next.push(make(position ?? 1, null, COST.height * fret));
          continue;
        }
        let best: Way | null = null;
        for (const one of layer) {
          const at = position ?? one.place.position;
          const moved = Math.abs(at - one.place.position);
          const cost =
            one.cost +
            COST.height * fret +
            (moved ? COST.shiftAtAll + COST.shift * moved : 0) +
            COST.crossing * Math.abs(s - one.place.stringIndex);
          if (!best || cost < best.cost) best = make(at, one, cost);
        }
        if (best) next.push(best);
      }
    }
    if (next.length === 0) return null;
    // An open string can be played from any position: every one of them is kept as a way of its own.
    layer = next;
  }
  if (layer.length === 0) return [];
  const places: MelodyPlace[] = [];
  for (
    let at: Way | null = layer.reduce((least, one) => (one.cost < least.cost ? one : least));
    at;
    at = at.before
  )
    places.push(at.place);
  return places.reverse();
}
