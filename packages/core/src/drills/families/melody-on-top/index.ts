/**
 * Melody on top: a grip under every note of a tune, the note its highest, on string 1 or 2: of a chord, of the chords of its
 * job, or of whichever degree of the key holds it. Plain triads or the richest the hand holds; coming down another voicing
 * where there is one. What was passed over is said.
 */
import type { Reason } from '../../../effort/explain';
import { harmonizeMelody, readMelody, scaleMelody, type HarmonizedNote } from '../../../harmony/melody';
import type { TopVoicing } from '../../../harmony/top-voicings';
import { gripLimit, type DrillContext } from '../../../hands/taught-hand';
import { fail, ok, type Result } from '../../../kernel/result';
import { parseChord } from '../../../theory/chord';
import { makeKey, type Key } from '../../../theory/key';
import { midiOf, pitchSpelled, pitchText, type Pitch } from '../../../theory/pitch';
import { noteAtDegree } from '../../../theory/degree';
import { degreeOver } from '../../../theory/figure';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { keyOnRoot, keyRoot, movedChords, rootText } from '../../moving';
import { easierBy, harderBy } from '../../notches';
import type { Move } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { sequenceDrill } from '../../sequence';

type Parameters = ParametersOf<typeof parameters>;
export type MelodyOnTopRecipe = RecipeOf<'melody on top', Parameters>;
export const melodyOnTop = recipeOf<MelodyOnTopRecipe>('melody on top');

const MOST_NOTES = 32;

function tuneOf(given: Parameters, of: Key, context: DrillContext): Result<Pitch[]> {
  const { melody, octaves, way, string } = given;
  if (melody?.trim()) {
    const lowest = context.instrument.openPitches[context.instrument.openPitches.length - string];
    const read = readMelody(melody, lowest + context.instrument.capo);
    if (!read.ok) return read;
    return read.value.length <= MOST_NOTES
      ? ok([...read.value])
      : fail('melody.long', String(MOST_NOTES), `at most ${MOST_NOTES} notes`);
  }
  const all = scaleMelody(of, string, octaves, context);
  return ok(way === 'up' ? all.slice(0, Math.ceil(all.length / 2)) : all);
}

/** The richest that lies no further from what was held than the plain one, by notes and then by effort. */
function chosen({ voicings }: HarmonizedNote, how: Parameters['voicings']): TopVoicing {
  if (how === 'plain') return voicings[0];
  return voicings.reduce((best, one) =>
    one.voices > best.voices ||
    (one.voices === best.voices && one.chord.tones.length > best.chord.tones.length)
      ? one
      : best,
  );
}

function make(recipe: MelodyOnTopRecipe, context: DrillContext): Result<DrillOf<MelodyOnTopRecipe>> {
  const given = recipe.parameters;
  const of = makeKey(given.key);
  if (!of.ok) return of;
  if (!(Number.isInteger(given.beatsEach) && given.beatsEach >= 2 && given.beatsEach <= 4))
    return fail('drill.beats', 'beatsEach', '2 to 4 beats a grip');
  const { instrument, hand } = context;
  if (instrument.openPitches.length < 4) return fail('drill.string', 'string', 'four strings and more');
  const named = given.chord?.trim() ? parseChord(given.chord.trim()) : null;
  if (named && !named.ok) return fail(named.problem.code, 'chord', named.problem.detail);
  if (given.by !== 'degree' && !named)
    return fail('drill.top-chord', 'chord', 'a chord, like Cmaj7, or by degree');
  const tune = tuneOf(given, of.value, context);
  if (!tune.ok) return tune;
  const all = harmonizeMelody({
    melody: tune.value,
    key: of.value,
    by: given.by,
    ...(named?.ok ? { chord: named.value } : {}),
    string: given.string,
    outside: given.outside,
    hand,
    instrument,
    maxEffort: gripLimit(context),
    bass: given.bass,
  });
  const held = all.filter((one) => one.passed === null);
  if (held.length < 3) return fail('drill.top', 'melody', 'a tune on this string, another key, or by degree');
  const passed = all.flatMap((one): Reason[] =>
    one.passed ? [{ code: 'left.top', values: { pitch: pitchText(one.pitch), why: one.passed } }] : [],
  );
  return sequenceDrill(
    recipe,
    {
      stops: held.map((one) => {
        const voicing = chosen(one, given.voicings);
        return {
          grip: { chord: voicing.chord.symbol, frets: voicing.frets },
          ask: {
            code: 'ask.top',
            values: { chord: voicing.chord.symbol, pitch: pitchText(one.pitch), top: voicing.top },
          },
        };
      }),
      beatsEach: given.beatsEach,
      tempoBpm: given.tempoBpm,
      round: false,
      moreItems: [{ kind: 'key', key: of.value.name }],
      leftOut: [...new Map(passed.map((one) => [JSON.stringify(one), one])).values()],
      question: (bpm) => ({ code: 'question.tops', values: { of: 10, clean: 9, bpm } }),
    },
    context,
  );
}

