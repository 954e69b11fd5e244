/** The group of the student on the bench, or the one last looked at, with what the server says of each of its members. */
import { routes } from '@finch/contract';
import { useQueries } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import { computed, watch, type Ref } from 'vue';
import { call } from './api';
import { useBoard } from './queries';
import { useSeat } from './seat';

export interface OnBench {
  readonly id: string;
  readonly name: string;
  readonly groups: readonly string[];
}

export function useGroupBodies(student: Readonly<Ref<OnBench | null | undefined>>) {
  const seat = useSeat();
  const { data: board } = useBoard();
  const groups = computed(() => [...new Set((board.value?.students ?? []).flatMap((one) => one.groups))]);
  /** The group last looked at stays when somebody outside it comes to the bench. */
  const last = useLocalStorage('finch-group', '');
  const group = computed(
    () =>
      student.value?.groups[0] ??
      (groups.value.includes(last.value) ? last.value : (groups.value[0] ?? null)),
  );
  watch(
    () => student.value?.groups[0],
    (own) => own && (last.value = own),
    { immediate: true },
  );
  const members = computed(() => {
    const name = group.value;
    if (name !== null) return (board.value?.students ?? []).filter((one) => one.groups.includes(name));
    return student.value ? [{ id: student.value.id, name: student.value.name }] : [];
  });
  const bodies = useQueries({
    queries: computed(() =>
      members.value.map((one) => ({
        queryKey: ['student', one.id, seat.seat?.membershipId, seat.arrived],
        queryFn: () => call(routes.student, { params: { studentId: one.id } }),
      })),
    ),
  });
  const known = computed(() => bodies.value.flatMap(({ data }) => (data ? [data] : [])));
  return { group, members, known };
}
