import type { PracticeCard } from '@finch/contract';
import { changeLoop, ringCheck, type Recipe } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { makeDrafts } from '../../session/drafts';
import { useCardEase, type LaidCard } from './use-card-ease';

const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const card = (recipe: Recipe): PracticeCard => ({
  skillId: null,
  title: 'card',
  recipe,
  minutes: 4,
  because: { code: 'because.given', values: {} },
});
const loop = card(changeLoop({ grips: [C, F], beatsEach: 4, tempoBpm: 80 }));
const ring = card(ringCheck(C));
const memory = () => {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  } as unknown as Storage;
};
function room(storage = memory(), day = 'Tue') {
  const drafts = makeDrafts(
    storage,
    () => 'junia',
    () => 0,
  );
  return useCardEase(() => [loop, ring], () => ({ hand: averageHand, instrument: standardGuitar }), drafts, () => day); // prettier-ignore
}
const first = (of: ReturnType<typeof room>): LaidCard => of.cards.value[0];

test('tense once: the easier notch is offered, lies in its place and begins anew', () => {
  const ease = room();
  expect([ease.felt(first(ease), 'easy'), ease.offers(first(ease))]).toEqual([null, false]);
  expect(ease.felt(first(ease), 'tense')).toBe('tense');
  expect([ease.wasTense(first(ease)), ease.offers(first(ease))]).toEqual([true, true]);
  const before = first(ease);
  ease.ease(before);
  expect(first(ease).key).toBe(before.key);
  expect(first(ease).recipe).not.toEqual(before.recipe);
  expect(ease.offers(first(ease))).toBe(false);
  expect(ease.felt(first(ease), 'tense')).toBe('tense');
  expect(ease.cards.value).toHaveLength(2);
});

test('tense twice running: off for the day, what grades lower in its place; an easy take between begins anew', () => {
  const ease = room();
  ease.felt(first(ease), 'tense');
  ease.felt(first(ease), 'easy');
  expect(ease.felt(first(ease), 'tense')).toBe('tense');
  expect(ease.felt(first(ease), 'tense')).toBe('off');
  expect(ease.hasInstead(ease.all.value[0])).toBe(true);
  const [lighter, second, ...more] = ease.cards.value;
  expect([more, second.recipe, ease.all.value.length]).toEqual([[], ring.recipe, 2]);
  expect([lighter.recipe.family, lighter.title, lighter.minutes]).toEqual(['change loop', 'card', 4]);
  const { now, was } = lighter.because.values as { now: number; was: number };
  expect(lighter.because.code).toBe('because.lighter');
  expect(now).toBeLessThan(was - 4);
  // It tenses the hand too: then nothing lies there any more.
  ease.felt(lighter, 'tense');
  expect(ease.felt(lighter, 'tense')).toBe('off');
  expect(ease.cards.value.map(({ recipe }) => recipe)).toEqual([ring.recipe]);
});

test('a reload of the same day keeps what is off and what is lighter; another day begins anew', () => {
  const storage = memory();
  const ease = room(storage);
  ease.felt(ease.cards.value[1], 'tense');
  ease.felt(ease.cards.value[1], 'tense');
  ease.felt(first(ease), 'tense');
  ease.ease(first(ease));
  const again = room(storage);
  expect(again.cards.value.map(({ recipe }) => recipe)).toEqual(ease.cards.value.map(({ recipe }) => recipe));
  expect(again.cards.value[0].recipe).not.toEqual(loop.recipe);
  expect(again.cards.value[1].because.code).toBe('because.lighter');
  const tomorrow = room(storage, 'Wed');
  expect(tomorrow.cards.value.map(({ recipe }) => recipe)).toEqual([loop.recipe, ring.recipe]);
});

test('a hand nobody knows is offered no notch', () => {
  const drafts = makeDrafts(memory(), () => 'junia', () => 0); // prettier-ignore
  const ease = useCardEase(() => [loop], () => null, drafts, () => 'Tue'); // prettier-ignore
  ease.felt(first(ease), 'tense');
  expect([ease.wasTense(first(ease)), ease.offers(first(ease))]).toEqual([true, false]);
  ease.felt(first(ease), 'tense');
  expect(ease.cards.value).toEqual([]);
});
