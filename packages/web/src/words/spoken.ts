/** What a screen reader says: chords as they are spoken, grips so that they can be played from the words alone. */
import type { FingerLabel, Frets } from '@finch/core/grips';

/** What follows the root, longest first. */
const PARTS: readonly (readonly [RegExp, string])[] = [
  [/^mMaj(?=\d)/, 'minor major '],
  [/^maj(?=\d)/, 'major '],
  [/^maj/, 'major'],
  [/^dim/, 'diminished'],
  [/^aug/, 'augmented'],
  [/^sus/, 'suspended '],
  [/^add/, 'added '],
  [/^no/, 'without '],
  [/^alt/, 'altered'],
  [/^m/, 'minor'],
  [/^b(?=\d)/, 'flat '],
  [/^#(?=\d)/, 'sharp '],
  [/^\d+/, '$'],
];

const spokenNote = (letter: string, signs: string): string => {
  const one = signs[0] === '#' ? 'sharp' : 'flat';
  return [letter, ...(signs.length > 1 ? ['double'] : []), ...(signs ? [one] : [])].join(' ');
};

/** "A flat minor 6", "F diminished", "C 7 flat 9", "C over E"; what is no symbol is said as it stands. */
export function spokenChord(symbol: string): string {
  const [body, bass] = symbol.split('/');
  const root = /^([A-G])(b{1,2}|#{1,2})?/.exec(body);
  if (!root) return symbol;
  const words = [spokenNote(root[1], root[2] ?? '')];
  let rest = body.slice(root[0].length).replace(/[()\s]/g, '');
  while (rest) {
    const part = PARTS.find(([pattern]) => pattern.test(rest));
    const read = part?.[0].exec(rest)?.[0] ?? rest[0];
    words.push((part ? part[1].replace('$', read) : read).trim());
    rest = rest.slice(read.length);
  }
  const under = bass ? /^([A-G])(b{1,2}|#{1,2})?$/.exec(bass) : null;
  return `${words.join(' ')}${under ? ` over ${spokenNote(under[1], under[2] ?? '')}` : bass ? ` over ${bass}` : ''}`;
}

const FINGERS: Readonly<Record<string, string>> = {
  1: 'index finger',
  2: 'middle finger',
  3: 'ring finger',
  4: 'little finger',
  T: 'thumb',
};

/**
 * A grip string by string, the thickest first: "string 6 silent, string 5 fret 3 ring finger, ..., string 1 open"; a finger
 * that lies over several strings is said once, before them.
 */
export function spokenGrip(frets: Frets, fingers: readonly FingerLabel[] = []): string {
  const numberOf = (i: number) => frets.length - i;
  const barres = Object.keys(FINGERS).flatMap((finger) => {
    const held = frets.flatMap((fret, i) => (String(fingers[i] ?? '') === finger && fret ? [i] : []));
    if (held.length < 2) return [];
    const last = held[held.length - 1];
    return [
      `barre at fret ${frets[held[0]]}, ${FINGERS[finger]}, strings ${numberOf(held[0])} to ${numberOf(last)}`,
    ];
  });
  const strings = frets.map((fret, i) => {
    const name = `string ${numberOf(i)}`;
    if (fret === null) return `${name} silent`;
    if (fret === 0) return `${name} open`;
    const finger = FINGERS[String(fingers[i] ?? '')];
    return `${name} fret ${fret}${finger ? ` ${finger}` : ''}`;
  });
  return [...barres, ...strings].join(', ');
}
