import fc from 'fast-check';
import { makeInstrument, namedTunings, parseTuning, tuningName, writeTuning } from '.';
import { must } from '../kernel';

const pitches = (text: string) => must(parseTuning(text));

describe('tunings as people type them', () => {
  test('by name, whatever the case and the dashes', () => {
    expect(pitches('Drop-D')).toEqual([38, 45, 50, 55, 59, 64]);
    expect(pitches('  half step down ')).toEqual([39, 44, 49, 54, 58, 63]);
  });

  test.each([
    ['E A D G B E', [40, 45, 50, 55, 59, 64]],
    ['EADGBE', [40, 45, 50, 55, 59, 64]],
    ['dadgbe', [38, 45, 50, 55, 59, 64]],
    ['DADGAD', [38, 45, 50, 55, 57, 62]],
    ['D A D F# A D', [38, 45, 50, 54, 57, 62]],
    ['d♭ a♭ d♭ g♭ b♭ e♭', [37, 44, 49, 54, 58, 63]],
    ['C G C F A D', [36, 43, 48, 53, 57, 62]],
    ['B E A D G B E', [35, 40, 45, 50, 55, 59, 64]],
    ['E A D G', [28, 33, 38, 43]],
    ['G4 C4 E4 A4', [67, 60, 64, 69]],
  ])('%s', (text, expected) => {
    expect(pitches(text)).toEqual(expected);
  });

  test.each([
    ['', 'tuning.empty', '0'],
    ['E A D G H E', 'tuning.note', '8'],
    ['E A D', 'tuning.strings', '3'],
    ['EADGBEADGBE', 'tuning.strings', '11'],
    ['E9 A9 D9 G9', 'tuning.range', '0'],
    ['x'.repeat(5000), 'tuning.note', '60'],
  ])('%s is refused as %s at %s', (text, code, at) => {
    const read = parseTuning(text);
    expect(read.ok ? null : [read.problem.code, read.problem.at]).toEqual([code, at]);
  });

  test('every named tuning is an instrument, is named once, and is read back from its notes', () => {
    expect(new Set(namedTunings.map((one) => one.openPitches.join())).size).toBe(namedTunings.length);
    for (const { name, openPitches } of namedTunings) {
      expect(makeInstrument({ openPitches }).ok).toBe(true);
      expect(tuningName(openPitches)).toBe(name);
      expect(pitches(name)).toEqual(openPitches);
      expect(pitches(writeTuning(openPitches))).toEqual(openPitches);
    }
    expect(tuningName([40, 45, 50, 55, 59, 63])).toBeNull();
  });

  test('nothing throws', () => {
    fc.assert(fc.property(fc.string({ maxLength: 80 }), (text) => typeof parseTuning(text).ok === 'boolean'));
  });
});
