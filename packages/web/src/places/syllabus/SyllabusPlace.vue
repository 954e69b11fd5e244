<script setup lang="ts">
/** The syllabus as a graph that can be changed: by mouse, by keyboard, as a file; whose numbers are laid over it is chosen. */
import { useMediaQuery } from '@vueuse/core';
import { BButton, BFormInput } from 'bootstrap-vue-next';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { useKeys } from '../../app/keys';
import BothVersions from '../../furniture/BothVersions.vue';
import PickBox from '../../instruments/PickBox.vue';
import { useStudent } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { plural, sayError } from '../../words';
import AddSkill from './AddSkill.vue';
import FaultList from './FaultList.vue';
import FileDialog from './FileDialog.vue';
import { beside, drawGraph } from './graph-drawing';
import SkillGraph from './SkillGraph.vue';
import SkillList from './SkillList.vue';
import SkillSide from './SkillSide.vue';
import { useSyllabusDesk } from './use-syllabus-desk';
import VersionsDialog from './VersionsDialog.vue';

const desk = useSyllabusDesk();
const { now, chosen, faults, changed, laid, version } = desk;
const seat = useSeat();
const mayChange = computed(() => seat.has('teacher', 'owner'));
const wide = useMediaQuery('(min-width: 1200px)');

const folded = ref<ReadonlySet<string>>(new Set());
const drawing = computed(() =>
  now.value ? drawGraph(now.value, folded.value, desk.kept.value ?? now.value) : null,
);
const faulty = computed(
  () => new Set(faults.value.flatMap(({ code, at }) => (code === 'syllabus.behind' ? [] : at))),
);
const rings = computed(
  () =>
    new Set(
      faults.value.flatMap(({ code, at }) =>
        code === 'syllabus.cycle' ? at.map((id, i) => `${id} ${at[(i + 1) % at.length]}`) : [],
      ),
    ),
);
const skill = computed(() => (chosen.value ? (desk.byId.value.get(chosen.value) ?? null) : null));
const side = useTemplateRef<InstanceType<typeof SkillSide>>('side');
const sideFrame = useTemplateRef<HTMLElement>('sideFrame');

const over = computed(() => [
  { value: '', text: 'nobody' },
  { value: 'class', text: 'the class' },
  ...laid.people.value.map(({ id, name }) => ({ value: id, text: name })),
]);
const { data: student } = useStudent(() =>
  ['', 'class'].includes(laid.over.value) ? null : laid.over.value,
);
const held = computed(() => student.value?.skills.find(({ skillId }) => skillId === chosen.value) ?? null);

const typed = ref('');
const search = useTemplateRef<{ focus: () => void }>('search');
const found = computed(() => {
  const words = typed.value.trim().toLowerCase();
  if (!words || !now.value) return null;
  const holds = (text: string) => text.toLowerCase().includes(words);
  return new Set(
    now.value.skills.filter(({ name, sentence, id }) => [name, sentence, id].some(holds)).map(({ id }) => id),
  );
});
function findNext() {
  const ids =
    drawing.value?.skills.map(({ skill: one }) => one.id).filter((id) => found.value?.has(id)) ?? [];
  if (ids.length) chosen.value = ids[(ids.indexOf(chosen.value ?? '') + 1) % ids.length];
}

function fold(id: string) {
  const next = new Set(folded.value);
  if (!next.delete(id)) next.add(id);
  folded.value = next;
}
function choose(id: string) {
  const strand = desk.byId.value.get(id)?.strand;
  if (strand && folded.value.has(strand)) fold(strand);
  chosen.value = id;
}
/** On a narrow screen the lists make room for the one that was opened. */
const opened = ref(false);
async function open(id: string) {
  choose(id);
  opened.value = true;
  await nextTick();
  sideFrame.value?.querySelector<HTMLElement>('.title')?.focus();
  sideFrame.value?.scrollIntoView?.({ block: 'start' });
}
async function close() {
  opened.value = false;
  await nextTick();
  lists.value?.focusOn(chosen.value);
}
const lists = useTemplateRef<InstanceType<typeof SkillList>>('lists');

