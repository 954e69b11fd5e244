/** What a student has not touched for a month: a scale, a key to be named. It comes round, or that it does not is said. */
import { DAY_MS } from '../mastery/constants';
import type { StudentState } from '../mastery/replay';
import type { Syllabus } from '../syllabus/skill';

export interface Unseen {
  readonly strand: string;
  /** When it was last played, ms since 1970; null where it never was. */
  readonly lastAt: number | null;
}

/** Strands that a teacher never leaves out for a month, and the skills met from which that is asked at all (brief; our assumption). */
const ROUND = { strands: ['scales', 'harmony'], days: 28, met: 20 } as const;

/** Strands of those that were not played for four weeks; none of somebody who has only begun. */
export function unseenStrands(state: StudentState, { skills }: Pick<Syllabus, 'skills'>): Unseen[] {
  if (state.skills.filter(({ attempts }) => attempts > 0).length < ROUND.met) return [];
  const strandOf = new Map(skills.map(({ id, strand }) => [id, strand]));
  return ROUND.strands.flatMap((strand) => {
    const played = state.skills.flatMap(({ skillId, lastAt }) =>
      strandOf.get(skillId) === strand && lastAt !== null ? [lastAt] : [],
    );
    const lastAt = played.length > 0 ? Math.max(...played) : null;
    return lastAt === null || state.now - lastAt > ROUND.days * DAY_MS ? [{ strand, lastAt }] : [];
  });
}
