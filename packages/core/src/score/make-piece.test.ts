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

describe('the tune', () => {
  const held = fc.constantFrom<readonly string[] | null>(null, ['C', 'G'], ['C', 'Am', 'F', 'G'], ['C', 'F']);
  test('fills its bars, keeps within a tenth and a voice, has one summit, and ends on the tonic', () => {
    fc.assert(
      fc.property(draw, (asked) => {
        const bars = must(makePiece({ ...asked, held: null, melody: true })).sections.flatMap(
          (section) => section.bars,
        );
        for (const bar of bars)
          expect((bar.melody ?? []).reduce((sum, note) => sum + note.ticks, 0)).toBe(ticksOf(asked.beats));
        const sung = bars.flatMap((bar) => bar.melody ?? []).flatMap(({ pitch }) => (pitch ? [pitch] : []));
        const midi = sung.map(midiOf);
        const [low, high] = [Math.min(...midi), Math.max(...midi)];
        expect(high - low).toBeLessThanOrEqual(17);
        expect(low).toBeGreaterThanOrEqual(53);
        expect(high).toBeLessThanOrEqual(78);
        expect(midi.filter((one) => one === high)).toHaveLength(1);
        expect(midi.indexOf(high)).toBeGreaterThan(midi.length / 3);
        const tonic = pitchClassOf(must(readPieceKey(asked.key)).tonic);
        expect(pitchClassOf(sung[sung.length - 1].note)).toBe(tonic);
      }),
      { numRuns: 120 },
    );
  });
  test('strong beats are of the chord; what is not comes and goes by step; a leap turns back by step; mostly steps', () => {
    let [steps, all] = [0, 0];
    fc.assert(
      fc.property(fc.record({ seed: fc.integer({ min: 1, max: 9999 }), beats: fc.constantFrom(3 as const, 4 as const, 6 as const), bars: fc.constantFrom(...PIECE_LENGTHS), held }), (more) => {
        const piece = must(makePiece(request(more)));
        const notes = piece.sections.flatMap(({ bars }) =>
          bars.flatMap((bar) =>
            (bar.melody ?? []).map(({ tick, ticks, pitch }) => {
              if (!pitch) throw new Error('a rest');
              const chord = must(parseChord(bar.chords[0].chord));
              return {
                tick, ticks, midi: midiOf(pitch),
                step: 7 * pitch.octave + 'CDEFGAB'.indexOf(pitch.note.letter),
                of: chord.tones.some((tone) => tone.pitchClass === pitchClassOf(pitch.note)),
              };
            }),
          ),
        );
        const weighs = { 3: [0], 4: [0, 2], 6: [0, 3] }[more.beats].map(ticksOf);
        notes.forEach((note, i) => {
          if (weighs.includes(note.tick) || note.ticks >= ticksOf(2)) expect(note.of).toBe(true);
          if (i === 0) return;
          const by = note.step - notes[i - 1].step;
          all++;
          if (Math.abs(by) <= 1) steps++;
          expect(Math.abs(by)).toBeLessThanOrEqual(4);
          if (!note.of || !notes[i - 1].of) expect(Math.abs(by)).toBe(1);
          const before = i > 1 ? notes[i - 1].step - notes[i - 2].step : 0;
          if (Math.abs(before) > 2) expect(by).toBe(-Math.sign(before));
          if (i > 1 && before === 0) expect(by).not.toBe(0);
        });
      }),
      { numRuns: 120 },
    ); // prettier-ignore
    expect(steps / all).toBeGreaterThan(0.55);
  });
  test('two chords a fourth apart have a tune too, whatever is drawn: no request throws or is refused', () => {
    for (const held of [
      ['G', 'C'],
      ['Gm', 'Cm'],
      ['G#m', 'C#m'],
    ])
      for (let seed = 1; seed <= 150; seed++)
        for (const beats of [3, 4, 6] as const) {
          const key = `${held[0].replace('m', '')} ${held[0].endsWith('m') ? 'minor' : 'major'}`;
          expect([held, seed, beats, makePiece(request({ key, held, seed, beats, bars: seed % 2 ? 12 : 16 })).ok]).toEqual([held, seed, beats, true]); // prettier-ignore
        }
  });
  test('an idea comes again: of a a′ b a′ the second begins as the first, note for note where its chord is the same', () => {
    const again = [1, 2, 3, 4, 5, 6, 7, 8].map((seed) => {
      const bars = must(makePiece(request({ seed, held: ['C', 'G'] }))).sections[0].bars;
      const line = (bar: number) => bars[bar].melody?.map(({ tick, pitch }) => `${tick} ${pitch && pitchText(pitch)}`).join(); // prettier-ignore
      expect(bars[4].melody?.map((note) => note.tick)).not.toEqual(bars[0].melody?.map((note) => note.tick));
      return line(0) === line(2);
    });
    expect(again.filter(Boolean).length).toBeGreaterThanOrEqual(3);
  });
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
    const lone = makePiece(request({ held: ['C'], melody: false }));
    expect(lone.ok).toBe(false);
  });

  test('one chord alone is a piece with a tune over a bass line', () => {
    const piece = must(makePiece(request({ held: ['C'] })));
    expect(new Set(writtenChords(piece).map((one) => one.chord))).toEqual(new Set(['C']));
    expect(piece.patterns[0].kind).toBe('pick');
    expect(piece.patterns[0].strokes[0]).toEqual(['p']);
  });

  test('ends V I, else IV I, else flat VII I', () => {
    const end = (held: string[]) => symbols(request({ held, seed: 5 })).slice(-2);
    expect(end(['C', 'F', 'G', 'Am'])).toEqual(['G', 'C']);
    expect(end(['C', 'F', 'Am'])).toEqual(['F', 'C']);
    expect(end(['C', 'Bb', 'Am'])).toEqual(['Bb', 'C']);
  });
});

