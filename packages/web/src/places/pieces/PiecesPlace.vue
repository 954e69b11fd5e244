<script setup lang="ts">
/** The studio's repertoire: a piece as its chart, what it asks of a student, who of a group plays which part. */
import { routes, type PieceBody, type PieceContent } from '@finch/contract';
import { paceOf, type PathOptions } from '@finch/core/changes';
import { changeLoop, pieceSection, SECTION_LIMITS } from '@finch/core/drills';
import { fretsText, type Frets } from '@finch/core/grips';
import {
  EMPTY_PIECE,
  excerptOf,
  playedBars,
  readChart,
  rekeyPiece,
  writeChart,
  writtenChords,
  type Assignment,
  type KeyOffer,
  type PartGrade,
  type PartKind,
  type PieceDemand,
} from '@finch/core/score';
import { forecastShare } from '@finch/core/mastery';
import { handFor } from '@finch/core/shapes';
import { useQueries } from '@tanstack/vue-query';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { BButton, BModal } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import IconHear from '~icons/bi/volume-up';
import IconPrint from '~icons/bi/printer';
import { useKeys } from '../../app/keys';
import { school } from '../../app/school';
import { chordText, say, sayError } from '../../app/words';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { blockOf, putInPlan } from '../../session/plan-actions';
import { useBoard, useSyllabus } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { pinsOf, useTaught } from '../../session/taught';
import PaperSheet from '../../paper/PaperSheet.vue';
import type { PaperJob } from '../../paper/paper-files';
import { benchWork, plain } from '../../workers/bench';
import { usePiecePlayer } from '../../workers/piece-player';
import { chartJob } from './chart-job';
import ChartEditor from './ChartEditor.vue';
import ChartSheet from './ChartSheet.vue';
import FilesDialog from './FilesDialog.vue';
import KeyDialog from './KeyDialog.vue';
import { heldChords } from './held-chords';
import { needsOf } from './needs';
import PartsTable from './PartsTable.vue';
import { PART_NAMES } from './part-words';
import PieceSide from './PieceSide.vue';
import ReadyTable, { type ReadyLine } from './ReadyTable.vue';
import RuleDialog from './RuleDialog.vue';
import { contentOf, NEW_CHART } from './listed';
import { useRepertoire } from './repertoire';

const props = defineProps<{ pieceId?: string }>();
const router = useRouter();
const seat = useSeat();
const bench = useBench();
const player = usePiecePlayer();
const { query, pieces, today, keep, remove } = useRepertoire();
const { student, drilling, limit } = useTaught(() => bench.studentId);
const { data: syllabus } = useSyllabus();
const { data: board } = useBoard();

const at = computed(() =>
  Math.max(
    0,
    pieces.value.findIndex((one) => one.body.id === props.pieceId),
  ),
);
const shown = computed(() => pieces.value[at.value] ?? null);
const piece = computed(() => shown.value?.piece ?? null);
const open = (id: string) => void router.replace({ name: 'pieces', params: { pieceId: id } });
const walk = (by: number) => {
  const next = pieces.value[at.value + by];
  if (next) open(next.body.id);
};

/** Locked grips of the piece, by written chord. */
const locked = computed(() => {
  const locks = shown.value?.body.locks ?? {};
  return (piece.value ? writtenChords(piece.value) : []).map(
    (one) => locks[`${one.section}.${one.bar}.${one.beat}`] ?? null,
  );
});
const options = computed<PathOptions>(() => {
  const { hand, instrument, pace, pins } = drilling.value;
  return {
    hand,
    instrument,
    ...(pace ? { pace } : {}),
    ...(pins ? { pins } : {}),
    locked: locked.value,
    // What this hand may be given comes first; a chord that has nothing lighter is shown over the limit.
    limits: limit.value === null ? {} : { maxEffort: limit.value },
    school: { ...school() },
  };
});
const demand = shallowRef<PieceDemand | null>(null);
const parts = shallowRef<readonly PartGrade[]>([]);
const failed = ref(false);
let turn = 0;
watch(
  [piece, options],
  async ([now, asked]) => {
    const mine = ++turn;
    demand.value = null;
    parts.value = [];
    failed.value = false;
    if (!now) return;
    try {
      const found = await benchWork().demand(plain(now), plain(asked));
      if (mine !== turn) return;
      demand.value = found;
      const graded = await benchWork().parts(plain(now), plain({ ...asked, locked: [], limits: {} }));
      if (mine === turn) parts.value = graded;
    } catch {
      if (mine === turn) failed.value = true;
    }
  },
  { immediate: true },
);
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

