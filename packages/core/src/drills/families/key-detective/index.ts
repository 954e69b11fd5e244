/**
 * Key detective: a list of chords drawn from one key by function; which key, which number a chord has there, which one is
 * foreign. A list is kept only if key finding puts its key first by three points and counts as many foreign chords as were
 * asked for; where none is found in a hundred draws it is a chord longer.
 */
import type { Reason } from '../../../effort/explain';
import { findKeys, pointsInKey, type KeyFound } from '../../../harmony/find-keys';
import { parallelOf, relativeOf } from '../../../harmony/circle';
import type { DrillContext } from '../../../hands/taught-hand';
import { seededRandom, type Random } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import type { Bar } from '../../../score/score';
import { TICKS_A_BEAT } from '../../../score/ticks';
import type { Chord } from '../../../theory/chord';
import { noteAtDegree } from '../../../theory/degree';
import { majorKeys, makeKey, minorKeys, type Key } from '../../../theory/key';
import { noteText } from '../../../theory/note';
import { BEATS_A_CALL, callsDrill, shuffled } from '../../calls';
import { choiceCalls, type Asked } from '../../choice-calls';
import type { DrillOf, Slip } from '../../drill';
import { type FamilyDefinition, gripless, keyless } from '../../family';
import { calledIn, drawn, type Called } from '../../number-walk';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { ASKS, parameters } from './parameters';
import { heardChord } from '../../heard-notes';

type Parameters = ParametersOf<typeof parameters>;
export type KeyDetectiveRecipe = RecipeOf<'key detective', Parameters>;
export const keyDetective = recipeOf<KeyDetectiveRecipe>('key detective');

const DRAWS = 100;
const LEAD = 3;
const LONGEST = 8;
/** Points of a list: its length, its foreign chords, minor, sevenths, what is asked (our assumption). */
const POINTS = { foreign: 4, minor: 2, sevenths: 1, ask: 2 } as const;

interface List {
  readonly key: Key;
  readonly chords: readonly Chord[];
  readonly numerals: readonly string[];
  /** Symbols of what is not of the key. */
  readonly foreign: readonly string[];
}

/** A key that may be drawn: what is called in it, and the keys a list of it is most often as good in. */
interface Drawable {
  readonly key: Key;
  readonly pool: readonly Called[];
  readonly rivals: readonly Key[];
}

/** Each key is looked at when it is first drawn: of thirty a drill draws a few. */
function drawables({ kinds, foreign, sevenths }: Parameters): (random: Random) => Drawable {
  const keys = [...(kinds === 'minor' ? [] : majorKeys()), ...(kinds === 'major' ? [] : minorKeys())];
  const numbers = foreign ? '1 2 3 4 5 6 7 b7 V7/x' : '1 2 3 4 5 6';
  const known = new Map<Key, Drawable>();
  return (random) => {
    // Of three the one with fewest signs: any may come, those met in music more often, though seven sharps or flats tell more.
    const three = [random.pick(keys), random.pick(keys), random.pick(keys)];
    const key = three.reduce((near, one) => (Math.abs(one.fifths) < Math.abs(near.fifths) ? one : near));
    const drawable = known.get(key) ?? { key, pool: calledIn(key, numbers, sevenths), rivals: rivalsOf(key) };
    known.set(key, drawable);
    return drawable;
  };
}

/** What is not of the key; the leading tone of a minor key is its own, though its signature has it not. */
const strangers = ({ chords }: KeyFound, all: readonly Chord[]): string[] => [
  ...new Set(
    chords.flatMap((one, i) =>
      one.foreign.length && one.reading !== 'harmonic minor' ? [all[i].symbol] : [],
    ),
  ),
];

