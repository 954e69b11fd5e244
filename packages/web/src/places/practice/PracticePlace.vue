<script setup lang="ts">
/** The student's own room: one card at a time, seen, heard, tried, answered and kept. */
import { needsNoNeck, readsRhythm, staffFifths, type Feel } from '@finch/core/drills';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { forwardBack, useKeys } from '../../app/keys';
import FeelPicker from '../../instruments/FeelPicker.vue';
import HeardPick from '../../instruments/HeardPick.vue';
import { chordText, plural, sayError } from '../../words';
import AnsweredSheet from './AnsweredSheet.vue';
import AnswerSheet from './AnswerSheet.vue';
import AskSheet from './AskSheet.vue';
import BarsSheet from './BarsSheet.vue';
import HandsFreeSheet from './HandsFreeSheet.vue';
import KeepBar from './KeepBar.vue';
import LastCard from './LastCard.vue';
import NeckSheet from './NeckSheet.vue';
import NoPlaying from './NoPlaying.vue';
import TenseHand from './TenseHand.vue';
import RoomHead from './RoomHead.vue';
import TempoSheet from './TempoSheet.vue';
import TuneUp from './TuneUp.vue';
import { TUNING, useAsking } from './use-asking';
import { useCardHeard } from './use-card-heard';
import { useCardShown } from './use-card-shown';
import { useHandsFree } from './use-hands-free';
import { usePracticeRoom } from './use-practice-room';
import { useTry } from './use-try';

const room = usePracticeRoom();
const { data, error, refetch, cards, card, drill, at, minutesSoFar, playedCards } = room;
const shown = useCardShown(room);
const { phone, isLoop, around } = shown;
const trial = useTry({ drill, card, studentId: room.studentId }, room.seat);
const { draft, feel, takesHere, lastTake, said, trouble, stoppedHere, complete } = trial;
const own = computed(() => data.value?.taught.instrument ?? null);
const heard = useCardHeard(drill, own, shown, trial);
const { player } = heard;
const { heard: sounding, choices } = heard.sound;
watch(stoppedHere, (now) => now && room.stopPlaying());
const recipeText = computed(() => JSON.stringify(drill.value?.recipe ?? null));
watch(
  recipeText,
  () => {
    trial.begin(drill.value);
    shown.begin();
    player.stop();
  },
  { immediate: true },
);
/** On a phone the bars are asked for, but where they are what is read. */
const showTab = ref(false);
const barsShown = computed(
  () => !phone.value || showTab.value || (drill.value !== null && needsNoNeck(drill.value)),
);
const hidden = computed(() => shown.answersHidden(draft.value?.done ?? false));
const painWhere = computed(() =>
  stoppedHere.value?.hand === 'pain' ? stoppedHere.value.where : (data.value?.pain.where ?? null),
);
const headSays = computed(() =>
  card.value
    ? `card ${at.value + 1} of ${cards.value.length} · ${minutesSoFar.value} of ${data.value?.minutes} min`
    : '',
);
const keepSays = computed(
  () =>
    said.value ||
    (takesHere.value
      ? `${plural(takesHere.value, 'take')} kept`
      : isLoop.value && draft.value?.done
        ? `${draft.value.clean} of ${draft.value.of} clean`
        : ''),
);
const asking = useAsking(
  room.studentId,
  () => card.value ?? TUNING,
  () => cards.value,
);
const askSheet = useTemplateRef<InstanceType<typeof AskSheet>>('askSheet');
const feeling = useTemplateRef<InstanceType<typeof FeelPicker>>('feeling');
async function keep() {
  const [on, hand] = [card.value, feel.value?.hand ?? null];
  const came = await trial.keep();
  if (came === 'feel') feeling.value?.focus();
  if (came !== 'kept') return;
  player.stop();
  // A take with pain was the last of its kind today: what follows are other cards, none of them played yet.
  if (stoppedHere.value !== null || !on) return;
  room.wasPlayed();
  if (room.ease.felt(on, hand) === 'off')
    said.value = `Tense twice running: ${on.title} is off for today.${
      room.ease.hasInstead(on) ? ' What lies here now grades lower for your hand.' : ''
    }`;
}
async function hurt(answered: Feel | null) {
  if (trial.hurt(answered)) await keep();
}
function go(to: number) {
  said.value = '';
  room.go(to);
}
/** On without a hand: what is answered is kept first, and a hand that must be asked about stops it there. */
async function onward() {
  if (complete.value) {
    const before = takesHere.value;
    await keep();
    if (takesHere.value === before || stoppedHere.value !== null) return;
    const kept = said.value;
    go(at.value + 1);
    said.value = kept;
    return;
  }
  go(at.value + 1);
}
const handsFree = useHandsFree(
  () => void onward(),
  () => player.playing.value,
);
useKeys(
  'handsFree',
  { pedal: (at) => void (at === 0 ? onward() : go(room.at.value - 1)) },
  () => handsFree.on.value,
);
useKeys('practice', {
  play: () => void heard.toggle(),
  tempo: forwardBack((by) => void heard.faster(2 * by)),
  string: (at) => trial.cycle(at + 1),
  count: forwardBack((by) => isLoop.value && trial.countedBy(by)),
  allClean: () => drill.value?.judged === 'strings' && trial.allClean(),
  takeBack: () => void trial.takeBack(),
  feel: () => feeling.value?.focus(),
  ask: () => void askSheet.value?.begin(),
  keep: () => void keep(),
  card: forwardBack((by) => go(at.value + by)),
});
</script>

