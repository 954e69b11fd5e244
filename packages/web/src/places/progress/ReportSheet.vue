<script setup lang="ts">
/** The week of a student as a letter: begun from what the page for parents says, put right by the teacher, printed or put in the outbox. */
import { routes, type LetterBody } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import DraftNote from '../../furniture/DraftNote.vue';
import LetterForm from '../../furniture/LetterForm.vue';
import { call } from '../../session/api';
import { useNotices } from '../../session/notices';
import { readAnew, useReport } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { useDraft } from '../../session/use-draft';
import { sayError } from '../../words';
import { reportLetter, typedLetter, type LetterText } from '../../words/report-words';

const props = defineProps<{ studentId: string; waiting: number }>();
const seat = useSeat();
const notices = useNotices();
const client = useQueryClient();
const { data: report, error, refetch } = useReport(() => props.studentId);
const EMPTY: LetterText = { to: [], subject: '', paragraphs: [] };
// The minute does not matter, and what is begun from stays the same while it is written.
const made = computed(() =>
  report.value?.student.id === props.studentId ? reportLetter(report.value, seat.now()) : EMPTY,
);
const letter = ref<LetterText>(EMPTY);
const draft = useDraft<LetterText>({
  key: () => `report:${props.studentId}`,
  value: letter,
  kept: () => made.value,
  open: () => made.value !== EMPTY,
});
const trouble = ref('');
/** Whose letter was sent just now; another is written when it is asked for. */
const sentTo = ref<string | null>(null);
/** A second press, and a press after an answer that was lost, send the same letter. */
let id = uuid();
let sending: Promise<void> | null = null;
const send = () => (sending ??= put().finally(() => (sending = null)));
async function put() {
  trouble.value = '';
  const { studentId } = props;
  try {
    const content = typedLetter(letter.value);
    const sent = await call(routes.sendLetter, { params: { studentId }, body: { id, content } });
    id = uuid();
    if (props.studentId === studentId) draft.drop();
    sentTo.value = studentId;
    await readAnew(client, 'letters', 'progress');
    notices.tell(`In the outbox: ${content.subject}.`, [
      { label: 'Take it back', undo: true, run: () => takeBack(sent, content) },
    ]);
  } catch (problem) {
    trouble.value = `${sayError(problem)} The letter is still here.`;
  }
}
/** What was sent is on the desk again. */
async function takeBack(sent: LetterBody, content: ReturnType<typeof typedLetter>) {
  try {
    await call(routes.changeLetter, {
      params: { letterId: sent.id },
      body: { version: sent.version, state: 'taken back', content },
    });
    await readAnew(client, 'letters', 'progress');
    sentTo.value = null;
    if (props.studentId === sent.studentId) letter.value = content;
    notices.tell('Taken back: the letter is on the desk again.');
  } catch (problem) {
    notices.trouble(sayError(problem));
  }
}
const print = () => window.print();
defineExpose({ send });
</script>

<template>
  <section class="sheet report" aria-labelledby="report">
    <div class="spread">
      <h2 id="report">Report</h2>
      <RouterLink class="waiting" :to="{ name: 'outbox' }"
        >Outbox<template v-if="waiting">, {{ waiting }} waiting</template></RouterLink
      >
    </div>
    <p v-if="error && !report" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="made === EMPTY" class="empty" role="status">Reading the week…</p>
    <template v-else-if="sentTo === studentId">
      <p class="empty" role="status">The letter is in the outbox.</p>
      <div class="acts">
        <BButton variant="outline-secondary" @click="sentTo = null">Write another</BButton>
      </div>
    </template>
    <template v-else>
      <LetterForm v-model="letter" />
      <DraftNote :draft="draft" />
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      <div class="acts">
        <BButton variant="outline-secondary" @click="print">Print</BButton>
        <BButton class="pri" @click="send">Send to outbox</BButton>
      </div>
    </template>
  </section>
</template>

<style scoped>
.report {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.waiting {
  font-size: var(--size-2);
  color: var(--crown);
  min-height: 24px;
}
.report :deep(.letter-form) {
  flex: 1;
}
@media (pointer: coarse) {
  .waiting {
    min-height: 44px;
    min-width: 44px;
    display: inline-flex;
    align-items: center;
  }
}
</style>
