/**
 * npm run bench:plans: what a careful teacher expects, asked of proposals for all students of the demo and for simulated ones
 * (`--students N`, 300) on any day of their fourteen weeks, at 20, 30, 45 and 60 minutes: breaches a plan, by rule and by length,
 * and how long a proposal takes. Figures are printed, never asserted. `--show` lists what was found, `--plans` the plans of 45 minutes.
 */
import { performance } from 'node:perf_hooks';
import { makeLimits, NOTHING_ON_RECORD, taughtHand } from '@finch/core/hands';
import { mean, median, must, seededRandom } from '@finch/core/kernel';
import { replay, type StudentState } from '@finch/core/mastery';
import {
  breachesOf,
  CAREFUL_RULES,
  GOAL_WEIGHTS,
  minutesToward,
  planLesson,
  type Goal,
  type LessonConstraints,
  type LessonPlan,
} from '@finch/core/planning';
import { firstSyllabus } from '@finch/core/syllabus';
import { DAYS, DEMO_NOW, demoStudents, simulatedStudent, START } from './students';

const DAY_MS = 86_400_000;
const LENGTHS = [20, 30, 45, 60];
const argument = process.argv.indexOf('--students');
const STUDENTS = argument < 0 ? 300 : Number(process.argv[argument + 1]);
/** Students that are simulated; each is asked on several days, so that they are many students at many stages. */
const LIVES = Math.min(STUDENTS, 60);

const random = seededRandom(1811);
const broken = new Map<string, number[]>();
const took: number[] = [];
let plans = 0;
let lived = 0;
let lifted = 0;

/** Asks for a lesson of each length and notes what it breaks. */
async function ask(
  name: string,
  state: StudentState,
  asked: Omit<LessonConstraints, 'minutes' | 'waived'>,
): Promise<void> {
  for (const [i, minutes] of LENGTHS.entries()) {
    const constraints: LessonConstraints = { ...asked, minutes, waived: [] };
    const start = performance.now();
    const plan = must(await planLesson(state, firstSyllabus, constraints, () => performance.now()));
    took.push(performance.now() - start);
    plans++;
    if (plan.lifted) lifted++;
    for (const { rule, found } of breachesOf(plan, { state, syllabus: firstSyllabus, constraints })) {
      const counts = broken.get(rule) ?? LENGTHS.map(() => 0);
      counts[i]++;
      broken.set(rule, counts);
      if (process.argv.includes('--show')) console.log(`${name}, ${minutes} min: ${rule}: ${found}`);
    }
    if (process.argv.includes('--plans') && minutes === 45) tell(name, plan, state);
  }
}

/** A plan as a teacher would read it down. */
function tell(name: string, { blocks, lifted: given }: LessonPlan, { skills }: StudentState): void {
  const of = new Map(skills.map((one) => [one.skillId, one]));
  console.log(`${name}${given ? `, without: ${given.join(', ')}` : ''}`);
  for (const { minutes, kind, skillId, recipe, because } of blocks) {
    const own = skillId === null ? undefined : of.get(skillId);
    const number = own?.chance ? `${Math.round(100 * own.chance.mean)} after ${own.attempts}` : 'not met';
    console.log(
      `  ${String(minutes).padStart(2)} ${kind.padEnd(10)}${(skillId ?? '').padEnd(22)}${(recipe?.family ?? '').padEnd(20)}${skillId === null ? '' : number.padEnd(14)}${because.code}`,
    );
  }
}

const wish = (skills: readonly string[], more: Partial<Goal> = {}): Goal => ({
  id: skills[0],
  name: skills[0],
  skills,
  weight: 'more',
  day: null,
  ...more,
});
/** A piece of 4 to 9 skills that lie near each other in the syllabus, on a day within twelve weeks. */
function concert(of: typeof random): Goal {
  const at = of.int(0, firstSyllabus.skills.length - 30);
  const skills = Array.from({ length: of.int(4, 9) }, () => firstSyllabus.skills[at + of.int(0, 29)].id);
  const weight = (['a little', 'more', 'first'] as const)[of.int(0, 2)];
  return wish([...new Set(skills)], { weight, day: { on: '2026-01-01', ahead: of.int(0, 84) } });
}

