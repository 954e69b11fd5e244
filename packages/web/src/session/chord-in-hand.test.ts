import { effectScope } from 'vue';
import { chordAmong, chordInHand, offerChord, WAYS_FOR_A_CHORD, wayOf } from './chord-in-hand';

test('the place that offered last holds it, until it goes', () => {
  expect(chordInHand()).toBeNull();
  const [shapes, drills] = [effectScope(), effectScope()];
  shapes.run(() => offerChord(() => ({ symbol: 'C' })));
  drills.run(() => offerChord(() => ({ symbol: 'F' })));
  expect(chordInHand()?.symbol).toBe('F');
  // The place before goes after the new one has come: what the new one offers stays.
  shapes.stop();
  expect(chordInHand()?.symbol).toBe('F');
  drills.stop();
  expect(chordInHand()).toBeNull();
});

test('four ways, each with what its place can use', () => {
  const chord = { symbol: 'G7', frets: '320001', before: 'Dm7', next: 'C', key: 'C major' };
  expect(WAYS_FOR_A_CHORD.map((way) => wayOf(way, chord))).toEqual([
    { name: 'shapes', query: { chord: 'G7', frets: '320001' } },
    { name: 'changes', query: { chords: 'Dm7 | G7 | C' } },
    { name: 'harmony', query: { view: 'progression', chords: 'Dm7 | G7 | C', at: '1', key: 'C major' } },
    { name: 'drills', query: { chord: 'G7', frets: '320001' } },
  ]);
});

test('alone it makes no change: its dominant leads into it', () => {
  expect(wayOf('changes', { symbol: 'Fm' })).toEqual({ name: 'changes', query: { chords: 'C7 | Fm' } });
  expect(wayOf('harmony', { symbol: 'Fm' })).toEqual({
    name: 'harmony',
    query: { view: 'progression', chords: 'Fm' },
  });
});

test('of grips that follow each other one is taken with its neighbours', () => {
  const grips = [
    { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] },
    { chord: 'F', frets: [null, null, 3, 2, 1, 1] },
  ];
  expect(chordAmong(grips, 1)).toEqual({ symbol: 'F', frets: 'xx3211', before: 'Am' });
  expect(chordAmong(grips, 0)).toEqual({ symbol: 'Am', frets: 'x02210', next: 'F' });
  expect([chordAmong(grips, 2), chordAmong([], -1)]).toEqual([null, null]);
});
