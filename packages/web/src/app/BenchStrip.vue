<script setup lang="ts">
/** Who is on the bench and what that hand stands; places add their own controls at the right. */
import { computed } from 'vue';
import { BFormSelect } from 'bootstrap-vue-next';
import { RouterLink } from 'vue-router';
import { useBench } from '../session/bench';
import { useStudent } from '../session/queries';
import { stageChoices } from '../words/played-words';

const bench = useBench();
const { data } = useStudent(() => bench.studentId);
const strip = computed(() => {
  const student = data.value;
  if (!student) return null;
  const side = student.instrument.value.leftHanded ? 'right hand frets' : 'left hand frets';
  return {
    name: student.name,
    who: [student.age === null ? '' : `age ${student.age}`, side].filter(Boolean).join(' · '),
    scale: student.instrument.value.scaleLengthMm,
    reach: student.hand.value.reachMm ?? null,
    limit: student.taught.limits.gripEffort,
    assumed: student.limits.value.assumed,
    pain: student.pain.status === 'free' ? null : `${student.pain.status}: ${student.pain.where}`,
  };
});
</script>

<template>
  <section class="bench" aria-label="On the bench">
    <template v-if="strip">
      <RouterLink
        class="display bench-name"
        :to="{ name: 'student', params: { studentId: bench.studentId ?? '' } }"
        >{{ strip.name }}</RouterLink
      >
      <span class="small who">{{ strip.who }}</span>
      <span class="facts">
        {{ strip.scale }} mm scale · reach 1–4
        <b>{{ strip.reach === null ? 'not measured' : `${strip.reach} mm` }}</b> · one-grip effort limit
        <b>{{ strip.limit }}</b>
        <span v-if="strip.assumed" class="small"> (assumed)</span>
      </span>
      <span v-if="strip.pain" class="tag over">{{ strip.pain }}</span>
    </template>
    <span v-else class="small nobody"
      >Nobody is on the bench: grips and tempi are for a hand of
      <BFormSelect
        v-model="bench.stage"
        size="sm"
        aria-label="How long the hand has played"
        :options="stageChoices"
    /></span>
    <div id="bench-tools" class="tools" />
  </section>
</template>

<style scoped>
.bench {
  min-height: 46px;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-1) var(--space-5);
  padding: var(--space-1) var(--space-4);
  border-bottom: 1px solid var(--line);
  background: color-mix(in srgb, var(--sheet) 55%, var(--bench));
}
.bench-name {
  font-size: var(--size-5);
  color: var(--ink);
  text-decoration: none;
  overflow-wrap: anywhere;
}
.nobody {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-1) var(--space-2);
}
.nobody select {
  width: auto;
}
.facts {
  font-size: var(--size-2);
  color: var(--ink2);
}
.facts b {
  color: var(--ink);
}
.tools {
  margin-left: auto;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
}
@media (max-width: 1199px) {
  .facts {
    display: none;
  }
}
@media (max-width: 779px) {
  .bench {
    padding: var(--space-1) var(--space-2);
  }
  .bench-name {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
  .who {
    display: none;
  }
  .tools {
    margin-left: 0;
    width: 100%;
  }
}
</style>
