<script setup lang="ts">
/** What to search: the chord, and everything that may be asked of a grip. */
import { FORM_ORDER, STYLES, USES } from '@finch/core/shapes';
import { BButton, BFormCheckbox, BFormSelect } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef } from 'vue';
import { useStages } from '../../app/stages';
import { school } from '../../words/school';
import { chordText, degreeText, formText, noteSigns, sayProblem } from '../../words';
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

const degreeOptions = computed(() => [
  { value: null, text: 'any' },
  ...(chord.value?.tones ?? []).map((tone) => ({
    value: tone.degree,
    text: `${degreeText(tone.degree)}, ${noteSigns(tone.note)}`,
  })),
]);
const rootOptions = computed(() => [
  { value: null, text: 'any' },
  ...strings.value.map((string) => ({ value: string, text: `string ${string}` })),
]);
const formOptions = computed(() => [
  { value: null, text: 'any' },
  ...FORM_ORDER.map((form) => ({ value: form, text: formText(form) })),
]);
const positionOptions = [
  { value: null, text: 'any' },
  ...Array.from({ length: 15 }, (_, i) => ({ value: i + 1, text: `index at ${i + 1}` })),
];
const rootInBass = computed({
  get: () => asked.rootInBass ?? school().root === 'in the bass',
  set: (on) => (asked.rootInBass = on),
});
const fretOptions = Array.from({ length: 16 }, (_, fret) => ({ value: fret, text: String(fret) }));
const useOptions = [{ value: null, text: 'any use' }, ...USES.map((use) => ({ value: use, text: use }))];
const styleOptions = [
  { value: null, text: 'any style' },
  ...STYLES.map((style) => ({ value: style, text: style })),
];
/** A string set by one choice: those strings must sound, the others stay out. */
const SETS = [
  '6 5 4 3 2 1',
  '5 4 3 2',
  '4 3 2 1',
  '6 5 4',
  '5 4 3',
  '4 3 2',
  '3 2 1',
  '6 4 3 2',
  '5 4 3 2 1',
];
const setOptions = computed(() => [
  { value: null, text: 'any set' },
  ...SETS.filter((set) => Number(set[0]) <= props.stringCount).map((set) => ({ value: set, text: set })),
]);
const setAsked = computed({
  get: () => {
    const must = strings.value.filter((string) => asked.strings[string] === 'must');
    const rest = strings.value.filter((string) => asked.strings[string] !== 'leave');
    return must.length > 0 && must.length === rest.length && SETS.includes(must.join(' '))
      ? must.join(' ')
      : null;
  },
  set: (set: string | null) => {
    const inside = set?.split(' ').map(Number) ?? null;
    asked.strings = Object.fromEntries(
      strings.value.map((string) => [string, !inside ? 'any' : inside.includes(string) ? 'must' : 'leave']),
    );
  },
});
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
        {{ noteSigns(tone.note) }}<small>{{ tone.degree === '1' ? 'R' : degreeText(tone.degree) }}</small>
      </li>
    </ul>
    <p v-if="german" class="small">
      Names with H and B. <BButton variant="link" size="sm" @click="german = false">Use B and B♭</BButton>
    </p>
    <BButton class="fold" variant="outline-secondary" :aria-expanded="unfolded" @click="unfolded = !unfolded"
      >Limits ({{ asksCount }})</BButton
    >
    <div v-if="stage > 0" class="limits" :class="{ unfolded }">
      <div class="pair">
        <label>For<BFormSelect v-model="asked.use" size="sm" :options="useOptions" /></label>
        <label>Style<BFormSelect v-model="asked.style" size="sm" :options="styleOptions" /></label>
      </div>
      <h2>Strings in use</h2>
      <div class="strings">
        <button
          v-for="s in strings"
          :key="s"
          type="button"
          :class="asked.strings[s] ?? 'any'"
          :aria-label="`String ${s}: ${asked.strings[s] ?? 'any'}`"
          @click="cycle(s)"
        >
          <span class="line" :style="{ width: `${1 + s * 0.4}px` }" />{{ s
          }}<small>{{ { any: 'any', must: 'must', leave: 'out' }[asked.strings[s] ?? 'any'] }}</small>
        </button>
      </div>
      <h2>
        Effort up to <b class="num">{{ asked.effortUpTo }}</b>
      </h2>
      <div class="wedge">
        <svg width="100%" height="30" viewBox="0 0 200 36" preserveAspectRatio="none" aria-hidden="true">
          <path d="M0 35L200 2V35Z" fill="none" stroke="var(--line-strong)" />
          <path :d="`M0 35L${asked.effortUpTo * 2} ${35 - asked.effortUpTo * 0.33}V35Z`" fill="var(--e3)" />
          <path v-if="limit !== null" :d="`M${limit * 2} 0V36`" stroke="var(--ink)" stroke-width="2.5" /></svg
        ><input
          v-model.number="asked.effortUpTo"
          type="range"
          min="10"
          max="100"
          step="1"
          aria-label="Effort up to"
        />
      </div>
      <p class="small">
        {{
          limit === null
            ? 'Put a student on the bench to see that hand’s limit.'
            : `Upright line: ${who} limit for one grip, ${limit}.`
        }}
      </p>
      <h2>Must have</h2>
      <div class="must">
        <BFormCheckbox v-model="rootInBass">Root lowest</BFormCheckbox>
        <BFormCheckbox
          :model-value="asked.open === 'none'"
          @update:model-value="(on) => (asked.open = on ? 'none' : 'any')"
          >None open</BFormCheckbox
        >
        <BFormCheckbox
          :model-value="asked.open === 'some'"
          @update:model-value="(on) => (asked.open = on ? 'some' : 'any')"
          >Some open</BFormCheckbox
        >
        <BFormCheckbox :model-value="!asked.barre" @update:model-value="(on) => (asked.barre = !on)"
          >No barre</BFormCheckbox
        >
      </div>
      <div v-if="stage > 1" class="pair">
        <label>Root on<BFormSelect v-model="asked.rootString" size="sm" :options="rootOptions" /></label>
        <label>Form<BFormSelect v-model="asked.form" size="sm" :options="formOptions" /></label>
        <label>Position<BFormSelect v-model="asked.position" size="sm" :options="positionOptions" /></label>
        <label>Strings<BFormSelect v-model="setAsked" size="sm" :options="setOptions" /></label>
        <label>Lowest note<BFormSelect v-model="asked.inversion" size="sm" :options="degreeOptions" /></label>
        <label>Top note<BFormSelect v-model="asked.top" size="sm" :options="degreeOptions" /></label>
        <label>From fret<BFormSelect v-model="asked.fromFret" size="sm" :options="fretOptions" /></label>
        <label>To fret<BFormSelect v-model="asked.toFret" size="sm" :options="fretOptions" /></label>
      </div>
    </div>
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
.limits {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
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
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-2) var(--space-2);
  font-size: var(--size-1);
  color: var(--ink2);
}
.must {
  display: grid;
  grid-template-columns: 1fr 1fr;
  font-size: var(--size-2);
}
.must :deep(.form-check) {
  margin: 0;
  min-height: 30px;
}
.strings {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  border: 1px solid var(--line-strong);
  flex: none;
}
.strings button {
  background: var(--sheet);
  border: 0;
  border-left: 1px solid var(--line-strong);
  color: var(--ink);
  font-size: var(--size-2);
  padding: var(--space-1) 0 var(--space-1);
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  line-height: 1.1;
  min-height: 56px;
}
.strings button:first-child {
  border-left: 0;
}
.strings .line {
  height: 18px;
  background: var(--string);
}
.strings .leave .line {
  background: none;
  border-left: 2px dotted var(--string);
}
.strings .must {
  background: var(--wash-crown);
}
.strings small {
  font-size: var(--size-1);
  color: var(--ink2);
}
.wedge input {
  width: 100%;
  accent-color: var(--crown);
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  margin-top: var(--space-1);
}
</style>
