<script setup lang="ts">
/** The chord along the neck, one answer at a time: five forms, fewer strings, the family. */
import type { Frets } from '@finch/core/grips';
import type { Chord } from '@finch/core/theory';
import { computed } from 'vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import type { AlongNeck } from '../../workers/bench-jobs';
import AlongFamily from './AlongFamily.vue';
import AlongForms from './AlongForms.vue';
import { partsOf, type AlongPart } from './along-parts';
import AlongThrees from './AlongThrees.vue';

const props = defineProps<{ along: AlongNeck | null; chord: Chord; leftHanded: boolean }>();
const emit = defineEmits<{ use: [symbol: string, frets: Frets] }>();
const asked = defineModel<AlongPart>('part', { required: true });
const parts = computed(() => (props.along ? partsOf(props.along) : []));
/** A part that this grip has nothing for gives way to the forms, and comes back with the next grip that has. */
const part = computed({
  get: () => (parts.value.some((one) => one.id === asked.value) ? asked.value : 'forms'),
  set: (to) => (asked.value = to),
});
const use = (symbol: string, frets: Frets) => emit('use', symbol, frets);
</script>

<template>
  <p v-if="!along" class="empty">Going up the neck…</p>
  <template v-else>
    <SegmentPick v-model="part" label="Along the neck" :options="parts" class="parts" />
    <AlongForms v-if="part === 'forms'" :along="along" :chord="chord" :left-handed="leftHanded" @use="use" />
    <AlongThrees
      v-else-if="part === 'threes'"
      :along="along"
      :chord="chord"
      :left-handed="leftHanded"
      @use="use"
    />
    <AlongFamily v-else :along="along" :left-handed="leftHanded" @use="use" />
  </template>
</template>

<style scoped>
.parts {
  margin-bottom: var(--space-2);
}
</style>
