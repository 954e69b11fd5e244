import { must } from '../kernel';
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { degreeChords, makeKey, majorKeys, noteText, parseChord } from '../theory';
import { isPlayable, playedWalks } from '.';

const chord = (symbol: string) => must(parseChord(symbol));
const key = (name: string) => must(makeKey(name));
const grown = { hand: averageHand, instrument: standardGuitar };
const walked = (from: string, to: string, of: string, options: Parameters<typeof playedWalks>[2] = grown) =>
  playedWalks([chord(from), chord(to)], key(of), options, 6);
const symbols = (walk: ReturnType<typeof walked>[number]) =>
  walk.steps.map((step) => step.chord.symbol).join(' ');

test('a walk comes with the grips it is played by, the hardest of them and its slowest change', () => {
  const [down] = walked('F', 'Dm', 'F major');
  expect([symbols(down), down.rises, isPlayable(down)]).toEqual(['F C/E Dm', false, true]);
  expect(down.hardest).toBe(Math.max(...down.grips.map((grip) => grip?.effort.total ?? 0)));
  expect(down.slowest).toBeGreaterThan(0);
});
test('the bass that was promised sounds lowest, at every step, in every key', () => {
  for (const one of majorKeys().filter((_, i) => i % 4 === 0)) {
    const [tonic, , , four, , six] = degreeChords(one).map((degree) => degree.chord);
    for (const to of [four, six])
      for (const walk of playedWalks([tonic, to], one, grown, 6))
        walk.steps.forEach(({ bass, chord: over }, i) => {
          expect(noteText(over.bass ?? over.root)).toBe(noteText(bass));
          const grip = walk.grips[i];
          const lowest = grip?.frets.findIndex((fret) => fret !== null) ?? -1;
          if (grip) expect(grip.degrees[lowest]).toBe(over.tones.find((tone) => noteText(tone.note) === noteText(bass))?.degree); // prettier-ignore
        });
  }
}, 120_000);
describe('a hand that holds little', () => {
  const hand = must(makeHand({ sizeFactor: 0.75 }));
  const small = { hand, instrument: standardGuitar, limits: { maxEffort: 30, allowBarre: false } };
  test('takes another chord over the same bass where it cannot hold the usual one', () => {
    const [, usual] = walked('Eb', 'Bb', 'Eb major');
    const [, held] = walked('Eb', 'Bb', 'Eb major', small);
    expect([symbols(usual), symbols(held)]).toEqual(['Eb Bb/F Eb/G Ab Bb', 'Eb Bb/F Eb/G Fm/Ab Bb']);
    for (const grip of held.grips) expect(grip?.effort.total).toBeLessThan(30.5);
  });
  test('sees what can be played whole first, and what has a step without a grip after it', () => {
    const few = { ...small, limits: { allowBarre: false, maxFret: 4, strings: [4, 1] as const } };
    const told = walked('Dm', 'Am', 'C major', few).map((walk) => [symbols(walk), isPlayable(walk)]);
    expect(told).toEqual([
      ['Dm Am/E Dm/F C/G Am', true],
      ['Dm Am/C Bdim Am', false],
    ]);
  });
  test('is never given a limit that gave way: a chord over it has no grip here', () => {
    const least = { ...small, limits: { maxEffort: 18, allowBarre: false } };
    const [down] = walked('F', 'Dm', 'F major', least);
    expect([symbols(down), down.grips[0], isPlayable(down)]).toEqual(['F C/E Dm', null, false]);
  });
});
test('of longer walks than asked for nothing is searched; the same root has none', () => {
  expect(playedWalks([chord('C'), chord('D')], key('C major'), grown, 3).map(symbols)).toEqual([
    'C C#dim7 D',
  ]);
  expect(walked('C', 'C', 'C major')).toEqual([]);
  // What rises by itself leads: the letter below where it goes.
  expect(walked('E', 'F#m', 'E major').map(symbols)).toEqual(['E E#dim7 F#m']);
});
