<script setup lang="ts">
/** The lesson as it runs, readable from a metre and a half and worked with one hand. */
import { BButton } from 'bootstrap-vue-next';
import { ref, useTemplateRef, watch } from 'vue';
import { forwardBack, useKeys } from '../../app/keys';
import TodayLessons from '../../furniture/TodayLessons.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import { sayError, whenText } from '../../words';
import AskDialog from './AskDialog.vue';
import LessonClosed from './LessonClosed.vue';
import LessonFoot from './LessonFoot.vue';
import LessonLog from './LessonLog.vue';
import LessonStage from './LessonStage.vue';
import LessonTop from './LessonTop.vue';
import { familyText, TAKE_RESULTS } from './lesson-words';
import { useLessonBench } from './use-lesson-bench';

const props = defineProps<{ lessonId?: string }>();
const bench = useLessonBench(() => props.lessonId);
const { id, lesson, error, refetch, taught, run, stage, taken, closed, name, trouble, announced } = bench;
const { instrument, hookOn } = taught;
const { blocks, block, at, begun, takes, lastTake, spentSeconds } = run;
const { drill } = stage;
const { feel, asks, stopped, said, felt } = taken;
const noting = ref(false);
watch(noting, (open) => !open && bench.noted());
const bringing = ref(false);
function bring(text: string) {
  bringing.value = false;
  bench.bring(text);
}
const place = useTemplateRef<HTMLElement>('place');
async function openAgain() {
  await bench.openAgain();
  place.value?.querySelector<HTMLElement>('h1')?.focus();
}
const logPanel = useTemplateRef<InstanceType<typeof LessonLog>>('logPanel');
const live = () => !noting.value && !bringing.value && block.value !== null && !closed.value;
useKeys(
  'lesson',
  {
    take: (i) => void bench.log(TAKE_RESULTS[i]),
    takeBack: () => void bench.takeBack(),
    play: () => void stage.toggle(),
    start: () => run.begin(),
    easy: () => void felt({ hand: 'easy' }),
    tense: () => void felt({ hand: 'tense' }),
    pain: () => void logPanel.value?.askWhere(),
    note: () => (noting.value = true),
    home: bench.toHome,
    bring: () => (bringing.value = true),
    block: forwardBack((by) => void bench.go(() => at.value + by)),
    tempo: forwardBack((by) => stage.faster(2 * by)),
    change: () => stage.next(),
    reveal: () => stage.reveal(),
    part: () => stage.walk(),
  },
  live,
);
</script>

<template>
  <div ref="place" class="lesson" :class="{ whole: !block || closed }">
    <PatternDefs />
    <TodayLessons v-if="!id" place="lesson" />
    <p v-else-if="error && !lesson" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!lesson" class="sheet empty" role="status">Reading the lesson…</p>
    <LessonClosed
      v-else-if="closed"
      :lesson="lesson"
      :name="name"
      :when="whenText(lesson.startsAt, lesson.timeZone)"
      @again="openAgain"
      @write-up="bench.toWriteUp"
    />
    <p v-else-if="!block" class="sheet empty" role="status">{{ trouble || 'Laying out the plan…' }}</p>
    <template v-else>
      <LessonTop
        class="wide"
        :blocks="blocks"
        :at="at"
        :sub="familyText(block, drill)"
        :spent-seconds="spentSeconds"
        :running="begun"
      />
      <p class="visually-hidden" role="status">{{ announced }}</p>
      <LessonStage
        :stage="stage"
        :block="block"
        :instrument="instrument"
        :stopped="stopped"
        :hook-on="hookOn"
      />
      <LessonLog
        ref="logPanel"
        :takes="takes"
        :open="drill !== null"
        :stopped="stopped !== ''"
        :feel="feel"
        :asks="asks"
        :said="said"
        :can-take-back="lastTake !== null && !stopped"
        @log="bench.log"
        @felt="felt"
        @take-back="bench.takeBack"
      />
      <LessonFoot class="wide" :bench="bench" @note="noting = true" @bring="bringing = true" />
    </template>
    <AskDialog v-model:open="noting" title="Note" hint="Kept as you type; the write-up begins with it.">
      <textarea
        class="form-control"
        :value="run.run.value?.note ?? ''"
        rows="5"
        maxlength="2000"
        aria-label="Note"
        @input="run.note(($event.target as HTMLTextAreaElement).value)"
      />
    </AskDialog>
    <AskDialog
      v-model:open="bringing"
      title="Brought something else today"
      hint="The plan waits; nothing of it is lost."
      act="Turn to it"
      @done="bring"
    >
      <input class="form-control" maxlength="80" placeholder="what it is" aria-label="What was brought" />
    </AskDialog>
  </div>
</template>

<style scoped>
.lesson {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 388px;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: var(--space-2);
}
.lesson.whole {
  display: block;
}
.wide {
  grid-column: 1 / -1;
}
@media (max-width: 1199px) {
  .lesson {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
  }
}
</style>
