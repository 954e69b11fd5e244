/**
 * Colour swap: a progression plain, twice, and the same with other colours on some bars, twice. What may stand there is that
 * of `harmony/swaps.ts`; the note on top can be kept as a tune would keep it. Bars that are not swapped keep their grips.
 */
import { swapsFor, type SwapKind } from '../../../harmony/swaps';
import { searched, type DrillContext } from '../../../hands/taught-hand';
import { seededRandom, type Random } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import { pitchAt } from '../../../fretboard/instrument';
import { findShapes } from '../../../shapes/find-shapes';
import type { GradedGrip } from '../../../shapes/graded-grip';
import type { Reason } from '../../../effort/explain';
import type { Chord } from '../../../theory/chord';
import { makeKey, type Key } from '../../../theory/key';
import { mod12 } from '../../../theory/note';
import { chordOfNumeral } from '../../../theory/numeral';
import { shuffled } from '../../calls';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { lightest } from '../../lightest-row';
import { keyOnRoot, keyRoot, rootText } from '../../moving';
import { easierBy, harderBy } from '../../notches';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { LEVELS, parameters } from './parameters';
import { sequenceDrill } from '../../sequence';
import { heldRow, spanned, type Span } from '../../spans';

/** What each level allows beside those before it. */
const CLASSES: readonly (readonly SwapKind[])[] = [
  ['colour'],
  ['sus4'],
  ['relative', 'a third away', 'two and four', 'two for five'],
  ['borrowed'],
  ['applied'],
  ['tritone', 'leading tone'],
];

type Parameters = ParametersOf<typeof parameters>;
export type ColourSwapRecipe = RecipeOf<'colour swap', Parameters>;
export const colourSwap = recipeOf<ColourSwapRecipe>('colour swap');

const BAR = 4;
const MOST_BARS = 16;
const CANDIDATES = 8;

const topPitch = (grip: GradedGrip, { instrument }: DrillContext): number =>
  Math.max(...grip.frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(instrument, s, fret)])));

function chordsOf(numerals: string, of: Key): Result<Chord[]> {
  const words = numerals.trim().split(/[\s|,]+/).filter(Boolean); // prettier-ignore
  if (words.length === 0 || words.length > MOST_BARS)
    return fail('drill.chords', 'numerals', `1 to ${MOST_BARS} numbers`);
  const chords: Chord[] = [];
  for (const word of words) {
    const read = chordOfNumeral(word, of.name);
    if (!read.ok) return fail(read.problem.code, word, read.problem.detail);
    chords.push(read.value);
  }
  return ok(chords);
}

interface Swapped {
  readonly bar: number;
  readonly chord: Chord;
  readonly kind: SwapKind;
  readonly grips: readonly GradedGrip[];
}

/** What stands in a bar: of the furthest class allowed first, that this hand holds and that does not rub under the top note. */
function swapIn(
  bar: number,
  { chords, plain, of }: { chords: readonly Chord[]; plain: readonly GradedGrip[]; of: Key },
  { level, keepTop }: Pick<Parameters, 'level' | 'keepTop'>,
  random: Random,
  context: DrillContext,
): Swapped | null {
  const top = topPitch(plain[bar], context);
  const melody = chords[bar].tones.find((tone) => tone.pitchClass === mod12(top))?.note;
  const next = chords[(bar + 1) % chords.length];
  const rank = (kind: SwapKind) => CLASSES.findIndex((kinds) => kinds.includes(kind));
  const all = swapsFor({ key: of, chord: chords[bar], next, ...(keepTop && melody ? { melody } : {}) });
  const offers = shuffled(all, random)
    .filter(({ kind, clash }) => rank(kind) >= 0 && rank(kind) < level && clash === null)
    .sort((a, b) => rank(b.kind) - rank(a.kind));
  const { maxEffort, ...hand } = searched(context);
  for (const { chord, kind } of offers) {
    if (chord.symbol === chords[bar].symbol) continue;
    const grips = findShapes({ chord, ...hand, limits: { maxEffort } })
      .filter((grip) => !keepTop || topPitch(grip, context) === top)
      .slice(0, CANDIDATES);
    if (grips.length) return { bar, chord, kind, grips };
  }
  return null;
}

const reasonOf = (chord: string, swap: { was: string; kind: SwapKind } | null, number: string): Reason =>
  swap ? { code: 'ask.swap', values: { chord, ...swap } } : { code: 'ask.plain', values: { chord, number } };

