<script setup lang="ts">
/**
 * Calls answered one after the other, on the neck or by one of several words, some of them heard first; each is timed, what is
 * wrong is shown, the outcomes go out.
 */
import {
  slipOf,
  readsStaff,
  staffFifths,
  type CallTaken,
  type Drill,
  type Place,
  type StepOutcome,
} from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import { staffBars, ticksOf } from '@finch/core/score';
import { soundSchedule } from '@finch/core/sound';
import { useWindowSize } from '@vueuse/core';
import { BButton, BFormInput } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { useKeys } from '../app/keys';
import { say } from '../words';
import { choiceWords, SLIP_WORDS } from '../words/drill-words';
import { usePlayer } from '../workers/player';
import { barAlone, outcomeOf, quizBoard, quizEnd, quizRows, SUNG_ANSWERS } from './quiz';
import StaffStrip from './StaffStrip.vue';
import SungAnswer from './SungAnswer.vue';

const props = withDefaults(defineProps<{ drill: Drill; instrument: Instrument; now?: () => number }>(), {
  now: () => performance.now(),
});
const emit = defineEmits<{
  start: [];
  done: [outcomes: readonly StepOutcome[], taken: readonly CallTaken[]];
}>();
const calls = computed(() => props.drill.steps.filter((step) => step.answer));
const at = ref(0);
const outcomes = ref<StepOutcome[]>([]);
const taken = ref<CallTaken[]>([]);
const tapped = ref<Place[]>([]);
const last = ref('');
let askedAt: number | null = null;
const step = computed(() => calls.value[at.value] ?? null);
const reads = computed(() => readsStaff(props.drill));
const several = computed(() => step.value?.answer?.kind === 'all places');
const inHand = computed(() => {
  const recipe = props.drill.recipe;
  return recipe.family === 'formula' ? recipe.parameters.grip.frets : undefined;
});
const player = usePlayer();
const heard = ref(0);
const left = computed(() => (step.value?.hearings ?? 0) - heard.value);
/** What is asked by ear is answered once it was heard. */
const mayAnswer = computed(() => step.value?.hearings === undefined || heard.value > 0);
async function hear() {
  if (!step.value || left.value < 1) return;
  begun();
  heard.value += 1;
  if (heard.value === 1) askedAt = props.now();
  await sound(step.value.startTick);
}
const sound = (tick: number) =>
  player.play(soundSchedule(barAlone(props.drill.score, tick), props.instrument), {
    instrument: props.instrument,
    noClick: true,
  });
const sung = computed(() => (step.value?.answer?.kind === 'sung' ? step.value.answer : null));
const toneHeard = ref(false);
async function hearTone() {
  if (!sung.value || !mayAnswer.value) return;
  toneHeard.value = true;
  await sound(sung.value.heardTick);
}
const hearsWhat = computed(() =>
  sung.value
    ? heard.value
      ? 'Hear the key again'
      : 'Hear the key'
    : heard.value
      ? 'Hear it again'
      : 'Hear it',
);
const writes = computed(() => step.value?.answer?.kind === 'written');
const typed = ref('');
function hand() {
  if (typed.value.trim() === '') return;
  answer(typed.value);
  typed.value = '';
}
const choices = computed(() => (step.value?.answer?.kind === 'choice' ? step.value.answer.choices : null));
const board = computed(() =>
  step.value && !choices.value && !writes.value && !sung.value
    ? quizBoard(step.value, props.instrument, inHand.value)
    : { strings: [], frets: [] },
);
const { width } = useWindowSize();
const NARROW = 700;
const rows = computed(() => quizRows(board.value, width.value < NARROW));
const staff = computed(() => {
  if (!reads.value || !step.value) return [];
  const from = step.value.startTick;
  let end = 0;
  return staffBars(props.drill.score, props.instrument).filter((bar) => {
    end += ticksOf(bar.beats);
    return end - ticksOf(bar.beats) === from;
  });
});
/** An answer that is only to be right, as by ear, is never late. */
const seconds = computed(() => Number(props.drill.question.values.seconds ?? Number.POSITIVE_INFINITY));
const held = (string: number, fret: number) =>
  inHand.value?.[props.instrument.openPitches.length - string] === fret;