<template>
  <div class="room">
    <RoomHead :name="data?.student.name.split(' ')[0] ?? null" :says="headSays" @leave="room.leave" />
    <div class="room-body scroll">
      <p v-if="error" class="refusal wide">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </p>
      <p v-else-if="!data" class="sheet empty wide">Laying out today’s cards…</p>
      <NoPlaying
        v-if="data && room.painStops.value"
        class="wide"
        :where="painWhere"
        :instead="cards.length > 0"
        :one-hand="room.handAllowed.value ? (data.pain.oneHand ?? null) : null"
      />
      <TuneUp
        v-else-if="data && cards.length && at === 0"
        class="wide"
        :instrument="data.taught.instrument"
      />
      <template v-if="error || !data" />
      <LastCard
        v-else-if="cards.length && at >= cards.length"
        class="wide"
        :played="playedCards"
        :minutes="minutesSoFar"
        :of="data.minutes"
        @again="go(0)"
        @leave="room.leave"
      />
      <p v-else-if="!card && !room.painStops.value" class="sheet empty wide">
        Nothing set for today. Your teacher gives the next card in the lesson.
      </p>
      <template v-else-if="drill && draft">
        <TenseHand
          v-if="card && room.ease.wasTense(card)"
          class="wide"
          :offers="room.ease.offers(card)"
          @ease="room.ease.ease(card)"
          @next="go(at + 1)"
        />
        <AnsweredSheet
          v-if="asking.answered.value.length"
          class="wide"
          :answered="asking.answered.value"
          :title="chordText(card?.title ?? '')"
          @put-away="asking.putAway"
        />
        <NeckSheet class="wide" :room="room" :shown="shown" />
        <TempoSheet
          v-if="!hidden"
          class="time"
          :beats="!phone || isLoop ? drill.score.parts[0].bars[0].beats : null"
          :beat="player.beat.value"
          :bpm="draft.tempoBpm"
          :playing="player.playing.value"
          @faster="heard.faster"
          @toggle="heard.toggle"
        >
          <HeardPick v-model="sounding" :choices="choices" />
          <BButton
            v-if="phone && !shown.called.value"
            variant="link"
            size="sm"
            :aria-expanded="showTab"
            @click="showTab = !showTab"
            >{{ showTab ? 'hide tab' : 'tab' }}</BButton
          >
        </TempoSheet>
        <BarsSheet
          v-if="!hidden && !shown.called.value && barsShown"
          class="bars"
          :around="around"
          :fifths="staffFifths(drill)"
          :strings="data.taught.instrument.openPitches.length"
          :now="heard.now()"
          :reads="needsNoNeck(drill)"
          :taps="readsRhythm(drill)"
          :playing="player.playing.value"
          @turn="shown.turn"
        />
        <AnswerSheet class="answer" :room="room" :shown="shown" :heard="heard" :trial="trial" />
        <section class="sheet feel-sheet">
          <h2>How does your hand feel, and where?</h2>
          <FeelPicker ref="feeling" :model-value="feel" @update:model-value="hurt" />
          <p class="small">Pain beyond the skin of a fingertip, or tingling: no more playing today.</p>
        </section>
        <HandsFreeSheet class="ask" :hands-free="handsFree" />
        <AskSheet ref="askSheet" class="ask" :asking="asking" :title="chordText(card?.title ?? '')" />
      </template>
    </div>
    <KeepBar
      v-if="card && drill && draft"
      :says="keepSays"
      :trouble="trouble"
      :may-take-back="lastTake !== null"
      :complete="complete"
      :last="at + 1 >= cards.length"
      @keep="keep"
      @take-back="trial.takeBack()"
      @next="go(at + 1)"
    />
  </div>
</template>

<style scoped>
:global(.house.bare .place:has(.room)) {
  padding: 0;
}
.room {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.room-body {
  flex: 1;
  min-height: 0;
  padding: var(--space-2);
  display: grid;
  grid-template-columns: minmax(0, 832fr) minmax(0, 424fr);
  gap: var(--space-2);
  align-content: start;
  grid-auto-rows: max-content;
  /* Two columns below whatever stands over both. */
  grid-auto-flow: row dense;
}
.wide {
  grid-column: 1 / 3;
}
.bars,
.answer {
  grid-column: 1;
}
.time,
.feel-sheet,
.ask {
  grid-column: 2;
}
@media (max-width: 699px) {
  .room-body {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-2);
    gap: var(--space-2);
  }
  .room-body > * {
    grid-column: 1 !important;
    grid-row: auto !important;
  }
  .feel-sheet :deep(button) {
    min-height: 48px;
  }
}
</style>
