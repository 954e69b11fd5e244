/**
 * One logged try at a drill, as it was played: what was asked, how each step came out, how the hand felt.
 * Silence about the hand is null and never read as easy.
 */
import type { Slip } from './drill';
import type { Item } from './items';
import type { LadderRound } from './ladder';
import type { Recipe } from './recipe';

export type StepOutcome = 'clean' | 'buzz' | 'dead' | 'stray string' | 'wrong note' | 'late' | 'early';
export type TakeResult = 'clean' | 'nearly' | 'not yet';
export type PainPlace =
  | 'fingertip skin'
  | 'joint'
  | 'thumb base'
  | 'wrist'
  | 'arm'
  | 'shoulder'
  | 'neck'
  | 'back'
  | 'tingling'
  | 'numbness';

export const PAIN_PLACES: readonly PainPlace[] = [
  'fingertip skin',
  'joint',
  'thumb base',
  'wrist',
  'arm',
  'shoulder',
  'neck',
  'back',
  'tingling',
  'numbness',
];

export type Feel =
  | { readonly hand: 'easy' }
  | { readonly hand: 'tense' }
  | {
      readonly hand: 'pain';
      readonly where: PainPlace;
      readonly side: 'left' | 'right' | 'both';
      readonly skinBroken?: boolean;
    };

export type TakeSource = 'self' | 'teacher' | 'quiz' | 'paper' | 'recording' | 'listener' | 'simulated';

/** How one call was answered: time and error apart. */
export interface CallTaken {
  /** From the call, or from its first hearing, to the answer. */
  readonly seconds: number;
  /** What a wrong answer mixed up, where that has a name. */
  readonly slip?: Slip;
}

export interface Take {
  readonly recipe: Recipe;
  readonly items: readonly Item[];
  /** Instant of the start, ISO 8601 in UTC. */
  readonly startedAt: string;
  /** IANA zone the student was in. */
  readonly timeZone: string;
  readonly durationSeconds: number;
  /** Null for free time. */
  readonly tempoBpm: number | null;
  /** Empty when only the result was logged. */
  readonly steps: readonly StepOutcome[];
  /** Clean changes counted without a beat, for a change loop; what the student's pace is found from. */
  readonly count?: { readonly clean: number; readonly seconds: number };
  /** Rounds of a tempo ladder, in order; `tempoBpm` is then the highest rung that came clean. */
  readonly ladder?: readonly LadderRound[];
  /** One for each of `steps`, where calls were answered one by one. */
  readonly calls?: readonly CallTaken[];
  /** One sentence about what was found, for the teacher. */
  readonly note?: string;
  readonly result: TakeResult;
  readonly feel: Feel | null;
  readonly source: TakeSource;
}

/** Shares of clean steps that make a take clean and nearly clean: nine and seven of ten (our convention). */
export const CLEAN_SHARE = 0.9;
export const NEARLY_SHARE = 0.7;

/** The yes / no of a take from how many of its steps came clean; RangeError for no steps. */
export function resultOf(cleanSteps: number, steps: number): TakeResult {
  if (!(steps > 0)) throw new RangeError('a take without steps has no result of its own');
  const share = cleanSteps / steps;
  if (share >= CLEAN_SHARE) return 'clean';
  return share >= NEARLY_SHARE ? 'nearly' : 'not yet';
}

/** Whether what was reported ends playing for the day: any pain but unbroken fingertip skin. */
export function endsPlaying(feel: Feel | null): boolean {
  if (feel?.hand !== 'pain') return false;
  return feel.where !== 'fingertip skin' || feel.skinBroken === true;
}
