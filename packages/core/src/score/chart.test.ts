import fc from 'fast-check';
import { CHART_LIMITS, EMPTY_PIECE, readChart } from './chart';
import { playedBars, playedChords, readPieceKey, keyOn, type Piece, type PieceBar } from './piece';
import { patternText, readPattern } from './pattern';
import { writeChart } from './write-chart';

const REEL = `title: A reel
by: nobody
key: Db
time: 4/4
tempo: 96
swing: light
capo: 1
strum chop 2: D - x u d u x u
pick roll 2: p i m a pm - m i
order: A B A

// the tune
[A] x2 chop
| Db | Bbm7 | Gbmaj7 Ab7 |1. Ab7 |2. Db |
m: | Db4:1 Eb4 F4 r | Db4:4~ | Db4:2 F4 | Ab4:4 | Db5:4 |
w: The lan- tern _ low

[B] roll
| (3/4) Gb . Ab | % | (4/4) (tempo 120) (key Eb) N.C. | Eb:1.5 Bb7:2.5 |
`;
const piece = readChart(REEL).piece;
const problems = (text: string) =>
  readChart(text).problems.map(({ code, line, column }) => [code, line, column]);

test('a chart is read as it is written', () => {
  expect(readChart(REEL).problems).toEqual([]);
  expect(piece).toMatchObject({
    title: 'A reel',
    key: 'Db major',
    tempoBpm: 96,
    swing: 'light',
    capo: 1,
    order: ['A', 'B', 'A'],
  });
  const [a, b] = piece.sections;
  expect(a).toMatchObject({ name: 'A', times: 2, pattern: 'chop' });
  expect(a.bars[2].chords).toEqual([
    { beat: 0, chord: 'Gbmaj7' },
    { beat: 2, chord: 'Ab7' },
  ]);
  expect(a.bars.map((bar) => bar.ending)).toEqual([undefined, undefined, undefined, 1, 2]);
  expect(a.bars[0].melody?.map((note) => [note.beat, note.beats, note.word])).toEqual([
    [0, 1, 'The'],
    [1, 1, 'lan-'],
    [2, 1, 'tern'],
    [3, 1, undefined],
  ]);
  expect(a.bars[1].melody?.[0]).toMatchObject({ tied: true, beats: 4 });
  // The note tied on to is not sung anew: "low" falls on the F after it.
  expect(a.bars[2].melody?.map((note) => note.word)).toEqual([undefined, 'low']);
  expect(b.bars[0]).toEqual({
    time: { beats: 3, unit: 4 },
    chords: [
      { beat: 0, chord: 'Gb' },
      { beat: 2, chord: 'Ab' },
    ],
  });
  expect(b.bars[1].chords).toEqual(b.bars[0].chords);
  expect(b.bars[2]).toMatchObject({ tempoBpm: 120, key: 'Eb major', chords: [{ beat: 0, chord: 'N.C.' }] });
  expect(b.bars[3].chords[1]).toEqual({ beat: 1.5, chord: 'Bb7' });
});

test('it is played in its order, with its repeats and endings', () => {
  const played = playedBars(piece);
  expect(played.map((bar) => bar.number)).toEqual([
    1, 2, 3, 4, 1, 2, 3, 5, 6, 7, 8, 9, 1, 2, 3, 4, 1, 2, 3, 5,
  ]);
  // Bars of B have 3, 3, 4 and 4 beats; the second A begins after them.
  expect(played[12].startBeat).toBe(8 * 4 + 3 + 3 + 4 + 4);
  expect(played[10]).toMatchObject({ tempoBpm: 120, key: 'Eb major', time: { beats: 4, unit: 4 } });
  expect(played[12]).toMatchObject({ tempoBpm: 96, key: 'Db major' });
  const chords = playedChords(piece);
  expect(chords.slice(0, 4).map((one) => [one.chord, one.startBeat, one.beats])).toEqual([
    ['Db', 0, 4],
    ['Bbm7', 4, 4],
    ['Gbmaj7', 8, 2],
    ['Ab7', 10, 2],
  ]);
  expect(chords.reduce((sum, one) => sum + one.beats, 0)).toBe(played[19].startBeat + 4);
});

