/** Keys of one kind after one another, each a fifth up the circle. */
import { ok, type Result } from '../kernel/result';
import { noteAtDegree } from '../theory/degree';
import { makeKey, type Key } from '../theory/key';
import { noteText } from '../theory/note';

/** So many keys from one on; past seven sharps the round goes on from the flat twin. Problems: those of the first key. */
export function keysAround(name: string, count: number): Result<Key[]> {
  const first = makeKey(name);
  if (!first.ok) return first;
  const keys = [first.value];
  while (keys.length < count) {
    const { tonic, kind } = keys[keys.length - 1];
    const next = makeKey(`${noteText(noteAtDegree(tonic, '5'))} ${kind}`);
    const on = next.ok ? next : makeKey(next.problem.detail);
    if (!on.ok) return on;
    keys.push(on.value);
  }
  return ok(keys);
}
