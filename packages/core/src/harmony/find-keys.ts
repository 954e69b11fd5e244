/**
 * Which keys a progression may be in, ranked by points: what each chord is in the key (`chord-in-key.ts`), where it begins
 * and ends, and whether it closes. Fifteen major and fifteen minor keys, and the modes a vamp may rest in. Equal points are
 * a tie and stay one; of two keys that sound alike the better spelt stays. The points are our own choice.
 */
import type { Chord } from '../theory/chord';
import { keyOn, majorKeys, minorKeys, type Key } from '../theory/key';
import { mod12, pitchClassOf } from '../theory/note';
import { parentOf } from '../theory/scale';
import { chordsInKey, rootOf, scalesOf, type ChordInKey } from './chord-in-key';

export interface KeyFound {
  readonly key: Key;
  readonly points: number;
  /** One for each chord. */
  readonly numerals: readonly string[];
  readonly chords: readonly ChordInKey[];
  /** Symbols of the chords that are not of the key's scale, each once. */
  readonly foreign: readonly string[];
  /** Against the key after it: as good, one or two points ahead, or more. Of the first alone. */
  readonly lead?: 'tie' | 'close' | 'clear';
}

const PHRASE = { from: 3, first: 1, last: 1, close: 2, prepares: 1, minorWithout: -2, mode: -1 } as const;
const MODES = ['dorian', 'phrygian', 'lydian', 'mixolydian'] as const;
const CLEAR = 3;
export const MOST_CHORDS = 256;

const isOn = (chord: Chord | undefined, key: Key, step: number): boolean =>
  chord !== undefined && chord.tones.length > 0 && mod12(rootOf(chord) - pitchClassOf(key.tonic)) === step;

/** Whether one chord goes to the tonic as V or viio does: a dominant or major triad on 5, anything diminished on 7. */
function closes(from: Chord, to: Chord, key: Key): boolean {
  if (!isTonic(to, key)) return false;
  const major = from.tones.some((tone) => tone.degree === '3');
  return (
    (isOn(from, key, 7) && major) || (isOn(from, key, 11) && from.tones.some((one) => one.degree === 'b5'))
  );
}

const pairsOf = (chords: readonly Chord[]): (readonly [Chord, Chord])[] =>
  chords.map((one, i) => [one, chords[(i + 1) % chords.length]] as const);

/** Points for beginning, ending and closing, from three chords on. */
function phrasePoints(chords: readonly Chord[], key: Key): number {
  if (chords.length < PHRASE.from) return 0;
  const pairs = pairsOf(chords);
  const prepares = pairs
    .slice(0, -1)
    .some(([a, b]) => (isOn(a, key, 2) || isOn(a, key, 5)) && isOn(b, key, 7) && isMajorish(b));
  return (
    (isTonic(chords[0], key) ? PHRASE.first : 0) +
    (isTonic(chords[chords.length - 1], key) ? PHRASE.last : 0) +
    (pairs.some(([a, b]) => closes(a, b, key)) ? PHRASE.close : 0) +
    (prepares ? PHRASE.prepares : 0)
  );
}
const isMajorish = (chord: Chord): boolean => chord.tones.some((tone) => tone.degree === '3');
const isTonic = (chord: Chord, key: Key): boolean =>
  isOn(chord, key, 0) && chord.tones.some((tone) => tone.degree === (key.mode === 'minor' ? 'b3' : '3'));

function foundIn(chords: readonly Chord[], key: Key, more: number): KeyFound {
  const inKey = chordsInKey(chords, scalesOf(key, chords));
  const foreign = chords.filter((_, i) => inKey[i].foreign.length > 0).map((one) => one.symbol);
  return {
    key,
    points: more + inKey.reduce((sum, one) => sum + one.points, 0),
    numerals: inKey.map((one) => one.figure),
    chords: inKey,
    foreign: [...new Set(foreign)],
  };
}

function inMajorOrMinor(chords: readonly Chord[], key: Key): KeyFound {
  const raised = (one: Chord) => isOn(one, key, 7) && isMajorish(one);
  const bare = key.mode === 'minor' && !chords.some((one) => isTonic(one, key) || raised(one));
  return foundIn(chords, key, phrasePoints(chords, key) + (bare ? PHRASE.minorWithout : 0));
}

/** What `findKeys` counts for one major or minor key: a thirtieth of its work, to rule a key out by a rival. */
export const pointsInKey = (chords: readonly Chord[], key: Key): number => inMajorOrMinor(chords, key).points;

