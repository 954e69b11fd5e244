/** A schedule as one stretch of samples: what the player does with an audio clock, done at once, for a file. */
import type { Instrument } from '../fretboard/instrument';
import { clickSamples, pluckOf, pluckSamples } from './pluck';
import type { PluckSound, Sound } from './schedule';

/** How a string dies when the next stroke takes it: by this share in each of those seconds, and how long that is given. */
const RELEASE_SECONDS = 0.06;
const TAIL_SECONDS = 0.4;
const RINGS_SECONDS = 2.2;
const STOPPED_SECONDS = 0.25;
/** The loudest moment of it, of full scale. */
const PEAK = 0.89;

export interface MixOptions {
  readonly instrument: Instrument;
  readonly sampleRate: number;
  /** Without the click, but for the count-in. */
  readonly noClick?: boolean;
}

/** Samples in (-1, 1), one channel, from the first sound to the last one's end; none for no sounds. */
export function mixSounds(sounds: readonly Sound[], options: MixOptions): Float32Array {
  const { instrument, sampleRate, noClick } = options;
  const heard = sounds.filter((one) => one.kind === 'pluck' || !noClick || one.beat < 0);
  const end = heard.reduce(
    (last, one) => Math.max(last, one.atSeconds + (one.kind === 'pluck' ? one.seconds + TAIL_SECONDS : 0.3)),
    0,
  );
  const out = new Float32Array(Math.ceil(end * sampleRate));
  const strings = instrument.openPitches.length;
  const known = new Map<string, Float32Array>();
  const made = (key: string, make: () => Float32Array) => {
    const samples = known.get(key) ?? make();
    known.set(key, samples);
    return samples;
  };
  const plucked = (one: PluckSound) =>
    made(`${one.midiPitch} ${one.stringIndex} ${one.fret} ${one.touch}`, () =>
      pluckSamples({
        ...pluckOf({
          midiPitch: one.midiPitch,
          lowness: 1 - one.stringIndex / Math.max(1, strings - 1),
          fret: one.fret,
          scaleLengthMm: instrument.scaleLengthMm,
          touch: one.touch,
        }),
        seconds: one.touch === 'ring' ? RINGS_SECONDS : STOPPED_SECONDS,
        sampleRate,
      }),
    );
  for (const one of heard) {
    const from = Math.round(one.atSeconds * sampleRate);
    if (one.kind === 'click') {
      const click = made(`click ${one.accent}`, () => clickSamples(sampleRate, one.accent));
      for (let i = 0; i < click.length && from + i < out.length; i++) out[from + i] += click[i];
      continue;
    }
    const samples = plucked(one);
    const rings = Math.round(one.seconds * sampleRate);
    const stops = Math.min(samples.length, rings + Math.round(TAIL_SECONDS * sampleRate));
    for (let i = 0; i < stops && from + i < out.length; i++) {
      const dying = i < rings ? 1 : Math.exp(-(i - rings) / (RELEASE_SECONDS * sampleRate));
      out[from + i] += samples[i] * one.level * dying;
    }
  }
  const peak = out.reduce((most, one) => Math.max(most, Math.abs(one)), 0);
  if (peak > 0) for (let i = 0; i < out.length; i++) out[i] *= PEAK / peak;
  return out;
}
