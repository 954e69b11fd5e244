import { changeLoop, firstRecipe, makeDrill, numberCalls, type Drill, type Recipe } from '@finch/core/drills';
import { averageHand, standardGuitar, type Instrument } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { effectScope, ref, shallowRef } from 'vue';
import { useHeard } from './use-heard';

const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const made = (recipe: Recipe): Drill =>
  must(makeDrill(recipe, { hand: averageHand, instrument: standardGuitar }));
const loop = made(changeLoop({ grips: [C, G], beatsEach: 4 }));
const numbers = made(
  numberCalls({ key: 'C major', pool: '1 4 5', keys: 1, length: 4, lead: 4, layout: 'fixed' }),
);
const quiz = made(firstRecipe('root call', { grip: C, from: null, instrument: standardGuitar }));
function begin(drill: Drill | null, own: Instrument | null = standardGuitar) {
  const at = shallowRef(drill);
  const heard = effectScope().run(() => useHeard(at, ref(own)))!;
  return { at, heard };
}

test('a drill is heard as it is played; called numbers begin with the click, so that no chord is given away', () => {
  const { at, heard } = begin(loop);
  expect([heard.heard.value, heard.score.value]).toEqual(['drill', loop.score]);
  at.value = numbers;
  expect(heard.heard.value).toBe('click');
  expect(heard.score.value?.parts[0].bars.every((bar) => bar.events.length === 0)).toBe(true);
});

test('what was chosen is kept from drill to drill, and where it cannot be had the drill itself sounds', () => {
  const { at, heard } = begin(loop);
  heard.heard.value = 'backing';
  expect(heard.score.value?.parts.map((part) => part.name)).toEqual(['backing']);
  at.value = quiz;
  expect([heard.choices.value, heard.heard.value]).toEqual([['drill'], 'drill']);
  at.value = numbers;
  expect(heard.heard.value).toBe('backing');
});

test('with no drill or no instrument yet there is nothing to choose and nothing to hear', () => {
  for (const { heard } of [begin(null), begin(loop, null)])
    expect([heard.choices.value, heard.score.value]).toEqual([[], null]);
});
