import { averageHand, standardGuitar } from '../fretboard';
import { changeLoop, makeDrill, ringCheck } from '../drills';
import { must } from '../kernel';
import { clickSamples, mixSounds, pitchToHz, pluckOf, pluckSamples, soundSchedule } from '.';

const RATE = 44_100;
const loop = must(
  makeDrill(
    changeLoop({
      grips: [
        { chord: 'E', frets: [0, 2, 2, 1, 0, 0] },
        { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] },
      ],
      beatsEach: 4,
      tempoBpm: 60,
    }),
    { hand: averageHand, instrument: standardGuitar },
  ),
);

/** The period that best repeats a stretch of samples, by autocorrelation: an ear of its own. */
function heardHz(samples: Float32Array, low: number, high: number): number {
  const from = Math.floor(0.2 * RATE);
  const size = 4096;
  const score = (lag: number) => {
    let sum = 0;
    for (let i = 0; i < size; i++) sum += samples[from + i] * samples[from + i + lag];
    return sum;
  };
  let best = Math.floor(RATE / high);
  for (let lag = best; lag <= Math.ceil(RATE / low); lag++) if (score(lag) > score(best)) best = lag;
  const [before, at, after] = [score(best - 1), score(best), score(best + 1)];
  return RATE / (best + (before - after) / (2 * (before - 2 * at + after)));
}

describe('pitch', () => {
  test.each([
    [69, 440],
    [57, 220],
    [40, 82.4069],
    [64, 329.6276],
  ])('MIDI %i sounds at %d Hz', (midi, hz) => expect(pitchToHz(midi)).toBeCloseTo(hz, 3));
});

describe('a plucked string', () => {
  test.each([40, 45, 50, 55, 59, 64, 76])('of MIDI %i is heard in tune within five cents', (midi) => {
    const hz = pitchToHz(midi);
    const samples = pluckSamples({ frequencyHz: hz, seconds: 1, sampleRate: RATE, brightness: 0.5, seed: 3 });
    const cents = 1200 * Math.log2(heardHz(samples, hz * 0.8, hz * 1.25) / hz);
    expect(Math.abs(cents)).toBeLessThan(5);
  });

  test('stays under full scale, dies away and ends in silence', () => {
    const samples = pluckSamples({ frequencyHz: 196, seconds: 2, sampleRate: RATE, brightness: 1, seed: 5 });
    const loudest = (from: number, to: number) =>
      samples.slice(from, to).reduce((top, one) => Math.max(top, Math.abs(one)), 0);
    expect(loudest(0, samples.length)).toBeLessThan(1);
    expect(loudest(RATE, RATE + 4000)).toBeLessThan(loudest(0, 4000));
    expect(Math.abs(samples[samples.length - 1])).toBeLessThan(0.001);
  });

  test('is the same for the same seed and another for another', () => {
    const pluck = (seed: number) =>
      pluckSamples({ frequencyHz: 110, seconds: 0.2, sampleRate: RATE, brightness: 0.5, seed });
    expect(pluck(1)).toEqual(pluck(1));
    expect(pluck(1)).not.toEqual(pluck(2));
  });

  test.each([0, 15, 20_000])('refuses %d Hz', (frequencyHz) => {
    expect(() =>
      pluckSamples({ frequencyHz, seconds: 1, sampleRate: RATE, brightness: 0.5, seed: 1 }),
    ).toThrow(RangeError);
  });

  test('an accented click is the louder one', () => {
    const top = (accent: boolean) =>
      clickSamples(RATE, accent).reduce((most, one) => Math.max(most, Math.abs(one)), 0);
    expect(top(true)).toBeGreaterThan(top(false));
  });
});

