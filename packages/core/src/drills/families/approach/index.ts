/**
 * Approach: a chord prepared by what leads into it: its diminished seventh a fret below, its dominant, its two and five, the
 * dominant a tritone off, or its own shape a fret away. Home, the approach at the end of the bar, the target on one. Of the
 * four names of a diminished seventh the one whose grip lies nearest is taken.
 */
import { approachesTo, type Approach } from '../../../harmony/approaches';
import { searched, type DrillContext } from '../../../hands/taught-hand';
import { fail, ok, type Result } from '../../../kernel/result';
import { pitchAt } from '../../../fretboard/instrument';
import { findShapes } from '../../../shapes/find-shapes';
import type { GradedGrip } from '../../../shapes/graded-grip';
import { makeChord, parseChord, type Chord } from '../../../theory/chord';
import { mod12, noteText, pitchClassOf } from '../../../theory/note';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { lightest } from '../../lightest-row';
import { chordRoot, movedChords, rootText } from '../../moving';
import { beside, easierBy, harderBy } from '../../notches';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { WAYS, parameters } from './parameters';
import { sequenceDrill } from '../../sequence';
import { heldRow, spanned, typedChords, type Span } from '../../spans';

type Way = (typeof WAYS)[number];

type Parameters = ParametersOf<typeof parameters>;
export type ApproachRecipe = RecipeOf<'approach', Parameters>;
export const approach = recipeOf<ApproachRecipe>('approach');

const MOST_TARGETS = 4;
const BAR = 4;
/** Grips looked at for each chord that leads, the most useful first. */
const CANDIDATES = 8;
const KIND: Readonly<Record<Exclude<Way, 'same shape'>, Approach['kind']>> = {
  dominant: 'dominant',
  dim7: 'dim7 below',
  'two-five': 'two-five',
  tritone: 'tritone',
};

interface Lead {
  readonly chord: Chord;
  readonly grip: GradedGrip;
}

/** The target's own grip a fret below, or above where there is no fret below; null for a grip with open strings. */
function sameShape(target: Lead, context: DrillContext): Lead[] | null {
  const stopped = target.grip.frets.filter((fret): fret is number => fret !== null);
  if (stopped.includes(0)) return null;
  const by = Math.min(...stopped) > 1 ? -1 : 1;
  const kind: Approach['kind'] = by < 0 ? 'half step below' : 'half step above';
  const found = approachesTo(target.chord).find((one) => one.kind === kind);
  const led = found?.chords[0];
  if (!led) return null;
  const frets = target.grip.frets.map((fret) => (fret === null ? null : fret + by));
  return [{ chord: led, grip: { ...target.grip, frets, effort: target.grip.effort } }].filter(
    ({ grip }) => Math.max(...grip.frets.map((fret) => fret ?? 0)) <= context.instrument.frets,
  );
}

/** Chords that lead from one grip to another on the grips nearest to both; null where one has none. */
function leads(way: Exclude<Way, 'same shape'>, from: Lead, to: Lead, context: DrillContext): Lead[] | null {
  const found = approachesTo(to.chord).find((one) => one.kind === KIND[way]);
  if (!found) return null;
  const { maxEffort, ...of } = searched(context);
  const rows = found.chords.map((led) =>
    findShapes({
      chord: led,
      ...of,
      // A diminished seventh has four names: any of its notes may be lowest, and that one names it.
      limits: { maxEffort, ...(way === 'dim7' ? { bass: 'any' as const } : {}) },
    }).slice(0, CANDIDATES),
  );
  const row = lightest([[from.grip], ...rows, [to.grip]], context);
  if (!row) return null;
  return found.chords.map((led, i) => {
    const grip = row.grips[i + 1];
    return { chord: way === 'dim7' ? byLowest(found, grip, context) : led, grip };
  });
}

function byLowest(found: Approach, grip: GradedGrip, { instrument }: DrillContext): Chord {
  const lowest = Math.min(
    ...grip.frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(instrument, s, fret)])),
  );
  const [own] = found.chords;
  const root = [own.root, ...(found.alsoNamed ?? [])].find((note) => pitchClassOf(note) === mod12(lowest));
  return makeChord(root ?? own.root, own.quality);
}

