/** The story of a student, strand by strand: what of it was met then, and how sure it was, from day one to now. */
import { DAY_MS } from './constants';
import type { CleanChance } from './ability';
import type { HistoryPoint } from './history';

interface Storied {
  readonly skillId: string;
  readonly chance: CleanChance | null;
  readonly history: readonly HistoryPoint[];
}

export interface StoryPoint extends CleanChance {
  /** ms since 1970. */
  readonly at: number;
}

export interface StrandStory {
  readonly strandId: string;
  readonly met: number;
  /** Day by day where something was played, and now; the last is what the Board says. */
  readonly points: readonly StoryPoint[];
}

/**
 * Strands of which anything was met, in their order: on each day with a take the mean over the skills met by then of what each
 * last said, as the Board takes the mean over them now.
 * @param strands ids in order @param strandOf of a skill, by id @param now ms since 1970
 */
export function strandStories(
  skills: readonly Storied[],
  strands: readonly string[],
  strandOf: ReadonlyMap<string, string>,
  now: number,
): StrandStory[] {
  return strands.flatMap((strandId) => {
    const own = skills.filter(({ skillId, chance }) => chance !== null && strandOf.get(skillId) === strandId);
    if (own.length === 0) return [];
    const days = new Map<number, number>();
    for (const { history } of own)
      for (const { at } of history) {
        const day = Math.floor(at / DAY_MS);
        days.set(day, Math.max(at, days.get(day) ?? at));
      }
    const points = [...days.values()]
      .filter((at) => at <= now)
      .sort((a, b) => a - b)
      .flatMap((at) => meanAt(own, at));
    const today = meanOf(
      own.flatMap(({ chance }) => chance ?? []),
      now,
    );
    return [{ strandId, met: own.length, points: [...points, ...today] }];
  });
}

const meanAt = (skills: readonly Storied[], at: number): StoryPoint[] =>
  meanOf(
    skills.flatMap(({ history }) => history.findLast((point) => point.at <= at) ?? []),
    at,
  );

function meanOf(all: readonly CleanChance[], at: number): StoryPoint[] {
  if (all.length === 0) return [];
  const mean = (pick: keyof CleanChance) => all.reduce((sum, one) => sum + one[pick], 0) / all.length;
  return [{ at, mean: mean('mean'), low: mean('low'), high: mean('high') }];
}