describe('one new chord', () => {
  test('comes so often, not in the first two bars nor in the last, never twice running', () => {
    fc.assert(
      fc.property(
        fc.record({
          seed: fc.integer({ min: 1, max: 9999 }),
          bars: fc.constantFrom(...PIECE_LENGTHS),
          chord: fc.constantFrom('Dm', 'Em', 'Am'),
          uses: fc.constantFrom(2 as const, 3 as const, 4 as const),
        }),
        ({ seed, bars, chord, uses }) => {
          const used = symbols(request({ seed, bars, held: ['C', 'F', 'G'], fresh: { chord, uses } }));
          const at = used.flatMap((one, bar) => (one === chord ? [bar] : []));
          // Bars 3 to 6 of eight have room for two apart.
          expect(at).toHaveLength(bars === 8 ? 2 : uses);
          expect(Math.min(...at)).toBeGreaterThanOrEqual(2);
          expect(Math.max(...at)).toBeLessThan(bars - 1);
          for (const [i, bar] of at.entries()) if (i) expect(bar - at[i - 1]).toBeGreaterThan(1);
          expect(used.slice(-2)).toEqual(['G', 'C']);
        },
      ),
      { numRuns: 80 },
    );
  });
  test('one that has no place in the key, or is held, is refused with those that would do', () => {
    const refused = (chord: string) => {
      const made = makePiece(request({ held: ['C', 'F', 'G'], fresh: { chord, uses: 2 } }));
      return made.ok ? null : [made.problem.code, made.problem.detail];
    };
    expect(refused('Ebm')).toEqual(['rule.fresh', 'Dm Em Am']);
    expect(refused('F')).toEqual(['rule.fresh', 'Dm Em Am']);
    expect(refused('Em')).toBeNull();
  });
});

test('a key nobody writes is refused', () => {
  const made = makePiece(request({ key: 'G# major' }));
  expect(made.ok ? '' : made.problem.code).toBe('key.signature');
});
