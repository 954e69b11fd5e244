/**
 * Ear pairs: what sounds is heard before it is named. Every choice comes as often as the others, never four times running,
 * with as many tones, as loud and as long; each may be heard one to three times. With two to choose from a guess is right
 * every other time, so that at least twenty are asked and eighteen have to be right.
 */
import type { Instrument } from '../../../fretboard/instrument';
import type { DrillContext } from '../../../hands/taught-hand';
import { seededRandom, type Random } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import type { Bar, ScoreEvent, ScoreNote } from '../../../score/score';
import { TICKS_A_BEAT } from '../../../score/ticks';
import { noteAtDegree } from '../../../theory/degree';
import { noteText, pitchClassOf, readNote, rootNamed, type NoteName } from '../../../theory/note';
import { BEATS_A_CALL, callsDrill, shuffled } from '../../calls';
import type { DrillOf, DrillStep } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { fingersFor, lyingNearest } from '../../heard-notes';
import type { Item } from '../../items';
import { namedRoot, rootText } from '../../moving';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { HEARD, HEARD_SLIPS, type HeardChoice } from './heard';
import { HEARD_KINDS, parameters, type HeardKind } from './parameters';

type Parameters = ParametersOf<typeof parameters>;
export type EarPairsRecipe = RecipeOf<'ear pairs', Parameters>;
export const earPairs = recipeOf<EarPairsRecipe>('ear pairs');

/** Beats a minute of what is heard. */
const HEARD_BPM = 84;
/** Lowest and highest pitch of what is heard: E2 to E5, the open string 6 to fret 12 of string 1. */
const LOWEST = 40;
const HIGHEST = 76;
/** Seconds one takes with its hearings, for the length of a take; an answer is not late. */
const SECONDS_EACH = 12;
/** So many at least where a guess has two choices, since by chance nine of ten come once in a hundred times. */
const FEWEST_OF_TWO = 20;
const LONGEST_RUN = 3;
/** Points for what makes it hard (our assumption). */
const POINTS = { kind: 1, choice: 3, roving: 3, together: 3, hearing: 2 } as const;

/** Each choice as often as the others (once more where they do not come out even), no four alike running. */
export function equalShares<T>(choices: readonly T[], count: number, random: Random): T[] {
  const left = new Map(
    shuffled(choices, random).map((one, i) => [
      one,
      Math.floor(count / choices.length) + (i < count % choices.length ? 1 : 0),
    ]),
  );
  const drawn: T[] = [];
  /** Whether what is left can still be spread out: runs of three, each between two others. */
  const spreads = () => {
    const run = drawn.length - 1 - drawn.findLastIndex((one) => one !== drawn[drawn.length - 1]);
    const rest = count - drawn.length;
    return [...left].every(([one, own]) => {
      const begun = one === drawn[drawn.length - 1] ? run : 0;
      return begun <= LONGEST_RUN && own <= LONGEST_RUN * (rest - own + 1) - begun;
    });
  };
  const take = (one: T, by: 1 | -1) => left.set(one, (left.get(one) ?? 0) - by);
  while (drawn.length < count) {
    const able = choices.flatMap((one) => {
      const own = left.get(one) ?? 0;
      if (own === 0) return [];
      take(one, 1);
      drawn.push(one);
      const good = spreads();
      drawn.pop();
      take(one, -1);
      return good ? Array.from({ length: own }, () => one) : [];
    });
    const next = random.pick(able);
    take(next, 1);
    drawn.push(next);
  }
  return drawn;
}

type Lying = NonNullable<ReturnType<typeof lyingNearest>>;
/** Where each choice lies, sound by sound. */
type Laid = ReadonlyMap<HeardChoice, readonly Lying[]>;

