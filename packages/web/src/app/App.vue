<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { BButton, BModal } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router';
import IconLamp from '~icons/bi/lightbulb';
import IconLeave from '~icons/bi/box-arrow-right';
import { useBench } from '../session/bench';
import { useSeat } from '../session/seat';
import { useSchoolOfPage } from '../session/taught';
import BenchStrip from './BenchStrip.vue';
import FinchMark from './FinchMark.vue';
import NoticeBar from './NoticeBar.vue';
import { keyHints, listenToKeys, useKeys, useLetters } from './keys';
import { sayProblem } from '../words';

const seat = useSeat();
const bench = useBench();
const route = useRoute();
const router = useRouter();
const evening = useLocalStorage('finch-evening', false);
const letters = useLetters();
const help = ref(false);
const outboxOpen = ref(false);
const clock = ref(seat.now());
setInterval(() => (clock.value = seat.now()), 10_000);

watch(evening, (on) => document.documentElement.setAttribute('data-bs-theme', on ? 'dark' : 'light'), {
  immediate: true,
});
listenToKeys();
useSchoolOfPage(() => (seat.teaches ? bench.studentId : (seat.seat?.studentId ?? null)));
useKeys([
  { key: 'l', does: 'lamp (evening)', run: () => (evening.value = !evening.value), quiet: true },
  { key: '?', does: 'all keys', run: () => (help.value = true) },
]);

const phases = computed(() => {
  const mine = (place: string, name: string, label = place) => ({ place, label, to: { name } });
  const own = seat.has('self-taught') && !seat.has('teacher', 'owner');
  const before = own
    ? [
        {
          place: 'Students',
          label: 'My bench',
          to: { name: 'student', params: { studentId: seat.seat?.studentId ?? '' } },
        },
        mine('Plan', 'plan'),
        mine('Pieces', 'pieces'),
      ]
    : [mine('Board', 'board'), mine('Students', 'students'), mine('Plan', 'plan'), mine('Pieces', 'pieces')];
  const after = own
    ? [mine('Write-up', 'write-up'), mine('Practice', 'practice', 'Practice room')]
    : [mine('Write-up', 'write-up')];
  return [
    { name: 'Before', links: before },
    {
      name: 'During',
      links: [
        mine('Lesson', 'lesson'),
        mine('Shapes', 'shapes'),
        mine('Changes', 'changes'),
        mine('Drills', 'drills'),
      ],
    },
    { name: 'After', links: after },
  ];
});
const guardian = computed(() => seat.has('guardian') && !seat.teaches);
const bare = computed(() => route.meta.bare === true || route.name === undefined);
const zone = computed(() => seat.studio?.timeZone ?? 'UTC');
const dateText = computed(() =>
  new Date(clock.value).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'long',
    timeZone: zone.value,
  }),
);
const timeText = computed(() =>
  new Date(clock.value).toLocaleTimeString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone.value,
  }),
);
const strip = computed(() => {
  const hints = keyHints().filter((hint) => !hint.quiet);
  return [...hints.filter((hint) => hint.key !== '?'), ...hints.filter((hint) => hint.key === '?')];
});
const showStrip = computed(() =>
  ['student', 'plan', 'shapes', 'changes', 'drills', 'write-up', 'studio'].includes(String(route.name)),
);

async function standUp() {
  await seat.standUp();
  bench.clear();
  await router.push({ name: 'sit' });
}
const shown = (key: string) =>
  key === ' '
    ? 'Space'
    : key.length === 1
      ? key.toUpperCase()
      : key
          .replace('Arrow', '')
          .replace('Up', '↑')
          .replace('Down', '↓')
          .replace('Left', '←')
          .replace('Right', '→')
          .replaceAll('+', ' ');
</script>

