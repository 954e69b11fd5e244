<script setup lang="ts">
/** Tune up first: a reference tone for each string, or the microphone that says which string sounds and how far off it is. */
import type { Instrument } from '@finch/core/fretboard';
import { lineSounds, TUNER } from '@finch/core/sound';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { useSeat } from '../../session/seat';
import { sayProblem } from '../../words';
import { openNames } from '../../words/tuning-words';
import { ownMicrophone, simulatedMicrophone } from '../../workers/microphone';
import { usePlayer } from '../../workers/player';
import { useTuning } from './use-tuning';

const props = defineProps<{ instrument: Instrument }>();
const seat = useSeat();
const player = usePlayer();
const tuning = useTuning(() => props.instrument);
const { listening, now, inTune, trouble } = tuning;
const open = ref(false);
const TONE_SECONDS = 2;
const SHOWN_CENTS = 50;
const strings = computed(() => {
  const names = openNames(props.instrument);
  return names.map((name, index) => ({ name, index, number: names.length - index }));
});
const needle = computed(() => Math.max(-SHOWN_CENTS, Math.min(SHOWN_CENTS, now.value?.cents ?? 0)));
const says = computed(() => {
  if (!listening.value) return '';
  if (inTune.value.length === strings.value.length) return 'All strings are in tune.';
  const heard = now.value;
  if (!heard) return 'Pluck one open string.';
  const { name, number } = strings.value[heard.stringIndex];
  const cents = Math.round(heard.cents);
  const where =
    Math.abs(heard.cents) <= TUNER.inTuneCents
      ? 'in tune'
      : `${Math.abs(cents)} cents too ${cents > 0 ? 'high: slacken it' : 'low: tighten it'}`;
  return `String ${number}, ${name}: ${where}.`;
});
function tone(stringIndex: number) {
  tuning.stop();
  void player.play(lineSounds([{ stringIndex, fret: 0 }], props.instrument, 1 / TONE_SECONDS), {
    instrument: props.instrument,
  });
}
function listen(simulated: boolean) {
  player.stop();
  void tuning.listen(simulated ? simulatedMicrophone(props.instrument) : ownMicrophone);
}
function toggle() {
  open.value = !open.value;
  if (!open.value) {
    tuning.stop();
    player.stop();
  }
}
</script>

<template>
  <section class="sheet tune" aria-labelledby="tune-up">
    <div class="spread">
      <h2 id="tune-up">Tune up first</h2>
      <BButton size="sm" variant="outline-secondary" :aria-expanded="open" @click="toggle">{{
        open ? 'Done' : 'Tune up'
      }}</BButton>
    </div>
    <template v-if="open">
      <ul>
        <li v-for="one in strings" :key="one.index" :class="{ sounding: now?.stringIndex === one.index }">
          <BButton
            variant="outline-secondary"
            :aria-label="`Hear string ${one.number}, ${one.name}`"
            @click="tone(one.index)"
            >{{ one.number }} <b>{{ one.name }}</b></BButton
          >
          <span class="tick" aria-hidden="true">{{ inTune.includes(one.index) ? '✓' : '' }}</span>
          <span v-if="inTune.includes(one.index)" class="visually-hidden">in tune</span>
        </li>
      </ul>
      <p v-if="trouble" class="refusal" role="alert">
        {{ sayProblem({ code: trouble, at: 'microphone', detail: '' }) }}
      </p>
      <svg v-if="listening" viewBox="0 0 320 40" width="100%" height="48" aria-hidden="true">
        <path d="M10 30H310" stroke="var(--ink3)" />
        <path
          v-for="i in 11"
          :key="i"
          :d="`M${10 + (i - 1) * 30} 30v${i === 6 ? 10 : 5}`"
          stroke="var(--ink3)"
        />
        <rect x="151" y="12" width="18" height="18" fill="var(--wash-moss)" stroke="var(--moss)" />
        <path v-if="now" :d="`M${160 + needle * 3} 2V30`" stroke="var(--ink)" stroke-width="4" />
      </svg>
      <p class="says" role="status">{{ says }}</p>
      <div class="acts">
        <BButton v-if="listening" variant="outline-secondary" @click="tuning.stop()">Stop listening</BButton>
        <template v-else>
          <BButton variant="outline-secondary" @click="listen(false)">Listen by microphone</BButton>
          <BButton v-if="seat.studio?.demo" variant="link" @click="listen(true)"
            >Listen to the simulated player</BButton
          >
        </template>
        <span class="small">Nothing that is heard is kept or sent.</span>
      </div>
    </template>
  </section>
</template>

<style scoped>
.tune {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(84px, 1fr));
  gap: var(--space-2);
}
li {
  display: flex;
  align-items: center;
  gap: var(--space-1);
}
li .btn {
  flex: 1;
  min-height: 44px;
}
.sounding .btn {
  background: var(--wash-crown);
}
.tick {
  width: 16px;
  font-weight: 700;
  color: var(--moss);
}
.says {
  min-height: 24px;
  margin: 0;
  font-size: var(--size-4);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2);
}
</style>
