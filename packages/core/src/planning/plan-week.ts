/**
 * A student's week at home: which drill on which of the practice days and for how long. What was begun or given is played on each of
 * them, what falls due on its day, what is mended not twice running, music every day, no day over its minutes or the hand's limits.
 * Which minutes is a small integer programme; a day that loads the hand past its limit gives up its heaviest row. After pain nothing
 * is played. All numbers are assumptions.
 */
import { makeDrill } from '../drills/make-drill';
import { warmUp } from '../drills/recipe';
import { fail, ok, type Result } from '../kernel/result';
import type { StudentState } from '../mastery/replay';
import type { CandidateContext } from './candidates';
import { dayBlocks, WEEK_MODEL_VERSION, type HomeWeek, type WeekDay, type WeekRow } from './home-week';
import { peakLoad } from './load';
import type { LeftOut } from './plan';
import { quietPlan } from './quiet-plan';
import { offersOf, WEEK, type Offer, type WeekConstraints } from './week-offers';
import { chosen, slot } from './week-programme';

/**
 * The week of a student. Problems: `week.days`, `week.minutes`.
 * @param clock ms since any moment: after a second the best seen is taken; without one all of it is searched
 */
export async function planWeek(
  state: StudentState,
  syllabus: CandidateContext['syllabus'],
  constraints: WeekConstraints,
  clock?: () => number,
): Promise<Result<HomeWeek>> {
  const { days } = constraints;
  if (days.length < 1 || days.length > WEEK.mostDays)
    return fail('week.days', 'days', `1 to ${WEEK.mostDays} days`);
  const odd = days.findIndex(
    ({ minutes }) => !(Number.isInteger(minutes) && minutes >= 0 && minutes <= WEEK.mostMinutes),
  );
  if (odd >= 0) return fail('week.minutes', `days.${odd}.minutes`, `0 to ${WEEK.mostMinutes} whole minutes`);
  const { status } = state.pain;
  if (status === 'stopped today' || status === 'locked') return ok(quietWeek(state, syllabus, constraints));
  return ok(await playedWeek(state, syllabus, constraints, clock));
}

/** While nothing is played each day hears and names the same. */
function quietWeek(
  state: StudentState,
  syllabus: CandidateContext['syllabus'],
  { days, ...constraints }: WeekConstraints,
): HomeWeek {
  const minutes = Math.max(0, ...days.map((day) => day.minutes));
  const { blocks } = quietPlan(state, syllabus, { ...constraints, minutes }, []);
  const rows = blocks.flatMap(({ id, kind, title, because, skillId, recipe, minutes: lasts }): WeekRow[] =>
    recipe
      ? [
          {
            id,
            kind,
            title,
            because,
            skillId,
            recipe,
            effort: 0,
            barreShare: 0,
            minutes: days.map((day) => Math.min(lasts, day.minutes)),
            aimBpm: null,
          },
        ]
      : [],
  );
  // A shorter day does the first of them.
  const kept = rows.map((row, i) => ({
    ...row,
    minutes: row.minutes.map((lasts, at) => {
      const before = rows.slice(0, i).reduce((sum, one) => sum + one.minutes[at], 0);
      return Math.max(0, Math.min(lasts, days[at].minutes - before));
    }),
  }));
  return { schemaVersion: 1, days, rows: kept, leftOut: [], modelVersion: WEEK_MODEL_VERSION };
}

