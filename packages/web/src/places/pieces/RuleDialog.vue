<script setup lang="ts">
/** A small piece made by rule: key, length, chords and melody are asked for, another is drawn, and it is looked at first. */
import { makePiece, PIECE_LENGTHS, writeChart, writtenChords, type PieceRequest } from '@finch/core/score';
import { majorKeys } from '@finch/core/theory';
import { BButton, BFormCheckbox, BFormSelect } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import DraftNote from '../../furniture/DraftNote.vue';
import { useDraft } from '../../session/use-draft';
import { chordText, sayProblem } from '../../words';
import ChartSheet from './ChartSheet.vue';

const props = defineProps<{ held: readonly string[]; who: string; busy: boolean; trouble: string }>();
interface RuleAsked extends Pick<PieceRequest, 'bars' | 'beats' | 'melody' | 'seed'> {
  key: string;
  onlyHeld: boolean;
}
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ keep: [chart: string]; edit: [chart: string] }>();
const MINOR = ['A', 'E', 'B', 'F#', 'C#', 'G#', 'D#', 'D', 'G', 'C', 'F', 'Bb', 'Eb'];
const KEYS = [...majorKeys().map((key) => key.name), ...MINOR.map((tonic) => `${tonic} minor`)].map(
  (value) => ({
    value,
    text: chordText(value),
  }),
);
const FIRST: RuleAsked = { key: 'Bb major', bars: 8, beats: 4, melody: true, onlyHeld: false, seed: 1 };
const asked = ref({ ...FIRST });
const draft = useDraft({ key: () => 'rule', value: asked, kept: () => FIRST, open: () => open.value });
/** Kept or on its way into the editor: what was asked for is used up once the dialog is closed by that. */
const used = ref(false);
function hand(way: 'keep' | 'edit') {
  used.value = true;
  if (way === 'keep') emit('keep', chart.value);
  else emit('edit', chart.value);
}
watch(open, (now) => {
  if (!now && used.value) draft.done();
  used.value = false;
});
const made = computed(() => madeIn(asked.value.key));
/** A key in which the chords held make a piece, where they do not in this one: the one most of them lie in. */
const fitting = computed(() => {
  if (made.value.ok || !asked.value.onlyHeld) return null;
  const used = (name: string) => {
    const one = madeIn(name);
    return one.ok ? new Set(writtenChords(one.value).map(({ chord }) => chord)).size : 0;
  };
  const best = KEYS.map(({ value }) => ({ value, chords: used(value) })).reduce((most, one) =>
    one.chords > most.chords ? one : most,
  );
  return best.chords ? best.value : null;
});
const madeIn = (name: string) =>
  makePiece({
    key: name,
    bars: asked.value.bars,
    beats: asked.value.beats,
    melody: asked.value.melody,
    held: asked.value.onlyHeld ? props.held : null,
    seed: asked.value.seed,
  });
const chart = computed(() => (made.value.ok ? writeChart(made.value.value) : ''));
</script>

<template>
  <HouseDialog v-model="open" title="A piece made by rule" size="xl">
    <div class="rule">
      <form class="asked" @submit.prevent="asked.seed += 1">
        <DraftNote :draft="draft" />
        <label>Key<BFormSelect v-model="asked.key" size="sm" :options="KEYS" /></label>
        <label
          >Bars<BFormSelect
            v-model="asked.bars"
            size="sm"
            :options="PIECE_LENGTHS.map((value) => ({ value, text: String(value) }))"
        /></label>
        <label
          >Beats a bar<BFormSelect
            v-model="asked.beats"
            size="sm"
            :options="[
              { value: 3, text: '3' },
              { value: 4, text: '4' },
            ]"
        /></label>
        <BFormCheckbox v-model="asked.melody">with a melody</BFormCheckbox>
        <BFormCheckbox v-model="asked.onlyHeld" :disabled="held.length === 0"
          >only what {{ who }} holds</BFormCheckbox
        >
        <p class="small">
          {{
            held.length
              ? `Held: ${held.map(chordText).join(', ')}.`
              : `Nothing is held clean yet by ${who}, so it takes the chords of the key.`
          }}
        </p>
        <BButton variant="outline-secondary" type="submit">Another</BButton>
        <p class="small">Made of rules and a number, so the same number makes it again: {{ asked.seed }}.</p>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      </form>
      <div class="shown">
        <template v-if="!made.ok">
          <p class="refusal" role="status">{{ sayProblem(made.problem) }}</p>
          <BButton v-if="fitting" variant="outline-secondary" @click="asked.key = fitting"
            >Take {{ chordText(fitting) }}, where they fit</BButton
          >
        </template>
        <template v-else>
          <h2 class="display">{{ made.value.title }}</h2>
          <p class="note">
            {{ chordText(made.value.key) }} · {{ made.value.time.beats }}/{{ made.value.time.unit }} ·
            {{ made.value.tempoBpm }} bpm
          </p>
          <ChartSheet :piece="made.value" />
        </template>
      </div>
    </div>
    <div class="acts">
      <BButton variant="outline-secondary" @click="open = false">Leave it</BButton>
      <BButton variant="outline-secondary" :disabled="!made.ok" @click="hand('edit')">Edit it first</BButton>
      <BButton class="pri" variant="dark" :disabled="busy || !made.ok" @click="hand('keep')">Keep it</BButton>
    </div>
  </HouseDialog>
</template>

<style scoped>
.rule {
  display: grid;
  grid-template-columns: 240px minmax(0, 1fr);
  gap: var(--space-5);
}
.asked {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.shown {
  max-height: 62vh;
  overflow-y: auto;
}
.acts {
  display: flex;
  gap: var(--space-3);
  justify-content: flex-end;
  margin-top: var(--space-3);
}
@media (max-width: 820px) {
  .rule {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
