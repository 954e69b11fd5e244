<script setup lang="ts">
/** What is told about the grip in hand, one thing at a time. */
import { BTab, BTabs } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { useSeat } from '../../session/seat';
import FingeringPick from './FingeringPick.vue';
import HookEditor from './HookEditor.vue';
import InHandAlong from './InHandAlong.vue';
import InHandBeside from './InHandBeside.vue';
import InHandEasier from './InHandEasier.vue';
import InHandNames from './InHandNames.vue';
import InHandOneNote from './InHandOneNote.vue';
import InHandWhy from './InHandWhy.vue';
import type { ShapeBench } from './use-shape-bench';
import { TABS } from './use-shape-tabs';

const props = defineProps<{ bench: ShapeBench }>();
const seat = useSeat();
const { picked, chord, effort, show, leftHanded, owner, actions, taught, tabs, hookSubject, hookWhat } =
  props.bench;
const { limit, drilling, instrument, marks } = taught;
const { tab, standIns, changes, along, part, besidePart } = tabs;
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
        <FingeringPick
          v-if="tab === 'why'"
          :frets="picked.frets"
          :effort="effort"
          :drilling="drilling"
          :marks="marks"
          :student="owner"
          @kept="taught.refresh()"
        />
        <InHandWhy v-if="tab === 'why'" :effort="effort" :limit="limit" />
        <InHandEasier
          v-else-if="tab === 'easier'"
          :stand-ins="standIns"
          :limit="limit"
          :left-handed="leftHanded"
          @use="(one) => bench.search.pickFrets(one.grip.frets)"
        />
        <InHandOneNote
          v-else-if="tab === 'one'"
          :changes="changes ?? []"
          :busy="changes === null"
          :left-handed="leftHanded"
          @use="bench.use"
        />
        <InHandAlong
          v-else-if="tab === 'along'"
          v-model:part="part"
          :along="along"
          :chord="chord"
          :left-handed="leftHanded"
          @use="bench.use"
        />
        <InHandBeside
          v-else-if="tab === 'compare'"
          v-model:part="besidePart"
          :grip="picked"
          :chord="chord"
          :drilling="drilling"
          :actions="actions"
          :left-handed="leftHanded"
          :show="show"
          @take="bench.use"
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
      </template>
    </BTab>
  </BTabs>
</template>

<style scoped>
:deep(.told) {
  padding-top: var(--space-2);
}
</style>
