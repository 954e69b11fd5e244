<script setup lang="ts">
/** Earlier versions of the syllabus: when, by whom, how many skills; any can be laid on the desk again. */
import { routes } from '@finch/contract';
import type { Syllabus } from '@finch/core/syllabus';
import { useQuery } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { call } from '../../session/api';
import { plural, sayError, shortDate } from '../../words';

defineProps<{ current: string }>();
const emit = defineEmits<{ take: [content: Syllabus] }>();
const open = defineModel<boolean>({ required: true });
const { data, error, refetch } = useQuery({
  queryKey: ['syllabus versions'],
  queryFn: () => call(routes.syllabusVersions),
  enabled: open,
});
const versions = computed(() => data.value?.versions ?? []);
const trouble = ref('');
async function take(versionId: string) {
  trouble.value = '';
  try {
    emit('take', (await call(routes.syllabusVersion, { params: { versionId } })).content);
    open.value = false;
  } catch (problem) {
    trouble.value = sayError(problem);
  }
}
</script>

<template>
  <HouseDialog v-model="open" title="Versions of the syllabus" scrollable>
    <p class="note">
      An earlier one comes to the desk and is kept as a new version; what students showed counts by whichever
      is the newest.
    </p>
    <p v-if="error || trouble" class="refusal" role="alert">
      {{ trouble || sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!data" class="empty" role="status">Reading the versions…</p>
    <ol>
      <li v-for="(one, i) in versions" :key="one.version">
        <span>
          <b>Version {{ versions.length - i }}</b>
          {{ shortDate(Date.parse(one.at)) }}, {{ one.by ?? 'came with the program' }}
          <span class="small">{{ one.name }}, {{ plural(one.skills, 'skill') }}</span>
        </span>
        <span v-if="one.version === current" class="tag">in use</span>
        <BButton v-else size="sm" variant="outline-secondary" @click="take(one.version)"
          >Lay on the desk</BButton
        >
      </li>
    </ol>
  </HouseDialog>
</template>

<style scoped>
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-3);
  border-top: 1px solid var(--line);
  padding: var(--space-2) 0;
  font-size: var(--size-2);
}
li .small {
  display: block;
}
</style>
