<script setup lang="ts">
/** The families in the order in which people learn, with what each trains; the one shown is kept in sight. */
import { FAMILIES, FAMILY_GROUPS, type DrillFamily } from '@finch/core/drills';
import { BFormSelect } from 'bootstrap-vue-next';
import { onMounted, useTemplateRef, watch } from 'vue';
import { afterPaint } from '../../app/stages';
import { FAMILY_WORDS, GROUP_WORDS } from '../../words/family-words';

const props = defineProps<{ family: DrillFamily }>();
const emit = defineEmits<{ open: [family: DrillFamily] }>();
/** Where the list would push the drill out of sight, the same as one field. */
const groups = FAMILY_GROUPS.map((group) => ({
  label: GROUP_WORDS[group],
  options: FAMILIES.filter((one) => one.group === group).map(({ name }) => ({ value: name, text: name })),
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
      :options="groups"
      aria-label="Family"
      @update:model-value="(to) => to && emit('open', to as DrillFamily)"
    />
    <div v-for="group in groups" :key="group.label">
      <h2>{{ group.label }}</h2>
      <ul>
        <li v-for="{ value } in group.options" :key="value">
          <button
            type="button"
            :aria-current="family === value ? 'true' : undefined"
            @click="emit('open', value)"
          >
            <b>{{ value }}</b><small>{{ FAMILY_WORDS[value].trains }}</small>
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
