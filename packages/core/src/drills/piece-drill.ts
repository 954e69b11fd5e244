/** Bars of a piece as a drill: its chords as a pattern strikes them, or its tune on the neck. */
import { gradeOf, holdModel } from '../effort/hold';
import type { Reason } from '../effort/explain';
import { linePoints } from '../effort/line';
import { strikePoints } from '../effort/strike';
import type { Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import type { DrillContext } from '../hands/taught-hand';
import { clamp } from '../kernel/number';
import { fail, ok, type Result } from '../kernel/result';
import { patternBars } from '../score/pattern-bars';
import { playedBars, playedChords, SWING_AT, writtenChords, type Piece } from '../score/piece';
import { gapBeatsOf } from '../score/piece-path';
import type { Bar, ScoreEvent } from '../score/score';
import { beatsOf, ticksOf } from '../score/ticks';
import { noteText } from '../theory/note';
import { midiOf } from '../theory/pitch';
import type { DrillOf } from './drill';
import type { Item } from './items';
import { melodyPlaces, type MelodyPlace } from './melody-places';
import type { AnyRecipe } from './parameters';
import { sequenceDrill, type Stop } from './sequence';
import { strikeCounts } from './strike-counts';
import { struckBars } from './struck-bars';
import { checkTempo, LOOP_TEMPO } from './tempo';

export interface Section {
  readonly piece: Piece;
  /** For every written chord; null where nothing is gripped. */
  readonly grips: readonly (Frets | null)[];
  /** One stroke a chord, whatever its pattern. */
  readonly oneStroke: boolean;
  readonly tempoBpm?: number;
  /** Number of its first bar, as it is called. */
  readonly fromBar: number;
  /** What the whole is about, beside grips and changes. */
  readonly items: readonly Item[];
}

/** A melody is begun at this share of its tempo (assumed). */
const MELODY_SHARE = 0.7;

/** Made under the capo of the piece: none is as much its own as one at fret 2 is. */
function underCapo<R extends AnyRecipe>(
  piece: Piece,
  context: DrillContext,
  make: (here: DrillContext) => Result<DrillOf<R>>,
): Result<DrillOf<R>> {
  const { capo } = piece;
  const made = make({ ...context, instrument: { ...context.instrument, capo } });
  if (!made.ok) return made;
  const harmony = playedChords(piece).map(({ startTick, ticks, chord }) => ({ startTick, ticks, chord }));
  return ok({ ...made.value, capo, harmony });
}

/** What of the piece the drill does not keep. */
const leftOutOf = (piece: Piece): Reason[] =>
  new Set(playedBars(piece).map((bar) => bar.tempoBpm)).size > 1 ? [{ code: 'left.tempo', values: {} }] : [];

/** Its chords as the pattern strikes them. Problems: `drill.section-grips`, those of the grips. */
export const chordsDrill = <R extends AnyRecipe>(
  recipe: R,
  section: Section,
  context: DrillContext,
): Result<DrillOf<R>> => underCapo(section.piece, context, (here) => chords(recipe, section, here));

function chords<R extends AnyRecipe>(recipe: R, section: Section, context: DrillContext): Result<DrillOf<R>> {
  const { piece, grips, tempoBpm } = section;
  const written = writtenChords(piece);
  if (grips.length !== written.length)
    return fail('drill.section-grips', 'grips', `one for each of the ${written.length} chords`);
  const all = playedChords(piece);
  const held = all.filter((one) => grips[one.written] !== null);
  if (held.length === 0) return fail('drill.section-grips', 'grips', 'at least one chord with a grip');
  const steps = patternBars(piece, section.oneStroke);
  const stops = held.map((one): Stop => {
    const frets = grips[one.written] ?? [];
    return {
      grip: { chord: one.chord, frets },
      ask: {
        code: 'ask.section',
        values: { chord: one.chord, bar: section.fromBar + one.played.number - 1 },
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
      moreItems: section.items,
      leftOut: leftOutOf(piece),
      question: (bpm) => ({ code: 'question.bars', values: { of: 10, clean: 9, bpm } }),
    },
    context,
  );
  if (!made.ok || tempoBpm !== undefined) return made;
  // A loop is not begun faster than the piece is written.
  const wanted = Math.round(clamp(piece.tempoBpm, LOOP_TEMPO.lowest, LOOP_TEMPO.highest));
  if ((made.value.tempoBpm ?? 0) <= wanted) return made;
  const slowed = chords(recipe, { ...section, tempoBpm: wanted }, context);
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

/** Its tune on the neck. Problems: `drill.melody`, `drill.melody-range`, `drill.reach`, `drill.tempo`. */
export const melodyDrill = <R extends AnyRecipe>(
  recipe: R,
  section: Section,
  context: DrillContext,
): Result<DrillOf<R>> => underCapo(section.piece, context, (here) => melody(recipe, section, here));

/** Its tune, heard and sung with: nothing of it is on the neck. Problems: those of the melody but for the reach of a hand. */
export function sungDrill<R extends AnyRecipe>(
  recipe: R,
  section: Section,
  context: DrillContext,
): Result<DrillOf<R>> {
  const made = underCapo(section.piece, context, (here) => melody(recipe, section, here));
  if (!made.ok) return made;
  const { steps, bursts, ...drill } = made.value;
  const [item] = section.items;
  return ok({
    ...drill,
    items: section.items,
    steps: steps.map((step) => ({
      ...step,
      item,
      ask: { code: 'ask.sung-bar', values: step.ask.values },
    })),
    effort: gradeOf(SUNG_POINTS),
    bursts: { ...bursts, count: 1 },
    question: { code: 'question.sung-along', values: {} },
    judged: 'done',
  });
}
/** Whoever sings holds nothing (our assumption). */
const SUNG_POINTS = 3;

/** The tune as bars of notes on strings, to be heard over the chords; null where there is none or it leaves the neck. */
export function melodyBars(piece: Piece, instrument: Instrument): Bar[] | null {
  const notes = sungNotes(piece);
  const places = notes.length
    ? melodyPlaces(
        notes.map((note) => note.midi),
        instrument,
      )
    : null;
  return places && barsOf(piece, notes, places);
}

function barsOf(piece: Piece, notes: readonly Sung[], places: readonly MelodyPlace[]): Bar[] {
  return playedBars(piece).map((played, bar): Bar => ({
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
}

function melody<R extends AnyRecipe>(recipe: R, section: Section, context: DrillContext): Result<DrillOf<R>> {
  const { piece } = section;
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
  const tempo = checkTempo(section.tempoBpm ?? start);
  if (!tempo.ok) return tempo;
  const model = holdModel(context.hand, instrument);
  const shortest = beatsOf(Math.min(...notes.map((note) => note.ticks)));
  const groups = inPositions(places);
  const points = Math.max(...groups.map((group) => linePoints(model, group, tempo.value / 60 / shortest)));
  if (!Number.isFinite(points)) return fail('drill.reach', 'part', 'another key, where this hand reaches');
  const all = playedBars(piece);
  const scoreBars = barsOf(piece, notes, places);
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
    items: [line, ...section.items],
    steps: all
      .map((played) => ({
        startTick: played.startTick,
        ticks: ticksOf(played.time.beats),
        item: line,
        ask: { code: 'ask.melody', values: { bar: section.fromBar + played.number - 1 } },
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
