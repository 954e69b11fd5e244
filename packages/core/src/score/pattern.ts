/**
 * Strumming and plucking patterns as text: `D - x u` strokes (capitals are accents, x a chop, m muted strings, ~ sounds
 * on, - lets the hand pass, . stops the strings) and `p i m a` plucks, fingers together written together (`pm`).
 */
import { fail, ok, type Result } from '../kernel/result';
import type { Pluck, Stroke, StrokePattern } from './piece';

const STROKES: Readonly<Record<string, Stroke>> = {
  D: 'down accent',
  d: 'down',
  U: 'up accent',
  u: 'up',
  x: 'chop',
  m: 'mute',
  '~': 'tie',
  '-': 'rest',
  '.': 'stop',
};
const LETTERS = Object.fromEntries(Object.entries(STROKES).map(([letter, stroke]) => [stroke, letter]));

const PATTERN_LIMITS = { steps: 64, perBeat: [1, 2, 3, 4], name: 24 } as const;

/** Problems carry the index in the text as their place. */
export function readPattern(
  kind: StrokePattern['kind'],
  name: string,
  perBeat: number,
  text: string,
): Result<StrokePattern> {
  if (!PATTERN_LIMITS.perBeat.some((one) => one === perBeat))
    return fail('pattern.per-beat', 0, '1, 2, 3 or 4 steps a beat');
  if (name.length > PATTERN_LIMITS.name)
    return fail('pattern.name', 0, `a name of at most ${PATTERN_LIMITS.name}`);
  const strokes: (Stroke | Pluck)[] = [];
  for (const match of text.matchAll(/\S+/g)) {
    const read =
      kind === 'strum' || match[0] === '-' || match[0] === '.' ? STROKES[match[0]] : pluckOf(match[0]);
    if (!read)
      return fail(
        'pattern.step',
        match.index,
        kind === 'strum' ? 'D d U u x m ~ . or -' : 'p, i, m, a, together like pm, . or -',
      );
    strokes.push(read);
  }
  if (strokes.length === 0 || strokes.length > PATTERN_LIMITS.steps)
    return fail('pattern.length', 0, `1 to ${PATTERN_LIMITS.steps} steps`);
  if (strokes.length % perBeat !== 0)
    return fail('pattern.beats', 0, `whole beats: a multiple of ${perBeat} steps`);
  return ok({ name, kind, perBeat, strokes });
}

const isFinger = (letter: string): letter is Pluck[number] => ['p', 'i', 'm', 'a'].includes(letter);

function pluckOf(text: string): Pluck | null {
  const fingers = [...text];
  return fingers.every(isFinger) && new Set(fingers).size === fingers.length ? fingers : null;
}

/** The steps as `readPattern` reads them. */
export const patternText = (pattern: StrokePattern): string =>
  pattern.strokes.map((stroke) => (typeof stroke === 'string' ? LETTERS[stroke] : stroke.join(''))).join(' ');
