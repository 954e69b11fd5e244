<script setup lang="ts">
/** The house: its bar, who is on the bench, the place, the keys, and what it says of what was done. */
import { useLocalStorage } from '@vueuse/core';
import { BButton } from 'bootstrap-vue-next';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { RouterView, useRoute, useRouter } from 'vue-router';
import HouseDialog from '../furniture/HouseDialog.vue';
import { useBench } from '../session/bench';
import { chordInHand, wayOf, WAYS_FOR_A_CHORD } from '../session/chord-in-hand';
import { useNotices } from '../session/notices';
import { useStudent } from '../session/queries';
import { useSeat } from '../session/seat';
import { useSchoolOfPage } from '../session/schools';
import { dayText, sayProblem, timeText } from '../words';
import AppHeader from './AppHeader.vue';
import BenchStrip from './BenchStrip.vue';
import KeyStrip from './KeyStrip.vue';
import KeysDialog from './KeysDialog.vue';
import NoticeBar from './NoticeBar.vue';
import PrintHead from './PrintHead.vue';
import { listenToKeys, useKeys } from './keys';
import { afterPaint } from './stages';

const seat = useSeat();
const bench = useBench();
const notices = useNotices();
const route = useRoute();
const router = useRouter();
const evening = useLocalStorage('finch-evening', false);
const help = ref(false);
const outboxOpen = ref(false);
const clock = ref(seat.now());
setInterval(() => (clock.value = seat.now()), 10_000);

watch(evening, (on) => document.documentElement.setAttribute('data-bs-theme', on ? 'dark' : 'light'), {
  immediate: true,
});
listenToKeys();
useSchoolOfPage(() => (seat.teaches ? bench.studentId : (seat.seat?.studentId ?? null)));
/** Places a chord was taken to, the last at the end: Backspace leads back from those and from no other, so that nobody leaves a take or a lesson by it. */
const trail: string[] = [];
const toWay = (at: number) => {
  const chord = chordInHand();
  const way = WAYS_FOR_A_CHORD[at];
  if (!seat.teaches) return;
  if (chord) {
    trail.push(way);
    void router.push(wayOf(way, chord));
  } else
    notices.tell(
      'No chord is in hand here. Pick one in Shapes, Changes, Harmony, Pieces or Drills, or a block with a grip.',
    );
};
useKeys('house', {
  all: () => (help.value = true),
  chord: toWay,
  back: () => {
    if (trail.at(-1) !== route.name) return;
    trail.pop();
    router.back();
  },
  lamp: () => (evening.value = !evening.value),
  undo: () => {
    const undo = notices.notice?.acts.find((act) => act.undo);
    if (undo) void notices.act(undo);
  },
});

const bare = computed(() => route.meta.bare === true || route.name === undefined);
const when = computed(() => {
  const zone = seat.studio?.timeZone ?? 'UTC';
  return `${dayText(clock.value, zone).replace(/^(\w{3})\w*/, '$1')} · ${timeText(clock.value, zone)}`;
});
const WITH_BENCH = [
  'student',
  'plan',
  'shapes',
  'changes',
  'harmony',
  'drills',
  'write-up',
  'homework',
  'studio',
];
const showStrip = computed(() => WITH_BENCH.includes(String(route.name)));

/** The window is called by its place and by whoever is on the bench there. */
const { data: onBench } = useStudent(() => (seat.teaches ? bench.studentId : null));
const PERSONAL = [
  'student',
  'plan',
  'lesson',
  'shapes',
  'changes',
  'harmony',
  'drills',
  'write-up',
  'homework',
];
const personal = computed(() => PERSONAL.includes(String(route.name)));
watch(
  [() => route.name, () => onBench.value?.name],
  ([name, student]) => {
    const who = student && PERSONAL.includes(String(name)) ? ` · ${student}` : '';
    document.title = `${route.meta.title ?? 'Zealous Finch'}${who} · Zealous Finch`;
  },
  { immediate: true },
);

