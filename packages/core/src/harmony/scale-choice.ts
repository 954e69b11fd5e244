/** Which scales go over a chord, and why in notes: by what the chord has and where it goes. Common practice, our order. */
import { type Chord } from '../theory/chord';
import type { Degree } from '../theory/degree';
import { degreeChords, type DegreeChord, type Tension } from '../theory/degree-chords';
import type { Key } from '../theory/key';
import { mod12, pitchClassOf, type NoteName } from '../theory/note';
import { scaleOn, type Scale } from '../theory/scale';
import { clashOf, degreeOfNote } from './clash';

export type ScaleReason =
  | 'of the key'
  | 'V7 to minor'
  | 'does not fall a fifth'
  | 'altered tones'
  | 'b9 with 13'
  | 'raised 5'
  | 'tonic minor'
  | 'borrowed major'
  | 'two five in minor'
  | 'its tones fit';

export interface ScaleOver {
  readonly scale: Scale;
  readonly why: ScaleReason;
  /** The notes that tell it from the plain one: tones of the scale the chord has not. */
  readonly tells: readonly NoteName[];
  /** What each of its notes is over the chord. */
  readonly notes: readonly NoteOver[];
}

export interface NoteOver {
  readonly note: NoteName;
  readonly degree: Degree;
  /** Rest on it, colour, or in passing: it rubs against a tone of the chord. */
  readonly does: 'rest' | 'colour' | 'care';
}

/** What a note does over a chord; `tensions` are those of its place in a key, whose care holds. */
export function noteOver(note: NoteName, chord: Chord, tensions: readonly Tension[] = []): NoteOver {
  const pitchClass = pitchClassOf(note);
  const degree = degreeOfNote(note, chord);
  if (chord.tones.some((tone) => tone.pitchClass === pitchClass)) return { note, degree, does: 'rest' };
  const warned = tensions.some((one) => one.care && pitchClassOf(one.note) === pitchClass);
  return { note, degree, does: warned || clashOf(note, chord) ? 'care' : 'colour' };
}

const has = (chord: Chord, degree: Degree): boolean => chord.tones.some((tone) => tone.degree === degree);
const hasAny = (chord: Chord, ...degrees: readonly Degree[]): boolean =>
  degrees.some((one) => has(chord, one));
const modeName = (mode: string): string => ({ ionian: 'major', aeolian: 'minor' })[mode] ?? mode;

/** Scales over a chord, in the order they are tried; `next` says where it goes. Empty for silence. */
export function scalesOver(
  chord: Chord,
  context: { readonly key?: Key; readonly next?: Chord } = {},
): ScaleOver[] {
  if (chord.tones.length === 0) return [];
  const kinds: (readonly [string, ScaleReason])[] = [];
  const { key, next } = context;
  const own = key ? ofKey(chord, key) : null;
  const falls = next ? mod12(pitchClassOf(chord.root) - pitchClassOf(next.root)) === 7 : null;
  const toMinor = falls === true && next !== undefined && has(next, 'b3');
  if (has(chord, '3') && has(chord, 'b7')) kinds.push(...dominantKinds(chord, falls, toMinor, own));
  else {
    if (own) kinds.push([modeName(own.mode), 'of the key']);
    kinds.push(...otherKinds(chord));
  }
  const seen = new Set<string>();
  return kinds.flatMap(([kind, why]) => {
    if (seen.has(kind)) return [];
    seen.add(kind);
    const scale = scaleOn(chord.root, kind);
    // A scale that lacks a tone of the chord is no scale for it; a spared 5 and 11 are not asked for.
    const sounds = new Set(scale.notes.map(pitchClassOf));
    if (!chord.tones.every((tone) => !tone.required || sounds.has(tone.pitchClass))) return [];
    const tensions = why === 'of the key' ? own?.tensions : undefined;
    const notes = scale.notes.map((note) => noteOver(note, chord, tensions));
    return [{ scale, why, notes, tells: notes.filter((one) => one.does !== 'rest').map((one) => one.note) }];
  });
}

const ofKey = (chord: Chord, key: Key): DegreeChord | null =>
  degreeChords(key, { sevenths: true }).find(
    (one) => pitchClassOf(one.chord.root) === pitchClassOf(chord.root),
  ) ?? null;

function dominantKinds(
  chord: Chord,
  falls: boolean | null,
  toMinor: boolean,
  own: DegreeChord | null,
): (readonly [string, ScaleReason])[] {
  const kinds: (readonly [string, ScaleReason])[] = [];
  if (has(chord, 'b9') && hasAny(chord, '13')) kinds.push(['diminished half-whole', 'b9 with 13']);
  if (has(chord, '#5')) kinds.push(['whole tone', 'raised 5']);
  if (chord.symbol.includes('alt') || (hasAny(chord, 'b9', '#9') && hasAny(chord, 'b5', '#5', 'b13', '#11')))
    kinds.push(['altered', 'altered tones']);
  if (toMinor) kinds.push(['phrygian dominant', 'V7 to minor']);
  if (has(chord, '#11') || falls === false) kinds.push(['lydian dominant', 'does not fall a fifth']);
  if (own) kinds.push([modeName(own.mode), 'of the key']);
  kinds.push(
    ['mixolydian', 'its tones fit'],
    ['phrygian dominant', 'V7 to minor'],
    ['lydian dominant', 'does not fall a fifth'],
    ['altered', 'altered tones'],
    ['diminished half-whole', 'b9 with 13'],
    ['whole tone', 'raised 5'],
    ['blues', 'its tones fit'],
  );
  return kinds;
}

function otherKinds(chord: Chord): (readonly [string, ScaleReason])[] {
  const fits = 'its tones fit' as const;
  if (has(chord, 'bb7')) return [['diminished whole-half', fits]];
  if (has(chord, 'b5') && has(chord, 'b3'))
    return [
      ['locrian', 'two five in minor'],
      ['locrian natural 2', 'two five in minor'],
    ];
  if (has(chord, 'b3'))
    return [
      ['dorian', fits],
      ['minor', fits],
      ['melodic minor', 'tonic minor'],
      ['harmonic minor', 'tonic minor'],
      ['phrygian', fits],
      ['minor pentatonic', fits],
      ['blues', fits],
    ];
  return [
    ['major', fits],
    ['lydian', 'borrowed major'],
    ['mixolydian', fits],
    ['major pentatonic', fits],
    ['lydian augmented', 'raised 5'],
  ];
}
