/**
 * Guide tones on two strings of the neck: third and seventh of each chord, laid so that through the whole progression the
 * two fingers go the least way. Placement is a shortest path over all ways to lay each pair; no source, plain counting.
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { lastFret, type PlacedNote } from '../scales/tones';
import type { Chord } from '../theory/chord';
import { mod12, pitchClassOf, type NoteName } from '../theory/note';
import { guideTones } from './guide-tones';

export interface GuidePair {
  readonly chord: Chord;
  /** On the thicker of the two strings, and on the thinner. */
  readonly low: PlacedNote;
  readonly high: PlacedNote;
}

/** Frets between two fingers that sound together beyond which a pair is taken only where there is no other. */
const SPAN = 4;
/** Nobody reads guide tones above this fret. */
const HIGHEST = 15;
/** In frets: of two ways as short the one nearer the nut. */
const NEARER_NUT = 0.01;

/**
 * The pairs on two strings (numbers, the thicker first), each chord's in turn; silence is passed over. Empty where a string
 * is too short to have a note of each. RangeError where the second string is not the thinner.
 */
export function guideNeck(
  chords: readonly Chord[],
  [lower, upper]: readonly [number, number],
  instrument: Instrument,
): GuidePair[] {
  const strings = instrument.openPitches.length;
  if (!(upper < lower && upper >= 1 && lower <= strings))
    throw new RangeError('a thicker and a thinner string');
  const highest = Math.min(HIGHEST, lastFret(instrument));
  const onString = (chord: Chord, note: NoteName, stringIndex: number): PlacedNote[] => {
    const open = pitchAt(instrument, stringIndex, 0);
    const first = mod12(pitchClassOf(note) - open);
    const degree = chord.tones.find((tone) => tone.pitchClass === pitchClassOf(note))?.degree ?? '1';
    return [first, first + 12]
      .filter((fret) => fret <= highest)
      .map((fret) => ({ stringIndex, fret, note, degree, pitch: open + fret }));
  };
  const layers = guideTones(chords).map(({ chord, tones: [a, b] }) =>
    [[a, b], [b, a]].flatMap(([under, over]) =>
      onString(chord, under, strings - lower).flatMap((low) =>
        onString(chord, over, strings - upper).map((high): GuidePair => ({ chord, low, high })),
      ),
    ),
  ); // prettier-ignore
  if (layers.length === 0 || layers.some((layer) => layer.length === 0)) return [];
  const alone = ({ low, high }: GuidePair) =>
    10 * Math.max(0, Math.abs(low.fret - high.fret) - SPAN) + NEARER_NUT * (low.fret + high.fret);
  const between = (a: GuidePair, b: GuidePair) =>
    Math.abs(a.low.fret - b.low.fret) + Math.abs(a.high.fret - b.high.fret);
  let ways = layers[0].map((pair) => ({ cost: alone(pair), pairs: [pair] }));
  for (const layer of layers.slice(1))
    ways = layer.map((pair) => {
      const costs = ways.map((way) => way.cost + between(way.pairs[way.pairs.length - 1], pair));
      const best = costs.indexOf(Math.min(...costs));
      return { cost: costs[best] + alone(pair), pairs: [...ways[best].pairs, pair] };
    });
  return ways.reduce((least, way) => (way.cost < least.cost ? way : least)).pairs;
}
