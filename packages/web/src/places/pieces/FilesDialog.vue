<script setup lang="ts">
/** A piece out as MusicXML, MIDI or chart text, and one in from a file or a pasted song sheet, looked at before it is kept. */
import {
  fileName,
  readChordsOverWords,
  readMidi,
  readMusicXml,
  readTab,
  writeMidi,
  writeMusicXml,
  type Imported,
} from '@finch/core/exchange';
import type { Instrument } from '@finch/core/fretboard';
import type { Frets } from '@finch/core/grips';
import { readChart, writeChart, type Piece, type PieceDemand } from '@finch/core/score';
import { BButton, BFormTextarea } from 'bootstrap-vue-next';
import { computed, ref, shallowRef, watch } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import DraftNote from '../../furniture/DraftNote.vue';
import { useDraft } from '../../session/use-draft';
import { readText } from '../../app/text-file';
import { saveFile } from '../../app/save-file';
import { chordText, sayProblem } from '../../words';
import ChartSheet from './ChartSheet.vue';

const props = defineProps<{
  piece: Piece | null;
  demand: PieceDemand | null;
  instrument: Instrument;
  busy: boolean;
  trouble: string;
}>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ keep: [chart: string, grips: readonly Frets[]]; paper: [] }>();

const grips = () =>
  (props.demand?.chords ?? []).map(({ step }) =>
    step.grip ? { frets: step.grip.frets, fingers: step.grip.fingers } : null,
  );
const played = (piece: Piece) => ({ ...props.instrument, capo: piece.capo });
function out(kind: 'musicxml' | 'mid' | 'txt') {
  const { piece } = props;
  if (!piece) return;
  if (kind === 'musicxml') {
    const xml = writeMusicXml(piece, grips(), played(piece));
    saveFile(
      fileName(piece, 'musicxml'),
      new Blob([xml], { type: 'application/vnd.recordare.musicxml+xml' }),
    );
  } else if (kind === 'mid') {
    const bytes = writeMidi(piece, {
      grips: grips().map((grip) => grip?.frets ?? null),
      instrument: played(piece),
    });
    saveFile(fileName(piece, 'mid'), new Blob([Uint8Array.from(bytes)], { type: 'audio/midi' }));
  } else saveFile(fileName(piece, 'txt'), new Blob([writeChart(piece)], { type: 'text/plain' }));
}

/** With the grips a tab stacked, one a bar. */
const found = shallowRef<(Imported & { readonly grips?: readonly Frets[] }) | null>(null);
const title = ref('');
const refused = ref('');
const pasted = ref('');
const draft = useDraft({ key: () => 'pasted', value: pasted, kept: () => '', open: () => open.value });
/** What was pasted is in the repertoire once the dialog is closed by keeping it. */
const used = ref(false);
const show = (one: NonNullable<typeof found.value>, name: string) => {
  found.value = one;
  title.value = one.piece.title || name;
};
/** A chart, a tab or a song sheet: whatever can be read of the text. */
function takeText(text: string, name: string) {
  const chart = readChart(text);
  if (chart.problems.length === 0) return show({ piece: chart.piece, notTaken: [] }, name);
  const tab = readTab(text, props.instrument);
  if (tab) return show(tab, name);
  const sheet = readChordsOverWords(text);
  if (sheet) return show(sheet, name);
  const [first] = chart.problems;
  refused.value = `Neither a chart, nor tab, nor chords over words; read as a chart, line ${first.line}: ${first.detail}.`;
}
async function pick(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (!file) return;
  refused.value = '';
  found.value = null;
  const name = file.name.replace(/\.\w+$/, '');
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    if (/\.midi?$/i.test(file.name)) {
      const read = readMidi(bytes);
      if (read.ok) show(read.value, name);
      else refused.value = sayProblem(read.problem);
    } else if (/\.(musicxml|xml)$/i.test(file.name)) {
      const read = readMusicXml(readText(bytes).text);
      if (read.ok) show(read.value, name);
      else refused.value = sayProblem(read.problem);
    } else if (/\.mxl$/i.test(file.name))
      refused.value = 'A packed score (.mxl) is not read. Save it as plain MusicXML (.musicxml).';
    else takeText(readText(bytes).text, name);
  } catch (error) {
    refused.value = error instanceof Error ? error.message : String(error);
  }
}
watch(open, (now) => {
  if (!now && used.value) draft.done();
  used.value = false;
  found.value = null;
  refused.value = '';
});
function keep() {
  used.value = true;
  emit('keep', chart.value, found.value?.grips ?? []);
}
const chart = computed(() =>
  found.value ? writeChart({ ...found.value.piece, title: title.value.trim() || 'Untitled' }) : '',
);
/** What was taken is read again as a chart before it is kept, so that nothing half-read is stored. */
const faults = computed(() => (found.value ? readChart(chart.value).problems : []));
</script>

