/** A lesson of five drills from G to Db: each as far up, spelled in flats, for the hand; what cannot follow says so. */
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { DEFAULT_LIMITS } from '../hands';
import { must } from '../kernel';
import { changeLoop, closeTriads, degrees, makeDrill, numberCalls, ringCheck, rootOf, twoAString, warmUp, type Recipe } from '../drills'; // prettier-ignore
import { noteText, readNote, type NoteName } from '../theory';
import { rekeyBlocks, rootOfBlocks, type PlanBlock } from '.';

const context = { hand: averageHand, instrument: standardGuitar, limits: DEFAULT_LIMITS };
const note = (text: string) => readNote(text)?.note as NoteName;
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const block = (recipe: Recipe | null, i = 0): PlanBlock => ({
  id: `b${i}`,
  kind: 'new',
  minutes: 6,
  title: { code: 'title.warm-up', values: {} },
  because: { code: 'because.chosen', values: {} },
  skillId: null,
  recipe,
  effort: 1,
  barreMinutes: 0,
  locked: true,
});
const lesson = [
  warmUp(3),
  degrees({ key: 'G major', of: 'triads', place: 'position', position: 3, way: 'up', beatsEach: 4 }),
  numberCalls({ key: 'G major', pool: '1 4 5', keys: 1, length: 8, lead: 4, layout: 'nearest' }),
  changeLoop({ grips: [G, C], beatsEach: 4, progression: { key: 'G major', numerals: ['I', 'IV'] } }),
  twoAString({ root: 'D', quality: 'dominant7', string: 6, way: 'up', fingers: '1 4', keys: 1, next: 'fourths' }), // prettier-ignore
].map(block);

test('the key of a lesson is the one most of its drills stand in', () => {
  expect(rootOfBlocks(lesson)).toEqual(note('G'));
  expect(rootOfBlocks([block(warmUp(3)), block(null)])).toBeNull();
});

test('from G to Db: roots as far up, in flats; open grips become others of the same chords; the warm-up has no key', () => {
  const moved = rekeyBlocks(lesson, note('G'), note('Db'), context);
  expect(moved.map((one) => one.followed)).toEqual(['keyless', 'moved', 'moved', 'other grips', 'moved']);
  expect(moved.slice(1).map((one) => one.block.recipe && noteText(rootOf(one.block.recipe) as NoteName))).toEqual(['Db', 'Db', 'Db', 'Ab']); // prettier-ignore
  const loop = moved[3].block.recipe;
  if (loop?.family !== 'change loop') throw new Error('another family');
  expect(loop.parameters.grips.map((one) => one.chord)).toEqual(['Db', 'Gb']);
  expect(loop.parameters.progression?.key).toBe('Db major');
  for (const { block: now, was } of moved) {
    expect([now.id, now.minutes, now.kind]).toEqual([was.id, was.minutes, was.kind]);
    const drill = must(makeDrill(now.recipe as Recipe, context));
    expect(drill.overLimit).toBe(false);
    expect(now.effort).toBe(drill.effort);
  }
  expect(moved[1].block.title.values.key).toBe('Db major');
});

test('every drill of a walk goes along, each as far as its own', () => {
  const own = ringCheck(C);
  const loop = changeLoop({ grips: [C, G], beatsEach: 4 });
  const walking: PlanBlock = {
    ...block(own),
    walk: [
      { step: 'hold', minutes: 4, recipe: own },
      { step: 'change', minutes: 2, recipe: loop },
    ],
  };
  const [{ block: moved }] = rekeyBlocks([walking], note('C'), note('D'), context);
  const [held, changed] = moved.walk ?? [];
  expect(held).toEqual({ step: 'hold', minutes: 4, recipe: moved.recipe });
  expect(changed.minutes).toBe(2);
  if (changed.recipe.family !== 'change loop') throw new Error('another family');
  expect(changed.recipe.parameters.grips.map((one) => one.chord)).toEqual(['D', 'A']);
});

test('roots are written as keys on them are: B for Cb, C# minor for Db minor', () => {
  const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
  const loop = (...grips: (typeof AM)[]) => block(changeLoop({ grips, beatsEach: 4 }));
  const chords = ({ recipe }: PlanBlock) => recipe?.family === 'change loop' && recipe.parameters.grips.map((one) => one.chord); // prettier-ignore
  const [minor, major] = rekeyBlocks([loop(AM, C), loop(G, C)], note('A'), note('Db'), context);
  expect(chords(minor.block)).toEqual(['C#m', 'E']);
  expect(chords(major.block)).toEqual(['B', 'E']);
});

test('for another hand in the same key grips are exchanged, and nothing else', () => {
  const small = { hand: must(makeHand({ sizeFactor: 0.7 })), instrument: standardGuitar, limits: { ...DEFAULT_LIMITS, gripEffort: 30 } }; // prettier-ignore
  const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
  const [loop, walk] = rekeyBlocks([block(changeLoop({ grips: [F, C], beatsEach: 4 })), lesson[0]], null, null, small); // prettier-ignore
  expect([loop.followed, walk.followed]).toEqual(['other grips', 'keyless']);
  const recipe = loop.block.recipe;
  expect(recipe?.family === 'change loop' && recipe.parameters.grips[0].frets).not.toEqual(F.frets);
  expect(walk.block.title).toEqual(walk.was.title);
});

test('what cannot follow stays as it was, with why; the nearest is taken where there is one', () => {
  const [ring] = rekeyBlocks([block(ringCheck(G))], note('G'), note('Db'), context);
  expect([ring.followed, ring.why?.code, ring.block.recipe]).toEqual(['stays', 'drill.open-strings', ringCheck(G)]); // prettier-ignore
  const tight = { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 24 } };
  const triads = closeTriads({ root: 'C', strings: [5, 4, 3], qualities: ['major', 'minor'], beatsEach: 4 });
  const [other] = rekeyBlocks([block(triads)], note('C'), note('F#'), tight);
  if (other.followed === 'nearest') {
    expect(other.why).not.toBeNull();
    expect(must(makeDrill(other.block.recipe as Recipe, tight)).overLimit).toBe(false);
  } else expect(['stays', 'moved', 'other grips']).toContain(other.followed);
  expect(rekeyBlocks([block(null)], note('G'), note('Db'), context)).toEqual([]);
});
