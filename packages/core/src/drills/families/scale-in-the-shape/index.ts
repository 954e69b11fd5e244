/**
 * Scale in the shape: the notes of a scale in one place of the neck, played as a figure around the chord that lies there.
 * Places are those of `core/scales`; of the two schools of stretching the one that goes faster for this hand is taken.
 */
import type { Reason } from '../../../effort/explain';
import { gradeIn } from '../../in-context';
import type { DrillContext } from '../../../hands/taught-hand';
import { seededRandom } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import type { StretchSchool } from '../../../scales/in-position';
import type { FingeredNote, Tones } from '../../../scales/tones';
import { gripNotes } from '../../../score/score';
import { ticksOf } from '../../../score/ticks';
import { findShapes } from '../../../shapes/find-shapes';
import { makeChord, parseChord, type Chord } from '../../../theory/chord';
import { noteAtDegree } from '../../../theory/degree';
import { degreeChords } from '../../../theory/degree-chords';
import { makeKey } from '../../../theory/key';
import { noteText, readNote } from '../../../theory/note';
import { parseScale } from '../../../theory/read-scale';
import { parentOf, scaleOn, type Scale } from '../../../theory/scale';
import type { DrillOf } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { gripItem } from '../../grip-item';
import { lineDrill, type Phrase, type StruckBar } from '../../line-drill';
import { movedChords, namedRoot, rootText } from '../../moving';
import { beside, easierBy, harderBy } from '../../notches';
import { typedChords } from '../../spans';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { FIGURES, KINDS, parameters } from './parameters';
import {
  grouped,
  inPairs,
  joined,
  lowestRoot,
  octaveFrom,
  phrases,
  sevenths,
  straight,
  targets,
} from './figures';
import { laidIn, type Laid } from './places';

type Parameters = ParametersOf<typeof parameters>;
export type ScaleInTheShapeRecipe = RecipeOf<'scale in the shape', Parameters>;
export const scaleInTheShape = recipeOf<ScaleInTheShapeRecipe>('scale in the shape');

const BEATS = 4;
const MOST_CHORDS = 8;
/** Modes on one tonic from the brightest to the darkest. */
const BY_BRIGHTNESS = ['lydian', 'major', 'mixolydian', 'dorian', 'minor', 'phrygian', 'locrian'];
const SCHOOLS: readonly StretchSchool[] = ['index back', 'little finger up'];

/** The triad of the tonic, by the scale's own third and fifth; null where it has none. */
function tonicChord({ tonic, degrees }: Scale): Chord | null {
  const has = (degree: string) => degrees.includes(degree);
  const quality = has('3')
    ? has('5') || !has('#5') ? 'major' : 'augmented'
    : has('b3')
      ? has('5') || !has('b5') ? 'minor' : 'diminished'
      : null; // prettier-ignore
  return quality ? makeChord(tonic, quality) : null;
}

/** The chord that lies in the place, struck for a bar; null where this hand has no grip of it there. */
function chordAround(scale: Scale, notes: readonly FingeredNote[], context: DrillContext): StruckBar | null {
  const chord = tonicChord(scale);
  if (!chord) return null;
  const frets = notes.map((one) => one.fret);
  const [low, high] = [Math.min(...frets), Math.max(...frets)];
  const { hand, instrument } = context;
  const [grip] = findShapes({
    chord,
    hand,
    instrument,
    limits: {
      allowOpen: low <= 1,
      minFret: low <= 1 ? 0 : low,
      maxFret: high,
      ...(context.limits ? { maxEffort: context.limits.gripEffort } : {}),
    },
  });
  const graded = grip ? gradeIn(grip.frets, context) : null;
  if (!graded?.ok) return null;
  const item = gripItem(grip.frets, graded.value.fingering.fingers, chord.symbol, instrument);
  return {
    item,
    points: graded.value.points,
    ask: { code: 'ask.grip', values: { chord: chord.symbol } },
    bar: {
      beats: BEATS,
      events: [
        {
          tick: 0,
          ticks: ticksOf(BEATS),
          notes: gripNotes(item.frets, item.fingers),
          stroke: 'strum',
          chord: chord.symbol,
        },
      ],
    },
  };
}

/** Chords typed, or those of a plain cadence in the key the scale is of: one, four, five, one; two, five, one in sevenths. */
function chordsOf(over: string | undefined, scale: Scale): Result<Chord[]> {
  if (over?.trim()) return typedChords(over, 'over', MOST_CHORDS);
  const minor = scale.degrees.includes('b3') && !scale.degrees.includes('3');
  const own = makeKey(scale.name);
  const key = own.ok ? own : makeKey(`${noteText(scale.tonic)} ${minor ? 'minor' : 'major'}`);
  if (!key.ok) return key;
  const sevenths = scale.notes.length > 5;
  const degrees = degreeChords(key.value, { sevenths }).map(({ chord }) => chord);
  return ok((sevenths ? [1, 4, 0, 0] : [0, 3, 4, 0]).map((i) => degrees[i]));
}

