<script setup lang="ts">
/** Letters to those at home: read, put right, handed on or taken back. Nothing leaves this computer by itself. */
import { routes, type LetterBody } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { forwardBack, useKeys } from '../../app/keys';
import { saveFile } from '../../app/save-file';
import { useWalk } from '../../app/walk';
import DraftNote from '../../furniture/DraftNote.vue';
import LetterForm from '../../furniture/LetterForm.vue';
import { call } from '../../session/api';
import { useNotices } from '../../session/notices';
import { readAnew, useLettersOut } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { useDraft } from '../../session/use-draft';
import { sayError, whenText } from '../../words';
import { letterText, typedLetter, type LetterText } from '../../words/report-words';

const seat = useSeat();
const notices = useNotices();
const client = useQueryClient();
const { data, error, refetch } = useLettersOut();
const letters = computed(() => data.value?.letters ?? []);
const { picked, step, row } = useWalk(() => letters.value.length);
const shown = computed<LetterBody | null>(() => letters.value[picked.value] ?? null);
const zone = computed(() => seat.studio?.timeZone ?? 'UTC');
const EMPTY: LetterText = { to: [], subject: '', paragraphs: [] };
const kept = computed(() => (shown.value ? letterText(shown.value.content) : EMPTY));
const letter = ref<LetterText>(EMPTY);
const draft = useDraft<LetterText>({
  key: () => `letter:${shown.value?.id ?? ''}`,
  value: letter,
  kept: () => kept.value,
  open: () => shown.value !== null,
});
const edited = computed(() => JSON.stringify(letter.value) !== JSON.stringify(kept.value));
const waiting = computed(() => letters.value.filter(({ state }) => state === 'waiting').length);
const toText = ({ student, content }: LetterBody) =>
  content.to.length ? content.to.join(', ') : `the parents of ${student}`;
const trouble = ref('');

/** One after the other: each is written over the version the one before it left. */
let last: Promise<void> = Promise.resolve();
const change = (one: LetterBody, state: LetterBody['state'], said: string) =>
  (last = last.then(() => write(one, state, said)));
async function write(one: LetterBody, state: LetterBody['state'], said: string) {
  trouble.value = '';
  const newest = letters.value.find(({ id }) => id === one.id) ?? one;
  // What the house wrote stays as data until somebody puts it right.
  const content = edited.value && one.id === shown.value?.id ? typedLetter(letter.value) : newest.content;
  try {
    await call(routes.changeLetter, {
      params: { letterId: one.id },
      body: { version: newest.version, state, content },
    });
    draft.done();
    await readAnew(client, 'letters', 'progress');
    // It may stand elsewhere in the list now.
    picked.value = Math.max(
      0,
      letters.value.findIndex(({ id }) => id === one.id),
    );
    notices.tell(
      said,
      state === newest.state
        ? []
        : [{ label: 'Undo', undo: true, run: () => change(one, newest.state, 'As it was before.') }],
    );
  } catch (problem) {
    await refetch();
    trouble.value = `${sayError(problem)} What you typed is still here.`;
  }
}
const act = (state: LetterBody['state'], said: string) => shown.value && change(shown.value, state, said);
const keep = () => shown.value && change(shown.value, shown.value.state, 'Kept.');
const handOn = () => act('handed on', 'Handed on.');
const takeBack = () => act('taken back', 'Taken back.');
const wait = () => act('waiting', 'It waits again.');
function save() {
  if (!shown.value) return;
  const { to, subject, paragraphs } = typedLetter(letter.value);
  const text = `To: ${to.join(', ') || toText(shown.value)}\nAbout: ${subject}\n\n${paragraphs.join('\n\n')}\n`;
  saveFile(`${subject.replace(/[^\p{L}\p{N}]+/gu, '-')}.txt`, new Blob([text], { type: 'text/plain' }));
}
const print = () => window.print();
useKeys('outbox', {
  letter: forwardBack(step),
  hand: handOn,
  print,
});
</script>

<template>
  <div class="outbox-place" :class="{ alone: !shown }">
    <section class="sheet list" aria-labelledby="outbox">
      <div class="spread">
        <h1 id="outbox" class="h2like" tabindex="-1">
          Outbox <span class="small">{{ data ? `${waiting} of ${letters.length} waiting` : '' }}</span>
        </h1>
        <RouterLink class="back" :to="{ name: 'progress' }">Back to Progress</RouterLink>
      </div>
      <p class="small">
        Letters wait here until you print or save them and hand them on. Nothing leaves this computer by
        itself.
      </p>
      <p v-if="error && !data" class="refusal" role="alert">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </p>
      <p v-else-if="!data" class="empty" role="status">Looking into the outbox…</p>
      <p v-else-if="!letters.length" class="empty">
        No letter yet. Progress makes one of a student’s week; when a hand hurts, the house writes one itself.
      </p>
      <ul>
        <li v-for="(one, i) in letters" :key="one.id" :ref="row(i)">
          <button type="button" :aria-current="i === picked ? 'true' : undefined" @click="picked = i">
            <b>{{ letterText(one.content).subject }}</b>
            <span class="note">to {{ toText(one) }} · {{ whenText(one.madeAt, zone) }}</span>
            <span
              class="tag"
              :class="{ now: one.state === 'waiting', over: one.kind === 'pain' && one.state !== 'waiting' }"
              >{{ one.state }}</span
            >
          </button>
        </li>
      </ul>
    </section>
    <section v-if="shown" class="sheet letter" :aria-label="kept.subject">
      <p class="note">
        About {{ shown.student }}, written by {{ shown.by ?? 'the house' }} on
        {{ whenText(shown.madeAt, zone) }}; {{ shown.state }}.
      </p>
      <LetterForm v-model="letter" :rows="16" />
      <DraftNote :draft="draft" />
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      <div class="acts">
        <BButton v-if="edited" variant="outline-secondary" @click="keep">Keep the words</BButton>
        <BButton variant="outline-secondary" @click="print">Print</BButton>
        <BButton variant="outline-secondary" @click="save">Save as text</BButton>
        <BButton v-if="shown.state === 'waiting'" variant="outline-secondary" @click="takeBack"
          >Take back</BButton
        >
        <BButton v-else variant="outline-secondary" @click="wait">Let it wait again</BButton>
        <BButton v-if="shown.state === 'waiting'" class="pri" @click="handOn">Handed on</BButton>
      </div>
    </section>
  </div>
</template>

<style scoped>
.outbox-place {
  display: grid;
  grid-template-columns: minmax(0, 380px) minmax(0, 1fr);
  gap: var(--space-2);
}
.outbox-place.alone {
  grid-template-columns: minmax(0, 1fr);
}
.list,
.letter {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.list {
  overflow-y: auto;
}
li button {
  width: 100%;
  background: none;
  border: 0;
  border-top: 1px solid var(--line);
  padding: var(--space-2) var(--space-1);
  color: var(--ink);
  text-align: left;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-2);
  align-items: baseline;
  overflow-wrap: anywhere;
}
li button[aria-current] {
  background: var(--wash-crown);
}
li b {
  flex: 1 0 100%;
}
.letter :deep(.letter-form) {
  max-width: 720px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.back {
  color: var(--crown);
  font-size: var(--size-2);
  min-height: 24px;
}
@media (max-width: 991px) {
  .outbox-place {
    grid-template-columns: minmax(0, 1fr);
  }
  .list {
    overflow-y: visible;
  }
}
@media (pointer: coarse) {
  .back {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
}
@media print {
  .list,
  .letter > .note {
    display: none;
  }
}
</style>
