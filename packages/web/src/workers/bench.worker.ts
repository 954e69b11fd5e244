/** Heavy computation off the main thread: everything about shapes, and plucked strings as samples. */
import type { Chord } from '@finch/core/theory';
import type { Hand, Instrument } from '@finch/core/fretboard';
import type { Frets } from '@finch/core/grips';
import {
  checkSheet,
  easierStandIns,
  explainLimits,
  familyLadder,
  findShapes,
  formsOf,
  gradedAs,
  halvesOf,
  oneNoteChanges,
  triadInversions,
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
import { clickSamples, pluckSamples } from '@finch/core/sound';
import * as Comlink from 'comlink';

/** A chord along the neck, for one screen. */
export interface AlongNeck {
  readonly forms: readonly FormPlace[];
  readonly halves: Halves;
  readonly ladder: readonly Rung[];
  readonly inversions: readonly Inversion[];
}

const work = {
  shapes: (request: ShapeRequest): GradedGrip[] => findShapes(request),
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
      halves: halvesOf(grip, chord, context),
      ladder: familyLadder(chord.root, form, context),
      inversions: chord.tones.length === 3 ? triadInversions(chord, context) : [],
    };
  },
  sheet: (text: string, hand: Hand, instrument: Instrument): SheetFinding[] =>
    checkSheet(text, { hand, instrument }),
  pluck: (frequencyHz: number, seconds: number, sampleRate: number, brightness: number): Float32Array => {
    const samples = pluckSamples({
      frequencyHz,
      seconds,
      sampleRate,
      brightness,
      seed: Math.round(frequencyHz * 100),
    });
    return Comlink.transfer(samples, [samples.buffer]);
  },
  click: (sampleRate: number, accent: boolean): Float32Array => clickSamples(sampleRate, accent),
};

export type BenchWork = typeof work;
Comlink.expose(work);
