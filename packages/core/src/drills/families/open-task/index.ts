/**
 * Open task: a question, the bounds it is asked within, a drone or two chords under it and a few minutes. What is found is
 * written down in a sentence or a grip, for the teacher; it is never graded right or wrong.
 */
import { gradeOf } from '../../../effort/hold';
import { stringNumber } from '../../../fretboard/instrument';
import type { DrillContext } from '../../../hands/taught-hand';
import { fail, ok, type Result } from '../../../kernel/result';
import { arpeggioOf, lastFret, onString, type PlacedNote, type Tones } from '../../../scales/tones';
import { gripNotes, type Bar } from '../../../score/score';
import { ticksOf } from '../../../score/ticks';
import { makeChord, type Chord } from '../../../theory/chord';
import { degreeChords } from '../../../theory/degree-chords';
import { makeKey, type Key } from '../../../theory/key';
import { pitchClassOf } from '../../../theory/note';
import { scaleOn } from '../../../theory/scale';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { droneBar } from '../../heard-notes';
import { keyOnRoot, keyRoot, rootText } from '../../moving';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { heldRow } from '../../spans';
import { QUESTIONS, RULES, parameters } from './parameters';

type Parameters = ParametersOf<typeof parameters>;
export type OpenTaskRecipe = RecipeOf<'open task', Parameters>;
export const openTask = recipeOf<OpenTaskRecipe>('open task');

const BEATS = 4;
/** Bars of the ground, which goes round. */
const BARS = 8;
const GROUND_BPM = 72;
/** Fewer notes are no choice. */
const FEWEST = 3;
/** Points: the freest task is light, a narrower one and a rule ask more thought (our assumption). */
const POINTS = { least: 4, widest: 60, each: 0.15, rule: 4 } as const;

function tonesOf(key: Key, notes: Parameters['notes']): Tones {
  if (notes === 'the chord') return arpeggioOf(homeOf(key));
  return scaleOn(key.tonic, notes === 'the five' ? `${key.mode} pentatonic` : key.mode);
}
const homeOf = (key: Key): Chord => makeChord(key.tonic, key.mode === 'minor' ? 'minor' : 'major');

/** Root and fifth, low. */
function droneBars(key: Key, { instrument }: DrillContext): Bar[] | null {
  const bar = droneBar(key.tonic, BEATS, instrument);
  return bar && Array.from({ length: BARS }, () => bar);
}

/** The chord of the key and its fourth, two bars each. */
function chordBars(key: Key, context: DrillContext): Result<Bar[]> {
  const chords = [homeOf(key), degreeChords(key)[3].chord];
  const row = heldRow(chords, context, 'a drone under it');
  if (!row.ok) return row;
  return ok(
    Array.from({ length: BARS }, (_, bar): Bar => {
      const at = Math.floor(bar / 2) % 2;
      const notes = gripNotes(row.value[at].frets, row.value[at].fingers);
      return {
        beats: BEATS,
        events: [
          {
            tick: 0,
            ticks: ticksOf(BEATS),
            notes,
            stroke: 'strum',
            ...(bar % 2 ? {} : { chord: chords[at].symbol }),
          },
        ],
      };
    }),
  );
}

/** Notes within the bounds, thickest string first. */
function within(
  { lowFret, highFret, thickString, thinString }: Parameters,
  tones: Tones,
  { instrument }: DrillContext,
): PlacedNote[] {
  const [thin, thick] = [Math.min(thickString, thinString), Math.max(thickString, thinString)];
  return instrument.openPitches.flatMap((_, s) => {
    const number = stringNumber(instrument, s);
    return number < thin || number > thick ? [] : onString(tones, s, lowFret, highFret, instrument);
  });
}

function make(recipe: OpenTaskRecipe, context: DrillContext): Result<DrillOf<OpenTaskRecipe>> {
  const given = recipe.parameters;
  const { key: name, lowFret, highFret, thickString, thinString, minutes, ground, question, rule } = given;
  const { instrument } = context;
  const key = makeKey(name);
  if (!key.ok) return key;
  const strings = instrument.openPitches.length;
  if (![thickString, thinString].every((one) => Number.isInteger(one) && one >= 1 && one <= strings))
    return fail('drill.string', 'strings', `strings 1 to ${strings}`);
  const end = lastFret(instrument);
  if (!(
    Number.isInteger(lowFret) &&
    Number.isInteger(highFret) &&
    lowFret >= 0 &&
    lowFret < highFret &&
    highFret <= end
  ))
    // prettier-ignore
    return fail('drill.fret', 'highFret', `0 to ${end}, the lower one first`);
  if (!(Number.isInteger(minutes) && minutes >= 1 && minutes <= 10))
    return fail('drill.minutes', 'minutes', '1 to 10 minutes');
  const tones = tonesOf(key.value, given.notes);
  const notes = within(given, tones, context);
  if (new Set(notes.map((one) => pitchClassOf(one.note))).size < Math.min(FEWEST, tones.notes.length))
    return fail('drill.bounds', 'highFret', 'one string more, or a fret more');
  const drone = ground === 'drone' ? droneBars(key.value, context) : null;
  const chords = ground === 'two chords' ? chordBars(key.value, context) : null;
  if (chords && !chords.ok) return chords;
  const silent: Bar[] = [{ beats: BEATS, events: [] }];
  const bars = drone ?? (chords?.ok ? chords.value : silent);
  return ok({
    recipe,
    items: [{ kind: 'key', key: key.value.name }],
    steps: [
      {
        startTick: 0,
        ticks: ticksOf(BEATS * bars.length),
        item: { kind: 'key', key: key.value.name },
        ask: { code: 'ask.open', values: { question, key: key.value.name, ...(rule ? { rule } : {}) } },
      },
    ],
    bounds: {
      notes,
      frets: [lowFret, highFret],
      strings: [Math.max(thickString, thinString), Math.min(thickString, thinString)],
    },
    asksNote: true,
    score: {
      schemaVersion: 1,
      strings,
      tempoBpm: GROUND_BPM,
      countInBeats: 0,
      parts: [{ name: 'guitar', bars }],
    },
    effort: gradeOf(
      POINTS.least + POINTS.each * Math.max(0, POINTS.widest - notes.length) + (rule ? POINTS.rule : 0),
    ),
    heaviestGrip: 0,
    tempoBpm: null,
    predictedBpm: null,
    hasBarre: false,
    overLimit: false,
    bursts: { count: 1, workSeconds: minutes * 60, restSeconds: 0 },
    question: { code: 'question.open', values: { minutes } },
    judged: 'done',
    prelude: [],
    leftOut: ground === 'drone' && !drone ? [{ code: 'left.drone', values: {} }] : [],
  });
}

