<script setup lang="ts">
import { routes } from '@finch/contract';
import { gradeChange } from '@finch/core/changes';
import { changeLoop, ringCheck } from '@finch/core/drills';
import { effortBand, gradeGrip, pointsOf, type Reason } from '@finch/core/effort';
import { averageHand, pitchAt, standardGuitar } from '@finch/core/fretboard';
import { fretsText } from '@finch/core/grips';
import type { GradedGrip, StandIn } from '@finch/core/shapes';
import { parseChord, type Chord } from '@finch/core/theory';
import { refDebounced, useLocalStorage } from '@vueuse/core';
import { BButton, BFormCheckbox, BModal } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import IconHear from '~icons/bi/volume-up';
import { useKeys } from '../../app/keys';
import { chordText, degreeText, PART_WORDS, say, sayError, sayProblem } from '../../app/words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import { PART_CATEGORY } from '../../instruments/categories';
import ChangeLedger from '../../instruments/ChangeLedger.vue';
import ChordName from '../../instruments/ChordName.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import PurflingBar from '../../instruments/PurflingBar.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { putInPlan, blockOf } from '../../session/plan-actions';
import { useStudent } from '../../session/queries';
import { benchWork } from '../../workers/bench';
import { usePlayer } from '../../workers/player';

const bench = useBench();
const route = useRoute();
const router = useRouter();
const player = usePlayer();
const { data: student } = useStudent(() => bench.studentId);
const typed = ref(typeof route.query.chord === 'string' ? route.query.chord : 'C');
const german = useLocalStorage('finch-german-names', false);
const settled = refDebounced(typed, 30);
const rootInBass = ref(true);
const noOpen = ref(false);
const effortUpTo = ref(100);
const stringsWanted = ref<Record<number, 'any' | 'must' | 'leave'>>({});
const shown = ref(9);
const show = ref<'fingers' | 'degrees'>('fingers');
const grips = shallowRef<readonly GradedGrip[]>([]);
/** Which chord the grips on screen belong to. */
const foundFor = ref('');
const standIns = shallowRef<readonly StandIn[]>([]);
const pickedText = ref(typeof route.query.frets === 'string' ? route.query.frets : '');
const held = shallowRef<{ grip: GradedGrip; chord: Chord } | null>(null);
const searching = ref(false);
const big = ref(false);
const said = ref('');
const trouble = ref('');
const box = useTemplateRef<HTMLInputElement>('box');