/** Seven notes for what counts in steps of thirds and sixths, a parent for modes. */
const wantsSeven = (figure: Parameters['figure']): boolean =>
  ['thirds', 'sixths', 'parallel modes', 'relative modes'].includes(figure);

function played(
  recipe: ScaleInTheShapeRecipe,
  scale: Scale,
  lay: (tones: Tones) => Result<Laid>,
): Result<readonly Phrase[]> {
  const { place, figure, perBeat, over } = recipe.parameters;
  const laid = lay(scale);
  if (!laid.ok) return laid;
  const notes = laid.value[0];
  const random = seededRandom(recipe.seed);
  const ask = (kind: string, tonic: string): Reason => ({
    code: 'ask.scale',
    values: { tonic, kind, place, at: recipe.parameters.at, figure },
  });
  const own = ask(scale.kind, noteText(scale.tonic));
  const one = (line: readonly (FingeredNote | null)[]): Result<readonly Phrase[]> =>
    ok([{ tones: line.map((tone) => (tone ? [tone] : null)), ask: own }]);
  const none = () => fail('drill.figure', 'figure', 'another figure or place: this one has no room for it');
  switch (figure) {
    case 'straight':
      return one(laid.value.length > 1 ? joined(laid.value) : straight(notes));
    case 'groups of 4':
      return one(grouped(notes, 4));
    case 'groups of 3':
      return one(grouped(notes, 3));
    case 'thirds':
      return one(inPairs(notes, 2));
    case 'sixths':
      return one(inPairs(notes, 5));
    case '7 or b7': {
      const both = lay({
        name: scale.name,
        tonic: scale.tonic,
        degrees: ['1', 'b7', '7'],
        notes: ['1', 'b7', '7'].map((degree) => noteAtDegree(scale.tonic, degree)),
      });
      const line = both.ok ? sevenths(both.value[0]) : [];
      return line.length ? one(line) : none();
    }
    case 'targets': {
      const chords = chordsOf(over, scale);
      if (!chords.ok) return chords;
      const bars = targets(notes, chords.value, BEATS * perBeat, random);
      if (!bars) return none();
      return ok(
        bars.map((bar, i) => {
          const chord = chords.value[i];
          const degree = chord.tones.find((tone) => tone.pitchClass === bar[0].pitch % 12)?.degree ?? '3';
          return {
            tones: bar.map((tone) => [tone]),
            chord: chord.symbol,
            ask: { code: 'ask.target', values: { chord: chord.symbol, degree } },
          };
        }),
      );
    }
    case 'phrase': {
      const all = phrases(notes, BEATS * perBeat, random);
      if (!all) return none();
      return ok(
        all.map((line, i) => ({
          tones: line.map((tone) => (tone ? [tone] : null)),
          ask: { code: i % 2 ? 'ask.answer' : 'ask.phrase', values: {} },
        })),
      );
    }
    case 'parallel modes': {
      const kinds = BY_BRIGHTNESS.includes(scale.kind) ? BY_BRIGHTNESS : [scale.kind];
      const modes = kinds.flatMap((kind): Phrase[] => {
        const mode = lay(scaleOn(scale.tonic, kind));
        const row = mode.ok ? mode.value[0] : [];
        const line = row.length ? octaveFrom(row, lowestRoot(row)) : [];
        return line.length
          ? [{ tones: line.map((tone) => [tone]), ask: ask(kind, noteText(scale.tonic)) }]
          : [];
      });
      return modes.length > 1 ? ok(modes) : none();
    }
    case 'relative modes': {
      const parent = parentOf(scale.tonic, scale.kind);
      const modes = notes.flatMap((tone, i): Phrase[] => {
        const line = octaveFrom(notes, i);
        const from = scale.degrees.indexOf(tone.degree);
        const kind = parent ? parent.modes[(parent.degree - 1 + from) % parent.modes.length] : scale.kind;
        return line.length
          ? [{ tones: line.map((each) => [each]), ask: ask(kind, noteText(tone.note)) }]
          : [];
      });
      return modes.length > 1 ? ok(modes) : none();
    }
  }
}

