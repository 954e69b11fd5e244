/** Why what is not in a lesson is not: each by the first rule that kept it out, never one sentence for all. */
import type { Reason } from '../effort/explain';
import type { Candidate } from './candidates';
import type { ChooseLimits, Chosen } from './choose';
import type { BlockKind, LeftOut } from './plan';

const MOST = 3;

/** Why nothing new may come in at all: four things in trouble, or a proposal that leans elsewhere. */
export type NoNew = 'trouble' | 'lean' | null;
type Limits = ChooseLimits & { readonly noNew: NoNew };

/** The best of each kind that is not in, at most three. */
export function leftOutOf(
  all: readonly Candidate[],
  chosen: readonly Chosen<Candidate>[],
  limits: Limits,
): LeftOut[] {
  const inPlan = new Set(chosen.map(({ choice }) => choice.skillId));
  const out = all.filter(({ skillId }) => !inPlan.has(skillId));
  const kinds: BlockKind[] = ['new', 'repair', 'review', 'apply'];
  const best = kinds.flatMap((kind) => out.find((one) => one.kind === kind) ?? []);
  return best
    .toSorted((a, b) => b.worth - a.worth)
    .slice(0, MOST)
    .map((one) => ({
      title: { code: 'title.skill', values: { skill: one.skill.name, family: one.recipe.family } },
      skillId: one.skillId,
      because: whyNot(one, chosen, limits),
    }));
}

function whyNot(one: Candidate, chosen: readonly Chosen<Candidate>[], limits: Limits): Reason {
  const barre = chosen.reduce((sum, { choice, minutes }) => sum + minutes * choice.barreShare, 0);
  const news = chosen.filter(({ choice }) => choice.kind === 'new');
  if (one.barreShare > 0 && barre + one.lengths[0] * one.barreShare > limits.barreMinutes)
    return { code: 'left.barre', values: { cap: Math.round(limits.barreMinutes * 10) / 10 } };
  if (one.kind === 'new') {
    if (limits.noNew) return { code: `left.${limits.noNew}`, values: {} };
    if (news.length >= limits.mostNew) return { code: 'left.new', values: { most: limits.mostNew } };
    if (news.some(({ choice }) => choice.strand === one.strand)) return { code: 'left.alike', values: {} };
  }
  const least = chosen.reduce((low, { choice }) => Math.min(low, choice.worth), Number.POSITIVE_INFINITY);
  const values = {
    worth: Math.round(one.worth * 1000),
    least: Math.round(least * 1000),
    minutes: limits.minutes,
  };
  if (one.kind === 'review')
    return {
      code: 'left.can-wait',
      values: { ...values, recall: Math.round(100 * (one.state.recall ?? 1)) },
    };
  if (one.kind === 'apply') return { code: 'left.music', values };
  return { code: 'left.minutes', values };
}
