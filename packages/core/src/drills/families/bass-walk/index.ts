/**
 * Bass walk: from one chord to another with the lowest note going by step, through the scale of a key or by half steps.
 * Between them the first basses carry the chord left and the others the one gone to, divided where they sit best. The
 * basses are a line in one register: every grip has the very pitch of its step lowest. Grips and fingerings are chosen
 * together (Viterbi 1967), with the weights of the easiest path.
 */
import { pitchAt } from '../../../fretboard/instrument';
import { fail, ok, type Result } from '../../../kernel/result';
import { findShapes } from '../../../shapes/find-shapes';
import type { GradedGrip } from '../../../shapes/graded-grip';
import { makeChord, parseChord, transposeChord, type Chord } from '../../../theory/chord';
import { noteAtDegree } from '../../../theory/degree';
import { mod12, noteText, pitchClassOf, readNote, rootNamed, type NoteName } from '../../../theory/note';
import { parseScale } from '../../../theory/read-scale';
import type { DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import { atTempo, sequenceDrill } from '../../sequence';
import { faster, slower } from '../../tempo';
import { type FamilyDefinition, gripless } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { chordRoot, movedKey, rootText } from '../../moving';
import { lightest } from '../../lightest-row';

export type BassWalkRecipe = RecipeOf<'bass walk', ParametersOf<typeof parameters>>;
export const bassWalk = (parameters: BassWalkRecipe['parameters']): BassWalkRecipe =>
  recipeOf<BassWalkRecipe>('bass walk')(parameters);

/** The note a minor third away, by the letter two steps on. */
function third(root: string, halfSteps: 3 | -3): string {
  const read = readNote(root);
  if (!read) return 'A';
  const there = noteAtDegree(read.note, halfSteps > 0 ? 'b3' : '6');
  return Math.abs(there.accidental) > 1 ? noteText(rootNamed(pitchClassOf(there))) : noteText(there);
}

const MOST_BETWEEN = 6;
/** Grips looked at for each bass, the most useful first. */
const CANDIDATES = 8;
const HIGHEST_FRET = 12;

interface BassStep {
  readonly chord: Chord;
  readonly bass: NoteName;
  /** Half steps from the bass before; 0 for the first. */
  readonly by: number;
}

/** Pitch classes between two basses, in the order walked; null where they are not steps of that scale. */
function between(
  from: number,
  to: number,
  scale: readonly NoteName[],
  { way, by }: Pick<BassWalkRecipe['parameters'], 'way' | 'by'>,
): number[] | null {
  const sign = way === 'up' ? 1 : -1;
  const steps = by === 'half steps' ? Array.from({ length: 12 }, (_, i) => i) : scale.map(pitchClassOf);
  const [start, end] = [steps.indexOf(from), steps.indexOf(to)];
  if (start < 0 || end < 0 || start === end) return null;
  const notes: number[] = [];
  for (let i = start + sign; ; i += sign) {
    const pitchClass = steps[((i % steps.length) + steps.length) % steps.length];
    if (pitchClass === to) return notes;
    notes.push(pitchClass);
  }
}

/** Degrees of the notes that are none of a chord's own, by half steps above its root. */
const DEGREES = '1 b2 2 b3 3 4 b5 5 b6 6 b7 7'.split(' ');
/** How well a bass sits under a chord that does not hold it: its seventh, sixth and second are usual (assumed). */
const SITS: Readonly<Record<number, number>> = { 10: 0.5, 11: 0.5, 9: 0.2, 2: 0.2 };

function sits(chord: Chord, pitchClass: number): number {
  if (chord.tones.some((tone) => tone.pitchClass === pitchClass)) return 1;
  return SITS[mod12(pitchClass - pitchClassOf(chord.root))] ?? 0;
}

/** The chord over a bass that is passed: spelled by the chord, or as the key spells it. */
function over(
  chord: Chord,
  pitchClass: number,
  scale: readonly NoteName[],
): { chord: Chord; bass: NoteName } {
  const bass =
    chord.tones.find((tone) => tone.pitchClass === pitchClass)?.note ??
    scale.find((note) => pitchClassOf(note) === pitchClass) ??
    noteAtDegree(chord.root, DEGREES[mod12(pitchClass - pitchClassOf(chord.root))]);
  // A bass that is the chord's own root needs no slash.
  const own = pitchClass === pitchClassOf(chord.root);
  return { chord: makeChord(chord.root, chord.quality, own ? undefined : bass), bass };
}

const upBy = (from: NoteName, to: NoteName, way: 'up' | 'down'): number =>
  way === 'up' ? mod12(pitchClassOf(to) - pitchClassOf(from)) : -mod12(pitchClassOf(from) - pitchClassOf(to));

/** Chords and basses of the walk. Problems: those of chords and scales, `drill.walk`, `drill.walk-key`. */
export function bassSteps(parameters: BassWalkRecipe['parameters']): Result<BassStep[]> {
  const from = parseChord(parameters.from);
  if (!from.ok) return fail(from.problem.code, 'from', from.problem.detail);
  const to = parseChord(parameters.to);
  if (!to.ok) return fail(to.problem.code, 'to', to.problem.detail);
  const [a, b] = [from.value, to.value];
  if (a.tones.length === 0 || b.tones.length === 0) return fail('drill.walk', 'from', 'two chords');
  const scale = parseScale(parameters.key);
  if (!scale.ok) return fail(scale.problem.code, 'key', scale.problem.detail);
  const [start, end] = [a.bass ?? a.root, b.bass ?? b.root];
  const { way } = parameters;
  const notes = between(pitchClassOf(start), pitchClassOf(end), scale.value.notes, parameters);
  if (!notes) return fail('drill.walk-key', 'key', 'a key that holds both basses, or half steps');
  if (notes.length === 0 || notes.length > MOST_BETWEEN)
    return fail('drill.walk', 'way', `1 to ${MOST_BETWEEN} notes between: the other way, or the scale`);
  // The chord left sounds over the first basses and the one gone to over the rest, where they sit best.
  const splits = Array.from({ length: notes.length + 1 }, (_, split) => ({
    split,
    good: notes.reduce((sum, note, i) => sum + sits(i < split ? a : b, note), 0),
  }));
  const middleOf = notes.length / 2;
  const { split } = splits.reduce((best, one) =>
    one.good > best.good + 1e-9 ||
    (one.good > best.good - 1e-9 && Math.abs(one.split - middleOf) <= Math.abs(best.split - middleOf))
      ? one
      : best,
  );
  const middle = notes.map((note, i) => over(i < split ? a : b, note, scale.value.notes));
  const there = [{ chord: a, bass: start }, ...middle, { chord: b, bass: end }];
  const back = parameters.back ? there.slice(1, -1).reverse() : [];
  const out = there.map((one, i): BassStep => ({
    ...one,
    by: i === 0 ? 0 : upBy(there[i - 1].bass, one.bass, way),
  }));
  return ok([
    ...out,
    ...back.map((one, i): BassStep => ({
      ...one,
      by: upBy(back[i - 1]?.bass ?? end, one.bass, way === 'up' ? 'down' : 'up'),
    })),
  ]);
}

const lowestPitch = (grip: GradedGrip, context: DrillContext): number =>
  Math.min(...grip.frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(context.instrument, s, fret)])));

