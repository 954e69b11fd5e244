/**
 * A student's hand as it is taught now: what every question about a student takes. Made in one place from what is on record
 * and a moment, sent as it is, and never put together again.
 */
import { averageHand, type Hand } from '../fretboard/hand';
import { standardGuitar, type Instrument } from '../fretboard/instrument';
import type { FingerLabel } from '../grips/grip';
import { stagePace, type Pace } from '../pace';
import { DEFAULT_SCHOOLS, handFor, type Schools } from '../shapes/schools';
import { datedAt, type Dated } from './dated';
import { assumedLimits, type HandLimits } from './limits';

/** Fingerings a teacher pinned, by the mark of their grip. */
export type Pins = Readonly<Record<string, readonly FingerLabel[]>>;

/** What studio evidence moved, in logits by item key; empty in a new studio. Immutable, versioned. */
export interface DifficultyFit {
  readonly version: string;
  readonly shiftLogits: Readonly<Record<string, number>>;
}

export const PRIOR_FIT: DifficultyFit = { version: 'prior', shiftLogits: {} };

export interface TaughtHand {
  /** As its school has it play. */
  readonly hand: Hand;
  readonly instrument: Instrument;
  readonly limits: HandLimits;
  readonly pins: Pins;
  readonly pace: Pace;
  readonly school: Schools;
  readonly difficultyFit: DifficultyFit;
}

/** All that is on record of a student's hand. */
export interface HandRecords {
  readonly hands: readonly Dated<Hand>[];
  readonly instruments: readonly Dated<Instrument>[];
  readonly limits: readonly Dated<HandLimits>[];
  /** YYYY-MM-DD; limits that nobody set are a child's or a grown hand's by it. */
  readonly bornOn: string | null;
  readonly school: Schools;
  readonly pins: Pins;
  readonly pace: Pace;
  readonly difficultyFit: DifficultyFit;
}

/** Of somebody nothing is known of: a middle hand on a usual guitar, under no school but the usual one. */
export const NOTHING_ON_RECORD: HandRecords = {
  hands: [],
  instruments: [],
  limits: [],
  bornOn: null,
  school: DEFAULT_SCHOOLS,
  pins: {},
  pace: stagePace(null),
  difficultyFit: PRIOR_FIT,
};

/** Hand and instrument as they are on record at an instant (ms since 1970): what a take of that time was played with. */
export function recordedHand(
  records: Pick<HandRecords, 'hands' | 'instruments'>,
  ms: number,
): Pick<TaughtHand, 'hand' | 'instrument'> {
  return {
    hand: datedAt(records.hands, ms, averageHand),
    instrument: datedAt(records.instruments, ms, standardGuitar),
  };
}

/** The hand as it is taught at an instant (ms since 1970). */
export function taughtHand(records: HandRecords, ms: number): TaughtHand {
  const { school, pins, pace, difficultyFit } = records;
  const { hand, instrument } = recordedHand(records, ms);
  return {
    hand: handFor(hand, school),
    instrument,
    limits: datedAt(records.limits, ms, assumedLimits(records.bornOn, ms)),
    pins,
    pace,
    school,
    difficultyFit,
  };
}

/** What drills are made for: a student's hand, or hand and instrument alone where nobody's limits are asked about. */
export type DrillContext = Pick<TaughtHand, 'hand' | 'instrument'> &
  Partial<Pick<TaughtHand, 'limits' | 'pins' | 'pace'>>;

/** Grade no grip should pass for this hand; 100, which none does, where nobody's limits are asked about. */
export const gripLimit = ({ limits }: Pick<DrillContext, 'limits'>): number => limits?.gripEffort ?? 100;

/** What a search of grips for this hand looks with. */
export const searched = (of: DrillContext) => ({
  hand: of.hand,
  instrument: of.instrument,
  maxEffort: gripLimit(of),
});

/**
 * What a path of grips is played with, wherever one is asked for: the hand, its pace, its pins, its school's taste, and no
 * grip over its limit where a chord has another.
 */
export const playedBy = ({ hand, instrument, pace, pins, school, ...of }: PlayedBy) => ({
  hand,
  instrument,
  ...(pace ? { pace } : {}),
  ...(pins ? { pins } : {}),
  ...(school ? { school } : {}),
  limits: { maxEffort: gripLimit(of) },
});
export type PlayedBy = DrillContext & Partial<Pick<TaughtHand, 'school'>>;

/** Grade points by which a grip passes what the hand should be asked; 0 inside its limit. */
export const overLimit = (grade: number, of: Pick<DrillContext, 'limits'>): number =>
  Math.max(0, grade - gripLimit(of));
