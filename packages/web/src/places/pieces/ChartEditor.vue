<script setup lang="ts">
/** A chart being typed, with what it is so far beside it and every fault by its line. */
import { readChart } from '@finch/core/score';
import { BButton, BFormTextarea } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { sayChart } from '../../words/change-words';
import { encodingText, readText } from '../../app/text-file';
import DraftNote from '../../furniture/DraftNote.vue';
import { useDraft } from '../../session/use-draft';
import { chordText } from '../../words';
import ChartSheet from './ChartSheet.vue';

const props = defineProps<{
  start: string;
  busy: boolean;
  trouble: string;
  isNew: boolean;
  /** Under which what is typed and not kept is found again. */
  draftKey: string;
}>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ keep: [chart: string] }>();
const text = ref(props.start);
const draft = useDraft({
  key: () => props.draftKey,
  value: text,
  kept: () => props.start,
  open: () => open.value,
});
const reading = computed(() => readChart(text.value));
const untitled = computed(() => reading.value.piece.title === '');
const said = ref('');
const refused = ref('');
async function pick(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (!file) return;
  said.value = refused.value = '';
  try {
    const read = readText(new Uint8Array(await file.arrayBuffer()));
    text.value = read.text;
    said.value = `${file.name}, read as ${encodingText(read.encoding)}.`;
  } catch (error) {
    refused.value = error instanceof Error ? error.message : String(error);
  }
}
</script>

<template>
  <HouseDialog v-model="open" :title="isNew ? 'Type a chart' : 'Edit the chart'" size="xl">
    <div class="editor">
      <div class="typed">
        <DraftNote :draft="draft" />
        <label for="chart-text" class="small"
          >Headers (title, key, time, tempo, swing, capo, strum, pick), then sections like [A] x2 and bars: |
          C | F . G . |. Under a line of bars: m: for melody, w: for words.</label
        >
        <BFormTextarea
          id="chart-text"
          v-model="text"
          rows="20"
          maxlength="200000"
          spellcheck="false"
          class="mono"
        />
        <label class="small from-file"
          >Or from a file<input
            class="form-control form-control-sm"
            type="file"
            accept=".txt,text/*"
            @change="pick"
        /></label>
        <p v-if="said" class="small" role="status">{{ said }}</p>
        <p v-if="refused || trouble" class="refusal" role="alert">{{ refused || trouble }}</p>
        <slot />
      </div>
      <div class="shown">
        <ol v-if="reading.problems.length" class="faults" role="status">
          <li v-for="(problem, i) in reading.problems.slice(0, 8)" :key="i">
            <span class="mono small">line {{ problem.line }}, {{ problem.column }}</span>
            {{ sayChart(problem) }}
          </li>
          <li v-if="reading.problems.length > 8" class="small">and {{ reading.problems.length - 8 }} more</li>
        </ol>
        <p v-else-if="untitled" class="faults" role="status">A title is missing: title: Tin Heron</p>
        <h2 class="display">{{ reading.piece.title || 'Untitled' }}</h2>
        <p class="note">
          {{ chordText(reading.piece.key) }} · {{ reading.piece.time.beats }}/{{ reading.piece.time.unit }} ·
          {{ reading.piece.tempoBpm }} bpm
        </p>
        <ChartSheet :piece="reading.piece" />
      </div>
    </div>
    <div class="acts">
      <BButton variant="outline-secondary" @click="open = false">Leave it</BButton>
      <BButton
        class="pri"
        variant="dark"
        :disabled="busy || reading.problems.length > 0 || untitled"
        @click="emit('keep', text)"
        >Keep the chart</BButton
      >
    </div>
  </HouseDialog>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: var(--space-4);
}
.shown {
  max-height: 64vh;
  overflow-y: auto;
}
.mono {
  font-family: var(--mono);
}
.faults {
  background: var(--wash-breast);
  padding: var(--space-1) var(--space-2);
  margin-bottom: var(--space-2);
  font-size: var(--size-2);
}
.from-file {
  display: grid;
  gap: 2px;
  margin-top: var(--space-2);
}
.acts {
  display: flex;
  gap: var(--space-3);
  justify-content: flex-end;
  margin-top: var(--space-3);
}
@media (max-width: 820px) {
  .editor {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
