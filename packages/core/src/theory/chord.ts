/**
 * A chord: root, quality, its tones in formula order with exact spelling, and a bass when a slash names one.
 * Which tones must sound follows common teaching: root, third or sus tone, sixth or seventh, an altered
 * fifth and the highest tension are required; the perfect fifth may go once a chord has four tones.
 */
import { editDistance } from '../kernel/edit-distance';
import { fail, ok, type Result } from '../kernel/result';
import { degreeParts, noteAtDegree, type Degree } from './degree';
import { noteText, pitchClassOf, readNote, type NoteName } from './note';
import { QUALITIES, type Quality } from './qualities';

export interface ChordTone {
  readonly degree: Degree;
  readonly note: NoteName;
  readonly pitchClass: number;
  readonly required: boolean;
}

export interface Chord {
  /** Canonical ASCII symbol, e.g. `Abmaj7`, `C/E`. */
  readonly symbol: string;
  readonly root: NoteName;
  readonly quality: string;
  readonly tones: readonly ChordTone[];
  /** Present when a slash names the lowest note; it may lie outside the tones. */
  readonly bass?: NoteName;
}

export interface ParseOptions {
  /** `german` reads H as B and B as Bb. Default `english`, in which H is asked about. */
  readonly noteNames?: 'english' | 'german';
}

/** Longest symbol read; real ones stay far below. */
const MAX_SYMBOL_LENGTH = 24;

const SUFFIXES: ReadonlyMap<string, Quality> = new Map(
  QUALITIES.flatMap((quality) =>
    [quality.suffix, ...quality.spellings].map((suffix) => [suffix, quality] as const),
  ),
);

/** Makes a chord from its parts; `quality` is an id of `QUALITIES` (RangeError otherwise). */
export function makeChord(root: NoteName, quality: string, bass?: NoteName): Chord {
  const found = QUALITIES.find((candidate) => candidate.id === quality);
  if (!found) throw new RangeError(`no such chord quality: ${quality}`);
  const tones = found.formula.map((degree) => {
    const note = noteAtDegree(root, degree);
    return { degree, note, pitchClass: pitchClassOf(note), required: isRequired(degree, found.formula) };
  });
  const symbol = noteText(root) + found.suffix + (bass ? `/${noteText(bass)}` : '');
  return bass ? { symbol, root, quality, tones, bass } : { symbol, root, quality, tones };
}

function isRequired(degree: Degree, formula: readonly Degree[]): boolean {
  return degree !== '5' || formula.length < 4;
}

/**
 * Reads a chord symbol. Problems: `chord.empty`, `chord.too-long`, `chord.german-h` (detail: the reading when
 * H means B), `chord.root`, `chord.quality` and `chord.bass`; `at` is the character index of what could not
 * be read and `detail` the nearest symbol that can be.
 */
export function parseChord(symbol: string, options: ParseOptions = {}): Result<Chord> {
  const text = toAscii(symbol.slice(0, MAX_SYMBOL_LENGTH * 4).trim());
  if (text === '') return fail('chord.empty', 0, 'C');
  if (text.length > MAX_SYMBOL_LENGTH)
    return fail('chord.too-long', MAX_SYMBOL_LENGTH, text.slice(0, 1).toUpperCase());
  const german = options.noteNames === 'german';
  if (/^[Hh]/.test(text) && !german) return fail('chord.german-h', 0, `B${text.slice(1)}`);
  const root = readRoot(text, german);
  if (!root) return fail('chord.root', 0, nearestRoot(text));

  const slash = /\/([A-Ha-h][#bx]{0,2})?$/.exec(text);
  const suffix = text.slice(root.length, slash ? slash.index : undefined);
  const quality = SUFFIXES.get(suffix);
  if (!quality) {
    const reading = nearestQuality(suffix);
    return fail('chord.quality', root.length + reading.at, noteText(root.note) + reading.quality.suffix);
  }
  if (!slash) return ok(makeChord(root.note, quality.id));
  const bass = slash[1] ? readRoot(slash[1], german) : null;
  if (!bass || bass.length !== slash[1].length) {
    return fail(
      'chord.bass',
      slash.index + 1,
      `${noteText(root.note)}${quality.suffix}/${noteText(root.note)}`,
    );
  }
  const sameAsRoot = pitchClassOf(bass.note) === pitchClassOf(root.note);
  return ok(makeChord(root.note, quality.id, sameAsRoot ? undefined : bass.note));
}

/** The chord's notes in formula order, ASCII: B major with a #5 is `['B', 'D#', 'F##']`. */
export function chordNotes(chord: Chord): string[] {
  return chord.tones.map((tone) => noteText(tone.note));
}

/** Chord on another root with everything else kept. */
export function transposeChord(chord: Chord, root: NoteName): Chord {
  return makeChord(root, chord.quality);
}

/** Degree of a pitch class in a chord, or null when it is no chord tone. */
export function degreeOfPitchClass(chord: Chord, pitchClass: number): Degree | null {
  return chord.tones.find((tone) => tone.pitchClass === pitchClass)?.degree ?? null;
}

/** Whether a degree is a third or stands in its place (2 and 4 in sus chords). */
export function isThirdLike(degree: Degree): boolean {
  return [2, 3, 4].includes(degreeParts(degree).number);
}

function toAscii(text: string): string {
  return text
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .replaceAll('♮', '')
    .replaceAll('−', '-')
    .replaceAll('△', 'Δ')
    .replaceAll('∆', 'Δ')
    .replaceAll(' ', '');
}

function readRoot(text: string, german: boolean): { note: NoteName; length: number } | null {
  if (!german) return readNote(text);
  if (/^[Hh]/.test(text)) {
    const rest = readNote(`B${text.slice(1)}`);
    return rest;
  }
  const read = readNote(text);
  if (read?.note.letter === 'B' && read.note.accidental === 0) {
    return { note: { letter: 'B', accidental: -1 }, length: read.length };
  }
  return read;
}

function nearestRoot(text: string): string {
  const rest = text.slice(1);
  return SUFFIXES.has(rest) ? `C${rest}` : 'C';
}

/** The quality whose spelling is least far from the suffix, and where the suffix first leaves it. */
function nearestQuality(suffix: string): { quality: Quality; at: number } {
  let best = { quality: QUALITIES[0], at: 0, distance: Number.POSITIVE_INFINITY, shared: 0 };
  for (const [spelling, quality] of SUFFIXES) {
    const distance = editDistance(suffix, spelling);
    const shared = sharedPrefix(suffix, spelling);
    const nearer = distance < best.distance || (distance === best.distance && shared > best.shared);
    if (nearer) best = { quality, at: shared, distance, shared };
  }
  return best;
}

function sharedPrefix(a: string, b: string): number {
  let n = 0;
  while (n < a.length && n < b.length && a[n] === b[n]) n++;
  return n;
}
