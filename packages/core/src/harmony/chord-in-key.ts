/**
 * What one chord of a progression is in a key: of the scale, of the harmonic minor, applied to a chord that follows,
 * borrowed from the parallel key, or foreign, with the points `findKeys` counts for it. Which reading is which is common
 * practice; the points are our own choice, tuned on worked examples.
 */
import type { Chord } from '../theory/chord';
import { figureOf, triadOf } from '../theory/figure';
import type { Key } from '../theory/key';
import { mod12, noteText, pitchClassOf, type NoteName } from '../theory/note';
import { scaleOn } from '../theory/scale';

export type Reading =
  'diatonic' | 'harmonic minor' | 'raised 6' | 'blues' | 'applied' | 'borrowed' | 'unresolved' | 'foreign';

export interface ChordInKey {
  readonly reading: Reading;
  /** `V7/ii`, `bVI`, `subV7/I`. */
  readonly figure: string;
  /** Tones that are not in the key's scale. */
  readonly foreign: readonly NoteName[];
  readonly points: number;
}

/** Points by reading; see `findKeys`. */
const KEY_POINTS = {
  diatonic: 4,
  'harmonic minor': 3,
  'raised 6': 1,
  blues: 3,
  applied: 3,
  appliedTriad: 2,
  borrowed: 2,
  borrowedTonic: 1,
  unresolved: 1,
  foreign: -2,
  onlySound: -1,
} as const;

const has = (chord: Chord, degree: string): boolean => chord.tones.some((tone) => tone.degree === degree);
export const rootOf = (chord: Chord): number => pitchClassOf(chord.root);
const isDominant = (chord: Chord): boolean => has(chord, '3') && has(chord, 'b7');
const isMajorTriad = (chord: Chord): boolean =>
  has(chord, '3') && chord.tones.length === 3 && !has(chord, '#5') && !has(chord, 'b5');
const isDiminished = (chord: Chord): boolean => has(chord, 'b3') && has(chord, 'b5');
const isMinor = (chord: Chord): boolean => has(chord, 'b3');

/** The notes of a scale, to be asked for by sound and by name. */
interface NoteSet {
  readonly sounds: ReadonlySet<number>;
  readonly names: ReadonlySet<string>;
}

/** Scales of a key, made once for all its chords. */
export interface KeyScales {
  readonly key: Key;
  readonly own: NoteSet;
  readonly parallel: NoteSet;
  /** Of a minor key: with the leading tone, and with the raised 6 alone. */
  readonly harmonic: NoteSet | null;
  readonly raisedSix: NoteSet | null;
  /** Whether the progression has both I7 and IV7, as a blues has. */
  readonly blues: boolean;
}

const setOf = (notes: readonly NoteName[]): NoteSet => ({
  sounds: new Set(notes.map(pitchClassOf)),
  names: new Set(notes.map(noteText)),
});

/** Scales by the name of their key: the same for every progression. */
const known = new Map<string, Omit<KeyScales, 'key' | 'blues'>>();

function setsOf(key: Key): Omit<KeyScales, 'key' | 'blues'> {
  const name = `${noteText(key.tonic)} ${key.kind} ${key.mode}`;
  const there = known.get(name);
  if (there) return there;
  const minor = key.kind === 'minor';
  const made = {
    own: setOf(key.scale),
    parallel: setOf(scaleOn(key.tonic, key.mode === 'minor' ? 'major' : 'minor').notes),
    harmonic: minor ? setOf(scaleOn(key.tonic, 'harmonic minor').notes) : null,
    raisedSix: minor ? setOf(scaleOn(key.tonic, 'dorian').notes) : null,
  };
  known.set(name, made);
  return made;
}

export function scalesOf(key: Key, chords: readonly Chord[]): KeyScales {
  const tonic = pitchClassOf(key.tonic);
  const dominantOn = (pc: number) => chords.some((one) => isDominant(one) && rootOf(one) === mod12(pc));
  return {
    key,
    ...setsOf(key),
    blues: key.kind === 'major' && dominantOn(tonic) && dominantOn(tonic + 5),
  };
}

