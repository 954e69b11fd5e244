/**
 * A small piece made by rule from a seed: chords of one key that lead to one another in ideas of two bars (a a' b a'), which
 * come to rest on the fifth degree and at the end on the first, a stroke pattern, and where asked a tune (`small-tune.ts`).
 * Which chord may follow which, and the figures of the tune, are the common practice of tonal music and our own choice of it;
 * nothing is taken from a known tune. The same request gives the same piece.
 */
import { randomOf, type Random } from '../kernel/random';
import { fail, ok, type Result } from '../kernel/result';
import { makeChord, parseChord, type Chord } from '../theory/chord';
import type { Key } from '../theory/key';
import { noteAtDegree } from '../theory/degree';
import { pitchClassOf } from '../theory/note';
import { scaleOn } from '../theory/scale';
import { readPattern } from './pattern';
import type { PIECE_LENGTHS, StrumWay } from './piece-asked';
import { EMPTY_PIECE } from './chart';
import { readPieceKey, type MelodyNote, type Piece, type PieceBar, type StrokePattern } from './piece';
import { smallTune, type TuneBar } from './small-tune';

export interface PieceRequest {
  /** `Eb major`, `F# minor`. */
  readonly key: string;
  readonly bars: (typeof PIECE_LENGTHS)[number];
  /** Quarters of a bar; six eighths. */
  readonly beats: 3 | 4 | 6;
  readonly seed: number;
  readonly melody: boolean;
  /** Chord symbols it may use; null for all of the key. */
  readonly held: readonly string[] | null;
  /** One chord beside the held ones, and in how many bars it comes: never in the first two or the last. */
  readonly fresh?: { readonly chord: string; readonly uses: 2 | 3 | 4 };
  /** How much the striking hand has to do; moving where left out. */
  readonly strum?: StrumWay;
}

type Place = 'tonic' | 'before' | 'dominant';
interface KeyChord {
  readonly degree: number;
  readonly chord: Chord;
  readonly place: Place;
}

/** Qualities by degree; a dominant takes its seventh, in minor with the raised leading tone. */
const MAJOR = ['major', 'minor', 'minor', 'major', 'dominant7', 'minor', null] as const;
const MINOR = ['minor', null, 'major', 'minor', 'dominant7', 'major', 'major'] as const;
const PLACES: readonly Place[] = ['tonic', 'before', 'tonic', 'before', 'dominant', 'tonic', 'dominant'];
/** Degrees that may follow a degree, nearest first in kinship. */
const LEADS: Readonly<Record<number, readonly number[]>> = {
  1: [4, 6, 2, 5, 3],
  2: [5],
  3: [6, 4],
  4: [5, 1, 2],
  5: [1, 6],
  6: [2, 4, 5],
  7: [3, 1],
};
const STRUMS = {
  4: ['D - d u - u d u', 'D - d - D - d u', 'd u d u D u d u', 'D - - u d u d -'],
  3: ['D - d u d u', 'D - d - d u', 'd - D u d u'],
  6: ['D - d D - d', 'D - u D - u', 'D d u D d u'],
} as const;
/** Steps a beat of those patterns. */
const PER_BEAT = { 4: 2, 3: 2, 6: 1 } as const;
const EVERY_BEAT = { 4: 'D d d d', 3: 'D d d', 6: 'D - - d - -' } as const;
/** One chord alone is played with a bass line: the thumb, then the fingers. */
const WITH_BASS = { 4: 'p im p im', 3: 'p im im', 6: 'p - im p - im' } as const;
/** Beats of the notes of a bar; an idea keeps two of them. */
const FIGURES = {
  4: [[1, 1, 2], [2, 1, 1], [1.5, 0.5, 2], [1, 1, 1, 1], [2, 2], [3, 1]],
  3: [[1, 1, 1], [2, 1], [1.5, 0.5, 1], [1, 2], [1, 0.5, 0.5, 1]],
  6: [[3, 3], [2, 1, 3], [3, 2, 1], [1, 1, 1, 3], [2, 1, 2, 1]],
} as const; // prettier-ignore
/** Beats that weigh: a tone of the chord stands on them. */
const STRONG = { 4: [0, 2], 3: [0], 6: [0, 3] } as const;
const FIRST = [
  'Paper',
  'Copper',
  'Borrowed',
  'Crooked',
  'Seven',
  'Quiet',
  'Salted',
  'Wooden',
  'Left-hand',
  'Painted',
  'Rainy',
  'Second',
];
const SECOND = ['Crown', 'Gangway', 'Marionette', 'Weathercock', 'Curtain', 'Sparrow', 'Trapdoor', 'Lantern', 'Ferry', 'Kettle', 'Moustache', 'Interval']; // prettier-ignore

/**
 * Problems: those of `readPieceKey`; `rule.held` where the first degree is not among the chords held (detail: which would do);
 * `rule.fresh` where the new chord has no place in the key, or is held already; `rule.tune` where these chords have no tune (another seed has).
 */
