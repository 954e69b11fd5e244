/**
 * A plucked string and a click as samples. The string is Karplus and Strong's (1983): a burst of noise goes
 * round a delay line one period long through an averaging filter, which damps high partials first, as a
 * string does. Our assumptions: thicker strings start darker and ring longer; every ringing string begins as loud; levels stay under full scale.
 */
import { seededRandom } from '../kernel/random';

export interface Pluck {
  readonly frequencyHz: number;
  readonly seconds: number;
  readonly sampleRate: number;
  /** 0 (finger, dark) to 1 (plectrum, bright). */
  readonly brightness: number;
  readonly seed: number;
  /** Where it is struck, as a share of the sounding length from the saddle: partials with a node there are missing. */
  readonly struckAt?: number;
  /** 0 rings freely, 1 is stopped by the hand at once. */
  readonly damping?: number;
}

/** How a string is struck: let ring, stopped right after (a chop), or with the fretting hand lying on it. */
export type Touch = 'ring' | 'chop' | 'mute';

export interface StruckString {
  readonly midiPitch: number;
  /** 1 for the thickest string of the instrument, 0 for the thinnest. */
  readonly lowness: number;
  readonly fret: number;
  readonly scaleLengthMm: number;
  readonly touch: Touch;
}

/** Assumed: the plectrum strikes here, mm from the saddle; wound strings are darker and ring longer. */
const STRUCK_MM = 140;
/** Root mean square of a ringing string over its first moments, of full scale, and the highest peak that may come of it. */
const RINGING = { rms: 0.1, seconds: 0.25, peak: 0.9 } as const;
const DAMPING: Readonly<Record<Touch, number>> = { ring: 0, chop: 0.35, mute: 0.8 };

/**
 * The pluck of one string at one fret: the same pitch sounds otherwise on another string, since the string is another
 * and the place it is struck another share of its length (partials missing at the striking point: Young 1800).
 */
export function pluckOf(struck: StruckString): Omit<Pluck, 'seconds' | 'sampleRate'> {
  const soundingMm = struck.scaleLengthMm * 2 ** (-struck.fret / 12);
  return {
    frequencyHz: pitchToHz(struck.midiPitch),
    brightness: struck.touch === 'mute' ? 0.25 : 0.72 - 0.34 * struck.lowness,
    struckAt: Math.min(0.5, STRUCK_MM / soundingMm),
    damping: DAMPING[struck.touch],
    seed: struck.midiPitch * 100 + Math.round(10 * struck.lowness),
  };
}

/** Equal temperament, A4 = MIDI 69 = 440 Hz (ISO 16). */
export function pitchToHz(midiPitch: number): number {
  return 440 * 2 ** ((midiPitch - 69) / 12);
}

/** Samples in (-1, 1). RangeError for a frequency the sample rate cannot hold. */
export function pluckSamples(pluck: Pluck): Float32Array {
  const { frequencyHz, seconds, sampleRate, brightness } = pluck;
  if (!(frequencyHz > 20 && frequencyHz < sampleRate / 4))
    throw new RangeError(`frequency ${frequencyHz} Hz out of range`);
  const random = seededRandom(pluck.seed);
  const period = sampleRate / frequencyHz - 0.5;
  const size = Math.floor(period);
  // A first-order all-pass makes up for the fraction of a sample (Jaffe and Smith 1983).
  const fraction = period - size;
  const tuning = (1 - fraction) / (1 + fraction);
  const line = new Float32Array(size);
  let smooth = 0;
  for (let i = 0; i < size; i++) {
    smooth += (0.25 + 0.7 * brightness) * (random.unit() * 2 - 1 - smooth);
    line[i] = smooth;
  }
  if (pluck.struckAt !== undefined) {
    const back = Math.max(1, Math.round(pluck.struckAt * size));
    const plain = line.slice();
    for (let i = 0; i < size; i++) line[i] = 0.5 * (plain[i] - plain[(i - back + size) % size]);
  }
  let mean = 0;
  for (const sample of line) mean += sample / size;
  for (let i = 0; i < size; i++) line[i] -= mean;
  const decay = 0.5 * 0.9985 ** (frequencyHz / 330) * (1 - 0.4 * (pluck.damping ?? 0));
  const out = new Float32Array(Math.floor(seconds * sampleRate));
  const release = Math.min(out.length, Math.floor(0.03 * sampleRate));
  let last = 0;
  let allPassIn = 0;
  let allPassOut = 0;
  for (let i = 0, at = 0; i < out.length; i++, at = at + 1 === size ? 0 : at + 1) {
    const sample = line[at];
    out[i] = sample * 0.6;
    const filtered = decay * (sample + last);
    last = sample;
    allPassOut = tuning * filtered + allPassIn - tuning * allPassOut;
    allPassIn = filtered;
    line[at] = allPassOut;
  }
  if (!pluck.damping) asLoud(out, Math.min(out.length, Math.floor(RINGING.seconds * sampleRate)));
  for (let i = 0; i < release; i++) out[out.length - 1 - i] *= i / release;
  return out;
}

/** Chance makes one burst louder than another, and high strings die sooner: every string begins as loud as the others. */
function asLoud(out: Float32Array, first: number): void {
  let energy = 0;
  let peak = 0;
  for (let i = 0; i < first; i++) {
    energy += (out[i] * out[i]) / first;
    peak = Math.max(peak, Math.abs(out[i]));
  }
  if (energy === 0) return;
  const level = Math.min(RINGING.rms / Math.sqrt(energy), RINGING.peak / peak);
  for (let i = 0; i < out.length; i++) out[i] *= level;
}

/** A short damped sine; higher and a little louder on the first beat of a bar. */
export function clickSamples(sampleRate: number, accent: boolean): Float32Array {
  const out = new Float32Array(Math.floor(0.05 * sampleRate));
  const hz = accent ? 1760 : 1320;
  for (let i = 0; i < out.length; i++) {
    const t = i / sampleRate;
    out[i] = (accent ? 0.5 : 0.35) * Math.sin(2 * Math.PI * hz * t) * Math.exp(-t * 90);
  }
  return out;
}
