<script setup lang="ts">
/** The parameters of a recipe, family by family; every change makes a new recipe. */
import type { DrillFamily, Recipe, RootAnswer } from '@finch/core/drills';
import { FORM_ORDER, ONE_NOTE_TARGETS, type Form } from '@finch/core/shapes';
import { majorKeys, makeChord, rootNamed } from '@finch/core/theory';
import { BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { chordText, formText } from '../../app/words';

const recipe = defineModel<Recipe>({ required: true });
const props = defineProps<{ strings: number }>();

type ParametersOf<F extends DrillFamily> = Extract<Recipe, { family: F }>['parameters'];
function change<F extends DrillFamily>(family: F, more: Partial<ParametersOf<F>>) {
  if (recipe.value.family !== family) return;
  // Family and parameters stay a pair: the check above says which.
  recipe.value = { ...recipe.value, parameters: { ...recipe.value.parameters, ...more } } as Recipe;
}
const numbers = (low: number, high: number, text: (n: number) => string = String) =>
  Array.from({ length: high - low + 1 }, (_, i) => ({ value: low + i, text: text(low + i) }));
const keys = majorKeys().map((key) => ({ value: key.name, text: chordText(key.name) }));
const roots = Array.from({ length: 12 }, (_, i) => {
  const symbol = makeChord(rootNamed(i), 'major').symbol;
  return { value: symbol, text: chordText(symbol) };
});
const QUALITIES = ['major', 'minor', 'dominant7', 'major7', 'minor7'];
const qualityNames: Readonly<Record<string, string>> = {
  root: 'root alone',
  major: 'major',
  minor: 'minor',
  dominant7: '7',
  major7: 'major 7',
  minor7: 'minor 7',
};
const qualities = QUALITIES.map((value) => ({ value, text: qualityNames[value] }));
const stringSets = computed(() =>
  Array.from({ length: props.strings - 2 }, (_, i) => {
    const set = [i + 3, i + 2, i + 1];
    return { value: set.join(' '), text: set.join(' ') };
  }),
);
const forms = computed(() => FORM_ORDER.map((form) => ({ value: form, text: formText(form) })));
const targetName = (quality: string) =>
  chordText(makeChord({ letter: 'C', accidental: 0 }, quality).symbol).slice(1) || 'major';
const seconds = numbers(2, 12, (n) => `${n} s`);
const PROGRESSIONS = ['I vi IV V', 'ii V I', 'I IV V', 'I V vi IV', 'vi IV I V'];
</script>

<template>
  <div class="ask-drill">
    <template v-if="recipe.family === 'warm up'">
      <label
        >Minutes<BFormSelect
          size="sm"
          :options="numbers(1, 10)"
          :model-value="recipe.parameters.minutes"
          @update:model-value="(minutes) => change('warm up', { minutes: Number(minutes) })"
      /></label>
    </template>
    <template v-else-if="recipe.family === 'string walk'">
      <label
        >String<BFormSelect
          size="sm"
          :options="numbers(1, strings)"
          :model-value="recipe.parameters.string"
          @update:model-value="(string) => change('string walk', { string: Number(string) })"
      /></label>
      <label
        >Notes of<BFormSelect
          size="sm"
          :options="keys"
          :model-value="recipe.parameters.key"
          @update:model-value="(key) => change('string walk', { key: String(key) })"
      /></label>
      <label
        >Up to fret<BFormSelect
          size="sm"
          :options="numbers(3, 17)"
          :model-value="recipe.parameters.maxFret"
          @update:model-value="(maxFret) => change('string walk', { maxFret: Number(maxFret) })"
      /></label>
      <label
        >Calls after<BFormSelect
          size="sm"
          :options="[6, 12, 18, 24].map((value) => ({ value, text: String(value) }))"
          :model-value="recipe.parameters.calls"
          @update:model-value="(calls) => change('string walk', { calls: Number(calls) })"
      /></label>
      <label
        >Each within<BFormSelect
          size="sm"
          :options="seconds"
          :model-value="recipe.parameters.secondsPerCall"
          @update:model-value="(n) => change('string walk', { secondsPerCall: Number(n) })"
      /></label>
    </template>
    <template v-else-if="recipe.family === 'note reading'">
      <label
        >Key<BFormSelect
          size="sm"
          :options="keys"
          :model-value="recipe.parameters.key"
          @update:model-value="(key) => change('note reading', { key: String(key) })"
      /></label>
      <label
        >Position<BFormSelect
          size="sm"
          :options="numbers(0, 12, (n) => (n ? `index at ${n}` : 'open'))"
          :model-value="recipe.parameters.position"
          @update:model-value="(position) => change('note reading', { position: Number(position) })"
      /></label>
      <label
        >Range grows to<BFormSelect
          size="sm"
          :options="numbers(1, strings, (n) => (n === 1 ? 'string 1' : `strings 1 to ${n}`))"
          :model-value="recipe.parameters.strings"
          @update:model-value="(n) => change('note reading', { strings: Number(n) })"
      /></label>
      <label
        >Notes<BFormSelect
          size="sm"
          :options="[8, 12, 16, 24, 48].map((value) => ({ value, text: String(value) }))"
          :model-value="recipe.parameters.count"
          @update:model-value="(count) => change('note reading', { count: Number(count) })"
      /></label>
      <label
        >Each within<BFormSelect
          size="sm"
          :options="seconds"
          :model-value="recipe.parameters.secondsPerNote"
          @update:model-value="(n) => change('note reading', { secondsPerNote: Number(n) })"
      /></label>
    </template>
    <template v-else-if="recipe.family === 'root call'">
      <label
        >Ask<BFormSelect
          size="sm"
          :options="[
            { value: 'grid', text: 'the whole grid' },
            ...Object.entries(qualityNames)
              .filter(([value]) => value !== 'major7')
              .map(([value, text]) => ({ value, text })),
          ]"
          :model-value="recipe.parameters.grid ? 'grid' : recipe.parameters.answer"
          @update:model-value="
            (asked) =>
              change(
                'root call',
                asked === 'grid'
                  ? {
                      grid: {
                        rootStrings: [6, 5],
                        answers: ['major', 'minor', 'dominant7', 'minor7'],
                        weak: [],
                      },
                    }
                  : { grid: undefined, answer: asked as RootAnswer },
              )
          "
      /></label>
      <label v-if="!recipe.parameters.grid"
        >Root on<BFormSelect
          size="sm"
          :options="[
            { value: 6, text: 'string 6' },
            { value: 5, text: 'string 5' },
          ]"
          :model-value="recipe.parameters.rootString"
          @update:model-value="(n) => change('root call', { rootString: Number(n) as 5 | 6 })"
      /></label>
      <label
        >Calls<BFormSelect
          size="sm"
          :options="[12, 24, 48, 96].map((value) => ({ value, text: String(value) }))"
          :model-value="recipe.parameters.count"
          @update:model-value="(count) => change('root call', { count: Number(count) })"
      /></label>
      <label
        >From fret<BFormSelect
          size="sm"
          :options="numbers(0, 7)"
          :model-value="recipe.parameters.minFret ?? 1"
          @update:model-value="(n) => change('root call', { minFret: Number(n) })"
      /></label>
      <label
        >Each within<BFormSelect
          size="sm"
          :options="seconds"
          :model-value="recipe.parameters.secondsPerCall"
          @update:model-value="(n) => change('root call', { secondsPerCall: Number(n) })"
      /></label>
    </template>
    <template v-else-if="recipe.family === 'formula'">
      <fieldset>
        <legend>Into</legend>
        <div class="targets">
          <BFormCheckbox
            v-for="target in ONE_NOTE_TARGETS"
            :key="target"
            :model-value="recipe.parameters.targets.includes(target)"
            @update:model-value="
              (on) =>
                recipe.family === 'formula' &&
                change('formula', {
                  targets: on
                    ? [...recipe.parameters.targets, target]
                    : recipe.parameters.targets.filter((one) => one !== target),
                })
            "
            >{{ targetName(target) }}</BFormCheckbox
          >
        </div>
      </fieldset>
      <label
        >Each within<BFormSelect
          size="sm"
          :options="seconds"
          :model-value="recipe.parameters.secondsPerCall"
          @update:model-value="(n) => change('formula', { secondsPerCall: Number(n) })"
      /></label>
    </template>
    <template v-else-if="recipe.family === 'family ladder'">
      <label
        >Root<BFormSelect
          size="sm"
          :options="roots"
          :model-value="recipe.parameters.root"
          @update:model-value="(root) => change('family ladder', { root: String(root) })"
      /></label>
      <label
        >Form<BFormSelect
          size="sm"
          :options="forms"
          :model-value="recipe.parameters.form"
          @update:model-value="(form) => change('family ladder', { form: form as Form })"
      /></label>
      <label
        >Beats each<BFormSelect
          size="sm"
          :options="[2, 4, 8].map((value) => ({ value, text: String(value) }))"
          :model-value="recipe.parameters.beatsEach"
          @update:model-value="(n) => change('family ladder', { beatsEach: Number(n) })"
      /></label>
    </template>
    <template v-else-if="recipe.family === 'five forms'">
      <label
        >Root<BFormSelect
          size="sm"
          :options="roots"
          :model-value="recipe.parameters.root"
          @update:model-value="(root) => change('five forms', { root: String(root) })"
      /></label>
      <label
        >Quality<BFormSelect
          size="sm"
          :options="qualities"
          :model-value="recipe.parameters.quality"
          @update:model-value="(quality) => change('five forms', { quality: String(quality) })"
      /></label>
      <label
        >Way<BFormSelect
          size="sm"
          :options="['up', 'up and down']"
          :model-value="recipe.parameters.order"
          @update:model-value="(order) => change('five forms', { order: order as 'up' })"
      /></label>
      <label
        >Bars each<BFormSelect
          size="sm"
          :options="numbers(1, 4)"
          :model-value="recipe.parameters.barsEach"
          @update:model-value="(n) => change('five forms', { barsEach: Number(n) })"
      /></label>
      <label
        >Keys<BFormSelect
          size="sm"
          :options="numbers(1, 4)"
          :model-value="recipe.parameters.keys"
          @update:model-value="(n) => change('five forms', { keys: Number(n) })"
      /></label>
      <label
        >Next key<BFormSelect
          size="sm"
          :options="['fourths', 'fifths', 'random']"
          :model-value="recipe.parameters.next"
          @update:model-value="(next) => change('five forms', { next: next as 'fourths' })"
      /></label>
      <BFormCheckbox
        :model-value="recipe.parameters.allowOpen"
        @update:model-value="(on) => change('five forms', { allowOpen: on === true })"
        >Open strings too</BFormCheckbox
      >
    </template>
    <template v-else-if="recipe.family === 'close triads'">
      <label
        >Root<BFormSelect
          size="sm"
          :options="roots"
          :model-value="recipe.parameters.root"
          @update:model-value="
            (root) =>
              recipe.family === 'close triads' &&
              change('close triads', {
                root: String(root),
                ...(recipe.parameters.progression
                  ? { progression: { ...recipe.parameters.progression, key: `${root} major` } }
                  : {}),
              })
          "
      /></label>
      <label
        >Strings<BFormSelect
          size="sm"
          :options="stringSets"
          :model-value="recipe.parameters.strings.join(' ')"
          @update:model-value="
            (set) =>
              change('close triads', {
                strings: String(set).split(' ').map(Number) as [number, number, number],
              })
          "
      /></label>
      <label
        >Then<BFormSelect
          size="sm"
          :options="[
            { value: '', text: 'nothing' },
            ...PROGRESSIONS.map((value) => ({ value, text: value })),
          ]"
          :model-value="recipe.parameters.progression?.numerals.join(' ') ?? ''"
          @update:model-value="
            (numerals) =>
              recipe.family === 'close triads' &&
              change('close triads', {
                progression: numerals
                  ? { key: `${recipe.parameters.root} major`, numerals: String(numerals).split(' ') }
                  : undefined,
              })
          "
      /></label>
    </template>
    <label v-if="'tempoBpm' in recipe.parameters && recipe.parameters.tempoBpm"
      >Tempo<BFormInput
        size="sm"
        type="number"
        min="30"
        max="208"
        :model-value="recipe.parameters.tempoBpm"
        @change="
          (event: Event) =>
            change(recipe.family, {
              tempoBpm: Math.min(208, Math.max(30, Number((event.target as HTMLInputElement).value) || 60)),
            } as never)
        "
    /></label>
  </div>
</template>

<style scoped>
.ask-drill {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 8px;
  font-size: 12.5px;
  color: var(--ink2);
}
.ask-drill fieldset {
  grid-column: 1 / 3;
}
.ask-drill legend {
  font-size: 12.5px;
  margin: 0;
}
.targets {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  font-size: 14px;
  color: var(--ink);
}
</style>
