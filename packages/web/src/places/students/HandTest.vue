<script setup lang="ts">
/** The hand measured on its own neck: warm, relaxed, at a few places in turn; never pulled, and ended by any pain. */
import { MEASURED_AT, measuredReach, type NeckReading } from '@finch/core/hands';
import { BButton, BFormCheckbox, BFormSelect } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { sayProblem } from '../../words';

const props = defineProps<{ scale: number; frets: number }>();
const emit = defineEmits<{ use: [mm: number] }>();
const open = ref(false);
const warm = ref(false);
const hurt = ref(false);
/** By place: the highest fret the little finger reached with ease. */
const reached = ref<Record<number, number | null>>({});
const places = computed(() => MEASURED_AT.filter((first) => first + 2 < props.frets));
const options = (first: number) => [
  { value: null, text: 'not measured' },
  ...Array.from({ length: 8 }, (_, i) => first + i + 1)
    .filter((fret) => fret <= props.frets)
    .map((fret) => ({ value: fret, text: `fret ${fret}` })),
];
const readings = computed((): NeckReading[] =>
  places.value.flatMap((first) => {
    const fourth = reached.value[first] ?? null;
    return fourth === null ? [] : [{ first, fourth }];
  }),
);
const measured = computed(() => measuredReach(readings.value, props.scale));
const result = computed(() => (measured.value.ok ? measured.value.value : null));
const wrong = computed(() =>
  !measured.value.ok && readings.value.length > 1 ? sayProblem(measured.value.problem) : '',
);
function use() {
  if (!result.value) return;
  emit('use', result.value.mm);
  open.value = false;
}
</script>

<template>
  <section class="test" aria-labelledby="hand-test">
    <div class="spread">
      <h2 id="hand-test">The hand, measured on its neck</h2>
      <BButton size="sm" variant="outline-secondary" :aria-expanded="open" @click="open = !open">{{
        open ? 'Not now' : 'Measure'
      }}</BButton>
    </div>
    <p class="note">
      After three easy minutes, relaxed, never pulled. Pain: stop, and ask a doctor or a hand therapist.
    </p>
    <template v-if="open">
      <BFormCheckbox v-model="warm">The hand is warm: three easy minutes were played</BFormCheckbox>
      <BFormCheckbox v-model="hurt">It hurts</BFormCheckbox>
      <p v-if="hurt" class="caution" role="alert">
        Stop here; nothing is measured today. If it stays or comes back, see a doctor or a hand therapist;
        this is no medical advice.
      </p>
      <template v-else-if="warm">
        <p class="note">
          No capo. On string 3: lay finger 1 on the fret named, let finger 4 find the highest fret that stays
          easy, all fingers down.
        </p>
        <div class="places">
          <label v-for="first in places" :key="first"
            >Finger 1 on fret {{ first }}, finger 4 up to
            <BFormSelect
              :model-value="reached[first] ?? null"
              :options="options(first)"
              @update:model-value="
                (fret) => (reached = { ...reached, [first]: fret === null ? null : Number(fret) })
              "
          /></label>
        </div>
        <p v-if="wrong" class="refusal" role="alert">{{ wrong }}</p>
        <p v-else-if="!result" class="small">Two places at least; four say it within a few millimetres.</p>
        <div v-else class="spread">
          <p role="status">
            Reach 1–4: <b>{{ result.mm }} mm</b>, between {{ result.low }} and {{ result.high }}.
          </p>
          <BButton size="sm" variant="outline-secondary" @click="use">Use {{ result.mm }} mm</BButton>
        </div>
      </template>
    </template>
  </section>
</template>

<style scoped>
.test {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.test p {
  margin: 0;
}
.places {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: var(--space-2) var(--space-4);
  font-size: var(--size-2);
}
@media (max-width: 600px) {
  .places {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
