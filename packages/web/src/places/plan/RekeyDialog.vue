<script setup lang="ts">
/** The lesson in another key or for other hands: what each drill becomes, before anything is changed. */
import type { LessonBody } from '@finch/contract';
import type { DrillContext } from '@finch/core/hands';
import type { Followed, PlanBlock, RekeyedBlock } from '@finch/core/planning';
import { BButton, BFormCheckbox, BFormCheckboxGroup } from 'bootstrap-vue-next';
import { computed, toRef } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import PickBox from '../../instruments/PickBox.vue';
import { plural, say, sayProblem } from '../../words';
import { useRekey } from './use-rekey';

const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  lesson: LessonBody | undefined;
  drilling: DrillContext;
  blocks: readonly PlanBlock[];
}>();
const emit = defineEmits<{
  change: [edit: (blocks: readonly PlanBlock[]) => readonly PlanBlock[]];
}>();
const rekey = useRekey(open, toRef(props, 'lesson'), toRef(props, 'drilling'), {
  blocks: toRef(props, 'blocks'),
  change: (edit) => emit('change', edit),
});
const { to, own, picked, roots, from, stuck, others, blocks: moved, forOthers } = rekey;
const { failed, looking, busy, trouble, ready } = rekey;
const FOLLOWED: Readonly<Record<Followed, string>> = {
  moved: 'moves as it is',
  'other grips': 'on other grips',
  nearest: 'the nearest stands in its place',
  keyless: 'has no key of its own',
  stays: 'stays as it was',
};
const how = (one: RekeyedBlock) => `${FOLLOWED[one.followed]}${one.why ? `: ${sayProblem(one.why)}` : ''}`;
const other = computed<string>({
  get: () => '',
  set: (id) => {
    if (id && !picked.value.includes(id)) picked.value = [...picked.value, id];
  },
});
const otherChoices = computed(() => [
  { value: '', text: 'add another student' },
  ...others.value
    .filter((one) => !picked.value.includes(one.id))
    .map((one) => ({ value: one.id, text: one.name })),
]);
const does = computed(() => {
  const parts = [own.value ? 'this lesson' : '', picked.value.length ? plural(picked.value.length, 'other plan') : '']; // prettier-ignore
  return `Re-key ${parts.filter(Boolean).join(' and ') || 'nothing'}`;
});
async function go() {
  if (await rekey.apply()) open.value = false;
}
</script>

<template>
  <HouseDialog v-model="open" size="lg" title="Re-key this lesson" scrollable>
    <form class="rekey" @submit.prevent="go">
      <p v-if="!from" class="note">
        No drill of this lesson stands in a key; it can be made for other hands.
      </p>
      <label v-else class="key"
        >Everything as far up or down as this key lies<PickBox v-model="to" :options="roots"
      /></label>
      <BFormCheckbox v-model="own">This lesson</BFormCheckbox>
      <table v-if="own" class="moved">
        <thead>
          <tr>
            <th scope="col">Now</th>
            <th scope="col">Then</th>
            <th scope="col">How it follows</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in moved" :key="one.was.id" :class="{ held: one.followed === 'stays' }">
            <td>{{ say(one.was.title) }}</td>
            <td>{{ say(one.block.title) }}</td>
            <td class="small">{{ how(one) }}</td>
          </tr>
          <tr v-if="moved.length === 0">
            <td colspan="3">{{ looking ? 'Working it out…' : 'No block of this lesson has a drill.' }}</td>
          </tr>
        </tbody>
      </table>
      <fieldset>
        <legend>And into the next lesson of, each for their own hand</legend>
        <BFormCheckboxGroup v-model="picked" stacked>
          <BFormCheckbox v-for="one in stuck" :key="one.studentId" :value="one.studentId"
            >{{ one.name }}<span class="small stuck-on">stuck on {{ one.skill }}</span></BFormCheckbox
          >
          <BFormCheckbox
            v-for="one in others.filter((each) => picked.includes(each.id))"
            :key="one.id"
            :value="one.id"
            >{{ one.name }}</BFormCheckbox
          >
        </BFormCheckboxGroup>
        <p v-if="stuck.length === 0" class="small">Nobody else is stuck on a skill of this lesson.</p>
        <div class="spread">
          <BButton
            v-if="stuck.length"
            size="sm"
            variant="link"
            @click="picked = [...new Set([...picked, ...stuck.map((one) => one.studentId)])]"
            >All who are stuck</BButton
          >
          <PickBox v-model="other" :options="otherChoices" aria-label="Add another student" class="other" />
        </div>
      </fieldset>
      <section v-for="hand in forOthers" :key="hand.id">
        <h3>{{ hand.name }}</h3>
        <ul>
          <li v-for="one in hand.blocks" :key="one.was.id">
            {{ say(one.block.title) }} <span class="small">{{ how(one) }}</span>
          </li>
        </ul>
      </section>
      <p v-if="failed" class="refusal" role="alert">
        That could not be worked out. Close this and open it again.
      </p>
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      <div class="spread">
        <span class="small">{{
          looking ? 'Working it out…' : 'What is done can be undone in one step.'
        }}</span>
        <BButton type="submit" class="pri" variant="dark" :disabled="!ready || busy">{{ does }}</BButton>
      </div>
    </form>
  </HouseDialog>
</template>

<style scoped>
.stuck-on {
  margin-left: var(--space-2);
}
.rekey {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.key {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2);
}
.key select,
.other {
  width: auto;
}
.moved {
  width: 100%;
}
.moved th,
.moved td {
  text-align: left;
  vertical-align: top;
  padding: var(--space-1) var(--space-2) var(--space-1) 0;
  border-bottom: 1px solid var(--line);
}
.held {
  color: var(--ink2);
}
fieldset {
  border-top: 1px solid var(--line);
  padding-top: var(--space-2);
}
legend {
  font-size: var(--size-2);
}
h3 {
  font-size: var(--size-3);
  margin: 0;
}
li {
  border-bottom: 1px solid var(--line);
}
</style>
