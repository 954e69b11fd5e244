/**
 * Graded, named, ranked grips of a chord for a hand on an instrument. The search says which grips exist, the
 * effort model which fingers hold them and how hard that is, and `usefulness` in which order a player would
 * want them. Folding only marks; it never removes or reorders.
 */
import { millionths } from '../kernel/number';
import type { Hand } from '../fretboard/hand';
import { pitchAt, stringNumber, type Instrument } from '../fretboard/instrument';
import { easiestFingering, gradeOf, holdModel, holdPoints, PART_COUNT, type HoldModel } from '../effort/hold';
import { preparedFingerings, type PreparedFingering } from '../effort/prepared';
import { barresOf, fingerLabels } from '../grips/barre';
import type { Frets } from '../grips/grip';
import { relativePattern } from '../grips/fingerings';
import type { Chord } from '../theory/chord';
import { degreeParts } from '../theory/degree';
import { mod12, noteText, pitchClassOf } from '../theory/note';
import { layoutOf } from './form';
import { DEFAULT_LIMITS, type GradedGrip, type ShapeLimits } from './graded-grip';
import { searchGrips, type FoundGrip } from './search';
import { usefulness } from './usefulness';

export interface ShapeRequest {
  readonly chord: Chord;
  readonly instrument: Instrument;
  readonly hand: Hand;
  readonly limits?: Partial<ShapeLimits>;
}

/** Every grip within the limits, most useful first; equal usefulness (in millionths) goes by frets. */
export function findShapes(request: ShapeRequest): GradedGrip[] {
  const limits = { ...DEFAULT_LIMITS, ...request.limits };
  const model = holdModel(request.hand, request.instrument);
  const pattern = new Int8Array(request.instrument.openPitches.length);
  const toneOf = toneIndex(request.chord);
  const graded: GradedGrip[] = [];
  for (const found of searchGrips(request.chord, request.instrument, request.hand, limits)) {
    const held = easiest(found, model, pattern);
    if (held && gradeOf(held.points) <= limits.maxEffort) graded.push(describe(found, held, request, toneOf));
  }
  graded.sort(
    (a, b) => millionths(a.usefulness) - millionths(b.usefulness) || compareFrets(a.frets, b.frets),
  );
  return withFolds(graded);
}

interface Held {
  readonly prepared: PreparedFingering;
  readonly points: number;
}

const scratch = new Float64Array(PART_COUNT);

function easiest(found: FoundGrip, model: HoldModel, pattern: Int8Array): Held | null {
  relativePattern(found.frets, pattern);
  const prepared = easiestFingering(
    model,
    preparedFingerings(pattern, model.hand.thumbOver),
    found.lowestFret,
    scratch,
  );
  return prepared && { prepared, points: holdPoints(model, prepared, found.lowestFret, scratch) };
}

/** Chord tone index by pitch class, -1 where foreign. */
function toneIndex(chord: Chord): Int8Array {
  const index = new Int8Array(12).fill(-1);
  chord.tones.forEach((tone, i) => (index[tone.pitchClass] = i));
  return index;
}

