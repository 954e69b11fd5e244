<script setup lang="ts">
import { routes, type DoneBody, type LessonBody } from '@finch/contract';
import { planMinutes, type PlanBlock } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import { BButton, BFormInput, BFormTextarea } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import IconCheck from '~icons/bi/check-lg';
import { useKeys } from '../../app/keys';
import BothVersions from '../../app/BothVersions.vue';
import { say, sayError } from '../../app/words';
import { CATEGORY } from '../../instruments/categories';
import PatternDefs from '../../instruments/PatternDefs.vue';
import PurflingBar from '../../instruments/PurflingBar.vue';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useKeeping } from '../../session/keeping';
import { useLesson, useStudent } from '../../session/queries';
import type { LessonRun } from '../../session/lesson-run';

const props = defineProps<{ lessonId?: string }>();
const bench = useBench();
const router = useRouter();
const client = useQueryClient();
const { data: onBench } = useStudent(() => bench.studentId);
const id = computed(
  () =>
    props.lessonId ||
    bench.lessonId ||
    onBench.value?.lessons.find((lesson) => lesson.state === 'taught')?.id ||
    null,
);
const { data: lesson, error, refetch } = useLesson(id);
watch(lesson, (now) => now && bench.put(now.studentId, now.id), { immediate: true });
const runs = useLocalStorage<Record<string, LessonRun>>('finch-lessons', {});
const rows = ref<DoneBody['blocks']>([]);
const note = ref('');
const kept = ref(false);
const laidOut = ref('');
function layOut(now: LessonBody) {
  laidOut.value = now.id;
  rows.value =
    now.done?.blocks.map((row) => ({ ...row })) ??
    (now.plan?.blocks ?? []).map((block) => ({
      blockId: block.id,
      title: block.title,
      kind: block.kind,
      minutes: block.minutes,
      takes: { clean: 0, nearly: 0, notYet: 0 },
      brought: false,
    }));
  note.value = now.note || runs.value[now.id]?.note || '';
}
const keeping = useKeeping<LessonBody>({
  name: 'Write-up',
  send: async (version) => {
    if (!lesson.value) throw new RangeError('no lesson to write up');
    const made = await call(routes.keepWriteUp, {
      params: { lessonId: lesson.value.id },
      body: {
        version,
        done: {
          schemaVersion: 1,
          blocks: rows.value.map((row) => ({ ...row, minutes: Math.max(0, Number(row.minutes) || 0) })),
        },
        note: note.value,
      },
    });
    kept.value = true;
    client.setQueryData(['lesson', made.id], made);
    const { [made.id]: _written, ...others } = runs.value;
    runs.value = others;
    await client.invalidateQueries({ queryKey: ['board'] });
    await client.invalidateQueries({ queryKey: ['student', made.studentId] });
    return made.version;
  },
  newest: () => call(routes.lesson, { params: { lessonId: id.value ?? '' } }),
  versionOf: (theirs) => theirs.version,
  inWords: (theirs) =>
    [
      (theirs.done?.blocks ?? []).map((row) => `${say(row.title)} ${Math.round(row.minutes)} min`).join(', '),
      theirs.note,
    ]
      .filter(Boolean)
      .join('\n') || 'nothing written',
  show: layOut,
});
watch(
  lesson,
  (now) => {
    // Once laid out, what is on the screen belongs to the teacher; a newer version is met when it is kept.
    if (!now || laidOut.value === now.id) return;
    keeping.began(now.version);
    layOut(now);
  },
  { immediate: true },
);
const planned = computed<readonly PlanBlock[]>(() => lesson.value?.plan?.blocks ?? []);
const plannedStrips = computed(() =>
  planned.value.map((block) => ({
    name: say(block.title),
    value: block.minutes,
    category: CATEGORY[block.kind],
  })),
);
const doneStrips = computed(() =>
  rows.value.map((row) => ({
    name: say(row.title),
    value: Number(row.minutes),
    category: CATEGORY[row.kind],
  })),
);
const doneMinutes = computed(() => rows.value.reduce((sum, row) => sum + Number(row.minutes), 0));
const plannedFor = (row: DoneBody['blocks'][number]) =>
  planned.value.find((block) => block.id === row.blockId)?.minutes;
