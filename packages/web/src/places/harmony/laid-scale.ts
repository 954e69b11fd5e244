/** A scale laid on the neck in the way asked: whole, in a position, in forms, boxes, so many a string, on one string, in pairs. */
import {
  acrossStrings,
  alongString,
  arpeggioOf,
  inPosition,
  lastFret,
  lineEffort,
  pentatonicBoxes,
  scaleForms,
  scalePairs,
  unstretchedPositions,
  wholeNeck,
  type BoardNote,
  type FingeredNote,
  type LineHand,
  type PairKind,
  type PlacedNote,
  type Spot,
  type StretchSchool,
  type Tones,
  type WholeSteps,
} from '@finch/core/scales';
import type { Instrument } from '@finch/core/fretboard';
import { degreeChords, makeKey, type Chord, type Scale } from '@finch/core/theory';

export const WAYS = [
  { id: 'neck', name: 'Whole neck' },
  { id: 'position', name: 'One position' },
  { id: 'forms', name: 'Five forms' },
  { id: 'boxes', name: 'Boxes' },
  { id: 'three', name: 'Three a string' },
  { id: 'two', name: 'Two a string' },
  { id: 'string', name: 'One string' },
  { id: 'thirds', name: 'Thirds' },
  { id: 'sixths', name: 'Sixths' },
  { id: 'tenths', name: 'Tenths' },
  { id: 'arpeggios', name: 'All arpeggios here' },
] as const;
export type Way = (typeof WAYS)[number]['id'];

export interface ScaleAsked {
  readonly way: Way;
  /** Position, or lowest fret. */
  readonly position: number;
  readonly string: number;
  readonly stretch: StretchSchool;
  readonly wholeSteps: WholeSteps;
}

/** One stretch of the neck: a position, a form, a box, or the whole. */
export interface Laid {
  readonly name: string;
  readonly under: string;
  readonly notes: readonly BoardNote[];
  /** In the order they are played; empty for pairs and the whole neck. */
  readonly line: readonly FingeredNote[];
  readonly rings: readonly Spot[];
}

const frets = (notes: readonly PlacedNote[]): string => {
  const all = notes.map((one) => one.fret);
  return all.length ? `frets ${Math.min(...all)} to ${Math.max(...all)}` : '';
};
const PAIRS: Readonly<Partial<Record<Way, readonly (readonly [number, number])[]>>> = {
  thirds: [[2, 1], [3, 2], [4, 3], [5, 4]],
  sixths: [[3, 1], [4, 2], [5, 3]],
  tenths: [[5, 2], [6, 3]],
}; // prettier-ignore

/** Why a way cannot lay this scale; null where it can. */
export function refusalOf(tones: Tones, way: Way, instrument: Instrument): string | null {
  if (way === 'boxes' && tones.notes.length !== 5)
    return 'Boxes are of scales of five notes. Take a pentatonic.';
  if (way === 'arpeggios' && !makeKey(tones.name).ok)
    return 'Arpeggios are of the seven chords of a key or a mode.';
  if (way === 'forms' && scaleForms(tones, instrument).length === 0)
    return 'The five forms belong to a six-string guitar in standard tuning.';
  if (way in PAIRS && tones.notes.length < 7) return 'Pairs go by the steps of a seven-note scale.';
  if (way in PAIRS && instrument.openPitches.length < 6) return 'Pairs are laid on six strings.';
  return null;
}

export function laidOn(tones: Tones, asked: ScaleAsked, instrument: Instrument): Laid[] {
  if (refusalOf(tones, asked.way, instrument)) return [];
  const line = (name: string, notes: readonly FingeredNote[], under = '', rings: readonly Spot[] = []): Laid => ({
    name, under: [frets(notes), under].filter(Boolean).join('; '), notes, line: notes, rings,
  }); // prettier-ignore
  const stretches = (count: number) => (count === 0 ? 'no stretch' : `${count} stretched`);
  switch (asked.way) {
    case 'neck':
      return [
        {
          name: 'Whole neck',
          under: '',
          notes: wholeNeck(tones, instrument, Math.min(15, lastFret(instrument))),
          line: [],
          rings: [],
        },
      ];
    case 'position': {
      const most = lastFret(instrument) - 3;
      const made = inPosition(tones, Math.min(most, Math.max(0, asked.position)), instrument, asked.stretch);
      const free = unstretchedPositions(tones, instrument);
      const none = free.length ? `no stretch in position ${free.join(', ')}` : 'every position has a stretch';
      return [
        line(
          made.position === 0 ? 'Open position' : `Position ${made.position}`,
          made.notes,
          made.stretched ? `${stretches(made.stretched)}; ${none}` : 'no stretch',
        ),
      ];
    }
    case 'forms':
      return scaleForms(tones, instrument, asked.stretch).map((one) =>
        line(`${one.form} form`, one.notes, stretches(one.stretched)),
      );
    case 'boxes':
      return pentatonicBoxes(tones, instrument).map((one) =>
        line(`Box ${one.number}`, one.notes, 'ringed: shared with the next', one.joins),
      );
    case 'three':
    case 'two': {
      const each = asked.way === 'three' ? 3 : 2;
      const { notes, leftOut } = acrossStrings(tones, instrument, {
        each,
        minFret: asked.position,
        wholeSteps: asked.wholeSteps,
      });
      return [
        line(
          `${each === 3 ? 'Three' : 'Two'} a string`,
          notes,
          leftOut.length ? `string ${leftOut.join(', ')} would lie beyond the last fret` : '',
        ),
      ];
    }
    case 'string': {
      const string = Math.min(instrument.openPitches.length, asked.string);
      const { notes, shifts } = alongString(tones, string, 0, Math.min(17, lastFret(instrument)), instrument);
      return [
        line(
          `String ${string}`,
          notes,
          `the hand moves ${shifts.length} times, where ringed`,
          shifts.map((i) => notes[i]),
        ),
      ];
    }
    case 'arpeggios': {
      const key = makeKey(tones.name);
      const at = Math.min(lastFret(instrument) - 3, Math.max(0, asked.position));
      return (key.ok ? degreeChords(key.value, { sevenths: true }) : []).map(({ chord }) => {
        const made = inPosition(arpeggioOf(chord), at, instrument, asked.stretch);
        return line(chord.symbol, made.notes, stretches(made.stretched));
      });
    }
    default:
      return (PAIRS[asked.way] ?? []).map((strings) => {
        const pairs = scalePairs(tones, asked.way as PairKind, strings, [0, 12], instrument);
        const notes = pairs.flatMap(({ low, high }) => [low, high]);
        return {
          name: `Strings ${strings[0]} and ${strings[1]}`,
          under: frets(notes),
          notes,
          line: [],
          rings: [],
        };
      });
  }
}

/** The scale, or one of its chords as an arpeggio. */
export const tonesOf = (scale: Scale, arpeggio: Chord | null): Tones =>
  arpeggio ? arpeggioOf(arpeggio) : scale;

/** Notes a minute as a tempo: two notes a beat. */
export function lineTempo(
  line: readonly FingeredNote[],
  hand: LineHand,
): { readonly points: number; readonly bpm: number | null } {
  const { points, notesPerSecond } = lineEffort(line, hand);
  return { points, bpm: notesPerSecond === null ? null : Math.round((notesPerSecond * 60) / 2) };
}
