<script setup lang="ts">
/** What is said of a try: string by string, call by call, so many of ten, or that it was played. */
import { isQuiet, readsRhythm } from '@finch/core/drills';
import { BButton, BFormTextarea } from 'bootstrap-vue-next';
import { computed } from 'vue';
import NeckQuiz from '../../instruments/NeckQuiz.vue';
import { nameChord, plural, say } from '../../words';
import CountAnswer from './CountAnswer.vue';
import InTimeSheet from './InTimeSheet.vue';
import MinuteCount from './MinuteCount.vue';
import RingAnswer from './RingAnswer.vue';
import TempoLadder from './TempoLadder.vue';
import type { CardHeard } from './use-card-heard';
import type { CardShown } from './use-card-shown';
import type { PracticeRoom } from './use-practice-room';
import type { Try } from './use-try';

const props = defineProps<{ room: PracticeRoom; shown: CardShown; heard: CardHeard; trial: Try }>();
const { drill, card, data, seat } = props.room;
const { isLoop, target, question, silentCount } = props.shown;
const { player } = props.heard;
const { draft, ladder, takesHere } = props.trial;
const quiet = computed(() => drill.value !== null && isQuiet(drill.value.recipe));
/** Changes can be counted over a minute where the whole change is what is played. */
const countsChanges = computed(() => {
  const recipe = drill.value?.recipe;
  return recipe?.family === 'change loop' && !recipe.parameters.piece;
});
</script>

<template>
  <section v-if="drill && draft && card && data" class="sheet answer-sheet">
    <RingAnswer
      v-if="drill.judged === 'strings'"
      :drill="drill"
      :take="takesHere + 1"
      :answers="draft.strings"
      :fingers="target?.fingers ?? []"
      @answer="trial.answer"
      @all-clean="trial.allClean()"
    />
    <NeckQuiz
      v-else-if="drill.judged === 'calls'"
      :key="card.title + takesHere"
      :drill="drill"
      :instrument="data.taught.instrument"
      @start="trial.start"
      @done="(outcomes, calls) => trial.patch({ outcomes, calls, done: true })"
    />
    <template v-else-if="isLoop">
      <InTimeSheet
        v-if="drill.judged === 'time'"
        :drill="drill"
        :heard="heard"
        :trial="trial"
        :taps="readsRhythm(drill)"
      />
      <CountAnswer
        :heading="`Take ${takesHere + 1}: ${say(drill.question)}`"
        :clean="draft.clean"
        :of="draft.of"
        :done="draft.done"
        :in-time="drill.judged === 'time'"
        :missed="draft.missed"
        @counted="trial.counted"
        @missed="(missed) => trial.patch({ missed })"
      />
      <MinuteCount
        v-if="countsChanges"
        :bursts="drill.bursts"
        :now="seat.now"
        @counted="(count) => trial.patch({ count })"
      />
      <TempoLadder
        v-if="drill.tempoBpm !== null"
        v-model="ladder"
        :drill="drill"
        :start-bpm="draft.tempoBpm ?? drill.tempoBpm"
        :playing="player.playing.value"
        @play="heard.playRung"
        @found="
          (now) => {
            trial.found(now);
            player.stop();
          }
        "
      />
    </template>
    <div v-else class="played">
      <h2>{{ say(drill.question) }}</h2>
      <p v-if="quiet" class="note">Play it, listen, then sing with it.</p>
      <p v-else-if="!drill.asksNote" class="note">
        {{ say(drill.steps[0].ask) }}. Light: only as much as rings.
      </p>
      <BButton variant="outline-secondary" :aria-pressed="draft.done" @click="trial.patch({ done: true })">{{
        quiet ? 'Sung' : 'Played'
      }}</BButton>
      <template v-if="drill.asksNote">
        <label for="found">What did you find? One sentence or a grip, for your teacher.</label>
        <BFormTextarea
          id="found"
          rows="2"
          maxlength="300"
          :model-value="draft.note"
          @update:model-value="(note) => trial.patch({ note: String(note ?? '') })"
        />
      </template>
    </div>
    <p v-if="silentCount && isLoop && !question" class="small">
      {{ plural(silentCount, 'string') }} silent in {{ nameChord(target?.chord ?? '') }}.
    </p>
  </section>
</template>

<style scoped>
.played {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: var(--space-2);
}
.played .btn {
  min-height: 48px;
  font-size: var(--size-3);
}
.played [aria-pressed='true'] {
  background: var(--wash-crown);
  border-color: var(--crown);
}
</style>