const takesOf = (row: DoneBody['blocks'][number]) => {
  const { clean, nearly, notYet } = row.takes;
  return clean + nearly + notYet === 0
    ? 'no take'
    : [clean && `${clean} clean`, nearly && `${nearly} nearly`, notYet && `${notYet} not yet`]
        .filter(Boolean)
        .join(', ');
};
const total = computed(() =>
  Math.max(planMinutes(planned.value), doneMinutes.value, lesson.value?.minutes ?? 0),
);
const verdict = (row: DoneBody['blocks'][number]) => {
  const plan = plannedFor(row);
  if (row.brought || plan === undefined) return { text: 'brought', look: '' };
  if (Number(row.minutes) === 0) return { text: 'left for next time', look: 'over' };
  return Number(row.minutes) + 1.5 < plan
    ? { text: 'in part', look: '' }
    : { text: 'covered', look: 'ready' };
};
const when = computed(() =>
  lesson.value
    ? new Date(lesson.value.startsAt).toLocaleString('en-GB', {
        weekday: 'short',
        day: 'numeric',
        month: 'long',
        hour: '2-digit',
        minute: '2-digit',
        timeZone: lesson.value.timeZone,
      })
    : '',
);
useKeys([
  { key: 'n', does: 'note', run: () => document.getElementById('write-note')?.focus() },
  { key: 'Enter', does: 'keep write-up', run: () => void keeping.keep() },
  { key: 'b', does: 'to the Board', run: () => void router.push('/') },
]);
</script>

<template>
  <div class="write">
    <PatternDefs />
    <p v-if="!id" class="sheet empty">
      No lesson waits for its write-up here. Teach one, or open one from the Board.
    </p>
    <p v-else-if="error" class="refusal">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!lesson" class="sheet empty">Reading the lesson…</p>
    <template v-else>
      <section class="sheet scroll done" tabindex="0" aria-label="Done against planned">
        <div class="spread">
          <h1 class="h2like">Done against planned</h1>
          <span class="small">{{ when }} · filled in by the lesson; touch only what is wrong</span>
        </div>
        <p class="small">
          planned, <b>{{ planned.length ? planMinutes(planned) : 0 }} min</b
          >{{ planned.length ? '' : ' (no plan was kept for this lesson)' }}
        </p>
        <PurflingBar v-if="planned.length" :strips="plannedStrips" :total="total" unit="minutes planned" />
        <PurflingBar :strips="doneStrips" :total="total" unit="minutes done" />
        <p class="small">
          done, <b>{{ Math.round(doneMinutes) }} min</b>
        </p>
        <table>
          <thead>
            <tr>
              <th scope="col">block</th>
              <th scope="col">planned</th>
              <th scope="col">done</th>
              <th scope="col">takes</th>
              <th scope="col">promised against covered</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, i) in rows" :key="row.blockId">
              <th scope="row">
                <svg width="16" height="13" aria-hidden="true">
                  <rect width="16" height="13" :fill="`url(#cat-${CATEGORY[row.kind]})`" />
                </svg>
                {{ say(row.title) }}
              </th>
              <td>{{ plannedFor(row) ?? '–' }}</td>
              <td>
                <BFormInput
                  v-model.number="rows[i].minutes"
                  type="number"
                  min="0"
                  max="240"
                  step="1"
                  size="sm"
                  :aria-label="`Minutes done: ${say(row.title)}`"
                />
              </td>
              <td>{{ takesOf(row) }}</td>
              <td>
                <span class="tag" :class="verdict(row).look">{{ verdict(row).text }}</span>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="!rows.length" class="empty">Nothing was timed in this lesson.</p>
      </section>
      <section class="sheet words">
        <label for="write-note"><h2>Note</h2></label>
        <BFormTextarea
          id="write-note"
          v-model="note"
          rows="8"
          maxlength="2000"
          placeholder="What to remember next time"
        />
        <p class="small">{{ note.length }} of 2000 characters</p>
        <BothVersions :keeping="keeping" />
        <p v-if="lesson.state === 'written' || kept" class="note" role="status">
          <span class="tag ready">written up</span>
        </p>
        <div class="acts">
          <BButton
            variant="outline-secondary"
            @click="router.push({ name: 'student', params: { studentId: lesson.studentId } })"
            >Open student</BButton
          ><BButton class="pri" variant="dark" @click="keeping.keep()"
            ><IconCheck aria-hidden="true" /> Keep write-up</BButton
          >
        </div>
      </section>
    </template>
  </div>
</template>

<style>
.write {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: 8px;
}
.write .done {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.write table {
  width: 100%;
  font-size: 14px;
  border-collapse: collapse;
  margin-top: 6px;
}
.write th {
  text-align: left;
  font-weight: 400;
}
.write thead th {
  font-size: 12.5px;
  color: var(--ink3);
  border-bottom: 2px solid var(--ink);
  padding: 2px 8px 4px 0;
}
.write tbody :is(th, td) {
  border-bottom: 1px solid var(--line);
  padding: 4px 8px 4px 0;
}
.write input[type='number'] {
  width: 76px;
  text-align: right;
  font-weight: 700;
}
.write .words {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.write .acts {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
  margin-top: auto;
}
@media (max-width: 820px) {
  .write {
    grid-template-columns: minmax(0, 1fr);
    overflow-y: auto;
  }
}
</style>
