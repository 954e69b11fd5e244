/**
 * npm run bench:planner: twelve weeks of simulated students who practise what a policy says, at equal minutes, in worlds whose
 * truth no policy reads. Two questions: how many skills are truly held a week after; and, with a wish (6 to 14 skills on a day),
 * what share of it is held on that day. The planner's worth (`policy.ts`) against five others; means, paired differences with
 * their standard error, and who is worse off. `--students N` a world (50). Figures are printed, never asserted.
 */
import { mean, seededRandom, type Random } from '@finch/core/kernel';
import {
  PRACTICE_WORLDS,
  practiceItems,
  practiceStudent,
  type PracticeItem,
  type PracticeWorld,
  type TrueRow,
} from '@finch/core/simulation';
import { makePolicy, type Ask, type PolicySkill } from './policy';

const DAYS = 84;
const LATER = 7;
const BLOCKS = { home: 3, lesson: 6 };
const MINUTES_A_BLOCK = 5;
const ROWS_A_BLOCK = 2;
const TARGET_BPM = 70;
const HELD = 0.7;
/** A row of so many tries and so clean counts as having come clean once. */
const ONCE = { tries: 4, share: 0.8 };
const argument = process.argv.indexOf('--students');
const STUDENTS = argument < 0 ? 50 : Number(process.argv[argument + 1]);

/** What the log of one student and skill says to anybody. */
interface Seen {
  readonly lastDay: number;
  readonly lastShare: number;
  readonly everClean: boolean;
  /** Days running on which it came clean. */
  readonly streak: number;
}
type Log = ReadonlyMap<string, Seen>;
type Policy = (ask: Ask & { readonly log: Log; readonly random: Random }) => string[];

const isClean = (row: TrueRow) => row.tries >= ONCE.tries && row.clean / row.tries >= ONCE.share;
const index = (id: string) => Number(id.slice(1));
const inOrder = (ids: readonly string[]) => ids.toSorted((a, b) => index(a) - index(b));
const dueOf = ({ log, day }: { log: Log; day: number }, id: string): number => {
  const seen = log.get(id);
  return seen ? day - seen.lastDay - 2 ** seen.streak : Number.NEGATIVE_INFINITY;
};
const split = (ids: readonly string[], log: Log) => ({
  begun: ids.filter((id) => log.has(id) && !log.get(id)?.everClean),
  fresh: ids.filter((id) => !log.has(id)),
  once: ids.filter((id) => log.get(id)?.everClean),
});
const longestAgo = (ids: readonly string[], log: Log) =>
  ids.toSorted((a, b) => (log.get(a)?.lastDay ?? -1) - (log.get(b)?.lastDay ?? -1) || index(a) - index(b));

const syllabusOrder: Policy = ({ open, log }) => {
  const { begun, fresh, once } = split(open, log);
  return [...inOrder([...begun, ...fresh]), ...longestAgo(once, log)];
};
const randomFrontier: Policy = ({ open, log, random }) => {
  const { begun, fresh, once } = split(open, log);
  const shuffled = (ids: readonly string[]) =>
    ids
      .map((id) => ({ id, at: random.unit() }))
      .sort((a, b) => a.at - b.at)
      .map(({ id }) => id);
  return [...shuffled([...begun, ...fresh]), ...shuffled(once)];
};
const reviewWhenDue: Policy = (ask) => {
  const { begun, fresh, once } = split(ask.open, ask.log);
  const due = once.filter((id) => dueOf(ask, id) >= 0).sort((a, b) => dueOf(ask, b) - dueOf(ask, a));
  return [
    ...due,
    ...inOrder([...begun, ...fresh]),
    ...longestAgo(
      once.filter((id) => !due.includes(id)),
      ask.log,
    ),
  ];
};
const carefulTeacher: Policy = (ask) => {
  const { log } = ask;
  const { once } = split(ask.open, log);
  const slipped = once.filter((id) => (log.get(id)?.lastShare ?? 1) < 0.6);
  const rest = reviewWhenDue(ask).filter((id) => !slipped.includes(id));
  return [
    ...slipped.toSorted((a, b) => (log.get(a)?.lastShare ?? 0) - (log.get(b)?.lastShare ?? 0)),
    ...rest,
  ];
};
const wishFirst: Policy = (ask) => {
  const wished = new Set(ask.goals?.flatMap(({ skills }) => skills));
  const own = ask.open.filter((id) => wished.has(id));
  const { begun, fresh, once } = split(own, ask.log);
  const first = [...inOrder([...begun, ...fresh]), ...longestAgo(once, ask.log)];
  return first.length > 0 ? first : syllabusOrder(ask);
};

