<script setup lang="ts">
/** What else could go in: skills of the syllabus as blocks, found by name; and a blank one. */
import type { StudentBody } from '@finch/contract';
import type { DrillContext } from '@finch/core/hands';
import type { PlanBlock } from '@finch/core/planning';
import { BButton, BFormInput } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, ref } from 'vue';
import { BLOCK_WORDS, whole } from '../../words';
import { CATEGORY } from '../../instruments/categories';
import { useSyllabus } from '../../session/queries';
import { blockOf } from '../../session/hand-out';

const props = defineProps<{
  student: StudentBody | null;
  drilling: DrillContext;
  taken: readonly string[];
  swapping: boolean;
}>();
const emit = defineEmits<{ put: [block: PlanBlock] }>();
const { data: syllabus } = useSyllabus();
const find = ref('');
const blank = ref('');
const MINUTES = 6;

const shelf = computed(() => {
  const student = props.student;
  if (!student || !syllabus.value) return [];
  const wanted = find.value.trim().toLowerCase();
  return syllabus.value.skills
    .filter((skill) => !props.taken.includes(skill.id) && skill.name.toLowerCase().includes(wanted))
    .map((skill) => {
      const state = student.skills.find((one) => one.skillId === skill.id);
      const kind: PlanBlock['kind'] = !state?.attempts
        ? 'new'
        : state.state === 'clean' || state.state === 'settled'
          ? 'review'
          : 'repair';
      const mark = !state?.chance
        ? 'not met'
        : state.marks.slipping
          ? 'slipping'
          : state.marks.stuck
            ? 'stuck'
            : state.marks.due
              ? 'due'
              : state.state;
      return {
        skill,
        state,
        kind,
        mark,
        order: state?.marks.slipping ? 0 : state?.marks.due ? 1 : state?.chance ? 2 : 3,
      };
    })
    .sort((a, b) => a.order - b.order)
    .slice(0, 12);
});
function put({ skill, kind }: (typeof shelf.value)[number]) {
  const title = { code: 'title.skill', values: { skill: skill.name } };
  emit('put', {
    ...blockOf(skill.practice[0].recipe, props.drilling, title, { kind, skillId: skill.id }),
    locked: false,
  });
}
function putBlank() {
  const text = blank.value.trim();
  if (!text) return void document.getElementById('shelf-blank')?.focus();
  emit('put', {
    id: uuid(),
    kind: 'apply',
    minutes: MINUTES,
    title: { code: 'title.blank', values: { text: text } },
    because: { code: 'because.chosen', values: {} },
    skillId: null,
    recipe: null,
    effort: 25,
    barreMinutes: 0,
    locked: false,
  });
  blank.value = '';
}
</script>

<template>
  <section class="shelf">
    <div class="spread">
      <h2>{{ swapping ? 'Swap for' : 'Shelf' }}</h2>
      <span class="small">{{ student ? `for ${student.name.split(' ')[0]}` : '' }}</span>
    </div>
    <BFormInput id="shelf-find" v-model="find" placeholder="skill by name" aria-label="Find a skill" />
    <p v-if="swapping" class="small" role="status">Choose what takes the place of the picked block.</p>
    <ul class="scroll" tabindex="0" aria-label="Shelf">
      <li v-for="entry in shelf" :key="entry.skill.id">
        <button type="button" @click="put(entry)">
          <b>{{ entry.skill.name }}</b>
          <span class="small"
            ><svg width="16" height="12" aria-hidden="true">
              <rect width="16" height="12" :fill="`url(#cat-${CATEGORY[entry.kind]})`" />
            </svg>
            {{ BLOCK_WORDS[entry.kind] }} · {{ entry.mark
            }}{{ entry.state?.chance ? ` · ${whole(entry.state.chance.mean)}` : '' }}</span
          >
        </button>
      </li>
    </ul>
    <p v-if="student && !shelf.length" class="empty">No skill of that name is free. Clear the search.</p>
    <form class="blank" @submit.prevent="putBlank">
      <BFormInput
        id="shelf-blank"
        v-model="blank"
        placeholder="something else"
        aria-label="Name of a blank block"
        maxlength="80"
      /><BButton type="submit" variant="outline-secondary" size="sm">Add</BButton>
    </form>
  </section>
</template>

<style scoped>
.shelf {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-height: 0;
}
.shelf ul {
  flex: 1;
  min-height: 0;
}
.shelf li button {
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  border-top: 1px solid var(--line);
  padding: var(--space-2) 2px;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  gap: 2px;
  font-size: var(--size-2);
  min-height: 44px;
}
.shelf li button:hover {
  background: var(--wash-crown);
}
.shelf .blank {
  display: flex;
  gap: var(--space-2);
}
@media print {
  .shelf {
    display: none;
  }
}
</style>
