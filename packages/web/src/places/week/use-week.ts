/** A week of lessons: which days, what is on each, who can be booked, and the lesson or the hour a booking is about. */
import { routes, type LessonHead } from '@finch/contract';
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { backForward, useKeys } from '../../app/keys';
import { call } from '../../session/api';
import { weekOf } from '../../session/clock-times';
import { useBoard } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { spanOf } from './week-grid';

const HOUR_MS = 3_600_000;
export type WeekLesson = LessonHead & { readonly name: string };

export function useWeek() {
  const seat = useSeat();
  const zone = computed(() => seat.studio?.timeZone ?? 'UTC');
  /** Weeks from this one. */
  const weeks = ref(0);
  const days = computed(() => weekOf(seat.now(), zone.value, weeks.value));
  const { data, error, isPending, refetch } = useQuery({
    queryKey: computed(() => ['lessons', days.value[0].toISOString(), seat.seat?.membershipId]),
    queryFn: () =>
      call(routes.lessons, { query: { from: days.value[0].toISOString(), to: days.value[7].toISOString() } }),
  });
  const { data: board } = useBoard();
  /** By the midnights of the zone, not of this machine. */
  const within = (at: number, day: number) =>
    at >= days.value[day].getTime() && at < days.value[day + 1].getTime();
  const span = computed(() => spanOf(data.value?.lessons ?? [], zone.value));
  const booking = ref(false);
  const chosen = ref<WeekLesson | null>(null);
  const from = ref(0);
  function book(at: number) {
    chosen.value = null;
    from.value = at;
    booking.value = true;
  }
  /** The next full hour of the week shown. */
  const nextHour = () => Math.ceil((Math.max(seat.now(), days.value[0].getTime()) + 1) / HOUR_MS) * HOUR_MS;
  useKeys('week', {
    week: backForward((by) => (weeks.value += by)),
    now: () => (weeks.value = 0),
    book: () => book(nextHour()),
  });
  return {
    zone,
    weeks,
    days,
    data,
    error,
    isPending,
    refetch,
    people: computed(() => board.value?.students.map(({ id, name }) => ({ id, name })) ?? []),
    span,
    hours: computed(() =>
      Array.from({ length: span.value.to - span.value.from + 1 }, (_, i) => span.value.from + i),
    ),
    booking,
    chosen,
    from,
    lessonsOf: (day: number): WeekLesson[] =>
      (data.value?.lessons ?? []).filter((lesson) => within(Date.parse(lesson.startsAt), day)),
    isToday: (day: number) => within(seat.now(), day),
    book,
    change: (lesson: WeekLesson) => {
      chosen.value = lesson;
      booking.value = true;
    },
    nextHour,
  };
}
