/** Server state by TanStack Query: one key for each thing read, read anew when takes arrived. */
import { routes } from '@finch/contract';
import { useQuery, type QueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { call } from './api';
import { copies } from './offline-copy';
import { useSeat } from './seat';

const COMING_MS = 1500;
const ASKED_MS = 60_000;

/** Of the whole studio: asked for by teachers alone, and only where it is wanted. */
export function useBoard(on: MaybeRefOrGetter<boolean> = true) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['board', seat.seat?.membershipId, seat.arrived]),
    queryFn: () => call(routes.board),
    enabled: computed(() => toValue(on) && seat.has('teacher', 'owner')),
    placeholderData: (before) => before,
    // What is being made is there in a moment.
    refetchInterval: ({ state }) =>
      state.data?.gradesComing || state.data?.lessons.some((one) => one.planComing) ? COMING_MS : false,
  });
}

export function useStudent(studentId: MaybeRefOrGetter<string | null>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['student', toValue(studentId), seat.seat?.membershipId, seat.arrived]),
    queryFn: () => call(routes.student, { params: { studentId: toValue(studentId) ?? '' } }),
    enabled: computed(() => toValue(studentId) !== null),
    placeholderData: (before) => (before?.id === toValue(studentId) ? before : undefined),
  });
}

/** What a parent asks about a student. */
export function useReport(studentId: MaybeRefOrGetter<string>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['report', toValue(studentId), seat.seat?.membershipId, seat.arrived]),
    queryFn: () => call(routes.report, { params: { studentId: toValue(studentId) } }),
  });
}

/** Why a skill's number is what it is; asked for when both are named. */
export function useWhy(studentId: MaybeRefOrGetter<string>, skillId: MaybeRefOrGetter<string | null>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => [
      'why',
      toValue(studentId),
      toValue(skillId),
      seat.seat?.membershipId,
      seat.arrived,
    ]),
    queryFn: () =>
      call(routes.why, { params: { studentId: toValue(studentId), skillId: toValue(skillId) ?? '' } }),
    enabled: computed(() => toValue(skillId) !== null),
  });
}

export function useSyllabus() {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['syllabus', seat.seat?.membershipId]),
    queryFn: () => call(routes.syllabus),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** All skills by all students; of the whole studio, asked for where it is wanted. */
export function useClass(on: MaybeRefOrGetter<boolean> = true) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['class', seat.seat?.membershipId, seat.arrived]),
    queryFn: () => call(routes.class),
    enabled: computed(() => toValue(on) && seat.has('teacher', 'owner')),
    placeholderData: (before) => before,
  });
}

/** What the studio's logs say a teacher should look at. */
export function useProgress() {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['progress', seat.seat?.membershipId, seat.arrived]),
    queryFn: () => call(routes.progress),
    placeholderData: (before) => before,
  });
}

/** Letters of the studio: those that wait, then the latest. */
export function useLettersOut() {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['letters', seat.seat?.membershipId, seat.arrived]),
    queryFn: () => call(routes.letters),
    placeholderData: (before) => before,
  });
}

export function useProposal(studentId: MaybeRefOrGetter<string | null>, minutes: MaybeRefOrGetter<number>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['proposal', toValue(studentId), toValue(minutes), seat.arrived]),
    queryFn: () =>
      call(routes.propose, {
        params: { studentId: toValue(studentId) ?? '' },
        body: { minutes: toValue(minutes), locked: [] },
      }),
    enabled: computed(() => toValue(studentId) !== null),
    // Of another student it would be taken for this one's.
    placeholderData: (before, query) => (query?.queryKey[1] === toValue(studentId) ? before : undefined),
  });
}

/** Title and concert of each piece of the repertoire, asked for where it is wanted. */
export function usePieceNames(on: MaybeRefOrGetter<boolean>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['pieces', seat.seat?.membershipId]),
    queryFn: () => call(routes.pieces),
    enabled: computed(() => toValue(on)),
    select: ({ pieces }) =>
      pieces
        .map(({ id, chart, concert }) => ({ id, concert, title: titleOf(chart) }))
        .sort((a, b) => a.title.localeCompare(b.title)),
  });
}
const titleOf = (chart: string): string => /^title:(.*)$/m.exec(chart)?.[1].trim() ?? '';

export function useLesson(lessonId: MaybeRefOrGetter<string | null>) {
  return useQuery({
    queryKey: computed(() => ['lesson', toValue(lessonId)]),
    queryFn: () => call(routes.lesson, { params: { lessonId: toValue(lessonId) ?? '' } }),
    enabled: computed(() => toValue(lessonId) !== null),
  });
}

export function usePractice(studentId: MaybeRefOrGetter<string | null>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['practice', toValue(studentId), seat.seat?.membershipId]),
    queryFn: () => {
      const of = toValue(studentId) ?? '';
      return copies.through(`practice ${of}`, () => call(routes.practice, { params: { studentId: of } }));
    },
    // Without a network it is asked all the same: the copy of this device answers.
    networkMode: 'always' as const,
    enabled: computed(() => toValue(studentId) !== null),
  });
}

/** What a check-up asks of a student, and what earlier ones heard. */
export function useCheckUpBody(studentId: MaybeRefOrGetter<string | null>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['check-up', toValue(studentId), seat.seat?.membershipId, seat.arrived]),
    queryFn: () => call(routes.checkUp, { params: { studentId: toValue(studentId) ?? '' } }),
    enabled: computed(() => toValue(studentId) !== null),
    placeholderData: (before) => (before?.student.id === toValue(studentId) ? before : undefined),
  });
}

/** The week that lies at a student's home, and what it rests on. */
export function useHomeworkBody(studentId: MaybeRefOrGetter<string | null>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['homework', toValue(studentId), seat.seat?.membershipId, seat.arrived]),
    queryFn: () => call(routes.homework, { params: { studentId: toValue(studentId) ?? '' } }),
    enabled: computed(() => toValue(studentId) !== null),
    placeholderData: (before) => (before?.student.id === toValue(studentId) ? before : undefined),
  });
}

/** What a student asked from the practice room, read again each minute: an answer comes while they sit there. */
export function useQuestions(studentId: MaybeRefOrGetter<string | null>) {
  const seat = useSeat();
  return useQuery({
    queryKey: computed(() => ['questions', toValue(studentId), seat.seat?.membershipId, seat.arrived]),
    queryFn: () => {
      const of = toValue(studentId) ?? '';
      return copies.through(`questions ${of}`, () => call(routes.questions, { params: { studentId: of } }));
    },
    networkMode: 'always' as const,
    enabled: computed(() => toValue(studentId) !== null),
    placeholderData: (before) => before,
    refetchInterval: ASKED_MS,
  });
}

/**
 * Reads anew what a write has changed. An answer still on its way was asked for before the write and would be taken for
 * fresh (a first read is not cancelled by invalidating it), so it is let go first.
 */
export async function readAnew(client: QueryClient, ...keys: readonly string[]): Promise<void> {
  await Promise.all(
    keys.map(async (key) => {
      await client.cancelQueries({ queryKey: [key] });
      await client.invalidateQueries({ queryKey: [key] });
    }),
  );
}
