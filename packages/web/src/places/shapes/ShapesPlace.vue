<script setup lang="ts">
import type { PaperCard } from '@finch/core/paper';
import { gradeIn } from '@finch/core/drills';
import { effortBand } from '@finch/core/effort';
import { changeMark, fretsText, gripMark, type Frets } from '@finch/core/grips';
import type { CardShow, Form, GradedGrip, OneNoteChange, StandIn } from '@finch/core/shapes';
import { BButton, BModal } from 'bootstrap-vue-next';
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import IconHear from '~icons/bi/volume-up';
import { useKeys } from '../../app/keys';
import { nameChord } from '../../words';
import BarreCaution from '../../instruments/BarreCaution.vue';
import HookTag from '../../instruments/HookTag.vue';
import ChordName from '../../instruments/ChordName.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { useBench } from '../../session/bench';
import { useSeat } from '../../session/seat';
import { useTaught } from '../../session/taught';
import { benchWork, plain } from '../../workers/bench';
import type { AlongNeck } from '../../workers/bench.worker';
import AskPanel from './AskPanel.vue';
import FingeringPick from './FingeringPick.vue';
import { useGathered } from './gathered';
import HookEditor from './HookEditor.vue';
import PaperDialog from './PaperDialog.vue';
import InHandAlong from './InHandAlong.vue';
import InHandCompare from './InHandCompare.vue';
import InHandNames from './InHandNames.vue';
import InHandOneNote from './InHandOneNote.vue';
import InHandWhy from './InHandWhy.vue';
import ShapeList from './ShapeList.vue';
import SheetCheck from './SheetCheck.vue';
import { nameOfShape } from '../../words/shape-words';
import { readAsked, readHeld, writeAsked, writeHeld } from './asked';
import FretPicker from './FretPicker.vue';
import { useShapeActions } from './use-shape-actions';
import { useShapeSearch } from './use-shape-search';

const bench = useBench();
const route = useRoute();
const router = useRouter();
const seat = useSeat();
const taught = useTaught(() => bench.studentId);
const { student, hand, instrument, limit, drilling, marks, hookOn } = taught;
const owner = computed(() =>
  student.value ? { id: student.value.id, first: student.value.name.split(' ')[0] } : null,
);
const who = computed(() => (student.value ? `${student.value.name.split(' ')[0]}’s` : 'a middle'));
const leftHanded = computed(() => instrument.value.leftHanded);
const query = (name: string, otherwise: string) => {
  const given = route.query[name];
  return typeof given === 'string' ? given : otherwise;
};
const search = useShapeSearch({
  typed: query('chord', 'C'),
  picked: query('frets', ''),
  asked: readAsked(query('ask', '')),
  hand,
  instrument,
});
const { list, pickedText, settled, typed, asked } = search;
const chord = computed(() => search.inHand.value.chord);
/** The grip in hand with the fingers this student is taught. */
const picked = computed(() => {
  const { grip } = search.inHand.value;
  if (!grip) return null;
  const graded = gradeIn(grip.frets, drilling.value);
  return graded.ok ? { ...grip, fingers: graded.value.fingering.fingers } : grip;
});
const actions = useShapeActions({ picked, chord, drilling });
const { said, change, busy } = actions;
const SHOWS: readonly { id: CardShow; name: string }[] = [
  { id: 'fingers', name: 'Fingers' },
  { id: 'degrees', name: 'Intervals' },
  { id: 'notes', name: 'Notes' },
];
const show = ref<CardShow>(SHOWS.find((one) => one.id === query('show', ''))?.id ?? 'fingers');
const big = ref(false);
const sheet = ref(false);
const neck = ref(false);
const paper = ref(false);
const gathered = useGathered();
const ask = useTemplateRef<InstanceType<typeof AskPanel>>('ask');

const effort = computed(() => {
  if (!picked.value) return null;
  const graded = gradeIn(picked.value.frets, drilling.value);
  return graded.ok ? graded.value : null;
});
const over = computed(() =>
  effort.value && limit.value !== null ? Math.round(effort.value.total) - limit.value : 0,
);
const caution = computed(
  () => picked.value?.barre && picked.value.barre.toIndex - picked.value.barre.fromIndex >= 3,
);