/** Grips for the walk in one register; null where some bass has none. */
function gripsOf(steps: readonly BassStep[], context: DrillContext): GradedGrip[] | null {
  const known = new Map<string, GradedGrip[]>();
  const found = steps.map(({ chord, bass }) => {
    const key = chord.symbol;
    let list = known.get(key);
    if (!list) {
      list = findShapes({
        chord,
        hand: context.hand,
        instrument: context.instrument,
        limits: { bass: 'root', maxFret: HIGHEST_FRET },
      }).filter((grip) => mod12(lowestPitch(grip, context)) === pitchClassOf(bass));
      known.set(key, list);
    }
    return list;
  });
  const starts = [...new Set(found[0].map((grip) => lowestPitch(grip, context)))].sort((a, b) => a - b);
  let best: { cost: number; grips: GradedGrip[] } | null = null;
  for (const start of starts) {
    let pitch = start;
    const row = steps.map(({ by }, i) => {
      pitch += by;
      return found[i].filter((grip) => lowestPitch(grip, context) === pitch).slice(0, CANDIDATES);
    });
    const solved = lightest(row, context);
    if (solved && (!best || solved.cost < best.cost)) best = solved;
  }
  return best?.grips ?? null;
}

function make(recipe: BassWalkRecipe, context: DrillContext): Result<DrillOf<BassWalkRecipe>> {
  const { beatsEach, tempoBpm, back } = recipe.parameters;
  if (!(Number.isInteger(beatsEach) && beatsEach >= 2 && beatsEach <= 8))
    return fail('drill.beats', 'beatsEach', '2 to 8 beats a grip');
  const steps = bassSteps(recipe.parameters);
  if (!steps.ok) return steps;
  const grips = gripsOf(steps.value, context);
  if (!grips)
    return fail('drill.walk-grips', 'from', 'the other way, or a key in which every bass has a grip');
  return sequenceDrill(
    recipe,
    {
      stops: steps.value.map(({ chord, bass }, i) => ({
        grip: { chord: chord.symbol, frets: grips[i].frets },
        ask: { code: 'ask.bass', values: { chord: chord.symbol, bass: noteText(bass) } },
      })),
      beatsEach,
      tempoBpm,
      round: back,
    },
    context,
  );
}

