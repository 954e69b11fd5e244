/**
 * Embellish: a grip strummed, a fill of its style within two frets of it, and the next grip on one. The last note of the fill
 * is a step or a slide from that grip. What a hand may not bend it slides to.
 */
import { lineEffort } from '../../../scales/line-effort';
import type { FingeredNote } from '../../../scales/tones';
import { scaleOn } from '../../../theory/scale';
import { gripLimit, type DrillContext } from '../../../hands/taught-hand';
import { seededRandom } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import { stagePace } from '../../../pace/stages';
import { LINE_STYLES } from '../../../scales/line-styles';
import { gripNotes, soundingMidi, type Bar, type ScoreEvent, type ScoreNote } from '../../../score/score';
import { TICKS_A_BEAT, ticksOf } from '../../../score/ticks';
import { parseChord, type Chord } from '../../../theory/chord';
import { mod12, noteText, pitchClassOf, rootNamed } from '../../../theory/note';
import type { DrillOf } from '../../drill';
import type { FamilyDefinition, Move } from '../../family';
import type { GripItem, Item } from '../../items';
import { chordRoot, movedTogether } from '../../moving';
import { beside, easierBy, harderBy } from '../../notches';
import { type NamedGrip, type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { sequenceDrill } from '../../sequence';
import { LOOP_TEMPO, startingTempo } from '../../tempo';
import { allows, fillOf, type FillTone } from './fill';
import { TECHNIQUES, parameters } from './parameters';

type Parameters = ParametersOf<typeof parameters>;
export type EmbellishRecipe = RecipeOf<'embellish', Parameters>;
export const embellish = recipeOf<EmbellishRecipe>('embellish');

const BEATS = 4;
const PER_BEAT = 2;
/** Points for each eighth of the fill and each technique (our assumption). */
const POINTS = { note: 1, technique: 1.5 } as const;
/** Grade of a bend over two frets; a hand that may not do as much slides (our assumption). */
const BEND_GRADE = 45;

/** Spelled as the chord's scale has it, else as the chord that follows, else by the usual name. */
function named(midi: number, chords: readonly Chord[], flats: boolean): string {
  for (const chord of chords) {
    const tone = chord.tones.find((one) => one.pitchClass === mod12(midi));
    if (tone) return noteText(tone.note);
    const minor = chord.quality.startsWith('minor');
    const scale = scaleOn(chord.root, minor ? 'minor' : 'major').notes;
    const own = scale.find((note) => pitchClassOf(note) === mod12(midi));
    if (own) return noteText(own);
  }
  return (flats ? ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'] : ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'])[mod12(midi)]; // prettier-ignore
}

interface Playable {
  readonly tones: readonly FillTone[];
  readonly notes: readonly (readonly ScoreNote[])[];
  readonly line: readonly FingeredNote[];
}

/** A finger for each note: one a fret from where the hand lies. */
function fingered(tones: readonly FillTone[], chords: readonly Chord[], context: DrillContext): Playable {
  const { instrument } = context;
  const stopped = tones.flatMap(({ spots }) => spots.flatMap(({ fret }) => (fret > 0 ? [fret] : [])));
  const lies = stopped.length ? Math.min(...stopped) : 1;
  const finger = (fret: number) => (fret === 0 ? 0 : Math.min(4, fret - lies + 1)) as 0 | 1 | 2 | 3 | 4;
  const flats = chords.some((chord) => chord.root.accidental < 0) || chords[0].quality.startsWith('minor');
  const notes = tones.map(({ spots, by, bent }) =>
    spots.map((spot): ScoreNote => {
      const note = { ...spot, finger: finger(spot.fret), ...(by ? { by } : {}), ...(bent ? { bent } : {}) };
      return { ...note, name: named(soundingMidi(note, instrument), chords, flats) };
    }),
  );
  const line = tones.flatMap(({ spots }) =>
    spots.map((spot): FingeredNote => {
      const pitch = soundingMidi(spot, instrument);
      return { ...spot, pitch, note: rootNamed(pitch), degree: '1', finger: finger(spot.fret) };
    }),
  );
  return { tones, notes, line };
}

