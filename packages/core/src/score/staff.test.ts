import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { closeTriads, makeDrill, stringWalk, type Recipe } from '../drills';
import { pitchText } from '../theory';
import { checkScore, type Score, staffBars, ticksOf } from '.';

const drill = (recipe: Recipe) => must(makeDrill(recipe, { hand: averageHand, instrument: standardGuitar }));
const written = (score: Score) =>
  staffBars(score, standardGuitar).map((bar) =>
    bar.events.map((event) => event.notes.map((note) => pitchText(note.written)).join(' ') || 'rest'),
  );

test('the open strings stand an octave above what they sound', () => {
  const walk = drill(stringWalk({ string: 6, key: 'C major', maxFret: 5, calls: 1, secondsPerCall: 5 }));
  expect(written(walk.score)[0]).toEqual(['E3', 'F3', 'G3', 'A3']);
  expect(staffBars(walk.score, standardGuitar)[0].events[0].notes[0].midi).toBe(40);
});

test('a triad is spelled by its chord: D flat minor has an F flat', () => {
  const triads = drill(closeTriads({ root: 'Db', strings: [3, 2, 1], qualities: ['minor'], beatsEach: 4 }));
  const notes = written(triads.score).flat().join(' ');
  expect(notes).toMatch(/Fb/);
  expect(notes).not.toMatch(/E\d/);
});

test('what is not played is a rest, and every bar is full', () => {
  const triads = drill(closeTriads({ root: 'F', strings: [3, 2, 1], qualities: ['major'], beatsEach: 4 }));
  const bars = staffBars(triads.score, standardGuitar);
  for (const bar of bars) {
    expect(bar.events.reduce((sum, event) => sum + event.ticks, 0)).toBe(ticksOf(bar.beats));
    expect(bar.events[bar.events.length - 1].notes).toEqual([]);
  }
});

test('an E sharp stays an E sharp', () => {
  const walk = drill(stringWalk({ string: 6, key: 'F# major', maxFret: 5, calls: 1, secondsPerCall: 5 }));
  expect(written(walk.score)[0]).toContain('E#3');
  expect(written(walk.score).flat().join(' ')).not.toMatch(/\bF3\b/);
});

test.each([
  [0.5, 5040, 'score.ticks'],
  [0, 3360.1, 'score.ticks'],
  [0, 0, 'score.length'],
  [30_241, 10_080, 'score.bar'],
  [30_240, 10_080, 'ok'],
])('an event at tick %d for %d ticks: %s', (tick, ticks, said) => {
  const event = { tick, ticks, notes: [], stroke: 'pick' as const };
  const parts = [{ name: 'g', bars: [{ beats: 4, events: [event] }] }];
  const checked = checkScore({ schemaVersion: 1, strings: 6, tempoBpm: 60, countInBeats: 4, parts });
  expect(checked.ok ? 'ok' : checked.problem.code).toBe(said);
});

test('a bar that begins late begins with a rest', () => {
  const score: Score = {
    schemaVersion: 1,
    strings: 6,
    tempoBpm: 60,
    countInBeats: 4,
    parts: [
      {
        name: 'g',
        bars: [
          {
            beats: 4,
            events: [
              {
                tick: ticksOf(2),
                ticks: ticksOf(1),
                notes: [{ stringIndex: 5, fret: 0, finger: 0 }],
                stroke: 'pick',
              },
            ],
          },
        ],
      },
    ],
  };
  expect(written(score)).toEqual([['rest', 'E5', 'rest']]);
});
