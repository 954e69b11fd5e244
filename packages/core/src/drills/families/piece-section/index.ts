/**
 * Piece section: some bars of a piece of the library, looped and slowed, whole or in one of its parts: the chords with
 * their pattern, one stroke a chord, or the melody. The bars and their grips are kept in the recipe, so that the drill
 * stays what it was when the piece is changed.
 */
import type { Reason } from '../../../effort/explain';
import { gradeOf, holdModel } from '../../../effort/hold';
import { linePoints } from '../../../effort/line';
import { strikePoints } from '../../../effort/strike';
import { clamp } from '../../../kernel/number';
import { fail, ok, type Result } from '../../../kernel/result';
import { readChart } from '../../../score/chart';
import { patternBars } from '../../../score/pattern-bars';
import {
  playedBars,
  playedChords,
  readPieceKey,
  SWING_AT,
  writtenChords,
  type Piece,
} from '../../../score/piece';
import { gapBeatsOf } from '../../../score/piece-path';
import { rekeyPiece } from '../../../score/rekey-piece';
import { writeChart } from '../../../score/write-chart';
import type { Bar, ScoreEvent } from '../../../score/score';
import { beatsOf, ticksOf } from '../../../score/ticks';
import { keyOn } from '../../../theory/key';
import { noteText, pitchClassOf } from '../../../theory/note';
import { midiOf } from '../../../theory/pitch';
import type { DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import type { Item } from '../../items';
import { melodyPlaces, type MelodyPlace } from './melody-places';
import { atTempo, sequenceDrill, type Stop } from '../../sequence';
import { strikeCounts } from '../../strike-counts';
import { struckBars } from '../../struck-bars';
import { checkTempo, faster, LOOP_TEMPO, slower } from '../../tempo';
import type { FamilyDefinition, Move } from '../../family';
import {
  fretsOrNone,
  hidden,
  list,
  type NamedGrip,
  oneOf,
  type ParametersOf,
  type RecipeOf,
  recipeOf,
  tempo,
  text,
  whole,
  withParameters,
} from '../../parameters';
import { movedTogether, rootText } from '../../moving';

/** A recipe goes into an address, and a server takes about 16 kB of one. */
export const SECTION_LIMITS = { bars: 32, chords: 96, characters: 4000 } as const;
export const SECTION_PARTS = ['as written', 'one stroke', 'melody'] as const;

export const parameters = {
  pieceId: hidden(text('a piece', 0, 40)),
  title: hidden(text('a title', 0, 120)),
  /** Bar numbers on the chart of the piece. */
  fromBar: hidden(whole(1, 10_000)),
  toBar: hidden(whole(1, 10_000)),
  /** Those bars as a chart of their own, so that the drill stays what it was when the piece changes. */
  chart: hidden(text('bars as a chart', 1, SECTION_LIMITS.characters)),
  /** For every chord of that chart; null where nothing is gripped. */
  grips: list(fretsOrNone, 0, SECTION_LIMITS.chords),
  part: oneOf(SECTION_PARTS),
  tempoBpm: tempo,
};
export type PieceSectionRecipe = RecipeOf<'piece section', ParametersOf<typeof parameters>>;
export const pieceSection = (parameters: PieceSectionRecipe['parameters']): PieceSectionRecipe =>
  recipeOf<PieceSectionRecipe>('piece section')(parameters);

/** The grips of the bars with the chords written over them; none for the melody, or where the chart does not fit them. */
function gripsOf({ parameters }: PieceSectionRecipe): NamedGrip[] {
  const { piece, problems } = readChart(parameters.chart);
  const written = writtenChords(piece);
  if (parameters.part === 'melody' || problems.length || written.length !== parameters.grips.length)
    return [];
  return parameters.grips.flatMap((frets, i) => (frets ? [{ chord: written[i].chord, frets }] : []));
}
const withGrips = (recipe: PieceSectionRecipe, grips: readonly NamedGrip[]): PieceSectionRecipe => {
  const next = grips.values();
  return withParameters(recipe, {
    grips: recipe.parameters.grips.map((frets) => frets && (next.next().value?.frets ?? frets)),
  });
};

/** Grips and chart together; the grips move along the neck and so must be without open strings. */
function rekeyed(recipe: PieceSectionRecipe, move: Move): Result<PieceSectionRecipe> {
  const { piece } = readChart(recipe.parameters.chart);
  const mode = piece.key.endsWith('minor') ? 'minor' : 'major';
  const named = readPieceKey(`${noteText(move.to)} ${mode}`);
  const moved = rekeyPiece(piece, named.ok ? named.value.name : keyOn(pitchClassOf(move.to), mode).name);
  if (!moved.ok) return moved;
  const held = recipe.parameters.grips.flatMap((frets) => (frets ? [{ chord: 'C', frets }] : []));
  const along = movedTogether(held, { ...move, instrument: { ...move.instrument, capo: piece.capo } });
  if (!along.ok) return along;
  return ok(withParameters(withGrips(recipe, along.value), { chart: writeChart(moved.value) }));
}

/** A melody is begun at this share of its tempo (assumed). */
const MELODY_SHARE = 0.7;

const sectionItem = ({ pieceId, fromBar, toBar }: PieceSectionRecipe['parameters']): Item => ({
  kind: 'section',
  pieceId,
  fromBar,
  toBar,
});

/** The bars of the recipe. Problems: `drill.section` for a chart that cannot be read, or too long a one. */
function bars(recipe: PieceSectionRecipe): Result<Piece> {
  const { chart } = recipe.parameters;
  if (chart.length > SECTION_LIMITS.characters)
    return fail('drill.section', 'chart', `at most ${SECTION_LIMITS.characters} characters`);
  const { piece, problems } = readChart(chart);
  const [first] = problems;
  if (first) return fail('drill.section', `chart, line ${first.line}, column ${first.column}`, first.detail);
  const played = playedBars(piece).length;
  if (played === 0 || played > SECTION_LIMITS.bars)
    return fail('drill.section', 'chart', `1 to ${SECTION_LIMITS.bars} bars`);
  return ok(piece);
}

function make(recipe: PieceSectionRecipe, context: DrillContext): Result<DrillOf<PieceSectionRecipe>> {
  const read = bars(recipe);
  if (!read.ok) return read;
  const piece = read.value;
  const here: DrillContext = { ...context, instrument: { ...context.instrument, capo: piece.capo } };
  const { part } = recipe.parameters;
  const made = part === 'melody' ? melody(recipe, piece, here) : chords(recipe, piece, here);
  // None is as much the piece's own as one at fret 2 is.
  return made.ok ? ok({ ...made.value, capo: piece.capo }) : made;
}

/** What of the piece the drill does not keep. */
const leftOutOf = (piece: Piece): Reason[] =>
  new Set(playedBars(piece).map((bar) => bar.tempoBpm)).size > 1 ? [{ code: 'left.tempo', values: {} }] : [];

function chords(
  recipe: PieceSectionRecipe,
  piece: Piece,
  context: DrillContext,
): Result<DrillOf<PieceSectionRecipe>> {
  const { grips, part, tempoBpm } = recipe.parameters;
  const written = writtenChords(piece);
  if (grips.length !== written.length)
    return fail('drill.section-grips', 'grips', `one for each of the ${written.length} chords`);
  const all = playedChords(piece);
  const held = all.filter((one) => grips[one.written] !== null);
  if (held.length === 0) return fail('drill.section-grips', 'grips', 'at least one chord with a grip');
  const steps = patternBars(piece, part === 'one stroke');
  const stops = held.map((one): Stop => {
    const frets = grips[one.written] ?? [];
    return {
      grip: { chord: one.chord, frets },
      ask: {
        code: 'ask.section',
        values: { chord: one.chord, bar: recipe.parameters.fromBar + one.played.number - 1 },
      },
      at: { startTick: one.startTick, ticks: one.ticks },
      gapBeats: gapBeatsOf(one.ticks),
    };
  });
  const made = sequenceDrill(
    recipe,
    {
      stops,
      beatsEach: 4,
      tempoBpm,
      round: held.length > 1,
      together: true,
      bars: (items) =>
        struckBars(
          steps.map(({ played, steps: own }) => ({
            beats: played.time.beats,
            unit: played.time.unit,
            steps: own,
            grips: all
              .filter((one) => one.played.startTick === played.startTick)
              .map((one) => ({ tick: one.tick, item: items[held.indexOf(one)] ?? null })),
          })),
        ),
      morePoints: (bpm, played) => strikePoints(strikeCounts(played), bpm),
      swingAt: SWING_AT[piece.swing],
      moreItems: [sectionItem(recipe.parameters)],
      leftOut: leftOutOf(piece),
      question: (bpm) => ({ code: 'question.bars', values: { of: 10, clean: 9, bpm } }),
    },
    context,
  );
  if (!made.ok || tempoBpm !== undefined) return made;
  // A loop is not begun faster than the piece is written.
  const wanted = Math.round(clamp(piece.tempoBpm, LOOP_TEMPO.lowest, LOOP_TEMPO.highest));
  if ((made.value.tempoBpm ?? 0) <= wanted) return made;
  const slowed = chords(
    { ...recipe, parameters: { ...recipe.parameters, tempoBpm: wanted } },
    piece,
    context,
  );
  return slowed.ok ? ok({ ...slowed.value, recipe }) : slowed;
}

interface Sung {
  readonly ticks: number;
  readonly midi: number;
  readonly name: string;
  readonly tied: boolean;
  readonly bar: number;
  readonly tick: number;
}

function sungNotes(piece: Piece): Sung[] {
  let tied = false;
  return playedBars(piece).flatMap((played, bar) => {
    const notes = piece.sections[played.section].bars[played.bar].melody ?? [];
    return notes.flatMap((note): Sung[] => {
      const goesOn = tied;
      tied = note.tied === true;
      if (!note.pitch) return [];
      return [
        {
          ticks: note.ticks,
          midi: midiOf(note.pitch),
          name: noteText(note.pitch.note),
          tied: goesOn,
          bar,
          tick: note.tick,
        },
      ];
    });
  });
}

function melody(
  recipe: PieceSectionRecipe,
  piece: Piece,
  context: DrillContext,
): Result<DrillOf<PieceSectionRecipe>> {
  const { instrument } = context;
  const notes = sungNotes(piece);
  if (notes.length === 0)
    return fail('drill.melody', 'part', 'bars with a melody, or one of the other parts');
  const places = melodyPlaces(
    notes.map((note) => note.midi),
    instrument,
  );
  if (!places) return fail('drill.melody-range', 'part', 'a key in which the melody lies on this neck');
  const written = Math.round(clamp(piece.tempoBpm, LOOP_TEMPO.lowest, LOOP_TEMPO.highest));
  const start = Math.round(clamp(MELODY_SHARE * written, LOOP_TEMPO.lowest, LOOP_TEMPO.highestStart));
  const tempo = checkTempo(recipe.parameters.tempoBpm ?? start);
  if (!tempo.ok) return tempo;
  const model = holdModel(context.hand, instrument);
  const shortest = beatsOf(Math.min(...notes.map((note) => note.ticks)));
  const groups = inPositions(places);
  const points = Math.max(...groups.map((group) => linePoints(model, group, tempo.value / 60 / shortest)));
  if (!Number.isFinite(points)) return fail('drill.reach', 'part', 'another key, where this hand reaches');
  const all = playedBars(piece);
  const scoreBars = all.map((played, bar): Bar => ({
    beats: played.time.beats,
    ...(played.time.unit === 4 ? {} : { unit: played.time.unit }),
    events: notes.flatMap((note, i): ScoreEvent[] => {
      if (note.bar !== bar) return [];
      const { stringIndex, fret, finger } = places[i];
      const one = {
        stringIndex,
        fret,
        finger: finger as 0 | 1 | 2 | 3 | 4,
        name: note.name,
        ...(note.tied ? { tied: true as const } : {}),
      };
      return [{ tick: note.tick, ticks: note.ticks, notes: [one], stroke: 'pick' }];
    }),
  }));
  const line: Item = {
    kind: 'line',
    notes: places.slice(0, 256).map(({ stringIndex, fret, finger }) => ({
      string: instrument.openPitches.length - stringIndex,
      fret,
      finger,
    })),
  };
  return ok({
    recipe,
    items: [line, sectionItem(recipe.parameters)],
    steps: all
      .map((played) => ({
        startTick: played.startTick,
        ticks: ticksOf(played.time.beats),
        item: line,
        ask: { code: 'ask.melody', values: { bar: recipe.parameters.fromBar + played.number - 1 } },
      }))
      .filter((_, bar) => scoreBars[bar].events.length > 0),
    score: {
      schemaVersion: 1,
      strings: instrument.openPitches.length,
      tempoBpm: tempo.value,
      countInBeats: all[0].time.beats,
      ...(piece.swing === 'straight' ? {} : { swingAt: SWING_AT[piece.swing] }),
      parts: [{ name: 'guitar', bars: scoreBars }],
    },
    effort: gradeOf(points),
    heaviestGrip: 0,
    tempoBpm: tempo.value,
    predictedBpm: null,
    hasBarre: false,
    overLimit: false,
    bursts: { count: 1, workSeconds: 60, restSeconds: 0 },
    question: { code: 'question.bars', values: { of: 10, clean: 9, bpm: tempo.value } },
    judged: 'changes',
    prelude: [],
    leftOut: leftOutOf(piece),
  });
}

/** Notes in runs that are played without moving the hand. */
function inPositions(places: readonly MelodyPlace[]): MelodyPlace[][] {
  const groups: MelodyPlace[][] = [];
  for (const place of places) {
    const last = groups[groups.length - 1];
    if (last && last[last.length - 1].position === place.position) last.push(place);
    else groups.push([place]);
  }
  return groups;
}

export const pieceSectionFamily: FamilyDefinition<PieceSectionRecipe> = {
  name: 'piece section',
  group: 'in a piece',
  parameters,
  root: ({ parameters }) => {
    const key = readPieceKey(readChart(parameters.chart).piece.key);
    return key.ok ? key.value.tonic : null;
  },
  rekey: rekeyed,
  gripsOf,
  withGrips,
  capo: ({ parameters }) => readChart(parameters.chart).piece.capo,
  title: ({ parameters: { title, fromBar, toBar, part } }) => ({
    code: 'title.section',
    values: { title, fromBar, toBar, part },
  }),
  // Until bars of a piece are chosen: two grips as a piece of two bars.
  first: ({ grip, beside }) =>
    pieceSection({
      pieceId: 'none',
      title: 'Two bars of what is held',
      fromBar: 1,
      toBar: 2,
      chart: `key: ${rootText(grip)}\ntempo: 80\nstrum plain 2: D - d u\n\n[A] plain\n| ${beside.chord} | ${grip.chord} |\n`,
      grips: [beside.frets, grip.frets],
      part: 'as written',
    }),
  make,
  easier: (recipe, context) => {
    const slow = atTempo(recipe, make(recipe, context), slower);
    if (slow.ok || slow.problem.code !== 'drill.easiest') return slow;
    return recipe.parameters.part === 'as written'
      ? ok(withParameters(recipe, { part: 'one stroke' }))
      : slow;
  },
  harder: (recipe, context) => atTempo(recipe, make(recipe, context), faster),
  fallbacks: (recipe) =>
    (['as written', 'one stroke'] as const).map((part) =>
      withParameters(recipe, { part, tempoBpm: undefined }),
    ),
};
