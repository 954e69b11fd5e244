<script setup lang="ts">
/** Pages for paper: how the first looks, and the file or printer they go to. */
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { saveFile } from '../app/save-file';
import { sayError } from '../words';
import { fileName, pdfFile, pngOf, printPages, svgFiles, type PaperJob } from './paper-files';

/** Null while there is nothing to print. */
const props = defineProps<{ job: PaperJob | null }>();
const busy = ref(false);
const trouble = ref('');
const pages = ref<readonly string[]>([]);
watch(
  () => props.job,
  async (job) => {
    if (!job) {
      pages.value = [];
      return;
    }
    await attempt(async () => {
      const drawn = await svgFiles(job);
      if (job === props.job) pages.value = drawn;
    });
  },
  { immediate: true },
);
async function attempt(work: () => Promise<void>) {
  // A disabled button would lose the focus, and with it the keyboard.
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
const title = computed(() => props.job?.title ?? '');
const each = (ending: string, i: number) =>
  fileName(pages.value.length > 1 ? `${title.value} ${i + 1}` : title.value, ending);
const svg = () =>
  attempt(async () =>
    pages.value.forEach((page, i) => saveFile(each('svg', i), new Blob([page], { type: 'image/svg+xml' }))),
  );
const png = () =>
  attempt(async () => {
    for (const [i, page] of pages.value.entries()) saveFile(each('png', i), await pngOf(page));
  });
const pdf = () =>
  attempt(async () => {
    if (props.job) saveFile(fileName(title.value, 'pdf'), await pdfFile(props.job));
  });
const preview = computed(
  () => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(pages.value[0] ?? '')}`,
);
</script>

<template>
  <div class="paper">
    <div class="paper-ask">
      <slot />
      <p v-if="job" class="small">
        <slot name="says" /> {{ pages.length }} page{{ pages.length === 1 ? '' : 's' }}.
      </p>
      <div class="paper-acts">
        <BButton class="pri" variant="dark" :aria-disabled="busy || !job" @click="printPages(pages)"
          >Print</BButton
        >
        <BButton variant="outline-secondary" :aria-disabled="busy || !job" @click="pdf">PDF</BButton>
        <BButton variant="outline-secondary" :aria-disabled="busy || !job" @click="svg">SVG</BButton>
        <BButton variant="outline-secondary" :aria-disabled="busy || !job" @click="png">PNG</BButton>
      </div>
      <slot name="after" />
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
    </div>
    <img
      v-if="pages.length"
      class="paper-page"
      :class="{ one: job?.layout === 'single' }"
      :src="preview"
      alt="How the first page looks"
    />
  </div>
</template>

<style scoped>
.paper {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  gap: var(--space-4);
}
.paper-ask {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.paper-acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
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