/** The same within other bounds where that can be made and grades the right way. */
function bounded(
  recipe: OpenTaskRecipe,
  context: DrillContext,
  changes: readonly (Partial<Parameters> | false)[],
  better: (now: number, then: number) => boolean,
): OpenTaskRecipe | null {
  const now = make(recipe, context);
  for (const change of changes) {
    if (!change || !now.ok) continue;
    const next = withParameters(recipe, change);
    const made = make(next, context);
    if (made.ok && better(now.value.effort, made.value.effort)) return next;
  }
  return null;
}

export const openTaskFamily: FamilyDefinition<OpenTaskRecipe> = {
  name: 'open task',
  group: 'in a piece',
  parameters,
  ...gripless,
  root: ({ parameters: { key } }) => keyRoot(key),
  rekey: (recipe, move) => ok(withParameters(recipe, { key: keyOnRoot(recipe.parameters.key, move) })),
  title: ({ parameters: { key, question, lowFret, highFret } }) => ({
    code: 'title.open',
    values: { key, question, lowFret, highFret },
  }),
  first: ({ grip, instrument }) =>
    openTask({
      key: `${rootText(grip)} major`,
      question: QUESTIONS[0],
      lowFret: 3,
      highFret: Math.min(12, lastFret(instrument)),
      thickString: Math.min(4, instrument.openPitches.length),
      thinString: 1,
      notes: 'all of the key',
      ground: 'drone',
      minutes: 3,
    }),
  make,
  /** The rule goes; then wider bounds: two frets up, two down, a string more. */
  easier: (recipe, context) => {
    const { lowFret, highFret, thickString, thinString, rule } = recipe.parameters;
    const [thick, thin] = [Math.max(thickString, thinString), Math.min(thickString, thinString)];
    const next = bounded(
      recipe,
      context,
      [
        rule !== undefined && { rule: undefined },
        { highFret: Math.min(lastFret(context.instrument), highFret + 2) },
        { lowFret: Math.max(0, lowFret - 2) },
        { thickString: thick + 1, thinString: thin },
        { thickString: thick, thinString: thin - 1 },
      ].filter((one) => one === false || JSON.stringify({ ...recipe.parameters, ...one }) !== JSON.stringify(recipe.parameters)), // prettier-ignore
      (before, then) => then < before,
    );
    return next ? ok(next) : fail('drill.easiest', 'highFret', 'these bounds are as wide as they go');
  },
  /** Narrower by two frets, by a string; then a rule. */
  harder: (recipe, context) => {
    const { lowFret, highFret, thickString, thinString, rule } = recipe.parameters;
    const [thick, thin] = [Math.max(thickString, thinString), Math.min(thickString, thinString)];
    const next = bounded(
      recipe,
      context,
      [
        highFret - lowFret > 4 && { highFret: highFret - 2 },
        thick - thin > 1 && { thickString: thick - 1, thinString: thin },
        rule === undefined && { rule: RULES[0] },
      ],
      (before, then) => then >= before,
    );
    return next ? ok(next) : fail('drill.hardest', 'rule', 'these bounds are narrow, and a rule stands');
  },
  fallbacks: (recipe, { instrument }) => {
    const { lowFret, highFret, thickString, thinString, minutes, key } = recipe.parameters;
    const strings = instrument.openPitches.length;
    const end = lastFret(instrument);
    const inside = (n: number) => Math.min(strings, Math.max(1, Math.round(n) || 1));
    const low = Math.min(end - 1, Math.max(0, Math.round(Math.min(lowFret, highFret)) || 0));
    const free = withParameters(recipe, {
      key: makeKey(key).ok ? key : 'C major',
      minutes: Math.min(10, Math.max(1, Math.round(minutes) || 3)),
      lowFret: low,
      highFret: Math.min(end, Math.max(low + 1, Math.round(Math.max(lowFret, highFret)) || 12)),
      thickString: inside(thickString),
      thinString: inside(thinString),
    });
    const { thickString: a, thinString: b } = free.parameters;
    const [thick, thin] = [Math.max(a, b), Math.min(a, b)];
    return [
      free,
      withParameters(free, { thickString: inside(thick + 1), thinString: thin }),
      withParameters(free, { thickString: thick, thinString: inside(thin - 1) }),
      withParameters(free, { ground: 'drone' }),
      withParameters(free, { thickString: strings, thinString: 1 }),
      withParameters(free, {
        thickString: strings,
        thinString: 1,
        lowFret: 0,
        highFret: end,
        ground: 'nothing',
      }),
    ];
  },
};
