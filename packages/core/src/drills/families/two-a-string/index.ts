/**
 * Two a string: an arpeggio with its tones in order, two on every string, the hand going up the neck from string to string.
 * Over a progression each chord has a bar of eight notes; in several keys each has its whole arpeggio. Whole pairs only:
 * where the neck ends those that do not fit are left out and said.
 */
import type { Reason } from '../../../effort/explain';
import { seededRandom } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import type { DrillContext } from '../../../hands/taught-hand';
import { acrossStrings } from '../../../scales/across';
import { arpeggioOf, lastFret, type FingeredNote } from '../../../scales/tones';
import { makeChord, parseChord, type Chord } from '../../../theory/chord';
import { noteAtDegree } from '../../../theory/degree';
import { noteText, pitchClassOf, readNote, rootNamed } from '../../../theory/note';
import { shuffled } from '../../calls';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { lineDrill, type Phrase } from '../../line-drill';
import { movedChords, namedRoot, rootText } from '../../moving';
import { easierBy, harderBy } from '../../notches';
import { typedChords } from '../../spans';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { QUALITIES, parameters } from './parameters';

type TwoQuality = (typeof QUALITIES)[number];
const isTwoQuality = (id: string): id is TwoQuality => (QUALITIES as readonly string[]).includes(id);

type Parameters = ParametersOf<typeof parameters>;
export type TwoAStringRecipe = RecipeOf<'two a string', Parameters>;
export const twoAString = recipeOf<TwoAStringRecipe>('two a string');

const PER_BEAT = 2;
/** Notes of a bar over a progression: four pairs. */
const BAR_NOTES = 8;
const MOST_CHORDS = 8;
/** From this fret on an arpeggio has no room above it. */
const TOO_HIGH = 17;

interface Laid {
  readonly chord: Chord;
  readonly notes: readonly FingeredNote[];
  readonly leftOut: readonly Reason[];
}

function chordsOf({ root, quality, keys, next, over }: Parameters, seed: number): Result<Chord[]> {
  if (over?.trim()) {
    const chords = typedChords(over, 'over', MOST_CHORDS);
    if (!chords.ok) return chords;
    const other = chords.value.find((one) => !isTwoQuality(one.quality));
    return other ? fail('drill.two-quality', other.symbol, 'maj7, 7, m7, m7b5 or dim7') : chords;
  }
  const read = readNote(root);
  if (!read || read.length !== root.length) return fail('drill.root', 'root', 'a note, like Eb');
  if (!isTwoQuality(quality)) return fail('drill.two-quality', 'quality', 'maj7, 7, m7, m7b5 or dim7');
  if (!(Number.isInteger(keys) && keys >= 1 && keys <= 12)) return fail('drill.keys', 'keys', '1 to 12 keys');
  const others = Array.from({ length: 11 }, (_, i) => i + 1);
  const steps = next === 'fourths' ? others.map((i) => (5 * i) % 12) : shuffled(others, seededRandom(seed));
  const roots = steps.slice(0, keys - 1).map((up) => rootNamed(pitchClassOf(read.note) + up));
  return ok([read.note, ...roots].map((one) => makeChord(one, quality)));
}

function laid(chord: Chord, given: Parameters, context: DrillContext): Laid {
  const { instrument } = context;
  const across = (minFret: number) =>
    acrossStrings(arpeggioOf(chord), instrument, { each: 2, fromString: given.string, minFret });
  const asked = given.fromFret ?? 1;
  let found = across(asked);
  const leftOut: Reason[] = [];
  const first = found.notes[0]?.fret;
  if (asked > 1 && (first === undefined || first >= TOO_HIGH) && asked > 12) {
    found = across(asked - 12);
    leftOut.push({ code: 'left.lower', values: { chord: chord.symbol, frets: 12 } });
  }
  if (found.leftOut.length)
    leftOut.push({
      code: 'left.pairs',
      values: { chord: chord.symbol, strings: found.leftOut.join(', '), fret: lastFret(instrument) },
    });
  const notes = found.notes.map((one, i, all): FingeredNote => {
    const low = all[i - (i % 2)];
    if (i % 2 === 0) return { ...one, finger: low.fret === 0 ? 0 : 1 };
    const three = given.fingers === '1 3' && one.fret - low.fret === 3;
    return { ...one, finger: three ? 3 : 4 };
  });
  return { chord, notes, leftOut };
}

const down = <T>(notes: readonly T[]): T[] => [...notes].reverse();