/** The modes of the first chord's root in which everything is diatonic and rests: back where it began, or two chords to and fro. */
function inModes(chords: readonly Chord[]): KeyFound[] {
  const [first] = chords;
  const roots = new Set(chords.map(rootOf));
  const returns = rootOf(chords[chords.length - 1]) === rootOf(first);
  if (!(returns && roots.size > 1) && roots.size !== 2) return [];
  return MODES.flatMap((kind) => {
    const key = keyOn(rootOf(first), kind);
    const found = foundIn(chords, key, 0);
    if (!isTonic(first, key) || found.foreign.length > 0) return [];
    const parent = parentOf(key.tonic, kind);
    const home = parent ? keyOn(pitchClassOf(parent.tonic), 'major') : null;
    if (home && pairsOf(chords).some(([a, b]) => closes(a, b, home))) return [];
    const tonic = PHRASE.first + (returns ? PHRASE.last : 0);
    return [{ ...found, points: found.points + tonic + PHRASE.mode }];
  });
}

let thirty: readonly Key[] | null = null;
const thirtyKeys = (): readonly Key[] => (thirty ??= [...majorKeys(), ...minorKeys()]);

/** Ranked, best first; none for no chords. RangeError for more than `MOST_CHORDS`. */
export function findKeys(all: readonly Chord[]): KeyFound[] {
  if (all.length > MOST_CHORDS) throw new RangeError(`at most ${MOST_CHORDS} chords`);
  const chords = all.filter((one) => one.tones.length > 0);
  if (chords.length === 0) return [];
  const found = [...thirtyKeys().map((key) => inMajorOrMinor(chords, key)), ...inModes(chords)];
  const twin = ({ key }: KeyFound) => `${pitchClassOf(key.tonic)} ${key.kind}`;
  const best = new Map<string, KeyFound>();
  for (const one of found) {
    const known = best.get(twin(one));
    const better =
      !known ||
      one.points > known.points ||
      (one.points === known.points && Math.abs(one.key.fifths) < Math.abs(known.key.fifths));
    if (better) best.set(twin(one), one);
  }
  const ranked = [...best.values()].sort((a, b) => b.points - a.points);
  const [first, second] = ranked;
  const ahead = second ? first.points - second.points : CLEAR;
  const lead = ahead === 0 ? 'tie' : ahead < CLEAR ? 'close' : 'clear';
  return [{ ...first, lead }, ...ranked.slice(1)];
}

export interface KeyStretch {
  readonly key: Key;
  /** Indexes of its first and last chord. */
  readonly from: number;
  readonly to: number;
  readonly numerals: readonly string[];
  /** Index of the chord that belongs to this key and to the one before; null where none does. */
  readonly pivot: number | null;
}

const LEAST_STRETCH = 3;

/**
 * The keys a progression goes through. It changes key after a fall of a fifth where it closes in both of two stretches,
 * each in its own key, and two chords or more of either are foreign to the other's; the pivot is the last chord before the second that is of both.
 */
export function keysThrough(chords: readonly Chord[]): KeyStretch[] {
  const whole = findKeys(chords)[0];
  if (!whole) return [];
  let best: { at: number; points: number; parts: readonly [KeyFound, KeyFound] } | null = null;
  for (let at = LEAST_STRETCH; at <= chords.length - LEAST_STRETCH; at++) {
    if (!fallsFifth(chords[at - 2], chords[at - 1])) continue;
    const halves = [chords.slice(0, at), chords.slice(at)] as const;
    const [a, b] = [closedKey(halves[0]), closedKey(halves[1])];
    if (!a || !b || pitchClassOf(a.key.tonic) === pitchClassOf(b.key.tonic)) continue;
    const strange = (part: readonly Chord[], key: Key) =>
      chordsInKey(part, scalesOf(key, part)).filter((one) => one.foreign.length > 0).length;
    if (strange(halves[0], b.key) < 2 || strange(halves[1], a.key) < 2) continue;
    const points = a.points + b.points;
    if (!best || points > best.points) best = { at, points, parts: [a, b] };
  }
  if (!best) return [stretchOf(whole, 0, chords.length - 1, null)];
  const [a, b] = best.parts;
  const isOf = (chord: Chord, key: Key) =>
    chordsInKey([chord], scalesOf(key, [chord])).every((one) => one.foreign.length === 0);
  const { at } = best;
  const pivot = [at, at - 1, at - 2].find((i) => i >= 0 && isOf(chords[i], a.key) && isOf(chords[i], b.key));
  return [stretchOf(a, 0, at - 1, null), stretchOf(b, at, chords.length - 1, pivot ?? null)];
}

/** A major or dominant chord to one a fifth below: where a stretch may end. */
const fallsFifth = (from: Chord, to: Chord): boolean =>
  isMajorish(from) && to.tones.length > 0 && mod12(rootOf(from) - rootOf(to)) === 7;

/** The best key of some chords if they close in it, one after the other and not round. */
function closedKey(chords: readonly Chord[]): KeyFound | null {
  const [first] = findKeys(chords);
  if (!first) return null;
  const closed = chords.some((one, i) => i + 1 < chords.length && closes(one, chords[i + 1], first.key));
  return closed && !first.chords.some((one) => one.reading === 'foreign') ? first : null;
}

const stretchOf = (found: KeyFound, from: number, to: number, pivot: number | null): KeyStretch => ({
  key: found.key,
  from,
  to,
  numerals: found.numerals,
  pivot,
});
