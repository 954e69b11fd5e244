import type { DrillContext } from '@finch/core/hands';
import { easier, FAMILIES, firstRecipe, harder } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { notchWords } from './notch-words';

const context: DrillContext = { hand: averageHand, instrument: standardGuitar };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const families = FAMILIES.map((one) => one.name);

test.each(families)('%s: every notch down and up is said, in no word of the code', (family) => {
  let recipe = firstRecipe(family, { grip: F, from: null, instrument: standardGuitar });
  for (let notch = 0; notch < 12; notch++) {
    for (const way of [easier, harder]) {
      const next = way(recipe, context);
      if (!next.ok) continue;
      const words = notchWords(recipe, next.value);
      expect(words).not.toBe('');
      expect(words).not.toMatch(/[a-z][A-Z]/);
    }
    const down = easier(recipe, context);
    if (!down.ok) break;
    recipe = down.value;
  }
});

test('numbers are said with what they are', () => {
  const loop = firstRecipe('change loop', { grip: F, from: null, instrument: standardGuitar });
  if (loop.family !== 'change loop') throw new Error('another family');
  const slower = { ...loop, parameters: { ...loop.parameters, tempoBpm: 52 } };
  expect(notchWords(loop, slower)).toBe('tempo 52');
  expect(notchWords(slower, loop)).toBe('tempo');
  expect(notchWords(loop, loop)).toBe('');
});
