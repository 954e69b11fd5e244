<script setup lang="ts">
/** The hand: reach, scale, limits. Dated; keeping it adds a record and never changes what older takes were graded with. */
import type { StudentBody } from '@finch/contract';
import { REFERENCE_REACH_MM } from '@finch/core/fretboard';
import { BButton } from 'bootstrap-vue-next';
import { computed, useTemplateRef } from 'vue';
import { setupWords, tuningWords } from '../../words';
import { playedWords } from '../../words/played-words';
import ShimMark from '../../instruments/ShimMark.vue';
import HandForm from './HandForm.vue';
import { limitText } from './hand-words';

const props = defineProps<{ student: StudentBody; mayWrite: boolean }>();
const emit = defineEmits<{ kept: [] }>();
const form = useTemplateRef<InstanceType<typeof HandForm>>('form');
const edit = () => form.value?.edit();
const since = computed(() =>
  props.student.hand.from
    ? new Date(props.student.hand.from).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
    : null,
);
const reachMm = computed(() => props.student.hand.value.reachMm ?? null);
const change = computed(() => {
  const before = props.student.limitsBefore?.value.gripEffort;
  const now = props.student.limits.value.gripEffort;
  return before === undefined || before === now
    ? null
    : `${now > before ? 'up' : 'down'} ${Math.abs(now - before)} since ${new Date(props.student.limitsBefore?.from ?? 0).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}`;
});
defineExpose({ edit });
const bars = computed(() =>
  reachMm.value === null
    ? []
    : [
        { name: '1–2', share: 86 },
        { name: '1–3', share: 114 },
        { name: '1–4', share: 140 },
      ].map((one) => ({
        ...one,
        mm: Math.round((one.share / REFERENCE_REACH_MM) * (reachMm.value ?? 0)),
        measured: one.name === '1–4',
      })),
);
</script>

<template>
  <section class="hand-sheet">
    <div class="spread">
      <h2>{{ student.instrument.value.leftHanded ? 'Right hand frets' : 'Left hand frets' }}</h2>
      <span class="small">{{ since ? `since ${since}` : 'not measured' }}</span>
    </div>
    <div v-if="bars.length" class="reach">
      <template v-for="bar in bars" :key="bar.name"
        ><span class="small">{{ bar.name }}</span
        ><span class="span" :style="{ width: `${bar.mm * 1.05}px` }" /><b :class="{ guess: !bar.measured }"
          >{{ bar.mm }} mm</b
        ></template
      >
    </div>
    <p v-else class="caution">
      A middle hand of 140 mm is assumed until you measure: fingers 1 and 4, as wide as stays easy, after
      warming up.
    </p>
    <p v-if="bars.length" class="small">1–4 measured; the others follow from it.</p>
    <dl>
      <div>
        <dt>Scale</dt>
        <dd>{{ student.instrument.value.scaleLengthMm }} mm</dd>
      </div>
      <div>
        <dt>Tuning</dt>
        <dd>{{ tuningWords(student.instrument.value.openPitches) }}</dd>
      </div>
      <div>
        <dt>Strings and action</dt>
        <dd>{{ setupWords(student.instrument.value.setup) }}</dd>
      </div>
      <div>
        <dt>Has played for</dt>
        <dd>{{ playedWords(student.pace.months) }}</dd>
      </div>
      <div>
        <dt>Thumb over the top</dt>
        <dd>{{ student.hand.value.thumbOver ? 'yes' : 'no' }}</dd>
      </div>
      <div>
        <dt>Barre minutes in 30</dt>
        <dd>{{ student.limits.value.barreMinutes }}</dd>
      </div>
      <div>
        <dt>Hand load in a lesson, at most</dt>
        <dd>{{ student.limits.value.load }}</dd>
      </div>
      <div>
        <dt>Hand felt easy, tense, pain</dt>
        <dd>{{ student.feels.easy }}, {{ student.feels.tense }}, {{ student.feels.pain }}</dd>
      </div>
    </dl>
    <h2>Effort limit for one grip</h2>
    <div class="limit">
      <ShimMark :effort="student.limits.value.gripEffort" :width="120" :height="44" /><span class="big">{{
        student.limits.value.gripEffort
      }}</span
      ><span class="small">{{
        change ?? (student.limits.value.assumed ? 'assumed until you set it' : 'set by the teacher')
      }}</span>
    </div>
    <p class="small">{{ limitText(student.limitSaid) }}</p>
    <BButton v-if="mayWrite" variant="outline-secondary" size="sm" @click="edit">Measure and set</BButton>
    <HandForm ref="form" :student="student" @kept="emit('kept')" />
  </section>
</template>

<style scoped>
.hand-sheet {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  align-items: stretch;
}
.hand-sheet dl > div {
  display: flex;
  justify-content: space-between;
  padding: var(--space-1) 0;
  font-size: var(--size-2);
}
.hand-sheet dl {
  border-block: 1px solid var(--line);
  padding: var(--space-1) 0;
}
.hand-sheet dd {
  font-weight: 700;
}
.reach {
  display: grid;
  grid-template-columns: 34px auto 1fr;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--size-2);
}
.reach .span {
  height: 14px;
  border: 2px solid var(--crown);
  border-block: 0;
  position: relative;
}
.reach .span::after {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 6px;
  border-top: 2px solid var(--crown);
}
.reach .guess {
  font-weight: 400;
  color: var(--ink3);
}
.limit {
  display: flex;
  align-items: flex-end;
  gap: var(--space-3);
}
.limit .big {
  font-size: var(--size-7);
  font-weight: 700;
  line-height: 1;
}
</style>
