/** All skills by all students: what each holds now, from the same states as everywhere. */
import { MARK_BITS, type ClassBody } from '@finch/contract';
import { MASTERY_STATES, type SkillState } from '@finch/core/mastery';
import type { DataSource } from 'typeorm';
import { need, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { inStudio } from '../platform/database';
import { currentSyllabus } from '../syllabus/syllabus.service';
import type { States } from './states.service';

export interface ClassView {
  readonly read: (who: Who) => Promise<ClassBody>;
}

export function makeClassView(database: DataSource, clock: Clock, states: States): ClassView {
  return {
    read: async (who) => {
      need(who, 'board.read');
      return inStudio(database, who.studioId, async (manager) => {
        const { id, content } = await currentSyllabus(manager);
        const views = await states.viewAll(manager, who.studioId, clock.now());
        return {
          version: id,
          skills: content.skills.map((skill) => skill.id),
          students: views.map(({ record, state }) => ({
            id: record.id,
            name: record.name,
            chances: state.skills.map(({ chance }) => chance && Math.round(1000 * chance.mean) / 1000),
            states: state.skills.map((skill) => MASTERY_STATES.indexOf(skill.state)),
            marks: state.skills.map(marksOf),
          })),
        };
      });
    },
  };
}

const marksOf = ({ marks }: SkillState): number =>
  (marks.due ? MARK_BITS.due : 0) +
  (marks.slipping ? MARK_BITS.slipping : 0) +
  (marks.stuck ? MARK_BITS.stuck : 0);
