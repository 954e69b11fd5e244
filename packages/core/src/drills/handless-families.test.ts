/** Families without a guitar: tones of a key that are sung, rhythms that are tapped. */
import fc from 'fast-check';
import { averageHand, makeInstrument, parseTuning, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { soundingMidi, staffBars, ticksOf } from '../score';
import { soundSchedule } from '../sound';
import { readPattern } from '../score/pattern';
import { easier, harder, isQuiet, makeDrill, nearestRecipe, singIt, slipOf, tapIt, type Answer } from '.';

const context = { hand: averageHand, instrument: standardGuitar };
type Sung = Parameters<typeof singIt>[0];
const sing = (more: Partial<Sung> = {}, seed = 1) =>
  singIt({ key: 'C major', what: 'the scale', voice: 'low', count: 10, ...more }, seed);
const tap = (more: Partial<Parameters<typeof tapIt>[0]> = {}, seed = 1) =>
  tapIt({ level: 1, beats: 4, bars: 8, ...more }, seed);
const sungOf = (answer: Answer | undefined) => {
  if (answer?.kind !== 'sung') throw new Error('not sung');
  return answer;
};

test('no hand plays in either', () => {
  expect([isQuiet(sing()), isQuiet(tap())]).toEqual([true, true]);
});

describe('sing it', () => {
  test('by hand: the chord of E flat major, home from F2 up, is sung as Eb3, G3 and Bb3', () => {
    const drill = must(makeDrill(sing({ key: 'Eb major', what: 'the chord' }), context));
    const asked = new Map(drill.steps.map(({ answer }) => [sungOf(answer).right, sungOf(answer).pitch]));
    expect(Object.fromEntries(asked)).toEqual({ Eb: 51, G: 55, Bb: 58 });
    const minor = must(makeDrill(sing({ key: 'F# minor', what: 'the five', count: 20 }), context));
    expect(new Set(minor.steps.map(({ answer }) => sungOf(answer).right))).toEqual(
      new Set(['F#', 'A', 'B', 'C#', 'E']),
    );
  });

  test('what is asked sounds where its answer says, after the key, and nothing else does', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('C major', 'Ab major', 'F# major', 'E minor', 'Bb minor'),
        fc.constantFrom<Sung['what']>('home', 'home and 5', 'the chord', 'the five', 'the scale'),
        fc.constantFrom<Sung['voice']>('low', 'high'),
        fc.integer({ min: 1, max: 30 }),
        (key, what, voice, seed) => {
          const drill = must(makeDrill(sing({ key, what, voice }, seed), context));
          const { bars } = drill.score.parts[0];
          for (const { answer, startTick, ask, hearings } of drill.steps) {
            const { right, pitch, heardTick } = sungOf(answer);
            const sounds = bars[heardTick / ticksOf(4)].events.flatMap(({ notes }) => notes);
            expect(sounds.map((note) => soundingMidi(note, standardGuitar))).toEqual([pitch]);
            expect(sounds[0].name).toBe(right);
            expect(ask.values.note).toBe(right);
            expect([heardTick - startTick, hearings]).toEqual([ticksOf(4), 3]);
            // Within an octave of home, which lies where the voice does.
            const lowest = voice === 'low' ? 41 : 53;
            expect(pitch).toBeGreaterThanOrEqual(lowest);
            expect(pitch).toBeLessThan(lowest + 23);
            const given = bars[startTick / ticksOf(4)].events;
            // Home itself is not given away where it is what is asked.
            expect(given).toHaveLength(what === 'home' ? 1 : 2);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  test('another tone each time where there are several; the same seed asks the same', () => {
    const asked = (seed: number) =>
      must(makeDrill(sing({ what: 'the chord' }, seed), context)).steps.map(
        ({ answer }) => sungOf(answer).right,
      );
    for (const seed of [1, 2, 3, 4])
      asked(seed).forEach((tone, i, all) => i > 0 && expect(tone).not.toBe(all[i - 1]));
    expect(asked(2)).toEqual(asked(2));
    expect(asked(2)).not.toEqual(asked(3));
  });

  test('easier down to home alone, harder up to the scale, each no lighter than the one before', () => {
    let recipe = sing({ what: 'home' });
    const efforts = [must(makeDrill(recipe, context)).effort];
    for (;;) {
      const next = harder(recipe, context);
      if (!next.ok) {
        expect(next.problem.code).toBe('drill.hardest');
        break;
      }
      recipe = next.value as typeof recipe;
      efforts.push(must(makeDrill(recipe, context)).effort);
    }
    expect(efforts).toHaveLength(5);
    expect(efforts).toEqual(efforts.toSorted((a, b) => a - b));
    expect(recipe.parameters.what).toBe('the scale');
    const down = easier(sing({ what: 'home' }), context);
    expect(!down.ok && down.problem.code).toBe('drill.easiest');
  });

  test('an instrument without that octave takes another; bad counts are refused and mended', () => {
    const home = (tuning: string, voice: Sung['voice']) => {
      const instrument = must(makeInstrument({ openPitches: must(parseTuning(tuning)) }));
      const drill = must(
        makeDrill(sing({ key: 'D major', what: 'home', voice }), { ...context, instrument }),
      );
      return sungOf(drill.steps[0].answer).pitch;
    };
    // G, C, E and A below the bass of a guitar, and a guitar.
    expect([home('GCEA', 'low'), home('GCEA', 'high')]).toEqual([50, 50]);
    expect([home('EADGBE', 'low'), home('EADGBE', 'high')]).toEqual([50, 62]);
    for (const count of [4, 21, 7.5]) {
      const bad = makeDrill(sing({ count }), context);
      expect(!bad.ok && bad.problem.code).toBe('drill.count');
      expect(nearestRecipe(sing({ count }), context)).not.toBeNull();
    }
  });

  test('a tone that was not sung is like no usual slip', () => {
    const [{ answer }] = must(makeDrill(sing(), context)).steps;
    expect(slipOf(sungOf(answer), 'Not yet')).toBeNull();
  });
});

describe('tap it', () => {
  test('one cross a tap on the middle line, as long as until the next; what is read is what is heard', () => {
    const drill = must(makeDrill(tap({ level: 4 }, 3), context));
    const written = staffBars(drill.score, standardGuitar).flatMap(({ events }) =>
      events.filter(({ notes }) => notes.length > 0),
    );
    expect(new Set(written.flatMap(({ notes }) => notes.map(({ midi }) => midi)))).toEqual(new Set([59]));
    expect(written.every(({ muffled }) => muffled)).toBe(true);
    const struck = written.filter(({ tied }) => !tied);
    const heard = soundSchedule(drill.score, standardGuitar).filter(({ kind }) => kind === 'pluck');
    expect(heard).toHaveLength(struck.length);
    expect(written.length).toBeGreaterThan(struck.length);
  });

  test('a tap for each stroke of its items and none for a silence', () => {
    for (const level of [1, 2, 3, 4, 5])
      for (const seed of [1, 2, 3]) {
        const drill = must(makeDrill(tap({ level, bars: 4 }, seed), context));
        drill.score.parts[0].bars.forEach((bar, b) => {
          const { item } = drill.steps[b];
          if (item.kind !== 'strum') throw new Error(item.kind);
          const [perBeat, text] = item.pattern.split(': ');
          const { strokes } = must(readPattern('strum', '', Number(perBeat) as 2 | 4, text));
          const at = strokes.flatMap((stroke, i) =>
            stroke === 'rest' || stroke === 'tie' || stroke === 'stop' ? [] : [ticksOf(i) / Number(perBeat)],
          );
          const taps = bar.events.filter(({ notes }) => !notes[0].tied).map(({ tick }) => tick);
          expect([level, seed, b, taps]).toEqual([level, seed, b, at]);
        });
      }
  });

  test('a faster or a higher one is never lighter; nothing is held and no change is predicted', () => {
    const effort = (level: number, tempoBpm: number) =>
      must(makeDrill(tap({ level, tempoBpm }), context)).effort;
    for (const bpm of [40, 80, 160])
      for (const level of [1, 2, 3, 4])
        expect(effort(level + 1, bpm)).toBeGreaterThanOrEqual(effort(level, bpm));
    expect(effort(5, 150)).toBeGreaterThan(effort(5, 60));
    expect(must(makeDrill(tap(), context))).toMatchObject({
      heaviestGrip: 0,
      predictedBpm: null,
      overLimit: false,
      judged: 'time',
      tempoBpm: 66,
    });
  });

  test.each([
    [{ level: 0 }, 'drill.level'],
    [{ level: 6 }, 'drill.level'],
    [{ beats: 1 }, 'drill.beats'],
    [{ bars: 17 }, 'drill.bars'],
    [{ tempoBpm: 20 }, 'drill.tempo'],
  ])('%j is refused', (more, code) => {
    const made = makeDrill(tap(more), context);
    expect(!made.ok && made.problem.code).toBe(code);
  });

  test('down a level, on the first one slower; up a level, on the last one faster', () => {
    const next = (made: ReturnType<typeof easier>) => {
      const { family, parameters } = must(made);
      if (family !== 'tap it') throw new Error(family);
      return [parameters.level, parameters.tempoBpm];
    };
    expect(next(easier(tap({ level: 3 }), context))).toEqual([2, 66]);
    expect(next(easier(tap(), context))).toEqual([1, 61]);
    expect(next(harder(tap({ level: 4 }), context))).toEqual([5, 66]);
    expect(next(harder(tap({ level: 5 }), context))).toEqual([5, 70]);
  });
});
