<script setup lang="ts">
/** Shape cards for paper: which of them go on the page, and under what title. */
import type { PaperCard } from '@finch/core/paper';
import type { CardShow } from '@finch/core/shapes';
import { BButton, BFormInput, BFormRadioGroup } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import PaperSheet from '../../paper/PaperSheet.vue';
import type { PaperJob } from '../../paper/paper-files';

const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  /** The grip in hand; null when there is none. */
  one: PaperCard | null;
  list: readonly PaperCard[];
  gathered: readonly PaperCard[];
  show: CardShow;
  leftHanded: boolean;
  foot: string;
}>();
const emit = defineEmits<{ clear: [] }>();
const which = ref<'one' | 'list' | 'gathered'>('one');
const title = ref('');
const choices = computed(() => [
  { value: 'one', text: 'the grip in hand', disabled: !props.one },
  { value: 'list', text: `the first ${Math.min(12, props.list.length)} of the list` },
  { value: 'gathered', text: `those gathered (${props.gathered.length})`, disabled: !props.gathered.length },
]);
const cards = computed(() => {
  if (which.value === 'one') return props.one ? [props.one] : [];
  return which.value === 'list' ? props.list : props.gathered;
});
const job = computed<PaperJob | null>(() =>
  open.value && cards.value.length
    ? {
        layout: which.value === 'one' ? 'single' : 'page',
        title: title.value.trim() || (which.value === 'one' ? (props.one?.name ?? 'Shape') : 'Shapes'),
        foot: props.foot,
        show: props.show,
        leftHanded: props.leftHanded,
        cards: cards.value,
      }
    : null,
);
watch(open, (now) => {
  if (!now) return;
  which.value = props.gathered.length > 1 ? 'gathered' : 'one';
  title.value = '';
});
</script>

<template>
  <HouseDialog v-model="open" size="lg" title="On paper">
    <PaperSheet :job="job">
      <BFormRadioGroup v-model="which" :options="choices" stacked aria-label="What goes on the page" />
      <label v-if="which !== 'one'"
        >Title<BFormInput v-model="title" size="sm" maxlength="60" placeholder="what it is for"
      /></label>
      <template #says
        >{{ cards.length }} card{{ cards.length === 1 ? '' : 's' }}, showing
        {{ show === 'degrees' ? 'intervals' : show }};</template
      >
      <template #after>
        <BButton v-if="gathered.length" variant="link" size="sm" @click="emit('clear')"
          >Empty the page</BButton
        >
      </template>
    </PaperSheet>
  </HouseDialog>
</template>