function describe(found: FoundGrip, held: Held, request: ShapeRequest, toneOf: Int8Array): GradedGrip {
  const { chord, instrument } = request;
  const { frets } = found;
  const fingers = fingerLabels(frets, held.prepared);
  const rootClass = pitchClassOf(chord.root);
  const notes: (string | null)[] = [];
  const degrees: (string | null)[] = [];
  let heard = 0;
  let bassPitch = Number.POSITIVE_INFINITY;
  let bassDegree = '1';
  let secondPitch = Number.POSITIVE_INFINITY;
  let rootPitch = Number.POSITIVE_INFINITY;
  let rootString: number | null = null;
  let doubled = 0;
  let open = 0;
  let sounding = 0;
  let highestFret = 0;
  for (let s = 0; s < frets.length; s++) {
    const fret = frets[s];
    if (fret === null) {
      notes.push(null);
      degrees.push(null);
      continue;
    }
    sounding++;
    const pitch = pitchAt(instrument, s, fret);
    const pc = mod12(pitch);
    const index = toneOf[pc];
    const degree = index < 0 ? 'bass' : chord.tones[index].degree;
    notes.push(noteText(index < 0 ? (chord.bass ?? chord.root) : chord.tones[index].note));
    degrees.push(degree);
    if (index >= 0) {
      if (heard & (1 << index) && (degree.endsWith('3') || degree.endsWith('7'))) doubled++;
      heard |= 1 << index;
    }
    if (fret === 0) open++;
    if (fret > highestFret) highestFret = fret;
    if (pc === rootClass && pitch < rootPitch) {
      rootPitch = pitch;
      rootString = stringNumber(instrument, s);
    }
    if (pitch < bassPitch) {
      secondPitch = bassPitch;
      bassPitch = pitch;
      bassDegree = degree;
    } else if (pitch < secondPitch) secondPitch = pitch;
  }
  const omitted = chord.tones.filter((_, i) => !(heard & (1 << i)));
  const layout = layoutOf(frets, chord.quality, rootPitch === bassPitch);
  const effort = gradeOf(held.points);
  const askedBass = chord.bass !== undefined;
  return {
    frets,
    fingers,
    barre: widest(barresOf(frets, fingers)),
    notes,
    degrees,
    form: layout?.form ?? null,
    layout: layout?.kind ?? null,
    rootString,
    inversion: bassDegree,
    omitted: omitted.map((tone) => tone.degree),
    effort: { total: effort, points: held.points },
    usefulness: usefulness({
      effort,
      innerMutes: innerMutes(frets),
      sounding,
      open,
      lowestFret: found.lowestFret,
      highestFret,
      missingOptional: omitted.length,
      mutedThin: frets[frets.length - 1] === null,
      doubledThirdOrSeventh: doubled,
      lowGapSemitones: secondPitch - bassPitch,
      bass: askedBass || bassDegree === '1' ? 'root' : isFifth(bassDegree) ? 'fifth' : 'other',
      named: layout !== null,
    }),
  };
}

function isFifth(degree: string): boolean {
  return degree !== 'bass' && degreeParts(degree).number === 5;
}

function widest<T extends { readonly fromIndex: number; readonly toIndex: number }>(
  barres: readonly T[],
): T | null {
  const size = (barre: T) => barre.toIndex - barre.fromIndex;
  return barres.reduce<T | null>((best, barre) => (!best || size(barre) > size(best) ? barre : best), null);
}

function innerMutes(frets: Frets): number {
  let pending = 0;
  let inner = 0;
  let begun = false;
  for (const fret of frets) {
    if (fret === null) pending++;
    else {
      if (begun) inner += pending;
      begun = true;
      pending = 0;
    }
  }
  return inner;
}

function compareFrets(a: Frets, b: Frets): number {
  for (let s = 0; s < a.length; s++) if (a[s] !== b[s]) return (a[s] ?? -1) - (b[s] ?? -1);
  return 0;
}

/** Marks each grip that is another of the list less one string (the most useful such one). */
function withFolds(list: readonly GradedGrip[]): GradedGrip[] {
  const index = new Map<number, number>();
  list.forEach((grip, i) => index.set(gripKey(grip.frets, -1), i));
  const parent = new Map<number, number>();
  list.forEach((grip, i) => {
    for (let s = 0; s < grip.frets.length; s++) {
      if (grip.frets[s] === null) continue;
      const child = index.get(gripKey(grip.frets, s));
      if (child !== undefined && !parent.has(child)) parent.set(child, i);
    }
  });
  return list.map((grip, i) => (parent.has(i) ? { ...grip, foldsInto: parent.get(i) } : grip));
}

/** A grip as one number, with string index `without` taken as muted. */
function gripKey(frets: Frets, without: number): number {
  let key = 0;
  for (let s = 0; s < frets.length; s++) {
    const fret = frets[s];
    key = key * 26 + (fret === null || s === without ? 0 : fret + 1);
  }
  return key;
}
