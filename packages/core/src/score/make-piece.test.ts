import { ticksOf } from './ticks';
import fc from 'fast-check';
import { must } from '../kernel';
import { majorKeys, midiOf, mod12, parseChord, pitchClassOf, pitchText } from '../theory';
import {
  makePiece,
  PIECE_LENGTHS,
  playedBars,
  readChart,
  readPieceKey,
  writeChart,
  writtenChords,
  type PieceRequest,
} from '.';

const request = (more: Partial<PieceRequest> = {}): PieceRequest => ({
  key: 'C major',
  bars: 8,
  beats: 4,
  seed: 3,
  melody: true,
  held: null,
  ...more,
});
const draw = fc.record({
  key: fc.constantFrom(
    ...majorKeys().map((key) => key.name),
    'A minor',
    'F# minor',
    'Eb minor',
    'C minor',
    'G# minor',
    'D# minor',
  ),
  bars: fc.constantFrom(...PIECE_LENGTHS),
  beats: fc.constantFrom(3 as const, 4 as const),
  seed: fc.integer({ min: 1, max: 9999 }),
  melody: fc.boolean(),
});
const symbols = (asked: PieceRequest) => writtenChords(must(makePiece(asked))).map((one) => one.chord);

test('is the same for the same request, and another for another seed', () => {
  expect(makePiece(request())).toEqual(makePiece(request()));
  const pieces = new Set([1, 2, 3, 4, 5, 6].map((seed) => symbols(request({ seed })).join(' ')));
  expect(pieces.size).toBeGreaterThan(3);
});

test('begins and ends on the first degree, with the fifth before the end; a chart can hold it', () => {
  fc.assert(
    fc.property(draw, (asked) => {
      const piece = must(makePiece({ ...asked, held: null }));
      const read = readChart(writeChart(piece));
      expect(read.problems).toEqual([]);
      expect(read.piece).toEqual(piece);
      const tonic = pitchClassOf(must(readPieceKey(asked.key)).tonic);
      const roots = writtenChords(piece).map((one) => pitchClassOf(must(parseChord(one.chord)).root));
      expect(roots).toHaveLength(asked.bars);
      expect([roots[0], roots[roots.length - 1]]).toEqual([tonic, tonic]);
      expect(mod12(roots[roots.length - 2] - tonic)).toBe(7);
      expect(playedBars(piece)).toHaveLength(asked.bars === 16 ? 24 : asked.bars);
    }),
    { numRuns: 150 },
  );
});

test('the melody fills its bars, keeps its range, ends on the tonic and begins each bar on a chord tone', () => {
  fc.assert(
    fc.property(draw, (asked) => {
      const piece = must(makePiece({ ...asked, held: null, melody: true }));
      const bars = piece.sections.flatMap((section) => section.bars);
      for (const bar of bars) {
        const notes = bar.melody ?? [];
        expect(notes.reduce((sum, note) => sum + note.ticks, 0)).toBe(ticksOf(asked.beats));
        const chord = must(parseChord(bar.chords[0].chord));
        const first = notes[0].pitch;
        if (!first) throw new Error('a bar begins with a rest');
        expect(chord.tones.map((tone) => tone.pitchClass)).toContain(pitchClassOf(first.note));
        for (const note of notes) {
          const midi = note.pitch ? midiOf(note.pitch) : 60;
          expect(midi).toBeGreaterThanOrEqual(55);
          expect(midi).toBeLessThanOrEqual(78);
        }
      }
      const last = bars[bars.length - 1].melody?.[0].pitch;
      expect(last && pitchClassOf(last.note)).toBe(pitchClassOf(must(readPieceKey(asked.key)).tonic));
    }),
    { numRuns: 100 },
  );
});

test('in minor the leading tone is raised with its chord and spelled so', () => {
  const seen = [1, 2, 3, 4, 5, 6, 7, 8].flatMap((seed) =>
    must(makePiece(request({ key: 'A minor', seed, bars: 16 }))).sections.flatMap((section) =>
      section.bars.flatMap((bar) =>
        bar.chords[0].chord === 'E7'
          ? (bar.melody ?? []).map((note) => note.pitch && pitchText(note.pitch))
          : [],
      ),
    ),
  );
  expect(seen.some((name) => name?.startsWith('G#'))).toBe(true);
  expect(
    seen.some((name) => name?.startsWith('Ab') || name?.startsWith('G4') || name?.startsWith('G3')),
  ).toBe(false);
});

describe('from what a student holds', () => {
  test('nothing else is used, and the key spells it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), (seed) => {
        const used = new Set(symbols(request({ seed, held: ['C', 'Am', 'F', 'G', 'Bb', 'D#m'] })));
        for (const one of used) expect(['C', 'Am', 'F', 'G']).toContain(one);
      }),
      { numRuns: 60 },
    );
    expect(new Set(symbols(request({ key: 'Gb major', held: ['F#', 'C#7'] })))).toEqual(
      new Set(['Gb', 'Db7']),
    );
  });

  test('two chords are enough; without the first degree it says which chords would do', () => {
    expect(new Set(symbols(request({ held: ['C', 'G7'] })))).toEqual(new Set(['C', 'G7']));
    const none = makePiece(request({ held: ['F', 'G'] }));
    expect(none.ok ? '' : [none.problem.code, none.problem.detail]).toEqual(['rule.held', 'C Dm Em F G7 Am']);
    const lone = makePiece(request({ held: ['C'] }));
    expect(lone.ok).toBe(false);
  });
});

test('a key nobody writes is refused', () => {
  const made = makePiece(request({ key: 'G# major' }));
  expect(made.ok ? '' : made.problem.code).toBe('key.signature');
});
