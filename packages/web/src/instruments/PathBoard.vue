<script setup lang="ts">
/**
 * A path down the page: time runs down, frets run across at true scale. A box for each chord with its dots, the hand's
 * way between boxes labelled in frets, and at the right the effort of each grip, the seconds of each change and the
 * tempo at which nine of ten come clean, against the tempo wanted.
 */
import type { Path } from '@finch/core/changes';
import { effortBand } from '@finch/core/effort';
import { beakPath, MARKED_FRETS } from '@finch/core/grips';
import { fretPositionMm } from '@finch/core/fretboard';
import { computed } from 'vue';
import { shiftWords, tempoWords } from '../words/change-words';
import { nameChord, spokenChord } from '../words';

const props = withDefaults(
  defineProps<{
    path: Path;
    /** What stands under each chord's name: its bar. */
    where: readonly string[];
    /** Tempo wanted at each change. */
    wantedBpm: readonly number[];
    picked: number | null;
    limit?: number | null;
    leftHanded?: boolean;
    millimetres?: boolean;
    /** Index of the chord now sounding. */
    sounding?: number | null;
  }>(),
  { limit: null, leftHanded: false, millimetres: false, sounding: null },
);
const emit = defineEmits<{ pick: [change: number]; open: [chord: number] }>();

const WIDTH = 892;
const NECK = { left: 104, right: 634 };
const HEAD = 44;
const ROW = 72.4;
const BOX = 50;
const STRING_GAP = 7.4;
const TEMPO = { left: 752, right: 838 };

const highest = computed(() =>
  Math.max(12, ...props.path.steps.flatMap((step) => step.grip?.frets ?? []).map((fret) => fret ?? 0)),
);
const scale = computed(() => (NECK.right - NECK.left) / fretPositionMm(1000, highest.value));
const wire = (fret: number) => {
  const along = scale.value * fretPositionMm(1000, fret);
  return props.leftHanded ? NECK.right - along : NECK.left + along;
};
const dot = (fret: number) => wire(fret - 1) + 0.7 * (wire(fret) - wire(fret - 1));
const middle = (fret: number) => (wire(fret - 1) + wire(fret)) / 2;
const strings = computed(() => props.path.steps.find((step) => step.grip)?.grip?.frets.length ?? 6);
const rowTop = (i: number) => HEAD + i * ROW;
/** String 1 on top. */
const stringY = (i: number, s: number) => rowTop(i) + BOX / 2 + (strings.value / 2 - 0.5 - s) * STRING_GAP;

const rows = computed(() =>
  props.path.steps.map((step, i) => {
    const { grip } = step;
    const pressed = (grip?.frets ?? []).filter((fret): fret is number => fret !== null && fret > 0);
    const [low, high] = pressed.length ? [Math.min(...pressed), Math.max(...pressed)] : [1, 1];
    const ends = [wire(low - 1), wire(high)].sort((a, b) => a - b);
    const index = grip?.fingers.indexOf(1) ?? -1;
    const hand = index >= 0 ? (grip?.frets[index] ?? low) : low;
    return {
      step,
      top: rowTop(i),
      box: grip ? { x: ends[0] + 1, width: Math.max(14, ends[1] - ends[0] - 2) } : null,
      handX: dot(Math.max(1, hand)),
      dots: (grip?.frets ?? []).flatMap((fret, s) =>
        fret === null || fret === 0
          ? []
          : [{ x: dot(fret), y: stringY(i, s), root: grip?.degrees[s] === '1' }],
      ),
      open: (grip?.frets ?? []).flatMap((fret, s) => (fret === 0 ? [stringY(i, s)] : [])),
      silent: (grip?.frets ?? []).map((fret, s) => ({ y: stringY(i, s), silent: fret === null })),
      barre: grip?.barre
        ? {
            x: dot(grip.barre.fret),
            y1: stringY(i, grip.barre.toIndex),
            y2: stringY(i, grip.barre.fromIndex),
          }
        : null,
      effort: grip?.effort.total ?? null,
    };
  }),
);
const height = computed(() => HEAD + props.path.steps.length * ROW - (ROW - BOX) + 8);

