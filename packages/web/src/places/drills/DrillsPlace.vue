<script setup lang="ts">
/** The generator: a family, its parameters and a hand make a drill, seen, heard, tried, re-keyed and handed on. */
import { drillTitle } from '@finch/core/drills';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import LaterFrame from '../../furniture/LaterFrame.vue';
import { backForward, useKeys } from '../../app/keys';
import { useStages } from '../../app/stages';
import HeardPick from '../../instruments/HeardPick.vue';
import NeckQuiz from '../../instruments/NeckQuiz.vue';
import { say, sayProblem } from '../../words';
import { FAMILY_WORDS } from '../../words/family-words';
import DrillAsk from './DrillAsk.vue';
import DrillEffort from './DrillEffort.vue';
import DrillPaper from './DrillPaper.vue';
import DrillSheet from './DrillSheet.vue';
import FamilyList from './FamilyList.vue';
import KeyRow from './KeyRow.vue';
import { useDrillBench } from './use-drill-bench';

const bench = useDrillBench();
const {
  taught,
  recipe,
  drill,
  problem,
  nearest,
  failed,
  title,
  unread,
  notches,
  keyed,
  rootNow,
  player,
  over,
  busy,
  draws,
  finder,
} = bench;
const { text, found } = finder;
const { heard, choices } = bench.sound;
const { student, drilling, limit, instrument } = taught;
const who = computed(() => (student.value ? `${student.value.name.split(' ')[0]}’s` : 'a middle'));
const stage = useStages(2);
const trying = ref(false);
const printing = ref(false);
const list = useTemplateRef<InstanceType<typeof FamilyList>>('list');
const sheet = useTemplateRef<InstanceType<typeof DrillSheet>>('sheet');
useKeys('drills', {
  hear: () => void bench.hear(),
  step: backForward((by) => sheet.value?.go(by)),
  easier: () => bench.step('easier'),
  harder: () => bench.step('harder'),
  key: bench.nextKey,
  attempt: () => (trying.value = drill.value?.judged === 'calls'),
  redraw: () => draws.value && bench.redraw(),
  paper: () => (printing.value = drill.value !== null),
  find: () => list.value?.focus(),
  put: () => void bench.put(),
});
</script>

<template>
  <div class="drills">
    <Teleport defer to="#bench-tools">
      <BButton variant="outline-secondary" :disabled="!drill || busy" @click="bench.home"
        >To homework</BButton
      >
      <BButton class="pri" variant="dark" :disabled="!drill || busy" @click="bench.put">Put in plan</BButton>
    </Teleport>
    <FamilyList
      ref="list"
      v-model="text"
      class="families"
      :family="recipe.family"
      :found="found"
      :failed="finder.failed.value"
      @open="bench.open"
      @take="(found) => (recipe = found)"
    />
    <section class="sheet scroll middle" aria-label="The drill" tabindex="0">
      <div class="spread">
        <div>
          <h2 class="display drill-title">{{ title }}</h2>
          <p class="small trains">{{ recipe.family }}: {{ FAMILY_WORDS[recipe.family].trains }}</p>
        </div>
        <span class="middle-acts">
          <BButton variant="outline-secondary" :disabled="!drill" @click="printing = true">Paper</BButton>
          <BButton v-if="draws" variant="outline-secondary" :disabled="!drill" @click="bench.redraw"
            >Another draw</BButton
          >
          <BButton v-if="drill?.judged === 'calls'" variant="outline-secondary" @click="trying = true"
            >Try it</BButton
          >
          <HeardPick v-model="heard" :choices="choices" />
          <BButton variant="outline-secondary" :disabled="!drill" @click="bench.hear">{{
            player.playing.value ? '■ Stop' : '▶ Hear it'
          }}</BButton>
        </span>
      </div>
      <DrillSheet
        v-if="drill && stage > 0"
        ref="sheet"
        :drill="drill"
        :context="drilling"
        :playing="player.playing.value"
        :elapsed="player.elapsed.value - drill.score.countInBeats"
      />
      <p v-else-if="failed" class="refusal" role="alert">
        The drill could not be made in this window.
        <BButton size="sm" variant="outline-secondary" @click="bench.again()">Try again</BButton>
      </p>
      <div v-else-if="problem" class="empty" role="status">
        <p>{{ sayProblem(problem) }}</p>
        <BButton v-if="nearest" variant="outline-secondary" @click="recipe = nearest"
          >Take the nearest that can be made: {{ say(drillTitle(nearest)) }}</BButton
        >
      </div>
      <KeyRow
        v-if="keyed.length"
        :keyed="keyed"
        :root="rootNow"
        :limit="limit"
        :who="who"
        @take="bench.toKey"
      />
    </section>
    <aside class="sheet scroll side" aria-label="Parameters and effort" tabindex="0">
      <h2>Parameters</h2>
      <DrillAsk
        v-if="stage > 1"
        v-model="recipe"
        :context="drilling"
        :strings="instrument.openPitches.length"
      />
      <LaterFrame v-if="drill && stage > 0"
        ><DrillEffort
          :drill="drill"
          :recipe="recipe"
          :limit="limit"
          :over="over"
          :notches="notches"
          @step="bench.step"
      /></LaterFrame>
      <p v-if="unread" class="note" role="status">
        The drill in this address could not be read, so another is open. Make it anew from its grips or bars.
      </p>
    </aside>
    <DrillPaper
      v-model="printing"
      :drill="drill"
      :title="title"
      :context="drilling"
      :who="student?.name ?? ''"
    />
    <HouseDialog v-model="trying" size="lg" :title="title">
      <NeckQuiz v-if="trying && drill" :drill="drill" :instrument="instrument" />
    </HouseDialog>
  </div>
</template>

<style scoped>
.drills {
  display: grid;
  grid-template-columns: 286px minmax(0, 1fr) 296px;
  gap: var(--space-2);
}
.drills > * {
  min-height: 0;
}
.middle,
.side {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.drill-title {
  font-size: var(--size-6);
  line-height: 1.05;
}
.trains {
  margin: 0;
}
/* Names the drill, which is longer than a phone is wide. */
.empty .btn {
  white-space: normal;
  max-width: 100%;
}
.middle-acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
@media (max-width: 1199px), (max-height: 599px) {
  .drills {
    grid-template-columns: minmax(0, 1fr) 300px;
    grid-auto-rows: max-content;
  }
  .families {
    grid-column: 1 / -1;
  }
}
@media (max-width: 820px) {
  .drills {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
