<script setup lang="ts">
/** The tempo ladder of a drill: rungs as steps going up, the one to be played now, and whether it came clean. */
import {
  afterRound,
  highestClean,
  ladderRungs,
  startLadder,
  type Drill,
  type Ladder,
} from '@finch/core/drills';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';

const props = defineProps<{ drill: Drill; startBpm: number; playing: boolean }>();
const ladder = defineModel<Ladder | null>({ required: true });
const emit = defineEmits<{ play: [bpm: number]; found: [ladder: Ladder] }>();
const STEP = { width: 54, rise: 9, foot: 92, top: 26 };
const rungs = computed(() => {
  const now = ladder.value;
  if (!now) return [];
  return ladderRungs(now).map((bpm, i) => {
    const rounds = now.rounds.filter((round) => round.bpm === bpm);
    const clean = rounds.length > 0 && rounds[rounds.length - 1].clean;
    return {
      bpm,
      i,
      now: !now.done && bpm === now.bpm,
      state: rounds.length === 0 ? 'open' : clean ? 'clean' : 'missed',
      y: Math.max(STEP.top, STEP.foot - STEP.rise * (i + 1)),
    };
  });
});
const best = computed(() => (ladder.value ? highestClean(ladder.value.rounds) : null));
const start = () => (ladder.value = startLadder(props.drill, props.startBpm));
function answer(clean: boolean) {
  if (!ladder.value) return;
  const next = afterRound(ladder.value, clean);
  ladder.value = next;
  if (next.done) emit('found', next);
}
const spoken = computed(() =>
  rungs.value
    .map((one) => `${one.bpm}${one.now ? ', now' : one.state === 'open' ? '' : `, ${one.state}`}`)
    .join('; '),
);
</script>

<template>
  <div class="ladder">
    <BButton v-if="!ladder" variant="outline-secondary" @click="start">Climb the tempo ladder</BButton>
    <template v-else>
      <svg
        role="img"
        :aria-label="`Tempo ladder: ${spoken}`"
        :width="rungs.length * STEP.width + 4"
        height="112"
        :viewBox="`0 0 ${rungs.length * STEP.width + 4} 112`"
      >
        <g v-for="one in rungs" :key="one.bpm" :class="[one.state, { now: one.now }]">
          <rect :x="2 + one.i * STEP.width" :y="one.y" :width="STEP.width - 4" :height="STEP.foot - one.y" />
          <path
            v-if="one.state === 'missed'"
            :d="`M${one.i * STEP.width + 23} ${one.y - 16}l10 10m0-10l-10 10`"
          />
          <path v-if="one.state === 'clean'" :d="`M${one.i * STEP.width + 21} ${one.y - 11}l5 6 9-12`" />
          <text :x="one.i * STEP.width + STEP.width / 2" y="109">{{ one.bpm }}</text>
        </g>
      </svg>
      <div v-if="ladder.done" class="rung-acts">
        <p class="note" role="status">
          {{
            best === null
              ? 'No rung came clean. Begin lower another time; that is where it grows.'
              : `Highest clean: ${best} bpm, kept with this take.`
          }}
        </p>
        <BButton variant="link" @click="start">Climb again</BButton>
      </div>
      <div v-else class="rung-acts">
        <BButton variant="outline-secondary" class="play" @click="emit('play', ladder.bpm)">{{
          playing ? '■ Stop' : `▶ Round ${ladder.rounds.length + 1} at ${ladder.bpm}`
        }}</BButton>
        <BButton variant="outline-secondary" class="play" @click="answer(true)">All clean</BButton>
        <BButton variant="outline-secondary" class="play" @click="answer(false)">Not clean</BButton>
        <BButton variant="link" @click="ladder = null">Leave it</BButton>
        <p class="small">
          Up a rung after a clean round, once more after another, down after two.
          {{
            drill.hasBarre ? 'A barre: shake the hand out for half a minute after every second round.' : ''
          }}
        </p>
      </div>
    </template>
  </div>
</template>

<style scoped>
.play {
  min-height: 48px;
  font-size: var(--size-3);
}
.ladder {
  margin-top: var(--space-2);
}
.ladder svg {
  max-width: 100%;
  height: auto;
}
rect {
  fill: none;
  stroke: var(--line-strong);
}
.clean rect {
  fill: var(--m3);
  stroke: var(--ink2);
}
.missed rect {
  fill: var(--m1);
  stroke: var(--ink2);
}
.now rect {
  stroke: var(--wingbar);
  stroke-width: 4;
}
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  font-size: var(--size-3);
  text-anchor: middle;
  fill: var(--ink);
}
.now text {
  font-weight: 700;
}
.rung-acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
.rung-acts .small {
  width: 100%;
  margin: 0;
}
</style>
