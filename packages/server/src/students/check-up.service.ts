/** The check-up of a term: the items of the last one again, for this hand, and what every term heard. */
import type { CheckUpBody } from '@finch/contract';
import { ageAt } from '@finch/core/hands';
import { checkUpItems } from '@finch/core/planning';
import type { DataSource } from 'typeorm';
import { need, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { inStudio } from '../platform/database';
import { checkUpsHeard } from '../practice/log.service';
import type { States } from './states.service';

/** Younger than this a hand grows: it is measured again each term (assumed). */
const GROWN = 16;

export interface CheckUps {
  readonly read: (who: Who, studentId: string) => Promise<CheckUpBody>;
}

export function makeCheckUps(database: DataSource, clock: Clock, states: States): CheckUps {
  return {
    read: async (who, studentId) => {
      need(who, 'take.log-heard', studentId);
      return inStudio(database, who.studioId, async (manager) => {
        const now = clock.now();
        const view = await states.view(manager, who.studioId, studentId, now);
        const before = await checkUpsHeard(manager, studentId, now);
        const { content } = view.syllabus;
        const names = new Map(content.skills.map((skill) => [skill.id, skill.name]));
        const named = <T extends { readonly skillId: string }>(one: T) => ({
          ...one,
          name: names.get(one.skillId) ?? one.skillId,
        });
        const age = ageAt(view.record.bornOn, now);
        const last = before.at(-1)?.heard ?? [];
        return {
          student: { id: studentId, name: view.record.name },
          taught: view.taught,
          pain: view.state.pain,
          handSince: view.hand.from,
          grows: age !== null && age < GROWN,
          items: checkUpItems(
            view.state,
            { syllabus: content, taught: view.taught, waived: view.record.waived },
            last,
          ).map(named),
          before: before.map(({ heard, ...one }) => ({ ...one, heard: heard.map(named) })),
        };
      });
    },
  };
}
