<script setup lang="ts">
/** Checks a teacher's own sheet: paste it, and every line is fine or says what is wrong and what would be right. */
import type { Hand, Instrument } from '@finch/core/fretboard';
import type { SheetFinding } from '@finch/core/shapes';
import { refDebounced } from '@vueuse/core';
import { BButton, BFormTextarea } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { encodingText, readText } from '../../app/text-file';
import { chordText, saySheet } from '../../words';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';

const props = defineProps<{ hand: Hand; instrument: Instrument }>();
const open = defineModel<boolean>({ required: true });
const text = ref('');
const settled = refDebounced(text, 250);
const { answer } = useLatest(
  () => [settled.value, props.hand, props.instrument] as const,
  ([sheet, hand, instrument]) => benchWork().sheet(sheet, plain(hand), plain(instrument)),
  () => true,
);
const findings = computed<readonly SheetFinding[]>(() => answer.value ?? []);
const wrong = computed(() => findings.value.filter((one) => one.verdict === 'wrong').length);
/** Puts the nearest right answer in the place of the line. */
function take(one: SheetFinding) {
  const lines = text.value.split(/\r?\n/);
  const line = lines[one.line - 1];
  const oneWord = /numeral|out-of-key|no-chord/.test(one.what.code);
  lines[one.line - 1] = !oneWord
    ? (one.nearest ?? line)
    : line.slice(0, one.column - 1) +
      (one.nearest ?? '').split(' ').at(-1) +
      line.slice(one.column - 1).replace(/^[^\s,|]+/, '');
  text.value = lines.join('\n');
}
const said = ref('');
const trouble = ref('');
/** The same file may be chosen again after it was put right. */
const forget = (event: Event) => ((event.target as HTMLInputElement).value = '');
async function pick(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  said.value = trouble.value = '';
  try {
    const read = readText(new Uint8Array(await file.arrayBuffer()));
    text.value = read.text;
    said.value = `${file.name}, read as ${encodingText(read.encoding)}.`;
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error);
  }
}
const EXAMPLE = 'Am x02210 x02310\nC x35553 root on string 5\nF#: F# A# C#\nkey: G major\nG D Em C';
</script>

<template>
  <HouseDialog v-model="open" title="Check a sheet" size="xl">
    <div class="check">
      <div>
        <label for="sheet-text" class="small"
          >A chord with its frets (and its fingers, and “root on string 5”), a chord spelled out, or after a
          line “key: G major” chords and numerals; one line each.</label
        >
        <BFormTextarea
          id="sheet-text"
          v-model="text"
          rows="14"
          maxlength="400000"
          spellcheck="false"
          class="mono"
          :placeholder="EXAMPLE"
        />
        <label class="from-file small"
          >Or from a file<input
            class="form-control form-control-sm"
            type="file"
            accept=".txt,.csv,.tsv,text/*"
            @click="forget"
            @change="pick"
        /></label>
        <p v-if="said" class="small" role="status">{{ said }}</p>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      </div>
      <div class="found" role="status">
        <p v-if="!findings.length" class="empty">Nothing to check yet. Paste a sheet at the left.</p>
        <p v-else>
          <b>{{ wrong ? `${wrong} to look at` : 'Nothing wrong found' }}</b>
        </p>
        <ol>
          <li v-for="(one, i) in findings" :key="i" :class="one.verdict">
            <span class="mono small">line {{ one.line }}</span>
            <span>{{ saySheet(one) }}</span>
            <BButton v-if="one.nearest" size="sm" variant="outline-secondary" @click="take(one)"
              >Put {{ chordText(one.nearest) }}</BButton
            >
          </li>
        </ol>
      </div>
    </div>
  </HouseDialog>
</template>

<style scoped>
.check {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: var(--space-4);
}
.mono {
  font-family: var(--mono);
}
.found {
  max-height: 60vh;
  overflow-y: auto;
}
.from-file {
  display: grid;
  gap: 2px;
  margin-top: var(--space-2);
}
li {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr) auto;
  gap: var(--space-2);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  font-size: var(--size-2);
}
li.fine {
  color: var(--ink2);
}
li.wrong > span:nth-child(2) {
  color: var(--mask);
}
@media (max-width: 820px) {
  .check {
    grid-template-columns: 1fr;
  }
}
</style>
