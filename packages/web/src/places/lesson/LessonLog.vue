<script setup lang="ts">
/** Three keys for a take, the hand's answer after it, and the way back from a slip. */
import type { Feel, TakeResult } from '@finch/core/drills';
import { BButton } from 'bootstrap-vue-next';
import { useTemplateRef } from 'vue';
import FeelPicker from '../../instruments/FeelPicker.vue';
import TakeWave from '../../instruments/TakeWave.vue';

defineProps<{
  takes: readonly TakeResult[];
  /** Whether this block has anything to log. */
  open: boolean;
  stopped: boolean;
  feel: Feel | null;
  asks: boolean;
  said: string;
  canTakeBack: boolean;
}>();
const emit = defineEmits<{ log: [result: TakeResult]; felt: [feel: Feel | null]; takeBack: [] }>();
const picker = useTemplateRef<InstanceType<typeof FeelPicker>>('picker');
defineExpose({ askWhere: () => picker.value?.askWhere() });
</script>

<template>
  <section class="sheet log" aria-label="Takes">
    <template v-if="open && !stopped">
      <div class="spread">
        <h2>Take {{ takes.length + 1 }}</h2>
        <BButton v-if="canTakeBack" variant="link" class="back" @click="emit('takeBack')"
          >Take back the last</BButton
        >
      </div>
      <div class="waves">
        <TakeWave v-for="(result, i) in takes.slice(-5)" :key="i" :result="result" />
      </div>
      <button
        v-for="(result, i) in ['clean', 'nearly', 'not yet'] as const"
        :key="result"
        type="button"
        class="mark"
        @click="emit('log', result)"
      >
        <kbd>{{ i + 1 }}</kbd><span>{{ result }}</span
        ><TakeWave :result="result" wide />
      </button>
    </template>
    <p v-else class="note">
      {{ stopped ? 'The rest of the lesson: listen, name, tap.' : 'Nothing to log here.' }}
    </p>
    <div class="felt" :class="{ asks }">
      <p>The hand felt</p>
      <FeelPicker ref="picker" :model-value="feel" large @update:model-value="(now) => emit('felt', now)" />
    </div>
    <p class="note" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.log {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  overflow-y: auto;
  min-height: 0;
}
h2 {
  font-size: var(--size-7);
  line-height: 1.1;
}
.back {
  min-height: 44px;
}
.waves {
  display: flex;
  gap: var(--space-3);
  height: 18px;
  flex: none;
}
.mark {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  flex: 1;
  min-height: 54px;
  max-height: 82px;
  font-size: var(--size-7);
  font-weight: 700;
  background: var(--sheet);
  color: var(--ink);
  border: 2px solid var(--line-strong);
  border-radius: 3px;
  padding: 0 var(--space-3);
}
.mark:hover {
  background: var(--wash-crown);
}
.mark kbd {
  font-size: var(--size-6);
  padding: 2px var(--space-3);
  border-width: 2px;
}
.mark :deep(.wave) {
  margin-left: auto;
}
.felt {
  margin-top: auto;
}
.felt p {
  font-size: var(--size-6);
  line-height: 1.2;
}
.felt.asks {
  outline: 3px solid var(--crown);
  outline-offset: 4px;
}
@media (max-width: 1199px) {
  .log {
    overflow: visible;
  }
}
@media (max-width: 600px) {
  .mark {
    font-size: var(--size-6);
    min-height: 56px;
  }
}
@media (max-width: 400px) {
  .mark {
    gap: var(--space-2);
    font-size: var(--size-5);
    white-space: nowrap;
  }
}
</style>
