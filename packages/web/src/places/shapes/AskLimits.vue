<script setup lang="ts">
/** Everything that may be asked of a grip: use and style, strings, effort, root, form, place and notes. */
import { FORM_ORDER, STYLES, USES } from '@finch/core/shapes';
import type { ChordTone } from '@finch/core/theory';
import { BFormCheckbox } from 'bootstrap-vue-next';
import { computed } from 'vue';
import PickBox from '../../instruments/PickBox.vue';
import { degreeText, formText, noteSigns } from '../../words';
import { school } from '../../words/school';
import type { Asked } from './asked';

const props = defineProps<{
  /** Changed here as it is asked. */
  asked: Asked;
  tones: readonly ChordTone[];
  /** Numbers of the strings, the thickest first. */
  strings: readonly number[];
  limit: number | null;
  who: string;
  /** The boxes below stand too; they may come a frame later. */
  rest: boolean;
}>();
const emit = defineEmits<{ cycle: [string: number] }>();
const asked = props.asked;

const degreeOptions = computed(() => [
  { value: null, text: 'any' },
  ...props.tones.map((tone) => ({
    value: tone.degree,
    text: `${degreeText(tone.degree)}, ${noteSigns(tone.note)}`,
  })),
]);
const rootOptions = computed(() => [
  { value: null, text: 'any' },
  ...props.strings.map((string) => ({ value: string, text: `string ${string}` })),
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
  ...SETS.filter((set) => Number(set[0]) <= props.strings.length).map((set) => ({ value: set, text: set })),
]);
const setAsked = computed({
  get: () => {
    const must = props.strings.filter((string) => asked.strings[string] === 'must');
    const rest = props.strings.filter((string) => asked.strings[string] !== 'leave');
    return must.length > 0 && must.length === rest.length && SETS.includes(must.join(' '))
      ? must.join(' ')
      : null;
  },
  set: (set: string | null) => {
    const inside = set?.split(' ').map(Number) ?? null;
    asked.strings = Object.fromEntries(
      props.strings.map((string) => [string, !inside ? 'any' : inside.includes(string) ? 'must' : 'leave']),
    );
  },
});
</script>

<template>
  <div class="limits">
    <div class="pair">
      <label>For<PickBox v-model="asked.use" :options="useOptions" /></label>
      <label>Style<PickBox v-model="asked.style" :options="styleOptions" /></label>
    </div>
    <h2>Strings in use</h2>
    <div class="strings">
      <button
        v-for="s in strings"
        :key="s"
        type="button"
        :class="asked.strings[s] ?? 'any'"
        :aria-label="`String ${s}: ${asked.strings[s] ?? 'any'}`"
        @click="emit('cycle', s)"
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
    <div class="wants">
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
    <div v-if="rest" class="pair">
      <label>Root on<PickBox v-model="asked.rootString" :options="rootOptions" /></label>
      <label>Form<PickBox v-model="asked.form" :options="formOptions" /></label>
      <label>Position<PickBox v-model="asked.position" :options="positionOptions" /></label>
      <label>Strings<PickBox v-model="setAsked" :options="setOptions" /></label>
      <label>Lowest note<PickBox v-model="asked.inversion" :options="degreeOptions" /></label>
      <label>Top note<PickBox v-model="asked.top" :options="degreeOptions" /></label>
      <label>From fret<PickBox v-model="asked.fromFret" :options="fretOptions" /></label>
      <label>To fret<PickBox v-model="asked.toFret" :options="fretOptions" /></label>
    </div>
  </div>
</template>

<style scoped>
.limits {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-2) var(--space-2);
  font-size: var(--size-1);
  color: var(--ink2);
}
.wants {
  display: grid;
  grid-template-columns: 1fr 1fr;
  font-size: var(--size-2);
}
.wants :deep(.form-check) {
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
</style>
