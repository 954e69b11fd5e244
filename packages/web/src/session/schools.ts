/** The schools that hold for whoever is on the bench or sits: read for the whole page, apart from what they teach a hand. */
import { routes, type SchoolsBody } from '@finch/contract';
import { useQuery } from '@tanstack/vue-query';
import { computed, toValue, watch, type MaybeRefOrGetter } from 'vue';
import { holdSchool } from '../words/school';
import { call } from './api';
import { useSeat } from './seat';

/** The layers of schools for a student, or of whoever sits when nobody is on the bench. */
export function useSchools(studentId: MaybeRefOrGetter<string | null>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['schools', toValue(studentId), seat.seat?.membershipId]),
    queryFn: () => {
      const student = toValue(studentId);
      return call(routes.schools, { query: student ? { student } : {} });
    },
    enabled: computed(
      () => seat.has('teacher', 'owner') || (seat.seat !== null && toValue(studentId) !== null),
    ),
    placeholderData: (before: SchoolsBody | undefined) => before,
  });
}

/** Holds the school of whoever is on the bench for the whole page; called once, by the house. */
export function useSchoolOfPage(studentId: MaybeRefOrGetter<string | null>): void {
  const { data } = useSchools(studentId);
  watch(data, (now) => now && holdSchool(now.holds), { immediate: true });
}
