/**
 * What may stand in a chord's place in a key, by common practice: with the notes it shares, what must hold for it to work,
 * where its bass goes, and where a melody would rub against it. Richer forms of the chord itself are among them.
 */
import { makeChord, parseChord, type Chord } from '../theory/chord';
import { degreeChords, type DegreeChord } from '../theory/degree-chords';
import { noteAtDegree, type Degree } from '../theory/degree';
import { makeKey, type Key } from '../theory/key';
import { mod12, noteText, pitchClassOf, type NoteName } from '../theory/note';
import { scaleOn } from '../theory/scale';
import { clashOf, degreeOfNote, type Clash } from './clash';

export type SwapKind =
  | 'colour'
  | 'a third away'
  | 'relative'
  | 'two for five'
  | 'two and four'
  | 'leading tone'
  | 'tritone'
  | 'sus4'
  | 'applied'
  | 'borrowed'
  | 'same job';

/** What must hold, or what changes: each has its words. */
export type SwapCondition =
  | 'melody not the 1 of the key'
  | 'bass decides the name'
  | 'bass has the 5, or goes 2 to 1'
  | 'as the dominant'
  | 'melody tones change'
  | 'melody not the 3'
  | 'melody has no such natural'
  | 'next a fifth below'
  | 'leave out the 5'
  | 'ear decides';

export interface Swap {
  readonly kind: SwapKind;
  readonly chord: Chord;
  /** Notes of both, as the chord it stands for spells them. */
  readonly shared: readonly NoteName[];
  /** In the chord and not in the one it stands for, and the other way round. */
  readonly differ: { readonly comes: readonly NoteName[]; readonly goes: readonly NoteName[] };
  readonly when: readonly SwapCondition[];
  /** Half steps the lowest note moves against the chord it stands for: -5 to 6. */
  readonly bassMoves: number;
  /** Against the melody that is to stay; null without one and where it does not rub. */
  readonly clash: Clash | null;
  /** What that melody is over it; null without one. */
  readonly melodyIs: Degree | null;
}

export interface SwapContext {
  readonly key: Key;
  readonly chord: Chord;
  readonly next?: Chord;
  /** The note of the melody over it. */
  readonly melody?: NoteName;
}

const bassOf = (chord: Chord): NoteName => chord.bass ?? chord.root;
const has = (chord: Chord, degree: Degree): boolean => chord.tones.some((tone) => tone.degree === degree);
const isDominant = (chord: Chord): boolean => has(chord, '3') && has(chord, 'b7');
const soundOf = (chord: Chord): string =>
  `${[...new Set(chord.tones.map((tone) => tone.pitchClass))].sort((a, b) => a - b).join()}/${pitchClassOf(bassOf(chord))}`;

/** Notes two chords share, as the first spells them; by sound. */
export const sharedNotes = (a: Chord, b: Chord): NoteName[] =>
  a.tones
    .filter((tone) => b.tones.some((other) => other.pitchClass === tone.pitchClass))
    .map((tone) => tone.note);
const notIn = (a: Chord, b: Chord): NoteName[] =>
  a.tones
    .filter((tone) => !b.tones.some((other) => other.pitchClass === tone.pitchClass))
    .map((tone) => tone.note);

type Offer = readonly [SwapKind, Chord, readonly SwapCondition[]];

interface Place {
  readonly own: DegreeChord;
  /** The key it is the chord of: the one asked about, its harmonic minor, its parallel, or that of what a dominant leads to. */
  readonly key: Key;
}

/** Where a chord belongs; null where nothing in the key or next to it explains it. */
function placeOf(chord: Chord, key: Key, next?: Chord): Place | null {
  const named = (tonic: NoteName, kind: string): Key[] => {
    const made = makeKey(`${noteText(tonic)} ${kind}`);
    return made.ok ? [made.value] : [];
  };
  const target = noteAtDegree(chord.root, '4');
  const own = degreeChords(key).find((one) => pitchClassOf(one.chord.root) === pitchClassOf(target));
  const minorTarget = has(next ?? own?.chord ?? chord, 'b3');
  const keys = [
    key,
    ...(key.kind === 'minor'
      ? [...named(key.tonic, 'harmonic minor'), ...named(key.tonic, 'melodic minor')]
      : []),
    ...(isDominant(chord) ? named(target, minorTarget ? 'harmonic minor' : 'major') : []),
    ...(key.kind === 'major' ? named(key.tonic, 'minor') : []),
  ];
  for (const one of keys) {
    const there = chordOn(chord, one);
    if (there) return { own: there, key: one };
  }
  return null;
}

