<script setup lang="ts">
/** The syllabus drawn: strands down, steps across, lines from what is needed. A box laid on another makes that one need it. */
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { BOX, type GraphDrawing } from './graph-drawing';
import type { Laid } from './use-syllabus-desk';

const props = defineProps<{
  drawing: GraphDrawing;
  laid: ReadonlyMap<string, Laid>;
  chosen: string | null;
  /** Skills with a fault. */
  faulty: ReadonlySet<string>;
  /** Needs that close a ring, `skill need`. */
  rings: ReadonlySet<string>;
  /** Skills that a search found; null while nothing is looked for. */
  found: ReadonlySet<string> | null;
  zoom: number;
  mayChange: boolean;
}>();
const emit = defineEmits<{ choose: [id: string]; need: [skill: string, need: string]; fold: [id: string] }>();

const path = (needs: GraphDrawing['needs']) => needs.map((one) => one.path).join('');
const all = computed(() => path(props.drawing.needs));
const needed = computed(() => path(props.drawing.needs.filter(({ skill }) => skill === props.chosen)));
const opened = computed(() => path(props.drawing.needs.filter(({ need }) => need === props.chosen)));
const ringed = computed(() =>
  path(props.drawing.needs.filter(({ skill, need }) => props.rings.has(`${skill} ${need}`))),
);
/** Where lines come in, all in one path: a square for what must be held, a ring for one of several. */
const ends = (any: boolean) =>
  props.drawing.needs
    .filter((one) => one.any === any)
    .map(({ at: [x, y] }) =>
      any ? `M${x - 7.5} ${y}a3.5 3.5 0 1 0 7 0a3.5 3.5 0 1 0-7 0` : `M${x - 5} ${y - 3}h6v6h-6z`,
    )
    .join('');
const heads = computed(() =>
  Array.from({ length: props.drawing.steps }, (_, step) => (step === 0 ? 'needs nothing' : `step ${step}`)),
);

const tone = (share: number): string =>
  `var(--m${1 + [0.2, 0.42, 0.62, 0.8].filter((limit) => share >= limit).length})`;
