<script setup lang="ts">
/** The week at home of the student on the bench: proposed, changed, given, printed; the Practice room follows it. */
import { BButton } from 'bootstrap-vue-next';
import { computed, nextTick, ref, watch } from 'vue';
import { RouterLink } from 'vue-router';
import IconCheck from '~icons/bi/check-lg';
import IconWarn from '~icons/bi/exclamation-triangle';
import { backForward, forwardBack, useKeys } from '../../app/keys';
import BothVersions from '../../furniture/BothVersions.vue';
import TodayLessons from '../../furniture/TodayLessons.vue';
import BecauseMark from '../../instruments/BecauseMark.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import { useBench } from '../../session/bench';
import { readAnew, useHomeworkBody } from '../../session/queries';
import { useTaught } from '../../session/taught';
import { say, sayError, timeText, whenText } from '../../words';
import { useQueryClient } from '@tanstack/vue-query';
import PracticeDays from './PracticeDays.vue';
import { useHomework } from './use-homework';
import { useWeekLetter } from './use-week-letter';
import WeekPaper from './WeekPaper.vue';
import WeekTable from './WeekTable.vue';
import { spanText, weekChecks, whenPlayed } from './week-words';

const props = defineProps<{ studentId?: string }>();
const bench = useBench();
const client = useQueryClient();
const id = computed(() => props.studentId || bench.studentId);
watch(
  () => props.studentId,
  (now) => now && bench.studentId !== now && bench.put(now, null),
  { immediate: true },
);
const { data: body, error, refetch } = useHomeworkBody(id);
const {
  week,
  standing,
  busy,
  trouble,
  draftFrom,
  keeping,
  canUndo,
  propose,
  lengthen,
  takeOut,
  takeBack,
  undo,
  dropDraft,
} = useHomework(body);
const { drilling } = useTaught(() => body.value?.student.id ?? null);
const paper = ref(false);
const picked = ref({ row: 0, day: 0 });
const pick = (row: number, day: number) => {
  const now = week.value;
  if (!now) return;
  picked.value = {
    row: Math.max(0, Math.min(row, now.rows.length - 1)),
    day: Math.max(0, Math.min(day, now.days.length - 1)),
  };
};
function walk(row: number, day: number) {
  pick(picked.value.row + row, picked.value.day + day);
  void nextTick(() => document.getElementById(`cell-${picked.value.row}-${picked.value.day}`)?.focus());
}
watch(week, () => pick(picked.value.row, picked.value.day));
const row = computed(() => week.value?.rows[picked.value.row] ?? null);
const checks = computed(() => (week.value && body.value ? weekChecks(week.value, body.value.limits) : []));
const STANDS = { proposed: 'proposed', given: 'given home', changed: 'changed, not given yet' } as const;
const clockText = (ms: number) => timeText(ms, body.value?.timeZone ?? 'UTC');
/** Other days or minutes: what is proposed follows; what was given or changed by hand stays until it is asked for. */
async function practiceKept() {
  await readAnew(client, 'homework', 'student');
  if (standing.value === 'proposed') await propose();
}
const letters = useWeekLetter();
const toOutbox = () => body.value && week.value && letters.send(body.value.student, week.value);
const more = (by: number) => lengthen(picked.value.row, picked.value.day, by);
useKeys(
  'homework',
  {
    row: backForward((by) => walk(by, 0)),
    day: backForward((by) => walk(0, by)),
    minutes: forwardBack(more),
    takeOut: () => takeOut(picked.value.row),
    give: () => void keeping.keep(),
    paper: () => (paper.value = true),
    again: () => !busy.value && void propose(),
    undo,
  },
  () => week.value !== null,
);
</script>

