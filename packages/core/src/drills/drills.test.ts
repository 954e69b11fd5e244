import fc from 'fast-check';
import { averageHand, makeHand, pitchAt, standardGuitar } from '../fretboard';
import { gradeGrip } from '../effort';
import { must } from '../kernel';
import { beatsOf, checkScore, neckFrames, scoreBeats, tabText } from '../score';
import { soundSchedule } from '../sound';
import { mod12, parseChord } from '../theory';
import {
  changeLoop,
  easier,
  endsPlaying,
  harder,
  makeDrill,
  resultOf,
  ringCheck,
  rootCall,
  warmUp,
  type Recipe,
} from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const recipes: Recipe[] = [
  warmUp(3),
  changeLoop({ grips: [AM, C], beatsEach: 4 }),
  changeLoop({ grips: [C, F], beatsEach: 4, tempoBpm: 60 }),
  ringCheck(F),
  rootCall({ rootString: 5, answer: 'minor7', count: 8, secondsPerCall: 5, maxFret: 9 }, 3),
  rootCall({ rootString: 6, answer: 'root', count: 12, secondsPerCall: 5, maxFret: 12 }, 3),
];
const make = (recipe: Recipe) => must(makeDrill(recipe, context));

describe.each(recipes.map((recipe) => [recipe.family, recipe] as const))('%s', (_, recipe) => {
  test('gives the same drill for the same recipe, with a score that holds', () => {
    expect(make(recipe)).toEqual(make(recipe));
    expect(checkScore(make(recipe).score).ok).toBe(true);
    expect(scoreBeats(make(recipe).score)).toBeGreaterThan(0);
  });

  test('asks nothing this hand cannot hold', () => {
    for (const frame of neckFrames(make(recipe).score))
      expect(gradeGrip(frame.frets, averageHand, standardGuitar).ok).toBe(true);
  });

  test('an easier notch never has a higher grade, a harder one never a lower', () => {
    let current = recipe;
    for (let notch = 0; notch < 12; notch++) {
      const next = easier(current, context);
      if (!next.ok) break;
      expect(make(next.value).effort).toBeLessThanOrEqual(make(current).effort + 1e-9);
      current = next.value;
    }
    const up = harder(recipe, context);
    if (up.ok) expect(make(up.value).effort).toBeGreaterThanOrEqual(make(recipe).effort - 1e-9);
  });

  test('sounds what the neck shows', () => {
    const drill = make(recipe);
    const plucks = soundSchedule(drill.score, standardGuitar).filter((sound) => sound.kind === 'pluck');
    const shown = new Set(
      neckFrames(drill.score).flatMap((f) =>
        f.frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(standardGuitar, s, fret)])),
      ),
    );
    expect(new Set(plucks.map((pluck) => pluck.midiPitch))).toEqual(shown);
  });
});

describe('change loop', () => {
  test('counts its own changes as items, round and round', () => {
    const drill = make(recipes[1]);
    expect(drill.items.map((item) => item.kind)).toEqual(['grip', 'grip', 'change', 'change']);
    expect(drill.steps).toHaveLength(4);
  });

  test('starts under the tempo the model expects and is played in bursts when barred', () => {
    const open = make(recipes[1]);
    const barred = make(recipes[2]);
    expect(open.tempoBpm).toBeLessThan(open.predictedBpm ?? 0);
    expect([open.bursts.count, barred.bursts.count]).toEqual([1, 3]);
  });

  test('leaves the last beat of each bar for the change', () => {
    const [bar] = make(recipes[1]).score.parts[0].bars;
    expect(bar.events.map((event) => beatsOf(event.tick))).toEqual([0, 1, 2]);
  });

  test('tab of Am to C', () => {
    const lines = tabText({
      ...make(recipes[1]).score,
      parts: [{ name: 'g', bars: make(recipes[1]).score.parts[0].bars.slice(0, 2) }],
    }).split('\n');
    expect(lines[0]).toBe('|-0--0--0-|-0--0--0-|');
    expect(lines[1]).toBe('|-1--1--1-|-1--1--1-|');
    expect(lines[3]).toBe('|-2--2--2-|-2--2--2-|');
    expect(lines[4]).toBe('|-0--0--0-|-3--3--3-|');
    expect(lines[5]).toBe('|----------|----------|'.replaceAll('----------', '-'.repeat(9)));
  });

  test.each([
    [{ grips: [C], beatsEach: 4 }, 'drill.grips'],
    [{ grips: [C, AM], beatsEach: 4, tempoBpm: -5 }, 'drill.tempo'],
    [{ grips: [C, { chord: 'Q', frets: [0] }], beatsEach: 4 }, 'chord.root'],
    [{ grips: [C, { chord: 'C', frets: [9, 0, 0, 0, 0, 1] }], beatsEach: 4 }, 'grip.reach'],
  ])('%j is refused as %s', (parameters, code) => {
    const made = makeDrill(changeLoop(parameters), context);
    expect(made.ok ? '' : made.problem.code).toBe(code);
  });
});

describe('root call', () => {
  test('asks every fret once before any comes again, and each grip has its root where asked', () => {
    const roots = make(recipes[5]).items.map((item) => (item.kind === 'note' ? item.fret : -1));
    expect(new Set(roots).size).toBe(12);
    for (const item of make(recipes[4]).items) {
      if (item.kind !== 'grip') throw new Error('grips were asked for');
      const root = must(parseChord(item.chord)).tones[0].pitchClass;
      expect(mod12(pitchAt(standardGuitar, 1, item.frets[1] ?? -99))).toBe(root);
      expect(item.frets[0]).toBeNull();
    }
  });

  test('another seed asks in another order', () => {
    const other = { ...recipes[5], seed: 4 } as Recipe;
    expect(make(other).items).not.toEqual(make(recipes[5]).items);
  });
});

describe('warm up', () => {
  test('is light for every hand and starts higher for a smaller one', () => {
    const at = (sizeFactor: number) => {
      const drill = must(
        makeDrill(warmUp(3), { hand: must(makeHand({ sizeFactor })), instrument: standardGuitar }),
      );
      expect(drill.effort).toBeLessThan(20);
      expect(drill.hasBarre).toBe(false);
      return Number(drill.steps[0].ask.values.fret);
    };
    expect(at(0.7)).toBeGreaterThan(at(1));
  });
});

describe('a take', () => {
  test('is clean from nine of ten and nearly from seven', () => {
    expect([10, 9, 8, 7, 6, 0].map((clean) => resultOf(clean, 10))).toEqual([
      'clean',
      'clean',
      'nearly',
      'nearly',
      'not yet',
      'not yet',
    ]);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        (n) => resultOf(n, n) === 'clean' && resultOf(0, n) === 'not yet',
      ),
    );
  });

  test('any pain but unbroken fingertip skin ends playing for the day', () => {
    expect(endsPlaying({ hand: 'pain', where: 'wrist', side: 'left' })).toBe(true);
    expect(endsPlaying({ hand: 'pain', where: 'fingertip skin', side: 'left' })).toBe(false);
    expect(endsPlaying({ hand: 'pain', where: 'fingertip skin', side: 'left', skinBroken: true })).toBe(true);
    expect([endsPlaying({ hand: 'tense' }), endsPlaying(null)]).toEqual([false, false]);
  });
});
