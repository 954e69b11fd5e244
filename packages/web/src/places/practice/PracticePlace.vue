<script setup lang="ts">
import {
  changeIn,
  gripsInOrder,
  instrumentFor,
  makeDrill,
  type Drill,
  type Ladder,
  type Feel,
} from '@finch/core/drills';
import { changeMark, gripMark } from '@finch/core/grips';
import type { Form } from '@finch/core/shapes';
import { neckFrames } from '@finch/core/score';
import { soundSchedule } from '@finch/core/sound';
import { BButton } from 'bootstrap-vue-next';
import { useWindowSize } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import IconLeave from '~icons/bi/box-arrow-right';
import FinchMark from '../../app/FinchMark.vue';
import { useKeys } from '../../app/keys';
import { holdSchool } from '../../words/school';
import { chordText, formText, nameChord, plural, say, sayError } from '../../words';
import { barsAround } from '../../instruments/bars-around';
import ChangeLedger from '../../instruments/ChangeLedger.vue';
import CountIn from '../../instruments/CountIn.vue';
import { gripDegrees } from '../../instruments/degrees';
import FeelPicker from '../../instruments/FeelPicker.vue';
import HookTag from '../../instruments/HookTag.vue';
import NeckBoard from '../../instruments/NeckBoard.vue';
import NeckQuiz from '../../instruments/NeckQuiz.vue';
import StaffStrip from '../../instruments/StaffStrip.vue';
import BarreCaution from '../../instruments/BarreCaution.vue';
import BecauseMark from '../../instruments/BecauseMark.vue';
import TabStrip from '../../instruments/TabStrip.vue';
import { useBench } from '../../session/bench';
import { usePractice } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { paceOf } from '@finch/core/changes';
import { pinsOf } from '../../session/taught';
import { usePlayer } from '../../workers/player';
import CountAnswer from './CountAnswer.vue';
import MinuteCount from './MinuteCount.vue';
import TempoLadder from './TempoLadder.vue';
import RingAnswer from './RingAnswer.vue';
import { useTry } from './use-try';

