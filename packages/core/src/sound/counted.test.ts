/** Counting aloud is heard as such: four short even sounds and a rest, in a quiet and a noisy room; strums, ticks and talk are not. */
import fc from 'fast-check';
import { seededRandom } from '../kernel/random';
import { levelsOf, makeCountListener } from './counted';
import { pitchToHz, pluckSamples } from './pluck';

/** Loudness every 10 ms of sounds at instants, in seconds. */
const room = (
  sounds: readonly { at: number; loud?: number; lasts?: number }[],
  seconds: number,
  background = 0.002,
): number[] =>
  Array.from({ length: seconds * 100 }, (_, i) => {
    const now = i / 100;
    const heard = sounds.map(({ at, loud = 0.2, lasts = 0.07 }) =>
      now < at ? 0 : loud * Math.exp(-(now - at) / lasts),
    );
    return Math.hypot(background, ...heard);
  });
/** Instants at which a count was heard, in seconds. */
const counts = (levels: readonly number[]): number[] => {
  const listener = makeCountListener();
  return levels.flatMap((level, i) => (listener.hear(level) ? [i / 100] : []));
};
const beats = (every: number, many = 4, from = 1) =>
  Array.from({ length: many }, (_, i) => ({ at: from + i * every }));

test('four and a rest are a count, once, said when the rest is over', () => {
  const heard = counts(room(beats(0.6), 8));
  expect(heard).toHaveLength(1);
  expect(heard[0]).toBeGreaterThan(2.8 + 1.4 * 0.6 - 0.05);
  expect(heard[0]).toBeLessThan(2.8 + 1.4 * 0.6 + 0.1);
});

test('at any tempo of a count, somewhat uneven, in a louder room', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.35, max: 1, noNaN: true }),
      fc.array(fc.double({ min: -0.06, max: 0.06, noNaN: true }), { minLength: 4, maxLength: 4 }),
      fc.constantFrom(0.0005, 0.004, 0.02),
      (every, off, background) => {
        const said = beats(every).map(({ at }, i) => ({ at: at + off[i] * every, loud: 0.3 }));
        expect(counts(room(said, 12, background))).toHaveLength(1);
      },
    ),
    { numRuns: 60 },
  );
});

test('three, five, six and a ticking that goes on are no count', () => {
  for (const many of [3, 5, 6, 12]) expect(counts(room(beats(0.6, many), 14))).toEqual([]);
});

test('uneven sounds, too quick or too slow ones, and a murmur in the room are no count', () => {
  expect(
    counts(
      room(
        [1, 1.5, 2.4, 2.8].map((at) => ({ at })),
        8,
      ),
    ),
  ).toEqual([]);
  expect(counts(room(beats(0.2), 8))).toEqual([]);
  expect(counts(room(beats(1.6), 14))).toEqual([]);
  expect(
    counts(
      room(
        beats(0.6).map((one) => ({ ...one, loud: 0.008 })),
        8,
      ),
    ),
  ).toEqual([]);
  expect(
    counts(
      room(
        beats(0.6).map((one) => ({ ...one, loud: 0.06 })),
        8,
        0.02,
      ),
    ),
  ).toEqual([]);
});

test('a second syllable is the same count; what rings on is none', () => {
  const twice = beats(0.7).flatMap(({ at }) => [{ at }, { at: at + 0.2 }]);
  expect(counts(room(twice, 9))).toHaveLength(1);
  expect(
    counts(
      room(
        beats(0.7).map((one) => ({ ...one, lasts: 0.6 })),
        9,
      ),
    ),
  ).toEqual([]);
});

test('four strums of a guitar are no count, four knocks are', () => {
  const RATE = 48_000;
  const strum = [40, 47, 52, 56].map((pitch, i) =>
    pluckSamples({
      frequencyHz: pitchToHz(pitch),
      seconds: 4,
      sampleRate: RATE,
      brightness: 0.5,
      seed: i + 1,
    }),
  );
  const random = seededRandom(1);
  const heard = (sound: (seconds: number) => number) => {
    const all = new Float32Array(8 * RATE);
    for (let beat = 0; beat < 4; beat++)
      for (let i = Math.round((1 + beat * 0.6) * RATE), s = 0; i < all.length && s < 4 * RATE; i++, s++)
        all[i] += sound(s);
    return counts(
      levelsOf(
        all.map((one) => one + 0.001 * (random.unit() - 0.5)),
        RATE,
      ),
    );
  };
  expect(heard((s) => strum.reduce((sum, string) => sum + (string[s] ?? 0), 0) / 4)).toEqual([]);
  expect(heard((s) => 0.4 * (random.unit() - 0.5) * Math.exp(-s / (0.03 * RATE)))).toHaveLength(1);
});

test('what was begun is forgotten when asked to', () => {
  const listener = makeCountListener();
  const levels = room(beats(0.6), 8);
  const heard = levels.map((level, i) => {
    if (i === 250) listener.forget();
    return listener.hear(level);
  });
  expect(heard.some(Boolean)).toBe(false);
});

test('loudness of samples, by hand', () => {
  const samples = new Float32Array(1000).fill(0.5).fill(0, 480, 960);
  expect(levelsOf(samples, 48_000)).toEqual([0.5, 0]);
});
