/**
 * Worlds of practice logs without grips: a truth to judge estimators of P(clean) by, never read by them. A try comes clean when
 * the hand reaches, memory has it, it is in time and nothing slips: four chances that multiply, each with a mechanism of
 * its own (a wall at the hand's reach, two traces that fade by different laws, seconds against the beat, the form of a day).
 * No sum of logits says the same. All numbers are assumptions; `docs/models/simulation.md`.
 */
import type { PracticeRow } from '../estimates/row';
import { clamp, logistic } from '../kernel/number';
import { seededRandom, type Random } from '../kernel/random';

export interface TrueRow extends PracticeRow {
  /** Chance of this world that one try of the row comes clean. */
  readonly chance: number;
}

export interface PracticeWorld {
  readonly name: string;
  /** Log spread of the form of a day. */
  readonly form: number;
  /** Understanding comes in jumps instead of bit by bit. */
  readonly jumps: boolean;
  /** Chance a session follows that one is cut short or missed for weeks. */
  readonly breaks: number;
}
export const PRACTICE_WORLDS: readonly PracticeWorld[] = [
  { name: 'steady', form: 0.25, jumps: false, breaks: 0.01 },
  { name: 'moody', form: 0.8, jumps: false, breaks: 0.01 },
  { name: 'jumps', form: 0.35, jumps: true, breaks: 0.01 },
  { name: 'holidays', form: 0.35, jumps: false, breaks: 0.06 },
];

const SKILLS = 40;
const ITEMS_A_SKILL = 3;
const WITHOUT_TEMPO = 0.4;
const WORKING = 4;

/** What is played: of a skill, by its place among them. */
export interface PracticeItem {
  readonly id: string;
  readonly skill: number;
  /** Reach it asks, where 1 is what a grown hand has. */
  readonly reach: number;
  /** Seconds a grown hand of some years takes; null where there is no tempo. */
  readonly seconds: number | null;
}
interface Trace {
  quick: number;
  lasting: number;
  stabilityDays: number;
  lastDay: number;
}
interface Hand {
  readonly reach: number;
  readonly learning: number;
  readonly keeping: number;
  readonly slip: number;
  readonly slowness: number;
  readonly diligence: number;
}

const QUICK_DAYS = 1.6;
const FADE_POWER = 0.5;
const SPACING = 1.45;
const MOST_STABILITY_DAYS = 120;
const CARRIED = 0.4;

/** Three items of each of forty skills, ever further for a hand. */
export function practiceItems(random: Random): PracticeItem[] {
  return Array.from({ length: SKILLS * ITEMS_A_SKILL }, (_, i) => {
    const skill = Math.floor(i / ITEMS_A_SKILL);
    const timed = skill % 5 >= 5 * WITHOUT_TEMPO;
    return {
      id: `i${i}`,
      skill,
      reach: clamp(0.35 + (0.5 * skill) / SKILLS + random.normal(0, 0.12), 0.1, 1.2),
      seconds: timed ? 0.5 * Math.exp(random.normal(0, 0.3)) : null,
    };
  });
}

const makeHand = (random: Random): Hand => ({
  reach: clamp(0.9 + random.normal(0, 0.14), 0.5, 1.3),
  learning: 0.1 + 0.22 * random.unit(),
  keeping: Math.exp(random.normal(0, 0.35)),
  slip: 0.02 + 0.1 * random.unit(),
  slowness: Math.exp(random.normal(0, 0.3)),
  diligence: 0.25 + 0.5 * random.unit(),
});

/** A student of a world, who plays what somebody chooses. The truth stands beside what is logged. */
export interface PracticeStudent {
  /** Share of days on which there is practice. */
  readonly diligence: number;
  /** The truth: chance of a clean try of an item on a day, rested, in middling form, at a tempo (null: none). */
  readonly chance: (item: PracticeItem, day: number, tempoBpm: number | null) => number;
  /** One row of tries at the tempo that is next for this item; it teaches. @param form of the day, 1 in the middle */
  readonly play: (item: PracticeItem, day: number, minute: number, form: number) => TrueRow;
}