const MARK_SIGNS = { slipping: '<', stuck: '‖', due: '•' } as const;
function spoken(id: string, name: string, step: number): string {
  const laid = props.laid.get(id);
  return [
    name,
    step === 0 ? 'needs nothing' : `step ${step}`,
    laid?.text,
    laid?.mark,
    props.faulty.has(id) ? 'with a fault' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

const frame = useTemplateRef<HTMLElement>('frame');
const boxOf = (id: string) => frame.value?.querySelector<HTMLElement>(`[data-skill="${CSS.escape(id)}"]`);
/** Focus follows where the drawing has it already; a skill that is chosen elsewhere is only brought into view. */
watch(
  () => props.chosen,
  async (id) => {
    await nextTick();
    const box = id === null ? null : boxOf(id);
    if (!box) return;
    if (frame.value?.contains(document.activeElement) && document.activeElement !== box) box.focus();
    else box.scrollIntoView?.({ block: 'nearest', inline: 'nearest' });
  },
);

const dragged = ref<string | null>(null);
const over = ref<string | null>(null);
function take(event: DragEvent, id: string) {
  dragged.value = id;
  event.dataTransfer?.setData('text/plain', id);
}
function drop(id: string) {
  if (dragged.value && dragged.value !== id) emit('need', id, dragged.value);
  dragged.value = over.value = null;
}
</script>

<template>
  <div ref="frame" class="graph scroll" :style="{ '--zoom': zoom }">
    <div class="inner">
      <div class="corner" />
      <ol class="steps" :style="{ width: `${drawing.width}px` }" aria-hidden="true">
        <li
          v-for="(head, i) in heads"
          :key="head"
          :style="{ left: `${10 + i * (BOX.width + BOX.gapX)}px`, width: `${BOX.width}px` }"
        >
          {{ head }}
        </li>
      </ol>
      <ul class="strands" :style="{ height: `${drawing.height}px` }">
        <li
          v-for="strand in drawing.strands"
          :key="strand.id"
          :style="{ top: `${strand.y}px`, height: `${strand.height}px` }"
        >
          <button
            type="button"
            :aria-expanded="!strand.folded"
            :title="strand.folded ? `Show ${strand.name}` : `Fold ${strand.name}`"
            @click="emit('fold', strand.id)"
          >
            <b>{{ strand.name }}</b>
            <span class="small">{{ strand.count }}{{ strand.folded ? ', folded' : '' }}</span>
          </button>
        </li>
      </ul>
      <div class="field" :style="{ width: `${drawing.width}px`, height: `${drawing.height}px` }">
        <svg :width="drawing.width" :height="drawing.height" aria-hidden="true">
          <path
            v-for="strand in drawing.strands"
            :key="strand.id"
            :d="`M0 ${strand.y + strand.height - 0.5}H${drawing.width}`"
            class="rule"
          />
          <path :d="all" class="line" />
          <path :d="opened" class="line opened" />
          <path :d="needed" class="line needed" />
          <path v-if="rings.size" :d="ringed" class="line ringed" />
          <path :d="ends(false)" class="end" />
          <path :d="ends(true)" class="end any" />
        </svg>
        <button
          v-for="{ skill, step, x, y } in drawing.skills"
          :key="skill.id"
          v-memo="[
            skill,
            step,
            x,
            y,
            laid.get(skill.id),
            skill.id === chosen,
            over === skill.id,
            faulty.has(skill.id),
            found === null || found.has(skill.id),
            mayChange,
          ]"
          type="button"
          class="skill"
          :class="{
            chosen: skill.id === chosen,
            faulty: faulty.has(skill.id),
            faint: found !== null && !found.has(skill.id),
            unmet: laid.get(skill.id)?.share === null,
            over: over === skill.id,
          }"
          :data-skill="skill.id"
          :style="{ left: `${x}px`, top: `${y}px`, width: `${BOX.width}px`, height: `${BOX.height}px` }"
          :tabindex="skill.id === chosen ? 0 : -1"
          :aria-label="spoken(skill.id, skill.name, step)"
          :aria-pressed="skill.id === chosen"
          :title="skill.name"
          :draggable="mayChange"
          @click="emit('choose', skill.id)"
          @focus="emit('choose', skill.id)"
          @dragstart="take($event, skill.id)"
          @dragend="dragged = over = null"
          @dragover.prevent="over = skill.id"
          @dragleave="over = null"
          @drop.prevent="drop(skill.id)"
        >
          <span class="name">{{ skill.name }}</span>
          <span v-if="laid.get(skill.id)" class="text">
            <span v-if="laid.get(skill.id)?.mark" class="mark" :class="laid.get(skill.id)?.mark ?? ''">{{
              MARK_SIGNS[laid.get(skill.id)?.mark ?? 'due']
            }}</span>
            {{ laid.get(skill.id)?.text }}
          </span>
          <span v-if="typeof laid.get(skill.id)?.share === 'number'" class="bar">
            <span
              :style="{
                width: `${100 * (laid.get(skill.id)?.share ?? 0)}%`,
                background: tone(laid.get(skill.id)?.share ?? 0),
              }"
            />
          </span>
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.graph {
  overflow: auto;
  min-height: 300px;
  flex: 1;
}
.inner {
  display: grid;
  grid-template-columns: 116px max-content;
  grid-template-rows: 26px max-content;
  width: max-content;
  zoom: var(--zoom);
}
.corner,
.steps,
.strands {
  position: sticky;
  background: var(--sheet);
}
.corner {
  top: 0;
  left: 0;
  z-index: 3;
}
.steps {
  top: 0;
  z-index: 2;
  border-bottom: 1px solid var(--line-strong);
}
.steps li {
  position: absolute;
  text-align: center;
  font-size: var(--size-1);
  color: var(--ink2);
}
.strands {
  left: 0;
  z-index: 2;
  border-right: 1px solid var(--line-strong);
}
.strands li {
  position: absolute;
  width: 100%;
  border-bottom: 1px solid var(--line);
}
.strands button {
  border: 0;
  background: none;
  color: var(--ink);
  text-align: left;
  padding: var(--space-1) var(--space-1) var(--space-1) 0;
  font-size: var(--size-2);
  line-height: 1.2;
  min-height: 32px;
  width: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-2);
  align-items: baseline;
}
.field {
  position: relative;
}
.rule {
  stroke: var(--line);
}
.line {
  fill: none;
  stroke: var(--ink3);
  stroke-width: 1;
}
.opened {
  stroke: var(--crown);
  stroke-width: 2.5;
  stroke-dasharray: 2 4;
}
.needed {
  stroke: var(--crown);
  stroke-width: 3.5;
}
.ringed {
  stroke: var(--mask);
  stroke-width: 3;
}
.end {
  fill: var(--ink);
}
.end.any {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.skill {
  position: absolute;
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-content: space-between;
  gap: 0 var(--space-1);
  padding: 2px var(--space-1);
  overflow: hidden;
  text-align: left;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line-strong);
  border-radius: 0;
}
.skill.unmet {
  border-style: dashed;
}
.skill.chosen {
  border-color: var(--crown);
  box-shadow: inset 0 0 0 2px var(--crown);
}
.skill.faulty {
  border-color: var(--mask);
  box-shadow: inset 0 0 0 1px var(--mask);
}
.skill.over {
  background: var(--wash-crown);
}
.skill.faint > span {
  opacity: 0.35;
}
.name {
  font-size: var(--size-1);
  line-height: 1.15;
  font-weight: 600;
  flex: 1 1 0;
  min-width: 0;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
  overflow: hidden;
  overflow-wrap: anywhere;
}
.text {
  font-size: var(--size-1);
  font-weight: 700;
  line-height: 1.15;
  white-space: nowrap;
}
.unmet .text {
  font-weight: 400;
  color: var(--ink3);
}
.mark {
  display: inline-grid;
  place-items: center;
  width: 14px;
  height: 14px;
  font-size: 11px;
  line-height: 1;
  vertical-align: -2px;
  background: var(--sheet);
  border: 1px solid var(--ink);
}
.mark:is(.due, .slipping) {
  background: var(--wingbar);
  color: var(--on-wingbar);
}
.bar {
  flex: 0 0 100%;
  height: 7px;
  background: var(--m1);
}
.bar span {
  display: block;
  height: 100%;
}
</style>
