<script setup lang="ts">
/** What the student looks at from a metre and a half: grips and their change, a bar, a call, or the neck. */
import type { Hook } from '@finch/contract';
import { needsNoNeck, readsRhythm, staffFifths } from '@finch/core/drills';
import type { Frets } from '@finch/core/grips';
import type { Instrument } from '@finch/core/fretboard';
import type { PlanBlock } from '@finch/core/planning';
import type { Form } from '@finch/core/shapes';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { formText, nameChord, say, spokenChord, STEP_WORDS } from '../../words';
import { gripDegrees } from '../../instruments/degrees';
import BarreCaution from '../../instruments/BarreCaution.vue';
import CountIn from '../../instruments/CountIn.vue';
import HookTag from '../../instruments/HookTag.vue';
import HeardPick from '../../instruments/HeardPick.vue';
import NeckBoard from '../../instruments/NeckBoard.vue';
import NumberBoard from '../../instruments/NumberBoard.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import StaffStrip from '../../instruments/StaffStrip.vue';
import TabStrip from '../../instruments/TabStrip.vue';
import type { useLessonStage } from './use-lesson-stage';

const props = defineProps<{
  stage: ReturnType<typeof useLessonStage>;
  block: PlanBlock;
  instrument: Instrument;
  /** Said when pain ended all playing; else empty. */
  stopped: string;
  hookOn: (frets: Frets) => Hook | null;
}>();
const { drill, parts, part, pair, different, moves, bar, beat, call, called, neck, tempo, player, revealed } =
  props.stage;
const { heard, choices } = props.stage.sound;
const bare = computed(() => props.instrument.openPitches.map(() => null));
const neckDegrees = computed(() => {
  const { openPitches, capo } = props.instrument;
  return neck.value?.chord
    ? gripDegrees({ frets: neck.value.frets, tuning: openPitches, capo, chord: neck.value.chord })
    : undefined;
});
</script>

