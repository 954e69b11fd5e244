import { recipeSchema } from '@finch/contract';
import { makeDrill, SECTION_LIMITS } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { pieceDemand, readChart, writtenChords } from '@finch/core/score';
import * as v from 'valibot';
import { changesQuery, sectionDrill, weakestLoop } from './hand-on';

const { piece } = readChart(`title: Oar Song
key: C
time: 4/4
tempo: 90
capo: 2
[A] x2
| C | Am . F . |1. (3/4) G |2. (4/4) C |`);
const options = { hand: averageHand, instrument: standardGuitar };
const demand = pieceDemand(piece, options);
const grips = demand.chords.map((one) => one.step.grip?.frets ?? null);

test('picked bars become a drill with the grips they were given', () => {
  const recipe = sectionDrill(piece, 'oar', [2, 3], grips);
  expect(recipe?.parameters).toMatchObject({ pieceId: 'oar', fromBar: 2, toBar: 3, title: 'Oar Song' });
  expect(recipe?.parameters.grips).toEqual(grips.slice(1, 4));
  expect(recipe && makeDrill(recipe, options).ok).toBe(true);
  expect(recipe && must(makeDrill(recipe, options)).capo).toBe(2);
});

test('without picked bars it goes as far as the first repeat; bars that are not there make nothing', () => {
  expect(sectionDrill(piece, 'oar', [], grips)?.parameters).toMatchObject({ fromBar: 1, toBar: 3 });
  expect(sectionDrill(piece, 'oar', [17], grips)).toBeNull();
});

test('bars with much in them are as many as a recipe and an address hold', () => {
  const bar = Array.from({ length: 8 }, (_, i) => `${['C', 'F#m7b5', 'Bbmaj7', 'Ebmaj9'][i % 4]}:.5`).join(
    ' ',
  );
  const melody = Array.from({ length: 8 }, () => 'F#4:.5').join(' ');
  const full = readChart(`title: Full\n[A]\n${`| ${bar} |\nm: | ${melody} |\n`.repeat(60)}`).piece;
  const recipe = sectionDrill(
    full,
    'full',
    [],
    writtenChords(full).map(() => [1, 3, 3, 2, 1, 1]),
  );
  if (!recipe) throw new Error('nothing was cut');
  expect(recipe.parameters.grips.length).toBeLessThanOrEqual(SECTION_LIMITS.chords);
  expect(recipe.parameters.chart.length).toBeLessThanOrEqual(SECTION_LIMITS.characters);
  expect(v.safeParse(recipeSchema, JSON.parse(JSON.stringify(recipe))).success).toBe(true);
  // Node takes 16 KiB of request line and headers.
  expect(encodeURIComponent(JSON.stringify(recipe)).length).toBeLessThan(14_000);
});

test('Changes gets the bars with the time that holds where they begin', () => {
  expect(changesQuery(piece, [2, 3])).toEqual({
    chords: '| (4/4) Am . F . | (3/4) G |',
    tempo: '90',
    capo: '2',
    title: 'Oar Song, bars 2 to 3',
  });
  expect(changesQuery(piece, [3]).chords).toBe('| (3/4) G |');
  const all = changesQuery(piece, []);
  expect(all.title).toBe('Oar Song');
  expect(readChart(all.chords).problems).toEqual([]);
  expect(writtenChords(readChart(all.chords).piece).map((one) => one.chord)).toEqual([
    'C',
    'Am',
    'F',
    'G',
    'C',
  ]);
});

test('the loop of a piece is its weakest change', () => {
  const loop = weakestLoop(demand);
  const weakest = demand.changes[demand.weakest ?? -1];
  expect(loop?.parameters.grips.map((grip) => grip.chord)).toEqual([
    demand.chords[weakest.from].chord,
    demand.chords[weakest.to].chord,
  ]);
  expect(weakestLoop({ ...demand, weakest: null })).toBeNull();
});