/** The group of the student on the bench, each with hand and limit. */
const group = computed(() => student.value?.groups[0] ?? null);
const members = computed(() =>
  group.value
    ? (board.value?.students ?? []).filter((one) => one.groups.includes(group.value ?? ''))
    : student.value
      ? [{ id: student.value.id, name: student.value.name }]
      : [],
);
const hands = useQueries({
  queries: computed(() =>
    members.value.map((one) => ({
      queryKey: ['student', one.id, seat.seat?.membershipId, seat.arrived],
      queryFn: () => call(routes.student, { params: { studentId: one.id } }),
    })),
  ),
});
const players = computed(() =>
  hands.value.flatMap(({ data }) =>
    data
      ? [
          {
            id: data.id,
            effortLimit: data.limits.value.gripEffort,
            options: {
              hand: handFor(data.hand.value, data.schools),
              instrument: data.instrument.value,
              pins: pinsOf(data.marks),
              pace: paceOf(data.pace.fit),
            },
          },
        ]
      : [],
  ),
);
const names = computed(() =>
  Object.fromEntries(
    hands.value.flatMap(({ data }) =>
      data ? [[data.id, { name: data.name, limit: data.limits.value.gripEffort }] as const] : [],
    ),
  ),
);
const assignment = shallowRef<Assignment | null>(null);
const assigning = ref(false);
let assignTurn = 0;
watch(
  [piece, () => JSON.stringify(players.value), () => shown.value?.body.parts],
  async ([now]) => {
    const mine = ++assignTurn;
    const ready = players.value.length > 0 && players.value.length === members.value.length;
    if (!now || !ready) {
      assignment.value = null;
      return;
    }
    assigning.value = true;
    const found = await benchWork()
      .assign(plain(now), plain(players.value), plain(shown.value?.body.parts ?? {}))
      .catch(() => null);
    if (mine !== assignTurn) return;
    assignment.value = found;
    assigning.value = false;
  },
  { immediate: true },
);

const concert = computed(() => {
  const set = shown.value?.body.concert;
  return set ? { ...set, days: differenceInCalendarDays(parseISO(set.day), parseISO(today.value)) } : null;
});
const day = (iso: string) => parseISO(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
/** What each of the group would bring to the day: today's share of clean changes, carried on. */
const ready = computed<ReadyLine[]>(() => {
  const all = assignment.value?.players ?? [];
  const days = concert.value?.days ?? 0;
  return all.flatMap((one): ReadyLine[] => {
    const { data } = hands.value.find((hand) => hand.data?.id === one.id) ?? {};
    if (one.part.cleanShare === null || !data) return [];
    const needed = new Set(needs.value.map((need) => need.id));
    const met = data.skills.filter((skill) => skill.attempts > 0);
    const own = met.filter((skill) => needed.has(skill.skillId));
    const day = forecastShare(one.part.cleanShare, own.length ? own : met, days, seat.now());
    return [{ id: one.id, name: data.name, today: one.part.cleanShare, ...day }];
  });
});

/** Bars picked on the chart, for a loop. */
const picked = ref<number[]>([]);
watch(piece, () => (picked.value = []));
/** One bar, then another takes all between; a third begins anew. No key is needed, so a finger can do it. */
function pick(bar: number) {
  const [first] = picked.value;
  if (picked.value.length === 1 && first !== bar) {
    const [low, high] = [Math.min(first, bar), Math.max(first, bar)];
    picked.value = Array.from({ length: high - low + 1 }, (_, i) => low + i);
  } else picked.value = first === bar ? [] : [bar];
}
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
  if (!now) return;
  const bars = playedBars(now);
  const inside = bars.flatMap((bar, i) => (picked.value.includes(bar.number) ? [i] : []));
  const loops = inside.length > 0;
  // The first stretch of picked bars, as it is played.
  const from = loops ? inside[0] : 0;
  const to = loops ? inside.findLast((i) => i - from === inside.indexOf(i)) : undefined;
  const capo = part.value === 'capo' ? (partShown.value?.capo ?? 0) : part.value === 'full' ? now.capo : 0;
  const instrument = { ...drilling.value.instrument, capo };
  await player.play(
    now,
    {
      grips: gripsShown.value,
      instrument,
      fromBar: from,
      ...(to === undefined ? {} : { toBar: to }),
      tempoShare: slow.value / 100,
    },
    loops,
  );
}
watch([asPart, part], () => player.stop());

