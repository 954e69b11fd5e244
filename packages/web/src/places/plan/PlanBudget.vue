<script setup lang="ts">
/** What the plan spends: minutes by kind, the checks it is held to, and what was left out with the reason. */
import type { StudentBody } from '@finch/contract';
import type { OneHand } from '@finch/core/drills';
import type { HandLimits } from '@finch/core/hands';
import { LEANS, planMinutes, type Lean, type LessonPlan } from '@finch/core/planning';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import IconCheck from '~icons/bi/check-lg';
import IconWarn from '~icons/bi/exclamation-triangle';
import { BLOCK_WORDS, LEAN_WORDS, say } from '../../words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import { CATEGORY } from '../../instruments/categories';
import PurflingBar from '../../instruments/PurflingBar.vue';
import { useSyllabus } from '../../session/queries';
import PlanToward from './PlanToward.vue';
import { gapCheck, liftedCheck, planChecks, unseenChecks } from './checks';

const props = defineProps<{
  plan: LessonPlan;
  student: StudentBody | null;
  minutes: number;
  limits: HandLimits | null;
  /** Pain ended playing, or keeps it locked. */
  hurts: boolean;
  /** The hand that may play alone. */
  alone: OneHand | null;
  busy: boolean;
  canUndo: boolean;
  /** Minutes over the lesson. */
  over: number;
}>();
const emit = defineEmits<{ replan: [lean?: Lean]; undo: []; fit: []; moved: [] }>();
const blocks = computed(() => props.plan.blocks);
const total = computed(() => planMinutes(blocks.value));
const strips = computed(() =>
  blocks.value.map((block) => ({
    name: say(block.title),
    value: block.minutes,
    category: CATEGORY[block.kind],
  })),
);
const byKind = computed(() => {
  const sums = new Map<string, number>();
  for (const block of blocks.value) sums.set(block.kind, (sums.get(block.kind) ?? 0) + block.minutes);
  return [...sums];
});
const { data: syllabus } = useSyllabus();
const strands = computed(() => new Map(syllabus.value?.strands.map(({ id, name }) => [id, name])));
const checks = computed(() =>
  [
    ...(props.limits ? planChecks(blocks.value, props.minutes, props.limits, props.hurts, props.alone) : []),
    liftedCheck(props.plan.lifted) ?? [],
    gapCheck(props.plan.gap) ?? [],
    unseenChecks(props.plan.unseen, strands.value),
  ].flat(),
);
</script>

<template>
  <aside class="sheet budget scroll" tabindex="0" aria-label="Time budget and checks">
    <div class="spread">
      <h2>Time budget</h2>
      <b :class="{ over: total > minutes }">{{ total }} of {{ minutes }} min</b>
    </div>
    <PurflingBar :strips="strips" :total="minutes" unit="minutes" :height="34" />
    <dl>
      <div v-for="[kind, sum] in byKind" :key="kind">
        <dt>
          <svg width="16" height="14" aria-hidden="true">
            <rect width="16" height="14" :fill="`url(#cat-${CATEGORY[kind as keyof typeof CATEGORY]})`" />
          </svg>
          {{ BLOCK_WORDS[kind] }}
        </dt>
        <dd>{{ sum }}</dd>
      </div>
    </dl>
    <h2>Checks</h2>
    <ul class="checks">
      <li v-for="check in checks" :key="check.text">
        <IconCheck v-if="check.ok" aria-label="kept:" /><IconWarn v-else class="warn" aria-label="look:" />
        <span>{{ check.text }}</span>
      </li>
    </ul>
    <p v-if="limits?.assumed" class="small">
      Limits are assumptions until you set them on the student’s page.
    </p>
    <PlanToward v-if="student" :student="student" :plan="plan" @moved="emit('moved')" />
    <template v-if="plan.leftOut.length"
      ><h2>Left out, and why</h2>
      <BecauseMark v-for="one in plan.leftOut" :key="one.skillId"
        ><b>{{ say(one.title) }}:</b> {{ say(one.because)
        }}{{ one.brings ? ` ${say(one.brings)}` : '' }}</BecauseMark
      ></template
    >
    <div class="lean" role="group" aria-label="Propose another that leans to">
      <BButton
        v-for="lean in LEANS"
        :key="lean"
        size="sm"
        :variant="lean === (plan.lean ?? 'even') ? 'dark' : 'outline-secondary'"
        :aria-pressed="lean === (plan.lean ?? 'even')"
        :aria-disabled="busy"
        @click="!busy && emit('replan', lean)"
        >{{ LEAN_WORDS[lean] }}</BButton
      >
    </div>
    <div class="foot">
      <BButton variant="outline-secondary" size="sm" :disabled="busy" @click="emit('replan')"
        >Re-plan around locks</BButton
      ><BButton v-if="over > 0" variant="outline-secondary" size="sm" @click="emit('fit')"
        >Fit to {{ minutes }} min</BButton
      ><BButton
        variant="outline-secondary"
        size="sm"
        :aria-disabled="!canUndo"
        @click="canUndo && emit('undo')"
        >Undo</BButton
      >
    </div>
  </aside>
</template>

<style scoped>
.budget {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.budget dl > div {
  display: flex;
  justify-content: space-between;
  font-size: var(--size-2);
  padding: 2px 0;
}
.budget dt {
  font-weight: 400;
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
.budget dd {
  font-weight: 700;
}
.budget .over {
  color: var(--breast);
}
.checks li {
  display: flex;
  gap: var(--space-2);
  font-size: var(--size-2);
  padding: var(--space-1) 0;
  border-top: 1px solid var(--line);
  line-height: 1.3;
}
.checks svg {
  flex: none;
  margin-top: 2px;
}
.checks .warn {
  color: var(--breast);
}
.budget .foot,
.budget .lean {
  display: flex;
  gap: var(--space-2);
  align-items: flex-end;
  flex-wrap: wrap;
}
.budget .lean {
  margin-top: auto;
}
.budget .lean .btn[aria-pressed='true'] {
  box-shadow: inset 0 -4px 0 var(--wingbar);
}
</style>
