/**
 * Sing it: the chord of a key and its home tone are heard, a degree is named, it is sung, then heard. Whoever sings says whether
 * it was that tone, or whoever listens does. No hand plays: it stays open to somebody whose hand hurts.
 */
import type { Instrument } from '../../../fretboard/instrument';
import type { DrillContext } from '../../../hands/taught-hand';
import { seededRandom } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import type { Bar, ScoreEvent, ScoreNote } from '../../../score/score';
import { ticksOf } from '../../../score/ticks';
import { makeChord } from '../../../theory/chord';
import { degreeSemitones, noteAtDegree, type Degree } from '../../../theory/degree';
import { makeKey, type Key } from '../../../theory/key';
import { mod12, noteText, pitchClassOf } from '../../../theory/note';
import { scaleOn } from '../../../theory/scale';
import { BEATS_A_CALL, callsDrill, inRounds } from '../../calls';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { fingersFor, heardChord, lyingNearest } from '../../heard-notes';
import { keyOnRoot, keyRoot, rootText } from '../../moving';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { SUNG, parameters, type Sung } from './parameters';

type Parameters = ParametersOf<typeof parameters>;
export type SingItRecipe = RecipeOf<'sing it', Parameters>;
export const singIt = recipeOf<SingItRecipe>('sing it');

const HEARD_BPM = 84;
const HEARINGS = 3;
/** Seconds one takes with what is heard before and after it; an answer is not late. */
const SECONDS_EACH = 15;
/** The lowest pitch home may have: F2 and F3, so that the octave above lies in most low and most high voices (assumed). */
const LOWEST = { low: 41, high: 53 } as const;
/** Points for each set more (our assumption). */
const POINTS = 3;

const degreesOf = (what: Sung, { tonic, mode }: Key): readonly Degree[] => {
  const scale = scaleOn(tonic, mode).degrees;
  switch (what) {
    case 'home':
      return ['1'];
    case 'home and 5':
      return ['1', '5'];
    case 'the chord':
      return [scale[0], scale[2], scale[4]];
    case 'the five':
      return scaleOn(tonic, `${mode} pentatonic`).degrees;
    case 'the scale':
      return scale;
  }
};

/** Where home lies: in the voice asked for, or octaves away where the instrument has it no nearer; null where it has not. */
function homePitch(key: Key, voice: Parameters['voice'], instrument: Instrument): number | null {
  const from = LOWEST[voice];
  const lowest = from + mod12(pitchClassOf(key.tonic) - from);
  const lies = (pitch: number) => lyingNearest([pitch], instrument) !== null;
  return [0, 12, 24, -12].map((up) => lowest + up).find((home) => lies(home) && lies(home + 11)) ?? null;
}

function toneAt(pitch: number, name: string, instrument: Instrument): ScoreNote[] {
  const places = lyingNearest([pitch], instrument) ?? [];
  const fingers = fingersFor(places);
  return places.map((place, i) => ({ ...place, finger: fingers[i], name }));
}

function make(recipe: SingItRecipe, context: DrillContext): Result<DrillOf<SingItRecipe>> {
  const { key: name, what, voice, count } = recipe.parameters;
  const { instrument } = context;
  const key = makeKey(name);
  if (!key.ok) return key;
  if (!(Number.isInteger(count) && count >= 5 && count <= 20)) return fail('drill.count', 'count', '5 to 20');
  const home = homePitch(key.value, voice, instrument);
  if (home === null) return fail('drill.ear', 'key', 'an instrument with an octave of that key');
  const { tonic, mode } = key.value;
  const chord = heardChord(makeChord(tonic, mode === 'minor' ? 'minor' : 'major'), instrument);
  const half = ticksOf(BEATS_A_CALL / 2);
  // Who is asked for home alone hears the chord alone: the tone would be the answer.
  const homeTone = toneAt(home, noteText(tonic), instrument);
  const given: ScoreEvent[] = [
    { tick: 0, ticks: what === 'home' ? 2 * half : half, notes: chord, stroke: 'strum' },
    ...(what === 'home' ? [] : [{ tick: half, ticks: half, notes: homeTone, stroke: 'pick' as const }]),
  ];
  const asked = inRounds(degreesOf(what, key.value), count, seededRandom(recipe.seed));
  const bars = asked.flatMap((degree): Bar[] => [
    { beats: BEATS_A_CALL, events: given },
    {
      beats: BEATS_A_CALL,
      events: [
        {
          tick: 0,
          ticks: 2 * half,
          notes: toneAt(home + degreeSemitones(degree), noteText(noteAtDegree(tonic, degree)), instrument),
          stroke: 'pick',
        },
      ],
    },
  ]);
  const drill = callsDrill(
    recipe,
    {
      steps: asked.map((degree, i) => ({
        startTick: ticksOf(2 * BEATS_A_CALL * i),
        ticks: ticksOf(2 * BEATS_A_CALL),
        item: { kind: 'interval', root: noteText(tonic), degree },
        ask: {
          code: 'ask.sing',
          values: { degree, note: noteText(noteAtDegree(tonic, degree)), key: key.value.name },
        },
        hearings: HEARINGS,
        answer: {
          kind: 'sung',
          right: noteText(noteAtDegree(tonic, degree)),
          pitch: home + degreeSemitones(degree),
          heardTick: ticksOf(2 * BEATS_A_CALL * i + BEATS_A_CALL),
        },
      })),
      bars,
      secondsPerCall: SECONDS_EACH,
      heardBpm: HEARD_BPM,
      morePoints: POINTS * SUNG.indexOf(what),
    },
    context,
  );
  return ok({
    ...drill,
    bursts: { count: 1, workSeconds: count * SECONDS_EACH, restSeconds: 0 },
    question: { code: 'question.sung', values: { of: count, clean: Math.ceil(count * 0.9) } },
  });
}

const other = (recipe: SingItRecipe, by: 1 | -1): SingItRecipe | null => {
  const what = SUNG[SUNG.indexOf(recipe.parameters.what) + by];
  return what ? withParameters(recipe, { what }) : null;
};

export const singItFamily: FamilyDefinition<SingItRecipe> = {
  name: 'sing it',
  group: 'by ear and on paper',
  evidence: 'hear',
  draws: () => true,
  parameters,
  ...gripless,
  title: ({ parameters: { key, what } }) => ({ code: 'title.sing', values: { key, what } }),
  first: ({ grip }) => singIt({ key: `${rootText(grip)} major`, what: 'the chord', voice: 'low', count: 10 }),
  make,
  /** Fewer tones to be told apart. */
  easier: (recipe) => {
    const next = other(recipe, -1);
    return next ? ok(next) : fail('drill.easiest', 'what', 'home alone, after its chord');
  },
  harder: (recipe) => {
    const next = other(recipe, 1);
    return next ? ok(next) : fail('drill.hardest', 'what', 'every tone of the scale');
  },
  root: ({ parameters: { key } }) => keyRoot(key),
  rekey: (recipe, move) => ok(withParameters(recipe, { key: keyOnRoot(recipe.parameters.key, move) })),
  fallbacks: (recipe) => {
    const { key, count } = recipe.parameters;
    const free = withParameters(recipe, {
      key: makeKey(key).ok ? key : 'C major',
      count: Math.min(20, Math.max(5, Math.round(count) || 10)),
    });
    return [free, withParameters(free, { voice: 'high' })];
  },
};
