<script setup lang="ts">
/** The parameters of a recipe as a form; every choice makes a new recipe. */
import type { DrillContext } from '@finch/core/hands';
import {
  fieldsOf,
  heldGrip,
  namedGrips,
  takesGrips,
  tempoOf,
  togglesOf,
  withTempo,
  type Recipe,
} from '@finch/core/drills';
import { BFormCheckbox, BFormInput } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import PickBox from '../../instruments/PickBox.vue';
import { choiceText, FAMILY_WORDS, fieldLabel } from '../../words/family-words';

const recipe = defineModel<Recipe>({ required: true });
const props = defineProps<{ strings: number; context: DrillContext }>();
const WIDE = 15;
const fields = computed(() =>
  fieldsOf(recipe.value, props.strings).map((field) => {
    const { family } = recipe.value;
    const options = field.choices.map((value) => ({ value, text: choiceText(family, field.name, value) }));
    return {
      ...field,
      label: fieldLabel(family, field.name),
      options,
      wide: options.some(({ text }) => text.length > WIDE),
    };
  }),
);
const toggles = computed(() =>
  togglesOf(recipe.value).map((one) => ({
    ...one,
    text: choiceText(recipe.value.family, one.name, one.value),
  })),
);
const tempo = computed(() => tempoOf(recipe.value));
/** Chords typed for the drill, each on the grip this hand is best taught; a grip that stays keeps its frets. */
const named = computed(() => namedGrips(recipe.value));
const chords = computed(() => named.value?.grips.map((grip) => grip.chord).join(' ') ?? null);
const unread = ref('');
function typedChords(event: Event) {
  if (!named.value) return;
  const { grips: before, least, most, take } = named.value;
  const symbols = (event.target as HTMLInputElement).value.split(/[\s,|]+/).filter(Boolean);
  const found = symbols.map(
    (symbol) => before.find((grip) => grip.chord === symbol) ?? heldGrip(symbol, props.context),
  );
  const grips = found.flatMap((grip) => grip ?? []);
  const lost = symbols.filter((_, i) => !found[i]);
  unread.value =
    lost.length > 0
      ? `${lost.join(', ')}: no chord we read, or no grip inside this hand’s limit.`
      : grips.length < least || grips.length > most
        ? `This drill plays ${least} to ${most} chords.`
        : '';
  if (unread.value === '') recipe.value = take(grips);
}
const typedTempo = (event: Event) =>
  (recipe.value = withTempo(recipe.value, Number((event.target as HTMLInputElement).value)));
</script>

<template>
  <div class="ask-drill">
    <fieldset v-if="toggles.length">
      <legend>{{ fieldLabel(recipe.family, toggles[0].name) }}</legend>
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
    <label v-for="one in fields" :key="one.name" :class="{ wide: one.wide }"
      >{{ one.label
      }}<template v-if="one.free"
        ><BFormInput
          size="sm"
          :list="`usual-${one.name}`"
          :model-value="one.value"
          maxlength="160"
          @change="recipe = one.choose(($event.target as HTMLInputElement).value.trim())" /><datalist
          :id="`usual-${one.name}`"
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
    <p v-if="takesGrips(recipe)" class="small">
      Or take grips over from Shapes (“Drill it”) or a path from Changes.
    </p>
    <p v-if="FAMILY_WORDS[recipe.family].note" class="small">{{ FAMILY_WORDS[recipe.family].note }}</p>
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
