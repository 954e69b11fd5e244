/**
 * Lines inside a shape: what lies under the hand that holds a grip. The pentatonic of its chord, the two notes that make it
 * the major scale (or the minor), and the one that is changed for the mode next to it; and embellishments within two frets
 * that lead into a tone of the grip. Which degrees and which turns belong to a style is common practice, in our words.
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import type { Chord } from '../theory/chord';
import { degreeSemitones, noteAtDegree, type Degree } from '../theory/degree';
import { mod12, pitchClassOf } from '../theory/note';
import { scaleOn } from '../theory/scale';
import { inPosition, type Position } from './in-position';
import type { LineStyle } from './line-styles';
import { lastFret, type FingeredNote, type Spot } from './tones';

/** What a note is to the line: of the pentatonic, one of the two that fill it, or the one that is changed. */
export type LineRole = 'five' | 'fills' | 'changed';

export interface AroundForm {
  /** `major pentatonic`, `major`, `mixolydian` and so on. */
  readonly kind: string;
  readonly position: number;
  readonly notes: readonly (FingeredNote & { readonly role: LineRole })[];
}

const has = (chord: Chord, degree: Degree): boolean => chord.tones.some((tone) => tone.degree === degree);

/** Kinds by the chord: the pentatonic, what fills it, and what one changed note makes of that. */
const KINDS = {
  major: { five: 'major pentatonic', filled: 'major', changed: [['mixolydian', 'b7'], ['lydian', '#4']] },
  dominant: { five: 'major pentatonic', filled: 'mixolydian', changed: [['lydian dominant', '#4'], ['mixolydian b6', 'b6']] },
  minor: { five: 'minor pentatonic', filled: 'dorian', changed: [['minor', 'b6'], ['phrygian', 'b2']] },
} as const; // prettier-ignore

/** The scales around a grip, where the hand that holds it lies or a fret off. Empty for a grip with nothing stopped. */
export function aroundForm(frets: Frets, chord: Chord, instrument: Instrument): AroundForm[] {
  const stopped = frets.filter((fret): fret is number => fret !== null && fret > 0);
  if (stopped.length === 0 || chord.tones.length === 0) return [];
  const kinds = KINDS[has(chord, 'b3') ? 'minor' : has(chord, 'b7') ? 'dominant' : 'major'];
  const lowest = frets.includes(0) ? 0 : Math.min(...stopped);
  const made = (kind: string, changed: readonly Degree[]): AroundForm => {
    const five = scaleOn(chord.root, kinds.five).degrees;
    const { position, notes } = nearest(kind, lowest, chord, instrument);
    const role = (degree: Degree): LineRole =>
      changed.includes(degree) ? 'changed' : five.includes(degree) ? 'five' : 'fills';
    return { kind, position, notes: notes.map((one) => ({ ...one, role: role(one.degree) })) };
  };
  return [
    made(kinds.five, []),
    made(kinds.filled, []),
    ...kinds.changed.map(([kind, degree]) => made(kind, [degree])),
  ];
}

/** The scale in the position of the grip, or a fret off it where that needs fewer stretches. */
function nearest(kind: string, lowest: number, chord: Chord, instrument: Instrument): Position {
  const scale = scaleOn(chord.root, kind);
  const tried = (lowest === 0 ? [0] : [lowest, lowest - 1, lowest + 1])
    .filter((position) => (lowest === 0 || position > 0) && position + 3 <= lastFret(instrument))
    .map((position) => inPosition(scale, position, instrument));
  const strain = (one: Position) => one.missing * 10 + one.stretched;
  return tried.reduce((best, one) => (strain(one) < strain(best) ? one : best));
}

type TurnKind = 'hammer' | 'pull' | 'slide' | 'bend' | 'double stop' | 'enclosure';

export interface Turn {
  readonly style: LineStyle;
  readonly kind: TurnKind;
  /** One spot a note; of a double stop two that sound together, then two. */
  readonly from: readonly Spot[];
  /** Tones of the chord, on the beat. */
  readonly to: readonly Spot[];
  readonly degrees: readonly [string, string];
  /** Whether it ends on a spot of the next grip. */
  readonly leadsOn: boolean;
}

type Move = readonly [TurnKind, from: Degree, to: Degree];
const MOVES: Readonly<Record<LineStyle, readonly Move[]>> = {
  folk: [['hammer', '2', '3'], ['pull', '4', '3'], ['hammer', '5', '6']],
  country: [['hammer', 'b3', '3'], ['bend', '2', '3'], ['hammer', '5', '6']],
  blues: [['hammer', 'b3', '3'], ['bend', '4', '5'], ['pull', 'b7', '5']],
  soul: [['hammer', '2', '3'], ['hammer', '6', '1'], ['pull', '4', '3']],
  rock: [['bend', '4', '5'], ['pull', 'b3', '1'], ['hammer', 'b7', '1']],
  jazz: [['slide', '7', '1'], ['slide', '#4', '5'], ['slide', 'b3', '3']],
  classical: [['pull', '2', '1'], ['hammer', '7', '1'], ['pull', '4', '3']],
}; // prettier-ignore