/** The rule of tempos is the same for all changes, so that they can be compared down the page. */
const tempoRange = computed(() => {
  const all = props.path.changes.flatMap((change) =>
    change ? [change.band.lowBpm, change.band.highBpm] : [],
  );
  const wanted = props.wantedBpm;
  const high = Math.min(4 * Math.max(40, ...wanted), Math.max(60, ...all, ...wanted)) * 1.06;
  return { low: 0.85 * Math.min(...all, ...wanted, high), high };
});
const tempoX = (bpm: number) => {
  const { low, high } = tempoRange.value;
  const share = (Math.log(bpm) - Math.log(low)) / (Math.log(high) - Math.log(low));
  return TEMPO.left + Math.min(1, Math.max(0, share)) * (TEMPO.right - TEMPO.left);
};
/** The label stands right of the way, or left of it where the neck ends. */
function beside(a: number, b: number): { labelX: number; anchor: 'start' | 'end' } {
  const right = Math.max(a, b) + 16;
  return right < NECK.right - 140
    ? { labelX: right, anchor: 'start' }
    : { labelX: Math.min(a, b) - 14, anchor: 'end' };
}
const changes = computed(() =>
  props.path.changes.map((change, i) => {
    if (!change) return null;
    const [from, to] = [rows.value[i], rows.value[i + 1]];
    const top = from.top + BOX;
    const bottom = to.top;
    const stays = change.shiftFrets === 0;
    const mid = (top + bottom) / 2;
    const way = stays
      ? `M${from.handX} ${top}V${bottom}`
      : `M${from.handX} ${top}C${from.handX} ${mid + 6} ${to.handX} ${mid - 6} ${to.handX} ${bottom - 2}`;
    const label = props.millimetres ? `${Math.round(Math.abs(change.shiftMm))} mm` : shiftWords(change);
    const under = change.tempoBpm < props.wantedBpm[i] - 0.5;
    return {
      change,
      y: mid,
      way,
      stays,
      label,
      ...beside(from.handX, to.handX),
      head: stays ? '' : `M${to.handX - 6} ${bottom - 8}l6 6 6 -6`,
      under,
      low: tempoX(change.band.lowBpm),
      high: tempoX(change.band.highBpm),
      at: tempoX(change.tempoBpm),
    };
  }),
);
const wantedLines = computed(() => {
  const distinct = [...new Set(props.wantedBpm)];
  return distinct.length === 1 ? [distinct[0]] : [];
});
const BANDS = { light: 1, fair: 2, firm: 3, heavy: 4, beyond: 5 } as const;
const spoken = (i: number) => {
  const change = props.path.changes[i];
  const [a, b] = [props.path.steps[i], props.path.steps[i + 1]];
  const names = `${spokenChord(a.chord.symbol)} to ${spokenChord(b.chord.symbol)}, ${props.where[i]} to ${props.where[i + 1]}`;
  return change
    ? `${names}: ${shiftWords(change)}, ${change.seconds.toFixed(1)} seconds, ${tempoWords(change.tempoBpm, props.wantedBpm[i])}`
    : a.grip && b.grip
      ? `${names}: the grip stays`
      : `${names}: no change to judge`;
};
const chordSize = (symbol: string) =>
  nameChord(symbol).length > 7 ? 15 : nameChord(symbol).length > 5 ? 18 : 21;
</script>

