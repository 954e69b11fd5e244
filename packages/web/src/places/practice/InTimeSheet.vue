<script setup lang="ts">
/** A drill in time, listened to or tapped along: what came of each bar, before it is counted. */
import { playDrill } from '@finch/core/simulation';
import type { Drill } from '@finch/core/drills';
import { BButton } from 'bootstrap-vue-next';
import { computed, watch } from 'vue';
import { useKeys } from '../../app/keys';
import { useSeat } from '../../session/seat';
import { plural, sayProblem } from '../../words';
import { BAR_TEXT, lagText } from '../../words/time-words';
import { ownMicrophone, simulatedDrill } from '../../workers/microphone';
import type { CardHeard } from './use-card-heard';
import type { Try } from './use-try';
import { useInTime } from './use-in-time';

const props = defineProps<{
  drill: Drill;
  heard: CardHeard;
  trial: Try;
  /** It needs no guitar. */ taps: boolean;
}>();
const seat = useSeat();
const { going, trouble, heard, listen, tapAlong, tap, stop, forget } = useInTime(
  props.heard.silently,
  props.trial.heardInTime,
);
const SIMULATED_SEED = 5;
function listenToStandIn() {
  const instrument = props.heard.sound.instrument.value;
  if (!instrument) return;
  const played = playDrill(
    props.drill.score,
    instrument,
    props.trial.draft.value?.tempoBpm ?? props.drill.score.tempoBpm,
    SIMULATED_SEED,
  );
  void listen(simulatedDrill(played, instrument, () => 1000 * (props.heard.silently.at() ?? 0)));
}
watch([() => props.drill.recipe, props.trial.takesHere], forget);
useKeys('tapping', { tap }, () => going.value === 'tapping');
const says = computed(() => {
  if (!heard.value) return '';
  const { bars, lag } = heard.value;
  const good = bars.filter(({ how }) => how === 'in time').length;
  return `${good} of ${plural(bars.length, 'bar')} in time${lagText(lag)}. Put it right below where you heard otherwise.`;
});
</script>

<template>
  <div class="in-time" role="group" aria-label="Listen as it is played">
    <template v-if="going">
      <p role="status">
        {{
          going === 'tapping'
            ? 'Counted in: then it is silent. Tap the pad, or T.'
            : 'Counted in: then it is silent, and listened to.'
        }}
      </p>
      <div class="acts">
        <BButton v-if="going === 'tapping'" variant="outline-secondary" class="pad" @pointerdown="tap()"
          >Tap here</BButton
        >
        <BButton variant="outline-secondary" @click="stop()">Stop</BButton>
      </div>
    </template>
    <div v-else class="acts">
      <BButton variant="outline-secondary" @click="listen(ownMicrophone)"
        >Listen as I {{ taps ? 'tap' : 'play' }}</BButton
      >
      <BButton v-if="taps" variant="outline-secondary" @click="tapAlong()">Tap on the screen</BButton>
      <BButton v-if="seat.studio?.demo" variant="link" @click="listenToStandIn"
        >Listen to the simulated player</BButton
      >
    </div>
    <p v-if="trouble" class="refusal" role="alert">
      {{ sayProblem({ code: trouble, at: 'microphone', detail: '' }) }}
    </p>
    <template v-if="heard">
      <ol class="bars" aria-label="What came of each bar">
        <li v-for="(bar, n) in heard.bars" :key="n" :class="{ off: bar.how !== 'in time' }">
          <small>{{ n + 1 }}</small> {{ BAR_TEXT[bar.how] }}
        </li>
      </ol>
      <p class="note" role="status">{{ says }}</p>
    </template>
  </div>
</template>

<style scoped>
.in-time {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  margin-bottom: var(--space-4);
}
.in-time p {
  margin: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.acts .btn {
  min-height: 48px;
}
.acts .pad {
  min-height: 96px;
  min-width: 220px;
  font-size: var(--size-5);
  touch-action: none;
}
.bars {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-2);
  margin: 0;
  padding: 0;
  list-style: none;
}
.bars li {
  padding: var(--space-1) var(--space-2);
  border-bottom: 2px solid var(--line-strong);
}
.bars small {
  color: var(--ink2);
}
.bars .off {
  border-bottom-color: var(--breast);
  font-weight: 700;
}
</style>