const seat = useSeat();
const bench = useBench();
const router = useRouter();
const player = usePlayer();
const { width } = useWindowSize();
const phone = computed(() => width.value < 700);
const studentId = computed(() => seat.seat?.studentId ?? null);
const { data, error, refetch } = usePractice(studentId);
const at = ref(0);
const cards = computed(() => data.value?.cards ?? []);
const card = computed(() => cards.value[at.value] ?? null);
const context = computed(() =>
  data.value
    ? {
        hand: data.value.hand,
        instrument: data.value.instrument,
        effortLimit: data.value.limits.gripEffort,
        pins: pinsOf(data.value.marks),
        pace: paceOf(data.value.pace),
      }
    : null,
);
const drill = computed<Drill | null>(() => {
  if (!card.value || !context.value) return null;
  const made = makeDrill(card.value.recipe, context.value);
  return made.ok ? made.value : null;
});
const showTab = ref(false);
const staff = ref(false);
/** Prelude questions answered so far. */
const predicted = ref(0);
const guess = ref('');
const loopAt = ref(0);
const trial = useTry({ drill, card, studentId }, seat);
const { draft, ladder, feel, takesHere, lastTake, said, trouble, stoppedHere, complete } = trial;
const { patch, counted, countedBy, answer, cycle } = trial;
watch(
  drill,
  (now, before) => {
    if (JSON.stringify(now?.recipe) === JSON.stringify(before?.recipe)) return;
    trial.begin(now);
    loopAt.value = 0;
    beatShown.value = 0;
    predicted.value = 0;
    guess.value = '';
    player.stop();
  },
  { immediate: true },
);
const grips = computed(() => (drill.value ? gripsInOrder(drill.value) : []));
const different = computed(() => new Set(grips.value.map((grip) => grip.frets.join())).size);
const isLoop = computed(() => drill.value?.judged === 'changes' || drill.value?.judged === 'time');
const instrument = computed(() =>
  drill.value && data.value ? instrumentFor(drill.value, data.value.instrument) : null,
);
/** Changes can be counted over a minute where the whole change is what is played. */
const countsChanges = computed(() => {
  const recipe = drill.value?.recipe;
  return recipe?.family === 'change loop' && !recipe.parameters.piece;
});
const question = computed(() => drill.value?.prelude[predicted.value] ?? null);
/** Tab and sound would give the answers of a quiz away; the walk along a string is played first. */
const answersHidden = computed(
  () =>
    question.value !== null ||
    (drill.value?.judged === 'calls' && drill.value.recipe.family !== 'string walk' && !draft.value?.done),
);
function predict(choice: string) {
  const asked = question.value?.answer;
  if (asked?.kind !== 'choice') return;
  guess.value =
    choice === asked.right
      ? `Right: ${formText(asked.right as Form)}.`
      : `Not that one: ${formText(asked.right as Form)}.`;
  predicted.value += 1;
}
const pair = computed(() =>
  isLoop.value && grips.value.length
    ? [grips.value[loopAt.value % grips.value.length], grips.value[(loopAt.value + 1) % grips.value.length]]
    : grips.value.slice(0, 1),
);
const change = computed(() => {
  if (!isLoop.value || pair.value.length < 2 || !context.value) return null;
  const graded = changeIn(pair.value[0].frets, pair.value[1].frets, context.value);
  return graded.ok ? graded.value : null;
});
/** The teacher's own hooks on what is shown: the grip, and the change to it. */
const hooks = computed(() => {
  const pitches = data.value?.instrument.openPitches ?? [];
  const [from, to] = [pair.value[0], pair.value[1] ?? pair.value[0]];
  if (!from || !to || question.value) return [];
  const subjects = [gripMark(to.frets, pitches), changeMark(from.frets, to.frets, pitches)];
  return (data.value?.marks.hooks ?? []).filter((hook) => subjects.includes(hook.subject));
});
watch(data, (now) => now && holdSchool(now.schools), { immediate: true });
const target = computed(() => (isLoop.value ? pair.value[1] : pair.value[0]) ?? null);
const spoken = computed(() =>
  target.value
    ? `${nameChord(target.value.chord)}: ${target.value.frets.map((fret, s) => `string ${target.value!.frets.length - s} ${fret === null ? 'silent' : fret === 0 ? 'open' : `fret ${fret}`}`).join(', ')}`
    : '',
);
const stopped = computed(
  () =>
    stoppedHere.value !== null ||
    data.value?.pain.status === 'stopped today' ||
    data.value?.pain.status === 'locked',
);
const silentCount = computed(() => target.value?.frets.filter((fret) => fret === null).length ?? 0);
const toggle = async () => {
  if (player.playing.value) return player.stop();
  if (!drill.value || !instrument.value) return;
  trial.start();
  await play();
};
async function play(from = 0) {
  if (!drill.value || !instrument.value) return;
  const bpm = Math.min(300, Math.max(20, draft.value?.tempoBpm ?? drill.value.score.tempoBpm));
  await player.play(soundSchedule(drill.value.score, instrument.value, bpm), {
    instrument: instrument.value,
    from,
  });
}
/** Another tempo; while it plays it goes on from the same beat. */
async function faster(by: number) {
  const was = draft.value?.tempoBpm ?? null;
  trial.faster(by);
  const bpm = draft.value?.tempoBpm ?? null;
  if (player.playing.value && was && bpm) await play(((player.at.value ?? 0) * was) / bpm);
}
/** One round of the ladder, heard at its rung. */
async function playRung(bpm: number) {
  if (player.playing.value) return player.stop();
  patch({ tempoBpm: bpm });
  await toggle();
}
const found = (now: Ladder) => {
  trial.found(now);
  player.stop();
};
async function keep() {
  const came = await trial.keep();
  if (came === 'feel') document.querySelector<HTMLElement>('.feel button')?.focus();
  if (came !== 'kept') return;
  player.stop();
  playedCards.value = new Set([...playedCards.value, at.value]);
}
async function hurt(answered: Feel | null) {
  if (trial.hurt(answered)) await keep();
}
const go = (to: number) => {
  at.value = Math.min(Math.max(0, to), cards.value.length);
  said.value = '';
  window.scrollTo({ top: 0 });
};
async function leave() {
  if (seat.teaches) return router.push({ name: 'student', params: { studentId: studentId.value ?? '' } });
  await seat.standUp();
  bench.clear();
  await router.push({ name: 'sit' });
}
useKeys([
  { key: ' ', shown: 'Space', does: 'start or stop', run: () => void toggle() },
  { key: 'ArrowUp', shown: '↑ ↓', does: 'tempo', run: () => faster(2) },
  { key: 'ArrowDown', does: 'slower', run: () => faster(-2), quiet: true },
  ...[1, 2, 3, 4, 5, 6].map((n) => ({
    key: String(n),
    shown: n === 1 ? '1 – 6' : String(n),
    does: 'string: clean, buzz, dead',
    quiet: n > 1,
    run: () => cycle(n),
  })),
  { key: '+', shown: '+ −', does: 'clean ones', run: () => isLoop.value && countedBy(1) },
  { key: '-', does: 'one fewer', run: () => isLoop.value && countedBy(-1), quiet: true },
  {
    key: 'c',
    does: 'all clean',
    run: () => drill.value?.judged === 'strings' && trial.allClean(),
    quiet: true,
  },
  {
    key: 'Ctrl+z',
    shown: 'Ctrl Z',
    does: 'take the last one back',
    run: () => void trial.takeBack(),
    quiet: true,
  },
  { key: 'f', does: 'feel', run: () => document.querySelector<HTMLElement>('.feel button')?.focus() },
  { key: 'Enter', does: 'keep take', run: () => void keep() },
  { key: 'j', does: 'next card', run: () => go(at.value + 1) },
  { key: 'k', does: 'card before', run: () => go(at.value - 1), quiet: true },
]);
/** Minutes of the cards in which a take was kept: a card that was skipped was not played. */
const playedCards = ref<ReadonlySet<number>>(new Set());
const minutesSoFar = computed(() =>
  cards.value.reduce((sum, one, i) => sum + (playedCards.value.has(i) ? one.minutes : 0), 0),
);
/** The line of bars that sounds, or the one turned to. */
const beatShown = ref(0);
const around = computed(() =>
  drill.value && instrument.value
    ? barsAround(drill.value.score, instrument.value, beatShown.value, phone.value ? 1 : 3)
    : null,
);
watch(
  () => player.elapsed.value,
  (elapsed) => {
    if (player.playing.value && drill.value) beatShown.value = elapsed - drill.value.score.countInBeats;
  },
);
/** The note of a line on the neck, as it sounds or as the bars shown begin. */
const line = computed(() => {
  const now = drill.value;
  if (!now || target.value || now.judged === 'calls') return null;
  const frames = neckFrames(now.score);
  return frames.findLast((one) => one.startBeat <= Math.max(0, beatShown.value)) ?? frames[0] ?? null;
});
const turn = (by: number) => {
  const now = around.value;
  if (now) beatShown.value = now.starts[Math.min(now.lines - 1, Math.max(0, now.line + by))];
};
</script>

