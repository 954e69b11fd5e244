<script setup lang="ts">
/** What to search: the chord with its notes, and under it what is asked of a grip. */
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef } from 'vue';
import { useStages } from '../../app/stages';
import { chordText, degreeText, noteSigns, sayProblem } from '../../words';
import AskLimits from './AskLimits.vue';
import { asksOf } from './asked';
import type { ShapeSearch } from './use-shape-search';

const props = defineProps<{
  search: ShapeSearch;
  stringCount: number;
  limit: number | null;
  who: string;
}>();
const emit = defineEmits<{ sheet: []; neck: [] }>();
const box = useTemplateRef<HTMLInputElement>('box');
const typed = props.search.typed;
const german = props.search.german;
const { asked, reading, chord } = props.search;

const stage = useStages(2);
const unfolded = ref(false);
const asksCount = computed(() => asksOf(asked));
const strings = computed(() => Array.from({ length: props.stringCount }, (_, i) => props.stringCount - i));
const NEXT = { any: 'must', must: 'leave', leave: 'any' } as const;
const cycle = (string: number) => (asked.strings[string] = NEXT[asked.strings[string] ?? 'any']);
function focus() {
  box.value?.focus();
  box.value?.select();
}
defineExpose({ focus, cycle });
</script>

<template>
  <aside class="sheet scroll ask" tabindex="0" aria-label="What to search">
    <label class="visually-hidden" for="chord">Chord</label>
    <input
      id="chord"
      ref="box"
      v-model="typed"
      class="display chord-box"
      autocomplete="off"
      spellcheck="false"
      maxlength="6000"
      :aria-invalid="!reading.ok && typed.trim() !== ''"
      aria-describedby="chord-said"
      title="A symbol (Bbm7), a grip (x32010), notes (C E G Bb) or a numeral (ii7 in Ab)"
      @keydown.enter="box?.blur()"
      @keydown.esc="box?.blur()"
    />
    <div v-if="!reading.ok" id="chord-said" class="refusal" role="alert">
      {{ sayProblem(reading.problem) }}
      <div>
        <BButton
          v-if="reading.problem.code === 'chord.german-h'"
          size="sm"
          variant="outline-secondary"
          @click="german = true"
          >H is B here, B is B♭</BButton
        >
        <BButton
          v-if="reading.problem.code.startsWith('chord')"
          size="sm"
          variant="outline-secondary"
          @click="typed = reading.problem.detail"
          >Read {{ chordText(reading.problem.detail) }}</BButton
        >
      </div>
    </div>
    <ul v-else id="chord-said" class="tones" aria-label="Its notes">
      <li v-for="tone in reading.value.chord.tones" :key="tone.degree">
        {{ noteSigns(tone.note) }}<small>{{ tone.degree === '1' ? 'R' : degreeText(tone.degree) }}</small
        ><small v-if="tone.exactly">for {{ tone.exactly.replaceAll('b', '♭').replaceAll('#', '♯') }}</small>
      </li>
    </ul>
    <p v-if="german" class="small">
      Names with H and B. <BButton variant="link" size="sm" @click="german = false">Use B and B♭</BButton>
    </p>
    <BButton class="fold" variant="outline-secondary" :aria-expanded="unfolded" @click="unfolded = !unfolded"
      >Limits ({{ asksCount }})</BButton
    >
    <AskLimits
      v-if="stage > 0"
      class="limits"
      :class="{ unfolded }"
      :asked="asked"
      :tones="chord?.tones ?? []"
      :strings="strings"
      :limit="limit"
      :who="who"
      :rest="stage > 1"
      @cycle="cycle"
    />
    <div v-if="stage > 1" class="foot">
      <BButton variant="outline-secondary" size="sm" @click="emit('neck')">Name a grip</BButton>
      <BButton variant="outline-secondary" size="sm" @click="emit('sheet')">Check a sheet</BButton>
      <BButton variant="link" size="sm" @click="search.reset()">Clear all limits</BButton>
    </div>
  </aside>
</template>

<style scoped>
.fold {
  display: none;
}
@media (max-width: 1199px), (max-height: 599px) {
  .fold {
    display: inline-flex;
    align-self: flex-start;
  }
  .limits:not(.unfolded) {
    display: none;
  }
}
.ask {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}

.chord-box {
  font-size: var(--size-7);
  width: 100%;
  border: 2px solid var(--crown);
  border-radius: 3px;
  padding: var(--space-1) var(--space-3) 2px;
  background: var(--sheet);
  color: var(--ink);
}

.tones {
  display: flex;
  gap: var(--space-1);
  flex-wrap: wrap;
}

.tones li {
  flex: 1 0 28px;
  background: var(--inset);
  text-align: center;
  padding: var(--space-1) 2px;
  font-size: var(--size-3);
  line-height: 1.15;
  display: flex;
  flex-direction: column;
}

.tones small {
  font-size: var(--size-1);
  color: var(--ink2);
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  margin-top: var(--space-1);
}
</style>
