import { standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { must } from '../kernel';
import { readChart, writtenChords, type Piece } from '../score';
import { pieceSounds, pluckOf, pluckSamples, type PluckSound } from '.';

const GRIPS: Record<string, string> = { C: 'x32010', G: '320003', Am: 'x02210' };
const piece = (text: string): Piece => {
  const read = readChart(text);
  expect(read.problems).toEqual([]);
  return read.piece;
};
const play = (text: string, options = {}) => {
  const one = piece(text);
  const grips = writtenChords(one).map(({ chord }) => (GRIPS[chord] ? must(parseFrets(GRIPS[chord])) : null));
  return pieceSounds(one, { grips, instrument: standardGuitar, countInBars: 0, ...options });
};
const plucks = (sounds: ReturnType<typeof play>) =>
  sounds.sounds.filter((sound): sound is PluckSound => sound.kind === 'pluck');
/** Times at which the first string of each stroke is struck. */
const strokes = (sounds: ReturnType<typeof play>) =>
  plucks(sounds)
    .map((one) => one.atSeconds)
    .filter((at, i, all) => i === 0 || at - all[i - 1] > 0.05)
    .map((at) => Math.round(at * 1000) / 1000);

test('without a pattern a chord is struck once and rings until the next', () => {
  const sounds = play('tempo: 60\n| C | G . . Am |');
  expect(strokes(sounds)).toEqual([0, 4, 7]);
  expect(plucks(sounds)[0]).toMatchObject({ midiPitch: 48, stringIndex: 1, fret: 3, touch: 'ring' });
  expect(plucks(sounds)[0].seconds).toBeCloseTo(4, 3);
  expect(sounds.seconds).toBe(8);
});

test('strokes fall on their steps; rests and ties leave the hand in the air; chops are short', () => {
  const sounds = play('tempo: 60\nstrum a 2: D - x u - u ~ U\n[A] a\n| C |');
  expect(strokes(sounds)).toEqual([0, 1, 1.5, 2.5, 3.5]);
  const chop = plucks(sounds).filter((one) => one.touch === 'chop');
  expect(chop).toHaveLength(5);
  for (const one of chop) expect(one.seconds).toBeLessThanOrEqual(0.12);
  // Up from the thin strings, and no further than four of them.
  const up = plucks(sounds).filter((one) => one.atSeconds >= 1.5 && one.atSeconds < 1.6);
  expect(up.map((one) => one.stringIndex)).toEqual([5, 4, 3, 2]);
});

test('a triplet falls on its thirds, and a note tied over a bar line is struck once', () => {
  const sung = (text: string) =>
    plucks(play(text)).map((one) => [Math.round(one.atSeconds * 1000), Math.round(one.seconds * 1000)]);
  expect(sung('tempo: 60\n| N.C. |\nm: | C4:1/3 D4 E4 F4:3 |')).toEqual([
    [0, 333],
    [333, 333],
    [667, 333],
    [1000, 3000],
  ]);
  const tied = 'tempo: 60\n| N.C. | (tempo 120) | |\nm: | r:3 C4:1~ | C4:2~ C4 | C4:1 r:3 |';
  expect(sung(tied)).toEqual([
    [3000, 3000],
    [6000, 500],
  ]);
  // Another note is struck, whatever the tie says.
  expect(sung('tempo: 60\n| N.C. |\nm: | C4:2~ D4 |')).toHaveLength(2);
});

test('swing delays the second half of a beat and nothing else', () => {
  const straight = strokes(play('tempo: 60\nstrum a 2: d u\n[A] a\n| C |'));
  const swung = strokes(play('tempo: 60\nswing: full\nstrum a 2: d u\n[A] a\n| C |'));
  expect(straight).toEqual([0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5]);
  expect(swung.filter((_, i) => i % 2 === 0)).toEqual([0, 1, 2, 3]);
  expect(swung[1]).toBeCloseTo(2 / 3, 3);
});

test('a pattern goes on over bar lines and begins anew with each round', () => {
  const three = play('tempo: 60\nstrum a 1: D d d\n[A] x2 a\n| C | G |');
  const accents = plucks(three).filter((one) => one.level === 1);
  const beats = [...new Set(accents.map((one) => Math.floor(one.atSeconds)))];
  // Three steps over eight beats: 0 3 6, then from 8 again.
  expect(beats).toEqual([0, 3, 6, 8, 11, 14]);
});

test('plucking takes the bass string and the three thinnest that sound', () => {
  const sounds = play('tempo: 60\npick a 1: p i m pa\n[A] a\n| G |');
  expect(plucks(sounds).map((one) => one.stringIndex)).toEqual([0, 3, 4, 0, 5]);
});

test('bars looped, slowed and counted in keep their pitch and their order', () => {
  const text = 'tempo: 120\n| C | G | Am | N.C. |\nm: | r:4 | C4:2 E4 | G4:4 | r:4 |';
  const whole = play(text);
  const loop = play(text, { fromBar: 1, toBar: 2, tempoShare: 0.5, countInBars: 1 });
  expect(loop.bars.map((bar) => [bar.played.number, bar.atSeconds])).toEqual([
    [2, 4],
    [3, 8],
  ]);
  expect(loop.sounds.filter((one) => one.kind === 'click' && one.beat < 0)).toHaveLength(4);
  const pitches = (sounds: PluckSound[]) => sounds.map((one) => one.midiPitch);
  const same = plucks(whole).filter((one) => one.atSeconds >= 2 && one.atSeconds < 6 - 1e-9);
  expect(pitches(plucks(loop))).toEqual(pitches(same));
  expect(plucks(loop)[0].atSeconds).toBeCloseTo(4, 9);
});

test('a loop that begins while a chord sounds on strikes it there', () => {
  expect(strokes(play('tempo: 60\n| C | | G |', { fromBar: 1, toBar: 1 }))).toEqual([0]);
});

test('a tempo change inside a piece holds from its bar on', () => {
  const sounds = play('tempo: 60\n| C | (tempo 120) G | Am |');
  expect(sounds.bars.map((bar) => bar.atSeconds)).toEqual([0, 4, 6]);
});

describe('strings', () => {
  const RATE = 22_050;
  const heard = (stringIndex: number, fret: number, touch: 'ring' | 'chop' | 'mute' = 'ring') =>
    pluckSamples({
      ...pluckOf({
        midiPitch: standardGuitar.openPitches[stringIndex] + fret,
        lowness: 1 - stringIndex / 5,
        fret,
        scaleLengthMm: 648,
        touch,
      }),
      seconds: 0.5,
      sampleRate: RATE,
    });
  const power = (samples: Float32Array, from: number, to: number) =>
    samples.slice(from * RATE, to * RATE).reduce((sum, one) => sum + one * one, 0);

  test('the same pitch sounds otherwise on another string', () => {
    const [e1, e2] = [heard(5, 0), heard(4, 5)];
    const difference = e1.reduce((sum, one, i) => sum + (one - e2[i]) ** 2, 0);
    expect(difference).toBeGreaterThan(0.1 * power(e1, 0, 0.5));
  });

  test('a chop and a muted stroke die at once, and every touch stays under full scale', () => {
    const late = (touch: 'ring' | 'chop' | 'mute') =>
      power(heard(1, 3, touch), 0.15, 0.4) / power(heard(1, 3, touch), 0, 0.05);
    expect(late('chop')).toBeLessThan(0.02 * late('ring'));
    expect(late('mute')).toBeLessThan(0.02 * late('ring'));
    for (const touch of ['ring', 'chop', 'mute'] as const)
      expect(Math.max(...heard(0, 0, touch).map(Math.abs))).toBeLessThan(1);
  });
});