function make(recipe: ColourSwapRecipe, context: DrillContext): Result<DrillOf<ColourSwapRecipe>> {
  const { key: name, numerals, swaps, level, keepTop, tempoBpm } = recipe.parameters;
  const of = makeKey(name);
  if (!of.ok) return of;
  if (!(Number.isInteger(swaps) && swaps >= 1 && swaps <= 4))
    return fail('drill.swaps', 'swaps', '1 to 4 bars');
  if (!(Number.isInteger(level) && level >= 1 && level <= LEVELS))
    return fail('drill.level', 'level', `a level from 1 to ${LEVELS}`);
  const read = chordsOf(numerals, of.value);
  if (!read.ok) return read;
  const chords = read.value;
  const held = heldRow(chords, context, 'another key, or a higher limit');
  if (!held.ok) return held;
  const plain = held.value;
  const found: Swapped[] = [];
  const random = seededRandom(recipe.seed);
  for (const bar of shuffled([...chords.keys()], random)) {
    if (found.length === swaps) break;
    const swap = swapIn(bar, { chords, plain, of: of.value }, { level, keepTop }, random, context);
    if (swap) found.push(swap);
  }
  if (found.length === 0)
    return fail('drill.swap', 'level', keepTop ? 'a higher level, or let the top note go' : 'a higher level');
  const swapped = lightest(
    plain.map((grip, bar) => found.find((one) => one.bar === bar)?.grips ?? [grip]),
    context,
  );
  if (!swapped) return fail('drill.swap', 'level', 'a higher level');
  const words = numerals.trim().split(/[\s|,]+/).filter(Boolean); // prettier-ignore
  const once = (grips: readonly GradedGrip[], other: boolean): Span[] =>
    grips.map((grip, bar) => {
      const swap = other ? found.find((one) => one.bar === bar) : undefined;
      const chord = swap?.chord.symbol ?? chords[bar].symbol;
      return {
        grip: { chord, frets: grip.frets },
        beats: BAR,
        ask: reasonOf(chord, swap ? { was: chords[bar].symbol, kind: swap.kind } : null, words[bar]),
      };
    });
  const [before, after] = [once(plain, false), once(swapped.grips, true)];
  const { stops, bars } = spanned([...before, ...before, ...after, ...after]);
  const fewer: Reason[] =
    found.length < swaps ? [{ code: 'left.swaps', values: { found: found.length, asked: swaps } }] : [];
  return sequenceDrill(
    recipe,
    {
      stops,
      bars,
      beatsEach: BAR,
      tempoBpm,
      round: true,
      moreItems: [{ kind: 'progression', key: of.value.name, numerals: words }],
      leftOut: fewer,
    },
    context,
  );
}

export const colourSwapFamily: FamilyDefinition<ColourSwapRecipe> = {
  name: 'colour swap',
  group: 'in a key',
  draws: () => true,
  parameters,
  ...gripless,
  root: ({ parameters }) => keyRoot(parameters.key),
  rekey: (recipe, move) => ok(withParameters(recipe, { key: keyOnRoot(recipe.parameters.key, move) })),
  title: ({ parameters: { key: name, numerals } }) => ({
    code: 'title.swap',
    values: { key: name, numerals: numerals.trim() },
  }),
  first: ({ grip }) =>
    colourSwap({ key: `${rootText(grip)} major`, numerals: 'I vi IV V', swaps: 1, level: 1, keepTop: true }),
  make,
  /** Slower; at the slowest fewer bars, plainer colours. */
  easier: (recipe, context) => {
    const { swaps, level } = recipe.parameters;
    return easierBy(recipe, (one) => make(one, context), [
      swaps > 1 && { swaps: swaps - 1 },
      level > 1 && { level: level - 1 },
    ]);
  },
  /** More bars, further colours; then faster. */
  harder: (recipe, context) => {
    const { swaps, level } = recipe.parameters;
    return harderBy(recipe, (one) => make(one, context), [
      swaps < 4 && { swaps: swaps + 1 },
      level < LEVELS && { level: level + 1 },
    ]);
  },
  fallbacks: (recipe) => {
    const { key: name, numerals, swaps, level } = recipe.parameters;
    const free = withParameters(recipe, {
      key: makeKey(name).ok ? name : 'C major',
      swaps: Math.min(4, Math.max(1, Math.round(swaps) || 1)),
      level: Math.min(LEVELS, Math.max(1, Math.round(level) || 1)),
      tempoBpm: undefined,
    });
    const loose = withParameters(free, { keepTop: false });
    const plain = withParameters(loose, { numerals: 'I vi IV V', level: LEVELS });
    return [
      free,
      loose,
      withParameters(loose, { level: LEVELS }),
      withParameters(loose, { numerals, level: LEVELS }),
      plain,
      ...['C', 'G', 'A', 'E', 'D'].map((root) => withParameters(plain, { key: `${root} major` })),
    ];
  },
};
