/** Strum reading, picking pattern, piece section and the bars they are written in. */
import fc from 'fast-check';
import { averageHand, pitchAt, standardGuitar } from '../fretboard';
import type { DrillContext } from '../hands';
import { must, seededRandom } from '../kernel';
import {
  beatsOf,
  checkScore,
  excerptOf,
  patternText,
  readChart,
  readPattern,
  scoreBeats,
  staffBars,
  tabText,
  ticksOf,
  writeChart,
} from '../score';
import { soundSchedule } from '../sound';
import { mod12, midiOf, parsePitch } from '../theory';
import { melodyPlaces } from './melody-places';
import { alternateBass } from './families/picking-pattern';
import { stepsAt, strumBars } from './families/strum-reading';
import {
  easier,
  gripsInOrder,
  harder,
  instrumentFor,
  makeDrill,
  pickingPattern,
  pieceSection,
  rekey,
  strumReading,
  STRUM_LEVELS,
  type NamedGrip,
  type Recipe,
} from '.';

const context: DrillContext = { hand: averageHand, instrument: standardGuitar };
const make = (recipe: Recipe) => must(makeDrill(recipe, context));
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const D = { chord: 'D', frets: [null, null, 0, 2, 3, 2] };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const problemOf = (recipe: Recipe): string => {
  const made = makeDrill(recipe, context);
  return made.ok ? '' : made.problem.code;
};

describe('strum reading', () => {
  const draw = fc.record({
    level: fc.integer({ min: 1, max: STRUM_LEVELS }),
    beats: fc.integer({ min: 2, max: 7 }),
    seed: fc.integer({ min: 1, max: 5000 }),
  });
  const text = (level: number, strokes: Parameters<typeof patternText>[0]['strokes']) =>
    patternText({ name: '', kind: 'strum', perBeat: stepsAt(level), strokes });

  test('the hand goes down on the beat and up between, whatever is struck', () => {
    fc.assert(
      fc.property(draw, ({ level, beats, seed }) => {
        for (const strokes of strumBars(level, beats, 8, seededRandom(seed)))
          strokes.forEach((stroke, i) => {
            const up = i % 2 === 1;
            if (stroke.startsWith('down')) expect(up).toBe(false);
            if (stroke.startsWith('up')) expect(up).toBe(true);
          });
      }),
      { numRuns: 200 },
    );
  });

  test('every bar can be read back, begins with a stroke and never holds on to silence', () => {
    fc.assert(
      fc.property(draw, ({ level, beats, seed }) => {
        const bars = strumBars(level, beats, 8, seededRandom(seed));
        for (const strokes of bars)
          expect(must(readPattern('strum', '', stepsAt(level), text(level, strokes))).strokes).toEqual(
            strokes,
          );
        const all = bars.flat();
        expect(all[0]).toBe('down');
        let rings = false;
        for (const stroke of all) {
          if (stroke === 'tie') expect(rings).toBe(true);
          if (stroke !== 'tie' && stroke !== 'rest') rings = !['stop', 'chop', 'mute'].includes(stroke);
        }
      }),
      { numRuns: 200 },
    );
  });

  test('a level holds what it is named for, and nothing of a later one', () => {
    const kinds = (level: number) =>
      new Set([1, 2, 3, 4, 5].flatMap((seed) => strumBars(level, 4, 8, seededRandom(seed)).flat()));
    expect([...kinds(1)].sort()).toEqual(['down', 'rest', 'stop']);
    expect(kinds(2).has('up')).toBe(true);
    expect(kinds(3).has('tie')).toBe(false);
    expect([kinds(4).has('tie'), kinds(4).has('down accent'), kinds(4).has('chop')]).toEqual([
      true,
      true,
      false,
    ]);
    expect([kinds(5).has('chop'), kinds(5).has('mute')]).toEqual([true, true]);
    expect([1, 2, 3, 4, 5, 6].map(stepsAt)).toEqual([2, 2, 2, 2, 2, 4]);
  });

  test('another sheet is another rhythm, from the first bars on', () => {
    const sheets = [1, 2, 3, 4, 5, 6].map((seed) => {
      const drill = make(strumReading({ grips: [C], beats: 4, level: 4, bars: 4 }, seed));
      return JSON.stringify(drill.score.parts[0].bars.slice(0, 2));
    });
    expect(new Set(sheets).size).toBeGreaterThan(4);
  });

  test('nothing is held over a bar line at which another grip begins; on one grip it may be', () => {
    const first = (grips: readonly NamedGrip[]) =>
      [1, 2, 3, 4, 5, 6, 7, 8].flatMap((seed) =>
        make(strumReading({ grips, beats: 4, level: 4, bars: 16 }, seed)).steps.map(({ item }) =>
          item.kind === 'strum' ? item.pattern.split(' ')[1] : '',
        ),
      );
    expect(first([C, AM]).filter((step) => step === '~' || step === '-')).toEqual([]);
    expect(first([C])).toContain('~');
  });

  test('bars take turns over the grips and each is an item of its own', () => {
    const drill = make(strumReading({ grips: [C, AM], beats: 4, level: 3, bars: 6 }, 3));
    expect(gripsInOrder(drill).map((grip) => grip.chord)).toEqual(['C', 'Am', 'C', 'Am', 'C', 'Am']);
    expect(drill.steps.map((step) => step.item.kind)).toEqual(new Array(6).fill('strum'));
    expect(drill.judged).toBe('time');
    expect(scoreBeats(drill.score)).toBe(24);
  });

  test('one level down at the same tempo, then slower; one level up, then faster', () => {
    const recipe = strumReading({ grips: [C], beats: 4, level: 2, bars: 4, tempoBpm: 80 });
    const down = must(easier(recipe, context));
    expect(down.parameters).toMatchObject({ level: 1, tempoBpm: 80 });
    expect(must(easier(down, context)).parameters).toMatchObject({ level: 1, tempoBpm: 74 });
    const top = strumReading({ grips: [C], beats: 4, level: 6, bars: 4, tempoBpm: 80 });
    expect(must(harder(top, context)).parameters).toMatchObject({ level: 6, tempoBpm: 85 });
  });

  test.each([
    [{ grips: [], beats: 4, level: 1, bars: 4 }, 'drill.grips'],
    [{ grips: [C], beats: 4, level: 9, bars: 4 }, 'drill.level'],
    [{ grips: [C], beats: 9, level: 1, bars: 4 }, 'drill.beats'],
    [{ grips: [C], beats: 4, level: 1, bars: 99 }, 'drill.bars'],
  ])('%j is refused as %s', (parameters, code) => {
    expect(problemOf(strumReading(parameters))).toBe(code);
  });
});

