/** Reads the name of a scale. */
import { fail, ok, type Result } from '../kernel/result';
import { makeKey } from './key';
import { noteText, readNote } from './note';
import { kindNamed, parentOf, scaleKinds, scaleOn, type Scale } from './scale';

/**
 * Reads `D dorian`, `Bb`, `F# harmonic minor`. Problems: `scale.tonic`, `scale.kind` (detail: a kind near it),
 * `scale.signature` where its key would need more than seven signs (detail: the twin). Scales that are no mode of a key
 * are spelled on any tonic.
 */
export function parseScale(text: string): Result<Scale> {
  const typed = text.trim().replaceAll('♭', 'b').replaceAll('♯', '#');
  const read = readNote(typed);
  if (!read) return fail('scale.tonic', 0, 'C major');
  const rest = typed.slice(read.length);
  const kind = kindNamed(rest);
  if (kind === null) {
    const begun = rest.trim().toLowerCase().slice(0, 3);
    const near = scaleKinds.find((one) => one.startsWith(begun)) ?? 'major';
    return fail('scale.kind', read.length, `${noteText(read.note)} ${near}`);
  }
  const key = parentOf(read.note, kind) ? makeKey(typed) : null;
  if (key && !key.ok) return fail('scale.signature', 0, key.problem.detail);
  return ok(scaleOn(read.note, kind));
}
