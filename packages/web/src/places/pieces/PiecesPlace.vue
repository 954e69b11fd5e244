<script setup lang="ts">
/** The studio's repertoire: a piece as its chart, what it asks of a student, who of a group plays which part. */
import type { PieceContent } from '@finch/contract';
import { fretsText, type Frets } from '@finch/core/grips';
import { playedBars, type KeyOffer, type PartKind } from '@finch/core/score';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { BButton, BModal } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import IconHear from '~icons/bi/volume-up';
import IconPrint from '~icons/bi/printer';
import { useKeys } from '../../app/keys';
import { chordText } from '../../words';
import PaperSheet from '../../paper/PaperSheet.vue';
import type { PaperJob } from '../../paper/paper-files';
import { useBench } from '../../session/bench';
import { useDrafts } from '../../session/drafts';
import { blockOf, useHandOut } from '../../session/hand-out';
import { useSyllabus } from '../../session/queries';
import { useTaught } from '../../session/taught';
import { usePiecePlayer } from '../../workers/piece-player';
import { chartJob } from './chart-job';
import ChartEditor from './ChartEditor.vue';
import ChartSheet from './ChartSheet.vue';
import ConcertDialog from './ConcertDialog.vue';
import FilesDialog from './FilesDialog.vue';
import { changesQuery, sectionDrill, weakestLoop } from './hand-on';
import { heldChords } from './held-chords';
import KeyDialog from './KeyDialog.vue';
import { NEW_CHART } from './listed';
import { needsOf } from './needs';
import PartsTable from './PartsTable.vue';
import { PART_NAMES } from './part-words';
import { pickBar, stretchOf } from './picked';
import PieceSide from './PieceSide.vue';
import ReadyTable from './ReadyTable.vue';
import { useRepertoire } from './repertoire';
import RuleDialog from './RuleDialog.vue';
import { useDemand } from './use-demand';
import { useGroup } from './use-group';
import { useKeeping } from './use-keeping';

const props = defineProps<{ pieceId?: string }>();
const router = useRouter();
const bench = useBench();
const player = usePiecePlayer();
const { query, pieces, today, ...store } = useRepertoire();
const { student, drilling, limit } = useTaught(() => bench.studentId);
const { data: syllabus } = useSyllabus();

const at = computed(() =>
  Math.max(
    0,
    pieces.value.findIndex((one) => one.body.id === props.pieceId),
  ),
);
const shown = computed(() => pieces.value[at.value] ?? null);
const open = (id: string) => void router.replace({ name: 'pieces', params: { pieceId: id } });
const walk = (by: number) => {
  const next = pieces.value[at.value + by];
  if (next) open(next.body.id);
};
const { piece, options, demand, parts, failed } = useDemand(shown, drilling, limit);
const { group, members, names, assignment, assigning, readiness } = useGroup(student, shown);
const keeping = useKeeping(shown, store);
const { busy, trouble, said, undo } = keeping;

/** Which part the chart shows. */
const part = ref<PartKind>('full');
const partShown = computed(() => parts.value.find((one) => one.kind === part.value) ?? null);
const asPart = computed(() => {
  if (!piece.value) return null;
  return part.value === 'capo' && partShown.value
    ? { ...piece.value, capo: partShown.value.capo }
    : piece.value;
});
const efforts = computed(() => {
  const found = new Map<number, number>();
  if (part.value !== 'full') return found;
  for (const one of demand.value?.chords ?? []) {
    const effort = one.step.grip?.effort.total;
    if (effort !== undefined) found.set(one.number, Math.max(found.get(one.number) ?? 0, effort));
  }
  return found;
});
const weak = computed(() => {
  const now = demand.value;
  if (!now || now.weakest === null) return [];
  const change = now.changes[now.weakest];
  return [now.chords[change.from].number, now.chords[change.to].number];
});
const needs = computed(() =>
  demand.value
    ? needsOf(demand.value, drilling.value.instrument, student.value?.skills ?? [], syllabus.value)
    : [],
);
const held = computed(() => heldChords(student.value?.skills ?? [], syllabus.value));

