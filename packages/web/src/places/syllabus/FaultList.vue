<script setup lang="ts">
/** What is wrong with the syllabus on the desk, each fault with what cures it in one press. */
import type { SyllabusEdit, SyllabusFault } from '@finch/core/syllabus';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import BecauseMark from '../../instruments/BecauseMark.vue';
import { plural } from '../../words';
import { sayEdit, sayFault } from './fault-words';

const props = defineProps<{ faults: readonly SyllabusFault[]; nameOf: (id: string) => string }>();
const emit = defineEmits<{ edit: [edit: SyllabusEdit]; choose: [id: string] }>();
const SHOWN = 12;
const said = computed(() =>
  props.faults.slice(0, SHOWN).map((fault) => ({
    ...sayFault(fault, props.nameOf),
    first: fault.at[0],
    cures: fault.cures.map((edit) => ({ edit, text: sayEdit(edit, props.nameOf) })),
  })),
);
</script>

<template>
  <section class="sheet faults" aria-labelledby="faults" aria-live="polite">
    <h2 id="faults">{{ plural(faults.length, 'problem') }}</h2>
    <ul>
      <li v-for="(fault, i) in said" :key="i">
        <button type="button" class="link" @click="fault.first && emit('choose', fault.first)">
          {{ fault.title }}
        </button>
        <p class="note told">
          <BecauseMark /><span>{{ fault.told }}</span>
        </p>
        <div class="cures">
          <BButton
            v-for="{ edit, text } in fault.cures"
            :key="text"
            size="sm"
            variant="outline-secondary"
            @click="emit('edit', edit)"
            >{{ text }}</BButton
          >
        </div>
      </li>
    </ul>
    <p v-if="faults.length > SHOWN" class="note">{{ faults.length - SHOWN }} more come after these.</p>
  </section>
</template>

<style scoped>
.faults {
  border: 2px solid var(--mask);
}
li {
  border-top: 1px solid var(--line);
  padding: var(--space-2) 0;
}
.link {
  border: 0;
  background: none;
  padding: 0;
  min-height: 24px;
  font-weight: 700;
  text-align: left;
  color: var(--mask);
}
.told {
  display: flex;
  gap: var(--space-2);
  align-items: baseline;
}
.cures {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  margin-top: var(--space-1);
}
.cures .btn {
  white-space: normal;
  text-align: left;
}
</style>
