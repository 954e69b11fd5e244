<script setup lang="ts">
/** A scale on the neck: laid in many ways, with fingers, the chords that live in it, and what its notes do over each of them. */
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import { noteText } from '@finch/core/theory';
import { computed, ref } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import ScaleBoard from '../../instruments/ScaleBoard.vue';
import PaperSheet from '../../paper/PaperSheet.vue';
import type { PaperJob } from '../../paper/paper-files';
import { chordText, nameChord, sayProblem } from '../../words';
import { modeText, notesWords, noteWord } from '../../words/harmony-words';
import ScaleAsk from './ScaleAsk.vue';
import type { HarmonyBench } from './use-harmony-bench';
import { useScaleShown } from './use-scale-shown';

const props = defineProps<{ bench: HarmonyBench }>();
const { scaleName, scaleUnread, taught, heard } = props.bench;
const { instrument } = taught;
const shown = useScaleShown(props.bench);
const {
  scale,
  over,
  overChord,
  arpeggio,
  notesOver,
  chords,
  refused,
  laid,
  parent,
  relatives,
  show,
  cost,
  hear,
} = shown;
const several = computed(() => laid.value.length > 1);
const printing = ref(false);
const job = computed<PaperJob | null>(() =>
  printing.value && scale.value
    ? {
        layout: 'necks',
        title: `${chordText(noteText(scale.value.tonic))} ${scale.value.kind}`,
        foot: `${taught.whose.value}. Slowly first; pain means stop.`,
        show: show.value,
        leftHanded: instrument.value.leftHanded,
        instrument: instrument.value,
        necks: laid.value.map(({ name, under, notes }) => ({ name, under, notes })),
      }
    : null,
);
</script>

<template>
  <div class="scale-view">
    <ScaleAsk :shown="shown" :instrument="instrument" @print="printing = true" />
    <p v-if="scaleUnread" class="refusal" role="alert">{{ sayProblem(scaleUnread) }}</p>
    <template v-if="scale">
      <p class="facts">
        <b>{{ chordText(noteText(scale.tonic)) }} {{ modeText(scale.kind).toLowerCase() }}</b
        >: {{ notesWords(scale.notes) }}.
        <template v-if="parent && parent.degree > 1"
          >Degree {{ parent.degree }} of {{ chordText(noteText(parent.tonic)) }} {{ parent.kind }}.</template
        >
      </p>
      <p v-if="relatives.length" class="small relatives">
        Same notes from each degree:
        <button
          v-for="one in relatives"
          :key="one.name"
          type="button"
          class="btn btn-link"
          :aria-pressed="one.kind === scale.kind"
          @click="scaleName = one.name"
        >
          {{ noteWord(one.tonic) }} {{ modeText(one.kind).toLowerCase() }}
        </button>
      </p>
      <div class="over">
        <label class="small" for="over-chord">Over a chord</label>
        <BFormSelect
          id="over-chord"
          v-model="over"
          class="kind"
          :options="[
            { value: '', text: 'none: from the tonic' },
            ...chords.flatMap((one) =>
              one.chords.map((chord) => ({ value: chord.symbol, text: nameChord(chord.symbol) })),
            ),
          ]"
        />
        <label v-if="overChord" class="small tick"
          ><input v-model="arpeggio" type="checkbox" /> only its tones, as an arpeggio</label
        >
        <ul v-if="overChord && !arpeggio" class="small notes-over">
          <li v-for="one in notesOver" :key="noteWord(one.note)" :class="one.does">
            {{ noteWord(one.note) }} {{ chordText(one.degree) }} {{ one.does }}
          </li>
        </ul>
      </div>
      <p v-if="refused" class="empty">{{ refused }}</p>
      <div class="boards" :class="{ several }">
        <figure v-for="one in laid" :key="one.name">
          <figcaption class="spread">
            <span
              ><b>{{ chordText(one.name) }}</b> <span class="small">{{ one.under }}</span></span
            >
            <span class="small hear">
              {{ cost(one.line) }}
              <BButton v-if="one.line.length" size="sm" variant="outline-secondary" @click="hear(one.line)">{{
                heard.playing.value ? 'Stop' : 'Hear it'
              }}</BButton>
            </span>
          </figcaption>
          <div class="board-scroll">
            <ScaleBoard
              :notes="one.notes"
              :rings="one.rings"
              :name="one.name"
              :show="show"
              :instrument="instrument"
              :width="several ? 620 : 900"
            />
          </div>
        </figure>
      </div>
      <div>
        <h3>Chords that live in it</h3>
        <dl class="lives small">
          <template v-for="one in chords" :key="noteWord(one.root)">
            <dt>{{ noteWord(one.root) }}</dt>
            <dd>
              <button
                v-for="chord in one.chords"
                :key="chord.symbol"
                type="button"
                class="btn btn-link"
                :aria-pressed="over === chord.symbol"
                @click="over = over === chord.symbol ? '' : chord.symbol"
              >
                {{ nameChord(chord.symbol) }}
              </button>
              <template v-if="one.chords.length === 0">none</template>
            </dd>
          </template>
        </dl>
      </div>
    </template>
    <HouseDialog v-model="printing" size="lg" title="The scale on paper">
      <PaperSheet :job="job"
        ><p class="note">As it is laid now, as many necks to a page as it holds.</p></PaperSheet
      >
    </HouseDialog>
  </div>
</template>

<style scoped>
.scale-view {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.over,
.hear {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
.kind {
  width: 172px;
}
.tick {
  display: flex;
  gap: var(--space-1);
  align-items: center;
  min-height: 32px;
}
.notes-over {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-3);
  color: var(--ink);
}
.notes-over .rest {
  font-weight: 700;
}
.notes-over .care {
  border-bottom: 2px dotted var(--breast);
}
.boards {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4) var(--space-5);
}
@media (min-width: 1200px) {
  .boards.several {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
figure {
  margin: 0;
}
.board-scroll {
  overflow-x: auto;
}
.board-scroll :deep(.scale-board) {
  min-width: 520px;
}
.lives {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  gap: 0 var(--space-3);
  color: var(--ink);
}
.relatives .btn {
  min-height: 24px;
  padding: 0;
  margin-right: var(--space-3);
}
.relatives [aria-pressed='true'] {
  font-weight: 700;
  color: var(--ink);
}
.lives .btn {
  min-height: 24px;
  padding: 0;
  margin-right: var(--space-3);
}
.lives [aria-pressed='true'] {
  font-weight: 700;
  color: var(--ink);
}
@media (pointer: coarse) {
  .scale-view :is(select, .tick, .lives .btn, .relatives .btn, .hear .btn) {
    min-height: 44px;
  }
}
</style>
