/**
 * Triad pairs: two triads that together sound as something else, by turns through their inversions on three strings, up and
 * down: stacked ones share two notes, those side by side share none. Then the same hand against other roots, each degree
 * named anew. As stabs of three strings, or as lines of their notes.
 */
import { sidePairs, stackedPairs, type TriadPair } from '../../../harmony/over-root';
import { asTension } from '../../../harmony/clash';
import { searched, type DrillContext } from '../../../hands/taught-hand';
import { fail, ok, type Result } from '../../../kernel/result';
import { pitchAt } from '../../../fretboard/instrument';
import type { FingeredNote } from '../../../scales/tones';
import { closeTriads as placesOf, lowestOfEach } from '../../../shapes/forms';
import type { GradedGrip } from '../../../shapes/graded-grip';
import type { Chord } from '../../../theory/chord';
import { noteAtDegree, type Degree } from '../../../theory/degree';
import { degreeOver } from '../../../theory/figure';
import { mod12, noteText, pitchClassOf, readNote, spelledSimply, type NoteName } from '../../../theory/note';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { lineDrill, type Phrase } from '../../line-drill';
import { droneBar } from '../../heard-notes';
import { namedRoot, rootText } from '../../moving';
import { easierBy, harderBy } from '../../notches';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { sequenceDrill, type Stop } from '../../sequence';

const STACKED = ['maj7', '7', 'm7', 'm7b5', '9'] as const;
const SIDE = ['m7', 'maj7', '7', '7sus4', '7alt'] as const;

type Parameters = ParametersOf<typeof parameters>;
export type TriadPairsRecipe = RecipeOf<'triad pairs', Parameters>;
export const triadPairs = recipeOf<TriadPairsRecipe>('triad pairs');

const BEATS = 4;
/** A triad of a line is one beat: its three notes. */
const PER_BEAT = 3;
const HIGHEST_FRET = 15;
/** Degrees of the root on which the other roots lie: a fourth up, a minor third down. */
const OTHER_ROOTS: readonly Degree[] = ['1', '4', '6'];

const pairOf = (root: NoteName, { pair, sound }: Pick<Parameters, 'pair' | 'sound'>): TriadPair | undefined =>
  (pair === 'stacked' ? stackedPairs(root) : sidePairs(root)).find(
    (one) => one.sound === noteText(root) + sound,
  );

interface Placed {
  readonly chord: Chord;
  readonly grip: GradedGrip;
}

const lowest = ({ frets }: GradedGrip): number => frets.reduce<number>((sum, fret) => sum + (fret ?? 0), 0);

/** Both triads in their three inversions, by turns up the neck and down again. */
function byTurns(pair: TriadPair, strings: Parameters['strings'], context: DrillContext): Placed[] | null {
  const { instrument } = context;
  const highest = Math.min(HIGHEST_FRET, instrument.frets - instrument.capo);
  const [lower, upper] = [pair.lower, pair.upper].map((chord) =>
    lowestOfEach(placesOf(chord, strings, searched(context), highest))
      .map((grip): Placed => ({ chord, grip }))
      .sort((a, b) => lowest(a.grip) - lowest(b.grip)),
  );
  if (lower.length < 3 || upper.length < 3) return null;
  const up = lower.flatMap((one, i) => [one, upper[i]]);
  return [...up, ...up.slice(0, -1).reverse()];
}

/** What the notes of a triad are over a root: b7 9 11. */
function degreesOver(chord: Chord, root: NoteName): string {
  const major = chord.tones.some((tone) => mod12(tone.pitchClass - pitchClassOf(root)) === 4);
  return chord.tones.map((tone) => asTension(degreeOver(root, tone.note), major)).join(' ');
}