<template>
  <div class="path-board">
    <svg
      aria-hidden="true"
      :viewBox="`0 0 ${WIDTH} ${height}`"
      :style="{ aspectRatio: `${WIDTH} / ${height}` }"
    >
      <g class="heads">
        <text
          v-for="fret in highest"
          :key="fret"
          :x="middle(fret)"
          y="14"
          :class="{ marked: MARKED_FRETS.has(fret) }"
          text-anchor="middle"
        >
          {{ fret }}
        </text>
        <path
          v-for="fret in highest"
          v-show="MARKED_FRETS.has(fret)"
          :key="`m${fret}`"
          :d="`M${wire(fret - 1)} 24H${wire(fret)}`"
          stroke="var(--ink)"
          stroke-width="3.5"
        />
        <text x="660" y="14">grip</text>
        <text x="708" y="14">change</text>
        <text
          v-if="wantedLines.length"
          class="marked"
          :x="Math.min(TEMPO.right, Math.max(TEMPO.left + 22, tempoX(wantedLines[0])))"
          y="14"
          text-anchor="middle"
        >
          {{ wantedLines[0] }}
        </text>
        <text x="886" y="14" text-anchor="end">bpm</text>
      </g>
      <g class="neck-lines">
        <path
          v-for="fret in highest"
          :key="fret"
          :d="`M${wire(fret)} 26V${height - 6}`"
          stroke="var(--line)"
          stroke-width="1.2"
        />
        <path :d="`M${wire(0)} 26V${height - 6}`" stroke="var(--ink)" stroke-width="4" />
        <path
          v-for="bpm in wantedLines"
          :key="`w${bpm}`"
          :d="`M${tempoX(bpm)} 22V${height - 6}`"
          stroke="var(--ink)"
          stroke-width="1.6"
          stroke-dasharray="6 4"
        />
      </g>
      <template v-for="(change, i) in changes" :key="`p${i}`">
        <rect
          v-if="change && picked === i"
          x="0"
          :y="rows[i].top + BOX / 2"
          :width="WIDTH"
          :height="ROW"
          fill="var(--wash-crown)"
        />
        <rect
          v-if="change && picked === i"
          x="0"
          :y="rows[i].top + BOX / 2"
          width="5"
          :height="ROW"
          fill="var(--wingbar)"
        />
      </template>
      <g v-for="(row, i) in rows" :key="`r${i}`">
        <path
          v-for="line in row.silent"
          :key="line.y"
          :d="`M${NECK.left} ${line.y}H${NECK.right}`"
          stroke="var(--string)"
          stroke-width="1"
          :stroke-dasharray="line.silent ? '1.5 5' : undefined"
          :opacity="line.silent ? 0.5 : 0.45"
        />
        <rect
          v-if="row.box"
          class="box"
          :class="{ sounding: sounding === i, locked: row.step.locked }"
          :x="row.box.x"
          :y="row.top"
          :width="row.box.width"
          :height="BOX"
          rx="4"
        />
        <line
          v-if="row.barre"
          :x1="row.barre.x"
          :x2="row.barre.x"
          :y1="row.barre.y1"
          :y2="row.barre.y2"
          stroke="var(--ink)"
          stroke-width="11"
          stroke-linecap="round"
          opacity=".22"
        />
        <circle
          v-for="y in row.open"
          :key="`o${y}`"
          :cx="wire(0) + (leftHanded ? 9 : -9)"
          :cy="y"
          r="3"
          fill="none"
          stroke="var(--ink)"
          stroke-width="1.4"
        />
        <template v-for="one in row.dots" :key="`${one.x} ${one.y}`">
          <path
            v-if="one.root"
            :d="beakPath(one.x, one.y, 4.6, leftHanded ? 'right' : 'left')"
            fill="var(--ink)"
          />
          <circle v-else :cx="one.x" :cy="one.y" r="4.6" fill="var(--ink)" />
        </template>
        <text
          class="display chord"
          x="12"
          :y="row.top + 26"
          :style="{ fontSize: `${chordSize(row.step.chord.symbol)}px` }"
        >
          {{ nameChord(row.step.chord.symbol) }}
        </text>
        <text class="where" x="12" :y="row.top + 42">
          {{ where[i] }}{{ row.step.locked ? ', locked' : '' }}
        </text>
        <text v-if="!row.box" class="where" :x="NECK.left + 14" :y="row.top + 29">
          {{ row.step.chord.tones.length ? 'no grip within these limits' : 'nothing is played' }}
        </text>
        <template v-if="row.effort !== null">
          <path
            :d="`M652 ${row.top + 36}h34v-${Math.max(2, 0.24 * row.effort)}z`"
            :fill="`var(--e${BANDS[effortBand(row.effort)]})`"
            stroke="var(--ink)"
            stroke-width="1.2"
          />
          <path v-if="limit !== null" :d="`M692 ${row.top + 11}v25`" stroke="var(--ink3)" stroke-width="1" />
          <path
            v-if="limit !== null"
            :d="`M688 ${row.top + 36 - 0.24 * limit}h7`"
            stroke="var(--ink)"
            stroke-width="2"
          />
          <text
            class="number"
            :class="{ over: limit !== null && Math.round(row.effort) > limit }"
            x="702"
            :y="row.top + 36"
          >
            {{ Math.round(row.effort) }}
          </text>
        </template>
      </g>
      <template v-for="(change, i) in changes" :key="`c${i}`">
        <g v-if="change">
          <path
            :d="change.way"
            fill="none"
            :stroke="change.stays ? 'var(--ink)' : 'var(--crown)'"
            stroke-width="4"
            :stroke-dasharray="change.stays ? '2.5 3.5' : undefined"
          />
          <path v-if="change.head" :d="change.head" fill="none" stroke="var(--crown)" stroke-width="3" />
          <text class="way" :x="change.labelX" :y="change.y + 4.5" :text-anchor="change.anchor">
            {{ change.label }}
          </text>
          <text class="seconds" x="708" :y="change.y + 4.5">{{ change.change.seconds.toFixed(1) }} s</text>
          <path :d="`M${TEMPO.left} ${change.y + 7}H${TEMPO.right}`" stroke="var(--ink3)" stroke-width="1" />
          <rect
            :x="change.low"
            :width="Math.max(1, change.high - change.low)"
            :y="change.y - 6"
            height="13"
            fill="var(--m2)"
          />
          <path
            :d="`M${change.low + 3} ${change.y - 6}h-3v13M${change.high - 3} ${change.y - 6}h3v13`"
            fill="none"
            stroke="var(--crown)"
            stroke-width="1.8"
          />
          <path :d="`M${change.at} ${change.y - 9}V${change.y + 7}`" stroke="var(--ink)" stroke-width="3" />
          <text class="bpm" :class="{ over: change.under }" x="886" :y="change.y + 6" text-anchor="end">
            {{ Math.round(change.change.tempoBpm) }}{{ change.under ? '↓' : '' }}
          </text>
        </g>
      </template>
    </svg>
    <ol class="picks">
      <li
        v-for="(change, i) in changes"
        :key="i"
        :style="{ top: `${((rows[i].top + BOX / 2) / height) * 100}%`, height: `${(ROW / height) * 100}%` }"
      >
        <button
          type="button"
          :disabled="!change"
          :aria-pressed="picked === i"
          :aria-label="spoken(i)"
          @click="emit('pick', i)"
          @dblclick="emit('open', i + 1)"
        />
      </li>
    </ol>
  </div>
