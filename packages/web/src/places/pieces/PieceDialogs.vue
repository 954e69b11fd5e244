<script setup lang="ts">
/** What Pieces asks for in a dialog of its own. */
import { computed } from 'vue';
import BothVersions from '../../furniture/BothVersions.vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import PaperSheet from '../../paper/PaperSheet.vue';
import ChartEditor from './ChartEditor.vue';
import ConcertDialog from './ConcertDialog.vue';
import FilesDialog from './FilesDialog.vue';
import KeyDialog from './KeyDialog.vue';
import { NEW_CHART } from './listed';
import RuleDialog from './RuleDialog.vue';
import type { PieceBench } from './use-piece-bench';

const props = defineProps<{ bench: PieceBench }>();
const { shown, taught, first, asks, keeping, chart, dialogs, held, job } = props.bench;
const { drilling, limit } = taught;
const { piece, demand, options } = asks;
const { busy, trouble } = keeping;
const { is, begun } = dialogs;
const start = computed(() => begun.value ?? shown.value?.body.chart ?? NEW_CHART);
const draftKey = computed(() => (begun.value === null ? `chart:${shown.value?.body.id ?? ''}` : 'chart:new'));
</script>

<template>
  <ChartEditor
    v-model="is.editing"
    :start="start"
    :busy="busy"
    :trouble="trouble"
    :is-new="begun !== null"
    :draft-key="draftKey"
    @keep="dialogs.keepChart"
  >
    <BothVersions :keeping="keeping.versions" @taken="dialogs.settled" @kept="dialogs.settled" />
  </ChartEditor>
  <HouseDialog v-model="is.printing" size="lg" title="On paper">
    <PaperSheet :job="job"
      ><p class="note">
        The chart with its strokes{{ chart.part.value === 'full' ? ' and the grips of this hand' : '' }}.
      </p></PaperSheet
    >
  </HouseDialog>
  <RuleDialog
    v-model="is.ruling"
    :held="held"
    :who="first ?? 'the student'"
    :busy="busy"
    :trouble="is.ruling ? trouble : ''"
    @keep="(text) => dialogs.keepNew(text, 'ruling')"
    @edit="dialogs.editRuled"
  />
  <FilesDialog
    v-model="is.filing"
    :piece="piece"
    :demand="demand"
    :instrument="drilling.instrument"
    :busy="busy"
    :trouble="is.filing ? trouble : ''"
    @keep="(text, grips) => dialogs.keepNew(text, 'filing', grips)"
    @paper="dialogs.onPaper"
  />
  <KeyDialog
    v-if="piece"
    v-model="is.keying"
    :piece="piece"
    :options="options"
    :limit="limit"
    :who="first ? `${first}’s` : 'a middle'"
    @take="dialogs.takeKey"
  />
  <ConcertDialog
    v-model="is.staging"
    :piece-id="shown?.body.id ?? ''"
    :concert="shown?.body.concert ?? null"
    :busy="busy"
    @set="dialogs.setConcert"
  >
    <BothVersions :keeping="keeping.versions" @taken="dialogs.settled" @kept="dialogs.settled" />
  </ConcertDialog>
</template>