const ZOOMS = [0.6, 0.8, 1, 1.25] as const;
const zoom = ref(1);
const frame = useTemplateRef<HTMLElement>('frame');
const step = (by: 1 | -1) => {
  const nearest = ZOOMS.reduce(
    (best, one, i) => (Math.abs(one - zoom.value) < Math.abs(ZOOMS[best] - zoom.value) ? i : best),
    0,
  );
  zoom.value = ZOOMS[Math.min(ZOOMS.length - 1, Math.max(0, nearest + by))];
};
const LABELS = 116;
function fit() {
  const width = frame.value?.clientWidth ?? 0;
  if (drawing.value && width)
    zoom.value = Math.max(0.5, Math.min(1.25, (width - 20) / (drawing.value.width + LABELS)));
}

const adding = ref(false);
const files = ref(false);
const versions = ref(false);
const anyDialog = computed(() => adding.value || files.value || versions.value);
const walk = (way: 'left' | 'right' | 'up' | 'down') => {
  const next = drawing.value && beside(drawing.value, chosen.value ?? '', way);
  if (next) chosen.value = next;
};
const nextFault = () => {
  const first = faults.value.map(({ at }) => at[0]).filter(Boolean);
  if (first.length) choose(first[(first.indexOf(chosen.value ?? '') + 1) % first.length]);
};
const nextOver = () => {
  const all = over.value.map(({ value }) => value);
  laid.over.value = all[(all.indexOf(laid.over.value) + 1) % all.length];
};
useKeys(
  'syllabus',
  {
    walk: (at) => walk((['left', 'right', 'up', 'down'] as const)[at]),
    need: () => void side.value?.addNeed(),
    takeOut: () => mayChange.value && skill.value && desk.edit({ do: 'take out', skill: skill.value.id }),
    undo: desk.undo,
    keep: () => void desk.keep(),
    find: () => search.value?.focus(),
    fold: () => skill.value && fold(skill.value.strand),
    over: nextOver,
    fault: nextFault,
  },
  () => now.value !== null && !anyDialog.value,
);
const shown = computed(() => {
  const all = now.value;
  if (!all) return '';
  const foldedText = folded.value.size ? `, ${folded.value.size} folded` : '';
  return `${plural(all.skills.length, 'skill')}, ${plural(all.strands.length, 'strand')}${foldedText}`;
});
</script>