describe('picking pattern', () => {
  const plain = {
    grips: [C],
    pattern: 'p i m a',
    perBeat: 2,
    beats: 4,
    barsEach: 1,
    bass: 'root',
    striker: 'fingers',
  } as const;

  test('p i m a on C, as it is written in tab', () => {
    expect(tabText(make(pickingPattern(plain)).score).split('\n')).toEqual([
      '|----------0-----------0-|',
      '|-------1-----------1----|',
      '|----0-----------0-------|',
      '|------------------------|',
      '|-3-----------3----------|',
      '|------------------------|',
    ]);
  });

  test('the alternating thumb goes to the fifth where one is free, and says where it has nowhere to go', () => {
    const item = (grip: NamedGrip) => gripsInOrder(make(pickingPattern({ ...plain, grips: [grip] })))[0];
    const at = (grip: NamedGrip) => alternateBass(item(grip), context);
    // Am x02210: root on string 5, the fifth E on string 4. C x32010: only its third on string 4. D: nothing below.
    expect([at(AM), at(C), at(D)]).toEqual([2, 2, null]);
    expect(mod12(pitchAt(standardGuitar, 2, 2))).toBe(4);
    // G 320003 has its fifth on string 4, not the third on string 5.
    expect(at({ chord: 'G', frets: [3, 2, 0, 0, 0, 3] })).toBe(2);
    const drill = make(pickingPattern({ ...plain, grips: [AM, D], bass: 'alternating' }));
    const thumbs = drill.score.parts[0].bars.map((bar) =>
      bar.events.filter((event) => event.hand?.includes('p')).map((event) => event.notes[0].stringIndex),
    );
    expect(thumbs).toEqual([
      [1, 2],
      [2, 2],
    ]);
    expect(drill.leftOut.map((one) => one.values.chord)).toEqual(['D']);
  });

  test('a plectrum goes down on the beat and up between, and takes one string at a time', () => {
    const drill = make(pickingPattern({ ...plain, striker: 'plectrum' }));
    expect(drill.score.parts[0].bars[0].events.map((event) => event.hand)).toEqual([
      'down',
      'up',
      'down',
      'up',
      'down',
      'up',
      'down',
      'up',
    ]);
    expect(problemOf(pickingPattern({ ...plain, pattern: 'p im', striker: 'plectrum' }))).toBe(
      'drill.plectrum',
    );
    expect(problemOf(pickingPattern({ ...plain, pattern: 'p im' }))).toBe('');
  });

  test('a pattern that does not fill a bar goes on over the bar line', () => {
    const drill = make(pickingPattern({ ...plain, pattern: 'p i m a m i', barsEach: 2 }));
    const hands = drill.score.parts[0].bars.map((bar) =>
      bar.events.map((event) => event.hand?.toString()).join(' '),
    );
    // Eight steps a bar over six of the pattern; each bar is taken by itself from where the pattern has got to.
    expect(hands[0]).toBe('p i m a m i p i');
  });

  test.each([
    [{ pattern: 'p x' }, 'pattern.step'],
    [{ pattern: '- -' }, 'drill.picking'],
    [{ pattern: 'p i m' }, 'pattern.beats'],
    [{ perBeat: 5 }, 'pattern.per-beat'],
    [{ beats: 1 }, 'drill.beats'],
    [{ barsEach: 0 }, 'drill.bars'],
  ])('%j is refused as %s', (more, code) => {
    expect(problemOf(pickingPattern({ ...plain, ...more }))).toBe(code);
  });
});