/** The grip strummed, or once and its bass under the palm after it. */
function strummed(item: GripItem, beats: number, muted: boolean): ScoreEvent[] {
  const notes = gripNotes(item.frets, item.fingers);
  return Array.from({ length: beats }, (_, beat): ScoreEvent => {
    const bass = muted && beat > 0;
    return {
      tick: ticksOf(beat),
      // The palm lies on it: it sounds for a third of its beat.
      ticks: bass ? TICKS_A_BEAT / 3 : TICKS_A_BEAT,
      notes: bass ? notes.slice(0, 1) : notes,
      stroke: bass ? 'pick' : 'strum',
      ...(beat === 0 ? { chord: item.chord } : {}),
    };
  });
}

function make(recipe: EmbellishRecipe, context: DrillContext): Result<DrillOf<EmbellishRecipe>> {
  const { grip, next, style, notes, upTo: asked, tempoBpm } = recipe.parameters;
  if (!(Number.isInteger(notes) && notes >= 2 && notes <= 8))
    return fail('drill.fill', 'notes', 'a fill of 2 to 8 notes');
  const chord = parseChord(grip.chord);
  if (!chord.ok) return chord;
  const to = parseChord(next.chord);
  if (!to.ok) return to;
  // A bend is slid where the hand may not press so hard.
  const upTo = asked === 'bends' && gripLimit(context) < BEND_GRADE ? 'trills' : asked;
  const fill = fillOf(
    { frets: grip.frets, chord: chord.value, next: next.frets, style, notes, upTo },
    // Under a capo a grip is called by its shape, and so is what lies around it.
    { ...context.instrument, capo: 0 },
    seededRandom(recipe.seed),
  );
  if (!fill) return fail('drill.turns', style, 'another style, or more that the hand may use');
  const played = fingered(fill.tones, [chord.value, to.value], context);
  const { points, notesPerSecond } = lineEffort(played.line, {
    hand: context.hand,
    instrument: context.instrument,
    limit: Number.POSITIVE_INFINITY,
    pace: context.pace ?? stagePace(null),
  });
  const lineBpm = Math.round(((notesPerSecond ?? 0) * 60) / PER_BEAT);
  const fillBeats = notes / PER_BEAT;
  const muted = allows(upTo, 'muted bass');
  const bars = ([from, after]: readonly GripItem[]): Bar[] => {
    const begins = BEATS - fillBeats;
    const filled = played.notes.map((own, i): ScoreEvent => ({
      tick: ticksOf(begins + i / PER_BEAT),
      ticks: TICKS_A_BEAT / PER_BEAT,
      notes: own,
      stroke: 'pick',
    }));
    const lead = strummed(from, Math.floor(begins), muted);
    return [
      { beats: BEATS, events: strummed(from, BEATS - 1, muted) },
      { beats: BEATS, events: [...lead, ...filled] },
      { beats: BEATS, events: strummed(after, BEATS - 1, false) },
      { beats: BEATS, events: strummed(after, BEATS - 1, false) },
    ];
  };
  const line: Item = {
    kind: 'line',
    notes: played.line.map(({ stringIndex, fret, finger }) => ({
      string: context.instrument.openPitches.length - stringIndex,
      fret,
      finger,
    })),
  };
  const ask = { code: 'ask.fill', values: { chord: grip.chord, to: next.chord, style } };
  const plan = (bpm: number | undefined) =>
    sequenceDrill(
      recipe,
      {
        stops: [
          { grip, ask, at: { startTick: 0, ticks: ticksOf(2 * BEATS) }, gapBeats: 1 },
          {
            grip: next,
            ask: { code: 'ask.arrive', values: { chord: next.chord } },
            at: { startTick: ticksOf(2 * BEATS), ticks: ticksOf(2 * BEATS) },
            gapBeats: 1,
          },
        ],
        beatsEach: 2 * BEATS,
        bars,
        tempoBpm: bpm,
        round: true,
        moreItems: [line],
        morePoints: (now) =>
          POINTS.note * notes +
          POINTS.technique * TECHNIQUES.indexOf(asked) +
          (points * now) / Math.max(1, lineBpm) / 4,
        question: (now) => ({ code: 'question.arrive', values: { of: 10, clean: 9, bpm: now } }),
        leftOut: [
          ...(fill.far ? [{ code: 'left.far', values: { chord: next.chord } }] : []),
          ...(fill.slid ? [{ code: 'left.slid', values: {} }] : []),
          ...(asked === 'bends' && upTo !== 'bends' ? [{ code: 'left.bends', values: {} }] : []),
        ],
      },
      context,
    );
  const made = plan(tempoBpm);
  if (!made.ok) return made;
  const predictedBpm = Math.min(made.value.predictedBpm ?? LOOP_TEMPO.highest, lineBpm);
  if (tempoBpm !== undefined) return ok({ ...made.value, predictedBpm });
  const begun = plan(startingTempo(predictedBpm));
  return begun.ok ? ok({ ...begun.value, predictedBpm }) : begun;
}