/** The chord a key has on the root of this one if it has the same third, fifth and seventh; null where it differs. */
function chordOn(chord: Chord, key: Key): DegreeChord | null {
  const there = degreeChords(key, { sevenths: true }).find(
    (one) => pitchClassOf(one.chord.root) === pitchClassOf(chord.root),
  );
  if (!there) return null;
  const differs = (number: RegExp) => {
    const [a, b] = [chord, there.chord].map(
      (one) => one.tones.find((tone) => number.test(tone.degree))?.degree,
    );
    return a !== undefined && b !== undefined && a !== b;
  };
  return differs(/^b?3$/) || differs(/^(?:b{1,2})?7$/) || (has(there.chord, 'b5') && has(chord, '5'))
    ? null
    : there;
}

/** Every swap for one chord of a key, likeliest first. Empty for silence and for a chord that the key does not hold. */
export function swapsFor({ key, chord, next, melody }: SwapContext): Swap[] {
  if (chord.tones.length === 0) return [];
  const place = placeOf(chord, key, next);
  if (!place) return [];
  const { own } = place;
  const offers = [
    ...coloursOf(chord, own),
    ...byDegree(chord, own, place.key),
    ...appliedFor(chord, next, key),
    // What stands for a chord of another key's degree says nothing of this one.
    ...(place.key === key ? [...borrowedFor(own, key), ...sameJob(own, key)] : []),
  ];
  const seen = new Set([soundOf(chord)]);
  return offers.flatMap(([kind, made, when]): Swap[] => {
    const sound = soundOf(made);
    // Of two names for one sound the first reason given stands; a relative is a name and must not fall to it.
    if (kind !== 'relative' && seen.has(sound)) return [];
    seen.add(sound);
    const moves = mod12(pitchClassOf(bassOf(made)) - pitchClassOf(bassOf(chord)));
    return [
      {
        kind,
        chord: made,
        shared: sharedNotes(chord, made),
        differ: { comes: notIn(made, chord), goes: notIn(chord, made) },
        when,
        bassMoves: moves > 6 ? moves - 12 : moves,
        clash: melody ? clashOf(melody, made) : null,
        melodyIs: melody ? degreeOfNote(melody, made) : null,
      },
    ];
  });
}

const on = (root: NoteName, suffix: string): Chord => {
  const read = parseChord(noteText(root) + suffix);
  if (!read.ok) throw new RangeError(`${noteText(root)}${suffix}`);
  return read.value;
};

/** Richer forms of the chord itself from tensions that need no care, and the colours of a dominant from outside its mode. */
function coloursOf(chord: Chord, place: DegreeChord): Offer[] {
  const { root } = chord;
  const free = new Set(place.tensions.filter((one) => !one.care).map((one) => one.degree));
  const as = (...suffixes: string[]): Offer[] => suffixes.map((suffix) => ['colour', on(root, suffix), []]);
  const seventh = place.chord;
  if (isDominant(seventh)) {
    const altered = place.colours.map((one): Offer => {
      const suffix = `7${one.degree === 'b13' ? 'b13' : one.degree}`;
      return ['colour', on(root, suffix), one.degree === 'b13' ? ['leave out the 5'] : []];
    });
    return [
      ...as('7', ...(free.has('9') ? ['9'] : []), ...(free.has('9') && free.has('13') ? ['13'] : [])),
      ...as(...(free.has('b9') ? ['7b9'] : []), ...(free.has('b13') ? ['7b13'] : [])),
      ...altered,
      ...(place.degree === 5 ? as('7alt') : []),
    ];
  }
  const own = seventh.symbol.slice(noteText(seventh.root).length);
  const more: string[] = [own];
  if (own === 'maj7') {
    more.push(
      '6',
      ...(free.has('9') ? ['maj9', '6/9', 'add9'] : []),
      ...(free.has('#11') ? ['maj7#11'] : []),
    );
  } else if (own === 'm7') {
    more.push(...(free.has('9') ? ['m9', 'madd9'] : []), ...(free.has('11') ? ['m11'] : []));
  } else if (own === 'mMaj7') {
    more.push('m6', ...(free.has('9') ? ['madd9'] : []));
  }
  return as(...more);
}

function byDegree(chord: Chord, place: DegreeChord, key: Key): Offer[] {
  const all = degreeChords(key, { sevenths: true });
  const seventh = (degree: number): Chord => all[(degree - 1) % 7].chord;
  const { root } = chord;
  const offers: Offer[] = [];
  const tonic = place.degree === 1;
  if (tonic) {
    offers.push(
      ['a third away', seventh(3), ['melody not the 1 of the key']],
      ['a third away', seventh(6), []],
    );
  } else if (place.degree === 3 || place.degree === 6) offers.push(['a third away', seventh(1), []]);
  if (place.degree === 2) offers.push(['two and four', seventh(4), []]);
  if (place.degree === 4) offers.push(['two and four', seventh(2), []]);
  offers.push(...relativesOf(chord));
  if (place.job !== 'dominant' || place.degree !== 5 || !has(place.chord, '3')) return offers;
  const dominant: SwapCondition[] = ['as the dominant'];
  const natural9 = place.tensions.some((one) => one.degree === '9');
  return [
    ...offers,
    ['two for five', on(noteAtDegree(root, '5'), 'm6'), ['bass has the 5, or goes 2 to 1']],
    ['leading tone', on(noteAtDegree(root, '3'), natural9 ? 'm7b5' : 'dim7'), dominant],
    ['leading tone', on(noteAtDegree(root, '3'), natural9 ? 'dim7' : 'm7b5'), dominant],
    ['tritone', tritoneNeighbour(chord), ['melody tones change']],
    ['sus4', on(root, '7sus4'), ['melody not the 3']],
  ];
}

