/** Ear pairs: what sounds is what is named, by another reader; equal shares, tones and lengths; slips named on the neck too. */
import { Chord as TonalChord } from 'tonal';
import { averageHand, parseTuning, pitchAt, standardGuitar } from '../fretboard';
import { must, seededRandom } from '../kernel';
import { soundSchedule } from '../sound';
import { easier, earPairs, harder, makeDrill, nearestRecipe, slipOf, type Drill, type Recipe } from '.';
import { equalShares } from './families/ear-pairs';
import { HEARD_KINDS } from './families/ear-pairs/parameters';

const context = { hand: averageHand, instrument: standardGuitar };
const made = (recipe: Recipe, where = context): Drill => must(makeDrill(recipe, where));
const ears = (more: Partial<Parameters<typeof earPairs>[0]> = {}, seed = 1) =>
  earPairs(
    { what: 'triads', choices: 2, count: 20, hearings: 2, root: 'C', roving: false, sounded: 'together', ...more },
    seed,
  ); // prettier-ignore
const rights = (drill: Drill) =>
  drill.steps.map(({ answer }) => {
    if (answer?.kind !== 'choice') throw new Error('no choice');
    return answer.right;
  });
/** Pitches of each bar, event by event, the lowest first. */
const heard = (drill: Drill, instrument = standardGuitar) =>
  drill.score.parts[0].bars.map((bar) =>
    bar.events.map((event) =>
      event.notes.map((note) => pitchAt(instrument, note.stringIndex, note.fret)).sort((a, b) => a - b),
    ),
  );
const classes = (pitches: readonly number[]) => [...new Set(pitches.map((one) => one % 12))].sort((a, b) => a - b); // prettier-ignore

