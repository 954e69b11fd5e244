/**
 * What a visit to a skill is worth: the best average gain a visit over packages of one to eight further visits (an index in the
 * sense of Gittins 1979), the gain being the chance that the skill is held a month on, and the chance that what waits for it
 * comes open. Visits lie some days apart, so that what was forgotten a little is worth more than what was just played (spacing,
 * Cepeda 2006). Forms are published where named; every number is an assumption, tuned on simulated worlds that judge nothing.
 */
import { logistic } from '../kernel/number';

/** What is known of one skill of one student, whichever estimator says it; logits of a clean try at the tempo asked. */
export interface Prospect {
  /** All that practice and forgetting do not move. */
  readonly base: number;
  /** Of what is not known of it. */
  readonly variance: number;
  readonly rows: number;
  readonly days: number;
  /** Days since it was last played; 0 where it never was. */
  readonly away: number;
  readonly playedToday: boolean;
  readonly stabilityDays: number;
  /** What e times the rows and the days add. */
  readonly perRows: number;
  readonly perDays: number;
  /** What all of it forgotten takes, 0 or less. */
  readonly forgetting: number;
}

/** How a log is read, the same for all skills of it. */
export interface Clock {
  /** Rows of one visit. */
  readonly rowsAVisit: number;
  readonly rowScale: number;
  /** Share forgotten after so many days at a stability, 0 to 1. */
  readonly forgotten: (days: number, stabilityDays: number) => number;
  /** Stability after a visit so many days after the last, whose tries come clean with a chance. */
  readonly grown: (stabilityDays: number, days: number, chance: number) => number;
}

/** What waits for a skill: how many needs each has, how many steps away it is, and whether it is locked. */
export interface Waiting {
  readonly step: number;
  readonly needs: number;
  readonly locked: boolean;
}

export interface Wanted {
  /** Days until a goal that needs it; null where no goal with a day does. */
  readonly daysToGoal: number | null;
  /** Times it counts where a goal with a day needs it: before all else where nobody says. */
  readonly times?: number;
}

const WORTH_OF = {
  horizonDays: 28,
  leastHorizonDays: 7,
  betweenVisits: 4.5,
  /** Logit from which it counts as held, and as clean. */
  held: 0.8,
  clean: 1,
  /** Of the world itself, beside what is not known. */
  spread: 0.6,
  /** Two new things at most are begun in a visit, so that what waits counts for no more than two. */
  unlocks: { steps: 3, share: 0.35, perStep: 0.5, most: 2 },
  visits: 8,
  goal: { steps: 6, share: 2, perStep: 0.7, visits: 12, times: 101, grace: 7 },
  /** A chance far from .75 is worth a little less; what was just played much less. */
  likely: { best: 0.75, width: 0.5, cost: 0.05 },
  rested: { cost: 0.6, days: 2 },
  today: 0.05,
  least: 0.001,
} as const;

/** The normal law by the logistic with slope 1.702 (Haley 1952; error under .01). */
const normal = (x: number): number => logistic(1.702 * x);

const abilityAfter = (one: Prospect, clock: Clock, visits: number): number =>
  one.base +
  one.perRows * Math.log(1 + (one.rows + visits * clock.rowsAVisit) / clock.rowScale) +
  one.perDays * Math.log(1 + one.days + visits);

/** Chance of a clean try now, 0 to 1. */
export function chanceNow(one: Prospect, clock: Clock): number {
  const lost = one.rows === 0 ? 0 : clock.forgotten(one.away, one.stabilityDays);
  return logistic(abilityAfter(one, clock, 0) + one.forgetting * lost);
}

/** Worth of a visit, above 0; comparable between skills of one student and day. */
export function worthOf(
  one: Prospect,
  clock: Clock,
  waiting: readonly Waiting[],
  { daysToGoal, times = WORTH_OF.goal.times }: Wanted = { daysToGoal: null },
): number {
  const { goal, unlocks } = WORTH_OF;
  const wished = daysToGoal !== null;
  const horizon = wished
    ? Math.max(WORTH_OF.leastHorizonDays, daysToGoal + goal.grace)
    : WORTH_OF.horizonDays;
  const met = one.rows > 0;
  const now = chanceNow(one, clock);
  const sd = Math.sqrt(one.variance + WORTH_OF.spread);
  const opens = wished
    ? goal.share * unlocking(waiting, goal.steps, goal.perStep, true)
    : waiting.some(({ step, locked }) => step === 1 && locked)
      ? unlocks.share * Math.min(unlocks.most, unlocking(waiting, unlocks.steps, unlocks.perStep, false))
      : 0;
  const held = (visits: number, stability: number, wait: number) =>
    normal(
      (abilityAfter(one, clock, visits) + one.forgetting * clock.forgotten(wait, stability) - WORTH_OF.held) /
        sd,
    );
  const clean = (visits: number) => normal((abilityAfter(one, clock, visits) - WORTH_OF.clean) / sd);
  const heldNow = met ? held(0, one.stabilityDays, horizon + one.away) : 0;
  const cleanNow = met ? clean(0) : 0;
  let stability = one.stabilityDays;
  let best: number = WORTH_OF.least;
  for (let visits = 1; visits <= (wished ? goal.visits : WORTH_OF.visits); visits++) {
    const since = visits > 1 ? WORTH_OF.betweenVisits : met ? one.away : 0;
    if (since > 0) stability = clock.grown(stability, since, now);
    const wait = Math.max(WORTH_OF.leastHorizonDays, horizon - WORTH_OF.betweenVisits * (visits - 1));
    const gain = held(visits, stability, wait) - heldNow + opens * Math.max(0, clean(visits) - cleanNow);
    best = Math.max(best, gain / (wished ? Math.sqrt(visits) : visits));
  }
  const { likely, rested } = WORTH_OF;
  const fits = 1 - likely.cost * Math.min(1, Math.abs(now - likely.best) / likely.width);
  const spaced = met ? 1 - rested.cost * Math.exp(-Math.max(0, one.away - 1) / rested.days) : 1;
  const again = met && one.playedToday ? WORTH_OF.today : 1;
  return best * fits * spaced * again * (wished ? times : 1);
}

function unlocking(waiting: readonly Waiting[], steps: number, perStep: number, lockedOnly: boolean): number {
  return waiting.reduce(
    (sum, { step, needs, locked }) =>
      step > steps || (lockedOnly && !locked) ? sum : sum + perStep ** (step - 1) / needs,
    0,
  );
}

/**
 * What waits for a skill, by the fewest steps to it.
 * @param needs of a skill, all of its groups in one
 * @param locked whether a skill can not be taken yet
 */
export function waitingFor(
  skill: string,
  skills: readonly { readonly id: string; readonly needs: readonly string[] }[],
  locked: (id: string) => boolean,
): Waiting[] {
  const found = new Map<string, Waiting>();
  let edge = [skill];
  for (let step = 1; step <= WORTH_OF.goal.steps && edge.length > 0; step++) {
    const next: string[] = [];
    for (const { id, needs } of skills) {
      if (found.has(id) || id === skill || !needs.some((need) => edge.includes(need))) continue;
      found.set(id, { step, needs: needs.length, locked: locked(id) });
      next.push(id);
    }
    edge = next;
  }
  return [...found.values()];
}
