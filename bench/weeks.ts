/**
 * npm run bench:weeks: what a careful teacher expects of a week at home, asked of weeks for all students of the demo and for
 * simulated ones (`--students N`, 60) of 5, 12, 20 and 40 minutes a day, one day off in six: breaches a week, by rule and by length,
 * how full the days are, and how long a week takes. Figures are printed, never asserted. `--show` prints the weeks of 12 minutes.
 */
import { performance } from 'node:perf_hooks';
import { makeLimits, NOTHING_ON_RECORD, taughtHand, type TaughtHand } from '@finch/core/hands';
import { mean, median, must, seededRandom } from '@finch/core/kernel';
import { replay, type StudentState } from '@finch/core/mastery';
import {
  dayMinutes,
  planWeek,
  WEEK_RULES,
  weekBreachesOf,
  type HomeWeek,
  type WeekRule,
} from '@finch/core/planning';
import { firstSyllabus } from '@finch/core/syllabus';
import { DAYS, DEMO_NOW, demoStudents, simulatedStudent, START } from './students';

const DAY_MS = 86_400_000;
const LENGTHS = [5, 12, 20, 40];
const argument = process.argv.indexOf('--students');
const STUDENTS = argument < 0 ? 60 : Number(process.argv[argument + 1]);
const random = seededRandom(1911);
const broken = new Map<WeekRule, number[]>();
const took: number[] = [];
const full: number[][] = LENGTHS.map(() => []);
const rows: number[][] = LENGTHS.map(() => []);
let weeks = 0;

async function ask(name: string, state: StudentState, taught: TaughtHand): Promise<void> {
  for (const [i, minutes] of LENGTHS.entries()) {
    const days = Array.from({ length: 6 }, (_, at) => ({
      day: new Date(state.now + (at + 1) * DAY_MS).toISOString().slice(0, 10),
      minutes: at === 2 ? 0 : minutes,
    }));
    const asked = { taught, goals: [], waived: [], days, given: [], begun: [], timeZone: 'UTC' };
    const start = performance.now();
    const week = must(await planWeek(state, firstSyllabus, asked, () => performance.now()));
    took.push(performance.now() - start);
    weeks++;
    rows[i].push(week.rows.length);
    const on = days.flatMap((day, at) => (day.minutes > 0 ? [dayMinutes(week, at) / day.minutes] : []));
    full[i].push(mean(on));
    for (const { rule, found } of weekBreachesOf(week, taught.limits)) {
      const counts = broken.get(rule) ?? LENGTHS.map(() => 0);
      counts[i]++;
      broken.set(rule, counts);
      if (process.argv.includes('--show')) console.log(`${name}, ${minutes} min: ${rule}: ${found}`);
    }
    if (process.argv.includes('--show') && minutes === 12) tell(name, week, state);
  }
}

/** A week as a teacher would read it. */
function tell(name: string, week: HomeWeek, { skills }: StudentState): void {
  const of = new Map(skills.map((one) => [one.skillId, one]));
  console.log(name);
  for (const { kind, skillId, minutes, recipe, because, aimBpm } of week.rows) {
    const own = skillId === null ? undefined : of.get(skillId);
    const number = own?.chance ? `${Math.round(100 * own.chance.mean)} after ${own.attempts}` : '';
    console.log(
      `  ${kind.padEnd(9)}${(skillId ?? '').padEnd(24)}${minutes.join(' ').padEnd(14)}${recipe.family.padEnd(20)}${String(aimBpm ?? '').padEnd(5)}${number.padEnd(14)}${because.code}`,
    );
  }
}

for (const { member, events, context, hand, instrument, limits } of demoStudents())
  await ask(member.name, replay(events, context, DEMO_NOW), {
    ...taughtHand(NOTHING_ON_RECORD, DEMO_NOW),
    hand,
    instrument,
    limits,
  });
const demo = weeks / LENGTHS.length;
for (let life = 0; life < STUDENTS; life++) {
  const { events, context, hand } = simulatedStudent(900 + life);
  const now = START + random.int(3, DAYS - 1) * DAY_MS;
  const state = replay(
    events.filter(({ take }) => Date.parse(take.startedAt) < now),
    context,
    now,
  );
  const limits = must(makeLimits({ barreMinutes: random.int(0, 8), gripEffort: random.int(58, 90) }));
  await ask(`life ${life}`, state, { ...taughtHand(NOTHING_ON_RECORD, now), hand, limits });
}

const each = weeks / LENGTHS.length;
const all = [...broken.values()].flat().reduce((sum, count) => sum + count, 0);
const sorted = took.toSorted((a, b) => a - b);
const line = (name: string, numbers: readonly number[], digits: number) =>
  `  ${name.padEnd(20)}${numbers.map((n) => n.toFixed(digits).padStart(9)).join('')}`;
console.log(
  [
    `${weeks} weeks for ${demo} students of the demo and ${STUDENTS} simulated ones: ${(all / weeks).toFixed(3)} breaches a week`,
    `  ${''.padEnd(20)}${LENGTHS.map((minutes) => `${minutes} min`.padStart(9)).join('')}`,
    line(
      'of 100 minutes full',
      full.map((one) => 100 * mean(one)),
      0,
    ),
    line('rows', rows.map(mean), 1),
    ...WEEK_RULES.flatMap((rule) => {
      const counts = broken.get(rule);
      return counts
        ? [
            line(
              rule,
              counts.map((count) => count / each),
              3,
            ),
          ]
        : [];
    }),
    `a week takes ${median(took).toFixed(0)} ms, one of twenty ${sorted[Math.floor(took.length * 0.95)].toFixed(0)} ms or more, at most ${Math.max(...took).toFixed(0)} ms`,
  ].join('\n'),
);
