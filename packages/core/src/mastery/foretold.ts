/**
 * How well takes were foretold. Before each take of a skill the model says how likely it comes clean at that tempo, on that drill;
 * what came is laid beside it, in classes of ten (a reliability diagram: Murphy and Winkler 1977), with the log loss of what was said
 * and that of a plain running mean. Numbers one after the other, of a bounded size however many takes there are.
 */
import { clamp } from '../kernel/number';
import { cleanChance, type Belief } from './ability';
import { DAY_MS, MASTERY } from './constants';

const CLASSES = 10;
const FIELDS = 3;
const TOTALS = CLASSES * FIELDS;
/** A chance nobody is held to be surer of than this: one take can never cost more than ln 100. */
const SUREST = 0.99;
/** A class is called too hopeful or too modest from so many takes on, and so many standard errors off (our assumption). */
const TELLING = { takes: 30, errors: 2, share: 0.03 } as const;

/** Ten times takes, sum of what was said, clean ones; then the log losses of the model and of the running mean. */
export type Foretold = readonly number[];
export const NOTHING_FORETOLD: Foretold = Array.from({ length: TOTALS + 2 }, () => 0);

const loss = (said: number, clean: boolean): number => {
  const p = clamp(said, 1 - SUREST, SUREST);
  return -Math.log(clean ? p : 1 - p);
};

/** With one more take: `said` was its chance of coming clean, 0 to 1. */
export function withTake(before: Foretold, said: number, clean: boolean): Foretold {
  const after = [...before];
  const { takes, cleanTakes } = counted(before);
  const at = Math.min(CLASSES - 1, Math.floor(said * CLASSES)) * FIELDS;
  after[at]++;
  after[at + 1] += said;
  if (clean) after[at + 2]++;
  after[TOTALS] += loss(said, clean);
  after[TOTALS + 1] += loss((cleanTakes + 1) / (takes + 2), clean);
  return after;
}

/** What several students were foretold, in one. */
export const together = (all: readonly Foretold[]): Foretold =>
  NOTHING_FORETOLD.map((_, i) => all.reduce((sum, one) => sum + one[i], 0));

function counted(one: Foretold): { takes: number; cleanTakes: number } {
  let [takes, cleanTakes] = [0, 0];
  for (let i = 0; i < TOTALS; i += FIELDS) [takes, cleanTakes] = [takes + one[i], cleanTakes + one[i + 2]];
  return { takes, cleanTakes };
}

export interface HeldClass {
  readonly takes: number;
  /** Mean of what was said, and the share that came clean, 0 to 1, with the 80 % interval of the latter (Wilson 1927). */
  readonly said: number;
  readonly came: number;
  readonly low: number;
  readonly high: number;
  /** Which way it was off, where there are enough takes to tell. */
  readonly off: 'hopeful' | 'modest' | null;
}

export interface Held {
  readonly takes: number;
  /** Classes that hold any take, from the least likely on. */
  readonly classes: readonly HeldClass[];
  /** Mean log loss a take, in nats; null before the first. */
  readonly logLoss: number | null;
  readonly runningMean: number | null;
}

export function heldOf(one: Foretold): Held {
  const { takes } = counted(one);
  const classes = Array.from({ length: CLASSES }, (_, i) => one.slice(i * FIELDS, (i + 1) * FIELDS))
    .filter(([count]) => count > 0)
    .map(([count, said, clean]) => heldClass(count, said / count, clean / count));
  const mean = (sum: number) => (takes === 0 ? null : sum / takes);
  return { takes, classes, logLoss: mean(one[TOTALS]), runningMean: mean(one[TOTALS + 1]) };
}

function heldClass(takes: number, said: number, came: number): HeldClass {
  const z2 = MASTERY.interval ** 2;
  const centre = (came + z2 / (2 * takes)) / (1 + z2 / takes);
  const half =
    (MASTERY.interval / (1 + z2 / takes)) * Math.sqrt((came * (1 - came)) / takes + z2 / (4 * takes ** 2));
  const error = Math.sqrt((said * (1 - said)) / takes);
  const gap = came - said;
  const telling = takes >= TELLING.takes && Math.abs(gap) >= Math.max(TELLING.share, TELLING.errors * error);
  return {
    takes,
    said,
    came,
    low: centre - half,
    high: centre + half,
    off: telling ? (gap < 0 ? 'hopeful' : 'modest') : null,
  };
}

