<script setup lang="ts">
/** What is told about the grip in hand, one thing at a time. */
import { BTab, BTabs } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { useSeat } from '../../session/seat';
import BarreCaution from '../../instruments/BarreCaution.vue';
import FingeringPick from './FingeringPick.vue';
import HookEditor from './HookEditor.vue';
import InHandAlong from './InHandAlong.vue';
import InHandCompare from './InHandCompare.vue';
import InHandNames from './InHandNames.vue';
import InHandOneNote from './InHandOneNote.vue';
import InHandWhy from './InHandWhy.vue';
import type { ShapeBench } from './use-shape-bench';
import { TABS, type ShapeTab } from './use-shape-tabs';

const props = defineProps<{ bench: ShapeBench }>();
const seat = useSeat();
const {
  picked,
  chord,
  effort,
  caution,
  show,
  leftHanded,
  owner,
  actions,
  taught,
  tabs,
  hookSubject,
  hookWhat,
} = props.bench;
const { limit, drilling, instrument, marks } = taught;
const { tab, standIns, changes, along } = tabs;
/** Told in a list that needs the room: the caution stands under it. */
const LONG: readonly ShapeTab[] = ['one', 'along'];
const index = computed({
  get: () => TABS.findIndex((one) => one.id === tab.value),
  set: (at) => (tab.value = TABS[at]?.id ?? 'why'),
});
const hook = computed(() => marks.value.hooks.find((one) => one.subject === hookSubject.value) ?? null);
</script>

<template>
  <BTabs v-if="picked && chord && effort" v-model:index="index" nav-class="quiet-tabs" content-class="told">
    <BTab v-for="one in TABS" :key="one.id" :title="one.name">
      <template v-if="one.id === tab">
        <BarreCaution v-if="caution && !LONG.includes(tab)" />
        <FingeringPick
          v-if="tab === 'why'"
          :frets="picked.frets"
          :effort="effort"
          :drilling="drilling"
          :marks="marks"
          :student="owner"
          @kept="taught.refresh()"
        />
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
          @use="(one) => !one.capo && bench.search.pickFrets(one.grip.frets)"
          @take="bench.use"
        />
        <InHandOneNote
          v-else-if="tab === 'one'"
          :grip="picked"
          :changes="changes ?? []"
          :busy="changes === null"
          :left-handed="leftHanded"
          @use="bench.use"
        />
        <InHandAlong
          v-else-if="tab === 'along'"
          :along="along"
          :chord="chord"
          :left-handed="leftHanded"
          @use="bench.use"
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
            :hook="hook"
            @kept="taught.refresh()"
          />
        </template>
        <BarreCaution v-if="caution && LONG.includes(tab)" />
      </template>
    </BTab>
  </BTabs>
</template>

<style scoped>
:deep(.told) {
  padding-top: var(--space-2);
}
</style>
