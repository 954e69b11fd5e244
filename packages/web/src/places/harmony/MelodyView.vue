<script setup lang="ts">
/** A melody on top of chords: every note of a scale or of a tune with a grip under it, heard through and taken to Shapes. */
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import {
  MOST_MELODY,
  readMelody,
  scaleMelody,
  type HarmonizeBy,
  type HarmonizedNote,
} from '@finch/core/harmony';
import { gripLimit } from '@finch/core/hands';
import { pitchAt } from '@finch/core/fretboard';
import { fretsText } from '@finch/core/grips';
import { figureOf, midiOf, parseChord, pitchText } from '@finch/core/theory';
import { computed, ref, watch } from 'vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import { chordText, degreeText, nameChord, sayProblem } from '../../words';
import { figureText, passedWords } from '../../words/harmony-words';
import { useTunes } from './use-tunes';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { inHand, taught, heard, more, address } = props.bench;
const { instrument, drilling } = taught;
const { key } = inHand;
const BY: readonly { value: HarmonizeBy; text: string }[] = [
  { value: 'degree', text: 'each degree that has it' },
  { value: 'class', text: 'chords of one job' },
  { value: 'chord', text: 'one chord' },
];
const text = ref(address.text('melody'));
const octaves = ref<1 | 2>(address.text('octaves') === '1' ? 1 : 2);
const string = ref<1 | 2>(address.text('on') === '2' ? 2 : 1);
const by = ref<HarmonizeBy>(BY.find((one) => one.value === address.text('by'))?.value ?? 'degree');
const bass = ref(address.text('bass') === '1');
const outside = ref(address.text('outside') === '1');
const named = ref(address.text('with'));
watch(
  () => ({
    melody: text.value,
    octaves: octaves.value === 2 ? '' : '1',
    on: string.value === 1 ? '' : '2',
    by: by.value === 'degree' ? '' : by.value,
    bass: bass.value ? '1' : '',
    outside: outside.value ? '1' : '',
    with: named.value,
  }),
  (now) => (more.value = { ...more.value, ...now }),
);
const tunes = useTunes(MOST_MELODY);
/** Its key comes along, and the string it fits on. */
function takeTune(event: Event) {
  const select = event.target as HTMLSelectElement;
  const one = tunes.value.find((each) => each.title === select.value);
  if (!one) return;
  inHand.take(one.key);
  text.value = one.text;
  const fits = readMelody(one.text, 0);
  const lowest = fits.ok ? Math.min(...fits.value.map(midiOf)) : 0;
  string.value = lowest < pitchAt(instrument.value, instrument.value.openPitches.length - 1, 0) ? 2 : 1;
  select.value = '';
}
const read = computed(() => {
  if (!text.value.trim())
    return {
      ok: true as const,
      value: scaleMelody(key.value, string.value, octaves.value, { instrument: instrument.value }),
    };
  return readMelody(
    text.value,
    pitchAt(instrument.value, instrument.value.openPitches.length - string.value, 0),
  );
});
const chord = computed(() => (named.value.trim() ? parseChord(named.value) : null));
const chordWanted = computed(() => by.value !== 'degree');
const ready = computed(() => read.value.ok && (!chordWanted.value || chord.value?.ok === true));
const search = useLatest(
  () =>
    ready.value && read.value.ok
      ? {
          melody: read.value.value,
          of: drilling.value,
          key: key.value,
          by: by.value,
          chord: chord.value,
          string: string.value,
          bass: bass.value,
          outside: outside.value,
        }
      : null,
  (now): Promise<HarmonizedNote[]> =>
    benchWork().harmonized(
      plain({
        melody: now.melody,
        key: now.key,
        by: now.by,
        ...(now.chord?.ok ? { chord: now.chord.value } : {}),
        string: now.string,
        bass: now.bass,
        outside: now.outside ? ('harmonise' as const) : ('pass over' as const),
        hand: now.of.hand,
        instrument: now.of.instrument,
        maxEffort: gripLimit(now.of),
      }),
    ),
  () => true,
);
const notes = computed(() => search.answer.value ?? []);
/** Which voicing of each note is taken; the first where none was chosen. */
const chosen = ref<Readonly<Record<number, number>>>({});
watch(search.answer, () => (chosen.value = {}));
const voicing = (one: HarmonizedNote, i: number) =>
  one.voicings[(chosen.value[i] ?? 0) % Math.max(1, one.voicings.length)];
const other = (i: number, count: number) =>
  (chosen.value = { ...chosen.value, [i]: ((chosen.value[i] ?? 0) + 1) % count });
const hear = () => heard.grips(notes.value.map((one, i) => voicing(one, i)?.frets ?? null));
const passed = computed(() => notes.value.filter((one) => one.passed !== null).length);
</script>