function make(recipe: TwoAStringRecipe, context: DrillContext): Result<DrillOf<TwoAStringRecipe>> {
  const given = recipe.parameters;
  const strings = context.instrument.openPitches.length;
  if (!(Number.isInteger(given.string) && given.string >= 3 && given.string <= strings))
    return fail('drill.string', 'string', `a string from ${strings} to 3`);
  const chords = chordsOf(given, recipe.seed);
  if (!chords.ok) return chords;
  const rows = chords.value.map((chord) => laid(chord, given, context));
  const empty = rows.find((row) => row.notes.length < 4);
  if (empty) return fail('drill.line', empty.chord.symbol, 'a lower fret to begin from');
  const over = given.over?.trim();
  const phrases = rows.map(({ chord, notes }, i): Phrase => {
    const part = over ? notes.slice(0, BAR_NOTES) : notes;
    // Over a progression the bars go up and down by turns; alone an arpeggio goes up and comes back.
    const line =
      given.way === 'up' ? part : over ? (i % 2 ? down(part) : part) : [...part, ...down(part).slice(1)];
    const { stringIndex, fret } = notes[0];
    return {
      tones: line.map((one) => [one]),
      chord: chord.symbol,
      ask: { code: 'ask.two', values: { chord: chord.symbol, string: strings - stringIndex, fret } },
    };
  });
  return lineDrill(
    recipe,
    {
      phrases,
      perBeat: PER_BEAT,
      tempoBpm: given.tempoBpm,
      leftOut: rows.flatMap((row) => row.leftOut),
    },
    context,
  );
}

/** Chords of a two-five on a root, by what it is: into a major chord, or into a minor one. */
function twoFive(root: string, quality: string): string {
  const read = readNote(root);
  if (!read) return '';
  const minor = quality === 'minor7' || quality === 'half-diminished';
  const [two, five] = [noteAtDegree(read.note, '2'), noteAtDegree(read.note, '5')];
  const home = minor ? 'm7' : 'maj7';
  return `${noteText(two)}${minor ? 'm7b5' : 'm7'} ${noteText(five)}7 ${noteText(read.note)}${home}`;
}

export const twoAStringFamily: FamilyDefinition<TwoAStringRecipe> = {
  name: 'two a string',
  group: 'lines',
  draws: ({ parameters: { next, keys } }) => next === 'random' && keys > 1,
  parameters,
  ...gripless,
  root: ({ parameters: { root } }) => namedRoot(root),
  rekey: (recipe, move) =>
    ok(
      withParameters(recipe, {
        root: noteText(move.to),
        ...(recipe.parameters.over ? { over: movedChords(recipe.parameters.over, move) } : {}),
      }),
    ),
  title: ({ parameters: { root, quality, over, keys } }) => {
    const read = readNote(root);
    const own = read ? makeChord(read.note, quality).symbol : root;
    return { code: 'title.two', values: { chords: over?.trim() || own, keys: over?.trim() ? 1 : keys } };
  },
  first: ({ grip, instrument }) => {
    const chord = parseChord(grip.chord);
    const quality = chord.ok && isTwoQuality(chord.value.quality) ? chord.value.quality : null;
    const minor = chord.ok && chord.value.tones.some((tone) => tone.degree === 'b3');
    return twoAString({
      root: rootText(grip),
      quality: quality ?? (minor ? 'minor7' : 'major7'),
      string: Math.min(6, instrument.openPitches.length),
      way: 'up',
      fingers: '1 4',
      keys: 1,
      next: 'fourths',
    });
  },
  fields: ({ parameters: { over, keys } }, usual) =>
    usual.filter(({ name }) =>
      over?.trim() ? !['quality', 'keys', 'next'].includes(name) : name !== 'next' || keys > 1,
    ),
  make,
  /** Slower; at the slowest one key, the one chord, up alone. */
  easier: (recipe, context) => {
    const { keys, over, way } = recipe.parameters;
    return easierBy(recipe, (one) => make(one, context), [
      keys > 1 && { keys: keys - 1 },
      over !== undefined && { over: undefined },
      way !== 'up' && { way: 'up' },
    ]);
  },
  /** Up and down, a two-five around it, more keys; then faster. */
  harder: (recipe, context) => {
    const { root, quality, over, way, keys } = recipe.parameters;
    return harderBy(recipe, (one) => make(one, context), [
      way === 'up' && { way: 'up and down' },
      over === undefined && keys === 1 && { over: twoFive(root, quality) },
    ]);
  },
  fallbacks: (recipe, { instrument }) => {
    const strings = instrument.openPitches.length;
    const { root, quality, string } = recipe.parameters;
    const free = withParameters(recipe, {
      string: Math.min(strings, Math.max(3, Math.round(string) || strings)),
      root: namedRoot(root) ? root : 'C',
      quality: isTwoQuality(quality) ? quality : 'minor7',
      keys: 1,
      tempoBpm: undefined,
    });
    const low = withParameters(free, { fromFret: undefined });
    const alone = withParameters(low, { over: undefined });
    return [
      free,
      low,
      withParameters(low, { fingers: '1 4' }),
      alone,
      withParameters(alone, { string: strings - 1 }),
    ];
  },
};