/** 0 where every tone is in the scale as it is spelled, -1 where only its sound is, null where it is not. */
function spellingIn(chord: Chord, { sounds, names }: NoteSet): number | null {
  if (!chord.tones.every((tone) => sounds.has(tone.pitchClass))) return null;
  return chord.tones.every((tone) => names.has(noteText(tone.note))) ? 0 : KEY_POINTS.onlySound;
}

const foreignTo = (chord: Chord, { sounds }: NoteSet): NoteName[] =>
  chord.tones.filter((tone) => !sounds.has(tone.pitchClass)).map((tone) => tone.note);

/** What a chord is by its own tones, without those around it; null where that does not tell. */
function byItself(chord: Chord, scales: KeyScales): ChordInKey | null {
  const { key, own } = scales;
  const foreign = foreignTo(chord, own);
  const figure = figureOf(chord, key);
  const as = (reading: Reading, points: number, spelled: number): ChordInKey => ({
    reading,
    figure,
    foreign,
    points: points + spelled,
  });
  const inOwn = spellingIn(chord, own);
  if (inOwn !== null) return as('diatonic', KEY_POINTS.diatonic, inOwn);
  const inHarmonic = scales.harmonic ? spellingIn(chord, scales.harmonic) : null;
  if (inHarmonic !== null) {
    const step = mod12(rootOf(chord) - pitchClassOf(key.tonic));
    // V and viio are what the leading tone is there for: they are as good as the scale's own.
    return step === 7 || step === 11
      ? as('harmonic minor', KEY_POINTS.diatonic, inHarmonic)
      : as('harmonic minor', KEY_POINTS['harmonic minor'], inHarmonic);
  }
  const inRaised = scales.raisedSix ? spellingIn(chord, scales.raisedSix) : null;
  if (inRaised !== null) return as('raised 6', KEY_POINTS['raised 6'], inRaised);
  const step = mod12(rootOf(chord) - pitchClassOf(key.tonic));
  if (scales.blues && isDominant(chord) && (step === 0 || step === 5))
    return as('blues', KEY_POINTS.blues, 0);
  return null;
}

const isOfKey = (one: ChordInKey | null): boolean =>
  one !== null && ['diatonic', 'harmonic minor', 'raised 6', 'blues'].includes(one.reading);

/** What follows a chord: past a minor seventh on its own root, which only delays it. */
function resolvesTo(all: readonly Chord[], i: number, wraps: boolean): number | null {
  const next = (from: number) => (from + 1 < all.length ? from + 1 : wraps && all.length > 1 ? 0 : null);
  const one = next(i);
  if (one === null) return null;
  const delays = rootOf(all[one]) === rootOf(all[i]) && isMinor(all[one]) && has(all[one], 'b7');
  return delays && isDominant(all[i]) ? next(one) : one;
}

/** How a chord leads into the root of another, if it does: as its dominant, leading-tone chord or tritone neighbour. */
function leadsInto(chord: Chord, target: number): string | null {
  const root = rootOf(chord);
  const rest = chord.symbol.slice(noteText(chord.root).length).replace(/\/.*$/, '');
  if (isDominant(chord) && mod12(root - target) === 7) return `V${rest}`;
  if (isMajorTriad(chord) && mod12(root - target) === 7) return `V${rest}`;
  if (isDominant(chord) && mod12(root - target) === 1) return `subV${rest}`;
  if (!isDiminished(chord)) return null;
  if (has(chord, 'bb7') && chord.tones.some((tone) => tone.pitchClass === mod12(target - 1))) return 'viio7';
  if (mod12(target - root) !== 1) return null;
  return has(chord, 'b7') ? 'viim7b5' : 'viio';
}

