/** The heavy jobs of the page: everything about shapes, changes, pieces and drills, and plucked strings as samples. Run in the worker. */
import type { DrillContext } from '@finch/core/hands';
import type { Chord } from '@finch/core/theory';
import type { Hand, Instrument } from '@finch/core/fretboard';
import {
  otherWays,
  pathMemory,
  planPath,
  type OtherWay,
  type Path,
  type PathFound,
  type ChangeGrade,
  type PathOptions,
} from '@finch/core/changes';
import {
  harmonizeMelody,
  playedWalks,
  type HarmonizedNote,
  type HarmonizeRequest,
  type PlayedWalk,
} from '@finch/core/harmony';
import {
  assignParts,
  keyOffers,
  partsOf,
  pieceDemand,
  type Assignment,
  type PartGrade,
  type PartKind,
  type Player,
  type KeyOffer,
  type Piece,
  type PieceDemand,
  type SingerRange,
  type Score,
} from '@finch/core/score';
import {
  easier,
  harder,
  makeDrill,
  nearestRecipe,
  rekeyForHand,
  type Drill,
  type Recipe,
} from '@finch/core/drills';
import { fretsText, type Frets } from '@finch/core/grips';
import type { Problem } from '@finch/core/kernel';
import {
  checkSheet,
  closedForm,
  easierStandIns,
  explainLimits,
  familyLadder,
  findShapes,
  formsOf,
  gradedAs,
  halvesOf,
  oneNoteChanges,
  triadInversions,
  type ClosedForm,
  type Form,
  type FormPlace,
  type GradedGrip,
  type Halves,
  type Inversion,
  type LimitStep,
  type OneNoteChange,
  type Rung,
  type ShapeRequest,
  type SheetFinding,
  type StandIn,
} from '@finch/core/shapes';
import { pitchClassOf, rootNamed, type Key, type NoteName } from '@finch/core/theory';
import { rekeyBlocks, type PlanBlock, type RekeyedBlock } from '@finch/core/planning';
import { WaveFile } from 'wavefile';
import {
  drillFaults,
  findDrills,
  type Finding,
  type Found,
  type Skill,
  type SyllabusFault,
} from '@finch/core/syllabus';
import {
  clickSamples,
  pluckOf,
  pluckSamples,
  type StruckString,
  mixSounds,
  soundSchedule,
} from '@finch/core/sound';

/** A chord along the neck, for one screen. */
export interface AlongNeck {
  readonly forms: readonly FormPlace[];
  /** What an open grip becomes when a barre closes it, fret by fret; empty for a grip without open strings. */
  readonly closed: readonly ClosedForm[];
  readonly halves: Halves;
  readonly ladder: readonly Rung[];
  readonly inversions: readonly Inversion[];
}

export interface ShapesFound {
  readonly total: number;
  readonly head: readonly GradedGrip[];
}

/** A chord between its neighbours: the grip nearest to theirs, and what going in and out of it costs this hand. */
export interface PlacedChord {
  readonly grip: GradedGrip | null;
  readonly before: GradedGrip | null;
  readonly next: GradedGrip | null;
  readonly into: ChangeGrade | null;
  readonly out: ChangeGrade | null;
}

/** What was worked out for the hand on the bench, kept for its next question. */
const paths = pathMemory();
const demands = pathMemory();

/** As many as a screen shows at once. */
const HEAD = 12;
let everything: readonly GradedGrip[] = [];
let found: readonly GradedGrip[] = [];

/** Grips worth a card: one that is another less a string has none, unless it is a named layout or still full. */
const cardsOf = (grips: readonly GradedGrip[]) =>
  grips.filter(
    (grip) =>
      grip.foldsInto === undefined ||
      grip.layout !== null ||
      grip.frets.filter((fret) => fret !== null).length >= 4,
  );

const CLOSED_AT = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
/** The root some frets up, by its usual name. */
const rootUp = (chord: Chord, up: number) => rootNamed(pitchClassOf(chord.root) + up);