/** Two notes at once: strings, and the two degrees of each of the two pairs (low, high). */
type Doubles = readonly [
  strings: readonly [number, number],
  from: readonly [Degree, Degree],
  to: readonly [Degree, Degree],
];
const DOUBLES: Readonly<Record<LineStyle, readonly Doubles[]>> = {
  folk: [[[3, 1], ['4', '2'], ['5', '3']], [[4, 2], ['2', '7'], ['3', '1']]],
  country: [[[3, 1], ['4', '2'], ['5', '3']], [[4, 2], ['4', '2'], ['5', '3']], [[4, 2], ['2', '7'], ['3', '1']]],
  blues: [[[3, 2], ['3', '5'], ['b7', 'b2']], [[3, 2], ['b3', 'b5'], ['3', '5']]],
  soul: [[[3, 2], ['6', '2'], ['5', '1']], [[2, 1], ['6', '2'], ['5', '1']], [[3, 2], ['2', '5'], ['3', '6']]],
  rock: [[[3, 2], ['4', 'b7'], ['5', '1']], [[4, 3], ['4', 'b7'], ['5', '1']]],
  jazz: [[[3, 2], ['b3', 'b5'], ['3', '5']], [[2, 1], ['b3', 'b5'], ['3', '5']]],
  classical: [[[2, 1], ['2', '4'], ['3', '5']], [[3, 2], ['7', '2'], ['1', '3']]],
}; // prettier-ignore

const NEAR = 2;

/** Over a minor chord a turn leads to its own third, and what led there from that third comes a step from below. */
const IN_MINOR: Readonly<Record<Degree, Degree>> = { '3': 'b3', b3: '2', '7': 'b7' };
const minorTurn = ([kind, from, to]: Move): Move =>
  to === '3' ? [kind, IN_MINOR[from] ?? from, 'b3'] : [kind, from === '3' ? 'b3' : from, to];
const minorPair = ([strings, from, to]: Doubles): Doubles => {
  const own = ([a, b]: readonly [Degree, Degree]) => [a, b].map((one) => (one === '3' ? 'b3' : one === '7' ? 'b7' : one)) as [Degree, Degree]; // prettier-ignore
  return [strings, own(from), own(to)];
};

/**
 * Turns of a style around a grip, within two frets of it: a note that leads and a tone of the chord, on one string; two
 * notes at once on two strings. Those that end on the next grip come first.
 */
export function turnsAround(
  frets: Frets,
  chord: Chord,
  style: LineStyle,
  instrument: Instrument,
  next?: Frets,
): Turn[] {
  const stopped = frets.filter((fret): fret is number => fret !== null && fret > 0);
  if (stopped.length === 0 || chord.tones.length === 0) return [];
  const lowest = frets.includes(0) ? 0 : Math.max(0, Math.min(...stopped) - NEAR);
  const highest = Math.min(lastFret(instrument), Math.max(...stopped) + NEAR);
  const root = pitchClassOf(chord.root);
  const spots = (degree: Degree, stringIndex: number): number[] => {
    const open = pitchAt(instrument, stringIndex, 0);
    const first = mod12(root + degreeSemitones(degree) - open);
    return [first, first + 12].filter((fret) => fret >= lowest && fret <= highest);
  };
  const inChord = (degree: Degree) =>
    chord.tones.some((tone) => tone.pitchClass === pitchClassOf(noteAtDegree(chord.root, degree)));
  const ends = (to: readonly Spot[]) =>
    next !== undefined && to.every((one) => next[one.stringIndex] === one.fret);
  const strings = instrument.openPitches.length;
  const minor = has(chord, 'b3');
  const moves = minor ? MOVES[style].map(minorTurn) : MOVES[style];
  const doubles = minor ? DOUBLES[style].map(minorPair) : DOUBLES[style];
  const single = moves.flatMap(([kind, from, to]) =>
    !inChord(to)
      ? []
      : instrument.openPitches.flatMap((_, s) =>
          spots(to, s).flatMap((target) =>
            spots(from, s)
              // A hammer and a bend rise, a pull falls; a hand reaches three frets, a bend two.
              .filter((start) => (kind === 'pull' ? start > target : start < target))
              .filter((start) => Math.abs(target - start) <= (kind === 'bend' || kind === 'slide' ? 2 : 3))
              .filter((start) => kind !== 'bend' || (start > 0 && s >= strings - 3))
              .map((start): Turn => {
                const ended = [{ stringIndex: s, fret: target }];
                return {
                  style,
                  kind,
                  from: [{ stringIndex: s, fret: start }],
                  to: ended,
                  degrees: [from, to],
                  leadsOn: ends(ended),
                };
              }),
          ),
        ),
  );
  const double = doubles.flatMap(([[low, high], from, to]) => {
    const [a, b] = [strings - low, strings - high];
    if (a < 0 || b >= strings || !to.every(inChord)) return [];
    const pairs = ([x, y]: readonly [Degree, Degree]): (readonly Spot[])[] =>
      spots(x, a).flatMap((f) =>
        spots(y, b)
          .filter((g) => Math.abs(f - g) <= 3)
          .map((g) => [
            { stringIndex: a, fret: f },
            { stringIndex: b, fret: g },
          ]),
      );
    return pairs(to).flatMap((ended) =>
      pairs(from)
        .filter((begun) => Math.abs(begun[0].fret - ended[0].fret) <= 3)
        .map((begun): Turn => ({
          style,
          kind: 'double stop',
          from: begun,
          to: ended,
          degrees: [from.join(' '), to.join(' ')],
          leadsOn: ends(ended),
        })),
    );
  });
  return [...double, ...single].sort((x, y) => Number(y.leadsOn) - Number(x.leadsOn));
}