<template>
  <div class="house" :class="{ bare }">
    <a class="visually-hidden" href="#place">Skip to the place</a>
    <header v-if="!bare" class="app-header">
      <RouterLink class="brand display" to="/"><FinchMark /> Zealous Finch</RouterLink>
      <nav v-if="!guardian" aria-label="Places" class="phases">
        <div v-for="phase in phases" :key="phase.name" class="phase">
          <div class="phase-name">{{ phase.name }}<span class="ticks" aria-hidden="true" /></div>
          <ul>
            <li v-for="link in phase.links" :key="link.place">
              <RouterLink
                :to="link.to"
                :class="{ here: route.meta.place === link.place }"
                :aria-current="route.meta.place === link.place ? 'page' : undefined"
              >
                {{ link.label }}
              </RouterLink>
            </li>
          </ul>
        </div>
      </nav>
      <div class="right">
        <span class="when">{{ dateText }} · {{ timeText }}</span>
        <RouterLink
          v-if="seat.teaches"
          class="plain studio-link"
          :class="{ here: route.meta.place === 'Studio' }"
          :to="{ name: 'studio' }"
          >Studio</RouterLink
        >
        <button class="plain" type="button" :title="`${seat.seat?.name}: stand up`" @click="standUp">
          <IconLeave aria-hidden="true" /> {{ seat.seat?.name.split(' ')[0] }}
        </button>
        <button
          class="plain"
          type="button"
          :aria-pressed="evening"
          aria-label="Lamp: evening theme"
          @click="evening = !evening"
        >
          <IconLamp aria-hidden="true" />
        </button>
        <button class="plain help" type="button" aria-label="All keys" @click="help = true">?</button>
      </div>
    </header>
    <BenchStrip v-if="!bare && showStrip" class="bench-strip" />
    <main id="place" class="place" tabindex="-1">
      <RouterView v-slot="{ Component }">
        <component :is="Component" v-if="Component" :key="String(route.name)" />
      </RouterView>
    </main>
    <footer class="key-strip">
      <ul>
        <li v-for="hint in strip" :key="hint.key + hint.does">
          <kbd>{{ hint.shown ?? shown(hint.key) }}</kbd> {{ hint.does }}
        </li>
      </ul>
      <div class="status" role="status" aria-live="polite">
        <button v-if="seat.refused.length" type="button" class="state refused" @click="outboxOpen = true">
          {{ seat.refused.length }} take{{ seat.refused.length > 1 ? 's' : '' }} refused: why?
        </button>
        <span v-if="seat.awaySince" class="state"
          >server away since {{ seat.awaySince }} · {{ seat.waiting }} take{{
            seat.waiting === 1 ? '' : 's'
          }}
          kept here</span
        >
        <span v-else-if="seat.waiting" class="state"
          >{{ seat.waiting }} take{{ seat.waiting > 1 ? 's' : '' }} on the way</span
        >
      </div>
    </footer>

    <NoticeBar v-if="!bare || seat.seat" />
    <BModal v-model="help" title="All keys" no-footer>
      <dl class="all-keys">
        <template v-for="hint in keyHints()" :key="hint.key + hint.does"
          ><dt>
            <kbd>{{ hint.shown ?? shown(hint.key) }}</kbd>
          </dt>
          <dd>{{ hint.does }}</dd></template
        >
      </dl>
      <label class="note"><input v-model="letters" type="checkbox" /> Single letters act as keys</label>
    </BModal>
    <BModal v-model="outboxOpen" title="Takes the server refused" no-footer>
      <ul class="refusals">
        <li v-for="record in seat.refused" :key="record.id">
          <strong>{{ record.label }}</strong>
          <p class="note">{{ record.problem ? sayProblem(record.problem) : '' }}</p>
          <BButton size="sm" variant="outline-secondary" @click="seat.putAway(record.id)">Put away</BButton>
        </li>
      </ul>
    </BModal>
  </div>
</template>

