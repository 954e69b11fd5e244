/** The fill of an embellishment: turns of a style around a grip, one after the other, ending next to the grip that follows. */
import type { Frets } from '../../../grips/grip';
import type { Instrument } from '../../../fretboard/instrument';
import type { Random } from '../../../kernel/random';
import { turnsAround, type Turn } from '../../../scales/around-form';
import type { LineStyle } from '../../../scales/line-styles';
import type { Spot } from '../../../scales/tones';
import type { Slur } from '../../../score/score';
import type { Chord } from '../../../theory/chord';
import { TECHNIQUES, type Technique } from './parameters';

export interface FillTone {
  /** One spot, or two that sound together. */
  readonly spots: readonly Spot[];
  readonly by?: Slur;
  /** Half steps a bent string rises; its spot is where it is bent. */
  readonly bent?: 1 | 2 | 3;
}

const SLURS: Readonly<Record<Turn['kind'], { readonly needs: Technique; readonly by?: Slur }>> = {
  hammer: { needs: 'hammers', by: 'hammer' },
  pull: { needs: 'pulls', by: 'pull' },
  slide: { needs: 'slides', by: 'slide' },
  bend: { needs: 'bends', by: 'bend' },
  enclosure: { needs: 'slides' },
  'double stop': { needs: 'double stops' },
};
/** Frets a slide may take the place of another turn over. */
const SLIDE = 2;
/** Frets the last note may lie from the grip that follows, on a string of it: a step or a slide. */
const NEAR = 2;

export const allows = (upTo: Technique, wanted: Technique): boolean =>
  TECHNIQUES.indexOf(wanted) <= TECHNIQUES.indexOf(upTo);

/** Both tones of a turn as they are played, or slid where the hand may not play it so; null where neither can be. */
function tonesOf(turn: Turn, upTo: Technique): readonly FillTone[] | null {
  const { needs, by } = SLURS[turn.kind];
  const [from] = turn.from;
  const [to] = turn.to;
  if (turn.kind === 'double stop')
    return allows(upTo, needs) ? [{ spots: turn.from }, { spots: turn.to }] : null;
  const far = Math.abs(to.fret - from.fret);
  if (allows(upTo, needs)) {
    if (by !== 'bend') return [{ spots: [from] }, { spots: [to], ...(by ? { by } : {}) }];
    const bent = far === 1 || far === 2 || far === 3 ? far : null;
    return bent && [{ spots: [from] }, { spots: [from], by, bent }];
  }
  // Open strings are not slid to or from.
  return far <= SLIDE && from.fret > 0 && to.fret > 0
    ? [{ spots: [from] }, { spots: [to], by: 'slide' }]
    : null;
}

/** A hammer played twice, without being struck again. */
const trilled = (tones: readonly FillTone[]): FillTone[] => [
  ...tones,
  { ...tones[0], by: 'pull' },
  ...tones.slice(1),
];

/** Frets from the end of a turn to the grip that follows, on a string of it. */
const fretsTo = (turn: Turn, next: Frets): number =>
  Math.min(
    ...turn.to.map(({ stringIndex, fret }) => {
      const there = next[stringIndex];
      return there === null || there === undefined ? Number.POSITIVE_INFINITY : Math.abs(there - fret);
    }),
  );

export interface Fill {
  readonly tones: readonly FillTone[];
  /** What the style has but this hand or this level does not play as written. */
  readonly slid: boolean;
  /** The next grip lies further from its end than a step or a slide. */
  readonly far: boolean;
}

/**
 * So many eighths of it; the last one within two frets of the next grip on a string that one stops or rings, else as near as
 * it comes. Null where the style has no turn around this grip.
 */
export function fillOf(
  asked: {
    readonly frets: Frets;
    readonly chord: Chord;
    readonly next: Frets;
    readonly style: LineStyle;
    readonly notes: number;
    readonly upTo: Technique;
  },
  instrument: Instrument,
  random: Random,
): Fill | null {
  const { frets, chord, next, style, notes, upTo } = asked;
  const turns = turnsAround(frets, chord, style, instrument, next).flatMap((turn) => {
    const tones = tonesOf(turn, upTo);
    return tones ? [{ turn, tones, slid: tones[1].by === 'slide' && turn.kind !== 'slide' }] : [];
  });
  if (turns.length === 0) return null;
  const nearest = Math.min(...turns.map(({ turn }) => fretsTo(turn, next)));
  const last = turns.filter(({ turn }) => fretsTo(turn, next) <= Math.max(NEAR, nearest));
  const on = last.filter(({ turn }) => turn.leadsOn);
  const end = random.pick(on.length ? on : last);
  const played: (readonly FillTone[])[] = [end.tones];
  let slid = end.slid;
  let first = end.turn;
  let left = notes - end.tones.length;
  while (left >= 2) {
    // Near to what comes after it: the hand does not leap inside a fill. Where the style has no other, the same comes again.
    const others = turns.filter((one) => one.turn !== first);
    const near = [...others].sort((a, b) => away(a.turn, first) - away(b.turn, first));
    const before = near.length ? random.pick(near.slice(0, 2)) : end;
    const trill = left >= 4 && allows(upTo, 'trills') && before.tones[1].by === 'hammer';
    played.unshift(trill ? trilled(before.tones) : before.tones);
    slid ||= before.slid;
    first = before.turn;
    left -= trill ? 4 : 2;
  }
  // An odd note more is one of the grip itself, on the string the fill begins on or the next thinner one that rings.
  if (left === 1) {
    const from = first.from[0].stringIndex;
    const rings = frets.flatMap((fret, s) => (fret === null ? [] : [{ stringIndex: s, fret }]));
    const lead = rings.find((one) => one.stringIndex >= from) ?? rings[rings.length - 1];
    played.unshift([{ spots: [lead] }]);
  }
  return { tones: played.flat(), slid, far: nearest > NEAR };
}

/** How far the hand goes from the end of one turn to the beginning of the next: strings count twice. */
function away(one: Turn, next: Turn): number {
  const [from] = one.to;
  const [to] = next.from;
  return 2 * Math.abs(from.stringIndex - to.stringIndex) + Math.abs(from.fret - to.fret);
}