/** The chords of a progression in one key, in order; silence is 'diatonic' without points. Lists up to eight wrap. */
export function chordsInKey(all: readonly Chord[], scales: KeyScales): ChordInKey[] {
  const { key, own } = scales;
  const wraps = all.length <= WRAPS;
  const known = new Map<string, ChordInKey | null>();
  const plain = all.map((chord) => {
    if (chord.tones.length === 0) return SILENCE;
    const before = known.get(chord.symbol);
    if (before !== undefined) return before;
    const made = byItself(chord, scales);
    known.set(chord.symbol, made);
    return made;
  });
  const applied = all.map((chord, i): ChordInKey | null => {
    if (plain[i]) return null;
    const at = resolvesTo(all, i, wraps);
    if (at === null) return null;
    const way = leadsInto(chord, rootOf(all[at]));
    if (!way || all[at].tones.length === 0) return null;
    // To a chord of the key, or to one that is applied in its turn.
    if (!isOfKey(plain[at]) && !isDominant(all[at])) return null;
    const points = isMajorTriad(chord) ? KEY_POINTS.appliedTriad : KEY_POINTS.applied;
    const target = figureOf(triadOf({ ...all[at], bass: undefined }), key);
    return { reading: 'applied', figure: `${way}/${target}`, foreign: foreignTo(chord, own), points };
  });
  return all.map((chord, i): ChordInKey => {
    const here = plain[i] ?? applied[i] ?? twoBefore(all, i, applied, scales, wraps);
    return here ?? borrowedOr(chord, scales, plain);
  });
}

/** As many chords as a round has whose last leads to its first. */
const WRAPS = 8;
const SILENCE: ChordInKey = { reading: 'diatonic', figure: 'N.C.', foreign: [], points: 0 };

/** The ii before an applied dominant, in the key of its target. */
function twoBefore(
  all: readonly Chord[],
  i: number,
  applied: readonly (ChordInKey | null)[],
  { own }: KeyScales,
  wraps: boolean,
): ChordInKey | null {
  const next = i + 1 < all.length ? i + 1 : wraps ? 0 : null;
  if (next === null || !applied[next] || !isMinor(all[i])) return null;
  const fifthAbove = mod12(rootOf(all[i]) - rootOf(all[next])) === 7;
  const target = applied[next].figure.split('/').slice(1).join('/');
  if (!fifthAbove || !applied[next].figure.startsWith('V')) return null;
  const way = has(all[i], 'b5') ? 'iim7b5' : has(all[i], 'b7') ? 'ii7' : 'ii';
  return {
    reading: 'applied',
    figure: `${way}/${target}`,
    foreign: foreignTo(all[i], own),
    points: KEY_POINTS.applied,
  };
}

function borrowedOr(chord: Chord, scales: KeyScales, plain: readonly (ChordInKey | null)[]): ChordInKey {
  const { key, own, parallel } = scales;
  const foreign = foreignTo(chord, own);
  const figure = figureOf(chord, key);
  const step = mod12(rootOf(chord) - pitchClassOf(key.tonic));
  const spelled = spellingIn(chord, parallel);
  if (spelled !== null) {
    const points = step === 0 ? KEY_POINTS.borrowedTonic : KEY_POINTS.borrowed;
    return { reading: 'borrowed', figure, foreign, points: points + spelled };
  }
  const onFlatTwo = step === 1 && has(chord, '3') && !isDominant(chord);
  const targetIsThere = own.sounds.has(mod12(rootOf(chord) - 7));
  if (onFlatTwo) return { reading: 'borrowed', figure, foreign, points: KEY_POINTS.unresolved };
  if (isDominant(chord) && targetIsThere && plain.some(isOfKey))
    return { reading: 'unresolved', figure, foreign, points: KEY_POINTS.unresolved };
  return { reading: 'foreign', figure, foreign, points: KEY_POINTS.foreign };
}