const ROUND = readChart(`title: Round of lanterns
key: C
time: 3/4
tempo: 90
strum rock 2: D - d u x u
[A] x2 rock
| C | Am . F | C |1. F |2. C |
m: | E4:1 G4 C5 | C5:2 A4:1 | G4:3 | F4:2 A4:1 | C4:3 |
[B] rock
| F | F |
m: | A4:2 G4:1 | F4:3 |`).piece;
const GRIPS: Readonly<Record<string, readonly (number | null)[]>> = { C: C.frets, Am: AM.frets, F: F.frets };

function sectionOf(from: number, to: number, part: 'as written' | 'one stroke' | 'melody' = 'as written') {
  const cut = excerptOf(ROUND, from, to);
  if (!cut) throw new Error('no such bars');
  const chords = cut.piece.sections.flatMap((section) => section.bars.flatMap((bar) => bar.chords));
  return pieceSection({
    pieceId: 'round',
    title: ROUND.title,
    fromBar: cut.fromNumber,
    toBar: cut.toNumber,
    chart: writeChart(cut.piece),
    grips: chords.map(({ chord }) => GRIPS[chord] ?? null),
    part,
  });
}

describe('bars of a piece', () => {
  test('are taken as they are played, endings in their round', () => {
    // Played: 1 2 3 4(first ending) 1 2 3 5(second ending) 6 7.
    const cut = excerptOf(ROUND, 2, 5);
    expect(
      cut?.piece.sections.map((section) =>
        section.bars.map((bar) => bar.chords.map((one) => one.chord).join(' ')),
      ),
    ).toEqual([
      ['C', 'F'],
      ['C', 'Am F'],
    ]);
    expect([cut?.fromNumber, cut?.toNumber]).toEqual([3, 2]);
    expect(readChart(writeChart(cut?.piece ?? ROUND)).problems).toEqual([]);
    expect(excerptOf(ROUND, 8, 30)).toBeNull();
    expect(excerptOf(ROUND, -1, 1)).toBeNull();
  });

  test('begin with the chord that was sounding, and the pattern where it has got to', () => {
    const piece = readChart('time: 3/4\nstrum long 1: D d d u\n[A] long\n| C | . | F |').piece;
    const cut = excerptOf(piece, 1, 2);
    expect(cut?.piece.sections[0].bars[0].chords).toEqual([{ tick: 0, chord: 'C' }]);
    expect(cut?.writtenChords).toEqual([0, 1]);
    // Four steps over bars of three: the second bar begins with the fourth step.
    expect(cut?.piece.patterns[0].strokes).toEqual(['up', 'down accent', 'down', 'down']);
  });
});

