<script setup lang="ts">
/** The families in the order in which people learn, with what each trains; the one shown is kept in sight. */
import type { DrillFamily } from '@finch/core/drills';
import { onMounted, useTemplateRef, watch } from 'vue';
import { FAMILY_GROUPS } from './families';

const props = defineProps<{ family: DrillFamily }>();
const emit = defineEmits<{ open: [family: DrillFamily] }>();
const nav = useTemplateRef<HTMLElement>('nav');
const show = () => nav.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
onMounted(show);
watch(() => props.family, show, { flush: 'post' });
</script>

<template>
  <nav ref="nav" class="sheet scroll families" aria-label="Families" tabindex="0">
    <h1 class="h2like">Families</h1>
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
  font-size: 14px;
  margin: 10px 0 2px;
  border-bottom: 1px solid var(--line);
}
button {
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  border-radius: 3px;
  padding: 4px 8px;
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
@media (max-width: 820px) {
  .families {
    max-height: 224px;
  }
  ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
}
</style>
