<script setup lang="ts">
/** The parameters of a recipe as a form; every choice makes a new recipe. */
import type { Recipe } from '@finch/core/drills';
import { BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { drillFields, drillToggles, tempoOf, withTempo, type DrillField } from './drill-fields';

const recipe = defineModel<Recipe>({ required: true });
const props = defineProps<{ strings: number }>();
const fields = computed(() => drillFields(recipe.value, props.strings));
const toggles = computed(() => drillToggles(recipe.value));
const tempo = computed(() => tempoOf(recipe.value));
const fromShapes = computed(
  () =>
    recipe.value.family !== 'piece section' &&
    ('grip' in recipe.value.parameters || 'grips' in recipe.value.parameters),
);
const WIDE = 15;
const isWide = (one: DrillField) => one.options.some((option) => option.text.length > WIDE);
const typedTempo = (event: Event) =>
  (recipe.value = withTempo(recipe.value, Number((event.target as HTMLInputElement).value)));
</script>

<template>
  <div class="ask-drill">
    <fieldset v-if="toggles.length">
      <legend>Into</legend>
      <div class="targets">
        <BFormCheckbox
          v-for="one in toggles"
          :key="one.text"
          :model-value="one.on"
          @update:model-value="recipe = one.flip()"
          >{{ one.text }}</BFormCheckbox
        >
      </div>
    </fieldset>
    <label v-for="one in fields" :key="one.label" :class="{ wide: isWide(one) }"
      >{{ one.label
      }}<template v-if="one.free"
        ><BFormInput
          size="sm"
          :list="`usual-${one.label}`"
          :model-value="one.value"
          maxlength="160"
          @change="recipe = one.choose(($event.target as HTMLInputElement).value.trim())" /><datalist
          :id="`usual-${one.label}`"
        >
          <option
            v-for="option in one.options"
            :key="option.value"
            :value="option.value"
          /></datalist></template
      ><BFormSelect
        v-else
        size="sm"
        :options="one.options"
        :model-value="one.value"
        @update:model-value="(value) => (recipe = one.choose(String(value)))"
    /></label>
    <label v-if="tempo !== null"
      >Tempo<BFormInput size="sm" type="number" min="30" max="208" :model-value="tempo" @change="typedTempo"
    /></label>
    <p v-if="fromShapes" class="small">
      The grips come from Shapes (hold one, pick another, take “Drill it”) or from a path in Changes.
    </p>
    <p v-if="recipe.family === 'piece section'" class="small">
      The bars come from Pieces: pick them on the chart and take “Drill bars”.
    </p>
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
.ask-drill .wide,
.ask-drill fieldset,
.ask-drill p {
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