describe('the schedule', () => {
  const sounds = soundSchedule(loop.score, standardGuitar);
  const clicks = sounds.filter((sound) => sound.kind === 'click');
  const plucks = sounds.filter((sound) => sound.kind === 'pluck');

  test('counts in, then clicks every beat at absolute times', () => {
    clicks.forEach((click, i) => expect(click.atSeconds).toBeCloseTo(i, 12));
    expect(clicks.slice(0, 5).map((click) => click.beat)).toEqual([-4, -3, -2, -1, 0]);
    expect(clicks.filter((click) => click.accent).map((click) => click.atSeconds)).toEqual([0, 4, 8, 12, 16]);
  });

  test('strums on three beats and leaves the fourth to the hand', () => {
    const beats = new Set(plucks.map((pluck) => Math.floor(pluck.atSeconds)));
    expect([...beats]).toEqual([4, 5, 6, 8, 9, 10, 12, 13, 14, 16, 17, 18]);
  });

  test('a strum goes from the thickest string to the thinnest within a tenth of a second', () => {
    const first = plucks.filter((pluck) => pluck.atSeconds < 4.5);
    expect(first.map((pluck) => pluck.midiPitch)).toEqual([40, 47, 52, 56, 59, 64]);
    expect(first[5].atSeconds - first[0].atSeconds).toBeLessThan(0.1);
  });

  test('another tempo scales every time alike', () => {
    const slow = soundSchedule(loop.score, standardGuitar, 30).filter((sound) => sound.kind === 'click');
    slow.forEach((click, i) => expect(click.atSeconds).toBeCloseTo(2 * clicks[i].atSeconds, 12));
    expect(() => soundSchedule(loop.score, standardGuitar, 5)).toThrow(RangeError);
  });

  test('a ring check picks one string after the other, then all', () => {
    const drill = must(
      makeDrill(ringCheck({ chord: 'D', frets: [null, null, 0, 2, 3, 2] }), {
        hand: averageHand,
        instrument: standardGuitar,
      }),
    );
    const picked = soundSchedule(drill.score, standardGuitar).filter((sound) => sound.kind === 'pluck');
    expect(picked.slice(0, 4).map((pluck) => [Math.round(pluck.atSeconds), pluck.midiPitch])).toEqual([
      [2, 50],
      [3, 57],
      [4, 62],
      [5, 66],
    ]);
    expect(picked).toHaveLength(8);
  });

  test('a capo raises what sounds, not what is fretted', () => {
    const capo = soundSchedule(loop.score, { ...standardGuitar, capo: 3 }).filter(
      (sound) => sound.kind === 'pluck',
    );
    expect(capo[0].midiPitch).toBe(plucks[0].midiPitch + 3);
  });
});

test('every ringing string of a guitar begins as loud as the others, and under full scale', () => {
  const loud = [40, 45, 50, 55, 59, 64].flatMap((open, s) =>
    [0, 3, 7, 12].map((fret) => {
      const struck = {
        midiPitch: open + fret,
        lowness: 1 - s / 5,
        fret,
        scaleLengthMm: 648,
        touch: 'ring' as const,
      };
      const samples = pluckSamples({ ...pluckOf(struck), seconds: 1, sampleRate: RATE });
      const first = samples.slice(0, RATE / 4);
      expect(Math.max(...samples.map(Math.abs))).toBeLessThan(0.95);
      return Math.sqrt(first.reduce((sum, one) => sum + one * one, 0) / first.length);
    }),
  );
  expect(Math.max(...loud) / Math.min(...loud)).toBeLessThan(1.12);
});

describe('a schedule as samples', () => {
  const pluck = (atSeconds: number, midiPitch: number, stringIndex: number, seconds = 0.5) =>
    ({ kind: 'pluck', atSeconds, seconds, midiPitch, stringIndex, fret: 0, touch: 'ring', level: 0.8 }) as const; // prettier-ignore
  const click = (atSeconds: number, beat: number) =>
    ({ kind: 'click', atSeconds, accent: false, beat }) as const;
  const mixed = (sounds: Parameters<typeof mixSounds>[0], noClick = false) =>
    mixSounds(sounds, { instrument: standardGuitar, sampleRate: RATE, noClick });
  const loud = (samples: Float32Array, from: number, to: number) =>
    samples.slice(from * RATE, to * RATE).reduce((most, one) => Math.max(most, Math.abs(one)), 0);

  test('each sound begins in its place and is in tune; what is over dies away; the loudest moment is under full scale', () => {
    const samples = mixed([pluck(0.5, 64, 5), pluck(2, 69, 5, 0.3)]);
    expect(samples.length / RATE).toBeCloseTo(2.7, 2);
    expect(loud(samples, 0, 0.49)).toBe(0);
    expect(loud(samples, 0.5, 0.7)).toBeGreaterThan(0.3);
    expect(loud(samples, 1.4, 1.9)).toBeLessThan(0.02);
    expect(Math.abs(1200 * Math.log2(heardHz(samples.slice(2 * RATE, 2.3 * RATE), 400, 480) / 440))).toBeLessThan(12); // prettier-ignore
    expect(loud(samples, 0, 3)).toBeCloseTo(0.89, 2);
  });
  test('without the click the count-in is still there', () => {
    const sounds = [click(0, -1), pluck(1, 64, 5), click(1, 0), click(2, 1)];
    const bare = mixed(sounds, true);
    expect(loud(bare, 0, 0.1)).toBeGreaterThan(0);
    expect(loud(bare, 1.95, 2.2)).toBe(0);
    expect(loud(mixed(sounds), 2, 2.05)).toBeGreaterThan(0);
    expect(mixed([])).toHaveLength(0);
  });
});
