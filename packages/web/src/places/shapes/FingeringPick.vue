<script setup lang="ts">
/** The fingerings a hand can hold this grip with; one may be pinned for the student and is then taught everywhere. */
import type { DrillContext } from '@finch/core/hands';
import { routes, type Marks } from '@finch/contract';
import { fingeringsFor, type Effort } from '@finch/core/effort';
import { gripMark, type FingerLabel, type Frets } from '@finch/core/grips';
import { computed, ref } from 'vue';
import { school } from '../../words/school';
import { sayError } from '../../words';
import { call } from '../../session/api';
import { easierFingers, fingersSpoken, fingersText } from '../../words/shape-words';

const props = defineProps<{
  frets: Frets;
  effort: Effort;
  drilling: DrillContext;
  marks: Marks;
  /** Whose fingering it is; null when nobody is on the bench. */
  student: { id: string; first: string } | null;
}>();
const emit = defineEmits<{ kept: [] }>();
const MOST = 5;
const subject = computed(() => gripMark(props.frets, props.drilling.instrument.openPitches));
const pin = computed(() => props.marks.pins.find((one) => one.subject === subject.value) ?? null);
const all = computed(() => fingeringsFor(props.frets, props.drilling.hand, props.drilling.instrument));
const shown = computed(() => {
  const now = all.value.find((one) => one.fingers.join() === props.effort.fingering.fingers.join());
  const first = all.value.slice(0, MOST);
  return now && !first.includes(now) ? [now, ...first.slice(0, MOST - 1)] : first;
});
const isNow = (fingers: readonly FingerLabel[]) => fingers.join() === props.effort.fingering.fingers.join();
const tied = computed(() => props.effort.ties.length > 0);
const trouble = ref('');
async function choose(fingers: readonly FingerLabel[]) {
  if (!props.student) return;
  trouble.value = '';
  const isPinned = pin.value?.fingers.join() === fingers.join();
  try {
    await call(routes.keepPin, {
      params: { studentId: props.student.id },
      body: {
        subject: subject.value,
        fingers: isPinned ? null : [...fingers],
        version: pin.value?.version ?? 0,
      },
    });
  } catch (problem) {
    trouble.value = sayError(problem);
  }
  emit('kept');
}
</script>

<template>
  <div v-if="all.length" class="fingerings">
    <h2>
      Fingers
      <span class="small">{{
        pin
          ? `pinned for ${student?.first ?? 'the student'}`
          : school().fingering === 'prescribed'
            ? 'the one prescribed'
            : effort.custom
              ? 'as players agree; pin another where it suits'
              : tied
                ? 'equally easy: whichever is comfortable'
                : 'easiest first'
      }}</span>
    </h2>
    <div class="fingering-row" role="group" aria-label="Fingerings">
      <button
        v-for="one in shown"
        :key="one.fingers.join()"
        type="button"
        :aria-pressed="isNow(one.fingers)"
        :aria-label="`${fingersSpoken(one.fingers)}, ${one.points.toFixed(1)} points${one.custom ? ', as players agree' : ''}`"
        :disabled="!student"
        :title="
          student
            ? pin?.fingers.join() === one.fingers.join()
              ? 'Take the pin away'
              : `Pin for ${student.first}`
            : 'Put a student on the bench to pin one'
        "
        @click="choose(one.fingers)"
      >
        {{ fingersText(one.fingers)
        }}<small>{{ one.points.toFixed(1) }}{{ one.custom ? ' agreed' : '' }}</small
        ><small v-if="pin?.fingers.join() === one.fingers.join()">pinned</small>
      </button>
    </div>
    <p v-if="effort.easier && !pin" class="small">{{ easierFingers(effort) }}</p>
    <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.fingerings h2 {
  font-size: var(--size-2);
  margin: var(--space-1) 0 2px;
}
.fingering-row {
  margin-bottom: var(--space-1);
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
}
.fingering-row button {
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font-family: var(--mono);
  font-size: var(--size-2);
  padding: var(--space-1) var(--space-2);
  min-height: 30px;
}
.fingering-row small {
  margin-left: var(--space-1);
  font-size: var(--size-1);
  color: var(--ink2);
}
.fingering-row [aria-pressed='true'] {
  background: var(--wash-crown);
  border-color: var(--crown);
}
@media (pointer: coarse) {
  .fingering-row button {
    min-height: 44px;
  }
}
</style>
