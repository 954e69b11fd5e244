/** The Board: the lessons of the day with one picked, the students in the order asked for, and where a lesson opens. */
import { useLocalStorage } from '@vueuse/core';
import { computed, watch } from 'vue';
import { useRouter } from 'vue-router';
import { forwardBack, useKeys } from '../../app/keys';
import { useWalk } from '../../app/walk';
import { useBench } from '../../session/bench';
import { useBoard } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { countText, dayText } from '../../words';
import { isOver } from './lesson-tags';
import { inOrder, type RowOrder } from './row-order';

const MINUTE_MS = 60_000;

export function useBoardDesk() {
  const { data, error, refetch } = useBoard();
  const router = useRouter();
  const bench = useBench();
  const seat = useSeat();
  const lessons = computed(() => data.value?.lessons ?? []);
  const { picked, step, row } = useWalk(() => lessons.value.length);
  /** The first lesson that is neither past nor over; -1 when the day is done. */
  const nextIndex = computed(() =>
    lessons.value.findIndex(
      (lesson) => Date.parse(lesson.startsAt) + lesson.minutes * MINUTE_MS > seat.now() && !isOver(lesson),
    ),
  );
  watch(nextIndex, (at) => (picked.value = Math.max(0, at)), { immediate: true });
  const order = useLocalStorage<RowOrder>('finch-board-order', 'needs');
  /** What is known of the day and no more: while it loads, nothing is claimed. */
  const heading = computed(() => {
    if (!data.value) return error.value ? 'The day could not be read' : 'Reading the day…';
    const { day, today } = data.value;
    const name = day === today || !day ? 'Today' : dayText(`${day}T12:00:00Z`, 'UTC');
    return `${name}, ${countText(lessons.value.length, 'lesson')}`;
  });
  function open(name: 'plan' | 'lesson' | 'write-up' | 'student', i = picked.value) {
    const lesson = lessons.value[i];
    if (!lesson) return;
    bench.put(lesson.studentId, lesson.id);
    void router.push(
      name === 'student'
        ? { name, params: { studentId: lesson.studentId } }
        : { name, params: { lessonId: lesson.id }, query: name === 'lesson' ? { start: 'now' } : {} },
    );
  }
  /** A student's page, with their lesson of the day on the bench where they have one. */
  function openStudent(id: string) {
    bench.put(id, lessons.value.find((lesson) => lesson.studentId === id)?.id ?? null);
    void router.push({ name: 'student', params: { studentId: id } });
  }
  useKeys(
    'board',
    {
      lesson: forwardBack(step),
      student: () => open('student'),
      plan: () => open('plan'),
      start: () => open('lesson'),
      writeUp: () => open('write-up'),
    },
    () => lessons.value.length > 0,
  );
  return {
    data,
    error,
    refetch,
    lessons,
    picked,
    row,
    zone: computed(() => data.value?.timeZone ?? 'UTC'),
    nextIndex,
    current: computed(() => lessons.value[picked.value] ?? null),
    order,
    students: computed(() => inOrder(data.value?.students ?? [], order.value)),
    heading,
    plansOwed: computed(
      () => lessons.value.filter((one) => one.planStanding !== 'kept' && one.state === 'booked').length,
    ),
    open,
    openStudent,
  };
}
