<script setup lang="ts">
/** What a parent asks: how the week went, what is to be practised, the last lesson and the next, one sentence of progress. */
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { useReport } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { dayText, say, sayError, shortDate } from '../../words';
import { lessonWhen, painText, titlesOf, weekText } from '../../words/report-words';

const seat = useSeat();
const props = defineProps<{ studentId: string }>();
const { data: report, error, refetch } = useReport(() => props.studentId);
const first = computed(() => report.value?.student.name.split(' ')[0] ?? '');
</script>

<template>
  <p v-if="error && !report" class="refusal" role="alert">
    {{ sayError(error) }}
    <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
  </p>
  <p v-else-if="!report" class="empty sheet" role="status">Reading the week…</p>
  <article v-else class="sheet family">
    <div class="spread head">
      <h1 tabindex="-1">{{ report.student.name }}</h1>
      <BButton
        v-if="seat.teaches"
        variant="outline-secondary"
        :to="{ name: 'student', params: { studentId } }"
        >Back to the student</BButton
      >
    </div>
    <p class="story">{{ say(report.progress) }}</p>
    <div v-if="report.pain.status !== 'free'" class="caution">
      <p>{{ painText(report.pain) }}</p>
    </div>
    <section aria-labelledby="week">
      <h2 id="week">This week</h2>
      <p>{{ weekText(report.week, first) }}</p>
    </section>
    <section aria-labelledby="home">
      <h2 id="home">To practise at home</h2>
      <ul v-if="report.home.length">
        <li v-for="card in report.home" :key="card.id">
          {{ card.title }} <span class="note">since {{ shortDate(Date.parse(card.since)) }}</span>
        </li>
      </ul>
      <p v-else class="note">
        Nothing was given home by hand: the Practice room makes a short list every day.
      </p>
    </section>
    <section aria-labelledby="last">
      <h2 id="last">The last lesson</h2>
      <template v-if="report.last">
        <p>{{ dayText(report.last.startsAt, report.student.timeZone) }}</p>
        <ul v-if="report.last.did.length">
          <li v-for="title in titlesOf(report.last.did)" :key="title">{{ title }}</li>
        </ul>
        <p v-else class="note">What was done in it is not written up.</p>
      </template>
      <p v-else class="note">There was none yet.</p>
    </section>
    <section aria-labelledby="next">
      <h2 id="next">The next lesson</h2>
      <template v-if="report.next">
        <p>{{ lessonWhen(report.next, report.student.timeZone) }}</p>
        <ul v-if="report.next.brings.length">
          <li v-for="title in titlesOf(report.next.brings)" :key="title">{{ title }}</li>
        </ul>
        <p v-else class="note">What it brings is planned shortly before.</p>
      </template>
      <p v-else class="note">None is booked.</p>
    </section>
  </article>
</template>

<style scoped>
.family {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 320px), 1fr));
  align-content: start;
  gap: var(--space-4) var(--space-5);
  max-width: 900px;
}
.family > .head,
.family > .story,
.family > .caution {
  grid-column: 1 / -1;
  margin: 0;
}
.story {
  font-size: var(--size-4);
}
h2 {
  font-size: var(--size-4);
  margin: 0 0 var(--space-1);
}
p {
  margin: 0 0 var(--space-1);
}
li {
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  overflow-wrap: anywhere;
}
</style>