/** A drill on one root: the recipe and its effort, or why there is none. */
export interface KeyedDrill {
  readonly root: NoteName;
  readonly recipe: Recipe | null;
  readonly effort: number | null;
  readonly problem: Problem | null;
}

function keyedDrill(recipe: Recipe, root: NoteName, context: DrillContext): KeyedDrill {
  const moved = rekeyForHand(recipe, root, context);
  if (!moved.ok) return { root, recipe: null, effort: null, problem: moved.problem };
  const made = makeDrill(moved.value, context);
  return made.ok
    ? { root, recipe: moved.value, effort: made.value.effort, problem: null }
    : { root, recipe: null, effort: null, problem: made.problem };
}

/** A recipe with the drill it makes, or why it makes none and the nearest that does. */
export interface MadeDrill {
  readonly recipe: Recipe;
  readonly drill: Drill | null;
  readonly problem: Problem | null;
  readonly nearest: Recipe | null;
}

/** The drill one step easier or harder, or why there is none. */
export interface Notch {
  readonly way: 'easier' | 'harder';
  readonly recipe: Recipe | null;
  readonly problem: Problem | null;
  readonly effort: number | null;
}

/** Samples a second of a file. */
const WAV_RATE = 44_100;

export const benchJobs = {
  /** The first cards at once; the rest waits here until it is asked for, so that nobody waits for its copying. */
  shapes: (request: ShapeRequest): ShapesFound => {
    everything = findShapes(request);
    found = cardsOf(everything);
    return { total: found.length, head: found.slice(0, HEAD) };
  },
  /** What follows the head of the last search. */
  restOfShapes: (): GradedGrip[] => found.slice(HEAD),
  /** A grip of the last search that has no card of its own, by its text. */
  oneShape: (text: string): GradedGrip | null =>
    everything.find((grip) => fretsText(grip.frets) === text) ?? null,
  explain: (request: ShapeRequest): LimitStep[] => explainLimits(request),
  standIns: (grip: GradedGrip, chord: Chord, hand: Hand, instrument: Instrument): StandIn[] =>
    easierStandIns(grip, { chord, hand, instrument }),
  graded: (frets: Frets, chord: Chord, hand: Hand, instrument: Instrument): GradedGrip | null =>
    gradedAs(frets, chord, { hand, instrument }),
  oneNote: (frets: Frets, chord: Chord, hand: Hand, instrument: Instrument): OneNoteChange[] =>
    oneNoteChanges(frets, chord, { hand, instrument }),
  along: (grip: GradedGrip, chord: Chord, form: Form, hand: Hand, instrument: Instrument): AlongNeck => {
    const context = { hand, instrument };
    return {
      forms: formsOf(chord, context),
      closed: CLOSED_AT.flatMap((up) => closedForm(grip.frets, chord, rootUp(chord, up), context) ?? []),
      halves: halvesOf(grip, chord, context),
      ladder: familyLadder(chord.root, form, context),
      inversions: chord.tones.length === 3 ? triadInversions(chord, context) : [],
    };
  },
  sheet: (text: string, hand: Hand, instrument: Instrument): SheetFinding[] =>
    checkSheet(text, { hand, instrument }),
  path: (chords: readonly Chord[], options: PathOptions): PathFound => planPath(chords, options, paths),
  otherWays: (path: Path, index: number, options: PathOptions): OtherWay[] =>
    otherWays(path, index, options, paths),
  demand: (piece: Piece, options: PathOptions): PieceDemand => pieceDemand(piece, options, demands),
  keys: (piece: Piece, options: PathOptions, range: SingerRange | null): KeyOffer[] =>
    keyOffers(piece, options, range),
  /** Grips of chords one after another for a hand, each null where it holds none. */
  gripsOf: (chords: readonly Chord[], options: PathOptions): (GradedGrip | null)[] =>
    planPath(chords, options, paths).steps.map((step) => step.grip),
  /** One grip for each chord by itself, the usual one. */
  firstGrips: (chords: readonly Chord[], hand: Hand, instrument: Instrument, maxEffort: number) =>
    chords.map(
      (chord): GradedGrip | null => findShapes({ chord, hand, instrument, limits: { maxEffort } })[0] ?? null,
    ),
  placed: (before: Chord | null, chord: Chord, next: Chord | null, options: PathOptions): PlacedChord => {
    const { steps, changes } = planPath(
      [before, chord, next].filter((one) => one !== null),
      options,
      paths,
    );
    const at = before ? 1 : 0;
    return {
      grip: steps[at].grip,
      before: before ? steps[0].grip : null,
      next: next ? steps[at + 1].grip : null,
      into: before ? changes[0] : null,
      out: next ? changes[at] : null,
    };
  },
  walks: (from: Chord, to: Chord, key: Key, options: PathOptions, longest: number): PlayedWalk[] =>
    playedWalks([from, to], key, options, longest, paths),
  harmonized: (request: HarmonizeRequest): HarmonizedNote[] => harmonizeMelody(request),
  parts: (piece: Piece, options: PathOptions): PartGrade[] => partsOf(piece, options),
  assign: (
    piece: Piece,
    players: readonly Player[],
    locked: Readonly<Record<string, PartKind>>,
  ): Assignment => assignParts(piece, players, locked),
  made: (recipe: Recipe, context: DrillContext): MadeDrill => {
    const made = makeDrill(recipe, context);
    return made.ok
      ? { recipe, drill: made.value, problem: null, nearest: null }
      : { recipe, drill: null, problem: made.problem, nearest: nearestRecipe(recipe, context) };
  },
  rekeyed: (
    blocks: readonly PlanBlock[],
    from: NoteName | null,
    to: NoteName | null,
    context: DrillContext,
  ): RekeyedBlock[] => rekeyBlocks(blocks, from, to, context),
  found: (finding: Finding): Found => findDrills(finding),
  drillFaults: (skills: readonly Skill[], context: DrillContext): SyllabusFault[] =>
    drillFaults(skills, context),
  notches: (recipe: Recipe, context: DrillContext): Notch[] =>
    (['easier', 'harder'] as const).map((way) => {
      const next = (way === 'easier' ? easier : harder)(recipe, context);
      const there = next.ok ? makeDrill(next.value, context) : next;
      return {
        way,
        recipe: next.ok ? next.value : null,
        problem: next.ok ? null : next.problem,
        effort: there.ok ? there.value.effort : null,
      };
    }),
  keyed: (recipe: Recipe, context: DrillContext): KeyedDrill[] =>
    Array.from({ length: 12 }, (_, pitchClass) => keyedDrill(recipe, rootNamed(pitchClass), context)),
  /** A score gone round so often at a tempo, counted in once, as a WAV file of one channel. */
  wav: (
    score: Score,
    instrument: Instrument,
    { rounds, tempoBpm, noClick }: { rounds: number; tempoBpm: number; noClick: boolean },
  ): Uint8Array => {
    const bars = score.parts.map((part) => ({
      ...part,
      bars: Array.from({ length: rounds }, () => part.bars).flat(),
    }));
    const sounds = soundSchedule({ ...score, parts: bars }, instrument, tempoBpm);
    const samples = mixSounds(sounds, { instrument, sampleRate: WAV_RATE, noClick });
    const file = new WaveFile();
    file.fromScratch(
      1,
      WAV_RATE,
      '16',
      Int16Array.from(samples, (one) => Math.round(32767 * one)),
    );
    return file.toBuffer();
  },
  pluck: (struck: StruckString, seconds: number, sampleRate: number): Float32Array =>
    pluckSamples({ ...pluckOf(struck), seconds, sampleRate }),
  click: (sampleRate: number, accent: boolean): Float32Array => clickSamples(sampleRate, accent),
};

export type BenchWork = typeof benchJobs;
