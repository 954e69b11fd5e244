<script setup lang="ts">
/** Going on without a hand: by a pedal, or by counting four aloud. */
import { BButton, BFormCheckbox } from 'bootstrap-vue-next';
import { useSeat } from '../../session/seat';
import { sayProblem } from '../../words';
import { ownMicrophone, simulatedVoice } from '../../workers/microphone';
import type { HandsFree } from './use-hands-free';

const props = defineProps<{ handsFree: HandsFree }>();
const seat = useSeat();
const { on, listening, trouble } = props.handsFree;
</script>

<template>
  <section class="sheet hands-free" aria-label="Hands free">
    <BFormCheckbox v-model="on" switch>Hands free</BFormCheckbox>
    <template v-if="on">
      <p class="small">
        A pedal that turns pages goes on and back. Or count “one, two, three, four” aloud and rest: what is
        answered is kept, and the next card comes.
      </p>
      <p v-if="trouble" class="refusal" role="alert">
        {{ sayProblem({ code: trouble, at: 'microphone', detail: '' }) }}
      </p>
      <p v-if="listening" role="status">Listening for a count of four.</p>
      <div class="acts">
        <BButton v-if="listening" variant="outline-secondary" @click="handsFree.stop()"
          >Stop listening</BButton
        >
        <template v-else>
          <BButton variant="outline-secondary" @click="handsFree.listen(ownMicrophone)"
            >Listen for a count</BButton
          >
          <BButton v-if="seat.studio?.demo" variant="link" @click="handsFree.listen(simulatedVoice())"
            >Listen to the simulated voice</BButton
          >
        </template>
      </div>
      <p class="small">Nothing that is heard is kept or sent.</p>
    </template>
  </section>
</template>

<style scoped>
.hands-free {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.hands-free p {
  margin: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.acts .btn {
  min-height: 48px;
}
@media (pointer: coarse) {
  .hands-free :deep(.form-check) {
    min-height: 44px;
    display: flex;
    align-items: center;
    gap: var(--space-2);
  }
}
</style>