const hand = computed(() => student.value?.hand.value ?? averageHand);
const instrument = computed(() => student.value?.instrument.value ?? standardGuitar);
const limit = computed(() => student.value?.limits.value.gripEffort ?? null);
const who = computed(() => (student.value ? `${student.value.name.split(' ')[0]}’s` : 'a middle'));
const reading = computed(() =>
  parseChord(settled.value.slice(0, 400), { noteNames: german.value ? 'german' : 'english' }),
);
const chord = computed(() => (reading.value.ok ? reading.value.value : null));
const limits = computed(() => {
  const by = (what: string) =>
    Object.entries(stringsWanted.value)
      .filter(([, how]) => how === what)
      .map(([s]) => Number(s));
  return {
    bass: rootInBass.value ? ('root' as const) : ('any' as const),
    allowOpen: !noOpen.value,
    maxEffort: effortUpTo.value,
    mustSound: by('must'),
    mustMute: by('leave'),
  };
});
let turn = 0;
watch(
  [chord, hand, instrument, limits],
  async () => {
    const mine = ++turn;
    if (!chord.value) return;
    searching.value = true;
    const plain = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
    const found = await benchWork().shapes(
      plain(chord.value),
      plain(hand.value),
      plain(instrument.value),
      plain(limits.value),
    );
    if (mine !== turn) return;
    grips.value = found;
    foundFor.value = chord.value.symbol;
    shown.value = 9;
    searching.value = false;
  },
  { immediate: true },
);
const list = computed(() =>
  grips.value.filter(
    (grip) =>
      grip.foldsInto === undefined ||
      grip.layout !== null ||
      grip.frets.filter((f) => f !== null).length >= 4,
  ),
);
const picked = computed(
  () => grips.value.find((grip) => fretsText(grip.frets) === pickedText.value) ?? list.value[0] ?? null,
);
const pickedIndex = computed(() => list.value.indexOf(picked.value as GradedGrip));
const effort = computed(() => {
  if (!picked.value) return null;
  const graded = gradeGrip(picked.value.frets, hand.value, instrument.value);
  return graded.ok ? graded.value : null;
});
watch([picked, chord], async () => {
  standIns.value = [];
  if (!picked.value || !chord.value) return;
  const plain = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
  const mine = picked.value;
  const found = await benchWork().standIns(
    plain(mine),
    plain(chord.value),
    plain(hand.value),
    plain(instrument.value),
  );
  if (mine === picked.value) standIns.value = found;
});
watch(
  [settled, pickedText],
  () =>
    void router.replace({
      query: {
        ...(chord.value ? { chord: settled.value } : {}),
        ...(pickedText.value ? { frets: pickedText.value } : {}),
      },
    }),
);
const pick = (grip: GradedGrip) => (pickedText.value = fretsText(grip.frets));
const step = (by: number) => {
  const next = list.value[Math.max(0, Math.min(list.value.length - 1, pickedIndex.value + by))];
  if (!next) return;
  pick(next);
  if (list.value.indexOf(next) >= shown.value) shown.value += 9;
  void nextTick(() =>
    document.getElementById(`card-${list.value.indexOf(next)}`)?.scrollIntoView({ block: 'nearest' }),
  );
};
const strips = computed(() =>
  (effort.value?.parts ?? [])
    .filter((part) => part.points >= 0.05)
    .sort((a, b) => b.points - a.points)
    .map((part) => ({
      name: PART_WORDS[part.name],
      value: part.points,
      category: PART_CATEGORY[part.name],
      why: say(part.why),
    })),
);
const over = computed(() =>
  effort.value && limit.value !== null ? Math.round(effort.value.total) - limit.value : 0,
);
const caution = computed(
  () => picked.value?.barre && picked.value.barre.toIndex - picked.value.barre.fromIndex >= 3,
);
const lost = (grip: GradedGrip) => grip.omitted.filter((degree) => degree !== '1').map(degreeText);
function nameOf(grip: GradedGrip): string {
  const low = grip.frets.filter((f): f is number => f !== null && f > 0);
  const where =
    grip.layout === 'open'
      ? 'open chord'
      : grip.layout === 'shell'
        ? `shell, fret ${Math.min(...low)}`
        : grip.form
          ? `${grip.form} form, fret ${Math.min(...low)}`
          : low.length
            ? `fret ${Math.min(...low)}`
            : 'all open';
  const gone = lost(grip).length
    ? `, no ${lost(grip).join(', ')}`
    : grip.rootString === null
      ? ', no root'
      : '';
  const bass = grip.inversion === '1' ? '' : `, ${degreeText(grip.inversion)} lowest`;
  return where + gone + bass;
}
const change = computed(() => {
  if (!held.value || !picked.value || held.value.grip.frets.join() === picked.value.frets.join()) return null;
  const graded = gradeChange(held.value.grip.frets, picked.value.frets, hand.value, instrument.value);
  return graded.ok ? graded.value : null;
});
async function hear(grip = picked.value) {
  if (!grip) return;
  const notes = grip.frets.flatMap((fret, s) =>
    fret === null ? [] : [{ s, midiPitch: pitchAt(instrument.value, s, fret) }],
  );
  await player.play([
    ...notes.map((note, i) => ({
      kind: 'pluck' as const,
      atSeconds: i * 0.38,
      seconds: 1,
      midiPitch: note.midiPitch,
      stringIndex: note.s,
    })),
    ...notes.map((note, i) => ({
      kind: 'pluck' as const,
      atSeconds: notes.length * 0.38 + 0.2 + i * 0.014,
      seconds: 1.6,
      midiPitch: note.midiPitch,
      stringIndex: note.s,
    })),
  ]);
}
function hold() {
  if (!picked.value || !chord.value) return;
  held.value = { grip: picked.value, chord: chord.value };
  said.value = `${chordText(chord.value.symbol)} is held. Pick another grip or type another chord to see the change.`;
}
async function attempt(work: () => Promise<string>) {
  trouble.value = '';
  try {
    said.value = await work();
  } catch (error) {
    trouble.value = sayError(error);
  }
}
const put = () =>
  attempt(async () => {
    if (!bench.studentId || !picked.value || !chord.value)
      return 'Put a student on the bench first: pick one on the Board.';
    const grip = { chord: chord.value.symbol, frets: picked.value.frets };
    const loop = held.value && change.value;
    const recipe =
      loop && held.value
        ? changeLoop({
            grips: [{ chord: held.value.chord.symbol, frets: held.value.grip.frets }, grip],
            beatsEach: 4,
          })
        : ringCheck(grip);
    const title: Reason =
      loop && held.value
        ? { code: 'title.loop', values: { from: held.value.chord.symbol, to: grip.chord } }
        : { code: 'title.shape', values: { chord: grip.chord } };
    bench.lessonId = await putInPlan(bench.studentId, blockOf(recipe, title, hand.value, instrument.value));
    return `${say(title)} is in the next plan, locked; the rest was planned around it.`;
  });
