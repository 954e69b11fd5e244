/**
 * The same drill in another key. What names a root or a key takes the new one; grips written out move along the neck
 * with their chords, which works for grips without open strings alone. Never a different grip: another grip would be
 * another drill.
 */
import type { Instrument } from '../fretboard/instrument';
import { fail, ok, type Result } from '../kernel/result';
import { readChart } from '../score/chart';
import { keyOn, readPieceKey } from '../score/piece';
import { rekeyPiece } from '../score/rekey-piece';
import { writeChart } from '../score/write-chart';
import { parseChord, transposeChord } from '../theory/chord';
import { mod12, noteText, pitchClassOf, readNote, rootNamed, type NoteName } from '../theory/note';
import { parseScale } from '../theory/scale';
import type { NamedGrip, PieceSectionRecipe, Recipe } from './recipe';

/** The root a recipe stands on; null for one that has none (warm up, root calls). */
export function rootOf(recipe: Recipe): NoteName | null {
  switch (recipe.family) {
    case 'warm up':
    case 'root call':
      return null;
    case 'string walk':
    case 'note reading': {
      const scale = parseScale(recipe.parameters.key);
      return scale.ok ? scale.value.tonic : null;
    }
    case 'formula':
    case 'ring check':
      return chordRoot(recipe.parameters.grip.chord);
    case 'change loop':
    case 'strum reading':
    case 'picking pattern':
      return chordRoot(recipe.parameters.grips[0]?.chord ?? '');
    case 'bass walk':
      return chordRoot(recipe.parameters.from);
    case 'piece section': {
      const key = readPieceKey(readChart(recipe.parameters.chart).piece.key);
      return key.ok ? key.value.tonic : null;
    }
    case 'family ladder':
    case 'five forms':
    case 'close triads':
      return readNote(recipe.parameters.root)?.note ?? null;
  }
}

function chordRoot(symbol: string): NoteName | null {
  const chord = parseChord(symbol);
  return chord.ok ? chord.value.root : null;
}

/**
 * The recipe on another root. Problems: `drill.keyless`, `drill.open-strings` (grips that cannot move),
 * `drill.past-neck` (they would leave it).
 */
export function rekey(recipe: Recipe, root: NoteName, instrument: Instrument): Result<Recipe> {
  const now = rootOf(recipe);
  if (!now) return fail('drill.keyless', recipe.family, 'a drill that stands in a key');
  const up = mod12(pitchClassOf(root) - pitchClassOf(now));
  switch (recipe.family) {
    case 'string walk':
    case 'note reading': {
      const scale = parseScale(recipe.parameters.key);
      const kind = scale.ok ? scale.value.kind : 'major';
      // The union keeps family and parameters together; only the key is another.
      return ok({
        ...recipe,
        parameters: { ...recipe.parameters, key: `${noteText(root)} ${kind}` },
      } as Recipe);
    }
    case 'formula':
    case 'ring check': {
      const moved = movedTogether([recipe.parameters.grip], up, instrument, root);
      return moved.ok
        ? ok({ ...recipe, parameters: { ...recipe.parameters, grip: moved.value[0] } } as Recipe)
        : moved;
    }
    case 'change loop': {
      const moved = movedTogether(recipe.parameters.grips, up, instrument, root);
      if (!moved.ok) return moved;
      const { progression } = recipe.parameters;
      return ok({
        ...recipe,
        parameters: {
          ...recipe.parameters,
          grips: moved.value,
          ...(progression ? { progression: { ...progression, key: movedKey(progression.key, up) } } : {}),
        },
      });
    }
    case 'strum reading':
    case 'picking pattern': {
      const moved = movedTogether(recipe.parameters.grips, up, instrument, root);
      return moved.ok
        ? ok({ ...recipe, parameters: { ...recipe.parameters, grips: moved.value } } as Recipe)
        : moved;
    }
    case 'bass walk': {
      const { from, to, key } = recipe.parameters;
      const other = parseChord(to);
      const first = parseChord(from);
      if (!first.ok) return first;
      if (!other.ok) return other;
      // The arriving root keeps its letter's distance in the new key.
      const scale = parseScale(movedKey(key, up, root, now));
      const pitchClass = mod12(pitchClassOf(other.value.root) + up);
      const named =
        (scale.ok && scale.value.notes.find((note) => pitchClassOf(note) === pitchClass)) ||
        rootNamed(pitchClass);
      return ok({
        ...recipe,
        parameters: {
          ...recipe.parameters,
          from: transposeChord(first.value, root).symbol,
          to: transposeChord(other.value, named).symbol,
          key: movedKey(key, up, root, now),
        },
      });
    }
    case 'piece section':
      return movedSection(recipe, up, root, instrument);
    case 'family ladder': {
      const { fret } = recipe.parameters;
      const next = { ...recipe.parameters, root: noteText(root) };
      return ok({
        ...recipe,
        parameters: fret === undefined ? next : { ...next, fret: ((fret + up - 1) % 12) + 1 },
      });
    }
    case 'five forms':
      return ok({ ...recipe, parameters: { ...recipe.parameters, root: noteText(root) } });
    case 'close triads': {
      const { progression } = recipe.parameters;
      return ok({
        ...recipe,
        parameters: {
          ...recipe.parameters,
          root: noteText(root),
          ...(progression ? { progression: { ...progression, key: movedKey(progression.key, up) } } : {}),
        },
      });
    }
    default:
      return fail('drill.keyless', recipe.family, 'a drill that stands in a key');
  }
}

/** Grips and chart together; the grips move along the neck and so must be without open strings. */
function movedSection(
  recipe: PieceSectionRecipe,
  up: number,
  root: NoteName,
  instrument: Instrument,
): Result<Recipe> {
  const { chart, grips } = recipe.parameters;
  const { piece } = readChart(chart);
  const mode = piece.key.endsWith('minor') ? 'minor' : 'major';
  const named = readPieceKey(`${noteText(root)} ${mode}`);
  const moved = rekeyPiece(piece, named.ok ? named.value.name : keyOn(pitchClassOf(root), mode).name);
  if (!moved.ok) return moved;
  const held = grips.flatMap((frets) => (frets ? [{ chord: 'C', frets }] : []));
  const along = movedTogether(held, up, { ...instrument, capo: piece.capo }, root);
  if (!along.ok) return along;
  let at = 0;
  return ok({
    ...recipe,
    parameters: {
      ...recipe.parameters,
      chart: writeChart(moved.value),
      grips: grips.map((frets) => (frets ? along.value[at++].frets : null)),
    },
  });
}

/** The key moved; one that stands on the root now takes the very name of the new one. */
function movedKey(key: string, up: number, root?: NoteName, now?: NoteName): string {
  const scale = parseScale(key);
  if (!scale.ok) return key;
  if (root && now && noteText(scale.value.tonic) === noteText(now))
    return `${noteText(root)} ${scale.value.kind}`;
  return `${noteText(rootNamed(pitchClassOf(scale.value.tonic) + up))} ${scale.value.kind}`;
}

/** Grips moved by the same number of frets, to the lowest place on the neck where they lie. */
function movedTogether(
  grips: readonly NamedGrip[],
  up: number,
  instrument: Instrument,
  root: NoteName,
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
    const to = i === 0 ? root : rootNamed(pitchClassOf(chord.value.root) + up);
    moved.push({
      chord: transposeChord(chord.value, to).symbol,
      frets: grip.frets.map((fret) => (fret === null ? null : fret + by)),
    });
  }
  return ok(moved);
}
