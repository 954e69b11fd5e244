<script setup lang="ts">
/** A progression as the hand's path along the neck: every change graded, where it chokes, and what would not. */
import { BButton } from 'bootstrap-vue-next';
import { ref, useTemplateRef } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import IconHear from '~icons/bi/volume-up';
import { backForward, useKeys } from '../../app/keys';
import BarreCaution from '../../instruments/BarreCaution.vue';
import PaceLine from '../../instruments/PaceLine.vue';
import PaperSheet from '../../paper/PaperSheet.vue';
import ChangeSide from './ChangeSide.vue';
import PathQuestion from './PathQuestion.vue';
import PathShown from './PathShown.vue';
import { usePathBench } from './use-path-bench';

const bench = usePathBench();
const { taught, work, heard, title, wanted, where, pair, barres, pathLoop, printing, job } = bench;
const { student, limit, instrument } = taught;
const { path, ways } = work;
const { looping } = heard;
const millimetres = ref(false);
const question = useTemplateRef<InstanceType<typeof PathQuestion>>('question');
useKeys('changes', {
  chords: () => question.value?.focus(),
  change: backForward(bench.step),
  shape: () => pair.value && bench.openShape(pair.value.at + 1),
  other: () => bench.use(ways.value[0]),
  path: bench.nextPath,
  hear: () => void heard.hear(),
  millimetres: () => (millimetres.value = !millimetres.value),
  put: () => void bench.put(),
});
</script>

<template>
  <div class="changes">
    <Teleport defer to="#bench-tools">
      <span v-if="title" class="note">{{ title }}</span>
      <BButton variant="outline-secondary" :disabled="!path" @click="heard.hear"
        ><IconHear aria-hidden="true" /> {{ heard.playing.value ? 'Stop' : 'Hear it' }}</BButton
      >
      <BButton variant="outline-secondary" :disabled="!pathLoop" @click="bench.drillPath"
        >Drill the path</BButton
      >
      <BButton variant="outline-secondary" :disabled="!path" @click="printing = true">Print</BButton>
    </Teleport>
    <section class="sheet path-sheet" aria-label="The hand’s path along the neck">
      <PathQuestion ref="question" :bench="bench" />
      <PathShown :bench="bench" :millimetres="millimetres" />
    </section>
    <aside class="sheet scroll side" aria-label="One change" tabindex="0">
      <ChangeSide
        v-if="pair"
        :from="pair.from"
        :to="pair.to"
        :change="pair.change"
        :wanted-bpm="wanted"
        :gap-beats="work.options.value.gapBeats?.[pair.at] ?? 1"
        :ways="ways"
        :where="where[pair.at + 1]"
        :limit="limit"
        :left-handed="instrument.leftHanded"
        @use="bench.use"
        @unlock="work.lock(pair.at + 1, null)"
        @drill="bench.drill"
        @put="bench.put"
      />
      <p v-else class="empty">Two chords and more make a change. Pick one on the path.</p>
      <label v-if="pair" class="small loop"
        ><input v-model="looping" type="checkbox" /> Hear only this change, round and round</label
      >
      <PaceLine v-if="student" :name="student.name.split(' ')[0]" :pace="student.pace" />
      <BarreCaution v-if="barres" />
    </aside>
    <HouseDialog v-model="printing" size="lg" title="On paper">
      <PaperSheet :job="job"
        ><p class="note">
          The path as shape cards, in order, each with the change that leaves it.
        </p></PaperSheet
      >
    </HouseDialog>
  </div>
</template>

<style scoped>
.changes {
  display: grid;
  grid-template-columns: minmax(0, 920px) minmax(300px, 1fr);
  gap: var(--space-2);
}
.path-sheet {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  padding-bottom: 0;
}
.side {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.loop {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  min-height: 32px;
}
@media (max-width: 1199px), (max-height: 599px) {
  .changes {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .side {
    display: none;
  }
  .changes {
    display: block;
    height: auto;
  }
}
@media (pointer: coarse) {
  .loop {
    min-height: 44px;
  }
}
</style>