/** One skill on one day: what was said of its takes, and what came. */
export interface DaySaid {
  readonly skillId: string;
  readonly day: string;
  /** The last take of the day, ms since 1970. */
  readonly at: number;
  /** What was believed when the day began, and the load that days away added, logits. */
  readonly belief: Belief;
  readonly away: number;
  readonly takes: number;
  readonly clean: number;
  /** Sums over its takes: chance said, and how unsure the model was of it (one standard deviation). */
  readonly said: number;
  readonly unsure: number;
}

/**
 * Days that are looked back on; takes of a day from which it may surprise; how unlikely what came was, and how far from what was
 * said it must lie to be worth a word (our assumptions).
 */
const SURPRISE = { days: 7, keptDays: 14, takes: 3, chance: 0.025, share: 0.3 } as const;
/** Doubt of an ability is never told as less: it keeps the law below within what numbers hold. */
const LEAST_DOUBT = 0.001;

/** A take of a skill as it stood when the take began; `load` is of the take itself, logits. */
interface TakeSaid extends Pick<DaySaid, 'skillId' | 'day' | 'at' | 'belief' | 'away'> {
  readonly load: number;
  readonly clean: boolean;
}

/**
 * With one more take of a skill, and without days that are past telling. Every take of a day is held against what was believed
 * when it began: what the first of them teaches is what surprises.
 */
export function withDaySaid(before: readonly DaySaid[], take: TakeSaid): readonly DaySaid[] {
  const { skillId, day, at, load, clean } = take;
  const same = (one: DaySaid) => one.skillId === skillId && one.day === day;
  const known = before.find(same);
  const { belief, away } = known ?? take;
  const chance = cleanChance(belief, load + away);
  return [
    ...before.filter((one) => !same(one) && one.at > at - SURPRISE.keptDays * DAY_MS),
    {
      skillId,
      day,
      at,
      belief,
      away,
      takes: (known?.takes ?? 0) + 1,
      clean: (known?.clean ?? 0) + (clean ? 1 : 0),
      said: (known?.said ?? 0) + chance.mean,
      unsure: (known?.unsure ?? 0) + (chance.high - chance.low) / (2 * MASTERY.interval),
    },
  ];
}

export interface Surprise {
  readonly skillId: string;
  readonly at: number;
  readonly takes: number;
  readonly clean: number;
  /** Shares, 0 to 1: said of its takes (with the 80 % band of it), and what came. */
  readonly said: number;
  readonly low: number;
  readonly high: number;
  readonly came: number;
  /** Chance of as few, or as many, by what was believed, 0 to 1. */
  readonly chance: number;
}

/**
 * Days of the last week on which a skill went far otherwise than was said, the most surprising first. What was believed is one
 * ability with its doubt, so that the clean takes of a day follow a beta-binomial law (Skellam 1948) of that mean and spread.
 */
export function surprisesOf(days: readonly DaySaid[], now: number): Surprise[] {
  return days
    .filter(({ at, takes }) => at <= now && at > now - SURPRISE.days * DAY_MS && takes >= SURPRISE.takes)
    .flatMap(({ skillId, at, takes, clean, said, unsure }) => {
      const mean = said / takes;
      const doubt = unsure / takes;
      const came = clean / takes;
      const chance = tail(takes, clean, mean, Math.max(LEAST_DOUBT, doubt));
      if (chance > SURPRISE.chance || Math.abs(came - mean) < SURPRISE.share) return [];
      const half = MASTERY.interval * doubt;
      return [
        {
          skillId,
          at,
          takes,
          clean,
          said: mean,
          low: clamp(mean - half, 0, 1),
          high: clamp(mean + half, 0, 1),
          came,
          chance,
        },
      ];
    })
    .sort((a, b) => a.chance - b.chance);
}

/** Chance of as few clean takes as came, where fewer came than said, else of as many: `doubt` is a standard deviation of the mean. */
function tail(takes: number, clean: number, mean: number, doubt: number): number {
  const m = clamp(mean, 1 - SUREST, SUREST);
  // The beta of that mean and spread; a spread as wide as a coin's own is the widest there is.
  const size = Math.max(0.1, (m * (1 - m)) / doubt ** 2 - 1);
  const [a, b] = [m * size, (1 - m) * size];
  let one = 1;
  for (let i = 0; i < takes; i++) one *= (b + i) / (a + b + i);
  let sum = 0;
  const few = clean / takes < m;
  for (let k = 0; k <= takes; k++) {
    if (few ? k <= clean : k >= clean) sum += one;
    one *= ((takes - k) * (a + k)) / ((k + 1) * (b + takes - k - 1));
  }
  return sum;
}