export function makePiece(request: PieceRequest): Result<Piece> {
  const key = readPieceKey(request.key);
  if (!key.ok) return key;
  const { beats } = request;
  const all = chordsOf(key.value);
  const held = request.held?.flatMap((symbol) => {
    const chord = parseChord(symbol);
    return chord.ok ? [chord.value] : [];
  });
  const chords = held ? [...all, flatSeventh(key.value)].flatMap((one) => heldAs(one, held)) : all;
  const tonic = chords.find((one) => one.degree === 1);
  const wanted = () => fail('rule.held', 'held', all.map((one) => one.chord.symbol).join(' '));
  if (!tonic) return wanted();
  const fresh = request.fresh ? freshOf(request.fresh.chord, all, chords) : null;
  if (request.fresh && !fresh) {
    const free = all.filter((one) => !chords.some((other) => other.degree === one.degree));
    return fail('rule.fresh', 'fresh', free.map((one) => one.chord.symbol).join(' '));
  }
  // One chord held and nothing new is a piece for the tune and the bass.
  if (chords.length < 2 && !fresh && request.melody === false) return wanted();
  const random = (part: string) => randomOf(`piece ${request.seed} ${part}`);
  const plain = progression(request.bars, chords, tonic, random('chords'));
  const symbols =
    fresh && request.fresh ? withFresh(plain, fresh, request.fresh.uses, random('fresh')) : plain;
  const alone = new Set(symbols).size === 1;
  const strum = strumOf(request, alone, random('strum'));
  const notes = request.melody
    ? anyTune(symbols, beats, key.value, random('melody'))
    : symbols.map(() => undefined);
  if (!notes) return fail('rule.tune', 'seed', 'another number, or one more chord');
  const bars = symbols.map(({ chord }, i): PieceBar => ({
    chords: [{ tick: 0, chord: chord.symbol }],
    ...(notes[i] ? { melody: notes[i] } : {}),
  }));
  const half = request.bars === 16 ? 8 : request.bars;
  const titles = random('title');
  return ok({
    ...EMPTY_PIECE,
    title: `${titles.pick(FIRST)} ${titles.pick(SECOND)}`,
    by: 'made by rule',
    key: key.value.name,
    time: { beats, unit: beats === 6 ? 8 : 4 },
    tempoBpm: (beats === 6 ? 2 : 1) * (66 + 6 * random('tempo').int(0, 6)),
    patterns: strum ? [strum] : [],
    sections: [
      { name: 'A', times: 1, ...(strum ? { pattern: 'rule' } : {}), bars: bars.slice(0, half) },
      ...(half < bars.length
        ? [{ name: 'B', times: 1, ...(strum ? { pattern: 'rule' } : {}), bars: bars.slice(half) }]
        : []),
    ],
    ...(half < bars.length ? { order: ['A', 'B', 'A'] } : {}),
  });
}

/** None for one stroke a chord. */
function strumOf(
  { beats, strum = 'moving' }: PieceRequest,
  alone: boolean,
  random: Random,
): StrokePattern | null {
  if (strum === 'one stroke') return null;
  const perBeat = strum === 'moving' && !alone ? PER_BEAT[beats] : 1;
  const steps = alone
    ? WITH_BASS[beats]
    : strum === 'moving'
      ? random.pick(STRUMS[beats])
      : EVERY_BEAT[beats];
  const read = readPattern(alone ? 'pick' : 'strum', 'rule', perBeat, steps);
  return read.ok ? read.value : null;
}

/** The chords of a key by degree; diminished ones are left to the harmony bench. */
function chordsOf(key: Key): KeyChord[] {
  const { notes } = scaleOn(key.tonic, key.mode);
  return (key.mode === 'major' ? MAJOR : MINOR).flatMap((quality, i) =>
    quality ? [{ degree: i + 1, chord: makeChord(notes[i], quality), place: PLACES[i] }] : [],
  );
}

/** The held chord that can stand on a degree: itself, or its triad or seventh. */
function heldAs(one: KeyChord, held: readonly Chord[]): KeyChord[] {
  const family = (quality: string) => (quality.startsWith('minor') ? 'minor' : 'major');
  const fits = held.filter(
    (chord) =>
      !chord.bass &&
      pitchClassOf(chord.root) === pitchClassOf(one.chord.root) &&
      [
        'major',
        'minor',
        one.chord.quality,
        ...(one.place === 'dominant' ? [] : ['minor7', 'major7']),
      ].includes(chord.quality) &&
      family(chord.quality) === family(one.chord.quality),
  );
  const best = fits.find((chord) => chord.quality === one.chord.quality) ?? fits[0];
  // The key's own spelling, whatever the held one was called.
  return best ? [{ ...one, chord: makeChord(one.chord.root, best.quality) }] : [];
}

