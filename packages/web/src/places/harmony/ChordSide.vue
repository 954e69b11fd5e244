<script setup lang="ts">
/** The chord in hand: what it does, its grip for this hand, its tensions with their reasons, its swaps, its scales, who holds it. */
import { BButton } from 'bootstrap-vue-next';
import { guideTones } from '@finch/core/harmony';
import { figureOf } from '@finch/core/theory';
import { computed } from 'vue';
import BarreCaution from '../../instruments/BarreCaution.vue';
import { isFullBarre } from '@finch/core/grips';
import BecauseMark from '../../instruments/BecauseMark.vue';
import ChordName from '../../instruments/ChordName.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { chordText, degreeText, nameChord } from '../../words';
import {
  careWords,
  figureText,
  guideMove,
  jobWords,
  modeText,
  noteWord,
  readyWords,
  scaleReasonWords,
} from '../../words/harmony-words';
import FormLines from './FormLines.vue';
import SwapList from './SwapList.vue';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { asked, inHand, view, placed, grip, swaps, heard, scales, taught, tune, tuneUnread, group } =
  props.bench;
const { limit, instrument } = taught;
const SCALES_SHOWN = 4;
const degree = computed(() => (view.value === 'progression' ? null : inHand.degree.value));
const figure = computed(() => {
  const now = asked.value;
  if (!now) return '';
  if (degree.value) return figureText(inHand.sevenths.value ? degree.value.figure : degree.value.numeral);
  return figureText(figureOf(now.chord, now.key, inHand.school.value));
});
/** Where its third and seventh go, if it leads on. */
const pull = computed(() => {
  const now = asked.value;
  if (!now?.next) return '';
  const [one] = guideTones([now.chord, now.next]);
  return one.moves.map((move) => guideMove(move.by, move.to, move.from)).join(', ');
});
const care = computed(() => degree.value?.tensions.map(careWords).filter(Boolean) ?? []);
const over = computed(
  () => grip.value !== null && limit.value !== null && Math.round(grip.value.effort.total) > limit.value,
);
const barre = computed(() => !!grip.value?.barre && isFullBarre(grip.value.barre));
const held = computed(() =>
  asked.value ? props.bench.held(asked.value.chord.symbol, grip.value?.frets) : null,
);
const ready = computed(() => readyWords(held.value));
</script>

<template>
  <template v-if="asked">
    <div class="spread">
      <h2 class="chord-head">
        <span class="display figure">{{ figure }}</span>
        <ChordName class="chord" :symbol="asked.chord.symbol" />
      </h2>
      <span class="small">{{ degree ? jobWords(degree) : `in ${chordText(asked.key.name)}` }}</span>
    </div>
    <div class="grip">
      <ShapeCard
        v-if="grip"
        size="list"
        show="degrees"
        :frets="grip.frets"
        :fingers="grip.fingers"
        :degrees="grip.degrees"
        :chord="asked.chord.symbol"
        :left-handed="instrument.leftHanded"
      />
      <p v-else class="small">
        {{
          swaps.placed.value[asked.chord.symbol] ? 'No grip within this hand’s limits.' : 'Finding a grip…'
        }}
      </p>
      <div class="facts">
        <p v-if="grip" class="shim">
          <ShimMark :effort="grip.effort.total" :limit="limit" />
          <b class="num">{{ Math.round(grip.effort.total) }}</b>
          <span v-if="over" class="tag over">over this hand’s limit</span>
        </p>
        <BecauseMark v-if="pull">{{ pull }}, into {{ nameChord(asked.next?.symbol ?? '') }}.</BecauseMark>
      </div>
    </div>
    <div class="acts">
      <BButton
        size="sm"
        variant="outline-secondary"
        :disabled="!grip"
        @click="heard.grips([grip?.frets ?? null])"
        >{{ heard.playing.value ? 'Stop' : 'Hear it' }}</BButton
      >
      <BButton size="sm" variant="outline-secondary" @click="bench.lead('shapes')">Shapes</BButton>
      <BButton size="sm" variant="outline-secondary" @click="bench.lead('changes')">Changes</BButton>
      <BButton size="sm" variant="outline-secondary" @click="bench.lead('drills')">Drill</BButton>
      <BButton
        size="sm"
        class="pri"
        variant="dark"
        :disabled="!grip || bench.putting.value"
        @click="bench.put"
        >Put in plan</BButton
      >
    </div>
    <ul v-if="care.length" class="small cares">
      <li v-for="one in care" :key="one">With care, {{ one }}.</li>
    </ul>
    <p v-if="degree?.colours.length" class="small">
      From outside its scale, as a dominant:
      {{ degree.colours.map((one) => `${degreeText(one.degree)} (${noteWord(one.note)})`).join(', ') }}. With
      ♭13 the 5 is left out.
    </p>
    <label class="tune small">
      Tune over it
      <input
        v-model="tune"
        class="form-control"
        maxlength="4"
        spellcheck="false"
        autocomplete="off"
        placeholder="B"
        :aria-invalid="tuneUnread"
      />
      <span v-if="tuneUnread" role="alert">A note, like B or E♭.</span>
    </label>
    <SwapList :bench="bench" />
    <div>
      <h3>Scales over it</h3>
      <ul>
        <li v-for="one in scales.slice(0, SCALES_SHOWN)" :key="one.scale.kind" class="small scale-row">
          <button type="button" class="btn btn-link" @click="bench.showScale(one.scale.name)">
            {{ chordText(one.scale.name.split(' ')[0]) }} {{ modeText(one.scale.kind).toLowerCase() }}
          </button>
          <span>{{ scaleReasonWords[one.why] }}: {{ one.tells.map(noteWord).join(' ') }}</span>
        </li>
      </ul>
    </div>
    <div>
      <h3>Who of {{ group ?? 'the class' }} is ready</h3>
      <p class="small">{{ ready }}</p>
    </div>
    <FormLines
      v-if="grip"
      :chord="asked.chord"
      :frets="grip.frets"
      :next="placed?.next?.frets ?? null"
      :instrument="instrument"
      @hear="(spots) => heard.line(spots, 3, null)"
    />
    <BarreCaution v-if="barre" />
  </template>
  <p v-else class="empty">Type some chords, and pick one of them.</p>
</template>

<style scoped>
.chord-head {
  display: flex;
  gap: var(--space-2);
  align-items: baseline;
}
.figure,
.chord {
  font-size: var(--size-6);
}
.figure {
  color: var(--ink2);
}
.grip {
  display: flex;
  flex: none;
  gap: var(--space-2);
  min-height: 140px;
}
.facts {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.shim {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  flex-wrap: wrap;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
}
.tune {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  color: var(--ink);
}
.tune input {
  width: 68px;
}
.scale-row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-2);
  align-items: baseline;
}
.scale-row .btn {
  min-height: 24px;
  padding: 0;
}
@media (pointer: coarse) {
  .acts .btn,
  .scale-row .btn,
  .tune input {
    min-height: 44px;
  }
}
</style>
