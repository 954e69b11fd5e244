/**
 * How heavy the skills are that a student has begun and does not hold yet, for their own hand, in memory: each graded on a thread
 * once for a hand, however often its student plays.
 */
import type { TaughtHand } from '@finch/core/hands';
import type { Logger } from 'pino';
import type { StudentView } from '../students/states.service';
import type { SyllabusVersion } from '../syllabus/syllabus.service';
import { isClosed, type Work } from '../work/work';
import { begunSkills } from './too-hard';
import type { WeighedSkill } from './weigh';

export interface Weights {
  /** Of each student the skills begun that have grips, with the heaviest of them, as far as they are known by now. */
  readonly of: (views: readonly StudentView[]) => {
    readonly weighed: (readonly WeighedSkill[])[];
    /** Some are being graded. */
    readonly coming: boolean;
  };
  /** Counts up whenever what is known changed. */
  readonly changes: () => number;
}

/** Hands graded in one task. */
const AT_ONCE = 16;
/** By skill: its heaviest grip, null where it has none, 'coming' while it is graded. */
type Known = Map<string, WeighedSkill | 'coming' | null>;

export function makeWeights(work: Work, log: Logger): Weights {
  const byHand = new Map<string, Known>();
  const keys = new WeakMap<TaughtHand, string>();
  let changes = 0;
  const keyOf = ({ id }: SyllabusVersion, taught: TaughtHand): string => {
    let key = keys.get(taught);
    if (key === undefined)
      keys.set(taught, (key = JSON.stringify([id, taught.hand, taught.instrument, taught.pins])));
    return key;
  };
  const weigh = async (asked: readonly { view: StudentView; known: Known; missing: readonly string[] }[]) => {
    const [{ view }] = asked;
    const hands = asked.map(({ view: { taught }, missing }) => {
      const { hand, instrument, pins } = taught;
      return { hand, instrument, pins, skillIds: missing };
    });
    try {
      const found = await work.run('weigh', { syllabus: view.syllabus.content, hands });
      asked.forEach(({ known, missing }, i) => {
        for (const skillId of missing)
          known.set(skillId, found[i].find((one) => one.skillId === skillId) ?? null);
      });
    } catch (problem) {
      // Asked for again by the next Board.
      for (const { known, missing } of asked) for (const skillId of missing) known.delete(skillId);
      if (!isClosed(problem)) log.warn({ err: problem }, 'weighing grips');
    }
    changes++;
  };
  return {
    changes: () => changes,
    of: (views) => {
      const asked = views.map((view) => {
        const key = keyOf(view.syllabus, view.taught);
        let known = byHand.get(key);
        if (!known) byHand.set(key, (known = new Map()));
        return { key, view, known, begun: begunSkills(view) };
      });
      const used = new Set(asked.map(({ key }) => key));
      for (const key of byHand.keys()) if (!used.has(key)) byHand.delete(key);
      const missing = asked.flatMap(({ view, known, begun }) => {
        const some = begun.filter((skillId) => !known.has(skillId));
        for (const skillId of some) known.set(skillId, 'coming');
        return some.length ? [{ view, known, missing: some }] : [];
      });
      for (let i = 0; i < missing.length; i += AT_ONCE) void weigh(missing.slice(i, i + AT_ONCE));
      const told = asked.map(({ known, begun }) => begun.map((skillId) => known.get(skillId) ?? null));
      return {
        weighed: told.map((all) => all.flatMap((one) => (one === 'coming' || one === null ? [] : [one]))),
        coming: told.some((all) => all.includes('coming')),
      };
    },
  };
}