<template>
  <div class="melody">
    <div class="ask">
      <label class="typed"
        >Tune
        <input
          v-model="text"
          class="form-control"
          spellcheck="false"
          autocomplete="off"
          maxlength="900"
          placeholder="the scale; or notes like E♭ F G B♭4"
          :aria-invalid="!read.ok"
      /></label>
      <select v-if="tunes.length" class="form-select by" aria-label="The tune of a piece" @change="takeTune">
        <option value="">a piece’s tune…</option>
        <option v-for="one in tunes" :key="one.title" :value="one.title">{{ one.title }}</option>
      </select>
      <BFormSelect
        v-if="!text.trim()"
        v-model="octaves"
        class="short"
        aria-label="Octaves"
        :options="[
          { value: 1, text: 'one octave' },
          { value: 2, text: 'two octaves' },
        ]"
      />
      <BFormSelect
        v-model="string"
        class="short"
        aria-label="String of the tune"
        :options="[
          { value: 1, text: 'on string 1' },
          { value: 2, text: 'on string 2' },
        ]"
      />
      <BFormSelect v-model="by" class="by" aria-label="Chords under it" :options="[...BY]" />
      <label v-if="chordWanted" class="with"
        >{{ by === 'class' ? 'of the job of' : 'Chord' }}
        <input v-model="named" class="form-control" maxlength="20" spellcheck="false" placeholder="G7"
      /></label>
      <label class="tick"><input v-model="bass" type="checkbox" /> with the root below</label>
      <label class="tick"><input v-model="outside" type="checkbox" /> foreign notes too</label>
      <BButton variant="outline-secondary" :disabled="!notes.length" @click="hear">{{
        heard.playing.value ? 'Stop' : 'Hear it'
      }}</BButton>
    </div>
    <p v-if="!read.ok" class="refusal" role="alert">{{ sayProblem(read.problem) }}</p>
    <p v-else-if="chordWanted && !chord" class="empty">Name a chord, like G7.</p>
    <p v-else-if="chord && !chord.ok && chordWanted" class="refusal" role="alert">
      {{ sayProblem(chord.problem) }}
    </p>
    <p v-else-if="search.failed.value" class="refusal" role="alert">
      The grips could not be worked out in this window.
      <BButton size="sm" variant="outline-secondary" @click="search.again()">Try again</BButton>
    </p>
    <p v-else class="small">
      In {{ chordText(key.name) }}, plain chords first and the smoothest way; coming down another voicing
      where there is one.
      <template v-if="passed">{{ passed }} of {{ notes.length }} notes passed over.</template>
    </p>
    <ol class="notes">
      <li v-for="(one, i) in notes" :key="i" :class="{ passed: one.passed }">
        <b>{{ chordText(pitchText(one.pitch)) }}</b>
        <template v-if="voicing(one, i)">
          <ShapeCard
            size="list"
            show="fingers"
            :frets="voicing(one, i).frets"
            :fingers="voicing(one, i).fingers"
            :chord="voicing(one, i).chord.symbol"
            :left-handed="instrument.leftHanded"
          />
          <button
            type="button"
            class="btn btn-link"
            @click="bench.lead('shapes', voicing(one, i).chord.symbol, voicing(one, i).frets)"
          >
            {{ nameChord(voicing(one, i).chord.symbol) }}
          </button>
          <span class="small"
            >{{ figureText(figureOf(voicing(one, i).chord, key)) }}; the tune is
            {{ degreeText(voicing(one, i).top) }}</span
          >
          <button
            v-if="one.voicings.length > 1"
            type="button"
            class="btn btn-link small"
            :aria-label="`Another voicing for note ${i + 1}, ${fretsText(voicing(one, i).frets)} now`"
            @click="other(i, one.voicings.length)"
          >
            another ({{ (chosen[i] ?? 0) + 1 }} of {{ one.voicings.length }})
          </button>
        </template>
        <span v-else class="small">{{ one.passed ? passedWords[one.passed] : '' }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.melody {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.ask,
.ask label {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--size-2);
}
.typed {
  flex: 1 1 280px;
}
.typed input {
  flex: 1;
  font-family: var(--mono);
}
.short {
  width: 132px;
}
.by {
  width: 196px;
}
.with input {
  width: 84px;
}
.tick {
  min-height: 32px;
}
.notes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(156px, 1fr));
  gap: var(--space-3) var(--space-2);
}
.notes li {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  border-top: 1px solid var(--line);
  padding-top: var(--space-1);
}
.notes .btn {
  padding: 0;
  min-height: 24px;
}
.passed {
  color: var(--ink3);
}
@media (pointer: coarse) {
  .melody :is(input, select, .btn, .tick) {
    min-height: 44px;
  }
}
</style>
