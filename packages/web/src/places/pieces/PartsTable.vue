<script setup lang="ts">
/** Who of the group plays which part; the fullest inside each hand's limit, changed by hand and solved around it. */
import { PART_KINDS, type Assignment, type PartKind } from '@finch/core/score';
import { PART_NAMES } from './part-words';
import ShimMark from '../../instruments/ShimMark.vue';

defineProps<{
  assignment: Assignment | null;
  names: Readonly<Record<string, { name: string; limit: number | null }>>;
  locked: Readonly<Record<string, PartKind>>;
  group: string;
  busy: boolean;
}>();
const emit = defineEmits<{ give: [studentId: string, part: PartKind | null] }>();
const WHY = {
  fullest: 'the fullest inside the limit',
  lightest: 'the lightest there is',
  harmony: 'somebody must play all notes',
  locked: 'given by hand',
} as const;
</script>

<template>
  <section class="parts" aria-label="Parts by hand">
    <div class="spread">
      <h2>Parts by hand, {{ group }}</h2>
      <span class="small" role="status">{{
        busy
          ? 'Grading…'
          : assignment && !assignment.covered
            ? 'Nobody plays all notes: give somebody the full or the capo part.'
            : ''
      }}</span>
    </div>
    <ul v-if="assignment">
      <li v-for="one in assignment.players" :key="one.id">
        <b>{{ names[one.id]?.name.split(' ')[0] }}</b>
        <select
          class="form-select form-select-sm"
          :value="locked[one.id] ?? ''"
          :aria-label="`Part of ${names[one.id]?.name}`"
          @change="
            emit('give', one.id, (($event.target as HTMLSelectElement).value || null) as PartKind | null)
          "
        >
          <option value="">{{ locked[one.id] ? 'by itself' : PART_NAMES[one.part.kind] }}</option>
          <option v-for="kind in PART_KINDS" :key="kind" :value="kind">{{ PART_NAMES[kind] }}, given</option>
        </select>
        <span class="small"
          >{{ one.part.capo ? `capo ${one.part.capo}; ` : '' }}{{ WHY[one.why]
          }}{{
            one.part.readyShare === null
              ? ''
              : `; ${Math.round(100 * one.part.readyShare)} in 100 changes ready`
          }}</span
        >
        <ShimMark :effort="one.part.heaviest" :limit="names[one.id]?.limit ?? null" :width="44" />
        <span
          ><b :class="{ over: one.overLimit }">{{ Math.round(one.part.heaviest) }}</b>
          <small v-if="names[one.id]?.limit !== null"> limit {{ names[one.id]?.limit }}</small></span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 78px 150px minmax(0, 1fr) auto 96px;
  gap: var(--space-2);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
}
.over {
  color: var(--breast);
}
</style>