<template>
  <div class="room">
    <header class="room-head">
      <FinchMark />
      <h1 class="display">
        {{ data ? `${data.student.name.split(' ')[0]}’s practice room` : 'Practice room' }}
      </h1>
      <span class="small">{{
        card ? `card ${at + 1} of ${cards.length} · ${minutesSoFar} of ${data?.minutes} min` : ''
      }}</span><BButton variant="outline-light" size="sm" @click="leave"
        ><IconLeave aria-hidden="true" /> Leave</BButton
      >
    </header>
    <div class="room-body scroll">
      <p v-if="error" class="refusal">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </p>
      <p v-else-if="!data" class="sheet empty">Laying out today’s cards…</p>
      <section v-else-if="stopped" class="sheet caution-sheet" role="alert">
        <h2 class="display">No playing today</h2>
        <p>
          You reported pain ({{ stoppedHere?.hand === 'pain' ? stoppedHere.where : data.pain.where }}). That
          ends playing for the day, open strings and the other hand too. Listen, name notes, sing, tap a foot.
          Your teacher clears you to play again after two days without pain.
        </p>
        <p>See a doctor or a hand therapist; this is no medical advice.</p>
      </section>
      <section v-else-if="cards.length && at >= cards.length" class="sheet end" tabindex="-1">
        <h2 class="display big-title">That was the last card</h2>
        <p>
          {{ plural(playedCards.size, 'card') }} played, {{ minutesSoFar }} of {{ data.minutes }} minutes.
          Takes are kept; your teacher sees them.
        </p>
        <div class="keep-acts">
          <BButton variant="outline-secondary" @click="go(0)">From the first card again</BButton>
          <BButton class="pri" variant="dark" @click="leave">Leave</BButton>
        </div>
      </section>
      <p v-else-if="!card" class="sheet empty">
        Nothing set for today. Your teacher gives the next card in the lesson.
      </p>
      <template v-else-if="drill && draft">
        <section class="sheet neck-sheet">
          <div class="spread">
            <h2 class="display big-title">
              {{
                isLoop && pair.length > 1 && pair[0].chord !== pair[1].chord
                  ? `${nameChord(pair[0].chord)} → ${nameChord(pair[1].chord)}`
                  : target && !isLoop
                    ? nameChord(target.chord)
                    : chordText(card.title)
              }}
            </h2>
            <span class="small"
              >{{ target ? `${chordText(card.title)} · ` : '' }}card {{ at + 1 }} of {{ cards.length }}</span
            >
          </div>
          <BecauseMark v-if="!phone">{{ say(card.because) }}</BecauseMark>
          <div v-if="question?.answer.kind === 'choice'" class="prelude">
            <p class="plain-words">{{ say(question.ask) }}</p>
            <BButton
              v-for="choice in question.answer.choices"
              :key="choice"
              variant="outline-secondary"
              class="play"
              @click="predict(choice)"
              >{{ formText(choice as Form) }}</BButton
            >
          </div>
          <NeckBoard
            v-else-if="target"
            :frets="target.frets"
            :fingers="target.fingers"
            :degrees="gripDegrees(target)"
            :moves="change?.fingers"
            :from-frets="isLoop ? pair[0].frets : undefined"
            :spoken="spoken"
            :left-handed="data.instrument.leftHanded"
            :width="phone ? 560 : 1200"
            :height="phone ? 250 : 184"
          />
          <template v-else>
            <p class="plain-words">
              {{ say(drill.judged === 'calls' ? drill.question : drill.steps[0].ask) }}
            </p>
            <NeckBoard
              v-if="line"
              :frets="line.frets"
              :fingers="line.fingers"
              :left-handed="data.instrument.leftHanded"
              spoken="The neck as it is played"
              :width="phone ? 560 : 1200"
              :height="phone ? 250 : 184"
            />
          </template>
          <p v-if="guess" class="note" role="status">{{ guess }}</p>
          <HookTag v-for="hook in hooks" :key="hook.subject" :hook="hook" />
          <ChangeLedger v-if="change && !question" :moves="change.fingers" class="room-ledger" />
          <BarreCaution v-if="drill.hasBarre && !question" :bursts="drill.bursts" />
          <BButton v-if="different > 2 && !question" variant="link" size="sm" @click="loopAt += 1"
            >next change of the loop</BButton
          >
        </section>
        <section v-if="!answersHidden" class="sheet time-sheet">
          <CountIn
            v-if="!phone || isLoop"
            :beats="drill.score.parts[0].bars[0].beats"
            :beat="player.beat.value"
          />
          <template v-if="draft.tempoBpm !== null"
            ><BButton variant="outline-secondary" aria-label="Slower" class="square" @click="faster(-2)"
              >−</BButton
            ><span class="bpm"
              ><b>{{ draft.tempoBpm }}</b
              ><small>bpm</small></span
            ><BButton variant="outline-secondary" aria-label="Faster" class="square" @click="faster(2)"
              >+</BButton
            ></template
          >
          <BButton variant="outline-secondary" class="play" @click="toggle">{{
            player.playing.value ? '■ Stop' : '▶ Play'
          }}</BButton>
          <BButton
            v-if="phone"
            variant="link"
            size="sm"
            :aria-expanded="showTab"
            @click="showTab = !showTab"
            >{{ showTab ? 'hide tab' : 'tab' }}</BButton
          >
        </section>
        <section
          v-if="!answersHidden && (!phone || showTab)"
          class="sheet tab-sheet"
          :class="{ lined: around && around.lines > 1 }"
        >
          <BButton
            variant="link"
            size="sm"
            class="tab-or-staff"
            :aria-pressed="staff"
            @click="staff = !staff"
            >{{ staff ? 'show tab' : 'show staff' }}</BButton
          >
          <span v-if="around && around.lines > 1" class="lines">
            <BButton variant="link" size="sm" :disabled="around.line === 0" @click="turn(-1)"
              >bars before</BButton
            >
            <span class="small">{{ around.first + 1 }} to {{ around.first + around.bars.length }}</span>
            <BButton variant="link" size="sm" :disabled="around.line >= around.lines - 1" @click="turn(1)"
              >next bars</BButton
            >
          </span>
          <StaffStrip v-if="staff" :bars="around?.bars ?? []" caption="written an octave above its sound" />
          <TabStrip
            v-else
            :columns="around?.columns ?? []"
            :strings="data.instrument.openPitches.length"
            :now="player.elapsed.value - drill.score.countInBeats"
            :playing="player.playing.value"
          />
        </section>
        <section class="sheet answer-sheet">
          <RingAnswer
            v-if="drill.judged === 'strings'"
            :drill="drill"
            :take="takesHere + 1"
            :answers="draft.strings"
            :fingers="target?.fingers ?? []"
            @answer="answer"
            @all-clean="trial.allClean()"
          />
          <NeckQuiz
            v-else-if="drill.judged === 'calls'"
            :key="card.title + takesHere"
            :drill="drill"
            :instrument="data.instrument"
            @start="trial.start"
            @done="(outcomes) => patch({ outcomes, done: true })"
          />
          <template v-else-if="isLoop">
            <CountAnswer
              :heading="`Take ${takesHere + 1}: ${say(drill.question)}`"
              :clean="draft.clean"
              :of="draft.of"
              :done="draft.done"
              :in-time="drill.judged === 'time'"
              :missed="draft.missed"
              @counted="counted"
              @missed="(missed) => patch({ missed })"
            />
            <MinuteCount
              v-if="countsChanges"
              :bursts="drill.bursts"
              :now="seat.now"
              @counted="(count) => patch({ count })"
            />
            <TempoLadder
              v-if="drill.tempoBpm !== null"
              v-model="ladder"
              :drill="drill"
              :start-bpm="draft.tempoBpm ?? drill.tempoBpm"
              :playing="player.playing.value"
              @play="playRung"
              @found="found"
            />
          </template>
          <div v-else class="counter">
            <h2>{{ say(drill.question) }}</h2>
            <p class="note">{{ say(drill.steps[0].ask) }}. Light: only as much as rings.</p>
            <BButton
              variant="outline-secondary"
              class="play"
              :aria-pressed="draft.done"
              @click="patch({ done: true })"
              >Played</BButton
            >
          </div>
          <p v-if="silentCount && isLoop && !question" class="small">
            {{ silentCount }} string{{ silentCount > 1 ? 's' : '' }} silent in
            {{ nameChord(target?.chord ?? '') }}.
          </p>
        </section>
        <section class="sheet feel-sheet">
          <h2>How does your hand feel, and where?</h2>
          <FeelPicker :model-value="feel" @update:model-value="hurt" />
          <p class="small">Pain beyond the skin of a fingertip, or tingling: no more playing today.</p>
        </section>
      </template>
    </div>
    <section v-if="card && drill && draft && !stopped" class="keep-sheet">
      <div class="kept">
        <p class="note" role="status">
          {{
            said ||
            (takesHere
              ? `${takesHere} take${takesHere > 1 ? 's' : ''} kept`
              : isLoop && draft.done
                ? `${draft.clean} of ${draft.of} clean`
                : '')
          }}
        </p>
        <BButton v-if="lastTake" variant="link" size="sm" @click="trial.takeBack()"
          >Take the last one back</BButton
        >
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      </div>
      <div class="keep-acts">
        <BButton variant="outline-secondary" @click="go(at + 1)">{{
          at + 1 < cards.length ? 'Next card' : 'Done for today'
        }}</BButton><BButton class="pri" variant="dark" :aria-disabled="!complete" @click="keep"
          >Keep this take</BButton
        >
      </div>
    </section>
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
.room-head {
  background: var(--wing);
  color: var(--wing-ink);
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 16px;
  min-height: 52px;
}
.room-head h1 {
  font-size: 20px;
}
.room-head .small {
  margin-left: auto;
  color: var(--wing-label);
  font-size: 15.5px;
}
.room-body {
  flex: 1;
  min-height: 0;
  padding: 8px;
  display: grid;
  grid-template-columns: minmax(0, 832fr) minmax(0, 424fr);
  gap: 8px;
  align-content: start;
  grid-auto-rows: max-content;
}
.neck-sheet,
.room-body > .empty,
.caution-sheet,
.room-body > .refusal {
  grid-column: 1 / 3;
}
.big-title {
  font-size: 34px;
}
.caution-sheet {
  font-size: 18px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  border: 2px solid var(--breast);
}
.caution-sheet h2 {
  font-size: 34px;
}
.room-ledger {
  columns: auto;
  display: flex;
  gap: 22px;
  flex-wrap: wrap;
  font-size: 15.5px;
}
.plain-words {
  font-size: 22px;
  padding: 26px 0;
}
.prelude {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.prelude .plain-words {
  width: 100%;
  padding: 12px 0 4px;
}
.tab-or-staff {
  position: absolute;
  left: 14px;
  bottom: 4px;
}
/* Room for the staff, and for turning the bars. */
.tab-sheet {
  padding-bottom: 36px;
}
.lines {
  position: absolute;
  right: 14px;
  bottom: 4px;
  display: flex;
  align-items: center;
  gap: 4px;
}
.tab-sheet {
  position: relative;
  grid-column: 1;
  grid-row: 2;
}
.time-sheet {
  grid-column: 2;
  grid-row: 2;
  display: flex;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
}
.answer-sheet {
  grid-column: 1;
  grid-row: 3 / 4;
}
.feel-sheet {
  grid-column: 2;
  grid-row: 3;
}
.keep-sheet {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  padding: 8px 16px;
  background: var(--sheet);
  border-top: 1px solid var(--line-strong);
}
.kept {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  min-width: 0;
}
.end {
  display: flex;
  flex-direction: column;
  gap: 12px;
  grid-column: 1 / -1;
}
.bpm {
  text-align: center;
  line-height: 1;
}
.bpm b {
  font-size: 34px;
  display: block;
}
.bpm small {
  font-size: 12.5px;
}
.square {
  width: 48px;
  min-height: 48px;
  font-size: 22px;
}
.play {
  min-height: 48px;
  font-size: 15.5px;
}
.keep-acts {
  display: flex;
  gap: 8px;
}
.keep-acts .btn {
  min-height: 48px;
  font-size: 15.5px;
}
@media (max-width: 699px) {
  .room-head .small {
    display: none;
  }
  .room-head .btn {
    margin-left: auto;
  }
  .room-body {
    grid-template-columns: minmax(0, 1fr);
    padding: 6px;
    gap: 6px;
  }
  .room-body > * {
    grid-column: 1 !important;
    grid-row: auto !important;
  }
  .big-title {
    font-size: 28px;
  }
  .keep-sheet {
    position: sticky;
    bottom: 0;
    z-index: 5;
    padding: 8px;
  }
  .keep-acts {
    flex: none;
  }
  .feel-sheet :deep(button) {
    min-height: 48px;
  }
}
</style>
