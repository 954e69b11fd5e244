<script setup lang="ts">
/**
 * Clean changes in a minute, counted by a tap each; with a barre in bursts with rest between, as the drill says. What
 * was counted tells the pace of this hand; it is no contest.
 */
import type { Drill } from '@finch/core/drills';
import { BButton } from 'bootstrap-vue-next';
import { computed, onBeforeUnmount, ref } from 'vue';

const MINUTE = 60;
const props = defineProps<{ bursts: Drill['bursts']; now: () => number }>();
const emit = defineEmits<{ counted: [count: { clean: number; seconds: number }] }>();
/** One minute, or the drill's bursts where it has a barre. */
const work = computed(() =>
  props.bursts.count > 1
    ? Array.from({ length: props.bursts.count }, () => props.bursts.workSeconds)
    : [MINUTE],
);
const clean = ref(0);
const startedAt = ref<number | null>(null);
const since = ref(0);
const finished = ref(false);
let timer: ReturnType<typeof setInterval> | undefined;
const phase = computed(() => {
  let at = 0;
  for (const [i, seconds] of work.value.entries()) {
    if (since.value < at + seconds) return { counting: true, left: at + seconds - since.value };
    at += seconds;
    if (i === work.value.length - 1) break;
    if (since.value < at + props.bursts.restSeconds)
      return { counting: false, left: at + props.bursts.restSeconds - since.value };
    at += props.bursts.restSeconds;
  }
  return null;
});
function start() {
  clean.value = 0;
  since.value = 0;
  finished.value = false;
  startedAt.value = props.now();
  clearInterval(timer);
  timer = setInterval(() => {
    since.value = (props.now() - (startedAt.value ?? 0)) / 1000;
    if (phase.value) return;
    clearInterval(timer);
    startedAt.value = null;
    finished.value = true;
    emit('counted', { clean: clean.value, seconds: work.value.reduce((sum, one) => sum + one, 0) });
  }, 200);
}
function leave() {
  clearInterval(timer);
  startedAt.value = null;
  since.value = 0;
}
onBeforeUnmount(leave);
</script>

<template>
  <div class="minute">
    <template v-if="startedAt !== null && phase">
      <p role="timer">
        <b>{{ Math.ceil(phase.left) }} s</b> {{ phase.counting ? 'to go' : 'of rest: shake the hand out' }}
      </p>
      <BButton class="tap" variant="outline-secondary" :disabled="!phase.counting" @click="clean += 1"
        >Clean: {{ clean }}</BButton
      >
      <BButton variant="link" @click="leave">Leave it</BButton>
    </template>
    <template v-else>
      <p v-if="finished" class="note" role="status">
        {{ clean }} clean, kept with this take. It tells your pace.
      </p>
      <BButton variant="outline-secondary" @click="start">{{
        finished
          ? 'Count again'
          : work.length > 1
            ? `Count ${work.length} bursts of ${work[0]} s`
            : 'Count a minute'
      }}</BButton>
    </template>
  </div>
</template>

<style scoped>
.minute {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  margin-top: var(--space-2);
}
.tap {
  min-height: 64px;
  min-width: 160px;
  font-size: var(--size-4);
}
</style>
