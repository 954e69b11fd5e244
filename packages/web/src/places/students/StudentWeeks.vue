<script setup lang="ts">
/** Every skill met, over fourteen weeks: what needs looking at first. */
import type { SkillStateBody } from '@finch/contract';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { useSeat } from '../../session/seat';
import { whole, stateWord } from '../../words';
import HistoryChart from '../../instruments/HistoryChart.vue';
import WhyDialog from './WhyDialog.vue';
import { markWord, needOf } from './skill-words';

const props = defineProps<{
  studentId: string;
  skills: readonly SkillStateBody[];
  names: ReadonlyMap<string, string>;
}>();
const seat = useSeat();
const WEEKS_MS = 98 * 86_400_000;
const WEEK_MS = 7 * 86_400_000;
const now = computed(() => seat.now());
const from = computed(() =>
  Math.max(
    now.value - WEEKS_MS,
    Math.min(now.value - WEEK_MS, ...props.skills.map((skill) => skill.history[0]?.at ?? now.value)),
  ),
);
const shown = computed(() =>
  [...props.skills].sort((a, b) => needOf(b) - needOf(a) || (b.lastAt ?? 0) - (a.lastAt ?? 0)),
);
const nameOf = (skill: SkillStateBody) => props.names.get(skill.skillId) ?? skill.skillId;
const asks = ref(false);
const asked = ref<SkillStateBody | null>(null);
function ask(skill: SkillStateBody) {
  asked.value = skill;
  asks.value = true;
}
</script>

<template>
  <p class="small">band: 80 % sure · dashes: clean from 80 · dots: if left alone</p>
  <p v-if="!skills.length" class="empty">
    Nothing met yet. The first take draws the first line; five make it less of a guess.
  </p>
  <ul class="scroll" tabindex="0" aria-label="Skills over time">
    <li v-for="skill in shown" :key="skill.skillId">
      <div>
        <b>{{ nameOf(skill) }}</b>
        <div class="small">{{ markWord(skill) }}</div>
      </div>
      <HistoryChart
        :name="nameOf(skill)"
        :points="skill.history.filter((point) => point.at >= from)"
        :now="now"
        :from="from"
        :mean="skill.chance?.mean ?? 0"
        :outlook="skill.outlook"
        :height="58"
      />
      <div class="verdict">
        <BButton
          size="sm"
          variant="link"
          :aria-label="`Why? ${nameOf(skill)} is ${whole(skill.chance?.mean ?? 0)}`"
          @click="ask(skill)"
          >Why?</BButton
        >
        <div>
          <span class="big">{{ whole(skill.chance?.mean ?? 0) }}</span><span>{{ stateWord(skill) }}</span>
        </div>
      </div>
    </li>
  </ul>
  <WhyDialog
    v-model="asks"
    :student-id="studentId"
    :skill-id="asked?.skillId ?? null"
    :name="asked ? nameOf(asked) : ''"
  />
</template>

<style scoped>
ul {
  min-height: 0;
  flex: 1;
}
li {
  display: grid;
  grid-template-columns: 124px minmax(0, 1fr) 116px;
  gap: var(--space-2);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  font-size: var(--size-2);
}
b {
  line-height: 1.2;
}
.verdict,
.verdict > div {
  display: flex;
}
.verdict {
  justify-content: space-between;
  align-items: center;
  text-align: right;
  font-size: var(--size-1);
  color: var(--ink2);
}
.verdict > div {
  flex-direction: column;
}
.verdict .big {
  font-size: var(--size-5);
  font-weight: 700;
  color: var(--ink);
  line-height: 1.1;
}
@media (max-width: 600px) {
  li {
    grid-template-columns: minmax(0, 1fr) 116px;
  }
  li > :nth-child(2) {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