<template>
  <div class="homework" :class="{ whole: !body }">
    <PatternDefs />
    <Teleport v-if="body" defer to="#bench-tools">
      <span class="note"
        >Comes next:
        <b>{{ body.nextLessonAt ? whenText(body.nextLessonAt, body.timeZone) : 'not booked' }}</b></span
      >
      <BButton variant="outline-secondary" :disabled="!week?.rows.length" @click="paper = true"
        >On paper</BButton
      >
      <BButton
        class="pri"
        variant="dark"
        :disabled="!week?.rows.length || keeping.busy.value"
        @click="keeping.keep()"
        ><IconCheck aria-hidden="true" /> {{ standing === 'given' ? 'Given home' : 'Give it home' }}</BButton
      >
    </Teleport>
    <WeekPaper v-if="body" v-model="paper" :body="body" :week="week" :drilling="drilling" />
    <TodayLessons v-if="!id" place="homework" />
    <p v-else-if="error && !body" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!body" class="sheet empty" role="status">Reading what lies at home…</p>
    <template v-else>
      <section class="sheet scroll the-week" tabindex="0" aria-label="The week">
        <div class="spread">
          <h1 class="h2like" tabindex="-1">
            Homework{{ week ? `, ${spanText(week.days)}` : '' }}
            <span class="small">{{ busy ? 'weighing…' : week ? STANDS[standing] : '' }}</span>
          </h1>
        </div>
        <p v-if="draftFrom !== null" class="note" role="status">
          Your changes of {{ clockText(draftFrom) }} are here, not given home yet.
          <BButton size="sm" variant="outline-secondary" @click="dropDraft">Drop them</BButton>
        </p>
        <p v-if="trouble" class="refusal" role="alert">
          {{ trouble }} <BButton size="sm" variant="outline-secondary" @click="propose()">Try again</BButton>
        </p>
        <BothVersions :keeping="keeping" />
        <p v-if="!week" class="empty" role="status">{{ trouble ? '' : 'Weighing what the week is for…' }}</p>
        <p v-else-if="!week.rows.length" class="empty">
          Nothing to play: no day is a practice day. Turn one on at the right.
        </p>
        <WeekTable v-else :week="week" :played="body.played" :picked="picked" @pick="pick" />
        <div v-if="week?.rows.length" class="acts">
          <BButton
            size="sm"
            variant="outline-secondary"
            :aria-label="`A minute more of ${row ? say(row.title) : ''}`"
            @click="more(1)"
            >+ 1 min</BButton
          >
          <BButton
            size="sm"
            variant="outline-secondary"
            :aria-label="`A minute less of ${row ? say(row.title) : ''}`"
            @click="more(-1)"
            >− 1 min</BButton
          >
          <BButton size="sm" variant="outline-secondary" @click="takeOut(picked.row)">Take out</BButton>
          <BButton size="sm" variant="outline-secondary" :aria-disabled="!canUndo" @click="canUndo && undo()"
            >Undo</BButton
          >
          <BButton size="sm" variant="outline-secondary" @click="toOutbox">To the outbox</BButton>
          <BButton v-if="standing === 'given'" size="sm" variant="outline-secondary" @click="takeBack"
            >Take it back</BButton
          >
          <BButton size="sm" variant="outline-secondary" :aria-disabled="busy" @click="!busy && propose()"
            >Propose anew</BButton
          >
        </div>
      </section>
      <aside class="sheet scroll side" tabindex="0" aria-label="The drill picked, checks and practice days">
        <section v-if="row" aria-labelledby="drill-picked">
          <h2 id="drill-picked">{{ say(row.title) }}</h2>
          <BecauseMark>{{ say(row.because) }}</BecauseMark>
          <p class="small">{{ week ? whenPlayed(row, week.days) : '' }}</p>
          <RouterLink :to="{ name: 'drills', query: { recipe: JSON.stringify(row.recipe) } }"
            >Open it in Drills</RouterLink
          >
        </section>
        <section v-if="week?.rows.length" aria-labelledby="week-checks">
          <h2 id="week-checks">Checks</h2>
          <ul class="checks">
            <li v-for="check in checks" :key="check.text">
              <IconCheck v-if="check.ok" aria-label="kept:" /><IconWarn
                v-else
                class="warn"
                aria-label="look:"
              />
              <span>{{ check.text }}</span>
            </li>
          </ul>
        </section>
        <section v-if="week?.leftOut.length" aria-labelledby="week-left">
          <h2 id="week-left">Left out, and why</h2>
          <BecauseMark v-for="one in week.leftOut" :key="one.skillId"
            ><b>{{ say(one.title) }}:</b> {{ say(one.because) }}</BecauseMark
          >
        </section>
        <PracticeDays :body="body" @kept="practiceKept" />
        <p class="small">The Practice room follows the week that is given home, day by day.</p>
      </aside>
    </template>
  </div>
</template>

<style scoped>
.homework {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 308px;
  gap: var(--space-2);
}
.homework > * {
  min-height: 0;
}
.homework.whole {
  display: block;
}
.the-week,
.side {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.side > section {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.side p {
  margin: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.checks li {
  display: flex;
  gap: var(--space-2);
  font-size: var(--size-2);
  padding: var(--space-1) 0;
  border-top: 1px solid var(--line);
  line-height: 1.3;
}
.checks svg {
  flex: none;
  margin-top: 2px;
}
.checks .warn {
  color: var(--breast);
}
@media (max-width: 1023px) {
  .homework {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
