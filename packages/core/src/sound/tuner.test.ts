/** The tuner against tones whose pitch is known: sines, tones with partials, plucked strings; and what is no tone. */
import { standardGuitar } from '../fretboard';
import { seededRandom } from '../kernel';
import { pitchToHz, pluckSamples } from './pluck';
import { centsOff, stringHeard, toneOf, TUNER_SAMPLES } from './tuner';

const RATE = 48_000;
/** Partials of one tone, each half as loud as the one before. */
const tone = (hz: number, partials: number, rate = RATE, loud = 0.3) =>
  Float32Array.from({ length: TUNER_SAMPLES }, (_, i) => {
    let sum = 0;
    for (let n = 1; n <= partials; n++) sum += (loud / n) * Math.sin((2 * Math.PI * hz * n * i) / rate + n);
    return sum;
  });
const heard = (samples: Float32Array, rate = RATE) => {
  const found = toneOf(samples, rate);
  if (!found) throw new Error('nothing heard');
  return found.hz;
};

test('a clean tone is told within a cent: every open string, in tune and off, at both usual rates', () => {
  for (const pitch of standardGuitar.openPitches)
    for (const off of [-49, -20, -1, 0, 3, 35])
      for (const [partials, rate] of [
        [1, 48_000],
        [5, 48_000],
        [3, 44_100],
      ]) {
        const hz = pitchToHz(pitch) * 2 ** (off / 1200);
        const error = Math.abs(centsOff(heard(tone(hz, partials, rate), rate), hz));
        expect([pitch, off, partials, error < 1]).toEqual([pitch, off, partials, true]);
      }
});

test('a plucked string is told within three cents once the stroke is over', () => {
  for (const pitch of standardGuitar.openPitches) {
    const hz = pitchToHz(pitch);
    const samples = pluckSamples({
      frequencyHz: hz,
      seconds: 1,
      sampleRate: RATE,
      brightness: 0.5,
      seed: pitch,
    });
    const error = Math.abs(centsOff(heard(samples.slice(12_000, 12_000 + TUNER_SAMPLES)), hz));
    expect([pitch, error < 3]).toEqual([pitch, true]);
  }
});

test('silence and noise are no tone, two strings at once are no string', () => {
  const random = seededRandom(4);
  expect(toneOf(new Float32Array(TUNER_SAMPLES), RATE)).toBeNull();
  expect(toneOf(tone(110, 1, RATE, 0.004), RATE)).toBeNull();
  expect(toneOf(tone(110, 1, RATE, 0.008), RATE)).not.toBeNull();
  expect(
    toneOf(
      Float32Array.from({ length: TUNER_SAMPLES }, () => random.unit() - 0.5),
      RATE,
    ),
  ).toBeNull();
  // Two tones have a period too, far below the strings; that of B and E is the lowest E's, so that one string is plucked at a time.
  for (const [i, pitch] of standardGuitar.openPitches.slice(1, 5).entries()) {
    const [low, high] = [standardGuitar.openPitches[i], pitch].map((one) => tone(pitchToHz(one), 1));
    const both = toneOf(
      low.map((one, at) => one + high[at]),
      RATE,
    );
    expect([i, both && stringHeard(both.hz, standardGuitar)]).toEqual([i, null]);
  }
});

test('the string that is meant, and how far it is off', () => {
  const at = (hz: number, instrument = standardGuitar) => stringHeard(hz, instrument);
  expect(at(110)).toEqual({ stringIndex: 1, cents: 0 });
  expect(at(82.4069 * 2 ** (30 / 1200))?.stringIndex).toBe(0);
  expect(at(82.4069 * 2 ** (30 / 1200))?.cents).toBeCloseTo(30, 2);
  // Beyond the outer strings by more than three half steps none is meant.
  expect(at(329.628 * 2 ** (2.9 / 12))?.stringIndex).toBe(5);
  expect(at(329.628 * 2 ** (3.1 / 12))).toBeNull();
  expect(at(40)).toBeNull();
  // Behind a capo at fret 2 the fifth string sounds B.
  expect(at(pitchToHz(47), { ...standardGuitar, capo: 2 })).toEqual({ stringIndex: 1, cents: 0 });
  expect(at(pitchToHz(38), { ...standardGuitar, openPitches: [38, 45, 50, 55, 59, 64] })?.cents).toBe(0);
});
