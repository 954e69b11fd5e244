<script setup lang="ts">
/** A progression as the hand's path along the neck: every change graded, where it chokes, and what would not. */
import type { PaperCard } from '@finch/core/paper';
import { OBJECTIVES, type OtherWay, type PractiseStep } from '@finch/core/changes';
import { changeLoop, type Recipe } from '@finch/core/drills';
import { fretsText } from '@finch/core/grips';
import { useMediaQuery } from '@vueuse/core';
import { BButton, BModal } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import IconHear from '~icons/bi/volume-up';
import { gaveWayWords, sayChart } from '../../words/change-words';
import { useKeys } from '../../app/keys';
import { fretsMoved, nameChord } from '../../words';
import BarreCaution from '../../instruments/BarreCaution.vue';
import PaceLine from '../../instruments/PaceLine.vue';
import PathBoard from '../../instruments/PathBoard.vue';
import PaperSheet from '../../paper/PaperSheet.vue';
import type { PaperJob } from '../../paper/paper-files';
import { useBench } from '../../session/bench';
import { blockOf, useHandOut } from '../../session/hand-out';
import { useTaught } from '../../session/taught';
import { usePiecePlayer } from '../../workers/piece-player';
import ChangeSide from './ChangeSide.vue';
import PathAsk from './PathAsk.vue';
import PathList from './PathList.vue';
import { whereText } from './progression';
import { readAsked, writeAsked } from './path-asked';
import { usePath } from './use-path';

const FIRST = 'Abmaj7 | Fm7 | Bbm7 | Eb7 | Abmaj7 | Dbm6 | Eb7/Bb | Ab6';
const bench = useBench();
const route = useRoute();
const router = useRouter();
const player = usePiecePlayer();
const { student, drilling, limit, instrument } = useTaught(() => bench.studentId);
const query = (name: string, otherwise: string) => {
  const given = route.query[name];
  return typeof given === 'string' ? given : otherwise;
};
const work = usePath({
  typed: query('chords', FIRST),
  asked: readAsked(query('ask', ''), OBJECTIVES),
  drilling,
  limit,
  capo: Math.min(11, Math.max(0, Math.round(Number(query('capo', '0'))) || 0)),
});
const { typed, asked, progression, foundFor, path, paths, shown, picked, ways, busy, failed } = work;
const tempoGiven = ref<number | ''>(Number(query('tempo', '')) || '');
/** The tempo typed, else the chart's own. */
const wanted = computed(() =>
  Number(tempoGiven.value) >= 20 && Number(tempoGiven.value) <= 300
    ? Number(tempoGiven.value)
    : foundFor.value.piece.tempoBpm,
);
const title = computed(() => query('title', ''));
const who = computed(() => (student.value ? `${student.value.name.split(' ')[0]}’s` : 'this hand’s'));
const asking = ref(false);
const millimetres = ref(false);
const chords = computed(() => foundFor.value.chords);
const narrow = useMediaQuery('(max-width: 779px)');
const where = computed(() => chords.value.map(whereText));
const wantedBpm = computed(() => chords.value.map(() => wanted.value));
const gaps = computed(() => work.options.value.gapBeats ?? []);
const change = computed(() => (picked.value === null ? null : (path.value?.changes[picked.value] ?? null)));
const pair = computed(() => {
  const at = picked.value;
  const now = path.value;
  if (at === null || !now || !change.value) return null;
  const [from, to] = [now.steps[at], now.steps[at + 1]];
  return from && to ? { at, from, to, change: change.value } : null;
});
const gaveWay = computed(() =>
  (path.value?.steps ?? []).flatMap((step, i) =>
    step.gaveWay.length && where.value[i]
      ? [`${where.value[i]}, ${nameChord(step.chord.symbol)}: ${gaveWayWords(step.gaveWay)}`]
      : [],
  ),
);
const barres = computed(() =>
  (path.value?.steps ?? []).some((step) => (step.grip?.barre?.presses.length ?? 0) >= 4),
);
watch([work.settled, asked, tempoGiven], () => {
  const ask = writeAsked(asked);
  void router.replace({
    query: {
      chords: work.settled.value,
      ...(ask ? { ask } : {}),
      ...(tempoGiven.value ? { tempo: String(tempoGiven.value) } : {}),
      ...(title.value ? { title: title.value } : {}),
      ...(query('capo', '') ? { capo: query('capo', '') } : {}),
    },
  });
});

