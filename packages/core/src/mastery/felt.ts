/** How the hand felt lately, and in what: which skill was tense more than once, how hard its grips are. */
import type { GripItem, Item } from '../drills/items';
import type { Take } from '../drills/take';
import { DAY_MS } from './constants';
import type { ItemGrader } from './difficulty';

/** Days looked back on, answers kept, and answers that were not easy from which a skill is told (our assumptions). */
const FELT = { days: 14, kept: 80, leastHard: 2 } as const;

/** What was answered after a take. */
export interface Felt {
  /** ms since 1970. */
  readonly at: number;
  readonly hand: 'easy' | 'tense' | 'pain';
  /** What the take was about most; null for a warm-up. */
  readonly skillId: string | null;
  /** The hardest grip that was held, and its effort for the hand of the day, 0 to 100; null where no grip was. */
  readonly chord: string | null;
  readonly effort: number | null;
}

const gripsOf = (item: Item): readonly GripItem[] =>
  item.kind === 'grip' ? [item] : item.kind === 'change' ? [item.from, item.to] : [];

/** With the answer to one more take; takes without one leave it as it is. */
export function withFelt(
  before: readonly Felt[],
  take: Take,
  at: number,
  skillId: string | null,
  grader: ItemGrader,
): readonly Felt[] {
  if (!take.feel) return before;
  let hardest: { chord: string; effort: number } | null = null;
  for (const grip of take.items.flatMap(gripsOf)) {
    const effort = grader.effort(grip);
    if (!hardest || effort > hardest.effort) hardest = { chord: grip.chord, effort };
  }
  const from = at - FELT.days * DAY_MS;
  return [
    ...before.filter((one) => one.at > from),
    {
      at,
      hand: take.feel.hand,
      skillId,
      chord: hardest?.chord ?? null,
      effort: hardest?.effort ?? null,
    },
  ].slice(-FELT.kept);
}

export interface TenseSkill {
  readonly skillId: string;
  /** Answers of the last two weeks that were tense or worse, of how many. */
  readonly hard: number;
  readonly of: number;
  readonly pain: boolean;
  readonly chord: string | null;
  readonly effort: number | null;
  readonly at: number;
}

/** The skill in which the hand was tense most often in the last two weeks; null where none was twice. */
export function tenseIn(felt: readonly Felt[], now: number): TenseSkill | null {
  const bySkill = new Map<string, Felt[]>();
  for (const one of felt) {
    if (one.skillId === null || one.at > now || one.at <= now - FELT.days * DAY_MS) continue;
    bySkill.set(one.skillId, [...(bySkill.get(one.skillId) ?? []), one]);
  }
  let most: TenseSkill | null = null;
  for (const [skillId, answers] of bySkill) {
    const hard = answers.filter(({ hand }) => hand !== 'easy');
    if (hard.length < FELT.leastHard || hard.length <= (most?.hard ?? 0)) continue;
    const worst = hard.reduce((a, b) => ((b.effort ?? -1) > (a.effort ?? -1) ? b : a));
    most = {
      skillId,
      hard: hard.length,
      of: answers.length,
      pain: hard.some(({ hand }) => hand === 'pain'),
      chord: worst.chord,
      effort: worst.effort,
      at: hard[hard.length - 1].at,
    };
  }
  return most;
}