/** Each skill needs one or two of the eight before it; the first three need none. */
function graph(skills: number, random: Random): PolicySkill[] {
  return Array.from({ length: skills }, (_, i) => {
    const needs = new Set<string>();
    for (let n = i < 3 ? 0 : random.int(1, 2); n > 0; n--)
      needs.add(`k${random.int(Math.max(0, i - 8), i - 1)}`);
    return { id: `k${i}`, needs: [...needs] };
  });
}

/** A piece that needs 6 to 14 skills: one of the middle ones with all that leads to it. */
function wishOf(skills: readonly PolicySkill[], random: Random): string[] {
  for (let tries = 0; tries < 200; tries++) {
    const wanted = new Set([`k${random.int(6, 26)}`]);
    for (const id of wanted) for (const need of skills[index(id)].needs) wanted.add(need);
    if (wanted.size >= 6 && wanted.size <= 14) return inOrder([...wanted]);
  }
  throw new Error('no wish in this graph');
}

interface Outcome {
  readonly held: number;
  readonly wish: number;
}

/** The same students, days and forms whatever the policy; what they play is what it says. */
function livedBy(
  world: PracticeWorld,
  seed: number,
  policyOf: (skills: PolicySkill[]) => Policy,
  wishing: boolean,
): Outcome[] {
  const random = seededRandom(seed);
  const items = practiceItems(random.fork('items'));
  const ofSkill = new Map<string, PracticeItem[]>();
  for (const item of items) ofSkill.set(`k${item.skill}`, [...(ofSkill.get(`k${item.skill}`) ?? []), item]);
  const skills = graph(ofSkill.size, random.fork('graph'));
  const policy = policyOf(skills);
  const rows: TrueRow[] = [];
  const students = Array.from({ length: STUDENTS }, (_, i) => ({
    id: `s${i}`,
    one: practiceStudent(world, items, `s${i}`, random.fork(`s${i}`)),
    days: random.fork(`days ${i}`),
    chooses: random.fork(`chooses ${i}`),
    lessonDay: i % 7,
    log: new Map<string, Seen>(),
    next: new Map<string, number>(),
    goals: [{ skills: wishOf(skills, random.fork(`wish ${i}`)), day: DAYS }],
  }));
  const wish: number[] = [];
  const held = (one: (typeof students)[number]['one'], id: string, day: number) =>
    mean(
      (ofSkill.get(id) ?? []).map((item: PracticeItem) =>
        one.chance(item, day, item.seconds === null ? null : TARGET_BPM),
      ),
    ) >= HELD;
  for (let day = 0; day < DAYS; day++) {
    for (const { id, one, days, chooses, lessonDay, log, next, goals } of students) {
      const [practises, form] = [days.unit() < one.diligence, Math.exp(days.normal(0, world.form))];
      const lesson = day % 7 === lessonDay;
      if (!practises && !lesson) continue;
      const open = skills.flatMap((skill) =>
        log.has(skill.id) || skill.needs.every((need) => log.get(need)?.everClean) ? [skill.id] : [],
      );
      const asked = policy({
        student: id,
        day,
        open,
        rows,
        log,
        random: chooses,
        ...(wishing ? { goals } : {}),
      });
      const blocks = lesson ? BLOCKS.lesson : BLOCKS.home;
      for (let block = 0; block < blocks; block++) {
        const skill = asked[block % asked.length];
        const own = ofSkill.get(skill) ?? [];
        for (let row = 0; row < ROWS_A_BLOCK; row++) {
          const turn = next.get(skill) ?? 0;
          next.set(skill, turn + 1);
          const minute = block * MINUTES_A_BLOCK + (row * MINUTES_A_BLOCK) / ROWS_A_BLOCK;
          const played = one.play(own[turn % own.length], day, minute, form);
          rows.push(played);
          const before = log.get(skill);
          const clean = isClean(played);
          const newDay = !before || before.lastDay < day;
          log.set(skill, {
            lastDay: day,
            lastShare: played.clean / played.tries,
            everClean: (before?.everClean ?? false) || clean,
            streak: clean ? (before?.streak ?? 0) + (newDay ? 1 : 0) : 0,
          });
        }
      }
    }
  }
  for (const { one, goals } of students)
    wish.push(mean(goals[0].skills.map((id) => (held(one, id, DAYS) ? 1 : 0))));
  return students.map(({ one }, i) => ({
    held: skills.filter(({ id }) => held(one, id, DAYS + LATER)).length,
    wish: wish[i],
  }));
}