<template>
  <section class="sheet stage" aria-label="What is played">
    <div v-if="parts.length && !stopped" class="parts" role="group" aria-label="Drills of this block">
      <BButton
        v-for="(one, i) in parts"
        :key="i"
        :variant="i === part ? 'dark' : 'outline-secondary'"
        :aria-pressed="i === part"
        @click="stage.walk(i)"
        >{{ STEP_WORDS[one.step] }} <small>{{ one.minutes }} min</small></BButton
      >
    </div>
    <div v-if="stopped" class="caution stop" role="alert">{{ stopped }}</div>
    <template v-else-if="pair.length">
      <div class="pair">
        <figure v-for="(grip, i) in pair" :key="i">
          <figcaption class="display">
            {{ nameChord(grip.chord) }}
            <button
              v-if="i === 0 && pair.length > 1"
              type="button"
              class="arrow"
              :disabled="different < 3"
              aria-label="Next change of the loop"
              @click="stage.next()"
            >
              →
            </button>
          </figcaption>
          <ShapeCard
            :size="bar ? 'bench' : 'lesson'"
            :frets="grip.frets"
            :fingers="grip.fingers"
            :degrees="gripDegrees(grip)"
            :chord="grip.chord"
            :left-handed="instrument.leftHanded"
          />
          <HookTag v-if="hookOn(grip.frets)" :hook="hookOn(grip.frets)!" />
        </figure>
      </div>
      <p v-if="moves.length && !bar" class="moves">
        <span v-for="move in moves" :key="move.does"
          ><b>{{ move.fingers }}</b> {{ move.does }}</span
        >
      </p>
      <p v-else-if="drill && !bar" class="moves">{{ say(drill.question) }}</p>
      <p v-for="one in drill?.prelude ?? []" :key="say(one.ask)" class="moves">
        Ask first: {{ say(one.ask) }}
        <b v-if="one.answer.kind === 'choice'">{{ formText(one.answer.right as Form) }}</b>
      </p>
      <BarreCaution v-if="drill?.hasBarre" :bursts="drill?.bursts" />
    </template>
    <template v-else-if="call">
      <p class="display call" aria-live="polite">{{ say(call.ask) }}</p>
      <NeckBoard
        :frets="neck?.frets ?? bare"
        :fingers="neck?.fingers ?? bare"
        :degrees="neckDegrees"
        :left-handed="instrument.leftHanded"
        :spoken="neck ? say(call.ask) : 'A neck; where it lies is not shown yet'"
        :width="1000"
        :height="250"
      />
      <div class="call-acts">
        <BButton v-if="call.answer || call.grip" variant="outline-secondary" @click="stage.reveal()">{{
          revealed ? 'Hide it' : 'Show where'
        }}</BButton>
        <BButton variant="outline-secondary" @click="stage.next()">Next call</BButton>
      </div>
    </template>
    <NumberBoard v-else-if="called" :called="called" class="called" />
    <template v-else-if="neck">
      <p class="talk">{{ drill ? say(drill.steps[0].ask) : say(block.because) }}</p>
      <NeckBoard
        :frets="neck.frets"
        :fingers="neck.fingers"
        :degrees="neckDegrees"
        :left-handed="instrument.leftHanded"
        :spoken="neck.chord ? spokenChord(neck.chord) : 'The neck as it is played'"
        :width="1000"
        :height="250"
      />
    </template>
    <div v-else-if="!bar" class="talk alone">
      <p>{{ drill ? say(drill.steps[0].ask) : say(block.because) }}</p>
    </div>
    <div v-if="bar && !stopped" class="bar-now">
      <BButton variant="outline-secondary" aria-label="Bar before" @click="stage.turn(-1)">←</BButton>
      <StaffStrip
        v-if="drill && needsNoNeck(drill)"
        :bars="bar.bars"
        :fifths="staffFifths(drill)"
        :caption="readsRhythm(drill) ? 'crosses are taps' : 'written an octave above its sound'"
      />
      <TabStrip
        v-else
        :columns="bar.columns"
        :strings="instrument.openPitches.length"
        :now="Math.floor(beat)"
        :playing="player.playing.value"
      />
      <BButton variant="outline-secondary" aria-label="Next bar" @click="stage.turn(1)">→</BButton>
    </div>
    <div v-if="drill && !stopped" class="beat">
      <CountIn :beats="drill.score.parts[0].bars[0].beats" :beat="player.beat.value" large />
      <p v-if="drill.tempoBpm !== null" class="bpm" aria-live="polite">
        <b>{{ tempo }}</b> bpm
      </p>
      <div class="beat-acts">
        <template v-if="drill.tempoBpm !== null"
          ><BButton variant="outline-secondary" aria-label="Slower" @click="stage.faster(-2)">−</BButton
          ><BButton variant="outline-secondary" aria-label="Faster" @click="stage.faster(2)"
            >+</BButton
          ></template
        >
        <HeardPick v-model="heard" :choices="choices" />
        <BButton variant="outline-secondary" @click="stage.toggle()">{{
          player.playing.value ? '■ Stop' : '▶ Play'
        }}</BButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.stage {
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  gap: var(--space-2);
  min-height: 0;
  overflow: hidden;
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.parts .btn {
  font-size: var(--size-5);
  min-height: 44px;
}
.parts .btn[aria-pressed='true'] {
  box-shadow: inset 0 -4px 0 var(--wingbar);
}
.pair {
  display: flex;
  justify-content: space-around;
  flex: 1;
  min-height: 0;
}
.pair figure {
  margin: 0;
  display: flex;
  flex-direction: column;
  align-items: center;
  min-height: 0;
  min-width: 0;
}
.pair figcaption {
  font-size: var(--size-stage-large);
  line-height: 1;
}
.arrow {
  font-family: var(--text);
  font-weight: 400;
  margin-left: var(--space-5);
  background: none;
  border: 0;
  color: var(--ink);
  padding: 0 var(--space-2);
}
.arrow:enabled:hover {
  background: var(--wash-crown);
}
.pair :deep(.shape-card) {
  flex: 1;
  min-height: 0;
  width: auto;
  max-width: 100%;
}
.moves {
  font-size: var(--size-7);
  line-height: 1.1;
  text-align: center;
}
.moves span + span {
  margin-left: var(--space-5);
}
.caution {
  font-size: var(--size-4);
  text-align: center;
}
.stop {
  font-size: var(--size-7);
  text-align: left;
}
.talk {
  font-size: var(--size-7);
  line-height: 1.2;
  text-align: center;
}
.talk.alone {
  flex: 1;
  display: flex;
  flex-direction: column;
  justify-content: center;
}
.call {
  font-size: var(--size-stage);
  line-height: 1.1;
  text-align: center;
}
.call-acts {
  display: flex;
  justify-content: center;
  gap: var(--space-3);
}
.call-acts .btn,
.beat-acts .btn {
  font-size: var(--size-6);
  min-width: 52px;
  min-height: 56px;
  padding: 0 var(--space-3);
}
.bar-now {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: var(--space-2);
  align-items: center;
}
.bar-now :deep(.tab) {
  max-height: 240px;
}
.beat {
  display: flex;
  align-items: flex-end;
  justify-content: space-between;
  gap: var(--space-2);
  flex-wrap: wrap;
}
.bpm {
  font-size: var(--size-7);
  white-space: nowrap;
}
.bpm b {
  font-size: var(--size-stage-large);
  line-height: 0.9;
}
.beat-acts {
  display: flex;
  gap: var(--space-2);
}
@media (max-width: 1199px) {
  .stage {
    overflow: visible;
    gap: var(--space-3);
  }
  .pair :deep(.shape-card) {
    height: 240px;
    flex: none;
  }
}
@media (max-width: 600px) {
  .pair figcaption {
    font-size: var(--size-7);
  }
  .arrow {
    margin-left: var(--space-1);
  }
  .moves,
  .talk {
    font-size: var(--size-5);
  }
  .moves span {
    display: block;
    margin: 0 !important;
  }
  .call {
    font-size: var(--size-6);
  }
  .bpm b {
    font-size: var(--size-stage);
  }
  .beat-acts {
    flex-wrap: wrap;
  }
  .parts .btn {
    font-size: var(--size-4);
  }
  .call-acts .btn,
  .beat-acts .btn {
    font-size: var(--size-5);
    min-height: 48px;
  }
}
</style>
