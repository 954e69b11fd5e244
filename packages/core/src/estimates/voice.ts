/**
 * A voice: the logit of a clean try as a sum of parts, each a small normal belief; what a row surprises by is shared among the
 * parts by their variance. Rasch 1960 (level less difficulty); Glickman 1999 (variance that grows while nobody plays); Pavlik
 * 2009 (rows and days of practice count by their logarithm); Minka 2001 (one surprise shared by Gaussian beliefs); Wixted 1991
 * (forgetting by a power of time); MacKay 1992 (the chance of a logit that is itself uncertain).
 */
import { logistic } from '../kernel/number';
import type { PracticeRow } from './row';
import { SHARED, type VoiceConstants } from './voices';

interface Belief {
  mean: number;
  variance: number;
}
const belief = (mean: number, variance: number): Belief => ({ mean, variance });

/** Whose a part of the number is, in the order in which it would be told. */
export type PartName =
  | 'everybody'
  | 'level'
  | 'skill'
  | 'item'
  | 'pair'
  | 'lately'
  | 'mood'
  | 'tempo'
  | 'tired'
  | 'practice'
  | 'away'
  | 'again'
  | 'first'
  | 'own';

interface Part {
  readonly name: PartName;
  readonly belief: Belief;
  readonly factor: number;
}
interface Student {
  readonly level: Belief;
  readonly speed: Belief;
  readonly gap: Belief;
  readonly tired: Belief;
  mood: Belief;
  /** Day the mood is of; null before the first. */
  day: number | null;
}
interface Item {
  readonly ease: Belief;
  readonly tempo: Belief;
  refBpm: number | null;
}
interface Skill {
  readonly ease: Belief;
  refBpm: number | null;
}
/** What practice left: of a skill, or of one item, for one student. */
interface Memory {
  rows: number;
  /** Null before the first row. */
  lastDay: number | null;
  stabilityDays: number;
}
interface Pair extends Memory {
  slow: Belief;
  fast: Belief;
  days: number;
  /** Rows of the last day. */
  today: number;
}
/** What is this student's with one item, beside what is theirs with its skill. */
interface Own extends Memory {
  readonly ease: Belief;
}

/** What a voice says of a row before it is played. */
export interface Said {
  /** Logit of a clean try, and its variance with that of the row. */
  readonly mean: number;
  readonly variance: number;
  /** Logit of the chance of a clean try. */
  readonly z: number;
  /** Share that was kept since the last row of this student and skill, 0 to 1; 1 before the first. */
  readonly recall: number;
  readonly parts: readonly Part[];
  readonly aged: {
    readonly student: Student;
    readonly pair: Pair;
    readonly own: Own;
    readonly mood: Belief;
    readonly isNewDay: boolean;
  };
}

export interface Voice {
  /** Reads only what is known; nothing is changed. */
  readonly say: (row: PracticeRow) => Said;
  /** Takes the outcome of a row in, of which `said` was just said. A row without tries says nothing. */
  readonly learn: (row: PracticeRow, said: Said) => void;
}

const kappa = (variance: number): number => 1 / Math.sqrt(1 + (Math.PI * variance) / 8);

