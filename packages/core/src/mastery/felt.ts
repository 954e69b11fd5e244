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

/** What the takes of the last two weeks say of how much effort this hand stands well. */
export interface LimitSaid {
  /** Effort, 0 to 100. */
  readonly limit: number;
  /** Of the answers up to it how many were easy, of those above it how many were not. */
  readonly upTo: number;
  readonly easy: number;
  readonly above: number;
  readonly hard: number;
}

/** Answers about grips from which something is said of a limit, and efforts it may be (our assumptions). */
const SAID = { answers: 12, least: 10, most: 100 } as const;

/**
 * The effort that parts best what was easy from what was not: the fewest answers on the wrong side of it. Where nothing was
 * hard it is the hardest grip that was played: more was not tried. Null before there are enough answers.
 */
export function limitSaid(felt: readonly Felt[], now: number): LimitSaid | null {
  const answers = felt
    .filter(({ at }) => at <= now && at > now - FELT.days * DAY_MS)
    .flatMap(({ effort, hand }) => (effort === null ? [] : [{ effort, easy: hand === 'easy' }]))
    .sort((a, b) => a.effort - b.effort);
  if (answers.length < SAID.answers) return null;
  const cuts = answers.map(({ effort }) => effort);
  const told = cuts.map((limit): LimitSaid => {
    const low = answers.filter(({ effort }) => effort <= limit);
    const high = answers.filter(({ effort }) => effort > limit);
    return {
      limit,
      upTo: low.length,
      easy: low.filter(({ easy }) => easy).length,
      above: high.length,
      hard: high.filter(({ easy }) => !easy).length,
    };
  });
  const wrong = (one: LimitSaid) => one.upTo - one.easy + (one.above - one.hard);
  // Of several as good the lowest: a limit errs on the side of the hand. Nothing hard: the highest.
  const best = answers.every(({ easy }) => easy)
    ? told[told.length - 1]
    : told.reduce((a, b) => (wrong(b) < wrong(a) ? b : a));
  return { ...best, limit: Math.min(SAID.most, Math.max(SAID.least, Math.floor(best.limit))) };
}
