/**
 * The reason for each part of a grip's effort, as data: a code and the values that decided it. Wording is
 * left to one vocabulary layer, so that schools and languages can differ.
 */
import { nibble, THUMB } from '../grips/fingerings';
import type { Frets } from '../grips/grip';
import type { EffortPartName } from './constants';
import type { HoldModel } from './hold';
import { usedFingers, type PreparedFingering } from './prepared';

export interface Reason {
  readonly code: string;
  readonly values: Readonly<Record<string, number | string>>;
}

interface Held {
  readonly model: HoldModel;
  readonly prepared: PreparedFingering;
  readonly lowestFret: number;
  readonly frets: Frets;
}

/** The reason behind one part; code `effort.none` where the part adds nothing. */
export function explainPart(name: EffortPartName, points: number, held: Held): Reason {
  if (points === 0) return { code: 'effort.none', values: {} };
  return { code: `effort.${name}`, values: VALUES[name](held) };
}

const VALUES: Record<EffortPartName, (held: Held) => Reason['values']> = {
  reach: ({ model, prepared, lowestFret }) => {
    const used = usedFingers(prepared);
    const first = used[0];
    const last = used[used.length - 1];
    const press = model.geometry.pressMm;
    const mm = press[fretOf(prepared, last, lowestFret)] - press[fretOf(prepared, first, lowestFret)];
    return {
      from: first,
      to: last,
      mm: Math.abs(mm),
      frets: Math.abs(nibble(prepared.fret, last) - nibble(prepared.fret, first)) + 1,
    };
  },
  barre: ({ prepared, lowestFret }) => {
    const finger = [1, 2, 3, 4].find((f) => nibble(prepared.pressed, f) > 1) ?? 1;
    return {
      finger,
      strings: nibble(prepared.high, finger) - nibble(prepared.low, finger) + 1,
      pressing: nibble(prepared.pressed, finger),
      fret: fretOf(prepared, finger, lowestFret),
    };
  },
  fingers: ({ prepared }) => ({
    count: prepared.count,
    names: usedFingers(prepared).join(' '),
    swapped: prepared.swapped ? 1 : 0,
  }),
  crowding: ({ prepared, lowestFret, model }) =>
    prepared.crowdExtra
      ? {
          tips: prepared.crowdExtra + 2,
          fret: lowestFret + prepared.crowdFret - 1,
          strings: 0,
          // Bigger fingers have less room there: the one part in which a bigger hand of the same reach pays more.
          big: model.hand.sizeFactor > BIG_HAND ? 1 : 0,
        }
      : { tips: 0, fret: 0, strings: tipSpread(prepared), big: 0 },
  mutes: ({ frets }) => ({
    strings: frets.flatMap((fret, s) => (fret === null ? [frets.length - s] : [])).join(' '),
  }),
  arching: ({ frets }) => ({
    strings: frets.flatMap((fret, s) => (fret === 0 ? [frets.length - s] : [])).join(' '),
  }),
  wrist: ({ prepared, lowestFret, model }) => ({
    fret: lowestFret + model.capo,
    little: nibble(prepared.pressed, 4) ? 1 : 0,
  }),
  thumb: ({ prepared, lowestFret }) => ({ fret: fretOf(prepared, THUMB, lowestFret) }),
  press: ({ prepared }) => ({ tips: prepared.count + (nibble(prepared.pressed, THUMB) ? 1 : 0) }),
};

/** Size from which a hand is said to be big. */
const BIG_HAND = 1.02;

function fretOf(prepared: PreparedFingering, finger: number, lowestFret: number): number {
  return lowestFret + nibble(prepared.fret, finger) - 1;
}

function tipSpread(prepared: PreparedFingering): number {
  const tips = usedFingers(prepared)
    .filter((f) => nibble(prepared.pressed, f) === 1)
    .map((f) => nibble(prepared.low, f));
  return tips.length ? Math.max(...tips) - Math.min(...tips) + 1 : 0;
}
