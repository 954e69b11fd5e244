<script setup lang="ts">
/** The families in the order in which people learn, with what each trains; the one shown is kept in sight. */
import type { DrillFamily } from '@finch/core/drills';
import { BFormSelect } from 'bootstrap-vue-next';
import { onMounted, useTemplateRef, watch } from 'vue';
import { afterPaint } from '../../app/stages';
import { FAMILY_GROUPS } from './families';

const props = defineProps<{ family: DrillFamily }>();
const emit = defineEmits<{ open: [family: DrillFamily] }>();
/** Where the list would push the drill out of sight, the same as one field. */
const choices = FAMILY_GROUPS.map((group) => ({
  label: group.name,
  options: group.families.map((one) => ({ value: one.family, text: one.family })),
}));
const nav = useTemplateRef<HTMLElement>('nav');
const show = () =>
  nav.value &&
  nav.value.scrollHeight > nav.value.clientHeight &&
  nav.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
// Measured once it is laid out anyway.
onMounted(() => afterPaint(show));
watch(() => props.family, show, { flush: 'post' });
</script>

<template>
  <nav ref="nav" class="sheet scroll families" aria-label="Families" tabindex="0">
    <h1 class="h2like" tabindex="-1">Families</h1>
    <BFormSelect
      class="short"
      :model-value="family"
      :options="choices"
      aria-label="Family"
      @update:model-value="(to) => to && emit('open', to as DrillFamily)"
    />
    <div v-for="group in FAMILY_GROUPS" :key="group.name">
      <h2>{{ group.name }}</h2>
      <ul>
        <li v-for="one in group.families" :key="one.family">
          <button
            type="button"
            :aria-current="family === one.family ? 'true' : undefined"
            @click="emit('open', one.family)"
          >
            <b>{{ one.family }}</b><small>{{ one.trains }}</small>
          </button>
        </li>
      </ul>
    </div>
  </nav>
</template>

<style scoped>
h2 {
  font-size: var(--size-2);
  margin: var(--space-2) 0 2px;
  border-bottom: 1px solid var(--line);
}
button {
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  border-radius: 3px;
  padding: var(--space-1) var(--space-2);
  min-height: 44px;
  color: var(--ink);
  display: flex;
  flex-direction: column;
}
small {
  color: var(--ink2);
}
[aria-current] {
  background: var(--crown);
  color: var(--sheet);
}
[aria-current] small {
  color: inherit;
}
.short {
  display: none;
}
@media (max-width: 1199px), (max-height: 599px) {
  .short {
    display: block;
  }
  .families > div {
    display: none;
  }
}
</style>