/** Under each bar root and fifth of the root it is heard against, low, as a part of its own. */
function overDrone(
  made: Result<DrillOf<TriadPairsRecipe>>,
  rootOf: (bar: number) => NoteName,
  { instrument }: DrillContext,
): Result<DrillOf<TriadPairsRecipe>> {
  if (!made.ok || !made.value.recipe.parameters.drone) return made;
  const { score } = made.value;
  const [first] = score.parts;
  const bars = first.bars.map(({ beats }, bar) => droneBar(rootOf(bar), beats, instrument));
  if (bars.some((bar) => bar === null))
    return ok({ ...made.value, leftOut: [...made.value.leftOut, { code: 'left.drone', values: {} }] });
  const drone = bars.flatMap((bar) => bar ?? []);
  return ok({ ...made.value, score: { ...score, parts: [...score.parts, { name: 'drone', bars: drone }] } });
}

function make(recipe: TriadPairsRecipe, context: DrillContext): Result<DrillOf<TriadPairsRecipe>> {
  const given = recipe.parameters;
  const { root, strings, played, roots, tempoBpm } = given;
  const { instrument } = context;
  const count = instrument.openPitches.length;
  const [thick, middle, thin] = strings;
  if (!(thick <= count && thin >= 1 && thick === middle + 1 && middle === thin + 1))
    return fail('drill.set', 'strings', `three neighbouring strings from ${count} to 1`);
  const read = readNote(root);
  if (!read || read.length !== root.length) return fail('drill.root', 'root', 'a note, like Eb');
  if (!(Number.isInteger(roots) && roots >= 1 && roots <= 3))
    return fail('drill.roots', 'roots', '1 to 3 roots');
  const pair = pairOf(read.note, given);
  if (!pair)
    return fail('drill.pair', 'sound', given.pair === 'stacked' ? STACKED.join(', ') : SIDE.join(', '));
  const row = byTurns(pair, strings, context);
  if (!row) return fail('drill.triads', pair.lower.symbol, 'another set of strings, or a higher limit');
  const against = OTHER_ROOTS.slice(0, roots).map((degree) => spelledSimply(noteAtDegree(read.note, degree)));
  const asked = against.flatMap((over) =>
    row.map((one) => ({
      ...one,
      ask: {
        code: 'ask.pair',
        values: { chord: one.chord.symbol, root: noteText(over), degrees: degreesOver(one.chord, over) },
      },
    })),
  );
  const rootAt = (at: number) => against[Math.min(against.length - 1, Math.floor(at / row.length))];
  if (played === 'stabs')
    return overDrone(
      sequenceDrill(
        recipe,
        {
          stops: asked.map(({ chord, grip, ask }): Stop => ({
            grip: { chord: chord.symbol, frets: grip.frets },
            ask,
          })),
          beatsEach: BEATS,
          tempoBpm,
          round: false,
          moreItems: pair.over.map(({ degree }) => ({ kind: 'interval', root, degree })),
        },
        context,
      ),
      rootAt,
      context,
    );
  const phrases = asked.map(({ chord, grip, ask }): Phrase => ({
    chord: chord.symbol,
    ask,
    tones: notesOf(chord, grip, context).map((one) => [one]),
  }));
  return overDrone(
    lineDrill(
      recipe,
      {
        // Four triads a bar: phrases of one beat are laid end to end.
        phrases: inBars(phrases),
        perBeat: PER_BEAT,
        tempoBpm,
        moreItems: pair.over.map(({ degree }) => ({ kind: 'interval', root, degree })),
      },
      context,
    ),
    (bar) => rootAt(bar * BEATS),
    context,
  );
}

const inBars = (phrases: readonly Phrase[]): Phrase[] =>
  Array.from({ length: Math.ceil(phrases.length / BEATS) }, (_, bar) => {
    const part = phrases.slice(bar * BEATS, (bar + 1) * BEATS);
    return { ...part[0], tones: part.flatMap((one) => one.tones) };
  });

