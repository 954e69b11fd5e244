/**
 * Number calls: a progression drawn by function, called in numbers, a bar each: home, setting out, what pulls, home. Never
 * the same number twice running, and home at the end. The same seed draws the same calls; another key is the next one on
 * the circle of fifths.
 */
import type { DrillContext } from '../../../hands/taught-hand';
import { seededRandom, type Random } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import type { Chord } from '../../../theory/chord';
import { degreeChords } from '../../../theory/degree-chords';
import { noteAtDegree } from '../../../theory/degree';
import { makeKey, type Key } from '../../../theory/key';
import { noteText } from '../../../theory/note';
import { chordOfNumeral } from '../../../theory/numeral';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { keyOnRoot, keyRoot, rootText } from '../../moving';
import { easierBy, harderBy } from '../../notches';
import {
  key,
  oneOf,
  type ParametersOf,
  type RecipeOf,
  recipeOf,
  tempo,
  whole,
  withParameters,
} from '../../parameters';
import { sequenceDrill } from '../../sequence';
import { heldRow, spanned, type Span } from '../../spans';

/** Steps of the key that are called, from the plainest pool to the widest; `V7/x` leads into 2, 4, 5 or 6. */
const POOLS = [
  '1 4 5',
  '1 4 5 6',
  '1 2 4 5 6',
  '1 2 3 4 5 6',
  '1 2 3 4 5 6 b7',
  '1 2 3 4 5 6 7 b7',
  '1 2 3 4 5 6 7 b7 V7/x',
] as const;
type Pool = (typeof POOLS)[number];

const parameters = {
  key,
  pool: oneOf(POOLS),
  /** Keys one after the other, each a fifth up the circle. */
  keys: whole(1, 15, [1, 2, 3, 4]),
  length: whole(4, 16, [4, 8, 12, 16]),
  /** Beats before the bar line at which the next number is shown. */
  lead: whole(1, 4),
  /** One grip for each chord, or whichever lies nearest. */
  layout: oneOf(['fixed', 'nearest']),
  tempoBpm: tempo,
};
type Parameters = ParametersOf<typeof parameters>;
export type NumberCallsRecipe = RecipeOf<'number calls', Parameters>;
export const numberCalls = recipeOf<NumberCallsRecipe>('number calls');

const BAR = 4;
/** Points for each beat the next number is shown later (our assumption: less time to think). */
const POINTS_A_BEAT = 1.5;

type Job = 'home' | 'sets out' | 'pulls';
interface Called {
  /** As it is called: `4`, `b7`, `V7/2`. */
  readonly number: string;
  readonly numeral: string;
  readonly chord: Chord;
  readonly job: Job;
  /** The number it must go to. */
  readonly leads?: string;
}

const JOBS: Readonly<Record<string, Job>> = { 1: 'home', 3: 'home', 6: 'home', 2: 'sets out', 4: 'sets out', b7: 'sets out', 5: 'pulls', 7: 'pulls' }; // prettier-ignore
/** In a minor key the dominant is major: what pulls home has the raised seventh. */
function calledIn(of: Key, pool: Pool): Called[] {
  const harmonic = of.mode === 'minor' ? makeKey(`${noteText(of.tonic)} harmonic minor`) : null;
  const degrees = degreeChords(of);
  const raised = harmonic?.ok ? degreeChords(harmonic.value) : degrees;
  const numbers = pool.split(' ');
  return numbers.flatMap((number): Called[] => {
    if (number === 'V7/x')
      return ['2', '4', '5', '6'].flatMap((to): Called[] => {
        if (!numbers.includes(to)) return [];
        const target = degrees[Number(to) - 1];
        const numeral = `V7/${target.numeral}`;
        const read = chordOfNumeral(numeral, of.name);
        return read.ok ? [{ number: `V7/${to}`, numeral, chord: read.value, job: 'pulls', leads: to }] : [];
      });
    if (number === 'b7') {
      const numeral = of.mode === 'minor' ? 'VII' : 'bVII';
      const flat = chordOfNumeral(numeral, of.name);
      return flat.ok ? [{ number, numeral, chord: flat.value, job: 'sets out' }] : [];
    }
    const from = number === '5' || number === '7' ? raised : degrees;
    const { chord, numeral } = from[Number(number) - 1];
    return [{ number, numeral, chord, job: JOBS[number] }];
  });
}

const GOES: Readonly<Record<Job, readonly Job[]>> = {
  home: ['sets out', 'pulls', 'home'],
  'sets out': ['pulls', 'sets out', 'home'],
  pulls: ['home', 'sets out'],
};
/** How much likelier the first of those ways is than each later one. */
const LIKELIER = 3;

/** Numbers by function: from home and back, never the same twice running. */
function drawn(pool: readonly Called[], length: number, random: Random): Called[] {
  const home = pool[0];
  const line: Called[] = [home];
  while (line.length < length - 1) {
    const last = line[line.length - 1];
    const left = length - 1 - line.length;
    const tied = last.leads ? pool.filter((one) => one.number === last.leads) : [];
    const others = (tied.length ? tied : pool).filter(
      (one) =>
        one.number !== last.number &&
        // Before the end no number that must go elsewhere, and not home itself.
        (left > 1 || (one.leads === undefined && one !== home)),
    );
    const ways = GOES[last.job]
      .map((job) => others.filter((one) => one.job === job))
      .filter((list) => list.length);
    const weighed = ways.flatMap((list, i) =>
      i === 0 ? Array.from({ length: LIKELIER }, () => list) : [list],
    );
    const last1 = left === 1 ? others.filter((one) => one.job === 'pulls') : [];
    line.push(random.pick(last1.length ? last1 : weighed.length ? random.pick(weighed) : others));
  }
  return [...line, home];
}

function keysFrom(name: string, count: number): Result<Key[]> {
  const first = makeKey(name);
  if (!first.ok) return first;
  const keys = [first.value];
  while (keys.length < count) {
    const { tonic, kind } = keys[keys.length - 1];
    const next = makeKey(`${noteText(noteAtDegree(tonic, '5'))} ${kind}`);
    // Past seven sharps the round goes on from its flat twin.
    const on = next.ok ? next : makeKey(next.problem.detail);
    if (!on.ok) return on;
    keys.push(on.value);
  }
  return ok(keys);
}

function make(recipe: NumberCallsRecipe, context: DrillContext): Result<DrillOf<NumberCallsRecipe>> {
  const { key: name, pool, keys: count, length, lead, layout, tempoBpm } = recipe.parameters;
  if (!(Number.isInteger(count) && count >= 1 && count <= 15))
    return fail('drill.keys', 'keys', '1 to 15 keys');
  if (!(Number.isInteger(length) && length >= 4 && length <= 16))
    return fail('drill.length', 'length', '4 to 16 bars');
  const keys = keysFrom(name, count);
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
        ask: { code: 'ask.number', values: { number, key: of.name, next: line[i + 1]?.number ?? '', lead } },
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

const after = (pool: Pool, step: 1 | -1): Pool | null => POOLS[POOLS.indexOf(pool) + step] ?? null;

export const numberCallsFamily: FamilyDefinition<NumberCallsRecipe> = {
  name: 'number calls',
  group: 'in a key',
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
    const smaller = after(pool, -1);
    return easierBy(recipe, (one) => make(one, context), [
      lead < BAR && { lead: lead + 1 },
      keys > 1 && { keys: keys - 1 },
      smaller !== null && { pool: smaller },
    ]);
  },
  /** A wider pool, the next number later; then faster. */
  harder: (recipe, context) => {
    const { pool, lead } = recipe.parameters;
    const wider = after(pool, 1);
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
