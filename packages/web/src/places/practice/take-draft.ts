/** What a student says about one try, and the take it makes: steps and result by the family's own yes / no. */
import {
  highestClean,
  resultOf,
  type Drill,
  type Feel,
  type Ladder,
  type StepOutcome,
  type StringAnswer,
  type Take,
} from '@finch/core/drills';

export interface Draft {
  /** Ring check: answer by string index; strings meant silent answer clean (silent) or buzz (sounding). */
  readonly strings: readonly (StringAnswer | null)[];
  /** Changes that came clean, of how many. */
  readonly clean: number;
  readonly of: number;
  /** How those that were not clean came, as far as it was said. */
  readonly missed: 'late' | 'early';
  /** Calls: how each came out. */
  readonly outcomes: readonly StepOutcome[];
  /** How long each call took and what was mixed up. */
  readonly calls: NonNullable<Take['calls']>;
  /** One sentence to the teacher. */
  readonly note: string;
  readonly done: boolean;
  readonly tempoBpm: number | null;
  /** Clean changes counted over a minute, where somebody did. */
  readonly count: Take['count'] | null;
  /** Rounds of the tempo ladder, where it was climbed. */
  readonly ladder: Ladder['rounds'] | null;
}

const CHANGES_ASKED = 10;

export function emptyDraft(drill: Drill): Draft {
  const strings = drill.judged === 'strings' ? drill.steps.map(() => null) : [];
  return {
    strings,
    clean: 0,
    of: CHANGES_ASKED,
    missed: 'late',
    outcomes: [],
    calls: [],
    note: '',
    done: false,
    tempoBpm: drill.tempoBpm,
    count: null,
    ladder: null,
  };
}

/** What a ladder found: its highest clean rung, or the lowest tried where none was. */
export function withLadder(draft: Draft, rounds: Ladder['rounds']): Draft {
  const best = highestClean(rounds);
  const tempoBpm = best ?? Math.min(...rounds.map((round) => round.bpm));
  return { ...draft, ladder: rounds, tempoBpm, clean: best === null ? 0 : draft.of, done: true };
}

/** Whether enough was said to keep the take. */
export function isComplete(draft: Draft, drill: Drill): boolean {
  if (drill.judged === 'strings') return draft.strings.every((answer) => answer !== null);
  return draft.done && (!drill.asksNote || draft.note.trim() !== '');
}

function stepsOf(draft: Draft, drill: Drill): readonly StepOutcome[] {
  switch (drill.judged) {
    case 'strings':
      return draft.strings.map((answer, s) => {
        if (answer === 'clean') return 'clean';
        if (drill.steps[s].ask.code === 'ask.silent') return 'stray string';
        return answer === 'dead' ? 'dead' : 'buzz';
      });
    case 'done':
      return ['clean'];
    case 'calls':
      // A quiz broken off for pain has no outcome for what was not asked any more.
      return draft.outcomes.length ? draft.outcomes : ['late'];
    case 'changes':
    case 'time':
      // The rounds at the rung it is kept under; one not clean before the clean one is in the ladder.
      if (draft.ladder) {
        const best = highestClean(draft.ladder);
        const there = draft.ladder.filter(
          (round) => round.bpm === draft.tempoBpm && round.clean === (best !== null),
        );
        return there.map((round) => (round.clean ? 'clean' : draft.missed));
      }
      return Array.from({ length: draft.of }, (_, i) => (i < draft.clean ? 'clean' : draft.missed));
  }
}

export interface When {
  readonly startedAt: string;
  readonly timeZone: string;
  readonly durationSeconds: number;
}

/** What was typed back from paper, what a quiz judged, or what the player said; a tone that was sung is said by who sang it. */
function sourceOf({ recipe, judged }: Drill): Take['source'] {
  if (recipe.family === 'write it out') return 'paper';
  return judged === 'calls' && recipe.family !== 'sing it' ? 'quiz' : 'self';
}

/** The take; RangeError while the draft is not complete. */
export function takeOf(draft: Draft, drill: Drill, feel: Feel | null, when: When): Take {
  if (!isComplete(draft, drill)) throw new RangeError('the draft is not complete');
  const steps = stepsOf(draft, drill);
  const clean = steps.filter((step) => step === 'clean').length;
  const missing = steps.length - clean;
  return {
    recipe: drill.recipe,
    items: drill.items,
    ...when,
    tempoBpm: drill.tempoBpm === null ? null : draft.tempoBpm,
    steps,
    ...(draft.calls.length && draft.calls.length === steps.length ? { calls: draft.calls } : {}),
    ...(draft.note.trim() ? { note: draft.note.trim() } : {}),
    ...(draft.count ? { count: draft.count } : {}),
    ...(draft.ladder ? { ladder: draft.ladder } : {}),
    // Every string has to be right for a clean ring check; one wrong is nearly.
    result:
      drill.judged === 'strings'
        ? missing === 0
          ? 'clean'
          : missing === 1
            ? 'nearly'
            : 'not yet'
        : resultOf(clean, steps.length),
    feel,
    source: sourceOf(drill),
  };
}