/** The notes of a grip from the lowest up, as they are picked one after the other. */
function notesOf(chord: Chord, grip: GradedGrip, { instrument }: DrillContext): FingeredNote[] {
  return grip.frets
    .flatMap((fret, stringIndex): FingeredNote[] => {
      if (fret === null) return [];
      const pitch = pitchAt(instrument, stringIndex, fret);
      const tone = chord.tones.find((one) => one.pitchClass === mod12(pitch)) ?? chord.tones[0];
      return [{ stringIndex, fret, finger: Number(grip.fingers[stringIndex]) || 0, note: tone.note, degree: tone.degree, pitch }];
    })
    .sort((a, b) => a.pitch - b.pitch); // prettier-ignore
}

const sets = (count: number): (readonly [number, number, number])[] =>
  Array.from({ length: Math.max(0, count - 2) }, (_, i) => [i + 3, i + 2, i + 1] as const);

export const triadPairsFamily: FamilyDefinition<TriadPairsRecipe> = {
  name: 'triad pairs',
  group: 'in a key',
  evidence: 'over a root',
  parameters,
  ...gripless,
  root: ({ parameters: { root } }) => namedRoot(root),
  rekey: (recipe, { to }) => ok(withParameters(recipe, { root: noteText(to) })),
  title: ({ parameters: { root, sound, pair } }) => {
    const read = namedRoot(root);
    const found = read ? pairOf(read, { pair, sound }) : undefined;
    return {
      code: 'title.pairs',
      values: { lower: found?.lower.symbol ?? root, upper: found?.upper.symbol ?? root, sound: root + sound },
    };
  },
  first: ({ grip }) =>
    triadPairs({
      root: rootText(grip),
      pair: 'stacked',
      sound: 'maj7',
      strings: [3, 2, 1],
      played: 'stabs',
      roots: 1,
      drone: true,
    }),
  fields: (recipe, usual, strings) => {
    const { pair, strings: set } = recipe.parameters;
    const sounds: readonly string[] = pair === 'stacked' ? STACKED : SIDE;
    return usual
      .flatMap((field) => {
        if (field.name === 'sound') return [{ ...field, choices: sounds }];
        if (field.name === 'pair')
          return [
            {
              ...field,
              // What the other kind has no pair for becomes a major seventh, which both have.
              choose: (value: string) => withParameters(field.choose(value), { sound: 'maj7' }),
            },
          ];
        return [field];
      })
      .concat({
        name: 'strings',
        value: set.join(' '),
        choices: sets(strings).map((one) => one.join(' ')),
        choose: (value) =>
          withParameters(recipe, { strings: sets(strings).find((one) => one.join(' ') === value) ?? set }),
      });
  },
  make,
  /** Slower; at the slowest fewer roots, the thinner set, stabs. */
  easier: (recipe, context) => {
    const { roots, strings, played } = recipe.parameters;
    const [thick, middle, thin] = strings;
    return easierBy(recipe, (one) => make(one, context), [
      roots > 1 && { roots: roots - 1 },
      thin > 1 && { strings: [thick - 1, middle - 1, thin - 1] },
      played === 'lines' && { played: 'stabs' },
    ]);
  },
  /** Lines, the thicker set, another root; then faster. */
  harder: (recipe, context) => {
    const { roots, strings, played } = recipe.parameters;
    const [thick, middle, thin] = strings;
    return harderBy(recipe, (one) => make(one, context), [
      played === 'stabs' && { played: 'lines' },
      thick < context.instrument.openPitches.length && { strings: [thick + 1, middle + 1, thin + 1] },
      roots < 3 && { roots: roots + 1 },
    ]);
  },
  fallbacks: (recipe, { instrument }) => {
    const { root, roots } = recipe.parameters;
    const free = withParameters(recipe, {
      root: namedRoot(root) ? root : 'C',
      roots: Math.min(3, Math.max(1, Math.round(roots) || 1)),
      tempoBpm: undefined,
    });
    const plain = withParameters(free, { pair: 'stacked', sound: 'maj7' });
    return [free, plain].flatMap((one) => [
      one,
      ...sets(instrument.openPitches.length).flatMap((strings) => [
        withParameters(one, { strings }),
        withParameters(one, { strings, played: 'stabs' }),
      ]),
    ]);
  },
};
