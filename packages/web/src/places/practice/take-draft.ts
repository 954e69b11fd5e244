/** What a student says about one try, and the take it makes: steps and result by the family's own yes / no. */
import { resultOf, type Drill, type Feel, type StepOutcome, type Take } from '@finch/core/drills';

export type StringAnswer = 'clean' | 'buzz' | 'dead';

export interface Draft {
  /** Ring check: answer by string index; strings meant silent answer clean (silent) or buzz (sounding). */
  readonly strings: readonly (StringAnswer | null)[];
  /** Changes or calls that came clean, of how many. */
  readonly clean: number;
  readonly of: number;
  readonly done: boolean;
  readonly tempoBpm: number | null;
}

const CHANGES_ASKED = 10;

export function emptyDraft(drill: Drill): Draft {
  const strings =
    drill.recipe.family === 'ring check' ? drill.recipe.parameters.grip.frets.map(() => null) : [];
  const of = drill.recipe.family === 'root call' ? drill.recipe.parameters.count : CHANGES_ASKED;
  return { strings, clean: 0, of, done: false, tempoBpm: drill.tempoBpm };
}

/** Whether enough was said to keep the take. */
export function isComplete(draft: Draft, drill: Drill): boolean {
  if (drill.recipe.family === 'ring check') return draft.strings.every((answer) => answer !== null);
  return draft.done;
}

function stepsOf(draft: Draft, drill: Drill): StepOutcome[] {
  if (drill.recipe.family === 'ring check') {
    const { frets } = drill.recipe.parameters.grip;
    return draft.strings.map((answer, s) =>
      answer === 'clean' ? 'clean' : frets[s] === null ? 'stray string' : answer === 'dead' ? 'dead' : 'buzz',
    );
  }
  if (drill.recipe.family === 'warm up') return ['clean'];
  const missed: StepOutcome = drill.recipe.family === 'root call' ? 'wrong note' : 'late';
  return Array.from({ length: draft.of }, (_, i) => (i < draft.clean ? 'clean' : missed));
}

export interface When {
  readonly startedAt: string;
  readonly timeZone: string;
  readonly durationSeconds: number;
}

/** The take; RangeError while the draft is not complete. */
export function takeOf(draft: Draft, drill: Drill, feel: Feel | null, when: When): Take {
  if (!isComplete(draft, drill)) throw new RangeError('the draft is not complete');
  const steps = stepsOf(draft, drill);
  const clean = steps.filter((step) => step === 'clean').length;
  const ring = drill.recipe.family === 'ring check';
  const missing = steps.length - clean;
  return {
    recipe: drill.recipe,
    items: drill.items,
    ...when,
    tempoBpm: drill.tempoBpm === null ? null : draft.tempoBpm,
    steps,
    // Every string has to be right for a clean ring check; one wrong is nearly.
    result: ring
      ? missing === 0
        ? 'clean'
        : missing === 1
          ? 'nearly'
          : 'not yet'
      : resultOf(clean, steps.length),
    feel,
    source: drill.recipe.family === 'root call' ? 'quiz' : 'self',
  };
}
