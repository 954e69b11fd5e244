/**
 * Degrees up the neck: the seven chords of a major key in order, their roots rising along one string on grips of one kind
 * (the same strings sounding), or all seven inside one position by the least work of the hand. The roots rise from the
 * lowest tonic that leaves room; where seven do not fit, from the lowest degree that lets them.
 */
import { pitchAt } from '../../../fretboard/instrument';
import { fail, ok, type Result } from '../../../kernel/result';
import { findShapes } from '../../../shapes/find-shapes';
import type { GradedGrip } from '../../../shapes/graded-grip';
import { degreeChords, type DegreeChord } from '../../../theory/degree-chords';
import { makeKey } from '../../../theory/key';
import { mod12, pitchClassOf } from '../../../theory/note';
import { gripLimit, type DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import { gripless, type FamilyDefinition } from '../../family';
import { lightest } from '../../lightest-row';
import { keyOnRoot, keyRoot, rootText } from '../../moving';
import { recipeOf, withParameters, type ParametersOf, type RecipeOf } from '../../parameters';
import { parameters } from './parameters';
import { atTempo, sequenceDrill } from '../../sequence';
import { faster, slower } from '../../tempo';

type Parameters = ParametersOf<typeof parameters>;
export type DegreesRecipe = RecipeOf<'degrees', Parameters>;
export const degrees = (given: Parameters): DegreesRecipe => recipeOf<DegreesRecipe>('degrees')(given);

const HIGHEST_FRET = 15;
/** Frets a grip may reach below and above its root, and a position beside its four. */
const BELOW = 3;
const ABOVE = 4;
/** Kinds of grips in the order they are tried: full and unbroken, with a string silent inside, three strings. */
const PLAIN = [
  { minStrings: 4, maxInnerMutes: 0 },
  { minStrings: 4, maxInnerMutes: 1 },
  { minStrings: 3, maxInnerMutes: 1 },
] as const;
/** Grips looked at for each degree, the most useful first. */
const CANDIDATES = 8;

const kindOf = (grip: GradedGrip) => grip.frets.map((fret) => (fret === null ? 'x' : 'o')).join('');

interface Degree extends DegreeChord {
  readonly grip: GradedGrip;
}

/** Seven roots on one string, each above the last, on grips of the plainest kind this hand holds, whose heaviest is lightest. */
function upString(chords: readonly DegreeChord[], string: number, context: DrillContext): Degree[] | null {
  const { hand, instrument } = context;
  const index = instrument.openPitches.length - string;
  const highest = Math.min(HIGHEST_FRET, instrument.frets - instrument.capo);
  const open = mod12(pitchAt(instrument, index, 0));
  const lowest = (one: DegreeChord) => mod12(pitchClassOf(one.chord.root) - open - 1) + 1;
  const starts = [
    0,
    ...chords
      .map((_, i) => i)
      .slice(1)
      .sort((a, b) => lowest(chords[a]) - lowest(chords[b])),
  ];
  for (const plain of PLAIN)
    for (const start of starts) {
      const order = chords.map((_, i) => chords[(start + i) % chords.length]);
      const frets = order.map((one) => lowest(order[0]) + mod12(lowest(one) - lowest(order[0])));
      if (frets[frets.length - 1] > highest) continue;
      const found = order.map(({ chord }, i) =>
        findShapes({
          chord,
          hand,
          instrument,
          limits: {
            ...plain,
            allowOpen: false,
            rootString: string,
            minFret: Math.max(1, frets[i] - BELOW),
            maxFret: Math.min(highest, frets[i] + ABOVE),
            maxEffort: gripLimit(context),
          },
        }).filter((grip) => grip.frets[index] === frets[i]),
      );
      const rows = [...new Set(found[0].map(kindOf))].flatMap(
        (kind) =>
          lightest(
            found.map((grips) => grips.filter((grip) => kindOf(grip) === kind).slice(0, CANDIDATES)),
            context,
          ) ?? [],
      );
      const heaviest = (row: (typeof rows)[number]) =>
        Math.max(...row.grips.map((grip) => grip.effort.points));
      const best = rows.sort((a, b) => heaviest(a) - heaviest(b) || a.cost - b.cost)[0];
      if (best) return order.map((one, i) => ({ ...one, grip: best.grips[i] }));
    }
  return null;
}

/** All seven with the index finger at a fret, a fret below and one beyond the four allowed. */
function inPosition(
  chords: readonly DegreeChord[],
  position: number,
  context: DrillContext,
): Degree[] | null {
  const { hand, instrument } = context;
  const found = chords.map(({ chord }) =>
    findShapes({
      chord,
      hand,
      instrument,
      limits: {
        allowOpen: position === 1,
        minFret: Math.max(0, position - 1),
        maxFret: position + ABOVE,
        maxEffort: gripLimit(context),
      },
    }).slice(0, CANDIDATES),
  );
  const best = lightest(found, context);
  return best ? chords.map((one, i) => ({ ...one, grip: best.grips[i] })) : null;
}

function make(recipe: DegreesRecipe, context: DrillContext): Result<DrillOf<DegreesRecipe>> {
  const { key: name, of, place, position, way, beatsEach, tempoBpm } = recipe.parameters;
  const found = makeKey(name);
  if (!found.ok) return found;
  if (!(Number.isInteger(beatsEach) && beatsEach >= 2 && beatsEach <= 8))
    return fail('drill.beats', 'beatsEach', '2 to 8 beats a grip');
  if (place === 'position' && !(Number.isInteger(position) && position >= 1 && position <= 12))
    return fail('drill.position', 'position', 'fret 1 to 12');
  const chords = degreeChords(found.value, { sevenths: of === 'sevenths' });
  const up =
    place === 'position'
      ? inPosition(chords, position, context)
      : upString(chords, Number(place.at(-1)), context);
  if (!up)
    return fail(
      'drill.reach',
      place === 'position' ? `position ${position}` : `string ${place.at(-1)}`,
      'another string for the roots, triads, or a higher limit',
    );
  const down = [...up].reverse();
  const row = way === 'up' ? up : way === 'down' ? down : [...up, ...down.slice(1)];
  return sequenceDrill(
    recipe,
    {
      stops: row.map(({ chord, degree, grip }) => ({
        grip: { chord: chord.symbol, frets: grip.frets },
        ask: { code: 'ask.degree', values: { chord: chord.symbol, degree } },
      })),
      beatsEach,
      tempoBpm,
      round: false,
      moreItems: [{ kind: 'key', key: found.value.name }],
    },
    context,
  );
}

/** At the tempo it has now, so that a notch changes one thing. */
function other(
  recipe: DegreesRecipe,
  changes: readonly (Partial<Parameters> | null)[],
  better: (now: number, then: number) => boolean,
  context: DrillContext,
): DegreesRecipe | null {
  const now = make(recipe, context);
  if (!now.ok) return null;
  for (const change of changes) {
    if (!change) continue;
    const next = withParameters(recipe, { tempoBpm: now.value.tempoBpm ?? undefined, ...change });
    const made = make(next, context);
    if (made.ok && better(now.value.effort, made.value.effort)) return next;
  }
  return null;
}

export const degreesFamily: FamilyDefinition<DegreesRecipe> = {
  name: 'degrees',
  group: 'along the neck',
  parameters,
  ...gripless,
  root: (recipe) => keyRoot(recipe.parameters.key),
  rekey: (recipe, move) => ok(withParameters(recipe, { key: keyOnRoot(recipe.parameters.key, move) })),
  title: ({ parameters: { key: name, of, place } }) => ({
    code: 'title.degrees',
    values: { key: name, of, place },
  }),
  first: ({ grip }) =>
    degrees({
      key: `${rootText(grip)} major`,
      of: 'triads',
      place: 'root on 5',
      position: 5,
      way: 'both',
      beatsEach: 4,
    }),
  fields: ({ parameters: { place } }, usual) =>
    usual.filter(({ name }) => name !== 'position' || place === 'position'),
  make,
  /** Slower; at the slowest one way, then triads. */
  easier: (recipe, context) => {
    const slow = atTempo(recipe, make(recipe, context), slower);
    if (slow.ok || slow.problem.code !== 'drill.easiest') return slow;
    const { way, of } = recipe.parameters;
    const lighter = other(
      recipe,
      [way === 'both' ? { way: 'up' } : null, of === 'sevenths' ? { of: 'triads' } : null],
      (now, then) => then <= now,
      context,
    );
    return lighter ? ok(lighter) : slow;
  },
  /** Sevenths, then both ways, then faster. */
  harder: (recipe, context) => {
    const { way, of } = recipe.parameters;
    const heavier = other(
      recipe,
      [of === 'triads' ? { of: 'sevenths' } : null, way === 'both' ? null : { way: 'both' }],
      (now, then) => then >= now,
      context,
    );
    return heavier ? ok(heavier) : atTempo(recipe, make(recipe, context), faster);
  },
  fallbacks: (recipe) => {
    const free = withParameters(recipe, { tempoBpm: undefined });
    const inKey = makeKey(recipe.parameters.key).ok ? free : withParameters(free, { key: 'C major' });
    return [
      inKey,
      ...(['root on 5', 'root on 6', 'root on 4', 'position'] as const).flatMap((place) => [
        withParameters(inKey, { place }),
        withParameters(inKey, { place, of: 'triads' }),
      ]),
    ];
  },
};