const isTapped = (string: number, fret: number) =>
  tapped.value.some((one) => one.string === string && one.fret === fret);
const placeText = (place: Place) =>
  board.value.strings.length === 1
    ? `fret ${place.fret}`
    : `string ${place.string}, ${place.fret === 0 ? 'open' : `fret ${place.fret}`}`;

/** The first answer begins the take; its own call is not timed. */
function begun() {
  if (askedAt !== null) return;
  emit('start');
  askedAt = props.now();
}
function tap(place: Place) {
  if (!step.value) return;
  begun();
  if (!several.value) return answer([place]);
  tapped.value = isTapped(place.string, place.fret)
    ? tapped.value.filter((one) => one.string !== place.string || one.fret !== place.fret)
    : [...tapped.value, place];
}
function answer(given: readonly Place[] | string) {
  const asked = step.value?.answer;
  if (!asked || !mayAnswer.value) return;
  begun();
  const took = (props.now() - (askedAt ?? props.now())) / 1000;
  const outcome = outcomeOf(asked, given, took, seconds.value);
  const right =
    'right' in asked
      ? choiceWords(asked.right)
      : asked.places.map(placeText).join(several.value ? ' and ' : ' or ');
  const slip = slipOf(asked, given);
  last.value =
    outcome === 'clean'
      ? `Right: ${right}.`
      : outcome === 'late'
        ? `Right, after more than ${seconds.value} s: ${right}.`
        : `It is ${right}.${slip ? ` ${SLIP_WORDS[slip]}` : ''}`;
  outcomes.value = [...outcomes.value, outcome];
  taken.value = [...taken.value, { seconds: Math.round(took * 10) / 10, ...(slip ? { slip } : {}) }];
  tapped.value = [];
  heard.value = 0;
  toneHeard.value = false;
  player.stop();
  at.value += 1;
  askedAt = props.now();
  if (at.value === calls.value.length) emit('done', outcomes.value, taken.value);
}
const ended = computed(() => quizEnd(outcomes.value, taken.value));
useKeys(
  'quiz',
  {
    choose: (n) => {
      const choice = (sung.value ? SUNG_ANSWERS : choices.value)?.[n];
      if (choice !== undefined && (!sung.value || toneHeard.value)) answer(choice);
    },
    hear: () => void hear(),
    tone: () => void hearTone(),
  },
  () => choices.value !== null || sung.value !== null,
);
</script>

