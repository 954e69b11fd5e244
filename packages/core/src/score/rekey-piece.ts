/**
 * A piece in another key: every chord, note and key moved by the same interval and spelled in the new key. And which
 * key would suit a hand: all twelve, with and without capo, inside a singer's range where one is given.
 */
import { planPath, tempoFor, type PathMemory, type PathOptions } from '../changes';
import { fail, must, ok, type Result } from '../kernel/result';
import { mean } from '../kernel/number';
import { intervalBetween, pitchAway } from '../theory/interval';
import { keyOn, keysOn, type Key } from '../theory/key';
import { mod12, noteText, pitchClassOf, type NoteName } from '../theory/note';
import { makeChord, noChord } from '../theory/chord';
import { midiOf, pitchSpelled, type Pitch } from '../theory/pitch';
import { chordOf, gapBeatsOf } from './piece-path';
import { PIECE_LIMITS, readPieceKey, writtenChords, type Piece, type PieceBar } from './piece';

/** Root names moved from one tonic to another with their letters: Gb7 in Db becomes F7 in C, never E#7. */
function noteMover(from: NoteName, to: NoteName): (note: NoteName) => NoteName {
  const base: Pitch = { note: from, octave: 4 };
  const up = intervalBetween(base, upwards(base, to));
  return (note) => {
    const moved = pitchAway({ note, octave: 4 }, up).note;
    // Beyond a single sign nobody reads it: the usual name of the pitch is taken.
    return Math.abs(moved.accidental) > 1 ? simple(pitchClassOf(moved)) : moved;
  };
}

const SIMPLE = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
const simple = (pitchClass: number): NoteName => {
  const name = SIMPLE[mod12(pitchClass)];
  return { letter: name[0] as NoteName['letter'], accidental: name.length > 1 ? -1 : 0 };
};

/** The named note at or above a pitch, within the octave. */
function upwards(from: Pitch, note: NoteName): Pitch {
  const up = mod12(pitchClassOf(note) - pitchClassOf(from.note));
  return pitchSpelled(midiOf(from) + up, note);
}

/** A chord symbol on other roots; `N.C.` stays. */
function moveSymbol(symbol: string, move: (note: NoteName) => NoteName): string {
  const chord = chordOf(symbol);
  if (chord.quality === noChord.quality) return symbol;
  return makeChord(move(chord.root), chord.quality, chord.bass && move(chord.bass)).symbol;
}

export interface MovedBy {
  /** Octaves the melody moves beside the key: 0 for the nearest way up, -1 for down. */
  readonly octaves?: number;
  readonly capo?: number;
}

/**
 * The piece in another key of its mode. Chords are written as they sound, capo or not. Problem `key.mode` for a key of
 * the other mode, `key.name` and `key.signature` as `readPieceKey`.
 */
export function rekeyPiece(piece: Piece, keyName: string, by: MovedBy = {}): Result<Piece> {
  const target = readPieceKey(keyName);
  if (!target.ok) return target;
  const from = must(readPieceKey(piece.key));
  if (target.value.mode !== from.mode)
    return fail('key.mode', 0, `a ${from.mode} key, as the piece is in one`);
  const move = noteMover(from.tonic, target.value.tonic);
  const up = mod12(pitchClassOf(target.value.tonic) - pitchClassOf(from.tonic));
  const shift = up + 12 * (by.octaves ?? (up > 6 ? -1 : 0));
  const movePitch = (pitch: Pitch): Pitch => pitchSpelled(midiOf(pitch) + shift, move(pitch.note));
  const moveKey = (name: string): string => {
    const key = must(readPieceKey(name));
    const moved = readPieceKey(`${noteText(move(key.tonic))} ${key.mode}`);
    return moved.ok ? moved.value.name : keyOn(pitchClassOf(move(key.tonic)), key.mode).name;
  };
  const bars = (all: readonly PieceBar[]) =>
    all.map((bar): PieceBar => ({
      ...bar,
      ...(bar.key === undefined ? {} : { key: moveKey(bar.key) }),
      chords: bar.chords.map((one) => ({ ...one, chord: moveSymbol(one.chord, move) })),
      ...(bar.melody
        ? { melody: bar.melody.map((note) => ({ ...note, pitch: note.pitch && movePitch(note.pitch) })) }
        : {}),
    }));
  return ok({
    ...piece,
    key: target.value.name,
    capo: by.capo ?? piece.capo,
    sections: piece.sections.map((section) => ({ ...section, bars: bars(section.bars) })),
  });
}

/** The same chart as a player with a capo reads it: `C` where `Db` sounds over a capo at fret 1. */
export function asIfWithoutCapo(piece: Piece): Piece {
  if (piece.capo === 0) return piece;
  const key = must(readPieceKey(piece.key));
  const shapes = keyOn(pitchClassOf(key.tonic) - piece.capo, key.mode);
  return must(rekeyPiece(piece, shapes.name, { capo: 0 }));
}

/** As it sounds now, behind one capo or another; a voice's step or two away; or elsewhere, where that is asked for. */
export type KeyNearness = 'same pitch' | 'near' | 'other';

export interface KeyOffer {
  readonly nearness: KeyNearness;
  /** Semitones up (or down) from where it sounds now, -5 to 6. */
  readonly away: number;
  readonly key: Key;
  readonly capo: number;
  /** Key of the shapes behind the capo. */
  readonly shapes: Key;
  /** Mean and highest grade of the grips. */
  readonly meanEffort: number;
  readonly heaviest: number;
  /** Share of the written tempo at which the slowest change comes clean nine times in ten; null without changes. */
  readonly tempoShare: number | null;
  /** Whether the melody lies in the singer's range, in the octave said; null without a range or a melody. */
  readonly sings: { readonly octaves: number } | null;
}

