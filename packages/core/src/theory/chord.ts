/**
 * A chord: root, quality, its tones in formula order with exact spelling, and a bass when a slash names one.
 * Which tones must sound follows common teaching and is said at `isRequired`.
 */
import { editDistance } from '../kernel/edit-distance';
import { fail, ok, type Result } from '../kernel/result';
import { degreeParts, noteAtDegree, type Degree } from './degree';
import { LETTERS, mod12, noteText, pitchClassOf, readNote, spelledSimply, type NoteName } from './note';
import { namedQuality, QUALITIES, type Quality } from './qualities';
import { readSuffix } from './read-suffix';

export interface ChordTone {
  readonly degree: Degree;
  readonly note: NoteName;
  readonly pitchClass: number;
  readonly required: boolean;
  /** Belongs to the chord and is mostly left out: the third of an 11, a natural 11 over a major third. */
  readonly seldom?: true;
  /** What the formula spells and nobody writes (three signs), where `note` is written for it: `Ebbb`. */
  readonly exactly?: string;
}

export interface Chord {
  /** Canonical ASCII symbol, e.g. `Abmaj7`, `C/E`. */
  readonly symbol: string;
  readonly root: NoteName;
  /** Id of a named quality, or the suffix of one without a name; `none` where no chord is played. */
  readonly quality: string;
  readonly tones: readonly ChordTone[];
  /** Present when a slash names the lowest note; it may lie outside the tones. */
  readonly bass?: NoteName;
}

export interface ParseOptions {
  /** `german` reads H as B and B as Bb. Default `english`, in which H is asked about. */
  readonly noteNames?: 'english' | 'german';
}

/** Longest symbol read; real ones stay far below, and no reading of one writes a longer one. */
const MAX_SYMBOL_LENGTH = 40;
const LONGEST_LOOKED_AT = 100;
const LONGEST_SUFFIX = 14;

/** "N.C.": nothing is played. It has no tones; its root says nothing. */
export const noChord: Chord = {
  symbol: 'N.C.',
  root: { letter: 'C', accidental: 0 },
  quality: 'none',
  tones: [],
};

/** Makes a chord from its parts; `quality` is an id of `QUALITIES` or a readable suffix (RangeError otherwise). */
export function makeChord(root: NoteName, quality: string, bass?: NoteName): Chord {
  if (quality === noChord.quality) return noChord;
  const named = namedQuality(quality);
  if (named) return built(root, named, bass);
  const read = readSuffix(quality);
  if (!read.ok) throw new RangeError(`no such chord quality: ${quality}`);
  return built(root, read.quality, bass);
}

function built(root: NoteName, { id, suffix, formula }: Quality, bass?: NoteName): Chord {
  const tones = formula.map((degree): ChordTone => {
    const exact = noteAtDegree(root, degree);
    const note = spelledSimply(exact);
    const tone = {
      degree,
      note,
      pitchClass: pitchClassOf(note),
      required: isRequired(degree, formula),
      ...(note === exact ? {} : { exactly: noteText(exact) }),
    };
    return isSeldom(degree, formula) ? { ...tone, seldom: true } : tone;
  });
  const symbol = noteText(root) + suffix + (bass ? `/${noteText(bass)}` : '');
  return bass ? { symbol, root, quality: id, tones, bass } : { symbol, root, quality: id, tones };
}

/**
 * Root, third or sus tone, sixth or seventh, altered fifth and the highest tension must sound. The perfect
 * fifth may go from four tones on, the 9 under an 11 or 13, the 11 under a 13, the third of an 11 (not of m11).
 */
function isRequired(degree: Degree, formula: readonly Degree[]): boolean {
  if (degree === '5') return formula.length < 4;
  const highest = degreeParts(formula[formula.length - 1]).number;
  if (degree === '9') return highest <= 9;
  if (degree === '11') return highest <= 11;
  return !isSeldom(degree, formula);
}

function isSeldom(degree: Degree, formula: readonly Degree[]): boolean {
  if (!formula.includes('3') || !formula.includes('11')) return false;
  const highest = degreeParts(formula[formula.length - 1]).number;
  const stacked = formula.includes('b7') || formula.includes('7');
  return stacked && (highest === 11 ? degree === '3' : degree === '11');
}

/**
 * Reads a chord symbol. Problems: `chord.empty`, `chord.too-long`, `chord.german-h` (detail: the reading when
 * H means B), `chord.root`, `chord.quality` and `chord.bass`; `at` is the character index of what could not
 * be read and `detail` the nearest symbol that can be.
 */
