/** Where things lie on a drawn neck: true fret spacing L (1 - 2^(-n/12)) everywhere, even in thumbnails. */
import { fretPositionMm } from '../fretboard/geometry';
import type { Frets } from './grip';

/** Dots sit at 70 % of the fret space, near the wire, where a finger presses. */
const DOT_AT = 0.7;

export interface FretWindow {
  /** The wire the window begins at; 0 is the nut. */
  readonly from: number;
  readonly to: number;
}

/** The frets to draw for grips: from the nut when they fit under fret 4, else from the wire below the lowest. */
export function windowOf(all: readonly Frets[], least = 4): FretWindow {
  const fretted = all.flat().filter((fret): fret is number => fret !== null && fret > 0);
  const high = fretted.length ? Math.max(...fretted) : least;
  const low = fretted.length ? Math.min(...fretted) : 1;
  if (high <= least) return { from: 0, to: Math.max(least, high) };
  const from = low - 1 > 0 ? low - 2 : 0;
  const start = Math.max(0, high - from > least ? low - 1 : from);
  return { from: start, to: Math.max(high, start + least) };
}

/** Place of a wire inside a window, 0 to 1. */
export function wireAt(window: FretWindow, fret: number): number {
  const at = (n: number) => fretPositionMm(1000, n);
  return (at(fret) - at(window.from)) / (at(window.to) - at(window.from));
}

/** Place of a finger in the space below a wire, 0 to 1. */
export function dotAt(window: FretWindow, fret: number): number {
  const near = wireAt(window, fret - 1);
  return near + DOT_AT * (wireAt(window, fret) - near);
}

export const MARKED_FRETS: ReadonlySet<number> = new Set([3, 5, 7, 9, 12, 15, 17, 19, 21, 24]);

/** A circle drawn out to a point at 1.52 r: the root. Direction up (vertical cards) or toward the nut at the left. */
export function beakPath(x: number, y: number, r: number, towards: 'up' | 'left' | 'right'): string {
  const tip = 1.52 * r;
  const angle = Math.acos(1 / 1.52);
  const [sin, cos] = [Math.sin(angle) * r, Math.cos(angle) * r];
  if (towards === 'up')
    return `M${x} ${y - tip}L${x + sin} ${y - cos}A${r} ${r} 0 1 1 ${x - sin} ${y - cos}Z`;
  const d = towards === 'left' ? -1 : 1;
  return `M${x + d * tip} ${y}L${x + d * cos} ${y - sin}A${r} ${r} 0 1 ${d < 0 ? 1 : 0} ${x + d * cos} ${y + sin}Z`;
}
