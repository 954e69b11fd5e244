/** For tests: bars drawn at random, in halves, thirds, fifths, sevenths and what they make of each other. */
import fc from 'fast-check';
import type { Span } from './notation';
import type { MelodyNote, Piece, PieceBar } from './piece';
import { EMPTY_PIECE } from './chart';
import { TICKS_A_BEAT } from './ticks';

/** A stretch of one, two or three beats in so many equal parts, some of them joined. */
const stretch = fc.record({
  beats: fc.constantFrom(1, 1, 1, 2, 3),
  parts: fc.constantFrom(1, 2, 3, 4, 5, 6, 7, 8, 9, 12),
  joined: fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }),
});

/** A bar cut into spans without gaps. */
export const drawnSpans = (beats: number): fc.Arbitrary<Span[]> =>
  fc.array(stretch, { minLength: beats, maxLength: beats }).map((stretches) => {
    const bar = beats * TICKS_A_BEAT;
    const cuts = new Set([0]);
    let at = 0;
    for (const { beats: long, parts, joined } of stretches) {
      const ticks = Math.min(long * TICKS_A_BEAT, bar - at);
      for (let part = 0; part < parts && ticks % parts === 0; part++)
        if (!joined[part]) cuts.add(at + (part * ticks) / parts);
      at += ticks;
    }
    const starts = [...cuts].filter((tick) => tick < bar).sort((a, b) => a - b);
    return starts.map((tick, i) => ({ tick, ticks: (starts[i + 1] ?? bar) - tick }));
  });

const symbol = fc.constantFrom('C', 'Bbm7', 'F#m7b5', 'Ab13', 'Eb/G', 'N.C.', 'Dbmaj9', 'G7sus4', 'E7#9');
const E_FLAT = { note: { letter: 'E', accidental: -1 }, octave: 4 } as const;

const drawnBar = (beats: number): fc.Arbitrary<PieceBar> =>
  fc
    .record({
      spans: drawnSpans(beats),
      held: fc.boolean(),
      symbols: fc.array(symbol, { minLength: 32, maxLength: 32 }),
      sung: fc.option(drawnSpans(beats)),
      rests: fc.array(fc.boolean(), { minLength: 64, maxLength: 64 }),
      tied: fc.boolean(),
    })
    .map(({ spans, held, symbols, sung, rests, tied }): PieceBar => {
      const chords = spans.slice(held ? 1 : 0, 32).map(({ tick }, i) => ({ tick, chord: symbols[i] }));
      const melody = sung?.map((span, i): MelodyNote =>
        rests[i] && i > 0
          ? { ...span, pitch: null }
          : { ...span, pitch: E_FLAT, ...(i === 1 ? { word: 'la' } : {}) },
      );
      const last = melody?.[melody.length - 1];
      if (tied && melody && last?.pitch && !last.word) melody[melody.length - 1] = { ...last, tied: true };
      return melody ? { chords, melody } : { chords };
    });

/** A piece of a few sections in one time signature. */
export const drawnPiece: fc.Arbitrary<Piece> = fc
  .record({
    beats: fc.integer({ min: 2, max: 9 }),
    unit: fc.constantFrom(2, 4, 8, 16),
    tempoBpm: fc.integer({ min: 20, max: 300 }),
    swing: fc.constantFrom('straight', 'light', 'full'),
    capo: fc.integer({ min: 0, max: 11 }),
  })
  .chain(({ beats, unit, tempoBpm, swing, capo }) =>
    fc
      .array(fc.array(drawnBar(beats), { minLength: 1, maxLength: 6 }), { minLength: 1, maxLength: 3 })
      .map((sections): Piece => ({
        ...EMPTY_PIECE,
        title: 'Drawn',
        by: 'a test',
        key: 'F# minor',
        time: { beats, unit },
        tempoBpm,
        swing: swing as Piece['swing'],
        capo,
        sections: sections.map((bars, i) => ({ name: `S${i}`, times: (i % 2) + 1, bars })),
      })),
  );
