<script setup lang="ts">
/** The grip or the change on a large neck, with why it is here; before it, what is asked first. */
import { readsRhythm } from '@finch/core/drills';
import type { Form } from '@finch/core/shapes';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import BarreCaution from '../../instruments/BarreCaution.vue';
import BecauseMark from '../../instruments/BecauseMark.vue';
import ChangeLedger from '../../instruments/ChangeLedger.vue';
import { gripDegrees } from '../../instruments/degrees';
import HookTag from '../../instruments/HookTag.vue';
import ScaleBoard from '../../instruments/ScaleBoard.vue';
import NeckBoard from '../../instruments/NeckBoard.vue';
import NumberBoard from '../../instruments/NumberBoard.vue';
import { chordText, formText, nameChord, say } from '../../words';
import type { CardShown } from './use-card-shown';
import type { PracticeRoom } from './use-practice-room';

const props = defineProps<{ room: PracticeRoom; shown: CardShown }>();
const { drill, card, cards, at, data } = props.room;
const { phone, isLoop, pair, target, change, question, guess, hooks, line, called, spoken, more } =
  props.shown;
const leftHanded = computed(() => data.value?.taught.instrument.leftHanded ?? false);
const size = computed(() => (phone.value ? { width: 560, height: 250 } : { width: 1200, height: 184 }));
const cardTitle = computed(() => chordText(card.value?.title ?? ''));
const title = computed(() => {
  const [from, to] = pair.value;
  if (isLoop.value && from && to && from.chord !== to.chord)
    return `${nameChord(from.chord)} → ${nameChord(to.chord)}`;
  return target.value && !isLoop.value ? nameChord(target.value.chord) : cardTitle.value;
});
</script>

<template>
  <section v-if="card && drill" class="sheet neck-sheet">
    <div class="spread">
      <h2 class="display big-title">{{ title }}</h2>
      <span class="small">{{ target ? `${cardTitle} · ` : '' }}card {{ at + 1 }} of {{ cards.length }}</span>
    </div>
    <BecauseMark v-if="!phone">{{ say(card.because) }}</BecauseMark>
    <div v-if="question?.answer.kind === 'choice'" class="prelude">
      <p class="plain-words">{{ say(question.ask) }}</p>
      <BButton
        v-for="choice in question.answer.choices"
        :key="choice"
        variant="outline-secondary"
        class="choice"
        @click="shown.predict(choice)"
        >{{ formText(choice as Form) }}</BButton
      >
    </div>
    <NumberBoard v-else-if="called" :called="called" />
    <NeckBoard
      v-else-if="target"
      v-bind="size"
      :frets="target.frets"
      :fingers="target.fingers"
      :degrees="gripDegrees(target)"
      :moves="change?.fingers"
      :from-frets="isLoop ? pair[0].frets : undefined"
      :spoken="spoken"
      :left-handed="leftHanded"
    />
    <template v-else>
      <p class="plain-words">
        {{
          readsRhythm(drill)
            ? 'Tap what is written, with a foot or a palm: no guitar.'
            : say(drill.judged === 'calls' ? drill.question : drill.steps[0].ask)
        }}
      </p>
      <ScaleBoard
        v-if="drill.bounds && data"
        :notes="drill.bounds.notes"
        :instrument="data.taught.instrument"
        :name="cardTitle"
        :width="phone ? 560 : 900"
      />
      <NeckBoard
        v-else-if="line"
        v-bind="size"
        :frets="line.frets"
        :fingers="line.fingers"
        :left-handed="leftHanded"
        spoken="The neck as it is played"
      />
    </template>
    <p v-if="guess" class="note" role="status">{{ guess }}</p>
    <HookTag v-for="hook in hooks" :key="hook.subject" :hook="hook" />
    <ChangeLedger v-if="change && !question" :moves="change.fingers" class="room-ledger" />
    <BarreCaution v-if="drill.hasBarre && !question" :bursts="drill.bursts" />
    <BButton v-if="more && !question" variant="link" size="sm" @click="shown.nextChange"
      >next change of the loop</BButton
    >
  </section>
</template>

<style scoped>
.big-title {
  font-size: var(--size-7);
}
.room-ledger {
  columns: auto;
  display: flex;
  gap: var(--space-5);
  flex-wrap: wrap;
  font-size: var(--size-3);
}
.plain-words {
  font-size: var(--size-5);
  padding: var(--space-5) 0;
}
.prelude {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.prelude .plain-words {
  width: 100%;
  padding: var(--space-3) 0 var(--space-1);
}
.choice {
  min-height: 48px;
  font-size: var(--size-3);
}
@media (max-width: 699px) {
  .big-title {
    font-size: var(--size-6);
  }
}
</style>
