/** What is held of one skill at an instant: what its takes said, and what the time since then took. */
import type { Skill } from '../syllabus/skill';
import { afterDays, cleanChance, type Belief, type CleanChance } from './ability';
import type { EvidenceApart } from './evidence-apart';
import { DAY_MS, STATES } from './constants';
import { NO_HISTORY, type PackedHistory } from './history';
import type { MasteryState } from './log';
import { dueAt, recallAt } from './memory';
import { awayLoad, type SkillSoFar } from './skill-so-far';
import { judgeState, type Marks } from './states';

export interface SkillState {
  readonly skillId: string;
  readonly state: MasteryState;
  /** Set when a teacher said otherwise; `computed` is what the takes say. */
  readonly overridden: boolean;
  readonly computed: MasteryState;
  readonly attempts: number;
  /** Days with takes. */
  readonly days: number;
  /** Load at its target, logits; 0 until met. */
  readonly target: number;
  /** Days in which a tenth of it is forgotten; null until met. */
  readonly stabilityDays: number | null;
  /** P(clean at target tempo) now, with its 80 % interval; null until met. */
  readonly chance: CleanChance | null;
  /** The mean after 14 more days without a take. */
  readonly outlook: number | null;
  readonly belief: Belief;
  readonly recall: number | null;
  readonly dueAt: number | null;
  readonly lastAt: number | null;
  readonly lastClean: boolean;
  readonly everClean: boolean;
  /** Best mean reached and when. */
  readonly peak: { readonly mean: number; readonly at: number } | null;
  readonly marks: Marks;
  /** Takes of the last `STATES.historyDays` before the last one. */
  readonly history: PackedHistory;
  /** Last tempo played, for the next one. */
  readonly lastBpm: number | null;
  /** Other kinds of evidence than the skill is about; no part of the number. */
  readonly apart: EvidenceApart;
}

/** What else there is of a skill at an instant. */
export interface SkillAround {
  readonly override: MasteryState | null;
  readonly apart: EvidenceApart;
  /** Difficulty from which a drill of it is in the hardest third, logits; null while nothing asks. */
  readonly hardThird: number | null;
}

/** @param start what is believed of it before any take @param target difficulty and tempo load at the target, logits */
export function skillStateAt(
  skill: Skill,
  sofar: SkillSoFar | null,
  start: Belief,
  target: number,
  now: number,
  { override, apart, hardThird }: SkillAround,
): SkillState {
  if (!sofar) {
    return {
      skillId: skill.id,
      state: override ?? 'not met',
      overridden: override !== null,
      computed: 'not met',
      attempts: 0,
      days: 0,
      target,
      stabilityDays: null,
      chance: null,
      outlook: null,
      belief: start,
      recall: null,
      dueAt: null,
      lastAt: null,
      lastClean: false,
      everClean: false,
      peak: null,
      marks: { due: false, slipping: false, stuck: false },
      history: NO_HISTORY,
      lastBpm: null,
      apart,
    };
  }
  const recall = recallAt(sofar.memory, now);
  const rested = afterDays(sofar.belief, (now - sofar.lastAt) / DAY_MS);
  const later = now + STATES.outlookDays * DAY_MS;
  const outlook = afterDays(sofar.belief, (later - sofar.lastAt) / DAY_MS);
  const chance = cleanChance(rested, target + awayLoad(sofar, now));
  const due = dueAt(sofar.memory);
  const { state, marks } = judgeState({
    ...sofar,
    chance,
    recall,
    hardThird,
    due: due <= now || recall < STATES.dueRecall,
  });
  return {
    skillId: skill.id,
    state: override ?? state,
    overridden: override !== null,
    computed: state,
    attempts: sofar.attempts,
    days: sofar.days.count,
    target,
    stabilityDays: sofar.memory.trace.stability,
    chance,
    outlook: cleanChance(outlook, target + awayLoad(sofar, later)).mean,
    belief: rested,
    recall,
    dueAt: due,
    lastAt: sofar.lastAt,
    lastClean: sofar.lastClean,
    everClean: sofar.everClean,
    peak: sofar.peak,
    marks,
    history: sofar.history,
    lastBpm: sofar.lastBpm,
    apart,
  };
}