test('an empty bar lets the chord before sound on', () => {
  const held = playedChords(readChart('| C | | . F:2 . |').piece);
  expect(held.map((one) => [one.chord, one.beats])).toEqual([
    ['C', 9],
    ['F', 3],
  ]);
});

describe('what is wrong is said with its place', () => {
  test.each([
    ['| C | Hmm | F |', 'chart.chord', 1, 7],
    ['| C | F', 'chart.open', 1, 7],
    ['tempo: 0\n| C |', 'chart.tempo', 1, 8],
    ['tempo: 1000\n| C |', 'chart.tempo', 1, 8],
    ['capo: 12\n| C |', 'chart.capo', 1, 7],
    ['key: R\n| C |', 'chart.key', 1, 6],
    ['time: 7/9\n| C |', 'chart.time', 1, 7],
    ['time: 3/4\n| C . . . . . . |', 'chart.beats', 2, 3],
    ['time: 3/4\n| C:4 F:3 |', 'chart.beats', 2, 3],
    ['[A]\nhello\n| C |', 'chart.line', 2, 1],
    ['[A] nosuch\n| C |', 'chart.pattern', 1, 1],
    ['[A]\n| C |\n[A]\n| F |', 'chart.section-twice', 3, 2],
    ['[A]\n|1. C |2. F |', 'chart.ending', 1, 1],
    ['order: A X\n[A]\n| C |', 'chart.order', 1, 8],
    ['[A]\ntitle: late\n| C |', 'chart.late', 2, 1],
    ['m: | C4:4 |', 'chart.under', 1, 1],
    ['| C |\nm: | C4:3 |', 'chart.beats', 2, 5],
    ['| C |\nm: | Q4:4 |', 'chart.note-name', 2, 6],
    ['| C |\nm: | C4:4 | C4:4 |', 'chart.melody-bars', 2, 4],
    ['| C |\nm: | C4:4 |\nw: one two', 'chart.words', 3, 8],
    ['| % |', 'chart.same', 1, 3],
    ['strum a 2: D ? x u\n| C |', 'pattern.step', 1, 14],
    ['strum a 2: D u x\n| C |', 'pattern.beats', 1, 12],
    ['[two words]\n| C |', 'chart.section', 1, 1],
    ['[A] x9\n| C |', 'chart.times', 1, 5],
    ['| (loud) C |', 'chart.note', 1, 3],
    ['', 'chart.empty', 1, 1],
  ] as const)('%j: %s at %d:%d', (text, code, line, column) => {
    expect(problems(text)[0]).toEqual([code, line, column]);
  });

  test('a chord a sixteenth is crowded and is read; forty are too many', () => {
    const sixteen = `| ${Array.from({ length: 16 }, () => 'C').join(' ')} |`;
    expect(problems(sixteen)).toEqual([]);
    expect(readChart(sixteen).piece.sections[0].bars[0].chords[15].beat).toBe(3.75);
    expect(problems(`| ${Array.from({ length: 40 }, () => 'C').join(' ')} |`)[0][0]).toBe('chart.crowded');
  });

  test('five thousand bars are refused, and what fits is kept', () => {
    const { piece: long, problems: said } = readChart('| C | F | G | C | Am |\n'.repeat(1000));
    expect(said[0]).toMatchObject({ code: 'chart.bars', line: 401 });
    expect(long.sections[0].bars).toHaveLength(2000);
    expect(said.length).toBeLessThanOrEqual(CHART_LIMITS.problems);
  });
});

describe('keys', () => {
  test.each([
    ['F#m', 'F# minor', 3],
    ['A minor', 'A minor', 0],
    ['Eb minor', 'Eb minor', -6],
    ['G# minor', 'G# minor', 5],
    ['Cb', 'Cb major', -7],
  ] as const)('%s', (text, name, fifths) => {
    const key = readPieceKey(text);
    expect(key.ok && [key.value.name, key.value.fifths]).toEqual([name, fifths]);
  });
  test('one with more than seven accidentals is refused', () => {
    for (const text of ['Fb', 'G#', 'Db minor', 'Cb minor']) expect(readPieceKey(text).ok).toBe(false);
  });
  test('on every pitch there is one of each mode', () => {
    for (let pc = 0; pc < 12; pc++)
      for (const mode of ['major', 'minor'] as const)
        expect(Math.abs(keyOn(pc, mode).fifths)).toBeLessThanOrEqual(6);
    expect([keyOn(6, 'major').name, keyOn(1, 'major').name, keyOn(8, 'minor').name]).toEqual([
      'Gb major',
      'Db major',
      'G# minor',
    ]);
  });
});

