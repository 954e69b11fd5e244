<script setup lang="ts">
/** Bass lines under the change in hand, each with the grips this hand plays it by, or with what nothing can be held for. */
import { BButton } from 'bootstrap-vue-next';
import { isPlayable, type PlayedWalk } from '@finch/core/harmony';
import { fretsText } from '@finch/core/grips';
import ShimMark from '../../instruments/ShimMark.vue';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import { nameChord } from '../../words';
import { noteWord } from '../../words/harmony-words';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { asked, options, heard, taught } = props.bench;
const LONGEST = 6;
const search = useLatest(
  () => [asked.value, options.value] as const,
  async ([now, of]) =>
    now?.next
      ? await benchWork().walks(plain(now.chord), plain(now.next), plain(now.key), plain(of), LONGEST)
      : [],
);
const lacking = (walk: PlayedWalk) =>
  walk.steps.filter((_, i) => walk.grips[i] === null).map((step) => nameChord(step.chord.symbol));
const told = (walk: PlayedWalk) => walk.grips.map((grip) => (grip ? fretsText(grip.frets) : '–')).join('  ');
</script>

<template>
  <section v-if="asked?.next && search.answer.value?.length !== 0">
    <h3>Bass from {{ nameChord(asked.chord.symbol) }} to {{ nameChord(asked.next.symbol) }}</h3>
    <p v-if="search.failed.value" class="refusal" role="alert">
      The walks could not be worked out in this window.
      <BButton size="sm" variant="outline-secondary" @click="search.again()">Try again</BButton>
    </p>
    <p v-else-if="!search.answer.value" class="small">Finding grips for each step…</p>
    <ul v-else class="small">
      <li v-for="one in search.answer.value" :key="String(one.rises)">
        <button
          type="button"
          class="btn btn-link"
          @click="bench.path(one.steps.map((step) => step.chord.symbol))"
        >
          {{ one.steps.map((step) => nameChord(step.chord.symbol)).join(' ') }}</button>,
        {{ one.rises ? 'up' : 'down' }} {{ one.steps.map((step) => noteWord(step.bass)).join(' ') }}
        <div class="played">
          <template v-if="isPlayable(one)">
            <ShimMark :effort="one.hardest" :limit="taught.limit.value" :width="40" :height="16" />
            <span
              >hardest {{ Math.round(one.hardest)
              }}<template v-if="one.slowest !== null"
                >, slowest change {{ one.slowest.toFixed(2) }} s</template
              ></span
            >
            <BButton
              size="sm"
              variant="outline-secondary"
              :aria-label="`Hear ${one.steps.map((step) => nameChord(step.chord.symbol)).join(' ')}`"
              @click="heard.grips(one.grips.map((grip) => grip?.frets ?? null))"
              >Hear it</BButton
            >
          </template>
          <span v-else class="caution"
            >No grip within this hand’s limits for {{ lacking(one).join(', ') }}.</span
          >
        </div>
        <code class="num">{{ told(one) }}</code>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  margin-bottom: var(--space-2);
  color: var(--ink2);
}
.btn-link {
  min-height: 24px;
  padding: 0;
}
.played {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
code {
  color: var(--ink2);
  white-space: pre-wrap;
}
@media (pointer: coarse) {
  .btn {
    min-height: 44px;
  }
}
</style>
