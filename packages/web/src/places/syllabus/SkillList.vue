<script setup lang="ts">
/** The syllabus as lists, strand by strand, where a drawing of it has no room. */
import { computed, useTemplateRef } from 'vue';
import type { GraphDrawing } from './graph-drawing';
import type { Laid } from './use-syllabus-desk';

const props = defineProps<{
  drawing: GraphDrawing;
  laid: ReadonlyMap<string, Laid>;
  chosen: string | null;
  faulty: ReadonlySet<string>;
  found: ReadonlySet<string> | null;
  nameOf: (id: string) => string;
}>();
const emit = defineEmits<{ choose: [id: string]; fold: [id: string] }>();
const strands = computed(() =>
  props.drawing.strands.map((strand) => ({
    ...strand,
    skills: props.drawing.skills.filter(
      ({ skill }) => skill.strand === strand.id && (props.found?.has(skill.id) ?? true),
    ),
  })),
);
const frame = useTemplateRef<HTMLElement>('frame');
defineExpose({
  focusOn: (id: string | null) =>
    frame.value?.querySelector<HTMLElement>(`[data-skill="${CSS.escape(id ?? '')}"]`)?.focus(),
});
const needs = (groups: readonly (readonly string[])[]): string =>
  groups.map((group) => group.map(props.nameOf).join(' or ')).join(', ');
</script>

<template>
  <div ref="frame" class="lists">
    <section v-for="strand in strands" :key="strand.id" class="sheet">
      <h2>
        <button type="button" :aria-expanded="!strand.folded" @click="emit('fold', strand.id)">
          {{ strand.name }} <span class="small">{{ strand.count }}{{ strand.folded ? ', folded' : '' }}</span>
        </button>
      </h2>
      <ul>
        <li v-for="{ skill } in strand.skills" :key="skill.id">
          <button
            type="button"
            :data-skill="skill.id"
            :class="{ faulty: faulty.has(skill.id) }"
            :aria-pressed="skill.id === chosen"
            @click="emit('choose', skill.id)"
          >
            <b>{{ skill.name }}</b>
            <span v-if="laid.get(skill.id)" class="num">{{ laid.get(skill.id)?.text }}</span>
            <span class="small">{{
              skill.needs.length ? `needs ${needs(skill.needs)}` : 'needs nothing'
            }}</span>
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.lists {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
button {
  border: 0;
  background: none;
  color: var(--ink);
  padding: var(--space-1) 0;
  width: 100%;
  min-height: 44px;
  text-align: left;
  font-size: var(--size-2);
}
li {
  border-top: 1px solid var(--line);
}
li button {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 var(--space-2);
}
li .small {
  grid-column: 1 / -1;
}
.faulty b {
  color: var(--mask);
}
</style>