/** Equal arguments give an equal student, who plays the same where the same is chosen. */
export function practiceStudent(
  world: PracticeWorld,
  items: readonly PracticeItem[],
  student: string,
  random: Random,
): PracticeStudent {
  const hand = makeHand(random);
  const traces = new Map<string, Trace>();
  const understood = new Set<number>();
  const tempos = new Map<string, number>();

  const lastingOf = (trace: Trace, day: number) =>
    trace.lasting *
    (1 + Math.max(0, day - trace.lastDay) / (trace.stabilityDays * hand.keeping)) ** -FADE_POWER;
  const quickOf = (trace: Trace, day: number) =>
    trace.quick * Math.exp(-Math.max(0, day - trace.lastDay) / QUICK_DAYS);
  const memory = (item: PracticeItem, day: number): number => {
    const own = traces.get(item.id);
    const kin = items
      .filter((one) => one.skill === item.skill && one.id !== item.id)
      .map((one) => traces.get(one.id))
      .map((trace) => (trace ? lastingOf(trace, day) : 0));
    const lasting = Math.max(own ? lastingOf(own, day) : 0, CARRIED * Math.max(0, ...kin));
    const missing = (1 - lasting) * (1 - (own ? quickOf(own, day) : 0));
    const known = 0.15 + 0.85 * (1 - missing);
    return world.jumps && !understood.has(item.skill) ? Math.min(known, 0.45) : known;
  };
  const chanceOf = (
    item: PracticeItem,
    day: number,
    minute: number,
    tempoBpm: number | null,
    form: number,
  ): number => {
    const known = memory(item, day);
    const reaches = logistic((hand.reach - item.reach) / 0.06);
    const tired = 1 + 0.03 * Math.max(0, minute - 15);
    const holds = Math.exp(-hand.slip * form * tired * (1 + 2 * item.reach));
    if (tempoBpm === null || item.seconds === null) return reaches * holds * known;
    const needed = item.seconds * hand.slowness * (1 + 0.9 * (1 - known));
    return reaches * holds * (0.3 + 0.7 * known) * logistic(Math.log(60 / tempoBpm / needed) / 0.16);
  };
  const learn = (item: PracticeItem, day: number, share: number): void => {
    const known = traces.get(item.id) ?? { quick: 0, lasting: 0, stabilityDays: 2.5, lastDay: day };
    const gain = hand.learning * (0.4 + 0.6 * share);
    const [quick, lasting] = [quickOf(known, day), lastingOf(known, day)];
    const newDay = day > known.lastDay || known.lasting === 0;
    traces.set(item.id, {
      quick: quick + 0.5 * (1 - quick),
      lasting: lasting + gain * (1 - lasting),
      stabilityDays: Math.min(MOST_STABILITY_DAYS, known.stabilityDays * (newDay ? SPACING : 1)),
      lastDay: day,
    });
    if (world.jumps && random.unit() < 0.06) understood.add(item.skill);
  };
  return {
    diligence: hand.diligence,
    chance: (item, day, tempoBpm) => chanceOf(item, day, 0, tempoBpm, 1),
    play: (item, day, minute, form) => {
      const asked =
        item.seconds === null ? null : (tempos.get(item.id) ?? Math.round(50 + 30 * random.unit()));
      const chance = clamp(chanceOf(item, day, minute, asked, form), 0.001, 0.999);
      const tries = random.int(2, 12);
      const clean = Array.from({ length: tries }, () => random.unit()).filter((u) => u < chance).length;
      learn(item, day, clean / tries);
      if (asked !== null)
        tempos.set(
          item.id,
          clamp(asked + (clean / tries > 0.85 ? 5 : clean / tries < 0.5 ? -7 : 0), 30, 180),
        );
      return {
        student,
        skill: `k${item.skill}`,
        item: item.id,
        day,
        minute,
        tempoBpm: asked,
        tries,
        clean,
        chance,
      };
    },
  };
}

/** One student's weeks. A teacher without insight asks for a few items in work, some old ones and now and then the next skill. */
function live(
  world: PracticeWorld,
  items: readonly PracticeItem[],
  student: string,
  days: number,
  random: Random,
): TrueRow[] {
  const { diligence, play } = practiceStudent(world, items, student, random);
  const lastShare = new Map<string, number>();
  const begun: PracticeItem[] = [];
  const rows: TrueRow[] = [];
  let awayUntil = 0;
  for (let day = 0; day < days; day++) {
    if (day < awayUntil || random.unit() > diligence) continue;
    if (random.unit() < world.breaks) awayUntil = day + random.int(10, 30);
    const form = Math.exp(random.normal(0, world.form));
    const working = begun.filter((item) => (lastShare.get(item.id) ?? 0) < 0.85);
    if (working.length < WORKING && begun.length < items.length) {
      const next = items[begun.length];
      begun.push(next);
      working.push(next);
    }
    const old = begun.filter((item) => !working.includes(item));
    const today = [
      ...working.slice(0, WORKING),
      ...(old.length ? Array.from({ length: random.int(1, 3) }, () => random.pick(old)) : []),
    ];
    let minute = 0;
    for (const item of today) {
      for (let again = random.int(1, 3); again > 0; again--) {
        const row = play(item, day, minute, form);
        rows.push(row);
        lastShare.set(item.id, row.clean / row.tries);
        minute += random.int(2, 4);
      }
    }
  }
  return rows;
}

/** The log of a studio in the order it was played; equal arguments give the same rows. `days` counted from 0. */
export function practiceLog(world: PracticeWorld, students: number, days: number, seed: number): TrueRow[] {
  const random = seededRandom(seed);
  const items = practiceItems(random.fork('items'));
  const lives = Array.from({ length: students }, (_, i) =>
    live(world, items, `s${i}`, days, random.fork(`s${i}`)),
  );
  return lives
    .flatMap((rows, i) => rows.map((row, at) => ({ row, i, at })))
    .sort((a, b) => a.row.day - b.row.day || a.i - b.i || a.at - b.at)
    .map(({ row }) => row);
}