describe('what is written can be read back', () => {
  const symbol = fc.constantFrom('C', 'Bbm7', 'F#m7b5', 'Ab13', 'Eb/G', 'N.C.', 'Dbmaj9', 'G7sus4');
  const bar = (beats: number): fc.Arbitrary<PieceBar> =>
    fc
      .record({
        cuts: fc.uniqueArray(fc.integer({ min: 0, max: beats * 4 - 1 }), { maxLength: 4 }),
        symbols: fc.array(symbol, { minLength: 4, maxLength: 4 }),
        melody: fc.boolean(),
        words: fc.boolean(),
      })
      .map(({ cuts, symbols, melody, words }): PieceBar => {
        const chords = [...cuts]
          .sort((a, b) => a - b)
          .map((cut, i) => ({ beat: cut / 4, chord: symbols[i] }));
        if (!melody) return { chords };
        const pitch = { note: { letter: 'E' as const, accidental: -1 }, octave: 4 };
        return {
          chords,
          melody: [
            { beat: 0, beats: 1.5, pitch, ...(words ? { word: 'la' } : {}) },
            { beat: 1.5, beats: beats - 1.5, pitch: null },
          ],
        };
      });
  const drawn: fc.Arbitrary<Piece> = fc
    .record({
      beats: fc.integer({ min: 2, max: 7 }),
      tempo: fc.integer({ min: 20, max: 300 }),
      swing: fc.constantFrom('straight', 'light', 'full'),
      capo: fc.integer({ min: 0, max: 11 }),
    })
    .chain(({ beats, tempo, swing, capo }) =>
      fc
        .array(fc.array(bar(beats), { minLength: 1, maxLength: 9 }), { minLength: 1, maxLength: 3 })
        .map((sections): Piece => ({
          ...EMPTY_PIECE,
          title: 'Drawn',
          by: 'a test',
          key: 'F# minor',
          time: { beats, unit: 4 },
          tempoBpm: tempo,
          swing: swing as Piece['swing'],
          capo,
          sections: sections.map((bars, i) => ({ name: `S${i}`, times: (i % 2) + 1, bars })),
        })),
    );
  test('drawn pieces', () => {
    fc.assert(
      fc.property(drawn, (one) => {
        const read = readChart(writeChart(one));
        expect(read.problems).toEqual([]);
        expect(read.piece).toEqual(one);
      }),
      { numRuns: 200 },
    );
  });
  test('the reel with everything in it', () => {
    const read = readChart(writeChart(piece));
    expect(read).toEqual({ piece, problems: [] });
  });
});

test('nothing a stranger types throws', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.oneof(
          fc.string({ maxLength: 30 }),
          fc.string({ maxLength: 20 }).map((text) => `| ${text} |`),
          fc.string({ maxLength: 20 }).map((text) => `m: | ${text} |`),
          fc.string({ maxLength: 12 }).map((text) => `[${text}] x2`),
        ),
        { maxLength: 8 },
      ),
      (lines) => {
        for (const problem of readChart(lines.join('\n')).problems) expect(problem.line).toBeGreaterThan(0);
      },
    ),
    { numRuns: 300 },
  );
});

test('a plucking finger is used once in a step', () => {
  expect(readPattern('pick', 'a', 2, 'pp i').ok).toBe(false);
  expect(readPattern('pick', 'a', 2, 'pm i').ok).toBe(true);
});

test('silence and a passing hand are two things, and both are written as they are read', () => {
  const strum = readPattern('strum', 'a', 2, 'D . u - x .');
  const pick = readPattern('pick', 'a', 2, 'p . pm -');
  expect(strum.ok && strum.value.strokes).toEqual(['down accent', 'stop', 'up', 'rest', 'chop', 'stop']);
  expect(strum.ok && patternText(strum.value)).toBe('D . u - x .');
  expect(pick.ok && patternText(pick.value)).toBe('p . pm -');
});
