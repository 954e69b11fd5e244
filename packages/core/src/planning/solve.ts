/**
 * Which candidates, and for how many minutes each, exactly filling what is left of the lesson: a small
 * integer programme with a 0/1 variable for each candidate and length. Worth grows with minutes and
 * flattens. The simplex and branch-and-bound are `yalps`.
 */
import { solve, type Constraint, type Model } from 'yalps';
import { WORTH, type Candidate } from './candidates';

export interface SolveLimits {
  readonly minutes: number;
  readonly newSkills: number;
  readonly barreMinutes: number;
  /** Reviews and repairs of the memory kind take at most this many minutes. */
  readonly reviewMinutes: number;
  readonly blocks: number;
  readonly repairs: number;
  /** Minutes of rest that one barre block at the least calls for. */
  readonly restMinutes: number;
  /** Whether to rest even without a barre, because the load of the hand asks for it. */
  readonly mustRest: boolean;
}

export interface Chosen {
  readonly candidate: Candidate;
  readonly minutes: number;
}

export interface Solution {
  readonly chosen: readonly Chosen[];
  readonly restMinutes: number;
  readonly value: number;
}

/** Share of a block's minutes in which a barre is pressed: work against work and rest of its bursts. */
export function barreShare(candidate: Pick<Candidate, 'drill'>): number {
  const { hasBarre, bursts } = candidate.drill;
  return hasBarre ? bursts.workSeconds / (bursts.workSeconds + bursts.restSeconds) : 0;
}

/** Worth of minutes spent on a candidate: rises and flattens. */
function worthOf(candidate: Candidate, minutes: number): number {
  return candidate.worth * (1 - Math.exp(-minutes / WORTH.minutesScale));
}

/**
 * The best choice, or null when nothing fills the minutes exactly. `needsUse` asks for a use block that
 * exercises each new skill chosen.
 */
export function solveLesson(
  candidates: readonly Candidate[],
  limits: SolveLimits,
  needsUse: boolean,
): Solution | null {
  const constraints: Record<string, Constraint> = {
    minutes: { equal: limits.minutes },
    new: { max: limits.newSkills },
    barre: { max: limits.barreMinutes },
    review: { max: limits.reviewMinutes },
    blocks: { max: limits.blocks },
    repair: { max: limits.repairs },
    rest: { max: 0 },
    // What is due, slipping or half held comes back in every lesson that has any of it.
    returns: { min: needsUse && candidates.some(returns) ? 1 : 0 },
  };
  const variables: Record<string, Record<string, number>> = {};
  for (const candidate of candidates) {
    constraints[candidate.id] = { max: 1 };
    for (
      let minutes = candidate.shortest;
      minutes <= Math.min(candidate.longest, limits.minutes);
      minutes++
    ) {
      variables[`${candidate.id}@${minutes}`] = coefficients(
        candidate,
        minutes,
        candidates,
        needsUse,
        constraints,
      );
    }
  }
  for (const minutes of [limits.restMinutes, limits.restMinutes + 1, limits.restMinutes + 2]) {
    variables[`rest@${minutes}`] = { minutes, rest: -3, oneRest: 1, value: -0.02 * minutes };
  }
  constraints.oneRest = limits.mustRest ? { equal: 1 } : { max: 1 };
  const model: Model = { direction: 'maximize', objective: 'value', constraints, variables, binaries: true };
  const found = solve(model, { timeout: 1500, tolerance: 0.005 });
  if ((found.status !== 'optimal' && found.status !== 'timedout') || found.variables.length === 0)
    return null;
  const byId = new Map(candidates.map((candidate) => [candidate.id, candidate]));
  let restMinutes = 0;
  const chosen: Chosen[] = [];
  for (const [name, count] of found.variables) {
    if (Math.round(count) !== 1) continue;
    const [id, minutes] = name.split('@');
    const candidate = byId.get(id);
    if (candidate) chosen.push({ candidate, minutes: Number(minutes) });
    else restMinutes = Number(minutes);
  }
  return { chosen, restMinutes, value: found.result };
}

function returns(candidate: Candidate): boolean {
  return candidate.kind === 'review' || candidate.kind === 'repair';
}

function coefficients(
  candidate: Candidate,
  minutes: number,
  all: readonly Candidate[],
  needsUse: boolean,
  constraints: Record<string, Constraint>,
): Record<string, number> {
  const row: Record<string, number> = {
    value: worthOf(candidate, minutes),
    minutes,
    blocks: 1,
    [candidate.id]: 1,
  };
  if (candidate.kind === 'new') row.new = 1;
  if (candidate.kind === 'review') row.review = minutes;
  if (candidate.kind === 'repair') row.repair = 1;
  if (returns(candidate)) row.returns = 1;
  const share = barreShare(candidate);
  if (share > 0) {
    row.barre = minutes * share;
    row.rest = 1;
  }
  if (needsUse && candidate.kind === 'new') {
    row[`use ${candidate.skill.id}`] = 1;
    constraints[`use ${candidate.skill.id}`] = { max: 0 };
  }
  if (needsUse && candidate.kind === 'apply') {
    for (const other of all) {
      if (other.kind === 'new' && candidate.exercises.includes(other.skill.id))
        row[`use ${other.skill.id}`] = -1;
    }
  }
  if (candidate.onlyWith) {
    row[`with ${candidate.onlyWith}`] = 1;
    constraints[`with ${candidate.onlyWith}`] = { max: 0 };
  }
  if (candidate.kind === 'new') row[`with ${candidate.skill.id}`] = -1;
  // Look-alikes of one strand disturb each other when both are new on one day.
  if (candidate.kind === 'new') {
    const strand = `strand ${candidate.skill.strand}`;
    row[strand] = 1;
    constraints[strand] = { max: 1 };
  }
  return row;
}
