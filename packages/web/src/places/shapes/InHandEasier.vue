<script setup lang="ts">
/** Grips that do the same job with less, each with what it gives up. */
import type { StandIn } from '@finch/core/shapes';
import { BButton } from 'bootstrap-vue-next';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { givenUp, STAND_IN_WORDS } from '../../words/shape-words';

defineProps<{ standIns: readonly StandIn[] | null; limit: number | null; leftHanded: boolean }>();
const emit = defineEmits<{ use: [one: StandIn] }>();
</script>

<template>
  <p v-if="!standIns" class="empty">Looking for easier ones…</p>
  <p v-else-if="!standIns.length" class="empty">Nothing easier does this job.</p>
  <ul v-else class="stand-ins" aria-label="Easier, same job">
    <li v-for="one in standIns" :key="one.kind">
      <ShapeCard
        size="thumb"
        :frets="one.grip.frets"
        :fingers="one.grip.fingers"
        :degrees="one.grip.degrees"
        :left-handed="leftHanded"
      />
      <div>
        <b>{{ STAND_IN_WORDS[one.kind] }}</b>
        <p class="note">{{ givenUp(one) }}</p>
        <span class="score"
          ><ShimMark :effort="one.grip.effort.total" :limit="limit" />
          <b>{{ Math.round(one.grip.effort.total) }}</b>
          <BButton v-if="!one.capo" variant="outline-secondary" size="sm" @click="emit('use', one)"
            >Use it</BButton
          >
        </span>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.stand-ins {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 var(--space-4);
}
li {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  gap: var(--space-2);
  align-items: start;
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  font-size: var(--size-2);
  line-height: 1.25;
}
li > :deep(svg) {
  height: 72px;
  width: auto;
}
.score {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
@media (max-width: 600px) {
  .stand-ins {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