/** A list of one key that says its key clearly, none of those before; null where none was drawn. */
function listOf(
  draw: (random: Random) => Drawable,
  before: ReadonlySet<string>,
  foreign: number,
  length: number,
  random: Random,
): List | null {
  for (let i = 0; i < DRAWS; i++) {
    const { key, pool, rivals } = draw(random);
    const line: readonly Called[] = drawn(pool, length, random);
    // Counted here first, since to find the key takes a hundred times as long: exactly in major, at most so many in minor.
    const major = key.mode === 'major';
    const outside = new Set(
      line.flatMap((one) =>
        one.leads !== undefined || (major && one.number === 'b7') ? [one.chord.symbol] : [],
      ),
    );
    if (major ? outside.size !== foreign : outside.size < foreign) continue;
    const chords = line.map((one) => one.chord);
    if (before.has(symbols(chords))) continue;
    // Most lists are as good in a key beside their own: that is seen in four keys, and needs no thirty.
    const own = pointsInKey(chords, key);
    if (rivals.some((rival) => own - pointsInKey(chords, rival) < LEAD)) continue;
    const [first, second] = findKeys(chords);
    if (first?.key.name !== key.name || (second && first.points - second.points < LEAD)) continue;
    const outsiders = strangers(first, chords);
    if (outsiders.length !== foreign) continue;
    return { key, chords, numerals: first.numerals, foreign: outsiders };
  }
  return null;
}

/** Keys a list is most often as good in. */
const rivalsOf = (key: Key): Key[] =>
  takenFor(key).flatMap(([name]) => {
    const made = makeKey(name);
    return made.ok ? [made.value] : [];
  });

/** Keys that are taken for this one: its relative, its parallel, those a fifth off, its twin by sound. */
function takenFor(key: Key): (readonly [string, Slip])[] {
  const fifth = (degree: string) => makeKey(`${noteText(noteAtDegree(key.tonic, degree))} ${key.kind}`);
  const named = (made: ReturnType<typeof makeKey>, slip: Slip) =>
    made.ok ? [[made.value.name, slip] as const] : [];
  const relative = relativeOf(key);
  const parallel = parallelOf(key);
  return [
    ...(relative ? [[relative.name, 'relative'] as const] : []),
    ...named(fifth('5'), 'neighbour key'),
    ...named(fifth('4'), 'neighbour key'),
    ...(parallel ? [[parallel.name, 'parallel'] as const] : []),
  ];
}

const symbols = (chords: readonly Chord[]): string => chords.map((chord) => chord.symbol).join(' ');

function questionsOf(list: List, given: Parameters, heard: Bar, random: Random): Asked[] {
  const { key, chords, numerals, foreign } = list;
  const item = { kind: 'progression' as const, key: key.name, numerals };
  const values = { chords: symbols(chords) };
  const ask = (code: string, more: Reason['values'] = {}): Reason => ({
    code,
    values: { ...values, ...more },
  });
  const asked: Asked[] = [{ item, ask: ask('ask.which-key'), right: key.name, wrong: takenFor(key), heard }];
  if (given.ask !== 'key') {
    const others = chords.flatMap((_, i) => (numerals[i] === numerals[0] ? [] : [i]));
    const at = others.length ? random.pick(others) : 0;
    const wrong = [...new Set(numerals)].filter((one) => one !== numerals[at]);
    asked.push({
      item,
      ask: ask('ask.which-number', { chord: chords[at].symbol, key: key.name }),
      right: numerals[at],
      wrong: shuffled(wrong, random).map((one) => [one, 'another degree'] as const),
      heard,
    });
  }
  if (given.ask === ASKS[2] && foreign.length)
    asked.push({
      item,
      ask: ask('ask.which-foreign', { key: key.name }),
      right: foreign[0],
      // Two that are foreign are both right: only those of the key stand beside it.
      wrong: [...new Set(chords.map((one) => one.symbol))]
        .filter((one) => !foreign.includes(one))
        .map((one) => [one, 'another degree'] as const),
      heard,
    });
  return asked;
}

