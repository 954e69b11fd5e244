/** Lengths as MusicXML has them: divisions of a quarter for the ear, note values, dots and tuplets for the eye. */
import { writtenValues, type NoteValue, type Span, type WrittenValue } from '../score/notation';
import type { Piece, TimeSignature } from '../score/piece';
import { gcd, TICKS_A_BEAT } from '../score/ticks';
import { tag, type Node } from './xml-tag';

/** The finest beat is a sixteenth: ticks of every other are so many of its. */
const FINEST_UNIT = 16;
const QUARTER = (FINEST_UNIT / 4) * TICKS_A_BEAT;
const inFinest = (ticks: number, time: TimeSignature): number => (ticks * FINEST_UNIT) / time.unit;

/** Divisions of a quarter note, as few as make every length of a piece whole. */
export function divisionsOf(piece: Piece): number {
  let { time } = piece;
  let shared = QUARTER;
  for (const bar of piece.sections.flatMap((section) => section.bars)) {
    time = bar.time ?? time;
    const ticks = [
      time.beats * TICKS_A_BEAT,
      ...bar.chords.map((one) => one.tick),
      ...(bar.melody ?? []).map((one) => one.ticks),
    ];
    for (const one of ticks) shared = gcd(shared, inFinest(one, time));
  }
  return QUARTER / shared;
}

export const durationOf = (ticks: number, time: TimeSignature, divisions: number): number =>
  (inFinest(ticks, time) * divisions) / QUARTER;

const NAMES: Readonly<Record<NoteValue, string>> = {
  1: 'whole',
  2: 'half',
  4: 'quarter',
  8: 'eighth',
  16: '16th',
  32: '32nd',
  64: '64th',
  128: '128th',
  256: '256th',
};

/** What a note is printed with; nothing where it would take two tied values, which readers divide by themselves. */
export interface Printed {
  /** Type, dots and time modification, in this order. */
  readonly value: readonly Node[];
  /** Where a bracket begins or ends, for its notations. */
  readonly bracket: readonly Node[];
}

/** One for every span of a bar. */
export function printedValues(time: TimeSignature, spans: readonly Span[]): Printed[] {
  const all = spans.map((): WrittenValue[] => []);
  for (const one of writtenValues(time, spans)) all[one.of].push(one);
  const single = all.map((values) => (values.length === 1 ? values[0] : null));
  return single.map((one, i): Printed => {
    if (!one) return { value: [], bracket: [] };
    const { value, dots, tuplet } = one;
    const under = all.flatMap((values, of) => (values.some((part) => part.tuplet === tuplet) ? [of] : []));
    const whole = tuplet !== null && under.every((of) => single[of] !== null);
    const edge = [
      ...(whole && i === under[0] ? ['start'] : []),
      ...(whole && i === under[under.length - 1] ? ['stop'] : []),
    ];
    return {
      value: [
        tag('type', NAMES[value]),
        ...(dots ? [tag('dot')] : []),
        ...(tuplet
          ? [
              tag('time-modification', [
                tag('actual-notes', tuplet.actual),
                tag('normal-notes', tuplet.normal),
                tag('normal-type', NAMES[tuplet.value]),
              ]),
            ]
          : []),
      ],
      bracket: edge.map((type) => tag('tuplet', [], { type })),
    };
  });
}
