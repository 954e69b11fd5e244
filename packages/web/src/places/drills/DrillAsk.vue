<script setup lang="ts">
/** The parameters of a recipe as a form; every choice makes a new recipe. */
import { heldGrip, type DrillContext, type Recipe } from '@finch/core/drills';
import { BFormCheckbox, BFormInput } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import PickBox from '../../instruments/PickBox.vue';
import { drillFields, drillToggles, tempoOf, withTempo, type DrillField } from './drill-fields';

const recipe = defineModel<Recipe>({ required: true });
const props = defineProps<{ strings: number; context: DrillContext }>();
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
/** Chords typed for the drill, each on the grip this hand is best taught; a grip that stays keeps its frets. */
const chords = computed(() =>
  recipe.value.family !== 'piece section' && 'grips' in recipe.value.parameters
    ? recipe.value.parameters.grips.map((grip) => grip.chord).join(' ')
    : null,
);
const unread = ref('');
function typedChords(event: Event) {
  const now = recipe.value;
  if (now.family === 'piece section' || !('grips' in now.parameters)) return;
  const { grips: before } = now.parameters;
  const symbols = (event.target as HTMLInputElement).value.split(/[\s,|]+/).filter(Boolean);
  const grips = symbols.map(
    (symbol) => before.find((grip) => grip.chord === symbol) ?? heldGrip(symbol, props.context),
  );
  const lost = symbols.filter((_, i) => grips[i] === null);
  unread.value =
    lost.length > 0
      ? `${lost.join(', ')}: no chord we read, or no grip inside this hand’s limit.`
      : symbols.length < 2
        ? 'Two chords or more make this drill.'
        : '';
  if (unread.value === '')
    recipe.value = { ...now, parameters: { ...now.parameters, grips: grips.slice(0, MOST_GRIPS) } } as Recipe;
}
/** A loop plays at most this many grips. */
const MOST_GRIPS = 4;
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
      ><PickBox
        v-else
        :options="one.options"
        :model-value="one.value"
        @update:model-value="(value) => (recipe = one.choose(value))"
    /></label>
    <label v-if="tempo !== null"
      >Tempo<BFormInput size="sm" type="number" min="30" max="208" :model-value="tempo" @change="typedTempo"
    /></label>
    <label v-if="chords !== null" class="wide"
      >Chords<BFormInput
        size="sm"
        :model-value="chords"
        maxlength="80"
        spellcheck="false"
        @change="typedChords"
    /></label>
    <p v-if="unread" class="refusal" role="alert">{{ unread }}</p>
    <p v-if="fromShapes" class="small">Or take grips over from Shapes (“Drill it”) or a path from Changes.</p>
    <p v-if="recipe.family === 'piece section'" class="small">
      The bars come from Pieces: pick them on the chart and take “Drill bars”.
    </p>
  </div>
</template>

<style scoped>
.ask-drill {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-2) var(--space-2);
  font-size: var(--size-1);
  color: var(--ink2);
}
.ask-drill .wide,
.ask-drill fieldset,
.ask-drill p {
  grid-column: 1 / 3;
}
.ask-drill legend {
  font-size: var(--size-1);
  margin: 0;
}
.targets {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  font-size: var(--size-2);
  color: var(--ink);
}
</style>
