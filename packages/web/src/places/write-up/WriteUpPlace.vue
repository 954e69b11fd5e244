<script setup lang="ts">
/** Done against planned, and a note: thirty seconds after a lesson that ran here, a question first after one that did not. */
import { planMinutes, type PlanBlock } from '@finch/core/planning';
import { BButton, BFormTextarea } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import IconCheck from '~icons/bi/check-lg';
import { useKeys } from '../../app/keys';
import BothVersions from '../../furniture/BothVersions.vue';
import TodayLessons from '../../furniture/TodayLessons.vue';
import { CATEGORY } from '../../instruments/categories';
import PatternDefs from '../../instruments/PatternDefs.vue';
import PurflingBar from '../../instruments/PurflingBar.vue';
import { useBench } from '../../session/bench';
import { useLesson, useStudent } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { say, sayError, timeText, whenText } from '../../words';
import DoneTable from './DoneTable.vue';
import { useWriteUp } from './use-write-up';
import { asPlanned, readMinutes } from './write-up-rows';

const props = defineProps<{ lessonId?: string }>();
const seat = useSeat();
const bench = useBench();
const router = useRouter();
const { data: onBench } = useStudent(() => bench.studentId);
const id = computed(
  () =>
    props.lessonId ||
    bench.lessonId ||
    onBench.value?.lessons.find((lesson) => lesson.state === 'taught')?.id ||
    null,
);
const { data: lesson, error, refetch } = useLesson(id);
const { data: student } = useStudent(() => lesson.value?.studentId ?? null);
watch(lesson, (now) => now && bench.put(now.studentId, now.id), { immediate: true });
const {
  rows,
  note,
  kept,
  keeping,
  draftFrom,
  doneMinutes,
  setMinutes,
  setNote,
  setRows,
  keepEmpty,
  dropDraft,
} = useWriteUp(lesson);

const planned = computed<readonly PlanBlock[]>(() => lesson.value?.plan?.blocks ?? []);
const strips = (list: readonly { title: PlanBlock['title']; kind: PlanBlock['kind']; minutes: number }[]) =>
  list.map((one) => ({
    name: say(one.title),
    value: readMinutes(one.minutes),
    category: CATEGORY[one.kind],
  }));
const total = computed(() =>
  Math.max(planMinutes(planned.value), doneMinutes.value, lesson.value?.minutes ?? 0),
);
const written = computed(() => lesson.value?.state === 'written');
const ahead = computed(() => lesson.value !== undefined && Date.parse(lesson.value.startsAt) > seat.now());
/** Nothing was taught that anybody knows of: asked before anything is kept. */
const answered = ref(false);
const asks = computed(() => !written.value && !answered.value && doneMinutes.value === 0);
watch(id, () => (answered.value = false));
const question = useTemplateRef<HTMLElement>('question');
async function keep() {
  if (doneMinutes.value === 0 && !written.value) {
    answered.value = false;
    question.value?.focus();
    return;
  }
  await keeping.keep();
}
function heldAsPlanned() {
  setRows(asPlanned(rows.value, planned.value, lesson.value?.minutes ?? 0));
  answered.value = true;
}
useKeys(
  'write-up',
  {
    note: () => document.getElementById('write-note')?.focus(),
    keep: () => void keep(),
    board: () => void router.push('/'),
  },
  () => lesson.value !== undefined && id.value !== null,
);
</script>

<template>
  <div class="write" :class="{ whole: !lesson }">
    <PatternDefs />
    <TodayLessons v-if="!id" place="write-up" />
    <p v-else-if="error && !lesson" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!lesson" class="sheet empty" role="status">Reading the lesson…</p>
    <template v-else>
      <section class="sheet scroll done" tabindex="0" aria-label="Done against planned">
        <div class="spread head">
          <h1 class="h2like" tabindex="-1">{{ student?.name ?? '' }}: done against planned</h1>
          <span class="small"
            >{{ whenText(lesson.startsAt, lesson.timeZone)
            }}{{
              lesson.done && !written ? ' · filled in by the lesson; touch only what is wrong' : ''
            }}</span
          >
        </div>
        <div
          v-if="asks"
          ref="question"
          class="ask"
          tabindex="-1"
          role="group"
          aria-label="How was the lesson?"
        >
          <p>
            <b>{{ ahead ? 'This lesson is still ahead.' : 'Nothing was timed in this lesson.' }}</b>
            {{ ahead ? 'It has not been taught here.' : 'How was it?' }}
          </p>
          <div class="acts">
            <BButton size="sm" variant="outline-secondary" @click="heldAsPlanned"
              >{{ planned.length ? 'Held as planned' : 'Held' }},
              {{ planned.length ? planMinutes(planned) : lesson.minutes }} min</BButton
            >
            <BButton size="sm" variant="outline-secondary" @click="answered = true"
              >I write the minutes in</BButton
            >
            <BButton size="sm" variant="outline-secondary" @click="keepEmpty">Nothing was taught</BButton>
          </div>
        </div>
        <p v-if="draftFrom !== null" class="note" role="status">
          What you typed at {{ timeText(draftFrom, lesson.timeZone) }} is here, not kept yet.
          <BButton size="sm" variant="outline-secondary" @click="dropDraft">Drop it</BButton>
        </p>
        <p class="small">
          planned, <b>{{ planned.length ? planMinutes(planned) : 0 }} min</b
          >{{ planned.length ? '' : ' (no plan was kept for this lesson)' }}
        </p>
        <PurflingBar v-if="planned.length" :strips="strips(planned)" :total="total" unit="minutes planned" />
        <PurflingBar v-if="doneMinutes > 0" :strips="strips(rows)" :total="total" unit="minutes done" />
        <p class="small">
          done, <b>{{ Math.round(doneMinutes) }} min</b>
        </p>
        <DoneTable :rows="rows" :planned="planned" @minutes="setMinutes" />
      </section>
      <section class="sheet words">
        <label for="write-note"><h2>Note</h2></label>
        <BFormTextarea
          id="write-note"
          :model-value="note"
          rows="8"
          maxlength="2000"
          placeholder="What to remember next time"
          @update:model-value="(text) => setNote(String(text ?? ''))"
        />
        <p class="small">{{ note.length }} of 2000 characters</p>
        <BothVersions :keeping="keeping" />
        <p v-if="kept || (written && draftFrom === null)" class="note" role="status">
          <span class="tag ready">written up</span>
        </p>
        <div class="acts">
          <BButton
            variant="outline-secondary"
            @click="router.push({ name: 'student', params: { studentId: lesson.studentId } })"
            >Open student</BButton
          ><BButton class="pri" variant="dark" :disabled="keeping.busy.value" @click="keep"
            ><IconCheck aria-hidden="true" /> Keep write-up</BButton
          >
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.write {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: var(--space-2);
}
.write.whole {
  display: block;
}
.done,
.words {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.head {
  flex-wrap: wrap;
}
.ask {
  border: 1px solid var(--crown);
  background: var(--wash-crown);
  border-radius: 3px;
  padding: var(--space-2) var(--space-3);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.ask .acts {
  margin-top: var(--space-2);
}
.words .acts {
  justify-content: flex-end;
  margin-top: auto;
}
@media (max-width: 991px) {
  .write {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