// What is kept.
const editing = ref(false);
const isNew = ref(false);
/** What a new chart begins with. */
const begun = ref(NEW_CHART);
const ruling = ref(false);
const held = computed(() => heldChords(student.value?.skills ?? [], syllabus.value));
const filing = ref(false);
const keying = ref(false);
const staging = ref(false);
const busy = ref(false);
const trouble = ref('');
const said = ref('');
const undo = shallowRef<{ body: PieceBody; version: number } | null>(null);
async function write(work: () => Promise<string>) {
  busy.value = true;
  trouble.value = said.value = '';
  try {
    said.value = await work();
    return true;
  } catch (error) {
    trouble.value = sayError(error);
    return false;
  } finally {
    busy.value = false;
  }
}
const change = (content: Partial<PieceContent>, words: string) => {
  const body = shown.value?.body;
  if (!body) return Promise.resolve(false);
  return write(async () => {
    await keep(body.id, body.version, { ...contentOf(body), ...content });
    return words;
  });
};
async function keepChart(chart: string) {
  const body = shown.value?.body;
  const id = isNew.value || !body ? uuid() : body.id;
  const content =
    isNew.value || !body ? { chart, concert: null, locks: {}, parts: {} } : { ...contentOf(body), chart };
  const kept = await write(async () => {
    await keep(id, isNew.value || !body ? 0 : body.version, content);
    return `${readChart(chart).piece.title} is kept.`;
  });
  if (!kept) return;
  editing.value = false;
  open(id);
}
/** What a tab stacked is locked, bar by bar, so that the chart is graded as it was written. */
async function keepImported(chart: string, grips: readonly Frets[]) {
  const id = uuid();
  const locks = Object.fromEntries(
    grips.slice(0, 400).map((frets, i) => [`0.${i}.0`, { frets: [...frets] }]),
  );
  const kept = await write(async () => {
    await keep(id, 0, { chart, concert: null, locks, parts: {} });
    return `${readChart(chart).piece.title} is kept.`;
  });
  if (!kept) return;
  filing.value = false;
  open(id);
}
const edit = (fresh: boolean, chart = NEW_CHART) => {
  begun.value = chart;
  isNew.value = fresh;
  trouble.value = '';
  editing.value = true;
};
async function keepRuled(chart: string) {
  isNew.value = true;
  await keepChart(chart);
  if (!trouble.value) ruling.value = false;
}
function editRuled(chart: string) {
  ruling.value = false;
  edit(true, chart);
}
async function take(offer: KeyOffer) {
  if (!piece.value) return;
  const moved = rekeyPiece(piece.value, offer.key.name, {
    capo: offer.capo,
    ...(offer.sings ? { octaves: offer.sings.octaves } : {}),
  });
  if (!moved.ok) return;
  keying.value = false;
  const name = chordText(offer.key.name.replace(' major', '').replace(' minor', 'm'));
  // Locked grips belong to the old key.
  await change(
    { chart: writeChart(moved.value), locks: {} },
    `${piece.value.title} is in ${name} now${offer.capo ? `, capo ${offer.capo}` : ''}.`,
  );
}
async function takeAway() {
  const body = shown.value?.body;
  if (!body || !piece.value) return;
  const name = piece.value.title;
  await write(async () => {
    undo.value = { body, version: await remove(body) };
    setTimeout(() => (undo.value = null), 10_000);
    return `${name} is taken away.`;
  });
}
async function bringBack() {
  const gone = undo.value;
  if (!gone) return;
  undo.value = null;
  await write(async () => {
    await keep(gone.body.id, gone.version, contentOf(gone.body));
    return `${readChart(gone.body.chart).piece.title} is back.`;
  });
  open(gone.body.id);
}
const concertName = ref('');
const concertDay = ref('');
watch(staging, () => {
  concertName.value = concert.value?.name ?? '';
  concertDay.value = concert.value?.day ?? '';
});
async function setConcert(away: boolean) {
  const set = away ? null : { name: concertName.value.trim(), day: concertDay.value };
  if (await change({ concert: set }, away ? 'No concert is set.' : `${set?.name} is set.`))
    staging.value = false;
}
const give = (studentId: string, kind: PartKind | null) => {
  const given = { ...shown.value?.body.parts };
  if (kind) given[studentId] = kind;
  else delete given[studentId];
  return change(
    { parts: given },
    kind
      ? `${names.value[studentId]?.name.split(' ')[0]} plays ${PART_NAMES[kind].toLowerCase()}.`
      : 'Parts are solved anew.',
  );
};

