/**
 * Rhythm is held in whole ticks, 10,080 to a beat (2⁵·3²·5·7), so that halves and sixteenths, triplets, quintuplets,
 * septuplets and what they make of each other are whole numbers, and a bar is full or it is not. A beat is the unit of
 * its time signature. In text a length is a whole number or an exact decimal (`1.5`), or a fraction (`1/3`).
 */

export const TICKS_A_BEAT = 10_080;

/** For a clock or a drawing; what is stored or compared stays in ticks. */
export const beatsOf = (ticks: number): number => ticks / TICKS_A_BEAT;

/** Ticks nearest to a number of beats, which may be a float off: 1/3 is 3,360. */
export const ticksOf = (beats: number): number => Math.round(beats * TICKS_A_BEAT);

/** Into how many equal parts a beat is divided before a length is written as a decimal. */
const DECIMAL_PARTS = 16;
const MOST_PARTS = 64;
/** Parts of a beat that are whole ticks, fewest first. */
const PARTS = Array.from({ length: MOST_PARTS }, (_, i) => i + 1).filter(
  (parts) => TICKS_A_BEAT % parts === 0,
);

/**
 * Ticks of a length above 0 as typed: `2`, `.5`, `1.25`, `1/3`, `4/7`. A decimal that is cut short, like `.3333`, is the
 * simplest fraction that begins so, 1/3. Null for anything else, and for what is not whole ticks, like 1/11.
 */
export function readTicks(text: string): number | null {
  const fraction = /^(\d{1,4})\/(\d{1,3})$/.exec(text);
  if (fraction) {
    const parts = Number(fraction[2]);
    const ticks = (Number(fraction[1]) * TICKS_A_BEAT) / parts;
    return ticks > 0 && Number.isInteger(ticks) ? ticks : null;
  }
  const decimal = /^(\d{0,4})(?:\.(\d{1,12}))?$/.exec(text);
  if (!decimal || text === '') return null;
  const digits = decimal[2]?.length ?? 0;
  const unit = 10 ** digits;
  // Counted in units of the last digit, so that 1.4 is 14 tenths and not a float.
  const units = Number(`${decimal[1]}${decimal[2] ?? ''}`);
  if (units === 0) return null;
  if ((units * TICKS_A_BEAT) % unit === 0) return (units * TICKS_A_BEAT) / unit;
  const parts = PARTS.find((one) => Math.abs(Math.round((units * one) / unit) * unit - units * one) < one);
  if (parts === undefined) return null;
  const ticks = (Math.round((units * parts) / unit) * TICKS_A_BEAT) / parts;
  return ticks > 0 ? ticks : null;
}

/** Nobody writes a beat in more equal parts than this. */
const PLAYED_PARTS = 24;

/** Ticks of the simplest fraction of a beat within so much of a place, in beats; null where none of 24 parts or fewer is. */
export function simplestNear(beats: number, within: number): number | null {
  const parts = PARTS.find(
    (one) => one <= PLAYED_PARTS && Math.abs(Math.round(beats * one) / one - beats) <= within,
  );
  return parts === undefined ? null : (Math.round(beats * parts) * TICKS_A_BEAT) / parts;
}

/** A length or a place as `readTicks` reads it: `2`, `1.5`, `4/3`; `0` for none. */
export function ticksText(ticks: number): string {
  if (Number.isInteger(beatsOf(ticks) * DECIMAL_PARTS)) return String(beatsOf(ticks));
  const shared = gcd(ticks, TICKS_A_BEAT);
  return `${ticks / shared}/${TICKS_A_BEAT / shared}`;
}

/** Beats as they are said to a reader: `4`, `2½`, `3 2/3`. */
export function beatsWords(ticks: number): string {
  const whole = Math.floor(beatsOf(ticks));
  const rest = ticks - whole * TICKS_A_BEAT;
  if (rest === 0) return String(whole);
  const shared = gcd(rest, TICKS_A_BEAT);
  return `${whole > 0 ? `${whole} ` : ''}${rest / shared}/${TICKS_A_BEAT / shared}`;
}

export const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
