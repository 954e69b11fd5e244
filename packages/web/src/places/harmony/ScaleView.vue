<script setup lang="ts">
/** A scale on the neck: laid in many ways, with fingers, the chords that live in it, and what its notes do over each of them. */
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import { chordsIn, noteOver } from '@finch/core/harmony';
import { gripLimit } from '@finch/core/hands';
import { stagePace } from '@finch/core/pace';
import {
  inGroups,
  type BoardNote,
  type BoardShow,
  type StretchSchool,
  type WholeSteps,
} from '@finch/core/scales';
import { noteText, parentOf, parseChord, parseScale, pitchClassOf, scaleKinds } from '@finch/core/theory';
import { computed, ref, watch } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import ScaleBoard from '../../instruments/ScaleBoard.vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import PaperSheet from '../../paper/PaperSheet.vue';
import type { PaperJob } from '../../paper/paper-files';
import { chordText, nameChord, sayProblem } from '../../words';
import { modeText, notesWords, noteWord } from '../../words/harmony-words';
import { laidOn, lineTempo, refusalOf, tonesOf, WAYS, type Way } from './use-scale-view';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { scale: read, scaleName, scaleUnread, taught, heard, more, address } = props.bench;
const { instrument, drilling, limit } = taught;
const SHOWS: readonly { id: BoardShow; name: string }[] = [
  { id: 'degrees', name: 'Intervals' },
  { id: 'notes', name: 'Notes' },
  { id: 'fingers', name: 'Fingers' },
];
const scale = computed(() => (read.value.ok ? read.value.value : null));
const way = ref<Way>(WAYS.find((one) => one.id === address.text('way'))?.id ?? 'forms');
const position = ref(Number(address.text('pos', '3')) || 0);
const string = ref(Number(address.text('string', '1')) || 1);
const show = ref<BoardShow>('degrees');
const stretch = ref<StretchSchool>('index back');
const wholeSteps = ref<WholeSteps>('1 2 4');
const over = ref(address.text('over'));
const arpeggio = ref(address.text('arp') === '1');
const drone = ref(false);
const groups = ref<0 | 3 | 4>(0);
watch(
  () => ({
    way: way.value === 'forms' ? '' : way.value,
    pos: position.value === 3 ? '' : String(position.value),
    string: string.value === 1 ? '' : String(string.value),
    over: over.value,
    arp: arpeggio.value ? '1' : '',
  }),
  (now) => (more.value = now),
);
const tonic = computed({
  get: () => (scale.value ? noteText(scale.value.tonic) : 'C'),
  set: (to) => retake(to, scale.value?.kind ?? 'major'),
});
const kind = computed({ get: () => scale.value?.kind ?? 'major', set: (to) => retake(tonic.value, to) });
/** Another tonic or kind; the twin where the key would need more than seven signs. */
function retake(to: string, of: string) {
  const read = parseScale(`${to} ${of}`);
  scaleName.value = read.ok ? read.value.name : read.problem.detail;
}
const TONICS = 'C C# Db D D# Eb E F F# Gb G G# Ab A A# Bb B Cb'.split(' ');
const chords = computed(() => (scale.value ? chordsIn(scale.value) : []));
const overChord = computed(() => {
  const made = over.value ? parseChord(over.value) : null;
  return made?.ok ? made.value : null;
});
const asked = computed(() => ({
  way: way.value,
  position: position.value,
  string: string.value,
  stretch: stretch.value,
  wholeSteps: wholeSteps.value,
}));
const tones = computed(() =>
  scale.value ? tonesOf(scale.value, arpeggio.value ? overChord.value : null) : null,
);
const refused = computed(() => (tones.value ? refusalOf(tones.value, way.value, instrument.value) : null));
/** Over a chord its tones are filled, colours outlined, care underlined; the labels count from its root. */
const dressed = (notes: readonly BoardNote[]): BoardNote[] => {
  const chord = overChord.value;
  if (!chord || arpeggio.value) return [...notes];
  return notes.map((one) => {
    const { degree, does } = noteOver(one.note, chord);
    const look = does === 'rest' ? 'filled' : does === 'care' ? 'care' : 'outlined';
    return { ...one, label: degree, look, root: pitchClassOf(one.note) === pitchClassOf(chord.root) };
  });
};
const laid = computed(() =>
  tones.value
    ? laidOn(tones.value, asked.value, instrument.value).map((one) => ({ ...one, notes: dressed(one.notes) }))
    : [],
);
const hand = computed(() => ({
  hand: drilling.value.hand,
  instrument: instrument.value,
  limit: gripLimit(drilling.value),
  pace: drilling.value.pace ?? stagePace(null),
}));
const cost = (line: (typeof laid.value)[number]['line']) => {
  if (line.length === 0) return '';
  const { points, bpm } = lineTempo(line, hand.value);
  if (!Number.isFinite(points)) return 'a stretch this hand has not';
  return bpm === null
    ? `effort ${Math.round(points)}, over this hand’s limit ${limit.value ?? ''}`
    : `effort ${Math.round(points)}; goes at about ${bpm}, two notes a beat`;
};
const hear = (line: (typeof laid.value)[number]['line']) => {
  const { bpm } = lineTempo(line, hand.value);
  const rate = Math.min(6, ((bpm ?? 60) * 2) / 60);
  const straight = [...line, ...line.slice(0, -1).reverse()];
  const up = groups.value ? inGroups(line, groups.value).flat() : straight;
  void heard.line(up, rate, drone.value && scale.value ? pitchClassOf(scale.value.tonic) : null);
};
const parent = computed(() => (scale.value ? parentOf(scale.value.tonic, scale.value.kind) : null));
/** The scale and its relatives, by degree of their parent. */
const relatives = computed(() => {
  const own = parent.value;
  if (!own) return [];
  const home = parseScale(`${noteText(own.tonic)} ${own.kind}`);
  if (!home.ok) return [];
  return home.value.notes.map((tonic, i) => ({
    tonic,
    kind: own.modes[i],
    name: `${noteText(tonic)} ${own.modes[i]}`,
  }));
});
const over3 = computed(() => {
  const chord = overChord.value;
  if (!chord || !scale.value) return [];
  return scale.value.notes.map((note) => noteOver(note, chord));
});
const several = computed(() => laid.value.length > 1);
const printing = ref(false);
const job = computed<PaperJob | null>(() =>
  printing.value && scale.value
    ? {
        layout: 'necks',
        title: `${chordText(noteText(scale.value.tonic))} ${scale.value.kind}`,
        foot: `${taught.whose.value}. Slowly first; pain means stop.`,
        show: show.value,
        leftHanded: instrument.value.leftHanded,
        instrument: instrument.value,
        necks: laid.value.map(({ name, under, notes }) => ({ name, under, notes })),
      }
    : null,
);
</script>