async function playedWeek(
  state: StudentState,
  syllabus: CandidateContext['syllabus'],
  constraints: WeekConstraints,
  clock: (() => number) | undefined,
): Promise<HomeWeek> {
  const returning = state.pain.status === 'returning';
  const { limits } = constraints.taught;
  const context: CandidateContext = {
    ...constraints,
    syllabus,
    allowBarre: limits.barreMinutes > 0 && !returning,
  };
  // Playing that comes back after pain has half its minutes.
  const days = constraints.days.map(({ day, minutes }) => ({
    day,
    minutes: returning ? Math.floor(minutes / 2) : minutes,
  }));
  const { offers, refused } = offersOf(state, context, constraints);
  const opening = warmUpRow(days, context);
  const free = days.map(({ minutes }, at) => minutes - (opening.minutes[at] ?? 0));
  const barre = days.map(({ minutes }) => (limits.barreMinutes * minutes) / 30);
  const until = clock ? clock() + WEEK.seconds * 1000 : null;
  const heavy = new Set<string>();
  for (let tries = 0; ; tries++) {
    const seconds = clock && until !== null ? Math.max(0.1, (until - clock()) / 1000) : WEEK.patience;
    const taken = await chosen(offers, { free, barre, heavy }, seconds);
    const rows = [opening, ...taken.map(({ offer, minutes }) => rowOf(offer, minutes))];
    const over = days.flatMap((_, at) => heaviestOver({ rows }, at, limits.load) ?? []);
    if (over.length > 0 && tries < WEEK.tries) {
      for (const one of over) heavy.add(one);
      continue;
    }
    const kept = lightened(rows, days, limits.load).filter(({ minutes }) =>
      minutes.some((lasts) => lasts > 0),
    );
    const inWeek = new Set(kept.flatMap(({ skillId }) => skillId ?? []));
    const leftOut = offers.flatMap(({ row, as }): LeftOut[] =>
      (as === 'given' || as === 'new') && row.skillId !== null && !inWeek.has(row.skillId)
        ? [{ title: row.title, skillId: row.skillId, because: { code: 'left.week', values: {} } }]
        : [],
    );
    return {
      schemaVersion: 1,
      days: constraints.days,
      rows: kept,
      leftOut: [...refused, ...leftOut],
      modelVersion: WEEK_MODEL_VERSION,
    };
  }
}

/** The slot of what loads the hand most on a day that is past its limit; null where none is. */
function heaviestOver(week: Pick<HomeWeek, 'rows'>, at: number, most: number): string | null {
  const blocks = dayBlocks(week, at);
  const heaviest = blocks.toSorted((a, b) => b.effort * b.minutes - a.effort * a.minutes).at(0);
  return heaviest && peakLoad(blocks).load > most ? slot(heaviest.id, at) : null;
}

/** The hand's limit is never given up: what loads it most is not played on that day, whatever rule that breaks. */
function lightened(rows: readonly WeekRow[], days: readonly WeekDay[], most: number): readonly WeekRow[] {
  let left = rows;
  for (const at of days.keys())
    for (
      let over = heaviestOver({ rows: left }, at, most);
      over;
      over = heaviestOver({ rows: left }, at, most)
    ) {
      const gone = over;
      left = left.map((row) =>
        slot(row.id, at) === gone
          ? { ...row, minutes: row.minutes.map((lasts, i) => (i === at ? 0 : lasts)) }
          : row,
      );
    }
  return left;
}

function warmUpRow(days: readonly WeekDay[], { taught }: CandidateContext): WeekRow {
  const recipe = warmUp(WEEK.warmUp);
  const drill = makeDrill(recipe, taught);
  return {
    id: 'warm up',
    kind: 'warm up',
    title: { code: 'title.warm-up', values: {} },
    because: {
      code: 'because.cold',
      values: drill.ok ? { fret: Number(drill.value.steps[0].ask.values.fret) } : {},
    },
    skillId: null,
    recipe,
    effort: drill.ok ? drill.value.effort : 5,
    barreShare: 0,
    minutes: days.map(({ minutes }) =>
      Math.min(minutes, minutes < WEEK.short ? WEEK.warmUp - 1 : WEEK.warmUp),
    ),
    aimBpm: null,
  };
}

/** Ends the week a little quicker, never past where the skill is meant to be. */
function rowOf({ row, as, tempoBpm, targetBpm }: Offer, minutes: readonly number[]): WeekRow {
  const times = minutes.filter((lasts) => lasts > 0).length;
  const grows = as === 'new' || as === 'given' || as === 'repair';
  const most = Math.max(targetBpm ?? Infinity, tempoBpm ?? 0);
  const aimBpm =
    tempoBpm === null
      ? null
      : grows
        ? Math.min(most, tempoBpm + WEEK.stepBpm * Math.max(0, times - 1))
        : tempoBpm;
  return { ...row, minutes, aimBpm };
}
