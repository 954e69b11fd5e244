/**
 * The words for what is held, by stated rules: rough under five takes or a mean under .5; workable under .8;
 * clean from .8 with the lower end at .65 on two days; settled from .9 with .8, in three contexts, on three
 * days over seven, once at target heard by a teacher. Marks stand beside the word: due, slipping, stuck.
 */
import type { Belief, CleanChance } from './ability';
import { MASTERY, STATES } from './constants';
import type { MasteryState } from './log';

export interface Marks {
  readonly due: boolean;
  readonly slipping: boolean;
  readonly stuck: boolean;
}

export interface Evidence {
  readonly attempts: number;
  readonly chance: CleanChance;
  /** Days with takes, sorted. */
  readonly days: readonly string[];
  /** Different surroundings in which it came clean. */
  readonly contexts: number;
  readonly heardAtTarget: boolean;
  readonly everClean: boolean;
  readonly lastClean: boolean;
  readonly recall: number;
  readonly due: boolean;
  readonly trail: readonly { readonly at: number; readonly belief: Belief }[];
  readonly belief: Belief;
}

const DAY_MS = 86_400_000;

/** The state and its marks. */
export function judgeState(evidence: Evidence): { readonly state: MasteryState; readonly marks: Marks } {
  const state = stateOf(evidence);
  return {
    state,
    marks: {
      due: evidence.due,
      slipping: evidence.everClean && evidence.recall < STATES.slippingRecall && !evidence.lastClean,
      stuck: !evidence.everClean && evidence.chance.mean < STATES.stuck.below && isStuck(evidence),
    },
  };
}

function stateOf({ attempts, chance, days, contexts, heardAtTarget }: Evidence): MasteryState {
  if (attempts < STATES.leastTakes || chance.mean < STATES.rough) return 'rough';
  const clean =
    chance.mean >= STATES.clean && chance.low >= STATES.cleanLower && days.length >= STATES.cleanDays;
  if (!clean) return 'workable';
  const spreadDays = (Date.parse(days[days.length - 1]) - Date.parse(days[0])) / DAY_MS;
  const settled =
    chance.mean >= STATES.settledMean &&
    chance.low >= STATES.settledLower &&
    contexts >= STATES.settledContexts &&
    days.length >= STATES.settledDays &&
    spreadDays >= STATES.settledSpreadDays &&
    heardAtTarget;
  return settled ? 'settled' : 'clean';
}

/** Many takes over many days, and little chance that ability rose usefully in the last eight. */
function isStuck({ attempts, days, trail, belief }: Evidence): boolean {
  const rule = STATES.stuck;
  if (attempts < rule.takes || days.length < rule.days) return false;
  const spreadDays = (trail[trail.length - 1].at - trail[0].at) / DAY_MS;
  if (spreadDays < rule.overDays) return false;
  const then = trail[trail.length - rule.takes].belief;
  // The two beliefs share most of their evidence; what can differ is what a random walk drifts in between.
  const daysBetween = (trail[trail.length - 1].at - trail[trail.length - rule.takes].at) / DAY_MS;
  const spread = Math.sqrt(Math.max(0.1, MASTERY.driftPerDay * daysBetween));
  const chanceOfRise = 1 - normal((rule.usefulLogits - (belief.mean - then.mean)) / spread);
  return chanceOfRise < rule.chance;
}

/** Normal law by the logistic approximation with slope 1.702 (Haley 1952; error under .01). */
function normal(z: number): number {
  return 1 / (1 + Math.exp(-1.702 * z));
}
