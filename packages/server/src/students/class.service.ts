/** All skills by all students: what each holds now, from the same states as everywhere. */
import { MARK_BITS, routes, type ClassBody } from '@finch/contract';
import { MASTERY_STATES, type SkillState } from '@finch/core/mastery';
import type { DataSource } from 'typeorm';
import { need, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { inStudio } from '../platform/database';
import { makeFlight, type Flight } from '../platform/flight';
import { Prepared } from '../platform/http';
import { currentSyllabus } from '../syllabus/syllabus.service';
import type { States } from './states.service';

export interface ClassView {
  readonly read: (who: Who) => Promise<Prepared>;
}

/** The same for all who may see it: those who ask at once are answered at once. */
export function makeClassView(database: DataSource, clock: Clock, states: States): ClassView {
  const flights = new Map<string, Flight<Prepared>>();
  const bodyOf = (studioId: string): Promise<ClassBody> =>
    inStudio(database, studioId, async (manager) => {
      const { id, content } = await currentSyllabus(manager);
      const views = await states.viewAll(manager, studioId, clock.now());
      return {
        version: id,
        skills: content.skills.map((skill) => skill.id),
        students: views.map(({ record, state }) => ({
          id: record.id,
          name: record.name,
          // In hundreds, as every other place rounds it: rounded twice a number would differ from itself.
          chances: state.skills.map(({ chance }) => chance && Math.round(100 * chance.mean) / 100),
          states: state.skills.map((skill) => MASTERY_STATES.indexOf(skill.state)),
          marks: state.skills.map(marksOf),
        })),
      };
    });
  return {
    read: async (who) => {
      need(who, 'board.read');
      const { studioId } = who;
      let flight = flights.get(studioId);
      if (!flight)
        flights.set(
          studioId,
          (flight = makeFlight(async () => Prepared.of(routes.class, await bodyOf(studioId)))),
        );
      return flight.join();
    },
  };
}

const marksOf = ({ marks }: SkillState): number =>
  (marks.due ? MARK_BITS.due : 0) +
  (marks.slipping ? MARK_BITS.slipping : 0) +
  (marks.stuck ? MARK_BITS.stuck : 0);