const TABS = [
  { id: 'why', name: 'Why' },
  { id: 'one', name: 'One note' },
  { id: 'along', name: 'Along the neck' },
  { id: 'compare', name: 'Compare' },
  { id: 'names', name: 'Names' },
] as const;
const given = query('tab', 'why');
const tab = ref(TABS.find((one) => one.id === given)?.id ?? 'why');
const standIns = shallowRef<readonly StandIn[]>([]);
const changes = shallowRef<readonly OneNoteChange[] | null>(null);
const along = shallowRef<AlongNeck | null>(null);
// What a tab shows is worked out when it is looked at, for the grip in hand.
watch(
  [picked, tab],
  async () => {
    const grip = picked.value;
    const of = chord.value;
    if (!grip || !of) return;
    const rest = [plain(of), plain(hand.value), plain(instrument.value)] as const;
    const still = () => grip === picked.value;
    if (tab.value === 'why') {
      standIns.value = [];
      const found = await benchWork().standIns(plain(grip), ...rest);
      if (still()) standIns.value = found;
    } else if (tab.value === 'one') {
      changes.value = null;
      const found = await benchWork().oneNote(plain(grip.frets), ...rest);
      if (still()) changes.value = found;
    } else if (tab.value === 'along') {
      along.value = null;
      const form: Form = grip.form ?? ({ 6: 'E', 5: 'A', 4: 'D' } as const)[grip.rootString ?? 6] ?? 'E';
      const [first, ...others] = rest;
      const found = await benchWork().along(plain(grip), first, form, ...others);
      if (still()) along.value = found;
    }
  },
  { immediate: true },
);
// The address holds the whole bench, so that a teacher can keep it or pass it on.
const holdAsked = readHeld(query('hold', ''));
if (holdAsked) {
  const { chord: of, frets } = holdAsked;
  void benchWork()
    .graded(plain(frets), plain(of), plain(hand.value), plain(instrument.value))
    .then((grip) => grip && (actions.held.value ??= { grip, chord: of }));
}
const address = computed(() => [writeAsked(asked), writeHeld(actions.held.value), show.value] as const);
watch([settled, pickedText, tab, address], ([symbol, frets, shown, [ask, holds, dots]]) => {
  void router.replace({
    query: {
      ...(chord.value ? { chord: symbol } : {}),
      ...(frets ? { frets } : {}),
      ...(shown === 'why' ? {} : { tab: shown }),
      ...(ask ? { ask } : {}),
      ...(holds ? { hold: holds } : {}),
      ...(dots === 'fingers' ? {} : { show: dots }),
    },
  });
});
/** Takes another chord's grip into the hand. */
function use(symbol: string, frets: Frets) {
  typed.value = symbol;
  pickedText.value = fretsText(frets);
}
const hook = computed(() => (picked.value ? hookOn(picked.value.frets) : null));
/** The hook hangs on the change while another grip is held, else on the grip. */
const hookSubject = computed(() => {
  const pitches = instrument.value.openPitches;
  const [from, to] = [actions.held.value?.grip, picked.value];
  if (!to) return '';
  return from && change.value ? changeMark(from.frets, to.frets, pitches) : gripMark(to.frets, pitches);
});
const hookWhat = computed(() => {
  const to = nameChord(chord.value?.symbol ?? '');
  const from = actions.held.value;
  return from && change.value ? `${nameChord(from.chord.symbol)} → ${to}` : `this ${to}`;
});
const cardFor = (grip: GradedGrip, symbol: string): PaperCard => ({
  frets: grip.frets,
  fingers: grip.fingers,
  degrees: grip.degrees.map((degree) => (degree === 'bass' ? null : degree)),
  notes: grip.notes,
  name: nameChord(symbol),
  under: `${nameOfShape(grip)}; effort ${Math.round(grip.effort.total)}${hookOn(grip.frets)?.nickname ? `; “${hookOn(grip.frets)?.nickname}”` : ''}`,
});
const paperFoot = computed(
  () =>
    `${seat.studio?.name ?? ''}${student.value ? `, for ${student.value.name}` : ''}. Light pressure; pain means stop.`,
);
function gather() {
  if (!picked.value || !chord.value) return;
  gathered.add(cardFor(picked.value, chord.value.symbol));
  said.value = `On the page: ${gathered.cards.value.length} card${gathered.cards.value.length === 1 ? '' : 's'}. Print it under Paper.`;
}
function drill() {
  if (!picked.value || !chord.value) return;
  const from = actions.held.value;
  void router.push({
    name: 'drills',
    query: {
      chord: chord.value.symbol,
      frets: fretsText(picked.value.frets),
      ...(from && change.value
        ? { family: 'change loop', from: from.chord.symbol, fromFrets: fretsText(from.grip.frets) }
        : {}),
    },
  });
}
function useStandIn(one: StandIn | undefined) {
  if (one && !one.capo) search.pickFrets(one.grip.frets);
}
useKeys([
  { key: '/', does: 'enter a chord', run: () => ask.value?.focus() },
  { key: 'ArrowRight', shown: '← →', does: 'next shape', run: () => search.step(1) },
  { key: 'ArrowLeft', does: 'previous shape', run: () => search.step(-1), quiet: true },
  {
    key: 'i',
    does: 'intervals, notes',
    run: () => (show.value = SHOWS[(SHOWS.findIndex((one) => one.id === show.value) + 1) % SHOWS.length].id),
  },
  { key: 'b', does: 'show big', run: () => (big.value = true) },
  { key: 'h', does: 'hear', run: () => void actions.hear() },
  { key: 'e', does: 'use easier', run: () => useStandIn(standIns.value.find((one) => !one.capo)) },
  { key: 'g', does: 'keep this grip beside', run: actions.hold },
  {
    key: 'o',
    does: 'one note and more',
    run: () => (tab.value = TABS[(TABS.findIndex((one) => one.id === tab.value) + 1) % TABS.length].id),
  },
  { key: 'Shift+p', shown: 'Shift P', does: 'put in plan', run: () => void actions.put() },
  ...[1, 2, 3, 4, 5, 6].map((string) => ({
    key: String(string),
    ...(string === 1 ? { shown: '1–6' } : {}),
    does: 'cycle a string',
    run: () => void ask.value?.cycle(string),
    quiet: string > 1,
  })),
]);
onMounted(() => ask.value?.focus());
</script>

