/** Why what is not in a lesson is not: each by the first rule that kept it out, never one sentence for all. */
import type { Reason } from '../effort/explain';
import type { StudentState } from '../mastery/replay';
import { isOpen, isReady, type Candidate, type CandidateContext } from './candidates';
import type { ChooseLimits, Chosen } from './choose';
import type { LessonLimits } from './lesson-limits';
import type { BlockKind, LeftOut } from './plan';

const MOST = 3;

/** What is chosen under other limits: the skills, none where that was not asked in time. */
type Again = (more: Partial<ChooseLimits>) => Promise<ReadonlySet<string>>;

/** More of what may bring a thing in: the first of these that does is said. */
const MORE = { minutes: 5, news: 1, barreMinutes: 2 } as const;

/** The best of each kind that is not in, at most three, each with what would bring it in where something small does. */
export async function leftOutOf(
  all: readonly Candidate[],
  chosen: readonly Chosen<Candidate>[],
  limits: LessonLimits,
  again: Again,
): Promise<LeftOut[]> {
  const inPlan = new Set(chosen.map(({ choice }) => choice.skillId));
  const out = all.filter(({ skillId }) => !inPlan.has(skillId));
  const kinds: BlockKind[] = ['new', 'repair', 'review', 'apply'];
  const best = kinds
    .flatMap((kind) => out.find((one) => one.kind === kind) ?? [])
    .toSorted((a, b) => b.worth - a.worth)
    .slice(0, MOST);
  const asked = new Map<string, Promise<ReadonlySet<string>>>();
  const once = (name: string, more: Partial<ChooseLimits>) => {
    const known = asked.get(name) ?? again(more);
    asked.set(name, known);
    return known;
  };
  const left: LeftOut[] = [];
  for (const one of best) {
    const because = whyNot(one, chosen, limits);
    const brings = await whatBrings(one, because.code, limits, once);
    left.push({
      title: { code: 'title.skill', values: { skill: one.skill.name, family: one.recipe.family } },
      skillId: one.skillId,
      because,
      ...(brings ? { brings } : {}),
    });
  }
  return left;
}

/** What was promised and is not in: said, never silently dropped. */
export function promisesMoved(
  chosen: readonly Chosen<Candidate>[],
  { promised = [], syllabus }: CandidateContext,
): LeftOut[] {
  return promised.flatMap((id) => {
    const skill = syllabus.skills.find((one) => one.id === id);
    if (!skill || chosen.some(({ choice }) => choice.skillId === id)) return [];
    const values = { skill: skill.name, family: skill.practice[0].recipe.family };
    return [
      { title: { code: 'title.skill', values }, skillId: id, because: { code: 'left.promised', values: {} } },
    ];
  });
}

/** The first wish that is not open yet, with what it waits for; none where all are. */
export function wishThatWaits(state: StudentState, context: CandidateContext): LeftOut[] {
  const { goals, syllabus, waived } = context;
  const states = new Map(state.skills.map((one) => [one.skillId, one]));
  const named = (id: string) => syllabus.skills.find((one) => one.id === id);
  for (const id of goals.flatMap(({ weight, skills }) => (weight === 'not now' ? [] : skills))) {
    const skill = named(id);
    if (!skill || waived.includes(id) || states.get(id)?.attempts !== 0 || isOpen(skill, states, waived))
      continue;
    const need = named(
      skill.needs.find((group) => !group.some((one) => isReady(one, states, waived)))?.[0] ?? '',
    );
    if (!need) continue;
    const slips = states.get(need.id)?.marks.slipping === true;
    return [
      {
        title: {
          code: 'title.skill',
          values: { skill: skill.name, family: skill.practice[0].recipe.family },
        },
        skillId: id,
        because: { code: slips ? 'left.need-slips' : 'left.need', values: { need: need.name } },
      },
    ];
  }
  return [];
}

async function whatBrings(
  one: Candidate,
  why: string,
  limits: LessonLimits,
  once: (name: string, more: Partial<ChooseLimits>) => Promise<ReadonlySet<string>>,
): Promise<Reason | null> {
  const { minutes, lessonMinutes, mostBlocks, mostNew, barreMinutes } = limits;
  // What is forbidden for another reason no minute brings in.
  if (why === 'left.trouble' || why === 'left.lean') return null;
  const tries: readonly (readonly [Reason, Partial<ChooseLimits>])[] = [
    ...(why === 'left.barre'
      ? [
          [
            { code: 'brings.barre', values: { minutes: MORE.barreMinutes } },
            { barreMinutes: barreMinutes + MORE.barreMinutes },
          ] as const,
        ]
      : []),
    ...(why === 'left.new' || why === 'left.alike'
      ? [
          [
            { code: 'brings.new', values: { most: mostNew + MORE.news } },
            { mostNew: mostNew + MORE.news },
          ] as const,
        ]
      : []),
    [
      { code: 'brings.minutes', values: { minutes: MORE.minutes } },
      {
        minutes: minutes + MORE.minutes,
        lessonMinutes: lessonMinutes + MORE.minutes,
        mostBlocks: mostBlocks + 1,
      },
    ],
  ];
  for (const [reason, more] of tries) if ((await once(reason.code, more)).has(one.skillId)) return reason;
  return null;
}

function whyNot(one: Candidate, chosen: readonly Chosen<Candidate>[], limits: LessonLimits): Reason {
  const barre = chosen.reduce((sum, { choice, minutes }) => sum + minutes * choice.barreShare, 0);
  const news = chosen.filter(({ choice }) => choice.kind === 'new');
  if (one.barreShare > 0 && barre + one.lengths[0] * one.barreShare > limits.barreMinutes)
    return { code: 'left.barre', values: { cap: Math.round(limits.barreMinutes * 10) / 10 } };
  if (one.kind === 'new') {
    if (limits.noNew) return { code: limits.noNew === 'lean' ? 'left.lean' : 'left.trouble', values: {} };
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