<template>
  <div class="syllabus">
    <section class="sheet bar" aria-label="Syllabus">
      <h1 class="h2like" tabindex="-1">{{ now?.name ?? 'Syllabus' }}</h1>
      <span class="note">{{ shown }}</span>
      <label v-if="mayChange" class="over">
        <span class="small">numbers of</span>
        <PickBox v-model="laid.over.value" :options="over" aria-label="Whose numbers are laid over" />
      </label>
      <BFormInput
        ref="search"
        v-model="typed"
        class="find"
        type="search"
        placeholder="find a skill"
        aria-label="Find a skill"
        @keydown.enter.prevent="findNext"
      />
      <div v-if="wide" class="segments" role="group" aria-label="Size of the drawing">
        <button type="button" aria-label="Smaller" @click="step(-1)">−</button>
        <button type="button" @click="fit">fit</button>
        <button type="button" aria-label="Larger" @click="step(1)">+</button>
      </div>
      <BButton variant="outline-secondary" :disabled="!now" @click="files = true">File</BButton>
      <template v-if="mayChange">
        <BButton variant="outline-secondary" @click="versions = true">Versions</BButton>
        <BButton variant="outline-secondary" :disabled="!now" @click="adding = true">Add a skill</BButton>
        <BButton variant="outline-secondary" :aria-disabled="!desk.undoable.value" @click="desk.undo"
          >Undo</BButton
        >
        <BButton class="pri" variant="dark" :aria-disabled="!changed || faults.length > 0" @click="desk.keep"
          >Keep version</BButton
        >
      </template>
    </section>
    <p v-if="desk.error.value" class="refusal" role="alert">
      {{ sayError(desk.error.value) }}
      <BButton size="sm" variant="outline-secondary" @click="desk.again">Try again</BButton>
    </p>
    <div v-else-if="!now || !drawing" class="sheet">
      <p class="empty" role="status">Reading the syllabus…</p>
    </div>
    <template v-if="now && drawing">
      <p v-if="changed" class="sheet standing" role="status">
        <b>Not kept yet:</b> {{ changed }}.
        <span v-if="faults.length" class="tag none"
          >cannot be kept: {{ plural(faults.length, 'problem') }}</span
        >
        <BButton size="sm" variant="link" @click="desk.drop">Back to what is kept</BButton>
      </p>
      <BothVersions :keeping="desk.keeping" @kept="desk.isKept(changed)" />
      <p v-if="laid.error.value" class="refusal" role="alert">
        The numbers could not be read. {{ sayError(laid.error.value) }}
      </p>
      <div class="columns" :class="{ wide }">
        <section v-if="wide" ref="frame" class="sheet drawing" aria-label="Skills by strand and step">
          <SkillGraph
            :drawing="drawing"
            :laid="laid.of.value"
            :chosen="chosen"
            :faulty="faulty"
            :rings="rings"
            :found="found"
            :zoom="zoom"
            :may-change="mayChange"
            @choose="choose"
            @need="(of, need) => desk.edit({ do: 'need', skill: of, need })"
            @fold="fold"
          />
          <ul class="legend small">
            <li>■ must be held</li>
            <li>○ any of these will do</li>
            <li><span class="thick" /> needs of the chosen</li>
            <li><span class="dots" /> what it opens</li>
            <li v-if="laid.over.value === 'class'">so many hold it: clean or settled</li>
            <li v-else-if="laid.over.value">0 to 100: chance of a clean take</li>
            <li v-if="mayChange">drag a box onto another that needs it</li>
          </ul>
        </section>
        <div ref="sideFrame" class="beside">
          <FaultList
            v-if="faults.length"
            :faults="faults"
            :name-of="desk.nameOf"
            @edit="desk.edit"
            @choose="open"
          />
          <BButton v-if="!wide && opened" class="back" size="sm" variant="outline-secondary" @click="close"
            >All skills</BButton
          >
          <SkillSide
            v-if="skill && (wide || opened)"
            ref="side"
            :key="skill.id"
            :skill="skill"
            :syllabus="now"
            :may-change="mayChange"
            :name-of="desk.nameOf"
            :held="held"
            :whose="student?.name ?? ''"
            @edit="desk.edit"
            @choose="choose"
          />
        </div>
        <SkillList
          v-if="!wide && !opened"
          ref="lists"
          :drawing="drawing"
          :laid="laid.of.value"
          :chosen="chosen"
          :faulty="faulty"
          :found="found"
          :name-of="desk.nameOf"
          @choose="open"
          @fold="fold"
        />
      </div>
      <AddSkill
        v-model="adding"
        :syllabus="now"
        @add="(one) => (desk.edit({ do: 'add', skill: one }), choose(one.id))"
      />
      <FileDialog v-model="files" :now="now" :may-change="mayChange" @take="desk.put" />
      <VersionsDialog v-model="versions" :current="version?.version ?? ''" @take="desk.put" />
    </template>
  </div>
</template>

<style scoped>
.syllabus {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-height: 0;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2);
  padding-block: var(--space-2);
}
.over {
  display: flex;
  align-items: center;
  gap: var(--space-2);
}
.over select {
  width: 150px;
}
.find {
  width: 130px;
}
.standing {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-1) var(--space-3);
  padding-block: var(--space-1);
  font-size: var(--size-2);
}
.columns {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.columns.wide {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  flex: 1;
  min-height: 0;
}
.drawing {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.beside {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-height: 0;
}
.wide .beside {
  overflow-y: auto;
  scrollbar-width: thin;
}
.wide .beside > :deep(*) {
  flex-shrink: 0;
}
.back {
  align-self: flex-start;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-4);
  padding-top: var(--space-2);
}
.thick,
.dots {
  display: inline-block;
  width: 26px;
  vertical-align: middle;
  border-top: 4px solid var(--crown);
}
.dots {
  border-top-style: dotted;
}
</style>