describe('piece section', () => {
  test('plays the bars with their pattern, and the tab has their time', () => {
    const drill = make(sectionOf(0, 1));
    expect(tabText(drill.score).split('\n')[0]).toBe('|-0--0--0--x--0-|-0--0--0--x--1-|');
    expect(drill.score.parts[0].bars.map((bar) => bar.beats)).toEqual([3, 3]);
    expect(drill.steps.map((step) => [beatsOf(step.startTick), beatsOf(step.ticks)])).toEqual([
      [0, 3],
      [3, 2],
      [5, 1],
    ]);
  });

  test('a chord between two steps of the pattern is struck where it begins, and ends the one before', () => {
    const recipe = sectionOf(0, 1);
    const chart = 'time: 2/4\nstrum plain 1: d -\n[A] plain\n| C:.5 Am:.5 F:1 | |';
    const grips = [C.frets, AM.frets, F.frets];
    const drill = make({ ...recipe, parameters: { ...recipe.parameters, chart, grips } });
    const [one, two] = drill.score.parts[0].bars.map((bar) =>
      bar.events.map((event) => [beatsOf(event.tick), beatsOf(event.ticks), event.chord ?? '']),
    );
    expect(one).toEqual([
      [0, 0.5, 'C'],
      [0.5, 0.5, 'Am'],
      [1, 1, 'F'],
    ]);
    expect(two.map(([beat]) => beat)).toEqual([0]);
  });

  test('chords and notes in thirds and fifths stay whole, on the strings, on the staff and in the take', () => {
    const recipe = sectionOf(0, 1);
    const chart =
      'strum plain 2: D u\n[A] plain\n| C:4/3 Am:4/3 F:4/3 | |\nm: | C4:1/3 D4 E4 F4:3/5 G4 A4:9/5 | r:4 |';
    const { parameters } = {
      ...recipe,
      parameters: { ...recipe.parameters, chart, grips: [C.frets, AM.frets, F.frets] },
    };
    for (const part of ['as written', 'one stroke', 'melody'] as const) {
      const { score, steps } = make({ ...recipe, parameters: { ...parameters, part } });
      expect(checkScore(score).ok).toBe(true);
      for (const bar of staffBars(score, standardGuitar))
        expect(bar.events.reduce((sum, event) => sum + event.ticks, 0)).toBe(ticksOf(4));
      expect(steps.every((step) => Number.isInteger(step.startTick) && Number.isInteger(step.ticks))).toBe(
        true,
      );
    }
    const { score } = make({ ...recipe, parameters: { ...parameters, part: 'one stroke' } });
    expect(score.parts[0].bars[0].events.map((event) => event.tick)).toEqual([0, 13_440, 26_880]);
  });

  test('a pattern longer than a bar goes on in the next one', () => {
    const recipe = sectionOf(0, 1);
    const chart = 'time: 3/4\nstrum long 1: D d d u\n[A] long\n| C | F |';
    const { score } = make({
      ...recipe,
      parameters: { ...recipe.parameters, chart, grips: [C.frets, F.frets] },
    });
    expect(score.parts[0].bars.map((bar) => bar.events.map((event) => event.hand))).toEqual([
      ['down accent', 'down', 'down'],
      ['up', 'down accent', 'down'],
    ]);
  });

  test('one stroke a chord sounds each chord once', () => {
    const drill = make(sectionOf(0, 1, 'one stroke'));
    const events = drill.score.parts[0].bars.flatMap((bar) => bar.events);
    expect(events.map((event) => [event.chord, beatsOf(event.ticks)])).toEqual([
      ['C', 3],
      ['Am', 2],
      ['F', 1],
    ]);
  });

  test('is never begun faster than the piece is written, whatever the hand could do', () => {
    expect(make(sectionOf(8, 9)).tempoBpm).toBeLessThanOrEqual(90);
  });

  test('the melody sounds as written, bar by bar, on places a hand has', () => {
    const drill = make(sectionOf(0, 3, 'melody'));
    const heard = soundSchedule(drill.score, standardGuitar).flatMap((one) =>
      one.kind === 'pluck' ? [one.midiPitch] : [],
    );
    const written = 'E4 G4 C5 C5 A4 G4 F4 A4'.split(' ').map((name) => midiOf(must(parsePitch(name))));
    expect(heard).toEqual(written);
    expect(drill.steps.map((step) => step.ask.values.bar)).toEqual([1, 2, 3, 4]);
  });

  test('a capo of the piece goes with the drill', () => {
    const recipe = sectionOf(0, 1);
    const behind = {
      ...recipe,
      parameters: { ...recipe.parameters, chart: `capo: 3\n${recipe.parameters.chart}` },
    };
    const drill = make(behind);
    expect(instrumentFor(drill, standardGuitar).capo).toBe(3);
    expect(gripsInOrder(drill).every((grip) => grip.capo === 3)).toBe(true);
    // A piece without one is played without one, whatever stands on the guitar.
    expect(instrumentFor(make(recipe), { ...standardGuitar, capo: 2 }).capo).toBe(0);
  });

  test.each([
    [{ chart: 'nonsense' }, 'drill.section'],
    [{ chart: '[A]\n' }, 'drill.section'],
    [{ grips: [] }, 'drill.section-grips'],
    [{ grips: [null, null, null] }, 'drill.section-grips'],
    [{ chart: 'time: 3/4\n[A]\n| C | Am . F |', part: 'melody' }, 'drill.melody'],
    [{ chart: 'time: 3/4\n[A]\n| C | Am . F |\nm: | C8:3 | r:3 |', part: 'melody' }, 'drill.melody-range'],
  ])('%j is refused as %s', (more, code) => {
    const recipe = sectionOf(0, 1);
    expect(problemOf({ ...recipe, parameters: { ...recipe.parameters, ...more } } as Recipe)).toBe(code);
  });

  test('open grips keep it in its key; barred ones move with the chart', () => {
    const open = rekey(sectionOf(0, 1), { letter: 'D', accidental: 0 }, standardGuitar);
    expect(open.ok ? '' : open.problem.code).toBe('drill.open-strings');
    const barred = sectionOf(8, 9);
    const moved = must(rekey(barred, { letter: 'D', accidental: 0 }, standardGuitar));
    if (moved.family !== 'piece section') throw new Error('another family');
    const { piece } = readChart(moved.parameters.chart);
    expect(piece.key).toBe('D major');
    expect(piece.sections[0].bars[0].chords[0].chord).toBe('G');
    expect(moved.parameters.grips[0]).toEqual([3, 5, 5, 4, 3, 3]);
    expect(problemOf(moved)).toBe('');
  });
});

describe('melody places', () => {
  test('a scale in first position stays there, with open strings', () => {
    const scale = 'C4 D4 E4 F4 G4'.split(' ').map((name) => midiOf(must(parsePitch(name))));
    expect(melodyPlaces(scale, standardGuitar)?.map((place) => [place.stringIndex, place.fret])).toEqual([
      [4, 1],
      [4, 3],
      [5, 0],
      [5, 1],
      [5, 3],
    ]);
  });

  test('every note sounds as asked, with one finger a fret; below the neck there is nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 45, max: 76 }), { minLength: 1, maxLength: 24 }), (midi) => {
        const places = melodyPlaces(midi, standardGuitar);
        expect(places?.map((place) => pitchAt(standardGuitar, place.stringIndex, place.fret))).toEqual(midi);
        for (const place of places ?? [])
          expect(place.finger).toBe(place.fret === 0 ? 0 : place.fret - place.position + 1);
      }),
      { numRuns: 60 },
    );
    expect(melodyPlaces([20], standardGuitar)).toBeNull();
  });
});
