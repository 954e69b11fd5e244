<script setup lang="ts">
/** What the piece asks of who is on the bench, and how ready the group is for its concert. */
import { BButton } from 'bootstrap-vue-next';
import PieceSide from './PieceSide.vue';
import ReadyTable from './ReadyTable.vue';
import type { PieceBench } from './use-piece-bench';

const props = defineProps<{ bench: PieceBench }>();
const { shown, taught, first, asks, group, needs, concert, ready, keeping, dialogs } = props.bench;
const { student, drilling, limit } = taught;
const { piece, demand, failed } = asks;
const { members } = group;
const { is } = dialogs;
</script>

<template>
  <aside class="sheet scroll side" aria-label="What it asks" tabindex="0">
    <div class="spread">
      <h2>What it asks of</h2>
      <BButton v-if="members.length > 1" size="sm" variant="outline-secondary" @click="bench.otherStudent"
        >{{ first }} ⇄</BButton
      >
      <b v-else>{{ first ?? taught.whose.value }}</b>
    </div>
    <p v-if="failed" class="refusal" role="alert">This piece could not be worked out in this window.</p>
    <p v-else-if="piece && !demand" class="note" role="status">Finding its grips…</p>
    <PieceSide
      v-else-if="demand && piece"
      :demand="demand"
      :tempo-bpm="piece.tempoBpm"
      :limit="limit"
      :needs="needs"
      :left-handed="drilling.instrument.leftHanded"
      :who="student?.name ?? ''"
      @loop="bench.loopWeak"
      @shape="bench.openShape"
    />
    <template v-if="piece">
      <div class="spread concert">
        <h3>{{ concert ? concert.name : 'No concert set' }}</h3>
        <b v-if="concert">{{
          concert.days < 0 ? 'is over' : concert.days === 0 ? 'today' : `in ${concert.days} days`
        }}</b>
        <BButton size="sm" variant="link" @click="is.staging = true">{{
          concert ? 'Change' : 'Set one'
        }}</BButton>
      </div>
      <ReadyTable v-if="ready.length" :lines="ready" :tempo-bpm="piece.tempoBpm" :days="concert?.days ?? 0" />
      <BButton v-if="shown?.body.mayChange" size="sm" variant="link" @click="keeping.takeAway"
        >Take this piece away</BButton
      >
    </template>
    <p class="small">A barre is pressed, checked and released; pain means stop.</p>
  </aside>
</template>

<style scoped>
.side {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.concert {
  align-items: center;
  border-top: 1px solid var(--line);
  padding-top: var(--space-2);
}
</style>
