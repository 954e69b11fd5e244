/**
 * Fingers that could stay: going from one grip to another, which fingers might be left where they are, and what that
 * does to the harmony of the grip they are left on. With two fingers left on fret 3 of strings 2 and 1, D becomes
 * Dsus4, C Cadd9 and Em Em7: said, since it may be wanted.
 */
import type { Hand } from '../fretboard/hand';
import { stringNumber, type Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import { nameGrip } from '../shapes/name-grip';
import type { Chord } from '../theory/chord';
import type { Degree } from '../theory/degree';
import { pitchClassOf } from '../theory/note';
import { gradeChange } from './grade-change';

export interface StayOffer {
  /** String numbers whose finger stays, thickest first, and the fret it stays on. */
  readonly kept: readonly { readonly string: number; readonly fret: number }[];
  readonly frets: Frets;
  /** What it then is, on the root of the chord gone to. */
  readonly chord: Chord;
  /** Degrees of the chord gone to that no longer sound, and those that came in. */
  readonly lost: readonly Degree[];
  readonly gained: readonly Degree[];
  /** Seconds of the change to it, against those of the change to the plain grip. */
  readonly seconds: number;
  readonly plainSeconds: number;
}

interface Context {
  readonly hand: Hand;
  readonly instrument: Instrument;
}

const MOST_OFFERS = 6;

/**
 * Offers for going from one grip to another that plays `chord`; most fingers kept first, quicker ones first among
 * those. Empty where no finger of the first grip can be left on the second, or the chord would be another root's.
 */
export function couldStay(from: Frets, to: Frets, chord: Chord, context: Context): StayOffer[] {
  const { hand, instrument } = context;
  if (from.length !== to.length) return [];
  const plain = gradeChange(from, to, hand, instrument);
  if (!plain.ok) return [];
  const bass = to.findIndex((fret) => fret !== null);
  // A finger left below the bass would give the chord another bass; one already where it is needed changes nothing.
  const strings = from.flatMap((fret, s) =>
    fret !== null && fret > 0 && s > bass && to[s] !== fret ? [s] : [],
  );
  const offers: StayOffer[] = [];
  for (let choice = 1; choice < 1 << strings.length; choice++) {
    const kept = strings.filter((_, i) => choice & (1 << i));
    const frets = to.map((fret, s) => (kept.includes(s) ? from[s] : fret));
    const change = gradeChange(from, frets, hand, instrument);
    if (!change.ok) continue;
    const staying = change.value.fingers
      .filter((move) => move.does === 'stays' || move.does === 'adjusts')
      .map((move) => change.value.toFingers.flatMap((finger, s) => (finger === move.finger ? [s] : [])))
      .flat();
    if (!kept.every((s) => staying.includes(s))) continue;
    const named = nameGrip(frets, instrument);
    const is = named.ok
      ? named.value.find((one) => pitchClassOf(one.chord.root) === pitchClassOf(chord.root))
      : undefined;
    if (!is || is.chord.symbol === chord.symbol) continue;
    const before = chord.tones.map((tone) => tone.degree);
    const after = is.chord.tones.map((tone) => tone.degree).filter((degree) => !is.omitted.includes(degree));
    offers.push({
      kept: kept.map((s) => ({ string: stringNumber(instrument, s), fret: from[s] ?? 0 })),
      frets,
      chord: is.chord,
      lost: before.filter((degree) => !after.includes(degree)),
      gained: after.filter((degree) => !before.includes(degree)),
      seconds: change.value.seconds,
      plainSeconds: plain.value.seconds,
    });
  }
  return offers.sort((a, b) => b.kept.length - a.kept.length || a.seconds - b.seconds).slice(0, MOST_OFFERS);
}
