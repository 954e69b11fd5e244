<script setup lang="ts">
/** A student's pace in words: what it was taken for, what counted minutes made of it, and which parts differ. */
import type { PaceFit } from '@finch/core/changes';
import { computed } from 'vue';

const props = defineProps<{ name: string; fit: PaceFit; before: PaceFit }>();
const times = (factor: number) => `× ${factor.toFixed(2)}`;
const band = ({ low, high }: PaceFit['overall']) => `${low.toFixed(2)} to ${high.toFixed(2)}`;
const PART_WORDS = { shift: 'moving along', barre: 'barres', fingers: 'placing fingers' } as const;
const parts = computed(() =>
  props.fit.parts
    ? (Object.keys(PART_WORDS) as (keyof typeof PART_WORDS)[]).map(
        (name) => `${PART_WORDS[name]} ${times(props.fit.parts?.[name].factor ?? 1)}`,
      )
    : [],
);
</script>

<template>
  <p class="pace-line small">
    <template v-if="fit.counts"
      >{{ name }} takes <b>{{ times(fit.overall.factor) }}</b> of the reference hand’s seconds ({{
        band(fit.overall)
      }}), from {{ fit.counts }} counted {{ fit.counts === 1 ? 'minute' : 'minutes'
      }}{{ parts.length ? `; ${parts.join(', ')} on top` : '' }}. Before any it was taken for
      {{ times(before.overall.factor) }} ({{ band(before.overall) }}).</template
    ><template v-else
      >Nobody counted {{ name }}’s changes yet: taken for <b>{{ times(before.overall.factor) }}</b> of the
      reference hand’s seconds ({{ band(before.overall) }}). Count a minute in the Practice room to know
      better.</template
    >
  </p>
</template>