export const embellishFamily: FamilyDefinition<EmbellishRecipe> = {
  name: 'embellish',
  group: 'lines',
  draws: () => true,
  parameters,
  gripsOf: ({ parameters: { grip, next } }) => [grip, next],
  withGrips: (recipe, [grip, next]) => withParameters(recipe, { grip, next: next ?? grip }),
  root: ({ parameters: { grip } }) => chordRoot(grip.chord),
  rekey: (recipe, move: Move) => {
    const moved = movedTogether([recipe.parameters.grip, recipe.parameters.next], move);
    return moved.ok ? ok(withParameters(recipe, { grip: moved.value[0], next: moved.value[1] })) : moved;
  },
  regrips: (recipe, [grip, next]: readonly NamedGrip[]) => withParameters(recipe, { grip, next }),
  title: ({ parameters: { grip, next, style } }) => ({
    code: 'title.fill',
    values: { chord: grip.chord, to: next.chord, style },
  }),
  first: ({ grip, beside, instrument }) => {
    const given = { grip: beside, next: grip, style: LINE_STYLES[0], notes: 4, upTo: 'pulls' } as const;
    const chord = parseChord(beside.chord);
    // The first style that has a fill between these two.
    const fills = (style: (typeof LINE_STYLES)[number], upTo: (typeof TECHNIQUES)[number]) =>
      chord.ok &&
      fillOf(
        { frets: beside.frets, chord: chord.value, next: grip.frets, style, notes: 4, upTo },
        { ...instrument, capo: 0 },
        seededRandom(1),
      ) !== null;
    for (const upTo of ['pulls', 'double stops', 'bends'] as const)
      for (const style of LINE_STYLES) if (fills(style, upTo)) return embellish({ ...given, style, upTo });
    return embellish(given);
  },
  make,
  /** Slower; at the slowest fewer notes, then less that the hand uses. */
  easier: (recipe, context) => {
    const { notes, upTo } = recipe.parameters;
    const less = beside(TECHNIQUES, upTo, -1);
    return easierBy(recipe, (one) => make(one, context), [
      notes > 2 && { notes: notes - 1 },
      less !== null && { upTo: less },
    ]);
  },
  /** One technique more, one note more; then faster. */
  harder: (recipe, context) => {
    const { notes, upTo } = recipe.parameters;
    const more = beside(TECHNIQUES, upTo, 1);
    return harderBy(recipe, (one) => make(one, context), [
      more !== null && { upTo: more },
      notes < 8 && { notes: notes + 1 },
    ]);
  },
  fallbacks: (recipe) => {
    const free = withParameters(recipe, {
      tempoBpm: undefined,
      notes: Math.min(8, Math.max(2, Math.round(recipe.parameters.notes) || 4)),
    });
    return [
      free,
      ...TECHNIQUES.slice(TECHNIQUES.indexOf(free.parameters.upTo) + 1).map((upTo) =>
        withParameters(free, { upTo }),
      ),
      ...LINE_STYLES.map((style) => withParameters(free, { style, upTo: 'bends' })),
    ];
  },
};
