/** What might be in a student's week at home: what was given, what was begun, what falls due, what is mended, what is music. */
import { TZDate } from '@date-fns/tz';
import { barreShare } from '../drills/drill';
import { makeDrill } from '../drills/make-drill';
import type { Drill, Recipe } from '../drills/recipe';
import type { Reason } from '../effort/explain';
import { overLimit } from '../hands/taught-hand';
import { DAY_MS } from '../mastery/constants';
import { makeGrader } from '../mastery/difficulty';
import { stageOf } from '../mastery/experience';
import { historyPoints } from '../mastery/history';
import type { StudentState } from '../mastery/replay';
import type { SkillState } from '../mastery/skill-state';
import { ownDrills, type Skill } from '../syllabus/skill';
import {
  fallOf,
  inTrouble,
  lessonCandidates,
  ONCE_CLEAN,
  type Candidate,
  type CandidateContext,
} from './candidates';
import { madeFor } from './fitted-drill';
import type { WeekDay, WeekRow } from './home-week';
import type { LeftOut } from './plan';

/** A drill that a teacher gave home. */
export interface GivenHome {
  readonly id: string;
  readonly skillId: string | null;
  readonly title: Reason;
  readonly recipe: Recipe;
  /** ms since 1970. */
  readonly since: number;
}

export interface WeekConstraints extends Omit<CandidateContext, 'allowBarre' | 'syllabus'> {
  /** One after the other, the first of them today or later; minutes 0 on a day off. */
  readonly days: readonly WeekDay[];
  /** The newest first. */
  readonly given: readonly GivenHome[];
  /** Skills that the last lesson began, played in it or not. */
  readonly begun: readonly string[];
  readonly timeZone: string;
}

export const WEEK = {
  mostDays: 14,
  mostMinutes: 180,
  warmUp: 3,
  /** Days shorter than this open with a minute less, and have no room for music beside what is new. */
  short: 9,
  /** Days on which what was begun is played each practice day. */
  newDays: 7,
  lengths: { new: [2, 3, 4, 5], given: [2, 3, 4, 5], repair: [3, 4, 5], review: [2, 3], apply: [2, 3, 4] },
  /** Music of days from so many minutes lasts longer, and it fills what is left of a day up to so many. */
  longFrom: 18,
  longMusic: [4, 6, 8],
  longestMusic: 8,
  /** Rows of a week: so many, and one more for so many minutes of its longest day. */
  rows: 4,
  /** Of what was given or begun so many at most, and a second piece of music from so many minutes a day. */
  every: 4,
  twoPieces: 8,
  minutesARow: 4,
  mostRows: 12,
  given: 4,
  trouble: 4,
  reviews: 6,
  /** Of what falls due so many at least come round. */
  keptReviews: 2,
  uses: 4,
  /** Minutes after which 63 % of a row's worth of the day is there. */
  scale: 3.5,
  /** Reviews fill so much of a day at most. */
  reviewShare: 0.5,
  family: 2,
  /** Beats a minute added from one practice day to the next. */
  stepBpm: 2,
  /** The best seen after so many seconds is taken; where nobody counts, after so many more. */
  seconds: 1,
  patience: 60,
  tries: 6,
} as const;

export type RowKind = keyof typeof WEEK.lengths;

/** A row that might be in the week. */
export interface Offer {
  readonly row: Omit<WeekRow, 'minutes' | 'aimBpm'>;
  readonly as: RowKind;
  readonly worth: number;
  /** 0 where it is in none; more is mended first. */
  readonly trouble: number;
  readonly tempoBpm: number | null;
  readonly targetBpm: number | null;
  /** First day that it may be on, index in `days`. */
  readonly from: number;
}