const concert = computed(() => {
  const set = shown.value?.body.concert;
  return set ? { ...set, days: differenceInCalendarDays(parseISO(set.day), parseISO(today.value)) } : null;
});
const day = (iso: string) => parseISO(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
const ready = computed(() =>
  readiness(concert.value?.days ?? 0, new Set(needs.value.map((need) => need.id))),
);

/** Bars picked on the chart, for a loop. */
const picked = ref<readonly number[]>([]);
watch(piece, () => (picked.value = []));
const pick = (bar: number) => (picked.value = pickBar(picked.value, bar));
/** By written chord, of the part shown; null where nothing is gripped. */
const gripsShown = computed<readonly (Frets | null)[]>(() =>
  part.value !== 'full' && partShown.value
    ? partShown.value.grips
    : (demand.value?.chords.map((one) => one.step.grip?.frets ?? null) ?? []),
);
const slow = ref(100);
async function hear() {
  if (player.playing.value) return player.stop();
  const now = asPart.value;
  const stretch = now && stretchOf(playedBars(now), picked.value, false);
  if (!now || !stretch) return;
  const capo = part.value === 'two notes' ? 0 : now.capo;
  await player.play(
    now,
    {
      grips: gripsShown.value,
      instrument: { ...drilling.value.instrument, capo },
      fromBar: stretch.from,
      toBar: stretch.to,
      tempoShare: slow.value / 100,
    },
    picked.value.length > 0,
  );
}
watch([asPart, part], () => player.stop());

// What is asked for in dialogs of its own.
const drafts = useDrafts();
const editing = ref(false);
/** What the editor begins with; null edits the piece shown. */
const begun = ref<string | null>(null);
const ruling = ref(false);
const filing = ref(false);
const keying = ref(false);
const staging = ref(false);
const printing = ref(false);
const edit = (chart: string | null) => {
  begun.value = chart;
  trouble.value = '';
  editing.value = true;
};
async function keepChart(chart: string) {
  if (begun.value === null && shown.value) {
    if (await keeping.keepChart(chart)) editing.value = false;
    return;
  }
  const id = await keeping.keepNew(chart);
  if (id === null) return;
  drafts.drop('chart:new');
  editing.value = false;
  open(id);
}
async function keepImported(chart: string, grips: readonly Frets[]) {
  const id = await keeping.keepNew(chart, grips);
  if (id === null) return;
  filing.value = false;
  open(id);
}
async function keepRuled(chart: string) {
  const id = await keeping.keepNew(chart);
  if (id === null) return;
  ruling.value = false;
  open(id);
}
const editRuled = (chart: string) => {
  ruling.value = false;
  edit(chart);
};
const take = (offer: KeyOffer) => {
  keying.value = false;
  return keeping.takeKey(offer);
};
async function bringBack() {
  const id = await keeping.bringBack();
  if (id !== null) open(id);
}
async function setConcert(set: PieceContent['concert']) {
  if (await keeping.change({ concert: set }, set ? `${set.name} is set.` : 'No concert is set.'))
    staging.value = false;
}
const give = (studentId: string, kind: PartKind | null) => {
  const given = { ...shown.value?.body.parts };
  if (kind) given[studentId] = kind;
  else delete given[studentId];
  return keeping.change(
    { parts: given },
    kind
      ? `${names.value[studentId]?.name.split(' ')[0]} plays ${PART_NAMES[kind].toLowerCase()}.`
      : 'Parts are solved anew.',
  );
};
const job = computed<PaperJob | null>(() => {
  const now = asPart.value;
  if (!printing.value || !now || !demand.value) return null;
  const who = student.value?.name.split(' ')[0] ?? 'a middle hand';
  return chartJob(now, {
    grips: part.value === 'full' ? demand.value.chords.map((one) => one.step.grip) : [],
    leftHanded: drilling.value.instrument.leftHanded,
    foot: part.value === 'full' ? `Grips for ${who}` : PART_NAMES[part.value],
  });
});
const onPaper = () => {
  filing.value = false;
  printing.value = true;
};

// Where it goes from here.
function toDrill() {
  const recipe =
    asPart.value && sectionDrill(asPart.value, shown.value?.body.id ?? '', picked.value, gripsShown.value);
  if (recipe) void router.push({ name: 'drills', query: { recipe: JSON.stringify(recipe) } });
}
function toChanges(numbers: readonly number[] = picked.value) {
  if (piece.value) void router.push({ name: 'changes', query: changesQuery(piece.value, numbers) });
}
const loopWeak = () => {
  picked.value = [...weak.value];
  toChanges(weak.value);
};
function openShape(chord: number) {
  const step = demand.value?.chords[chord].step;
  if (!step?.grip) return;
  void router.push({
    name: 'shapes',
    query: { chord: step.chord.symbol, frets: fretsText(step.grip.frets) },
  });
}
const handOut = useHandOut();
const put = () => {
  const recipe = demand.value && weakestLoop(demand.value);
  if (recipe) void handOut.put(blockOf(recipe, drilling.value));
};
function otherStudent() {
  const all = members.value;
  const now = all.findIndex((one) => one.id === bench.studentId);
  const next = all[(now + 1) % Math.max(1, all.length)];
  if (next) bench.put(next.id, null);
}
const keyName = computed(() =>
  piece.value ? chordText(piece.value.key.replace(' major', '').replace(' minor', 'm')) : '',
);
const barCount = computed(() => piece.value?.sections.reduce((sum, one) => sum + one.bars.length, 0) ?? 0);
useKeys([
  { key: 'j', shown: 'J K', does: 'next piece', run: () => walk(1) },
  { key: 'k', does: 'piece before', run: () => walk(-1), quiet: true },
  ...(['full', 'capo', 'two notes'] as const).map((kind, i) => ({
    key: String(i + 1),
    ...(i === 0 ? { shown: '1–3' } : {}),
    does: 'part',
    run: () => (part.value = kind),
    quiet: i > 0,
  })),
  { key: 'c', does: 'capo and key', run: () => (keying.value = true) },
  { key: 'h', does: 'hear', run: () => void hear() },
  { key: 'Enter', does: 'open bars in Changes', run: () => toChanges() },
  { key: 'd', does: 'drill bars', run: toDrill },
  { key: 'g', does: 'other student', run: otherStudent },
  { key: 'Shift+p', shown: 'Shift P', does: 'put in plan', run: () => void put() },
]);
</script>

<template>
  <div class="pieces">
    <header class="piece-strip">
      <template v-if="piece">
        <div class="title-line">
          <h1 class="display">{{ piece.title }}</h1>
          <span class="note facts"
            >{{ keyName }} · {{ piece.time.beats }}/{{ piece.time.unit }} · <b>{{ piece.tempoBpm }} bpm</b> ·
            {{ barCount }} bars{{ piece.by ? ` · ${piece.by}` : '' }}</span
          >
        </div>
      </template>
      <span v-else />
      <div class="acts">
        <label class="small slow"
          >{{ slow }} %<input
            v-model.number="slow"
            type="range"
            min="40"
            max="120"
            step="5"
            aria-label="Tempo heard, percent"
        /></label>
        <BButton variant="outline-secondary" :disabled="!demand" @click="hear"
          ><IconHear aria-hidden="true" />
          {{ player.playing.value ? 'Stop' : picked.length ? 'Hear bars' : 'Hear it' }}</BButton
        >
        <BButton variant="outline-secondary" :disabled="!piece" @click="edit(null)">Edit</BButton>
        <BButton variant="outline-secondary" :disabled="!piece" @click="keying = true">Re-key</BButton>
        <BButton variant="outline-secondary" @click="filing = true">Files</BButton>
        <BButton variant="outline-secondary" :disabled="!piece" @click="printing = true"
          ><IconPrint aria-hidden="true" /> Print</BButton
        >
        <BButton variant="outline-secondary" :disabled="!demand" @click="toDrill">{{
          picked.length ? 'Drill bars' : 'Drill it'
        }}</BButton>
        <BButton class="pri" variant="dark" :disabled="!piece" @click="toChanges()">{{
          picked.length ? 'Bars to Changes' : 'Send to Changes'
        }}</BButton>
      </div>
    </header>
    <nav class="sheet scroll repertoire" aria-label="Repertoire" tabindex="0">
      <div class="spread">
        <h2>Repertoire</h2>
        <span class="small">{{ pieces.length }}</span>
      </div>
      <ul>
        <li v-for="(one, i) in pieces" :key="one.body.id">
          <button type="button" :aria-current="i === at ? 'true' : undefined" @click="open(one.body.id)">
            <b class="display">{{ one.piece.title }}</b>
            <small
              >{{ chordText(one.piece.key.replace(' major', '').replace(' minor', 'm')) }} ·
              {{ one.piece.tempoBpm
              }}<template v-if="one.body.concert">
                · <b>{{ day(one.body.concert.day) }}</b></template
              ></small
            >
          </button>
        </li>
      </ul>
      <BButton variant="outline-secondary" size="sm" @click="edit(NEW_CHART)">Type a chart</BButton>
      <BButton variant="outline-secondary" size="sm" @click="ruling = true">Make one by rule</BButton>
      <p v-if="said" class="note" role="status">
        {{ said }}
        <BButton v-if="undo" size="sm" variant="link" @click="bringBack">Undo</BButton>
      </p>
      <p v-if="trouble && !editing" class="refusal" role="alert">{{ trouble }}</p>
    </nav>
    <section class="sheet scroll middle" aria-label="The chart" tabindex="0">
      <p v-if="query.isPending.value" class="note" role="status">Fetching the repertoire…</p>
      <p v-else-if="query.isError.value" class="refusal" role="alert">
        The repertoire did not come: the server did not answer.
        <BButton size="sm" variant="outline-secondary" @click="query.refetch()">Try again</BButton>
      </p>
      <p v-else-if="!piece" class="empty">
        No pieces yet. Type a chart: a title, and bars like | C | Am | F | G |.
      </p>
      <template v-if="asPart">
        <div class="spread part-line">
          <div class="segments" role="group" aria-label="Part">
            <button
              v-for="one in parts.length ? parts : [{ kind: 'full' as PartKind, capo: 0 }]"
              :key="one.kind"
              type="button"
              :aria-pressed="part === one.kind"
              @click="part = one.kind"
            >
              {{ PART_NAMES[one.kind] }}{{ one.kind === 'capo' ? ` ${one.capo}` : '' }}
            </button>
          </div>
          <span class="small"
            >{{ asPart.capo ? `small names: capo ${asPart.capo}; ` : ''
            }}{{
              part === 'full'
                ? `heaviest grip of the bar${student ? `, ${student.name.split(' ')[0]}` : ''}`
                : partShown
                  ? `heaviest grip ${Math.round(partShown.heaviest)}${partShown.tempoShare === null ? '' : `, clean at ${Math.round(partShown.tempoShare * asPart.tempoBpm)} bpm`}`
                  : ''
            }}{{ picked.length ? '' : '; pick bars to loop them' }}</span
          >
        </div>
        <ChartSheet
          :piece="asPart"
          :efforts="efforts"
          :limit="limit"
          :picked="picked"
          :sounding="player.soundingBar.value"
          :weak="part === 'full' ? weak : []"
          @pick="pick"
        />
        <PartsTable
          v-if="members.length"
          :assignment="assignment"
          :names="names"
          :locked="shown?.body.parts ?? {}"
          :group="group ?? student?.name.split(' ')[0] ?? ''"
          :busy="assigning"
          @give="give"
        />
      </template>
    </section>
    <aside class="sheet scroll side" aria-label="What it asks" tabindex="0">
      <div class="spread">
        <h2>What it asks of</h2>
        <BButton v-if="members.length > 1" size="sm" variant="outline-secondary" @click="otherStudent"
          >{{ student?.name.split(' ')[0] }} ⇄</BButton
        >
        <b v-else>{{ student?.name.split(' ')[0] ?? 'a middle hand' }}</b>
      </div>
      <p v-if="failed" class="refusal" role="alert">This piece could not be worked out in this window.</p>
      <p v-else-if="piece && !demand" class="note" role="status">Finding its grips…</p>
      <PieceSide
        v-else-if="demand && piece"
        :demand="demand"
        :tempo-bpm="piece.tempoBpm"
        :limit="limit"
        :needs="needs"
        :left-handed="drilling.instrument.leftHanded"
        :who="student?.name ?? ''"
        @loop="loopWeak"
        @shape="openShape"
      />
      <template v-if="piece">
        <div class="spread concert">
          <h3>{{ concert ? concert.name : 'No concert set' }}</h3>
          <b v-if="concert">{{
            concert.days < 0 ? 'is over' : concert.days === 0 ? 'today' : `in ${concert.days} days`
          }}</b>
          <BButton size="sm" variant="link" @click="staging = true">{{
            concert ? 'Change' : 'Set one'
          }}</BButton>
        </div>
        <ReadyTable
          v-if="ready.length"
          :lines="ready"
          :tempo-bpm="piece.tempoBpm"
          :days="concert?.days ?? 0"
        />
        <BButton size="sm" variant="link" @click="keeping.takeAway">Take this piece away</BButton>
      </template>
      <p class="small">A barre is pressed, checked and released; pain means stop.</p>
    </aside>
    <ChartEditor
      v-model="editing"
      :start="begun ?? shown?.body.chart ?? NEW_CHART"
      :busy="busy"
      :trouble="trouble"
      :is-new="begun !== null"
      :draft-key="begun === null ? `chart:${shown?.body.id ?? ''}` : 'chart:new'"
      @keep="keepChart"
    />
    <BModal v-model="printing" size="lg" centered title="On paper" no-footer>
      <PaperSheet :job="job"
        ><p class="note">
          The chart with its strokes{{ part === 'full' ? ' and the grips of this hand' : '' }}.
        </p></PaperSheet
      >
    </BModal>
    <RuleDialog
      v-model="ruling"
      :held="held"
      :who="student?.name.split(' ')[0] ?? 'the student'"
      :busy="busy"
      :trouble="ruling ? trouble : ''"
      @keep="keepRuled"
      @edit="editRuled"
    />
    <FilesDialog
      v-model="filing"
      :piece="piece"
      :demand="demand"
      :instrument="drilling.instrument"
      :busy="busy"
      :trouble="filing ? trouble : ''"
      @keep="keepImported"
      @paper="onPaper"
    />
    <KeyDialog
      v-if="piece"
      v-model="keying"
      :piece="piece"
      :options="{ ...options, locked: [] }"
      :limit="limit"
      :who="student ? `${student.name.split(' ')[0]}’s` : 'a middle'"
      @take="take"
    />
    <ConcertDialog
      v-model="staging"
      :concert="shown?.body.concert ?? null"
      :busy="busy"
      :trouble="staging ? trouble : ''"
      @set="setConcert"
    />
  </div>
</template>

<style scoped>
.pieces {
  display: grid;
  grid-template-columns: 204px minmax(0, 1fr) 326px;
  grid-template-rows: 46px minmax(0, 1fr);
  gap: 8px;
  padding: 0 8px 8px;
  height: 100%;
}
.piece-strip {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 0 8px;
}
.title-line {
  min-width: 0;
}
.piece-strip h1 {
  font-size: 22px;
  line-height: 1.1;
  white-space: nowrap;
}
.facts {
  display: block;
  font-size: 13px;
  line-height: 1.2;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.acts {
  display: flex;
  gap: 10px;
  margin-left: auto;
  align-items: center;
}
.slow {
  display: flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
.slow input {
  width: 70px;
}
.repertoire button:not(.btn) {
  width: 100%;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-align: left;
  padding: 7px 6px;
}
.repertoire [aria-current='true'] {
  background: var(--wash-crown) !important;
}
.repertoire .display {
  font-size: 17px;
  display: block;
}
.repertoire small {
  font-size: 13px;
  color: var(--ink2);
}
.repertoire .btn {
  margin-top: 10px;
}
.middle {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.part-line {
  align-items: center;
}
.part-line .segments {
  white-space: nowrap;
}
.side {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.concert {
  align-items: center;
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
@media (max-width: 1199px), (max-height: 599px) {
  .pieces {
    grid-template-columns: 180px minmax(0, 1fr);
    grid-template-rows: auto;
    grid-auto-rows: max-content;
    padding: 0;
  }
  .side {
    grid-column: 1 / -1;
  }
  .piece-strip,
  .acts,
  .part-line {
    flex-wrap: wrap;
  }
  .piece-strip h1,
  .facts {
    white-space: normal;
  }
  .acts {
    margin-left: 0;
  }
}
@media (max-width: 820px) {
  .pieces {
    grid-template-columns: minmax(0, 1fr);
  }
  .repertoire ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 12px;
  }
}
@media print {
  .repertoire,
  .side,
  .acts,
  .part-line {
    display: none;
  }
  .pieces {
    display: block;
    height: auto;
  }
}
</style>