const home = () =>
  attempt(async () => {
    if (!bench.studentId || !picked.value || !chord.value)
      return 'Put a student on the bench first: pick one on the Board.';
    const grip = { chord: chord.value.symbol, frets: picked.value.frets };
    const recipe =
      held.value && change.value
        ? changeLoop({
            grips: [{ chord: held.value.chord.symbol, frets: held.value.grip.frets }, grip],
            beatsEach: 4,
          })
        : ringCheck(grip);
    const title =
      held.value && change.value
        ? `${chordText(held.value.chord.symbol)} → ${chordText(grip.chord)}`
        : chordText(grip.chord);
    await call(routes.assignHome, {
      params: { studentId: bench.studentId },
      body: { id: uuid(), recipe, skillId: null, title },
    });
    return `${title} goes home.`;
  });
const cycle = (s: number) => {
  const next = { any: 'must', must: 'leave', leave: 'any' } as const;
  stringsWanted.value = { ...stringsWanted.value, [s]: next[stringsWanted.value[s] ?? 'any'] };
};
const strings = computed(() =>
  Array.from(
    { length: instrument.value.openPitches.length },
    (_, i) => instrument.value.openPitches.length - i,
  ),
);
useKeys([
  {
    key: '/',
    does: 'enter a chord',
    run: () => {
      box.value?.focus();
      box.value?.select();
    },
  },
  { key: 'ArrowRight', shown: '← →', does: 'next shape', run: () => step(1) },
  { key: 'ArrowLeft', does: 'previous shape', run: () => step(-1), quiet: true },
  { key: 'i', does: 'intervals', run: () => (show.value = show.value === 'fingers' ? 'degrees' : 'fingers') },
  { key: 'b', does: 'show big', run: () => (big.value = true) },
  { key: 'h', does: 'hear', run: () => void hear() },
  {
    key: 'e',
    does: 'use easier',
    run: () => void (standIns.value[0] && (pickedText.value = fretsText(standIns.value[0].grip.frets))),
  },
  { key: 'g', does: 'hold this grip', run: hold },
  { key: 'Shift+p', shown: 'Shift P', does: 'put in plan', run: () => void put() },
]);
onMounted(() => box.value?.select());
</script>

