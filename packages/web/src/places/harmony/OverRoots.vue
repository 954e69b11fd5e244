<script setup lang="ts">
/** A chord, a grip or any notes heard over each of twelve roots: their degrees there, and what the whole is called. */
import { readNoteSet, setOver } from '@finch/core/harmony';
import { noteText, pitchClassOf, rootNamed } from '@finch/core/theory';
import { refDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { degreeText, nameChord, sayProblem } from '../../words';
import { noteWord } from '../../words/harmony-words';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { asked, grip, heard, taught, address, more } = props.bench;
const typed = ref(address.text('set'));
const settled = refDebounced(typed, 150);
watch(settled, (set) => (more.value = { ...more.value, set }));
const own = computed(() => asked.value?.chord.symbol ?? '');
const read = computed(() => readNoteSet(settled.value.trim() || own.value, taught.instrument.value));
const set = computed(() => (read.value.ok ? read.value.value : null));
/** The grip in hand, where it is the chord in hand that is heard. */
const frets = computed(() =>
  settled.value.trim() ? (set.value?.frets ?? null) : (grip.value?.frets ?? set.value?.frets ?? null),
);
const over = computed(() => {
  const now = set.value;
  const from = asked.value ? pitchClassOf(asked.value.chord.root) : 0;
  return now ? Array.from({ length: 12 }, (_, up) => setOver(now, rootNamed(from + up))) : [];
});
const played = computed(() => {
  const now = set.value;
  return now?.notes?.map(noteWord).join(' ') ?? now?.pitchClasses.map((one) => noteWord(rootNamed(one))).join(' ') ?? ''; // prettier-ignore
});
</script>

<template>
  <section>
    <h3>Over any root</h3>
    <label class="small set">
      A chord, notes or frets
      <input
        v-model="typed"
        class="form-control"
        spellcheck="false"
        autocomplete="off"
        maxlength="40"
        :placeholder="own"
        :aria-invalid="!read.ok"
        aria-describedby="set-said"
      />
    </label>
    <p v-if="!read.ok" id="set-said" class="refusal" role="alert">{{ sayProblem(read.problem) }}</p>
    <p v-else id="set-said" class="small">
      {{ settled.trim() ? played : nameChord(own) }} over each; press one to hear it over that root.
    </p>
    <ul class="small">
      <li v-for="one in over" :key="noteText(one.root)">
        <button
          type="button"
          class="btn btn-link"
          :disabled="!frets"
          @click="heard.over(frets, pitchClassOf(one.root))"
        >
          over {{ noteWord(one.root) }}</button
        >: {{ one.notes.map((tone) => degreeText(tone.degree)).join(' ')
        }}<template v-if="one.name"> = {{ nameChord(one.name.symbol) }}</template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.set {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  color: var(--ink);
}
.set input {
  flex: 0 1 172px;
  font-family: var(--mono);
}
li {
  color: var(--ink2);
}
.btn {
  min-height: 24px;
  padding: 0;
}
@media (pointer: coarse) {
  .btn,
  .set input {
    min-height: 44px;
  }
}
</style>
