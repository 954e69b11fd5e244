<script setup lang="ts">
/** One skill: what it is, what it needs and opens, what trains it; all of it can be changed here by keyboard. */
import type { SkillStateBody } from '@finch/contract';
import { drillTitle } from '@finch/core/drills';
import { openedBy, type Skill, type Syllabus, type SyllabusEdit } from '@finch/core/syllabus';
import { BButton, BFormInput, BFormTextarea } from 'bootstrap-vue-next';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import CalliperRule from '../../instruments/CalliperRule.vue';
import PickBox from '../../instruments/PickBox.vue';
import { say, stateWord } from '../../words';

const props = defineProps<{
  skill: Skill;
  syllabus: Syllabus;
  mayChange: boolean;
  nameOf: (id: string) => string;
  /** What the student whose numbers are laid over holds of it. */
  held: SkillStateBody | null;
  whose: string;
}>();
const emit = defineEmits<{ edit: [edit: SyllabusEdit]; choose: [id: string] }>();

const opens = computed(() => openedBy(props.syllabus).get(props.skill.id) ?? []);
const strands = computed(() => props.syllabus.strands.map(({ id, name }) => ({ value: id, text: name })));
const set = (to: Extract<SyllabusEdit, { do: 'set' }>['to']) =>
  emit('edit', { do: 'set', skill: props.skill.id, to });
const named = (event: Event) => (event.target as HTMLInputElement).value.trim();
function rename(event: Event) {
  const name = named(event).slice(0, 80);
  if (name) set({ name });
  else (event.target as HTMLInputElement).value = props.skill.name;
}
function retime(event: Event) {
  const field = event.target as HTMLInputElement;
  const bpm = Number(field.value);
  if (field.value === '') set({ targetBpm: null });
  else if (bpm >= 20 && bpm <= 300) set({ targetBpm: bpm });
  else field.value = String(props.skill.targetBpm ?? '');
}

/** A need is added: to be met by itself, or one that may stand in for another. */
const adding = ref(false);
const beside = ref('');
const wanted = ref('');
const field = useTemplateRef<{ focus: () => void }>('field');
const others = computed(() => {
  const own = new Set([props.skill.id, ...props.skill.needs.flat()]);
  return props.syllabus.skills.filter(({ id }) => !own.has(id));
});
const picked = computed(() => {
  const typed = wanted.value.trim().toLowerCase();
  return others.value.find(({ name, id }) => name.toLowerCase() === typed || id === typed) ?? null;
});
async function begin() {
  adding.value = true;
  await nextTick();
  field.value?.focus();
}
function add() {
  if (!picked.value) return;
  const need = picked.value.id;
  emit('edit', {
    do: 'need',
    skill: props.skill.id,
    need,
    ...(beside.value ? { beside: beside.value } : {}),
  });
  wanted.value = beside.value = '';
  adding.value = false;
}
defineExpose({ addNeed: begin });
</script>

