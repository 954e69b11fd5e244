<script setup lang="ts">
/** The bar: places by their phase of the day, who sits, and the tools of the house. On a phone it folds into one button. */
import { useMediaQuery } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import IconLamp from '~icons/bi/lightbulb';
import IconLeave from '~icons/bi/box-arrow-right';
import IconMenu from '~icons/bi/list';
import { useSeat } from '../session/seat';
import FinchMark from './FinchMark.vue';

defineProps<{ evening: boolean; when: string }>();
const emit = defineEmits<{ lamp: []; help: []; leave: [] }>();
const seat = useSeat();
const route = useRoute();
const guardian = computed(() => seat.has('guardian') && !seat.teaches);
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
        mine('Syllabus', 'syllabus'),
        mine('Pieces', 'pieces'),
      ]
    : [
        mine('Board', 'board'),
        mine('Week', 'week'),
        mine('Students', 'students'),
        mine('Plan', 'plan'),
        mine('Syllabus', 'syllabus'),
        mine('Pieces', 'pieces'),
      ];
  const after = own
    ? [
        mine('Write-up', 'write-up'),
        mine('Homework', 'homework'),
        mine('Practice', 'practice', 'Practice room'),
      ]
    : [mine('Write-up', 'write-up'), mine('Homework', 'homework'), mine('Progress', 'progress')];
  const during = [
    mine('Lesson', 'lesson'),
    mine('Shapes', 'shapes'),
    mine('Changes', 'changes'),
    mine('Harmony', 'harmony'),
    mine('Drills', 'drills'),
  ];
  return [
    { name: 'Before', links: before },
    { name: 'During', links: during },
    { name: 'After', links: after },
  ];
});

/** Whether the places are unfolded; on wide screens they always show. */
const open = ref(false);
const narrow = useMediaQuery('(max-width: 779px)');
const folded = computed(() => narrow.value && !open.value);
const menu = useTemplateRef<HTMLButtonElement>('menu');
const nav = useTemplateRef<HTMLElement>('nav');
// A place that comes late leaves the places open for somebody who is choosing another.
watch(
  () => route.path,
  () => {
    if (!nav.value?.contains(document.activeElement)) open.value = false;
  },
);
async function unfold() {
  open.value = !open.value;
  await nextTick();
  if (open.value) nav.value?.querySelector<HTMLElement>('a.here, a')?.focus();
}
function fold(event: KeyboardEvent) {
  if (!open.value) return;
  event.stopPropagation();
  open.value = false;
  menu.value?.focus();
}
</script>

<template>
  <header class="app-header" @keydown.esc="fold">
    <RouterLink class="brand display" to="/"
      ><FinchMark /> <span class="name">Zealous Finch</span></RouterLink
    >
    <button
      v-if="!guardian"
      ref="menu"
      class="plain menu"
      type="button"
      :aria-expanded="open"
      aria-controls="places"
      @click="unfold"
    >
      <IconMenu aria-hidden="true" /> {{ route.meta.place ?? route.meta.title }}
    </button>
    <nav
      v-if="!guardian"
      id="places"
      ref="nav"
      aria-label="Places"
      class="phases"
      :class="{ open }"
      @focusin="open = true"
    >
      <div v-for="phase in phases" :key="phase.name" class="phase">
        <div class="phase-name">{{ phase.name }}<span class="ticks" aria-hidden="true" /></div>
        <ul>
          <li v-for="link in phase.links" :key="link.place">
            <RouterLink
              :to="link.to"
              :class="{ here: route.meta.place === link.place, 'visually-hidden': folded }"
              :aria-current="route.meta.place === link.place ? 'page' : undefined"
              @click="open = false"
            >
              {{ link.label }}
            </RouterLink>
          </li>
        </ul>
      </div>
    </nav>
    <div class="right">
      <span class="when">{{ when }}</span>
      <RouterLink
        v-if="seat.teaches"
        class="plain studio-link"
        :class="{ here: route.meta.place === 'Studio' }"
        :to="{ name: 'studio' }"
        >Studio</RouterLink
      >
      <button
        class="plain"
        type="button"
        :title="`${seat.seat?.name}: stand up`"
        :aria-label="`${seat.seat?.name}: stand up`"
        @click="emit('leave')"
      >
        <IconLeave aria-hidden="true" /> <span class="who">{{ seat.seat?.name.split(' ')[0] }}</span>
      </button>
      <button
        class="plain"
        type="button"
        :aria-pressed="evening"
        aria-label="Lamp: evening theme"
        @click="emit('lamp')"
      >
        <IconLamp aria-hidden="true" />
      </button>
      <button class="plain help" type="button" aria-label="All keys" @click="emit('help')">
        <span aria-hidden="true">?</span>
      </button>
    </div>
  </header>
