<script setup lang="ts">
/** What is due, and what comes due next. */
import type { SkillStateBody } from '@finch/contract';
import CalliperRule from '../../instruments/CalliperRule.vue';
import { shortDate } from '../../words';
import { markWord } from './skill-words';

defineProps<{
  due: readonly SkillStateBody[];
  coming: readonly SkillStateBody[];
  names: ReadonlyMap<string, string>;
}>();
</script>

<template>
  <p class="small">dotted line: in 14 days if left alone · triangle: clean from 80</p>
  <p v-if="!due.length && !coming.length" class="empty">Nothing due. The first take sets the first return.</p>
  <ul class="scroll" tabindex="0" aria-label="Reviews">
    <li v-for="skill in [...due, ...coming]" :key="skill.skillId">
      <b>{{ names.get(skill.skillId) ?? skill.skillId }}</b>
      <CalliperRule
        v-if="skill.chance"
        :label="names.get(skill.skillId) ?? ''"
        :mean="skill.chance.mean"
        :low="skill.chance.low"
        :high="skill.chance.high"
        :outlook="skill.outlook"
      />
      <span class="note">{{ markWord(skill) }}</span>
      <span class="tag" :class="{ now: skill.marks.due }">{{
        skill.marks.due ? 'today' : shortDate(skill.dueAt ?? 0)
      }}</span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  min-height: 0;
  flex: 1;
}
li {
  display: grid;
  grid-template-columns: 132px 224px minmax(0, 1fr) auto;
  gap: var(--space-2);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 2px 0;
  font-size: var(--size-2);
}
@media (max-width: 820px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
}
</style>
