<script setup lang="ts">
/** Shape cards for paper: what goes on the page, how it looks, and the file or printer it goes to. */
import type { CardShow, PaperCard } from '@finch/core/shapes';
import { BButton, BFormInput, BFormRadioGroup, BModal } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { sayError } from '../../app/words';
import { saveFile } from '../../app/save-file';
import { fileName, pdfFile, pngOf, printPages, svgFiles, type PaperJob } from './paper-files';

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
const busy = ref(false);
const trouble = ref('');
const pages = ref<readonly string[]>([]);
const choices = computed(() => [
  { value: 'one', text: 'the grip in hand', disabled: !props.one },
  { value: 'list', text: `the first ${Math.min(12, props.list.length)} of the list` },
  { value: 'gathered', text: `those gathered (${props.gathered.length})`, disabled: !props.gathered.length },
]);
const cards = computed(() =>
  which.value === 'one'
    ? props.one
      ? [props.one]
      : []
    : which.value === 'list'
      ? props.list
      : props.gathered,
);
const job = computed<PaperJob>(() => ({
  layout: which.value === 'one' ? 'single' : 'page',
  title: title.value.trim() || (which.value === 'one' ? (props.one?.name ?? 'Shape') : 'Shapes'),
  foot: props.foot,
  show: props.show,
  leftHanded: props.leftHanded,
  cards: cards.value,
}));
watch(open, (now) => {
  if (!now) return;
  which.value = props.gathered.length > 1 ? 'gathered' : 'one';
  title.value = '';
});
watch(
  [open, job],
  async ([shown]) => {
    if (!shown || !cards.value.length) return;
    await attempt(async () => {
      pages.value = await svgFiles(job.value);
    });
  },
  { immediate: true },
);
async function attempt(work: () => Promise<void>) {
  // A disabled button would lose the focus, and with it the keyboard.
  if (busy.value) return;
  busy.value = true;
  trouble.value = '';
  try {
    await work();
  } catch (problem) {
    trouble.value = sayError(problem);
  } finally {
    busy.value = false;
  }
}
const each = (ending: string, i: number) =>
  fileName(pages.value.length > 1 ? `${job.value.title} ${i + 1}` : job.value.title, ending);
const svg = () =>
  attempt(async () =>
    pages.value.forEach((page, i) => saveFile(each('svg', i), new Blob([page], { type: 'image/svg+xml' }))),
  );
const png = () =>
  attempt(async () => {
    for (const [i, page] of pages.value.entries()) saveFile(each('png', i), await pngOf(page));
  });
const pdf = () => attempt(async () => saveFile(fileName(job.value.title, 'pdf'), await pdfFile(job.value)));
const preview = computed(
  () => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(pages.value[0] ?? '')}`,
);
</script>

<template>
  <BModal v-model="open" size="lg" centered title="On paper" no-footer>
    <div class="paper">
      <div class="paper-ask">
        <BFormRadioGroup v-model="which" :options="choices" stacked aria-label="What goes on the page" />
        <label v-if="which !== 'one'"
          >Title<BFormInput v-model="title" size="sm" maxlength="60" placeholder="what it is for"
        /></label>
        <p class="small">
          {{ cards.length }} card{{ cards.length === 1 ? '' : 's' }}, {{ pages.length }} page{{
            pages.length === 1 ? '' : 's'
          }}, showing {{ show === 'degrees' ? 'intervals' : show }}.
        </p>
        <div class="paper-acts">
          <BButton class="pri" variant="dark" :aria-disabled="busy" @click="printPages(pages)">Print</BButton>
          <BButton variant="outline-secondary" :aria-disabled="busy" @click="pdf">PDF</BButton>
          <BButton variant="outline-secondary" :aria-disabled="busy" @click="svg">SVG</BButton>
          <BButton variant="outline-secondary" :aria-disabled="busy" @click="png">PNG</BButton>
        </div>
        <BButton v-if="gathered.length" variant="link" size="sm" @click="emit('clear')">Gather anew</BButton>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      </div>
      <img
        v-if="pages.length"
        class="paper-page"
        :class="{ one: which === 'one' }"
        :src="preview"
        alt="How the first page looks"
      />
    </div>
  </BModal>
</template>

<style scoped>
.paper {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  gap: 16px;
}
.paper-ask {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.paper-acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.paper-page {
  width: 100%;
  max-height: 66vh;
  object-fit: contain;
  border: 1px solid var(--line);
  background: #fff;
}
.paper-page.one {
  max-height: 320px;
}
@media (max-width: 820px) {
  .paper {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