/** subV7: the dominant on the other root with the same 3 and b7, spelled a letter above the target of the first. */
export const tritoneNeighbour = (dominant: Chord): Chord =>
  on(noteAtDegree(noteAtDegree(dominant.root, '4'), 'b2'), '7');

/** The same four notes by another name: a six chord and the m7 on its 6, an m6 and the m7b5 on its 6. */
function relativesOf(chord: Chord): Offer[] {
  const { root } = chord;
  const same: SwapCondition[] = ['bass decides the name'];
  if (has(chord, '6') && has(chord, '3')) return [['relative', on(noteAtDegree(root, '6'), 'm7'), same]];
  if (has(chord, '6') && has(chord, 'b3')) return [['relative', on(noteAtDegree(root, '6'), 'm7b5'), same]];
  if (has(chord, 'b7') && has(chord, 'b3') && has(chord, '5'))
    return [['relative', on(noteAtDegree(root, 'b3'), '6'), same]];
  if (has(chord, 'b7') && has(chord, 'b3') && has(chord, 'b5'))
    return [['relative', on(noteAtDegree(root, 'b3'), 'm6'), same]];
  return [];
}

/** Made the dominant of the chord that follows a fifth below. */
function appliedFor(chord: Chord, next: Chord | undefined, key: Key): Offer[] {
  if (isDominant(chord)) return [];
  const target = noteAtDegree(chord.root, '4');
  const falls = next ? pitchClassOf(next.root) === pitchClassOf(target) : false;
  const inKey = key.scale.some((note) => pitchClassOf(note) === pitchClassOf(target));
  if (next ? !falls : !inKey) return [];
  return [['applied', on(chord.root, '7'), falls ? [] : ['next a fifth below']]];
}

/** Chords of the parallel minor that stand for those of a major key: by degree of what they replace. */
const BORROWED: Readonly<Record<number, readonly (readonly [string, string])[]>> = {
  1: [
    ['b6', 'maj7'],
    ['b3', 'maj7'],
  ],
  2: [
    ['2', 'm7b5'],
    ['4', 'm'],
  ],
  3: [['b3', 'maj7']],
  4: [
    ['4', 'm'],
    ['4', 'm6'],
  ],
  5: [['b7', '7']],
  6: [['b6', 'maj7']],
  7: [['b7', '7']],
};

function borrowedFor(place: DegreeChord, key: Key): Offer[] {
  if (key.kind !== 'major') return [];
  return BORROWED[place.degree].map(([degree, suffix]) => [
    'borrowed',
    on(noteAtDegree(key.tonic, degree), suffix),
    ['melody has no such natural'],
  ]);
}

/** Chords of the key with the same job that have no nearer reason. */
const sameJob = (place: DegreeChord, key: Key): Offer[] =>
  degreeChords(key, { sevenths: true })
    .filter((one) => one.job === place.job && one.degree !== place.degree)
    .map((one) => ['same job', one.chord, ['ear decides']]);

/** Chords of the parallel minor a major key may borrow, by figure: iv, bVI, bVII, bIII, iio, v. */
export function borrowedInto(key: Key): { readonly figure: string; readonly chord: Chord }[] {
  const minor = scaleOn(key.tonic, 'minor').notes;
  const chord = (step: number, quality: string) => makeChord(minor[step - 1], quality);
  return [
    { figure: 'iv', chord: chord(4, 'minor') },
    { figure: 'bVI', chord: chord(6, 'major') },
    { figure: 'bVII', chord: chord(7, 'major') },
    { figure: 'bIII', chord: chord(3, 'major') },
    { figure: 'iio', chord: chord(2, 'diminished') },
    { figure: 'v', chord: chord(5, 'minor') },
  ];
}

export interface SusNote {
  /** 1 to 7. */
  readonly degree: number;
  readonly root: NoteName;
  readonly note: NoteName;
  /** What the key has in its place; null where the sus note is the key's own. */
  readonly keyHas: NoteName | null;
}

/** The sus note on each of the seven roots of a key: where it leaves the key, and what the key has there. */
export function susNotes(key: Key, degree: '2' | '4'): SusNote[] {
  return key.scale.map((root, i) => {
    const note = noteAtDegree(root, degree);
    const own = key.scale[(i + Number(degree) - 1) % 7];
    return { degree: i + 1, root, note, keyHas: noteText(own) === noteText(note) ? null : own };
  });
}
