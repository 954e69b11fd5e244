<script setup lang="ts">
/** Third and seventh of each chord on two strings: where the two fingers are, and where they go next. */
import { BButton } from 'bootstrap-vue-next';
import { guideNeck, guideTones } from '@finch/core/harmony';
import type { Frets } from '@finch/core/grips';
import type { BoardNote } from '@finch/core/scales';
import { computed, ref } from 'vue';
import ScaleBoard from '../../instruments/ScaleBoard.vue';
import { nameChord } from '../../words';
import { guideMove } from '../../words/harmony-words';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { chords, index } = props.bench.progression;
const { heard, taught } = props.bench;
const { instrument } = taught;
const LISTED = 16;
const strings = computed(() => instrument.value.openPitches.length);
const upper = ref(3);
const on = computed<readonly [number, number]>(() => {
  const thinner = Math.min(upper.value, strings.value - 1);
  return [thinner + 1, thinner];
});
const guides = computed(() => guideTones(chords.value).slice(0, LISTED));
const pairs = computed(() => guideNeck(chords.value, on.value, instrument.value));
const now = computed(() => pairs.value[index.value] ?? null);
const next = computed(() => pairs.value[index.value + 1] ?? null);
const both = computed(() => (now.value ? [now.value.low, now.value.high] : []));
const staying = computed(() =>
  both.value.filter((one) =>
    [next.value?.low, next.value?.high].some(
      (to) => to?.stringIndex === one.stringIndex && to.fret === one.fret,
    ),
  ),
);
/** The chord in hand filled, the one it goes to outlined; what stays is drawn once, with a ring. */
const notes = computed<BoardNote[]>(() => {
  const coming = next.value ? [next.value.low, next.value.high] : [];
  return [
    ...both.value.map((one): BoardNote => ({ ...one, look: 'filled' })),
    ...coming
      .filter((to) => !staying.value.some((one) => one.stringIndex === to.stringIndex))
      .map((one): BoardNote => ({ ...one, look: 'outlined' })),
  ];
});
const name = computed(() =>
  now.value
    ? `Third and seventh of ${nameChord(now.value.chord.symbol)}${next.value ? `, then of ${nameChord(next.value.chord.symbol)}` : ''}`
    : '',
);
const hear = () =>
  heard.grips(
    pairs.value.map(({ low, high }): Frets => {
      const frets: (number | null)[] = instrument.value.openPitches.map(() => null);
      frets[low.stringIndex] = low.fret;
      frets[high.stringIndex] = high.fret;
      return frets;
    }),
  );
</script>

<template>
  <section class="guides">
    <div class="head">
      <h3>Third and seventh</h3>
      <label class="small"
        >on strings
        <select v-model.number="upper" class="form-select" aria-label="Strings of third and seventh">
          <option v-for="thinner in strings - 1" :key="thinner" :value="thinner">
            {{ thinner + 1 }} and {{ thinner }}
          </option>
        </select></label
      >
      <BButton size="sm" variant="outline-secondary" :disabled="pairs.length === 0" @click="hear">{{
        heard.playing.value ? 'Stop' : 'Hear the two'
      }}</BButton>
    </div>
    <template v-if="now">
      <p class="small">
        {{ nameChord(now.chord.symbol) }} filled<template v-if="next"
          >, {{ nameChord(next.chord.symbol) }} outlined{{ staying.length ? '; ringed stays' : '' }}</template
        >.
      </p>
      <div class="board-scroll">
        <ScaleBoard
          :notes="notes"
          :instrument="instrument"
          :name="name"
          :rings="staying"
          :least-frets="5"
          :width="460"
        />
      </div>
    </template>
    <p v-else class="small">No room on these two strings.</p>
    <ul class="small">
      <li v-for="(one, i) in guides" :key="i">
        <template v-if="one.moves.length"
          >{{ nameChord(one.chord.symbol) }} to {{ nameChord(guides[i + 1]?.chord.symbol ?? '') }}:
          {{ one.moves.map((move) => guideMove(move.by, move.to, move.from)).join(', ') }}</template
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
.head label {
  display: flex;
  gap: var(--space-1);
  align-items: center;
}
.head select {
  width: 108px;
}
.board-scroll {
  max-width: 520px;
  overflow-x: auto;
}
li {
  color: var(--ink2);
}
@media (pointer: coarse) {
  .head :is(select, .btn) {
    min-height: 44px;
  }
}
</style>
