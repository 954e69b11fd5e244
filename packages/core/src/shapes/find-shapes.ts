/**
 * Graded, named, ranked grips of a chord for a hand on an instrument. The search says which grips exist, the
 * effort model which fingers hold them and how hard that is, and `usefulness` in which order a player would
 * want them. Folding only marks; it never removes or reorders.
 */
import { millionths } from '../kernel/number';
import type { Hand } from '../fretboard/hand';
import { pitchAt, stringNumber, type Instrument } from '../fretboard/instrument';
import { gradeOf, holdModel } from '../effort/hold';
import { holdTable } from '../effort/hold-table';
import type { PreparedFingering } from '../effort/prepared';
import { barresOf, fingerLabels, widestBarre } from '../grips/barre';
import { GRIP_KEY_BASE, gripKey } from '../grips/grip';
import { relativeKey, relativePattern } from '../grips/fingerings';
import type { Chord } from '../theory/chord';
import { degreeParts, type Degree } from '../theory/degree';
import { mod12, noteText, pitchClassOf } from '../theory/note';
import { layoutOf, layoutsOf, type Layout, type Layouts } from './form';
import { DEFAULT_LIMITS, type GradedGrip, type OrderReason, type ShapeLimits } from './graded-grip';
import { innerMutes, testsBeside } from './limits';
import { searchGrips, type FoundGrip } from './search';
import { schoolNats, type Taste } from './schools';
import { styleNats, useNats, type Style, type Use } from './use';
import { layoutNats, usefulness } from './usefulness';

export interface ShapeRequest {
  readonly chord: Chord;
  readonly instrument: Instrument;
  readonly hand: Hand;
  readonly limits?: Partial<ShapeLimits>;
  /** What it is wanted for, and the taste; both reorder and leave nothing out. */
  readonly use?: Use;
  readonly style?: Style;
  /** The school, as far as it reorders; its limits are given as limits. */
  readonly school?: Taste;
}

/** Every grip within the limits, most useful first; equal usefulness (in millionths) goes by frets. */
export function findShapes(request: ShapeRequest): GradedGrip[] {
  const limits = { ...DEFAULT_LIMITS, ...request.limits };
  const { chord, instrument } = request;
  const table = holdTable(holdModel(request.hand, instrument));
  const pattern = new Int8Array(instrument.openPitches.length);
  const heard = hearing(chord, instrument);
  const beside = testsBeside(limits);
  const graded: Ranked[] = [];
  for (const found of searchGrips(chord, instrument, request.hand, limits)) {
    relativePattern(found.frets, pattern);
    const fingering = table.shown(pattern, found.lowestFret);
    if (!fingering) continue;
    const points = table.points();
    const key = gripKey(found.frets);
    const grip = describe(found, key, relativeKey(pattern), fingering, points, instrument, heard);
    if (!beside.every((test) => test.passes(grip, limits))) continue;
    if (request.use || request.style || request.school) reorder(grip, request);
    graded.push({ grip, key, rank: millionths(grip.usefulness) });
  }
  graded.sort((a, b) => a.rank - b.rank || a.key - b.key);
  markFolds(graded);
  return graded.map((one) => one.grip);
}

/** Adds what the use and the style asked for say to a grip's place. */
function reorder(grip: Draft, { use, style, school }: ShapeRequest): void {
  const because = [...grip.because];
  if (use) because.push({ from: 'use', nats: useNats(use, grip.frets) });
  if (style) because.push({ from: 'style', nats: styleNats(style, grip.frets) });
  if (school) {
    const nats = schoolNats(school, grip);
    if (nats !== 0) because.push({ from: 'school', nats });
  }
  for (const { from, nats } of because) if (from !== 'layout') grip.usefulness += nats;
  grip.because = because;
}

const PLAIN: readonly OrderReason[] = [];
const NAMED = new Map<Layout['kind'], readonly OrderReason[]>(
  (['open', 'movable', 'part', 'shell', 'triad'] as const).map((kind) => [
    kind,
    [{ from: 'layout', nats: layoutNats(kind) }],
  ]),
);

/** While the list is made its grips can still be told what they fold into. */
type Draft = { -readonly [K in keyof GradedGrip]: GradedGrip[K] };
interface Ranked {
  readonly grip: Draft;
  readonly key: number;
  readonly rank: number;
}

/** What a chord's tones are called, by pitch class, for a search that asks it of every string. */
interface Hearing {
  readonly chord: Chord;
  /** Tone index by pitch class, -1 where foreign. */
  readonly toneOf: Int8Array;
  readonly noteOf: readonly string[];
  /** By tone: a third or seventh, which doubles badly. */
  readonly guide: readonly boolean[];
  readonly bassNote: string;
  readonly rootClass: number;
  readonly layouts: Layouts;
  readonly omittedBy: Map<number, readonly Degree[]>;
}

function hearing(chord: Chord, instrument: Instrument): Hearing {
  return {
    chord,
    toneOf: toneIndex(chord),
    noteOf: chord.tones.map((tone) => noteText(tone.note)),
    guide: chord.tones.map((tone) => [3, 7].includes(degreeParts(tone.degree).number)),
    bassNote: noteText(chord.bass ?? chord.root),
    rootClass: pitchClassOf(chord.root),
    layouts: layoutsOf(chord.quality + (chord.bass ? '/' : ''), instrument.openPitches),
    omittedBy: new Map(),
  };
}

