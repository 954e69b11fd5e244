/**
 * Which fingers can hold a pattern, from its structure alone: millimetres come later. The pattern is relative
 * (lowest fretted fret = 1), so one answer serves every position and is kept.
 *
 * Rules: a higher finger is never on a lower fret; on one fret the lower finger is on the thicker string,
 * except one pair of neighbours swapped on neighbouring strings (A as 2-1-3); a barre presses strings of one
 * fret with no open, muted or lower-fretted string and no other finger of that fret inside; the longest
 * barre is every string for the index and 3, 4, 3 for the others; the thumb frets the thickest string only.
 */
export interface FingeringStructure {
  /**
   * Packed, four bits a place, read with `nibble`: patterns times fingerings run to hundreds of thousands and
   * are kept, so each is a handful of small integers. `assigned` is indexed by string (0 none, 1 to 4,
   * 5 thumb); the others by finger 1 to 5: relative fret, thickest and thinnest string index, and how many
   * strings it presses (0 unused).
   */
  readonly assigned: number;
  readonly fret: number;
  readonly low: number;
  readonly high: number;
  readonly pressed: number;
  /** Whether two neighbouring fingers of one fret stand the other way round. */
  readonly swapped: boolean;
}

/** Reads place `index` (0 to 7) of a packed field. */
export function nibble(packed: number, index: number): number {
  return (packed >>> (index * 4)) & 15;
}

function pack(cells: Int8Array): number {
  let packed = 0;
  for (let i = 0; i < cells.length; i++) packed |= cells[i] << (i * 4);
  return packed;
}

export const THUMB = 5;

/** The structure of fingers by string, as they are packed in `assigned`, whatever the rules say of it. */
export function assignedTo(assigned: number, pattern: Int8Array): FingeringStructure {
  const [fret, low, high, pressed] = [0, 1, 2, 3].map(() => new Int8Array(6));
  for (let s = 0; s < pattern.length; s++) {
    const finger = nibble(assigned, s);
    if (!finger) continue;
    if (!pressed[finger]) low[finger] = s;
    fret[finger] = pattern[s];
    high[finger] = s;
    pressed[finger]++;
  }
  const swapped = [1, 2, 3].some(
    (f) => pressed[f] && pressed[f + 1] && fret[f] === fret[f + 1] && low[f + 1] < low[f],
  );
  const [frets, lows, highs, count] = [fret, low, high, pressed].map(pack);
  return { assigned, fret: frets, low: lows, high: highs, pressed: count, swapped };
}

const MAX_PATTERNS = 12_000;
const cache = new Map<number, readonly FingeringStructure[]>();

/** Highest relative fret a pattern may hold; higher ones are out of any hand's reach. */
export const MAX_RELATIVE_FRET = 9;

/** Relative form of a grip: -1 muted, 0 open, 1 the lowest fretted fret. */
export function relativePattern(frets: readonly (number | null)[], into: Int8Array): number {
  let lowest = 99;
  for (const fret of frets) if (fret !== null && fret > 0 && fret < lowest) lowest = fret;
  for (let s = 0; s < frets.length; s++) {
    const fret = frets[s];
    into[s] = fret === null ? -1 : fret === 0 ? 0 : Math.min(MAX_RELATIVE_FRET + 1, fret - lowest + 1);
  }
  return lowest === 99 ? 0 : lowest;
}

/** A relative pattern as one number; patterns of different length never share one. */
export function relativeKey(pattern: Int8Array): number {
  let key = 1;
  for (let s = 0; s < pattern.length; s++) key = key * 12 + pattern[s] + 1;
  return key;
}

/** Fingerings differ with the thumb, so its school is part of their key; 12^9 keeps the two apart. */
const THUMB_KEYS = 12 ** 9;
const patternKey = (pattern: Int8Array, thumbOver: boolean): number =>
  relativeKey(pattern) + (thumbOver ? THUMB_KEYS : 0);

/** Every fingering of a relative pattern, in a fixed order. Empty when no hand can hold it. */
export function fingeringsOf(pattern: Int8Array, thumbOver: boolean): readonly FingeringStructure[] {
  const key = patternKey(pattern, thumbOver);
  const found = cache.get(key);
  if (found) return found;
  const made = enumerate(pattern, thumbOver);
  if (cache.size >= MAX_PATTERNS) cache.clear();
  cache.set(key, made);
  return made;
}

function enumerate(pattern: Int8Array, thumbOver: boolean): FingeringStructure[] {
  const strings = pattern.length;
  const longest = [0, strings, 3, 4, 3];
  const out: FingeringStructure[] = [];
  const assigned = new Int8Array(strings);
  const fret = new Int8Array(6);
  const low = new Int8Array(6);
  const high = new Int8Array(6);
  const pressed = new Int8Array(6);
  let swapHigh = 0;

  const canPlace = (finger: number, at: number, s: number): 'no' | 'yes' | 'swap' => {
    let verdict: 'yes' | 'swap' = 'yes';
    for (let other = 1; other <= 4; other++) {
      if (pressed[other] === 0) continue;
      if (other < finger && fret[other] > at) return 'no';
      if (other > finger && fret[other] < at) return 'no';
      if (other > finger && fret[other] === at) {
        const neighbours = other === finger + 1 && low[other] === s - 1 && pressed[other] === 1;
        if (!neighbours || swapHigh !== 0 || verdict === 'swap') return 'no';
        verdict = 'swap';
      }
    }
    return verdict;
  };
  const canExtend = (finger: number, at: number, s: number): boolean => {
    if (fret[finger] !== at || s - low[finger] + 1 > longest[finger]) return false;
    if (swapHigh !== 0 && (finger === swapHigh || finger === swapHigh - 1)) return false;
    for (let k = high[finger] + 1; k < s; k++) if (pattern[k] <= at) return false;
    return true;
  };
  const visit = (s: number): void => {
    if (s === strings) {
      out.push({
        assigned: pack(assigned),
        fret: pack(fret),
        low: pack(low),
        high: pack(high),
        pressed: pack(pressed),
        swapped: swapHigh !== 0,
      });
      return;
    }
    const at = pattern[s];
    if (at <= 0) {
      assigned[s] = 0;
      visit(s + 1);
      return;
    }
    for (let finger = 1; finger <= 4; finger++) {
      if (pressed[finger] > 0) {
        if (!canExtend(finger, at, s)) continue;
        const before = high[finger];
        high[finger] = s;
        pressed[finger]++;
        assigned[s] = finger;
        visit(s + 1);
        high[finger] = before;
        pressed[finger]--;
        continue;
      }
      const verdict = canPlace(finger, at, s);
      if (verdict === 'no') continue;
      if (verdict === 'swap') swapHigh = finger + 1;
      fret[finger] = at;
      low[finger] = high[finger] = s;
      pressed[finger] = 1;
      assigned[s] = finger;
      visit(s + 1);
      pressed[finger] = fret[finger] = low[finger] = high[finger] = 0;
      if (verdict === 'swap') swapHigh = 0;
    }
    if (thumbOver && s === 0) {
      fret[THUMB] = at;
      low[THUMB] = high[THUMB] = 0;
      pressed[THUMB] = 1;
      assigned[0] = THUMB;
      visit(1);
      pressed[THUMB] = fret[THUMB] = 0;
    }
    assigned[s] = 0;
  };
  visit(0);
  return out;
}