function step(by: number) {
  const all = path.value?.changes ?? [];
  let at = (picked.value ?? -1) + by;
  while (at >= 0 && at < all.length && !all[at]) at += by;
  if (all[at]) picked.value = at;
}
function use(way: OtherWay | undefined) {
  if (picked.value === null || !way?.step.grip) return;
  work.lock(picked.value + 1, { frets: way.step.grip.frets, fingers: way.step.grip.fingers });
}
function openShape(at: number) {
  const found = path.value?.steps[at];
  if (!found?.grip) return;
  void router.push({
    name: 'shapes',
    query: { chord: found.chord.symbol, frets: fretsText(found.grip.frets) },
  });
}
/** Heard with a bar counted in; the change looked at goes round when it is looped. */
const looping = ref(false);
async function hear() {
  if (player.playing.value) return player.stop();
  if (!path.value) return;
  const { piece } = foundFor.value;
  const grips = path.value.steps.map((one) => one.grip?.frets ?? null);
  const share = wanted.value / piece.tempoBpm;
  const from = looping.value && pair.value ? chords.value[pair.value.at].number - 1 : undefined;
  const to = looping.value && pair.value ? chords.value[pair.value.at + 1].number - 1 : undefined;
  // The bars as written are the bars as played here: a progression has no repeats unless it was typed so.
  await player.play(
    piece,
    {
      grips,
      instrument: work.options.value.instrument,
      tempoShare: share,
      ...(from === undefined ? {} : { fromBar: from, toBar: to }),
    },
    looping.value,
  );
}
const soundingChord = computed(() => {
  const bar = player.soundingBar.value;
  const found = bar === null ? -1 : chords.value.findIndex((one) => one.number === bar);
  return found < 0 ? null : found;
});
watch(path, () => player.stop());

const loop = computed<Recipe | null>(() => {
  const now = pair.value;
  if (!now?.from.grip || !now.to.grip) return null;
  return changeLoop({
    grips: [
      { chord: now.from.chord.symbol, frets: now.from.grip.frets },
      { chord: now.to.chord.symbol, frets: now.to.grip.frets },
    ],
    beatsEach: 4,
  });
});
function drill(at: PractiseStep) {
  if (!loop.value) return;
  const parameters = {
    ...loop.value.parameters,
    ...(at.kind === 'loop' ? {} : { piece: at.kind }),
    ...(at.tempoBpm ? { tempoBpm: at.tempoBpm } : {}),
  };
  void router.push({ name: 'drills', query: { recipe: JSON.stringify({ ...loop.value, parameters }) } });
}
const MOST_IN_LOOP = 4;
/** The path's first grips that are another each, as a loop; Drills makes other families of them. */
const pathLoop = computed<Recipe | null>(() => {
  const seen = new Set<string>();
  const grips = (path.value?.steps ?? []).flatMap((one) => {
    if (!one.grip || seen.has(one.grip.frets.join())) return [];
    seen.add(one.grip.frets.join());
    return [{ chord: one.chord.symbol, frets: one.grip.frets }];
  });
  return grips.length < 2 ? null : changeLoop({ grips: grips.slice(0, MOST_IN_LOOP), beatsEach: 4 });
});
const drillPath = () => {
  if (pathLoop.value) void router.push({ name: 'drills', query: { recipe: JSON.stringify(pathLoop.value) } });
};
const handOut = useHandOut();
const put = () => loop.value && handOut.put(blockOf(loop.value, drilling.value));
/** The path as cards, each with the change that leaves it. */
const printing = ref(false);
const job = computed<PaperJob | null>(() => {
  const now = path.value;
  if (!printing.value || !now) return null;
  const cards = now.steps.flatMap((step, i): PaperCard[] => {
    if (!step.grip) return [];
    const next = now.changes[i];
    const leaves = next
      ? `; on at ${Math.round(next.tempoBpm)} bpm, ${next.shiftFrets ? fretsMoved(next.shiftFrets) : 'no shift'}`
      : '';
    const { frets, fingers, degrees, notes } = step.grip;
    return [
      {
        frets,
        fingers,
        degrees,
        notes,
        name: nameChord(step.chord.symbol),
        under: `${where.value[i]}${leaves}`,
      },
    ];
  });
  if (cards.length === 0) return null;
  const tempo =
    now.tempoBpm === null ? '' : `, all changes nine of ten clean at ${Math.round(now.tempoBpm)} bpm`;
  return {
    layout: 'page',
    title: title.value || 'A path along the neck',
    foot: `${cards.length} chords for ${student.value?.name ?? 'a middle hand'}${tempo}`,
    show: 'fingers',
    leftHanded: instrument.value.leftHanded,
    cards: cards.slice(0, 120),
  };
});
const box = useTemplateRef<HTMLInputElement>('box');
useKeys([
  { key: '/', does: 'chords', run: () => box.value?.focus() },
  { key: 'ArrowDown', shown: '↑ ↓', does: 'change', run: () => step(1) },
  { key: 'ArrowUp', does: 'change before', run: () => step(-1), quiet: true },
  { key: 'Enter', does: 'open shape', run: () => pair.value && openShape(pair.value.at + 1) },
  { key: 'a', does: 'use first alternative', run: () => use(ways.value[0]) },
  {
    key: 'n',
    does: 'next path',
    run: () => (shown.value = (shown.value + 1) % Math.max(1, paths.value.length)),
  },
  { key: 'h', does: 'hear', run: () => void hear() },
  { key: 'm', does: 'millimetres', run: () => (millimetres.value = !millimetres.value) },
  { key: 'Shift+p', shown: 'Shift P', does: 'put in plan', run: () => void put() },
]);
</script>