<template>
  <div class="shapes">
    <PatternDefs />
    <Teleport defer to="#bench-tools">
      <div class="segments" role="group" aria-label="What the dots say">
        <button
          v-for="one in SHOWS"
          :key="one.id"
          type="button"
          :aria-pressed="show === one.id"
          @click="show = one.id"
        >
          {{ one.name }}
        </button>
      </div>
      <BButton variant="outline-secondary" :disabled="!picked" @click="big = true">Show big</BButton>
      <BButton variant="outline-secondary" :disabled="!picked" @click="paper = true">Paper…</BButton>
    </Teleport>
    <AskPanel
      ref="ask"
      :search="search"
      :string-count="instrument.openPitches.length"
      :limit="limit"
      :who="who"
      @sheet="sheet = true"
      @neck="neck = true"
    />
    <ShapeList
      class="shape-list"
      :search="search"
      :limit="limit"
      :who="who"
      :left-handed="leftHanded"
      :show="show"
      @big="big = true"
    />
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
            :left-handed="leftHanded"
          />
          <div>
            <ChordName :symbol="chord.symbol" class="huge" />
            <p class="note">{{ nameOfShape(picked) }}</p>
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
            <HookTag v-if="hook" :hook="hook" />
            <div class="acts">
              <BButton size="sm" variant="outline-secondary" @click="actions.hear()"
                ><IconHear aria-hidden="true" /> Hear it</BButton
              >
              <BButton
                size="sm"
                variant="outline-secondary"
                :aria-pressed="actions.held.value !== null"
                @click="actions.hold"
                >Keep beside</BButton
              >
              <BButton size="sm" variant="outline-secondary" @click="gather">To page</BButton>
              <BButton size="sm" variant="outline-secondary" @click="drill">Drill it</BButton>
              <BButton size="sm" variant="outline-secondary" :disabled="busy" @click="actions.home"
                >To homework</BButton
              >
              <BButton class="pri" variant="dark" :disabled="busy" @click="actions.put">{{
                change ? 'Loop in plan' : 'Put in plan'
              }}</BButton>
            </div>
          </div>
        </div>
        <FingeringPick
          :frets="picked.frets"
          :effort="effort"
          :drilling="drilling"
          :marks="marks"
          :student="owner"
          @kept="taught.refresh()"
        />
        <BarreCaution v-if="caution" />
        <p v-if="over > 0" class="caution">Over this hand’s limit: take one below.</p>
        <p v-if="said" class="note" role="status">{{ said }}</p>
        <div class="tabs" role="tablist" aria-label="About this shape">
          <button
            v-for="one in TABS"
            :id="`tab-${one.id}`"
            :key="one.id"
            type="button"
            role="tab"
            :aria-selected="tab === one.id"
            aria-controls="tab-panel"
            @click="tab = one.id"
          >
            {{ one.name }}
          </button>
        </div>
        <div id="tab-panel" role="tabpanel" :aria-labelledby="`tab-${tab}`">
          <InHandWhy
            v-if="tab === 'why'"
            :grip="picked"
            :chord="chord"
            :effort="effort"
            :limit="limit"
            :stand-ins="standIns"
            :actions="actions"
            :drilling="drilling"
            :left-handed="leftHanded"
            @use="useStandIn"
            @take="use"
          />
          <InHandOneNote
            v-else-if="tab === 'one'"
            :grip="picked"
            :changes="changes ?? []"
            :busy="changes === null"
            :left-handed="leftHanded"
            @use="use"
          />
          <InHandAlong
            v-else-if="tab === 'along'"
            :along="along"
            :chord="chord"
            :left-handed="leftHanded"
            @use="use"
          />
          <InHandCompare
            v-else-if="tab === 'compare'"
            :grip="picked"
            :chord="chord"
            :drilling="drilling"
            :actions="actions"
            :left-handed="leftHanded"
            :show="show"
          />
          <template v-else>
            <InHandNames :grip="picked" :instrument="instrument" />
            <HookEditor
              v-if="seat.teaches"
              :subject="hookSubject"
              :what="hookWhat"
              :hook="marks.hooks.find((one) => one.subject === hookSubject) ?? null"
              @kept="taught.refresh()"
            />
          </template>
        </div>
      </template>
      <p v-else class="empty">
        {{
          chord
            ? 'Nothing to show for these limits.'
            : 'Type a chord at the left: a symbol like Bbm7, a grip like x32010, or its notes.'
        }}
      </p>
    </section>
    <BModal v-model="big" size="xl" centered :title="chord ? nameChord(chord.symbol) : ''" no-footer>
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
          :left-handed="leftHanded"
        />
      </div>
    </BModal>
    <PaperDialog
      v-model="paper"
      :one="picked && chord ? cardFor(picked, chord.symbol) : null"
      :list="list.slice(0, 12).map((grip) => cardFor(grip, chord?.symbol ?? ''))"
      :gathered="gathered.cards.value"
      :show="show"
      :left-handed="leftHanded"
      :foot="paperFoot"
      @clear="gathered.clear()"
    />
    <FretPicker
      v-model="neck"
      :strings="instrument.openPitches.length"
      :open-pitches="instrument.openPitches"
      :capo="instrument.capo"
      @frets="(text) => (typed = text)"
    />
    <SheetCheck v-model="sheet" :hand="hand" :instrument="instrument" />
  </div>
