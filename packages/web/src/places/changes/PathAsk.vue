<script setup lang="ts">
/** What is asked of a path: where on the neck, which strings, which bass, what this hand may be given. */
import { OBJECTIVES } from '@finch/core/changes';
import { FORM_ORDER } from '@finch/core/shapes';
import { BFormCheckbox } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { OBJECTIVE_WORDS } from '../../words/change-words';
import { formText } from '../../words';
import { NOTHING_ASKED, type PathAsked } from './path-asked';

const asked = defineModel<PathAsked>({ required: true });
const props = defineProps<{ strings: number; frets: number; limit: number | null; who: string }>();
/** All forms until one is taken out. */
const held = (form: string) => asked.value.forms === null || asked.value.forms.includes(form);
function toggle(form: string) {
  const now = FORM_ORDER.filter((one) => (one === form ? !held(one) : held(one))).join('');
  asked.value.forms = now.length === FORM_ORDER.length ? null : now;
}
const frets = computed(() => Array.from({ length: props.frets + 1 }, (_, fret) => fret));
const sets = computed(() => {
  const all: string[] = [];
  for (const size of [3, 4, 5])
    for (let thick = props.strings; thick - size + 1 >= 1; thick--) all.push(`${thick}-${thick - size + 1}`);
  return all;
});
const said = computed(
  () =>
    Object.entries(asked.value).filter(([name, value]) => value !== NOTHING_ASKED[name as keyof PathAsked])
      .length,
);
defineExpose({ said });
</script>

<template>
  <div class="path-ask">
    <label
      >Wanted<select v-model="asked.objective" class="form-select form-select-sm">
        <option v-for="one in OBJECTIVES" :key="one" :value="one">{{ OBJECTIVE_WORDS[one] }}</option>
      </select></label
    >
    <label
      >From fret<select v-model="asked.fromFret" class="form-select form-select-sm">
        <option v-for="fret in frets" :key="fret" :value="fret">{{ fret }}</option>
      </select></label
    >
    <label
      >To fret<select v-model="asked.toFret" class="form-select form-select-sm">
        <option v-for="fret in frets" :key="fret" :value="fret">{{ fret }}</option>
      </select></label
    >
    <label
      >Lowest note<select v-model="asked.bass" class="form-select form-select-sm">
        <option value="root">root</option>
        <option value="root or 5">root or 5</option>
        <option value="any">any</option>
      </select></label
    >
    <label
      >Root on<select v-model="asked.rootString" class="form-select form-select-sm">
        <option :value="null">any string</option>
        <option v-for="one in [6, 5, 4]" :key="one" :value="one">string {{ one }}</option>
      </select></label
    >
    <label
      >Strings<select v-model="asked.strings" class="form-select form-select-sm">
        <option :value="null">any</option>
        <option v-for="one in sets" :key="one" :value="one">{{ one.replace('-', ' to ') }}</option>
      </select></label
    >
    <fieldset class="forms">
      <legend>Forms held</legend>
      <button
        v-for="form in FORM_ORDER"
        :key="form"
        type="button"
        :aria-pressed="held(form)"
        :aria-label="formText(form)"
        @click="toggle(form)"
      >
        {{ form }}
      </button>
    </fieldset>
    <div class="checks">
      <BFormCheckbox v-model="asked.open">Open strings</BFormCheckbox>
      <BFormCheckbox v-model="asked.barre">Barres</BFormCheckbox>
      <BFormCheckbox v-model="asked.insideLimit" :disabled="limit === null"
        >Within {{ who }} limit</BFormCheckbox
      >
    </div>
  </div>
</template>

<style scoped>
.path-ask {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: end;
}
label {
  font-size: var(--size-1);
  color: var(--ink3);
  display: grid;
  gap: 2px;
}
.forms {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
}
.forms legend {
  font-size: var(--size-1);
  color: var(--ink3);
  margin: 0;
}
.forms button {
  min-width: 30px;
  min-height: 32px;
  border: 1px solid var(--line-strong);
  background: var(--sheet);
  color: var(--ink3);
  text-decoration: line-through;
}
.forms [aria-pressed='true'] {
  background: var(--wash-crown);
  color: var(--ink);
  font-weight: 700;
  text-decoration: none;
}
.checks {
  display: flex;
  gap: var(--space-3);
  font-size: var(--size-2);
  padding-bottom: var(--space-1);
}
</style>
