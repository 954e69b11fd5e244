/**
 * Places of a scale that have names: the five boxes of a pentatonic, two notes on every string, of which each has as its
 * lower notes the upper ones of the box before; and the five forms of a seven-note scale, named after the open grips whose
 * roots they share (C A G E D, published lore; how far each lies under its root is our table).
 */
import type { Instrument } from '../fretboard/instrument';
import type { Form } from '../shapes/form';
import { mod12, pitchClassOf } from '../theory/note';
import { acrossStrings } from './across';
import { inPosition, type Position, type StretchSchool } from './in-position';
import { lastFret, type FingeredNote, type Spot, type Tones } from './tones';

export interface Box {
  /** 1 to 5; 1 begins on the tonic of the minor pentatonic. */
  readonly number: number;
  readonly notes: readonly FingeredNote[];
  /** Spots it has together with the box above. */
  readonly joins: readonly Spot[];
}

/**
 * The boxes of a scale of five notes from the lowest up the neck, as many as lie on it before the first comes again.
 * A major pentatonic has the boxes of its relative minor. RangeError for scales of other sizes.
 */
export function pentatonicBoxes(tones: Tones, instrument: Instrument): Box[] {
  if (tones.notes.length !== 5) throw new RangeError(`${tones.name} has no five notes`);
  // Box 1 begins on the tone with a minor third above it that has a whole step below: the minor tonic.
  const first = tones.degrees.includes('b3') ? 0 : tones.degrees.indexOf('6');
  const made = tones.notes
    .map((_, i) => {
      const from = (Math.max(0, first) + i) % 5;
      // A box that begins on an open string may need frets below the nut: it then lies an octave up.
      const [low, high] = [0, 1].map((minFret) =>
        acrossStrings(tones, instrument, { each: 2, from, minFret }),
      );
      const { notes, leftOut } = low.leftOut.length === 0 ? low : high;
      return { number: i + 1, notes, whole: leftOut.length === 0 };
    })
    .filter(({ whole }) => whole);
  const lowest = (notes: readonly FingeredNote[]) => Math.min(...notes.map((one) => one.fret));
  const up = [...made].sort((a, b) => lowest(a.notes) - lowest(b.notes));
  return up.map(({ number, notes }, i): Box => {
    const above = up[i + 1];
    const next = above ? above.notes : up[0]?.notes.map((one) => ({ ...one, fret: one.fret + 12 }));
    const joins = notes.filter((one) =>
      next?.some((other) => other.stringIndex === one.stringIndex && other.fret === one.fret),
    );
    return { number, notes, joins: joins.map(({ stringIndex, fret }) => ({ stringIndex, fret })) };
  });
}

export interface ScaleForm extends Position {
  readonly form: Form;
}

/** The string of each form's root, and how far under that root the index lies with a major scale. */
const FORMS: readonly { readonly form: Form; readonly string: number; readonly under: number }[] = [
  { form: 'C', string: 5, under: 3 },
  { form: 'A', string: 5, under: 1 },
  { form: 'G', string: 6, under: 3 },
  { form: 'E', string: 6, under: 1 },
  { form: 'D', string: 4, under: 1 },
];

/**
 * A scale in the five forms of its tonic's chord on a six-string guitar in standard tuning, from the lowest up the neck. With
 * a minor third the hand may lie a fret higher, where that needs fewer stretches. Empty on other instruments.
 */
export function scaleForms(tones: Tones, instrument: Instrument, school?: StretchSchool): ScaleForm[] {
  const gaps = instrument.openPitches.slice(1).map((pitch, i) => pitch - instrument.openPitches[i]);
  if (gaps.join() !== '5,5,5,4,5') return [];
  const strings = instrument.openPitches.length;
  const minor = tones.degrees.includes('b3') && !tones.degrees.includes('3');
  return FORMS.map(({ form, string, under }): ScaleForm => {
    const open = instrument.openPitches[strings - string] + instrument.capo;
    let position = mod12(pitchClassOf(tones.tonic) - open) - under;
    while (position + (minor ? 1 : 0) < 1) position += 12;
    const tried = [position, ...(minor ? [position + 1] : [])]
      .filter((one) => one > 0)
      .filter((one) => one + 4 <= lastFret(instrument))
      .map((one) => inPosition(tones, one, instrument, school));
    const strain = (one: Position) => one.missing * 10 + one.stretched;
    return { form, ...tried.reduce((best, one) => (strain(one) < strain(best) ? one : best)) };
  }).sort((a, b) => a.position - b.position);
}