/** The notes of a tune as far from the new root as they were from the old one. */
function movedTune(melody: string, { from, to, up }: Move): string {
  const read = readMelody(melody, 0);
  if (!read.ok) return melody;
  return read.value
    .map((pitch) =>
      pitchText(pitchSpelled(midiOf(pitch) + up, noteAtDegree(to, degreeOver(from, pitch.note)))),
    )
    .join(' ');
}

export const melodyOnTopFamily: FamilyDefinition<MelodyOnTopRecipe> = {
  name: 'melody on top',
  group: 'in a key',
  parameters,
  ...gripless,
  root: ({ parameters }) => keyRoot(parameters.key),
  rekey: (recipe, move) => {
    const { key: name, melody, chord } = recipe.parameters;
    return ok(
      withParameters(recipe, {
        key: keyOnRoot(name, move),
        ...(melody?.trim() ? { melody: movedTune(melody, move) } : {}),
        ...(chord?.trim() ? { chord: movedChords(chord, move) } : {}),
      }),
    );
  },
  title: ({ parameters: { key: name, string, by, chord } }) => ({
    code: 'title.top',
    values: { key: name, string, over: by === 'degree' ? '' : (chord?.trim() ?? '') },
  }),
  first: ({ grip }) =>
    melodyOnTop({
      key: `${rootText(grip)} major`,
      string: 1,
      octaves: 1,
      way: 'up',
      by: 'degree',
      voicings: 'plain',
      bass: false,
      outside: 'pass over',
      beatsEach: 4,
    }),
  fields: ({ parameters: { melody, by } }, usual) =>
    usual.filter(
      ({ name }) =>
        (name !== 'octaves' && name !== 'way' ? true : !melody?.trim()) &&
        (name !== 'chord' || by !== 'degree'),
    ),
  make,
  /** Slower; at the slowest one way, one octave, no bass, plain. */
  easier: (recipe, context) => {
    const { way, octaves, bass, voicings, melody } = recipe.parameters;
    return easierBy(recipe, (one) => make(one, context), [
      !melody && way !== 'up' && { way: 'up' },
      !melody && octaves === 2 && { octaves: 1 },
      bass && { bass: false },
      voicings === 'richest' && { voicings: 'plain' },
    ]);
  },
  /** Four notes, the bass, two octaves, down again; then faster. */
  harder: (recipe, context) => {
    const { way, octaves, bass, voicings, melody } = recipe.parameters;
    return harderBy(recipe, (one) => make(one, context), [
      voicings === 'plain' && { voicings: 'richest' },
      !bass && { bass: true },
      !melody && octaves === 1 && { octaves: 2 },
      !melody && way === 'up' && { way: 'up and down' },
    ]);
  },
  fallbacks: (recipe) => {
    const { key: name } = recipe.parameters;
    const free = withParameters(recipe, { key: makeKey(name).ok ? name : 'C major', tempoBpm: undefined });
    const scale = withParameters(free, { melody: undefined, by: 'degree', bass: false, voicings: 'plain' });
    return [
      free,
      withParameters(free, { by: 'degree' }),
      withParameters(free, { bass: false }),
      withParameters(free, { outside: 'harmonise', bass: false }),
      scale,
      withParameters(scale, { string: 2 }),
      ...['C', 'G', 'F', 'A', 'Eb'].map((root) => withParameters(scale, { key: `${root} major` })),
    ];
  },
};