export function parseChord(symbol: string, options: ParseOptions = {}): Result<Chord> {
  const { text, places } = toAscii(symbol.slice(0, LONGEST_LOOKED_AT));
  if (text === '') return fail('chord.empty', 0, 'C');
  if (text.length > MAX_SYMBOL_LENGTH)
    return fail('chord.too-long', MAX_SYMBOL_LENGTH, readNote(text) ? text.slice(0, 1).toUpperCase() : 'C');
  if (/^(?:n\.?c\.?|nochord)$/i.test(text)) return ok(noChord);
  const german = options.noteNames === 'german';
  const placed = (at: number) => places[at] ?? symbol.trimEnd().length;
  if (/^[Hh]/.test(text) && !german) {
    const asB = parseChord(`B${text.slice(1)}`);
    return fail('chord.german-h', placed(0), asB.ok ? `B${text.slice(1)}` : asB.problem.detail);
  }
  const root = readRoot(text, german);
  if (!root) return fail('chord.root', placed(0), nearestRoot(text));

  const slash = /\/([A-Ha-h](?:##|bb|[#bx])?)$/.exec(text);
  const suffix = text.slice(root.length, slash ? slash.index : undefined);
  const read = readSuffix(suffix);
  if (!read.ok)
    return fail(
      'chord.quality',
      placed(root.length + read.at),
      noteText(root.note) + nearestQuality(suffix).suffix,
    );
  if (!slash) return ok(built(root.note, read.quality));
  const bass = readRoot(slash[1], german);
  if (!bass || bass.length !== slash[1].length) {
    const name = noteText(root.note);
    return fail('chord.bass', placed(slash.index + 1), `${name}${read.quality.suffix}/${name}`);
  }
  const sameAsRoot = pitchClassOf(bass.note) === pitchClassOf(root.note);
  return ok(built(root.note, read.quality, sameAsRoot ? undefined : bass.note));
}

/** The chord's notes in formula order, ASCII: B major with a #5 is `['B', 'D#', 'F##']`. */
export function chordNotes(chord: Chord): string[] {
  return chord.tones.map((tone) => noteText(tone.note));
}

/** Chord on another root with everything else kept. */
export function transposeChord(chord: Chord, root: NoteName): Chord {
  return makeChord(root, chord.quality, chord.bass && moved(chord.bass, chord.root, root));
}

/** The note that lies above `to` as `note` lies above `from`, letter and accidental. */
function moved(note: NoteName, from: NoteName, to: NoteName): NoteName {
  const steps = LETTERS.indexOf(note.letter) - LETTERS.indexOf(from.letter);
  const letter = LETTERS[(LETTERS.indexOf(to.letter) + steps + 14) % 7];
  const wanted = pitchClassOf(to) + pitchClassOf(note) - pitchClassOf(from);
  const natural = pitchClassOf({ letter, accidental: 0 });
  return spelledSimply({ letter, accidental: mod12(wanted - natural + 6) - 6 });
}

/** Degree of a pitch class in a chord, or null when it is no chord tone. */
export function degreeOfPitchClass(chord: Chord, pitchClass: number): Degree | null {
  return chord.tones.find((tone) => tone.pitchClass === pitchClass)?.degree ?? null;
}

/** Whether a degree is a third or stands in its place (2 and 4 in sus chords). */
export function isThirdLike(degree: Degree): boolean {
  return [2, 3, 4].includes(degreeParts(degree).number);
}

const SIGNS: Readonly<Record<string, string>> = {
  '♭': 'b',
  '♯': '#',
  '𝄫': 'bb',
  '𝄪': '##',
  '♮': '',
  '−': '-',
  '–': '-',
  '△': 'Δ',
  '∆': 'Δ',
  '＋': '+',
};

/** True signs as ASCII, spaces out; `places[i]` is where character i of the text stood in the symbol. */
function toAscii(symbol: string): { readonly text: string; readonly places: readonly number[] } {
  let text = '';
  const places: number[] = [];
  let at = 0;
  for (const sign of symbol) {
    const plain = /\s/.test(sign) ? '' : (SIGNS[sign] ?? sign);
    text += plain;
    for (let i = 0; i < plain.length; i++) places.push(at);
    at += sign.length;
  }
  return { text, places };
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
  const rest = readSuffix(text.slice(1));
  return rest.ok ? `C${rest.quality.suffix}` : 'C';
}

/** Ways people write the qualities that are asked for most, besides the canonical suffix. */
const TYPED: readonly (readonly [string, string])[] = [
  ['maj', 'major'],
  ['min', 'minor'],
  ['-7', 'minor7'],
  ['min7', 'minor7'],
  ['M7', 'major7'],
  ['sus', 'sus4'],
  ['6/9', 'six-nine'],
];

/** The named quality whose spelling is least far from the suffix. */
function nearestQuality(typed: string): Quality {
  // No suffix people write is longer; what stands behind would only cost time.
  const suffix = typed.slice(0, LONGEST_SUFFIX);
  let best = QUALITIES[0];
  let least = Number.POSITIVE_INFINITY;
  const consider = (spelling: string, quality: Quality) => {
    // The distance is never less than the difference in length.
    if (Math.abs(spelling.length - suffix.length) - 1 > least) return;
    const distance = editDistance(suffix, spelling) - sharedPrefix(suffix, spelling) / 100;
    if (distance < least) [best, least] = [quality, distance];
  };
  for (const quality of QUALITIES) consider(quality.suffix, quality);
  for (const [spelling, id] of TYPED) consider(spelling, namedQuality(id) ?? QUALITIES[0]);
  return best;
}

function sharedPrefix(a: string, b: string): number {
  let n = 0;
  while (n < a.length && n < b.length && a[n] === b[n]) n++;
  return n;
}