function omittedOf({ chord, omittedBy }: Hearing, mask: number): readonly Degree[] {
  const known = omittedBy.get(mask);
  if (known) return known;
  const omitted = chord.tones.filter((_, i) => !(mask & (1 << i))).map((tone) => tone.degree);
  omittedBy.set(mask, omitted);
  return omitted;
}

/** Chord tone index by pitch class, -1 where foreign. */
function toneIndex(chord: Chord): Int8Array {
  const index = new Int8Array(12).fill(-1);
  chord.tones.forEach((tone, i) => (index[tone.pitchClass] = i));
  return index;
}

function describe(
  found: FoundGrip,
  key: number,
  relative: number,
  fingering: PreparedFingering,
  points: number,
  instrument: Instrument,
  heard: Hearing,
): Draft {
  const { chord, toneOf, rootClass } = heard;
  const { frets } = found;
  const fingers = fingerLabels(frets, fingering);
  const notes: (string | null)[] = [];
  const degrees: (string | null)[] = [];
  let mask = 0;
  let bassPitch = Number.POSITIVE_INFINITY;
  let bassDegree = '1';
  let bassString = 0;
  let secondPitch = Number.POSITIVE_INFINITY;
  let rootPitch = Number.POSITIVE_INFINITY;
  let rootString: number | null = null;
  let doubled = 0;
  let seldom = 0;
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
    notes.push(index < 0 ? heard.bassNote : heard.noteOf[index]);
    degrees.push(degree);
    if (index >= 0) {
      const already = mask & (1 << index);
      if (already && heard.guide[index]) doubled++;
      if (!already && chord.tones[index].seldom) seldom++;
      mask |= 1 << index;
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
      bassString = s;
      bassDegree = degree;
    } else if (pitch < secondPitch) secondPitch = pitch;
  }
  const omitted = omittedOf(heard, mask);
  const layout =
    (rootPitch === bassPitch || chord.bass !== undefined
      ? layoutOf(heard.layouts, key, relative, open > 0)
      : null) ?? (isCloseTriad(frets, chord, omitted, sounding) ? CLOSE_TRIAD : null);
  const effort = gradeOf(points);
  return {
    frets,
    fingers,
    barre: widestBarre(barresOf(frets, fingers)),
    notes,
    degrees,
    form: layout?.form ?? null,
    closes: layout?.closes ?? null,
    layout: layout?.kind ?? null,
    rootString,
    inversion: bassDegree,
    omitted,
    effort: { total: effort, points },
    usefulness: usefulness({
      effort,
      innerMutes: innerMutes(frets),
      sounding,
      open,
      lowestFret: found.lowestFret,
      highestFret,
      missingOptional: missedOf(heard, omitted),
      seldom,
      mutedThin: frets[frets.length - 1] === null,
      doubledThirdOrSeventh: doubled,
      lowGapSemitones: secondPitch - bassPitch,
      thinBass: (chord.bass !== undefined || chord.tones.length < 3) && bassString > frets.length - 4,
      bass: chord.bass !== undefined || bassDegree === '1' ? 'root' : isFifth(bassDegree) ? 'fifth' : 'other',
      layout: layout?.kind ?? null,
    }),
    slashBass: chord.bass !== undefined,
    because: (layout && NAMED.get(layout.kind)) ?? PLAIN,
    foldsInto: undefined,
  };
}

const CLOSE_TRIAD: Layout = { kind: 'triad', form: null };

/** Three tones, once each, on three neighbouring strings. */
function isCloseTriad(
  frets: GradedGrip['frets'],
  chord: Chord,
  omitted: readonly Degree[],
  sounding: number,
): boolean {
  // A bass that is asked for wants something over it: three thin strings are not how such a chord is played.
  if (sounding !== 3 || chord.bass !== undefined || chord.tones.length !== 3 || omitted.length > 0)
    return false;
  const first = frets.findIndex((fret) => fret !== null);
  return frets[first + 1] !== null && frets[first + 2] !== null;
}

/** How many of the omitted tones a player would miss; what is seldom played is not missed. */
function missedOf({ chord }: Hearing, omitted: readonly Degree[]): number {
  let missed = omitted.length;
  if (missed > 0) for (const tone of chord.tones) if (tone.seldom && omitted.includes(tone.degree)) missed--;
  return missed;
}

function isFifth(degree: string): boolean {
  return degree !== 'bass' && degreeParts(degree).number === 5;
}

/** Marks each grip that is another of the list less one string (the most useful such one). */
function markFolds(list: readonly Ranked[]): void {
  const byKey = new Map<number, Draft>();
  for (const { key, grip } of list) byKey.set(key, grip);
  for (let i = 0; i < list.length; i++) {
    const { grip, key } = list[i];
    let place = 1;
    for (let s = grip.frets.length - 1; s >= 0; s--, place *= GRIP_KEY_BASE) {
      const fret = grip.frets[s];
      if (fret === null) continue;
      const child = byKey.get(key - (fret + 1) * place);
      if (child !== undefined && child.foldsInto === undefined) child.foldsInto = i;
    }
  }
}