<template>
  <div class="quiz">
    <template v-if="step">
      <p class="small">call {{ at + 1 }} of {{ calls.length }}</p>
      <p class="display quiz-call">{{ say(step.ask) }}</p>
      <StaffStrip v-if="reads" :bars="staff" :fifths="staffFifths(drill)" plain />
      <BButton v-if="step.hearings" variant="dark" class="pri hear" :disabled="left < 1" @click="hear"
        >{{ hearsWhat }}
        <small>{{ left === 0 ? 'no more' : left === 1 ? 'once' : `${left} times` }}</small></BButton
      >
      <div v-if="choices" class="quiz-choices" role="group" aria-label="Choose one">
        <BButton
          v-for="(choice, n) in choices"
          :key="choice"
          variant="outline-secondary"
          class="choice"
          :disabled="!mayAnswer"
          @click="answer(choice)"
          ><kbd aria-hidden="true">{{ n + 1 }}</kbd> {{ choiceWords(choice) }}</BButton
        >
      </div>
      <SungAnswer
        v-else-if="sung"
        :may-hear="mayAnswer"
        :may-say="toneHeard"
        @hear="hearTone"
        @say="answer"
      />
      <form v-else-if="writes" class="quiz-written" @submit.prevent="hand">
        <label class="visually-hidden" for="quiz-written">Its notes in order</label>
        <BFormInput
          id="quiz-written"
          v-model="typed"
          maxlength="60"
          autocomplete="off"
          autocapitalize="characters"
          spellcheck="false"
          placeholder="as on the paper, like A♭ C E♭"
          @focus="begun"
        />
        <BButton type="submit" variant="dark" class="pri" :disabled="!typed.trim()">That is written</BButton>
      </form>
      <div v-else class="quiz-neck" role="group" aria-label="The neck: tap the place">
        <template v-for="row in rows" :key="row[0]">
          <div
            class="quiz-line quiz-ruler"
            :class="{ numbered: board.strings.length > 1 }"
            aria-hidden="true"
          >
            <span v-if="board.strings.length > 1" class="quiz-string" />
            <span v-for="fret in row" :key="fret">{{ fret === 0 ? 'open' : fret }}</span>
          </div>
          <div
            v-for="string in board.strings"
            :key="string"
            class="quiz-line"
            :class="{ numbered: board.strings.length > 1 }"
          >
            <span v-if="board.strings.length > 1" class="quiz-string">{{ string }}</span>
            <button
              v-for="fret in row"
              :key="fret"
              type="button"
              :class="{ held: held(string, fret) }"
              :aria-label="`string ${string}, ${fret === 0 ? 'open' : `fret ${fret}`}${held(string, fret) ? ', in the grip' : ''}`"
              :aria-pressed="several ? isTapped(string, fret) : undefined"
              @click="tap({ string, fret })"
            />
          </div>
        </template>
      </div>
      <BButton v-if="several" variant="outline-secondary" :disabled="!tapped.length" @click="answer(tapped)"
        >These move here</BButton
      >
    </template>
    <template v-else>
      <p class="display quiz-call">{{ ended.says }}</p>
      <ul v-if="ended.slips.length" class="quiz-slips">
        <li v-for="one in ended.slips" :key="one">{{ one }}</li>
      </ul>
    </template>
    <p class="note" role="status">{{ last }}</p>
  </div>
</template>

<style scoped>
.quiz {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  align-items: flex-start;
}
.quiz-call {
  font-size: 28px;
  margin: 0;
}
.quiz-choices {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(172px, 1fr));
  gap: var(--space-2);
  width: 100%;
  max-width: 780px;
}
.choice {
  min-height: 48px;
  font-size: var(--size-4);
}
.choice kbd {
  background: none;
  color: var(--ink2);
  font-size: var(--size-1);
  margin-right: var(--space-1);
}
.hear {
  min-height: 48px;
  font-size: var(--size-4);
}
.hear small {
  margin-left: var(--space-2);
  font-size: var(--size-2);
}
@media (pointer: coarse) {
  .choice kbd {
    display: none;
  }
}
.quiz-written {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  width: 100%;
  max-width: 560px;
}
.quiz-written input {
  flex: 1 1 220px;
  min-height: 48px;
  font-size: var(--size-4);
}
.quiz-neck {
  width: 100%;
  max-width: 780px;
}
.quiz-line {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  align-items: center;
}
.quiz-line.numbered {
  grid-template-columns: 34px;
}
.quiz-line > .quiz-string {
  font-size: 14px;
  color: var(--ink2);
  text-align: center;
}
.quiz-ruler {
  font-size: 12.5px;
  color: var(--ink2);
  text-align: center;
}
.quiz-line button {
  min-height: 36px;
  border: 0;
  border-right: 2px solid var(--fret);
  background: linear-gradient(var(--string), var(--string)) center / 100% 2px no-repeat var(--board);
  position: relative;
  padding: 0;
}
.quiz-line button.held::after,
.quiz-line button[aria-pressed='true']::after {
  content: '';
  position: absolute;
  inset: 50% auto auto 50%;
  width: 20px;
  height: 20px;
  border-radius: 50%;
  transform: translate(-50%, -50%);
  border: 2px dashed var(--ink2);
  background: var(--sheet);
}
.quiz-line button[aria-pressed='true']::after {
  background: var(--ink);
  border: 2px solid var(--ink);
}
.quiz-line button:hover {
  background-color: var(--wash-crown);
}
@media (pointer: coarse), (max-width: 699px) {
  .quiz-line button {
    min-height: 48px;
  }
}
</style>
