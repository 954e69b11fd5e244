/** What a lesson of the day is called at a glance. */
import type { BoardLesson } from '@finch/contract';
import { plural, timeText } from '../../words';

export interface LessonTag {
  readonly text: string;
  readonly look: '' | 'now' | 'over' | 'none' | 'pick' | 'ready';
}
/** A lesson further off than this is said by its time. */
const SOON_MINUTES = 100;

export const isOver = (lesson: Pick<BoardLesson, 'state'>): boolean =>
  lesson.state === 'taught' || lesson.state === 'written';

export function tagOf(lesson: BoardLesson, isNext: boolean, now: number, zone: string): LessonTag {
  if (lesson.state === 'written') return { text: 'written up', look: '' };
  if (lesson.state === 'taught') return { text: 'write-up owed', look: 'over' };
  if (lesson.state === 'running') return { text: 'under way', look: 'now' };
  if (lesson.pain.status === 'locked' || lesson.pain.status === 'stopped today')
    return { text: 'nothing is played', look: 'none' };
  if (isNext) {
    const minutes = Math.round((Date.parse(lesson.startsAt) - now) / 60_000);
    if (minutes < 0) return { text: 'now', look: 'now' };
    return {
      text: minutes < SOON_MINUTES ? `in ${minutes} min` : `at ${timeText(lesson.startsAt, zone)}`,
      look: 'now',
    };
  }
  if (lesson.planStanding === 'none')
    return { text: lesson.planComing ? 'no plan yet' : 'proposed', look: '' };
  if (lesson.planStanding === 'begun') return { text: 'plan not kept yet', look: 'pick' };
  if (lesson.planStanding === 'changed') return { text: 'changed since kept', look: 'pick' };
  return lesson.planMinutes > lesson.minutes
    ? { text: `${plural(lesson.planMinutes - lesson.minutes, 'minute')} over`, look: 'over' }
    : { text: 'plan kept', look: 'ready' };
}
