/**
 * How heavy the skills are that a student has begun and does not hold yet, for their own hand, in memory: each graded on a thread
 * once for a hand, however often its student plays.
 */
import type { TaughtHand } from '@finch/core/hands';
import type { StudentView } from '../students/states.service';
import type { SyllabusVersion } from '../syllabus/syllabus.service';
import type { Work } from '../work/work';
import { begunSkills, type WeighedSkill } from './too-hard';

export interface Weights {
  /** Of each student the skills begun that have grips, with the heaviest of them. */
  readonly of: (views: readonly StudentView[]) => Promise<(readonly WeighedSkill[])[]>;
}

/** Hands graded in one task. */
const AT_ONCE = 16;
type Known = Map<string, Promise<WeighedSkill | null>>;

export function makeWeights(work: Work): Weights {
  const byHand = new Map<string, Known>();
  const keys = new WeakMap<TaughtHand, string>();
  const keyOf = ({ id }: SyllabusVersion, taught: TaughtHand): string => {
    let key = keys.get(taught);
    if (key === undefined)
      keys.set(taught, (key = JSON.stringify([id, taught.hand, taught.instrument, taught.pins])));
    return key;
  };
  const weigh = (asked: readonly { view: StudentView; known: Known; missing: readonly string[] }[]) => {
    const [{ view }] = asked;
    const hands = asked.map(({ view: { taught }, missing }) => {
      const { hand, instrument, pins } = taught;
      return { hand, instrument, pins, skillIds: missing };
    });
    const weighing = work.run('weigh', { syllabus: view.syllabus.content, hands });
    asked.forEach(({ known, missing }, i) => {
      missing.forEach((skillId) => {
        const one = weighing.then((all) => all[i].find((skill) => skill.skillId === skillId) ?? null);
        one.catch(() => known.delete(skillId));
        known.set(skillId, one);
      });
    });
  };
  return {
    of: async (views) => {
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
        return some.length ? [{ view, known, missing: some }] : [];
      });
      for (let i = 0; i < missing.length; i += AT_ONCE) weigh(missing.slice(i, i + AT_ONCE));
      return Promise.all(
        asked.map(async ({ known, begun }) =>
          (await Promise.all(begun.map((skillId) => known.get(skillId)))).flatMap((one) => one ?? []),
        ),
      );
    },
  };
}
