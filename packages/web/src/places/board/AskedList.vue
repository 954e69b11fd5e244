<script setup lang="ts">
/** What students asked from the practice room, whoever waited longest first, and the way to answer. */
import { MOST_SAID, type BoardBody } from '@finch/contract';
import { BButton, BFormTextarea } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import DraftNote from '../../furniture/DraftNote.vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { chordText, dayText } from '../../words';
import { useAnswering } from './use-answering';

const props = defineProps<{ board: BoardBody }>();
const emit = defineEmits<{ open: [studentId: string] }>();
const { open, asked, text, draft, trouble, waiting, begin, send } = useAnswering(() => props.board.questions);
const first = (name: string) => name.split(' ')[0];
const SHOWN = 3;
const all = ref(false);
const shown = computed(() => (all.value ? waiting.value : waiting.value.slice(0, SHOWN)));
</script>

<template>
  <section v-if="waiting.length || open" class="sheet asked" aria-label="Asked from home">
    <h2>Asked from home</h2>
    <ul>
      <li v-for="one in shown" :key="one.id">
        <button type="button" class="who" @click="emit('open', one.studentId)">
          <b>{{ first(one.name) }}</b> {{ chordText(one.about.title) }}
        </button>
        <span class="words">{{ one.text }}</span>
        <span class="note">{{ dayText(one.at, board.timeZone) }}</span>
        <BButton size="sm" variant="outline-secondary" @click="begin(one)">Answer</BButton>
      </li>
    </ul>
    <BButton v-if="waiting.length > SHOWN" variant="link" size="sm" @click="all = !all">{{
      all ? 'Fewer' : `${waiting.length - SHOWN} more`
    }}</BButton>
    <HouseDialog v-model="open" :title="asked ? `${first(asked.name)} asks` : 'Answer'">
      <form v-if="asked" class="fields" @submit.prevent="send">
        <p class="note">{{ chordText(asked.about.title) }}, {{ dayText(asked.at, board.timeZone) }}</p>
        <p class="words question">{{ asked.text }}</p>
        <DraftNote :draft="draft" />
        <label>Your answer<BFormTextarea v-model="text" rows="4" :maxlength="MOST_SAID" /></label>
        <p class="note">It stands beside this card when {{ first(asked.name) }} practises next.</p>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
        <div class="acts">
          <BButton type="submit" variant="dark" :aria-disabled="!text.trim()">Send the answer</BButton>
          <BButton variant="outline-secondary" @click="open = false">Later</BButton>
        </div>
      </form>
    </HouseDialog>
  </section>
</template>

<style scoped>
.asked {
  padding-bottom: var(--space-2);
}
li {
  display: grid;
  grid-template-columns: fit-content(220px) minmax(0, 1fr) auto auto;
  align-items: center;
  gap: 0 var(--space-3);
  padding: var(--space-1) 0;
  border-top: 1px solid var(--line);
}
.who {
  background: none;
  border: 0;
  padding: 0;
  color: var(--ink);
  font-size: var(--size-2);
  text-align: left;
  min-height: 24px;
  overflow-wrap: anywhere;
}
.words {
  overflow-wrap: anywhere;
}
.question {
  white-space: pre-line;
  font-size: var(--size-3);
}
.note {
  white-space: nowrap;
}
.fields {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.fields .note {
  white-space: normal;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
@media (max-width: 779px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .words {
    grid-column: 1 / 3;
    grid-row: 2;
  }
  .note {
    grid-row: 1;
    grid-column: 2;
  }
}
@media (pointer: coarse) {
  .who,
  .asked .btn {
    min-height: 44px;
  }
}
</style>