function make(recipe: ScaleInTheShapeRecipe, context: DrillContext): Result<DrillOf<ScaleInTheShapeRecipe>> {
  const { tonic, kind, place, at, figure, perBeat, tempoBpm } = recipe.parameters;
  const read = readNote(tonic);
  if (!read || read.length !== tonic.length) return fail('drill.root', 'tonic', 'a note, like Eb');
  const found = parseScale(`${tonic} ${kind}`);
  if (!found.ok) return found;
  const scale = found.value;
  if (!(Number.isInteger(at) && at >= 1 && at <= 12)) return fail('drill.place', 'at', '1 to 12');
  if (!(Number.isInteger(perBeat) && perBeat >= 1 && perBeat <= 4))
    return fail('drill.per-beat', 'perBeat', '1 to 4 notes a beat');
  if (wantsSeven(figure) && scale.notes.length !== 7)
    return fail('drill.figure', 'figure', 'a scale of seven notes, or straight');
  const { instrument } = context;
  const [first, ...others] = SCHOOLS.map((school) => {
    const lay = (tones: Tones): Result<Laid> => laidIn(tones, place, at, instrument, school);
    const line = played(recipe, scale, lay);
    if (!line.ok) return line;
    const notes = line.value.flatMap((phrase) => phrase.tones.flatMap((tone) => tone ?? []));
    const around = chordAround(scale, notes, context);
    return lineDrill(
      recipe,
      {
        phrases: line.value,
        perBeat,
        tempoBpm,
        ...(around ? { around } : {}),
        moreItems: [{ kind: 'key', key: scale.name }],
        leftOut: around ? [] : [{ code: 'left.chord', values: {} }],
      },
      context,
    );
  });
  // The index goes back, unless with the little finger up it goes faster for this hand.
  const rate = (made: typeof first) => (made.ok ? (made.value.predictedBpm ?? 0) : 0);
  return others.reduce((best, one) => (rate(one) > rate(best) ? one : best), first);
}

/** Figures a notch leads through; the others are taken by hand. */
const LADDER = FIGURES.slice(0, 5);

export const scaleInTheShapeFamily: FamilyDefinition<ScaleInTheShapeRecipe> = {
  name: 'scale in the shape',
  group: 'lines',
  draws: () => true,
  parameters,
  ...gripless,
  root: ({ parameters: { tonic } }) => namedRoot(tonic),
  rekey: (recipe, move) => {
    const { kind, over } = recipe.parameters;
    const read = parseScale(`${noteText(move.to)} ${kind}`);
    // A tonic that would need more than seven signs takes its twin.
    const named = read.ok ? noteText(move.to) : read.problem.detail.split(' ')[0];
    const tonic = namedRoot(named) ? named : noteText(move.to);
    return ok(withParameters(recipe, { tonic, ...(over ? { over: movedChords(over, move) } : {}) }));
  },
  title: ({ parameters: { tonic, kind, place, at, figure } }) => ({
    code: 'title.scale',
    values: { tonic, kind, place, at, figure },
  }),
  first: ({ grip, instrument }) => {
    const chord = parseChord(grip.chord);
    const minor = chord.ok && chord.value.tones.some((tone) => tone.degree === 'b3');
    const standard = instrument.openPitches.length === 6;
    return scaleInTheShape({
      tonic: rootText(grip),
      kind: minor ? 'minor pentatonic' : 'major pentatonic',
      place: standard ? 'box' : 'position',
      at: 1,
      figure: 'straight',
      perBeat: 2,
    });
  },
  fields: ({ parameters: { figure, place } }, usual) =>
    usual.filter(
      ({ name }) => (name !== 'over' || figure === 'targets') && (name !== 'at' || place !== 'whole neck'),
    ),
  make,
  /** Slower; at the slowest fewer notes a beat, the figure before, the scale before. */
  easier: (recipe, context) => {
    const { kind, figure, perBeat } = recipe.parameters;
    const simpler = beside(LADDER, figure, -1);
    const before = beside(KINDS, kind, -1);
    return easierBy(recipe, (one) => make(one, context), [
      perBeat > 1 && { perBeat: perBeat - 1 },
      simpler !== null && { figure: simpler },
      before !== null && { kind: before },
    ]);
  },
  /** The scale after it, the figure after it, more notes a beat; then faster. */
  harder: (recipe, context) => {
    const { kind, figure, perBeat, place } = recipe.parameters;
    const next = beside(KINDS, kind, 1);
    const further = beside(LADDER, figure, 1);
    return harderBy(recipe, (one) => make(one, context), [
      next !== null && { kind: next, ...(place === 'box' ? { place: 'form' as const } : {}) },
      further !== null && { figure: further },
      perBeat < 4 && { perBeat: perBeat + 1 },
    ]);
  },
  fallbacks: (recipe) => {
    const { tonic, kind, at, perBeat } = recipe.parameters;
    const free = withParameters(recipe, {
      tonic: namedRoot(tonic) ? tonic : 'C',
      at: Math.min(12, Math.max(1, Math.round(at) || 1)),
      perBeat: Math.min(4, Math.max(1, Math.round(perBeat) || 2)),
      tempoBpm: undefined,
    });
    const twin = parseScale(`${tonic} ${kind}`);
    const spelled =
      twin.ok || twin.problem.code !== 'scale.signature'
        ? free
        : withParameters(free, { tonic: twin.problem.detail.split(' ')[0] });
    const plain = withParameters(spelled, { figure: 'straight' });
    return [
      spelled,
      withParameters(spelled, { at: 1 }),
      plain,
      withParameters(plain, { at: 1 }),
      withParameters(plain, { place: 'form', at: 1 }),
      withParameters(plain, { place: 'position', at: 5 }),
      withParameters(plain, { place: 'position', at: 9 }),
      withParameters(plain, { place: 'position', at: 5, kind: 'minor pentatonic' }),
      withParameters(plain, { place: 'one string', at: 1 }),
    ];
  },
};
