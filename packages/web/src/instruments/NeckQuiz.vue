<script setup lang="ts">
/** Calls answered one after the other, on the neck or by one of several words; each is timed, what is wrong is shown, the outcomes go out. */
import type { Drill, Place, StepOutcome } from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import { staffBars, ticksOf } from '@finch/core/score';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { say } from '../words';
import { choiceWords, SLIP_WORDS } from '../words/drill-words';
import { outcomeOf, quizBoard } from './quiz';
import StaffStrip from './StaffStrip.vue';

const props = withDefaults(defineProps<{ drill: Drill; instrument: Instrument; now?: () => number }>(), {
  now: () => performance.now(),
});
const emit = defineEmits<{ start: []; done: [outcomes: readonly StepOutcome[]] }>();
const calls = computed(() => props.drill.steps.filter((step) => step.answer));
const at = ref(0);
const outcomes = ref<StepOutcome[]>([]);
const tapped = ref<Place[]>([]);
const last = ref('');
let askedAt: number | null = null;
const step = computed(() => calls.value[at.value] ?? null);
const reads = computed(() => props.drill.recipe.family === 'note reading');
const several = computed(() => step.value?.answer?.kind === 'all places');
const inHand = computed(() => {
  const recipe = props.drill.recipe;
  return recipe.family === 'formula' ? recipe.parameters.grip.frets : undefined;
});
const choices = computed(() => (step.value?.answer?.kind === 'choice' ? step.value.answer.choices : null));
const board = computed(() =>
  step.value && !choices.value
    ? quizBoard(step.value, props.instrument, inHand.value)
    : { strings: [], frets: [] },
);
const staff = computed(() => {
  if (!reads.value || !step.value) return [];
  const from = step.value.startTick;
  let end = 0;
  return staffBars(props.drill.score, props.instrument).filter((bar) => {
    end += ticksOf(bar.beats);
    return end - ticksOf(bar.beats) === from;
  });
});
const seconds = computed(() => Number(props.drill.question.values.seconds ?? 5));
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
  if (!asked) return;
  begun();
  const outcome = outcomeOf(asked, given, (props.now() - (askedAt ?? props.now())) / 1000, seconds.value);
  const right =
    asked.kind === 'choice'
      ? choiceWords(asked.right)
      : asked.places.map(placeText).join(several.value ? ' and ' : ' or ');
  const slip = asked.kind === 'choice' && typeof given === 'string' ? asked.slips?.[given] : undefined;
  last.value =
    outcome === 'clean'
      ? `Right: ${right}.`
      : outcome === 'late'
        ? `Right, after more than ${seconds.value} s: ${right}.`
        : `It is ${right}.${slip ? ` ${SLIP_WORDS[slip]}` : ''}`;
  outcomes.value = [...outcomes.value, outcome];
  tapped.value = [];
  at.value += 1;
  askedAt = props.now();
  if (at.value === calls.value.length) emit('done', outcomes.value);
}
const clean = computed(() => outcomes.value.filter((one) => one === 'clean').length);
</script>

<template>
  <div class="quiz">
    <template v-if="step">
      <p class="small">call {{ at + 1 }} of {{ calls.length }}</p>
      <p class="display quiz-call">{{ say(step.ask) }}</p>
      <StaffStrip v-if="reads" :bars="staff" plain />
      <div v-if="choices" class="quiz-choices" role="group" aria-label="Choose one">
        <BButton
          v-for="choice in choices"
          :key="choice"
          variant="outline-secondary"
          class="choice"
          @click="answer(choice)"
          >{{ choiceWords(choice) }}</BButton
        >
      </div>
      <div v-else class="quiz-neck" role="group" aria-label="The neck: tap the place">
        <div class="quiz-line quiz-ruler" :class="{ numbered: board.strings.length > 1 }" aria-hidden="true">
          <span v-if="board.strings.length > 1" class="quiz-string" />
          <span v-for="fret in board.frets" :key="fret">{{ fret === 0 ? 'open' : fret }}</span>
        </div>
        <div
          v-for="string in board.strings"
          :key="string"
          class="quiz-line"
          :class="{ numbered: board.strings.length > 1 }"
        >
          <span v-if="board.strings.length > 1" class="quiz-string">{{ string }}</span>
          <button
            v-for="fret in board.frets"
            :key="fret"
            type="button"
            :class="{ held: held(string, fret) }"
            :aria-label="`string ${string}, ${fret === 0 ? 'open' : `fret ${fret}`}${held(string, fret) ? ', in the grip' : ''}`"
            :aria-pressed="several ? isTapped(string, fret) : undefined"
            @click="tap({ string, fret })"
          />
        </div>
      </div>
      <BButton v-if="several" variant="outline-secondary" :disabled="!tapped.length" @click="answer(tapped)"
        >These move here</BButton
      >
    </template>
    <p v-else class="display quiz-call">{{ clean }} of {{ calls.length }} right in time</p>
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