/** What might be in the week, and what was given that this hand is not asked. */
export function offersOf(
  state: StudentState,
  context: CandidateContext,
  { days, given, begun, timeZone }: WeekConstraints,
): { readonly offers: readonly Offer[]; readonly refused: readonly LeftOut[] } {
  const states = new Map(state.skills.map((one) => [one.skillId, one]));
  const skillOf = (id: string | null) => context.syllabus.skills.find((skill) => skill.id === id);
  const endOf = ({ day }: WeekDay) => {
    const [year, month, date] = day.split('-').map(Number);
    return new TZDate(year, month - 1, date + 1, timeZone).getTime();
  };
  const ends = days.map(endOf);
  const isFresh = (own: SkillState) =>
    begun.includes(own.skillId) || (!ONCE_CLEAN(own) && metSince(own, state.now - WEEK.newDays * DAY_MS));
  /** Index of the first day on whose evening it is due; null where none of them is. */
  const dueOn = (own: SkillState) => {
    const at = ends.findIndex((end) => own.dueAt !== null && own.dueAt < end);
    return at < 0 ? null : at;
  };
  const soon = state.skills
    .filter((own) => ONCE_CLEAN(own) && !own.marks.slipping && dueOn(own) !== null)
    .toSorted((a, b) => (a.dueAt ?? 0) - (b.dueAt ?? 0))
    .slice(0, WEEK.reviews)
    .map(({ skillId }) => skillId);
  const fresh = state.skills.filter(isFresh).map(({ skillId }) => skillId);
  const promised = [...fresh, ...soon];
  // What slipped most is mended first, then what is stuck; the rest as it is worth.
  const candidates = lessonCandidates(state, { ...context, promised }).toSorted(
    (a, b) => troubleOf(b) - troubleOf(a),
  );
  const grader = makeGrader(context.taught, stageOf(state.experience));
  const asked = new Map<RowKind, number>();
  const offers: Offer[] = [];
  const refused: LeftOut[] = [];
  for (const [i, one] of given.slice(0, WEEK.given).entries()) {
    const drill = makeDrill(one.recipe, context.taught);
    const skill = skillOf(one.skillId);
    const barred = drill.ok && drill.value.hasBarre && !context.allowBarre;
    if (!drill.ok || overLimit(drill.value.heaviestGrip, context.taught) > 0 || barred) {
      refused.push({
        title: one.title,
        skillId: one.skillId ?? one.id,
        because: barred ? { code: 'left.barre', values: { cap: 0 } } : { code: 'left.hand', values: {} },
      });
      continue;
    }
    offers.push({
      row: {
        id: `given:${one.id}`,
        kind: 'repair',
        title: one.title,
        because: { code: 'because.given', values: { on: one.since } },
        skillId: one.skillId,
        recipe: drill.value.recipe,
        effort: drill.value.effort,
        barreShare: barreShare(drill.value),
      },
      as: 'given',
      // The newest first; before whatever the planner would choose.
      worth: given.length - i,
      trouble: 0,
      tempoBpm: drill.value.tempoBpm,
      targetBpm: skill?.targetBpm ?? null,
      from: 0,
    });
  }
  // What a lesson began before its needs were held is gone on with all the same.
  for (const id of begun.filter((one) => !candidates.some(({ skillId }) => skillId === one))) {
    const skill = skillOf(id);
    const drill = skill && drillFor(skill, context);
    if (!skill || !drill || context.waived.includes(id) || (skill.barre && !context.allowBarre)) continue;
    offers.push({
      row: {
        id: `new:${id}`,
        kind: 'new',
        title: { code: 'title.skill', values: { skill: skill.name, family: drill.recipe.family } },
        because: BEGUN,
        skillId: id,
        recipe: drill.recipe,
        effort: drill.effort,
        barreShare: barreShare(drill),
      },
      as: 'new',
      worth: 0,
      trouble: 0,
      tempoBpm: drill.tempoBpm,
      targetBpm: skill.targetBpm,
      from: 0,
    });
  }
  for (const one of candidates) {
    const as = kindOf(one, fresh, soon);
    if (!as || offers.some(({ row }) => row.skillId === one.skillId)) continue;
    if ((asked.get(as) ?? 0) >= MOST[as]) continue;
    const made = madeFor(one, state, context, grader);
    if (!made) continue;
    asked.set(as, (asked.get(as) ?? 0) + 1);
    const own = states.get(one.skillId);
    offers.push({
      row: {
        id: `${as}:${one.skillId}`,
        kind: as === 'new' ? 'new' : one.kind,
        title: { code: 'title.skill', values: { skill: one.skill.name, family: made.recipe.family } },
        because: as === 'new' ? BEGUN : as === 'review' ? dueReason(own) : made.because,
        skillId: one.skillId,
        recipe: made.recipe,
        effort: made.drill.effort,
        barreShare: made.barreShare,
      },
      as,
      worth: one.worth,
      trouble: as === 'repair' ? troubleOf(one) : 0,
      tempoBpm: made.drill.tempoBpm,
      targetBpm: one.skill.targetBpm,
      from: as === 'review' && own ? (dueOn(own) ?? 0) : 0,
    });
  }
  return { offers, refused };
}

/** 0 of what is not in trouble; more for what is stuck, most for what slipped furthest. */
const troubleOf = ({ state }: Candidate): number =>
  state.marks.slipping ? 2 + fallOf(state) : state.marks.stuck ? 1.5 : inTrouble(state) ? 1 : 0;

const BEGUN: Reason = { code: 'because.begun', values: {} };

/** The first of its own drills that this hand is asked; null where it is asked none. */
function drillFor(skill: Skill, { taught }: CandidateContext): Drill | null {
  for (const recipe of ownDrills(skill)) {
    const drill = makeDrill(recipe, taught);
    if (drill.ok && overLimit(drill.value.heaviestGrip, taught) <= 0) return drill.value;
  }
  return null;
}

const MOST: Readonly<Record<RowKind, number>> = {
  new: WEEK.given,
  given: WEEK.given,
  repair: WEEK.trouble,
  review: WEEK.reviews,
  apply: WEEK.uses,
};

/** As what a candidate is in the week; null of what nobody begins alone. */
function kindOf(one: Candidate, fresh: readonly string[], soon: readonly string[]): RowKind | null {
  if (fresh.includes(one.skillId)) return 'new';
  if (one.kind === 'apply')
    return one.unmet || one.onlyWith !== undefined || inTrouble(one.state) ? null : 'apply';
  if (one.kind === 'new') return null;
  return one.kind === 'review' || soon.includes(one.skillId) ? 'review' : 'repair';
}

const dueReason = (own: SkillState | undefined): Reason => ({
  code: 'because.due-on',
  values: { number: Math.round(100 * (own?.chance?.mean ?? 0)), on: own?.dueAt ?? 0 },
});

/** Whether its first take is no older; false where the log goes further back than is known. @param from ms since 1970 */
function metSince({ attempts, history, lastAt }: SkillState, from: number): boolean {
  if (attempts === 0 || lastAt === null) return false;
  const before = historyPoints(history);
  return before.length === attempts - 1 && (before.at(0)?.at ?? lastAt) >= from;
}