<template>
  <div class="changes">
    <Teleport defer to="#bench-tools">
      <span v-if="title" class="note">{{ title }}</span>
      <BButton variant="outline-secondary" :disabled="!path" @click="hear"
        ><IconHear aria-hidden="true" /> {{ player.playing.value ? 'Stop' : 'Hear it' }}</BButton
      >
      <BButton variant="outline-secondary" :disabled="!pathLoop" @click="drillPath">Drill the path</BButton>
      <BButton variant="outline-secondary" :disabled="!path" @click="printing = true">Print</BButton>
    </Teleport>
    <section class="sheet path-sheet" aria-label="The hand’s path along the neck">
      <div class="typed">
        <label class="chords-label" for="chords">Chords</label>
        <input
          id="chords"
          ref="box"
          v-model="typed"
          class="form-control"
          spellcheck="false"
          autocomplete="off"
          maxlength="4000"
          :aria-invalid="progression.problems.length > 0"
          aria-describedby="chords-said"
        />
        <label class="tempo-label"
          >Tempo<input
            v-model.number="tempoGiven"
            class="form-control"
            type="number"
            min="20"
            max="300"
            :placeholder="String(foundFor.piece.tempoBpm)"
        /></label>
        <BButton variant="outline-secondary" :aria-expanded="asking" @click="asking = !asking"
          >Limits{{ writeAsked(asked) ? ' •' : '' }}</BButton
        >
      </div>
      <PathAsk
        v-if="asking"
        v-model="asked"
        :strings="instrument.openPitches.length"
        :frets="instrument.frets - instrument.capo"
        :limit="limit"
        :who="who"
      />
      <p v-if="progression.problems.length" id="chords-said" class="refusal" role="alert">
        {{ sayChart(progression.problems[0]) }}
      </p>
      <div class="spread bar-line">
        <h1 class="h2like">The hand’s path along the neck</h1>
        <div v-if="paths.length > 1" class="segments" role="group" aria-label="Paths that differ">
          <button
            v-for="(one, i) in paths"
            :key="i"
            type="button"
            :aria-pressed="shown === i"
            @click="shown = i"
          >
            {{ i === 0 ? 'Best' : `Another ${i}` }},
            {{ one.tempoBpm === null ? 'no change' : `${Math.round(one.tempoBpm)} bpm` }}
            <small
              >{{ one.area ? `frets ${one.area.lowFret} to ${one.area.highFret}` : 'open strings' }},
              {{ Math.round(one.shiftMm) }} mm</small
            >
          </button>
        </div>
        <span v-if="busy" class="small" role="status">Searching…</span>
      </div>
      <p v-if="failed" class="refusal" role="alert">
        The path could not be worked out in this window.
        <BButton size="sm" variant="outline-secondary" @click="work.plan()">Try again</BButton>
      </p>
      <p v-if="gaveWay.length" class="gave-way" role="status">
        Outside what is asked: {{ gaveWay.slice(0, 3).join('; ')
        }}{{ gaveWay.length > 3 ? ` and ${gaveWay.length - 3} more` : '' }}.
      </p>
      <div class="board scroll" tabindex="0" aria-label="Path">
        <PathList
          v-if="path && path.steps.length && narrow"
          :path="path"
          :where="where"
          :wanted-bpm="wantedBpm"
          :picked="picked"
          @pick="picked = $event"
          @open="openShape"
        />
        <PathBoard
          v-else-if="path && path.steps.length"
          :path="path"
          :where="where"
          :wanted-bpm="wantedBpm"
          :picked="picked"
          :limit="limit"
          :left-handed="instrument.leftHanded"
          :millimetres="millimetres"
          :sounding="soundingChord"
          @pick="picked = $event"
          @open="openShape"
        />
        <p v-else-if="!busy" class="empty">
          No chords yet. Type some, like C Am F G, or with bars: | Db | Bbm7 | Gb Ab7 |
        </p>
      </div>
    </section>
    <aside class="sheet scroll side" aria-label="One change" tabindex="0">
      <ChangeSide
        v-if="pair"
        :from="pair.from"
        :to="pair.to"
        :change="pair.change"
        :wanted-bpm="wanted"
        :gap-beats="gaps[pair.at] ?? 1"
        :ways="ways"
        :where="where[pair.at + 1]"
        :limit="limit"
        :left-handed="instrument.leftHanded"
        @use="use"
        @unlock="work.lock(pair.at + 1, null)"
        @drill="drill"
        @put="put"
      />
      <p v-else class="empty">Two chords and more make a change. Pick one on the path.</p>
      <label v-if="pair" class="small loop"
        ><input v-model="looping" type="checkbox" /> Hear only this change, round and round</label
      >
      <PaceLine
        v-if="student"
        :name="student.name.split(' ')[0]"
        :fit="student.pace.fit"
        :before="student.pace.before"
      />
      <BarreCaution v-if="barres" />
    </aside>
    <BModal v-model="printing" size="lg" centered title="On paper" no-footer>
      <PaperSheet :job="job"
        ><p class="note">
          The path as shape cards, in order, each with the change that leaves it.
        </p></PaperSheet
      >
    </BModal>
  </div>