function make(recipe: ApproachRecipe, context: DrillContext): Result<DrillOf<ApproachRecipe>> {
  const { home, targets, by, beats, tempoBpm } = recipe.parameters;
  const start = parseChord(home);
  if (!start.ok) return fail(start.problem.code, 'home', start.problem.detail);
  if (start.value.tones.length === 0) return fail('drill.chords', 'home', 'a chord, like Cmaj7');
  const aims = typedChords(targets, 'targets', MOST_TARGETS);
  if (!aims.ok) return aims;
  if (!(Number.isInteger(beats) && beats >= 1 && beats <= BAR))
    return fail('drill.beats', 'beats', '1 to 4 beats');
  if (by === 'two-five' && beats === 1)
    return fail('drill.beats', 'beats', '2 to 4 beats, one and more for each of the two');
  const chords = aims.value.flatMap((aim) => [start.value, aim]);
  const held = heldRow(chords, context, 'chords this hand holds');
  if (!held.ok) return held;
  const spans: Span[] = [];
  for (const [i, aim] of aims.value.entries()) {
    const from: Lead = { chord: start.value, grip: held.value[2 * i] };
    const to: Lead = { chord: aim, grip: held.value[2 * i + 1] };
    const led = by === 'same shape' ? sameShape(to, context) : leads(by, from, to, context);
    if (!led?.length) return fail('drill.approach', aim.symbol, 'another way in, or a target higher up');
    const span = ({ chord: of, grip }: Lead, long: number, code: string): Span => ({
      grip: { chord: of.symbol, frets: grip.frets },
      beats: long,
      ask: { code, values: { chord: of.symbol, to: to.chord.symbol, by } },
    });
    const each = led.length === 2 ? [Math.ceil(beats / 2), Math.floor(beats / 2)] : [beats];
    spans.push(
      span(from, beats === BAR ? BAR : BAR - beats, 'ask.home'),
      ...led.map((one, n) => span(one, each[n], 'ask.lead')),
      span(to, BAR, 'ask.target-one'),
    );
  }
  const { stops, bars } = spanned(spans);
  return sequenceDrill(
    recipe,
    {
      stops,
      bars,
      beatsEach: BAR,
      tempoBpm,
      round: true,
      question: (bpm) => ({ code: 'question.targets', values: { of: 10, clean: 9, bpm } }),
    },
    context,
  );
}

export const approachFamily: FamilyDefinition<ApproachRecipe> = {
  name: 'approach',
  group: 'in a key',
  parameters,
  ...gripless,
  root: ({ parameters: { home } }) => chordRoot(home),
  rekey: (recipe, move) =>
    ok(
      withParameters(recipe, {
        home: movedChords(recipe.parameters.home, move),
        targets: movedChords(recipe.parameters.targets, move),
      }),
    ),
  title: ({ parameters: { targets, by } }) => ({
    code: 'title.approach',
    values: { targets: targets.trim(), by },
  }),
  first: ({ grip, beside }) => {
    const root = rootText(grip);
    const own = parseChord(grip.chord);
    const other = parseChord(beside.chord);
    const home = own.ok && own.value.tones.length ? own.value.symbol : root;
    // Into its own relative, or into the chord that was played before it.
    const aim = other.ok && other.value.symbol !== home ? other.value.symbol : `${root}m`;
    return approach({ home, targets: aim, by: 'dim7', beats: 2 });
  },
  make,
  /** Slower; at the slowest more beats, a plainer way in, one target. */
  easier: (recipe, context) => {
    const { by, beats, targets } = recipe.parameters;
    const plainer = beside(WAYS, by, -1);
    const one = targets.trim().split(/[\s|,]+/);
    return easierBy(recipe, (of) => make(of, context), [
      beats < BAR && { beats: beats + 1 },
      plainer !== null && { by: plainer },
      one.length > 1 && { targets: one.slice(0, -1).join(' ') },
    ]);
  },
  /** The way in after it, fewer beats; then faster. */
  harder: (recipe, context) => {
    const { by, beats } = recipe.parameters;
    const further = beside(WAYS, by, 1);
    return harderBy(recipe, (of) => make(of, context), [
      further !== null && { by: further },
      beats > 1 && { beats: beats - 1 },
    ]);
  },
  fallbacks: (recipe) => {
    const { home, targets, beats } = recipe.parameters;
    const free = withParameters(recipe, {
      home: chordRoot(home) ? home : 'C',
      targets: typedChords(targets, 'targets', MOST_TARGETS).ok ? targets : 'Am',
      beats: Math.min(BAR, Math.max(1, Math.round(beats) || 2)),
      tempoBpm: undefined,
    });
    const root = chordRoot(free.parameters.home);
    const plain = withParameters(free, {
      home: root ? noteText(root) : 'C',
      targets: root ? makeChord(root, 'minor').symbol : 'Am',
    });
    return [
      free,
      ...WAYS.map((by) => withParameters(free, { by, beats: 2 })),
      ...WAYS.map((by) => withParameters(plain, { by, beats: 2 })),
    ];
  },
};