export const bassWalkFamily: FamilyDefinition<BassWalkRecipe> = {
  name: 'bass walk',
  group: 'move between',
  parameters,
  ...gripless,
  root: ({ parameters }) => chordRoot(parameters.from),
  rekey: (recipe, { from: now, to: root, up }) => {
    const { from, to, key: scaleName } = recipe.parameters;
    const other = parseChord(to);
    const first = parseChord(from);
    if (!first.ok) return first;
    if (!other.ok) return other;
    // The arriving root keeps its letter's distance in the new key.
    const named = movedKey(scaleName, up, root, now);
    const scale = parseScale(named);
    const pitchClass = mod12(pitchClassOf(other.value.root) + up);
    const arriving =
      (scale.ok && scale.value.notes.find((one) => pitchClassOf(one) === pitchClass)) ||
      rootNamed(pitchClass);
    return ok(
      withParameters(recipe, {
        from: transposeChord(first.value, root).symbol,
        to: transposeChord(other.value, arriving).symbol,
        key: named,
      }),
    );
  },
  title: ({ parameters: { from, to, way } }) => ({ code: 'title.bass', values: { from, to, way } }),
  first: ({ grip }) => {
    // Down to the chord a third below, the commonest walk there is: C to Am, G to Em; up a third from a minor one.
    const held = parseChord(grip.chord);
    const root = rootText(grip);
    const minor = held.ok && held.value.tones.some((tone) => tone.degree === 'b3');
    const relative = third(root, minor ? 3 : -3);
    return bassWalk({
      from: minor ? `${root}m` : root,
      to: minor ? relative : `${relative}m`,
      key: `${minor ? relative : root} major`,
      way: minor ? 'up' : 'down',
      by: 'scale',
      back: true,
      beatsEach: 4,
    });
  },
  make,
  easier: (recipe, context) => atTempo(recipe, make(recipe, context), slower),
  harder: (recipe, context) => atTempo(recipe, make(recipe, context), faster),
  fallbacks: (recipe) => {
    const free = withParameters(recipe, { tempoBpm: undefined });
    const other = recipe.parameters.way === 'up' ? 'down' : 'up';
    return [
      free,
      withParameters(free, { way: other }),
      withParameters(free, { by: 'half steps' }),
      withParameters(free, { by: 'half steps', way: other }),
      withParameters(free, { by: 'scale' }),
      withParameters(free, { from: 'C', to: 'Am', key: 'C major', way: 'down', by: 'scale' }),
    ];
  },
};