</template>

<style scoped>
.changes {
  display: grid;
  grid-template-columns: minmax(0, 920px) minmax(300px, 1fr);
  gap: 8px;
}
.path-sheet {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-bottom: 0;
}
.typed {
  display: flex;
  gap: 10px;
  align-items: center;
}
.typed #chords {
  flex: 1;
  font-family: var(--mono);
}
.tempo-label {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 14px;
}
.tempo-label input {
  width: 76px;
}
.chords-label {
  font-weight: 700;
}
.bar-line {
  align-items: center;
  justify-content: flex-start;
  gap: 16px;
}
.bar-line h1 {
  white-space: nowrap;
}
.segments button {
  line-height: 1.2;
  padding: 3px 12px;
}
.segments small {
  display: block;
  font-weight: 400;
  font-size: 12px;
}
.board {
  flex: 1;
  min-height: 0;
  overflow: auto;
  border-top: 1px solid var(--line);
  padding-top: 6px;
}
.gave-way {
  font-size: 14px;
  background: var(--wash-breast);
  padding: 4px 8px;
  border-radius: 2px;
}
.side {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.loop {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
@media (max-width: 1199px), (max-height: 599px) {
  .changes {
    grid-template-columns: minmax(0, 1fr);
  }
  .board {
    overflow: visible;
  }
}
@media (max-width: 779px) {
  .typed,
  .bar-line {
    flex-wrap: wrap;
  }
  .typed #chords {
    flex: 1 0 100%;
  }
  .bar-line h1 {
    white-space: normal;
  }
  .segments {
    display: flex;
    flex-direction: column;
    width: 100%;
  }
}
@media print {
  .side,
  .typed,
  .segments {
    display: none;
  }
  .changes {
    display: block;
    height: auto;
  }
  .board {
    overflow: visible;
  }
}
@media (pointer: coarse) {
  .typed input,
  .loop {
    min-height: 44px;
  }
}
</style>