const plain = (policy: Policy) => () => policy;
const ours = (skills: PolicySkill[]): Policy =>
  makePolicy({ skills, minutes: BLOCKS.lesson * MINUTES_A_BLOCK });
const POLICIES: readonly (readonly [string, (skills: PolicySkill[]) => Policy, boolean])[] = [
  ['syllabus order', plain(syllabusOrder), false],
  ['random frontier', plain(randomFrontier), false],
  ['review when due', plain(reviewWhenDue), false],
  ['careful teacher', plain(carefulTeacher), false],
  ['wish first', plain(wishFirst), true],
  ['the planner, no wish', ours, false],
  ['the planner, with the wish', ours, true],
];

const outcomes = new Map(
  POLICIES.map(([name, policy, wishing]) => [
    name,
    PRACTICE_WORLDS.map((world, w) => livedBy(world, 9100 + w, policy, wishing)),
  ]),
);
const all = (name: string) => (outcomes.get(name) ?? []).flat();
const sd = (values: readonly number[]) => {
  const middle = mean(values);
  return Math.sqrt(mean(values.map((value) => (value - middle) ** 2)));
};
const shown = (value: number, digits = 2) => value.toFixed(digits);
console.log(
  `${all('syllabus order').length} students of ${PRACTICE_WORLDS.length} worlds, ${DAYS} days, ${BLOCKS.home} blocks a day and ${BLOCKS.lesson} in a lesson`,
);
console.log(
  `${''.padEnd(28)}${'held'.padStart(8)}${'spread'.padStart(8)}${'of wish'.padStart(9)}   held by world`,
);
for (const [name] of POLICIES) {
  const each = all(name);
  const worlds = (outcomes.get(name) ?? []).map((world) => shown(mean(world.map(({ held }) => held)), 1));
  console.log(
    `${name.padEnd(28)}${shown(mean(each.map(({ held }) => held))).padStart(8)}${shown(sd(each.map(({ held }) => held))).padStart(8)}${`${shown(100 * mean(each.map(({ wish }) => wish)), 1)} %`.padStart(9)}   ${worlds.join('  ')}`,
  );
}
function against(one: string, other: string, of: (outcome: Outcome) => number, unit: string): void {
  const [a, b] = [all(one), all(other)];
  const differences = a.map((outcome, i) => of(outcome) - of(b[i]));
  const error = sd(differences) / Math.sqrt(differences.length);
  const worse = differences.filter((difference) => difference < 0).length;
  const half = a.filter((outcome, i) => of(b[i]) > 0 && of(outcome) < of(b[i]) / 2).length;
  console.log(
    `${one} against ${other}: ${differences.length ? shown(mean(differences)) : '-'} +- ${shown(error)} ${unit}; worse off ${worse}, under half ${half}`,
  );
}
for (const other of ['syllabus order', 'random frontier', 'review when due', 'careful teacher'])
  against('the planner, no wish', other, ({ held }) => held, 'skills held');
against('the planner, with the wish', 'wish first', ({ wish }) => 100 * wish, 'points of the wish');
