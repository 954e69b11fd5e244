/** The practice room: today's cards, the one on the stand, the drill it makes for this hand, and what of it was played. */
import type { PracticeBody, PracticeCard } from '@finch/contract';
import { makeDrill, type Drill } from '@finch/core/drills';
import { allowedHand, staysOpen } from '@finch/core/mastery';
import { dayReader } from '@finch/core/mastery';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useBench } from '../../session/bench';
import { useDrafts } from '../../session/drafts';
import { usePractice } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { holdSchool } from '../../words/school';
import { insteadOf, useCardEase } from './use-card-ease';

/** The cards for a day: an answer of the day before, kept on this device, has tomorrow's too. */
const cardsOf = (body: PracticeBody | undefined, now: number): readonly PracticeCard[] =>
  body && body.day < dayReader(body.timeZone)(now) ? body.tomorrow : (body?.cards ?? []);

const PLAYING_ENDS: readonly string[] = ['stopped today', 'locked'];

export function usePracticeRoom() {
  const seat = useSeat();
  const bench = useBench();
  const router = useRouter();
  const studentId = computed(() => seat.seat?.studentId ?? null);
  const { data, error, refetch } = usePractice(studentId);
  const at = ref(0);
  /** Pain was reported on this device just now: the server may not know yet. */
  const hurtsNow = ref(false);
  /** Pain that was reported before ends playing here too. */
  const painStops = computed(() => hurtsNow.value || PLAYING_ENDS.includes(data.value?.pain.status ?? ''));
  const handAllowed = computed(() =>
    data.value && !hurtsNow.value
      ? allowedHand(data.value.pain, data.value.taught.instrument.leftHanded)
      : null,
  );
  const ease = useCardEase(
    // What is heard or named stays: no hand plays in it.
    () =>
      cardsOf(data.value, seat.now()).filter(
        ({ recipe }) => !painStops.value || staysOpen(recipe, handAllowed.value),
      ),
    () => data.value?.taught ?? null,
    useDrafts(),
    () => new Date(seat.now()).toDateString(),
  );
  const { cards } = ease;
  const card = computed(() => cards.value[at.value] ?? null);
  const context = computed(() => data.value?.taught ?? null);
  const drill = computed<Drill | null>(() => {
    if (!card.value || !context.value) return null;
    const made = makeDrill(card.value.recipe, context.value);
    return made.ok ? made.value : null;
  });
  // What may be done instead is laid out by the server once it knows.
  watch(
    () => seat.arrived,
    () => painStops.value && void refetch(),
  );
  watch(data, (now) => now && holdSchool(now.taught.school), { immediate: true });
  /** Minutes of the cards in which a take was kept: a card that was skipped was not played. */
  const played = ref<ReadonlySet<string>>(new Set());
  const minutesSoFar = computed(() =>
    ease.all.value.reduce(
      (sum, one) =>
        sum + (played.value.has(one.key) || played.value.has(insteadOf(one.key)) ? one.minutes : 0),
      0,
    ),
  );
  async function leave() {
    if (seat.teaches) return router.push({ name: 'student', params: { studentId: studentId.value ?? '' } });
    await seat.standUp();
    bench.clear();
    await router.push({ name: 'sit' });
  }
  return {
    handAllowed,
    seat,
    studentId,
    data,
    error,
    refetch,
    at,
    cards,
    card,
    context,
    drill,
    minutesSoFar,
    playedCards: computed(() => played.value.size),
    painStops,
    /** Playing ends now; what may be done instead begins with its first card. */
    stopPlaying: () => {
      hurtsNow.value = true;
      played.value = new Set();
      at.value = 0;
    },
    ease,
    wasPlayed: () => {
      if (card.value) played.value = new Set([...played.value, card.value.key]);
    },
    go: (to: number) => {
      at.value = Math.min(Math.max(0, to), cards.value.length);
      window.scrollTo({ top: 0 });
    },
    leave,
  };
}

export type PracticeRoom = ReturnType<typeof usePracticeRoom>;
