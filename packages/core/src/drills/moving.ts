/**
 * A drill in another key. What names a root or a key takes the new one; grips written out move along the neck with their
 * chords, which works for grips without open strings alone. Never a different grip: another grip would be another drill.
 */
import { fail, ok, type Result } from '../kernel/result';
import { parseChord, transposeChord } from '../theory/chord';
import { noteAtDegree } from '../theory/degree';
import { degreeOver } from '../theory/figure';
import { noteText, pitchClassOf, readNote, rootNamed, type NoteName } from '../theory/note';
import { parseScale } from '../theory/read-scale';
import type { Move } from './family';
import type { NamedGrip } from './parameters';

export function chordRoot(symbol: string): NoteName | null {
  const chord = parseChord(symbol);
  return chord.ok ? chord.value.root : null;
}
/** The root of a grip's chord as it is written; C where the symbol cannot be read. */
export function rootText(grip: NamedGrip): string {
  const root = chordRoot(grip.chord);
  return root ? noteText(root) : 'C';
}
export function keyRoot(key: string): NoteName | null {
  const scale = parseScale(key);
  return scale.ok ? scale.value.tonic : null;
}
export const namedRoot = (root: string): NoteName | null => readNote(root)?.note ?? null;

/** As far from the new root as it was from the old one: by the same letters where anybody writes those, else by its sound. */
export function movedRoot(root: NoteName, { from, to }: Pick<Move, 'from' | 'to'>): NoteName {
  const there = noteAtDegree(to, degreeOver(from, root));
  return Math.abs(there.accidental) < 2
    ? there
    : rootNamed(pitchClassOf(root) + pitchClassOf(to) - pitchClassOf(from));
}

/** A scale of the same kind on the root moved to; major where it could not be read. */
export function keyOnRoot(key: string, { to }: Move): string {
  const scale = parseScale(key);
  return named(to, scale.ok ? scale.value.kind : 'major');
}

/** A scale by its root and kind, or its twin by sound where that root would need more than seven signs. */
function named(root: NoteName, kind: string): string {
  const name = `${noteText(root)} ${kind}`;
  const read = parseScale(name);
  return !read.ok && read.problem.code === 'scale.signature' ? read.problem.detail : name;
}

/** The key moved; one that stands on the root now takes the very name of the new one. */
export function movedKey(key: string, up: number, root?: NoteName, now?: NoteName): string {
  const scale = parseScale(key);
  if (!scale.ok) return key;
  if (root && now && noteText(scale.value.tonic) === noteText(now)) return named(root, scale.value.kind);
  return named(rootNamed(pitchClassOf(scale.value.tonic) + up), scale.value.kind);
}

interface InKey {
  readonly key: string;
  readonly numerals: readonly string[];
}
/** A progression by number in the key moved to; nothing stays nothing. */
export const movedProgression = (
  progression: InKey | undefined,
  { up }: Move,
): { readonly progression?: InKey } =>
  progression ? { progression: { ...progression, key: movedKey(progression.key, up) } } : {};

/**
 * Grips moved by the same number of frets, to the lowest place on the neck where they lie. Problems: `drill.open-strings`
 * (grips that cannot move), `drill.past-neck` (they would leave it), those of the chords.
 */
export function movedTogether(
  grips: readonly NamedGrip[],
  { up, to, from, instrument }: Move,
): Result<NamedGrip[]> {
  const frets = grips.flatMap((grip) => grip.frets.filter((fret): fret is number => fret !== null));
  if (up !== 0 && frets.includes(0))
    return fail('drill.open-strings', 'grips', 'grips without open strings, which move along the neck');
  const highest = instrument.frets - instrument.capo;
  const [lowest, top] = [Math.min(...frets), Math.max(...frets)];
  const by = [up - 12, up].find((one) => lowest + one >= (one === 0 ? 0 : 1) && top + one <= highest);
  if (by === undefined) return fail('drill.past-neck', 'grips', 'a key in which they stay on the neck');
  const moved: NamedGrip[] = [];
  for (const [i, grip] of grips.entries()) {
    const chord = parseChord(grip.chord);
    if (!chord.ok) return chord;
    const root = i === 0 ? to : movedRoot(chord.value.root, { from, to });
    moved.push({
      chord: transposeChord(chord.value, root).symbol,
      frets: grip.frets.map((fret) => (fret === null ? null : fret + by)),
    });
  }
  return ok(moved);
}

/** Chords typed after one another, each moved; a word that is no chord stays as it is. */
export const movedChords = (chords: string, move: Pick<Move, 'to' | 'from'>): string =>
  chords
    .split(/([\s|,]+)/)
    .map((word) => {
      const read = parseChord(word);
      if (!read.ok || read.value.tones.length === 0) return word;
      return transposeChord(read.value, movedRoot(read.value.root, move)).symbol;
    })
    .join('');