<template>
  <div class="scale-view">
    <div class="ask">
      <BFormSelect
        v-model="tonic"
        class="narrow"
        aria-label="Tonic of the scale"
        :options="TONICS.map((one) => ({ value: one, text: chordText(one) }))"
      />
      <BFormSelect
        v-model="kind"
        class="kind"
        aria-label="Scale"
        :options="scaleKinds.map((one) => ({ value: one, text: modeText(one) }))"
      />
      <BFormSelect
        v-model="way"
        class="kind"
        aria-label="How it is laid"
        :options="WAYS.map((one) => ({ value: one.id, text: one.name }))"
      />
      <label
        v-if="way === 'position' || way === 'three' || way === 'two' || way === 'arpeggios'"
        class="small"
        >{{ way === 'position' || way === 'arpeggios' ? 'Position' : 'From fret' }}
        <input
          v-model.number="position"
          class="form-control number"
          type="number"
          min="0"
          :max="instrument.frets - instrument.capo - 3"
      /></label>
      <label v-if="way === 'string'" class="small"
        >String
        <input
          v-model.number="string"
          class="form-control number"
          type="number"
          min="1"
          :max="instrument.openPitches.length"
      /></label>
      <BFormSelect
        v-if="way === 'position' || way === 'forms'"
        v-model="stretch"
        class="kind"
        aria-label="How a stretch is taken"
        :options="[
          { value: 'index back', text: 'index goes back' },
          { value: 'little finger up', text: 'little finger goes up' },
        ]"
      />
      <BFormSelect
        v-if="way === 'three'"
        v-model="wholeSteps"
        class="narrow"
        aria-label="Fingers of two whole steps"
        :options="['1 2 4', '1 3 4']"
      />
      <SegmentPick v-model="show" label="What stands in the notes" :options="SHOWS" />
      <label class="small tick"><input v-model="drone" type="checkbox" /> Drone</label>
      <BFormSelect
        v-model="groups"
        class="groups"
        aria-label="How it is heard"
        :options="[
          { value: 0, text: 'heard up and down' },
          { value: 3, text: 'in groups of 3' },
          { value: 4, text: 'in groups of 4' },
        ]"
      />
      <BButton variant="outline-secondary" :disabled="!laid.length" @click="printing = true">Print…</BButton>
    </div>
    <p v-if="scaleUnread" class="refusal" role="alert">{{ sayProblem(scaleUnread) }}</p>
    <template v-if="scale">
      <p class="facts">
        <b>{{ chordText(noteText(scale.tonic)) }} {{ modeText(scale.kind).toLowerCase() }}</b
        >: {{ notesWords(scale.notes) }}.
        <template v-if="parent && parent.degree > 1"
          >Degree {{ parent.degree }} of {{ chordText(noteText(parent.tonic)) }} {{ parent.kind }}.</template
        >
      </p>
      <p v-if="relatives.length" class="small relatives">
        Same notes from each degree:
        <button
          v-for="one in relatives"
          :key="one.name"
          type="button"
          class="btn btn-link"
          :aria-pressed="one.kind === scale.kind"
          @click="scaleName = one.name"
        >
          {{ noteWord(one.tonic) }} {{ modeText(one.kind).toLowerCase() }}
        </button>
      </p>
      <div class="over">
        <label class="small" for="over-chord">Over a chord</label>
        <BFormSelect
          id="over-chord"
          v-model="over"
          class="kind"
          :options="[
            { value: '', text: 'none: from the tonic' },
            ...chords.flatMap((one) =>
              one.chords.map((chord) => ({ value: chord.symbol, text: nameChord(chord.symbol) })),
            ),
          ]"
        />
        <label v-if="overChord" class="small tick"
          ><input v-model="arpeggio" type="checkbox" /> only its tones, as an arpeggio</label
        >
        <ul v-if="overChord && !arpeggio" class="small notes-over">
          <li v-for="one in over3" :key="noteWord(one.note)" :class="one.does">
            {{ noteWord(one.note) }} {{ chordText(one.degree) }} {{ one.does }}
          </li>
        </ul>
      </div>
      <p v-if="refused" class="empty">{{ refused }}</p>
      <div class="boards" :class="{ several }">
        <figure v-for="one in laid" :key="one.name">
          <figcaption class="spread">
            <span
              ><b>{{ chordText(one.name) }}</b> <span class="small">{{ one.under }}</span></span
            >
            <span class="small hear">
              {{ cost(one.line) }}
              <BButton v-if="one.line.length" size="sm" variant="outline-secondary" @click="hear(one.line)">{{
                heard.playing.value ? 'Stop' : 'Hear it'
              }}</BButton>
            </span>
          </figcaption>
          <div class="board-scroll">
            <ScaleBoard
              :notes="one.notes"
              :rings="one.rings"
              :name="one.name"
              :show="show"
              :instrument="instrument"
              :width="several ? 620 : 900"
            />
          </div>
        </figure>
      </div>
      <div>
        <h3>Chords that live in it</h3>
        <dl class="lives small">
          <template v-for="one in chords" :key="noteWord(one.root)">
            <dt>{{ noteWord(one.root) }}</dt>
            <dd>
              <button
                v-for="chord in one.chords"
                :key="chord.symbol"
                type="button"
                class="btn btn-link"
                :aria-pressed="over === chord.symbol"
                @click="over = over === chord.symbol ? '' : chord.symbol"
              >
                {{ nameChord(chord.symbol) }}
              </button>
              <template v-if="one.chords.length === 0">none</template>
            </dd>
          </template>
        </dl>
      </div>
    </template>
    <HouseDialog v-model="printing" size="lg" title="The scale on paper">
      <PaperSheet :job="job"
        ><p class="note">As it is laid now, as many necks to a page as it holds.</p></PaperSheet
      >
    </HouseDialog>
  </div>