/** The place before goes in one frame and the new one comes in the next, so that no press waits for both. */
const standing = ref(route.name);
watch(
  () => route.name,
  () => afterPaint(() => (standing.value = route.name)),
);
/** After a change of place the work goes on in it: the focus leaves the bar. */
const place = useTemplateRef<HTMLElement>('place');
let first = true;
router.afterEach((to, from) => {
  if (first || to.name === from.name) {
    first = false;
    return;
  }
  void nextTick(() => {
    if (!place.value?.contains(document.activeElement)) place.value?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
  });
});
/** A browser remembers that a script could not be had, so asking again loads the page anew, once the server answers. */
function notLoaded(title: string, path: string) {
  notices.trouble(`${title} could not be loaded: the server did not answer.`, [
    {
      label: 'Try again',
      run: () =>
        fetch(path, { method: 'HEAD' }).then(
          () => window.location.assign(path),
          () => notLoaded(title, path),
        ),
    },
  ]);
}
router.onError((_problem, to) => notLoaded(to.meta.title, to.fullPath));

async function standUp() {
  await seat.standUp();
  bench.clear();
  await router.push({ name: 'sit' });
}
</script>

<template>
  <div class="house" :class="{ bare }">
    <PrintHead
      :title="route.meta.title ?? ''"
      :name="personal ? (onBench?.name ?? '') : ''"
      :day="dayText(clock, seat.studio?.timeZone ?? 'UTC')"
      :studio="seat.studio?.name ?? ''"
    />
    <a class="skip" href="#place" @click.prevent="place?.focus()">Skip to the place</a>
    <AppHeader
      v-if="!bare"
      class="head"
      :evening="evening"
      :when="when"
      @lamp="evening = !evening"
      @help="help = true"
      @leave="standUp"
    />
    <BenchStrip v-if="!bare && showStrip" class="bench-strip" />
    <main id="place" ref="place" class="place" tabindex="-1" :aria-label="route.meta.title">
      <RouterView v-slot="{ Component }">
        <component :is="Component" v-if="Component && standing === route.name" :key="String(route.name)" />
      </RouterView>
    </main>
    <KeyStrip class="keys" @refused="outboxOpen = true" />
    <NoticeBar />
    <KeysDialog v-model="help" />
    <HouseDialog v-model="outboxOpen" title="Takes the server refused">
      <ul class="refusals">
        <li v-for="record in seat.refused" :key="record.id">
          <strong>{{ record.label }}</strong>
          <p class="note">{{ record.problem ? sayProblem(record.problem) : '' }}</p>
          <BButton size="sm" variant="outline-secondary" @click="seat.putAway(record.id)">Put away</BButton>
        </li>
      </ul>
    </HouseDialog>
  </div>
</template>

<style scoped>
.house {
  height: 100%;
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr) auto;
  grid-template-columns: minmax(0, 1fr);
  grid-template-areas: 'head' 'bench' 'place' 'keys';
}
.house.bare {
  grid-template-rows: minmax(0, 1fr) auto;
  grid-template-areas: 'place' 'keys';
}
.head {
  grid-area: head;
}
.bench-strip {
  grid-area: bench;
}
.keys {
  grid-area: keys;
}
.place {
  grid-area: place;
  min-height: 0;
  min-width: 0;
  padding: var(--space-2);
  outline: none;
  position: relative;
}
.place > :deep(*) {
  height: 100%;
}
.skip {
  position: absolute;
  left: 8px;
  top: -100px;
  z-index: 1050;
  background: var(--sheet);
  color: var(--ink);
  padding: var(--space-2) var(--space-4);
  border: 2px solid var(--crown);
}
.skip:focus {
  top: 8px;
}
.refusals li {
  border-bottom: 1px solid var(--line);
  padding: var(--space-2) 0;
}
/* Where there is no room for boxes that scroll inside, the page does. */
@media (max-width: 1199px), (max-height: 599px) {
  .house {
    height: auto;
    min-height: 100%;
    grid-template-rows: auto auto 1fr auto;
  }
  .house.bare {
    grid-template-rows: 1fr auto;
  }
  .place > :deep(*) {
    height: auto;
    min-height: 0;
  }
}
@media print {
  .head,
  .bench-strip,
  .skip {
    display: none !important;
  }
  .house,
  .place,
  .place > :deep(*) {
    display: block;
    height: auto;
    padding: 0;
  }
  .refusals {
    display: none;
  }
}
</style>
