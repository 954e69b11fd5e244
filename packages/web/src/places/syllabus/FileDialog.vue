<script setup lang="ts">
/** The syllabus out as a JSON file and one in: looked at first, taken to the desk as a change that is not kept yet. */
import { syllabusContentSchema } from '@finch/contract';
import { differenceOf, graphFaults, type Syllabus } from '@finch/core/syllabus';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, shallowRef } from 'vue';
import * as v from 'valibot';
import { saveFile } from '../../app/save-file';
import { readText } from '../../app/text-file';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { plural } from '../../words';
import { sayDifference } from './fault-words';
import { readSyllabus } from './read-syllabus';

const props = defineProps<{ now: Syllabus; mayChange: boolean }>();
const emit = defineEmits<{ take: [content: Syllabus] }>();
const open = defineModel<boolean>({ required: true });
const found = shallowRef<{ readonly name: string; readonly content: Syllabus } | null>(null);
const refused = ref('');

function out() {
  const text = JSON.stringify(v.parse(syllabusContentSchema, props.now), null, 1);
  saveFile('syllabus.json', new Blob([text], { type: 'application/json' }));
}
async function take(event: Event) {
  const [file] = (event.target as HTMLInputElement).files ?? [];
  if (!file) return;
  found.value = null;
  refused.value = '';
  try {
    const read = readSyllabus(readText(new Uint8Array(await file.arrayBuffer())).text);
    if (read.ok) found.value = { name: file.name, content: read.value };
    else refused.value = read.problem.detail;
  } catch (problem) {
    refused.value = (problem as Error).message;
  }
}
const told = computed(() => {
  if (!found.value) return '';
  const { content } = found.value;
  const differs = sayDifference(differenceOf(props.now, content));
  const faults = graphFaults(content, props.now).length;
  return [
    `${plural(content.skills.length, 'skill')} in ${plural(content.strands.length, 'strand')}.`,
    differs ? `Beside what is on the desk: ${differs}.` : 'The same as on the desk.',
    faults ? `${plural(faults, 'problem')}, each with a cure once it is on the desk.` : '',
  ].join(' ');
});
function takeIt() {
  if (found.value) emit('take', found.value.content);
  found.value = null;
  open.value = false;
}
</script>

<template>
  <HouseDialog v-model="open" title="The syllabus as a file">
    <section>
      <h3>Out</h3>
      <p class="note">
        All skills, needs and drills as JSON, as they are on the desk.
        <a href="/schemas/syllabus.schema.json" download>The schema of the file</a>
      </p>
      <BButton variant="outline-secondary" @click="out">Save syllabus.json</BButton>
    </section>
    <section v-if="mayChange">
      <h3>In</h3>
      <label class="note"
        >A syllabus as JSON; nothing is kept before you keep it.
        <input class="form-control" type="file" accept=".json,application/json" @change="take" />
      </label>
      <p v-if="refused" class="refusal" role="alert">{{ refused }}</p>
      <template v-if="found">
        <p role="status">
          <b>{{ found.name }}</b>: {{ told }}
        </p>
        <BButton class="pri" variant="dark" @click="takeIt">Take to the desk</BButton>
      </template>
    </section>
  </HouseDialog>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  align-items: flex-start;
  padding-bottom: var(--space-4);
}
label {
  width: 100%;
}
</style>