</template>

<style scoped>
.scale-view {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.ask,
.over,
.ask label,
.hear {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
.narrow {
  width: 84px;
}
.kind {
  width: 172px;
}
.groups {
  width: 166px;
}
.number {
  width: 68px;
}
.tick {
  display: flex;
  gap: var(--space-1);
  align-items: center;
  min-height: 32px;
}
.notes-over {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-3);
  color: var(--ink);
}
.notes-over .rest {
  font-weight: 700;
}
.notes-over .care {
  border-bottom: 2px dotted var(--breast);
}
.boards {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4) var(--space-5);
}
@media (min-width: 1200px) {
  .boards.several {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
figure {
  margin: 0;
}
.board-scroll {
  overflow-x: auto;
}
.board-scroll :deep(.scale-board) {
  min-width: 520px;
}
.lives {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  gap: 0 var(--space-3);
  color: var(--ink);
}
.relatives .btn {
  min-height: 24px;
  padding: 0;
  margin-right: var(--space-3);
}
.relatives [aria-pressed='true'] {
  font-weight: 700;
  color: var(--ink);
}
.lives .btn {
  min-height: 24px;
  padding: 0;
  margin-right: var(--space-3);
}
.lives [aria-pressed='true'] {
  font-weight: 700;
  color: var(--ink);
}
@media (pointer: coarse) {
  .scale-view :is(select, input.number, .tick, .lives .btn, .relatives .btn, .hear .btn) {
    min-height: 44px;
  }
}
</style>
