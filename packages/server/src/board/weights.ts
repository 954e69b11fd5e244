/** How heavy each skill is for each student's hand, in memory: graded on a thread. */
import type { TaughtHand } from '@finch/core/hands';
import type { StudentView } from '../students/states.service';
import type { SyllabusVersion } from '../syllabus/syllabus.service';
import type { Work } from '../work/work';
import type { WeighedSkill } from './too-hard';

export interface Weights {
  readonly of: (views: readonly StudentView[]) => Promise<(readonly WeighedSkill[])[]>;
}

/** How heavy each skill is for each hand, graded on a thread once for a hand, however often its student plays. */
export function makeWeights(work: Work): Weights {
  const known = new Map<string, Promise<readonly WeighedSkill[]>>();
  const keys = new WeakMap<TaughtHand, string>();
  const keyOf = ({ id }: SyllabusVersion, taught: TaughtHand): string => {
    let key = keys.get(taught);
    if (key === undefined)
      keys.set(taught, (key = JSON.stringify([id, taught.hand, taught.instrument, taught.pins])));
    return key;
  };
  return {
    of: async (views) => {
      const asked = views.map((view) => ({ view, key: keyOf(view.syllabus, view.taught) }));
      const missing = new Map(asked.flatMap(({ view, key }) => (known.has(key) ? [] : [[key, view]])));
      const used = new Set(asked.map(({ key }) => key));
      for (const key of known.keys()) if (!used.has(key)) known.delete(key);
      const [first] = missing.values();
      if (first) {
        const hands = [...missing.values()].map(({ taught: { hand, instrument, pins } }) => ({
          hand,
          instrument,
          pins,
        }));
        const weighing = work.run('weigh', { syllabus: first.syllabus.content, hands });
        [...missing.keys()].forEach((key, i) => {
          const one = weighing.then((all) => all[i]);
          one.catch(() => known.delete(key));
          known.set(key, one);
        });
      }
      return Promise.all(asked.map(({ key }) => known.get(key) ?? []));
    },
  };
}
