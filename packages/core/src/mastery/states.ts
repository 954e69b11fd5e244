/**
 * The words for what is held, by stated rules: rough under five takes or a mean under .5; workable under .8;
 * clean from .8 with the lower end at .65 on two days; settled from .9 with .8, in three contexts with one in the hardest
 * third, on three days over seven, once at target heard by a teacher. Marks stand beside the word: due, slipping, stuck.
 */
import type { CleanChance } from './ability';
import { DAY_MS, MASTERY, STATES } from './constants';
import type { MasteryState } from './log';
import type { SkillSoFar } from './skill-so-far';

export interface Marks {
  readonly due: boolean;
  readonly slipping: boolean;
  readonly stuck: boolean;
}

/** What the takes of a skill said, and what is read of it now. */
export interface Evidence extends Pick<
  SkillSoFar,
  | 'attempts'
  | 'firstAt'
  | 'lastAt'
  | 'days'
  | 'contexts'
  | 'heardAtTarget'
  | 'hardest'
  | 'everClean'
  | 'lastClean'
  | 'trail'
  | 'belief'
> {
  readonly chance: CleanChance;
  readonly recall: number;
  readonly due: boolean;
  /** Difficulty from which a drill of it is in the hardest third, logits. */
  readonly hardThird: number | null;
}

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

/** Sure enough to be settled, whatever else is asked. */
export const isSure = (chance: CleanChance): boolean =>
  chance.mean >= STATES.settledMean && chance.low >= STATES.settledLower;

function stateOf({
  attempts,
  chance,
  days,
  contexts,
  heardAtTarget,
  hardest,
  hardThird,
}: Evidence): MasteryState {
  if (attempts < STATES.leastTakes || chance.mean < STATES.rough) return 'rough';
  const clean =
    chance.mean >= STATES.clean && chance.low >= STATES.cleanLower && days.count >= STATES.cleanDays;
  if (!clean) return 'workable';
  const spreadDays = (Date.parse(days.last) - Date.parse(days.first)) / DAY_MS;
  const settled =
    isSure(chance) &&
    hardest !== null &&
    hardThird !== null &&
    hardest >= hardThird &&
    contexts.length >= STATES.settledContexts &&
    days.count >= STATES.settledDays &&
    spreadDays >= STATES.settledSpreadDays &&
    heardAtTarget;
  return settled ? 'settled' : 'clean';
}

/** Many takes over many days, and little chance that ability rose usefully in the last eight. */
function isStuck({ attempts, days, firstAt, lastAt, trail, belief }: Evidence): boolean {
  const rule = STATES.stuck;
  if (attempts < rule.takes || days.count < rule.days) return false;
  const spreadDays = (lastAt - firstAt) / DAY_MS;
  if (spreadDays < rule.overDays) return false;
  const [then] = trail;
  // The two beliefs share most of their evidence; what can differ is what a random walk drifts in between.
  const daysBetween = (lastAt - then.at) / DAY_MS;
  const spread = Math.sqrt(Math.max(0.1, MASTERY.driftPerDay * daysBetween));
  const chanceOfRise = 1 - normal((rule.usefulLogits - (belief.mean - then.belief.mean)) / spread);
  return chanceOfRise < rule.chance;
}

/** Normal law by the logistic approximation with slope 1.702 (Haley 1952; error under .01). */
function normal(z: number): number {
  return 1 / (1 + Math.exp(-1.702 * z));
}