<style>
.house {
  height: 100%;
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr) 26px;
  grid-template-areas: 'head' 'bench' 'place' 'keys';
}
.house.bare {
  grid-template-rows: minmax(0, 1fr) 26px;
  grid-template-areas: 'place' 'keys';
}
.app-header {
  grid-area: head;
  height: 52px;
  background: var(--wing);
  color: var(--wing-ink);
  display: flex;
  align-items: stretch;
  padding: 0 12px;
  gap: 24px;
}
.app-header :focus-visible {
  outline-color: var(--wingbar);
}
.brand {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 18px;
  color: var(--wing-ink);
  text-decoration: none;
  white-space: nowrap;
}
.phases {
  display: flex;
  gap: 20px;
  flex: 1;
}
.phase {
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
}
.phase-name {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 12.5px;
  line-height: 16px;
  color: var(--wing-label);
}
.ticks {
  flex: 1;
  height: 5px;
  background: repeating-linear-gradient(90deg, #aebac2 0 1px, transparent 1px 8px);
  opacity: 0.55;
}
.phase ul {
  display: flex;
  gap: 0;
}
.phase a {
  display: block;
  padding: 3px 8px 8px;
  margin-left: -6px;
  margin-right: 6px;
  font-size: 14px;
  font-weight: 500;
  line-height: 20px;
  color: var(--wing-ink);
  text-decoration: none;
  border-bottom: 5px solid transparent;
  white-space: nowrap;
}
.phase a:hover {
  border-bottom-color: #55626c;
}
.phase a.here {
  font-weight: 700;
  border-bottom-color: var(--wingbar);
}
.right {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 12px;
  font-size: 14px;
}
.when {
  color: var(--wing-label);
  white-space: nowrap;
}
.plain {
  background: none;
  border: 0;
  color: var(--wing-ink);
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 32px;
  padding: 0 4px;
  font-weight: 600;
}
.studio-link {
  align-self: center;
  text-decoration: none;
}
.studio-link.here {
  box-shadow: inset 0 -4px 0 var(--wingbar);
}
.plain.help {
  border: 1px solid var(--wing-label);
  border-radius: 2px;
  width: 22px;
  min-height: 22px;
  justify-content: center;
  font-family: var(--mono);
  padding: 0;
}
.bench-strip {
  grid-area: bench;
}
.place {
  grid-area: place;
  min-height: 0;
  padding: 8px;
  outline: none;
  position: relative;
}
.place > * {
  height: 100%;
}
.key-strip {
  grid-area: keys;
  display: flex;
  justify-content: space-between;
  gap: 12px;
  border-top: 1px solid var(--line);
  background: var(--bench);
  padding: 0 16px;
  align-items: center;
  overflow: hidden;
}
.key-strip ul {
  display: flex;
  gap: 18px;
  font-size: 12.5px;
  line-height: 22px;
  color: var(--ink2);
  white-space: nowrap;
  overflow: hidden;
}
.key-strip kbd {
  display: inline-block;
  line-height: 17px;
}
.status {
  display: flex;
  gap: 8px;
  white-space: nowrap;
}
.state {
  font-size: 12.5px;
  background: var(--sheet);
  border: 0;
  border-radius: 2px;
  padding: 1px 8px;
  color: var(--ink);
}
.state.refused {
  background: var(--wash-mask);
  text-decoration: underline;
}
.all-keys {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 14px;
  margin-bottom: 12px;
  font-size: 14px;
}
.all-keys dd {
  margin: 0;
}
.refusals li {
  border-bottom: 1px solid var(--line);
  padding: 8px 0;
}
@media (max-width: 991px) {
  /* Two rows: who sits here and the tools stay in reach; the places scroll by themselves where they must. */
  .app-header {
    height: auto;
    min-height: 52px;
    flex-wrap: wrap;
    gap: 0 12px;
  }
  .brand,
  .right {
    min-height: 44px;
  }
  .phases {
    order: 3;
    flex: 1 0 100%;
    overflow-x: auto;
    min-width: 0;
  }
  .when {
    display: none;
  }
}
@media (max-width: 600px) {
  .key-strip ul {
    display: none;
  }
  .key-strip {
    padding: 0 8px;
  }
}
</style>
