<script setup lang="ts">
/** A drill by a teacher's words, and the families in the order in which people learn; the one shown is kept in sight. */
import { FAMILIES, FAMILY_GROUPS, drillTitle, type DrillFamily, type Recipe } from '@finch/core/drills';
import type { Found } from '@finch/core/syllabus';
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { computed, onMounted, useTemplateRef, watch } from 'vue';
import { afterPaint } from '../../app/stages';
import { say } from '../../words';
import { FAMILY_WORDS, GROUP_WORDS } from '../../words/family-words';

const text = defineModel<string>({ required: true });
const props = defineProps<{ family: DrillFamily; found: Found; failed: boolean }>();
const emit = defineEmits<{ open: [family: DrillFamily]; take: [recipe: Recipe] }>();
const groups = FAMILY_GROUPS.map((group) => ({
  label: GROUP_WORDS[group],
  options: FAMILIES.filter((one) => one.group === group).map(({ name }) => ({ value: name, text: name })),
}));
/** Those whose words hold what was typed; all of them where none does. */
const shown = computed(() => {
  const { families } = props.found;
  const wanted = families.length ? families : FAMILIES.map((one) => one.name);
  return groups
    .map((group) => ({ ...group, options: group.options.filter((one) => wanted.includes(one.value)) }))
    .filter((group) => group.options.length);
});
const asked = computed(() => text.value.trim() !== '');
const nothing = computed(
  () => asked.value && !props.failed && props.found.drills.length === 0 && props.found.families.length === 0,
);
function first() {
  const [best] = props.found.drills;
  if (best) emit('take', best.recipe);
}
const nav = useTemplateRef<HTMLElement>('nav');
const show = () =>
  nav.value &&
  nav.value.scrollHeight > nav.value.clientHeight &&
  nav.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
// Measured once it is laid out anyway.
onMounted(() => afterPaint(show));
watch(() => props.family, show, { flush: 'post' });
const field = useTemplateRef<InstanceType<typeof BFormInput>>('field');
defineExpose({ focus: () => field.value?.focus() });
</script>

<template>
  <nav ref="nav" class="sheet scroll families" aria-label="Families" tabindex="0">
    <h1 class="visually-hidden" tabindex="-1">Families</h1>
    <label class="small" for="find-drill">Find by family, by skill, or by what is wrong</label>
    <form role="search" @submit.prevent="first">
      <BFormInput
        id="find-drill"
        ref="field"
        v-model="text"
        type="search"
        maxlength="80"
        autocomplete="off"
        placeholder="slow on minors; string 3 buzzes"
        @keydown.esc="text = ''"
      />
    </form>
    <section v-if="asked" class="found" aria-label="Drills found" aria-live="polite">
      <p v-if="found.hurts" class="caution">
        What hurts is not played. Rest it, and let a doctor or a hand therapist look if it stays; this is no
        medical advice. Meanwhile, for ear and head:
      </p>
      <ul v-if="found.drills.length">
        <li v-for="one in found.drills" :key="JSON.stringify(one.recipe)">
          <BButton variant="outline-secondary" @click="emit('take', one.recipe)"
            ><b>{{ say(drillTitle(one.recipe)) }}</b
            ><small>{{ say(one.because) }}</small></BButton
          >
        </li>
      </ul>
      <p v-if="failed" class="note">That could not be looked up in this window. Type it again.</p>
      <p v-else-if="nothing" class="note">
        Nothing is called so. Try what you would tell a colleague: “loses the root”, “late from C to G”.
      </p>
    </section>
    <BFormSelect
      class="short"
      :model-value="family"
      :options="groups"
      aria-label="Family"
      @update:model-value="(to) => to && emit('open', to as DrillFamily)"
    />
    <div v-for="group in shown" :key="group.label" class="group">
      <h2>{{ group.label }}</h2>
      <ul>
        <li v-for="{ value } in group.options" :key="value">
          <button
            type="button"
            :title="FAMILY_WORDS[value].trains"
            :aria-current="family === value ? 'true' : undefined"
            @click="emit('open', value)"
          >
            {{ value }}
          </button>
        </li>
      </ul>
    </div>
  </nav>
</template>

<style scoped>
h2 {
  font-size: var(--size-1);
  color: var(--ink2);
  line-height: 1.1;
  margin: var(--space-1) 0 1px;
}
/* All in sight at once: names stand in a row as long as they fit. */
.group ul {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-1);
}
.group button {
  text-align: left;
  background: none;
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0 var(--space-1);
  min-height: 24px;
  line-height: 1.2;
  margin-bottom: 1px;
  color: var(--ink);
  font-weight: 600;
}
@media (pointer: coarse) {
  .group button {
    min-height: 44px;
  }
}
.group button:hover:not([aria-current]) {
  background: var(--wash-crown);
}
.group [aria-current] {
  background: var(--crown);
  color: var(--sheet);
}
.found ul {
  display: grid;
  gap: var(--space-1);
  margin-top: var(--space-2);
}
.found .btn {
  width: 100%;
  text-align: left;
  white-space: normal;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  min-height: 44px;
}
.found small {
  font-weight: 400;
  color: var(--ink2);
}
.short {
  display: none;
}
@media (max-width: 1199px), (max-height: 599px) {
  .short {
    display: block;
    margin-top: var(--space-2);
  }
  .group {
    display: none;
  }
}
</style>