function make(recipe: KeyDetectiveRecipe, context: DrillContext): Result<DrillOf<KeyDetectiveRecipe>> {
  const given = recipe.parameters;
  const { lists, length, foreign, kinds, sevenths, ask, secondsPerCall } = given;
  if (!(Number.isInteger(lists) && lists >= 1 && lists <= 6)) return fail('drill.count', 'lists', '1 to 6');
  if (!(Number.isInteger(length) && length >= 3 && length <= LONGEST))
    return fail('drill.length', 'length', `3 to ${LONGEST} chords`);
  if (!(secondsPerCall >= 10 && secondsPerCall <= 60))
    return fail('drill.seconds', 'secondsPerCall', '10 to 60 seconds');
  const random = seededRandom(recipe.seed);
  const draw = drawables(given);
  const asked: Asked[] = [];
  const before = new Set<string>();
  for (let i = 0; i < lists; i++) {
    let list: List | null = null;
    for (let long = length; !list && long <= LONGEST; long++)
      list = listOf(draw, before, foreign, long, random);
    if (!list) return fail('drill.list', 'foreign', 'longer lists, or fewer foreign chords');
    before.add(symbols(list.chords));
    const each = Math.floor((BEATS_A_CALL * TICKS_A_BEAT) / list.chords.length);
    const heard: Bar = {
      beats: BEATS_A_CALL,
      events: list.chords.map((chord, n) => ({
        tick: n * each,
        ticks: each,
        notes: heardChord(chord, context.instrument),
        stroke: 'strum',
        chord: chord.symbol,
      })),
    };
    asked.push(...questionsOf(list, given, heard, random));
  }
  return ok(
    callsDrill(
      recipe,
      {
        ...choiceCalls(asked, random, context),
        secondsPerCall,
        morePoints:
          length +
          POINTS.foreign * foreign +
          (kinds === 'major' ? 0 : POINTS.minor) +
          (sevenths ? POINTS.sevenths : 0) +
          POINTS.ask * ASKS.indexOf(ask),
      },
      context,
    ),
  );
}

const FASTEST = 10;
const SLOWEST = 60;

export const keyDetectiveFamily: FamilyDefinition<KeyDetectiveRecipe> = {
  name: 'key detective',
  group: 'by ear and on paper',
  evidence: 'name',
  draws: () => true,
  parameters,
  ...keyless,
  ...gripless,
  title: ({ parameters: { length, foreign } }) => ({ code: 'title.detective', values: { length, foreign } }),
  first: () =>
    keyDetective({
      lists: 3,
      length: 4,
      foreign: 0,
      kinds: 'major',
      sevenths: true,
      ask: 'key and numbers',
      secondsPerCall: 30,
    }),
  make,
  /** More seconds; at the most fewer foreign chords, major alone, the key alone. */
  easier: (recipe) => {
    const { secondsPerCall, foreign, kinds, ask } = recipe.parameters;
    if (secondsPerCall < SLOWEST)
      return ok(withParameters(recipe, { secondsPerCall: Math.min(SLOWEST, secondsPerCall + 5) }));
    if (ask !== 'key') return ok(withParameters(recipe, { ask: ASKS[ASKS.indexOf(ask) - 1] }));
    if (foreign > 0) return ok(withParameters(recipe, { foreign: foreign - 1 }));
    return kinds === 'major'
      ? fail('drill.easiest', 'secondsPerCall', `${SLOWEST} seconds is the slowest call`)
      : ok(withParameters(recipe, { kinds: 'major' }));
  },
  /** A foreign chord, minor keys, then fewer seconds. */
  harder: (recipe) => {
    const { secondsPerCall, foreign, kinds } = recipe.parameters;
    if (foreign < 2) return ok(withParameters(recipe, { foreign: foreign + 1 }));
    if (kinds === 'major') return ok(withParameters(recipe, { kinds: 'both' }));
    return secondsPerCall > FASTEST
      ? ok(withParameters(recipe, { secondsPerCall: Math.max(FASTEST, secondsPerCall - 5) }))
      : fail('drill.hardest', 'secondsPerCall', `${FASTEST} seconds is the fastest call`);
  },
  fallbacks: (recipe) => {
    const { lists, length, foreign, secondsPerCall } = recipe.parameters;
    const free = withParameters(recipe, {
      lists: Math.min(6, Math.max(1, Math.round(lists) || 3)),
      length: Math.min(LONGEST, Math.max(3, Math.round(length) || 4)),
      foreign: Math.min(2, Math.max(0, Math.round(foreign) || 0)),
      secondsPerCall: Math.min(SLOWEST, Math.max(FASTEST, Math.round(secondsPerCall) || 30)),
    });
    return [
      free,
      withParameters(free, { sevenths: false }),
      withParameters(free, { sevenths: false, foreign: 0 }),
      withParameters(free, { sevenths: false, foreign: 0, kinds: 'major', length: 4 }),
    ];
  },
};