<template>
  <div class="shapes">
    <PatternDefs />
    <Teleport defer to="#bench-tools">
      <div class="segments" role="group" aria-label="What the dots say">
        <button type="button" :aria-pressed="show === 'fingers'" @click="show = 'fingers'">Fingers</button>
        <button type="button" :aria-pressed="show === 'degrees'" @click="show = 'degrees'">Intervals</button>
      </div>
      <BButton variant="outline-secondary" :disabled="!picked" @click="big = true">Show big</BButton>
    </Teleport>
    <aside class="sheet scroll ask" tabindex="0" aria-label="What to search">
      <label class="visually-hidden" for="chord">Chord</label>
      <input
        id="chord"
        ref="box"
        v-model="typed"
        class="display chord-box"
        autocomplete="off"
        spellcheck="false"
        maxlength="6000"
        @keydown.enter="box?.blur()"
        @keydown.esc="box?.blur()"
      />
      <div v-if="!reading.ok" class="refusal" role="alert">
        {{ sayProblem(reading.problem) }}
        <div>
          <BButton
            v-if="reading.problem.code === 'chord.german-h'"
            size="sm"
            variant="outline-secondary"
            @click="german = true"
            >H is B here, B is B♭</BButton
          >
          <BButton size="sm" variant="outline-secondary" @click="typed = reading.problem.detail"
            >Read {{ chordText(reading.problem.detail) }}</BButton
          >
        </div>
      </div>
      <ul v-else class="tones">
        <li v-for="tone in reading.value.tones" :key="tone.degree">
          {{
            chordText(
              tone.note.letter +
                (tone.note.accidental < 0
                  ? 'b'.repeat(-tone.note.accidental)
                  : '#'.repeat(tone.note.accidental)),
            )
          }}<small>{{ tone.degree === '1' ? 'R' : degreeText(tone.degree) }}</small>
        </li>
      </ul>
      <p v-if="german" class="small">
        Names with H and B. <BButton variant="link" size="sm" @click="german = false">Use B and B♭</BButton>
      </p>
      <h2>Strings in use</h2>
      <div class="strings">
        <button
          v-for="s in strings"
          :key="s"
          type="button"
          :class="stringsWanted[s] ?? 'any'"
          :aria-label="`String ${s}: ${stringsWanted[s] ?? 'any'}`"
          @click="cycle(s)"
        >
          <span class="line" :style="{ width: `${1 + s * 0.4}px` }" />{{ s
          }}<small>{{ { any: 'any', must: 'must', leave: 'out' }[stringsWanted[s] ?? 'any'] }}</small>
        </button>
      </div>
      <h2>
        Effort up to <b class="num">{{ effortUpTo }}</b>
      </h2>
      <div class="wedge">
        <svg width="100%" height="36" viewBox="0 0 200 36" preserveAspectRatio="none" aria-hidden="true">
          <path d="M0 35L200 2V35Z" fill="none" stroke="var(--line-strong)" />
          <path :d="`M0 35L${effortUpTo * 2} ${35 - effortUpTo * 0.33}V35Z`" fill="var(--e3)" />
          <path v-if="limit !== null" :d="`M${limit * 2} 0V36`" stroke="var(--ink)" stroke-width="2.5" /></svg
        ><input
          v-model.number="effortUpTo"
          type="range"
          min="10"
          max="100"
          step="1"
          aria-label="Effort up to"
        />
      </div>
      <p class="small">
        {{
          limit === null
            ? 'Put a student on the bench to see that hand’s limit.'
            : `Upright line: ${who} limit for one grip, ${limit}.`
        }}
      </p>
      <h2>Must have</h2>
      <BFormCheckbox v-model="rootInBass">Root in the bass</BFormCheckbox>
      <BFormCheckbox v-model="noOpen">No open strings</BFormCheckbox>
    </aside>
    <section class="sheet list" aria-label="Shapes">
      <div class="spread">
        <h1 class="h2like">{{ searching ? 'Searching…' : `${list.length} shapes, most useful first` }}</h1>
        <span class="small">graded for {{ who }} hand</span>
      </div>
      <p v-if="!searching && chord && !list.length" class="empty">
        No shapes within {{ hand.reachMm ?? Math.round(140 * hand.sizeFactor) }} mm of reach and effort
        {{ effortUpTo }}. Raise the effort, free a string or allow another bass.
      </p>
      <ul class="cards scroll" :data-chord="foundFor">
        <li v-for="(grip, i) in list.slice(0, shown)" :id="`card-${i}`" :key="fretsText(grip.frets)">
          <button
            type="button"
            :aria-pressed="grip === picked"
            :class="{ on: grip === picked }"
            @click="pick(grip)"
            @dblclick="big = true"
          >
            <span class="card-head"
              ><ShimMark :effort="grip.effort.total" :limit="limit" /><b>{{
                Math.round(grip.effort.total)
              }}</b
              ><span class="band">{{
                limit !== null && grip.effort.total > limit ? 'over limit' : effortBand(grip.effort.total)
              }}</span></span
            >
            <ShapeCard
              :frets="grip.frets"
              :fingers="grip.fingers"
              :degrees="grip.degrees"
              :notes="grip.notes"
              :chord="chord?.symbol"
              :show="show"
              :left-handed="instrument.leftHanded"
            />
            <span class="small">{{ nameOf(grip) }}</span>
          </button>
        </li>
        <li v-if="list.length > shown" class="more">
          <b>{{ list.length - shown }} more</b>
          <p class="small">What this hand cannot reach is not counted.</p>
          <BButton variant="outline-secondary" size="sm" @click="shown += 18">Show more</BButton>
        </li>
      </ul>
    </section>
    <section class="sheet scroll one" tabindex="0" aria-label="The shape in hand">
      <template v-if="picked && chord && effort">
        <div class="one-top">
          <ShapeCard
            size="bench"
            :frets="picked.frets"
            :fingers="picked.fingers"
            :degrees="picked.degrees"
            :notes="picked.notes"
            :chord="chord.symbol"
            :show="show"
            :left-handed="instrument.leftHanded"
          />
          <div>
            <ChordName :symbol="chord.symbol" class="huge" />
            <p class="note">{{ nameOf(picked) }}</p>
            <p class="grade">
              <ShimMark :effort="effort.total" :limit="limit" :width="78" :height="36" />
              <b>{{ Math.round(effort.total) }}</b>
            </p>
            <p :class="{ overlimit: over > 0 }">
              <b
                >{{ effortBand(effort.total)
                }}{{ over > 0 ? `, ${over} over the limit` : limit !== null ? ', inside the limit' : '' }}</b
              >
            </p>
            <p v-if="effort.ties.length" class="small">
              {{ effort.ties.length }} other fingering{{ effort.ties.length > 1 ? 's are' : ' is' }} as easy:
              {{ effort.ties.map((tie) => tie.fingers.map((f) => f ?? 'x').join('')).join(', ') }}.
            </p>
          </div>
        </div>
        <p v-if="caution || over > 0" class="caution">
          {{ caution ? 'A barre: press, check, release; at most a bar long, never held as a contest. ' : ''
          }}{{ over > 0 ? 'Over this hand’s limit: take one below.' : '' }}
        </p>
        <PurflingBar
          :strips="strips"
          :total="Math.max(effort.points, limit === null ? 0 : pointsOf(limit)) * 1.12"
          :pointer="limit === null ? null : pointsOf(limit)"
          :pointer-text="limit === null ? '' : `limit ${Math.round(pointsOf(limit))} points, grade ${limit}`"
          unit="points"
        />
        <table class="parts">
          <tbody>
            <tr v-for="strip in strips" :key="strip.name">
              <td>
                <svg width="16" height="13" aria-hidden="true">
                  <rect width="16" height="13" :fill="`url(#cat-${strip.category})`" />
                </svg>
              </td>
              <th scope="row">{{ strip.name }}</th>
              <td>{{ strip.why }}</td>
              <td class="num">{{ strip.value.toFixed(1) }}</td>
            </tr>
            <tr class="sum">
              <td />
              <th scope="row">Sum</th>
              <td>
                grade 100 (1 − e<sup>−{{ Math.round(effort.points) }}/60</sup>) =
                {{ Math.round(effort.total) }}
              </td>
              <td class="num">{{ effort.points.toFixed(1) }}</td>
            </tr>
          </tbody>
        </table>
        <div class="acts">
          <BButton variant="outline-secondary" @click="hear()"
            ><IconHear aria-hidden="true" /> Hear it</BButton
          >
          <BButton variant="outline-secondary" :aria-pressed="held !== null" @click="hold">Hold</BButton>
          <BButton variant="outline-secondary" @click="home">To homework</BButton>
          <BButton class="pri" variant="dark" @click="put">{{
            change ? 'Loop in plan' : 'Put in plan'
          }}</BButton>
        </div>
        <p v-if="said" class="note" role="status">{{ said }}</p>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
        <div v-if="change && held" class="change">
          <div class="spread">
            <h2>{{ chordText(held.chord.symbol) }} → {{ chordText(chord.symbol) }}</h2>
            <b>{{ Math.round(change.changesPerMinute) }} a minute · {{ Math.round(change.tempoBpm) }} bpm</b>
          </div>
          <ChangeLedger :moves="change.fingers" />
          <BecauseMark
            >{{ change.seconds.toFixed(2) }} s{{
              change.shiftFrets
                ? `, the hand goes ${Math.abs(change.shiftFrets)} fret${Math.abs(change.shiftFrets) > 1 ? 's' : ''} ${change.shiftFrets > 0 ? 'up' : 'down'}`
                : ', the hand stays where it is'
            }}; nine of ten clean at {{ Math.round(change.tempoBpm) }} bpm ({{
              Math.round(change.band.lowBpm)
            }}
            to {{ Math.round(change.band.highBpm) }}) with one beat before the bar line.</BecauseMark
          >
          <BButton variant="link" size="sm" @click="held = null">Let it go</BButton>
        </div>
        <template v-if="standIns.length">
          <h2>Easier, same job</h2>
          <ul class="stand-ins">
            <li v-for="one in standIns.slice(0, 3)" :key="one.kind">
              <ShapeCard
                size="thumb"
                :frets="one.grip.frets"
                :fingers="one.grip.fingers"
                :degrees="one.grip.degrees"
                :left-handed="instrument.leftHanded"
              />
              <div>
                <b>{{
                  {
                    'fewer strings': 'Fewer strings',
                    'no barre': 'Leave the barre',
                    elsewhere: 'Same chord elsewhere',
                    'no root': 'Leave the root',
                  }[one.kind]
                }}</b>
                <p class="note">
                  {{
                    one.silenced.length
                      ? `string ${one.silenced.join(', ')} falls silent`
                      : 'all strings kept'
                  }}{{ one.grip.rootString === null ? '; the bass has the root' : ''
                  }}{{
                    one.fretsMoved
                      ? `; ${Math.abs(one.fretsMoved)} fret${Math.abs(one.fretsMoved) > 1 ? 's' : ''} ${one.fretsMoved > 0 ? 'up' : 'down'}`
                      : ''
                  }}{{ lost(one.grip).length ? `; no ${lost(one.grip).join(', ')}` : '' }}
                </p>
              </div>
              <span class="score"
                ><ShimMark :effort="one.grip.effort.total" :limit="limit" />
                <b>{{ Math.round(one.grip.effort.total) }}</b></span
              >
              <BButton variant="outline-secondary" size="sm" @click="pick(one.grip)">Use it</BButton>
            </li>
          </ul>
        </template>
      </template>
      <p v-else class="empty">
        {{
          chord
            ? 'Nothing to show for these limits.'
            : 'Type a chord at the left: a symbol like Bbm7, F#m7b5 or C/E.'
        }}
      </p>
    </section>
    <BModal v-model="big" size="xl" centered :title="chord ? chordText(chord.symbol) : ''" no-footer>
      <div class="big-show">
        <ShapeCard
          v-if="picked"
          size="lesson"
          :frets="picked.frets"
          :fingers="picked.fingers"
          :degrees="picked.degrees"
          :notes="picked.notes"
          :chord="chord?.symbol"
          :show="show"
          :left-handed="instrument.leftHanded"
        />
      </div>
    </BModal>
  </div>