</template>

<style scoped>
.path-board {
  position: relative;
  min-width: 640px;
}
svg {
  display: block;
  width: 100%;
}
text {
  font-family: var(--text);
  fill: var(--ink);
  font-size: 14px;
}
.heads text {
  fill: var(--ink2);
}
.heads text.marked {
  fill: var(--ink);
  font-weight: 700;
}
.chord {
  font-family: var(--display);
  font-weight: 650;
}
.where {
  font-size: 12.5px;
  fill: var(--ink3);
}
.box {
  fill: color-mix(in srgb, var(--wash-crown) 45%, transparent);
  stroke: var(--crown);
  stroke-width: 2;
}
.box.locked {
  stroke-width: 4;
}
.box.sounding {
  stroke: var(--ink);
  fill: var(--wingbar);
  fill-opacity: 0.45;
}
.way {
  font-weight: 600;
  font-size: 13.5px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.seconds {
  fill: var(--ink2);
}
.number {
  font-weight: 700;
  font-size: 16px;
}
.bpm {
  font-weight: 700;
  font-size: 18px;
}
.over {
  fill: var(--breast);
}
.picks {
  position: absolute;
  inset: 0;
}
.picks li {
  position: absolute;
  left: 0;
  right: 0;
}
.picks button {
  width: 100%;
  height: 100%;
  background: none;
  border: 0;
}
.picks button:focus-visible {
  outline-offset: -3px;
}
</style>
