/** What grades lower in place of a drill: of the same kind, at least five points lighter, none where nothing is. */
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { firstSyllabus } from '../syllabus';
import { lighterInstead } from './instead';
import { makeDrill } from './make-drill';
import { changeLoop, earPairs, ringCheck, warmUp } from './recipe';

const on = { hand: averageHand, instrument: standardGuitar };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };

test('of a barre the same chord lighter, by what the grades say; of a loop with it the loop', () => {
  for (const recipe of [ringCheck(F), changeLoop({ grips: [C, F], beatsEach: 4, tempoBpm: 60 })]) {
    const found = lighterInstead(recipe, on);
    if (!found) throw new Error(`nothing lighter than ${recipe.family}`);
    expect(found.recipe.family).toBe(recipe.family);
    expect(found.was).toBe(must(makeDrill(recipe, on)).heaviestGrip);
    expect(found.effort).toBe(must(makeDrill(found.recipe, on)).heaviestGrip);
    expect(found.effort).toBeLessThanOrEqual(found.was - 5);
    const chords = must(makeDrill(found.recipe, on)).items.flatMap((item) =>
      item.kind === 'grip' ? [item.chord] : [],
    );
    expect(chords).toContain('F');
  }
});

test('none of what asks no grip of a hand', () => {
  expect(lighterInstead(warmUp(2), on)).toBeNull();
  expect(lighterInstead(earPairs({ what: 'triads', choices: 2, count: 10, hearings: 1, root: 'D', roving: false, sounded: 'together' }), on)).toBeNull(); // prettier-ignore
});

test('of every drill of the syllabus, for a small hand too: lighter by five points or none', () => {
  const small = { hand: must(makeHand({ sizeFactor: 0.82 })), instrument: standardGuitar };
  let found = 0;
  for (const { practice } of firstSyllabus.skills.filter((_, i) => i % 4 === 0)) {
    const instead = lighterInstead(practice[0].recipe, small);
    if (!instead) continue;
    found++;
    expect(must(makeDrill(instead.recipe, small)).heaviestGrip).toBeLessThanOrEqual(instead.was - 5);
  }
  expect(found).toBeGreaterThan(3);
});
