import { drawnPiece } from './drawn-rhythm';
import { beatsOf, ticksOf } from './ticks';
import fc from 'fast-check';
import { keyOn } from '../theory';
import { CHART_LIMITS, readChart } from './chart';
import { playedBars, playedChords, readPieceKey } from './piece';
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
    { tick: 0, chord: 'Gbmaj7' },
    { tick: ticksOf(2), chord: 'Ab7' },
  ]);
  expect(a.bars.map((bar) => bar.ending)).toEqual([undefined, undefined, undefined, 1, 2]);
  expect(a.bars[0].melody?.map((note) => [beatsOf(note.tick), beatsOf(note.ticks), note.word])).toEqual([
    [0, 1, 'The'],
    [1, 1, 'lan-'],
    [2, 1, 'tern'],
    [3, 1, undefined],
  ]);
  expect(a.bars[1].melody?.[0]).toMatchObject({ tied: true, ticks: ticksOf(4) });
  // The note tied on to is not sung anew: "low" falls on the F after it.
  expect(a.bars[2].melody?.map((note) => note.word)).toEqual([undefined, 'low']);
  expect(b.bars[0]).toEqual({
    time: { beats: 3, unit: 4 },
    chords: [
      { tick: 0, chord: 'Gb' },
      { tick: ticksOf(2), chord: 'Ab' },
    ],
  });
  expect(b.bars[1].chords).toEqual(b.bars[0].chords);
  expect(b.bars[2]).toMatchObject({ tempoBpm: 120, key: 'Eb major', chords: [{ tick: 0, chord: 'N.C.' }] });
  expect(b.bars[3].chords[1]).toEqual({ tick: ticksOf(1.5), chord: 'Bb7' });
});

test('it is played in its order, with its repeats and endings', () => {
  const played = playedBars(piece);
  expect(played.map((bar) => bar.number)).toEqual([
    1, 2, 3, 4, 1, 2, 3, 5, 6, 7, 8, 9, 1, 2, 3, 4, 1, 2, 3, 5,
  ]);
  // Bars of B have 3, 3, 4 and 4 beats; the second A begins after them.
  expect(beatsOf(played[12].startTick)).toBe(8 * 4 + 3 + 3 + 4 + 4);
  expect(played[10]).toMatchObject({ tempoBpm: 120, key: 'Eb major', time: { beats: 4, unit: 4 } });
  expect(played[12]).toMatchObject({ tempoBpm: 96, key: 'Db major' });
  const chords = playedChords(piece);
  expect(chords.slice(0, 4).map((one) => [one.chord, beatsOf(one.startTick), beatsOf(one.ticks)])).toEqual([
    ['Db', 0, 4],
    ['Bbm7', 4, 4],
    ['Gbmaj7', 8, 2],
    ['Ab7', 10, 2],
  ]);
  expect(chords.reduce((sum, one) => sum + one.ticks, 0)).toBe(played[19].startTick + ticksOf(4));
});

test('an empty bar lets the chord before sound on', () => {
  const held = playedChords(readChart('| C | | . F:2 . |').piece);
  expect(held.map((one) => [one.chord, beatsOf(one.ticks)])).toEqual([
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
    expect(readChart(sixteen).piece.sections[0].bars[0].chords[15].tick).toBe(ticksOf(3.75));
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

describe('lengths', () => {
  const notes = (text: string) =>
    readChart(text).piece.sections[0].bars[0].melody?.map((note) => [note.tick, note.ticks]);
  const chords = (text: string) =>
    readChart(text).piece.sections[0].bars[0].chords.map(({ tick, chord }) => [tick, chord]);

  test('a triplet is a triplet, typed as a fraction or cut short', () => {
    const triplet = [
      [0, 3360],
      [3360, 3360],
      [6720, 3360],
      [10_080, 30_240],
    ];
    for (const third of ['1/3', '.3333', '.333', '0.33']) {
      const text = `| C |\nm: | C4:${third} D4 E4 F4:3 |`;
      expect(problems(text)).toEqual([]);
      expect(notes(text)).toEqual(triplet);
      expect(writeChart(readChart(text).piece)).toContain('m: | C4:1/3 D4:1/3 E4:1/3 F4:3 |');
    }
  });

  test('quintuplets, septuplets and chords in thirds add up', () => {
    expect(problems('| C |\nm: | C4:2/5 D4 E4 F4 G4 A4:2/7 B4 C5 D5 E5 F5 G5 |')).toEqual([]);
    expect(chords('| C:4/3 F:4/3 G:4/3 |')).toEqual([[0, 'C'], [13_440, 'F'], [26_880, 'G']]); // prettier-ignore
    expect(chords('time: 2/4\n| C F G |')).toEqual([[0, 'C'], [6720, 'F'], [13_440, 'G']]); // prettier-ignore
    expect(chords('| . C:1/3 F:5/3 . |')).toEqual([[10_080, 'C'], [13_440, 'F']]); // prettier-ignore
  });

  test.each([
    ['| C |\nm: | C4:1/11 D4 |', 'chart.length', 2, 9],
    ['| C |\nm: | C4:0 D4:4 |', 'chart.length', 2, 9],
    ['| C:1/0 F:3 |', 'chart.length', 1, 5],
    ['| C:1/2/3 F:3 |', 'chart.length', 1, 5],
    [`| ${'C '.repeat(11)}|`, 'chart.share', 1, 3],
    ['| C |\nm: | C4:1/3 D4 E4:3 |', 'chart.beats', 2, 5],
    ['| C:.333 F:3.6 |', 'chart.beats', 1, 3],
  ] as const)('%j: %s at %d:%d', (text, code, line, column) => {
    expect(problems(text)).toEqual([[code, line, column]]);
  });

  test('what is missing is said as a player counts it', () => {
    expect(readChart('| C |\nm: | C4:1/3 D4 E4:3 |').problems[0].detail).toBe(
      '4 beats in this bar, not 3 2/3',
    );
  });
});

describe('what is written can be read back', () => {
  test('drawn pieces', () => {
    fc.assert(
      fc.property(drawnPiece, (one) => {
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
