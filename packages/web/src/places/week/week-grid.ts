/** Where a lesson lies on the sheet of a week: hours down, and side by side where two overlap. */
import type { LessonHead } from '@finch/contract';
import { clockTime } from '../../session/clock-times';

type Timed = Pick<LessonHead, 'id' | 'startsAt' | 'minutes'>;
interface Span {
  readonly from: number;
  /** The last hour shown begins here. */
  readonly to: number;
}
/** Hours shown when nothing is booked (our assumption of a teacher's day). */
const USUAL: Span = { from: 9, to: 19 };

/** Hours since midnight by the clock of the zone. */
function hoursOf(at: string, zone: string): number {
  const [hours, minutes] = clockTime(at, zone).time.split(':').map(Number);
  return hours + minutes / 60;
}

/** Whole hours that hold every lesson of the week. */
export function spanOf(lessons: readonly Timed[], zone: string): Span {
  if (lessons.length === 0) return USUAL;
  const starts = lessons.map((lesson) => hoursOf(lesson.startsAt, zone));
  const ends = lessons.map((lesson, i) => Math.min(24, starts[i] + lesson.minutes / 60));
  return {
    from: Math.floor(Math.min(...starts)),
    to: Math.max(...ends.map((end) => Math.ceil(end) - 1)),
  };
}

/** Which of how many lanes a lesson takes among those of its day. */
export function laneIn(lesson: Timed, day: readonly Timed[]): { lane: number; lanes: number } {
  const end = (one: Timed) => Date.parse(one.startsAt) + one.minutes * 60_000;
  const at = Date.parse(lesson.startsAt);
  const together = day
    .filter((one) => Date.parse(one.startsAt) < end(lesson) && end(one) > at)
    .sort((a, b) => a.startsAt.localeCompare(b.startsAt) || a.id.localeCompare(b.id));
  return { lane: together.findIndex((one) => one.id === lesson.id), lanes: together.length };
}

const HOUR_PX = 84;

export function laneOf(
  lesson: Timed,
  day: readonly Timed[],
  span: Span,
  zone: string,
): Readonly<Record<'top' | 'height' | 'left' | 'width', string>> {
  const { lane, lanes } = laneIn(lesson, day);
  return {
    top: `${(hoursOf(lesson.startsAt, zone) - span.from) * HOUR_PX}px`,
    height: `${Math.max(40, (lesson.minutes / 60) * HOUR_PX)}px`,
    left: `${(100 * lane) / lanes}%`,
    width: `${100 / lanes}%`,
  };
}