</template>

<style>
.shapes {
  display: grid;
  grid-template-columns: 238px minmax(0, 1fr) 470px;
  gap: 8px;
}
.shapes > * {
  min-height: 0;
}
.ask {
  display: flex;
  flex-direction: column;
  gap: 9px;
}
.chord-box {
  font-size: 34px;
  width: 100%;
  border: 2px solid var(--crown);
  border-radius: 3px;
  padding: 6px 12px 2px;
  background: var(--sheet);
  color: var(--ink);
}
.tones {
  display: flex;
  gap: 6px;
}
.tones li {
  flex: 1;
  background: var(--inset);
  text-align: center;
  padding: 4px 2px;
  font-size: 15.5px;
  line-height: 1.15;
  display: flex;
  flex-direction: column;
}
.tones small {
  font-size: 12.5px;
  color: var(--ink2);
}
.strings {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  border: 1px solid var(--line-strong);
}
.strings button {
  background: var(--sheet);
  border: 0;
  border-left: 1px solid var(--line-strong);
  color: var(--ink);
  font-size: 14px;
  padding: 6px 0 3px;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  line-height: 1.1;
  min-height: 62px;
}
.strings button:first-child {
  border-left: 0;
}
.strings .line {
  height: 24px;
  background: var(--string);
}
.strings .leave .line {
  background: none;
  border-left: 2px dotted var(--string);
}
.strings .must {
  background: var(--wash-crown);
}
.strings small {
  font-size: 12px;
  color: var(--ink2);
}
.wedge {
  position: relative;
}
.wedge input {
  width: 100%;
  accent-color: var(--crown);
}
.list {
  display: flex;
  flex-direction: column;
  padding-bottom: 0;
}
.cards {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  align-content: start;
  flex: 1;
  min-height: 0;
  margin-top: 8px;
  border-top: 1px solid var(--line);
}
.cards li {
  border-bottom: 1px solid var(--line);
  border-right: 1px solid var(--line);
  min-height: 196px;
}
.cards li:nth-child(3n) {
  border-right: 0;
}
.cards button {
  width: 100%;
  height: 100%;
  background: none;
  border: 3px solid transparent;
  border-radius: 3px;
  color: var(--ink);
  text-align: left;
  padding: 6px 8px;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.cards .shape-card {
  align-self: center;
}
.cards button.on {
  background: var(--wash-crown);
  border-color: var(--crown);
}
.cards button:focus-visible {
  outline-offset: -3px;
}
.card-head {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.card-head b {
  font-size: 20px;
  line-height: 1;
}
.card-head .band {
  margin-left: auto;
  font-size: 12.5px;
  color: var(--ink2);
}
.cards .more {
  padding: 14px;
}
.cards .more button {
  height: auto;
  width: auto;
  min-height: 32px;
  border: 1px solid var(--line-strong);
}
.one {
  display: flex;
  flex-direction: column;
  gap: 9px;
}
.one-top {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 18px;
}
.huge {
  font-size: 46px;
}
.grade b {
  font-size: 46px;
  line-height: 1;
}
.grade {
  display: flex;
  align-items: flex-end;
  gap: 10px;
  margin: 6px 0 2px;
}
.overlimit {
  color: var(--breast);
}
.parts {
  font-size: 14px;
  width: 100%;
}
.parts th {
  padding: 1px 8px 1px 6px;
  font-weight: 700;
  text-align: left;
  vertical-align: top;
}
.parts td {
  padding: 1px 0;
  vertical-align: top;
}
.parts td.num {
  text-align: right;
}
.parts .sum td,
.parts .sum th {
  border-top: 1px solid var(--line);
  padding-top: 3px;
}
.one .acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.ledger {
  font-size: 14px;
  columns: 2;
}
.change {
  border-top: 2px solid var(--ink);
  padding-top: 8px;
}
.stand-ins li {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 4px 0;
  font-size: 14px;
}
.big-show {
  display: grid;
  place-items: center;
  padding: 12px;
}
.big-show .shape-card {
  height: 60vh;
  width: auto;
}
@media (max-width: 1199px) {
  .shapes {
    grid-template-columns: 220px minmax(0, 1fr);
    overflow-y: auto;
  }
  .one {
    grid-column: 1 / 3;
  }
  .cards {
    max-height: 440px;
  }
}
@media (max-width: 820px) {
  .shapes {
    grid-template-columns: minmax(0, 1fr);
  }
  .one {
    grid-column: 1;
  }
}
</style>
