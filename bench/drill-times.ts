/**
 * npm run bench:drills: how long the drills of each family take to be made, cold (a root and recipe never asked before in
 * this process) over twelve roots and what the notches lead to. Medians and the longest; aims 50 ms and 200 ms, never asserted.
 */
import { FAMILIES, firstRecipe, harder, makeDrill, rekey, type Recipe } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { median } from '@finch/core/kernel';
import { rootNamed } from '@finch/core/theory';

const context = { hand: averageHand, instrument: standardGuitar };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const NOTCHES = 6;

/** The first recipe of a family on every root, and a few notches harder on the way. */
function recipesOf(first: Recipe): Recipe[] {
  return Array.from({ length: 12 }, (_, pitchClass) => {
    const moved = rekey(first, rootNamed(pitchClass), standardGuitar);
    let recipe = moved.ok ? moved.value : first;
    for (let i = 0; i < pitchClass % NOTCHES; i++) {
      const next = harder(recipe, context);
      if (next.ok) recipe = next.value;
    }
    return recipe;
  });
}

const all: number[] = [];
const rows = FAMILIES.map(({ name }) => {
  const recipes = recipesOf(firstRecipe(name, { grip: F, from: null, instrument: standardGuitar }));
  const times = recipes.map((recipe) => {
    const began = performance.now();
    makeDrill(recipe, context);
    return performance.now() - began;
  });
  all.push(...times);
  return { family: name, median: median(times), longest: Math.max(...times) };
});
for (const { family, median: middle, longest } of [...rows].sort((a, b) => b.median - a.median))
  console.log(
    `${family.padEnd(20)} ${middle.toFixed(1).padStart(7)} ms ${longest.toFixed(0).padStart(6)} ms`,
  );
console.log(
  `${'all'.padEnd(20)} ${median(all).toFixed(1).padStart(7)} ms ${Math.max(...all)
    .toFixed(0)
    .padStart(6)} ms`,
);
