/**
 * Number calls: a progression drawn by function, called in numbers, a bar each: home, setting out, what pulls, home. Never
 * the same number twice running, and home at the end. The same seed draws the same calls; another key is the next one on
 * the circle of fifths.
 */
import type { DrillContext } from '../../../hands/taught-hand';
import { seededRandom } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import type { Chord } from '../../../theory/chord';
import { makeKey } from '../../../theory/key';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { keyOnRoot, keyRoot, rootText } from '../../moving';
import { calledIn, drawn } from '../../number-walk';
import { POOLS } from '../../pools';
import { keysAround } from '../../keys-around';
import { beside, easierBy, harderBy } from '../../notches';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { sequenceDrill } from '../../sequence';
import { heldRow, spanned, type Span } from '../../spans';

type Parameters = ParametersOf<typeof parameters>;
export type NumberCallsRecipe = RecipeOf<'number calls', Parameters>;
export const numberCalls = recipeOf<NumberCallsRecipe>('number calls');

const BAR = 4;
/** Points for each beat the next number is shown later (our assumption: less time to think). */
const POINTS_A_BEAT = 1.5;

function make(recipe: NumberCallsRecipe, context: DrillContext): Result<DrillOf<NumberCallsRecipe>> {
  const { key: name, pool, keys: count, length, lead, layout, tempoBpm } = recipe.parameters;
  if (!(Number.isInteger(count) && count >= 1 && count <= 15))
    return fail('drill.keys', 'keys', '1 to 15 keys');
  if (!(Number.isInteger(length) && length >= 4 && length <= 16))
    return fail('drill.length', 'length', '4 to 16 bars');
  const keys = keysAround(name, count);
  if (!keys.ok) return keys;
  const random = seededRandom(recipe.seed);
  const spans: Span[] = [];
  const items: { key: string; numerals: string[] }[] = [];
  for (const of of keys.value) {
    const called = calledIn(of, pool);
    const line = drawn(called, length, random);
    const chords =
      layout === 'fixed' ? [...new Set(line)].map((one) => one.chord) : line.map((one) => one.chord);
    const row = heldRow(chords, context, 'another key, a smaller pool, or a higher limit');
    if (!row.ok) return row;
    const own = (chord: Chord, i: number) => row.value[layout === 'fixed' ? chords.indexOf(chord) : i];
    line.forEach(({ number, chord }, i) =>
      spans.push({
        grip: { chord: chord.symbol, frets: own(chord, i).frets },
        beats: BAR,
        ask: { code: 'ask.number', values: { number, key: of.name } },
        called: { number, key: of.name, lead },
      }),
    );
    items.push({ key: of.name, numerals: line.map((one) => one.numeral) });
  }
  const { stops, bars } = spanned(spans);
  return sequenceDrill(
    recipe,
    {
      stops,
      bars,
      beatsEach: BAR,
      tempoBpm,
      round: false,
      morePoints: () => POINTS_A_BEAT * (BAR - lead),
      moreItems: items.map((one) => ({ kind: 'progression', ...one })),
      question: (bpm) => ({ code: 'question.numbers', values: { of: 10, clean: 9, bpm } }),
    },
    context,
  );
}

export const numberCallsFamily: FamilyDefinition<NumberCallsRecipe> = {
  name: 'number calls',
  group: 'in a key',
  draws: () => true,
  parameters,
  ...gripless,
  root: ({ parameters }) => keyRoot(parameters.key),
  rekey: (recipe, move) => ok(withParameters(recipe, { key: keyOnRoot(recipe.parameters.key, move) })),
  title: ({ parameters: { key: name, pool, keys } }) => ({
    code: 'title.numbers',
    values: { key: name, pool, keys },
  }),
  first: ({ grip }) =>
    numberCalls({
      key: `${rootText(grip)} major`,
      pool: '1 4 5',
      keys: 1,
      length: 8,
      lead: 4,
      layout: 'fixed',
    }),
  make,
  /** Slower; at the slowest the next number sooner, fewer keys, a smaller pool. */
  easier: (recipe, context) => {
    const { pool, keys, lead } = recipe.parameters;
    const smaller = beside(POOLS, pool, -1);
    return easierBy(recipe, (one) => make(one, context), [
      lead < BAR && { lead: lead + 1 },
      keys > 1 && { keys: keys - 1 },
      smaller !== null && { pool: smaller },
    ]);
  },
  /** A wider pool, the next number later; then faster. */
  harder: (recipe, context) => {
    const { pool, lead } = recipe.parameters;
    const wider = beside(POOLS, pool, 1);
    return harderBy(recipe, (one) => make(one, context), [
      wider !== null && { pool: wider },
      lead > 1 && { lead: lead - 1 },
    ]);
  },
  fallbacks: (recipe) => {
    const free = withParameters(recipe, { tempoBpm: undefined, keys: 1 });
    const inKey = makeKey(recipe.parameters.key).ok ? free : withParameters(free, { key: 'C major' });
    const length = Math.min(16, Math.max(4, Math.round(recipe.parameters.length) || 8));
    const plain = withParameters(inKey, { pool: '1 4 5', length });
    return [
      withParameters(inKey, { length }),
      plain,
      withParameters(plain, { layout: 'nearest' }),
      ...['C', 'G', 'A', 'E', 'D'].map((root) => withParameters(plain, { key: `${root} major` })),
    ];
  },
};