for (const { member, events, context, hand, instrument, limits } of demoStudents()) {
  const taught = { ...taughtHand(NOTHING_ON_RECORD, DEMO_NOW), hand, instrument, limits };
  await ask(member.name, replay(events, context, DEMO_NOW), {
    taught,
    goals: (member.goals ?? []).map((id) => wish([id])),
  });
}
const demo = plans;
for (let life = 0; life < LIVES; life++) {
  const { events, context, hand } = simulatedStudent(700 + life);
  for (let nth = 0; nth < Math.ceil(STUDENTS / LIVES) && lived < STUDENTS; nth++, lived++) {
    const now = START + random.int(3, DAYS - 1) * DAY_MS;
    const state = replay(
      events.filter(({ take }) => Date.parse(take.startedAt) < now),
      context,
      now,
    );
    const taught = {
      ...taughtHand(NOTHING_ON_RECORD, now),
      hand,
      limits: must(makeLimits({ barreMinutes: random.int(0, 8), gripEffort: random.int(58, 90) })),
    };
    const met = state.skills.filter(({ attempts }) => attempts > 0);
    const goals =
      random.unit() < 0.4 && met.length > 0 ? [wish([firstSyllabus.skills[random.int(0, 60)].id])] : [];
    if (random.unit() < 0.3) goals.push(concert(random));
    await ask(`life ${life}, day ${(now - START) / DAY_MS}`, state, { taught, goals });
  }
}
/** Share of the skills of two plans that are in one of them alone. */
const apart = (a: LessonPlan, b: LessonPlan): number => {
  const [ours, theirs] = [a, b].map(({ blocks }) => new Set(blocks.flatMap(({ skillId }) => skillId ?? [])));
  const all = new Set([...ours, ...theirs]);
  return [...all].filter((id) => ours.has(id) !== theirs.has(id)).length / Math.max(1, all.size);
};
const differ: number[] = [];
for (const { member, events, context, hand, instrument, limits } of demoStudents()) {
  const state = replay(events, context, DEMO_NOW);
  if (state.pain.status !== 'free') continue;
  const taught = { ...taughtHand(NOTHING_ON_RECORD, DEMO_NOW), hand, instrument, limits };
  const goals = (member.goals ?? []).map((id) => wish([id]));
  const three: LessonPlan[] = [];
  for (const lean of ['mend', 'go on', 'play'] as const)
    three.push(
      must(
        await planLesson(
          state,
          firstSyllabus,
          { taught, minutes: member.minutes, goals, waived: [], lean },
          () => performance.now(),
        ),
      ),
    );
  if (process.argv.includes('--plans'))
    for (const one of three) tell(`${member.name}, ${one.lean}`, one, state);
  differ.push(Math.min(apart(three[0], three[1]), apart(three[1], three[2]), apart(three[0], three[2])));
}

/** Minutes of 45 toward a concert in four weeks of six skills that are not held, by its weight. */
const towardBy = new Map<string, number[]>();
for (const { events, context, hand, instrument, limits } of demoStudents()) {
  const state = replay(events, context, DEMO_NOW);
  if (state.pain.status !== 'free') continue;
  const taught = { ...taughtHand(NOTHING_ON_RECORD, DEMO_NOW), hand, instrument, limits };
  const open = state.skills.filter(({ state: now }) => now !== 'clean' && now !== 'settled');
  const at = random.int(0, open.length - 20);
  const six = Array.from({ length: 6 }, (_, i) => open[at + 3 * i].skillId);
  for (const weight of GOAL_WEIGHTS) {
    const goals = [wish(six, { weight, day: { on: '2026-01-01', ahead: 28 } })];
    const plan = must(
      await planLesson(state, firstSyllabus, { taught, minutes: 45, goals, waived: [] }, () =>
        performance.now(),
      ),
    );
    towardBy.set(weight, [
      ...(towardBy.get(weight) ?? []),
      plan.toward?.[0] ? minutesToward(plan.toward[0], plan.blocks) : 0,
    ]);
  }
}

const each = plans / LENGTHS.length;
const all = [...broken.values()].flat().reduce((sum, count) => sum + count, 0);
const sorted = took.toSorted((a, b) => a - b);
const row = (name: string, counts: readonly number[]) =>
  `  ${name.padEnd(30)}${counts.map((count) => (count / each).toFixed(3).padStart(9)).join('')}`;
console.log(
  [
    `${plans} proposals for ${demo / LENGTHS.length} students of the demo and ${lived} simulated ones: ${(all / plans).toFixed(3)} breaches a plan (aim .05), in ${lifted} a rule was lifted`,
    `  ${''.padEnd(30)}${LENGTHS.map((minutes) => `${minutes} min`.padStart(9)).join('')}`,
    ...CAREFUL_RULES.flatMap((rule) => {
      const counts = broken.get(rule);
      return counts ? [row(rule, counts)] : [];
    }),
    `mend, go on, play: of the skills of the two most alike ${(100 * median(differ)).toFixed(0)} of 100 are in one alone (median of the demo's students, least ${(100 * Math.min(...differ)).toFixed(0)})`,
    `toward a concert in four weeks, minutes of 45: ${[...towardBy].map(([weight, minutes]) => `${weight} ${mean(minutes).toFixed(1)}`).join(', ')} (mean of the demo's students)`,
    `a proposal takes ${median(took).toFixed(0)} ms, one of twenty ${sorted[Math.floor(took.length * 0.95)].toFixed(0)} ms or more, at most ${Math.max(...took).toFixed(0)} ms`,
  ].join('\n'),
);