export interface SingerRange {
  readonly low: Pitch;
  readonly high: Pitch;
}

/**
 * What a player with a capo means by another key: first the shapes under which it sounds as it does now, the easiest first,
 * and its other spelling where it has one; then the keys a voice may want, the nearest first; then all others, easiest first,
 * each without capo and with the one whose shapes are easiest there. Keys outside the singer's range are left out where one is
 * given and a melody is written. Ease is the mean grade plus what the tempo falls short, a tenth of the tempo counting like
 * four points (assumed).
 */
export function keyOffers(
  piece: Piece,
  options: PathOptions,
  range: SingerRange | null = null,
  memory?: PathMemory,
): KeyOffer[] {
  const own = must(readPieceKey(piece.key));
  const plain = Array.from({ length: 12 }, (_, pc) =>
    pc === pitchClassOf(own.tonic) ? own : keyOn(pc, own.mode),
  );
  const shapesIn = plain.map((key) => grade(must(rekeyPiece(piece, key.name)), 0, options, memory));
  const offersOf = (key: Key, capos: readonly number[]): KeyOffer[] => {
    const sings = range ? octavesWithin(piece, key, range) : null;
    if (sings === undefined) return [];
    const pc = pitchClassOf(key.tonic);
    const away = mod12(pc - pitchClassOf(own.tonic) + 5) - 5;
    const nearness = away === 0 ? 'same pitch' : Math.abs(away) <= NEAR_SEMITONES ? 'near' : 'other';
    return capos.map((capo) => ({
      nearness,
      away,
      key,
      capo,
      shapes: capo === 0 ? key : plain[mod12(pc - capo)],
      // The capo's own frets are narrower and softer: graded anew where it stands.
      ...(capo === 0 ? shapesIn[pc] : grade(must(rekeyPiece(piece, key.name)), capo, options)),
      sings,
    }));
  };
  const cost = (pc: number, capo: number) => ease(shapesIn[mod12(pc - capo)]) + capoPoints(capo);
  const bestCapo = (pc: number) =>
    CAPOS.reduce((best, capo) => (cost(pc, capo) < cost(pc, best) ? capo : best));
  const easiest = (a: KeyOffer, b: KeyOffer) => ease(a) - ease(b) || a.capo - b.capo;
  const same = offersOf(own, [0, ...CAPOS]).sort(
    (a, b) => ease(a) + capoPoints(a.capo) - ease(b) - capoPoints(b.capo),
  );
  const twins = keysOn(pitchClassOf(own.tonic), own.mode)
    .filter((key) => key.name !== own.name)
    .flatMap((twin) => offersOf(twin, [0]));
  const elsewhere = plain.flatMap((key, pc) => (key === own ? [] : offersOf(key, [0, bestCapo(pc)])));
  const near = elsewhere.filter((one) => one.nearness === 'near');
  const other = elsewhere.filter((one) => one.nearness === 'other');
  near.sort((a, b) => Math.abs(a.away) - Math.abs(b.away) || easiest(a, b));
  return [...same, ...twins, ...near, ...other.sort(easiest)];
}

/** How far a key may lie that a voice asks for, in semitones (assumed). */
const NEAR_SEMITONES = 3;

const CAPOS = [1, 2, 3, 4, 5, 6, 7];
/**
 * Points of ease a capo costs: fewer frets and a thinner sound, and from fret 5 on hardly anybody's first thought (assumed).
 */
export const capoPoints = (fret: number): number => 1.5 * fret + 6 * Math.max(0, fret - 4);
/** Points that falling short of the whole tempo counts for (assumed). */
const TEMPO_POINTS = 40;

type Graded = Pick<KeyOffer, 'meanEffort' | 'heaviest' | 'tempoShare'>;
const ease = (one: Graded): number =>
  one.meanEffort + TEMPO_POINTS * Math.max(0, 1 - Math.min(1, one.tempoShare ?? 1));

function grade(piece: Piece, capo: number, options: PathOptions, memory?: PathMemory): Graded {
  const written = writtenChords(piece);
  const path = planPath(
    written.map((one) => chordOf(one.chord)),
    { ...options, instrument: { ...options.instrument, capo: Math.min(PIECE_LIMITS.capo, capo) } },
    memory,
  );
  const efforts = path.steps.flatMap((step) => (step.grip ? [step.grip.effort.total] : []));
  const shares = path.changes.flatMap((change, i) =>
    change ? [tempoFor(change, gapBeatsOf(written[i].ticks)) / piece.tempoBpm] : [],
  );
  return {
    meanEffort: efforts.length ? mean(efforts) : 0,
    heaviest: Math.max(0, ...efforts),
    tempoShare: shares.length ? Math.min(...shares) : null,
  };
}

/** In which octave the melody lies inside the range; null without a melody, undefined where it does in none. */
function octavesWithin(piece: Piece, key: Key, range: SingerRange): { octaves: number } | null | undefined {
  for (const octaves of [0, -1, 1]) {
    const moved = must(rekeyPiece(piece, key.name, { octaves }));
    const sung = moved.sections.flatMap((section) =>
      section.bars.flatMap((bar) =>
        (bar.melody ?? []).flatMap((note) => (note.pitch ? [midiOf(note.pitch)] : [])),
      ),
    );
    if (sung.length === 0) return null;
    if (Math.min(...sung) >= midiOf(range.low) && Math.max(...sung) <= midiOf(range.high)) return { octaves };
  }
  return undefined;
}
