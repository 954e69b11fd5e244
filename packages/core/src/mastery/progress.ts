/**
 * One sentence of progress for somebody who does not read numbers: what rose most in the last weeks, in times out of ten; else
 * how much is held. No bands, no tempi.
 */
import type { Reason } from '../effort/explain';
import { DAY_MS, STATES } from './constants';
import { historyPoints } from './history';
import type { SkillState } from './skill-state';

/** Weeks looked back over, and the least rise that is told: two of ten (our assumption). */
const PROGRESS = { days: 21, rise: 0.2 } as const;

type Told = Pick<SkillState, 'skillId' | 'state' | 'chance' | 'history'>;

/** @param names of skills, by id @param now ms since 1970 */
export function progressOf(skills: readonly Told[], names: ReadonlyMap<string, string>, now: number): Reason {
  const from = now - PROGRESS.days * DAY_MS;
  const rises = skills.flatMap(({ skillId, chance, history }) => {
    const name = names.get(skillId);
    const points = historyPoints(history);
    const played = points.filter(({ at }) => at >= from);
    if (!chance || !name || played.length < STATES.leastTakes) return [];
    // Where it stood when those weeks began, or after its first take in them.
    const was = (points.findLast(({ at }) => at < from) ?? played[0]).mean;
    return [{ name, was, now: chance.mean }];
  });
  const best = rises.reduce<(typeof rises)[number] | null>(
    (most, one) => (!most || one.now - one.was > most.now - most.was ? one : most),
    null,
  );
  const ten = (share: number) => Math.round(10 * share);
  if (best && best.now - best.was >= PROGRESS.rise)
    return {
      code: 'report.rose',
      values: { skill: best.name, was: ten(best.was), now: ten(best.now), weeks: PROGRESS.days / 7 },
    };
  const held = skills.filter(({ state }) => state === 'clean' || state === 'settled').length;
  const begun = skills.filter(({ chance }) => chance !== null).length;
  return begun === 0
    ? { code: 'report.nothing', values: {} }
    : { code: 'report.held', values: { held, begun } };
}