export function makeVoice(k: VoiceConstants): Voice {
  const all = {
    start: belief(k.start, SHARED.vStart),
    tempo: belief(-k.tempo, k.vTempo),
    tired: belief(k.fatigue, k.vFatigue),
    rows: belief(k.wRows, k.vW),
    days: belief(k.wDays, k.vW),
    gap: belief(k.wGap, k.vGap),
    again: belief(k.wRep, k.vRep),
    first: belief(0, SHARED.vFirst),
  };
  const students = new Map<string, Student>();
  const skills = new Map<string, Skill>();
  const items = new Map<string, Item>();
  const pairs = new Map<string, Pair>();
  const owns = new Map<string, Own>();
  const ownRows = belief(0, k.vOwnRows);
  const ownGap = belief(0, k.vOwnGap);
  const nothingYet = (): Memory => ({ rows: 0, lastDay: null, stabilityDays: k.s0 });
  const studentOf = known(students, () => ({
    level: belief(0, k.vStudent),
    speed: belief(0, k.vRateS),
    gap: belief(0, k.vGapS),
    tired: belief(0, k.vFatigueS),
    mood: belief(0, k.vMood),
    day: null,
  }));
  const skillOf = known(skills, () => ({ ease: belief(0, k.vSkill), refBpm: null }));
  const itemOf = known(items, () => ({
    ease: belief(0, k.vItem),
    tempo: belief(0, k.vTempoItem),
    refBpm: null,
  }));
  const pairOf = known(pairs, () => ({
    slow: belief(0, k.vPair),
    fast: belief(0, k.vFast),
    days: 0,
    today: 0,
    ...nothingYet(),
  }));
  const ownOf = known(owns, () => ({ ease: belief(0, k.vOwn), ...nothingYet() }));

  const gapOf = ({ lastDay }: Memory, day: number) => (lastDay === null ? 0 : Math.max(0, day - lastDay));
  const recallOf = (memory: Memory, day: number) =>
    (1 + gapOf(memory, day) / (4 * memory.stabilityDays)) ** -k.gapPow;
  const forgotOf = (memory: Memory, day: number) => (memory.rows === 0 ? 0 : 1 - recallOf(memory, day));
  /** A row more; on another day it lasts longer, the more the more was forgotten and the cleaner it came back. */
  const practised = (memory: Memory, day: number, share: number): void => {
    if (gapOf(memory, day) > 0)
      memory.stabilityDays = Math.min(
        SHARED.mostStabilityDays,
        memory.stabilityDays * (1 + k.sGain * (1 - recallOf(memory, day)) * (0.4 + 0.6 * share)),
      );
    memory.lastDay = Math.max(day, memory.lastDay ?? day);
    memory.rows++;
  };

  /** Slow and fast parts as days without a row leave them: less sure, and the fast one nearly gone. */
  const agedPair = (pair: Pair, gap: number): Pair => {
    if (gap === 0) return pair;
    const e = Math.exp(-gap / k.tauFast);
    return {
      ...pair,
      slow: belief(
        pair.slow.mean,
        Math.min(SHARED.mostRegained * k.vPair, pair.slow.variance + k.qPair * gap),
      ),
      fast: belief(pair.fast.mean * e, pair.fast.variance * e * e + k.vFast * (1 - e * e)),
      today: 0,
    };
  };

  return {
    say: (row) => {
      const student = studentOf(row.student);
      const skill = skillOf(row.skill);
      const item = itemOf(row.item);
      const before = pairOf(pairKey(row));
      const pair = agedPair(before, gapOf(before, row.day));
      const own = ownOf(`${row.student}\n${row.item}`);
      const isNewDay = student.day !== row.day;
      const mood = isNewDay ? belief(0, k.vMood) : student.mood;
      const forgot = forgotOf(pair, row.day);
      const ref = item.refBpm ?? skill.refBpm ?? row.tempoBpm;
      const faster = row.tempoBpm === null || ref === null ? 0 : Math.log(row.tempoBpm / ref);
      const halfHours = row.minute / 30;
      const rows = Math.log(1 + pair.rows / k.nScale);
      const days = Math.log(1 + pair.days);
      const parts: Part[] = [
        { name: 'everybody', belief: all.start, factor: 1 },
        { name: 'level', belief: student.level, factor: 1 },
        { name: 'skill', belief: skill.ease, factor: 1 },
        { name: 'item', belief: item.ease, factor: 1 },
        { name: 'pair', belief: pair.slow, factor: 1 },
        { name: 'lately', belief: pair.fast, factor: 1 },
        { name: 'mood', belief: mood, factor: 1 },
        { name: 'tempo', belief: all.tempo, factor: faster },
        { name: 'tempo', belief: item.tempo, factor: faster },
        { name: 'tired', belief: all.tired, factor: halfHours },
        { name: 'tired', belief: student.tired, factor: halfHours },
        { name: 'practice', belief: all.rows, factor: rows },
        { name: 'practice', belief: all.days, factor: days },
        { name: 'practice', belief: student.speed, factor: rows + days },
        { name: 'away', belief: all.gap, factor: forgot },
        { name: 'away', belief: student.gap, factor: forgot },
        { name: 'again', belief: all.again, factor: Math.log(1 + pair.today) },
        { name: 'own', belief: own.ease, factor: 1 },
        { name: 'own', belief: ownRows, factor: Math.log(1 + own.rows / k.nScale) },
        { name: 'own', belief: ownGap, factor: forgotOf(own, row.day) },
        { name: 'first', belief: all.first, factor: pair.rows === 0 ? 1 : 0 },
      ];
      let [mean, variance] = [0, k.vRow];
      for (const part of parts) {
        mean += part.factor * part.belief.mean;
        variance += part.factor * part.factor * part.belief.variance;
      }
      return {
        mean,
        variance,
        z: mean * kappa(variance),
        recall: recallOf(pair, row.day),
        parts,
        aged: { student, pair, own, mood, isNewDay },
      };
    },

    learn: (row, { mean, variance, parts, aged: { student, pair, own, mood, isNewDay } }) => {
      const { tries, clean, day } = row;
      if (tries === 0) return;
      const share = clean / tries;
      if (isNewDay) {
        student.mood = mood;
        student.day = day;
      }
      if (pair.lastDay === null || day > pair.lastDay) {
        pair.days++;
        pair.today = 0;
      }
      pair.today++;
      pairs.set(pairKey(row), pair);
      if (row.tempoBpm !== null) {
        const skill = skillOf(row.skill);
        const item = itemOf(row.item);
        item.refBpm ??= skill.refBpm ?? row.tempoBpm;
        skill.refBpm ??= item.refBpm;
      }
      const { x, a } = posterior(mean, variance, clean, tries);
      const moved = (x - mean) / variance;
      const sure = (1 - a / variance) / variance;
      for (const { belief: one, factor } of parts) {
        const weight = one.variance * factor;
        if (weight === 0) continue;
        one.mean += weight * moved;
        one.variance = Math.max(SHARED.leastVariance, one.variance - weight * weight * sure);
      }
      pair.slow.mean += k.gainAny + k.gainClean * share;
      pair.fast.mean += k.fastGain;
      practised(pair, day, share);
      practised(own, day, share);
    },
  };
}

const pairKey = ({ student, skill }: PracticeRow): string => `${student}\n${skill}`;

/** Reads a map; what is not there yet is as nothing is known of it, and is put there. */
function known<V>(map: Map<string, V>, begin: () => V): (key: string) => V {
  return (key) => {
    const there = map.get(key);
    if (there) return there;
    const made = begin();
    map.set(key, made);
    return made;
  };
}

/** Mode of a normal logit after `clean` of `tries`, by Newton's steps, and the variance around it (Laplace). */
function posterior(mean: number, variance: number, clean: number, tries: number): { x: number; a: number } {
  let x = mean;
  for (let step = 0; step < SHARED.newtonSteps; step++) {
    const p = logistic(x);
    const slope = (mean - x) / variance + clean - tries * p;
    const by = slope / (1 / variance + tries * p * (1 - p));
    x += Math.max(-SHARED.newtonStep, Math.min(SHARED.newtonStep, by));
    if (Math.abs(by) < 1e-12) break;
  }
  const p = logistic(x);
  return { x, a: 1 / (1 / variance + tries * p * (1 - p)) };
}