</template>

<style scoped>
.shapes {
  display: grid;
  grid-template-columns: 238px minmax(0, 1fr) 470px;
  gap: 8px;
}
.shapes > * {
  min-height: 0;
}
.one {
  display: flex;
  flex-direction: column;
  gap: 9px;
}
.one-top {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 16px;
}
.one-top :deep(svg.shape-card) {
  max-height: 224px;
  width: auto;
}
.huge {
  font-size: 34px;
}
.grade b {
  font-size: 34px;
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
.one .acts {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 6px;
  margin-top: 8px;
}
.ledger {
  font-size: 14px;
  columns: 2;
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
@media (max-width: 1199px), (max-height: 599px) {
  .shapes {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-auto-rows: max-content;
  }
  /* First the chord and the grip in hand, then the cards. */
  .one {
    order: 1;
  }
  .shape-list {
    order: 2;
    grid-column: 1 / -1;
  }
}
@media (max-width: 600px) {
  .one-top {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 820px) {
  .shapes {
    grid-template-columns: minmax(0, 1fr);
  }
  .ledger {
    columns: 1;
  }
}
.tabs {
  display: flex;
  border-bottom: 2px solid var(--line-strong);
  margin-top: 2px;
}
.tabs button {
  background: none;
  border: 0;
  border-bottom: 3px solid transparent;
  margin-bottom: -2px;
  color: var(--ink2);
  font-size: 14px;
  font-weight: 600;
  padding: 7px 10px 5px;
}
.tabs [aria-selected='true'] {
  color: var(--ink);
  border-bottom-color: var(--crown);
}
</style>