/** The major chord a step under the first degree of a major key, where somebody holds it: it leads home too. */
const flatSeventh = ({ tonic, mode }: Key): KeyChord => ({
  degree: 7,
  chord: makeChord(noteAtDegree(tonic, 'b7'), mode === 'major' ? 'major' : 'dominant7'),
  place: 'dominant',
});

/** The new chord as the key has it; null where it stands on no degree, or on one that is held. */
function freshOf(symbol: string, all: readonly KeyChord[], held: readonly KeyChord[]): KeyChord | null {
  const chord = parseChord(symbol);
  if (!chord.ok) return null;
  const [one] = all.flatMap((degree) => heldAs(degree, [chord.value]));
  return one && !held.some((other) => other.degree === one.degree) ? one : null;
}

/** One chord a bar: phrases of four begin at rest, the middle ones end open, the last one closed: V I, else IV I or VII I. */
function progression(bars: number, chords: readonly KeyChord[], tonic: KeyChord, random: Random): KeyChord[] {
  const on = (degree: number) => chords.find((one) => one.degree === degree);
  const open = on(5) ?? on(4) ?? on(7) ?? chords.find((one) => one !== tonic) ?? tonic;
  const out: KeyChord[] = [];
  for (let bar = 0; bar < bars; bar++) {
    const inPhrase = bar % 4;
    const last = bar === bars - 1 || (bars === 16 && bar === 7);
    if (last) out.push(tonic);
    else if (bar + 1 === bars - 1 || (bars === 16 && bar === 6)) out.push(open);
    else if (inPhrase === 0 && bar !== 8) out.push(tonic);
    else if (inPhrase === 3) out.push(open);
    else out.push(following(out[out.length - 1] ?? tonic, chords, random));
  }
  return out;
}

/**
 * As many bars on the new chord as asked for and as have room, never two running: of all ways the one where it is led to and
 * leads on most, by chance among equals.
 */
function withFresh(
  bars: readonly KeyChord[],
  fresh: KeyChord,
  uses: number,
  random: Random,
): readonly KeyChord[] {
  const leads = (from: KeyChord, to: KeyChord) => LEADS[from.degree]?.includes(to.degree) ?? false;
  // The bar before the end leads home: only what leads there as well stands in it.
  const last = bars.length - (fresh.place === 'dominant' ? 2 : 3);
  const worth = bars.map(
    (_, bar) =>
      (leads(bars[bar - 1] ?? fresh, fresh) ? 2 : 0) +
      (leads(fresh, bars[bar + 1] ?? fresh) ? 2 : 0) +
      random.unit(),
  );
  let best: { readonly at: readonly number[]; readonly sum: number } = { at: [], sum: 0 };
  const choose = (from: number, at: readonly number[], sum: number) => {
    if (at.length > best.at.length || (at.length === best.at.length && sum > best.sum)) best = { at, sum };
    if (at.length === uses) return;
    for (let bar = from; bar <= last; bar++) choose(bar + 2, [...at, bar], sum + worth[bar]);
  };
  choose(2, [], 0);
  return bars.map((one, bar) => (best.at.includes(bar) ? fresh : one));
}

function following(from: KeyChord, chords: readonly KeyChord[], random: Random): KeyChord {
  const leads = LEADS[from.degree].flatMap((degree) => chords.filter((one) => one.degree === degree));
  if (leads.length > 0) return random.pick(leads);
  const others = chords.filter((one) => one !== from);
  return random.pick(others.length ? others : [from]);
}

/** Figures drawn before a progression is said to have no tune. */
const TUNES_TRIED = 24;
/** The first of some drawn figures that has a tune over these chords. */
function anyTune(
  bars: readonly KeyChord[],
  beats: 3 | 4 | 6,
  key: Key,
  random: Random,
): MelodyNote[][] | null {
  for (let i = 0; i < TUNES_TRIED; i++) {
    const found = tune(bars, beats, key, random);
    if (found) return found;
  }
  return null;
}

/** Ideas of two bars: the figures of the first come again, the third is another; an idea that ends open is held. */
function tune(bars: readonly KeyChord[], beats: 3 | 4 | 6, key: Key, random: Random): MelodyNote[][] | null {
  const figures: readonly (readonly number[])[] = FIGURES[beats];
  const first = [random.pick(figures), random.pick(figures)];
  const other = [random.pick(figures.filter((one) => one !== first[0])), random.pick(figures)];
  const asked = bars.map(({ chord }, bar): TuneBar => {
    const idea = Math.floor(bar / 2);
    const isOther = idea % 4 === 2;
    const closes = bar === bars.length - 1 || (bars.length === 16 && bar === 7);
    return {
      chord,
      lengths: closes || bar % 4 === 3 ? [beats] : (isOther ? other : first)[bar % 2],
      strong: STRONG[beats],
      ...(idea > 0 && !isOther ? { like: bar % 2 } : {}),
    };
  });
  return smallTune(asked, key, random);
}