<template>
  <HouseDialog v-model="open" title="Files" size="xl">
    <div class="files">
      <section aria-label="Out">
        <h2>{{ piece ? `${piece.title}, out` : 'Out' }}</h2>
        <ul>
          <li>
            <BButton variant="outline-secondary" :disabled="!piece || !demand" @click="out('musicxml')"
              >MusicXML</BButton
            >
            <span class="small">staff, tab, chord frames, melody and words</span>
          </li>
          <li>
            <BButton variant="outline-secondary" :disabled="!piece || !demand" @click="out('mid')"
              >MIDI</BButton
            >
            <span class="small">as it is played, with repeats and strums</span>
          </li>
          <li>
            <BButton variant="outline-secondary" :disabled="!piece" @click="out('txt')">Chart</BButton>
            <span class="small">the text itself</span>
          </li>
          <li>
            <BButton variant="outline-secondary" :disabled="!piece || !demand" @click="emit('paper')"
              >SVG, PDF, PNG</BButton
            >
            <span class="small">the page, with the grips of this hand</span>
          </li>
        </ul>
        <h2>In</h2>
        <label class="small"
          >From a file: MusicXML, MIDI or text<input
            class="form-control form-control-sm"
            type="file"
            accept=".musicxml,.xml,.mid,.midi,.txt,.mxl"
            @change="pick"
        /></label>
        <DraftNote :draft="draft" />
        <label for="pasted" class="small">Or pasted: chords over words, tab, or a chart</label>
        <BFormTextarea
          id="pasted"
          v-model="pasted"
          rows="8"
          maxlength="200000"
          spellcheck="false"
          class="mono"
        />
        <BButton
          size="sm"
          variant="outline-secondary"
          :disabled="!pasted.trim()"
          @click="((refused = ''), (found = null), takeText(pasted, ''))"
          >Look at it</BButton
        >
        <p v-if="refused || trouble" class="refusal" role="alert">{{ refused || trouble }}</p>
      </section>
      <section aria-label="Preview" class="preview">
        <template v-if="found">
          <label class="small">Title<input v-model="title" class="form-control" maxlength="120" /></label>
          <p class="note">
            {{ chordText(found.piece.key) }} · {{ found.piece.time.beats }}/{{ found.piece.time.unit }} ·
            {{ found.piece.tempoBpm }} bpm
          </p>
          <details v-if="found.notTaken.length" class="left" open>
            <summary>{{ found.notTaken.length }} not taken</summary>
            <ul>
              <li v-for="(one, i) in found.notTaken.slice(0, 60)" :key="i">
                <b>{{ one.at }}</b>: {{ one.what }}
              </li>
            </ul>
          </details>
          <p v-else class="note" role="status">Everything was taken.</p>
          <p v-if="faults.length" class="refusal" role="alert">
            What was read does not make a whole chart: line {{ faults[0].line }}, {{ faults[0].detail }}.
          </p>
          <ChartSheet :piece="found.piece" />
          <BButton
            class="pri keep"
            variant="dark"
            :disabled="busy || faults.length > 0 || !title.trim()"
            @click="keep"
            >Keep it in the repertoire</BButton
          >
        </template>
        <p v-else class="empty">
          Choose a file or paste a sheet: what could be read stands here first, with what could not, and
          nothing is kept until you say so.
        </p>
      </section>
    </div>
  </HouseDialog>
</template>

<style scoped>
.files {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr);
  gap: var(--space-4);
}
.files section {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.files li {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  padding: var(--space-1) 0;
}
.files li .btn {
  min-width: 110px;
}
.preview {
  max-height: 66vh;
  overflow-y: auto;
}
.left ul {
  max-height: 140px;
  overflow-y: auto;
}
.left li {
  display: block;
  font-size: var(--size-2);
}
.mono {
  font-family: var(--mono);
}
.keep {
  align-self: flex-end;
}
@media (max-width: 820px) {
  .files {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