// Where it goes from here.
/** The picked bars, or the whole piece, as a drill with the grips of the part shown. */
function toDrill() {
  const now = asPart.value;
  if (!now) return;
  const bars = playedBars(now);
  const from = picked.value.length ? bars.findIndex((bar) => picked.value.includes(bar.number)) : 0;
  // Bars that follow one another on the chart; a repeat or an ending begins another drill.
  const goesOn = (i: number) =>
    bars[i].number === bars[i - 1].number + 1 &&
    (!picked.value.length || picked.value.includes(bars[i].number));
  let to = from;
  while (to + 1 < bars.length && to + 1 - from < SECTION_LIMITS.bars && goesOn(to + 1)) to++;
  const cut = excerptOf(now, from, to);
  if (!cut) return;
  const recipe = pieceSection({
    pieceId: shown.value?.body.id ?? '',
    title: now.title,
    fromBar: Math.min(cut.fromNumber, cut.toNumber),
    toBar: Math.max(cut.fromNumber, cut.toNumber),
    chart: writeChart(cut.piece),
    grips: cut.writtenChords.map((i) => gripsShown.value[i] ?? null),
    part: 'as written',
  });
  void router.push({ name: 'drills', query: { recipe: JSON.stringify(recipe) } });
}
function toChanges(numbers: readonly number[] = picked.value) {
  const now = piece.value;
  if (!now) return;
  const all = now.sections.flatMap((section) => section.bars);
  const chosen = numbers.length ? all.filter((_, i) => numbers.includes(i + 1)) : all;
  const first = numbers[0] ?? 1;
  const time = playedBars(now).find((bar) => bar.number === first)?.time ?? now.time;
  const bars = chosen.map((bar, i) => ({
    ...(i === 0 ? { time } : bar.time ? { time: bar.time } : {}),
    chords: bar.chords,
  }));
  const chart = writeChart({ ...EMPTY_PIECE, sections: [{ name: 'A', times: 1, bars }] });
  const lines = chart.split('\n').filter((line) => line.startsWith('|'));
  void router.push({
    name: 'changes',
    query: {
      chords: lines.join(' ').replaceAll('| |', '|'),
      tempo: String(now.tempoBpm),
      ...(now.capo ? { capo: String(now.capo) } : {}),
      title: `${now.title}${numbers.length ? `, bars ${first} to ${numbers[numbers.length - 1]}` : ''}`,
    },
  });
}
const loopWeak = () => {
  picked.value = [...weak.value];
  toChanges(weak.value);
};
function openShape(chord: number) {
  const grip = demand.value?.chords[chord].step.grip;
  if (!grip || !demand.value) return;
  void router.push({
    name: 'shapes',
    query: { chord: demand.value.chords[chord].step.chord.symbol, frets: fretsText(grip.frets) },
  });
}
async function put() {
  const now = demand.value;
  if (!bench.studentId) {
    said.value = 'Put a student on the bench first: pick one on the Board.';
    return;
  }
  if (!now || now.weakest === null) return;
  const one = now.changes[now.weakest];
  const [a, b] = [now.chords[one.from].step, now.chords[one.to].step];
  if (!a.grip || !b.grip) return;
  const recipe = changeLoop({
    grips: [
      { chord: a.chord.symbol, frets: a.grip.frets },
      { chord: b.chord.symbol, frets: b.grip.frets },
    ],
    beatsEach: 4,
  });
  const title = { code: 'title.loop', values: { from: a.chord.symbol, to: b.chord.symbol } };
  await write(async () => {
    bench.lessonId = await putInPlan(bench.studentId ?? '', blockOf(recipe, title, drilling.value));
    return `${say(title)} is in the next plan, locked; the rest was planned around it.`;
  });
}
function otherStudent() {
  const all = members.value;
  const now = all.findIndex((one) => one.id === bench.studentId);
  const next = all[(now + 1) % Math.max(1, all.length)];
  if (next) bench.put(next.id, null);
}
const printing = ref(false);
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
        <BButton variant="outline-secondary" :disabled="!piece" @click="edit(false)">Edit</BButton>
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
      <BButton variant="outline-secondary" size="sm" @click="edit(true)">Type a chart</BButton>
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
        <BButton size="sm" variant="link" @click="takeAway">Take this piece away</BButton>
      </template>
      <p class="small">A barre is pressed, checked and released; pain means stop.</p>
    </aside>
    <ChartEditor
      v-model="editing"
      :start="isNew || !shown ? begun : shown.body.chart"
      :busy="busy"
      :trouble="trouble"
      :is-new="isNew"
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
    <BModal v-model="staging" title="Concert" no-footer>
      <form class="concert-form" @submit.prevent="setConcert(false)">
        <label>Where<input v-model="concertName" class="form-control" required maxlength="80" /></label>
        <label>On<input v-model="concertDay" class="form-control" type="date" required /></label>
        <div class="acts">
          <BButton v-if="concert" variant="link" @click="setConcert(true)">No concert</BButton>
          <BButton class="pri" variant="dark" type="submit" :disabled="busy">Set it</BButton>
        </div>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      </form>
    </BModal>
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
.concert-form {
  display: grid;
  gap: 10px;
}
@media (max-width: 1199px) {
  .pieces {
    grid-template-columns: 180px minmax(0, 1fr);
    grid-template-rows: auto auto auto;
    height: auto;
  }
  .side {
    grid-column: 1 / -1;
  }
  .piece-strip {
    flex-wrap: wrap;
    padding: 8px;
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