describe('what is heard is what is named', () => {
  const SUFFIX: Readonly<Record<string, string>> = { major: 'M', minor: 'm', diminished: 'dim', augmented: 'aug', sus4: 'sus4', sus2: 'sus2', maj7: 'maj7', '7': '7', m7: 'm7', m7b5: 'm7b5', dim7: 'dim7', '6 on top': '6', 'b7 on top': '7', '9 on top': 'Madd9', '7 on top': 'maj7', 'root on top': 'M' }; // prettier-ignore
  test.each(['triads', 'sevenths', 'sus or third', 'colours on top'] as const)(
    '%s by the tables of another reader, on C and on E flat',
    (what) => {
      for (const root of ['C', 'Eb']) {
        const drill = made(ears({ what, choices: 5, root }));
        const bars = heard(drill);
        rights(drill).forEach((name, i) => {
          const notes = TonalChord.getChord(SUFFIX[name], root).notes;
          const wanted = notes.map((note) => ['C', 'D', 'E', 'F', 'G', 'A', 'B'].reduce((pc, letter, at) => (note[0] === letter ? [0, 2, 4, 5, 7, 9, 11][at] : pc), 0) + (note.match(/#/g)?.length ?? 0) - (note.slice(1).match(/b/g)?.length ?? 0)); // prettier-ignore
          expect([name, classes(bars[i].flat())]).toEqual([
            name,
            [...new Set(wanted.map((pc) => (pc + 12) % 12))].sort((a, b) => a - b),
          ]);
          expect(bars[i][0][0] % 12).toBe(root === 'C' ? 0 : 3);
        });
      }
    },
  );
  test('the third of a major triad lies lowest where that is the answer, and the colour highest', () => {
    const inverted = made(ears({ what: 'inversions', choices: 3 }));
    const bars = heard(inverted);
    rights(inverted).forEach((name, i) =>
      expect(bars[i][0][0] % 12).toBe({ 'root lowest': 0, 'third lowest': 4, 'fifth lowest': 7 }[name]),
    );
    const top = made(ears({ what: 'colours on top', choices: 3 }));
    heard(top).forEach(
      ([chord], i) =>
      expect(chord[chord.length - 1] % 12).toBe({ '6 on top': 9, 'b7 on top': 10, '9 on top': 2 }[rights(top)[i]]), // prettier-ignore
    );
  });
  test('a degree is heard over its drone: root and fifth first, then both with the degree on top', () => {
    const drill = made(ears({ what: 'degrees over a drone', choices: 5, root: 'A' }));
    heard(drill).forEach(([drone, with_], i) => {
      expect(classes(drone)).toEqual([4, 9]);
      expect(with_.slice(0, 2)).toEqual(drone);
      expect((with_[2] - 9) % 12).toBe({ 1: 0, 2: 2, 3: 4, 5: 7, 6: 9 }[rights(drill)[i]]);
    });
  });
  test('a cadence begins at home; IV I, V vi and iv I sound their own triads over their roots', () => {
    const TRIADS: Readonly<Record<string, number[]>> = { I: [0, 4, 7], ii: [2, 5, 9], IV: [0, 5, 9], iv: [0, 5, 8], V: [2, 7, 11], vi: [0, 4, 9] }; // prettier-ignore
    const ROOTS: Readonly<Record<string, number>> = { I: 0, ii: 2, IV: 5, iv: 5, V: 7, vi: 9 };
    for (const what of ['cadences', 'progressions'] as const) {
      const drill = made(ears({ what, choices: 5 }));
      heard(drill).forEach((bar, i) => {
        const numerals = rights(drill)[i].split(' ');
        expect(bar.map(classes)).toEqual(numerals.map((one) => TRIADS[one]));
        expect(bar.map(([lowest]) => lowest % 12)).toEqual(numerals.map((one) => ROOTS[one]));
      });
    }
  });
});

test('equal: as many tones, as loud, as long, between E2 and E5, on any root', () => {
  for (const what of HEARD_KINDS)
    for (const sounded of ['together', 'one by one'] as const) {
      const drill = made(ears({ what, choices: 3, roving: true, count: 24, sounded }));
      const shapes = drill.score.parts[0].bars.map((bar) =>
        bar.events
          .map((event) => `${event.tick} ${event.ticks} ${event.notes.length} ${event.stroke}`)
          .join(),
      );
      expect(new Set(shapes).size).toBe(1);
      const sounds = soundSchedule(drill.score, standardGuitar).flatMap((one) => (one.kind === 'pluck' ? [one] : [])); // prettier-ignore
      expect(new Set(sounds.map((one) => one.level)).size).toBe(1);
      for (const { midiPitch } of sounds) {
        expect(midiPitch).toBeGreaterThanOrEqual(40);
        expect(midiPitch).toBeLessThanOrEqual(76);
      }
    }
});

test('every choice as often as the others, never four running, whatever is drawn', () => {
  for (let seed = 1; seed <= 60; seed++)
    for (const [choices, count] of [
      [['a', 'b'], 20],
      [['a', 'b'], 21],
      [['a', 'b', 'c'], 10],
      [['a', 'b', 'c', 'd', 'e'], 40],
    ] as const) {
      // prettier-ignore
      const drawn = equalShares<string>(choices, count, seededRandom(seed));
      const times = choices.map((one) => drawn.filter((other) => other === one).length);
      expect(Math.max(...times) - Math.min(...times)).toBeLessThanOrEqual(1);
      expect(drawn).toHaveLength(count);
      expect(/(.)\1{3}/.test(drawn.join(''))).toBe(false);
    }
  const runs = Array.from({ length: 40 }, (_, i) => equalShares(['a', 'b'], 20, seededRandom(i)).join(''));
  expect(runs.some((one) => /aaa|bbb/.test(one))).toBe(true);
  expect(new Set(runs).size).toBeGreaterThan(35);
});

test('a guess has two choices: eighteen of twenty, and no fewer are asked; a step down from three asks as many', () => {
  expect(made(ears()).question).toEqual({ code: 'question.ear', values: { of: 20, clean: 18 } });
  expect(made(ears({ choices: 3, count: 10 })).question.values.clean).toBe(9);
  const few = makeDrill(ears({ count: 10 }), context);
  expect(few.ok ? '' : [few.problem.code, few.problem.detail]).toEqual(['drill.count', '20 to 40']);
  expect(nearestRecipe(ears({ count: 10 }), context)).toEqual(ears({ count: 20 }));
  const down = must(easier(ears({ choices: 3, count: 10, hearings: 3, sounded: 'one by one' }), context));
  expect(down.family === 'ear pairs' && [down.parameters.choices, down.parameters.count]).toEqual([2, 20]);
});

test('nothing of it says the answer before it is heard; each may be heard so often', () => {
  const drill = made(ears({ what: 'cadences', choices: 3, hearings: 1 }));
  expect(new Set(drill.steps.map((step) => JSON.stringify(step.ask))).size).toBe(1);
  expect(new Set(drill.steps.map((step) => step.hearings))).toEqual(new Set([1]));
  expect(new Set(drill.steps.map(({ answer }) => answer?.kind === 'choice' && answer.choices.join())).size).toBe(1);
}); // prettier-ignore

test('from the easiest to the hardest and back, one thing a notch, in order of grade', () => {
  let recipe: Recipe = ears({ sounded: 'one by one', hearings: 3 });
  const grades: number[] = [];
  for (;;) {
    grades.push(made(recipe).effort);
    const up = harder(recipe, context);
    if (!up.ok) break;
    const back = must(easier(up.value, context));
    expect(made(back).effort).toBeLessThanOrEqual(made(up.value).effort);
    recipe = up.value;
  }
  expect(grades).toEqual([...grades].sort((a, b) => a - b));
  expect(recipe.family === 'ear pairs' && recipe.parameters).toMatchObject({ choices: 5, hearings: 1, roving: true, sounded: 'together' }); // prettier-ignore
});

test('a lower string is no reason to sound below E2', () => {
  const low = { ...context, instrument: { ...standardGuitar, openPitches: must(parseTuning('BEADGBE')) } };
  for (const root of ['B', 'C', 'D'])
    for (const { notes } of made(ears({ root, what: 'cadences' }), low).score.parts[0].bars.flatMap(
      (bar) => bar.events,
    ))
      // prettier-ignore
      for (const note of notes)
        expect(pitchAt(low.instrument, note.stringIndex, note.fret)).toBeGreaterThanOrEqual(40);
});

test('on four strings too; a root that is no note is refused, with C in its place', () => {
  const small = { ...context, instrument: { ...standardGuitar, openPitches: must(parseTuning('GCEA')) } };
  expect(makeDrill(ears({ what: 'sevenths', choices: 5 }), small).ok).toBe(true);
  const refused = makeDrill(ears({ root: 'H' }), context);
  expect(refused.ok ? '' : refused.problem.code).toBe('drill.root');
  expect(nearestRecipe(ears({ root: 'H' }), context)).toEqual(ears({ root: 'C' }));
});

describe('a slip has a name', () => {
  const at = (string: number, fret: number) => ({ string, fret });
  const one = { kind: 'any place' as const, places: [at(2, 5), at(2, 17), at(5, 8)] };
  const two = { kind: 'all places' as const, places: [at(3, 1), at(1, 0)] };
  test.each([
    [one, [at(2, 6)], 'a fret off on string 2'],
    [one, [at(5, 7)], 'a fret off'],
    [one, [at(4, 8)], 'another string'],
    [one, [at(4, 2)], null],
    [one, [at(2, 5)], null],
    [two, [at(3, 1)], 'one left out'],
    [two, [at(3, 1), at(1, 0), at(2, 3)], 'one too many'],
    [two, [at(3, 2), at(1, 0)], 'a fret off'],
    [two, [at(1, 0), at(3, 1)], null],
  ] as const)('%j answered by %j: %s', (answer, given, slip) => expect(slipOf(answer, given)).toBe(slip));
  test('a choice by its own list', () => {
    const choice = { kind: 'choice' as const, choices: ['E#', 'F'], right: 'E#', slips: { F: 'respelled' as const } }; // prettier-ignore
    expect([slipOf(choice, 'F'), slipOf(choice, 'E#'), slipOf(choice, 'G'), slipOf(choice, [at(1, 1)])]).toEqual(['respelled', null, null, null]); // prettier-ignore
    expect(slipOf(one, 'F')).toBeNull();
  });
});