<template>
  <aside class="sheet side scroll" :aria-label="skill.name">
    <h2 class="title" tabindex="-1">{{ skill.name }}</h2>
    <p class="note">{{ skill.sentence }}</p>
    <template v-if="held">
      <CalliperRule
        v-if="held.chance"
        :label="skill.name"
        :mean="held.chance.mean"
        :low="held.chance.low"
        :high="held.chance.high"
        :outlook="held.outlook"
      />
      <p class="note">
        <b v-if="held.chance">{{ Math.round(100 * held.chance.mean) }}</b> {{ stateWord(held) }} for {{ whose
        }}{{ skill.targetBpm === null ? '' : ` at ${skill.targetBpm} bpm` }}
      </p>
    </template>

    <section aria-labelledby="needs">
      <h3 id="needs">Needs</h3>
      <p v-if="!skill.needs.length" class="note">Nothing: one may begin with it.</p>
      <ul>
        <li v-for="(group, i) in skill.needs" :key="i" class="group">
          <span v-for="(need, j) in group" :key="need" class="need">
            <span v-if="j > 0" class="small">or</span>
            <button type="button" class="link" @click="emit('choose', need)">{{ nameOf(need) }}</button>
            <BButton
              v-if="mayChange"
              size="sm"
              variant="outline-secondary"
              :aria-label="`Drop: needs ${nameOf(need)}`"
              @click="emit('edit', { do: 'drop need', skill: skill.id, need })"
              >Drop</BButton
            >
          </span>
        </li>
      </ul>
      <BButton v-if="mayChange && !adding" size="sm" variant="outline-secondary" @click="begin"
        >Add a need</BButton
      >
      <form v-if="adding" class="adding" @submit.prevent="add" @keydown.esc.stop="adding = false">
        <label>
          <span class="form-label">Skill that is needed</span>
          <BFormInput
            ref="field"
            v-model="wanted"
            list="skills-to-need"
            autocomplete="off"
            placeholder="its name"
            maxlength="80"
          />
        </label>
        <datalist id="skills-to-need">
          <option v-for="one in others" :key="one.id" :value="one.name" />
        </datalist>
        <label v-if="skill.needs.length">
          <span class="form-label">It</span>
          <PickBox
            v-model="beside"
            :options="[
              { value: '', text: 'must be held too' },
              ...skill.needs.map(([one]) => ({ value: one, text: `may stand in for ${nameOf(one)}` })),
            ]"
          />
        </label>
        <div class="acts">
          <BButton type="submit" size="sm" variant="outline-secondary" :aria-disabled="!picked">Add</BButton>
          <BButton size="sm" variant="link" @click="adding = false">Cancel</BButton>
        </div>
      </form>
    </section>

    <section aria-labelledby="opens">
      <h3 id="opens">Opens</h3>
      <p v-if="!opens.length" class="note">Nothing yet needs it.</p>
      <ul v-else class="opens">
        <li v-for="id in opens" :key="id">
          <button type="button" class="link" @click="emit('choose', id)">{{ nameOf(id) }}</button>
        </li>
      </ul>
    </section>

    <section aria-labelledby="trained">
      <h3 id="trained">Trained by</h3>
      <ul>
        <li v-for="({ step, recipe }, i) in skill.practice" :key="i" class="drill">
          <span class="small step">{{ step }}</span>
          <span>{{ say(drillTitle(recipe)) }}</span>
          <BButton
            v-if="mayChange && skill.practice.length > 1"
            size="sm"
            variant="link"
            :aria-label="`Drop the drill ${say(drillTitle(recipe))}`"
            @click="emit('edit', { do: 'drop drill', skill: skill.id, at: i })"
            >Drop</BButton
          >
        </li>
      </ul>
    </section>

    <section v-if="mayChange" class="fields" aria-labelledby="words">
      <h3 id="words">Words and tempo</h3>
      <label>
        <span class="form-label">Name</span>
        <BFormInput :model-value="skill.name" maxlength="80" @change="rename" />
      </label>
      <label>
        <span class="form-label">What can be done once it is held</span>
        <BFormTextarea
          :model-value="skill.sentence"
          rows="2"
          maxlength="300"
          @change="set({ sentence: named($event) })"
        />
      </label>
      <label>
        <span class="form-label">Strand</span>
        <PickBox
          :model-value="skill.strand"
          :options="strands"
          @update:model-value="set({ strand: $event })"
        />
      </label>
      <label>
        <span class="form-label">Target tempo, bpm</span>
        <BFormInput
          :model-value="skill.targetBpm ?? ''"
          type="number"
          min="20"
          max="300"
          placeholder="in free time"
          @change="retime"
        />
      </label>
      <BButton
        size="sm"
        variant="outline-secondary"
        @click="emit('edit', { do: 'take out', skill: skill.id })"
        >Take it out</BButton
      >
    </section>
  </aside>
</template>

<style scoped>
.side {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.title {
  font-size: var(--size-5);
}
section {
  border-top: 1px solid var(--line);
  padding-top: var(--space-2);
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.group {
  padding: 2px 0;
}
.need {
  display: flex;
  align-items: center;
  gap: var(--space-2);
}
.need .link {
  flex: 1;
}
.link {
  border: 0;
  background: none;
  padding: 0;
  min-height: 28px;
  min-width: 24px;
  color: var(--crown);
  text-align: left;
  font-size: var(--size-2);
  text-decoration: underline;
  text-underline-offset: 3px;
}
.opens {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-3);
}
.adding,
.fields {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.acts {
  display: flex;
  gap: var(--space-2);
}
.drill {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr) auto;
  gap: var(--space-1) var(--space-2);
  align-items: center;
  font-size: var(--size-2);
  min-height: 32px;
}
.btn {
  align-self: flex-start;
}
@media (pointer: coarse) {
  .link {
    min-height: 44px;
    min-width: 44px;
  }
}
</style>
