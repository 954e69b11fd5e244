/**
 * Every grip that plays a chord: a depth-first search over strings, thickest first, once for each lowest
 * fretted fret, so that every grip is met exactly once. Branches end as soon as missing tones exceed the
 * strings left, too few strings can sound, a lower pitch than the bass appears, too many inner strings are
 * silent, or more fingers are needed than a hand has. What no fingering holds never reaches the list.
 */
import { neckGeometry } from '../fretboard/geometry';
import { spanFactor, type Hand } from '../fretboard/hand';
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { EFFORT } from '../effort/constants';
import type { Chord } from '../theory/chord';
import { mod12, pitchClassOf } from '../theory/note';
import type { ShapeLimits } from './graded-grip';

export interface FoundGrip {
  readonly frets: readonly (number | null)[];
  readonly lowestFret: number;
}

const WIDEST_WINDOW = 6;

interface Demand {
  /** Bit per chord tone (formula order) for each pitch class, 0 where foreign. */
  readonly toneBit: Int16Array;
  readonly requiredMask: number;
  /** Pitch class the lowest sounding note must have, -1 for any. */
  readonly bassClass: number;
  readonly foreignBass: number;
}

function demandOf(chord: Chord, limits: ShapeLimits): Demand {
  const toneBit = new Int16Array(12);
  let requiredMask = 0;
  chord.tones.forEach((tone, index) => {
    toneBit[tone.pitchClass] |= 1 << index;
    const spared = tone.degree === '1' && limits.allowRootless;
    if (tone.required && !spared) requiredMask |= 1 << index;
  });
  const slash = chord.bass ? pitchClassOf(chord.bass) : -1;
  const root = pitchClassOf(chord.root);
  const bassClass = slash >= 0 ? slash : limits.bass === 'root' && !limits.allowRootless ? root : -1;
  const foreignBass = slash >= 0 && toneBit[slash] === 0 ? slash : -1;
  return { toneBit, requiredMask, bassClass, foreignBass };
}

/** All grips within the limits, in search order; fingerings and grades come after. */
export function searchGrips(
  chord: Chord,
  instrument: Instrument,
  hand: Hand,
  limits: ShapeLimits,
): FoundGrip[] {
  const strings = instrument.openPitches.length;
  const neck = neckGeometry(instrument);
  const highest = Math.min(limits.maxFret, instrument.frets - instrument.capo);
  const demand = demandOf(chord, limits);
  const reachMm = EFFORT.spans[5].maxMm * spanFactor(hand);
  const fingerLimit = hand.thumbOver ? 5 : 4;
  const must = Array.from({ length: strings }, (_, s) => limits.mustSound.includes(strings - s));
  const silent = Array.from({ length: strings }, (_, s) => limits.mustMute.includes(strings - s));
  const out: FoundGrip[] = [];
  const frets: (number | null)[] = new Array(strings).fill(null);

  const windowTop = (lowest: number) => {
    let top = lowest;
    const inReach = (fret: number) => neck.pressMm[fret] - neck.pressMm[lowest] <= reachMm;
    while (top + 1 <= highest && top + 1 - lowest < WIDEST_WINDOW && inReach(top + 1)) top++;
    return top;
  };

  const searchFrom = (lowest: number) => {
    const top = lowest === 0 ? 0 : windowTop(lowest);
    // For each string the choices that sound a chord tone (or the foreign bass), as frets.
    const choices = Array.from({ length: strings }, (_, s) => {
      if (silent[s]) return [];
      const list: number[] = [];
      const consider = (fret: number) => {
        const pc = mod12(pitchAt(instrument, s, fret));
        if (demand.toneBit[pc] || pc === demand.foreignBass) list.push(fret);
      };
      if (limits.allowOpen) consider(0);
      if (lowest > 0) for (let fret = lowest; fret <= top; fret++) consider(fret);
      return list;
    });
    const visit = (
      s: number,
      mask: number,
      sounding: number,
      innerMutes: number,
      pendingMutes: number,
      bassPitch: number,
      hasLowest: boolean,
      fingers: number,
      runs: number,
    ): void => {
      const left = strings - s;
      if (sounding + left < limits.minStrings) return;
      const missing = demand.requiredMask & ~mask;
      if (bitCount(missing) > left) return;
      if (s === strings) {
        if (!hasLowest && lowest > 0) return;
        if (demand.bassClass >= 0 && mod12(bassPitch) !== demand.bassClass) return;
        if (demand.foreignBass >= 0 && mod12(bassPitch) !== demand.foreignBass) return;
        out.push({ frets: frets.slice(), lowestFret: lowest });
        return;
      }
      if (!must[s]) {
        frets[s] = null;
        visit(
          s + 1,
          mask,
          sounding,
          innerMutes,
          sounding > 0 ? pendingMutes + 1 : 0,
          bassPitch,
          hasLowest,
          fingers,
          0,
        );
      }
      for (const fret of choices[s]) {
        const inner = innerMutes + pendingMutes;
        if (inner > limits.maxInnerMutes) break;
        const pitch = pitchAt(instrument, s, fret);
        const pc = mod12(pitch);
        const foreign = pc === demand.foreignBass;
        if (foreign && sounding > 0 && pitch >= bassPitch) continue;
        if (demand.bassClass >= 0 && pc !== demand.bassClass && sounding === 0 && noLowerLeft(s, pitch))
          continue;
        if (demand.bassClass >= 0 && sounding > 0 && pitch < bassPitch && pc !== demand.bassClass) continue;
        // A finger already barring this fret, its run unbroken, costs no further finger.
        const bit = fret > 0 ? 1 << (fret - lowest) : 0;
        const shared = fret > 0 && (runs & bit) !== 0;
        const fingersNow = fingers + (fret > 0 && !shared ? 1 : 0);
        if (fingersNow > fingerLimit) continue;
        const kept = fret === 0 ? 0 : runs & ((bit << 1) - 1);
        frets[s] = fret;
        visit(
          s + 1,
          mask | demand.toneBit[pc],
          sounding + 1,
          inner,
          0,
          sounding === 0 ? pitch : Math.min(bassPitch, pitch),
          hasLowest || fret === lowest,
          fingersNow,
          kept | bit,
        );
      }
      frets[s] = null;
    };
    // Whether no thinner string could still sound lower than this pitch (re-entrant tunings can).
    const noLowerLeft = (s: number, pitch: number): boolean => {
      for (let t = s + 1; t < strings; t++) {
        for (const fret of choices[t]) if (pitchAt(instrument, t, fret) < pitch) return false;
      }
      return true;
    };
    visit(0, 0, 0, 0, 0, 0, lowest === 0, 0, 0);
  };

  if (limits.allowOpen && limits.minFret === 0) searchFrom(0);
  for (let lowest = Math.max(1, limits.minFret); lowest <= highest; lowest++) searchFrom(lowest);
  return out;
}

function bitCount(n: number): number {
  let count = 0;
  for (let rest = n; rest; rest &= rest - 1) count++;
  return count;
}
