/** Heavy computation off the main thread: shapes of a chord, stand-ins, plucked strings as samples. */
import type { Chord } from '@finch/core/theory';
import type { Hand, Instrument } from '@finch/core/fretboard';
import {
  easierStandIns,
  findShapes,
  type GradedGrip,
  type ShapeLimits,
  type StandIn,
} from '@finch/core/shapes';
import { clickSamples, pluckSamples } from '@finch/core/sound';
import * as Comlink from 'comlink';

const work = {
  shapes: (chord: Chord, hand: Hand, instrument: Instrument, limits: Partial<ShapeLimits>): GradedGrip[] =>
    findShapes({ chord, hand, instrument, limits }),
  standIns: (grip: GradedGrip, chord: Chord, hand: Hand, instrument: Instrument): StandIn[] =>
    easierStandIns(grip, { chord, hand, instrument }),
  pluck: (frequencyHz: number, seconds: number, sampleRate: number, brightness: number): Float32Array => {
    const samples = pluckSamples({
      frequencyHz,
      seconds,
      sampleRate,
      brightness,
      seed: Math.round(frequencyHz * 100),
    });
    return Comlink.transfer(samples, [samples.buffer]);
  },
  click: (sampleRate: number, accent: boolean): Float32Array => clickSamples(sampleRate, accent),
};

export type BenchWork = typeof work;
Comlink.expose(work);