/** All choices on a root, between E2 and E5 and each on strings of its own, as low as they lie; null where they do not. */
function laidOn(root: NoteName, choices: readonly HeardChoice[], instrument: Instrument): Laid | null {
  const ups = choices.flatMap((one) => one.sounds.flat().map((tone) => tone.up));
  const [low, high] = [Math.min(...ups), Math.max(...ups)];
  for (let pitch = pitchClassOf(root); pitch + high <= HIGHEST; pitch += 12) {
    if (pitch + low < LOWEST) continue;
    const lying = (one: HeardChoice) =>
      one.sounds.flatMap((sound) => {
        const places = lyingNearest(
          sound.map(({ up }) => pitch + up),
          instrument,
        );
        return places ? [places] : [];
      });
    const laid = choices.map((one) => [one, lying(one)] as const);
    if (laid.every(([one, sounds]) => sounds.length === one.sounds.length)) return new Map(laid);
  }
  return null;
}

/** A bar of it: what sounds at one time after the other, each as long; the tones of a chord one by one where asked. */
function heardBar(one: HeardChoice, lying: readonly Lying[], root: NoteName, apart: boolean): Bar {
  const sounds = one.sounds.map((sound, i) => {
    const fingers = fingersFor(lying[i]);
    return sound.map((tone, n): ScoreNote => ({
      ...lying[i][n],
      finger: fingers[n],
      name: noteText(noteAtDegree(root, tone.degree)),
    }));
  });
  const times = apart && sounds.length === 1 ? sounds[0].map((note) => [note]) : sounds;
  const each = (BEATS_A_CALL * TICKS_A_BEAT) / times.length;
  return {
    beats: BEATS_A_CALL,
    events: times.map((notes, i): ScoreEvent => ({
      tick: i * each,
      ticks: each,
      stroke: notes.length > 1 ? 'strum' : 'pick',
      notes: [...notes].sort((a, b) => a.stringIndex - b.stringIndex),
    })),
  };
}

const itemOf = (what: HeardKind, one: HeardChoice, root: NoteName): Item =>
  what === 'cadences' || what === 'progressions'
    ? { kind: 'progression', key: `${noteText(root)} major`, numerals: one.name.split(' ') }
    : { kind: 'interval', root: noteText(root), degree: one.tells };

function make(recipe: EarPairsRecipe, context: DrillContext): Result<DrillOf<EarPairsRecipe>> {
  const { what, choices: of, count, hearings, root: name, roving, sounded } = recipe.parameters;
  const root = readNote(name);
  if (!root || root.length !== name.length) return fail('drill.root', 'root', 'a note, like Bb');
  const fewest = of === 2 ? FEWEST_OF_TWO : 10;
  if (!(Number.isInteger(count) && count >= fewest && count <= 40))
    return fail('drill.count', 'count', `${fewest} to 40`);
  if (!(Number.isInteger(hearings) && hearings >= 1 && hearings <= 3))
    return fail('drill.hearings', 'hearings', '1 to 3');
  const choices = HEARD[what].slice(0, of);
  const random = seededRandom(recipe.seed);
  const known = new Map<string, Laid | null>();
  const laidHere = (here: NoteName) => {
    const name = noteText(here);
    if (!known.has(name)) known.set(name, laidOn(here, choices, context.instrument));
    return known.get(name) ?? null;
  };
  const steps: Omit<DrillStep, 'startTick' | 'ticks'>[] = [];
  const bars: Bar[] = [];
  for (const one of equalShares(choices, count, random)) {
    const here = roving ? rootNamed(random.int(0, 11)) : root.note;
    const lying = laidHere(here)?.get(one);
    if (!lying) return fail('drill.ear', what, 'an instrument with the notes from E2 to E5');
    bars.push(heardBar(one, lying, here, sounded === 'one by one'));
    steps.push({
      item: itemOf(what, one, here),
      ask: { code: 'ask.ear', values: { what } },
      hearings,
      answer: {
        kind: 'choice',
        // In one order throughout: a place on screen is learnt once, and says nothing.
        choices: choices.map((choice) => choice.name),
        right: one.name,
        slips: Object.fromEntries(
          choices.filter((choice) => choice !== one).map((choice) => [choice.name, HEARD_SLIPS[what]]),
        ),
      },
    });
  }
  const drill = callsDrill(
    recipe,
    {
      steps,
      bars,
      secondsPerCall: SECONDS_EACH,
      heardBpm: HEARD_BPM,
      morePoints:
        POINTS.kind * HEARD_KINDS.indexOf(what) +
        POINTS.choice * (of - 2) +
        (roving ? POINTS.roving : 0) +
        (sounded === 'together' ? POINTS.together : 0) +
        POINTS.hearing * (3 - hearings),
    },
    context,
  );
  return ok({
    ...drill,
    question: { code: 'question.ear', values: { of: count, clean: Math.ceil(count * 0.9) } },
  });
}

