<script setup lang="ts">
/** Five minutes once a term: warm, unrehearsed, each item once, as the teacher hears it; what every term heard stands beside it. */
import { BButton } from 'bootstrap-vue-next';
import { computed, onScopeDispose, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useKeys } from '../../app/keys';
import FeelPicker from '../../instruments/FeelPicker.vue';
import { useDrafts } from '../../session/drafts';
import { useCheckUpBody } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { chordText, dayText, plural, sayError } from '../../words';
import CheckUpItem from './CheckUpItem.vue';
import TermTable from '../../furniture/TermTable.vue';
import { useCheckUp } from './use-check-up';

const props = defineProps<{ studentId: string }>();
const seat = useSeat();
const { data, error, refetch } = useCheckUpBody(() => props.studentId);
const zone = computed(() => seat.studio?.timeZone ?? 'UTC');
const run = useCheckUp(
  () => data.value,
  seat,
  useDrafts(),
  () => zone.value,
);
const { going, items, item, drill, trouble, hurts } = run;
const clock = ref(seat.now());
const timer = setInterval(() => (clock.value = seat.now()), 500);
onScopeDispose(() => clearInterval(timer));
const left = computed(() => {
  const seconds = Math.ceil(run.easyLeft(clock.value) / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
});
const first = computed(() => data.value?.student.name.split(' ')[0] ?? '');
const mayPlay = computed(() => !['stopped today', 'locked'].includes(data.value?.pain.status ?? ''));
const heardBefore = (skillId: string) =>
  data.value?.before
    .findLast(({ at }) => at < going.value.since)
    ?.heard.find((one) => one.skillId === skillId) ?? null;
/** How many of the items were heard last time. */
const asBefore = computed(() => {
  const last = data.value?.before.findLast(({ at }) => at < going.value.since)?.heard ?? [];
  return items.value.filter(({ skillId }) => last.some((one) => one.skillId === skillId)).length;
});
const feeling = ref(false);
useKeys(
  'checkUp',
  {
    clean: () => void run.hear('clean'),
    nearly: () => void run.hear('nearly'),
    notYet: () => void run.hear('not yet'),
    back: () => void run.back(),
  },
  () => item.value !== null,
);
</script>

<template>
  <div class="check-up">
    <section class="sheet">
      <div class="spread">
        <h1 class="h2like" tabindex="-1">{{ first ? `${first}’s check-up` : 'Check-up' }}</h1>
        <RouterLink :to="{ name: 'student', params: { studentId } }">{{ first || 'The student' }}</RouterLink>
      </div>
      <p v-if="error" class="refusal" role="alert">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </p>
      <p v-else-if="!data" class="empty" role="status">Laying out the items…</p>
      <p v-else-if="!mayPlay" class="refusal" role="alert">
        {{ first }} reported pain: nothing is played now. The check-up waits.
      </p>
      <p v-else-if="!items.length" class="empty">
        Nothing to ask yet: the check-up asks what was played three times or more.
      </p>
      <template v-else-if="going.phase === 'ready'">
        <p>
          {{ plural(items.length, 'item') }}, each played once, unrehearsed, as you hear it. Three easy
          minutes first.{{
            asBefore
              ? ` ${asBefore === items.length ? 'They are' : `${asBefore} of them are`} last time’s.`
              : ''
          }}
        </p>
        <p v-if="data.grows">
          {{ first }}’s hand grows:
          {{ data.handSince ? `measured on ${dayText(data.handSince, zone)}` : 'never measured' }}. Measure it
          again after the easy minutes, relaxed and never pulled, on
          <RouterLink :to="{ name: 'student', params: { studentId } }">{{ first }}’s page</RouterLink>.
        </p>
        <div class="acts">
          <BButton variant="dark" @click="run.warmUp()">Begin the easy minutes</BButton>
          <BButton variant="outline-secondary" @click="run.toItems()">The hand is warm</BButton>
        </div>
      </template>
      <template v-else-if="going.phase === 'easy'">
        <p class="clock" role="timer">{{ left }}</p>
        <p>Open strings, one finger a fret, light. Nothing of the items.</p>
        <BButton variant="dark" @click="run.toItems()">To the first item</BButton>
      </template>
      <template v-else-if="going.phase === 'items'">
        <p role="status">Item {{ going.heard.length + 1 }} of {{ items.length }}: the first take counts.</p>
      </template>
      <template v-else>
        <p role="status">
          {{
            hurts
              ? `Stopped: it hurts (${hurts.hand === 'pain' ? hurts.where : ''}). No more playing today; see a doctor or a hand therapist. What was heard is kept.`
              : `Done: ${going.heard.filter(({ result }) => result === 'clean').length} of ${going.heard.length} clean.`
          }}
        </p>
        <ul>
          <li v-for="one in going.heard" :key="one.takeId">
            {{ chordText(items.find(({ skillId }) => skillId === one.skillId)?.name ?? one.skillId) }}:
            <b>{{ one.result }}</b><span v-if="heardBefore(one.skillId)" class="note">
              · last time {{ heardBefore(one.skillId)?.result }}</span
            >
          </li>
        </ul>
        <BButton v-if="!hurts" variant="outline-secondary" @click="run.again()">Begin anew</BButton>
      </template>
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
    </section>
    <template v-if="item && data && mayPlay">
      <CheckUpItem v-if="drill" :drill="drill" :name="item.name" :taught="data.taught" />
      <section class="sheet answers" aria-label="What you heard">
        <BButton variant="outline-secondary" @click="run.hear('clean')">Clean</BButton>
        <BButton variant="outline-secondary" @click="run.hear('nearly')">Nearly</BButton>
        <BButton variant="outline-secondary" @click="run.hear('not yet')">Not yet</BButton>
        <BButton v-if="going.heard.length" variant="link" @click="run.back()"
          >Hear the last one again</BButton
        >
        <BButton variant="link" :aria-expanded="feeling" @click="feeling = !feeling">It hurts</BButton>
        <FeelPicker
          v-if="feeling"
          :model-value="null"
          @update:model-value="(feel) => feel?.hand === 'pain' && void run.hear('not yet', feel)"
        />
      </section>
    </template>
    <section v-if="data" class="sheet" aria-label="Every check-up">
      <h2>Every check-up</h2>
      <TermTable :before="data.before" :time-zone="zone" />
    </section>
  </div>
</template>

<style scoped>
.check-up {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  overflow-y: auto;
}
.sheet {
  flex: none;
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  align-items: stretch;
}
.acts,
.answers {
  display: flex;
  flex-flow: row wrap;
  gap: var(--space-2);
}
.answers .btn {
  min-height: 64px;
  min-width: 120px;
  font-size: var(--size-5);
}
.clock {
  font-size: var(--size-7);
  font-variant-numeric: tabular-nums;
}
</style>