</template>

<style scoped>
.app-header {
  min-height: 52px;
  background: var(--wing);
  color: var(--wing-ink);
  display: flex;
  align-items: stretch;
  padding: 0 var(--space-3);
  gap: var(--space-4);
  --ring: var(--wingbar);
}
.brand {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  font-size: var(--size-4);
  color: var(--wing-ink);
  text-decoration: none;
  white-space: nowrap;
}
.phases {
  display: flex;
  gap: var(--space-3);
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
  gap: var(--space-2);
  font-size: var(--size-1);
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
}
.phase a {
  display: block;
  padding: var(--space-1) var(--space-2) var(--space-2);
  margin-right: var(--space-1);
  font-size: var(--size-2);
  font-weight: 500;
  line-height: 20px;
  color: var(--wing-ink);
  text-decoration: none;
  border-bottom: 5px solid transparent;
  white-space: nowrap;
  outline-offset: -3px;
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
  gap: var(--space-3);
  font-size: var(--size-2);
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
  gap: var(--space-2);
  min-height: 32px;
  min-width: 24px;
  padding: 0 var(--space-1);
  font-weight: 600;
}
.menu {
  display: none;
}
.studio-link {
  align-self: center;
  text-decoration: none;
}
.studio-link.here {
  box-shadow: inset 0 -4px 0 var(--wingbar);
}
.help span {
  border: 1px solid var(--wing-label);
  border-radius: 2px;
  width: 22px;
  line-height: 20px;
  text-align: center;
  font-family: var(--mono);
}
/* Sixteen places and the clock stand side by side on a laptop; who sits is the title of the door. */
@media (min-width: 992px) and (max-width: 1399px) {
  .app-header,
  .phases {
    gap: var(--space-2);
  }
  .right {
    gap: var(--space-1);
  }
  .who {
    display: none;
  }
  .phase a {
    padding-inline: var(--space-1);
    margin-right: 2px;
  }
}
@media (max-width: 1199px) {
  .when,
  .name {
    display: none;
  }
}
@media (max-width: 991px) {
  .app-header {
    flex-wrap: wrap;
    gap: 0 var(--space-3);
  }
  .name {
    display: inline;
  }
  .brand,
  .right,
  .plain {
    min-height: 44px;
  }
  .plain {
    min-width: 44px;
    justify-content: center;
  }
  .phases {
    order: 3;
    flex: 1 0 100%;
    justify-content: space-between;
  }
  .phase a {
    min-width: 44px;
    min-height: 44px;
    padding: var(--space-2) var(--space-2) var(--space-2);
    text-align: center;
  }
}
@media (min-width: 780px) and (max-width: 991px) {
  .app-header {
    padding-inline: var(--space-1);
  }
  .phases {
    gap: var(--space-1);
  }
  .phase a {
    margin-right: 0;
    padding-inline: 2px;
    font-size: var(--size-1);
  }
}
@media (max-width: 779px) {
  .app-header {
    column-gap: var(--space-2);
  }
  .right {
    gap: var(--space-1);
  }
  .brand .name,
  .who {
    display: none;
  }
  .brand {
    min-width: 44px;
    justify-content: center;
  }
  .menu {
    display: inline-flex;
    font-size: var(--size-3);
    border-bottom: 4px solid var(--wingbar);
  }
  .right {
    gap: var(--space-1);
  }
  .who {
    display: none;
  }
  .phases:not(.open) {
    position: absolute;
  }
  .phases:not(.open) .phase-name {
    display: none;
  }
  .phases.open {
    flex-direction: column;
    gap: var(--space-1);
    padding-bottom: var(--space-3);
  }
  .phase ul {
    flex-wrap: wrap;
  }
  .phase a {
    font-size: var(--size-3);
    padding-inline: var(--space-3);
  }
}
</style>