const CHOICES = [2, 3, 5] as const;
/** One more or fewer to choose from; with two, as many are asked as two need. */
function wider(recipe: EarPairsRecipe, by: 1 | -1): Partial<Parameters> | null {
  const { choices, count } = recipe.parameters;
  const next = CHOICES[CHOICES.indexOf(choices) + by];
  if (next === undefined) return null;
  return { choices: next, ...(next === 2 && count < FEWEST_OF_TWO ? { count: FEWEST_OF_TWO } : {}) };
}

export const earPairsFamily: FamilyDefinition<EarPairsRecipe> = {
  name: 'ear pairs',
  group: 'by ear and on paper',
  evidence: 'hear',
  draws: () => true,
  parameters,
  ...gripless,
  title: ({ parameters: { what, choices, root, roving } }) => ({
    code: 'title.ear',
    values: { what, choices, root, ...(roving ? { roving: 'yes' } : {}) },
  }),
  first: ({ grip }) =>
    earPairs({
      what: 'triads',
      choices: 2,
      count: 20,
      hearings: 2,
      root: rootText(grip),
      roving: false,
      sounded: 'one by one',
    }),
  make,
  /** Another hearing, tone by tone, on one root; then fewer to choose from. */
  easier: (recipe) => {
    const { hearings, roving, sounded } = recipe.parameters;
    if (hearings < 3) return ok(withParameters(recipe, { hearings: hearings + 1 }));
    if (sounded === 'together') return ok(withParameters(recipe, { sounded: 'one by one' }));
    if (roving) return ok(withParameters(recipe, { roving: false }));
    const fewer = wider(recipe, -1);
    return fewer
      ? ok(withParameters(recipe, fewer))
      : fail('drill.easiest', 'choices', 'two to choose from, three hearings, on one root');
  },
  /** More to choose from, roving roots, all tones together, fewer hearings. */
  harder: (recipe) => {
    const { hearings, roving, sounded } = recipe.parameters;
    const more = wider(recipe, 1);
    if (more) return ok(withParameters(recipe, more));
    if (!roving) return ok(withParameters(recipe, { roving: true }));
    if (sounded === 'one by one') return ok(withParameters(recipe, { sounded: 'together' }));
    return hearings > 1
      ? ok(withParameters(recipe, { hearings: hearings - 1 }))
      : fail('drill.hardest', 'hearings', 'five to choose from, heard once');
  },
  root: ({ parameters: { root } }) => namedRoot(root),
  rekey: (recipe, { to }) => ok(withParameters(recipe, { root: noteText(to) })),
  fallbacks: (recipe) => {
    const { count, hearings, root } = recipe.parameters;
    const named = namedRoot(root);
    const free = withParameters(recipe, {
      count: Math.min(40, Math.max(FEWEST_OF_TWO, Math.round(count) || FEWEST_OF_TWO)),
      hearings: Math.min(3, Math.max(1, Math.round(hearings) || 2)),
      ...(named && noteText(named) === root ? {} : { root: 'C' }),
    });
    return [free, withParameters(free, { what: 'triads' })];
  },
};
