/**
 * A small piece made by rule from a seed: chords of one key that lead to one another, phrases of four bars that come to
 * rest on the fifth degree and on the first, a stroke pattern, and where asked a melody of chord tones with steps between
 * them. Which chord may follow which, and the figures of the melody, are the common practice of tonal music and our own
 * choice of it; nothing is taken from a known tune. The same request gives the same piece.
 */
import { randomOf, type Random } from '../kernel/random';
import { fail, ok, type Result } from '../kernel/result';
import { makeChord, parseChord, type Chord } from '../theory/chord';
import type { Key } from '../theory/key';
import { mod12, noteText, pitchClassOf, type NoteName } from '../theory/note';
import { midiOf, pitchSpelled, type Pitch } from '../theory/pitch';
import { scaleOn } from '../theory/scale';
import { readPattern } from './pattern';
import { EMPTY_PIECE } from './chart';
import { readPieceKey, type MelodyNote, type Piece, type PieceBar } from './piece';
import { ticksOf } from './ticks';

export const PIECE_LENGTHS = [8, 12, 16] as const;

export interface PieceRequest {
  /** `Eb major`, `F# minor`. */
  readonly key: string;
  readonly bars: (typeof PIECE_LENGTHS)[number];
  readonly beats: 3 | 4;
  readonly seed: number;
  readonly melody: boolean;
  /** Chord symbols it may use; null for all of the key. */
  readonly held: readonly string[] | null;
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
} as const;
/** Beats of the notes of a bar; a phrase keeps two of them. */
const FIGURES = {
  4: [[1, 1, 2], [2, 1, 1], [1.5, 0.5, 2], [1, 1, 1, 1], [2, 2], [3, 1]],
  3: [[1, 1, 1], [2, 1], [1.5, 0.5, 1], [1, 2], [1, 0.5, 0.5, 1]],
} as const; // prettier-ignore
/** Sounding range of a melody: a voice of middling compass. */
const LOW = 57;
const HIGH = 76;
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

/** Problems: those of `readPieceKey`; `rule.held` where too few of the chords lie in the key (detail: which would do). */
export function makePiece(request: PieceRequest): Result<Piece> {
  const key = readPieceKey(request.key);
  if (!key.ok) return key;
  const all = chordsOf(key.value);
  const held = request.held?.flatMap((symbol) => {
    const chord = parseChord(symbol);
    return chord.ok ? [chord.value] : [];
  });
  const chords = held ? all.flatMap((one) => heldAs(one, held)) : all;
  const tonic = chords.find((one) => one.degree === 1);
  if (!tonic || chords.length < 2)
    return fail('rule.held', 'held', all.map((one) => one.chord.symbol).join(' '));
  const random = (part: string) => randomOf(`piece ${request.seed} ${part}`);
  const symbols = progression(request.bars, chords, tonic, random('chords'));
  const strum = readPattern('strum', 'rule', 2, random('strum').pick(STRUMS[request.beats]));
  const notes = request.melody
    ? melody(symbols, request.beats, key.value, random('melody'))
    : symbols.map(() => undefined);
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
    time: { beats: request.beats, unit: 4 },
    tempoBpm: 66 + 6 * random('tempo').int(0, 6),
    patterns: strum.ok ? [strum.value] : [],
    sections: [
      { name: 'A', times: 1, pattern: 'rule', bars: bars.slice(0, half) },
      ...(half < bars.length ? [{ name: 'B', times: 1, pattern: 'rule', bars: bars.slice(half) }] : []),
    ],
    ...(half < bars.length ? { order: ['A', 'B', 'A'] } : {}),
  });
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

/** One chord a bar: phrases of four begin at rest, the middle ones end open, the last one closed. */
function progression(bars: number, chords: readonly KeyChord[], tonic: KeyChord, random: Random): KeyChord[] {
  const on = (degree: number) => chords.find((one) => one.degree === degree);
  const open = on(5) ?? on(4) ?? chords.find((one) => one !== tonic) ?? tonic;
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

function following(from: KeyChord, chords: readonly KeyChord[], random: Random): KeyChord {
  const leads = LEADS[from.degree].flatMap((degree) => chords.filter((one) => one.degree === degree));
  if (leads.length > 0) return random.pick(leads);
  const others = chords.filter((one) => one !== from);
  return random.pick(others.length ? others : [from]);
}

/** Chord tones where a note is long or begins a bar, the scale between; the last note is the tonic. */
function melody(bars: readonly KeyChord[], beats: 3 | 4, key: Key, random: Random): MelodyNote[][] {
  const scale = scaleOn(key.tonic, key.mode).notes;
  const figures: readonly (readonly number[])[] = FIGURES[beats];
  const motive = [random.pick(figures), random.pick(figures)];
  let at = nearest(
    bars[0].chord.tones.map((tone) => tone.note),
    (LOW + HIGH) / 2,
  );
  return bars.map(({ chord }, bar) => {
    const closes = bar === bars.length - 1 || (bars.length === 16 && bar === 7);
    const lengths = closes || bar % 4 === 3 ? [beats] : motive[bar % 2];
    let tick = 0;
    return lengths.map((length, i): MelodyNote => {
      const strong = i === 0 || length >= 2;
      const tones = chord.tones.map((tone) => tone.note);
      // In minor the scale takes the chord's own leading tone.
      const steps = scale.map((note) => tones.find((tone) => tone.letter === note.letter) ?? note);
      const from = midiOf(at);
      const aim = from + random.pick(strong ? [-4, -2, 2, 4] : [-2, -1, 1, 2]);
      const within = Math.min(HIGH, Math.max(LOW, aim));
      at = closes ? nearest([key.tonic], from) : nearest(strong ? tones : steps, within);
      const note: MelodyNote = { tick, ticks: ticksOf(length), pitch: at };
      tick += note.ticks;
      return note;
    });
  });
}

/** The pitch of one of these notes nearest to a MIDI number, inside the range. */
function nearest(notes: readonly NoteName[], midi: number): Pitch {
  let best: { note: NoteName; midi: number } | null = null;
  for (const note of notes) {
    for (let pitch = LOW - 2 + mod12(pitchClassOf(note) - (LOW - 2)); pitch <= HIGH + 2; pitch += 12)
      if (!best || Math.abs(pitch - midi) < Math.abs(best.midi - midi)) best = { note, midi: pitch };
  }
  if (!best) throw new RangeError(`no note of ${notes.map(noteText).join(' ')} in range`);
  return pitchSpelled(best.midi, best.note);
}
